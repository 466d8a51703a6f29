/** Pages of a kitchen: the batch sheet, the menu and its allergen sheet. */
export {
  batchSheet,
  type BatchSheet,
  loadsText,
  ovenText,
  type SheetEntry,
  type SheetStep,
  timeText,
} from './batch-sheet';
export {
  menuAnswer,
  type MenuAnswer,
  menuAnswers,
  type MenuCell,
  menuRow,
  type MenuRow,
  type Verdict,
} from './menu';
export { setMenuSheet } from './menu-sheet';
