/** What a late change did to a plan: tasks that are new, that are gone, and that moved or take another time. */
import type { TimedTask } from './timed';

/** What of a task a change is told by. */
type Told = Pick<TimedTask, 'name' | 'start' | 'end' | 'resource'>;

export interface PlanChanges {
  added: Told[];
  gone: Told[];
  changed: { before: Told; after: Told }[];
}

/** Tasks of one name, in order of time: the second of a name is held against the second. */
function named(tasks: readonly Told[]): Map<string, Told> {
  const counts = new Map<string, number>();
  return new Map(
    tasks.map((task) => {
      const count = (counts.get(task.name) ?? 0) + 1;
      counts.set(task.name, count);
      return [`${task.name} ${count}`, task];
    }),
  );
}

export function planChanges(before: readonly Told[], after: readonly Told[]): PlanChanges {
  const [old, now] = [named(before), named(after)];
  return {
    added: [...now].filter(([key]) => !old.has(key)).map(([, task]) => task),
    gone: [...old].filter(([key]) => !now.has(key)).map(([, task]) => task),
    changed: [...now].flatMap(([key, task]) => {
      const was = old.get(key);
      const isSame =
        !was || (was.start === task.start && was.end === task.end && was.resource === task.resource);
      return isSame ? [] : [{ before: was, after: task }];
    }),
  };
}
