/** The search for swaps as a mixed-integer program, for a solver that knows nothing of ours. */
import { Asked, type Book, choicesIn, type Kitchen, problemOf, type Recipe } from '@hand-ladle/core';
import { compose } from '../../core/src/dish/compose';
import { blockersOf } from '../../core/src/free-from/blockers';
import type { SearchProblem } from '../../core/src/free-from/search';
import { randomInstance } from './random-recipe';

const term = (value: number, name: string): string => `${value < 0 ? '-' : '+'} ${Math.abs(value)} ${name}`;
const x = (choice: number, option: number): string => `x${choice}_${option}`;

/** The problem in the LP format: a 0-1 variable for each option, drifts split into what is gained and what is lost. */
export function lpOf({ choices, weights, constraints }: SearchProblem): string {
  const rows: string[] = [];
  const sum = (of: (choice: number, option: number) => number): string =>
    choices
      .flatMap((options, choice) =>
        options.map((_, option) => [of(choice, option), x(choice, option)] as const),
      )
      .filter(([value]) => value !== 0)
      .map(([value, name]) => term(value, name))
      .join(' ');
  choices.forEach((options, choice) =>
    rows.push(`one${choice}: ${options.map((_, option) => `+ 1 ${x(choice, option)}`).join(' ')} = 1`),
  );
  weights.forEach((_, drift) =>
    rows.push(
      `drift${drift}: ${sum((choice, option) => choices[choice]![option]!.drift[drift]!)} - 1 up${drift} + 1 down${drift} = 0`,
    ),
  );
  constraints.forEach(({ coefficients, most, when }, index) => {
    const size = Math.max(1, Math.abs(most), ...coefficients.flat().map(Math.abs));
    const scaled = (value: number): number => value / size;
    const highest = coefficients.reduce((all, options) => all + Math.max(...options), 0);
    const slack = when ? Math.max(0, scaled(highest - most)) : 0;
    const left = sum((choice, option) => {
      const own = scaled(coefficients[choice]![option]!);
      return when && when.choice === choice && when.option === option ? own + slack : own;
    });
    if (left !== '') rows.push(`row${index}: ${left} <= ${scaled(most) + slack}`);
  });
  const drifts = weights.flatMap((weight, drift) => [
    `+ ${weight} up${drift}`,
    // Only a dearer plan is a loss; protein and sodium count both ways.
    ...(drift === 2 ? [] : [`+ ${weight} down${drift}`]),
  ]);
  const own = sum((choice, option) => choices[choice]![option]!.own);
  const names = choices.flatMap((options, choice) => options.map((_, option) => x(choice, option)));
  return `Minimize\n obj: ${own} ${drifts.join(' ')}\nSubject To\n ${rows.join('\n ')}\nBinary\n ${names.join(' ')}\nEnd`;
}

/** Asked of a solver, so that its answer is the best and not nearly the best. */
export const EXACT = { mip_rel_gap: 0, mip_abs_gap: 1e-9, output_flag: false } as const;

export interface Plannable {
  recipe: Recipe;
  kitchen: Kitchen;
  asked: Asked;
  problem: SearchProblem;
}

/** A random recipe of up to `mostLines` lines in which every line that must go has a swap: the rest is left out. */
export function plannable(seed: number, book: Book, base: Kitchen, mostLines = 60): Plannable | null {
  const { recipe: drawn, kitchen, exclude, policy } = randomInstance(seed, book, base, mostLines);
  const alone: Kitchen = { ...kitchen, shared: [] };
  const gather = (recipe: Recipe) => {
    const asked = new Asked(recipe, { exclude, policy }, alone, book);
    const composed = compose(recipe, book, alone);
    return { asked, composed, ...choicesIn(composed, asked) };
  };
  const first = gather(drawn);
  const stuck = new Set(first.blocked.map(({ leaf }) => leaf.lineId));
  const recipe = { ...drawn, lines: drawn.lines.filter(({ id }) => !stuck.has(id)) };
  const { asked, composed, choices, blocked, leaves } = gather(recipe);
  if (choices.length === 0 || blockersOf(composed, blocked, asked, false).length > 0) return null;
  return { recipe, kitchen: alone, asked, problem: problemOf(composed, leaves, choices, asked) };
}
