/** A standardized line: a food or component with its edible-portion grams at home size, and what it goes by in a batch. */
import type { Finding } from '../../finding';
import type { Food, ScalingRole, SwapEntry } from '../../food';
import type { Weight } from '../../quantity';
import type { Recipe, RecipeLine, Technique } from '../../recipe';

/**
 * What a line goes by when the batch grows: most follow it; added water makes up for steam; fat for a pan follows the
 * pan's area; garnish follows the portions.
 */
export type Follows = 'batch' | 'water' | 'pan' | 'portions';

/** A swap where it was applied: what it took out, as the list had it. */
export interface AppliedAt {
  entry: SwapEntry;
  /** The food that was there; null where it was a component. */
  from: Food | null;
  fromName: string;
  fromGrams: number | null;
  fromFollows: Follows;
}

export interface StandardLine {
  /** Id of this entry; a swap can make several of one written line ("l3", "l3/2"). */
  id: string;
  /** The written line it came from. */
  source: RecipeLine;
  name: string;
  food: Food | null;
  component: Recipe | null;
  role: ScalingRole;
  /** Edible-portion grams at home size; null when nobody knows. */
  weight: Weight | null;
  purchasedPerEdible: number;
  /** What the batch weight of the line goes by. */
  follows: Follows;
  /** Fat for a pan that is left out: what is done instead, and what it was. */
  technique: { kind: Technique; fromName: string } | null;
  /** False while it is open which food the line means: then nothing about it is clear. */
  isFoodSure: boolean;
  /** The food a swap took out, and how to work with the new one. */
  swap: AppliedAt | null;
  findings: Finding[];
}
