import { openWorld, type World } from '../world';
import { entry, type Line, stoveOf, weighedAll } from './stove';

let world: World;
const { open, write, read, linesOf } = stoveOf(() => world);
beforeAll(async () => {
  world = await openWorld('cooking');
});
afterAll(() => world.close());

describe('a batch', () => {
  test('opens with a code, asked twice once; what went in is on its worksheet', async () => {
    const [code, again] = [await open({ clientId: 'c-1' }), await open({ clientId: 'c-1' })];
    expect(again).toBe(code);
    const lines = await linesOf(code);
    const sent = weighedAll(lines);
    const first = await write(code, sent);
    expect(first.body).toEqual({ accepted: sent.map(({ id }) => id), refused: [] });
    // The answer was lost and it is sent again: nothing is twice.
    expect((await write(code, sent)).body.accepted).toHaveLength(sent.length);
    const batch = await read(code);
    expect(batch.entries).toHaveLength(sent.length);
    expect(batch.worksheet.lines.map((line: Line) => [line.name, line.batchGrams])).toEqual(
      lines.map((line) => [line.name, line.scaleGrams]),
    );
    expect(batch.differences).toEqual([]);
    expect(batch.state.phase).toBe('cooking');
  });

  test('one entry that cannot be stops no other, and each is told why', async () => {
    const code = await open();
    const [line] = await linesOf(code);
    const ok = entry('note', { words: 'begun late' });
    const sent = [
      entry('weighed', { lineId: 'none', load: 1, grams: 5 }),
      entry('weighed', { lineId: line!.id, load: 99, grams: 5 }),
      entry('weighed', { lineId: line!.id, load: 1, grams: -5 }),
      entry('weighed', { lineId: line!.id, load: 1, grams: '<b>' }),
      entry('pack', { foodId: 'nothing', product: 'x' }),
      entry('step-done', { stepId: 'nowhere' }),
      entry('correction', { of: 'never', reason: 'x' }),
      entry('reading', { point: 'core', celsius: 'hot' }),
      { id: 'odd', at: '2026-11-25T09:10:00Z', kind: 'stolen' },
      { id: 'when', at: 'yesterday', kind: 'note', words: 'x' },
      ok,
    ];
    const { body } = await write(code, sent);
    expect(body.accepted).toEqual([ok.id]);
    expect(body.refused.map(({ id }: { id: string }) => id).sort()).toEqual(
      sent
        .filter((each) => each !== ok)
        .map(({ id }) => id)
        .sort(),
    );
    for (const { reason } of body.refused) expect(reason).not.toBe('');
  });

  test('an entry is never changed: another one of its id is refused, a correction is an entry', async () => {
    const code = await open();
    const [line] = await linesOf(code);
    const first = entry('weighed', { lineId: line!.id, load: 1, grams: 500 });
    await write(code, [first]);
    const other = await write(code, [{ ...first, grams: 50 }]);
    expect(other.body.refused[0].reason).toContain('not changed');
    const corrected = entry('correction', {
      of: first.id,
      reason: 'read the scale wrongly',
      instead: { kind: 'weighed', lineId: line!.id, load: 1, grams: 510 },
    });
    await write(code, [corrected]);
    const { entries, state } = await read(code);
    expect(entries).toHaveLength(2);
    expect(state.puts.find(({ lineId }: { lineId: string }) => lineId === line!.id).grams).toBe(510);
    await expect(
      world.tables.entries.update({ by: 'nobody' }, { where: { id: first.id } }),
    ).rejects.toThrow();
    await expect(world.tables.entries.destroy({ where: { id: first.id } })).rejects.toThrow();
    const elsewhere = await write(await open(), [first]);
    expect(elsewhere.body.refused[0].reason).toContain('another record');
  });

  test('a pack that is not the recorded one sends it to check; a substitute is on its label, which the release does not cover', async () => {
    const code = await open();
    const lines = await linesOf(code);
    const [swapped, ...rest] = [
      lines.find(({ foodId }) => foodId === 'pearl-barley')!,
      ...lines.filter(({ foodId }) => foodId !== 'pearl-barley'),
    ];
    await write(code, [
      ...weighedAll(rest),
      entry('substituted', { lineId: swapped.id, load: 1, foodId: 'hazelnuts', grams: swapped.scaleGrams }),
      ...swapped.loads
        .slice(1)
        .map((grams, index) =>
          entry('substituted', { lineId: swapped.id, load: index + 2, foodId: 'hazelnuts', grams }),
        ),
      entry('pack', { foodId: 'hazelnuts', product: 'Market hazelnuts', lot: 'H77', supplier: 'Stall' }),
      entry('finished', { grams: 33000, way: 'scale' }),
    ]);
    const batch = await read(code);
    const status = (id: string) =>
      batch.worksheet.allergens.find((each: { id: string }) => each.id === id).status;
    expect(status('nut')).toBe('contains');
    expect(batch.worksheet.label.ingredients).toMatch(/hazelnut/i);
    expect(batch.worksheet.label.ingredients).not.toMatch(/barley/i);
    expect(batch.state.check[0]).toContain('Market hazelnuts');
    expect(batch.worksheet.finishedGrams).toBe(33000);
    expect(batch.differences.map(({ what }: { what: string }) => what)).toContain('Pearl barley');
    const recall = await world.send('GET', '/api/recall?lot=H77');
    expect(recall.body.batches).toMatchObject([{ code, evidence: 'its lot was written down' }]);
  });
});

