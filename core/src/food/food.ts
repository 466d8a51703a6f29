/** A food as the larder knows it: names, what 100 g holds, what can hurt, how it is measured and used. */
import type { Composition } from './nutrients';
import type { AllergenStatus } from './status';
import type { Substance } from './substances';

/** Where a figure came from. Every figure of the larder carries one of these classes. */
export const SOURCE_CLASSES = [
  'reference',
  'pack label',
  'weighed here',
  'calculated',
  'convention',
  'guess',
] as const;
export type SourceClass = (typeof SOURCE_CLASSES)[number];

/** What state of a food a weight means: 100 g of dry beans are not 100 g of cooked ones. */
export const FOOD_STATES = ['raw', 'dry', 'cooked', 'tinned', 'prepared'] as const;
export type FoodState = (typeof FOOD_STATES)[number];

/**
 * `single`: one ingredient, known by its name alone.
 * `product`: made of several; what it holds depends on the pack, so nothing is clear until a pack is recorded.
 */
export const FOOD_KINDS = ['single', 'product'] as const;
export type FoodKind = (typeof FOOD_KINDS)[number];

/** How a line of this food follows the batch; the rules are in core/batch. Salt is a seasoning weighed tightly. */
export const SCALING_ROLES = ['linear', 'seasoning', 'salt', 'leavening', 'starch'] as const;
export type ScalingRole = (typeof SCALING_ROLES)[number];

/** Whether a food is of plant origin, of animal origin, or depends on how it was made. */
export const ANIMAL_STATES = ['plant', 'check', 'animal'] as const;
export type AnimalState = (typeof ANIMAL_STATES)[number];

/** How far a food is from what grew: the whole-food standard of a kitchen reads this. */
export const WHOLE_FOOD_CLASSES = ['whole', 'oil', 'refined', 'added-sugar', 'ready-made'] as const;
export type WholeFoodClass = (typeof WHOLE_FOOD_CLASSES)[number];

/** Rough price of a food against its like, until a product with a price is on record. */
export const PRICE_CLASSES = ['low', 'mid', 'high'] as const;
export type PriceClass = (typeof PRICE_CLASSES)[number];

/** Cautions a food carries into every dish, worded in the findings table. */
export const CAUTION_CODES = [
  'phaseolus-from-dry',
  'whole-nut-small-children',
  'nutmeg-dose',
  'iodine-seaweed',
  'raw-sprouts',
] as const;
export type CautionCode = (typeof CAUTION_CODES)[number];

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

/** How far a measure that was weighed in this kitchen may be off (convention). */
const WEIGHED_SPREAD = 0.05;

/** A measure that somebody weighed here, of the edible portion. */
export const measureWeighedHere = (unit: string, grams: number): Measure => ({
  form: '',
  unit,
  size: 'medium',
  grams,
  lowGrams: grams * (1 - WEIGHED_SPREAD),
  highGrams: grams * (1 + WEIGHED_SPREAD),
  basis: 'EP',
  source: 'weighed here',
});

/** What becomes of a food's edible weight by one way of cooking. */
export interface CookingYield {
  /** "boiled", "soaked", "roasted", "fried", "steamed", "wilted", "pressed". */
  method: string;
  /** Weight after over weight before. */
  ratio: number;
  /** Grams of water taken up by each gram of the food. */
  absorbedGramsPerGram: number;
  source: SourceClass;
}

/** A food's name inside a sentence: "Dill" is "dill". */
export const inSentence = (name: string): string => name.charAt(0).toLowerCase() + name.slice(1);

export interface Food {
  id: string;
  name: string;
  /** The food's own name on a label, without shop words. */
  labelName: string;
  /** The same in other languages; a language that is not here is not translated, and the label says so. */
  labelNames?: Readonly<Partial<Record<string, string>>>;
  synonyms: readonly string[];
  category: string;
  state: FoodState;
  kind: FoodKind;
  animal: AnimalState;
  wholeFood: WholeFoodClass;
  functions: readonly string[];
  scaling: ScalingRole;
  /** Edible portion as a share of the purchased weight, 0 to 1. */
  trimYield: number;
  /** Cooked weight over dry weight where the food takes up water, else null. */
  cookingYield: number | null;
  /** What each way of cooking leaves of it; empty where nobody has measured. */
  cookingYields: readonly CookingYield[];
  /** What is inherent or likely. A single food is clear of everything not named here. */
  allergens: Readonly<Partial<Record<Substance, AllergenStatus>>>;
  cautions: readonly CautionCode[];
  composition: Composition;
  /**
   * Energy per 100 g as its source states it, in kilocalories; null where it states none. The worksheet works
   * energy out by the law's factors; this figure is what the larder's own checks hold it against.
   */
  energyKcal: number | null;
  priceClass: PriceClass | null;
  /** The class of every figure of this food, save those in `figureSources`. */
  source: SourceClass;
  /** Figures of another class than `source`, by column name: { energy_kcal: 'calculated' }. */
  figureSources: Readonly<Record<string, SourceClass>>;
  measures: readonly Measure[];
}
