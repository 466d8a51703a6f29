/** What was cooked reaches the tray: slips, day sheet and versions of a service read its batches. */
import { openWorld, type World } from '../world';
import { entry, type Line, POT, stoveOf, weighedAll } from './stove';

let world: World;
const { open, write, linesOf } = stoveOf(() => world);
beforeAll(async () => {
  world = await openWorld('served');
});
afterAll(() => world.close());

const day = { kitchenId: 'alder-ward', date: '2026-11-25', meal: 'Lunch', readyAt: '12:00' };
let meals = 0;
async function lunch(): Promise<string> {
  meals += 1;
  const { status, body } = await world.send('POST', '/api/services', {
    ...day,
    meal: `Lunch ${meals}`,
    heads: [
      { groupId: 'everyone', heads: 20 },
      { groupId: 'nut-free', heads: 3, codes: ['B1', 'B2', 'B3'] },
    ],
    dishes: [{ recipeId: POT }],
  });
  expect([status, body.error]).toEqual([201, undefined]);
  return body.id as string;
}
interface View {
  versions: { key: string; batches: string[]; servings: { groupId: string }[] }[];
  unserved: { groupId: string; blockedBy: { name: string; reason: string }[] }[];
}
const eaten = async (id: string): Promise<View> =>
  (await world.send('GET', `/api/services/${id}`)).body.eaten[0];
const slips = async (id: string): Promise<string> => {
  const { body } = await world.send('GET', `/api/services/${id}/slips`);
  return JSON.stringify(body.sections);
};
const rowsOf = async (id: string): Promise<string[]> =>
  (await world.send('GET', `/api/services/${id}/day`)).body.notes as string[];

/** The version of a service that a group eats, opened and weighed; `change` says what of it went otherwise. */
async function cookedFor(id: string, change: (lines: Line[]) => object[]): Promise<string> {
  const { versions } = await eaten(id);
  const { key } = versions[0]!;
  const code = await open({ serviceId: id, versionKey: key, target: undefined, kitchenId: undefined });
  await write(code, change(await linesOf(code)));
  return code;
}

test('a batch in which peanuts went in for onions is on no tray without nuts, and stands at the top of the day', async () => {
  const id = await lunch();
  expect(await slips(id)).not.toContain('NOT for this tray');
  const code = await cookedFor(id, (lines) => {
    const [first, ...rest] = lines;
    return [
      ...weighedAll(rest),
      entry('substituted', { lineId: first!.id, load: 1, foodId: 'peanuts', grams: first!.scaleGrams }),
    ];
  });
  expect(await slips(id)).toContain('NOT for this tray');
  const view = await eaten(id);
  expect(view.unserved).toMatchObject([{ groupId: 'nut-free', blockedBy: [{ reason: 'nut: contains' }] }]);
  expect(view.unserved[0]!.blockedBy[0]!.name).toContain(code);
  expect(view.versions.flatMap(({ servings }) => servings.map(({ groupId }) => groupId))).not.toContain(
    'nut-free',
  );
  expect((await rowsOf(id))[0]).toContain('NOT FOR NO NUT (3)');
});

test('a batch as it was planned serves them all, and a late entry takes it off the trays', async () => {
  const id = await lunch();
  const code = await cookedFor(id, (lines) => weighedAll(lines));
  expect(await slips(id)).not.toContain('NOT for this tray');
  expect((await eaten(id)).versions.flatMap(({ batches }) => batches)).toEqual([code]);
  const late = entry('added', { foodId: 'hazelnuts', grams: 60 });
  await write(code, [late]);
  expect(await slips(id)).toContain('NOT for this tray');
  await write(code, [entry('correction', { of: late.id, reason: 'another pot', instead: null })]);
  expect(await slips(id)).not.toContain('NOT for this tray');
  await write(code, [entry('note', { words: 'topped with the chopped walnuts' })]);
  expect(await slips(id)).toContain('NOT for this tray');
});

