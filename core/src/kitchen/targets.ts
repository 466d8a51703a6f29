/** What a kitchen wants of a portion: at least or at most so much of a figure, for everybody or for one group. */
import type { FactId, Facts } from '../food';

export interface NutrientTarget {
  figure: FactId;
  /** In the figure's own unit, per portion; null for no bound on that side. */
  min: number | null;
  max: number | null;
  /** Id of the diner group it is for; null for everybody. */
  dinerId: string | null;
}

export type TargetStanding = 'met' | 'too low' | 'too high' | 'unknown';

/**
 * How a portion stands to a target. What is only "at least" can be known to be too high or high enough, and is otherwise
 * unknown: a missing figure meets no upper bound.
 */
export function targetStanding(
  { figure, min, max }: NutrientTarget,
  perPortion: Facts,
  missing: ReadonlySet<string>,
): TargetStanding {
  const amount = perPortion[figure];
  if (max !== null && amount > max) return 'too high';
  if (!missing.has(figure)) return min !== null && amount < min ? 'too low' : 'met';
  return max === null && min !== null && amount >= min ? 'met' : 'unknown';
}
