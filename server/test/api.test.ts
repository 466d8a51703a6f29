import { gunzipSync } from 'node:zlib';
import { type Worksheet, worksheet } from '@hand-ladle/core';
import { migrate } from '../src/database/migrations';
import { seedOnce } from '../src/seed';
import { openWorld, type World } from './world';

let world: World;
beforeAll(async () => {
  world = await openWorld('api');
});
afterAll(() => world.close());

const POT = 'barley-leek-white-bean-pot';
const TARGET = { kind: 'portions', portions: 120, portionGrams: 280 };
const TOLD = {
  name: 'Millet and kale',
  text: 'Serves 4\n1 cup millet\n2 tbsp tamari\na handful of dill\n600 ml water\n\nMethod\nSimmer gently for 20 minutes.',
};

describe('the surface others rely on', () => {
  test('health', async () => {
    expect(await world.send('GET', '/api/health')).toEqual({
      status: 200,
      body: { status: 'ok', version: 'test', database: 'ok' },
    });
  });

  test('what a screen knows already is not sent again; what anybody changed of it is', async () => {
    const ask = (path: string, mark = '') => world.app.request(path, { headers: { 'If-None-Match': mark } });
    for (const path of ['/api/larder', '/api/kitchens', '/api/components']) {
      const first = await ask(path);
      const mark = first.headers.get('ETag')!;
      expect([path, first.status, mark.length > 10]).toEqual([path, 200, true]);
      const again = await ask(path, mark);
      expect([path, again.status, await again.text()]).toEqual([path, 304, '']);
    }
    const mark = (await ask('/api/kitchens')).headers.get('ETag')!;
    const { status } = await world.send('POST', '/api/kitchens/alder-ward/weights', {
      foodId: 'leek',
      unit: 'handful',
      grams: 61,
      weighedOn: '2026-11-20',
    });
    expect(status).toBe(200);
    const changed = await ask('/api/kitchens', mark);
    expect([changed.status, changed.headers.get('ETag') === mark]).toEqual([200, false]);
  });

  test('after whatever is written down it is another edition; after what only reads or computes it is the same', async () => {
    const edition = async (): Promise<string> => (await world.send('GET', '/api/edition')).body.edition;
    const before = await edition();
    for (const path of ['/api/larder', '/api/recipes?kitchenId=alder-ward', '/api/menu?kitchenId=alder-ward'])
      expect((await world.app.request(path)).status).toBe(200);
    await world.send('POST', '/api/parse', { text: 'Soup\n1 cup millet', units: 'us' });
    expect(await edition()).toBe(before);
    // What is kept in letters answers for the plain question alone.
    for (const [question, status] of [
      ['/api/larder', 200],
      ['/api/larder?law=us', 400],
      ['/api/kitchens?id=alder-ward', 400],
    ] as const)
      expect([question, (await world.app.request(question)).status]).toEqual([question, status]);
    const { body } = await world.send('GET', '/api/recipes/barley-leek-white-bean-pot');
    expect((await world.send('PUT', '/api/recipes/barley-leek-white-bean-pot', body)).status).toBe(200);
    const after = await edition();
    expect(after).not.toBe(before);
    expect((await world.send('PUT', '/api/recipes/barley-leek-white-bean-pot', body)).status).toBe(409);
  });

  test('the book travels compressed to who can read that, is the same then, and is known again by its mark', async () => {
    const ask = (headers: Record<string, string>) => world.app.request('/api/larder', { headers });
    const plain = new Uint8Array(await (await ask({})).arrayBuffer());
    const pressed = await ask({ 'Accept-Encoding': 'gzip, br' });
    const bytes = new Uint8Array(await pressed.arrayBuffer());
    expect([pressed.headers.get('Content-Encoding'), pressed.headers.get('Vary')]).toEqual([
      'gzip',
      'Accept-Encoding',
    ]);
    expect(bytes.length).toBeLessThan(plain.length / 3);
    expect(gunzipSync(bytes).equals(plain)).toBe(true);
    const again = await ask({ 'Accept-Encoding': 'gzip', 'If-None-Match': pressed.headers.get('ETag')! });
    expect([again.status, await again.text()]).toEqual([304, '']);
    const refused = await ask({ 'Accept-Encoding': 'gzip;q=0' });
    expect(refused.headers.get('Content-Encoding')).toBeNull();
  });

  test('parse gives each line its food, form, amount and grams, and keeps the text', async () => {
    const { status, body } = await world.send('POST', '/api/parse', {
      text: `${TOLD.name}\n${TOLD.text}`,
      units: 'us',
    });
    expect(status).toBe(200);
    expect(body.lines[0]).toMatchObject({
      text: '1 cup millet',
      amount: 1,
      unit: 'cup',
      food: { id: 'millet', name: 'Millet' },
      form: '',
      optional: false,
      grams: expect.closeTo(200, 6),
      origin: 'reference',
    });
    expect(body.lines[2].findings[0].code).toBe('amount-vague');
    expect(body.steps[0].reading.cooking).toMatchObject({ heat: 'gentle simmer', minutes: 20 });
    const metric = await world.send('POST', '/api/parse', { text: `x\n1 cup millet`, units: 'metric' });
    expect(metric.body.lines[0].grams).toBeCloseTo((200 * 250) / 236.588, 6);
  });

  test('worksheet of a recipe in words, under either law', async () => {
    const ask = (regime: string) =>
      world.send('POST', '/api/worksheet', { recipe: TOLD, target: TARGET, regime });
    const { status, body } = await ask('us');
    expect(status).toBe(200);
    expect(Object.keys(body)).toEqual(
      expect.arrayContaining([
        'factor',
        'finishedGrams',
        'portions',
        'portionGrams',
        'lines',
        'allergens',
        'nutrition',
        'label',
        'findings',
      ]),
    );
    expect(Object.keys(body.lines[0])).toEqual(
      expect.arrayContaining([
        'id',
        'name',
        'baseGrams',
        'batchGrams',
        'scaleGrams',
        'firstGrams',
        'heldBackGrams',
        'loads',
        'allergens',
        'findings',
      ]),
    );
    expect(Object.keys(body.nutrition)).toEqual(['perPortion', 'per100g', 'missing', 'ranges']);
    expect(body.allergens.find(({ id }: { id: string }) => id === 'soy')).toMatchObject({
      status: 'contains',
      paths: ['Tamari'],
    });
    expect(body.label.contains).toMatch(/^Contains: Soy/);
    expect((await ask('eu')).body.label.figures[0]).toMatchObject({ id: 'energyKj', name: 'Energy' });
  });

  test('a recipe in words that tells no portions says so, and stays a draft', async () => {
    const recipe = { name: 'Plain', text: '1 kg potatoes' };
    const { body } = await world.send('POST', '/api/worksheet', { recipe });
    expect(body.findings.map(({ code }: { code: string }) => code)).toContain('no-portions');
    expect(body.label.isDraft).toBe(true);
    const told = await world.send('POST', '/api/worksheet', { recipe: { ...recipe, portions: 4 } });
    expect(told.body.label.isDraft).toBe(false);
  });

  test('a line may come with its answer', async () => {
    const recipe = {
      name: 'Dill',
      lines: [{ text: 'a handful of dill', answers: { grams: 21 } }, '1 kg potatoes'],
    };
    const { body } = await world.send('POST', '/api/worksheet', { recipe });
    expect(body.lines[0]).toMatchObject({ baseGrams: 21, origin: 'weighed here' });
  });

  test('swaps give plans with their worksheet, or what blocks them', async () => {
    const policy = { mayContain: 'refuse', check: 'accept' };
    const { body } = await world.send('POST', '/api/swaps', {
      recipeId: POT,
      target: TARGET,
      exclude: ['soy'],
      policy,
    });
    expect(body.blockedBy).toEqual([]);
    expect(body.plans[0].swaps[0]).toMatchObject({
      from: { foodId: 'tamari' },
      to: [{ foodId: 'mushroom-ferment' }],
    });
    expect(body.plans[0].worksheet.allergens.find(({ id }: { id: string }) => id === 'soy').status).toBe(
      'check',
    );
    const blocked = await world.send('POST', '/api/swaps', {
      recipeId: 'caraway-flatbread',
      exclude: ['gluten'],
    });
    expect(blocked.body).toMatchObject({ plans: [], blockedBy: [{ name: 'Strong wheat flour' }] });
  });

  test('the server gives the same bytes as core alone', async () => {
    const { recipe } = await world.store.recipes.recipe(POT);
    const kitchen = await world.store.kitchens.kitchen('alder-ward');
    const own = worksheet(
      { recipe, kitchen, target: TARGET as Worksheet['target'], vesselIds: [] },
      await world.store.recipes.book(),
    );
    const response = await world.app.request('/api/worksheet', {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({ recipeId: POT, target: TARGET, kitchenId: 'alder-ward' }),
    });
    expect(await response.text()).toBe(JSON.stringify(own));
  });

  test('the label comes as a PDF file', async () => {
    const response = await world.app.request('/api/label.pdf', {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({ recipeId: POT, regime: 'us' }),
    });
    expect(response.headers.get('content-type')).toBe('application/pdf');
    expect(
      Buffer.from(await response.arrayBuffer())
        .subarray(0, 5)
        .toString(),
    ).toBe('%PDF-');
  });
});

