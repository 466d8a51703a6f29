/** What is released as a kind, complete by its law; labels of many dishes and slips of many trays in one job, each with its batch. */
import type { Kitchen, PackedPortion } from '@hand-ladle/core';
import { UNPACKED } from '@hand-ladle/core';
import {
  as,
  changeKitchen,
  codeOf,
  DISH,
  handedIn,
  openLabelWorld,
  OPTIONS,
  rawAs,
  releasedLabel,
  ROLL,
  world,
} from './label-world';
import { textOf } from './pdf-reader';

beforeAll(() => openLabelWorld('label-runs'));
afterAll(() => world.close());

const POT = 'fennel-butter-bean-pot';
const serviceOf = async (): Promise<Kitchen['service']> =>
  (await world.send('GET', '/api/kitchens/alder-ward')).body.kitchen.service;
const run = (items: object[], extra: object = {}) =>
  as('cook', 'POST', '/api/label-runs', { items, stock: ROLL, ...extra });
const jobOf = async (id: string) =>
  (await world.send('GET', '/api/printer')).body.jobs.find((job: { id: string }) => job.id === id);

async function packed(id: string, fields: Partial<PackedPortion> | null): Promise<() => Promise<void>> {
  const put = async (value: PackedPortion | null): Promise<PackedPortion | null> => {
    const { body } = await world.send('GET', `/api/recipes/${id}`);
    const answer = await world.send('PUT', `/api/recipes/${id}`, {
      ...body,
      recipe: { ...body.recipe, packed: value },
    });
    expect(answer.status).toBe(200);
    return body.recipe.packed;
  };
  const before = await put(fields && { ...UNPACKED, ...fields });
  return async () => void (await put(before));
}

describe('released as a kind', () => {
  test('how a dish is packed is kept with it, and bad figures are refused', async () => {
    const undo = await packed(DISH, { portions: 4, keeping: 'frozen', names: { es: 'Pan' } });
    const { body } = await world.send('GET', `/api/recipes/${DISH}`);
    expect(body.recipe.packed).toMatchObject({ portions: 4, keeping: 'frozen', names: { es: 'Pan' } });
    for (const wrong of [
      { portions: -1 },
      { keeping: 'warm' },
      { referenceId: 'pizza' },
      { names: { it: 'Pane' } },
    ]) {
      const answer = await world.send('PUT', `/api/recipes/${DISH}`, {
        ...body,
        recipe: { ...body.recipe, packed: { ...body.recipe.packed, ...wrong } },
      });
      expect([wrong, answer.status]).toEqual([wrong, 400]);
    }
    await undo();
  });

  test('what its law asks for and it has not is open: no checker passes it', async () => {
    const undo = await packed(POT, null);
    const draft = await handedIn(POT, 'alder-ward', { kind: 'retail' });
    const { body } = await as(null, 'GET', `/api/labels/${draft.id}`);
    expect(body.kind).toBe('retail');
    expect(body.openPoints.join()).toMatch(/Net quantity: .*How it is kept: .*Portions in the pack/);
    expect(codeOf(await as('checker', 'POST', `/api/labels/${draft.id}/check`, { version: 1 }))).toBe(
      'label-open',
    );
    await undo();
    expect((await releasedLabel(POT, 'alder-ward', { kind: 'retail' })).state).toBe('released');
  });

  test('a label prints as what it was released as, and as nothing else', async () => {
    const { id } = await releasedLabel(DISH, 'alder-ward', { kind: 'counter' });
    const print = (kind?: string) =>
      as('cook', 'POST', `/api/labels/${id}/print`, { options: { stock: ROLL, ...(kind ? { kind } : {}) } });
    expect(codeOf(await print('tray'))).toBe('label-other-kind');
    expect((await print('counter')).status).toBe(202);
    expect((await print()).status).toBe(202);
  });

  test('of one kind one is out: the newer takes its place, other kinds and languages stand', async () => {
    const state = async (id: string): Promise<string> =>
      (await as(null, 'GET', `/api/labels/${id}`)).body.state;
    const first = await releasedLabel(DISH, 'alder-ward', { kind: 'serving' });
    const card = await releasedLabel(DISH, 'alder-ward', { kind: 'counter' });
    const french = await releasedLabel(DISH, 'alder-ward', { style: { language: 'fr', hasTail: false } });
    expect(french.state).toBe('released');
    const second = await releasedLabel(DISH, 'alder-ward', { kind: 'serving' });
    expect([
      await state(first.id),
      await state(card.id),
      await state(french.id),
      await state(second.id),
    ]).toEqual(['withdrawn', 'released', 'released', 'released']);
    const { body } = await as('checker', 'GET', '/api/audit');
    const taken = body.entries.find(
      ({ act, subject }: { act: string; subject: string }) => act === 'withdrawn' && subject === first.id,
    );
    expect(taken.details).toMatchObject({ takenPlaceOfBy: second.id });
  });

  test('a kitchen may want another person to release than the one who checked', async () => {
    const undo = await changeKitchen({ service: { ...(await serviceOf()), isReleasedByAnother: true } });
    const { id } = await handedIn();
    await as('manager', 'POST', `/api/labels/${id}/check`, { version: 1 });
    expect(codeOf(await as('manager', 'POST', `/api/labels/${id}/release`, { version: 2 }))).toBe(
      'label-same-person',
    );
    await undo();
    expect((await as('manager', 'POST', `/api/labels/${id}/release`, { version: 2 })).status).toBe(200);
  });

  test('the address of the business is part of the label: a change of it makes it stale, in words', async () => {
    const { id } = await releasedLabel(POT, 'alder-ward', { kind: 'retail' });
    const undo = await changeKitchen({ service: { ...(await serviceOf()), businessAddress: '9 Elsewhere' } });
    const { body } = await as(null, 'GET', `/api/labels/${id}`);
    expect(body.changes).toEqual([
      {
        what: 'Name and address of the business',
        before: 'Alder House Kitchens, 14 Saltmill Lane\nThornwick TW4 9QX',
        after: 'Alder House Kitchens, 9 Elsewhere',
      },
    ]);
    await undo();
  });
});

