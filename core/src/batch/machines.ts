/** Which machine each stage of a batch passes through, in how many loads, and what a load holds. */
import {
  FINISHED_DENSITY,
  HOT_BLENDER_FILL,
  type Kitchen,
  LAYER_KG_PER_M2,
  MACHINES_FOR,
  type Vessel,
  type WorkKind,
} from '../kitchen';
import type { Stage } from '../recipe';

/** How a machine is filled: in one layer, or hot where that halves what is safe. */
export interface Filling {
  isLayer: boolean;
  isHot: boolean;
}
const DEEP: Filling = { isLayer: false, isHot: false };

/** Grams of food one load of a machine holds: by volume and working fill, or by area where it lies in one layer. */
export function workingGrams(vessel: Vessel, { isLayer, isHot }: Filling = DEEP): number {
  const isFlat =
    vessel.kind === 'griddle' || (isLayer && (vessel.kind === 'oven' || vessel.kind === 'frying pan'));
  if (isFlat) return vessel.surfaceM2 * LAYER_KG_PER_M2 * 1000;
  const fill = vessel.kind === 'blender' && isHot ? Math.min(vessel.fill, HOT_BLENDER_FILL) : vessel.fill;
  return vessel.litres * fill * FINISHED_DENSITY * 1000;
}

/** The machines of a kitchen that can do a kind of work, smallest first. */
export function machinesFor(kind: WorkKind, kitchen: Kitchen): Vessel[] {
  return kitchen.vessels
    .filter((vessel) => MACHINES_FOR[kind].includes(vessel.kind))
    .sort((one, other) => workingGrams(one) - workingGrams(other));
}

/** The machine of a stage: one asked for, else the smallest that holds it in one load, else the largest; null for none. */
export function vesselFor(
  stage: Pick<Stage, 'kind' | 'isLayer' | 'isHot'>,
  grams: number,
  kitchen: Kitchen,
  askedIds: readonly string[],
): Vessel | null {
  const able = machinesFor(stage.kind, kitchen);
  for (const askedId of askedIds) {
    const asked = able.find(({ id }) => id === askedId);
    if (asked) return asked;
  }
  // A bratt pan can simmer, but a pot or a kettle is what is meant unless it is asked for.
  const usual = able.filter(({ kind }) => kind !== 'bratt pan');
  const from = usual.length > 0 ? usual : able;
  return from.find((vessel) => workingGrams(vessel, stage) >= grams - 1e-6) ?? from[from.length - 1] ?? null;
}

/** Loads a batch needs in a machine: n = ceil(volume / working capacity), one when it needs none. */
export function loadsIn(vessel: Vessel | null, grams: number, filling: Filling = DEEP): number {
  const holds = vessel ? workingGrams(vessel, filling) : 0;
  return holds > 0 ? Math.max(1, Math.ceil(grams / holds - 1e-9)) : 1;
}

/** Free surface in use: a pot's own, or of an oven only the levels that hold food. */
export function surfaceInUse(vessel: Vessel, grams: number, filling: Filling = DEEP): number {
  if (vessel.levels <= 1) return vessel.surfaceM2;
  const levels = Math.ceil((vessel.levels * grams) / workingGrams(vessel, filling) - 1e-9);
  return vessel.surfaceM2 * Math.min(1, Math.max(1, levels) / vessel.levels);
}
