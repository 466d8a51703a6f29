/** The tasks of a plan beside each other in time: by station, by person or by dish, each row with as many lines as run at once. */
import { dayOf, type Kitchen, type PlanTold } from '@hand-ladle/core';

export type Task = PlanTold['tasks'][number];
export const VIEWS = ['station', 'person', 'dish'] as const;
export type ViewId = (typeof VIEWS)[number];

export interface Placed {
  task: Task;
  /** The line of its row it stands on, from 0. */
  line: number;
}

export interface Lane {
  name: string;
  placed: Placed[];
  lines: number;
}

export interface Day {
  /** Days from the day of the service: 0, -1. */
  day: number;
  /** Minutes of the first and the last of it, on whole hours. */
  from: number;
  to: number;
  lanes: Lane[];
}

/** Puts tasks on lines so that none lies over another: the first line that is free. */
function placed(tasks: readonly Task[]): Pick<Lane, 'placed' | 'lines'> {
  const ends: number[] = [];
  const list = [...tasks]
    .sort((one, other) => one.start - other.start || other.end - one.end)
    .map((task): Placed => {
      const free = ends.findIndex((end) => end <= task.start);
      const line = free === -1 ? ends.length : free;
      ends[line] = task.end;
      return { task, line };
    });
  return { placed: list, lines: Math.max(1, ends.length) };
}

/** The row a task stands in, and where that row stands. */
function rowOf(task: Task, view: ViewId, kitchen: Pick<Kitchen, 'vessels'>): { name: string; order: number } {
  if (view === 'dish') return { name: task.dish, order: task.madeKey === null ? 1 : 0 };
  if (view === 'person')
    return task.person === null
      ? { name: 'Nobody stands at it', order: 99 }
      : { name: `Person ${task.person}`, order: task.person };
  if (task.kind === 'wait') return { name: 'Soaking, resting, chilling', order: 98 };
  if (task.machine !== null) {
    const at = kitchen.vessels.findIndex(({ id }) => id === task.machine);
    const number = /, (\d+)$/.exec(task.resource ?? '')?.[1];
    const name = kitchen.vessels[at]?.name ?? task.machine;
    return { name: number ? `${name}, ${number}` : name, order: at + 1 };
  }
  return { name: 'Bench', order: 0 };
}

/** The days of a plan, the earliest first, each with its rows. */
export function daysOf(tasks: readonly Task[], view: ViewId, kitchen: Pick<Kitchen, 'vessels'>): Day[] {
  const byDay = new Map<number, Task[]>();
  for (const task of tasks) byDay.set(dayOf(task.start), [...(byDay.get(dayOf(task.start)) ?? []), task]);
  return [...byDay]
    .sort(([one], [other]) => one - other)
    .map(([day, own]) => {
      const rows = new Map<string, { order: number; tasks: Task[] }>();
      for (const task of own) {
        const { name, order } = rowOf(task, view, kitchen);
        rows.set(name, { order, tasks: [...(rows.get(name)?.tasks ?? []), task] });
      }
      return {
        day,
        from: Math.floor(Math.min(...own.map(({ start }) => start)) / 60) * 60,
        to: Math.ceil(Math.max(...own.map(({ end }) => end)) / 60) * 60,
        lanes: [...rows]
          .sort(([, one], [, other]) => one.order - other.order)
          .map(([name, { tasks: of }]) => ({ name, ...placed(of) })),
      };
    });
}
