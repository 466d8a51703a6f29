import {
  countSheet,
  demandOf,
  eatersOf,
  gramsTaken,
  type Kitchen,
  madeFor,
  planService,
  type Service,
  SERVICE_DEFAULTS,
  serviceFaults,
  serviceOf,
  serviceTold,
  slipsList,
  stockFor,
  type StockItem,
  storeIn,
  takenFor,
  traySlips,
} from '@hand-ladle/core';
import { runs } from '@hand-ladle/testing/runs';
import { cooked, groundWith, packOfFood } from '@hand-ladle/testing/service/kept-stock';
import { dishes, faultsOfPlan, randomService } from '@hand-ladle/testing/service/random-service';
import { components, recipeOf, wardAsIs } from '@hand-ladle/testing/world';

const seeds = (count: number): number[] => Array.from({ length: runs(count) }, (_, index) => index + 41);
const heads = (groupId: string, count: number, site = '') => ({
  groupId,
  heads: count,
  portionGrams: null,
  site,
  codes: [] as string[],
});
const lunch = (fields: Partial<Service> = {}): Service => ({
  id: 'lunch',
  kitchenId: wardAsIs.id,
  date: '2026-12-02',
  meal: 'Lunch',
  readyMinute: 720,
  heads: [heads('everyone', 40)],
  dishes: [],
  overShare: 0,
  team: { people: 3, shift: { from: 360, to: 1000 }, breaks: [] },
  ...SERVICE_DEFAULTS,
  ...fields,
});
const on = (...ids: string[]) => ids.map((recipeId) => ({ recipeId, share: 1, course: '' }));

describe('what stands in store', () => {
  test('is taken off to the gram: what is bought and what is taken are what the worksheets ask for', () => {
    let taken = 0;
    for (const seed of seeds(16)) {
      const { service, kitchen } = randomService(seed, 2, 4);
      const plain = groundWith(service, kitchen, []);
      const before = demandOf(eatersOf(plain), plain);
      const stock = before.lines
        .slice(0, 6)
        .map(({ foodId, asPurchasedGrams }, index) =>
          packOfFood(
            foodId,
            asPurchasedGrams * (index % 3 === 0 ? 2 : 0.4),
            `2026-12-${index % 2 ? '09' : '01'}`,
          ),
        );
      const ground = groundWith(service, kitchen, stock);
      const after = demandOf(eatersOf(ground), ground);
      expect(after.lines.map(({ foodId, asPurchasedGrams }) => [foodId, asPurchasedGrams])).toEqual(
        before.lines.map(({ foodId, asPurchasedGrams }) => [foodId, asPurchasedGrams]),
      );
      for (const { fromStock, toBuyGrams, asPurchasedGrams } of after.lines)
        expect(gramsTaken(fromStock) + toBuyGrams).toBeCloseTo(asPurchasedGrams, 5);
      for (const { stockId, grams } of takenFor(after)) {
        taken += 1;
        expect(grams).toBeLessThanOrEqual(stock.find(({ id }) => id === stockId)!.grams + 1e-6);
      }
    }
    expect(taken).toBeGreaterThan(0);
  });

  test('a batch made ahead is not made again, nor bought for, and has no tasks', () => {
    const service = lunch({ dishes: on('celeriac-bean-bake') });
    const plain = groundWith(service, wardAsIs, []);
    const before = demandOf(eatersOf(plain), plain);
    const sauce = before.components.find(({ componentId }) => componentId === 'kitchen-tomato-sauce')!;
    const whole = groundWith(service, wardAsIs, [cooked('kitchen-tomato-sauce', sauce.neededGrams + 500)]);
    const after = demandOf(eatersOf(whole), whole);
    const now = after.components.find(({ componentId }) => componentId === 'kitchen-tomato-sauce')!;
    expect([now.storeGrams, now.madeGrams]).toEqual([sauce.neededGrams, 0]);
    expect(gramsTaken(now.fromStock)).toBeCloseTo(sauce.neededGrams, 6);
    expect(after.lines.some(({ foodId }) => foodId === 'tomato-tinned')).toBe(false);
    expect(madeFor(eatersOf(whole), whole).some(({ recipeId }) => recipeId === 'kitchen-tomato-sauce')).toBe(
      false,
    );
    const half = groundWith(service, wardAsIs, [cooked('kitchen-tomato-sauce', sauce.neededGrams / 2)]);
    const part = demandOf(eatersOf(half), half).components.find(({ key }) => key === sauce.key)!;
    expect(part.storeGrams + part.madeGrams).toBeGreaterThanOrEqual(sauce.neededGrams);
    expect(part.madeGrams).toBeLessThan(sauce.madeGrams);
    const past = groundWith(service, wardAsIs, [
      cooked('kitchen-tomato-sauce', 99_000, { madeOn: '2026-11-20' }),
    ]);
    expect(demandOf(eatersOf(past), past).components.find(({ key }) => key === sauce.key)!.storeGrams).toBe(
      0,
    );
  });

  test('what was taken out for a service is still its own, and is counted once', () => {
    const service = lunch({ dishes: on('red-lentil-tomato-soup') });
    const stock = [packOfFood('red-lentils', 900, '2027-01-01')];
    const ground = groundWith(service, wardAsIs, stock);
    const demand = demandOf(eatersOf(ground), ground);
    const taken = takenFor(demand);
    expect(taken.length).toBe(1);
    const left = stock.map((item) => ({ ...item, grams: item.grams - taken[0]!.grams }));
    expect(stockFor(left, { taken })).toEqual(stock);
  });
});

