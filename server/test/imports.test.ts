import { type Food, FOOD_COLUMNS, type Kitchen, rowFromFood } from '@hand-ladle/core';
import { loadFoods } from '@hand-ladle/data';
import { openWorld, type World } from './world';

let world: World;
beforeAll(async () => {
  world = await openWorld('test-imports');
});
afterAll(() => world.close());

type Any = ReturnType<typeof JSON.parse>;

async function upload(body: string | Uint8Array, kind = 'foods'): Promise<{ status: number; body: Any }> {
  const response = await world.app.request(`/api/imports?kind=${kind}&fileName=t.csv`, {
    method: 'POST',
    body: body as string,
  });
  return { status: response.status, body: await response.json() };
}

/** Uploads, runs with the guessed mapping, and waits for the end. */
async function imported(body: string | Uint8Array, request: object = {}, kind = 'foods'): Promise<Any> {
  const { body: view } = await upload(body, kind);
  const run = await world.send('POST', `/api/imports/${view.id}/run`, {
    mapping: view.mapping,
    hasDecimalComma: view.hasDecimalComma,
    dryRun: false,
    kitchenId: 'alder-ward',
    ...request,
  });
  expect(run.status).toBe(202);
  for (;;) {
    const { body: now } = await world.send('GET', `/api/imports/${view.id}`);
    if (now.progress.state !== 'running') return { ...now.progress, id: view.id };
    await new Promise((done) => setTimeout(done, 10));
  }
}

const foodOf = async (id: string): Promise<Food> => (await world.send('GET', `/api/foods/${id}`)).body.food;
const larderSize = async (): Promise<number> => (await world.send('GET', '/api/larder')).body.foods.length;

const NATIONAL = `Food Code,Food Name,Water (g),Protein (g),Fat (g),Carbohydrate (g),AOAC fibre (g),Energy (kcal),Sodium (g),Iron (mg)
13-001,"Skirret, raw",75,2.1,0.3,16,3.2,80,0.02,Tr
13-002,Salsify,77,3.3,0.2,N,3.3,82,0.02,0.7
13-003,=cmd|' /C calc'!A0,1,1,1,1,1,1,1,1
13-004,,1,1,1,1,1,1,1,1
13-005,Heavy thing,90,30,10,5,1,100,0.1,1
13-006,Oca,eighty,1,0.5,14,2,70,0,1
13-007,"Skirret, raw",75,2.1,0.3,16,3.2,80,0.02,1`;

describe('a national composition table', () => {
  test('is tried first: every refused row and why, and nothing changes', async () => {
    const before = await larderSize();
    const progress = await imported(NATIONAL, { dryRun: true });
    expect(progress).toMatchObject({ state: 'done', isDryRun: true, rows: 7, created: 2, refusedCount: 5 });
    const reasons = progress.refused.map((each: Any) => [each.line, each.reasons[0].message]);
    expect(reasons[0]).toEqual([4, expect.stringContaining('is a formula')]);
    expect(reasons[1]).toEqual([5, 'the food has no name']);
    expect(reasons[2]).toEqual([6, expect.stringContaining('come to')]);
    expect(reasons[3]).toEqual([7, '"eighty" is not a figure']);
    expect(reasons[4]).toEqual([8, 'the same food as in line 2']);
    const report = await (await world.app.request(`/api/imports/${progress.id}/refused.csv`)).text();
    expect(report.split('\n').filter(Boolean)).toHaveLength(6);
    expect(report).not.toMatch(/^=|,=/m);
    expect(await larderSize()).toBe(before);
  });

  test('brings figures in our units, blanks as unknown, and nothing that reads as clear', async () => {
    const progress = await imported(NATIONAL);
    expect(progress).toMatchObject({ state: 'done', created: 2, refusedCount: 5 });
    const skirret = await foodOf('skirret-raw');
    expect(skirret).toMatchObject({ kind: 'product', animal: 'check', energyKcal: 80 });
    expect(skirret.composition).toMatchObject({
      carbohydrateG: 19.2,
      sodiumMg: 20,
      ironMg: null,
      vitaminCMg: null,
    });
    expect((await foodOf('salsify')).composition.carbohydrateG).toBeNull();
    const { body } = await world.send('POST', '/api/worksheet', {
      recipe: { name: 'x', lines: ['200 g skirret'], steps: [], portions: 1 },
    });
    expect(new Set(body.allergens.map(({ status }: Any) => status))).toEqual(new Set(['check']));
  });

  test('a food the larder has is refused, or updated where that is asked: only what the table speaks of', async () => {
    const table = 'name,iron_mg\nLeek,9.9';
    expect((await imported(table)).refused[0].reasons[0].message).toBe('Leek is in the larder already');
    const before = await foodOf('leek');
    expect(await imported(table, { existing: 'update' })).toMatchObject({ updated: 1, created: 0 });
    const after = await foodOf('leek');
    expect(after).toEqual({ ...before, composition: { ...before.composition, ironMg: 9.9 } });
  });

  test('no row can clear what the larder says', async () => {
    const table = 'id,name,kind,allergens\ntamari,Tamari,single,\nhoney,Honey,single,';
    const progress = await imported(`${table}\npearl-barley,Pearl barley,single,barley:check`, {
      existing: 'update',
    });
    expect(progress.refusedCount).toBe(2);
    expect(progress.refused[0].reasons[0].message).toMatch(/take away.*soy: contains.*kind: product/);
    expect((await foodOf('pearl-barley')).allergens.barley).toBe('contains');
  });
});

