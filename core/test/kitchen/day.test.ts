import fc from 'fast-check';
import { dayIn, isTimeZone } from '@hand-ladle/core';

const at = (iso: string): number => Date.parse(iso);

test.each([
  // Half past midnight, noon and half past eleven at night, on the wall of each.
  ['America/Chicago', '2026-11-28T06:30:00Z', '2026-11-28'], ['America/Chicago', '2026-11-28T18:00:00Z', '2026-11-28'],
  ['America/Chicago', '2026-11-29T05:30:00Z', '2026-11-28'], ['Pacific/Auckland', '2026-11-27T11:30:00Z', '2026-11-28'],
  ['Pacific/Auckland', '2026-11-27T23:00:00Z', '2026-11-28'], ['Pacific/Auckland', '2026-11-28T10:30:00Z', '2026-11-28'],
  ['Europe/London', '2026-11-28T00:30:00Z', '2026-11-28'], ['Europe/London', '2026-07-01T23:30:00Z', '2026-07-02'],
  ['Europe/London', '2026-11-28T23:30:00Z', '2026-11-28'], ['Etc/UTC', '2026-11-28T23:59:59Z', '2026-11-28'],
])('in %s at %s it is %s', (zone, instant, day) => {
  expect(dayIn(zone, at(instant))).toBe(day);
}); // prettier-ignore

test('a day is never more than one off that of Greenwich, and days follow each other', () => {
  const zones = [
    'America/Chicago',
    'Pacific/Auckland',
    'Asia/Kathmandu',
    'America/St_Johns',
    'Pacific/Kiritimati',
  ];
  fc.assert(
    fc.property(fc.constantFrom(...zones), fc.integer({ min: 0, max: 4e12 }), (zone, instant) => {
      const off =
        (at(`${dayIn(zone, instant)}T00:00:00Z`) - at(`${dayIn('Etc/UTC', instant)}T00:00:00Z`)) / 86_400_000;
      expect(Math.abs(off)).toBeLessThanOrEqual(1);
      expect(dayIn(zone, instant + 36 * 3_600_000) > dayIn(zone, instant)).toBe(true);
    }),
    { seed: 28, numRuns: 500 },
  );
});

test('a name that is no time zone is none', () => {
  expect(['Europe/London', 'Etc/UTC'].map(isTimeZone)).toEqual([true, true]);
  expect(['', 'London', 'Mars/Base', 'constructor'].map(isTimeZone)).toEqual([false, false, false, false]);
});
