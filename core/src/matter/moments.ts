/** The method cut into moments: one thing done, with the lines it names. Baths are read from moments, never from whole steps. */
import { nameWords } from '../food';
import type { Recipe, RecipeStep } from '../recipe';

/** A line as the acts of a method see it. */
export interface ActLine {
  id: string;
  /** The line as it was written, lower case. */
  text: string;
  /** The amount as it was written: "150 ml". */
  amountText: string;
  /** Words it may be called by. */
  calls: readonly string[];
  grams: number;
  isFat: boolean;
  isWater: boolean;
  /** Water, stock, plant milk, wine. */
  isLiquid: boolean;
  isSalt: boolean;
  /** Drinks nothing but passes as it is where all is strained: sugar, acid, sauces. */
  isSoluble: boolean;
  /** Takes up water when it lies in it: dry pulses and grain, nuts, seeds, dried mushrooms. */
  isDrinker: boolean;
  /** Pasta and noodles, which are soup only where that is said. */
  isNoodle: boolean;
  /** Dry grain, pulses, noodles, and what is boiled in plenty of water. */
  isBoilable: boolean;
}

export interface Moment {
  step: RecipeStep;
  stepIndex: number;
  text: string;
  /** Lines named in this sentence. */
  lineIds: readonly string[];
}

const SENTENCES = /[.;!](?:\s+|$)/;

const wordsIn = (text: string): ReadonlySet<string> => new Set(nameWords(text));

/** Whether a text calls a line by one of its words. */
export const isCalled = (line: ActLine, text: string): boolean => {
  const words = wordsIn(text);
  return line.calls.some((word) => words.has(word));
};

/** The moments of a method, in order. */
export function momentsOf({ steps }: Pick<Recipe, 'steps'>, lines: readonly ActLine[]): Moment[] {
  return steps.flatMap((step, stepIndex) => {
    const inStep = new Set(step.reading.lineIds);
    return step.text
      .split(SENTENCES)
      .filter((text) => text.trim() !== '')
      .map((text): Moment => {
        const words = wordsIn(text);
        const lineIds = lines
          .filter((line) => inStep.has(line.id) && line.calls.some((word) => words.has(word)))
          .map(({ id }) => id);
        return { step, stepIndex, text: text.toLowerCase(), lineIds };
      });
  });
}

/**
 * The lines of water that a moment means: those whose amount it repeats, those that say what they are for, those it names; else
 * the one water of the list, where nothing else claims it.
 */
export function watersOf(
  moment: Moment,
  lines: readonly ActLine[],
  claims: RegExp,
  moments: readonly Moment[],
): string[] {
  const waters = lines.filter(({ isWater }) => isWater);
  const ids = (list: readonly ActLine[]): string[] => list.map(({ id }) => id);
  const byAmount = waters.filter(
    ({ amountText }) => amountText !== '' && moment.text.includes(amountText.toLowerCase()),
  );
  if (byAmount.length > 0) return ids(byAmount);
  const claimed = waters.filter(({ text }) => claims.test(text));
  if (claimed.length > 0) return ids(claimed);
  // What says that it is for something else, or whose amount another moment repeats, is not this water.
  const free = waters.filter(
    ({ text, amountText }) =>
      !FOR_AN_ACT.test(text) &&
      !(amountText !== '' && moments.some((other) => other.text.includes(amountText.toLowerCase()))),
  );
  const named = free.filter(({ id }) => moment.lineIds.includes(id));
  if (named.length === 1) return ids(named);
  // Water of a dough or a batter is in it.
  const isInMix = ({ id }: ActLine): boolean =>
    moments.some((other) => other !== moment && other.lineIds.includes(id) && MIXES.test(other.text));
  return free.length === 1 && waters.length === 1 && !isInMix(free[0]!) ? ids(free) : [];
}

const MIXES = /\b(?:dough|batter|knead|whisk|mix|blend|stir|paste)/;
/** "for soaking", "to boil the pasta in", "for steaming". */
const FOR_AN_ACT = /\b(?:for|to) (?:the )?(?:soak|boil|cook|blanch|steam|poach|brin|rins)/;
