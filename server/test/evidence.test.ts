/** What the server holds against itself: packs against their statements, dates, two at once, words that no line holds. */
import type { Food, Kitchen, Recipe } from '@hand-ladle/core';
import { openWorld, type World } from './world';

type Any = ReturnType<typeof JSON.parse>;
let world: World;
beforeAll(async () => {
  world = await openWorld('evidence');
});
afterAll(() => world.close());

const WARD = 'alder-ward';
const pack = (extra: object = {}) => ({
  productName: 'A pack',
  statement: 'water, salt',
  allergens: {},
  certifiedGlutenFree: false,
  animal: 'plant',
  checkedBy: 'R. Fallow',
  checkedOn: '2026-11-20',
  ...extra,
});
const record = (foodId: string, body: object) =>
  world.send('PUT', `/api/kitchens/${WARD}/packs/${foodId}`, body);
const sheetOf = async (recipe: object): Promise<Any> =>
  (
    await world.send('POST', '/api/worksheet', {
      recipe: { name: 'Plate', steps: ['Serve it cold.'], portions: 1, ...recipe },
      kitchenId: WARD,
    })
  ).body;
const statusIn = (sheet: Any, id: string): string =>
  sheet.allergens.find((each: Any) => each.id === id).status;

describe('a pack and its own statement', () => {
  test.each([
    ['Contains: MILK', {}, 'plant', /contains milk/],
    ['oat base, almonds', {}, 'plant', /contains almond/],
    ['wheat flour. May contain sesame.', { wheat: 'contains' }, 'plant', /may contain sesame/],
    ['wheat flour', { wheat: 'may-contain' }, 'plant', /contains wheat/],
    ['soya', { soy: 'none' }, 'plant', /contains soy/],
    ['sugar, honey', {}, 'plant', /comes from an animal/],
  ])('%s with %j is refused with the words', async (statement, allergens, animal, words) => {
    const { status, body } = await record('stock-paste', pack({ statement, allergens, animal }));
    expect([status, body.error.code]).toEqual([422, 'pack-contradicts']);
    expect(body.error.details.map(({ message }: Any) => message).join(' ')).toMatch(words);
  });

  test('what the statement leaves open stays to be checked after saving, until the supplier was asked', async () => {
    const line = { lines: ['100 g hummus'] };
    const said = { sesame: 'contains' };
    await record('hummus', pack({ statement: 'chickpeas, sesame paste, spices', allergens: said }));
    expect(statusIn(await sheetOf(line), 'celery')).toBe('check');
    await record(
      'hummus',
      pack({
        statement: 'chickpeas, sesame paste, spices',
        allergens: { ...said, celery: 'none', mustard: 'none' },
      }),
    );
    await world.send('POST', `/api/kitchens/${WARD}/packs/hummus/confirm`, {
      checkedBy: 'R. Fallow',
      checkedOn: '2026-11-20',
    });
    expect(statusIn(await sheetOf(line), 'celery')).toBe('clear');
    await world.send('DELETE', `/api/kitchens/${WARD}/packs/hummus`);
    expect(statusIn(await sheetOf(line), 'celery')).toBe('check');
  });

  test.each(['2026-12-24', '2031-01-01', '2019-03-01'])('a reading of %s is refused', async (checkedOn) => {
    const { status, body } = await record('tempeh', pack({ checkedOn }));
    expect([status, body.error.code]).toEqual([422, 'reading-date']);
  });

  test('a list that names milk is not confirmed into clear', async () => {
    await world.tables.packs.create({
      kitchenId: WARD, foodId: 'plant-margarine', productName: 'Listed', supplier: '', statement: 'Contains: MILK', allergens: {},
      certifiedGlutenFree: false, animal: null, own: {}, panel: {}, checkedBy: 'supplier list', checkedOn: '2026-11-20', isConfirmed: false,
    }).catch(() => undefined); // prettier-ignore
    const { body } = await world.send('POST', `/api/kitchens/${WARD}/packs/plant-margarine/confirm`, {
      checkedBy: 'R. Fallow',
      checkedOn: '2026-11-20',
    });
    expect(['pack-contradicts', 'food-not-found']).toContain(body.error.code);
  });
});

