/** A hundred and some dishes, asked to be served free from something: swaps a cook would make, and what is said where there is none. */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { type Kitchen, lineFromText, planSwaps } from '@hand-ladle/core';
import {
  ACCEPT,
  askedOfDish,
  dishesFrom,
  REFUSE,
  stockedKitchen,
  verdictOf,
} from '@hand-ladle/testing/swap-dishes';
import { book, recipeOf, ward } from '@hand-ladle/testing/world';

const DISHES = dishesFrom(readFileSync(join('testing', 'cases', 'swap-dishes.txt'), 'utf8'));
const bare: Kitchen = { ...ward, shared: [], packs: [] };
const NUT = ['nut', 'peanut'];

test.each([
  ['nut', NUT, 0.95],
  ['soy', ['soy'], 0.95],
  ['gluten', ['gluten'], 0.8],
  ['all three', [...NUT, 'soy', 'gluten'], 0.7],
])('free from %s: every swap does the work its food does there', (_name, exclude, least) => {
  expect(DISHES.length).toBeGreaterThan(110);
  for (const policy of [REFUSE, ACCEPT]) {
    const verdicts = DISHES.flatMap((dish) => verdictOf(dish, askedOfDish(dish, exclude, policy)) ?? []);
    expect(verdicts.length).toBeGreaterThan(30);
    expect(verdicts.filter(({ isGood }) => isGood).length / verdicts.length).toBeGreaterThanOrEqual(least);
  }
});

const planned = (lines: string[], steps: string[], exclude: string[], kitchen = stockedKitchen, extra = {}) =>
  planSwaps(
    { recipe: recipeOf(lines, steps, { name: 'Test' }), kitchen, target: { kind: 'weight', grams: 1000 }, exclude, policy: REFUSE, ...extra },
    book,
    3,
  ); // prettier-ignore
const goesIn = (answer: ReturnType<typeof planned>): string[] =>
  answer.plans.flatMap(({ swaps }) => swaps.flatMap(({ to }) => to.map(({ foodId }) => foodId)));

test('nothing is eaten raw that wants heat, and nothing stays hard', () => {
  const balls = planned(['200 g dates', '100 g rolled oats', '60 g plain flour'], ['Blitz and roll into balls.', 'Chill.'], ['gluten']);
  expect(goesIn(balls).filter((id) => /flour|starch|cornflour/.test(id))).toEqual([]);
  const granola = planned(['400 g rolled oats', '80 g maple syrup', '60 ml sunflower oil'], ['Stir and spread on a tray.', 'Bake at 150 °C for 30 minutes.'], ['gluten']);
  expect(goesIn(granola).length).toBeGreaterThan(0);
  for (const id of ['amaranth', 'quinoa', 'millet', 'brown-rice']) expect(goesIn(granola)).not.toContain(id);
  const soaked = planned(['300 g rolled oats', '600 ml oat milk'], ['Stir and leave in the fridge overnight.'], ['gluten']);
  for (const id of ['quinoa', 'millet', 'amaranth']) expect(goesIn(soaked)).not.toContain(id);
}); // prettier-ignore

test('a line that may be two foods is decided first, whatever unread packs a kitchen lets pass', () => {
  const lines = ['400 g white rice', '200 g almonds or sunflower seeds', '500 ml water'];
  expect(lineFromText(lines[1]!, 'l2', book.foods).reading.alternativeIds).toEqual(['sunflower-seeds']);
  const answer = planned(lines, ['Simmer.'], ['soy'], stockedKitchen, { policy: ACCEPT });
  expect(answer.plans).toEqual([]);
  expect(answer.blockedBy[0]!.reason).toContain('not settled yet');
});

test('where only unread packs are in the way, all of them are named, and what would do then', () => {
  const lines = ['300 g potatoes', '40 g capers', '80 g olives'];
  const answer = planned(lines, ['Boil the potatoes.', 'Toss.'], ['mustard'], bare);
  expect(answer.plans).toEqual([]);
  expect(answer.ifRead!.packs.map(({ foodId }) => foodId).sort()).toEqual(['capers', 'olives']);
  const packs = stockedKitchen.packs.filter(({ foodId }) => foodId === 'capers' || foodId === 'olives');
  const half = planned(lines, ['Toss.'], ['mustard'], { ...bare, packs: packs.slice(0, 1) });
  expect(half.ifRead!.packs.length).toBe(1);
  const after = planned(lines, ['Toss.'], ['mustard'], { ...bare, packs });
  expect(after).toMatchObject({ plans: [{ swaps: [] }], ifRead: null });
});

test('what no reading of packs can mend names none', () => {
  const answer = planned(['300 g egg', '100 g plain flour', 'a mystery paste'], ['Fry.'], ['egg'], bare);
  expect(answer.plans).toEqual([]);
  expect(answer.ifRead).toBeNull();
});

test('where the recipe leaves open what a food does, the cook says it and is answered by that', () => {
  const lines = ['500 g cauliflower', '120 g plain flour', '200 ml oat milk', '60 g olives'];
  const steps = ['Stir everything.', 'Bake at 180 °C for 40 minutes.'];
  const free = planned(lines, steps, ['wheat']);
  expect(free.open.map(({ foodId }) => foodId)).toEqual(['plain-flour']);
  const told = planned(lines, steps, ['wheat'], stockedKitchen, { works: { 'plain-flour': 'batter' } });
  expect(told.plans.length).toBeGreaterThan(0);
  for (const { swaps } of told.plans) expect(swaps.map((each) => each.function)).toEqual(['batter']);
});

test('a word of the title that names what was swapped is asked, and the answer frees the plan', () => {
  const recipe = recipeOf(['300 g rye flour', '200 ml water', '5 g salt'], ['Knead, roll out and bake on the griddle.'], { name: 'Rye rounds' });
  const question = { recipe, kitchen: stockedKitchen, target: { kind: 'weight', grams: 500 } as const, exclude: ['gluten'], policy: REFUSE };
  const asked = planSwaps(question, book, 1);
  const asks = asked.blockedBy.flatMap((each) => each.asks);
  expect(asks).toEqual([{ name: 'rye', text: 'Rye rounds' }]);
  const notIn = asks.map((each) => ({ ...each, by: 'Ilse Marrow', on: '2026-11-20' }));
  const answered = planSwaps({ ...question, recipe: { ...recipe, notIn } }, book, 1);
  expect(answered.plans[0]!.worksheet.allergens.find(({ id }) => id === 'gluten')!.status).toBe('clear');
}); // prettier-ignore
