/**
 * Work that shares machines and hands: tasks with whole minutes, what each holds while it runs, and what must come before
 * it. The shortest plan is wanted. In the literature: the resource-constrained project scheduling problem (RCPSP), here
 * with release times and deadlines, and with resources that stand at one setting at a time (an oven at one temperature).
 */

/** So many of one machine, or pairs of hands. */
export interface Resource {
  id: string;
  capacity: number;
  /** When there is none of it: nights, breaks. */
  closed?: readonly { from: number; to: number }[];
}

export interface ResourceNeed {
  resource: string;
  amount: number;
  /** What the resource must stand at meanwhile (an oven: its degrees). Two settings at once are not possible. */
  setting?: number;
  /** Only for part of the task: minutes from its start. Hands set an oven going and leave; the oven is held on. */
  from?: number;
  to?: number;
}

export interface ScheduleTask {
  id: string;
  /** Whole minutes; none for a mere point in time. */
  minutes: number;
  needs: readonly ResourceNeed[];
  /** Tasks that must have ended before it starts. */
  after: readonly string[];
  /** Not before this minute. */
  earliest?: number;
  /** Ended by this minute. */
  deadline?: number;
}

export interface ScheduleProblem {
  resources: readonly Resource[];
  tasks: readonly ScheduleTask[];
}

/** Most tasks of one plan, and the longest that a task or a day may be, in minutes (a year of days is a slip of the finger). */
export const MOST_TASKS = 500;
export const MOST_MINUTES = 100_000;

/** Why a problem cannot be planned at all: not a matter of time or machines, but of what was written. */
export type ScheduleFault =
  | { code: 'task-twice'; task: string }
  | { code: 'resource-twice'; resource: string }
  | { code: 'task-unknown'; task: string; named: string }
  | { code: 'resource-unknown'; task: string; named: string }
  | { code: 'need-part'; task: string; named: string }
  | { code: 'closed'; resource: string }
  | { code: 'circle'; task: string; named: string };

/** A fault in words. */
export function faultText(fault: ScheduleFault): string {
  switch (fault.code) {
    case 'task-twice':
      return `there are two tasks "${fault.task}"`;
    case 'resource-twice':
      return `there are two resources "${fault.resource}"`;
    case 'task-unknown':
      return `task "${fault.task}" comes after "${fault.named}", which is no task`;
    case 'resource-unknown':
      return `task "${fault.task}" needs "${fault.named}", which is no resource`;
    case 'need-part':
      return `task "${fault.task}" needs "${fault.named}" for a part that does not lie within it`;
    case 'closed':
      return `"${fault.resource}" opens again before it closes`;
    case 'circle':
      return `task "${fault.task}" waits for "${fault.named}", which waits for it`;
  }
}

function doubled<T>(ids: readonly string[], say: (id: string) => T): T[] {
  const seen = new Set<string>();
  const twice = new Set(ids.filter((id) => seen.size === seen.add(id).size));
  return [...twice].map(say);
}

/** Everything wrong with how a problem is written; nothing of it can be planned then. */
export function scheduleFaults({ resources, tasks }: ScheduleProblem): ScheduleFault[] {
  const known = new Set(tasks.map(({ id }) => id));
  const machines = new Set(resources.map(({ id }) => id));
  const faults: ScheduleFault[] = [
    ...doubled(
      tasks.map(({ id }) => id),
      (task): ScheduleFault => ({ code: 'task-twice', task }),
    ),
    ...doubled(
      resources.map(({ id }) => id),
      (resource): ScheduleFault => ({ code: 'resource-twice', resource }),
    ),
    ...resources
      .filter(({ closed = [] }) => closed.some(({ from, to }) => from >= to))
      .map(({ id }): ScheduleFault => ({ code: 'closed', resource: id })),
    ...tasks.flatMap(({ id, after, needs, minutes }): ScheduleFault[] => [
      ...needs
        .filter(({ from = 0, to = minutes }) => from > to || to > minutes)
        .map(({ resource }): ScheduleFault => ({ code: 'need-part', task: id, named: resource })),
      ...after
        .filter((named) => !known.has(named))
        .map((named): ScheduleFault => ({ code: 'task-unknown', task: id, named })),
      ...needs
        .filter(({ resource }) => !machines.has(resource))
        .map(({ resource }): ScheduleFault => ({ code: 'resource-unknown', task: id, named: resource })),
    ]),
  ];
  if (faults.length > 0) return faults;
  const left = new Map(tasks.map((task) => [task.id, new Set(task.after)]));
  for (let isMoving = true; isMoving;) {
    isMoving = false;
    for (const [id, before] of left)
      if (before.size === 0) {
        left.delete(id);
        for (const others of left.values()) others.delete(id);
        isMoving = true;
      }
  }
  return [...left].slice(0, 1).map(([task, [named]]) => ({ code: 'circle', task, named: named! }));
}

/** A need by the number of its resource. */
export interface NumberedNeed {
  resource: number;
  amount: number;
  /** 0: any. */
  setting: number;
  /** The part of the task it is held for, minutes from its start. */
  from: number;
  to: number;
}

/** A stretch of time in which a resource is not there. */
export interface Closure {
  from: number;
  minutes: number;
  needs: readonly NumberedNeed[];
}

/** A problem by numbers, with what follows from the order of tasks alone. */
export interface Numbered {
  count: number;
  minutes: readonly number[];
  needs: readonly (readonly NumberedNeed[])[];
  before: readonly (readonly number[])[];
  behind: readonly (readonly number[])[];
  capacities: readonly number[];
  /** Every task after all that come before it. */
  order: readonly number[];
  /** The earliest start by release times and order. */
  heads: readonly number[];
  /** From a task's end to the end of everything behind it, at least. */
  tails: readonly number[];
  /** The latest start by deadlines and order; infinite where there is none. */
  latest: readonly number[];
  /** Stretches in which a resource is not there at all. */
  closed: readonly Closure[];
  /** Tasks whose start cannot move: they take their room before all others. */
  fixed: readonly number[];
}

