/**
 * The planner against a mixed-integer solver, and the laws of allergens and swaps against 100,000 random recipes. Called
 * with a range it holds the laws against that range alone: the long run is shared by the processors.
 */
import { spawn } from 'node:child_process';
import { availableParallelism } from 'node:os';
import { fileURLToPath } from 'node:url';
import loadHighs from 'highs';
import { type Asked, bookOf, choicesIn, foodSet, type Kitchen, problemOf, search } from '@hand-ladle/core';
import { loadDemoRecipes, loadFoods, loadKitchens, loadSwaps } from '@hand-ladle/data';
import { EXACT, lpOf, plannable } from '@hand-ladle/testing/mip';
import { lawsBroken, randomInstance } from '@hand-ladle/testing/random-recipe';
import { compose } from '../../core/src/dish/compose';
import type { Composed } from '../../core/src/dish/composed';
import { sized } from './size';

const INSTANCES = sized(500, 20);
const RECIPES = sized(100_000, 400);
/** The solver keeps to each constraint within a millionth, and a plan may stand on several. */
const TOLERANCE = 1e-5;

const foods = loadFoods();
const components = loadDemoRecipes(foods).flatMap(({ recipe }) => (recipe.isComponent ? [recipe] : []));
const book = bookOf(foodSet(foods, components), components, loadSwaps());
const kitchen = loadKitchens()[0] as Kitchen;

interface Tally {
  recipes: number;
  plans: number;
  blocked: number;
  faults: string[];
}

function holdLaws(from: number, to: number): Tally {
  const names = new Set(foods.map(({ name }) => name));
  const tally: Tally = { recipes: 0, plans: 0, blocked: 0, faults: [] };
  for (let seed = from; seed < to; seed += 1) {
    const { faults, plans, isBlocked } = lawsBroken(randomInstance(seed, book, kitchen), book, names);
    tally.recipes += 1;
    tally.plans += plans;
    tally.blocked += isBlocked ? 1 : 0;
    if (tally.faults.length < 20) tally.faults.push(...faults.map((each) => `seed ${seed}: ${each}`));
  }
  return tally;
}

const middle = (list: number[]): number =>
  list.sort((one, other) => one - other)[Math.floor(list.length / 2)]!;
const timed = <T>(run: () => T): [T, number] => {
  const started = performance.now();
  const value = run();
  return [value, performance.now() - started];
};

/** From a dish that is open, as it is on the bench, to its best combination: leaves, choices, problem, search. */
function planOpen(composed: Composed, asked: Asked): void {
  const { choices, leaves } = choicesIn(composed, asked);
  search(problemOf(composed, leaves, choices, asked), 1);
}

async function againstSolver(): Promise<boolean> {
  const highs = await loadHighs();
  const ours: number[] = [];
  const open: number[] = [];
  const whole: number[] = [];
  const theirs: number[] = [];
  const sizes: number[] = [];
  let [asked, solved, differing] = [0, 0, 0];
  for (let seed = 1; asked < INSTANCES; seed += 1) {
    const instance = plannable(seed, book, kitchen);
    if (!instance) continue;
    asked += 1;
    const lp = lpOf(instance.problem);
    const [answer, theirTime] = timed(() => highs.solve(lp, EXACT));
    const [found, ourTime] = timed(() => search(instance.problem, 1));
    // The kitchen is known by then, as it is when a cook asks: only the recipe is new.
    const { recipe, kitchen: own, asked: question } = instance;
    planOpen(compose({ ...recipe }, book, own), question);
    const [composed, composeTime] = timed(() => compose({ ...recipe }, book, own));
    const [, openTime] = timed(() => planOpen(composed, question));
    ours.push(ourTime);
    open.push(openTime);
    whole.push(composeTime + openTime);
    theirs.push(theirTime);
    sizes.push(instance.problem.choices.length);
    const best = found[0]?.penalty;
    if (answer.Status === 'Optimal') {
      solved += 1;
      if (best === undefined || Math.abs(best - answer.ObjectiveValue) > TOLERANCE) differing += 1;
    } else if (best !== undefined) differing += 1;
  }
  console.log(
    `swap plans against a mixed-integer solver: ${asked} instances, ${solved} solvable, ${Math.max(...sizes)} foods to swap at most, ${differing} with another penalty`,
  );
  console.log(`  solver / our search, median: ${(middle(theirs) / middle(ours)).toFixed(0)}`);
  console.log(
    `  solver / all of ours from a dish that is open on, median: ${(middle(theirs) / middle(open)).toFixed(1)}`,
  );
  console.log(
    `  solver / all of ours from a new recipe on, in a kitchen that is open, median: ${(middle(theirs) / middle(whole)).toFixed(1)}`,
  );
  return differing === 0;
}

/** The long run, shared by the processors. */
async function allLaws(): Promise<boolean> {
  const shares = availableParallelism();
  const tallies = await Promise.all(
    Array.from({ length: shares }, (_, share) => {
      const bounds = [share, share + 1].map((each) => String(Math.floor((RECIPES * each) / shares)));
      const child = spawn('node_modules/.bin/tsx', [fileURLToPath(import.meta.url), ...bounds], {
        stdio: ['ignore', 'pipe', 'inherit'],
      });
      let out = '';
      child.stdout.on('data', (chunk: Buffer) => (out += chunk.toString()));
      return new Promise<Tally>((done, fail) =>
        child.on('close', (code) =>
          code === 0 ? done(JSON.parse(out) as Tally) : fail(new Error(`A share ended with ${code}`)),
        ),
      );
    }),
  );
  const sum = (of: (tally: Tally) => number): number => tallies.reduce((all, each) => all + of(each), 0);
  const faults = tallies.flatMap((each) => each.faults);
  console.log(
    `laws of allergens and swaps: ${sum((each) => each.recipes)} random recipes, ${sum((each) => each.plans)} plans, ${sum((each) => each.blocked)} blocked, ${faults.length} broken`,
  );
  for (const fault of faults) console.log(`  ${fault}`);
  return faults.length === 0;
}

const [from, to] = process.argv.slice(2).map(Number);
if (from !== undefined && to !== undefined) process.stdout.write(JSON.stringify(holdLaws(from, to)));
else {
  const isSame = await againstSolver();
  const isLawful = await allLaws();
  process.exit(isSame && isLawful ? 0 : 1);
}
