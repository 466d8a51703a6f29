/** What is kept of dishes, foods and kitchens, each with the version two people's saves are held against. */
import type { Target } from '../batch';
import type { Food, SwapEntry } from '../food';
import type { Kitchen } from '../kitchen';
import type { Recipe } from '../recipe';

export interface Larder {
  foods: Food[];
  swaps: SwapEntry[];
}

/** A recipe as it is kept: with the batch it was last made for. */
export interface SavedRecipe {
  recipe: Recipe;
  target: Target | null;
  /** Machines asked for; those a kitchen does not have are passed over. */
  vesselIds: readonly string[];
  version: number;
}

export interface SavedFood {
  food: Food;
  version: number;
}

/** What a kitchen sets for itself; the rest is recorded piece by piece. */
export type KitchenSettings = Omit<
  Kitchen,
  'id' | 'packs' | 'weights' | 'names' | 'words' | 'swaps' | 'ratings'
>;

export interface SavedKitchen {
  kitchen: Kitchen;
  version: number;
}

/** What the list of dishes says of each: the worksheet in a line. */
export interface Digest {
  id: string;
  name: string;
  isComponent: boolean;
  parentId: string | null;
  freeFrom: readonly string[];
  portions: number;
  portionGrams: number;
  finishedGrams: number;
  contains: string[];
  mayContain: string[];
  check: string[];
  /** Some allergens are open only because nobody has read a pack. */
  isUnchecked: boolean;
  openCount: number;
  energyKcal: number;
  isEnergyComplete: boolean;
  /** Products whose statement changed and waits for a yes: the dish is unchecked till then. */
  changedProducts: string[];
}

/** A recipe found in a document, before or after it was put in the book. */
export interface FoundRecipe extends SavedRecipe {
  lines: number;
  steps: number;
  decisions: number;
  needsPortions: boolean;
  isNameTaken: boolean;
}
