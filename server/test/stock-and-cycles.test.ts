import { openWorld, type World } from './world';

let world: World;
beforeAll(async () => {
  world = await openWorld('stock_and_cycles');
});
afterAll(() => world.close());

interface Item {
  id: string;
  name: string;
  kind: string;
  grams: number;
  useBy: string | null;
  version: number;
  cooked: { food: { allergens: Record<string, string> } } | null;
}
const put = async (
  body: object,
): Promise<{ status: number; body: Item & { error?: { code: string; details: { message: string }[] } } }> =>
  world.send('POST', '/api/stock', { kitchenId: 'alder-ward', since: '2026-11-25', ...body }) as never;
const inStore = async (): Promise<Item[]> => {
  const { body } = await world.send('GET', '/api/stock?kitchenId=alder-ward');
  return body as unknown as Item[];
};
const service = async (fields: object = {}): Promise<string> => {
  const { body, status } = await world.send('POST', '/api/services', {
    kitchenId: 'alder-ward',
    date: '2026-11-25',
    meal: 'Lunch',
    readyAt: '12:00',
    heads: [
      { groupId: 'everyone', heads: 30 },
      { groupId: 'coeliac', heads: 4 },
    ],
    dishes: [{ recipeId: 'red-lentil-tomato-soup' }],
    ...fields,
  });
  expect([status, body.error]).toEqual([201, undefined]);
  return body.id as string;
};

