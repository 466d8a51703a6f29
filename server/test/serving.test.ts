import ICAL from 'ical.js';
import { openWorld, type World } from './world';

let world: World;
beforeAll(async () => {
  world = await openWorld('services');
});
afterAll(() => world.close());

const LUNCH = {
  kitchenId: 'alder-ward',
  date: '2026-12-01',
  meal: 'Lunch',
  readyAt: '12:00',
  heads: [
    { groupId: 'everyone', heads: 60 },
    { groupId: 'coeliac', heads: 7, portionGrams: 250 },
    { groupId: 'nut-free', heads: 5, site: 'Ward 2', codes: ['2-1', '2-4', '2-5', '2-8', '2-9'] },
  ],
  dishes: [
    { recipeId: 'red-lentil-tomato-soup', course: 'soup' },
    { recipeId: 'celeriac-bean-bake', course: 'main' },
    { recipeId: 'quinoa-cabbage-tray', course: 'main', share: 0.5 },
  ],
};

const made = async (change: object = {}): Promise<string> => {
  const { status, body } = await world.send('POST', '/api/services', { ...LUNCH, ...change });
  expect([status, body.error]).toEqual([201, undefined]);
  return body.id as string;
};

interface Version {
  portions: number;
  extraPortions: number;
  servings: { groupId: string; portions: number; portionGrams: number }[];
  target: object;
  exclude: string[];
  allergens: { id: string; status: string }[];
}

test('everybody is served, in the fewest versions, and nothing a group must not have is in theirs', async () => {
  const id = await made();
  expect(id).toBe('2026-12-01-lunch');
  const { body } = await world.send('GET', `/api/services/${id}`);
  expect(body.readyAt).toBe('12:00');
  for (const dish of body.eaten as { versions: Version[]; unserved: unknown[]; share: number }[]) {
    expect(dish.unserved).toEqual([]);
    const served = dish.versions.flatMap(({ servings }) => servings);
    const portions = (group: string): number =>
      served.filter(({ groupId }) => groupId === group).reduce((sum, each) => sum + each.portions, 0);
    expect(['everyone', 'coeliac', 'nut-free'].map(portions)).toEqual(
      [60, 7, 5].map((heads) => Math.ceil(heads * dish.share)),
    );
    for (const version of dish.versions) {
      expect(version.extraPortions).toBe(Math.round(version.portions * 0.04));
      for (const { groupId } of version.servings)
        for (const exclusion of groupId === 'coeliac' ? ['gluten'] : groupId === 'nut-free' ? ['nut'] : [])
          expect(version.allergens.find((each) => each.id === exclusion)?.status).not.toBe('contains');
    }
    expect(served.find(({ groupId }) => groupId === 'coeliac')!.portionGrams).toBe(250);
  }
});

test('the demand is the sum of the worksheets, to the gram', async () => {
  const id = await made({ dishes: [{ recipeId: 'quinoa-cabbage-tray' }], overShare: 0 });
  const { body: demand } = await world.send('GET', `/api/services/${id}/demand`);
  const { body: service } = await world.send('GET', `/api/services/${id}`);
  const [version] = service.eaten[0].versions as [Version];
  const { body: sheet } = await world.send('POST', '/api/worksheet', {
    recipeId: 'quinoa-cabbage-tray',
    kitchenId: 'alder-ward',
    target: version.target,
  });
  const expected = new Map<string, number>();
  for (const { foodId, batchGrams } of sheet.lines as { foodId: string; batchGrams: number }[])
    expected.set(foodId, (expected.get(foodId) ?? 0) + batchGrams);
  const told = demand.lines as {
    foodId: string;
    grams: number;
    asPurchasedGrams: number;
    packs: { count: number; netGrams: number } | null;
  }[];
  expect(told.map(({ foodId }) => foodId).sort()).toEqual([...expected.keys()].sort());
  for (const { foodId, grams, asPurchasedGrams, packs } of told) {
    expect(grams).toBeCloseTo(expected.get(foodId)!, 6);
    expect(asPurchasedGrams).toBeGreaterThanOrEqual(grams - 1e-9);
    if (packs) expect(packs.count * packs.netGrams).toBeGreaterThanOrEqual(asPurchasedGrams - 1e-6);
  }
  expect(demand.portions).toBe(72);
});

interface Task {
  id: string;
  name: string;
  start: number;
  end: number;
  startsAt: string;
  after: string[];
  resource: string | null;
  amount: number;
  setCelsius: number | null;
  people: number;
  person: number | null;
  handMinutes: number;
}

