/** What stands in store, first to expire first, and what was cooked as a food of its own. */
export { cookedItem, isAsMadeNow, type Put, withCooked } from './cooked';
export { PLACE_NAMES, type Place, placeOf, PLACES } from './places';
export {
  type CookedFood,
  cookedFoodId,
  firstToExpire,
  gramsTaken,
  isUsable,
  NOT_FROZEN,
  Shelf,
  STOCK_KIND_WORDS,
  STOCK_KINDS,
  type StockItem,
  type StockKind,
  stockFoodId,
  type Taken,
} from './stock';
export {
  BASE_GRAMS,
  BASE_ROLES,
  type BaseRole,
  type BuiltPlate,
  MOST_PLATES,
  platesFrom,
  plateText,
} from './plates';
export { freezingProblem, frozenItem, THAWED_DAYS, thawedItem, thawingProblem } from './freezer';
