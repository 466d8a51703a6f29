import { openWorld, type World } from '../world';

let world: World;
beforeAll(async () => {
  world = await openWorld('recall');
});
afterAll(() => world.close());

const KITCHEN = 'alder-ward';
let number = 0;
async function cook(recipeId: string, ...bodies: object[]): Promise<string> {
  const target = { kind: 'weight', grams: 3000 };
  const { body } = await world.send('POST', '/api/batches', { recipeId, kitchenId: KITCHEN, target });
  const entries = bodies.map((each) => {
    number += 1;
    return { id: `r-${number}`, at: '2026-11-25T09:10:00Z', ...each };
  });
  if (entries.length > 0) {
    const answer = await world.send('POST', `/api/batches/${body.code}/entries`, { entries });
    expect(answer.body.refused).toEqual([]);
  }
  return body.code as string;
}
const recalled = async (asked: Record<string, string>): Promise<string[]> => {
  const { body } = await world.send('GET', `/api/recall?${new URLSearchParams(asked).toString()}`);
  return body.batches.map((each: { code: string }) => each.code);
};
const pack = (foodId: string, product: string, lot: string, supplier = '') => ({
  kind: 'pack',
  foodId,
  product,
  lot,
  supplier,
});
const added = (foodId: string) => ({ kind: 'added', foodId, grams: 200 });

test('a lot is found however it was copied from the pack', async () => {
  const code = await cook('split-pea-mint-soup', added('hazelnuts'), pack('hazelnuts', 'Hazels', 'H 77-a'));
  for (const lot of ['H77A', 'h-77 A', 'H 77-a']) expect(await recalled({ lot })).toEqual([code]);
  expect(await recalled({ lot: 'H77B' })).toEqual([]);
  // Written down without its supplier: it may be theirs.
  expect(await recalled({ lot: 'H77A', supplier: 'Market stall' })).toEqual([code]);
});

test('the lot of one food of a supplier says nothing of another food of theirs', async () => {
  const code = await cook(
    'split-pea-mint-soup',
    added('almonds'),
    pack('almonds', 'Stall almonds', '', 'Stall two'),
    added('cashews'),
    pack('cashews', 'Stall cashews', 'C1', 'Stall two'),
  );
  expect(await recalled({ supplier: 'Stall two', lot: 'NEVER-SEEN' })).toEqual([code]);
  expect(await recalled({ pack: 'Stall cashews', lot: 'NEVER-SEEN' })).toEqual([]);
});

test('a batch is followed into another by its code, in whatever case it was typed', async () => {
  const part = await cook('green-dressing');
  const { body } = await world.send('POST', '/api/worksheet', {
    recipeId: 'split-pea-mint-soup',
    kitchenId: KITCHEN,
  });
  const whole = await cook('split-pea-mint-soup', {
    kind: 'weighed',
    lineId: body.lines[0].id,
    grams: 100,
    from: part.toLowerCase(),
  });
  expect((await recalled({ batch: part })).sort()).toEqual([part, whole].sort());
  expect((await recalled({ batch: part.toLowerCase() })).sort()).toEqual([part, whole].sort());
});

test('what went in beside the recipe is found by its pack, its supplier, and what is inside a component', async () => {
  const { body: kitchens } = await world.send('GET', '/api/kitchens');
  const kitchen = kitchens.find(({ id }: { id: string }) => id === KITCHEN);
  const mustard = kitchen.packs.find(({ foodId }: { foodId: string }) => foodId === 'wholegrain-mustard');
  const [direct, inside, without] = [
    await cook('split-pea-mint-soup', added('wholegrain-mustard')),
    await cook('split-pea-mint-soup', added('green-dressing')),
    await cook('split-pea-mint-soup'),
  ];
  const all: Record<string, string>[] = [
    { pack: mustard.productName as string },
    { pack: 'wholegrain-mustard' },
    { supplier: mustard.supplier as string },
  ];
  for (const asked of all) {
    const codes = await recalled(asked);
    expect(codes).toEqual(expect.arrayContaining([direct, inside]));
    if ('pack' in asked) expect(codes).not.toContain(without);
  }
});

