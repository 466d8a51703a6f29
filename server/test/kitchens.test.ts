import { execFileSync } from 'node:child_process';
import { type BatchSheet, batchSheet, type Kitchen, type Target } from '@hand-ladle/core';
import { makeWhole } from '../src/database/whole-settings';
import { batchSheetPdf } from '../src/paper/batch-sheet-pdf';
import { openWorld, type World } from './world';

let world: World;
beforeAll(async () => {
  world = await openWorld('kitchens');
});
afterAll(() => world.close());

const POT = 'fennel-butter-bean-pot';
const TARGET: Target = { kind: 'portions', portions: 180, portionGrams: 300 };

const kitchens = async (): Promise<Kitchen[]> => (await world.send('GET', '/api/kitchens')).body;
const without = (value: object, ...fields: string[]): object =>
  Object.fromEntries(Object.entries(value).filter(([field]) => !fields.includes(field)));
const settingsOf = (kitchen: Kitchen): object =>
  without(kitchen, 'id', 'packs', 'weights', 'names', 'words', 'swaps', 'ratings');
const read = (id: string) => world.send('GET', `/api/kitchens/${id}`);
const save = (id: string, settings: unknown, version: number) =>
  world.send('PUT', `/api/kitchens/${id}`, { settings, version });

describe('kitchens', () => {
  test('a change is kept, raises the version, and the packs stay', async () => {
    const [ward] = await kitchens();
    const { body: before } = await read(ward!.id);
    const vessels = ward!.vessels.map((each) => (each.id === 'kettle-60' ? { ...each, litres: 80 } : each));
    const { status, body } = await save(ward!.id, { ...settingsOf(ward!), vessels }, before.version);
    expect(status).toBe(200);
    expect(body.version).toBe(before.version + 1);
    expect(body.kitchen.packs).toEqual(ward!.packs);
    expect(body.kitchen.vessels.find(({ id }: { id: string }) => id === 'kettle-60').litres).toBe(80);
    // Every dish is planned anew in it: 54 kg now fit in one load of 64.
    const sheet = await world.send('POST', '/api/worksheet', {
      recipeId: POT,
      target: TARGET,
      kitchenId: ward!.id,
    });
    expect(sheet.body).toMatchObject({ loadCount: 1, vessel: { id: 'kettle-60', litres: 80 } });
    expect((await save(ward!.id, settingsOf(ward!), body.version)).status).toBe(200);
  });

  test('of two people who change it the second is told, given the first one’s, and loses nothing', async () => {
    const [, school] = await kitchens();
    const { version } = (await read(school!.id)).body;
    const mine = { ...settingsOf(school!), transferLoss: 0.03 };
    expect((await save(school!.id, mine, version)).status).toBe(200);
    const late = await save(school!.id, { ...settingsOf(school!), transferLoss: 0.01 }, version);
    expect(late.status).toBe(409);
    expect(late.body.error.code).toBe('kitchen-conflict');
    expect(late.body.error.details[0]).toMatchObject({
      version: version + 1,
      kitchen: { transferLoss: 0.03 },
    });
    expect((await save(school!.id, settingsOf(school!), version + 1)).status).toBe(200);
  });

  test.each([
    ['a fill above the brim', { fill: 1.4 }],
    ['a kind that is none', { kind: 'cauldron' }],
    ['less than nothing', { litres: -1 }],
    ['no whole machine', { count: 0 }],
  ])('%s is refused with the field, and nothing changes', async (_, wrong) => {
    const [ward] = await kitchens();
    const vessels = ward!.vessels.map((each, index) => (index === 0 ? { ...each, ...wrong } : each));
    const { version } = (await read(ward!.id)).body;
    const { status, body } = await save(ward!.id, { ...settingsOf(ward!), vessels }, version);
    expect(status).toBe(400);
    expect(body.error.code).toBe('bad-request');
    expect(JSON.stringify(body.error.details)).toContain('vessels');
    expect((await read(ward!.id)).body).toEqual({ kitchen: ward, version });
  });

  test('two machines of one id, no scale at all, and an unknown kitchen are refused', async () => {
    const [ward] = await kitchens();
    const twice = { ...settingsOf(ward!), vessels: [ward!.vessels[0], ward!.vessels[0]] };
    expect((await save(ward!.id, twice, 1)).status).toBe(400);
    expect((await save(ward!.id, { ...settingsOf(ward!), scales: [] }, 1)).status).toBe(400);
    expect((await save('nowhere', settingsOf(ward!), 1)).body.error.code).toBe('kitchen-not-found');
  });

  test('a new one starts from a set of machines, without packs, and its id is taken once', async () => {
    const { body: sets } = await world.send('GET', '/api/equipment');
    expect(sets.map(({ id }: { id: string }) => id)).toEqual(['cafe', 'school', 'hospital']);
    const [ward] = await kitchens();
    for (const { id, vessels, scales, pans } of sets) {
      const settings = { ...settingsOf(ward!), name: `Field ${id}`, vessels, scales, pans };
      const made = await world.send('POST', '/api/kitchens', { id: `field-${id}`, settings });
      expect(made.status).toBe(201);
      expect(made.body).toMatchObject({
        version: 1,
        kitchen: { name: `Field ${id}`, packs: [], weights: [] },
      });
      const again = await world.send('POST', '/api/kitchens', { id: `field-${id}`, settings });
      expect(again.body.error.code).toBe('kitchen-exists');
      const sheet = await world.send('POST', '/api/worksheet', {
        recipeId: POT,
        target: TARGET,
        kitchenId: `field-${id}`,
      });
      expect(sheet.body.finishedGrams).toBeCloseTo(54_000, 3);
      // Nobody has read a pack there: what depends on a pack is not clear in it.
      expect(sheet.body.allergens.every(({ status }: { status: string }) => status !== 'may-contain')).toBe(
        true,
      );
    }
    expect((await kitchens()).slice(-3).map(({ name }) => name)).toEqual([
      'Field cafe',
      'Field school',
      'Field hospital',
    ]);
  });

  test('settings as they were kept before machines had powers and scales names are made whole once, by the migration', async () => {
    const [ward] = await kitchens();
    const rest = without(settingsOf(ward!), 'name', 'scales', 'pans', 'standard');
    const vessels = ward!.vessels.map(({ id, name, kind, litres, fill, surfaceM2 }) => ({
      id,
      name,
      kind,
      litres,
      fill,
      surfaceM2,
    }));
    const scaleSteps = [
      { belowGrams: 1000, stepGrams: 1 },
      { belowGrams: 1e9, stepGrams: 10 },
    ];
    await world.tables.kitchens.create({
      id: 'old',
      position: 90,
      name: 'Old kitchen',
      settings: { ...rest, vessels, scaleSteps },
      version: 1,
    });
    await makeWhole(world.database.getQueryInterface());
    const { body } = await read('old');
    expect(body.kitchen).toMatchObject({ pans: [], standard: { isWholeFood: false, salt: 'as written' } });
    expect(body.kitchen.scales[0].bands).toEqual(scaleSteps);
    expect(body.kitchen.vessels[0]).toMatchObject({ count: 1, levels: 1, powerKw: null, isFan: false });
    // What was read can be saved as it is.
    expect((await save('old', settingsOf(body.kitchen), 1)).status).toBe(200);
    const sheet = await world.send('POST', '/api/worksheet', {
      recipeId: POT,
      target: TARGET,
      kitchenId: 'old',
    });
    expect(sheet.body.stages[0].heatUpMinutes).toBeNull();
  });
});