test('the plan is ready at its minute, in order, one temperature an oven, nobody at two things', async () => {
  const id = await made();
  const { body: plan } = await world.send('POST', `/api/services/${id}/plan`, {});
  expect([plan.feasible, plan.shortOf, plan.late]).toEqual([true, [], []]);
  const tasks = plan.tasks as Task[];
  const byId = new Map(tasks.map((task) => [task.id, task]));
  expect(Math.max(...tasks.map(({ end }) => end))).toBe(720);
  expect(plan.lowerBoundMinutes).toBeLessThanOrEqual(plan.makespanMinutes);
  for (const task of tasks)
    for (const each of task.after) expect(byId.get(each)!.end).toBeLessThanOrEqual(task.start);
  for (const one of tasks)
    for (const other of tasks) {
      if (one.id >= other.id || one.end <= other.start || other.end <= one.start) continue;
      // Somebody who set a thing going is free again when it goes on alone.
      const isBusy = (a: Task, b: Task): boolean =>
        a.start < b.start + b.handMinutes && b.start < a.start + a.handMinutes;
      if (one.person !== null && isBusy(one, other))
        expect([one.name, one.person]).not.toEqual([one.name, other.person]);
      if (
        one.resource !== null &&
        one.resource === other.resource &&
        one.setCelsius !== null &&
        other.setCelsius !== null
      )
        expect([one.name, one.setCelsius]).toEqual([one.name, other.setCelsius]);
    }
  for (const { people, person, start, handMinutes } of tasks) {
    expect(person === null).toBe(people === 0);
    const minute = ((start % 1440) + 1440) % 1440;
    if (people > 0)
      expect([
        minute >= 390,
        minute + handMinutes <= 900,
        minute >= 600 || minute + handMinutes <= 570,
      ]).toEqual([true, true, true]);
  }
  expect(tasks[0]!.startsAt).toMatch(/^2026-1[12]-\d\dT\d\d:\d\d$/);
});

test('seven more coeliacs and a broken oven: the same service, planned anew, and what is short by name', async () => {
  const id = await made();
  const before = (await world.send('GET', `/api/services/${id}`)).body;
  const heads = LUNCH.heads.map((each) => (each.groupId === 'coeliac' ? { ...each, heads: 14 } : each));
  const late = { ...LUNCH, heads, without: ['oven-6'], version: before.version };
  const { status, body } = await world.send('PUT', `/api/services/${id}`, late);
  expect([status, body.version]).toEqual([200, 2]);
  expect((await world.send('PUT', `/api/services/${id}`, late)).status).toBe(409);
  const { body: plan } = await world.send('POST', `/api/services/${id}/plan`, { seconds: 0.2 });
  expect((plan.tasks as Task[]).some(({ resource }) => resource === 'oven-6')).toBe(false);
  const { body: service } = await world.send('GET', `/api/services/${id}`);
  expect(
    service.eaten[0].versions
      .flatMap(({ servings }: Version) => servings)
      .find(({ groupId }: { groupId: string }) => groupId === 'coeliac').portions,
  ).toBe(14);
});

test('a group that no version serves is named, with what stands against it and what is nearest', async () => {
  const id = await made({
    kitchenId: 'pebble-school',
    heads: [
      { groupId: 'everyone', heads: 30 },
      { groupId: 'gluten-free', heads: 4 },
    ],
    dishes: [{ recipeId: 'ginger-broth-noodles' }, { recipeId: 'caraway-flatbread' }],
  });
  const { body } = await world.send('GET', `/api/services/${id}`);
  const portions = (
    body.eaten as { versions: Version[]; unserved: { heads: number; blockedBy: object[] }[] }[]
  ).map(
    ({ versions, unserved }) =>
      versions.reduce((sum, each) => sum + each.portions, 0) +
      unserved.reduce((sum, each) => sum + each.heads, 0),
  );
  expect(portions).toEqual([34, 34]);
  for (const { unserved } of body.eaten)
    for (const each of unserved) expect(each.blockedBy.length).toBeGreaterThan(0);
});

test('the calendar is one that a strict reader takes, an event a task', async () => {
  const id = await made();
  const text = await (await world.app.request(`/api/services/${id}.ics`)).text();
  expect(text).toContain('PRODID:hand-ladle/service');
  const calendar = new ICAL.Component(ICAL.parse(text) as unknown[]);
  const events = calendar.getAllSubcomponents('vevent').map((each) => new ICAL.Event(each));
  const { body: plan } = await world.send('POST', `/api/services/${id}/plan`, {});
  expect(events).toHaveLength(plan.tasks.length);
  expect(new Set(events.map(({ uid }) => uid)).size).toBe(events.length);
  const starts = (plan.tasks as Task[]).map(({ startsAt }) => `${startsAt}:00`).sort();
  expect(events.map(({ startDate }) => String(startDate)).sort()).toEqual(starts);
});

