/** Which allergens a food or a dish brings, by which path, and on what evidence. */
export { contradictionsOf } from './contradictions';
export { equipmentTraces } from './cross-contact';
export { DISH_NAMES } from './dish-names';
export {
  isWordOfMeaning,
  longestMeaning,
  type Meaning,
  meaningOf,
  type Reach,
  TELLING_WORDS,
} from './dictionary';
export {
  type AllergenFlag,
  flagsOf,
  standardFlagsOf,
  touches,
  type Trace,
  tracesOf,
  worstStatus,
} from './flags';
export { isFree } from './free';
export {
  answersOf,
  type Disagreement,
  disagreementsOf,
  isDoubtfulMark,
  readMark,
  SHEET_COLUMNS,
  sheetAnswers,
  sheetColumnOf,
} from './matrix';
export { answersAfter, askedOfPack, heldByWords, isLeftOpen } from './pack-reading';
export { animalStateOf, clearEvidence, containedIn, type Evidence, foodTraces } from './standing';
export { readStatement, type StatementReading } from './statement';
export { trapWords } from './traps';
export {
  COMMON_WORDS,
  folded,
  FROM_ANIMALS,
  LOOKALIKE_WORDS,
  type StemFound,
  stemAt,
  tonguesOf,
  type WordLanguage,
} from './words';
