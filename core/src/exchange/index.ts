/** Recipes and tables as others tell them: documents, rows, import and export. */
export type { AuditPage, AuditRow } from './audit-view';
export { safeCell, safeCellText } from './cells';
export type {
  FinishedImport,
  ImportKind,
  ImportProgress,
  ImportView,
  Refusal,
  RunRequest,
  SheetMark,
} from './import-view';
export { recipeFromMarkdown, recipeToMarkdown } from './markdown';
export { PACK_SIZE_FORMS, readPackSize } from './pack-size';
export {
  type PrinterOutput,
  type PrinterPage,
  type PrinterState,
  type PrinterStatus,
  SIMULATED_ACTS,
  type SimulatedAct,
} from './printer-view';
export { RECIPE_COLUMNS, recipesFromRows, rowsFromRecipe } from './recipe-table';
export type {
  Digest,
  FoundRecipe,
  KitchenSettings,
  Larder,
  SavedFood,
  SavedKitchen,
  SavedRecipe,
} from './saved';
export { recipesFromJsonLd, recipeToJsonLd } from './schema-org';
export { FOOD_FIELDS, guessMapping, PRODUCT_FIELDS, type TableField, unitFactor } from './table-mapping';
export { plainTold, recipeFromTold, toldFrom, type ToldRecipe } from './told';
