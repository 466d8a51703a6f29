/** A label from the bench to paper: roles, steps, frozen inputs, what goes stale, the spool, and those who try otherwise. */
import { execFileSync } from 'node:child_process';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Kitchen } from '@hand-ladle/core';
import { DEMO_PEOPLE, FREE_GUESSES, seedPeople, waitAfter, type Role } from '../src/accounts/people';
import { codeImage } from '../src/codes';
import { MOST_WAITING } from '../src/devices/spool';
import { createServices } from '../src/services';
import { openWorld, type World } from './world';

let world: World;
const cookies = new Map<Role, string>();
const DISH = 'caraway-flatbread';
const ROLL = { kind: 'roll', id: 'roll-102', name: 'Roll', widthMm: 102, heightMm: null };
const OPTIONS = { kind: 'serving', stock: ROLL };

async function cookieOf(login: string, password: string): Promise<string> {
  const response = await world.app.request('/api/session', {
    method: 'POST',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify({ login, password }),
  });
  return (response.headers.get('set-cookie') ?? '').split(';')[0]!;
}
const as = (role: Role | null, method: string, path: string, body?: unknown) =>
  world.send(method, path, body, role ? { Cookie: cookies.get(role)! } : {});
const codeOf = (answer: { body: { error?: { code: string } } }): string | undefined =>
  answer.body.error?.code;

async function handedIn(recipeId = DISH, kitchenId = 'alder-ward', extra: object = {}) {
  const { body } = await as('editor', 'POST', '/api/labels', { recipeId, kitchenId, ...extra });
  return body as { id: string; version: number; state: string; isStale: boolean };
}
async function releasedLabel(recipeId = DISH, kitchenId = 'alder-ward', extra: object = {}) {
  const draft = await handedIn(recipeId, kitchenId, extra);
  await as('checker', 'POST', `/api/labels/${draft.id}/check`, { version: 1 });
  const { body } = await as('manager', 'POST', `/api/labels/${draft.id}/release`, { version: 2 });
  return body as { id: string; version: number; state: string };
}
const settingsOf = ({
  id: _,
  packs: __,
  weights: ___,
  names: ____,
  swaps: _____,
  ratings: ______,
  ...settings
}: Kitchen) => settings;

/** Changes settings of the ward's kitchen and hands back the way to undo it. */
async function changeKitchen(change: Partial<Kitchen>): Promise<() => Promise<void>> {
  const { body } = await world.send('GET', '/api/kitchens/alder-ward');
  const before = body.kitchen as Kitchen;
  const put = async (kitchen: Kitchen): Promise<void> => {
    const { body: now } = await world.send('GET', '/api/kitchens/alder-ward');
    const answer = await world.send('PUT', '/api/kitchens/alder-ward', {
      settings: settingsOf(kitchen),
      version: now.version,
    });
    expect(answer.status).toBe(200);
  };
  await put({ ...before, ...change });
  return () => put(before);
}

beforeAll(async () => {
  world = await openWorld('labels');
  // The tests say when the spool goes on.
  world.services.spool.wake = () => undefined;
  await seedPeople(world.services.people);
  for (const { login, password, role } of DEMO_PEOPLE) cookies.set(role, await cookieOf(login, password));
}, 120_000);
afterAll(() => world.close());

