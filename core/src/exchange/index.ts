/** Recipes and tables as others tell them: documents, rows, import and export. */
export { safeCell, safeCellText } from './cells';
export type { FinishedImport, ImportKind, ImportProgress, ImportView, SheetMark } from './import-view';
export { recipeFromMarkdown, recipeToMarkdown } from './markdown';
export { PACK_SIZE_FORMS, readPackSize } from './pack-size';
export { RECIPE_COLUMNS, recipesFromRows, rowsFromRecipe } from './recipe-table';
export { recipesFromJsonLd, recipeToJsonLd } from './schema-org';
export { FOOD_FIELDS, guessMapping, PRODUCT_FIELDS, type TableField, unitFactor } from './table-mapping';
export { plainTold, recipeFromTold, toldFrom, type ToldRecipe } from './told';
