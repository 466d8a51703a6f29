import loadHighs from 'highs';
import { faultText, schedule, scheduleFaults, type ScheduleProblem, scheduleSteps } from '@hand-ladle/core';
import { runs } from '@hand-ladle/testing/runs';
import { faultsOf, randomSchedule, scheduleLp, startsOf } from '@hand-ladle/testing/service/random-schedule';

const seeds = (count: number): number[] => Array.from({ length: runs(count) }, (_, index) => index + 1);

test('a plan keeps order, capacities and settings, and is never below its bound', () => {
  for (const seed of seeds(30)) {
    const problem = randomSchedule(seed, {
      tasks: 5 + (seed % 40),
      hasSettings: seed % 2 === 0,
      hasParts: seed % 3 === 0,
    });
    const plan = schedule(problem, { plans: 200 });
    expect([seed, faultsOf(problem, startsOf(plan))]).toEqual([seed, []]);
    expect(plan.feasible).toBe(true);
    const ends = problem.tasks.map(({ id, minutes }) => startsOf(plan).get(id)! + minutes);
    expect(plan.makespanMinutes).toBe(Math.max(...ends));
    expect(plan.lowerBoundMinutes).toBeLessThanOrEqual(plan.makespanMinutes);
  }
});

test('the shortest plan of few tasks is that of a mixed-integer solver, and no bound is above it', async () => {
  const highs = await loadHighs();
  let stronger = 0;
  for (const seed of seeds(14)) {
    const problem = randomSchedule(seed * 7, { tasks: 6 + (seed % 5) });
    const plan = schedule(problem);
    const answer = highs.solve(scheduleLp(problem, plan.makespanMinutes), { mip_rel_gap: 0, time_limit: 60 });
    if (answer.Status !== 'Optimal') continue;
    expect([seed, plan.makespanMinutes]).toEqual([seed, Math.round(answer.ObjectiveValue)]);
    expect(plan.isProven).toBe(true);
    expect(plan.lowerBoundMinutes).toBeLessThanOrEqual(Math.round(answer.ObjectiveValue));
    if (plan.lowerBoundMinutes > plainBound(problem)) stronger += 1;
  }
  expect(stronger).toBeGreaterThan(0);
});

/** Critical path, and plain work over capacity. */
function plainBound({ resources, tasks }: ScheduleProblem): number {
  const ends = new Map<string, number>();
  for (const { id, minutes, after } of tasks)
    ends.set(id, Math.max(0, ...after.map((each) => ends.get(each)!)) + minutes);
  const work = resources.map(({ id, capacity }) =>
    Math.ceil(
      tasks.reduce(
        (sum, { minutes, needs }) =>
          sum +
          minutes * needs.reduce((total, each) => (each.resource === id ? total + each.amount : total), 0),
        0,
      ) / capacity,
    ),
  );
  return Math.max(...ends.values(), ...work);
}

test('where a plan that keeps every window exists, one is found', () => {
  for (const seed of seeds(24)) {
    const problem = randomSchedule(seed * 13, {
      tasks: 4 + (seed % 27),
      hasWindows: true,
      hasParts: seed % 2 === 0,
    });
    const plan = schedule(problem);
    expect([seed, plan.feasible, faultsOf(problem, startsOf(plan))]).toEqual([seed, true, []]);
  }
});

test('backwards from the end everything keeps all of it too, and starts no earlier', () => {
  for (const seed of seeds(20)) {
    const problem = randomSchedule(seed * 5, {
      tasks: 12,
      hasWindows: seed % 2 === 0,
      hasSettings: true,
      hasParts: seed % 3 === 0,
    });
    const [early, late] = [schedule(problem), schedule(problem, { isLate: true })];
    expect([seed, faultsOf(problem, startsOf(late))]).toEqual([seed, []]);
    const sum = (plan: typeof early): number => plan.tasks.reduce((total, { start }) => total + start, 0);
    expect(sum(late)).toBeGreaterThanOrEqual(sum(early));
  }
});

const oven = (amount: number, setting?: number) => [
  { resource: 'oven', amount, ...(setting ? { setting } : {}) },
];