describe('tables as people save them', () => {
  const latin = (text: string): Uint8Array => Uint8Array.from(Buffer.from(text, 'latin1'));
  test.each<[string, string | Uint8Array, string, number | null]>([
    ['a byte order mark', '\ufeffname,protein_g\nOca a,1.5', 'oca-a', 1.5],
    ['semicolons and decimal commas', 'name;protein_g;fat_g\nOca b;1,5;0,2\n', 'oca-b', 1.5],
    ['tabs and Windows line ends', 'name\tprotein_g\r\nOca c\t1.5\r\n', 'oca-c', 1.5],
    [
      'quotes with line breaks and doubled quotes',
      'name,protein_g,category\n"Oca d",1.5,"a ""b""\nc"',
      'oca-d',
      1.5,
    ],
    ['another encoding', latin('name;protein_g\nOca é;1,5'), 'oca-e', 1.5],
    ['UTF-16', Buffer.from('\ufeffname,protein_g\nOca f,1.5', 'utf16le'), 'oca-f', 1.5],
    ['short and long rows', 'name,protein_g\nOca g\nOca h,1.5,9,9', 'oca-h', 1.5],
    ['an empty cell', 'name,protein_g\nOca i,', 'oca-i', null],
  ])('%s', async (_, table, id, protein) => {
    const progress = await imported(table);
    expect([progress.state, progress.refused]).toEqual(['done', []]);
    expect((await foodOf(id)).composition.proteinG).toBe(protein);
  });

  test('what is no table is refused with the way out, and nothing is kept', async () => {
    const before = await larderSize();
    expect((await upload('')).body.error.code).toBe('file-empty');
    expect((await upload(Uint8Array.from([0x50, 0x4b, 3, 4, 0, 1, 2]))).body.error.code).toBe(
      'file-unreadable',
    );
    const big = await world.app.request('/api/imports?kind=foods', {
      method: 'POST',
      body: 'x',
      headers: { 'Content-Length': String(200 * 1024 * 1024) },
    });
    expect(((await big.json()) as Any).error.code).toBe('file-too-large');
    const { body: view } = await upload('first,second\n1,2');
    const run = await world.send('POST', `/api/imports/${view.id}/run`, {
      mapping: { first: '' },
      hasDecimalComma: false,
    });
    expect([run.status, run.body.error.code, run.body.error.details]).toEqual([
      400,
      'mapping-incomplete',
      ['Name'],
    ]);
    expect(await larderSize()).toBe(before);
  });

  test('a quotation mark that never closes is named with its line, and not half the table goes in', async () => {
    const before = await larderSize();
    const rows = Array.from({ length: 30_000 }, (_, index) => `Root ${index},1.5,"a note of some length"`);
    rows[900] = '"Root that never ends,1.5,x';
    const progress = await imported(
      `name,protein_g,remark\n${rows.join('\n').replace(/"a note of some length"/g, 'a note of some length')}`,
    );
    expect(progress.state).toBe('failed');
    expect(progress.problem).toMatch(/never closed.*Nothing was changed/);
    expect(await larderSize()).toBe(before);
  });
});

