/** The liquid of a tin: thrown away with pulses, unless the words say that it is eaten. It has a row of its own in the larder. */
import { type Food, nameWords } from '../../food';
import { DRAINED_SHARE, type Kitchen, packOf } from '../../kitchen';
import type { RecipeLine, RecipeStep } from '../../recipe';

/** Id of the liquid that tinned pulses lie in. */
export const LIQUOR_ID = 'pulse-liquor';

/** Foods whose tin holds solids in a liquid that is poured off. */
export const isInLiquor = (food: Pick<Food, 'state' | 'category'>): boolean =>
  food.state === 'tinned' && food.category === 'pulse';

/** Its own liquid: water and juice are the tin's only where they are said to be. */
const OWN = '(?:their|its|tin|tinned|can|canning|bean|chickpea|packing)';
const LIQUID = `(?:(?:all|half|of|the|${OWN}) )*(?:liquid|liquor|brine|aquafaba|(?<=${OWN} (?:own )?)(?:juices?|water))`;
const KEPT = new RegExp(
  `\\b(?:undrained|not drained|without draining|do(?:n't| not) drain|no need to drain)\\b|\\b(?:with|and|including|plus|in) ${LIQUID}\\b`,
  'i',
);
const DRAINED = /\bdrain(?!ed weight)|\bdiscard|\bthrow/i;

const isKeptIn = (text: string): boolean =>
  KEPT.test(text) &&
  !DRAINED.test(text.replace(/\b(?:un|not )drained|\bwithout draining|\b(?:don't|do not|to) drain/gi, ''));

/** Whether a tin goes in with its liquid: its line says so, or a step does where it names the food. */
export function saysLiquor({ id, text, reading }: RecipeLine, steps: readonly RecipeStep[]): boolean {
  if (isKeptIn(text)) return true;
  if (DRAINED.test(text)) return false;
  const words = nameWords(reading.foodText).filter((word) => word.length > 2);
  return steps.some(
    (step) =>
      step.reading.lineIds.includes(id) &&
      step.text.split(/[.;](?:\s|$)/).some((sentence) => {
        const named = new Set(nameWords(sentence));
        return words.some((word) => named.has(word)) && isKeptIn(sentence);
      }),
  );
}

const UNDRAINED = 'undrained';
const BY_HALF = 'by half';
const HALF = /\bhalf (?:of )?(?:the|their|its)\b/i;

/** The same line, weighed with its liquid. */
export function asUndrained(line: RecipeLine, steps: readonly RecipeStep[]): RecipeLine {
  if (isEatenWithLiquor(line)) return line;
  const isHalf = [line.text, ...steps.map(({ text }) => text)].some(
    (text) => HALF.test(text) && isKeptIn(text),
  );
  const form = [line.reading.form, isHalf ? `${UNDRAINED} ${BY_HALF}` : UNDRAINED].filter(Boolean).join(', ');
  return { ...line, reading: { ...line.reading, form } };
}

/** Share of the tin's liquid that goes in with its solids. */
export const liquorShareOf = ({ reading }: Pick<RecipeLine, 'reading'>): number =>
  reading.form.includes(BY_HALF) ? 0.5 : 1;

/** Whether a line's form says that nothing was drained. */
export const isEatenWithLiquor = ({ reading }: Pick<RecipeLine, 'reading'>): boolean =>
  reading.form.includes(UNDRAINED) && !/\brinsed\b/.test(reading.form);

/** Solids as a share of a tin: by the kitchen's own pack, else the usual share. */
export function solidShareOf(food: Food, kitchen: Kitchen): number {
  const pack = packOf(kitchen, food.id);
  return pack?.netGrams && pack.drainedGrams ? pack.drainedGrams / pack.netGrams : DRAINED_SHARE;
}
