/** A service: heads in, a plan out, backwards from the bell. */
export { type Demand, type DemandLine, demandOf, type PacksToBuy, type UnknownDemand } from './demand';
export {
  type DishVersion,
  type EatenDish,
  eatersOf,
  eatersSteps,
  type GroupServing,
  type ServiceGround,
  type Unserved,
} from './eaters';
export { clockText, dateFrom, dayOf, dayText, momentText } from './clock';
export { type ListSheetOptions, setList } from './list-sheet';
export {
  daySheet,
  type ListColumn,
  type ListSection,
  prepList,
  pullList,
  type ServiceList,
  shoppingList,
} from './lists';
export { PLACE_NAMES, type Place, placeOf, PLACES } from './places';
export {
  DAYS_BEFORE,
  HANDS,
  type Hold,
  planService,
  planServiceSteps,
  type ServicePlan,
  type PlanProgress,
  type ServiceShortage,
  stationsOf,
  type TimedTask,
  withFreeFromFirst,
} from './plan';
export {
  type Dishes,
  kitchenThatDay,
  MOST_DISHES,
  MOST_HEADS,
  OVER_SHARE,
  PLAIN_TEAM,
  type Service,
  type ServiceDish,
  type ServiceFault,
  serviceFaults,
  serviceFaultText,
  type ServiceHeads,
  type Stretch,
  type Team,
} from './service';
export { type Made, madeFor, type ServiceTask, type TaskKind } from './tasks';
export { planChanges, type PlanChanges } from './changes';
export {
  eatenTold,
  type EatenTold,
  planTold,
  type PlanTold,
  type SavedServiceTold,
  serviceOf,
  serviceTold,
  type ServiceView,
  type ToldService,
  type ToldStretch,
} from './told';
export { headsFromRows, type HeadsTable, type RefusedRow } from './heads-table';
export { type Help, type HelpProgress, helpSteps } from './helps';