describe('what stands in store', () => {
  test('first to expire first; a count is kept over the version that was read', async () => {
    const late = await put({ kind: 'pack', foodId: 'quinoa', grams: 900, useBy: '2027-05-01' });
    const soon = await put({ kind: 'pack', foodId: 'quinoa', grams: 400, useBy: '2026-12-09', lot: 'Q7' });
    expect([late.status, soon.status]).toEqual([201, 201]);
    const order = (await inStore()).map(({ useBy }) => useBy ?? '9999');
    expect(order).toEqual([...order].sort());
    const { id } = soon.body;
    const counted = await world.send('PUT', `/api/stock/${id}`, { grams: 350, version: 1 });
    expect([counted.status, counted.body.grams, counted.body.version]).toEqual([200, 350, 2]);
    const twice = await world.send('PUT', `/api/stock/${id}`, { grams: 10, version: 1 });
    expect([twice.status, twice.body.error!.code]).toEqual([409, 'stock-conflict']);
    await world.send('PUT', `/api/stock/${id}`, { grams: 0, version: 2 });
    expect((await inStore()).some((item) => item.id === id)).toBe(false);
  });

  test.each([
    ['no food', { kind: 'pack', grams: 5 }, 'stock-refused'],
    ['a food that is none', { kind: 'pack', foodId: 'nothing', grams: 5 }, 'stock-refused'],
    [
      'a pack with a recipe',
      { kind: 'pack', foodId: 'quinoa', recipeId: 'green-dressing', grams: 5 },
      'bad-request',
    ],
    [
      'a last day before it came',
      { kind: 'pack', foodId: 'quinoa', grams: 5, useBy: '2026-11-01' },
      'stock-refused',
    ],
    ['nothing', { kind: 'pack', foodId: 'quinoa', grams: 0 }, 'bad-request'],
    ['less than nothing', { kind: 'pack', foodId: 'quinoa', grams: -5 }, 'bad-request'],
    ['1e9 grams', { kind: 'pack', foodId: 'quinoa', grams: 1e9 }, 'bad-request'],
    ['a leftover of nothing', { kind: 'leftover', grams: 5 }, 'stock-refused'],
    ['a recipe that is none', { kind: 'leftover', recipeId: 'nothing', grams: 5 }, 'recipe-not-found'],
    ['a day that is none', { kind: 'pack', foodId: 'quinoa', grams: 5, since: '2026-02-30' }, 'bad-request'],
    [
      'what is not made yet',
      { kind: 'made-ahead', recipeId: 'green-dressing', grams: 5, since: '2099-01-01' },
      'stock-refused',
    ],
    [
      'longer than it keeps',
      { kind: 'made-ahead', recipeId: 'green-dressing', grams: 5, useBy: '2027-01-01' },
      'stock-refused',
    ],
    ['a service without its version', { kind: 'leftover', serviceId: 'x', grams: 5 }, 'bad-request'],
  ])('%s is refused', async (_, body, code) => {
    const before = await inStore();
    const answer = await put(body);
    expect(answer.body.error?.code).toBe(code);
    expect(await inStore()).toEqual(before);
  });

  test('a leftover of a free-from version is that version, and not the dish as it is', async () => {
    // It keeps no longer than the celeriac that goes into it.
    await put({ kind: 'pack', foodId: 'celeriac', grams: 200, useBy: '2026-11-26' });
    const id = await service({ dishes: [{ recipeId: 'celeriac-bean-bake' }], meal: 'Early' });
    const { body } = await world.send('GET', `/api/services/${id}`);
    const versions = (body.eaten as { versions: { key: string; exclude: string[] }[] }[])[0]!.versions;
    const free = versions.find(({ exclude }) => exclude.includes('gluten'))!;
    const kept = await put({
      kind: 'leftover',
      serviceId: id,
      versionKey: free.key,
      grams: 800,
      since: '2026-11-25',
    });
    expect(kept.body.cooked!.food.allergens['wheat']).not.toBe('contains');
    expect(kept.body.useBy).toBe('2026-11-26');
    const plain = await put({ kind: 'leftover', recipeId: 'celeriac-bean-bake', grams: 800 });
    expect(plain.body.cooked!.food.allergens['oats']).toBe('contains');
    const wrong = await put({ kind: 'leftover', serviceId: id, versionKey: 'no such', grams: 5 });
    expect(wrong.body.error!.code).toBe('stock-refused');
  });

  test('taken out for a service once, all of it or nothing, and put back to the gram', async () => {
    await put({ kind: 'pack', foodId: 'red-lentils', grams: 5000, useBy: '2027-06-01' });
    const id = await service({ meal: 'Taken' });
    const before = await inStore();
    const demand = await world.send('GET', `/api/services/${id}/demand`);
    const out = await world.send('POST', `/api/services/${id}/take-out`);
    const taken = out.body.taken as { stockId: string; grams: number }[];
    expect(taken.length).toBeGreaterThan(0);
    expect((await world.send('POST', `/api/services/${id}/take-out`)).body.error!.code).toBe('stock-taken');
    const after = await inStore();
    for (const { stockId, grams } of taken) {
      const was = before.find((item) => item.id === stockId)!.grams;
      const is = after.find((item) => item.id === stockId)?.grams ?? 0;
      expect(was - is).toBeCloseTo(grams, 2);
      expect(is).toBeGreaterThanOrEqual(0);
    }
    // Its own figures stay what they were: what was taken out is still its own.
    const lines = (each: typeof demand) => each.body.lines as { foodId: string; toBuyGrams: number }[];
    const again = await world.send('GET', `/api/services/${id}/demand`);
    for (const { foodId, toBuyGrams } of lines(demand))
      expect(lines(again).find((line) => line.foodId === foodId)!.toBuyGrams).toBeCloseTo(toBuyGrams, 2);
    // A change of the service does not forget it.
    const { kitchenId, date, meal, readyAt, heads, dishes, version } = out.body as Record<string, unknown>;
    const told = { kitchenId, date, meal: `${meal as string} later`, readyAt, heads, dishes };
    const saved = await world.send('PUT', `/api/services/${id}`, { ...told, version });
    expect([saved.status, saved.body.taken]).toEqual([200, taken]);
    expect((await world.send('DELETE', `/api/services/${id}`)).body.error!.code).toBe('service-has-taken');
    await world.send('POST', `/api/services/${id}/put-back`);
    const back = await inStore();
    for (const { stockId } of taken)
      expect(back.find((item) => item.id === stockId)!.grams).toBeCloseTo(
        before.find((item) => item.id === stockId)!.grams,
        2,
      );
  });

  test('of two who take the last of something one gets it', async () => {
    for (const item of (await inStore()).filter(({ name }) => name === 'Red lentils'))
      await world.send('PUT', `/api/stock/${item.id}`, { grams: 0, version: item.version });
    await put({ kind: 'pack', foodId: 'red-lentils', grams: 300, useBy: '2027-05-01' });
    const ids = [await service({ meal: 'One' }), await service({ meal: 'Two' })];
    const answers = await Promise.all(ids.map((id) => world.send('POST', `/api/services/${id}/take-out`)));
    const left = (await inStore()).filter(({ name }) => name === 'Red lentils');
    expect(left.every(({ grams }) => grams >= 0)).toBe(true);
    const grams = answers.flatMap(({ body }) => (body.taken ?? []) as { grams: number; stockId: string }[]);
    expect(grams.length).toBeGreaterThan(0);
    expect(answers.some(({ status }) => status === 200)).toBe(true);
  });

  test('slips, count sheet and plates are there', async () => {
    const id = await service({
      meal: 'Slips',
      heads: [{ groupId: 'coeliac', heads: 2, site: 'Ward 1', codes: ['1-1', '1-2'] }],
    });
    const slips = await world.send('GET', `/api/services/${id}/slips`);
    expect((slips.body.sections as { heading: string }[]).map(({ heading }) => heading.slice(0, 11))).toEqual(
      ['Ward 1, 1-1', 'Ward 1, 1-2'],
    );
    const plates = await world.send('GET', `/api/services/${id}/plates`);
    expect(plates.status).toBe(200);
    const { body } = await world.send('GET', `/api/services/${id}/work`);
    expect((body.tasks as unknown[]).length).toBe((body.problem as { tasks: unknown[] }).tasks.length);
  });

  test('pins are tried without being kept, and kept where they are said', async () => {
    const id = await service({ meal: 'Pinned' });
    const plan = await world.send('POST', `/api/services/${id}/plan`, {});
    const tasks = plan.body.tasks as { id: string; start: number }[];
    const pins = [{ task: tasks[0]!.id, start: tasks[0]!.start - 30 }];
    const tried = await world.send('POST', `/api/services/${id}/plan`, { pins });
    expect((tried.body.tasks as typeof tasks).find((task) => task.id === pins[0]!.task)!.start).toBe(
      pins[0]!.start,
    );
    const still = await world.send('POST', `/api/services/${id}/plan`, {});
    expect(still.body.tasks).toEqual(plan.body.tasks);
    const twice = await world.send('POST', `/api/services/${id}/plan`, { pins: [...pins, ...pins] });
    expect(twice.body.error!.code).toBe('bad-request');
  });

  test('a service stays in its kitchen', async () => {
    const id = await service({ meal: 'Stays' });
    const { body } = await world.send('GET', `/api/services/${id}`);
    const { kitchenId, date, meal, readyAt, version } = body as Record<string, unknown>;
    expect(kitchenId).toBe('alder-ward');
    const moved = await world.send('PUT', `/api/services/${id}`, {
      kitchenId: 'pebble-school',
      date,
      meal,
      readyAt,
      heads: [],
      dishes: [],
      version,
    });
    expect(moved.body.error!.code).toBe('service-refused');
  });
});

