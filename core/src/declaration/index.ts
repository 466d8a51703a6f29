/** What the law lets a dish declare: figures, ingredients, allergens, claims, its pack. */
export { type Claim, claimsOf, claimsOn, PROTEIN_CLAIMS } from './claims';
export {
  EU_REFERENCE_INTAKES,
  type LabelFigure,
  labelFigures,
  printedFigures,
  proteinDailyUs,
  timesFacts,
  US_DAILY_VALUES,
} from './figures';
export type { FigureTolerance, Label } from './label';
export { hasPanel, isOnPack, LABEL_KIND_NAMES, LABEL_KINDS, type LabelKind } from './label-kinds';
export { labelPack, type LabelPack, NO_LABEL_PACK, type PackSize, shelfDays } from './label-pack';
export { energyOnMenu, MENU_ENERGY_NOTES, type PortionEnergy } from './menu-energy';
export { netHeightMm, netQuantity } from './net-quantity';
export { withShares } from './quid';
export { REFERENCE_AMOUNTS } from './reference-amounts';
export { declaredNumber, mineralTextEu } from './rounding';
export { householdAmount, type ReferenceProblem, servingsPerContainer } from './serving-size';
export { allergenStatement, ingredientStatement, type Segment, type StatementStyle } from './statement';
export { batchCode, daysBetween, keptDays, lastDay, USE_BY_CAP_DAYS } from './use-by';
export { figureInLanguage, LABEL_WORDS, type Language, LANGUAGE_NAMES, LANGUAGES } from './words';
