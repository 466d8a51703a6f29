/** The worksheets of a whole book are kept between requests: none may outlive anything it was made of. */
import { createHash } from 'node:crypto';
import type { Kitchen, SavedRecipe } from '@hand-ladle/core';
import { openStore } from '../src/store';
import { bookSheets } from '../src/worksheets/book-sheets';
import { digests } from '../src/worksheets/compute';
import { openWorld, type World } from './world';

const WARD = 'alder-ward';
const POT = 'barley-leek-white-bean-pot';
const STOCK = 'house-vegetable-stock';

let world: World;
beforeAll(async () => {
  world = await openWorld('book-sheets');
});
afterAll(() => world.close());

/** A book in few letters: a failure tells that two differ, not a megabyte of each. */
const told = (value: unknown): string => createHash('sha256').update(JSON.stringify(value)).digest('hex');
const sheets = (kitchenId = WARD) => bookSheets(kitchenId, world.store);
/** As a server that was started just now works it out. */
const anew = (kitchenId = WARD) => bookSheets(kitchenId, openStore(world.database, world.tables));
const sheetOf = async (id: string) => (await sheets()).find(({ recipe }) => recipe.id === id)!.sheet;

async function sent(method: string, path: string, body: unknown): Promise<void> {
  const { status, body: answer } = await world.send(method, path, body);
  expect([path, status < 300 || answer]).toEqual([path, true]);
}
async function saveRecipe(id: string, change: (saved: SavedRecipe) => object): Promise<void> {
  const { body: saved } = await world.send('GET', `/api/recipes/${id}`);
  await sent('PUT', `/api/recipes/${id}`, { ...saved, ...change(saved as SavedRecipe) });
}
const RECORDED = new Set(['id', 'packs', 'weights', 'names', 'words', 'swaps', 'ratings']);
async function saveKitchen(fields: Partial<Kitchen>): Promise<void> {
  const { body } = await world.send('GET', `/api/kitchens/${WARD}`);
  const settings = Object.fromEntries(
    Object.entries(body.kitchen as Kitchen).filter(([field]) => !RECORDED.has(field)),
  );
  await sent('PUT', `/api/kitchens/${WARD}`, { settings: { ...settings, ...fields }, version: body.version });
}
async function saveFood(id: string, fields: object): Promise<void> {
  const { body } = await world.send('GET', `/api/foods/${id}`);
  await sent('PUT', `/api/foods/${id}`, { food: { ...body.food, ...fields }, version: body.version });
}
const ON = '2026-11-25';

/** Everything a worksheet is made of, each changed once. */
const CHANGES: readonly (readonly [string, () => Promise<void>])[] = [
  [
    'a line of a dish',
    () => saveRecipe(POT, ({ recipe }) => ({ recipe: { ...recipe, lines: recipe.lines.slice(1) } })),
  ],
  [
    'a line of a component',
    () => saveRecipe(STOCK, ({ recipe }) => ({ recipe: { ...recipe, lines: recipe.lines.slice(1) } })),
  ],
  [
    'the batch a dish was left at',
    () => saveRecipe(POT, () => ({ target: { kind: 'portions', portions: 37, portionGrams: 250 } })),
  ],
  ['an allergen of a food', () => saveFood('leek', { allergens: { celery: 'contains' } })],
  ['a figure of a food', () => saveFood('pearl-barley', { trimYield: 0.9 })],
  ['what sticks to the pots', () => saveKitchen({ transferLoss: 0.07 })],
  ['the law', () => saveKitchen({ regime: 'us' })],
  [
    'a weight of this kitchen',
    () =>
      sent('POST', `/api/kitchens/${WARD}/weights`, {
        foodId: 'fine-salt',
        unit: 'tsp',
        grams: 7.4,
        weighedOn: ON,
      }),
  ],
  [
    'a name of this kitchen',
    () =>
      sent('POST', `/api/kitchens/${WARD}/names`, {
        written: 'pot grain',
        foodId: 'pearl-barley',
        tiedOn: ON,
      }),
  ],
];

test.each(CHANGES)(
  '%s: what is kept is what a server that was started just now would say',
  async (what, change) => {
    const before = told(await sheets());
    await change();
    const after = told(await sheets());
    expect(after).toBe(told(await anew()));
    // Each of these is seen by some dish; no dish of the demo is measured by this spoon, or written by this name.
    if (!what.endsWith('of this kitchen')) expect(after).not.toBe(before);
  },
);

test('what was not changed is not worked out again, and what was is', async () => {
  const before = new Map((await sheets()).map(({ recipe, sheet }) => [recipe.id, sheet]));
  await saveRecipe(POT, ({ recipe }) => ({ recipe: { ...recipe, name: 'Pot of another name' } }));
  const after = await sheets();
  const anewOnes = after.filter(({ recipe, sheet }) => before.get(recipe.id) !== sheet);
  const follow = after.filter(({ recipe }) => recipe.id === POT || recipe.parentId === POT);
  expect(anewOnes.map(({ recipe }) => recipe.id).sort()).toEqual(
    follow.map(({ recipe }) => recipe.id).sort(),
  );
  expect((await sheetOf(POT)).name).toBe('Pot of another name');
});

test('a dish that was taken out is gone, and one that comes back is there', async () => {
  const [dish] = (await sheets()).filter(
    ({ recipe }) => !recipe.isComponent && recipe.parentId === null && recipe.id !== POT,
  );
  const id = dish!.recipe.id;
  await sent('DELETE', `/api/recipes/${id}`, undefined);
  expect((await sheets()).some(({ recipe }) => recipe.id === id)).toBe(false);
  await sent('POST', `/api/recipes/${id}/restore`, undefined);
  expect((await sheets()).some(({ recipe }) => recipe.id === id)).toBe(true);
});

test('kitchens do not get each other’s, however many are asked in turn', async () => {
  const { body } = await world.send('GET', '/api/kitchens');
  const ids = (body as Kitchen[]).map(({ id }) => id);
  for (const id of [...ids, ...ids]) expect([id, told(await sheets(id))]).toEqual([id, told(await anew(id))]);
  expect(await digests(ids[1], world.store)).toEqual(
    await digests(ids[1], openStore(world.database, world.tables)),
  );
});