describe('files', () => {
  const file = async (id: string, body: object): Promise<string> => {
    const response = await rawAs('cook', 'POST', `/api/labels/${id}/file/pdf`, body);
    expect(response.status).toBe(200);
    return textOf(Buffer.from(await response.arrayBuffer()));
  };

  test('a file carries date and batch like a print, and the same batch again where it is named', async () => {
    const { id } = await releasedLabel(POT, 'alder-ward', { kind: 'retail' });
    const text = await file(id, { options: { stock: ROLL, madeOn: '2026-11-24' } });
    expect(text).toMatch(/Made\s+24 Nov 2026/);
    expect(text).toMatch(/Use by\s+26 Nov 2026/);
    const code = /Batch\s+(\d{6}-\w{4})/.exec(text)![1]!;
    expect((await world.send('GET', `/api/batches/${code}`)).body).toMatchObject({ madeOn: '2026-11-24' });
    const again = await file(id, { options: { stock: ROLL }, batchCode: code });
    expect(again).toContain(code);
    expect(again).toMatch(/Made\s+24 Nov 2026/);
    const late = await as('cook', 'POST', `/api/labels/${id}/print`, {
      options: { stock: ROLL, madeOn: '2026-11-20' },
    });
    expect(codeOf(late)).toBe('label-expired');
    const other = await releasedLabel(DISH);
    const wrong = await as('cook', 'POST', `/api/labels/${other.id}/print`, {
      options: OPTIONS,
      batchCode: code,
    });
    expect(codeOf(wrong)).toBe('batch-of-another-label');
  });

  test('frozen, and nobody said how long: it is never released without a date', async () => {
    const undo = await packed(POT, { portions: 1, keeping: 'frozen' });
    const draft = await handedIn(POT, 'alder-ward', { kind: 'retail' });
    expect((await as(null, 'GET', `/api/labels/${draft.id}`)).body.openPoints.join()).toContain(
      'best-before',
    );
    const plate = await releasedLabel(POT, 'alder-ward', { kind: 'serving' });
    expect(codeOf(await as('cook', 'POST', `/api/labels/${plate.id}/print`, { options: OPTIONS }))).toBe(
      'label-undated',
    );
    await undo();
  });
});

