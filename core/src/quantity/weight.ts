/** A weight as a kitchen knows it: a best figure, how far off it may be, and where it came from. */
import { type Grams, grams } from './units';

/** Where a weight came from, best first: a later one never overrules an earlier one. */
export const WEIGHT_ORIGINS = [
  'weighed here',
  'pack label',
  'as written',
  'reference',
  'convention',
  'guess',
] as const;
export type WeightOrigin = (typeof WEIGHT_ORIGINS)[number];

export interface Weight {
  grams: Grams;
  lowGrams: Grams;
  highGrams: Grams;
  origin: WeightOrigin;
  /** The formula in words and figures, for the question "why?". */
  because: string;
}

/** Whether an origin is good enough to stand without asking the cook. */
export const isSettled = (origin: WeightOrigin): boolean => origin !== 'guess' && origin !== 'convention';

/** A weight with a relative spread on both sides, e.g. 0.1 for plus or minus 10 %. */
export function weightWithSpread(mass: Grams, spread: number, origin: WeightOrigin, because: string): Weight {
  const [lowGrams, highGrams] = [grams(mass * (1 - spread)), grams(mass * (1 + spread))];
  return { grams: mass, lowGrams, highGrams, origin, because };
}

/** A weight multiplied by an amount that may itself be a range. */
export function timesFigure(
  weight: Weight,
  figure: { value: number; low: number; high: number },
  because: string,
): Weight {
  return {
    grams: grams(weight.grams * figure.value),
    lowGrams: grams(weight.lowGrams * figure.low),
    highGrams: grams(weight.highGrams * figure.high),
    origin: weight.origin,
    because,
  };
}

/** A weight multiplied by what is known exactly; how it was found stays, where nothing else is said. */
export const timesFactor = (weight: Weight, factor: number, because = weight.because): Weight =>
  timesFigure(weight, { value: factor, low: factor, high: factor }, because);

/** Two weights together; what is not settled of the second stays told. */
export const plusWeight = (one: Weight, other: Weight): Weight => ({
  grams: grams(one.grams + other.grams),
  lowGrams: grams(one.lowGrams + other.lowGrams),
  highGrams: grams(one.highGrams + other.highGrams),
  origin: isSettled(other.origin) ? one.origin : other.origin,
  because: `${one.because}, plus ${other.because}`,
});
