/** Critical points: their limits, readings judged, coolings watched. */
export {
  coolingWatch,
  type CoolingReading,
  type CoolingStage,
  type CoolingStanding,
  type CoolingWatch,
} from './cooling-watch';
export { isWithin, limitOf, POINT_NAMES, type PointLimit, readingText } from './limits';
export {
  coolingsOf,
  judgedReadings,
  type JudgedReading,
  openBreaches,
  type OpenBreach,
  type TakenAction,
  takenAt,
  type WatchedCooling,
} from './readings';