describe('accounts', () => {
  test('a session is a cookie that scripts cannot read and other sites do not send', async () => {
    const response = await world.app.request('/api/session', {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({ login: 'ilka', password: 'ladle-cook-1' }),
    });
    expect(response.headers.get('set-cookie')).toMatch(/HttpOnly; SameSite=Strict/);
    expect((await as('cook', 'GET', '/api/session')).body.person).toMatchObject({
      name: 'Ilka Reedmace',
      role: 'cook',
    });
    expect(JSON.stringify((await as('manager', 'GET', '/api/people')).body)).not.toMatch(/scrypt|password/i);
  });

  test('forged, ended and old sessions are nobody', async () => {
    const forged = { Cookie: 'hand_ladle_session=AAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAA' };
    expect((await world.send('GET', '/api/session', undefined, forged)).body.person).toBeNull();
    const cookie = await cookieOf('ilka', 'ladle-cook-1');
    await world.send('DELETE', '/api/session', undefined, { Cookie: cookie });
    expect((await world.send('GET', '/api/session', undefined, { Cookie: cookie })).body.person).toBeNull();
    const fresh = await cookieOf('ilka', 'ladle-cook-1');
    const at = world.clock.at;
    world.clock.at = new Date(at.getTime() + 13 * 3_600_000);
    expect((await world.send('GET', '/api/session', undefined, { Cookie: fresh })).body.person).toBeNull();
    world.clock.at = at;
  });

  test('guessing is slowed, more with each guess, and the right password waits too', async () => {
    await as('manager', 'POST', '/api/people', {
      login: 'guessed',
      name: 'G. Uest',
      role: 'cook',
      password: 'right-password',
    });
    const guess = (password: string) => world.send('POST', '/api/session', { login: 'guessed', password });
    for (let tries = 0; tries < FREE_GUESSES; tries += 1)
      expect(codeOf(await guess(`wrong ${tries}`))).toBe('sign-in-refused');
    const slowed = await guess('right-password');
    expect([slowed.status, slowed.body.error.details]).toEqual([429, [{ seconds: 5 }]]);
    const at = world.clock.at;
    world.clock.at = new Date(at.getTime() + 5_100);
    expect((await guess('right-password')).status).toBe(200);
    world.clock.at = at;
    expect([waitAfter(4, 5), waitAfter(5, 5), waitAfter(8, 5), waitAfter(60, 5)]).toEqual([0, 5, 40, 900]);
  });

  test('an unknown login is refused in the same words', async () => {
    const [unknown, wrong] = [
      await world.send('POST', '/api/session', { login: 'nobody', password: 'x' }),
      await world.send('POST', '/api/session', { login: 'tamsin', password: 'x' }),
    ];
    expect(unknown.body.error).toEqual(wrong.body.error);
  });

  test('only a manager sees and makes accounts; the last one stays', async () => {
    for (const role of ['cook', 'editor', 'checker'] as const)
      expect(codeOf(await as(role, 'GET', '/api/people'))).toBe('role-missing');
    expect(codeOf(await as(null, 'GET', '/api/people'))).toBe('not-signed-in');
    const people = (await as('manager', 'GET', '/api/people')).body as { id: string; role: Role }[];
    const manager = people.find(({ role }) => role === 'manager')!;
    expect(codeOf(await as('manager', 'PUT', `/api/people/${manager.id}`, { role: 'cook' }))).toBe(
      'last-manager',
    );
    expect(
      (await as('manager', 'POST', '/api/people', { login: 'x', name: 'X', role: 'cook', password: 'short' }))
        .status,
    ).toBe(400);
  });

  test('what another site sends is refused, signed in or not', async () => {
    const send = (headers: Record<string, string>) =>
      world.send(
        'POST',
        '/api/labels',
        { recipeId: DISH, kitchenId: 'alder-ward' },
        { Cookie: cookies.get('editor')!, ...headers },
      );
    expect(codeOf(await send({ 'Sec-Fetch-Site': 'cross-site' }))).toBe('cross-site');
    expect(codeOf(await send({ Origin: 'https://elsewhere.example' }))).toBe('cross-site');
    expect(codeOf(await send({ Origin: 'null' }))).toBe('cross-site');
    expect((await send({ Origin: 'http://localhost', Host: 'localhost' })).status).toBe(201);
  });
});

