/**
 * A service planned backwards from the bell: everything ready at its minute and begun as late as that allows, on the machines
 * and with the people that are there. What is free from an allergen goes through a machine before what holds it, or the machine
 * is cleaned down between, and that is a task with its time.
 */
import type { Progress } from '../../free-from';
import type { WorkKind } from '../../kitchen';
import { type Schedule, type ScheduleProblem, scheduleSteps, type Shortage } from '../../schedule';
import type { EatenDish, Pin, ServiceGround } from '../eaten';
import { withFreeFromFirst } from './free-from-first';
import { CHECK_MINUTES, HOT_HOLD_MINUTES } from './minutes';
import { shareOut } from './persons';
import { backwards, HANDS, stationsOf } from './stations';
import { carryTasks, type Made, madeFor, type ServiceTask } from './tasks';
import type { TimedTask } from './timed';

/** What is short, with the minutes of the day, and what it is by name. */
export interface ServiceShortage extends Shortage {
  name: string;
}

/** Hot food that stands between its last cooking and the bell. */
export interface Hold {
  madeKey: string;
  name: string;
  minutes: number;
  isTooLong: boolean;
}

export interface ServicePlan {
  feasible: boolean;
  tasks: TimedTask[];
  makespanMinutes: number;
  lowerBoundMinutes: number;
  isProven: boolean;
  shortOf: ServiceShortage[];
  late: { name: string; minutes: number }[];
  /** Tasks for which the kitchen has no machine that day: they are in the plan as work of the hands, which is no way to do them. */
  lacking: { name: string; work: WorkKind }[];
  holds: Hold[];
}

/** The work of a service, before it has its times: plain values that can be sent to where the search runs. */
export interface ServiceWork {
  tasks: ServiceTask[];
  /** Which resource each task is planned on, by task. */
  on: Record<string, string>;
  problem: ScheduleProblem;
  made: Pick<Made, 'key' | 'name' | 'isComponent'>[];
  readyMinute: number;
  people: number;
  pins: Pin[];
  /** Names of the machines by id. */
  machines: Record<string, string>;
  /** The order of the better plan that was kept. */
  order: string[];
}

export function serviceWorkOf(eaten: readonly EatenDish[], ground: ServiceGround): ServiceWork {
  const { service, kitchen } = ground;
  const made = madeFor(eaten, ground);
  const tasks = [...withFreeFromFirst(made, kitchen), ...carryTasks(made, eaten, ground)];
  const on = stationsOf(tasks, kitchen);
  return {
    tasks,
    on: Object.fromEntries(on),
    problem: backwards(tasks, on, kitchen, service),
    made: made.map(({ key, name, isComponent }) => ({ key, name, isComponent })),
    readyMinute: service.readyMinute,
    people: service.team.people,
    pins: service.pins.map((each) => ({ ...each })),
    machines: Object.fromEntries(kitchen.vessels.map(({ id, name }) => [id, name])),
    order: [...service.order],
  };
}

/** Hot food from the end of its last cooking to the bell. */
function holdsIn(tasks: readonly TimedTask[], { made, readyMinute }: ServiceWork): Hold[] {
  return made.flatMap(({ key, name, isComponent }): Hold[] => {
    const cooked = tasks.filter(
      ({ madeKey, kind, machine }) => madeKey === key && kind === 'cook' && machine !== null,
    );
    if (isComponent || cooked.length === 0) return [];
    const minutes = readyMinute - Math.max(...cooked.map(({ end }) => end));
    return [{ madeKey: key, name, minutes, isTooLong: minutes > HOT_HOLD_MINUTES }];
  });
}

