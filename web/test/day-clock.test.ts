import { minuteOfService, standingAt } from '../src/service/day/day-clock';
import type { Task } from '../src/service/day/lanes';

const task = (id: string, start: number, end: number) => ({ id, start, end }) as Task;

describe('the clock of a day', () => {
  const at = (iso: string, date = '2026-12-01', zone = 'Europe/London') =>
    minuteOfService(Date.parse(iso), date, zone);

  test('counts in the kitchen’s own time, from midnight of the day of the service', () => {
    expect(at('2026-12-01T11:45:00Z')).toBe(705);
    expect(at('2026-11-30T20:00:00Z')).toBe(-240);
    expect(at('2026-12-01T11:45:00Z', '2026-12-01', 'America/New_York')).toBe(405);
    // The evening of the day before is still the day before, whatever day it is in London.
    expect(at('2026-12-01T02:00:00Z', '2026-12-01', 'America/New_York')).toBe(-180);
  });

  test('is the clock on the wall on the days when clocks change', () => {
    expect(at('2026-03-29T10:00:00Z', '2026-03-29')).toBe(660);
    expect(at('2026-10-25T10:00:00Z', '2026-10-25')).toBe(600);
  });
});

describe('how a plan stands', () => {
  const tasks = [task('a', 0, 10), task('b', 5, 30), task('c', 20, 40), task('d', 50, 60), task('e', 70, 80)];

  test('late is what should have ended and is not ticked off; on is what runs; next comes', () => {
    const { late, on, next, done } = standingAt(tasks, ['b'], 20);
    expect([late, on, next].map((list) => list.map(({ id }) => id))).toEqual([['a'], ['c'], ['d', 'e']]);
    expect(done).toBe(1);
    expect(standingAt(tasks, ['a', 'b', 'c', 'd', 'e'], 100)).toEqual({
      late: [],
      on: [],
      next: [],
      done: 5,
    });
  });

  test('a tick for a task that is gone counts for nothing', () => {
    expect(standingAt(tasks, ['gone'], 0).done).toBe(0);
  });
});
