/** Specification sheets: a supplier's allergen table comes in, a person confirms it, and it can be taken back. */
import type { FinishedImport, ImportProgress, Kitchen, PackToRead } from '@hand-ladle/core';
import { openWorld, type World } from './world';

let world: World;
let schoolId = '';
beforeAll(async () => {
  world = await openWorld('test-sheets');
  schoolId = ((await world.send('GET', '/api/kitchens')).body as Kitchen[])[1]!.id;
});
afterAll(() => world.close());

async function imported(
  table: string,
  request: object = {},
  kind = 'products',
): Promise<ImportProgress & { id: string }> {
  const response = await world.app.request(`/api/imports?kind=${kind}&fileName=sheet.csv`, {
    method: 'POST',
    body: table,
  });
  const view = (await response.json()) as { id: string; mapping: object };
  await world.send('POST', `/api/imports/${view.id}/run`, {
    mapping: view.mapping,
    hasDecimalComma: false,
    dryRun: false,
    kitchenId: schoolId,
    ...request,
  });
  for (;;) {
    const { body } = await world.send('GET', `/api/imports/${view.id}`);
    if (body.progress.state !== 'running') return { ...body.progress, id: view.id };
    await new Promise((done) => setTimeout(done, 10));
  }
}

const kitchen = async (): Promise<Kitchen> =>
  ((await world.send('GET', '/api/kitchens')).body as Kitchen[]).find(({ id }) => id === schoolId)!;
const packOf = async (foodId: string) => (await kitchen()).packs.find((pack) => pack.foodId === foodId);
async function statusOf(line: string, allergen: string): Promise<string> {
  const { body } = await world.send('POST', '/api/worksheet', {
    recipe: { name: 'x', lines: [line], steps: [], portions: 1 },
    kitchenId: schoolId,
  });
  return body.allergens.find(({ id }: { id: string }) => id === allergen).status;
}
const toRead = async (): Promise<PackToRead[]> =>
  (await world.send('GET', `/api/kitchens/${schoolId}/packs-to-read`)).body;
const BY = { checkedBy: 'Ilse Marrow', checkedOn: new Date().toISOString().slice(0, 10) };

const SHEET = `Product,Our food,Ingredients,Gluten,Milk,Soya,Nuts,Sesame,Mustard,Celery,May contain nuts
Ketchup 5 kg,Tomato ketchup,"Tomato, sugar, vinegar, salt",N,N,N,N,N,N,,N
Hoisin 2 kg,Hoisin sauce,"Sugar, SOYA, WHEAT flour, sesame",Y,N,Y,N,N,N,N,Y
Mayo 10 L,Mayonnaise alternative,,N,N,M,N,N,tbc,N,N`;

