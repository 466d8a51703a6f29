/** What a recipe means in a kitchen: composed at home size, components opened. */
export { beforeLoss, compose, foodFollows } from './compose';
export { componentKey, type Composed, type ComposedLine } from './composed';
export { type Narrowing, narrowings, type Range, rangeOfFigure, type RangeScope } from './ranges';
export {
  type Follows,
  LIQUOR_ID,
  type Ratio,
  ratiosOf,
  recipeFindings,
  standardize,
  type StandardLine,
  stateExchanges,
  sweatingWater,
  withState,
} from './standard';
export { gathered, inOrder, type StatementItem } from './statement-items';
export { absorbedBy, driesIn, waterIn } from './steam';
