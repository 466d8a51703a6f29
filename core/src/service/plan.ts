/**
 * A service planned backwards from the bell: everything ready at its minute and begun as late as that allows, on the machines
 * and with the people that are there. What is free from an allergen goes through a machine before what holds it, or the machine
 * is cleaned down between, and that is a task with its time.
 */
import {
  type Resource,
  type Schedule,
  scheduleSteps,
  type ScheduleProblem,
  type ScheduleTask,
  type Shortage,
} from '../schedule';
import type { Kitchen, Vessel, WorkKind } from '../kitchen';
import type { EatenDish, ServiceGround } from './eaters';
import { CLEAN_DOWN_MINUTES, HOT_HOLD_MINUTES } from './minutes';
import type { Service } from './service';
import { type Made, madeFor, type ServiceTask } from './tasks';

/** Days before the service that a plan may reach back: a soak of a night, and a day to spare (convention). */
export const DAYS_BEFORE = 2;
const DAY = 1440;
/** The people, as a resource of the plan. */
export const HANDS = 'hands';

/** A task with its time: minutes from midnight of the day of the service, negative on the days before. */
export interface TimedTask extends ServiceTask {
  start: number;
  end: number;
  /** Which oven, of several of a kind: the resource it was planned on. */
  resource: string | null;
  /** Who does it, counted from 1; null where nobody stands at it. */
  person: number | null;
}

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

/** Ovens of a kind, one by one, each of which can stand at one temperature only; other machines together. */
function resourcesOf(kitchen: Kitchen, { team }: Service): Resource[] {
  const day = { from: team.shift.from, to: team.shift.to };
  const closed = Array.from({ length: DAYS_BEFORE + 1 }, (_, index) => index * DAY).flatMap((midnight) => [
    { from: midnight, to: midnight + day.from },
    ...team.breaks.map(({ from, to }) => ({ from: midnight + from, to: midnight + to })),
    { from: midnight + day.to, to: midnight + DAY },
  ]);
  return [
    { id: HANDS, capacity: team.people, closed: closed.filter(({ from, to }) => to > from) },
    ...kitchen.vessels.flatMap((vessel): Resource[] =>
      vessel.kind === 'oven'
        ? ovensOf(vessel).map((id) => ({ id, capacity: vessel.levels }))
        : [{ id: vessel.id, capacity: vessel.count }],
    ),
  ];
}

const ovensOf = ({ id, count }: Vessel): string[] =>
  count === 1 ? [id] : Array.from({ length: count }, (_, index) => `${id}, ${index + 1}`);

/**
 * Which resource each task is planned on, by task: a temperature goes to the oven of its kind with the least work so far, and a
 * clean-down to the oven that what comes after it goes into.
 */
export function stationsOf(
  tasks: readonly ServiceTask[],
  kitchen: Pick<Kitchen, 'vessels'>,
): Map<string, string> {
  const on = new Map<string, string>();
  for (const vessel of kitchen.vessels) {
    const own = tasks.filter(({ machine }) => machine === vessel.id);
    if (vessel.kind !== 'oven') {
      for (const { id } of own) on.set(id, vessel.id);
      continue;
    }
    const load = new Map(ovensOf(vessel).map((id) => [id, 0]));
    const byHeat = new Map<number, ServiceTask[]>();
    for (const task of own) {
      if (task.kind === 'clean') continue;
      byHeat.set(task.setCelsius ?? 0, [...(byHeat.get(task.setCelsius ?? 0) ?? []), task]);
    }
    const work = (each: readonly ServiceTask[]): number =>
      each.reduce((sum, { minutes, amount }) => sum + minutes * amount, 0);
    for (const each of [...byHeat.values()].sort((one, other) => work(other) - work(one))) {
      const [oven] = [...load].sort((one, other) => one[1] - other[1])[0]!;
      load.set(oven, load.get(oven)! + work(each));
      for (const { id } of each) on.set(id, oven);
    }
    for (const { id } of own.filter(({ kind }) => kind === 'clean')) {
      const next = own.find(({ after }) => after.includes(id));
      on.set(id, (next && on.get(next.id)) ?? ovensOf(vessel)[0]!);
    }
  }
  return on;
}

