/** What is free from an allergen goes through a machine before what holds it, or the machine is cleaned down between. */
import type { Kitchen } from '../../kitchen';
import { CLEAN_DOWN_MINUTES } from './minutes';
import type { Made, ServiceTask } from './tasks';

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
        const id = `clean ${vessel.id} before ${second.made.key}, after ${first.made.key}`;
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
          checks: [],
          daysBefore: null,
          after: [first.on.at(-1)!],
          isConvention: true,
          because: `${first.made.name} holds what ${second.made.name} must be free from; 5 to 15 min by piece: convention`,
        });
        tasks.get(second.on[0]!)!.after.push(id);
      }
  }
  return [...tasks.values()];
}
