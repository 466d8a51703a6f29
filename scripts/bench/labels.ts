/** `npm run bench`: five hundred labels in one PDF against as many empty pages of the same library, and one label set. */
import { bookOf, DRAFT_ON_ROLL, foodSet, type LabelOptions, STOCKS, worksheet } from '@hand-ladle/core';
import { loadDemoRecipes, loadFoods, loadKitchens, loadSwaps } from '@hand-ladle/data';
import { labelsPdf } from '../../server/src/paper/label-files';
import { bytesOf, newPdf } from '../../server/src/paper/pdf';
import { contentOf, setBy } from '../../server/src/paper/set';
import { holdsSpeed, sized } from './size';

const LABELS = 500;
const ROUNDS = sized(9, 2);
const foods = loadFoods();
const demo = loadDemoRecipes(foods);
const components = demo.filter(({ recipe }) => recipe.isComponent).map(({ recipe }) => recipe);
const book = bookOf(foodSet(foods, components), components, loadSwaps());
const { recipe, target } = demo.find((each) => each.recipe.id === 'barley-leek-white-bean-pot')!;
const sheet = worksheet({ recipe, kitchen: loadKitchens()[0]!, target: target! }, book);

const median = (times: number[]): number =>
  times.sort((one, other) => one - other)[Math.floor(times.length / 2)]!;

async function emptyPages(size: [number, number], count: number): Promise<void> {
  const pdf = newPdf(size, 'Empty');
  const done = bytesOf(pdf);
  for (let page = 1; page < count; page += 1) pdf.addPage({ size, margin: 0 });
  pdf.end();
  await done;
}

async function ratioOn(options: LabelOptions): Promise<number> {
  const content = contentOf(sheet.label, options, { claims: [], watch: [] }, null, true);
  const set = setBy(content, options);
  const times = { labels: [] as number[], empty: [] as number[] };
  for (let round = -2; round < ROUNDS; round += 1) {
    const start = performance.now();
    await labelsPdf([{ set, quantity: LABELS }], options);
    const middle = performance.now();
    await emptyPages([set.width, set.height], LABELS);
    if (round < 0) continue;
    times.labels.push(middle - start);
    times.empty.push(performance.now() - middle);
  }
  return median(times.labels) / median(times.empty);
}

const sheetStock = STOCKS.find(({ id }) => id === 'a4-1x2')!;
const roll = await ratioOn(DRAFT_ON_ROLL);
const sheets = await ratioOn({ ...DRAFT_ON_ROLL, stock: sheetStock });
console.log(`${LABELS} labels on a roll / as many empty pages: ${roll.toFixed(1)}`);
console.log(`${LABELS} labels on A4 sheets / as many empty pages: ${sheets.toFixed(1)}`);
if (holdsSpeed && (roll >= 3 || sheets >= 3)) {
  console.error('Five hundred labels take three times as long as empty pages, or more.');
  process.exit(1);
}
