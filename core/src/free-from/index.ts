/** A dish served free from something: plans, versions, swaps by hand. */
export type { Blocker } from './blockers';
export { broughtIn, type SwapOption, swapOptions, takenAway, withSwap } from './by-hand';
export { type NearDish, nearestFree } from './nearest';
export {
  type FlagChange,
  flagChanges,
  type IfRead,
  type OpenWork,
  planSteps,
  planSwaps,
  type Progress,
  type SwapAnswer,
  type SwapPlan,
} from './plan';
export { choicesIn, problemOf } from './problem';
export { search } from './search';
export {
  MOST_NEEDS,
  type Version,
  type VersionsAnswer,
  versionsFor,
  type VersionsQuestion,
  versionSteps,
} from './versions';
