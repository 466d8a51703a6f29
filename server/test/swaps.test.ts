/** Swaps, versions, own swaps and ratings over HTTP, against a real database. */
import { type Kitchen, planSwaps, type SwapEntry, versionsFor } from '@hand-ladle/core';
import { loadSwaps } from '@hand-ladle/data';
import { migrate } from '../src/database/migrations';
import { refreshLarder } from '../src/seed';
import { openWorld, type World } from './world';

let world: World;
beforeAll(async () => {
  world = await openWorld('test-swaps');
});
afterAll(() => world.close());

const WARD = 'alder-ward';
const kitchen = (): Promise<Kitchen> => world.store.kitchens.kitchen(WARD);
const target = { kind: 'weight', grams: 6000 } as const;
const own = (fields: Partial<SwapEntry> = {}): SwapEntry => ({
  id: 'own-celery-kohlrabi',
  fromId: 'celery',
  function: 'body',
  to: [{ foodId: 'kohlrabi', ratio: 0.9 }],
  waterRatio: 0,
  hint: 'Dice it small.',
  taste: 0.9,
  texture: 0.9,
  limits: { notFor: ['baking'], onlyFor: [], mostShare: 0.3 },
  source: 'weighed here',
  ...fields,
});

describe('plans over HTTP', () => {
  test('are those of core, with what they change', async () => {
    const { status, body } = await world.send('POST', '/api/swaps', {
      recipeId: 'ginger-broth-noodles',
      exclude: ['gluten'],
      kitchenId: WARD,
      target,
    });
    expect(status).toBe(200);
    const book = await world.store.recipes.book();
    const { recipe } = await world.store.recipes.recipe('ginger-broth-noodles');
    const mine = planSwaps({ recipe, kitchen: await kitchen(), target, exclude: ['gluten'] }, book);
    expect(body.plans.map(({ penalty }: { penalty: number }) => penalty)).toEqual(
      mine.plans.map(({ penalty }) => penalty),
    );
    expect(body.plans[0]).toMatchObject({
      exclude: ['gluten'],
      apart: [],
      drift: { proteinG: expect.any(Number) as number, costBefore: expect.any(Number) as number },
    });
    expect(body.plans[0].flags).toContainEqual({
      id: 'gluten',
      name: 'Gluten',
      before: 'contains',
      after: 'clear',
    });
  });

  test('an exclusion nobody knows is never answered with "free"', async () => {
    const { body } = await world.send('POST', '/api/swaps', {
      recipeId: 'sunflower-seed-cream',
      exclude: ['nuts'],
    });
    expect(body.plans).toEqual([]);
    expect(body.blockedBy[0].reason).toMatch(/nobody knows/);
  });

  test('where none is, the nearest free dishes of the book are named', async () => {
    const asked = { recipeId: 'caraway-flatbread', exclude: ['gluten'], kitchenId: WARD };
    expect((await world.send('POST', '/api/swaps', asked)).body.blockedBy[0].functions).toEqual([
      'dough structure',
    ]);
    const { body } = await world.send('POST', '/api/nearest-free', asked);
    expect(body.length).toBeGreaterThan(0);
    for (const { recipeId } of body as { recipeId: string }[]) {
      const sheet = (await world.send('POST', '/api/worksheet', { recipeId, kitchenId: WARD })).body;
      expect(sheet.allergens.find(({ id }: { id: string }) => id === 'gluten').status).toBe('clear');
    }
  });

  test('versions for groups are those of core; too many and nameless ones are refused', async () => {
    const groups = (await kitchen()).diners.map((each) => ({ ...each, portions: each.portions ?? 1 }));
    const asked = { recipeId: 'millet-porridge-pear', groups, kitchenId: WARD, target };
    const { status, body } = await world.send('POST', '/api/versions', asked);
    expect(status).toBe(200);
    const { recipe } = await world.store.recipes.recipe('millet-porridge-pear');
    const mine = versionsFor(
      { recipe, kitchen: await kitchen(), target, groups },
      await world.store.recipes.book(),
    );
    expect(body.fewest.map(({ groupIds }: { groupIds: string[] }) => groupIds)).toEqual(
      mine.fewest.map(({ groupIds }) => groupIds),
    );
    const many = Array.from({ length: 13 }, (_, index) => ({ ...groups[0]!, id: `g${index}` }));
    expect((await world.send('POST', '/api/versions', { ...asked, groups: many })).status).toBe(400);
    expect((await world.send('POST', '/api/versions', { ...asked, groups: [] })).status).toBe(400);
  });
});

