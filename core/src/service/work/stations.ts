/** What a service has to work with: hands by shift and break, machines by count, ovens by levels and temperature. */
import type { Kitchen, Vessel } from '../../kitchen';
import type { Resource, ScheduleProblem, ScheduleTask } from '../../schedule';
import { dayOf, type Service } from '../eaten';
import { CHECK_MINUTES } from './minutes';
import type { ServiceTask } from './tasks';

/** Days before the service that a plan may reach back: a soak of a night, and a day to spare (convention). */
export const DAYS_BEFORE = 2;
const DAY = 1440;
/** The people, as a resource of the plan. */
export const HANDS = 'hands';

/** Days that this service reaches back: one more than its earliest work. */
const reachOf = ({ ahead, pins }: Service): number =>
  Math.max(
    DAYS_BEFORE,
    ...ahead.map(({ daysBefore }) => daysBefore + 1),
    ...pins.map(({ start }) => -dayOf(start) + 1),
  );

/** Ovens of a kind, one by one, each of which can stand at one temperature only; other machines together. */
function resourcesOf(kitchen: Kitchen, service: Service): Resource[] {
  const { team } = service;
  const day = { from: team.shift.from, to: team.shift.to };
  const closed = Array.from({ length: reachOf(service) + 1 }, (_, index) => index * DAY).flatMap(
    (midnight) => [
      { from: midnight, to: midnight + day.from },
      ...team.breaks.map(({ from, to }) => ({ from: midnight + from, to: midnight + to })),
      { from: midnight + day.to, to: midnight + DAY },
    ],
  );
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

/** What somebody stands at: its beginning, and the looks in between. Seen backwards, its beginning is its end. */
const handsOf = ({ minutes, people, handMinutes, checks }: ServiceTask): ScheduleTask['needs'] => [
  ...(people > 0 && handMinutes > 0
    ? [{ resource: HANDS, amount: people, from: minutes - handMinutes, to: minutes }]
    : []),
  ...checks.map((at) => ({
    resource: HANDS,
    amount: 1,
    from: Math.max(0, minutes - at - CHECK_MINUTES),
    to: minutes - at,
  })),
];

/** When a task has to be, counted backwards from the bell: pinned to a minute, or within the day it is made ahead on. */
function windowOf(task: ServiceTask, service: Service): Pick<ScheduleTask, 'earliest' | 'deadline'> {
  const { readyMinute, pins, team } = service;
  const bell = reachOf(service) * DAY + readyMinute;
  const pin = pins.find((each) => each.task === task.id);
  if (pin) {
    // Nothing stands after the bell.
    const earliest = Math.max(0, readyMinute - pin.start - task.minutes);
    return { earliest, deadline: earliest + task.minutes };
  }
  if (task.daysBefore === null) return { deadline: bell };
  return { earliest: readyMinute - (team.shift.to - task.daysBefore * DAY), deadline: bell };
}

/** The problem as it is solved: time runs backwards from the bell, so that early there is late here. */
export function backwards(
  tasks: readonly ServiceTask[],
  on: ReadonlyMap<string, string>,
  kitchen: Kitchen,
  service: Service,
): ScheduleProblem {
  const bell = reachOf(service) * DAY + service.readyMinute;
  const before = new Map<string, string[]>();
  for (const { id, after } of tasks)
    for (const each of after) before.set(each, [...(before.get(each) ?? []), id]);
  return {
    resources: resourcesOf(kitchen, service).map(({ id, capacity, closed = [] }) => ({
      id,
      capacity,
      closed: closed
        .filter(({ from }) => from < bell)
        .map(({ from, to }) => ({ from: bell - to, to: bell - from })),
    })),
    tasks: tasks.map((task): ScheduleTask => {
      const { id, minutes, machine, amount, setCelsius } = task;
      const held = {
        resource: on.get(id) ?? machine!,
        amount,
        ...(setCelsius === null ? {} : { setting: setCelsius }),
      };
      return {
        id,
        minutes,
        needs: [...handsOf(task), ...(machine === null ? [] : [held])],
        after: before.get(id) ?? [],
        ...windowOf(task, service),
      };
    }),
  };
}