describe('two at once', () => {
  test('two who read the first pack of a food at once are two statements: neither is confirmed', async () => {
    const foods = [
      'silken-tofu',
      'soft-tofu',
      'smoked-tofu',
      'okara',
      'natto',
      'yuba',
      'soya-yoghurt',
      'soya-cream',
      'edamame',
      'extra-firm-tofu',
    ];
    const known = new Set((await world.store.larder.all()).foods.map(({ id }) => id));
    for (const foodId of foods.filter((id) => known.has(id))) {
      const both = await Promise.all([
        record(foodId, pack({ statement: 'soya beans, water', allergens: { soy: 'contains' } })),
        record(
          foodId,
          pack({
            statement: 'soya beans, water, sesame',
            allergens: { soy: 'contains', sesame: 'contains' },
          }),
        ),
      ]);
      expect(both.map(({ status }) => status)).toEqual([200, 200]);
      const kitchen = (await world.send('GET', `/api/kitchens/${WARD}`)).body.kitchen as Kitchen;
      expect([foodId, kitchen.packs.find((each) => each.foodId === foodId)!.isConfirmed]).toEqual([
        foodId,
        false,
      ]);
    }
  });

  test('a food that was saved while others read is never served old', async () => {
    const line = { lines: ['100 g leek'] };
    for (let round = 0; round < 12; round += 1) {
      const saved = (await world.send('GET', '/api/foods/leek')).body as { food: Food; version: number };
      const kept = saved.food.composition.ironMg;
      const food = { ...saved.food, composition: { ...saved.food.composition, ironMg: (kept ?? 0) + 1 } };
      world.store.larder.forget();
      const reading = Promise.all(Array.from({ length: 6 }, () => sheetOf(line)));
      const { status } = await world.send('PUT', '/api/foods/leek', { food, version: saved.version });
      await reading;
      if (status !== 200) continue;
      const larder = (await world.store.larder.all()).foods.find(({ id }) => id === 'leek')!;
      expect(larder.composition.ironMg).toBe((kept ?? 0) + 1);
    }
  });

  test('nor is it by its address, asked for between the writing and the forgetting of what was held', async () => {
    const iron = async (): Promise<number> => {
      const { foods } = (await world.send('GET', '/api/larder')).body as { foods: Food[] };
      return foods.find(({ id }) => id === 'leek')!.composition.ironMg!;
    };
    const before = await iron();
    const { food, version } = (await world.send('GET', '/api/foods/leek')).body;
    const { foods } = world.tables;
    const update = foods.update.bind(foods) as (...told: unknown[]) => Promise<unknown>;
    const between = jest.spyOn(foods, 'update').mockImplementation((async (...told: unknown[]) => {
      const done = await update(...told);
      await iron();
      return done;
    }) as never);
    const composition = { ...food.composition, ironMg: before + 1 };
    const saved = await world.send('PUT', '/api/foods/leek', { food: { ...food, composition }, version });
    between.mockRestore();
    expect([saved.status, await iron()]).toEqual([200, before + 1]);
  });
});

