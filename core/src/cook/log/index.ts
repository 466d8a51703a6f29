/** The record: entries, their order, what counts of them, and what is taken in. */
export {
  ADDED_BECAUSE,
  type AddedBecause,
  CLOCK_OFF_SECONDS,
  DAY_KINDS,
  type Entry,
  ENTRY_KINDS,
  type EntryBody,
  type EntryKind,
  type KeptEntry,
  LATE_SECONDS,
  type Point,
  POINTS,
  type Score,
  SCORES,
  type Taste,
  TASTES,
  type Way,
  WAYS,
} from './entry';
export { merge, type Merged, type Scope } from './merge';
export { inOrderWritten, standing, type Standing, writtenAt } from './order';
export { entryFromTold, entryTold, keptFromTold, keptTold, type ToldEntry, type ToldKeptEntry } from './told';
export { answersOf, wordsAtStove } from './words';