describe('large tables', () => {
  const rows = (count: number): string => {
    const lines = ['name,water_g,protein_g,fat_g,carbohydrate_g,fibre_g,sodium_mg,category'];
    for (let index = 0; index < count; index += 1) lines.push(`Root ${index},70,3,1,20,4,10,vegetable`);
    return lines.join('\n');
  };

  test('a table of 100 MB is tried row by row while the server answers others at once', async () => {
    const line = `Root,70,3,1,20,4,10,${'v'.repeat(50)}\n`;
    const count = Math.ceil((100 * 1024 * 1024) / line.length);
    const { body: view } = await upload(
      `name,water_g,protein_g,fat_g,carbohydrate_g,fibre_g,sodium_mg,category\n${line.repeat(count)}`,
    );
    expect(view.bytes).toBeGreaterThan(100 * 1024 * 1024);
    await world.send('POST', `/api/imports/${view.id}/run`, {
      mapping: view.mapping,
      hasDecimalComma: false,
      dryRun: true,
    });
    // Answers come between the rows: each finds the run further on, and not at its end.
    const seen = new Set<number>();
    while (seen.size < 5) {
      const { body } = await world.send('GET', `/api/imports/${view.id}`);
      expect(body.progress.state).toBe('running');
      seen.add(body.progress.rows);
      await new Promise((done) => setTimeout(done, 20));
    }
    await world.send('POST', `/api/imports/${view.id}/stop`);
    for (;;) {
      const { body } = await world.send('GET', `/api/imports/${view.id}`);
      if (body.progress.state === 'running') {
        await new Promise((done) => setTimeout(done, 20));
        continue;
      }
      expect(body.progress).toMatchObject({ state: 'stopped', problem: 'Stopped. Nothing was changed.' });
      break;
    }
  });

  test('a run that is stopped leaves nothing behind', async () => {
    const before = await larderSize();
    const { body: view } = await upload(rows(20_000));
    await world.send('POST', `/api/imports/${view.id}/run`, {
      mapping: view.mapping,
      hasDecimalComma: false,
      dryRun: false,
    });
    await new Promise((done) => setTimeout(done, 150));
    await world.send('POST', `/api/imports/${view.id}/stop`);
    for (;;) {
      const { body } = await world.send('GET', `/api/imports/${view.id}`);
      if (body.progress.state !== 'running') {
        expect(body.progress.state).toBe('stopped');
        break;
      }
      await new Promise((done) => setTimeout(done, 10));
    }
    expect(await larderSize()).toBe(before);
  });

  test('the exported larder comes back the same, in one request', async () => {
    const before = (await world.send('GET', '/api/larder')).body.foods as Food[];
    const table = await (await world.app.request('/api/foods.csv')).text();
    expect(table.split('\n')[0]).toBe(FOOD_COLUMNS.join(','));
    const response = await world.app.request('/api/foods.csv', { method: 'POST', body: table });
    const progress = (await response.json()) as Any;
    expect(progress).toMatchObject({ state: 'done', created: 0, updated: before.length, refusedCount: 0 });
    expect((await world.send('GET', '/api/larder')).body.foods).toEqual(before);
  });
});

describe('a supplier list', () => {
  const LIST = `Article;Food;Supplier;Net weight (kg);Drained weight (kg);Price;Ingredients;May contain
Tamari 5 L;Tamari;Quay Stores;5,9;;32,50;"water, SOYA BEANS, salt";
Chickpeas 6 x A10;Chickpeas tinned;Fell Pantry;2,5;1,5;6,10;chickpeas, water;
Seed mix;Mixed seeds;Fell Pantry;1;;8;"sunflower, pumpkin";sesame, peanuts
Mystery paste;;Quay Stores;1;;8;water;
Firm tofu;Firm tofu;Quay Stores;0,4;0,5;2;soya beans;`;

  test('becomes products that nobody has read yet', async () => {
    const progress = await imported(LIST, {}, 'products');
    expect(progress).toMatchObject({ state: 'done', refusedCount: 2 });
    expect(progress.refused.map((each: Any) => each.reasons[0].message)).toEqual([
      '"Mystery paste" is no food of the larder',
      'drained weighs more than net',
    ]);
    const kitchen = (await world.send('GET', '/api/kitchens')).body[0] as Kitchen;
    const pack = (id: string) => kitchen.packs.find(({ foodId }) => foodId === id)!;
    expect(pack('tamari')).toMatchObject({
      netGrams: 5900,
      price: 32.5,
      allergens: { soy: 'contains' },
      isConfirmed: false,
    });
    expect(pack('mixed-seeds').allergens).toMatchObject({ sesame: 'may-contain', peanut: 'may-contain' });
    const { body } = await world.send('POST', '/api/worksheet', {
      recipe: { name: 'x', lines: ['2 tins chickpeas, drained', '1 tbsp tamari'], steps: [], portions: 1 },
    });
    expect(body.lines[0].baseGrams).toBe(3000);
    expect(body.lines[0].origin).toBe('pack label');
    expect(body.allergens.find(({ id }: Any) => id === 'wheat').status).toBe('check');
  });
});

