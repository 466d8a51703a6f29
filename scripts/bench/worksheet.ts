/** `npm run bench`: speed as ratios, so that a figure means the same on any machine. */
import {
  bookOf,
  foodSet,
  planSwaps,
  readLine,
  type Recipe,
  worksheet,
  type WorksheetInput,
} from '@hand-ladle/core';
import { loadDemoRecipes, loadFoods, loadKitchens, loadSwaps } from '@hand-ladle/data';
import { CORPUS } from '@hand-ladle/testing/corpus';

/** Median time of each run in microseconds, taken in turn so that a busy moment hits all of them, after a warm-up. */
function medians<K extends string>(runs: Record<K, () => unknown>, rounds = 500): Record<K, number> {
  const names = Object.keys(runs) as K[];
  const times = Object.fromEntries(names.map((name) => [name, [] as number[]])) as Record<K, number[]>;
  for (let round = -rounds; round < rounds; round += 1) {
    for (const name of names) {
      const started = performance.now();
      runs[name]();
      if (round >= 0) times[name].push((performance.now() - started) * 1000);
    }
  }
  const middle = (list: number[]): number => list.sort((one, other) => one - other)[Math.floor(rounds / 2)]!;
  return Object.fromEntries(names.map((name) => [name, middle(times[name])])) as Record<K, number>;
}

const foods = loadFoods();
const demo = loadDemoRecipes(foods).map(({ recipe }) => recipe);
const components = demo.filter(({ isComponent }) => isComponent);
const book = bookOf(foodSet(foods, components), components, loadSwaps());
const kitchen = loadKitchens()[0]!;
const dish = demo.find(({ id }) => id === 'barley-leek-white-bean-pot')!;

/** The bake leans on a sauce, which leans on a base and a stock: three components, one in another. */
const bake = demo.find(({ id }) => id === 'celeriac-bean-bake')!;
const others = demo.filter(({ isComponent, id }) => !isComponent && id !== bake.id);
const texts = [bake, ...others].flatMap(({ lines }) => lines);
/** A dish of 40 lines from the demo book, with those components and all nutrients. */
const long: Recipe = {
  ...bake,
  lines: texts.slice(0, 40).map((line, index) => ({ ...line, id: `l${index + 1}` })),
};
const inputAt = (recipe: Recipe, portions: number): WorksheetInput => ({
  recipe,
  kitchen,
  target: { kind: 'portions', portions, portionGrams: 280 },
});
const input = inputAt(long, 120);
/** As the bench drags it: the same dish, another target each time. */
let dragged = 0;
const drag = (): number => 60 + ((dragged += 1) % 200);

/** Only what this dish leans on is counted as its input: its foods and components, not the whole larder. */
const used = new Set(long.lines.map(({ reading }) => reading.foodId));
for (const component of components) for (const line of component.lines) used.add(line.reading.foodId);
const ownInput = JSON.stringify({ ...input, components, foods: foods.filter(({ id }) => used.has(id)) });

/** And the input as it is called with: the frozen larder whole. */
const wholeInput = JSON.stringify({ ...input, components, foods, swaps: loadSwaps() });

const lines = texts.map(({ text }) => text);
const { compute, fresh, parseWhole, parseOwn, plan, read, split } = medians({
  compute: () => worksheet(inputAt(long, drag()), book),
  // A recipe that was never seen before: nothing of the dish itself can have been kept.
  fresh: () => worksheet(inputAt({ ...long, lines: long.lines.map((line) => ({ ...line })) }, drag()), book),
  parseWhole: () => JSON.parse(wholeInput),
  parseOwn: () => JSON.parse(ownInput),
  plan: () => planSwaps({ ...input, recipe: dish, exclude: ['soy', 'gluten', 'nut'] }, book),
  read: () => lines.map((text) => readLine(text, book.foods)),
  split: () => lines.map((text) => text.split(/\s+/).map((word) => word.trim())),
});

const ratio = (one: number, other: number): string => (one / other).toFixed(2);
console.log(
  `worksheet of 40 lines, three nested components / JSON.parse of its input: ${ratio(fresh, parseWhole)}`,
);
console.log(`  the same with only the foods this dish uses in that input: ${ratio(fresh, parseOwn)}`);
console.log(
  `  another target for a dish that is open / JSON.parse of that small input: ${ratio(compute, parseOwn)}`,
);
console.log(`best swap plans of 12 lines, three exclusions / that worksheet: ${ratio(plan, fresh)}`);
console.log(`reading a line / a bare split and trim of it: ${ratio(read, split)}`);

/** Lines of the corpus, misspelt ones among them, read for a second: the pace of one thread. */
const corpus = CORPUS.map(([text]) => text);
/** Lines a second over a short while; of several whiles the best, for another program's moment is not ours. */
function pace(): number {
  let count = 0;
  const started = performance.now();
  while (performance.now() - started < 400) {
    for (const text of corpus) readLine(text, book.foods);
    count += corpus.length;
  }
  return count / ((performance.now() - started) / 1000);
}
const best = Math.max(...Array.from({ length: 6 }, pace));
console.log(`lines read a second, one thread, ${foods.length} foods: ${Math.round(best)}`);
