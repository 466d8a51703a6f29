/** How this kitchen likes things done, where cooks differ. It never changes a recipe: it asks. */
import type { Food } from '../food';

export const FRYING_FATS = ['as written', 'water or stock', 'dry hot pan', 'a little oil'] as const;
export const SALT_WAYS = ['as written', 'low', 'none'] as const;
export const PULSE_WAYS = [
  'as written',
  'from dry, soaked',
  'from dry, not soaked',
  'tinned and rinsed',
] as const;
/** What makes a dish creamy or thick. */
export const CREAM_WAYS = [
  'as written',
  'soaked nuts',
  'seeds',
  'blended vegetable or pulse',
  'oat milk',
  'flour in fat',
  'starch',
] as const;
/** What does the work of an egg. */
export const EGG_WAYS = ['as written', 'ground flax or chia', 'pulse water', 'tofu', 'starch'] as const;
export const TOFU_WAYS = ['as written', 'firm, pressed', 'firm, not pressed', 'soft', 'silken'] as const;
export const BUILD_WAYS = ['as written', 'one pot', 'components apart'] as const;
/** Seasoning: a first addition, a taste and a note of what was used, or the gram as it is reckoned. */
export const AMOUNT_WAYS = ['tasted and noted', 'exact to the gram'] as const;

export interface KitchenStandard {
  /** No oil, refined flour, added sugar or ready-made analogue. */
  isWholeFood: boolean;
  fryingFat: (typeof FRYING_FATS)[number];
  salt: (typeof SALT_WAYS)[number];
  pulses: (typeof PULSE_WAYS)[number];
  cream: (typeof CREAM_WAYS)[number];
  egg: (typeof EGG_WAYS)[number];
  tofu: (typeof TOFU_WAYS)[number];
  build: (typeof BUILD_WAYS)[number];
  amounts: (typeof AMOUNT_WAYS)[number];
}

/** A kitchen that takes recipes as they are written. */
export const PLAIN_STANDARD: KitchenStandard = {
  isWholeFood: false,
  fryingFat: 'as written',
  salt: 'as written',
  pulses: 'as written',
  cream: 'as written',
  egg: 'as written',
  tofu: 'as written',
  build: 'as written',
  amounts: 'tasted and noted',
};

/** Salt of a low-salt kitchen, grams added to 100 g of finished food (convention: "low, at the end"). */
export const LOW_SALT_SHARE = 0.003;
/** A little oil, grams per square metre of frying surface: a film (convention). */
export const OIL_FILM_G_PER_M2 = 60;
/** Water that replaces oil in a hot pan boils away as it is added: kg per square metre and hour, a rolling boil. */
export const SWEATING_KG_PER_M2_H = 22;
/** How long onions are sweated where the step gives no time, minutes (convention). */
export const SWEATING_MINUTES = 8;

/**
 * Refined foods of these categories season or raise a dish and are no flour, sugar or analogue: the whole-food standard
 * lets them stand (convention).
 */
const SEASONING_CATEGORIES: ReadonlySet<string> = new Set([
  'seasoning sauce',
  'seasoning',
  'condiment',
  'ferment',
  'stock base',
  'stock',
  'acid',
  'wine',
  'drink',
  'spice',
  'paste',
  'leavening',
  'baking',
  'gelling agent',
]);

/** Whether a food is what a whole-food kitchen leaves out: oil, refined flour, added sugar, a ready-made analogue. */
export const breaksWholeFood = (food: Pick<Food, 'wholeFood' | 'category' | 'scaling'>): boolean =>
  food.wholeFood !== 'whole' &&
  food.scaling !== 'salt' &&
  !(food.wholeFood === 'refined' && SEASONING_CATEGORIES.has(food.category));