describe('many in one job', () => {
  test('labels of several dishes: one job, a batch for each, each label once and in its order', async () => {
    const pot = await releasedLabel(POT, 'alder-ward', { kind: 'retail' });
    const bread = await releasedLabel(DISH);
    const answer = await run([
      { releaseId: pot.id, quantity: 3 },
      { releaseId: bread.id, quantity: 2 },
    ]);
    expect(answer.status).toBe(202);
    expect(answer.body.batchCodes).toHaveLength(2);
    while (await world.services.spool.step());
    expect(await jobOf(answer.body.jobId)).toMatchObject({
      state: 'done',
      printed: 5,
      quantity: 5,
      title: 'Fennel and butter bean pot and 1 more',
    });
  });

  test('a slip for each tray is one batch; what one may not have refuses the whole job and makes none', async () => {
    const { id } = await releasedLabel(POT, 'alder-ward', { kind: 'tray' });
    const answer = await run([
      { releaseId: id, quantity: 1, group: 'Bed 4', texture: 'soft' },
      { releaseId: id, quantity: 2, group: 'Bed 5' },
    ]);
    expect(answer.body.batchCodes).toHaveLength(1);
    const bread = await releasedLabel(DISH, 'alder-ward', { kind: 'tray' });
    const before = (await world.send('GET', '/api/printer')).body.jobs.length;
    const refused = await run([
      { releaseId: id, quantity: 1, group: 'Bed 4' },
      { releaseId: bread.id, quantity: 1, group: 'Coeliac' },
    ]);
    expect(codeOf(refused)).toBe('tray-not-free');
    expect(codeOf(await run([{ releaseId: id, quantity: 1, group: 'Bed 🛏' }]))).toBe('label-does-not-fit');
    expect((await world.send('GET', '/api/printer')).body.jobs).toHaveLength(before);
  });

  test('as one file on sheets; nothing stale, unknown or too many', async () => {
    const { id } = await releasedLabel(POT, 'alder-ward', { kind: 'retail' });
    const sheet = {
      kind: 'sheet',
      id: 'a4',
      name: 'A4',
      paper: 'a4',
      columns: 2,
      rows: 2,
      leftMm: 0,
      topMm: 0,
      gapXMm: 0,
      gapYMm: 0,
      widthMm: 105,
      heightMm: 148,
    };
    const items = [{ releaseId: id, quantity: 6 }];
    const response = await rawAs('cook', 'POST', '/api/label-runs/file/pdf', { items, stock: sheet });
    const text = textOf(Buffer.from(await response.arrayBuffer()));
    expect(text.match(/Net weight/g)).toHaveLength(6);
    expect(codeOf(await run([{ releaseId: 'none', quantity: 1 }]))).toBe('label-not-found');
    expect(codeOf(await run([{ releaseId: id, quantity: 1001 }]))).toBe('bad-request');
    expect(
      codeOf(
        await run([
          { releaseId: id, quantity: 600 },
          { releaseId: id, quantity: 600 },
        ]),
      ),
    ).toBe('bad-request');
    expect(codeOf(await run([]))).toBe('bad-request');
    expect((await as('cook', 'POST', '/api/label-runs/file/png', { items, stock: sheet })).status).toBe(404);
    expect((await world.send('POST', '/api/label-runs', { items, stock: sheet })).status).toBe(401);
  });
});

test('the menu sheet says the energy as the kitchen chose, and what is not known it says so', async () => {
  const menu = async (): Promise<string> => {
    const response = await rawAs('cook', 'GET', '/api/menu.pdf?kitchenId=alder-ward', undefined);
    return textOf(Buffer.from(await response.arrayBuffer()));
  };
  expect(await menu()).not.toMatch(/kcal|calories/);
  for (const [menuEnergy, words] of [
    [
      'england',
      [/163 kcal, one portion of\s+300 g/, /Adults need around 2000 kcal a day/, /kcal not known yet/],
    ],
    ['us', [/\d+0 calories/, /2,000 calories a day is used/, /calories not known yet/]],
  ] as const) {
    const undo = await changeKitchen({ service: { ...(await serviceOf()), menuEnergy } });
    const text = (await menu()).replace(/\s+/g, ' ');
    for (const each of words) expect(text).toMatch(each);
    await undo();
  }
});
