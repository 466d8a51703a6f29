/**
 * A leftover that stands in for a line: yesterday's bean pot in today's bake. It goes into those versions only that it is free
 * enough for, as far as there is of it; the rest of the line stays as written.
 */
import { foodTraces, isFree } from '../../allergen';
import type { WorksheetLine } from '../../batch';
import { wantedByAll } from '../../food';
import type { FreeFromPolicy, Kitchen } from '../../kitchen';
import type { Recipe, RecipeLine } from '../../recipe';
import type { Shelf, StockItem } from '../../stock';
import type { Worksheet } from '../../worksheet';

export interface StandIn {
  recipeId: string;
  /** The food whose lines it takes the place of. */
  foodId: string;
  stockId: string;
}

/** What of a stand-in goes into one version. */
export interface StoodIn {
  stockId: string;
  name: string;
  /** What it stands for. */
  instead: string;
  /** Finished grams taken from store; 0 where it may not go in. */
  grams: number;
  /** Why it does not go into this version; empty where it does. */
  refused: string;
}

/** Lines of a food, whatever heading they stand under. */
const linesOf = (sheet: Worksheet, foodId: string): WorksheetLine[] =>
  sheet.lines.filter((line) => line.foodId === foodId && line.componentId === null);

/** Cooked grams for each gram of a line: a dry pulse or grain weighs more once it is cooked. */
function cookedRatio({ batchGrams, cookedGrams }: WorksheetLine, dryRatio: number | null): number {
  if (dryRatio === null) return 1;
  return cookedGrams !== null && batchGrams ? cookedGrams / batchGrams : dryRatio;
}

/** The line with part of it, or all of it, as the leftover. */
function partedLine(line: RecipeLine, item: StockItem, homeGrams: number, share: number): RecipeLine[] {
  const foodId = item.cooked!.food.id;
  const gramsOrigin = 'weighed here' as const;
  const stood: RecipeLine = {
    ...line,
    answers: { foodId, grams: homeGrams, gramsOrigin },
  };
  if (share >= 1 - 1e-9) return [stood];
  return [line, { ...stood, id: `${line.id}-${foodId}`, text: item.name }];
}

function stoodRecipe(
  recipe: Recipe,
  parts: ReadonlyMap<string, { homeGrams: number; share: number; restGrams: number }>,
  item: StockItem,
): Recipe {
  const foodId = item.cooked!.food.id;
  const isSplit = (id: string): boolean => (parts.get(id)?.share ?? 1) < 1 - 1e-9;
  return {
    ...recipe,
    lines: recipe.lines.flatMap((line) => {
      const part = parts.get(line.id);
      if (!part) return [line];
      const rest: RecipeLine = isSplit(line.id)
        ? { ...line, answers: { ...line.answers, grams: part.restGrams, gramsOrigin: 'weighed here' } }
        : line;
      return partedLine(rest, item, part.homeGrams, part.share);
    }),
    steps: recipe.steps.map((step) => ({
      ...step,
      reading: {
        ...step.reading,
        lineIds: step.reading.lineIds.flatMap((id) => (isSplit(id) ? [id, `${id}-${foodId}`] : [id])),
      },
    })),
  };
}

/** Puts a leftover into a version: the recipe with it, and what was taken of the shelf. */
export function standIn(
  { recipe, sheet, exclude }: { recipe: Recipe; sheet: Worksheet; exclude: readonly string[] },
  { foodId, item, dryRatio }: { foodId: string; item: StockItem; dryRatio: number | null },
  policies: readonly FreeFromPolicy[],
  kitchen: Kitchen,
  shelf: Shelf,
): { recipe: Recipe; stood: StoodIn } | null {
  const lines = linesOf(sheet, foodId).filter(({ batchGrams, baseGrams }) => batchGrams && baseGrams);
  if (lines.length === 0) return null;
  const stood = { stockId: item.id, name: item.name, instead: lines[0]!.name, grams: 0 };
  const traces = foodTraces(item.cooked!.food, kitchen);
  const { wanted, unknown } = wantedByAll(exclude, kitchen);
  if (unknown.length > 0 || !policies.every((policy) => isFree(traces, wanted, policy)))
    return { recipe, stood: { ...stood, refused: 'it is not known to be free from what this one must be' } };
  const parts = new Map<string, { homeGrams: number; share: number; restGrams: number }>();
  for (const line of lines) {
    const ratio = cookedRatio(line, dryRatio);
    const needed = line.batchGrams! * ratio;
    const [taken] = shelf.take(needed, ({ id }) => id === item.id);
    if (!taken) continue;
    stood.grams += taken.grams;
    const share = taken.grams / needed;
    parts.set(line.id, {
      share,
      homeGrams: line.baseGrams! * share * ratio,
      restGrams: line.baseGrams! * (1 - share),
    });
  }
  if (parts.size === 0) return { recipe, stood: { ...stood, refused: 'nothing of it is left for this one' } };
  return { recipe: stoodRecipe(recipe, parts, item), stood: { ...stood, refused: '' } };
}