describe('the way out of the kitchen', () => {
  test('draft, checked, released: each by who may, in order, once', async () => {
    const { id } = await handedIn();
    const step = (role: Role | null, to: string, version: number) =>
      as(role, 'POST', `/api/labels/${id}/${to}`, { version });
    expect(codeOf(await as('cook', 'POST', '/api/labels', { recipeId: DISH, kitchenId: 'alder-ward' }))).toBe(
      'role-missing',
    );
    expect(codeOf(await step('manager', 'release', 1))).toBe('label-step');
    expect(codeOf(await step('editor', 'check', 1))).toBe('role-missing');
    expect(codeOf(await step(null, 'check', 1))).toBe('not-signed-in');
    expect(codeOf(await as('cook', 'POST', `/api/labels/${id}/print`, { options: OPTIONS }))).toBe(
      'label-not-released',
    );
    expect((await step('checker', 'check', 1)).body).toMatchObject({
      state: 'checked',
      checked: { name: 'Bram Sorrel' },
    });
    expect(codeOf(await step('checker', 'release', 2))).toBe('role-missing');
    expect(codeOf(await step('manager', 'release', 1))).toBe('label-conflict');
    expect((await step('manager', 'release', 2)).body).toMatchObject({
      state: 'released',
      released: { name: 'Wenna Alder' },
      isStale: false,
    });
    expect(codeOf(await step('manager', 'release', 3))).toBe('label-step');
  });

  test('a label with open points is not checked, and says which', async () => {
    const { id } = await handedIn('barley-leek-white-bean-pot');
    const refused = await as('checker', 'POST', `/api/labels/${id}/check`, { version: 1 });
    expect(codeOf(refused)).toBe('label-open');
    expect(refused.body.error.details.length).toBeGreaterThan(0);
  });

  test('the frozen inputs are kept whole, and work out the same label', async () => {
    const { id } = await releasedLabel();
    const { body: inputs } = await world.send('GET', `/api/labels/${id}/inputs`);
    const { body: view } = await world.send('GET', `/api/labels/${id}`);
    const { thaw } = await import('@hand-ladle/core');
    expect(JSON.parse(JSON.stringify(thaw(inputs).label))).toEqual(view.label);
  });

  test('a claim is only handed in where its condition is surely met', async () => {
    const refused = await as('editor', 'POST', '/api/labels', {
      recipeId: DISH,
      kitchenId: 'alder-ward',
      claims: ['no-gluten-ingredients'],
    });
    expect(codeOf(refused)).toBe('claim-not-met');
    expect(
      codeOf(
        await as('editor', 'POST', '/api/labels', {
          recipeId: DISH,
          kitchenId: 'alder-ward',
          claims: ['cures-all'],
        }),
      ),
    ).toBe('claim-not-met');
  });
});

describe('any change upstream makes it stale, with what changed', () => {
  const changesOf = async (id: string): Promise<string[]> =>
    ((await world.send('GET', `/api/labels/${id}`)).body.changes as { what: string }[]).map(
      ({ what }) => what,
    );

  test('a line, a weighed yield, a larder figure, a pack, the law: and back again', async () => {
    const { id } = await releasedLabel();
    expect(await changesOf(id)).toEqual([]);
    const { body: saved } = await world.send('GET', `/api/recipes/${DISH}`);
    const lines = saved.recipe.lines.map((line: object, index: number) =>
      index === 0 ? { ...line, answers: { grams: 777, gramsOrigin: 'weighed here' } } : line,
    );
    const { body: changed } = await world.send('PUT', `/api/recipes/${DISH}`, {
      ...saved,
      recipe: { ...saved.recipe, lines },
    });
    expect((await changesOf(id)).join()).toContain('A line of Caraway');
    expect(codeOf(await as('cook', 'POST', `/api/labels/${id}/print`, { options: OPTIONS }))).toBe(
      'label-stale',
    );
    expect(codeOf(await as('cook', 'POST', `/api/labels/${id}/file/pdf`, { options: OPTIONS }))).toBe(
      'label-stale',
    );
    const { body: back } = await world.send('PUT', `/api/recipes/${DISH}`, {
      ...saved,
      version: changed.version,
    });
    expect(await changesOf(id)).toEqual([]);
    const weighed = { ...saved.recipe, measuredYieldGrams: 900 };
    const { body: yielded } = await world.send('PUT', `/api/recipes/${DISH}`, {
      ...saved,
      recipe: weighed,
      version: back.version,
    });
    expect((await changesOf(id)).join()).toContain('Weighed yield');
    await world.send('PUT', `/api/recipes/${DISH}`, { ...saved, version: yielded.version });

    const food = (await world.send('GET', '/api/foods/strong-wheat-flour')).body;
    const other = { ...food.food, composition: { ...food.food.composition, proteinG: 14 } };
    const { body: edited } = await world.send('PUT', '/api/foods/strong-wheat-flour', {
      food: other,
      version: food.version,
    });
    expect((await changesOf(id)).join()).toContain('Protein of Strong wheat flour');
    await world.send('PUT', '/api/foods/strong-wheat-flour', { food: food.food, version: edited.version });

    const undo = await changeKitchen({ regime: 'us' });
    expect(await changesOf(id)).toContain('Law the label is printed under');
    await undo();
    expect(await changesOf(id)).toEqual([]);
  });

  test('settings that no label depends on change nothing', async () => {
    const { id } = await releasedLabel();
    const undo = await changeKitchen({
      targets: [{ figure: 'proteinG', min: 20, max: null, dinerId: null }],
    });
    expect(await changesOf(id)).toEqual([]);
    await undo();
  });
});

