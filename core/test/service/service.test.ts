import {
  bookOf,
  demandOf,
  eatersOf,
  foodSet,
  HANDS,
  helpSteps,
  kitchenThatDay,
  madeFor,
  PLAIN_TEAM,
  planChanges,
  planService,
  serviceFaults,
  serviceFaultText,
  serviceOf,
  serviceTold,
  withFreeFromFirst,
  type Kitchen,
  type Service,
  type ServiceGround,
  type TimedTask,
  type WorksheetLine,
} from '@hand-ladle/core';
import { randomFrom } from '@hand-ladle/testing/random-recipe';
import { runs } from '@hand-ladle/testing/runs';
import { book, cafe, demo, foods, school, swaps, wardAsIs } from '@hand-ladle/testing/world';

const dishes = new Map(
  demo.filter(({ recipe }) => !recipe.isComponent).map(({ recipe }) => [recipe.id, recipe]),
);
const KITCHENS = [wardAsIs, school, cafe];

const groundFor = (service: Service, kitchen: Kitchen): ServiceGround => ({
  service,
  kitchen: kitchenThatDay(kitchen, service),
  book,
  dishes,
});

/** A service of some dishes for all groups of a kitchen, by chance. */
function randomService(seed: number, least = 1, most = 5): { service: Service; kitchen: Kitchen } {
  const random = randomFrom(seed);
  const whole = (low: number, high: number): number => low + Math.floor(random() * (high - low + 1));
  const kitchen = KITCHENS[seed % 3]!;
  const ids = [...dishes.keys()].sort(() => random() - 0.5).slice(0, whole(least, most));
  return {
    kitchen,
    service: {
      id: 'random',
      kitchenId: kitchen.id,
      date: '2026-12-01',
      meal: 'Lunch',
      readyMinute: whole(660, 800),
      heads: kitchen.diners.map(({ id }) => ({
        groupId: id,
        heads: whole(0, 60),
        portionGrams: random() < 0.3 ? whole(80, 400) : null,
        site: '',
        codes: [],
      })),
      dishes: ids.map((recipeId) => ({ recipeId, share: random() < 0.3 ? 0.5 : 1, course: '' })),
      overShare: random() < 0.5 ? 0 : 0.05,
      team: { ...PLAIN_TEAM, people: whole(2, 5) },
      without: [],
    },
  };
}
const seeds = (count: number): number[] => Array.from({ length: runs(count) }, (_, index) => index + 11);

/** What is wrong with a plan, minute by minute, by the kitchen alone. */
function faultsOfPlan(tasks: readonly TimedTask[], { service, kitchen }: ServiceGround): string[] {
  const faults: string[] = [];
  const byId = new Map(tasks.map((task) => [task.id, task]));
  const first = Math.min(...tasks.map(({ start }) => start));
  for (const { name, start, end, after } of tasks) {
    if (end > service.readyMinute) faults.push(`${name} ends after the bell`);
    for (const id of after)
      if (byId.get(id)!.end > start) faults.push(`${name} begins before ${byId.get(id)!.name} ends`);
  }
  for (let minute = first; minute < service.readyMinute; minute += 1) {
    const on = tasks.filter(({ start, end }) => start <= minute && minute < end);
    const standing = on.filter(({ start, handMinutes }) => minute < start + handMinutes);
    const people = standing.reduce((sum, task) => sum + task.people, 0);
    const within = ((minute % 1440) + 1440) % 1440;
    const { shift, breaks, people: there } = service.team;
    const isOpen =
      within >= shift.from &&
      within < shift.to &&
      !breaks.some(({ from, to }) => within >= from && within < to);
    if (people > (isOpen ? there : 0)) faults.push(`${people} at work at ${minute}`);
    const persons = standing.map(({ person }) => person);
    if (new Set(persons).size < persons.length) faults.push(`somebody at two things at ${minute}`);
    for (const vessel of kitchen.vessels) {
      const users = on.filter(({ machine }) => machine === vessel.id);
      const most = vessel.kind === 'oven' ? vessel.count * vessel.levels : vessel.count;
      if (users.reduce((sum, { amount }) => sum + amount, 0) > most)
        faults.push(`${vessel.name} is over at ${minute}`);
      const heats = new Set(users.flatMap(({ setCelsius }) => setCelsius ?? []));
      if (heats.size > vessel.count)
        faults.push(`${vessel.name} at ${[...heats].join(' and ')} at ${minute}`);
    }
  }
  return faults;
}