describe('words that no line holds', () => {
  const steps = ['Roast for 30 minutes.', 'Finish with toasted walnuts and a drizzle of honey.'];

  test('by the API: check, with the place, a decision, and a plan is blocked', async () => {
    const sheet = await sheetOf({ lines: ['600 g carrots', '20 g olive oil'], steps });
    expect(statusIn(sheet, 'tree-nut')).toBe('check');
    const trace = sheet.allergens.find((each: Any) => each.id === 'tree-nut').traces[0];
    expect(trace).toMatchObject({
      lineId: null,
      mention: { text: 'walnuts', from: 20, to: 27, place: 'step 2' },
    });
    expect(sheet.findings.find((each: Any) => each.code === 'named-nowhere')).toMatchObject({
      severity: 'decision',
      lineId: null,
    });
    const { body } = await world.send('POST', '/api/swaps', {
      recipe: { name: 'Plate', lines: ['600 g carrots'], steps, portions: 1 },
      exclude: ['nut'],
      kitchenId: WARD,
    });
    expect([body.plans, body.blockedBy[0].name]).toEqual([[], '"walnuts" in step 2']);
  });

  test('a line of several foods is several lines; notes and the title are read too', async () => {
    const sheet = await sheetOf({
      name: 'Carrots with almonds',
      lines: ['200 g green beans with anchovies'],
      notes: ['Good with feta.'],
    });
    expect(sheet.lines.map(({ name }: Any) => name)).toEqual(['Green beans', 'Anchovies']);
    expect([statusIn(sheet, 'fish'), statusIn(sheet, 'tree-nut'), statusIn(sheet, 'milk')]).toEqual([
      'contains',
      'check',
      'check',
    ]);
  });

  test('parse: every line with its source, every mention with its end, every dish of the text', async () => {
    const text =
      '# Pot\n\n200 g carrots with almonds\n\nMethod\nAdd honey. No nuts needed.\n\n# Tray\n\n1 kg potatoes\n';
    const { body } = await world.send('POST', '/api/parse', { text, units: 'metric' });
    expect(body.dishes.map(({ name }: Any) => name)).toEqual(['Pot', 'Tray']);
    for (const { lines } of body.dishes)
      for (const { source, text: line } of lines)
        expect(text.slice(...(source as [number, number]))).toContain(line);
    const ends = body.mentions.map((each: Any) => [text.slice(each.from, each.to), each.end]);
    expect(ends).toEqual(
      expect.arrayContaining([
        ['carrots', 'line'],
        ['almonds', 'line'],
        ['honey', 'open'],
        ['nuts', 'absent'],
      ]),
    );
    expect(body.dishes[1].lines[0].source).toEqual([text.indexOf('1 kg'), text.indexOf('1 kg') + 13]);
  });

  test('kept with the dish, and what a cook said is kept with who and when; a variant follows its parent', async () => {
    const saved = (await world.send('GET', '/api/recipes/fennel-butter-bean-pot')).body as {
      recipe: Recipe;
      version: number;
    };
    const parent = saved.recipe;
    const variant = {
      ...parent,
      id: 'pot-variant',
      name: 'Pot for table two',
      parentId: parent.id,
      freeFrom: ['nut'],
    };
    expect(
      (await world.send('POST', '/api/recipes', { recipe: variant, target: null, version: 0 })).status,
    ).toBe(201);
    const sheet = async (id: string): Promise<Any> =>
      (await world.send('POST', '/api/worksheet', { recipeId: id, kitchenId: WARD })).body;
    expect(statusIn(await sheet('pot-variant'), 'nut')).toBe('clear');
    // The parent gains a step: the variant is to be checked, and says so.
    const reading = { ...parent.steps[0]!.reading, cooking: null, lineIds: [] };
    const step = { id: 's99', text: 'Scatter over the toasted hazelnuts.', reading };
    const notes = ['Good with rye bread.'];
    const changed = await world.send('PUT', `/api/recipes/${parent.id}`, {
      ...saved,
      recipe: { ...parent, steps: [...parent.steps, step], notes },
    });
    expect(changed.status).toBe(200);
    expect(statusIn(await sheet('pot-variant'), 'nut')).toBe('check');
    expect((await sheet('pot-variant')).findings.map(({ code }: Any) => code)).toContain('variant-unread');
    expect((await sheet(parent.id)).allergens.find((each: Any) => each.id === 'gluten').status).toBe('check');
    const said = [
      { name: 'hazelnut', text: step.text, by: 'R. Fallow', on: '2026-11-28' },
      { name: 'rye bread', text: notes[0], by: 'R. Fallow', on: '2026-11-28' },
    ];
    const answered = await world.send('PUT', `/api/recipes/${parent.id}`, {
      ...changed.body,
      recipe: { ...changed.body.recipe, notIn: said },
    });
    expect(answered.body.recipe.notIn).toEqual(said);
    expect(statusIn(await sheet('pot-variant'), 'nut')).toBe('clear');
  });
});