test.each(['pull', 'prep', 'shopping', 'day'])('the %s list as table, pages and data', async (list) => {
  const id = await made();
  const { body } = await world.send('GET', `/api/services/${id}/${list}`);
  const rows = (body.sections as { rows: string[][] }[]).flatMap(({ rows: own }) => own);
  expect(rows.length).toBeGreaterThan(5);
  const csv = await (await world.app.request(`/api/services/${id}/${list}.csv`)).text();
  expect(csv.trim().split('\n').length).toBeGreaterThan(rows.length);
  const pdf = await world.app.request(`/api/services/${id}/${list}.pdf?paper=letter`);
  expect(pdf.headers.get('content-type')).toBe('application/pdf');
  expect(
    Buffer.from(await pdf.arrayBuffer())
      .subarray(0, 5)
      .toString(),
  ).toBe('%PDF-');
});

test.each([
  ['below nothing', { heads: [{ groupId: 'everyone', heads: -3 }] }],
  ['a thousand million', { heads: [{ groupId: 'everyone', heads: 1e9 }] }],
  ['letters', { heads: [{ groupId: 'everyone', heads: 'many' }] }],
  ['half a head', { heads: [{ groupId: 'everyone', heads: 2.5 }] }],
  [
    'an unknown group',
    {
      heads: [
        { groupId: 'everyone', heads: 3 },
        { groupId: 'nobody', heads: 3 },
      ],
    },
  ],
  [
    'a group twice',
    {
      heads: [
        { groupId: 'everyone', heads: 3 },
        { groupId: 'everyone', heads: 3 },
      ],
    },
  ],
  ['a code twice', { heads: [{ groupId: 'coeliac', heads: 2, codes: ['A1', 'A1'] }] }],
  ['fewer codes than heads', { heads: [{ groupId: 'coeliac', heads: 3, codes: ['A1', 'A2'] }] }],
  ['an unknown dish', { dishes: [{ recipeId: 'nothing-of-the-kind' }] }],
  ['a dish twice', { dishes: [{ recipeId: 'plum-oat-bake' }, { recipeId: 'plum-oat-bake' }] }],
  ['a component as a dish', { dishes: [{ recipeId: 'house-vegetable-stock' }] }],
  ['a share above one', { dishes: [{ recipeId: 'plum-oat-bake', share: 1.2 }] }],
  ['no day of the calendar', { date: '2026-02-30' }],
  ['no time of the day', { readyAt: '24:10' }],
  ['a machine nobody has', { without: ['oven-99'] }],
  ['a shift that ends first', { team: { people: 2, from: '15:00', to: '07:00' } }],
  [
    'a break outside the shift',
    { team: { people: 2, from: '07:00', to: '15:00', breaks: [{ from: '16:00', to: '16:30' }] } },
  ],
  ['nobody at work', { team: { people: 0, from: '07:00', to: '15:00' } }],
])('%s is refused with where it stands, and nothing is kept', async (_, change) => {
  const count = async () =>
    (await world.send('GET', '/api/services?kitchenId=alder-ward')).body.length as number;
  const before = await count();
  const { status, body } = await world.send('POST', '/api/services', { ...LUNCH, ...change });
  expect(status).toBe(400);
  expect(body.error.details.length).toBeGreaterThan(0);
  expect(JSON.stringify(body.error.details)).toMatch(
    /row|heads|dish|date|readyAt|machine|shift|break|people|share/,
  );
  expect(await count()).toBe(before);
});

test('a bare schedule: planned, bounded, and refused where it is written wrongly', async () => {
  const resources = [{ id: 'oven', capacity: 1 }];
  const task = (id: string, after: string[] = []) => ({
    id,
    minutes: 30,
    needs: [{ resource: 'oven', amount: 1 }],
    after,
  });
  const { body } = await world.send('POST', '/api/schedule', {
    resources,
    tasks: [task('a'), task('b', ['a'])],
    seconds: 1,
  });
  expect(body).toMatchObject({ feasible: true, makespanMinutes: 60, lowerBoundMinutes: 60, shortOf: [] });
  const shut = [{ id: 'oven', capacity: 1, closed: [{ from: 20, to: 10 }] }];
  expect((await world.send('POST', '/api/schedule', { resources: shut, tasks: [task('a')] })).status).toBe(
    400,
  );
  for (const tasks of [
    [task('a', ['a'])],
    [task('a'), task('a')],
    [task('a', ['z'])],
    [{ ...task('a'), minutes: -1 }],
    [{ ...task('a'), minutes: 1.5 }],
    [{ ...task('a'), needs: [{ resource: 'hob', amount: 1 }] }],
  ])
    expect((await world.send('POST', '/api/schedule', { resources, tasks })).status).toBe(400);
});

test('taken off, it is gone', async () => {
  const id = await made();
  expect((await world.send('DELETE', `/api/services/${id}`)).status).toBe(200);
  expect((await world.send('GET', `/api/services/${id}`)).status).toBe(404);
  expect((await world.send('POST', `/api/services/${id}/plan`, {})).status).toBe(404);
});
