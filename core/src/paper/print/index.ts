/** Shipped type as numbers, a setter, and drawings as plain values. */
export { type CodeImage, codeOps, type Drawing, type DrawingOp, modulesAcross } from './drawing';
export {
  ASCENT,
  DESCENT,
  mmToPoints,
  pointsToMm,
  printable,
  sizeOfFigures,
  sizeOfXHeight,
  type TypeWeight,
  unprintable,
  widthOf,
  X_HEIGHT,
} from './face';
export { type Run, Setter } from './setter';
export {
  type PaperId,
  PAPERS,
  placesOnSheets,
  sheetProblem,
  type SheetStock,
  type Stock,
  STOCKS,
} from './stock';
export { svgOf } from './svg';
