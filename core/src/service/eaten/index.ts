/** Who eats what: a service as it is told, its dishes in versions, its hours. */
export { clockText, dateFrom, dayOf, dayText, momentText } from './clock';
export {
  type DishVersion,
  type EatenDish,
  eatersOf,
  eatersSteps,
  type GroupServing,
  type ServiceGround,
  type Unserved,
} from './eaters';
export { asServed, type ServedBatch } from './served';
export { MadeAhead } from './in-store';
export {
  type Ahead,
  type Dishes,
  kitchenThatDay,
  MOST_DISHES,
  MOST_HEADS,
  OVER_SHARE,
  type Pin,
  PLAIN_TEAM,
  type Service,
  SERVICE_DEFAULTS,
  type ServiceDish,
  type ServiceFault,
  serviceFaults,
  serviceFaultText,
  type ServiceHeads,
  type ServiceSite,
  type Stretch,
  type TakenOut,
  type Team,
} from './service';
export type { StandIn, StoodIn } from './stand-ins';