/** The task-by-task part of a numbered problem, before order is worked out. */
export interface Written {
  minutes: readonly number[];
  needs: readonly (readonly NumberedNeed[])[];
  before: readonly (readonly number[])[];
  capacities: readonly number[];
  earliest: readonly number[];
  deadline: readonly number[];
  closed: readonly Closure[];
}

function inOrder(before: readonly (readonly number[])[], behind: readonly (readonly number[])[]): number[] {
  const waits = before.map((each) => each.length);
  const order = waits.flatMap((count, task) => (count === 0 ? [task] : []));
  for (let at = 0; at < order.length; at += 1)
    for (const task of behind[order[at]!]!) if ((waits[task]! -= 1) === 0) order.push(task);
  return order;
}

/** The first minute from which on nothing that a task needs is closed, whatever else goes on. */
function firstOpen(
  from: number,
  minutes: number,
  needs: readonly NumberedNeed[],
  { closed, capacities }: Pick<Written, 'closed' | 'capacities'>,
): number {
  if (minutes === 0 || needs.length === 0) return from;
  let start = from;
  for (let isMoved = true; isMoved;) {
    isMoved = false;
    for (const shut of closed) {
      const end = shut.from + shut.minutes;
      for (const { resource, amount } of shut.needs)
        for (const need of needs) {
          const isFree = need.resource !== resource || need.amount + amount <= capacities[resource]!;
          if (isFree || shut.from >= start + need.to || end <= start + need.from) continue;
          start = end - need.from;
          isMoved = true;
        }
    }
  }
  return start;
}

/** Works out order, heads, tails and latest starts. */
export function worked(written: Written): Numbered {
  const { minutes, needs, before, capacities, earliest, deadline, closed } = written;
  const count = minutes.length;
  const behind: number[][] = minutes.map(() => []);
  before.forEach((tasks, task) => tasks.forEach((each) => behind[each]!.push(task)));
  const order = inOrder(before, behind);
  const isFixed = minutes.map((each, task) => deadline[task]! - each === earliest[task]!);
  const heads = [...earliest];
  for (const task of order) {
    for (const each of before[task]!) heads[task] = Math.max(heads[task]!, heads[each]! + minutes[each]!);
    if (!isFixed[task]) heads[task] = firstOpen(heads[task]!, minutes[task]!, needs[task]!, written);
  }
  const tails = minutes.map(() => 0);
  const latest = deadline.map((end, task) => end - minutes[task]!);
  for (const task of [...order].reverse())
    for (const each of behind[task]!) {
      tails[task] = Math.max(tails[task]!, minutes[each]! + tails[each]!);
      latest[task] = Math.min(latest[task]!, latest[each]! - minutes[task]!);
    }
  const fixed = order.filter((task) => isFixed[task]);
  return { count, minutes, needs, before, behind, capacities, order, heads, tails, latest, closed, fixed };
}

/** A problem without faults, by numbers. What asks for more than there is asks for all there is here; `shortOf` tells of it. */
export function numbered({ resources, tasks }: ScheduleProblem): Numbered {
  const taskAt = new Map(tasks.map(({ id }, index) => [id, index]));
  const resourceAt = new Map(resources.map(({ id }, index) => [id, index]));
  const settings = new Map<number, number>();
  const settingOf = (setting: number | undefined): number => {
    if (setting === undefined) return 0;
    if (!settings.has(setting)) settings.set(setting, settings.size + 1);
    return settings.get(setting)!;
  };
  return worked({
    minutes: tasks.map(({ minutes }) => minutes),
    needs: tasks.map(({ needs, minutes }) =>
      needs
        .map(({ resource, amount, setting, from = 0, to = minutes }) => {
          const index = resourceAt.get(resource)!;
          const most = resources[index]!.capacity;
          return { resource: index, amount: Math.min(amount, most), setting: settingOf(setting), from, to };
        })
        .filter(({ amount, from, to }) => amount > 0 && to > from),
    ),
    before: tasks.map(({ after }) => [...new Set(after)].map((id) => taskAt.get(id)!)),
    capacities: resources.map(({ capacity }) => capacity),
    earliest: tasks.map(({ earliest = 0 }) => earliest),
    deadline: tasks.map(({ deadline = Infinity }) => deadline),
    closed: resources.flatMap(({ capacity, closed = [] }, resource) =>
      closed.map(({ from, to }) => ({
        from,
        minutes: to - from,
        needs: [{ resource, amount: capacity, setting: 0, from: 0, to: to - from }],
      })),
    ),
  });
}

/** The same problem seen from the other end, time running backwards from minute `end`. */
export function mirrored(problem: Numbered, end: number): Numbered {
  return worked({
    minutes: problem.minutes,
    needs: problem.needs.map((needs, task) =>
      needs.map((each) => ({
        ...each,
        from: problem.minutes[task]! - each.to,
        to: problem.minutes[task]! - each.from,
      })),
    ),
    before: problem.behind,
    capacities: problem.capacities,
    // A start at `latest` is, seen from the other end, the earliest end.
    earliest: problem.latest.map((start, task) =>
      Math.max(0, end - Math.min(end, start + problem.minutes[task]!)),
    ),
    deadline: problem.heads.map((start) => end - start),
    closed: problem.closed.map((each) => ({ ...each, from: end - each.from - each.minutes })),
  });
}