test('every plan keeps order, machines, temperatures, shifts and the bell, or says what is short', () => {
  let kept = 0;
  for (const seed of seeds(24)) {
    const { service, kitchen } = randomService(seed);
    const ground = groundFor(service, kitchen);
    const plan = planService(eatersOf(ground), ground, { plans: 400 });
    if (plan.feasible) {
      kept += 1;
      expect([seed, faultsOfPlan(plan.tasks, ground)]).toEqual([seed, []]);
      expect(plan.lowerBoundMinutes).toBeLessThanOrEqual(plan.makespanMinutes);
    } else expect([seed, plan.shortOf.length + plan.late.length > 0]).toEqual([seed, true]);
  }
  expect(kept).toBeGreaterThan(runs(12));
});

test('what is free from something goes through a machine before what holds it, or a clean-down lies between', () => {
  let pairs = 0;
  for (const seed of seeds(24)) {
    const { service, kitchen } = randomService(seed, 3, 6);
    const ground = groundFor(service, kitchen);
    const eaten = eatersOf(ground);
    const made = madeFor(eaten, ground);
    const plan = planService(eaten, ground, { plans: 200 });
    const on = (key: string, machine: string): TimedTask[] =>
      plan.tasks.filter((task) => task.madeKey === key && task.machine === machine);
    for (const { id } of kitchen.vessels)
      for (const free of made)
        for (const other of made) {
          if (free === other || ![...free.exclude].some((each) => other.holds.has(each))) continue;
          for (const mine of on(free.key, id))
            for (const theirs of on(other.key, id)) {
              pairs += 1;
              const isFirst = mine.end <= theirs.start;
              const isCleaned = plan.tasks.some(
                ({ kind, machine, start, end }) =>
                  kind === 'clean' && machine === id && start >= theirs.end && end <= mine.start,
              );
              expect([seed, mine.name, theirs.name, isFirst || isCleaned]).toEqual([
                seed,
                mine.name,
                theirs.name,
                true,
              ]);
            }
        }
  }
  expect(pairs).toBeGreaterThan(0);
});

test('without the rule of free-from first, plans break it: the rule is what keeps it', () => {
  let freed = 0;
  for (const seed of seeds(24)) {
    const { service, kitchen } = randomService(seed, 3, 6);
    const ground = groundFor(service, kitchen);
    const made = madeFor(eatersOf(ground), ground);
    const plain = made.flatMap(({ tasks }) => tasks.flatMap(({ after }) => after)).length;
    freed += withFreeFromFirst(made, kitchen).flatMap(({ after }) => after).length - plain;
  }
  expect(freed).toBeGreaterThan(0);
});

test('the demand is the sum of the worksheets and of the components, to the gram; water is never bought', () => {
  for (const seed of seeds(16)) {
    const { service, kitchen } = randomService(seed);
    const ground = groundFor(service, kitchen);
    const eaten = eatersOf(ground);
    const demand = demandOf(eaten, ground);
    let total = 0;
    const add = (lines: readonly WorksheetLine[]): void => {
      for (const line of lines)
        if (line.componentId === null && line.foodId !== null && line.batchGrams !== null)
          total += line.batchGrams;
    };
    for (const { versions } of eaten) for (const { sheet } of versions) add(sheet.lines);
    for (const { lines } of demand.components) add(lines);
    expect(demand.lines.reduce((sum, { grams }) => sum + grams, 0)).toBeCloseTo(total, 4);
    for (const { packs, asPurchasedGrams, price, isPriceGuessed, foodId } of demand.lines) {
      if (packs) {
        expect(packs.count * packs.netGrams).toBeGreaterThanOrEqual(asPurchasedGrams - 1e-3);
        expect((packs.count - 1) * packs.netGrams).toBeLessThan(asPurchasedGrams);
      }
      if (foodId === 'water') expect([price, isPriceGuessed, packs]).toEqual([0, false, null]);
    }
    if (demand.unpriced.length > 0) expect(demand.pricePerPortion).toBeNull();
  }
});

test('every head eats every dish, is named with what is in the way, or has a share of it', () => {
  for (const seed of seeds(16)) {
    const { service, kitchen } = randomService(seed);
    for (const { share, versions, unserved } of eatersOf(groundFor(service, kitchen)))
      for (const { groupId, heads } of service.heads.filter(({ heads }) => heads > 0)) {
        const served = versions
          .flatMap(({ servings }) => servings)
          .filter((each) => each.groupId === groupId);
        const told = unserved.filter((each) => each.groupId === groupId);
        const portions = served.reduce((sum, each) => sum + each.portions, 0);
        expect([seed, portions + told.reduce((sum, each) => sum + each.heads, 0)]).toEqual([
          seed,
          Math.ceil(heads * share),
        ]);
        for (const each of told) expect(each.blockedBy.length).toBeGreaterThan(0);
      }
  }
});

