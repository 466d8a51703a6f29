/**
 * How short a plan can be at best, proven. Three arguments, the strongest counts:
 * - a chain of tasks that wait for each other (critical path);
 * - for a resource and any set of its tasks: the earliest start among them, their work over its capacity, and the least that
 *   still follows them (heads and tails);
 * - by contradiction: if everything ended by minute T, each task would lie in a window; where the windows hold more work than
 *   the resource can do in some stretch of time, or the order forced by them leaves a task no room, T is too short
 *   (energetic reasoning: Lopez, Erschler; immediate selection: Carlier, Pinson).
 */
import type { Closure, Numbered } from './problem';

const TOLERANCE = 1e-6;
/** With more tasks than this nothing is argued by contradiction: that takes longer than planning. */
const MOST_REFUTED = 160;

/** The longest chain: heads, the task and what is behind it. */
export const chainBound = ({ minutes, heads, tails }: Numbered): number =>
  minutes.reduce((most, each, task) => Math.max(most, heads[task]! + each + tails[task]!), 0);

/** A part of a task that holds some of a resource. */
interface Use {
  task: number;
  amount: number;
  from: number;
  minutes: number;
}

const usesOf = ({ needs }: Numbered, resource: number): Use[] =>
  needs.flatMap((each, task) =>
    each
      .filter((need) => need.resource === resource)
      .map(({ amount, from, to }) => ({ task, amount, from, minutes: to - from })),
  );

/** Work over capacity with heads and tails, for the best set of tasks of each resource. */
export function workBound(problem: Numbered): number {
  const { minutes, heads, tails, capacities, closed } = problem;
  let most = 0;
  capacities.forEach((capacity, resource) => {
    const users = usesOf(problem, resource).map(({ task, amount, from, minutes: own }) => ({
      head: heads[task]! + from,
      tail: tails[task]! + minutes[task]! - from - own,
      work: own * amount,
    }));
    const shut = closed.filter((each) => each.needs.some((need) => need.resource === resource));
    const byTail = [...users].sort((one, other) => other.tail - one.tail);
    for (const least of new Set(users.map(({ head }) => head))) {
      let work = 0;
      for (const { head, tail, work: own } of byTail) {
        if (head < least) continue;
        work += own;
        most = Math.max(most, Math.ceil(doneBy(least, work / capacity, shut) + tail - TOLERANCE));
      }
    }
  });
  return most;
}

/** When so many minutes of work are done at the earliest, nothing of it while it is shut. */
function doneBy(from: number, minutes: number, shut: readonly Closure[]): number {
  let end = from + minutes;
  let at = from;
  for (const { from: begin, minutes: length } of [...shut].sort((one, other) => one.from - other.from)) {
    const stop = begin + length;
    if (stop <= at || begin >= end) continue;
    end += stop - Math.max(at, begin);
    at = stop;
  }
  return end;
}

/** Pairs of tasks that cannot run at once: together they need more than there is, or another setting. */
export function clashes({ needs, capacities, minutes, count }: Numbered): [number, number][] {
  const pairs: [number, number][] = [];
  if (count > MOST_REFUTED) return pairs;
  for (let one = 0; one < count; one += 1)
    for (let other = one + 1; other < count; other += 1) {
      // Only what is held from beginning to end keeps two tasks apart.
      const whole = (task: number) =>
        needs[task]!.filter(({ from, to }) => from === 0 && to === minutes[task]);
      const isClash = whole(one).some(({ resource, amount, setting }) => {
        const theirs = whole(other).filter((each) => each.resource === resource);
        const sum = theirs.reduce((total, each) => total + each.amount, amount);
        return (
          (theirs.length > 0 && sum > capacities[resource]! + TOLERANCE) ||
          theirs.some((each) => setting !== 0 && each.setting !== 0 && each.setting !== setting)
        );
      });
      if (isClash) pairs.push([one, other]);
    }
  return pairs;
}

/** The windows of a plan that ends by a minute: earliest and latest starts. */
interface Windows {
  earliest: Float64Array;
  latest: Float64Array;
}

