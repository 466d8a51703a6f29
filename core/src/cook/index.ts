/** What is cooked, as it was cooked: a batch with its record, and everything that is worked out of it. */
export { cookedInput, cookedSheet, finishedGramsOf, isRecordedPack, type Rest } from './as-cooked';
export { type BatchAsLot, cookedOf, lotOfBatch, mixedOf } from './lot-of-batch';
export { type Difference, differences } from './differs';
export {
  ADDED_BECAUSE,
  type AddedBecause,
  CLOCK_OFF_SECONDS,
  DAY_KINDS,
  type Entry,
  ENTRY_KINDS,
  type EntryBody,
  entryFromTold,
  type EntryKind,
  entryTold,
  inOrderWritten,
  keptFromTold,
  keptTold,
  type KeptEntry,
  merge,
  type Merged,
  type Point,
  POINTS,
  type Scope,
  type Score,
  SCORES,
  standing,
  type Standing,
  type Taste,
  TASTES,
  type ToldEntry,
  type ToldKeptEntry,
  type Way,
  WAYS,
  writtenAt,
} from './log';
export { type Degree, DEGREES, type Mending, mendingOf, type Move, type Trouble, TROUBLES } from './mending';
export {
  type BroughtIn,
  groundOfBatch,
  mendingFoods,
  type OpenedBatch,
  openingInputs,
  THICKENERS,
  withBrought,
} from './opened';
export { brokenClaims, type Effect, effectOf, type Outlook } from './outlook';
export {
  coolingWatch,
  type CoolingWatch,
  isWithin,
  type JudgedReading,
  limitOf,
  type OpenBreach,
  POINT_NAMES,
  type WatchedCooling,
} from './points';
export { type Addition, loadsOf, type LoadStanding, putIn, type PutIn } from './put-in';
export {
  bodyWords,
  CAUTION,
  dayLog,
  entryList,
  type EntryRow,
  productionRecord,
  timeIn,
} from './record-lists';
export type { Ask } from './said';
export { batchLoads, type Forgotten, forgottenAt, strayBody, straysInto, type WayOut } from './slips';
export { type BatchState, batchState, clockNotes, type Phase, phaseOf } from './state';
export {
  everyMinutesOf,
  handFirst,
  type StoveLine,
  type StoveStep,
  stoveView,
  type StoveView,
} from './stove';
export { type Timer, timersAt } from './timers';
export type { BatchRow, CookedBatchView, PinSignature, Signer } from './told';
export {
  type BatchFood,
  comparableLot,
  followed,
  type PlanFood,
  planFoods,
  reached,
  type Recall,
  type RecalledBatch,
  type RecalledLabel,
  type RecallEvidence,
} from './trace';
