/**
 * Plans out of lists: the tasks one by one in the order of the list, each as early as it fits (the serial schedule
 * generation scheme), then pushed to the end and back to the front (double justification: Valls, Ballestín, Quintanilla 2005),
 * which never makes a plan longer and mostly shorter.
 */
import { mirrored, type Numbered } from './problem';
import { Profile } from './profile';

/** The start of each task. */
export type Starts = Float64Array;

/** How good a plan is: minutes too late first, then how long it is. */
export interface Cost {
  late: number;
  makespan: number;
}

export const isLess = (one: Cost, other: Cost): boolean =>
  one.late < other.late || (one.late === other.late && one.makespan < other.makespan);

export function costOf({ minutes, latest }: Numbered, starts: Starts): Cost {
  let late = 0;
  let makespan = 0;
  for (let task = 0; task < starts.length; task += 1) {
    if (starts[task]! > latest[task]!) late += starts[task]! - latest[task]!;
    makespan = Math.max(makespan, starts[task]! + minutes[task]!);
  }
  return { late, makespan };
}

/** A list in which the smaller figure comes first, and nothing before what it waits for. */
export function listBy({ order, before }: Numbered, figureOf: (task: number) => number): number[] {
  const figures = order.map(() => 0);
  // Equal figures keep the order of the tasks.
  const rank = order.map(() => 0);
  order.forEach((task, index) => {
    rank[task] = index;
    figures[task] = figureOf(task);
  });
  const sorted = [...order].sort(
    (one, other) => figures[one]! - figures[other]! || rank[one]! - rank[other]!,
  );
  const isIn = new Uint8Array(order.length);
  const list: number[] = [];
  const put = (task: number): void => {
    if (isIn[task]) return;
    isIn[task] = 1;
    for (const each of before[task]!) put(each);
    list.push(task);
  };
  sorted.forEach(put);
  return list;
}

/** Makes plans for one problem, with its room to work in. */
export class Generator {
  private readonly profile: Profile;
  private readonly isFixed: Uint8Array;

  private mirror: { end: number; generator: Generator } | null = null;

  constructor(readonly problem: Numbered) {
    this.profile = new Profile(problem);
    this.isFixed = new Uint8Array(problem.count);
    for (const task of problem.fixed) this.isFixed[task] = 1;
  }

  /** The same for the problem seen from the other end. */
  turned(end: number): Generator {
    if (this.mirror?.end !== end)
      this.mirror = { end, generator: new Generator(mirrored(this.problem, end)) };
    return this.mirror.generator;
  }

  /** The plan of a list in which nothing stands before what it waits for. */
  plan(list: readonly number[]): Starts {
    const { count, minutes, needs, before, heads, fixed } = this.problem;
    const starts = new Float64Array(count);
    this.profile.clear();
    for (const task of fixed) {
      starts[task] = heads[task]!;
      this.profile.take(starts[task]!, needs[task]!);
    }
    for (const task of list) {
      if (this.isFixed[task]) continue;
      let from = heads[task]!;
      for (const each of before[task]!) from = Math.max(from, starts[each]! + minutes[each]!);
      starts[task] = this.profile.firstFit(from, minutes[task]!, needs[task]!);
      this.profile.take(starts[task]!, needs[task]!);
    }
    return starts;
  }
}

/** Every task as late as the end (and its own deadline) lets it, those that end last first. */
export function pushedToEnd(generator: Generator, starts: Starts, end: number): Starts {
  const { minutes } = generator.problem;
  const turned = generator.turned(end);
  const planned = turned.plan(listBy(turned.problem, (task) => -(starts[task]! + minutes[task]!)));
  return planned.map((start, task) => end - start - minutes[task]!);
}

/**
 * Pushed to its own end, then back to the front: never longer, and no later, than it was. With release times and deadlines
 * the way back may be blocked; the plan stays as it was then.
 */
export function justified(generator: Generator, starts: Starts): Starts {
  const { problem } = generator;
  const before = costOf(problem, starts);
  const pushed = pushedToEnd(generator, starts, before.makespan);
  const back = generator.plan(listBy(problem, (task) => pushed[task]!));
  return isLess(before, costOf(problem, back)) ? starts : back;
}
