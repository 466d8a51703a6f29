/** From the pot into whatever is made of it: what is learnt late of a lot is in everything that came of it. */
import { openWorld, type World } from '../world';
import { entry, type Line, POT, stoveOf, weighedAll } from './stove';

let world: World;
const { open, write, read, linesOf } = stoveOf(() => world);
beforeAll(async () => {
  world = await openWorld('lots');
});
afterAll(() => world.close());

const CREAM = 'sunflower-seed-cream';
const cream = () => open({ recipeId: CREAM, target: { kind: 'weight', grams: 3000 } });
const statusOf = (
  batch: { worksheet: { allergens: { id: string; status: string }[] } },
  id: string,
): string => batch.worksheet.allergens.find((each) => each.id === id)!.status;
const isCream = ({ name }: Line): boolean => /sunflower seed cream/i.test(name);

/** A pot whose cream came from somewhere, everything else weighed as it should be. */
async function potWith(from: string): Promise<string> {
  const code = await open();
  const lines = await linesOf(code);
  const line = lines.find(isCream)!;
  const { body } = await write(code, weighedAll(lines, { [line.id]: from }));
  expect(body.refused).toEqual([]);
  return code;
}

async function signedIn(): Promise<Record<string, string>> {
  const response = await world.app.request('/api/session', {
    method: 'POST',
    body: JSON.stringify({ login: 'wenna', password: 'ladle-manager-1' }),
    headers: { 'Content-Type': 'application/json' },
  });
  return { Cookie: response.headers.get('set-cookie')!.split(';')[0]! };
}

describe('a batch that went into another', () => {
  test('a late entry of it is in the dish, and a correction takes it out again', async () => {
    const part = await cream();
    await write(part, weighedAll(await linesOf(part)));
    const dish = await potWith(part);
    expect(statusOf(await read(dish), 'peanut')).not.toBe('contains');
    const late = entry('added', { foodId: 'peanut-butter', grams: 80 });
    await write(part, [late]);
    const now = await read(dish);
    expect(statusOf(now, 'peanut')).toBe('contains');
    expect(now.differences.map(({ what }: { what: string }) => what)).toContain('Sunflower seed cream');
    await write(part, [entry('correction', { of: late.id, reason: 'it was another bowl', instead: null })]);
    expect(statusOf(await read(dish), 'peanut')).not.toBe('contains');
  });

  test('is found by its code, whatever stands around it', async () => {
    const part = await cream();
    await write(part, [...weighedAll(await linesOf(part)), entry('added', { foodId: 'peanuts', grams: 9 })]);
    expect(statusOf(await read(await potWith(`batch ${part}, the blue tub`)), 'peanut')).toBe('contains');
    const recall = await world.send('GET', `/api/recall?batch=${part}`);
    expect(recall.body.batches).toHaveLength(2);
  });

  test('three deep, and in what stands in store', async () => {
    const part = await cream();
    await write(part, weighedAll(await linesOf(part)));
    const dish = await potWith(part);
    await write(dish, [entry('left-over', { grams: 900, way: 'scale' })]);
    const inStore = async () =>
      (await world.send('GET', '/api/stock?kitchenId=alder-ward')).body.find(
        ({ lot }: { lot: string }) => lot === dish,
      );
    const before = await inStore();
    expect(before.cooked.food.allergens.peanut).not.toBe('contains');
    await world.send('POST', `/api/stock/${before.id}/freeze`, { version: before.version });
    const next = await potWith(before.id);
    await write(part, [entry('added', { foodId: 'peanut-butter', grams: 80 })]);
    expect((await inStore()).cooked.food.allergens.peanut).toBe('contains');
    expect(statusOf(await read(next), 'peanut')).toBe('contains');
    const recall = await world.send('GET', `/api/recall?batch=${part}`);
    expect(recall.body.batches.map(({ code }: { code: string }) => code)).toEqual(
      expect.arrayContaining([part, dish, next]),
    );
  });

  test('what is in it is by its own record, also when the recipe has changed since', async () => {
    const part = await cream();
    const lines = await linesOf(part);
    await write(part, [
      ...weighedAll(lines.slice(1)),
      entry('substituted', { lineId: lines[0]!.id, load: 1, foodId: 'cashews', grams: lines[0]!.scaleGrams }),
    ]);
    expect(statusOf(await read(await potWith(part)), 'tree-nut')).toBe('contains');
  });

  test('of another recipe than the line asks for: a fact, marked, until somebody signs for it', async () => {
    const part = await open({ recipeId: 'green-dressing', target: { kind: 'weight', grams: 2000 } });
    await write(part, weighedAll(await linesOf(part)));
    const dish = await potWith(part);
    const marked = await read(dish);
    expect(marked.state.check.join()).toContain('is something else');
    const of = marked.entries.find((each: { from?: string }) => each.from === part);
    await write(dish, [entry('answered', { of: of.id, words: 'Meant so, the cream had run out' })]);
    expect((await read(dish)).state.check.join()).toContain('is something else');
    await write(
      dish,
      [{ ...entry('answered', { of: of.id, words: 'Meant so, the cream had run out' }), by: '' }],
      {},
      await signedIn(),
    );
    const signed = await read(dish);
    expect(signed.state.check.join()).not.toContain('is something else');
    // It stays what it is.
    expect(signed.worksheet.lines.map(({ name }: Line) => name).join()).toMatch(/green dressing/i);
  });

  test('a code that nobody knows is to be checked for everything, and so is a circle', async () => {
    const dish = await potWith('XX-123');
    const batch = await read(dish);
    for (const id of ['peanut', 'milk', 'sesame', 'lupin']) expect(statusOf(batch, id)).not.toBe('clear');
    expect(batch.state.check.join()).toContain('Nobody knows what "XX-123" is');
    const one = await open();
    const other = await potWith(one);
    const lines = await linesOf(one);
    await write(one, weighedAll(lines, { [lines.find(isCream)!.id]: other }));
    for (const code of [one, other]) expect(statusOf(await read(code), 'peanut')).not.toBe('clear');
  });

  test('past its day it is marked', async () => {
    const part = await cream();
    await write(part, weighedAll(await linesOf(part)));
    world.clock.at = new Date('2026-12-20T09:00:00Z');
    const dish = await potWith(part);
    world.clock.at = new Date('2026-11-25T09:00:00Z');
    expect((await read(dish)).state.check.join()).toContain('was past its day');
  });
});

