/** What leaves the food on the way and what it takes up. */
export type { Bath, BathKind } from './bath';
export { bathsOf } from './baths';
export { type Drying, dryingOf, steamFrom } from './drying';
export { homeSurface, homeVessel, minutesFor, steamGrams } from './evaporation';
export type { ActLine } from './moments';
export { reductionOf } from './reduction';
export {
  fryingSteam,
  MARINADE_UPTAKE,
  oilTakenUp,
  PLENTY_OF_WATER,
  SALT_EXCHANGE,
  SALTED_AND_RINSED,
  STRAINED,
} from './uptake';
export { waterShareOf } from './water';
