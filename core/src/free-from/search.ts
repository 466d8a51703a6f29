/**
 * The exact search for the best set of swaps. A choice is a food that must go out, its options are the swaps that may take
 * its place; one option is taken for each. What is least is closeness lost and changes made (which add up choice by
 * choice) and the drift of protein, sodium and cost (which do not: what one swap takes away another may bring back).
 *
 * Branch and bound. A bound: for any prices within the weights, |drift| >= price x drift, so that the least of a sum of
 * options priced so is never above the least penalty. The prices come from a subgradient climb (the Lagrangian dual).
 */

/** Drifts that are weighed: protein and sodium either way, cost only upwards. */
export const DRIFTS = ['protein', 'sodium', 'cost'] as const;
type Triple = readonly [number, number, number];

export interface OptionFigures {
  /** What it adds to the penalty whatever else is chosen. */
  own: number;
  /** What it adds to each drift. */
  drift: Triple;
}

/** A sum over the chosen options that must stay below `most`. */
export interface Constraint {
  /** By choice, by option. */
  coefficients: readonly (readonly number[])[];
  most: number;
  /** It is asked only where this option of this choice is taken; null: always. */
  when: { choice: number; option: number } | null;
}

export interface SearchProblem {
  choices: readonly (readonly OptionFigures[])[];
  /** What a whole unit of each drift weighs. */
  weights: Triple;
  constraints: readonly Constraint[];
}

export interface Found {
  /** The option taken for each choice. */
  options: number[];
  penalty: number;
}

/** Steps of the climb to good prices, and how many of the prices on the way are kept. */
const CLIMB_STEPS = 60;
const PRICES_KEPT = 6;
/** How often a long search lets others speak. */
const NODES_BETWEEN_PAUSES = 20_000;
const TOLERANCE = 1e-9;

const clamp = (value: number, low: number, high: number): number => Math.min(high, Math.max(low, value));
const priced = ({ own, drift }: OptionFigures, price: Triple): number =>
  own + price[0] * drift[0] + price[1] * drift[1] + price[2] * drift[2];

/** The penalty of a drift: protein and sodium either way, cost only where it rises. */
export const driftPenalty = (drift: Triple, weights: Triple): number =>
  weights[0] * Math.abs(drift[0]) + weights[1] * Math.abs(drift[1]) + weights[2] * Math.max(0, drift[2]);

/** With no more combinations than this the climb costs more than it cuts. */
const FEW_COMBINATIONS = 300;

/** Prices of the drifts under which the bound is high, best last but one; the last are none at all. */
function climb({ choices, weights }: SearchProblem): Triple[] {
  if (choices.reduce((all, options) => all * options.length, 1) <= FEW_COMBINATIONS) return [[0, 0, 0]];
  const kept: { price: Triple; bound: number }[] = [];
  let price: Triple = [0, 0, 0];
  for (let step = 0; step < CLIMB_STEPS; step += 1) {
    let bound = 0;
    const slope: [number, number, number] = [0, 0, 0];
    for (const options of choices) {
      let least = options[0]!;
      for (const option of options) if (priced(option, price) < priced(least, price)) least = option;
      bound += priced(least, price);
      for (let each = 0; each < 3; each += 1) slope[each]! += least.drift[each]!;
    }
    kept.push({ price, bound });
    const size = Math.hypot(...slope);
    if (size < TOLERANCE) break;
    const stride = 1 / (1 + step);
    price = [
      clamp(price[0] + (stride * weights[0] * slope[0]) / size, -weights[0], weights[0]),
      clamp(price[1] + (stride * weights[1] * slope[1]) / size, -weights[1], weights[1]),
      clamp(price[2] + (stride * weights[2] * slope[2]) / size, 0, weights[2]),
    ];
  }
  kept.sort((one, other) => one.bound - other.bound);
  return [...kept.slice(-PRICES_KEPT).map((each) => each.price), [0, 0, 0]];
}

/** For every choice on: the least a sum over it and those after it can be. */
function suffixLeast(rows: readonly (readonly number[])[]): Float64Array {
  const least = new Float64Array(rows.length + 1);
  for (let index = rows.length - 1; index >= 0; index -= 1)
    least[index] = least[index + 1]! + Math.min(...rows[index]!);
  return least;
}

class Search {
  private readonly prices: Triple[];
  private readonly order: number[];
  private readonly optionOrder: number[][];
  private readonly priceLeast: Float64Array[];
  private readonly boundLeast: Float64Array[];
  private readonly taken: number[];
  private readonly used: Float64Array;
  readonly best: Found[] = [];
  nodes = 0;

