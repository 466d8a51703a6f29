/** What there is too little of, when everything must be ready in time: which machine, from when to when, and how many more. */
import type { Resource, ScheduleProblem } from './problem';

export interface Shortage {
  resource: string;
  /** Minutes. */
  from: number;
  to: number;
  /** How many more it would take. */
  amount: number;
}

const TOLERANCE = 1e-9;
/** Figures of shortages are told to the thousandth. */
const tidy = (amount: number): number => Math.round(amount * 1000) / 1000;

interface Use {
  start: number;
  end: number;
  amount: number;
  setting: number | undefined;
}

/** How much more a resource would have to give: over its capacity, or for all that want another setting than most do. */
function lacking(uses: readonly Use[], capacity: number): number {
  const total = uses.reduce((sum, { amount }) => sum + amount, 0);
  const bySetting = new Map<number, number>();
  for (const { amount, setting } of uses)
    if (setting !== undefined) bySetting.set(setting, (bySetting.get(setting) ?? 0) + amount);
  const set = [...bySetting.values()];
  const others = set.reduce((sum, amount) => sum + amount, 0) - Math.max(0, ...set);
  return Math.max(total - capacity, others);
}

/** Where a plan takes more of a resource than there is. */
export function shortagesOf(
  { resources, tasks }: ScheduleProblem,
  starts: ReadonlyMap<string, number>,
): Shortage[] {
  return resources.flatMap(({ id, capacity, closed = [] }: Resource): Shortage[] => {
    const users: Use[] = tasks.flatMap((task) => {
      const start = starts.get(task.id)!;
      return task.needs
        .filter(({ resource, amount }) => resource === id && amount > 0 && task.minutes > 0)
        .map(({ amount, setting, from = 0, to = task.minutes }) => ({
          start: start + from,
          end: start + to,
          amount,
          setting,
        }));
    });
    const times = [
      ...new Set(
        [...users, ...closed.map(({ from, to }) => ({ start: from, end: to }))].flatMap(({ start, end }) => [
          start,
          end,
        ]),
      ),
    ].sort((one, other) => one - other);
    const list: Shortage[] = [];
    times.slice(0, -1).forEach((from, index) => {
      const to = times[index + 1]!;
      const over = lacking(
        users.filter((each) => each.start <= from && each.end >= to),
        closed.some((each) => each.from <= from && each.to >= to) ? 0 : capacity,
      );
      if (over <= TOLERANCE) return;
      const amount = tidy(over);
      const last = list.at(-1);
      if (last && last.to === from && last.amount === amount) last.to = to;
      else list.push({ resource: id, from, to, amount });
    });
    return list;
  });
}