describe('targets over the wire', () => {
  const ask = (target: unknown, extra: object = {}) =>
    world.send('POST', '/api/worksheet', { recipeId: POT, target, ...extra });

  test.each<[string, Target]>([
    ['sizes', { kind: 'sizes', sizes: [{ name: 'Ward', portions: 40, portionGrams: 320 }] }],
    ['load', { kind: 'load', vesselId: 'kettle-60', loads: 2 }],
    ['pans', { kind: 'pans', pan: 'us-full-4', count: 3, fill: 0.85 }],
    ['store', { kind: 'store', lineId: 'l2', grams: 11_000, others: [{ lineId: 'l3', grams: 9000 }] }],
  ])('%s', async (_, target) => {
    const { status, body } = await ask(target);
    expect(status).toBe(200);
    expect(body.findings.map(({ code }: { code: string }) => code)).not.toContain('target-invalid');
    expect(body.finishedGrams).toBeGreaterThan(1000);
  });

  test.each([
    { kind: 'sizes', sizes: [] },
    { kind: 'sizes', sizes: [{ name: 'x', portions: -3, portionGrams: 10 }] },
    { kind: 'load', loads: 2 },
    { kind: 'pans', pan: 'bathtub', count: 1, fill: 1 },
  ])('%j is refused', async (target) => {
    const { status, body } = await ask(target);
    expect(status).toBe(400);
    expect(body.error.code).toBe('bad-request');
  });

  test('a machine asked for by name changes the water, by one id or by several', async () => {
    const water = (body: { lines: { follows: string; batchGrams: number }[] }) =>
      body.lines.find(({ follows }) => follows === 'water')!.batchGrams;
    const plain = (await ask(TARGET)).body;
    const one = (await ask(TARGET, { vesselId: 'bratt-60' })).body;
    const several = (await ask(TARGET, { vesselIds: ['no-such-machine', 'bratt-60'] })).body;
    expect(water(one)).toBeCloseTo(water(several), 9);
    expect(water(one)).toBeGreaterThan(water(plain) + 1000);
  });
});