  constructor(
    private readonly problem: SearchProblem,
    private readonly most: number,
  ) {
    const { choices, constraints } = problem;
    this.prices = climb(problem);
    const main = this.prices[this.prices.length - 2] ?? this.prices[0]!;
    // The choice where a second thought costs most comes first: its wrong options are cut at once.
    const regret = choices.map((options) => {
      const costs = options.map((option) => priced(option, main)).sort((one, other) => one - other);
      return (costs[1] ?? Infinity) - (costs[0] ?? 0);
    });
    this.order = choices
      .map((_, index) => index)
      .sort((one, other) => regret[other]! - regret[one]! || one - other);
    this.optionOrder = this.order.map((choice) =>
      choices[choice]!.map((_, option) => option).sort(
        (one, other) =>
          priced(choices[choice]![one]!, main) - priced(choices[choice]![other]!, main) || one - other,
      ),
    );
    this.priceLeast = this.prices.map((price) =>
      suffixLeast(this.order.map((choice) => choices[choice]!.map((option) => priced(option, price)))),
    );
    this.boundLeast = constraints.map(({ coefficients }) =>
      suffixLeast(this.order.map((choice) => coefficients[choice]!)),
    );
    this.taken = choices.map(() => -1);
    this.used = new Float64Array(constraints.length);
  }

  private worstKept(): number {
    return this.best.length < this.most ? Infinity : this.best[this.best.length - 1]!.penalty - TOLERANCE;
  }

  /** The least that can come of this beginning. */
  private bound(depth: number, own: number, drift: Triple): number {
    let most = 0;
    for (let index = 0; index < this.prices.length; index += 1) {
      const price = this.prices[index]!;
      const reached = own + price[0] * drift[0] + price[1] * drift[1] + price[2] * drift[2];
      most = Math.max(most, reached + this.priceLeast[index]![depth]!);
    }
    return most;
  }

  /** Whether a constraint that surely holds for this beginning can no longer be kept. */
  private isBroken(depth: number): boolean {
    return this.problem.constraints.some(({ most, when }, index) => {
      if (when && this.taken[when.choice] !== when.option) return false;
      return (
        this.used[index]! + this.boundLeast[index]![depth]! > most + TOLERANCE * Math.max(1, Math.abs(most))
      );
    });
  }

  private keep(penalty: number): void {
    this.best.push({ options: [...this.taken], penalty });
    this.best.sort((one, other) => one.penalty - other.penalty);
    this.best.length = Math.min(this.best.length, this.most);
  }

  *visit(depth = 0, own = 0, drift: Triple = [0, 0, 0]): Generator<number, void> {
    this.nodes += 1;
    if (this.nodes % NODES_BETWEEN_PAUSES === 0) yield this.nodes;
    if (this.bound(depth, own, drift) >= this.worstKept() || this.isBroken(depth)) return;
    if (depth === this.order.length) {
      const penalty = own + driftPenalty(drift, this.problem.weights);
      if (penalty < this.worstKept()) this.keep(penalty);
      return;
    }
    const choice = this.order[depth]!;
    for (const option of this.optionOrder[depth]!) {
      const figures = this.problem.choices[choice]![option]!;
      this.take(choice, option, 1);
      yield* this.visit(depth + 1, own + figures.own, [
        drift[0] + figures.drift[0],
        drift[1] + figures.drift[1],
        drift[2] + figures.drift[2],
      ]);
      this.take(choice, option, -1);
    }
  }

  private take(choice: number, option: number, sign: 1 | -1): void {
    this.taken[choice] = sign === 1 ? option : -1;
    this.problem.constraints.forEach(({ coefficients }, index) => {
      this.used[index]! += sign * coefficients[choice]![option]!;
    });
  }
}

/**
 * The best combinations, least penalty first; none where no combination keeps every constraint. It yields the number of
 * beginnings looked at now and then, so that a long search can be stopped.
 */
export function* searchSteps(problem: SearchProblem, most: number): Generator<number, Found[]> {
  if (problem.choices.some((options) => options.length === 0)) return [];
  const search = new Search(problem, most);
  yield* search.visit();
  return search.best;
}

/** The same at one go. */
export function search(problem: SearchProblem, most: number): Found[] {
  const steps = searchSteps(problem, most);
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
  }
}
