/** Random problems of tasks and machines, a checker of plans that knows nothing of how they are made, and the same as a program for a solver. */
import { randomFrom, type Schedule, type ScheduleProblem, type ScheduleTask } from '@hand-ladle/core';

export interface RandomSchedule {
  tasks: number;
  /** Tasks may not start before, or must end by, minutes that a hidden plan keeps. */
  hasWindows?: boolean;
  /** Some machines stand at one of two settings. */
  hasSettings?: boolean;
  /** Some machines are away for a while, and some are held for a part of a task only. */
  hasParts?: boolean;
}

/** A problem of the classic kind: four resources, one to ten minutes, up to two tasks before each. */
export function randomSchedule(
  seed: number,
  { tasks: count, hasWindows, hasSettings, hasParts }: RandomSchedule,
): ScheduleProblem {
  const random = randomFrom(seed);
  const whole = (low: number, high: number): number => low + Math.floor(random() * (high - low + 1));
  const resources = Array.from({ length: 4 }, (_, index) => ({
    id: `machine ${index}`,
    capacity: whole(8, 17),
    ...(hasParts ? { closed: [{ from: 6 + index, to: 14 + index }] } : {}),
  }));
  const tasks = Array.from({ length: count }, (_, index): ScheduleTask => {
    const before = Array.from({ length: Math.min(index, whole(0, 2)) }, () =>
      whole(Math.max(0, index - 12), index - 1),
    );
    const minutes = whole(1, 10);
    return {
      id: `task ${index}`,
      minutes,
      needs: resources
        .filter(() => random() < 0.6)
        .map(({ id }, machine) => ({
          resource: id,
          amount: whole(1, 8),
          ...(hasSettings && machine === 0 ? { setting: whole(1, 2) * 90 } : {}),
          ...(hasParts && machine === 1 ? { to: Math.ceil(minutes / 3) } : {}),
          ...(hasParts && machine === 2 ? { from: Math.floor(minutes / 2) } : {}),
        })),
      after: [...new Set(before)].map((each) => `task ${each}`),
    };
  });
  return hasWindows ? withWindows({ resources, tasks }, random) : { resources, tasks };
}

/** The problem with windows around a plan that exists: each task after all of the list that came before it would clash. */
function withWindows({ resources, tasks }: ScheduleProblem, random: () => number): ScheduleProblem {
  const starts = new Map<string, number>();
  for (const task of tasks) {
    let start = Math.max(
      0,
      ...task.after.map((id) => starts.get(id)! + tasks.find((each) => each.id === id)!.minutes),
    );
    const isFree = (at: number): boolean => {
      const trial = new Map([...starts, [task.id, at]]);
      const placed = tasks.filter(({ id }) => trial.has(id)).map((each) => ({ ...each, after: [] }));
      return faultsOf({ resources, tasks: placed }, trial).length === 0;
    };
    while (!isFree(start)) start += 1;
    starts.set(task.id, start);
  }
  return {
    resources,
    tasks: tasks.map((task) => {
      const start = starts.get(task.id)!;
      return {
        ...task,
        ...(random() < 0.4 ? { earliest: Math.max(0, start - Math.floor(random() * 8)) } : {}),
        ...(random() < 0.6 ? { deadline: start + task.minutes + Math.floor(random() * 8) } : {}),
      };
    }),
  };
}

/** What is wrong with a plan, minute by minute: order, windows, capacities, settings. */
export function faultsOf(
  { resources, tasks }: ScheduleProblem,
  starts: ReadonlyMap<string, number>,
): string[] {
  const faults: string[] = [];
  const endOf = (id: string): number => starts.get(id)! + tasks.find((task) => task.id === id)!.minutes;
  for (const { id, minutes, after, earliest = 0, deadline = Infinity } of tasks) {
    const start = starts.get(id)!;
    if (!Number.isInteger(start)) faults.push(`${id} starts at ${start}`);
    if (start < earliest) faults.push(`${id} starts before ${earliest}`);
    if (start + minutes > deadline) faults.push(`${id} ends after ${deadline}`);
    for (const each of after) if (endOf(each) > start) faults.push(`${id} starts before ${each} ends`);
  }
  const last = Math.max(0, ...tasks.map(({ id }) => endOf(id)));
  for (let minute = 0; minute < last; minute += 1)
    for (const { id, capacity, closed = [] } of resources) {
      const uses = tasks.flatMap(({ id: task, minutes, needs }) =>
        needs.filter(({ resource, from = 0, to = minutes }) => {
          const within = minute - starts.get(task)!;
          return resource === id && from <= within && within < to;
        }),
      );
      if (uses.length > 0 && closed.some(({ from, to }) => from <= minute && minute < to))
        faults.push(`${id} is not there at ${minute}`);
      if (uses.reduce((sum, { amount }) => sum + amount, 0) > capacity + 1e-9)
        faults.push(`${id} is over at ${minute}`);
      if (new Set(uses.flatMap(({ setting }) => (setting === undefined ? [] : [setting]))).size > 1)
        faults.push(`${id} stands at two settings at ${minute}`);
    }
  return faults;
}

export const startsOf = ({ tasks }: Pick<Schedule, 'tasks'>): Map<string, number> =>
  new Map(tasks.map(({ id, start }) => [id, start]));

/** The problem as a mixed-integer program in LP form: a variable for each task and minute it may start at (Pritsker 1969). */
export function scheduleLp({ resources, tasks }: ScheduleProblem, horizon: number): string {
  const name = (task: number, at: number): string => `x${task}_${at}`;
  const may = tasks.map(({ minutes, earliest = 0, deadline = horizon }) =>
    Array.from(
      { length: Math.max(0, Math.min(deadline, horizon) - minutes - earliest + 1) },
      (_, index) => earliest + index,
    ),
  );
  const startSum = (task: number, sign: '+' | '-'): string =>
    may[task]!.map((at) => `${sign} ${at} ${name(task, at)}`).join(' ');
  const rows: string[] = tasks.map((_, task) => `${may[task]!.map((at) => name(task, at)).join(' + ')} = 1`);
  tasks.forEach(({ after, minutes }, task) => {
    for (const id of after) {
      const other = tasks.findIndex((each) => each.id === id);
      rows.push(`${startSum(task, '+')} ${startSum(other, '-')} >= ${tasks[other]!.minutes}`);
    }
    rows.push(`makespan ${startSum(task, '-')} >= ${minutes}`);
  });
  for (const { id, capacity } of resources)
    for (let minute = 0; minute < horizon; minute += 1) {
      const terms = tasks.flatMap(({ needs, minutes }, task) => {
        const amount = needs
          .filter(({ resource }) => resource === id)
          .reduce((sum, each) => sum + each.amount, 0);
        return amount === 0
          ? []
          : may[task]!.filter((at) => at <= minute && minute < at + minutes).map(
              (at) => `+ ${amount} ${name(task, at)}`,
            );
      });
      if (terms.length > 0) rows.push(`${terms.join(' ')} <= ${capacity}`);
    }
  const names = may.flatMap((all, task) => all.map((at) => name(task, at)));
  return `Minimize\n obj: makespan\nSubject To\n${rows.map((row, index) => ` c${index}: ${row}`).join('\n')}\nBinary\n ${names.join('\n ')}\nEnd\n`;
}