describe('the spool', () => {
  const print = (id: string, quantity: number) =>
    as('cook', 'POST', `/api/labels/${id}/print`, { options: { ...OPTIONS, quantity } });
  const outputsOf = async (jobId: string): Promise<number[]> =>
    (await world.tables.outputs.findAll({ where: { jobId }, order: [['id', 'ASC']] })).map(
      (row) => row.get('sequence') as number,
    );
  const jobOf = async (jobId: string) =>
    (await world.services.spool.jobs(2000)).find(({ id }) => id === jobId)!;
  const upTo = (count: number): number[] => Array.from({ length: count }, (_, index) => index + 1);

  test('prints so many, each once, and keeps the batch with its dates', async () => {
    const { id } = await releasedLabel();
    const { body, status } = await print(id, 7);
    expect(status).toBe(202);
    await world.services.spool.drain();
    expect(await outputsOf(body.jobId)).toEqual(upTo(7));
    expect(await jobOf(body.jobId)).toMatchObject({ state: 'done', printed: 7, askedBy: 'Ilka Reedmace' });
    const batch = await world.send('GET', `/api/batches/${body.batchCode.toLowerCase()}`);
    expect(batch.body).toMatchObject({
      madeOn: '2026-11-25',
      useBy: '2026-11-27',
      release: { id, state: 'released' },
    });
    expect(codeOf(await world.send('GET', '/api/batches/000000-NONE'))).toBe('batch-not-found');
  });

  test('a jam, an empty roll, a printer that is off: no label lost, none twice', async () => {
    const { id } = await releasedLabel();
    await as('cook', 'POST', '/api/printer/simulate', { act: 'jam' });
    const { body } = await print(id, 5);
    await world.services.spool.drain();
    expect(await jobOf(body.jobId)).toMatchObject({ state: 'stopped', printed: 0, problem: 'Printer: jam' });
    await as('cook', 'POST', '/api/printer/simulate', { act: 'clear' });
    await as('cook', 'POST', '/api/printer/simulate', { act: 'short-roll' });
    await world.services.spool.resume();
    await world.services.spool.drain();
    const stopped = await jobOf(body.jobId);
    expect(stopped.problem).toBe('Printer: out of roll');
    expect(stopped.printed).toBeGreaterThan(0);
    await as('cook', 'POST', '/api/printer/simulate', { act: 'new-roll' });
    await as('cook', 'POST', '/api/printer/simulate', { act: 'off' });
    await world.services.spool.resume();
    await world.services.spool.drain();
    expect((await jobOf(body.jobId)).problem).toBe('Printer: off');
    await as('cook', 'POST', '/api/printer/simulate', { act: 'on' });
    await world.services.spool.resume();
    await world.services.spool.drain();
    expect(await outputsOf(body.jobId)).toEqual(upTo(5));
    expect(await jobOf(body.jobId)).toMatchObject({ state: 'done', printed: 5 });
  });

  test('a server that dies after a label came out and before it counted does not print it again', async () => {
    const { id } = await releasedLabel();
    const { body } = await print(id, 3);
    await world.services.spool.step();
    // As if the count of the first label had not been written down.
    await world.tables.jobs.update({ printed: 0 }, { where: { id: body.jobId } });
    const again = createServices(
      world.store,
      () => undefined,
      () => world.clock.at,
    );
    await again.spool.drain();
    expect(await outputsOf(body.jobId)).toEqual(upTo(3));
    expect(await jobOf(body.jobId)).toMatchObject({ state: 'done', printed: 3 });
  });

  test('a law changed half-way stops the job; what is left does not come out', async () => {
    const { id } = await releasedLabel();
    const { body } = await print(id, 4);
    await world.services.spool.step();
    await world.services.spool.step();
    const undo = await changeKitchen({ regime: 'us' });
    await world.services.spool.drain();
    expect(await outputsOf(body.jobId)).toEqual(upTo(2));
    expect((await jobOf(body.jobId)).problem).toMatch(/has changed since/);
    await as('cook', 'POST', `/api/printer/jobs/${body.jobId}/cancel`);
    await undo();
    await world.services.spool.resume();
    await world.services.spool.drain();
    expect(await outputsOf(body.jobId)).toEqual(upTo(2));
  });

  test('nothing that was not released reaches the printer, by any role', async () => {
    const { id } = await handedIn();
    const before = await world.tables.outputs.count();
    for (const role of ['cook', 'editor', 'checker', 'manager'] as const)
      expect(codeOf(await as(role, 'POST', `/api/labels/${id}/print`, { options: OPTIONS }))).toBe(
        'label-not-released',
      );
    expect(codeOf(await as(null, 'POST', `/api/labels/${id}/print`, { options: OPTIONS }))).toBe(
      'not-signed-in',
    );
    const withdrawn = await releasedLabel();
    await as('checker', 'POST', `/api/labels/${withdrawn.id}/withdraw`, { version: 3 });
    expect(codeOf(await print(withdrawn.id, 1))).toBe('label-not-released');
    await world.services.spool.drain();
    expect(await world.tables.outputs.count()).toBe(before);
  });

  test('a thousand jobs wait; the next is refused, and leaves no batch behind', async () => {
    const { id } = await releasedLabel();
    await as('cook', 'POST', '/api/printer/simulate', { act: 'off' });
    const [row] = await world.tables.jobs.findAll({ limit: 1 });
    const many = Array.from({ length: MOST_WAITING - 1 }, (_, index) => ({
      ...row!.get({ plain: true }),
      id: `many-${index}`,
      releaseId: id,
      state: 'waiting',
      printed: 0,
      quantity: 1,
    }));
    await world.tables.jobs.bulkCreate(many);
    expect((await print(id, 1)).status).toBe(202);
    const batches = await world.tables.batches.count();
    expect(codeOf(await print(id, 1))).toBe('spool-full');
    expect(await world.tables.batches.count()).toBe(batches);
    await world.tables.jobs.destroy({ where: { id: many.map((each) => each.id) } });
    await as('cook', 'POST', '/api/printer/simulate', { act: 'on' });
    expect((await print(id, 100_000)).status).toBe(400);
  });
});