describe("a kitchen's own swaps", () => {
  test('stand beside those on file, in this kitchen only, and are planned with', async () => {
    const { status, body } = await world.send('POST', `/api/kitchens/${WARD}/swaps`, own());
    expect(status).toBe(201);
    expect(body.swaps.map(({ id }: SwapEntry) => id)).toContain('own-celery-kohlrabi');
    expect((await world.store.kitchens.kitchen('lock-counter')).swaps).toEqual([]);
    expect((await world.store.larder.all()).swaps).toHaveLength(loadSwaps().length);
    const plans = (
      await world.send('POST', '/api/swaps', {
        recipe: { name: 'Pot', lines: ['500 g potatoes', '60 g celery'], steps: ['Simmer for 20 minutes.'] },
        exclude: ['celery'],
        kitchenId: WARD,
        target,
      })
    ).body.plans;
    expect(plans[0].swaps[0].swapId).toBe('own-celery-kohlrabi');
  });

  test('are refused where they cannot be: taken id, unknown food, itself, an allergen typed in, a ratio of nothing', async () => {
    const post = async (swap: object) => {
      const { status, body } = await world.send('POST', `/api/kitchens/${WARD}/swaps`, swap);
      return [status, body.error.code];
    };
    expect(await post(own())).toEqual([409, 'swap-exists']);
    expect(await post(own({ id: 'own-2', fromId: 'moon-cheese' }))).toEqual([404, 'food-not-found']);
    expect(await post(own({ id: 'own-2', to: [{ foodId: 'moon-cheese', ratio: 1 }] }))).toEqual([
      404,
      'food-not-found',
    ]);
    expect(await post(own({ id: 'own-2', to: [{ foodId: 'celery', ratio: 1 }] }))).toEqual([
      400,
      'bad-request',
    ]);
    expect(await post({ ...own({ id: 'own-2' }), allergens: { soy: 'clear' } })).toEqual([
      400,
      'bad-request',
    ]);
    expect(await post(own({ id: 'own-2', to: [{ foodId: 'kale', ratio: 0 }] }))).toEqual([
      400,
      'bad-request',
    ]);
    expect(await post(own({ id: 'own-2', taste: 1.2 }))).toEqual([400, 'bad-request']);
  });

  test('can be changed, variants follow; one in use stays, one that is not goes', async () => {
    const { recipe } = await world.store.recipes.recipe('house-vegetable-stock');
    const variant = {
      ...recipe,
      id: 'stock-without-celery',
      name: 'Stock without celery',
      parentId: recipe.id,
      swaps: [{ fromId: 'celery', swapId: 'own-celery-kohlrabi' }],
      freeFrom: ['celery'],
      isComponent: false,
    };
    await world.store.recipes.create({ recipe: variant, target, vesselIds: [], version: 0 });
    const name = async (): Promise<string[]> =>
      (
        await world.send('POST', '/api/worksheet', { recipeId: variant.id, kitchenId: WARD, target })
      ).body.lines.map((line: { name: string }) => line.name);
    expect(await name()).toContain('Kohlrabi');
    const changed = own({ to: [{ foodId: 'fennel', ratio: 1 }] });
    expect((await world.send('PUT', `/api/kitchens/${WARD}/swaps/${changed.id}`, changed)).status).toBe(200);
    expect((await name()).join()).toMatch(/Fennel/);
    const refused = await world.send('DELETE', `/api/kitchens/${WARD}/swaps/${changed.id}`);
    expect([refused.status, refused.body.error.code]).toEqual([409, 'swap-in-use']);
    expect(refused.body.error.details).toEqual([variant.id]);
    const other = own({ id: 'own-unused' });
    await world.send('POST', `/api/kitchens/${WARD}/swaps`, other);
    expect((await world.send('DELETE', `/api/kitchens/${WARD}/swaps/own-unused`)).status).toBe(200);
    expect((await world.send('DELETE', `/api/kitchens/${WARD}/swaps/own-unused`)).status).toBe(404);
    expect(
      (await world.send('PUT', `/api/kitchens/${WARD}/swaps/almonds-pumpkin`, own({ id: 'almonds-pumpkin' })))
        .status,
    ).toBe(404);
  });

  test('ratings are kept and counted; of a swap nobody knows, or without a name, they are refused', async () => {
    const rating = {
      swapId: 'tamari-mushroom-ferment',
      taste: 0.4,
      texture: 0.9,
      ratedBy: 'R. Fallow',
      ratedOn: '2026-11-20',
    };
    const before = (await kitchen()).ratings.length;
    const { status, body } = await world.send('POST', `/api/kitchens/${WARD}/ratings`, rating);
    expect(status).toBe(201);
    expect(body.ratings).toHaveLength(before + 1);
    expect(body.ratings.at(-1)).toEqual(rating);
    expect(
      (await world.send('POST', `/api/kitchens/${WARD}/ratings`, { ...rating, swapId: 'none' })).status,
    ).toBe(404);
    expect(
      (await world.send('POST', `/api/kitchens/${WARD}/ratings`, { ...rating, ratedBy: ' ' })).status,
    ).toBe(400);
    expect((await world.send('POST', `/api/kitchens/${WARD}/ratings`, { ...rating, taste: 80 })).status).toBe(
      400,
    );
  });
});

