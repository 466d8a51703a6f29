/** A problem of tasks and resources to a plan: what starts when, how short it could be at best, and what is short if it cannot be. */
import { Generator as Planner, listBy, pushedToEnd, type Starts } from './generate';
import { type Numbered, numbered, type ScheduleProblem } from './problem';
import { Profile } from './profile';
import { type Found, searchSteps } from './search';
import { type Shortage, shortagesOf } from './short';

export interface PlannedTask {
  id: string;
  /** Minutes from the beginning. */
  start: number;
}

export interface Schedule {
  /** Everything in time, nothing over its capacity, everything in order. */
  feasible: boolean;
  makespanMinutes: number;
  /** Proven: nothing that keeps everything is shorter. */
  lowerBoundMinutes: number;
  tasks: PlannedTask[];
  /** What more it would take for everything to be in time; empty where it is, or where more machines would not help. */
  shortOf: Shortage[];
  /** Tasks that end after their deadline even if there were machines enough, with the minutes. */
  late: { id: string; minutes: number }[];
  /** It is proven that nothing shorter exists, or that it cannot be done. */
  isProven: boolean;
}

/** What is known so far of a plan under way. */
export interface ScheduleProgress {
  makespanMinutes: number;
  lowerBoundMinutes: number;
  lateMinutes: number;
  /** Plans made so far. */
  plans: number;
}

export interface ScheduleWish {
  /** Most plans to make. The search ends before where nothing better exists. */
  plans?: number;
  /** Where chance begins; the same seed finds the same plan. */
  seed?: number;
  /** Tasks in an order that made a good plan before: the search begins with it. Ids it does not name come last. */
  order?: readonly string[];
  /** Everything as late as the end and the deadlines let it, instead of as early: a kitchen plans backwards from the bell. */
  isLate?: boolean;
}

/** Plans made where nobody says how many: some tenths of a second for a kitchen's day. */
export const PLANS_MADE = 3000;

/** So many times as long where something is late and it is not proven that it must be. */
const LOOK_LONGER = 8;

/** Everything in time, whatever is over its capacity: where there is no room, where least is lacking. */
function squeezed(problem: Numbered): Starts {
  const { minutes, needs, before, heads, latest, count, fixed } = problem;
  const profile = new Profile(problem);
  const starts = new Float64Array(count);
  const put = (task: number, start: number): void => {
    starts[task] = start;
    profile.take(start, needs[task]!);
  };
  for (const task of fixed) put(task, heads[task]!);
  for (const task of listBy(problem, (each) => latest[each]!)) {
    if (fixed.includes(task)) continue;
    const from = before[task]!.reduce(
      (most, each) => Math.max(most, starts[each]! + minutes[each]!),
      heads[task]!,
    );
    const last = Math.max(from, latest[task]!);
    const fit = profile.firstFit(from, minutes[task]!, needs[task]!);
    if (fit <= last) {
      put(task, fit);
      continue;
    }
    let best = from;
    let least = Infinity;
    for (const start of [from, ...profile.turns(from, last), last]) {
      const over = profile.overload(start, needs[task]!);
      if (over < least) [best, least] = [start, over];
    }
    put(task, best);
  }
  return starts;
}

/** What a search has found, as an answer. */
function scheduleOf(problem: ScheduleProblem, by: Numbered, found: Found, isLate: boolean): Schedule {
  const told = (starts: Starts): Map<string, number> =>
    new Map(problem.tasks.map(({ id }, index) => [id, starts[index]!]));
  let starts = found.cost.late > 0 ? squeezed(by) : found.starts;
  const late = problem.tasks.flatMap(({ id, minutes, deadline = Infinity }, index) =>
    starts[index]! + minutes > deadline ? [{ id, minutes: starts[index]! + minutes - deadline }] : [],
  );
  const shortOf = shortagesOf(problem, told(starts));
  const feasible = late.length === 0 && shortOf.length === 0;
  const ends = (): number =>
    problem.tasks.reduce((most, task, index) => Math.max(most, starts[index]! + task.minutes), 0);
  if (feasible && isLate) {
    const pushed = pushedToEnd(new Planner(by), starts, ends());
    // A push that would start something before it may start is none.
    if (pushed.every((start, task) => start >= by.heads[task]!)) starts = pushed;
  }
  const makespanMinutes = ends();
  return {
    feasible,
    makespanMinutes,
    lowerBoundMinutes: Math.min(found.bound, makespanMinutes),
    tasks: problem.tasks.map(({ id }, index) => ({ id, start: starts[index]! })),
    shortOf,
    late,
    isProven: found.isProven,
  };
}

/**
 * The plan of a problem without faults (`scheduleFaults`), better and better: what is known so far after each step; ends where
 * nothing better exists or enough plans were made. Stop asking at any time, and `stopped` gives what there is.
 */
export function* scheduleSteps(
  problem: ScheduleProblem,
  { plans = PLANS_MADE, seed = 1, order = [], isLate = false }: ScheduleWish = {},
): Generator<ScheduleProgress & { stopped: () => Schedule }, Schedule, void> {
  const by = numbered(problem);
  const ranks = new Map(order.map((id, rank) => [id, rank]));
  const first =
    order.length > 0 ? listBy(by, (task) => ranks.get(problem.tasks[task]!.id) ?? order.length) : null;
  const search = searchSteps(by, seed, first);
  for (;;) {
    const { value, done } = search.next();
    // A deadline that is not kept yet is worth a longer look before it is said that it cannot be.
    const most = value.cost.late > 0 ? plans * LOOK_LONGER : plans;
    if (done || value.plans >= most) return scheduleOf(problem, by, value, isLate);
    yield {
      makespanMinutes: value.cost.makespan,
      lowerBoundMinutes: value.bound,
      lateMinutes: value.cost.late,
      plans: value.plans,
      stopped: () => scheduleOf(problem, by, value, isLate),
    };
  }
}

/** The plan of a problem without faults. */
export function schedule(problem: ScheduleProblem, wish: ScheduleWish = {}): Schedule {
  const steps = scheduleSteps(problem, wish);
  for (;;) {
    const { value, done } = steps.next();
    if (done) return value;
  }
}
