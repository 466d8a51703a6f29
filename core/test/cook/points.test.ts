import fc from 'fast-check';
import { coolingWatch, type EntryBody, isWithin, type Kitchen, limitOf, standing } from '@hand-ladle/core';
import { kept, OPENED_AT, tablet } from '@hand-ladle/testing/cook/cooked';
import { runs } from '@hand-ladle/testing/runs';
import { wardAsIs } from '@hand-ladle/testing/world';
import { coolingsOf, judgedReadings, openBreaches } from '../../src/cook/points';

const eu: Kitchen = { ...wardAsIs, regime: 'eu' };
const us: Kitchen = { ...wardAsIs, regime: 'us' };
const MINUTE = 60_000;

describe('limits', () => {
  test.each([
    ['core', '', eu, 75, 74.9],
    ['core', '', us, 74, 73.9],
    ['reheat', '', us, 74, 73.9],
    ['hot-hold', '', eu, 63, 62.9],
    ['hot-hold', '', us, 57, 56.9],
    ['cold-hold', 'Cold room', eu, 5, 5.1],
    ['cold-hold', 'Freezer', eu, -18, -17.9],
    ['delivery', 'frozen peas', eu, -15, -14.9],
    ['oil', '', eu, 180, 181],
    ['oil', '', eu, 160, 159],
    ['probe', '', eu, 1, 1.1],
    ['probe', '', eu, -1, -1.1],
  ] as const)(
    '%s %s: the limit itself is in, a tenth beyond is out',
    (point, where, kitchen, inside, outside) => {
      const limit = limitOf(point, where, kitchen)!;
      expect([isWithin(inside, limit), isWithin(outside, limit)]).toEqual([true, false]);
    },
  );

  test('a policy makes a limit stricter, never laxer', () => {
    const of = (coreCelsius: number | null) =>
      limitOf('core', '', { ...eu, safety: { ...eu.safety, coreCelsius } })!.leastCelsius;
    expect([of(null), of(80), of(60)]).toEqual([75, 80, 75]);
    const cold = (coldHoldCelsius: number) =>
      limitOf('cold-hold', '', { ...eu, safety: { ...eu.safety, coldHoldCelsius } })!.mostCelsius;
    expect([cold(3), cold(12)]).toEqual([3, 5]);
  });
});

/** Readings of a cooling, minutes after the first. */
const readings = (...pairs: [number, number][]) =>
  pairs.map(([minutes, celsius]) => ({ at: OPENED_AT + minutes * MINUTE, celsius }));

describe('a cooling', () => {
  test('the US clock starts at 57 °C, between two readings, and has two stages', () => {
    const watch = coolingWatch(
      readings([0, 80], [30, 50], [100, 20], [300, 4.8]),
      null,
      us,
      OPENED_AT + 301 * MINUTE,
    )!;
    const started = (watch.startedAt - OPENED_AT) / MINUTE;
    expect(started).toBeGreaterThan(0);
    expect(started).toBeLessThan(30);
    expect(watch.stages.map(({ standing: how }) => how)).toEqual(['kept', 'kept']);
  });

  test('says early that it will fail, before it has', () => {
    const watch = coolingWatch(readings([0, 63], [30, 52], [45, 47]), null, eu, OPENED_AT + 46 * MINUTE)!;
    expect(watch.standing).toBe('will fail');
    expect(watch.words).toContain('too late');
    expect(watch.words).toContain('shallow pans');
  });

  test('a reading in time that is above is no failure; one after the time is', () => {
    const open = coolingWatch(readings([0, 63], [40, 20]), null, eu, OPENED_AT + 41 * MINUTE)!;
    expect(open.standing).toBe('open');
    const failed = coolingWatch(readings([0, 63], [40, 20], [91, 8.2]), null, eu, OPENED_AT + 92 * MINUTE)!;
    expect(failed.standing).toBe('failed');
  });

  test('what nobody measured in time is missing, never kept: a late reading that is cold proves nothing', () => {
    const late = coolingWatch(readings([0, 63], [40, 20], [200, 4]), null, eu, OPENED_AT + 201 * MINUTE)!;
    expect(late.standing).toBe('missing');
  });

  test('a first reading below the start counts from when it left the heat', () => {
    const watch = coolingWatch(readings([80, 30], [95, 7]), OPENED_AT, eu, OPENED_AT + 96 * MINUTE)!;
    expect(watch.startedAt).toBe(OPENED_AT);
    expect(watch.standing).toBe('missing');
  });

  test('a food that cools as heat leaves is judged as its own curve says', () => {
    fc.assert(
      fc.property(fc.double({ min: 10, max: 400, noNaN: true }), (tau) => {
        const celsius = (minutes: number): number => 3 + 60 * Math.exp(-minutes / tau);
        const all = readings(...[0, 20, 40, 60, 80].map((each): [number, number] => [each, celsius(each)]));
        const reaches = tau * Math.log(60 / 5);
        const watch = coolingWatch(all.slice(0, 3), null, eu, OPENED_AT + 41 * MINUTE)!;
        if (Math.abs(reaches - 90) < 1 || celsius(40) <= 8) return;
        expect(watch.standing).toBe(reaches > 90 ? 'will fail' : 'open');
        expect((watch.stages[0]!.forecast! - OPENED_AT) / MINUTE).toBeCloseTo(reaches, 3);
      }),
      { numRuns: runs(200) },
    );
  });

  test('one that no longer falls is told to fail', () => {
    const watch = coolingWatch(readings([0, 63], [20, 40], [40, 40]), null, eu, OPENED_AT + 41 * MINUTE)!;
    expect(watch.standing).toBe('will fail');
  });
});