describe('a variant in the book', () => {
  test('follows the swaps of its parent, and does not keep them as its own', async () => {
    const parent = await world.store.recipes.recipe('parsnip-buckwheat-tray');
    const saved = await world.store.recipes.create({
      recipe: {
        ...parent.recipe,
        id: 'tray-without-mustard',
        name: 'Tray without mustard',
        parentId: parent.recipe.id,
        swaps: [{ fromId: 'wholegrain-mustard', swapId: 'wholegrain-mustard-caraway' }],
        freeFrom: ['mustard'],
        apart: ['small-fryer'],
      },
      target,
      vesselIds: [],
      version: 0,
    });
    expect(saved.recipe.apart).toEqual(['small-fryer']);
    await world.store.recipes.save({
      ...parent,
      recipe: { ...parent.recipe, swaps: [{ fromId: 'almonds', swapId: 'almonds-pumpkin' }] },
    });
    const after = await world.store.recipes.recipe('tray-without-mustard');
    expect(after.recipe.swaps).toEqual([
      { fromId: 'almonds', swapId: 'almonds-pumpkin', isInherited: true },
      { fromId: 'wholegrain-mustard', swapId: 'wholegrain-mustard-caraway' },
    ]);
    // Saved as it is read, over HTTP: the parent's swap is not made its own.
    expect((await world.send('PUT', '/api/recipes/tray-without-mustard', after)).status).toBe(200);
    const back = await world.store.recipes.recipe(parent.recipe.id);
    await world.store.recipes.save({ ...back, recipe: { ...back.recipe, swaps: [] } });
    expect((await world.store.recipes.recipe('tray-without-mustard')).recipe.swaps).toEqual([
      { fromId: 'wholegrain-mustard', swapId: 'wholegrain-mustard-caraway' },
    ]);
  });
});

describe('packs', () => {
  const record = (statement: string, extra: object = {}) =>
    world.send('PUT', `/api/kitchens/${WARD}/packs/oat-cream`, {
      productName: 'Oat drink 1 L, Quay Stores',
      statement,
      allergens: { oats: 'contains' },
      certifiedGlutenFree: false,
      animal: 'plant',
      checkedBy: 'M. Tarn',
      checkedOn: '2026-11-21',
      ...extra,
    });
  const packNow = async () => (await kitchen()).packs.find(({ foodId }) => foodId === 'oat-cream')!;

  test('count their statements; the same words again are no new one', async () => {
    await record('water, oats, salt');
    expect(await packNow()).toMatchObject({ statementVersion: 1, isConfirmed: true });
    await record('water, oats, salt');
    expect(await packNow()).toMatchObject({ statementVersion: 1, isConfirmed: true });
    await record('water, oats, salt, almond', { allergens: { oats: 'contains', almond: 'contains' } });
    expect(await packNow()).toMatchObject({ statementVersion: 2, isConfirmed: false });
  });

  test('one no longer bought stands unconfirmed, with what it said', async () => {
    const confirmed = { checkedBy: 'M. Tarn', checkedOn: '2026-11-22' };
    await world.send('POST', `/api/kitchens/${WARD}/packs/oat-cream/confirm`, confirmed);
    const { status } = await world.send('DELETE', `/api/kitchens/${WARD}/packs/oat-cream`);
    expect(status).toBe(200);
    expect(await packNow()).toMatchObject({
      isConfirmed: false,
      before: { allergens: { almond: 'contains' } },
    });
    expect((await world.send('DELETE', `/api/kitchens/${WARD}/packs/kale`)).status).toBe(404);
  });

  test("keep what was asked of the kitchen's own list", async () => {
    await record('water, oats', { own: { kiwi: 'none' } });
    expect((await packNow()).own).toEqual({ kiwi: 'none' });
    expect((await record('water', { own: { kiwi: 'surely not' } })).status).toBe(400);
  });
});

test('a database of before has its shipped swaps brought up to date, its own and their ratings untouched', async () => {
  const row = await world.tables.swaps.findByPk('almonds-pumpkin');
  // As it was shipped before swaps had limits.
  const old = Object.entries(row!.get('data') as SwapEntry).filter(([field]) => field !== 'limits');
  await row!.update({ data: { ...Object.fromEntries(old), taste: 0.1 } });
  const before = (await kitchen()).swaps;
  await refreshLarder(world.database, world.tables);
  world.store.larder.forget();
  const now = (await world.store.larder.all()).swaps.find(({ id }) => id === 'almonds-pumpkin')!;
  expect(now).toEqual(loadSwaps().find(({ id }) => id === 'almonds-pumpkin'));
  expect((await kitchen()).swaps).toEqual(before);
  // Migrating again changes nothing.
  expect(await migrate(world.database)).toEqual([]);
});
