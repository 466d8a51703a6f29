/** The work of a service: its tasks, and the plan backwards from the bell. */
export { planChanges, type PlanChanges } from './changes';
export { withFreeFromFirst } from './free-from-first';
export { type Help, type HelpProgress, helpSteps } from './helps';
export {
  betterPlanSteps,
  type Hold,
  orderOf,
  planFrom,
  type PlanProgress,
  planService,
  planServiceSteps,
  planWorkSteps,
  type SearchProgress,
  type ServicePlan,
  type ServiceShortage,
  type ServiceWork,
  serviceWorkOf,
} from './plan';
export { DAYS_BEFORE, HANDS, stationsOf } from './stations';
export type { TaskKind } from './drafts';
export { type Made, madeFor, type ServiceTask } from './tasks';
export type { Look, TimedTask } from './timed';
