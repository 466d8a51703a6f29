/** Nutrients summed over lines. A missing figure stays missing: the sum then says "at least". */
import { type Food, type NutrientId, NUTRIENTS } from '../food';

/** A sum of nutrients and, for each, the lines that lack a figure. */
export interface NutrientSum {
  /** Amounts in the order of NUTRIENTS, each in its own unit. */
  amounts: Float64Array;
  /** Ids of lines with unknown figures, by nutrient index. */
  missing: string[][];
}

export function emptySum(): NutrientSum {
  return { amounts: new Float64Array(NUTRIENTS.length), missing: NUTRIENTS.map(() => []) };
}

/** A sum that can be added to without changing the first. */
export const copySum = ({ amounts, missing }: NutrientSum): NutrientSum => ({
  amounts: Float64Array.from(amounts),
  missing: missing.map((list) => [...list]),
});

/** Sodium left in tinned pulses once drained, and once drained and rinsed (kitchen reference: -36 %, -41 %). */
export const DRAINED_SODIUM_SHARE = 0.64;
export const RINSED_SODIUM_SHARE = 0.59;

/** What draining and rinsing leaves of the sodium of a tinned pulse; 1 for every other food. */
export function sodiumShare(food: Food, form: string): number {
  if (food.state !== 'tinned' || food.category !== 'pulse') return 1;
  if (form.includes('rinsed')) return RINSED_SODIUM_SHARE;
  if (form.includes('undrained') || form.includes('with liquid')) return 1;
  return DRAINED_SODIUM_SHARE;
}

/** What is kept of each nutrient of a line between the pack and the plate; null for all of it. */
export type KeptShares = Float64Array | null;

/** Adds some grams of a food to a sum. `vector` is per gram, NaN where unknown. */
export function addFood(
  sum: NutrientSum,
  vector: Float64Array,
  grams: number,
  lineId: string,
  kept: KeptShares,
): void {
  for (let index = 0; index < NUTRIENTS.length; index += 1) {
    const perGram = vector[index]!;
    if (Number.isNaN(perGram)) sum.missing[index]!.push(lineId);
    else sum.amounts[index]! += perGram * grams * (kept ? kept[index]! : 1);
  }
}

/** Marks a line of unknown food or weight: everything is at least what the others hold. */
export function addUnknown(sum: NutrientSum, lineId: string): void {
  for (const list of sum.missing) list.push(lineId);
}

/** Adds a share of another sum, as one line; what it lacks, the line lacks. */
export function addSum(sum: NutrientSum, other: NutrientSum, share: number, lineId: string): void {
  for (let index = 0; index < NUTRIENTS.length; index += 1) {
    sum.amounts[index]! += other.amounts[index]! * share;
    if (other.missing[index]!.length > 0) sum.missing[index]!.push(lineId);
  }
}

/** Amount of one nutrient in a sum. */
export const amountOf = (sum: NutrientSum, id: NutrientId): number => sum.amounts[NUTRIENTS.indexOf(id)]!;
