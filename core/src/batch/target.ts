/** What a batch is made for: portions, a finished weight, pans to fill, what is in store, or loads of a machine. */
import { type PanId, PANS } from '../kitchen';

/** One size of portion of a batch that is served in several: ward, infant, junior, adult. */
export interface Serving {
  name: string;
  portions: number;
  portionGrams: number;
}

/** What there is of a line's food, in grams as purchased. */
export interface Stored {
  lineId: string;
  grams: number;
}

/** The portion size that the batch is counted in where the target itself names none; absent, the recipe's own. */
interface Counted {
  portionGrams?: number;
}

export type Target =
  | { kind: 'portions'; portions: number; portionGrams: number }
  | { kind: 'sizes'; sizes: readonly Serving[] }
  | ({ kind: 'weight'; grams: number } & Counted)
  | ({ kind: 'pans'; pan: PanId; count: number; fill: number } & Counted)
  | ({ kind: 'store'; lineId: string; grams: number; others?: readonly Stored[] } & Counted)
  | ({ kind: 'load'; vesselId: string; loads: number } & Counted);

/**
 * Not asked for, but cooked: the lines as they stand are the batch, nothing scaled. Machines and loads are those of the finished
 * weight that was planned, and what is boiled down on purpose loses so much.
 */
export interface AsWeighed extends Counted {
  kind: 'as-weighed';
  plannedGrams: number;
  reducedGrams: number;
}

/** What a batch is worked out for: a target, or what was weighed into it. */
export type BatchTarget = Target | AsWeighed;

/** Largest batch that is taken for meant, in grams: a hundred tonnes is a slip of the finger. */
export const LARGEST_BATCH_GRAMS = 100_000_000;
/** Most sizes of portion one batch is served in. */
export const MOST_SIZES = 12;

const positive = (value: number): boolean => Number.isFinite(value) && value > 0;

function servingProblem({ portions, portionGrams }: Omit<Serving, 'name'>): string | null {
  if (!positive(portions)) return 'the number of portions must be above zero';
  return positive(portionGrams) ? null : 'the portion size must be above zero';
}

/** Grams of all sizes of a batch together. */
export const gramsOfSizes = (sizes: readonly Omit<Serving, 'name'>[]): number =>
  sizes.reduce((sum, { portions, portionGrams }) => sum + portions * portionGrams, 0);

/** Everything in store a target counts with: the first food, and the others. */
export const storedOf = (target: Extract<Target, { kind: 'store' }>): Stored[] => [
  { lineId: target.lineId, grams: target.grams },
  ...(target.others ?? []),
];

function sizesProblem(sizes: readonly Serving[]): string | null {
  if (sizes.length === 0 || sizes.length > MOST_SIZES) return `one to ${MOST_SIZES} portion sizes`;
  const problem = sizes.map(servingProblem).find((each) => each !== null);
  if (problem) return problem;
  return gramsOfSizes(sizes) > LARGEST_BATCH_GRAMS ? 'more than 100 tonnes' : null;
}

/** Why a target cannot be used, in words; null when it can. */
export function targetProblem(target: BatchTarget): string | null {
  switch (target.kind) {
    case 'portions':
      return sizesProblem([{ name: '', ...target }]);
    case 'sizes':
      return sizesProblem(target.sizes);
    case 'weight':
      if (!positive(target.grams)) return 'the weight must be above zero';
      return target.grams > LARGEST_BATCH_GRAMS ? 'more than 100 tonnes' : null;
    case 'pans':
      if (!(target.pan in PANS)) return 'the pan is not in the list';
      if (!positive(target.count) || target.count > 10_000) return 'the number of pans must be 1 to 10,000';
      return positive(target.fill) && target.fill <= 1 ? null : 'the fill must be above 0 and at most 1';
    case 'store':
      return storedOf(target).every(({ grams }) => positive(grams) && grams <= LARGEST_BATCH_GRAMS)
        ? null
        : 'the weight in store must be above zero';
    case 'load':
      return positive(target.loads) && target.loads <= 1000
        ? null
        : 'the number of loads must be above 0 and at most 1,000';
    case 'as-weighed':
      return positive(target.plannedGrams) ? null : 'the planned weight must be above zero';
  }
}
