import { createPinia, setActivePinia } from 'pinia';
import type { SavedServiceTold } from '@hand-ladle/core';
import { daysOf, type Task } from '../src/service/day/lanes';
import { useOpenService } from '../src/service/open-service';
import { services } from '../src/service/service-server';
import { askLong, Stopped } from '../src/worker/client';

jest.mock('../src/worker/client', () => ({ askLong: jest.fn(), Stopped: class extends Error {} }));

const task = (fields: Partial<Task>): Task => ({
  id: `${fields.dish} ${fields.start}`,
  name: 'a task',
  dish: 'Soup',
  what: 'Simmer',
  kind: 'cook',
  madeKey: 'soup',
  recipeId: 'soup',
  minutes: 30,
  machine: null,
  amount: 0,
  setCelsius: null,
  people: 1,
  handMinutes: 30,
  lacks: null,
  after: [],
  isConvention: false,
  checks: [],
  daysBefore: null,
  looks: [],
  isPinned: false,
  because: '',
  start: 600,
  end: 630,
  resource: null,
  person: 1,
  startsAt: '',
  endsAt: '',
  ...fields,
});
const kitchen = { vessels: [{ id: 'oven', name: 'Oven' }] } as unknown as Parameters<typeof daysOf>[2];

describe('lanes', () => {
  test('what runs at once stands on lines of its own, and none lies over another', () => {
    const tasks = [
      task({ start: 600, end: 660 }),
      task({ start: 630, end: 700 }),
      task({ start: 660, end: 690 }),
    ];
    const [day] = daysOf(tasks, 'dish', kitchen);
    expect(day!.lanes.map(({ name, lines }) => [name, lines])).toEqual([['Soup', 2]]);
    expect(day!.lanes[0]!.placed.map(({ line }) => line)).toEqual([0, 1, 0]);
    expect([day!.from, day!.to]).toEqual([600, 720]);
  });

  test('a day before stands before the day, stations in the order of the kitchen, waiting last', () => {
    const tasks = [
      task({ start: -500, end: -400, kind: 'wait' }),
      task({ start: 600, end: 620, machine: 'oven', resource: 'oven, 2' }),
      task({ start: 610, end: 640, machine: null }),
      task({ start: 500, end: 700, kind: 'wait' }),
    ];
    const days = daysOf(tasks, 'station', kitchen);
    expect(days.map(({ day }) => day)).toEqual([-1, 0]);
    expect(days[1]!.lanes.map(({ name }) => name)).toEqual([
      'Bench',
      'Oven, 2',
      'Soaking, resting, chilling',
    ]);
  });

  test('by person, what nobody stands at is last', () => {
    const tasks = [task({ person: null, people: 0 }), task({ person: 2 }), task({ person: 1 })];
    const [day] = daysOf(tasks, 'person', kitchen);
    expect(day!.lanes.map(({ name }) => name)).toEqual(['Person 1', 'Person 2', 'Nobody stands at it']);
  });
});

const saved = (fields: Partial<SavedServiceTold> = {}): SavedServiceTold => ({
  id: 'lunch',
  kitchenId: 'ward',
  date: '2026-12-01',
  meal: 'Lunch',
  readyAt: '12:00',
  heads: [{ groupId: 'everyone', heads: 10, portionGrams: null, site: '', codes: [] }],
  dishes: [],
  overShare: 0,
  team: { people: 1, from: '06:00', to: '14:00', breaks: [] },
  without: [],
  sites: [],
  ahead: [],
  standIns: [],
  pins: [],
  order: [],
  done: [],
  taken: [],
  version: 1,
  ...fields,
});
const planned = (start: number) => ({ feasible: true, tasks: [task({ start, end: start + 30 })] });

