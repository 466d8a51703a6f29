import fc from 'fast-check';
import { coolingAnswer, HEAT_LIMITS } from '@hand-ladle/core';
import { runs } from '@hand-ladle/testing/runs';
import { school } from '@hand-ladle/testing/world';
import {
  CELL_FACES,
  COOLING_METHODS,
  coolingOf,
  coolSlab,
  deepestThatPasses,
  type Slab,
} from '../../src/batch/heat/cooling';
import { heatUpMinutes, minutesAtDepth, ovenSetting } from '../../src/batch/heat/heating';

/** Roots of z tan z = Bi, the n-th between n pi and n pi + pi / 2, by bisection. */
function roots(biot: number, count: number): number[] {
  return Array.from({ length: count }, (_, index) => {
    let low = index * Math.PI + 1e-12;
    let high = index * Math.PI + Math.PI / 2 - 1e-12;
    for (let round = 0; round < 80; round += 1) {
      const middle = (low + high) / 2;
      if (middle * Math.tan(middle) < biot) low = middle;
      else high = middle;
    }
    return (low + high) / 2;
  });
}

/**
 * The series solution of a slab that is insulated below and cooled above: depth L, Bi = h L / k, Fo = a t / L2.
 * theta = sum of 4 sin z / (2 z + sin 2 z) x exp(-z2 Fo) x cos(z x / L), z tan z = Bi.
 */
function seriesTheta(zetas: readonly number[], fourier: number, place: number): number {
  let sum = 0;
  for (const zeta of zetas) {
    const left = Math.exp(-zeta * zeta * fourier);
    if (left < 1e-9) break;
    sum += ((4 * Math.sin(zeta)) / (2 * zeta + Math.sin(2 * zeta))) * left * Math.cos(zeta * place);
  }
  return sum;
}

const CONDUCTIVITY = 0.55;
const DIFFUSIVITY = 1.4e-7;
const TERMS = 1200;

/** The largest difference in degrees between the solver and the series, at every cell and every step of a run. */
function worstError(depthM: number, biot: number, ambient: number, isTwoSided: boolean): number {
  const half = isTwoSided ? depthM / 2 : depthM;
  const transfer = (biot * CONDUCTIVITY) / half;
  const slab: Slab = {
    depthM,
    startCelsius: 90,
    diffusivity: DIFFUSIVITY,
    conductivity: CONDUCTIVITY,
    topAmbient: ambient,
    bottomAmbient: ambient,
    topTransfer: transfer,
    bottomTransfer: isTwoSided ? transfer : 0,
  };
  const zetas = roots(biot, TERMS);
  let worst = 0;
  let steps = 0;
  coolSlab(slab, (seconds, cells) => {
    steps += 1;
    const fourier = (DIFFUSIVITY * seconds) / (half * half);
    // The very first instant needs more terms than it is worth: the series itself is not settled there.
    if (fourier > 1e-5 && steps % 3 === 0) {
      for (let at = 0; at < cells.length; at += 7) {
        const height = ((CELL_FACES[at]! + CELL_FACES[at + 1]!) / 2) * depthM;
        const place = isTwoSided ? Math.abs(height - half) / half : height / half;
        const exact = ambient + (90 - ambient) * seriesTheta(zetas, fourier, place);
        worst = Math.max(worst, Math.abs(exact - cells[at]!));
      }
    }
    return fourier < 1.5 && steps < 20_000;
  });
  expect(steps).toBeGreaterThan(50);
  return worst;
}