/** Which tasks come after a task, at any distance. */
function followers(tasks: ReadonlyMap<string, ServiceTask>, from: string): Set<string> {
  const behind = new Map<string, string[]>();
  for (const { id, after } of tasks.values())
    for (const each of after) behind.set(each, [...(behind.get(each) ?? []), id]);
  const seen = new Set<string>();
  const queue = [from];
  for (let at = 0; at < queue.length; at += 1)
    for (const id of behind.get(queue[at]!) ?? [])
      if (!seen.has(id)) {
        seen.add(id);
        queue.push(id);
      }
  return seen;
}

/** Whether one must stay free from something that the other holds. */
const minds = (one: Made, other: Made): boolean => [...one.exclude].some((id) => other.holds.has(id));

/**
 * Free-from first on every machine that both go through; where the order of the work stands against it, or each minds the other,
 * a clean-down between them.
 */
export function withFreeFromFirst(made: readonly Made[], kitchen: Kitchen): ServiceTask[] {
  const tasks = new Map(
    made.flatMap((each) => each.tasks).map((task) => [task.id, { ...task, after: [...task.after] }]),
  );
  let cleanings = 0;
  for (const vessel of kitchen.vessels) {
    const users = made.flatMap((each) => {
      const on = each.tasks.filter(({ machine }) => machine === vessel.id).map(({ id }) => id);
      return on.length === 0 ? [] : [{ made: each, on }];
    });
    for (const [index, one] of users.entries())
      for (const other of users.slice(index + 1)) {
        const [oneMinds, otherMinds] = [minds(one.made, other.made), minds(other.made, one.made)];
        if (!oneMinds && !otherMinds) continue;
        let [first, second] = oneMinds ? [one, other] : [other, one];
        // What is made goes through a machine in one order, so its first and last task there stand for all.
        const isBehind = followers(tasks, second.on[0]!).has(first.on.at(-1)!);
        if (isBehind) [first, second] = [second, first];
        if (!isBehind && !(oneMinds && otherMinds)) {
          tasks.get(second.on[0]!)!.after.push(first.on.at(-1)!);
          continue;
        }
        cleanings += 1;
        const id = `clean ${cleanings}`;
        tasks.set(id, {
          id,
          name: `${vessel.name}: clean down before ${second.made.name}`,
          dish: vessel.name,
          what: `Clean down before ${second.made.name}`,
          kind: 'clean',
          madeKey: null,
          recipeId: null,
          minutes: CLEAN_DOWN_MINUTES[vessel.kind],
          machine: vessel.id,
          amount: vessel.kind === 'oven' ? vessel.levels : vessel.count,
          setCelsius: null,
          people: 1,
          lacks: null,
          handMinutes: CLEAN_DOWN_MINUTES[vessel.kind],
          after: [first.on.at(-1)!],
          isConvention: true,
          because: `${first.made.name} holds what ${second.made.name} must be free from; 5 to 15 min by piece: convention`,
        });
        tasks.get(second.on[0]!)!.after.push(id);
      }
  }
  return [...tasks.values()];
}

/** The problem as it is solved: time runs backwards from the bell, so that early there is late here. */
function backwards(
  tasks: readonly ServiceTask[],
  on: ReadonlyMap<string, string>,
  resources: readonly Resource[],
  bell: number,
): ScheduleProblem {
  const before = new Map<string, string[]>();
  for (const { id, after } of tasks)
    for (const each of after) before.set(each, [...(before.get(each) ?? []), id]);
  return {
    resources: resources.map(({ id, capacity, closed = [] }) => ({
      id,
      capacity,
      closed: closed
        .filter(({ from }) => from < bell)
        .map(({ from, to }) => ({ from: bell - to, to: bell - from })),
    })),
    tasks: tasks.map(({ id, minutes, people, handMinutes, machine, amount, setCelsius }): ScheduleTask => ({
      id,
      minutes,
      needs: [
        // Seen backwards, its beginning is its end.
        ...(people > 0 ? [{ resource: HANDS, amount: people, from: minutes - handMinutes }] : []),
        ...(machine === null
          ? []
          : [
              {
                resource: on.get(id) ?? machine,
                amount,
                ...(setCelsius === null ? {} : { setting: setCelsius }),
              },
            ]),
      ],
      after: before.get(id) ?? [],
      deadline: bell,
    })),
  };
}