describe('the open service', () => {
  beforeEach(() => {
    jest.useFakeTimers();
    setActivePinia(createPinia());
  });
  afterEach(() => {
    jest.useRealTimers();
    jest.restoreAllMocks();
  });

  test('a change is kept, sends nothing that is worked out, and is planned anew with what it moved', async () => {
    jest
      .spyOn(services, 'find')
      .mockImplementation(() => Promise.resolve({ ...saved(), eaten: [], faults: [] }));
    jest
      .spyOn(services, 'plan')
      .mockResolvedValueOnce(planned(600) as never)
      .mockResolvedValueOnce(planned(580) as never);
    const save = jest
      .spyOn(services, 'save')
      .mockImplementation((_, told, version) =>
        Promise.resolve(saved({ ...told, version: version + 1 } as never)),
      );
    const store = useOpenService();
    await store.open('lunch');
    expect([store.heads, store.changes]).toEqual([10, null]);
    store.change({ heads: [{ groupId: 'everyone', heads: 17, portionGrams: null, site: '', codes: [] }] });
    expect(store.heads).toBe(17);
    await jest.advanceTimersByTimeAsync(600);
    expect(Object.keys(save.mock.calls[0]![1])).not.toContain('eaten');
    expect(store.changes?.changed.map(({ before, after }) => [before.start, after.start])).toEqual([
      [600, 580],
    ]);
    expect(store.status).toBe('saved');
  });

  test('where a dish is gone since, that is said and there is no plan', async () => {
    jest.spyOn(services, 'find').mockResolvedValue({
      ...saved(),
      eaten: [],
      faults: [{ message: 'dish 1: "soup" is not in the book' }],
    });
    const plan = jest.spyOn(services, 'plan');
    const store = useOpenService();
    await store.open('lunch');
    expect([store.problem, store.plan]).toEqual(['dish 1: "soup" is not in the book', null]);
    expect(plan).not.toHaveBeenCalled();
  });

  const opened = async () => {
    const kept = { ...saved() };
    jest
      .spyOn(services, 'find')
      .mockImplementation(() => Promise.resolve({ ...kept, eaten: [], faults: [] }));
    const plan = jest
      .spyOn(services, 'plan')
      .mockResolvedValue({ ...planned(600), makespanMinutes: 120 } as never);
    const save = jest.spyOn(services, 'save').mockImplementation((_, told, version) => {
      Object.assign(kept, told, { version: version + 1 });
      return Promise.resolve({ ...kept });
    });
    const store = useOpenService();
    await store.open('lunch');
    return { store, plan, save, kept };
  };

  test('what another screen made of it is taken in and planned; what the last change moved stays said', async () => {
    const { store, plan, kept } = await opened();
    plan.mockResolvedValue(planned(580) as never);
    await store.work();
    expect(store.changes?.changed).toHaveLength(1);
    // A dish was cooked from elsewhere: nothing of this plan moved.
    const before = store.plan;
    plan.mockResolvedValue(planned(580) as never);
    const asked = store.renew();
    expect(store.isPlanning).toBe(false);
    await asked;
    expect([plan.mock.calls.length, store.changes?.changed.length]).toEqual([3, 1]);
    // What was asked of it stands: it is the same plan.
    expect(store.plan).toBe(before);
    Object.assign(kept, { heads: [{ ...saved().heads[0]!, heads: 44 }], version: 2 });
    plan.mockResolvedValue(planned(540) as never);
    await store.renew();
    expect([store.heads, store.changes?.changed[0]?.after.start, store.canUndo]).toEqual([44, 540, false]);
  });

  test('where it cannot be read again, it stays as it is known, and whoever asked is told', async () => {
    const { store, plan } = await opened();
    plan.mockRejectedValueOnce(new Error('The server does not answer.'));
    await expect(store.renew()).rejects.toThrow('does not answer');
    jest.spyOn(services, 'find').mockRejectedValue(new Error('The server does not answer.'));
    await expect(store.renew()).rejects.toThrow('does not answer');
    expect([store.heads, store.problem, store.isPlanning, store.plan?.feasible]).toEqual([
      10,
      '',
      false,
      true,
    ]);
  });

  test('what is changed here and not kept yet is not put away for what another screen did', async () => {
    const { store, kept, save } = await opened();
    store.change({ meal: 'Supper' });
    Object.assign(kept, { meal: 'Tea', version: 2 });
    await store.renew();
    expect(store.service!.meal).toBe('Supper');
    await jest.advanceTimersByTimeAsync(600);
    expect(save.mock.calls[0]![2]).toBe(1);
  });

  test('what is ticked off is kept, and nothing is planned anew for it', async () => {
    const { store, plan, save } = await opened();
    store.change({ done: ['soup 1'] });
    await jest.advanceTimersByTimeAsync(600);
    expect(save.mock.calls[0]![1].done).toEqual(['soup 1']);
    expect(plan).toHaveBeenCalledTimes(1);
    store.change({ heads: [] });
    await jest.advanceTimersByTimeAsync(600);
    expect(plan).toHaveBeenCalledTimes(2);
  });

  test('a task that cannot stand where it is put stays where it was, and says why; else it is held', async () => {
    const { store, plan, save } = await opened();
    const pins = [{ task: 'soup 1', start: 500 }];
    plan.mockResolvedValueOnce({
      feasible: false,
      shortOf: [{ name: 'the oven', amount: 2, from: 500, to: 520 }],
      late: [],
    } as never);
    expect(await store.tryPins(pins)).toContain('the oven would be short by 2 from 08:20 to 08:40');
    expect([store.service!.pins, save.mock.calls.length]).toEqual([[], 0]);
    expect(await store.tryPins(pins)).toBe('');
    await jest.advanceTimersByTimeAsync(600);
    expect(save.mock.calls[0]![1].pins).toEqual(pins);
    store.undo();
    expect(store.service!.pins).toEqual([]);
  });

  test.each([
    ['stopped', true, 90, ['b', 'a']],
    ['ended', false, 90, ['b', 'a']],
    ['no better than before', true, 120, []],
  ])('a search that is %s keeps the best there is', async (_, isStopped, makespanMinutes, order) => {
    const { store } = await opened();
    jest.spyOn(services, 'work').mockResolvedValue({} as never);
    const found = { order: ['b', 'a'], makespanMinutes, lowerBoundMinutes: 80, begins: 630, done: 9 };
    (askLong as jest.Mock).mockImplementation((__, ___, onProgress: (told: typeof found) => void) => {
      onProgress(found);
      return { stop: jest.fn(), answer: isStopped ? Promise.reject(new Stopped()) : Promise.resolve(found) };
    });
    await store.findBetter();
    expect([store.service!.order, store.search]).toEqual([order, null]);
  });
});