test('a component that a swap reaches into is made apart from the plain one', () => {
  const service: Service = {
    ...randomService(11).service,
    kitchenId: wardAsIs.id,
    heads: [
      { groupId: 'everyone', heads: 40, portionGrams: null, site: '', codes: [] },
      { groupId: 'coeliac', heads: 8, portionGrams: null, site: '', codes: [] },
    ],
    dishes: [{ recipeId: 'celeriac-bean-bake', share: 1, course: '' }],
  };
  const ground = groundFor(service, wardAsIs);
  const [dish] = eatersOf(ground);
  const plain = { ...dish!.versions[0]!, key: 'plain', recipe: dishes.get('celeriac-bean-bake')!, swaps: [] };
  const both = [{ ...dish!, versions: [plain, dish!.versions[0]!] }];
  const crumbs = demandOf(both, ground).components.filter(
    ({ componentId }) => componentId === 'seeded-crumb',
  );
  expect(crumbs.map(({ name }) => name).sort()).toEqual([
    'Seeded crumb',
    expect.stringMatching(/^Seeded crumb with .*rice flakes/),
  ]);
  const gluten = crumbs.map(({ lines }) =>
    lines.some(({ allergens }) => allergens.some(({ id }) => id === 'gluten')),
  );
  expect(gluten.sort()).toEqual([false, true]);
});

test('one oven is one temperature at a time; two of a kind are shared out', () => {
  const twoOvens: Kitchen = {
    ...wardAsIs,
    vessels: wardAsIs.vessels.map((vessel) => (vessel.kind === 'oven' ? { ...vessel, count: 2 } : vessel)),
  };
  const { service } = randomService(11);
  const ids = ['plum-oat-bake', 'celeriac-bean-bake', 'caraway-flatbread', 'parsnip-buckwheat-tray'];
  const all = {
    ...service,
    kitchenId: wardAsIs.id,
    heads: wardAsIs.diners.map(({ id }) => ({
      groupId: id,
      heads: 6,
      portionGrams: null,
      site: '',
      codes: [],
    })),
    dishes: ids.map((recipeId) => ({ recipeId, share: 1, course: '' })),
  };
  const ground = groundFor(all, twoOvens);
  const plan = planService(eatersOf(ground), ground, { plans: 300 });
  const used = new Set(
    plan.tasks.flatMap(({ resource }) => (resource?.startsWith('oven-6') ? [resource] : [])),
  );
  expect([...used].sort()).toEqual(['oven-6, 1', 'oven-6, 2']);
  expect(faultsOfPlan(plan.tasks, ground)).toEqual([]);
});

test('a day that is too short says what is short and is no plan', () => {
  const { service } = randomService(11);
  const short: Service = {
    ...service,
    kitchenId: wardAsIs.id,
    heads: [{ groupId: 'everyone', heads: 2000, portionGrams: null, site: '', codes: [] }],
    dishes: [{ recipeId: 'celeriac-bean-bake', share: 1, course: '' }],
    team: { people: 1, shift: { from: 660, to: 700 }, breaks: [] },
    readyMinute: 690,
  };
  const ground = groundFor(short, wardAsIs);
  const plan = planService(eatersOf(ground), ground, { plans: 200 });
  expect(plan.feasible).toBe(false);
  expect(plan.shortOf.length + plan.late.length).toBeGreaterThan(0);
  for (const { resource, name, from, to } of plan.shortOf) {
    expect(from).toBeLessThan(to);
    if (resource === HANDS) expect(name).toBe('a pair of hands');
  }
});

test('without a machine to do it in, nothing is cooked by hand: it cannot be, and says which work', () => {
  const { service } = randomService(11);
  const soup: Service = {
    ...service,
    kitchenId: wardAsIs.id,
    heads: [{ groupId: 'everyone', heads: 50, portionGrams: null, site: '', codes: [] }],
    dishes: [{ recipeId: 'red-lentil-tomato-soup', share: 1, course: '' }],
    readyMinute: 720,
    team: PLAIN_TEAM,
  };
  const planWithout = (without: string[]) => {
    const ground = groundFor({ ...soup, without }, wardAsIs);
    return planService(eatersOf(ground), ground, { plans: 200 });
  };
  expect(planWithout([])).toMatchObject({ feasible: true, lacking: [] });
  const bare = planWithout(wardAsIs.vessels.map(({ id }) => id));
  expect(bare.feasible).toBe(false);
  expect(new Set(bare.lacking.map(({ work }) => work))).toContain('simmer');
});