/** Gives each task of the hands, in order of time, to somebody who is free: of those, to who did the dish before, else the first. */
function shareOut(timed: TimedTask[], people: number): void {
  const freeAt = Array.from({ length: people }, () => -Infinity);
  const lastOf = new Map<string | null, number>();
  for (const task of timed) {
    if (task.people === 0) continue;
    const free = freeAt.flatMap((until, person) => (until <= task.start ? [person] : []));
    const known = lastOf.get(task.madeKey);
    const person = known !== undefined && free.includes(known) ? known : free[0];
    if (person === undefined) continue;
    freeAt[person] = task.start + task.handMinutes;
    lastOf.set(task.madeKey, person);
    task.person = person + 1;
  }
}

/** Hot food from the end of its last cooking to the bell. */
function holdsIn(tasks: readonly TimedTask[], made: readonly Made[], bell: number): Hold[] {
  return made.flatMap(({ key, name, isComponent }): Hold[] => {
    const cooked = tasks.filter(
      ({ madeKey, kind, machine }) => madeKey === key && kind === 'cook' && machine !== null,
    );
    if (isComponent || cooked.length === 0) return [];
    const minutes = bell - Math.max(...cooked.map(({ end }) => end));
    return [{ madeKey: key, name, minutes, isTooLong: minutes > HOT_HOLD_MINUTES }];
  });
}

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

/** The plan of a service, better and better. */
export function* planServiceSteps(
  eaten: readonly EatenDish[],
  ground: ServiceGround,
  wish: PlanWish = {},
): Generator<PlanProgress, ServicePlan, void> {
  const { service, kitchen } = ground;
  const made = madeFor(eaten, ground);
  const tasks = withFreeFromFirst(made, kitchen);
  const resources = resourcesOf(kitchen, service);
  const on = stationsOf(tasks, kitchen);
  const bell = DAYS_BEFORE * DAY + service.readyMinute;
  const names = new Map(kitchen.vessels.map(({ id, name }) => [id, name]));
  const nameOf = (resource: string): string =>
    resource === HANDS ? 'a pair of hands' : (names.get(resource.replace(/, \d+$/, '')) ?? resource);
  const planOf = (found: Schedule): ServicePlan => {
    const starts = new Map(found.tasks.map(({ id, start }) => [id, start]));
    const timed = tasks
      .map((task): TimedTask => {
        const end = service.readyMinute - starts.get(task.id)!;
        return {
          ...task,
          start: end - task.minutes,
          end,
          resource: task.machine === null ? null : (on.get(task.id) ?? task.machine),
          person: null,
        };
      })
      .sort((one, other) => one.start - other.start || one.id.localeCompare(other.id));
    shareOut(timed, service.team.people);
    const lacking = timed.flatMap(({ name, lacks }) => (lacks === null ? [] : [{ name, work: lacks }]));
    return {
      feasible: found.feasible && lacking.length === 0,
      tasks: timed,
      makespanMinutes: found.makespanMinutes,
      lowerBoundMinutes: found.lowerBoundMinutes,
      isProven: found.isProven,
      shortOf: found.shortOf.map((each) => ({
        ...each,
        from: service.readyMinute - each.to,
        to: service.readyMinute - each.from,
        name: nameOf(each.resource),
      })),
      late: found.late.map(({ id, minutes }) => ({
        name: tasks.find((task) => task.id === id)!.name,
        minutes,
      })),
      lacking,
      holds: holdsIn(timed, made, service.readyMinute),
    };
  };
  const steps = scheduleSteps(backwards(tasks, on, resources, bell), wish);
  for (;;) {
    const { value, done } = steps.next();
    if (done) return planOf(value);
    const { plans, makespanMinutes, lowerBoundMinutes, stopped } = value;
    yield { plans, makespanMinutes, lowerBoundMinutes, stopped: () => planOf(stopped()) };
  }
}

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