test('a component that was cooked for the service counts till the dish says what went in', async () => {
  const id = await lunch();
  const cream = await open({
    recipeId: 'sunflower-seed-cream',
    serviceId: id,
    kitchenId: undefined,
    target: { kind: 'weight', grams: 3000 },
  });
  const lines = await linesOf(cream);
  await write(cream, [...weighedAll(lines), entry('added', { foodId: 'cashews', grams: 50 })]);
  expect(await slips(id)).toContain('NOT for this tray');
  const other = await open({ recipeId: 'sunflower-seed-cream', target: { kind: 'weight', grams: 3000 } });
  await write(other, weighedAll(lines));
  await cookedFor(id, (all) =>
    weighedAll(
      all,
      Object.fromEntries(all.filter(({ name }) => /seed cream/i.test(name)).map((line) => [line.id, other])),
    ),
  );
  expect(await slips(id)).not.toContain('NOT for this tray');
});

test('weighed in without a word of where it came from, it may be the one that was cooked for the service', async () => {
  const id = await lunch();
  const weight = { kind: 'weight', grams: 3000 };
  const fields = { recipeId: 'sunflower-seed-cream', serviceId: id, kitchenId: undefined, target: weight };
  const cream = await open(fields);
  await write(cream, [...weighedAll(await linesOf(cream)), entry('added', { foodId: 'cashews', grams: 50 })]);
  await cookedFor(id, (all) => weighedAll(all));
  expect(await slips(id)).toContain('NOT for this tray');
});

test('a leftover of a service is of its batch, and stays of it whatever is typed on the tub', async () => {
  const id = await lunch();
  const code = await cookedFor(id, (lines) => weighedAll(lines));
  const { key } = (await eaten(id)).versions[0]!;
  const left = await world.send('POST', '/api/stock', {
    kitchenId: 'alder-ward',
    kind: 'leftover',
    serviceId: id,
    versionKey: key,
    grams: 800,
    since: '2026-11-25',
  });
  expect(left.body).toMatchObject({ lot: code });
  await write(code, [entry('added', { foodId: 'hazelnuts', grams: 60 })]);
  const relabelled = await world.send('PUT', `/api/stock/${left.body.id}`, {
    grams: 800,
    lot: '',
    version: 1,
  });
  expect(relabelled.body.error.code).toBe('stock-refused');
  const { body } = await world.send('GET', '/api/stock?kitchenId=alder-ward');
  const tub = body.find((each: { id: string }) => each.id === left.body.id);
  expect(tub.cooked.food.allergens.hazelnut).toBe('contains');
});

test('a pot that was opened for nobody in particular may be what is served that day', async () => {
  world.clock.at = new Date('2026-11-26T09:00:00Z');
  const service = await world.send('POST', '/api/services', {
    ...day,
    date: '2026-11-26',
    heads: [{ groupId: 'nut-free', heads: 1, codes: ['C1'] }],
    dishes: [{ recipeId: POT }],
  });
  const id = service.body.id as string;
  const loose = await open();
  await write(loose, [
    ...weighedAll(await linesOf(loose)),
    entry('added', { foodId: 'peanut-butter', grams: 90 }),
  ]);
  expect(await slips(id)).toContain('NOT for this tray');
  // Once one was opened for it, that one is what is served.
  await cookedFor(id, (lines) => weighedAll(lines));
  expect(await slips(id)).not.toContain('NOT for this tray');
});

test('what is put into store without a word of its batch is of all that were cooked that day; another code typed on it adds to them', async () => {
  const tub = async (lot: string): Promise<{ lot: string; peanut: string }> => {
    const { body: put } = await world.send('POST', '/api/stock', {
      kitchenId: 'alder-ward',
      kind: 'leftover',
      recipeId: POT,
      grams: 500,
      since: '2026-11-26',
      lot,
    });
    const { body } = await world.send('GET', '/api/stock?kitchenId=alder-ward');
    const found = body.find(({ id }: { id: string }) => id === put.id);
    return { lot: put.lot, peanut: found.cooked.food.allergens.peanut };
  };
  const both = await tub('');
  expect(both.lot.split(' + ')).toHaveLength(2);
  expect(both.peanut).toBe('contains');
  const id = await lunch();
  const code = await cookedFor(id, (lines) => [
    ...weighedAll(lines),
    entry('added', { foodId: 'peanuts', grams: 9 }),
  ]);
  const { key } = (await eaten(id)).versions[0]!;
  const clean = await open();
  await write(clean, weighedAll(await linesOf(clean)));
  const { body } = await world.send('POST', '/api/stock', {
    kitchenId: 'alder-ward',
    kind: 'leftover',
    serviceId: id,
    versionKey: key,
    grams: 100,
    since: '2026-11-26',
    lot: clean,
  });
  expect(body.lot).toBe(`${code} + ${clean}`);
});
