/** A food as the larder knows it: names, what 100 g holds, what can hurt, how it is measured and used. */
import type { Composition } from '../nutrition/nutrients';
import type { Substance } from '../allergen/substances';
import type { AllergenStatus } from '../allergen/status';

/** Where a figure came from. Every figure of the larder carries one of these classes. */
export type SourceClass = 'reference' | 'pack label' | 'weighed here' | 'convention' | 'guess';

/** What state of a food a weight means: 100 g of dry beans are not 100 g of cooked ones. */
export type FoodState = 'raw' | 'dry' | 'cooked' | 'tinned' | 'prepared';

/**
 * `single`: one ingredient, known by its name alone.
 * `product`: made of several; what it holds depends on the pack, so nothing is clear until a pack is recorded.
 */
export type FoodKind = 'single' | 'product';

/** How a line of this food follows the batch; the rules are in core/scaling. Salt is a seasoning weighed tightly. */
export type ScalingRole = 'linear' | 'seasoning' | 'salt' | 'leavening' | 'starch';

/** Whether a food is of plant origin, of animal origin, or depends on how it was made. */
export type AnimalState = 'plant' | 'check' | 'animal';

/** Cautions a food carries into every dish, worded in the findings table. */
export type CautionCode =
  'phaseolus-from-dry' | 'whole-nut-small-children' | 'nutmeg-dose' | 'iodine-seaweed';

/** One known measure of a food: what a US cup, a piece, a bunch weighs, in one form. */
export interface Measure {
  /** Form words this measure is for ("chopped", "grated"); empty for the usual one. */
  form: string;
  /** 'cup' (US, 236.588 mL), 'tbsp', 'tsp' (US), a count unit, or a vague word. */
  unit: string;
  size: 'small' | 'medium' | 'large';
  grams: number;
  lowGrams: number;
  highGrams: number;
  /** Whether the weight is as purchased (with peel, stalks) or edible portion. */
  basis: 'AP' | 'EP';
  source: SourceClass;
}

/** A food's name inside a sentence: "Dill" is "dill". */
export const inSentence = (name: string): string => name.charAt(0).toLowerCase() + name.slice(1);

export interface Food {
  id: string;
  name: string;
  /** The food's own name on a label, without shop words. */
  labelName: string;
  synonyms: readonly string[];
  category: string;
  state: FoodState;
  kind: FoodKind;
  animal: AnimalState;
  wholeFood: 'whole' | 'oil' | 'refined' | 'added-sugar' | 'ready-made';
  functions: readonly string[];
  scaling: ScalingRole;
  /** Edible portion as a share of the purchased weight, 0 to 1. */
  trimYield: number;
  /** Cooked weight over dry weight where the food takes up water, else null. */
  cookingYield: number | null;
  /** What is inherent or likely. A single food is clear of everything not named here. */
  allergens: Readonly<Partial<Record<Substance, AllergenStatus>>>;
  cautions: readonly CautionCode[];
  composition: Composition;
  source: SourceClass;
  measures: readonly Measure[];
}
