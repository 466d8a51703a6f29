/** Strong seasoning goes in by a first addition, a taste, and a held-back rest. */
import type { ScalingRole } from '../food';
import { roundToStep } from '../quantity';

/** Up to this factor the first addition is the whole linear amount (convention). */
export const LINEAR_SEASONING_FACTOR = 4;
/** Above it, this share goes in at first (convention). */
export const FIRST_ADDITION_SHARE = 0.8;

/** First addition and held-back rest of a weighed amount, in grams; they sum to it. */
export function firstAddition(
  scaleGrams: number,
  stepGrams: number,
  role: ScalingRole,
  factor: number,
): { firstGrams: number; heldBackGrams: number } {
  const isSeasoning = role === 'seasoning' || role === 'salt';
  if (!isSeasoning || factor <= LINEAR_SEASONING_FACTOR) return { firstGrams: scaleGrams, heldBackGrams: 0 };
  const firstGrams = Math.min(scaleGrams, roundToStep(scaleGrams * FIRST_ADDITION_SHARE, stepGrams));
  return { firstGrams, heldBackGrams: roundToStep(scaleGrams - firstGrams, stepGrams) };
}
