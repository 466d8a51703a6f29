/** Water lost as steam: rate x surface x time. It follows the vessel and the clock, not the servings. */
import { COVERED_FACTOR, EVAPORATION_KG_PER_M2_H, HOME_DISH, HOME_POT, HOME_TRAY } from '../kitchen';
import type { Cooking } from '../recipe';

/** Kilograms of water a square metre loses in an hour of a stretch of cooking. */
export const steamRate = (cooking: Pick<Cooking, 'heat' | 'covered'>): number =>
  EVAPORATION_KG_PER_M2_H[cooking.heat] * (cooking.covered ? COVERED_FACTOR : 1);

/** Grams of steam from one stretch of cooking over a free surface. */
export function steamGrams(cooking: Cooking, surfaceM2: number): number {
  return steamRate(cooking) * surfaceM2 * (cooking.minutes / 60) * 1000;
}

/** The vessel a stretch of cooking is assumed to happen in at home: a pot, or a tray or deep dish in the oven. */
export const homeVessel = (
  { heat }: Pick<Cooking, 'heat'>,
  isDeep = false,
): { name: string; surfaceM2: number } => (heat !== 'oven' ? HOME_POT : isDeep ? HOME_DISH : HOME_TRAY);

/** Its surface, square metres. */
export const homeSurface = (cooking: Pick<Cooking, 'heat'>, isDeep = false): number =>
  homeVessel(cooking, isDeep).surfaceM2;

/** Minutes a stretch of cooking takes to drive off so much steam from a surface; infinite where nothing can leave. */
export function minutesFor(
  grams: number,
  cooking: Pick<Cooking, 'heat' | 'covered'>,
  surfaceM2: number,
): number {
  return (grams / (steamRate(cooking) * surfaceM2 * 1000)) * 60;
}