describe('a component that is not as its recipe says', () => {
  test('takes what went wrong with it into the dish, whose release does not cover that', async () => {
    const cream = await open({ recipeId: 'sunflower-seed-cream', target: { kind: 'weight', grams: 3000 } });
    await write(cream, [
      ...weighedAll(await linesOf(cream)),
      entry('added', { foodId: 'hazelnuts', grams: 40, because: 'wrong bowl' }),
    ]);
    const dish = await open();
    const lines = await linesOf(dish);
    const line = lines.find(({ name }) => /sunflower seed cream/i.test(name))!;
    const rest = lines.filter((each) => each !== line);
    const status = (batch: { worksheet: { allergens: { id: string; status: string }[] } }): string =>
      batch.worksheet.allergens.find(({ id }) => id === 'nut')!.status;
    await write(dish, weighedAll(rest));
    expect(status(await read(dish))).not.toBe('contains');
    await write(dish, [
      entry('weighed', { lineId: line.id, load: 1, grams: line.scaleGrams, way: 'scale', from: cream }),
    ]);
    const batch = await read(dish);
    expect(status(batch)).toBe('contains');
    expect(batch.differences.map(({ what }: { what: string }) => what)).toContain(line.name);
    expect(batch.worksheet.label.ingredients).toMatch(/sunflower/i);
    const plain = await open({ recipeId: 'sunflower-seed-cream', target: { kind: 'weight', grams: 3000 } });
    await write(plain, [...weighedAll(await linesOf(plain))]);
    const other = await open();
    await write(other, [
      ...weighedAll((await linesOf(other)).filter(({ id }) => id !== line.id)),
      entry('weighed', { lineId: line.id, load: 1, grams: line.scaleGrams, way: 'scale', from: plain }),
    ]);
    expect((await read(other)).differences).toEqual([]);
  });

  test('into a bowl that there is not it went all the same; a leftover that was corrected is as much as it is now said to be', async () => {
    const code = await open({ recipeId: 'sunflower-seed-cream', target: { kind: 'weight', grams: 3000 } });
    const [line] = await linesOf(code);
    const astray = entry('misplaced', { lineId: line!.id, load: 1, grams: 5, into: '000000-0000' });
    expect((await write(code, [astray])).body.accepted).toEqual([astray.id]);
    const left = entry('left-over', { grams: 500, way: 'scale' });
    await write(code, [...weighedAll(await linesOf(code)), left]);
    const inStore = async (): Promise<number[]> =>
      (await world.send('GET', '/api/stock?kitchenId=alder-ward')).body
        .filter((each: { lot: string }) => each.lot === code)
        .map(({ grams }: { grams: number }) => grams);
    expect(await inStore()).toEqual([500]);
    const instead = { kind: 'left-over', grams: 350, way: 'scale' };
    await write(code, [entry('correction', { of: left.id, reason: 'the tub was on it', instead })]);
    expect(await inStore()).toEqual([350]);
  });
});

