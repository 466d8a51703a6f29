import { createPinia, setActivePinia } from 'pinia';
import { withDishesAt } from '@hand-ladle/core';
import { cycles, type SavedCycle } from '../src/cycle/cycle-server';
import { useOpenCycle } from '../src/cycle/open-cycle';

const cycle = (fields: Partial<SavedCycle> = {}): SavedCycle => ({
  kitchenId: 'ward',
  name: '',
  weeks: 1,
  startsOn: '2026-11-30',
  meals: [{ name: 'Lunch', readyAt: '12:00' }],
  slots: [],
  version: 3,
  ...fields,
});
const judgement = { weeks: [], findings: [] };

describe('the open cycle', () => {
  const opened = async () => {
    const acts: string[] = [];
    jest.spyOn(cycles, 'find').mockResolvedValue(cycle());
    const judged = jest.spyOn(cycles, 'judged').mockResolvedValue(judgement);
    const save = jest.spyOn(cycles, 'save').mockImplementation((told) => {
      acts.push('save');
      return Promise.resolve(cycle({ ...told, version: 4 }));
    });
    jest.spyOn(cycles, 'fill').mockImplementation(() => {
      acts.push('fill');
      return Promise.resolve({ made: [], there: 0, gone: [] });
    });
    const store = useOpenCycle();
    await store.open('ward');
    return { store, judged, save, acts };
  };
  beforeEach(() => {
    jest.useFakeTimers();
    setActivePinia(createPinia());
  });
  afterEach(() => {
    jest.useRealTimers();
    jest.restoreAllMocks();
  });

  test('a change is kept over the version that was read, judged anew, and undone', async () => {
    const { store, judged, save } = await opened();
    const place = { week: 1, day: 2, meal: 'Lunch' };
    store.put(withDishesAt(store.cycle!, place, [{ recipeId: 'soup', share: 1, course: '' }]));
    await jest.advanceTimersByTimeAsync(700);
    expect(save.mock.calls[0]).toMatchObject([{ slots: [place] }, 3]);
    expect(judged).toHaveBeenCalledTimes(2);
    store.undo();
    expect(store.cycle!.slots).toEqual([]);
  });

  test('what another screen made of it is taken in and judged; nothing that waits here is put away for it', async () => {
    const { store, judged } = await opened();
    const find = jest.spyOn(cycles, 'find').mockResolvedValue(cycle({ name: 'Winter', version: 5 }));
    await store.renew();
    expect([store.cycle!.name, judged.mock.calls.length, store.isJudging]).toEqual(['Winter', 2, false]);
    judged.mockRejectedValueOnce(new Error('The server does not answer.'));
    await expect(store.renew()).rejects.toThrow('does not answer');
    expect([store.problem, store.judgement]).toEqual(['', judgement]);
    store.put({ ...store.cycle!, name: 'Spring' });
    find.mockResolvedValue(cycle({ name: 'Summer', version: 6 }));
    await store.renew();
    expect(store.cycle!.name).toBe('Spring');
  });

  test('services are planned from what is on the screen: it is kept first', async () => {
    const { store, acts } = await opened();
    store.put({ ...store.cycle!, name: 'Autumn' });
    await store.fill('2026-11-30', '2026-12-06');
    expect(acts).toEqual(['save', 'fill']);
  });
});