describe('what is written at the stove', () => {
  const noted = async (words: string) => {
    const code = await open();
    const note = entry('note', { words });
    await write(code, [...weighedAll(await linesOf(code)), note]);
    return { code, note };
  };

  test.each(['I put in a big spoon of peanut butter', 'added cashew cream', 'zu viel Erdnussbutter drin'])(
    '"%s" is asked, and nothing of it reads clear',
    async (words) => {
      const { code } = await noted(words);
      const batch = await read(code);
      expect(['peanut', 'tree-nut'].some((id) => statusOf(batch, id) === 'check')).toBe(true);
      expect(batch.state.check.join()).toContain('A note names');
      expect(batch.differences).not.toEqual([]);
    },
  );

  test('what somebody signs not to be in it is answered, and stays so by name', async () => {
    const { code, note } = await noted('the peanut butter stands open on the shelf');
    expect(statusOf(await read(code), 'peanut')).toBe('check');
    await write(
      code,
      [{ ...entry('answered', { of: note.id, words: 'None went in' }), by: '' }],
      {},
      await signedIn(),
    );
    const batch = await read(code);
    expect(
      batch.worksheet.allergens
        .find(({ id }: { id: string }) => id === 'peanut')
        .traces.map(({ route }: { route: string }) => route),
    ).toEqual([]);
    expect(batch.state.check.join()).not.toContain('A note names');
  });

  test('an answer is of the words it was given to: written again, or changed after it, they are asked again', async () => {
    const signer = await signedIn();
    const answer = (of: string) => ({
      ...entry('answered', { of, words: 'None went in' }, '2026-11-25T09:20:00Z'),
      by: '',
    });
    const { code, note } = await noted('the peanut butter stands open on the shelf');
    await write(code, [answer(note.id)], {}, signer);
    expect((await read(code)).state.asks).toEqual([]);
    const again = entry('note', { words: 'the peanut butter stands open on the shelf' });
    await write(code, [again]);
    expect((await read(code)).state.asks).toMatchObject([{ of: again.id }]);
    const other = await noted('the tahini stands open');
    await write(other.code, [answer(other.note.id)], {}, signer);
    const changed = { kind: 'note', words: 'two spoons of tahini went in' };
    const late = '2026-11-25T09:30:00Z';
    await write(other.code, [
      entry('correction', { of: other.note.id, reason: 'wrong', instead: changed }, late),
    ]);
    expect((await read(other.code)).state.asks).toMatchObject([{ of: other.note.id }]);
    expect(statusOf(await read(other.code), 'sesame')).not.toBe('clear');
  });

  test('a signed answer is not turned to another entry by somebody who does not sign', async () => {
    const { code, note } = await noted('the tahini stands open');
    const second = entry('note', { words: 'a spoon of peanut butter' });
    const signed = { ...entry('answered', { of: note.id, words: 'None went in' }), by: '' };
    await write(code, [second]);
    await write(code, [signed], {}, await signedIn());
    const instead = { kind: 'answered', of: second.id, words: 'None' };
    await write(code, [entry('correction', { of: signed.id, reason: 'x', instead })]);
    expect((await read(code)).state.asks.map(({ of }: { of: string }) => of)).toEqual([note.id, second.id]);
  });

  test('words that name nothing change nothing', async () => {
    const { code } = await noted('a little thick, stirred well, the leeks are lovely');
    expect((await read(code)).differences).toEqual([]);
  });
});

test('a food that nobody knows went in all the same, and is to be checked for everything', async () => {
  const code = await open();
  const { body } = await write(code, [
    ...weighedAll(await linesOf(code)),
    entry('added', { foodId: 'aunt-tillys-mix', grams: 50 }),
  ]);
  expect(body.refused).toEqual([]);
  const batch = await read(code);
  for (const id of ['peanut', 'milk', 'sesame']) expect(statusOf(batch, id)).toBe('check');
  expect(POT).toBe(batch.opened.recipeId);
});