test('what would help is what makes a plan of it: held against planning with it', () => {
  const { service } = randomService(11);
  const tight: Service = {
    ...service,
    kitchenId: wardAsIs.id,
    heads: [{ groupId: 'everyone', heads: 80, portionGrams: null, site: '', codes: [] }],
    dishes: ['plum-oat-bake', 'celeriac-bean-bake'].map((recipeId) => ({ recipeId, share: 1, course: '' })),
    readyMinute: 720,
    team: PLAIN_TEAM,
    without: ['oven-6'],
  };
  const ground = groundFor(tight, wardAsIs);
  const steps = helpSteps(planService(eatersOf(ground), ground), ground, wardAsIs);
  let step = steps.next();
  while (!step.done) step = steps.next();
  expect(step.value.map(({ text }) => text)).toEqual(['the 6-level oven back in use']);
  const whole = groundFor({ ...tight, without: [] }, wardAsIs);
  const plan = planService(eatersOf(whole), whole);
  expect(plan.feasible).toBe(true);
  expect(helpSteps(plan, whole, wardAsIs).next()).toEqual({ done: true, value: [] });
});

test('twenty thousand heads are some dozens of tasks, not thousands', () => {
  const { service } = randomService(11);
  const crowd: Service = {
    ...service,
    kitchenId: wardAsIs.id,
    heads: wardAsIs.diners.map(({ id }) => ({
      groupId: id,
      heads: 4000,
      portionGrams: null,
      site: '',
      codes: [],
    })),
    dishes: ['red-lentil-tomato-soup', 'celeriac-bean-bake', 'ginger-broth-noodles'].map((recipeId) => ({
      recipeId,
      share: 1,
      course: '',
    })),
  };
  const ground = groundFor(crowd, wardAsIs);
  const made = madeFor(eatersOf(ground), ground);
  const tasks = withFreeFromFirst(made, wardAsIs);
  const steps = made.reduce(
    (sum, { recipeId }) => sum + (book.components.get(recipeId) ?? dishes.get(recipeId))!.steps.length,
    0,
  );
  expect(tasks.length).toBeLessThan(steps * 12 + made.length * 24);
  expect(tasks.flatMap(({ after }) => after).length).toBeLessThan(tasks.length * 8);
});

test('the same service is planned the same, and a late change is told by what it moved', () => {
  const { service, kitchen } = randomService(12);
  const ground = groundFor(service, kitchen);
  const once = planService(eatersOf(ground), ground, { plans: 300 });
  expect(planService(eatersOf(ground), ground, { plans: 300 })).toEqual(once);
  expect(planChanges(once.tasks, once.tasks)).toEqual({ added: [], gone: [], changed: [] });
  const earlier = { ...service, readyMinute: service.readyMinute - 15 };
  const moved = groundFor(earlier, kitchen);
  const changes = planChanges(once.tasks, planService(eatersOf(moved), moved, { plans: 300 }).tasks);
  expect(changes.changed.length).toBeGreaterThan(0);
  expect([changes.added, changes.gone]).toEqual([[], []]);
});

test('told and read back, a service is the same', () => {
  for (const seed of seeds(6)) {
    const { service } = randomService(seed);
    expect(serviceOf(service.id, serviceTold(service))).toEqual(service);
  }
});

test('faults are told by their row', () => {
  const { service } = randomService(12);
  const wrong: Service = {
    ...service,
    heads: [
      ...service.heads,
      { groupId: 'nobody', heads: 2, portionGrams: null, site: '', codes: ['A', 'A', 'B'] },
    ],
    dishes: [{ recipeId: 'nothing', share: 1, course: '' }],
    without: ['oven-99'],
    team: { ...service.team, breaks: [{ from: 100, to: 90 }] },
  };
  expect(serviceFaults(wrong, KITCHENS[12 % 3]!, dishes).map(serviceFaultText)).toEqual([
    expect.stringContaining('this kitchen has no group "nobody"'),
    expect.stringContaining('the code "A" stands there twice'),
    expect.stringContaining('3 codes for 2 heads'),
    'dish 1: "nothing" is not in the book',
    'this kitchen has no machine "oven-99"',
    'a break lies outside the shift, or ends before it begins',
  ]);
});

test('a book without the swaps leaves those unserved whom only a swap would serve', () => {
  const bare = bookOf(foodSet(foods, []), [...book.components.values()], []);
  const { service } = randomService(11);
  const bread: Service = {
    ...service,
    kitchenId: wardAsIs.id,
    heads: [{ groupId: 'coeliac', heads: 5, portionGrams: null, site: '', codes: [] }],
    dishes: [{ recipeId: 'caraway-flatbread', share: 1, course: '' }],
  };
  const [dish] = eatersOf({ ...groundFor(bread, wardAsIs), book: bare });
  expect(dish!.versions).toEqual([]);
  expect(dish!.unserved).toMatchObject([{ groupId: 'coeliac', heads: 5 }]);
  expect(swaps.length).toBeGreaterThan(0);
});
