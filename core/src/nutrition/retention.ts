/**
 * What cooking leaves of a nutrient, by kind of food and method. Source: USDA Table of Nutrient Retention Factors,
 * release 6, grouped by kind and rounded to 5 %; the grouping is ours (convention). Foods that are cooked, tinned or
 * prepared already carry the figures of what they are, so nothing is taken off twice.
 */
import { type Food, type NutrientId, NUTRIENTS } from '../food';
import type { CookingMethod } from '../recipe';

/** Ways of cooking a factor is known for. `drained`: boiled, and the water thrown away. */
export const RETENTION_METHODS = ['boiled', 'drained', 'steamed', 'roasted', 'fried'] as const;
export type RetentionMethod = (typeof RETENTION_METHODS)[number];
export const RETENTION_KINDS = ['pulse', 'leaf', 'vegetable', 'fruit', 'grain', 'nut'] as const;
export type RetentionKind = (typeof RETENTION_KINDS)[number];

type Kept = Readonly<Partial<Record<NutrientId, number>>>;

/** Minerals that go with the water that is thrown away. */
const drainedMinerals = (others: number, potassiumMg: number): Kept => ({
  calciumMg: others,
  ironMg: others,
  magnesiumMg: others,
  phosphorusMg: others,
  zincMg: others,
  sodiumMg: others,
  potassiumMg,
});
const vitamins = (vitaminCMg: number, vitaminAUg: number, folateUg: number): Kept => ({
  vitaminCMg,
  vitaminAUg,
  folateUg,
});

/** Shares kept, 0 to 1; a nutrient that is not named is kept whole. */
export const RETENTION: Readonly<Record<RetentionKind, Readonly<Record<RetentionMethod, Kept>>>> = {
  pulse: {
    boiled: vitamins(0.75, 0.9, 0.7),
    drained: { ...drainedMinerals(0.9, 0.8), ...vitamins(0.65, 0.85, 0.6) },
    steamed: vitamins(0.8, 0.9, 0.8),
    roasted: vitamins(0.75, 0.85, 0.7),
    fried: vitamins(0.75, 0.9, 0.75),
  },
  leaf: {
    boiled: vitamins(0.6, 0.95, 0.75),
    drained: { ...drainedMinerals(0.95, 0.9), ...vitamins(0.55, 0.95, 0.65) },
    steamed: vitamins(0.85, 0.95, 0.85),
    roasted: vitamins(0.8, 0.9, 0.75),
    fried: vitamins(0.85, 0.95, 0.85),
  },
  vegetable: {
    boiled: vitamins(0.75, 0.9, 0.8),
    drained: { ...drainedMinerals(0.95, 0.9), ...vitamins(0.7, 0.9, 0.7) },
    steamed: vitamins(0.85, 0.9, 0.85),
    roasted: vitamins(0.8, 0.9, 0.8),
    fried: vitamins(0.85, 0.9, 0.85),
  },
  fruit: {
    boiled: vitamins(0.75, 0.85, 0.7),
    drained: { ...drainedMinerals(0.95, 0.9), ...vitamins(0.7, 0.85, 0.65) },
    steamed: vitamins(0.8, 0.9, 0.8),
    roasted: vitamins(0.75, 0.85, 0.7),
    fried: vitamins(0.8, 0.9, 0.75),
  },
  grain: {
    boiled: vitamins(1, 1, 0.7),
    drained: { ...drainedMinerals(0.95, 0.85), ...vitamins(1, 1, 0.6) },
    steamed: vitamins(1, 1, 0.75),
    roasted: vitamins(1, 0.9, 0.7),
    fried: vitamins(1, 0.9, 0.7),
  },
  nut: {
    boiled: vitamins(0.8, 1, 0.75),
    drained: { ...drainedMinerals(0.95, 0.9), ...vitamins(0.7, 1, 0.65) },
    steamed: vitamins(0.85, 1, 0.8),
    roasted: vitamins(0.8, 1, 0.75),
    fried: vitamins(0.8, 1, 0.75),
  },
};

/** Which kind a food of a category is cooked as; what is not named here loses nothing that is counted. */
const KIND_OF_CATEGORY: Readonly<Record<string, RetentionKind>> = {
  pulse: 'pulse',
  soya: 'pulse',
  green: 'leaf',
  vegetable: 'vegetable',
  aromatic: 'vegetable',
  herb: 'leaf',
  fruit: 'fruit',
  'dried fruit': 'fruit',
  grain: 'grain',
  flour: 'grain',
  noodle: 'grain',
  nut: 'nut',
  seed: 'nut',
};

/** States whose figures are those of the uncooked food. */
const UNCOOKED = new Set(['raw', 'dry']);

export const retentionKindOf = ({
  category,
  state,
}: Pick<Food, 'category' | 'state'>): RetentionKind | null =>
  UNCOOKED.has(state) ? (KIND_OF_CATEGORY[category] ?? null) : null;

/** The factor's method for a way of cooking; soaking and pressing are no cooking. */
export function retentionMethodOf(method: CookingMethod | null, isDrained: boolean): RetentionMethod | null {
  if (method === 'boiled') return isDrained ? 'drained' : 'boiled';
  if (method === 'wilted' || method === 'steamed') return 'steamed';
  return method === 'roasted' || method === 'fried' ? method : null;
}

const VECTORS = new Map<Kept, Float64Array>();

/** Shares kept in the order of NUTRIENTS; null where everything is kept. */
export function retentionOf(food: Food, method: RetentionMethod | null): Float64Array | null {
  const kind = method === null ? null : retentionKindOf(food);
  if (kind === null || method === null) return null;
  const kept = RETENTION[kind][method];
  let vector = VECTORS.get(kept);
  if (!vector) VECTORS.set(kept, (vector = Float64Array.from(NUTRIENTS, (id) => kept[id] ?? 1)));
  return vector;
}

/**
 * Alcohol left by minutes of cooking after it went in. Source: USDA retention factors, release 6 (stirred in and baked or
 * simmered); the first point is "added to boiling liquid, taken from the heat".
 */
export const ALCOHOL_LEFT: readonly { minutes: number; share: number }[] = [
  { minutes: 0, share: 0.85 },
  { minutes: 15, share: 0.4 },
  { minutes: 30, share: 0.35 },
  { minutes: 60, share: 0.25 },
  { minutes: 90, share: 0.2 },
  { minutes: 120, share: 0.1 },
  { minutes: 150, share: 0.05 },
];

/** Share of the alcohol that is left; `minutes` null is "never heated", which keeps all of it. */
export function alcoholLeft(minutes: number | null): number {
  if (minutes === null) return 1;
  const after = ALCOHOL_LEFT.findIndex((point) => point.minutes >= minutes);
  if (after < 0) return ALCOHOL_LEFT[ALCOHOL_LEFT.length - 1]!.share;
  const high = ALCOHOL_LEFT[after]!;
  const low = ALCOHOL_LEFT[after - 1];
  if (!low) return high.share;
  const part = (minutes - low.minutes) / (high.minutes - low.minutes);
  return low.share + part * (high.share - low.share);
}