/** Tightens windows by order and by pairs that cannot run at once, until nothing moves; false where a task has no room. */
function tightened(
  problem: Numbered,
  pairs: readonly [number, number][],
  { earliest, latest }: Windows,
): boolean {
  const { minutes, order, before, behind } = problem;
  for (let isMoving = true; isMoving;) {
    isMoving = false;
    for (const task of order)
      for (const each of before[task]!)
        if (earliest[each]! + minutes[each]! > earliest[task]!) {
          earliest[task] = earliest[each]! + minutes[each]!;
          isMoving = true;
        }
    for (let at = order.length - 1; at >= 0; at -= 1)
      for (const each of behind[order[at]!]!)
        if (latest[each]! - minutes[order[at]!]! < latest[order[at]!]!) {
          latest[order[at]!] = latest[each]! - minutes[order[at]!]!;
          isMoving = true;
        }
    for (let task = 0; task < problem.count; task += 1) if (earliest[task]! > latest[task]!) return false;
    for (const [one, other] of pairs) {
      const isOneFirst = earliest[one]! + minutes[one]! <= latest[other]!;
      const isOtherFirst = earliest[other]! + minutes[other]! <= latest[one]!;
      if (!isOneFirst && !isOtherFirst) return false;
      if (isOneFirst && isOtherFirst) continue;
      const [first, second] = isOneFirst ? [one, other] : [other, one];
      if (earliest[first]! + minutes[first]! > earliest[second]!) {
        earliest[second] = earliest[first]! + minutes[first]!;
        isMoving = true;
      }
      if (latest[second]! - minutes[first]! < latest[first]!) {
        latest[first] = latest[second]! - minutes[first]!;
        isMoving = true;
      }
    }
  }
  return true;
}

/** Whether some stretch of time must hold more work of a resource than it can do. */
function isOverfull(problem: Numbered, { earliest, latest }: Windows): boolean {
  return problem.capacities.some((capacity, resource) => {
    const users = usesOf(problem, resource).map(({ task, amount, from, minutes }) => ({
      amount,
      minutes,
      early: earliest[task]! + from,
      late: latest[task]! + from,
    }));
    const total = users.reduce((sum, { minutes, amount }) => sum + minutes * amount, 0);
    const ends = new Set(users.map(({ late, minutes }) => late + minutes));
    for (const from of new Set(users.map(({ early }) => early)))
      for (const to of ends) {
        const room = capacity * (to - from);
        if (to <= from || total <= room) continue;
        let work = 0;
        for (const { amount, minutes, early, late } of users) {
          const ifEarly = Math.min(minutes, Math.max(0, early + minutes - from));
          const ifLate = Math.min(minutes, Math.max(0, to - late));
          work += amount * Math.min(ifEarly, ifLate, to - from);
        }
        if (work > room + TOLERANCE) return true;
      }
    return false;
  });
}

/** Whether it is proven that nothing can end by a minute (Infinity: that the deadlines cannot be kept at all). */
export function isRefuted(problem: Numbered, pairs: readonly [number, number][], end: number): boolean {
  if (problem.count > MOST_REFUTED) return false;
  const windows: Windows = {
    earliest: Float64Array.from(problem.heads),
    latest: Float64Array.from(problem.latest, (start, task) =>
      Math.min(start, end - problem.tails[task]! - problem.minutes[task]!),
    ),
  };
  if (!tightened(problem, pairs, windows)) return true;
  // Without an end there are stretches without one, which hold everything.
  return isOverfull(problem, windows);
}

/** The proven least makespan; `known` is one that a plan has, above which nothing is looked for. */
export function lowerBound(problem: Numbered, known: number): number {
  let low = Math.max(chainBound(problem), workBound(problem));
  if (problem.count > MOST_REFUTED) return low;
  const pairs = clashes(problem);
  let high = known;
  // What is refuted for a minute is refuted for all before it.
  while (low < high) {
    const middle = Math.floor((low + high) / 2);
    if (isRefuted(problem, pairs, middle)) low = middle + 1;
    else high = middle;
  }
  return low;
}
