/** A recipe standardized in a kitchen: every line a food with its edible grams. */
export { recipeFindings } from './check-recipe';
export { equipmentUsed } from './equipment-used';
export { LIQUOR_ID } from './liquor';
export { type Ratio, ratiosOf } from './ratios';
export { sweatingWater } from './pan-fat';
export type { Follows, StandardLine } from './standard-line';
export { standardize } from './standardize';
export { stateExchanges, withState } from './state-exchange';