describe('the audit trail', () => {
  test('tells each step, and the database refuses to change or take out a row', async () => {
    const { id } = await releasedLabel();
    const { body } = await as('checker', 'GET', '/api/audit');
    const acts = body.entries
      .filter(({ subject }: { subject: string }) => subject === id)
      .map(({ act }: { act: string }) => act);
    expect(acts).toEqual(['released', 'checked', 'drafted']);
    expect(body.trail.isWhole).toBe(true);
    await expect(world.tables.audit.update({ personName: 'Somebody else' }, { where: {} })).rejects.toThrow(
      /cannot be edited/,
    );
    await expect(world.tables.audit.destroy({ where: {} })).rejects.toThrow(/cannot be edited/);
    expect(codeOf(await as('cook', 'GET', '/api/audit'))).toBe('role-missing');
  });

  test('a row changed behind the database shows', async () => {
    await world.database.query('DROP TRIGGER audit_entries_no_update');
    const row = (await world.tables.audit.findOne({ order: [['id', 'ASC']] }))!;
    const name = row.get('personName');
    await row.update({ personName: 'Nobody' });
    expect(await world.services.audit.verify()).toMatchObject({ isWhole: false, brokenAt: row.get('id') });
    await row.update({ personName: name });
    expect((await world.services.audit.verify()).isWhole).toBe(true);
  });
});