describe('the label of a batch', () => {
  test('is released and printed under its own code; a further entry makes it stale, and the label of the dish stays', async () => {
    const login = async (name: string): Promise<Record<string, string>> => {
      const response = await world.app.request('/api/session', {
        method: 'POST',
        body: JSON.stringify({ login: name, password: 'ladle-manager-1' }),
        headers: { 'Content-Type': 'application/json' },
      });
      return { Cookie: response.headers.get('set-cookie')!.split(';')[0]! };
    };
    const cookie = await login('wenna');
    const recipeId = 'caraway-flatbread';
    const stock = { kind: 'roll', id: 'roll-102', name: 'Roll', widthMm: 102, heightMm: null };
    const step = (id: string, act: string, version: number) =>
      world.send('POST', `/api/labels/${id}/${act}`, { version }, cookie);
    const released = async (draft: { id: string }): Promise<string> => {
      expect((await step(draft.id, 'check', 1)).body.error).toBeUndefined();
      expect((await step(draft.id, 'release', 2)).body.state).toBe('released');
      return draft.id;
    };
    const target = { kind: 'portions', portions: 40, portionGrams: 70 };
    const asked = { recipeId, kitchenId: 'alder-ward', kind: 'serving' };
    const ofDish = await released((await world.send('POST', '/api/labels', asked, cookie)).body);
    const print = (id: string, fields: object = {}) =>
      world.send('POST', `/api/labels/${id}/print`, { options: { stock, quantity: 2 }, ...fields }, cookie);

    const code = await open({ recipeId, target });
    const lines = await linesOf(code);
    await write(code, weighedAll(lines));
    const { worksheet, differences } = await read(code);
    expect(differences).toEqual([]);
    await write(code, [entry('finished', { grams: Math.round(worksheet.finishedGrams), way: 'scale' })]);
    expect((await print(ofDish, { batchCode: code })).body).toMatchObject({ batchCode: code });

    await write(code, [entry('added', { foodId: 'sesame-seeds', grams: 30, because: 'other' })]);
    expect((await print(ofDish, { batchCode: code })).body.error.code).toBe('batch-differs');
    const draft = await world.send('POST', `/api/batches/${code}/label`, {}, cookie);
    expect([draft.body.openPoints, draft.body.batchCode]).toEqual([[], code]);
    const own = await released(draft.body);
    expect((await print(own)).body).toMatchObject({ batchCode: code });
    expect((await print(own, { batchCode: '261125-2222' })).body.error.code).toBe('batch-of-another-label');
    const recall = await world.send('GET', `/api/recall?batch=${code}`);
    expect(recall.body.labels.map(({ printed }: { printed: number }) => printed)).toEqual([2, 2]);

    await write(code, [entry('note', { words: 'nothing that matters' })]);
    expect((await world.send('GET', `/api/labels/${own}`)).body.isStale).toBe(false);
    await write(code, [entry('added', { foodId: 'almonds', grams: 5, because: 'wrong bowl' })]);
    expect((await print(own)).body.error.code).toBe('label-stale');
    expect((await world.send('GET', `/api/labels/${ofDish}`)).body).toMatchObject({
      state: 'released',
      isStale: false,
    });
  });
});

describe('clocks and tablets', () => {
  test('a clock that is an hour ahead is noted, and its times are corrected', async () => {
    const code = await open();
    const ahead = entry('note', { words: 'by the wrong clock' }, '2026-11-25T10:00:00Z');
    await write(code, [ahead], { sentAt: '2026-11-25T10:00:00Z' });
    const right = {
      ...entry('note', { words: 'by the right one' }, '2026-11-25T09:30:00Z'),
      device: 'tablet-b',
    };
    await write(code, [right], { sentAt: '2026-11-25T09:00:00Z' });
    const { entries, state } = await read(code);
    expect(entries.map(({ words }: { words: string }) => words)).toEqual([
      'by the wrong clock',
      'by the right one',
    ]);
    expect(state.clocks.join()).toContain('60 min ahead');
  });

  test('two tablets at once: every entry once, in the order of each', async () => {
    const code = await open();
    const of = (device: string) =>
      Array.from({ length: 25 }, (_, index) => ({
        id: `${device}-${code}-${index}`,
        at: new Date(Date.UTC(2026, 10, 25, 9, 0, index)).toISOString(),
        kind: 'note',
        words: String(index),
        device,
        order: index,
      }));
    const sends = ['one', 'two'].flatMap((device) => {
      const all = of(device);
      return [all.slice(0, 15), all.slice(10), all].map((part) => write(code, part));
    });
    for (const { status } of await Promise.all(sends)) expect(status).toBe(200);
    const { entries } = await read(code);
    expect(entries).toHaveLength(50);
    for (const device of ['one', 'two'])
      expect(
        entries
          .filter((each: { device: string }) => each.device === device)
          .map(({ words }: { words: string }) => words),
      ).toEqual(Array.from({ length: 25 }, (_, index) => String(index)));
  });
});

test('the same entries sent to two batches at once stand in one of them; the other refuses them', async () => {
  const codes = [await open(), await open()];
  const sent = Array.from({ length: 20 }, (_, index) => ({
    ...entry('note', { words: String(index) }),
    id: `twice-${index}`,
  }));
  const answers = await Promise.all(codes.map((code) => write(code, sent)));
  expect(answers.map(({ status }) => status)).toEqual([200, 200]);
  const accepted = answers.flatMap(({ body }) => body.accepted as string[]);
  expect([...accepted].sort()).toEqual(sent.map(({ id }) => id).sort());
  const refused = answers.flatMap(({ body }) => (body.refused as { id: string }[]).map(({ id }) => id));
  expect(refused.sort()).toEqual([...accepted].sort());
});

