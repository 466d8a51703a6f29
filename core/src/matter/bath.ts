/** A bath: what food lies in and is lifted out of, and what every reading of one asks of the lines. */
import type { Draining } from './draining';
import type { ActLine, Moment } from './moments';

export type BathKind = 'frying' | 'boiling' | 'soaking' | 'steaming' | 'marinating' | 'salting' | 'straining';

export interface Bath {
  kind: BathKind;
  /** What the food lies in, by line; empty where the list names none of it. */
  liquidIds: readonly string[];
  foodIds: readonly string[];
  /** The moment it begins; null where only a line of the list says so. */
  moment: Moment | null;
  /** Whether the words say that what is not taken up stays out of the dish. Where not, it is the cook's to say. */
  isSaid: boolean;
  /** What is said of its draining; null where that is not said in so many words. */
  draining: Draining | null;
  /** Boiling water soaks dry noodles and grain through. */
  isHot: boolean;
  /** The food lies in it for days, or in vinegar: salt and sugar even out. */
  isLong: boolean;
}

/** A bath with nothing more to say of it. */
export const bathOf = (
  kind: BathKind,
  foods: readonly ActLine[],
  liquid: readonly ActLine[],
  moment: Moment | null,
  more: Partial<Bath> = {},
): Bath => ({
  kind,
  liquidIds: idsOf(liquid),
  foodIds: idsOf(foods),
  moment,
  isSaid: true,
  draining: null,
  isHot: false,
  isLong: false,
  ...more,
});

export const idsOf = (lines: readonly ActLine[]): string[] => lines.map(({ id }) => id);
export const gramsOf = (lines: readonly ActLine[]): number =>
  lines.reduce((sum, { grams }) => sum + grams, 0);

/** What lies in a bath: neither water nor another liquid, fat, salt, sugar or sauce. */
export const solids = (lines: readonly ActLine[]): ActLine[] =>
  lines.filter(
    ({ isWater, isLiquid, isFat, isSalt, isSoluble }) =>
      !isWater && !isLiquid && !isFat && !isSalt && !isSoluble,
  );

export function byIds(lines: readonly ActLine[], ids: readonly string[]): ActLine[] {
  const wanted = new Set(ids);
  return lines.filter(({ id }) => wanted.has(id));
}

export const heaviestOf = (lines: readonly ActLine[]): ActLine | undefined =>
  lines.reduce<ActLine | undefined>(
    (most, line) => (most && most.grams >= line.grams ? most : line),
    undefined,
  );

/** Puts a pot on the heat. */
export const BOILS =
  /\b(?:boil(?!ing (?:hot |salted )?water)|simmer|cook(?!er\b|ing (?:water|liquid|liquor))|blanch|parboil|poach)|\b(?:in|into)\b[^.]{0,40}\bboiling\b/;