test('what cannot be says what is short, when and how much', () => {
  const plan = schedule({
    resources: [{ id: 'oven', capacity: 2 }],
    tasks: [
      { id: 'bread', minutes: 40, needs: oven(2), after: [], deadline: 60 },
      { id: 'roots', minutes: 30, needs: oven(1), after: [], earliest: 20, deadline: 60 },
    ],
  });
  expect(plan).toMatchObject({ feasible: false, isProven: true, late: [] });
  expect(plan.shortOf).toEqual([{ resource: 'oven', from: 30, to: 40, amount: 1 }]);
});

test('more asked for than there is, and two settings at once, are short too', () => {
  const big = schedule({
    resources: [{ id: 'oven', capacity: 2 }],
    tasks: [{ id: 'bread', minutes: 10, needs: oven(5), after: [] }],
  });
  expect([big.feasible, big.shortOf]).toEqual([false, [{ resource: 'oven', from: 0, to: 10, amount: 3 }]]);
  const tasks = [
    { id: 'bread', minutes: 10, needs: oven(1, 220), after: [], deadline: 12 },
    { id: 'roots', minutes: 10, needs: oven(1, 180), after: [], deadline: 12 },
  ];
  const hot = schedule({ resources: [{ id: 'oven', capacity: 5 }], tasks });
  expect([hot.feasible, hot.shortOf[0]?.amount]).toEqual([false, 1]);
  const later = schedule({
    resources: [{ id: 'oven', capacity: 5 }],
    tasks: tasks.map(({ deadline: _, ...task }) => task),
  });
  expect([later.feasible, later.makespanMinutes, later.lowerBoundMinutes]).toEqual([true, 20, 20]);
});

test('a chain that is too long for its deadline is late, and no machine helps', () => {
  const plan = schedule({
    resources: [],
    tasks: [
      { id: 'soak', minutes: 300, needs: [], after: [] },
      { id: 'boil', minutes: 60, needs: [], after: ['soak'], deadline: 330 },
    ],
  });
  expect(plan).toMatchObject({
    feasible: false,
    isProven: true,
    shortOf: [],
    late: [{ id: 'boil', minutes: 30 }],
  });
});

test('two tasks that cannot move and clash are told, not moved', () => {
  const tasks = ['lunch', 'delivery'].map((id) => ({
    id,
    minutes: 10,
    needs: oven(1),
    after: [],
    earliest: 5,
    deadline: 15,
  }));
  const plan = schedule({ resources: [{ id: 'oven', capacity: 1 }], tasks });
  expect([plan.feasible, plan.shortOf]).toEqual([false, [{ resource: 'oven', from: 5, to: 15, amount: 1 }]]);
});

test('nothing to do is a plan', () => {
  expect(schedule({ resources: [], tasks: [] })).toMatchObject({
    feasible: true,
    makespanMinutes: 0,
    lowerBoundMinutes: 0,
  });
});

test('what is written wrongly is told by its name', () => {
  const task = (id: string, after: string[]) => ({ id, minutes: 1, needs: [], after });
  const faults = (problem: ScheduleProblem): string[] => scheduleFaults(problem).map(faultText);
  expect(faults({ resources: [], tasks: [task('a', ['b']), task('b', ['a']), task('c', [])] })).toEqual([
    'task "a" waits for "b", which waits for it',
  ]);
  expect(faults({ resources: [], tasks: [task('a', ['a'])] })).toHaveLength(1);
  expect(
    faults({
      resources: [
        { id: 'oven', capacity: 1 },
        { id: 'oven', capacity: 1 },
      ],
      tasks: [task('a', ['z']), task('a', []), { ...task('b', []), needs: [{ resource: 'hob', amount: 1 }] }],
    }),
  ).toEqual([
    'there are two tasks "a"',
    'there are two resources "oven"',
    'task "a" comes after "z", which is no task',
    'task "b" needs "hob", which is no resource',
  ]);
});

test('stopped at any time there is a plan, the same for the same seed', () => {
  const problem = randomSchedule(3, { tasks: 40 });
  const steps = scheduleSteps(problem, { plans: 1e9 });
  const first = steps.next();
  if (first.done) throw new Error('it was over at once');
  expect(faultsOf(problem, startsOf(first.value.stopped()))).toEqual([]);
  expect(schedule(problem, { plans: 500 })).toEqual(schedule(problem, { plans: 500 }));
});
