/** A weight as a kitchen knows it: a best figure, how far off it may be, and where it came from. */
import type { Grams } from './units';

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
export function weightWithSpread(
  grams: Grams,
  spread: number,
  origin: WeightOrigin,
  because: string,
): Weight {
  return { grams, lowGrams: grams * (1 - spread), highGrams: grams * (1 + spread), origin, because };
}

/** A weight multiplied by an amount that may itself be a range. */
export function timesFigure(
  weight: Weight,
  figure: { value: number; low: number; high: number },
  because: string,
): Weight {
  return {
    grams: weight.grams * figure.value,
    lowGrams: weight.lowGrams * figure.low,
    highGrams: weight.highGrams * figure.high,
    origin: weight.origin,
    because,
  };
}