test('what went into another bowl is in the batch of that bowl, whoever wrote it there', async () => {
  const plain = { recipeId: 'barley-leek-white-bean-pot', kitchenId: KITCHEN };
  const { body: sheet } = await world.send('POST', '/api/worksheet', plain);
  const line = sheet.lines.find(({ foodId }: { foodId: string }) => foodId === 'pearl-barley');
  const into = await cook('split-pea-mint-soup');
  const gluten = async () => {
    const { body } = await world.send('GET', `/api/batches/${into}`);
    const { status } = body.worksheet.allergens.find(({ id }: { id: string }) => id === 'gluten');
    const grams = body.worksheet.lines.find(({ foodId }: { foodId: string }) => foodId === 'pearl-barley');
    return [status, grams?.batchGrams ?? 0, body.entries.length];
  };
  const [before] = await gluten();
  expect(before).not.toBe('contains');
  const astray = { kind: 'misplaced', lineId: line.id, grams: 70, into };
  const from = await cook('barley-leek-white-bean-pot', astray);
  expect(await gluten()).toEqual(['contains', 70, 0]);
  expect((await recalled({ batch: from })).sort()).toEqual([from, into].sort());
  const send = (code: string, id: string, fields: object) =>
    world.send('POST', `/api/batches/${code}/entries`, {
      entries: [{ id, at: '2026-11-25T09:20:00Z', ...fields }],
    });
  // Written down there too it counts once; taken back there it is not.
  await send(into, 'there', { ...added('pearl-barley'), grams: 70, because: 'wrong bowl' });
  expect(await gluten()).toEqual(['contains', 70, 1]);
  await send(from, 'back', { kind: 'correction', of: `r-${number}`, reason: 'it was the other pot' });
  await send(into, 'undo', { kind: 'correction', of: 'there', reason: 'it was the other pot' });
  expect(await gluten()).toEqual([before, 0, 2]);
});

test('nothing broke that nobody expected', () => expect(world.errors).toEqual([]));

describe('a lot that came to one kitchen', () => {
  const came = (kitchenId: string, since: string, lot: string) =>
    world.send('POST', '/api/stock', { kitchenId, kind: 'pack', foodId: 'leek', grams: 5000, since, lot });

  test('counts where it was and from the day it came; elsewhere it is told, not counted; what stands in store is in it', async () => {
    const soup = { recipeId: 'barley-leek-white-bean-pot', target: { kind: 'weight', grams: 3000 } };
    const cooked = async (kitchenId: string): Promise<string> =>
      (await world.send('POST', '/api/batches', { ...soup, kitchenId })).body.code as string;
    const before = world.clock.at;
    world.clock.at = new Date('2026-11-20T09:00:00Z');
    const early = await cooked('alder-ward');
    world.clock.at = before;
    const [here, there] = [await cooked('alder-ward'), await cooked('pebble-school')];
    const { body: pack } = await came('alder-ward', '2026-11-24', 'LK-33');
    await world.send('POST', `/api/batches/${here}/entries`, {
      entries: [{ id: 'leek-left', at: '2026-11-25T09:10:00Z', kind: 'left-over', grams: 400 }],
    });
    const { body } = await world.send('GET', '/api/recall?lot=LK33&pack=leek');
    const codes = body.batches.map(({ code }: { code: string }) => code);
    expect(codes).toContain(here);
    expect(codes).not.toContain(early);
    expect(codes).not.toContain(there);
    expect(body.notes.join()).toContain('where this lot is not on record');
    expect(body.store.map(({ id }: { id: string }) => id)).toContain(pack.id);
    expect(body.store.map(({ lot }: { lot: string }) => lot)).toContain(here);
  });

  test('where no kitchen has it on record it may have been in any', async () => {
    const { body } = await world.send('GET', '/api/recall?lot=NEVER&pack=leek');
    expect(
      new Set(body.batches.map(({ kitchenId }: { kitchenId: string }) => kitchenId)).size,
    ).toBeGreaterThan(1);
  });
});