/** A schedule of a service's work as its plan. */
export function planFrom(work: ServiceWork, found: Schedule): ServicePlan {
  const { tasks, on, readyMinute, machines } = work;
  const nameOf = (resource: string): string =>
    resource === HANDS ? 'a pair of hands' : (machines[resource.replace(/, \d+$/, '')] ?? resource);
  const starts = new Map(found.tasks.map(({ id, start }) => [id, start]));
  const pins = new Map(work.pins.map(({ task, start }) => [task, start]));
  const timed = tasks
    .map((task): TimedTask => {
      const end = readyMinute - starts.get(task.id)!;
      const start = end - task.minutes;
      return {
        ...task,
        start,
        end,
        resource: task.machine === null ? null : (on[task.id] ?? task.machine),
        person: null,
        looks: task.checks.map((at) => ({
          start: start + at,
          end: start + at + CHECK_MINUTES,
          person: null,
        })),
        isPinned: pins.has(task.id),
      };
    })
    .sort((one, other) => one.start - other.start || one.id.localeCompare(other.id));
  shareOut(timed, work.people);
  const nameOfTask = (id: string): string => tasks.find((task) => task.id === id)!.name;
  // What is held so that it ends after the bell is too late, wherever the plan has put it.
  const beyond = tasks.flatMap(({ id, name, minutes }) => {
    const over = (pins.get(id) ?? -Infinity) + minutes - readyMinute;
    return over > 0 ? [{ name, minutes: over }] : [];
  });
  const lacking = timed.flatMap(({ name, lacks }) => (lacks === null ? [] : [{ name, work: lacks }]));
  return {
    feasible: found.feasible && lacking.length === 0 && beyond.length === 0,
    tasks: timed,
    makespanMinutes: found.makespanMinutes,
    lowerBoundMinutes: found.lowerBoundMinutes,
    isProven: found.isProven,
    shortOf: found.shortOf.map((each) => ({
      ...each,
      from: readyMinute - each.to,
      to: readyMinute - each.from,
      name: nameOf(each.resource),
    })),
    late: [...found.late.map(({ id, minutes }) => ({ name: nameOfTask(id), minutes })), ...beyond],
    lacking,
    holds: holdsIn(timed, work),
  };
}

/** The tasks of a plan in the order in which the search took them up, to begin from there again. */
export const orderOf = ({ tasks }: Pick<ServicePlan, 'tasks'>): string[] =>
  [...tasks].sort((one, other) => other.end - one.end || other.start - one.start).map(({ id }) => id);

export interface PlanWish {
  /** Plans tried. */
  plans?: number;
}

/** How far a plan is. */
export interface PlanProgress {
  plans: number;
  makespanMinutes: number;
  lowerBoundMinutes: number;
  stopped: () => ServicePlan;
}

/** The plan of a service's work, better and better. */
export function* planWorkSteps(
  work: ServiceWork,
  wish: PlanWish = {},
): Generator<PlanProgress, ServicePlan, void> {
  const steps = scheduleSteps(work.problem, { ...wish, order: work.order });
  for (;;) {
    const { value, done } = steps.next();
    if (done) return planFrom(work, value);
    const { plans, makespanMinutes, lowerBoundMinutes, stopped } = value;
    yield { plans, makespanMinutes, lowerBoundMinutes, stopped: () => planFrom(work, stopped()) };
  }
}

/** The plan of a service, better and better. */
export const planServiceSteps = (
  eaten: readonly EatenDish[],
  ground: ServiceGround,
  wish: PlanWish = {},
): Generator<PlanProgress, ServicePlan, void> => planWorkSteps(serviceWorkOf(eaten, ground), wish);

/** The plan of a service at one go. */
export function planService(
  eaten: readonly EatenDish[],
  ground: ServiceGround,
  wish: PlanWish = {},
): ServicePlan {
  const steps = planServiceSteps(eaten, ground, wish);
  for (;;) {
    const { value, done } = steps.next();
    if (done) return value;
  }
}

/** A better plan under way: how late the day can begin with the best so far, and the order that makes it. */
export interface SearchProgress extends Progress {
  /** Minute of the day of the service. */
  begins: number;
  lowerBoundMinutes: number;
  makespanMinutes: number;
  order: string[];
}

/** Looks for a better plan for as long as it is asked; ends where nothing better exists. */
export function* betterPlanSteps(work: ServiceWork): Generator<SearchProgress, SearchProgress, void> {
  const steps = planWorkSteps(work, { plans: Infinity });
  let best: Pick<SearchProgress, 'begins' | 'order' | 'makespanMinutes'> | null = null;
  const told = (plan: ServicePlan): NonNullable<typeof best> => ({
    begins: plan.tasks[0]?.start ?? work.readyMinute,
    makespanMinutes: plan.makespanMinutes,
    order: orderOf(plan),
  });
  let last = { done: 0, lowerBoundMinutes: 0 };
  const progress = (): SearchProgress => ({
    stage: 'Plans tried',
    of: null,
    ...last,
    begins: best?.begins ?? work.readyMinute,
    makespanMinutes: best?.makespanMinutes ?? 0,
    order: best?.order ?? [],
  });
  for (;;) {
    const { value, done } = steps.next();
    if (done) {
      best = told(value);
      last = { ...last, lowerBoundMinutes: value.lowerBoundMinutes };
      return progress();
    }
    if (best === null || value.makespanMinutes < best.makespanMinutes) best = told(value.stopped());
    last = { done: value.plans, lowerBoundMinutes: value.lowerBoundMinutes };
    yield progress();
  }
}
