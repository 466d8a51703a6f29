/** Tasks on machines that are shared: the shortest plan, how short it could be, and what is short. */
export {
  faultText,
  MOST_MINUTES,
  MOST_TASKS,
  type Resource,
  type ResourceNeed,
  type ScheduleFault,
  scheduleFaults,
  type ScheduleProblem,
  type ScheduleTask,
} from './problem';
export {
  type PlannedTask,
  PLANS_MADE,
  schedule,
  type Schedule,
  type ScheduleProgress,
  scheduleSteps,
  type ScheduleWish,
} from './schedule';
export type { Shortage } from './short';
