/** A swap: one food replaced by others in a function, by weight, with the water and the method it needs. */
import type { SourceClass } from './food';

/** What a food does in a dish. A swap holds in one of these. */
export const SWAP_FUNCTIONS = [
  'binder',
  'thickener',
  'gelling agent',
  'cream',
  'milk',
  'body',
  'crunch',
  'savoury-salty',
  'aroma',
  'heat',
  'egg-like taste',
  'egg-like foam',
  'egg-like texture',
  'bulk protein',
  'grain base',
  'dough structure',
  'batter',
  'short pastry',
  'coating',
  'leavening',
  'sweetener',
  'fat',
  'acid',
] as const;
export type SwapFunction = (typeof SWAP_FUNCTIONS)[number];

/** How the recipe a food stands in is made, as far as a swap's limits ask. */
export const MAKINGS = ['baking', 'dough', 'pan', 'simmering', 'blending', 'shaping', 'cold'] as const;
export type Making = (typeof MAKINGS)[number];

/** Where a swap does not work. */
export interface SwapLimits {
  /** Not where the recipe is made so: "not for baking". */
  notFor: readonly Making[];
  /** Only where it is made so; empty for anywhere. */
  onlyFor: readonly Making[];
  /** The most that the first food put in may be of everything that goes into its recipe, 0 to 1; null for any. */
  mostShare: number | null;
}

export const NO_LIMITS: SwapLimits = { notFor: [], onlyFor: [], mostShare: null };

export interface SwapEntry {
  id: string;
  fromId: string;
  /** What the food does in the dish: cream, binder, grain base, savoury-salty ... */
  function: SwapFunction;
  /** Grams of each food or component put in for one gram taken out. */
  to: readonly { foodId: string; ratio: number }[];
  /** Grams of extra water for one gram taken out. */
  waterRatio: number;
  hint: string;
  /** Closeness of taste and texture, 0 to 1 each (convention until a kitchen rates it). */
  taste: number;
  texture: number;
  limits: SwapLimits;
  source: SourceClass;
}

/** How a swap turned out once it was cooked. */
export interface SwapRating {
  swapId: string;
  /** Closeness as it was tasted, 0 to 1 each. */
  taste: number;
  texture: number;
  ratedBy: string;
  /** ISO date. */
  ratedOn: string;
}

/** The closeness on file counts as much as this many ratings (convention). */
export const RATINGS_ON_FILE = 2;

/** An entry with its closeness moved by what was tasted here. */
export function rated(entry: SwapEntry, ratings: readonly SwapRating[]): SwapEntry {
  const own = ratings.filter(({ swapId }) => swapId === entry.id);
  if (own.length === 0) return entry;
  const moved = (field: 'taste' | 'texture'): number =>
    (entry[field] * RATINGS_ON_FILE + own.reduce((sum, each) => sum + each[field], 0)) /
    (RATINGS_ON_FILE + own.length);
  return { ...entry, taste: moved('taste'), texture: moved('texture') };
}
