/**
 * The best plan of few tasks, proven: every plan in which nothing could start earlier is made in the order of its starts
 * (Patterson 1984), and a half-made plan is given up when its bound is no better than what is known, or when another with the
 * same tasks behind it is at every point at least as far (cut sets: Demeulemeester, Herroelen 1992).
 */
import { type Cost, costOf, isLess, type Starts } from './generate';
import type { Numbered } from './problem';
import { Profile } from './profile';

/** With more tasks than this nothing is proven by trying. */
export const FEW_TASKS = 20;
/** Half-made plans looked at before it is given up. */
const MOST_NODES = 15_000;
/** Half-made plans remembered for each set of tasks. */
const REMEMBERED = 12;

interface HalfMade {
  last: number;
  late: number;
  ends: Float64Array;
}

class ExactSearch {
  private nodes = 0;
  private readonly starts: Float64Array;
  private readonly profile: Profile;
  private readonly known = new Map<number, HalfMade[]>();

  constructor(
    private readonly problem: Numbered,
    public best: Starts,
    public cost: Cost,
    private readonly bound: number,
  ) {
    this.starts = new Float64Array(problem.count);
    this.profile = new Profile(problem);
  }

  get isOver(): boolean {
    return this.nodes > MOST_NODES;
  }

  private get isBest(): boolean {
    return this.cost.late === 0 && this.cost.makespan <= this.bound;
  }

  /** The profile of the tasks that are in. */
  private layOut(mask: number): void {
    const { count, needs } = this.problem;
    this.profile.clear();
    for (let task = 0; task < count; task += 1)
      if (mask & (1 << task)) this.profile.take(this.starts[task]!, needs[task]!);
  }

  /** The least that a half-made plan can still come to. */
  private leastOf(mask: number, last: number, late: number): Cost {
    const { count, minutes, before, heads, tails, latest, order } = this.problem;
    const soonest = new Float64Array(count);
    let makespan = 0;
    let least = late;
    for (const task of order) {
      if (mask & (1 << task)) soonest[task] = this.starts[task]!;
      else {
        let from = Math.max(last, heads[task]!);
        for (const each of before[task]!) from = Math.max(from, soonest[each]! + minutes[each]!);
        soonest[task] = from;
        least += Math.max(0, from - latest[task]!);
      }
      makespan = Math.max(makespan, soonest[task]! + minutes[task]! + tails[task]!);
    }
    return { late: least, makespan };
  }

  /** Whether another plan with the same tasks is nowhere behind this one; remembers it where none is. */
  private isDominated(mask: number, last: number, late: number): boolean {
    const { count, minutes } = this.problem;
    const ends = new Float64Array(count);
    for (let task = 0; task < count; task += 1)
      if (mask & (1 << task)) ends[task] = this.starts[task]! + minutes[task]!;
    const list = this.known.get(mask) ?? [];
    for (const each of list) {
      if (each.last > last || each.late > late) continue;
      let isAhead = true;
      for (let task = 0; task < count && isAhead; task += 1)
        isAhead = each.ends[task]! <= Math.max(ends[task]!, last);
      if (isAhead) return true;
    }
    list.push({ last, late, ends });
    if (list.length > REMEMBERED) list.shift();
    this.known.set(mask, list);
    return false;
  }

  go(mask: number, last: number, late: number): void {
    const { count, minutes, needs, before, heads, latest } = this.problem;
    this.nodes += 1;
    if (this.isOver || this.isBest) return;
    if (mask === 2 ** count - 1) {
      const cost = costOf(this.problem, this.starts);
      if (isLess(cost, this.cost)) {
        this.best = this.starts.slice();
        this.cost = cost;
      }
      return;
    }
    if (!isLess(this.leastOf(mask, last, late), this.cost) || this.isDominated(mask, last, late)) return;
    this.layOut(mask);
    const next: { task: number; start: number }[] = [];
    for (let task = 0; task < count; task += 1) {
      if (mask & (1 << task) || before[task]!.some((each) => !(mask & (1 << each)))) continue;
      let from = Math.max(last, heads[task]!);
      for (const each of before[task]!) from = Math.max(from, this.starts[each]! + minutes[each]!);
      next.push({ task, start: this.profile.firstFit(from, minutes[task]!, needs[task]!) });
    }
    next.sort((one, other) => one.start - other.start || latest[one.task]! - latest[other.task]!);
    for (const { task, start } of next) {
      this.starts[task] = start;
      this.go(mask | (1 << task), start, late + Math.max(0, start - latest[task]!));
      if (this.isOver || this.isBest) return;
    }
  }

  /** Tasks that cannot move stand from the beginning. */
  begin(): void {
    let mask = 0;
    let late = 0;
    for (const task of this.problem.fixed) {
      this.starts[task] = this.problem.heads[task]!;
      mask |= 1 << task;
      late += Math.max(0, this.starts[task]! - this.problem.latest[task]!);
    }
    this.go(mask, 0, late);
  }
}

/** The best plan, where it could be proven; else the best found, never worse than the one that was known. */
export function exactPlan(
  problem: Numbered,
  known: Starts,
  bound: number,
): { starts: Starts; isProven: boolean } {
  // Where a need is held for part of a task, the order of starts does not make every plan: nothing would be proven.
  const hasParts = problem.needs.some((needs, task) =>
    needs.some(({ from, to }) => from > 0 || to < problem.minutes[task]!),
  );
  if (problem.count > FEW_TASKS || hasParts) return { starts: known, isProven: false };
  const search = new ExactSearch(problem, known, costOf(problem, known), bound);
  search.begin();
  return { starts: search.best, isProven: !search.isOver };
}
