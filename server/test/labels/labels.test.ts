/** A label from the bench to paper: steps by role, frozen inputs, what makes it stale, and the spool. */
import type { Role } from '@hand-ladle/core';
import { MOST_WAITING } from '../../src/labels/spool';
import { createServices } from '../../src/services';
import {
  as,
  changeKitchen,
  codeOf,
  DISH,
  handedIn,
  openLabelWorld,
  OPTIONS,
  releasedLabel,
  world,
} from './label-world';

beforeAll(() => openLabelWorld('labels'));
afterAll(() => world.close());

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

  test('a label with words that nobody translated is not checked, and names them', async () => {
    const { id } = await handedIn('ginger-broth-noodles', 'alder-ward', {
      style: { language: 'fr', hasTail: false },
    });
    const refused = await as('checker', 'POST', `/api/labels/${id}/check`, { version: 1 });
    expect(codeOf(refused)).toBe('label-open');
    expect(refused.body.error.details.join(' ')).toMatch(/Nobody has translated/);
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

  test('a label handed in under the other law on purpose stands, and prints under it', async () => {
    const { id } = await releasedLabel(DISH, 'alder-ward', { regime: 'us' });
    const { body } = await world.send('GET', `/api/labels/${id}`);
    expect(body).toMatchObject({ state: 'released', regime: 'us', isStale: false });
    expect((await as('cook', 'POST', `/api/labels/${id}/print`, { options: OPTIONS })).status).toBe(202);
    await world.services.spool.drain();
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
      // The flatbread keeps two days: its own shelf life, below the kitchen's three.
      useBy: '2026-11-26',
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
