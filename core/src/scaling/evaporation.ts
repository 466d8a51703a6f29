/** Water lost as steam: rate x surface x time. It follows the vessel and the clock, not the servings. */
import {
  COVERED_FACTOR,
  EVAPORATION_KG_PER_M2_H,
  FINISHED_DENSITY,
  HOME_POT,
  HOME_TRAY,
  type Kitchen,
  type Vessel,
} from '../kitchen';
import type { Cooking } from '../recipe/recipe';

/** Grams of steam from one stretch of cooking over a free surface. */
export function steamGrams(cooking: Cooking, surfaceM2: number): number {
  const rate = EVAPORATION_KG_PER_M2_H[cooking.heat] * (cooking.covered ? COVERED_FACTOR : 1);
  return rate * surfaceM2 * (cooking.minutes / 60) * 1000;
}

const kindOf = (cooking: Cooking): 'pot' | 'oven' => (cooking.heat === 'oven' ? 'oven' : 'pot');

/** Steam of the home recipe, cooked in the home pot and on the home tray (convention). */
export function homeSteamGrams(cookings: readonly Cooking[]): number {
  return cookings.reduce(
    (sum, cooking) =>
      sum + steamGrams(cooking, kindOf(cooking) === 'pot' ? HOME_POT.surfaceM2 : HOME_TRAY.surfaceM2),
    0,
  );
}

/** Working volume of a vessel in grams of finished food. */
export const workingGrams = (vessel: Pick<Vessel, 'litres' | 'fill'>): number =>
  vessel.litres * vessel.fill * FINISHED_DENSITY * 1000;

/** The vessel a batch is cooked in: the one asked for, else the smallest that holds it in one load, else the largest. */
export function vesselFor(
  cookings: readonly Cooking[],
  grams: number,
  kitchen: Kitchen,
  vesselId: string | null,
): Vessel | null {
  if (cookings.length === 0) return null;
  const asked = kitchen.vessels.find((vessel) => vessel.id === vesselId);
  if (asked) return asked;
  const kind = cookings.some((cooking) => kindOf(cooking) === 'pot') ? 'pot' : 'oven';
  const fitting = kitchen.vessels
    .filter((vessel) => vessel.kind === kind)
    .sort((a, b) => a.litres - b.litres);
  return fitting.find((vessel) => workingGrams(vessel) >= grams) ?? fitting[fitting.length - 1] ?? null;
}

/** Loads a batch needs in a vessel: n = ceil(volume / working capacity), one when nothing is cooked. */
export function loadsIn(vessel: Vessel | null, grams: number): number {
  return vessel ? Math.max(1, Math.ceil(grams / workingGrams(vessel) - 1e-9)) : 1;
}

/** Free surface in use: a pot's own, or of an oven only the levels that hold food. */
function surfaceInUse(vessel: Vessel, grams: number): number {
  const levels = Math.ceil((vessel.levels * grams) / workingGrams(vessel) - 1e-9);
  return vessel.surfaceM2 * Math.min(1, Math.max(1, levels) / vessel.levels);
}

/** Steam of the whole batch: every load loses its own. A stretch in the other kind of vessel uses that kind's largest. */
export function batchSteamGrams(
  cookings: readonly Cooking[],
  vessel: Vessel | null,
  loads: number,
  grams: number,
  kitchen: Kitchen,
): number {
  return cookings.reduce((sum, cooking) => {
    const kind = kindOf(cooking);
    const largest = kitchen.vessels
      .filter((each) => each.kind === kind)
      .sort((a, b) => b.litres - a.litres)[0];
    const used = vessel?.kind === kind ? vessel : largest;
    const home = kind === 'pot' ? HOME_POT.surfaceM2 : HOME_TRAY.surfaceM2;
    return sum + loads * steamGrams(cooking, used ? surfaceInUse(used, grams / loads) : home);
  }, 0);
}