describe('what a dish keeps', () => {
  test('target, machines, a technique and a line cooked apart come back as they were saved', async () => {
    const { body: saved } = await world.send('GET', `/api/recipes/${POT}`);
    const lines = saved.recipe.lines.map((line: { id: string; answers: object }) =>
      line.id === 'l1'
        ? { ...line, answers: { technique: 'water' } }
        : line.id === 'l4'
          ? {
              ...line,
              answers: {
                foodId: 'butter-beans-dry',
                grams: 208,
                gramsOrigin: 'convention',
                isCookedApart: true,
              },
            }
          : line,
    );
    const sizes = [
      { name: 'Ward', portions: 40, portionGrams: 320 },
      { name: 'Infant', portions: 25, portionGrams: 120 },
    ];
    const changed = {
      ...saved,
      recipe: { ...saved.recipe, lines },
      target: { kind: 'sizes', sizes },
      vesselIds: ['bratt-60'],
    };
    expect((await world.send('PUT', `/api/recipes/${POT}`, changed)).status).toBe(200);
    const { body: back } = await world.send('GET', `/api/recipes/${POT}`);
    expect(back).toEqual({ ...changed, version: saved.version + 1 });
    // The book's own sheet is planned with them.
    const digests = (await world.send('GET', '/api/recipes')).body;
    expect(digests.find(({ id }: { id: string }) => id === POT).finishedGrams).toBeCloseTo(
      40 * 320 + 25 * 120,
      3,
    );
    await world.send('PUT', `/api/recipes/${POT}`, { ...saved, version: saved.version + 1 });
  });
});

describe('the menu', () => {
  test('a row for every dish that is served, the same flags as its worksheet', async () => {
    const [ward] = await kitchens();
    const { status, body } = await world.send('GET', `/api/menu?kitchenId=${ward!.id}`);
    expect(status).toBe(200);
    expect(body.length).toBeGreaterThan(10);
    for (const { recipeId, cells } of body.slice(0, 6)) {
      const { body: saved } = await world.send('GET', `/api/recipes/${recipeId}`);
      const { body: sheet } = await world.send('POST', '/api/worksheet', {
        recipeId,
        kitchenId: ward!.id,
        ...(saved.target ? { target: saved.target } : {}),
      });
      const flags = [...sheet.allergens, ...sheet.standards].map(
        ({ id, status: each }: { id: string; status: string }) => [id, each],
      );
      expect(
        cells.map(({ allergenId, status: each }: { allergenId: string; status: string }) => [
          allergenId,
          each,
        ]),
      ).toEqual(flags);
    }
    expect((await world.send('GET', '/api/menu?kitchenId=nowhere')).status).toBe(404);
  });

  test('as a table: a dish a row, an allergen a column, every cell in words', async () => {
    const response = await world.app.request('/api/menu.csv');
    expect(response.headers.get('content-type')).toContain('text/csv');
    const [head, ...lines] = (await response.text()).trim().split('\n');
    expect(head).toMatch(/^dish,variant_of,energy_kcal,nut,soy,gluten,/);
    const pot = lines.find((line) => line.includes('Barley, leek'))!;
    expect(pot).toContain('contains (barley)');
    expect(lines.join()).not.toMatch(/,,,|undefined/);
  });
});