describe('signing', () => {
  test('a PIN signs what its person writes, another name it does not; guesses are slowed', async () => {
    const login = async (name: string, password: string) => {
      const response = await world.app.request('/api/session', {
        method: 'POST',
        body: JSON.stringify({ login: name, password }),
        headers: { 'Content-Type': 'application/json' },
      });
      return { Cookie: response.headers.get('set-cookie')!.split(';')[0]! };
    };
    const cookie = await login('ilka', 'ladle-cook-1');
    await world.send('PUT', '/api/pin', { pin: '4711' }, cookie);
    const signers = await world.send('GET', '/api/signers');
    const { id } = signers.body.find(({ name }: { name: string }) => name === 'Ilka Reedmace');
    const { body } = await world.send('POST', '/api/signatures', { personId: id, pin: '4711' });
    const code = await open();
    await write(code, [
      { ...entry('note', { words: 'a' }), signature: body.signature },
      { ...entry('note', { words: 'b' }), by: 'Somebody else', signature: body.signature },
      { ...entry('note', { words: 'c' }), signature: 'made up' },
    ]);
    const { entries } = await read(code);
    expect(entries.map((each: { isSigned: boolean; by: string }) => [each.by, each.isSigned])).toEqual([
      ['Ilka Reedmace', true],
      ['Somebody else', false],
      ['Ilka Reedmace', false],
    ]);
    const guesses = [];
    for (let guess = 0; guess < 7; guess += 1)
      guesses.push(
        (await world.send('POST', '/api/signatures', { personId: id, pin: `000${guess}` })).status,
      );
    expect(guesses.slice(0, 5)).toEqual([401, 401, 401, 401, 401]);
    expect(guesses[6]).toBe(429);
    world.clock.at = new Date('2026-11-25T09:30:00Z');
  });
});

describe('what is left over, recalled, logged', () => {
  test('it goes into store under its code, once, with its allergens; a recall follows it into what is made of it', async () => {
    const code = await open({ recipeId: 'green-dressing', target: { kind: 'weight', grams: 4000 } });
    const lines = await linesOf(code);
    await write(code, weighedAll(lines));
    const left = entry('left-over', { grams: 900, way: 'scale' });
    await write(code, [left]);
    await write(code, [left]);
    const { body: stock } = await world.send('GET', '/api/stock?kitchenId=alder-ward');
    const mine = stock.filter((each: { lot: string }) => each.lot === code);
    expect(mine).toMatchObject([{ grams: 900, kind: 'made-ahead' }]);
    const dish = await open();
    const [line] = await linesOf(dish);
    await write(dish, [entry('weighed', { lineId: line!.id, load: 1, grams: 100, from: code })]);
    const { body: recall } = await world.send('GET', `/api/recall?batch=${code}`);
    expect(
      recall.batches.map((each: { code: string; evidence: string }) => [each.code, each.evidence]).sort(),
    ).toEqual(
      [
        [code, 'its lot was written down'],
        [dish, 'made of a batch that is hit'],
      ].sort(),
    );
    expect(recall.packs.some((each: { code: string }) => each.code === code)).toBe(true);
    const back = await world.send('GET', `/api/recall?batch=${dish}`);
    expect(back.body.packs.some((each: { code: string }) => each.code === code)).toBe(true);
  });

  test('a day: the round, a breach and what was done; a missing reading is said', async () => {
    const reading = entry('reading', { point: 'cold-hold', where: 'Cold room', celsius: 5.001 });
    const send = (entries: object[]) =>
      world.send('POST', '/api/day-log/entries', { kitchenId: 'alder-ward', entries });
    expect(
      (await send([reading, entry('weighed', { lineId: 'l1', load: 1, grams: 5 })])).body.refused,
    ).toHaveLength(1);
    const before = await world.send('GET', '/api/safety-log?kitchenId=alder-ward');
    const rows = (body: { sections: { rows: string[][] }[] }) => body.sections.flatMap((each) => each.rows);
    expect(rows(before.body).flat().join(' ')).toContain('OUT; nothing done about it yet');
    await send([entry('action', { of: reading.id, action: 'Moved to another unit' })]);
    const after = await world.send('GET', '/api/safety-log?kitchenId=alder-ward');
    expect(rows(after.body).flat().join(' ')).toContain('OUT; Moved to another unit (Ilka Reedmace)');
    expect(after.body.notes.join(' ')).toContain('Freezer was not read on this day.');
    for (const file of ['pdf', 'csv']) {
      const response = await world.app.request(`/api/safety-log.${file}?kitchenId=alder-ward`);
      expect(response.status).toBe(200);
      expect((await response.arrayBuffer()).byteLength).toBeGreaterThan(300);
    }
  });
});

test('nothing broke that nobody expected', () => expect(world.errors).toEqual([]));
