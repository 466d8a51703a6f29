/** Weights as a scale can show them, split into loads that sum exactly to the batch. */
import type { ScalingRole } from '../food';
import type { Kitchen } from '../kitchen';
import { roundToDecimals } from '../quantity';

/** Leavening, salt and starch are never rounded off by more than this share (kitchen rule: 2 %). */
export const TIGHT_ERROR = 0.02;
const FINER: Readonly<Record<number, number>> = { 10: 5, 5: 1, 1: 0.1 };

/** Whether a line may not be rounded by more than `TIGHT_ERROR`. */
export const isTight = (role: ScalingRole): boolean =>
  role === 'leavening' || role === 'starch' || role === 'salt';

/** The step the kitchen's scale shows at a weight. */
function shownStep(grams: number, kitchen: Kitchen): number {
  let step = 1;
  for (const band of kitchen.scaleSteps) {
    step = band.stepGrams;
    if (grams < band.belowGrams) break;
  }
  return step;
}

/** The scale step for a weight, in grams, made finer until a tight line is close enough. */
export function scaleStep(grams: number, role: ScalingRole, kitchen: Kitchen): number {
  let step = shownStep(grams, kitchen);
  const limit = isTight(role) ? TIGHT_ERROR : 0.5;
  for (
    let finer = FINER[step];
    grams > 0 && finer !== undefined && step / 2 > grams * limit;
    finer = FINER[step]
  ) {
    step = finer;
  }
  return step;
}

export interface Split {
  scaleGrams: number;
  stepGrams: number;
  /** Grams for each load; they sum to `scaleGrams`. */
  loads: number[];
}

/** Rounds a batch weight to the scale and splits it into loads as equal as the step allows. */
export function splitIntoLoads(grams: number, count: number, role: ScalingRole, kitchen: Kitchen): Split {
  const stepGrams = scaleStep(grams / count, role, kitchen);
  const steps = Math.floor(grams / stepGrams + 0.5 + 1e-9);
  const each = Math.floor(steps / count);
  const left = steps - each * count;
  // Steps of a tenth of a gram leave binary noise behind; whole ones do not.
  const ofSteps = (number: number): number =>
    stepGrams < 1 ? roundToDecimals(number * stepGrams, 1) : number * stepGrams;
  const loads: number[] = [];
  for (let index = 0; index < count; index += 1) loads.push(ofSteps(index < left ? each + 1 : each));
  return { scaleGrams: ofSteps(steps), stepGrams, loads };
}