describe('components of several dishes', () => {
  test('one demand, each dish at the batch it was left at or the one that is asked for', async () => {
    const dishes = [
      { recipeId: 'celeriac-bean-bake' },
      { recipeId: 'barley-leek-white-bean-pot', target: TARGET },
    ];
    const { status, body } = await world.send('POST', '/api/demand', { dishes });
    expect(status).toBe(200);
    const cream = body.find(
      ({ componentId }: { componentId: string }) => componentId === 'sunflower-seed-cream',
    );
    expect(cream.askedBy).toHaveLength(2);
    expect(cream.surplusGrams).toBeCloseTo(cream.madeGrams - cream.neededGrams, 3);
  });

  test('a dish that is not in the book, and no dish at all, are refused', async () => {
    expect((await world.send('POST', '/api/demand', { dishes: [{ recipeId: 'nowhere' }] })).status).toBe(404);
    expect((await world.send('POST', '/api/demand', { dishes: [] })).status).toBe(400);
  });
});

describe('the batch sheet as PDF', () => {
  const textOf = (pdf: Buffer): string =>
    execFileSync('pdftotext', ['-layout', '-', '-'], { input: pdf, encoding: 'utf8' }).replace(/\s+/g, ' ');
  const infoOf = (pdf: Buffer): string => execFileSync('pdfinfo', ['-'], { input: pdf, encoding: 'utf8' });

  async function fetched(recipeId: string, paper: string, target: Target = TARGET): Promise<Buffer> {
    const response = await world.app.request('/api/batch-sheet.pdf', {
      method: 'POST',
      body: JSON.stringify({ recipeId, target, paper }),
      headers: { 'Content-Type': 'application/json' },
    });
    expect(response.status).toBe(200);
    expect(response.headers.get('content-type')).toBe('application/pdf');
    return Buffer.from(await response.arrayBuffer());
  }

  async function sheetOf(recipeId: string): Promise<BatchSheet> {
    const [ward] = await kitchens();
    const { body: sheet } = await world.send('POST', '/api/worksheet', { recipeId, target: TARGET });
    const { body: saved } = await world.send('GET', `/api/recipes/${recipeId}`);
    return batchSheet(sheet, saved.recipe, ward!);
  }

  test.each([POT, 'celeriac-bean-bake', 'barley-leek-white-bean-pot', 'caraway-flatbread'])(
    'one page that says every weight, load, time and caution of %s',
    async (id) => {
      for (const [paper, size] of [
        ['a4', /595\.28 x 841\.89/],
        ['letter', /612 x 792/],
      ] as const) {
        const pdf = await fetched(id, paper);
        expect(infoOf(pdf)).toMatch(/Pages:\s+1\n/);
        expect(infoOf(pdf)).toMatch(size);
        const text = textOf(pdf);
        const page = await sheetOf(id);
        const entries = [...page.steps.flatMap((step) => step.entries), ...page.rest];
        expect(entries.length).toBeGreaterThan(4);
        for (const { total, loads } of entries)
          for (const part of [total, ...loads.split(' + ')].filter(Boolean)) expect(text).toContain(part);
        for (const { heldBack } of entries) if (heldBack) expect(text).toContain(heldBack.split(',')[0]);
        for (const { time, core, oven } of page.steps)
          for (const part of [time, core, oven].filter(Boolean)) expect(text).toContain(part.split(' (')[0]);
        expect(text).toContain(page.batch);
        if (page.contains) expect(text).toContain(page.contains.split(',')[0]);
      }
    },
  );

  test('a sheet of a hundred lines goes on to a second page rather than out of sight', async () => {
    const page = await sheetOf(POT);
    const entry = page.steps[0]!.entries[0]!;
    const rest = Array.from({ length: 160 }, (_, index) => ({
      ...entry,
      lineId: `x${index}`,
      name: `Line ${index}`,
    }));
    const pdf = await batchSheetPdf({ ...page, rest }, 'a4');
    const pages = Number(/Pages:\s+(\d+)/.exec(infoOf(pdf))![1]);
    expect(pages).toBeGreaterThan(1);
    const text = textOf(pdf);
    for (const { name } of rest) expect(text).toContain(name);
  });

  test('hostile names are printed as letters or question marks, and no paper but these is taken', async () => {
    const page = await sheetOf(POT);
    const pdf = await batchSheetPdf({ ...page, title: '\u202e<script>=1+1\u0000 🍲 pot' }, 'a4');
    expect(textOf(pdf)).toContain('<script>=1+1');
    const { status } = await world.send('POST', '/api/batch-sheet.pdf', {
      recipeId: POT,
      target: TARGET,
      paper: 'a0',
    });
    expect(status).toBe(400);
  });
});