describe('a leftover in a line', () => {
  const bean = (id = 'left', grams = 1500): StockItem =>
    cooked('barley-leek-white-bean-pot', grams, { id, kind: 'leftover' });
  const standIns = [{ recipeId: 'celeriac-bean-bake', foodId: 'black-eyed-beans-tinned', stockId: 'left' }];
  const groups = [heads('everyone', 40), heads('coeliac', 6)];

  test('goes in as far as there is of it, never where a group must not have it', () => {
    const service = lunch({ heads: groups, dishes: on('celeriac-bean-bake'), standIns });
    const ground = groundWith(service, wardAsIs, [bean()]);
    const versions = eatersOf(ground).flatMap((dish) => dish.versions);
    const all = versions.flatMap(({ stoodIn }) => stoodIn);
    expect(all.reduce((sum, { grams }) => sum + grams, 0)).toBeLessThanOrEqual(1500 + 1e-6);
    for (const { servings, stoodIn } of versions)
      if (servings.some(({ groupId }) => groupId === 'coeliac')) {
        expect(stoodIn.every(({ grams }) => grams === 0)).toBe(true);
        expect(stoodIn.every(({ refused }) => refused !== '')).toBe(true);
      }
  });

  test('brings its allergens and takes the line’s place by weight', () => {
    const service = lunch({ dishes: on('celeriac-bean-bake'), standIns });
    const without = eatersOf(groundWith({ ...service, standIns: [] }, wardAsIs, [bean()]))[0]!.versions[0]!;
    const [version] = eatersOf(groundWith(service, wardAsIs, [bean()]))[0]!.versions;
    const [stood] = version!.stoodIn;
    expect(stood!.grams).toBeCloseTo(1500, 3);
    const grams = (id: string, sheet = version!.sheet): number =>
      sheet.lines.filter(({ foodId }) => foodId === id).reduce((sum, line) => sum + line.batchGrams!, 0);
    expect(grams('stock-left') + grams('black-eyed-beans-tinned')).toBeCloseTo(
      grams('black-eyed-beans-tinned', without.sheet),
      0,
    );
    expect(without.sheet.allergens.find(({ id }) => id === 'soy')!.status).toBe('clear');
    expect(version!.sheet.allergens.find(({ id }) => id === 'soy')!.status).toBe('contains');
  });

  test('that is past its day goes nowhere', () => {
    const service = lunch({ dishes: on('celeriac-bean-bake'), standIns, date: '2026-12-20' });
    const [version] = eatersOf(groundWith(service, wardAsIs, [bean()]))[0]!.versions;
    expect(version!.stoodIn.filter(({ grams }) => grams > 0)).toEqual([]);
  });
});

test('what a version holds of store is told by it, and nothing of a dish beside it', () => {
  const service = lunch({
    dishes: on('celeriac-bean-bake', 'quinoa-cabbage-tray'),
    standIns: [{ recipeId: 'celeriac-bean-bake', foodId: 'black-eyed-beans-tinned', stockId: 'left' }],
  });
  const stock = [
    cooked('barley-leek-white-bean-pot', 900, { id: 'left', kind: 'leftover' }),
    cooked('kitchen-tomato-sauce', 700, { id: 'sauce' }),
    packOfFood('quinoa', 500, '2026-12-02', 'quinoa'),
    packOfFood('celeriac', 500, '2026-12-03', 'celeriac'),
  ];
  const ground = groundWith(service, wardAsIs, stock);
  const eaten = eatersOf(ground);
  const demand = demandOf(eaten, ground);
  const [bake, tray] = eaten.map(({ versions }) => [...storeIn(versions[0]!, demand)].sort());
  expect(bake).toEqual(['celeriac', 'left', 'sauce']);
  // A batch made ahead counts for all: nobody can say whose it was.
  expect(tray).toEqual(['quinoa', 'sauce']);
});

