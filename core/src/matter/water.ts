/** Water and dry matter of a food. */
import type { Food } from '../food';

/**
 * Water in a gram of a food, 0 to 1. Where the larder does not know it, what is left beside protein, fat, carbohydrate and alcohol,
 * which is water and ash; a food of which those are unknown too is taken for dry, so that nothing boils off that is not known.
 */
export function waterShareOf({ composition }: Pick<Food, 'composition'>): number {
  const { waterG, proteinG, fatG, carbohydrateG, alcoholG } = composition;
  if (waterG !== null) return Math.min(1, Math.max(0, waterG / 100));
  if (proteinG === null || fatG === null || carbohydrateG === null) return 0;
  return Math.min(1, Math.max(0, 1 - (proteinG + fatG + carbohydrateG + (alcoholG ?? 0)) / 100));
}