describe('bad input', () => {
  test.each<[string, string, unknown, number, string]>([
    ['POST', '/api/parse', '{not json', 400, 'bad-json'],
    ['POST', '/api/parse', {}, 400, 'bad-request'],
    ['POST', '/api/parse', { text: 'x'.repeat(2_000_000) }, 413, 'text-too-long'],
    ['POST', '/api/parse', { text: 'x'.repeat(4_000_000) }, 413, 'too-large'],
    [
      'POST',
      '/api/worksheet',
      { recipeId: POT, target: { kind: 'portions', portions: 0, portionGrams: 280 } },
      400,
      'bad-request',
    ],
    ['POST', '/api/worksheet', { recipeId: POT, recipe: TOLD }, 400, 'bad-request'],
    ['POST', '/api/worksheet', { recipeId: 'no-such-dish' }, 404, 'recipe-not-found'],
    ['POST', '/api/worksheet', { recipeId: POT, kitchenId: 'no-such-kitchen' }, 404, 'kitchen-not-found'],
    ['POST', '/api/swaps', { recipeId: POT, exclude: [] }, 400, 'bad-request'],
    [
      'PUT',
      '/api/kitchens/alder-ward/packs/no-such-food',
      {
        productName: 'x',
        statement: '',
        allergens: {},
        certifiedGlutenFree: false,
        checkedBy: 'x',
        checkedOn: '2026-01-01',
      },
      404,
      'food-not-found',
    ],
    ['GET', '/api/nowhere', undefined, 404, 'not-found'],
  ])('%s %s', async (method, path, body, status, code) => {
    const answer = await world.send(method, path, body);
    expect([answer.status, answer.body.error.code]).toEqual([status, code]);
    expect(answer.body.error.message.length).toBeGreaterThan(10);
    expect(JSON.stringify(answer.body)).not.toMatch(/node_modules|at \w+ \(/);
  });

  test('absurd amounts, markup and marks of direction are read as words and answered', async () => {
    const text =
      '<img src=x onerror=alert(1)>\n1e308 cups millet\n\u202e2 tbsp tamari\n🥕🥕 carrots\n-3 kg dill\n= 1+1';
    const { status, body } = await world.send('POST', '/api/parse', { text });
    expect(status).toBe(200);
    expect(body.name).toBe('<img src=x onerror=alert(1)>');
    expect(body.lines[0]).toMatchObject({ grams: null, text: '1e308 cups millet' });
    expect(body.lines[0].findings[0].code).toBe('amount-absurd');
  });

  test('no error that nobody expected was met', () => expect(world.errors).toEqual([]));
});

describe('what is kept', () => {
  const load = async () => (await world.send('GET', `/api/recipes/${POT}`)).body;

  test('a second start migrates nothing and loads nothing again', async () => {
    expect(await world.tables.kitchens.count()).toBe(3);
    expect(await migrate(world.database)).toEqual([]);
    expect(await seedOnce(world.database, world.tables, new Date())).toBe(false);
  });

  test('a dish is saved whole and found again', async () => {
    const saved = await load();
    const lines = saved.recipe.lines.map((line: object, index: number) =>
      index === 0 ? { ...line, answers: { grams: 150.125, gramsOrigin: 'weighed here' } } : line,
    );
    const recipe = { ...saved.recipe, name: 'Pot, ünser „eigener“ 🥕', lines, measuredYieldGrams: 1612.5 };
    const put = await world.send('PUT', `/api/recipes/${POT}`, { ...saved, recipe });
    expect(put).toMatchObject({ status: 200, body: { version: saved.version + 1 } });
    expect(await load()).toEqual({ ...saved, recipe, version: saved.version + 1 });
    const { body } = await world.send('GET', '/api/recipes');
    expect(body.find(({ id }: { id: string }) => id === POT)).toMatchObject({
      name: recipe.name,
      contains: ['Soy', 'Gluten'],
    });
  });

  test('two people who save the same dish: the second is told, and gets what the first saved', async () => {
    const mine = await load();
    const theirs = await load();
    const saved = await world.send('PUT', `/api/recipes/${POT}`, {
      ...theirs,
      recipe: { ...theirs.recipe, name: 'Theirs' },
    });
    expect(saved.status).toBe(200);
    const conflict = await world.send('PUT', `/api/recipes/${POT}`, {
      ...mine,
      recipe: { ...mine.recipe, name: 'Mine' },
    });
    expect([conflict.status, conflict.body.error.code]).toEqual([409, 'version-conflict']);
    expect(conflict.body.error.details[0].recipe.name).toBe('Theirs');
    expect((await load()).recipe.name).toBe('Theirs');
  });

  test('of many who save at once from one version, one wins and nothing is torn', async () => {
    const start = await load();
    const tries = Array.from({ length: 8 }, (_, index) =>
      world.send('PUT', `/api/recipes/${POT}`, {
        ...start,
        recipe: { ...start.recipe, name: `Hand ${index}` },
      }),
    );
    const statuses = (await Promise.all(tries)).map(({ status }) => status).sort();
    expect(statuses.filter((status) => status === 200)).toHaveLength(1);
    const end = await load();
    expect(end.recipe.lines).toEqual(start.recipe.lines);
    expect(end.version).toBe(start.version + 1);
  });

  test('a variant follows its parent', async () => {
    const parent = await load();
    const swaps = [{ fromId: 'tamari', swapId: 'tamari-mushroom-ferment' }];
    const recipe = {
      ...parent.recipe,
      id: 'pot-no-soy',
      name: 'Pot, no soy',
      parentId: POT,
      swaps,
      freeFrom: ['soy'],
    };
    expect((await world.send('POST', '/api/recipes', { recipe, target: null, version: 0 })).status).toBe(201);
    const lines = parent.recipe.lines.slice(0, -1);
    await world.send('PUT', `/api/recipes/${POT}`, {
      ...parent,
      recipe: { ...parent.recipe, lines, portions: 7 },
    });
    const variant = (await world.send('GET', '/api/recipes/pot-no-soy')).body;
    expect(variant.recipe).toMatchObject({ parentId: POT, swaps, freeFrom: ['soy'], portions: 7 });
    expect(variant.recipe.lines).toEqual(lines);
  });

  test('an id is taken once', async () => {
    const { recipe } = await load();
    const again = await world.send('POST', '/api/recipes', { recipe, target: null, version: 0 });
    expect([again.status, again.body.error.code]).toEqual([409, 'recipe-exists']);
  });

  test('what others use stays in the book; what is taken out can be put back whole', async () => {
    const kept = await world.send('DELETE', '/api/recipes/sunflower-seed-cream');
    expect(kept.body.error).toMatchObject({
      code: 'component-in-use',
      details: expect.arrayContaining(['Green dressing']),
    });
    const before = (await world.send('GET', '/api/recipes/caraway-flatbread')).body;
    await world.send('DELETE', '/api/recipes/caraway-flatbread');
    expect((await world.send('GET', '/api/recipes/caraway-flatbread')).status).toBe(404);
    await world.send('POST', '/api/recipes/caraway-flatbread/restore');
    expect((await world.send('GET', '/api/recipes/caraway-flatbread')).body).toEqual(before);
  });

  test('a pack that is recorded settles its lines in every dish, and the earlier statement stays on file', async () => {
    const pack = {
      productName: 'Tamari 5 L',
      statement: 'soya beans, salt',
      allergens: { soy: 'contains' },
      certifiedGlutenFree: true,
      checkedBy: 'A',
      checkedOn: '2026-11-20',
    };
    await world.send('PUT', '/api/kitchens/alder-ward/packs/tamari', {
      ...pack,
      allergens: { wheat: 'may-contain' },
    });
    await world.send('PUT', '/api/kitchens/alder-ward/packs/tamari', pack);
    await world.send('POST', '/api/kitchens/alder-ward/packs/tamari/confirm', {
      checkedBy: 'B',
      checkedOn: '2026-11-21',
    });
    const { body } = await world.send('POST', '/api/worksheet', { recipeId: POT, kitchenId: 'alder-ward' });
    const tamari = body.lines.find(({ foodId }: { foodId: string }) => foodId === 'tamari');
    expect(tamari.findings.map(({ code }: { code: string }) => code)).not.toContain('pack-unknown');
    expect(body.label.ingredients).toContain('tamari (SOYA BEANS, salt)');
    expect(await world.tables.packs.count({ where: { foodId: 'tamari' } })).toBe(3);
  });

  test("the kitchen's own handful is used from then on", async () => {
    const weight = { foodId: 'dill', unit: 'handful', grams: 12, weighedOn: '2026-11-24' };
    expect((await world.send('POST', '/api/kitchens/alder-ward/weights', weight)).status).toBe(200);
    const recipe = { name: 'Dill', lines: ['a handful of dill', '1 kg potatoes'] };
    const { body } = await world.send('POST', '/api/worksheet', { recipe, kitchenId: 'alder-ward' });
    expect(body.lines[0]).toMatchObject({ baseGrams: 12, origin: 'weighed here' });
  });
});
