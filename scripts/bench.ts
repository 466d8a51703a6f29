/** `npm run bench`: speed as ratios, so that a figure means the same on any machine. */
import { loadDemoRecipes, loadFoods, loadKitchens, loadSwaps } from '@hand-ladle/data';
import {
  bookOf,
  foodSet,
  planSwaps,
  readLine,
  worksheet,
  type Recipe,
  type WorksheetInput,
} from '@hand-ladle/core';

/** Median time of one run in microseconds, over many rounds, after a warm-up. */
function median(run: () => unknown, rounds = 400): number {
  for (let count = 0; count < rounds; count += 1) run();
  const times = Array.from({ length: rounds }, () => {
    const started = performance.now();
    run();
    return (performance.now() - started) * 1000;
  });
  return times.sort((one, other) => one - other)[Math.floor(rounds / 2)]!;
}

const foods = loadFoods();
const demo = loadDemoRecipes(foods).map(({ recipe }) => recipe);
const components = demo.filter(({ isComponent }) => isComponent);
const book = bookOf(foodSet(foods, components), components, loadSwaps());
const kitchen = loadKitchens()[0]!;
const dish = demo.find(({ id }) => id === 'barley-leek-white-bean-pot')!;

/** A dish of 30 lines from the demo book, with two components and all nutrients. */
const texts = demo.filter(({ isComponent }) => !isComponent).flatMap(({ lines }) => lines);
const long: Recipe = {
  ...dish,
  lines: texts.slice(0, 30).map((line, index) => ({ ...line, id: `l${index + 1}` })),
};
const input: WorksheetInput = {
  recipe: long,
  kitchen,
  target: { kind: 'portions', portions: 120, portionGrams: 280 },
};

/** Only what this dish leans on is counted as its input: its foods and components, not the whole larder. */
const used = new Set(long.lines.map(({ reading }) => reading.foodId));
for (const component of components) for (const line of component.lines) used.add(line.reading.foodId);
const ownInput = JSON.stringify({ ...input, components, foods: foods.filter(({ id }) => used.has(id)) });

const parse = median(() => JSON.parse(ownInput));
const compute = median(() => worksheet(input, book));
const plan = median(
  () => planSwaps({ ...input, recipe: dish, exclude: ['soy', 'gluten', 'nut'] }, book),
  100,
);
const lines = texts.map(({ text }) => text);
const split = median(() => lines.map((text) => text.split(/\s+/).map((word) => word.trim())));
const read = median(() => lines.map((text) => readLine(text, book.foods)));

const ratio = (one: number, other: number): string => (one / other).toFixed(2);
console.log(
  `worksheet of 30 lines / JSON.parse of its own input (${ownInput.length} characters): ${ratio(compute, parse)}`,
);
console.log(`best swap plans of 12 lines, three exclusions / that worksheet: ${ratio(plan, compute)}`);
console.log(`reading a line / a bare split and trim of it: ${ratio(read, split)}`);
console.log(
  `for this machine: worksheet ${compute.toFixed(0)} us, ${Math.round((lines.length / read) * 1e6)} lines read a second`,
);