describe('files and hostile names', () => {
  const file = async (format: string, body: object): Promise<Response> =>
    world.app.request(`/api/label/${format}`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify(body),
    });
  const hostile = [
    '<script>alert(1)</script>',
    '=HYPERLINK("x")',
    '\u202egnirts desrever',
    'soup '.repeat(39).trim(),
    'Leek 🥬 pot',
    '"\' OR 1=1 --',
  ];

  test.each(hostile)('%s is text in every format, and breaks none', async (name) => {
    const recipe = {
      name,
      lines: ['500 g peeled potatoes', '200 g tofu'],
      steps: ['Simmer for 20 minutes.'],
      portions: 2,
      portionGrams: 300,
    };
    for (const format of ['pdf', 'svg', 'txt', 'png']) {
      const response = await file(format, { recipe, kitchenId: 'alder-ward', options: OPTIONS });
      expect([format, response.status]).toEqual([format, 200]);
      if (format === 'svg') {
        const svg = await response.text();
        expect(svg).not.toMatch(/<script|onload=/i);
        expect(svg).not.toContain('\u202e');
      }
      if (format === 'txt') expect(await response.text()).toContain('DRAFT');
    }
  });

  test('a name of 4,000 characters is refused as a name, and wraps where it is an ingredient', async () => {
    const recipe = (name: string, line: string) => ({
      name,
      lines: [line],
      steps: ['Simmer.'],
      portions: 2,
      portionGrams: 300,
    });
    expect(
      (await file('pdf', { recipe: recipe('x'.repeat(4000), '500 g potatoes'), options: OPTIONS })).status,
    ).toBe(400);
    expect(
      (await file('pdf', { recipe: recipe('Pot', `500 g ${'x'.repeat(900)}`), options: OPTIONS })).status,
    ).toBe(200);
  });

  test('text that does not fit is refused with the height it needs, never cut', async () => {
    const small = { kind: 'serving', stock: { ...ROLL, widthMm: 57, heightMm: 32 } };
    const response = await file('pdf', { recipeId: DISH, options: small });
    expect(response.status).toBe(422);
    const { error } = (await response.json()) as { error: { code: string; details: { code: string }[] } };
    expect([error.code, error.details[0]!.code]).toEqual(['label-does-not-fit', 'label-too-small']);
  });

  test('a grid larger than its paper is refused', async () => {
    const sheet = {
      kind: 'sheet',
      id: 'x',
      name: 'x',
      paper: 'a4',
      columns: 5,
      rows: 2,
      leftMm: 5,
      topMm: 5,
      gapXMm: 0,
      gapYMm: 0,
      widthMm: 60,
      heightMm: 60,
    };
    expect((await file('pdf', { recipeId: DISH, options: { kind: 'counter', stock: sheet } })).status).toBe(
      400,
    );
  });

  test('codes are read back by a scanner as they were written', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'codes-'));
    const { id } = await releasedLabel();
    for (const symbology of ['qr', 'code128'] as const) {
      const { body } = await as('cook', 'POST', `/api/labels/${id}/print`, {
        options: { ...OPTIONS, kind: 'component', symbology },
      });
      const { set } = await world.services.spool.labelOf(body.jobId);
      const { labelPng } = await import('../src/label-files');
      const path = join(folder, `${symbology}.png`);
      writeFileSync(path, await labelPng(set));
      const read = execFileSync('zbarimg', ['--quiet', '--raw', path], { encoding: 'utf8' }).trim();
      expect(read).toBe(symbology === 'qr' ? `http://localhost/batches/${body.batchCode}` : body.batchCode);
    }
    expect(codeImage('qr', 'x').symbology).toBe('qr');
  });
});