describe('a specification sheet', () => {
  test('is tried first: its marks are counted and told, a mark nobody knows stays open', async () => {
    const progress = await imported(SHEET, { dryRun: true });
    expect(progress).toMatchObject({ state: 'done', created: 3, refusedCount: 0 });
    const marks = Object.fromEntries(
      progress.marks.map(({ text, means, isDoubtful }) => [text, [means, isDoubtful]]),
    );
    expect(marks).toEqual({
      N: ['none', false],
      Y: ['contains', false],
      M: ['may-contain', false],
      '': ['check', false],
      tbc: ['check', true],
    });
    expect(await packOf('ketchup')).toBeUndefined();
  });

  test('nothing of it counts before a person says yes, and a blank cell stays open after it', async () => {
    await imported(SHEET);
    expect(await statusOf('50 g ketchup', 'soy')).toBe('check');
    const { status, body } = await world.send('POST', `/api/kitchens/${schoolId}/packs/confirm`, {
      packs: ['ketchup', 'hoisin-sauce', 'vegan-mayonnaise', 'no-such-food'].map((foodId) => ({
        foodId,
        statementVersion: 1,
      })),
      ...BY,
    });
    expect(status).toBe(200);
    expect(body.confirmed).toEqual(['ketchup', 'hoisin-sauce', 'vegan-mayonnaise']);
    expect(body.refused).toMatchObject([{ foodId: 'no-such-food' }]);
    expect(await statusOf('50 g ketchup', 'soy')).toBe('clear');
    expect(await statusOf('50 g ketchup', 'celery')).toBe('check');
    // No column spoke of lupin; the statement of ketchup names none, the mayonnaise has no statement.
    expect(await statusOf('50 g ketchup', 'lupin')).toBe('clear');
    expect(await statusOf('50 g vegan mayo', 'lupin')).toBe('check');
    expect(await statusOf('50 g vegan mayo', 'soy')).toBe('may-contain');
    expect(await statusOf('50 g vegan mayo', 'mustard')).toBe('check');
    expect(await packOf('ketchup')).toMatchObject({ checkedBy: 'Ilse Marrow', isConfirmed: true });
  });

  test('statement and table that disagree are both told, and the worse holds', async () => {
    // The table says no sesame, the statement names it; the table of traces says nuts, the statement does not.
    expect(await statusOf('50 g hoisin sauce', 'sesame')).toBe('contains');
    expect(await statusOf('50 g hoisin sauce', 'nut')).toBe('may-contain');
    await imported(SHEET.replace('Hoisin 2 kg', 'Hoisin 3 kg').replace('SOYA, WHEAT', 'soya, wheat'));
    const hoisin = (await toRead()).find(({ foodId }) => foodId === 'hoisin-sauce')!;
    expect(hoisin.pack).toMatchObject({ productName: 'Hoisin 3 kg', isConfirmed: false });
    expect(hoisin.disagreements).toEqual(
      expect.arrayContaining([
        { substance: 'sesame', statement: 'contains', words: 'sesame', sheet: 'none' },
        { substance: 'almond', statement: 'not named', words: '', sheet: 'may-contain' },
      ]),
    );
  });

  test('allergens in one column, and a yes that says which, are read as what they name', async () => {
    const list = `Product,Our food,Ingredients,Allergens,Gluten
Red paste,Harissa,"Chilli, garlic, oil","Celery, may be mustard",No
Brown sauce,Brown sauce,"Tomato, dates, vinegar",None,Yes (rye)`;
    await imported(list);
    expect(await packOf('harissa')).toMatchObject({ allergens: { celery: 'contains', wheat: 'none' } });
    expect((await packOf('harissa'))!.statement).toContain('Contains: Celery');
    const brown = await packOf('brown-sauce');
    expect(brown!.allergens).toMatchObject({ rye: 'contains' });
    expect(brown!.allergens.wheat).toBeUndefined();
    expect(brown!.statement).not.toContain('None');
  });

  test('what a person says a mark means is believed', async () => {
    await imported(SHEET.replace('10 L', '9 L'), { marks: { tbc: 'contains' } });
    expect(await packOf('vegan-mayonnaise')).toMatchObject({ allergens: { mustard: 'contains' } });
  });

  test('a statement that changed while it was read is not confirmed by who read the old one', async () => {
    const before = (await packOf('harissa'))!;
    await imported('Product,Our food,Ingredients\nRed paste,Harissa,"Chilli, ALMOND oil"');
    const { body } = await world.send('POST', `/api/kitchens/${schoolId}/packs/confirm`, {
      packs: [{ foodId: 'harissa', statementVersion: before.statementVersion }],
      ...BY,
    });
    expect(body).toMatchObject({ confirmed: [], refused: [{ foodId: 'harissa' }] });
    expect((await packOf('harissa'))!.isConfirmed).toBe(false);
  });

  test('two columns of one allergen are both read, and the worse holds', async () => {
    await imported('Product,Our food,Milk,Milk,Soya,Soya (traces)\nGlaze,Teriyaki sauce,no,yes,no,');
    expect((await packOf('teriyaki-sauce'))!.sheet).toMatchObject({ milk: 'contains', soy: 'check' });
  });

  test('a mark that is a word of the machine means nothing', async () => {
    await imported('Product,Our food,Soya\nGlaze,Teriyaki sauce,constructor');
    expect((await packOf('teriyaki-sauce'))!.sheet).toEqual({ soy: 'check' });
  });

  test('the packs that settle the most dishes come first', async () => {
    const rows = await toRead();
    expect(rows.length).toBeGreaterThan(3);
    const order = rows.map(({ settles, dishes }) => [settles, dishes.length]);
    expect(order).toEqual([...order].sort((one, other) => other[0]! - one[0]! || other[1]! - one[1]!));
    const first = rows.find(({ pack, dishes }) => pack === null && dishes.length > 0)!;
    const before = first.dishes.length;
    await world.send('PUT', `/api/kitchens/${schoolId}/packs/${first.foodId}`, {
      productName: 'Read at last',
      statement: '',
      allergens: {},
      certifiedGlutenFree: true,
      animal: 'plant',
      ...BY,
    });
    expect(before).toBeGreaterThan(0);
    expect((await toRead()).map(({ foodId }) => foodId)).not.toContain(first.foodId);
  });
});