test('sizes are read as suppliers write them, and a row that is refused says how to write it', async () => {
  const list = `Article,Product,Food,Pack size
88120,Lentil sack,green-lentils,6 x 2.5 kg
88121,Oil can,olive-oil,5 L
88124,Barley sack,pearl-barley,a big one`;
  const progress = await imported(list, {}, 'products');
  expect(progress.refused[0].reasons[0].column).toBe('Pack size');
  expect(progress.refused[0].reasons[0].message).toMatch(/is no weight: write it like 1000, .*6 x 2.5 kg/);
  const { packs } = (await world.send('GET', '/api/kitchens')).body[0] as Kitchen;
  const net = (id: string) => packs.find(({ foodId }) => foodId === id)!.netGrams;
  expect([net('green-lentils'), Math.round(net('olive-oil')! / 100)]).toEqual([2500, 46]);
});

test('the products of a kitchen come back from their own table as they were', async () => {
  const of = async (): Promise<Kitchen> => ((await world.send('GET', '/api/kitchens')).body as Kitchen[])[0]!;
  const before = await of();
  const table = await (await world.app.request('/api/kitchens/alder-ward/products.csv')).text();
  const progress = await imported(table, {}, 'products');
  expect(progress).toMatchObject({
    state: 'done',
    created: 0,
    updated: before.packs.length,
    refusedCount: 0,
  });
  expect((await of()).packs).toEqual(before.packs);
});

describe('products whose statement changes', () => {
  const pack = (statement: string, allergens: object) => ({
    productName: 'Stock paste 5 kg',
    statement,
    allergens,
    certifiedGlutenFree: false,
    animal: 'plant',
    checkedBy: 'T. Marsh',
    checkedOn: '2026-11-20',
  });
  let schoolId = '';

  test('the first one that is read holds at once; a change returns every dish to check until someone says yes', async () => {
    const kitchens = (await world.send('GET', '/api/kitchens')).body as Kitchen[];
    schoolId = kitchens[1]!.id;
    const send = (body: object) => world.send('PUT', `/api/kitchens/${schoolId}/packs/stock-paste`, body);
    const status = async (id: string): Promise<string> => {
      const { body } = await world.send('POST', '/api/worksheet', {
        recipe: { name: 'x', lines: ['200 g stock paste'], steps: [], portions: 1 },
        kitchenId: schoolId,
      });
      return body.allergens.find((each: Any) => each.id === id).status;
    };
    await send(pack('water, salt, CELERY', { celery: 'contains' }));
    expect([await status('celery'), await status('soy')]).toEqual(['contains', 'clear']);
    const changed = await send(pack('water, salt, leek', {}));
    expect(changed.body.packs.find(({ foodId }: Any) => foodId === 'stock-paste')).toMatchObject({
      isConfirmed: false,
      before: { statement: 'water, salt, CELERY' },
    });
    // What it said before still counts while nobody has confirmed that it is gone.
    expect([await status('celery'), await status('soy')]).toEqual(['contains', 'check']);
    const digests = (await world.send('GET', `/api/recipes?kitchenId=${schoolId}`)).body as Any[];
    const using = digests.filter(({ changedProducts }) => changedProducts.includes('Stock paste 5 kg'));
    expect(using.map(({ id }) => id)).toEqual(expect.arrayContaining(['barley-leek-white-bean-pot']));
    const confirmed = await world.send('POST', `/api/kitchens/${schoolId}/packs/stock-paste/confirm`, {
      checkedBy: 'T. Marsh',
      checkedOn: '2026-11-21',
    });
    expect(confirmed.status).toBe(200);
    expect([await status('celery'), await status('soy')]).toEqual(['clear', 'clear']);
    expect(
      ((await world.send('GET', `/api/recipes?kitchenId=${schoolId}`)).body as Any[]).flatMap(
        ({ changedProducts }) => changedProducts,
      ),
    ).toEqual([]);
  });

  test('the same statement again changes nothing, and every version stays on file', async () => {
    await world.send('PUT', `/api/kitchens/${schoolId}/packs/stock-paste`, pack('water, salt, leek', {}));
    const kitchen = ((await world.send('GET', '/api/kitchens')).body as Kitchen[])[1]!;
    expect(kitchen.packs.find(({ foodId }) => foodId === 'stock-paste')!.isConfirmed).toBe(true);
    expect(await world.tables.packs.count({ where: { foodId: 'stock-paste', kitchenId: schoolId } })).toBe(4);
  });
});

