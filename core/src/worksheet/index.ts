/** The one derived value that screen, label, print and API read. */
export { type ComparedLine, type ComparedSide, compareSheets } from './compare';
export { type Decision, decisionsOf, startFigure } from './decisions';
export {
  type Contribution,
  contributions,
  explainFigure,
  explainLine,
  FIGURE_NAMES,
  type FigureId,
} from './explain';
export { expressTarget } from './express';
export type { MatterFlow, MatterRow } from './mass-balance';
export { packsToRead, type PackToRead } from './packs-to-read';
export { portionFoods, portionReview, type PortionReview } from './portion';
export { type TargetFix, targetFixes } from './target-fixes';
export { type Offer, offersOf, takeOffer } from './techniques';
export { worksheet, type Worksheet, type WorksheetInput } from './worksheet';