describe('made ahead', () => {
  test('is done within its day, cooled with its readings, and reheated; plans keep it', () => {
    let ahead = 0;
    for (const seed of seeds(10)) {
      const { service, kitchen } = randomService(seed, 1, 3);
      const [first] = service.dishes;
      const asked = { ...service, ahead: [{ recipeId: first!.recipeId, daysBefore: 1 }] };
      const ground = groundWith(asked, kitchen, []);
      const plan = planService(eatersOf(ground), ground, { plans: 200 });
      if (!plan.feasible) continue;
      expect([seed, faultsOfPlan(plan.tasks, ground)]).toEqual([seed, []]);
      const own = plan.tasks.filter(({ recipeId }) => recipeId === first!.recipeId);
      const cool = own.find(({ kind }) => kind === 'cool');
      const heat = own.find(({ what }) => what.startsWith('Reheat'));
      if (!cool) continue;
      ahead += 1;
      expect(cool.looks.length).toBe(kitchen.regime === 'us' ? 2 : 1);
      expect(cool.end).toBeLessThanOrEqual(0);
      expect(own.filter(({ kind }) => kind === 'portion').every(({ start }) => start > 0)).toBe(true);
      if (heat) expect(heat.start).toBeGreaterThanOrEqual(cool.end);
    }
    expect(ahead).toBeGreaterThan(0);
  });

  test('never longer than it keeps: the day of making is day 1', () => {
    const known = components.map(({ id }) => id);
    const faults = (daysBefore: number) =>
      serviceFaults(
        lunch({ ahead: [{ recipeId: 'green-dressing', daysBefore }] }),
        wardAsIs,
        dishes,
        known,
      ).map(({ code }) => code);
    const { keepsDays } = wardAsIs.service;
    expect(faults(keepsDays - 1)).toEqual([]);
    expect(faults(keepsDays)).toEqual(['ahead-too-long']);
    expect(
      serviceFaults(lunch({ ahead: [{ recipeId: 'nothing', daysBefore: 1 }] }), wardAsIs, dishes).length,
    ).toBe(1);
  });
});

