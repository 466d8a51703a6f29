/** The vocabulary everybody uses: foods and their names, nutrients, substances, statuses, swaps. */
export {
  availableCarbohydrate,
  energyOf,
  EU_KCAL_PER_G,
  EU_KJ_PER_G,
  KJ_PER_KCAL,
  SALT_PER_SODIUM,
  US_KCAL_PER_G,
} from './energy';
export { FACT_IDS, FACT_NAMES, type FactId, type Facts } from './facts';
export {
  ANIMAL_STATES,
  type AnimalState,
  CAUTION_CODES,
  type CautionCode,
  type CookingYield,
  type Food,
  FOOD_KINDS,
  FOOD_STATES,
  type FoodState,
  inSentence,
  type Measure,
  measureWeighedHere,
  PRICE_CLASSES,
  type PriceClass,
  SCALING_ROLES,
  type ScalingRole,
  SOURCE_CLASSES,
  type SourceClass,
  WHOLE_FOOD_CLASSES,
  type WholeFoodClass,
} from './food';
export {
  FOOD_COLUMNS,
  foodFromRow,
  idFromName,
  loosened,
  nutrientColumn,
  readFigureCell,
  rowFromFood,
  type RowProblem,
} from './food-row';
export { foodSet, type FoodSet } from './food-set';
export { isFat, isLiquid, isOil, isStarch, isWater, WATER_ID } from './kinds';
export { type FoodMatch, matchFood, nameIn, suggestFoods } from './match';
export { nameWords, plainText, singular } from './names';
export { type Composition, NUTRIENT_NAMES, type NutrientId, NUTRIENTS } from './nutrients';
export { soakUptake } from './soaking';
export { editDistance, editsFor, Speller } from './speller';
export { ALLERGEN_STATUSES, type AllergenStatus, isWorse, STATUS_WORDS, worse } from './status';
export {
  ALL_BITS,
  type Allergen,
  type AllergenSetting,
  allergensOf,
  bitsOf,
  declaredBits,
  EU_TREE_NUTS,
  exclusionName,
  type Matter,
  MOST_OWN_ALLERGENS,
  type Origin,
  ORIGIN_NAMES,
  ORIGINS,
  type OwnAllergen,
  type Regime,
  STANDARDS,
  type Substance,
  SUBSTANCE_NAMES,
  type SubstanceBits,
  SUBSTANCES,
  substancesIn,
  TOLD_WITH_ANOTHER,
  US_TREE_NUTS,
  VEGAN,
  type Wanted,
  wantedBy,
  wantedByAll,
  WHOLE_FOOD,
} from './substances';
export {
  type Making,
  MAKINGS,
  rated,
  SWAP_FUNCTIONS,
  type SwapEntry,
  type SwapFunction,
  type SwapRating,
} from './swap';