describe('a finished import is taken back', () => {
  const finished = async (): Promise<FinishedImport[]> => (await world.send('GET', '/api/imports')).body;

  test('a supplier list: what a person has confirmed since then stays, the rest goes, once', async () => {
    const list = `product,food,ingredients\nPaste A,Curry paste,chilli\nCubes,Stock cube,salt`;
    const { id } = await imported(list);
    expect((await finished())[0]).toMatchObject({ id, kind: 'products', created: 2, takenBackAt: null });
    await world.send('POST', `/api/kitchens/${schoolId}/packs/curry-paste/confirm`, BY);
    const { body } = await world.send('POST', `/api/imports/${id}/take-back`);
    expect(body).toEqual({ takenBack: 1, kept: ['Paste A'] });
    expect(await packOf('stock-cube')).toBeUndefined();
    expect(await packOf('curry-paste')).toMatchObject({ productName: 'Paste A' });
    expect((await world.send('POST', `/api/imports/${id}/take-back`)).status).toBe(409);
    expect((await finished())[0]!.takenBackAt).not.toBeNull();
  });

  test('foods: new ones go unless something stands on them, changed ones are as they were', async () => {
    const before = (await world.send('GET', '/api/foods/swede')).body;
    const table = `id,name,energy_kcal,protein_g,fat_g,carbohydrate_g\nswede,Swede,40,1.2,0.2,8.8\noca,Oca,60,1,0.5,13\nulluco,Ulluco,70,2,0.1,15`;
    const { id, created, updated } = await imported(table, { existing: 'update' }, 'foods');
    expect([created, updated]).toEqual([2, 1]);
    expect((await world.send('GET', '/api/foods/swede')).body.food.energyKcal).toBe(40);
    await world.send('POST', `/api/kitchens/${schoolId}/weights`, {
      foodId: 'ulluco',
      unit: 'handful',
      grams: 40,
      weighedOn: '2026-11-20',
    });
    const { body } = await world.send('POST', `/api/imports/${id}/take-back`);
    expect(body).toEqual({ takenBack: 2, kept: ['Ulluco'] });
    const after = (await world.send('GET', '/api/foods/swede')).body;
    expect(after.food).toEqual(before.food);
    expect(after.version).toBeGreaterThan(before.version);
    expect((await world.send('GET', '/api/foods/oca')).status).toBe(404);
    expect((await world.send('GET', '/api/foods/ulluco')).status).toBe(200);
  });

  test('an import nobody finished is none', async () => {
    expect((await world.send('POST', '/api/imports/none-such/take-back')).status).toBe(404);
    const count = (await finished()).length;
    await imported(SHEET, { dryRun: true });
    expect((await finished()).length).toBe(count);
  });
});