describe('tasks that are held, looked at and carried', () => {
  const plans = { plans: 200 };

  test('a task stays where it was put and the rest follows, or the plan says that it cannot be', () => {
    let held = 0;
    for (const seed of seeds(10)) {
      const { service, kitchen } = randomService(seed, 1, 3);
      const ground = groundWith(service, kitchen, []);
      const plan = planService(eatersOf(ground), ground, plans);
      if (!plan.feasible || plan.tasks.length === 0) continue;
      const task = plan.tasks[Math.floor(plan.tasks.length / 2)]!;
      const pins = [{ task: task.id, start: task.start - 10 }];
      const put = groundWith({ ...service, pins }, kitchen, []);
      const again = planService(eatersOf(put), put, plans);
      if (again.feasible) {
        held += 1;
        expect([seed, faultsOfPlan(again.tasks, put)]).toEqual([seed, []]);
        expect(again.tasks.find(({ id }) => id === task.id)!.isPinned).toBe(true);
      } else expect(again.shortOf.length + again.late.length).toBeGreaterThan(0);
    }
    expect(held).toBeGreaterThan(0);
  });

  test('before everything it waits for it cannot stand', () => {
    const service = lunch({ dishes: on('red-lentil-tomato-soup') });
    const ground = groundWith(service, wardAsIs, []);
    const plan = planService(eatersOf(ground), ground, plans);
    const last = plan.tasks.find(({ kind }) => kind === 'portion')!;
    const early = groundWith({ ...service, pins: [{ task: last.id, start: 361 }] }, wardAsIs, []);
    const found = planService(eatersOf(early), early, plans);
    expect(found.feasible && found.tasks.find(({ id }) => id === last.id)!.start !== 361).toBe(false);
    const after = groundWith({ ...service, pins: [{ task: last.id, start: 719 }] }, wardAsIs, []);
    const late = planService(eatersOf(after), after, plans);
    expect([late.feasible, late.late.map(({ name }) => name)]).toEqual([false, [last.name]]);
    const night = groundWith({ ...service, pins: [{ task: last.id, start: 30 }] }, wardAsIs, []);
    expect(planService(eatersOf(night), night, plans).feasible).toBe(false);
  });

  test('"every 20 minutes for 4 hours" is looked at eleven times, by somebody who is free', () => {
    const recipe = recipeOf(
      ['2 kg red cabbage, shredded', '500 g water', '10 g fine salt'],
      [
        'Simmer the cabbage in the water with the salt gently, covered, for 4 hours, stirring every 20 minutes.',
      ],
      { id: 'long-pot', name: 'Long pot', portionGrams: 200, portions: 10 },
    );
    const ground = {
      ...groundWith(lunch({ dishes: on('long-pot') }), wardAsIs, []),
      dishes: new Map([...dishes, ['long-pot', recipe]]),
    };
    const plan = planService(eatersOf(ground), ground, plans);
    const pot = plan.tasks.find(({ kind }) => kind === 'cook')!;
    expect(pot.minutes).toBeGreaterThanOrEqual(240);
    expect(pot.looks.length).toBeGreaterThanOrEqual(11);
    expect(pot.looks.every(({ person }) => person !== null)).toBe(true);
    const gaps = pot.looks.slice(1).map(({ start }, index) => start - pot.looks[index]!.start);
    expect(new Set(gaps)).toEqual(new Set([20]));
    expect(faultsOfPlan(plan.tasks, ground)).toEqual([]);
  });

  test('what is eaten elsewhere is carried there after it is dished up, and is there at the bell', () => {
    const service = lunch({
      heads: [heads('everyone', 30, 'Ward 2'), heads('nut-free', 4)],
      dishes: on('red-lentil-tomato-soup', 'quinoa-cabbage-tray'),
      sites: [
        { name: 'Ward 2', travelMinutes: 25 },
        { name: 'Nowhere', travelMinutes: 9 },
      ],
    });
    const ground = groundWith(service, wardAsIs, []);
    const { tasks } = planService(eatersOf(ground), ground, plans);
    const carried = tasks.filter(({ kind }) => kind === 'carry');
    expect(carried.map(({ name, minutes }) => [name, minutes])).toEqual([['Carry to Ward 2', 25]]);
    const lastPortion = Math.max(...tasks.filter(({ kind }) => kind === 'portion').map(({ end }) => end));
    expect(carried[0]!.start).toBeGreaterThanOrEqual(lastPortion);
    expect(carried[0]!.end).toBeLessThanOrEqual(720);
  });
});

describe('slips and sheets', () => {
  const kitchen: Kitchen = wardAsIs;
  const service = lunch({
    heads: [heads('everyone', 20), { ...heads('coeliac', 3, 'Ward 1'), codes: ['1-04', '1-11', '1-12'] }],
    dishes: on('red-lentil-tomato-soup', 'caraway-flatbread'),
  });

  test('a slip for every code with its needs, and what is not for it in words', () => {
    const slips = traySlips(eatersOf(groundWith(service, kitchen, [])), service, kitchen);
    expect(slips.map(({ code }) => code)).toEqual(['1-04', '1-11', '1-12']);
    for (const { needs, dishes: own, without } of slips) {
      expect(needs).toBe('no gluten');
      expect(own.length + without.length).toBe(2);
      expect(without).toContain('Caraway flatbread');
    }
    expect(slipsList(slips).sections.length).toBe(3);
    expect(JSON.stringify(slipsList(slips))).toContain('NOT for this tray: Caraway flatbread');
    expect(slipsList([]).notes.join()).toContain('No group of this service has codes');
  });

  test('the count sheet says what is past, and what nobody noted', () => {
    const sheet = countSheet(
      [packOfFood('red-lentils', 100, null), packOfFood('pearl-barley', 100, '2026-12-01')],
      '2026-12-02',
    );
    const text = JSON.stringify(sheet);
    expect(text).toContain('none noted');
    expect(text).toContain('2026-12-01, PAST');
  });
});

test('a service told and read again is the same', () => {
  const service = lunch({
    sites: [{ name: 'Ward 2', travelMinutes: 5 }],
    ahead: [{ recipeId: 'green-dressing', daysBefore: 1 }],
    standIns: [{ recipeId: 'a', foodId: 'b', stockId: 'c' }],
    pins: [{ task: 'x 1', start: 300 }],
    order: ['x 2', 'x 1'],
    done: ['x 1'],
    taken: [{ stockId: 'c', grams: 5 }],
  });
  expect(serviceOf(service.id, serviceTold(service))).toEqual(service);
});