describe('readings of a record', () => {
  const write = tablet();
  const reading = (
    point: 'core' | 'cooling',
    celsius: number,
    minutes: number,
    where = '',
    takenAt: string | null = null,
  ) => kept(write({ kind: 'reading', point, where, celsius, way: 'typed', takenAt }, minutes));
  const action = (of: string, minutes: number) =>
    kept(write({ kind: 'action', of, action: 'Cooked on', words: '' } satisfies EntryBody, minutes));

  test('one that is out stays open until somebody says what was done', () => {
    const out = reading('core', 61, 1);
    const judged = judgedReadings(standing([out]), eu);
    expect(judged[0]).toMatchObject({ verdict: 'out', lateMinutes: 0 });
    expect(openBreaches(judged, [])).toHaveLength(1);
    expect(openBreaches(judgedReadings(standing([out, action(out.id, 2)]), eu), [])).toEqual([]);
    // What is told of a reading that is out is out as well, however near it lies.
    for (const celsius of [74.999, 74.95, 74.5, 61]) {
      const [breach] = openBreaches(judgedReadings(standing([reading('core', celsius, 1)]), eu), []);
      expect([celsius, Number(/: ([\d.]+) °C/.exec(breach!.words)![1]) < 75]).toEqual([celsius, true]);
    }
  });

  test('one that is written down later says so, and cannot lie in the future', () => {
    const at = new Date(OPENED_AT - 30 * MINUTE).toISOString();
    const [late] = judgedReadings(standing([reading('core', 80, 0, '', at)]), eu);
    expect(late!.lateMinutes).toBeGreaterThanOrEqual(30);
    const [ahead] = judgedReadings(standing([reading('core', 80, 0, '', '2099-01-01T00:00:00Z')]), eu);
    expect(ahead!.at).toBeLessThan(OPENED_AT + 24 * 60 * MINUTE);
  });

  test('pans cool each for itself; what was done while it was going to fail does not answer for its failing', () => {
    const first = reading('cooling', 63, 0, 'Pan 1');
    const second = reading('cooling', 50, 30, 'Pan 1');
    const other = reading('cooling', 63, 0, 'Pan 2');
    const cold = reading('cooling', 7, 60, 'Pan 2');
    const early = action(second.id, 31);
    const record = standing([first, second, other, cold, early]);
    const of = (minutes: number) => {
      const judged = judgedReadings(record, eu);
      const coolings = coolingsOf(judged, null, eu, OPENED_AT + minutes * MINUTE);
      return { coolings, open: openBreaches(judged, coolings) };
    };
    expect(of(40).coolings.map(({ where, watch }) => `${where} ${watch.standing}`)).toEqual([
      'Pan 1 will fail',
      'Pan 2 kept',
    ]);
    expect(of(40).open).toEqual([]);
    expect(of(120).open).toHaveLength(1);
  });

  test('what was reheated cools anew', () => {
    const all = [
      reading('cooling', 63, 0, 'Pan'),
      reading('cooling', 40, 60, 'Pan'),
      reading('cooling', 76, 80, 'Pan'),
      reading('cooling', 30, 110, 'Pan'),
      reading('cooling', 7, 150, 'Pan'),
    ];
    const judged = judgedReadings(standing(all), eu);
    const coolings = coolingsOf(judged, null, eu, OPENED_AT + 151 * MINUTE);
    expect(coolings.map(({ watch }) => watch.standing)).toEqual(['will fail', 'kept']);
  });
});
