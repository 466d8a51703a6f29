/**
 * The search for a short plan: lists are crossed and changed a little (Hartmann 1998), each made a plan and justified; the best
 * stay. No clock and no chance in it: the same problem and seed go the same way, and whoever asks says when it is enough.
 */
import { randomFrom } from '../quantity';
import { clashes, isRefuted, lowerBound } from './bound';
import { exactPlan } from './exact';
import { type Cost, costOf, Generator as Planner, isLess, justified, listBy, type Starts } from './generate';
import type { Numbered } from './problem';

/** Lists that live at a time, and generations without a better plan before all but the best are drawn anew. */
const ALIVE = 40;
const PATIENCE = 25;
/** How often two neighbours of a new list change places. */
const MUTATION = 0.06;

interface Member {
  list: number[];
  starts: Starts;
  cost: Cost;
}

export interface Found {
  starts: Starts;
  cost: Cost;
  /** No plan is shorter than this. */
  bound: number;
  /** Nothing better exists. */
  isProven: boolean;
  /** Plans made on the way. */
  plans: number;
}

/** What a list can be sorted by: what has the longest way behind it, what must start first, what is longest. */
const RULES: readonly ((problem: Numbered) => (task: number) => number)[] = [
  ({ minutes, tails }) =>
    (task) =>
      -(minutes[task]! + tails[task]!),
  ({ latest, heads, minutes, tails }) =>
    (task) =>
      Number.isFinite(latest[task]!)
        ? latest[task]!
        : 1e7 - minutes[task]! - tails[task]! + heads[task]! / 1e3,
  ({ heads }) =>
    (task) =>
      heads[task]!,
  ({ behind, minutes }) =>
    (task) =>
      -behind[task]!.reduce((sum, each) => sum + minutes[each]!, minutes[task]!),
  ({ needs, minutes, capacities }) =>
    (task) =>
      -needs[task]!.reduce(
        (sum, { resource, amount }) => sum + (amount / capacities[resource]!) * minutes[task]!,
        0,
      ),
];

class Population {
  members: Member[] = [];
  plans = 0;
  private readonly planner: Planner;
  private readonly random: () => number;

  constructor(
    private readonly problem: Numbered,
    seed: number,
  ) {
    this.planner = new Planner(problem);
    this.random = randomFrom(seed);
  }

  private member(list: readonly number[]): Member {
    const starts = justified(this.planner, this.planner.plan(list));
    this.plans += 3;
    return {
      list: listBy(this.problem, (task) => starts[task]!),
      starts,
      cost: costOf(this.problem, starts),
    };
  }

  /** A list that is known, lists by rule, then by rules with chance in them. */
  draw(first: readonly number[] | null = null): void {
    const horizon = Math.max(
      1,
      this.problem.minutes.reduce((sum, each) => sum + each, 0),
    );
    if (this.members.length === 0)
      this.members = [
        ...(first ? [first] : []),
        ...RULES.map((rule) => listBy(this.problem, rule(this.problem))),
      ].map((list) => this.member(list));
    while (this.members.length < ALIVE) {
      const ruled = RULES[Math.floor(this.random() * 2)]!(this.problem);
      const spread = horizon * 0.5 * this.random();
      this.members.push(this.member(listBy(this.problem, (task) => ruled(task) + spread * this.random())));
    }
    this.sort();
  }

  private sort(): void {
    this.members.sort((one, other) =>
      isLess(one.cost, other.cost) ? -1 : isLess(other.cost, one.cost) ? 1 : 0,
    );
  }

  /** The first part of one list, a part in the order of the other, the rest in the order of the first again. */
  private crossed(one: readonly number[], other: readonly number[]): number[] {
    const count = one.length;
    const from = Math.floor(this.random() * count);
    const to = from + Math.floor(this.random() * (count - from));
    const isIn = new Uint8Array(count);
    const child: number[] = [];
    const put = (task: number): void => {
      isIn[task] = 1;
      child.push(task);
    };
    for (let at = 0; at < from; at += 1) put(one[at]!);
    for (let at = 0; at < count && child.length < to; at += 1) if (!isIn[other[at]!]) put(other[at]!);
    for (const task of one) if (!isIn[task]) put(task);
    for (let at = 0; at + 1 < count; at += 1)
      if (this.random() < MUTATION && !this.problem.before[child[at + 1]!]!.includes(child[at]!))
        [child[at], child[at + 1]] = [child[at + 1]!, child[at]!];
    return child;
  }

  /** Pairs by chance, two children each; the best of all live on. */
  breed(): void {
    const parents = [...this.members];
    for (let pair = 0; pair < ALIVE / 2; pair += 1) {
      const one = parents[Math.floor(this.random() * parents.length)]!;
      const other = parents[Math.floor(this.random() * parents.length)]!;
      this.members.push(
        this.member(this.crossed(one.list, other.list)),
        this.member(this.crossed(other.list, one.list)),
      );
    }
    this.sort();
    this.members.length = ALIVE;
  }

  /** All but the best are drawn anew. */
  refresh(): void {
    this.members.length = 2;
    this.draw();
  }
}

/** Better and better plans, one after each generation, until nothing better exists; then it ends. */
export function* searchSteps(
  problem: Numbered,
  seed: number,
  first: readonly number[] | null = null,
): Generator<Found, Found, void> {
  if (problem.count === 0)
    return {
      starts: new Float64Array(0),
      cost: { late: 0, makespan: 0 },
      bound: 0,
      isProven: true,
      plans: 0,
    };
  const population = new Population(problem, seed);
  population.draw(first);
  let [best] = population.members as [Member];
  const bound = lowerBound(problem, best.cost.makespan);
  const found = (isProven: boolean): Found => ({ ...best, bound, isProven, plans: population.plans });
  const isLeast = (): boolean => best.cost.late === 0 && best.cost.makespan <= bound;
  if (isLeast()) return found(true);
  // Nothing can keep the deadlines: how late the rest is does not matter then.
  if (best.cost.late > 0 && isRefuted(problem, clashes(problem), Infinity)) return found(true);
  yield found(false);
  const { starts, isProven } = exactPlan(problem, best.starts, bound);
  if (isProven) return { ...found(true), starts, cost: costOf(problem, starts) };
  for (let idle = 0; ;) {
    population.breed();
    const [fittest] = population.members as [Member];
    idle = isLess(fittest.cost, best.cost) ? 0 : idle + 1;
    best = fittest;
    if (isLeast()) return found(true);
    yield found(false);
    if (idle >= PATIENCE) {
      population.refresh();
      idle = 0;
    }
  }
}
