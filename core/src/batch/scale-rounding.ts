/** Weights as a scale can show them, split into loads that sum exactly to the batch. */
import type { Food, ScalingRole } from '../food';
import { type Kitchen, type Scale, stepOf } from '../kitchen';
import { roundToDecimals } from '../quantity';

/** Leavening, salt, starch and binders are never rounded off by more than this share (kitchen rule: 2 %). */
export const TIGHT_ERROR = 0.02;
/** Of every other line a scale is called close enough when it is off by no more than this share (convention). */
export const ROUGH_ERROR = 0.05;
const TIGHT_FUNCTIONS = new Set(['binder', 'gelling agent', 'thickener']);

/** Whether a line may not be rounded by more than `TIGHT_ERROR`. */
export const isTight = (role: ScalingRole, food: Pick<Food, 'functions'> | null = null): boolean =>
  role === 'leavening' ||
  role === 'starch' ||
  role === 'salt' ||
  (food?.functions.some((each) => TIGHT_FUNCTIONS.has(each)) ?? false);

export interface ScaleStep {
  /** The scale to use; null where the kitchen has none that is fine enough. */
  scale: Scale | null;
  stepGrams: number;
}

/** Steps that are asked for where no scale of the kitchen is fine enough, finest last. */
const FINER = [0.1, 0.01, 0.001] as const;

/**
 * The scale for a weight, in grams: the first of the kitchen's, in their order, that carries it and is close enough; else
 * the finest that carries it. A tight line that no scale shows closely is asked for in finer steps, and `scale` is null:
 * use a spoon, or weigh several loads at once.
 */
export function scaleStep(grams: number, isTightLine: boolean, kitchen: Kitchen): ScaleStep {
  const limit = isTightLine ? TIGHT_ERROR : ROUGH_ERROR;
  let finest: ScaleStep | null = null;
  let largest: Scale | null = null;
  for (const scale of kitchen.scales) {
    if (!largest || scale.capacityGrams > largest.capacityGrams) largest = scale;
    if (scale.capacityGrams < grams) continue;
    const stepGrams = stepOf(scale, grams);
    if (stepGrams / 2 <= grams * limit) return { scale, stepGrams };
    if (!finest || stepGrams < finest.stepGrams) finest = { scale, stepGrams };
  }
  // More than any scale carries is weighed in parts on the largest.
  if (!finest && largest) finest = { scale: largest, stepGrams: stepOf(largest, grams) };
  const shown = finest ?? { scale: null, stepGrams: 1 };
  if (!isTightLine || grams <= 0 || shown.stepGrams / 2 <= grams * limit) return shown;
  const stepGrams = FINER.find((step) => step / 2 <= grams * limit) ?? FINER[FINER.length - 1]!;
  return { scale: null, stepGrams };
}

export interface Split {
  scaleGrams: number;
  stepGrams: number;
  /** Name of the scale; empty where none is fine enough. */
  scaleName: string;
  /** Grams for each load; they sum to `scaleGrams`. */
  loads: number[];
}

/** Rounds a batch weight to the scale and splits it into loads as equal as the step allows. */
export function splitIntoLoads(grams: number, count: number, isTightLine: boolean, kitchen: Kitchen): Split {
  const { scale, stepGrams } = scaleStep(grams / count, isTightLine, kitchen);
  const steps = Math.floor(grams / stepGrams + 0.5 + 1e-9);
  const each = Math.floor(steps / count);
  const left = steps - each * count;
  const decimals = stepGrams < 0.01 ? 3 : stepGrams < 0.1 ? 2 : 1;
  // Steps of a tenth of a gram leave binary noise behind; whole ones do not.
  const ofSteps = (number: number): number =>
    stepGrams < 1 ? roundToDecimals(number * stepGrams, decimals) : number * stepGrams;
  const loads: number[] = [];
  for (let index = 0; index < count; index += 1) loads.push(ofSteps(index < left ? each + 1 : each));
  return { scaleGrams: ofSteps(steps), stepGrams, scaleName: scale?.name ?? '', loads };
}