describe('cooling of a slab', () => {
  test.each([
    [0.1, true],
    [1, true],
    [10, true],
    [100, true],
    [0.1, false],
    [1, false],
    [10, false],
    [100, false],
  ])('Bi %d, cooled on both sides: %s, is within 0.5 °C of the series everywhere', (biot, isTwoSided) => {
    expect(worstError(0.05, biot, 3, isTwoSided)).toBeLessThan(0.5);
  });

  test('at any depth, transfer and room', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.015, max: 0.15, noNaN: true }),
        fc.double({ min: 0.1, max: 100, noNaN: true }),
        fc.double({ min: -20, max: 20, noNaN: true }),
        fc.boolean(),
        (depth, biot, ambient, isTwoSided) => {
          expect(worstError(depth, biot, ambient, isTwoSided)).toBeLessThan(0.5);
        },
      ),
      { numRuns: runs(6) },
    );
  });

  test('no cell is ever warmer than it was or colder than the room', () => {
    let before = new Float64Array(0);
    let steps = 0;
    let warmer = -Infinity;
    let coldest = Infinity;
    const slab: Slab = {
      depthM: 0.06,
      startCelsius: 90,
      diffusivity: DIFFUSIVITY,
      conductivity: CONDUCTIVITY,
      topAmbient: 3,
      bottomAmbient: 1,
      topTransfer: 20,
      bottomTransfer: 200,
    };
    coolSlab(slab, (seconds, cells) => {
      for (let at = 0; at < cells.length; at += 1) {
        coldest = Math.min(coldest, cells[at]!);
        if (before.length > 0) warmer = Math.max(warmer, cells[at]! - before[at]!);
      }
      before = Float64Array.from(cells);
      steps += 1;
      return seconds < 7200;
    });
    expect(steps).toBeGreaterThan(400);
    expect(coldest).toBeGreaterThan(1);
    expect(warmer).toBeLessThan(1e-6);
  });
});

describe('cooling against the limits', () => {
  test('deeper is never faster, and what passes at a depth passes at every lesser one', () => {
    for (const method of COOLING_METHODS) {
      const times = [20, 40, 60, 90].map(
        (depth) => coolingOf(depth, method, HEAT_LIMITS.us).checks[1]!.minutes ?? 1e9,
      );
      expect(times).toEqual([...times].sort((one, other) => one - other));
    }
  });

  test('the deepest that passes does, and one millimetre more does not', () => {
    for (const regime of ['us', 'eu'] as const) {
      for (const method of COOLING_METHODS) {
        const deepest = deepestThatPasses(method, HEAT_LIMITS[regime]);
        if (deepest === null) {
          expect(coolingOf(10, method, HEAT_LIMITS[regime]).passes).toBe(false);
          continue;
        }
        expect(coolingOf(deepest, method, HEAT_LIMITS[regime]).passes).toBe(true);
        if (deepest < 200) expect(coolingOf(deepest + 1, method, HEAT_LIMITS[regime]).passes).toBe(false);
      }
    }
  });

  test('both stages of the US limit are held, on the clock that starts at 57 °C', () => {
    const { checks, clockStartMinutes, curve } = coolingOf(40, COOLING_METHODS[0]!, HEAT_LIMITS.us);
    expect(checks.map(({ toCelsius, withinMinutes }) => [toCelsius, withinMinutes])).toEqual([
      [21, 120],
      [5, 360],
    ]);
    const at = (celsius: number): number =>
      curve.minutes[curve.coreCelsius.findIndex((each) => each <= celsius)]!;
    expect(at(57) - clockStartMinutes).toBeGreaterThanOrEqual(0);
    expect(at(57) - clockStartMinutes).toBeLessThan(2);
    expect(at(21) - clockStartMinutes - checks[0]!.minutes!).toBeLessThan(2);
  });

  test('an answer holds every method at the depth that was asked for', () => {
    const { methods } = coolingAnswer(60, HEAT_LIMITS.eu);
    expect(methods.map(({ method }) => method.id)).toEqual(COOLING_METHODS.map(({ id }) => id));
    expect(methods.every(({ cooling }) => cooling.depthMm === 60)).toBe(true);
  });
});

describe('heating', () => {
  test('a kettle: t = m c dT / (P x efficiency)', () => {
    const kettle = { ...school.vessels.find(({ kind }) => kind === 'kettle')!, powerKw: 18 };
    // 60 kg x 3.8 kJ/kg/K x 83 K = 18 924 kJ; at 18 kW x 0.75 that is 1401.8 s = 23.4 min.
    expect(heatUpMinutes(60_000, kettle)).toBeCloseTo(23.36, 2);
    expect(heatUpMinutes(60_000, { ...kettle, powerKw: null })).toBeNull();
  });

  test('time through a block goes with its depth squared', () => {
    expect(minutesAtDepth(30, 25, 50)).toBe(120);
    expect(minutesAtDepth(30, 40, 40)).toBe(30);
  });

  test('an oven in every dial', () => {
    expect(ovenSetting(180, false)).toEqual({
      conventionalCelsius: 180,
      fanCelsius: 160,
      conventionalFahrenheit: 355,
      fanFahrenheit: 320,
    });
    expect(ovenSetting(160, true)).toEqual(ovenSetting(180, false));
  });
});
