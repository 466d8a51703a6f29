/** Who does what: each stretch of hands goes to somebody who is free. */
import { CHECK_MINUTES } from './minutes';
import type { TimedTask } from './timed';

interface Stint {
  task: TimedTask;
  from: number;
  to: number;
  give: (person: number) => void;
}

/** Gives each task of the hands, in order of time, to somebody who is free: of those, to who did the dish before, else the first. */
export function shareOut(timed: readonly TimedTask[], people: number): void {
  const stints = timed.flatMap((task): Stint[] => {
    const { start, checks, handMinutes, looks } = task;
    const hands: Stint[] =
      task.people > 0 && handMinutes > 0
        ? [{ task, from: start, to: start + handMinutes, give: (person) => (task.person = person) }]
        : [];
    return [
      ...hands,
      ...checks.map((at, index) => ({
        task,
        from: start + at,
        to: start + at + CHECK_MINUTES,
        give: (person: number) => (looks[index]!.person = person),
      })),
    ];
  });
  stints.sort((one, other) => one.from - other.from);
  const freeAt = Array.from({ length: people }, () => -Infinity);
  const lastOf = new Map<string | null, number>();
  for (const { task, from, to, give } of stints) {
    const free = freeAt.flatMap((until, person) => (until <= from ? [person] : []));
    const known = lastOf.get(task.madeKey);
    const person = known !== undefined && free.includes(known) ? known : free[0];
    if (person === undefined) continue;
    freeAt[person] = to;
    lastOf.set(task.madeKey, person);
    give(person + 1);
  }
}