describe('cycles', () => {
  const at = '/api/cycles/lock-counter';
  const empty = {
    name: '',
    weeks: 1,
    startsOn: '2026-11-30',
    meals: [{ name: 'Lunch', readyAt: '11:30' }],
    slots: [] as object[],
  };

  test('is kept over the version that was read', async () => {
    const { body } = await world.send('GET', '/api/cycles?kitchenId=lock-counter');
    const saved = await world.send('PUT', at, { ...empty, version: body.version });
    expect([saved.status, saved.body.version]).toEqual([200, (body.version as number) + 1]);
    const stale = await world.send('PUT', at, { ...empty, version: body.version });
    expect([stale.status, stale.body.error!.code]).toEqual([409, 'cycle-conflict']);
    const anew = await world.send('PUT', at, { ...empty, version: 0 });
    expect(anew.body.error!.code).toBe('cycle-conflict');
  });

  test.each([
    ['nine weeks', { weeks: 9 }],
    ['no week', { weeks: 0 }],
    ['a Tuesday', { startsOn: '2026-12-01' }],
    ['no meal', { meals: [] }],
    ['day 8', { slots: [{ week: 1, day: 8, meal: 'Lunch', dishes: [] }] }],
    [
      'a dish that is none',
      { slots: [{ week: 1, day: 1, meal: 'Lunch', dishes: [{ recipeId: 'nothing' }] }] },
    ],
    [
      'a component',
      { slots: [{ week: 1, day: 1, meal: 'Lunch', dishes: [{ recipeId: 'green-dressing' }] }] },
    ],
    [
      'a share of two',
      { slots: [{ week: 1, day: 1, meal: 'Lunch', dishes: [{ recipeId: 'plum-oat-bake', share: 2 }] }] },
    ],
  ])('%s is refused', async (_, fields) => {
    const { body } = await world.send('GET', '/api/cycles?kitchenId=lock-counter');
    const answer = await world.send('PUT', at, { ...empty, ...fields, version: body.version });
    expect(answer.status).toBe(400);
  });

  test('fills services once, and hangs out a menu without a script in it', async () => {
    const span = { from: '2026-11-30', to: '2026-12-06' };
    const first = await world.send('POST', '/api/cycles/pebble-school/services', span);
    expect((first.body.made as unknown[]).length).toBeGreaterThan(3);
    const second = await world.send('POST', '/api/cycles/pebble-school/services', span);
    expect([(second.body.made as unknown[]).length, second.body.there]).toEqual([
      0,
      (first.body.made as unknown[]).length,
    ]);
    // Asked three times at once, nothing is there twice.
    const later = { from: '2027-03-01', to: '2027-03-05' };
    await Promise.all([1, 2, 3].map(() => world.send('POST', '/api/cycles/pebble-school/services', later)));
    const { body: all } = await world.send('GET', '/api/services?kitchenId=pebble-school');
    const days = (all as unknown as { date: string; meal: string }[]).map(
      ({ date, meal }) => `${date} ${meal}`,
    );
    expect(new Set(days).size).toBe(days.length);
    const page = await world.app.request(
      `/api/cycles/pebble-school/menu.html?from=${span.from}&to=${span.to}`,
    );
    const text = await page.text();
    expect(text).not.toMatch(/<script|https?:/);
    expect(text).toContain('Chard and chickpea pot');
    const csv = await (
      await world.app.request(`/api/cycles/pebble-school/menu.csv?from=${span.from}&to=${span.to}`)
    ).text();
    expect(csv.split('\n').length).toBeGreaterThan(8);
    for (const query of [
      'from=2026-12-06&to=2026-11-30',
      'from=2026-01-01&to=2026-12-31',
      'from=x&to=y',
      '',
    ]) {
      const answer = await world.app.request(`/api/cycles/pebble-school/menu.html?${query}`);
      expect([query, answer.status]).toEqual([query, 400]);
    }
  });

  test('a name with markup in it stands as it was written', async () => {
    const made = await world.app.request('/api/recipes/import', {
      method: 'POST',
      headers: { 'Content-Type': 'text/plain' },
      body: 'Sorrel <img src=x onerror=alert(1)> pot\nServes 4, portions of 200 g\n\n800 g potatoes\n200 ml water\n\nMethod\nSimmer the potatoes in the water for 20 minutes.',
    });
    const { recipes } = (await made.json()) as { recipes: { recipe: { id: string } }[] };
    const { body } = await world.send('GET', '/api/cycles?kitchenId=lock-counter');
    const slots = [{ week: 1, day: 1, meal: 'Lunch', dishes: [{ recipeId: recipes[0]!.recipe.id }] }];
    const saved = await world.send('PUT', at, { ...empty, slots, version: body.version });
    expect(saved.status).toBe(200);
    const page = await (await world.app.request(`${at}/menu.html?from=2026-11-30&to=2026-11-30`)).text();
    expect(page).toContain('Sorrel');
    expect(page).not.toContain('<img');
  });

  test('every cycle of the demo is judged', async () => {
    for (const id of ['alder-ward', 'pebble-school']) {
      const { body } = await world.send('GET', `/api/cycles/${id}/judged`);
      expect((body.weeks as unknown[]).length).toBe(2);
      expect((body.findings as unknown[]).length).toBeGreaterThan(0);
    }
  });
});