describe('foods that people edit', () => {
  test('a new food is a product until a pack is read; a name twice is told', async () => {
    const base = loadFoods().find(({ id }) => id === 'tempeh')!;
    const food = { ...base, id: 'oca-flour', name: 'Oca flour', synonyms: ['oca'], allergens: {} };
    expect((await world.send('POST', '/api/foods', { food })).status).toBe(201);
    expect((await world.send('POST', '/api/foods', { food })).body.error.code).toBe('food-exists');
    const { body } = await world.send('POST', '/api/parse', { text: 'x\n200 g oca flour' });
    expect(body.lines[0].food).toEqual({ id: 'oca-flour', name: 'Oca flour' });
  });

  test('two who edit one food: the second is told; a food never says less than before', async () => {
    const { body: read } = await world.send('GET', '/api/foods/leek');
    const { usedIn, ...saved } = read;
    expect(usedIn.map(({ id }: Any) => id)).toContain('barley-leek-white-bean-pot');
    const first = await world.send('PUT', '/api/foods/leek', {
      ...saved,
      food: { ...saved.food, trimYield: 0.7 },
    });
    expect([first.status, first.body.version]).toEqual([200, saved.version + 1]);
    expect((await world.send('PUT', '/api/foods/leek', saved)).body.error.code).toBe('food-conflict');
    const { body: barley } = await world.send('GET', '/api/foods/pearl-barley');
    const loose = await world.send('PUT', '/api/foods/pearl-barley', {
      food: { ...barley.food, allergens: {} },
      version: barley.version,
    });
    expect([loose.status, loose.body.error.code]).toEqual([409, 'food-loosened']);
  });

  test('a name tied here is read so in every dish of this kitchen, and in no other', async () => {
    const ask = async (kitchenId: string) =>
      (
        await world.send('POST', '/api/worksheet', {
          recipe: { name: 'x', lines: ["200 g Gran's red paste"], steps: [], portions: 1 },
          kitchenId,
        })
      ).body.lines[0];
    expect((await ask('alder-ward')).foodId).not.toBe('tomato-paste');
    const tied = await world.send('POST', '/api/kitchens/alder-ward/names', {
      written: "gran's red paste",
      foodId: 'tomato-paste',
      tiedOn: '2026-11-25',
    });
    expect(tied.body.names[0]).toEqual({
      written: 'gran red paste',
      foodId: 'tomato-paste',
      tiedOn: '2026-11-25',
    });
    const line = await ask('alder-ward');
    expect([line.foodId, line.findings.filter(({ code }: Any) => code.startsWith('food-'))]).toEqual([
      'tomato-paste',
      [],
    ]);
    expect((await ask(schoolKitchen())).foodId).not.toBe('tomato-paste');
  });

  const schoolKitchen = (): string => 'pebble-school';

  test('rows of the shipped tables are foods the API takes', async () => {
    for (const food of loadFoods().slice(0, 40)) {
      expect(rowFromFood(food)['id']).toBe(food.id);
      const { body } = await world.send('GET', `/api/foods/${food.id}`);
      const put = await world.send('PUT', `/api/foods/${food.id}`, {
        food: body.food,
        version: body.version,
      });
      expect([food.id, put.status]).toEqual([food.id, 200]);
    }
  });

  test('no error that nobody expected was met', () => expect(world.errors).toEqual([]));
});
