/** A variant beside its parent, line by line: what went out, what stands instead, what it changes for who eats it. */
import type { WorksheetLine } from '../batch';
import type { AllergenStatus } from '../food';
import type { Worksheet } from './worksheet';

export interface ComparedSide {
  name: string;
  grams: number | null;
  /** "contains soy", "check gluten": what is named on the line; what nobody has looked at stands on its flags. */
  allergens: { id: string; name: string; status: AllergenStatus }[];
}

export interface ComparedLine {
  /** The written line both come from. */
  sourceId: string;
  text: string;
  parent: ComparedSide[];
  variant: ComparedSide[];
  /** Another food stands there, or what a component holds is other. */
  isSwapped: boolean;
  /** The same food by another weight. */
  isReweighed: boolean;
  hints: string[];
  /** Lines inside a component, where one of them differs. */
  children: ComparedLine[];
}

const sideOf = ({ name, batchGrams, allergens }: WorksheetLine): ComparedSide => ({
  name,
  grams: batchGrams,
  allergens: allergens
    .filter(({ isNamed }) => isNamed)
    .map(({ id, name: allergen, status }) => ({ id, name: allergen, status })),
});

const bySource = (lines: readonly WorksheetLine[]): Map<string, WorksheetLine[]> => {
  const groups = new Map<string, WorksheetLine[]>();
  for (const line of lines) groups.set(line.sourceId, [...(groups.get(line.sourceId) ?? []), line]);
  return groups;
};

/** Weights that differ by less than this share are the same weight. */
const SAME_SHARE = 0.001;

const isOtherWeight = (one: number | null, other: number | null): boolean =>
  one === null || other === null
    ? one !== other
    : Math.abs(one - other) > SAME_SHARE * Math.max(Math.abs(one), Math.abs(other), 1);

/** The lines of two worksheets of one recipe beside each other; a line that only one has stands alone. */
export function compareLines(
  parent: readonly WorksheetLine[],
  variant: readonly WorksheetLine[],
): ComparedLine[] {
  const [ofParent, ofVariant] = [bySource(parent), bySource(variant)];
  return [...new Set([...ofParent.keys(), ...ofVariant.keys()])].map((sourceId) => {
    const before = ofParent.get(sourceId) ?? [];
    const after = ofVariant.get(sourceId) ?? [];
    const children = compareLines(
      before.flatMap((line) => line.children),
      after.flatMap((line) => line.children),
    );
    const isChangedInside = children.some((each) => each.isSwapped);
    const isSame =
      before.length === after.length && before.every(({ name }, index) => name === after[index]!.name);
    return {
      sourceId,
      text: (after[0] ?? before[0])!.text,
      parent: before.map(sideOf),
      variant: after.map(sideOf),
      isSwapped: !isSame || isChangedInside,
      isReweighed:
        isSame && before.some(({ batchGrams }, index) => isOtherWeight(batchGrams, after[index]!.batchGrams)),
      hints: [...new Set(after.filter(({ swappedFrom }) => swappedFrom !== null).map(({ hint }) => hint))],
      children: isChangedInside ? children : [],
    };
  });
}

/** Two worksheets for the same target, the parent's first. */
export const compareSheets = (parent: Worksheet, variant: Worksheet): ComparedLine[] =>
  compareLines(parent.lines, variant.lines);
