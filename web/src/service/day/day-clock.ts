/** The clock of a day of service: which minute of it is now in the kitchen, and what of a plan is late, on and next. */
import type { PlanTold } from '@hand-ladle/core';

type Task = PlanTold['tasks'][number];
const DAY_MS = 86_400_000;

/** Minutes from midnight of the day of the service, in the kitchen's own time; negative on the days before. */
export function minuteOfService(now: number, date: string, timeZone: string): number {
  const parts = new Intl.DateTimeFormat('en-GB', {
    timeZone,
    year: 'numeric',
    month: '2-digit',
    day: '2-digit',
    hour: '2-digit',
    minute: '2-digit',
    hourCycle: 'h23',
  }).formatToParts(now);
  const part = (type: string): number => Number(parts.find((each) => each.type === type)!.value);
  const today = Date.UTC(part('year'), part('month') - 1, part('day'));
  const days = (today - Date.parse(`${date}T00:00:00Z`)) / DAY_MS;
  return days * 1440 + part('hour') * 60 + part('minute');
}

export interface DayStanding {
  /** Should have ended and is not ticked off. */
  late: Task[];
  on: Task[];
  next: Task[];
  done: number;
}

const MOST_NEXT = 4;

export function standingAt(tasks: readonly Task[], done: readonly string[], minute: number): DayStanding {
  const ticked = new Set(done);
  const open = tasks.filter(({ id }) => !ticked.has(id));
  return {
    late: open.filter(({ end }) => end <= minute),
    on: open.filter(({ start, end }) => start <= minute && minute < end),
    next: open.filter(({ start }) => start > minute).slice(0, MOST_NEXT),
    done: tasks.length - open.length,
  };
}
