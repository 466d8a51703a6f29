/** Water lost as steam: rate x surface x time. It follows the vessel and the clock, not the servings. */
import { COVERED_FACTOR, EVAPORATION_KG_PER_M2_H, HOME_DISH, HOME_POT, HOME_TRAY } from '../kitchen';
import type { Cooking } from '../recipe/recipe';

/** Kilograms of water a square metre loses in an hour of a stretch of cooking. */
export const steamRate = (cooking: Pick<Cooking, 'heat' | 'covered'>): number =>
  EVAPORATION_KG_PER_M2_H[cooking.heat] * (cooking.covered ? COVERED_FACTOR : 1);

/** Grams of steam from one stretch of cooking over a free surface. */
export function steamGrams(cooking: Cooking, surfaceM2: number): number {
  return steamRate(cooking) * surfaceM2 * (cooking.minutes / 60) * 1000;
}

/** The home vessel's surface for a stretch of cooking, square metres: pot, tray, or the deep dish of a bake (convention). */
export const homeSurface = ({ heat }: Pick<Cooking, 'heat'>, isDeep = false): number =>
  heat !== 'oven' ? HOME_POT.surfaceM2 : isDeep ? HOME_DISH.surfaceM2 : HOME_TRAY.surfaceM2;

/** Minutes a stretch of cooking takes to drive off so much steam from a surface; infinite where nothing can leave. */
export function minutesFor(
  grams: number,
  cooking: Pick<Cooking, 'heat' | 'covered'>,
  surfaceM2: number,
): number {
  return (grams / (steamRate(cooking) * surfaceM2 * 1000)) * 60;
}
