import {
  eatersOf,
  HANDS,
  helpSteps,
  type Kitchen,
  type Made,
  madeFor,
  PLAIN_TEAM,
  planChanges,
  planService,
  type Service,
  type ServiceTask,
  stationsOf,
  type TimedTask,
  withFreeFromFirst,
} from '@hand-ladle/core';
import { runs } from '@hand-ladle/testing/runs';
import { dishes, faultsOfPlan, groundFor, randomService } from '@hand-ladle/testing/service/random-service';
import { book, wardAsIs } from '@hand-ladle/testing/world';

const seeds = (count: number): number[] => Array.from({ length: runs(count) }, (_, index) => index + 11);

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

test('where each minds the other, the machine is cleaned down between, on the oven that comes next', () => {
  const oven = wardAsIs.vessels.find(({ kind }) => kind === 'oven')!;
  const task = (id: string, madeKey: string, setCelsius: number): ServiceTask => ({
    id,
    name: id,
    dish: madeKey,
    what: id,
    kind: 'cook',
    madeKey,
    recipeId: madeKey,
    minutes: 30,
    machine: oven.id,
    amount: 2,
    setCelsius,
    people: 1,
    handMinutes: 4,
    after: [],
    lacks: null,
    checks: [],
    daysBefore: null,
    isConvention: false,
    because: '',
  });
  const dish = (key: string, exclude: string, holds: string, setCelsius: number): Made => ({
    key,
    recipeId: key,
    name: key,
    isComponent: false,
    exclude: new Set([exclude]),
    holds: new Set([holds]),
    uses: [],
    tasks: [task(`${key} 1`, key, setCelsius), { ...task(`${key} 2`, key, setCelsius), after: [`${key} 1`] }],
  });
  const two: Kitchen = { ...wardAsIs, vessels: [{ ...oven, count: 2 }] };
  const both = [dish('bake', 'nut', 'gluten', 180), dish('loaf', 'gluten', 'nut', 200)];
  const tasks = withFreeFromFirst(both, two);
  const clean = tasks.find(({ kind }) => kind === 'clean')!;
  expect(clean).toMatchObject({ machine: oven.id, amount: oven.levels, after: ['bake 2'], people: 1 });
  expect(tasks.find(({ id }) => id === 'loaf 1')!.after).toEqual([clean.id]);
  const on = stationsOf(tasks, two);
  expect(on.get(clean.id)).toBe(on.get('loaf 1'));
  expect([...new Set(on.values())].sort()).toEqual([`${oven.id}, 1`, `${oven.id}, 2`]);
  // One minds, and must wait for the other all the same: cleaned down before it, never left out.
  const behind = [dish('bake', 'nut', 'celery', 180), dish('loaf', 'soy', 'nut', 200)];
  behind[0]!.tasks[0] = { ...behind[0]!.tasks[0]!, after: ['loaf 2'] };
  const waited = withFreeFromFirst(behind, two);
  const down = waited.find(({ kind }) => kind === 'clean')!;
  expect([down.after, waited.find(({ id }) => id === 'bake 1')!.after]).toEqual([
    ['loaf 2'],
    ['loaf 2', down.id],
  ]);
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
