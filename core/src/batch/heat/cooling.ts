/**
 * How the core of a pan cools: one-dimensional conduction through a slab that gives its heat off above and below. A long
 * pan loses little by its sides, so the estimate is on the slow side, which is the safe one.
 */
import type { HeatLimits } from './limits';

/** Thick cooked food: conductivity W/m/K, density kg/m3, heat capacity J/kg/K (reference, moist foods). */
export const FOOD_HEAT = { conductivity: 0.5, density: 1000, heatCapacity: 3700 } as const;
/** Thermal diffusivity of that food, m2/s. */
export const FOOD_DIFFUSIVITY = FOOD_HEAT.conductivity / (FOOD_HEAT.density * FOOD_HEAT.heatCapacity);

/** How heat is taken off: the temperature around the pan, and the heat transfer above and below, W/m2/K (convention). */
export interface CoolingMethod {
  id: string;
  name: string;
  ambientCelsius: number;
  topTransfer: number;
  bottomTransfer: number;
}

export const COOLING_METHODS: readonly CoolingMethod[] = [
  { id: 'blast chiller', name: 'Blast chiller', ambientCelsius: -4, topTransfer: 45, bottomTransfer: 45 },
  { id: 'ice bath', name: 'Ice bath, not stirred', ambientCelsius: 1, topTransfer: 8, bottomTransfer: 300 },
  { id: 'walk-in', name: 'Walk-in cold room', ambientCelsius: 3, topTransfer: 12, bottomTransfer: 10 },
];

/** Food leaves the heat at this core temperature, °C (convention). */
export const HOT_CELSIUS = 90;
const CELLS = 120;
/** Steps grow from the first, so that the sudden cold at the start is followed closely, seconds. */
const FIRST_STEP = 0.001;
const STEP_GROWTH = 1.05;
const LONGEST_STEP = 15;

export interface Slab {
  depthM: number;
  startCelsius: number;
  diffusivity: number;
  conductivity: number;
  topAmbient: number;
  bottomAmbient: number;
  topTransfer: number;
  bottomTransfer: number;
}

/** A tridiagonal matrix, factored once for all right sides of a time step. */
interface Factored {
  lower: Float64Array;
  upper: Float64Array;
  pivot: Float64Array;
}

function factor(lower: Float64Array, diagonal: Float64Array, upper: Float64Array): Factored {
  const pivot = Float64Array.from(diagonal);
  for (let at = 1; at < pivot.length; at += 1)
    pivot[at] = diagonal[at]! - (lower[at]! * upper[at - 1]!) / pivot[at - 1]!;
  return { lower, upper, pivot };
}

/** Solves for a right side in place: it becomes the answer. */
function solve({ lower, upper, pivot }: Factored, right: Float64Array): void {
  const last = right.length - 1;
  for (let at = 1; at <= last; at += 1)
    right[at] = right[at]! - (lower[at]! / pivot[at - 1]!) * right[at - 1]!;
  right[last] = right[last]! / pivot[last]!;
  for (let at = last - 1; at >= 0; at -= 1)
    right[at] = (right[at]! - upper[at]! * right[at + 1]!) / pivot[at]!;
}

/** Heights of the cells' faces as shares of the depth, closer together near both surfaces, where it changes fastest. */
export const CELL_FACES: readonly number[] = Array.from(
  { length: CELLS + 1 },
  (_, at) => (1 - Math.cos((Math.PI * at) / CELLS)) / 2,
);

/** Rates of exchange of the cells with their lower and upper neighbours (at the ends with the rooms), per second. */
function ratesOf({ depthM, diffusivity, conductivity, topTransfer, bottomTransfer }: Slab) {
  const width = (at: number): number => (CELL_FACES[at + 1]! - CELL_FACES[at]!) * depthM;
  // At a surface half a cell and the film stand in series.
  const film = (at: number, transfer: number): number =>
    diffusivity / (width(at) * (width(at) / 2 + conductivity / Math.max(transfer, 1e-9)));
  const below = new Float64Array(CELLS);
  const above = new Float64Array(CELLS);
  for (let at = 0; at < CELLS; at += 1) {
    const to = (other: number): number => (2 * diffusivity) / (width(at) * (width(at) + width(other)));
    below[at] = at > 0 ? to(at - 1) : film(0, bottomTransfer);
    above[at] = at < CELLS - 1 ? to(at + 1) : film(CELLS - 1, topTransfer);
  }
  return { below, above };
}

/** Share of a step that each of the two stages is implicit over: second order, and no ringing after the first jump. */
const STAGE = 1 - Math.SQRT1_2;

/**
 * Temperatures of a slab over time, by finite volumes and a two-stage singly diagonally implicit Runge-Kutta step. Calls
 * back after each step with the time in seconds and the temperatures of the cells from bottom to top; stops when told
 * false.
 */
export function coolSlab(slab: Slab, visit: (seconds: number, cells: Float64Array) => boolean): void {
  const { below, above } = ratesOf(slab);
  const cells = new Float64Array(CELLS).fill(slab.startCelsius);
  const ambient = new Float64Array(CELLS);
  ambient[0] = below[0]! * slab.bottomAmbient;
  ambient[CELLS - 1] = above[CELLS - 1]! * slab.topAmbient;
  const first = new Float64Array(CELLS);
  const lower = new Float64Array(CELLS);
  const diagonal = new Float64Array(CELLS);
  const upper = new Float64Array(CELLS);
  let seconds = 0;
  let step = FIRST_STEP;
  let matrix: Factored | null = null;
  for (;;) {
    if (matrix === null) {
      for (let at = 0; at < CELLS; at += 1) {
        lower[at] = at > 0 ? -STAGE * step * below[at]! : 0;
        upper[at] = at < CELLS - 1 ? -STAGE * step * above[at]! : 0;
        diagonal[at] = 1 + STAGE * step * (below[at]! + above[at]!);
      }
      matrix = factor(lower, diagonal, upper);
    }
    for (let at = 0; at < CELLS; at += 1) first[at] = cells[at]! + STAGE * step * ambient[at]!;
    solve(matrix, first);
    // The first stage's rate of change, carried over the rest of the step.
    for (let at = 0; at < CELLS; at += 1) {
      const change = ((first[at]! - cells[at]!) * (1 - STAGE)) / STAGE;
      cells[at] = cells[at]! + change + STAGE * step * ambient[at]!;
    }
    solve(matrix, cells);
    seconds += step;
    if (!visit(seconds, cells)) return;
    if (step < LONGEST_STEP) {
      step = Math.min(LONGEST_STEP, step * STEP_GROWTH);
      matrix = null;
    }
  }
}

/** The core over time, minutes from when the food left the heat. */
export interface CoolingCurve {
  minutes: number[];
  coreCelsius: number[];
}

/** One stage of the limit held against the curve. */
export interface CoolingCheck {
  toCelsius: number;
  withinMinutes: number;
  /** Minutes it takes from the start of the clock; null when it is not reached in a day. */
  minutes: number | null;
  passes: boolean;
}

export interface Cooling {
  methodId: string;
  depthMm: number;
  curve: CoolingCurve;
  /** Minutes until the clock starts: the core has fallen to the limit's first temperature. */
  clockStartMinutes: number;
  checks: CoolingCheck[];
  passes: boolean;
}

const DAY_SECONDS = 86_400;
/** A point of the curve every so many seconds. */
const POINT_SECONDS = 60;

function slabOf(depthM: number, method: CoolingMethod): Slab {
  return {
    depthM,
    startCelsius: HOT_CELSIUS,
    diffusivity: FOOD_DIFFUSIVITY,
    conductivity: FOOD_HEAT.conductivity,
    topAmbient: method.ambientCelsius,
    bottomAmbient: method.ambientCelsius,
    topTransfer: method.topTransfer,
    bottomTransfer: method.bottomTransfer,
  };
}

/**
 * How a pan of food of a depth cools, against the limits of a regime. The core is its warmest point. `isVerdictOnly` stops
 * as soon as it is known whether it passes.
 */
export function coolingOf(
  depthMm: number,
  method: CoolingMethod,
  limits: HeatLimits,
  isVerdictOnly = false,
): Cooling {
  const targets = [limits.coolingStartCelsius, ...limits.cooling.map(({ toCelsius }) => toCelsius)];
  const reached: (number | null)[] = targets.map(() => null);
  const curve: CoolingCurve = { minutes: [0], coreCelsius: [HOT_CELSIUS] };
  const latest = Math.max(...limits.cooling.map(({ withinMinutes }) => withinMinutes));
  let before = { seconds: 0, core: HOT_CELSIUS };
  coolSlab(slabOf(depthMm / 1000, method), (seconds, cells) => {
    let core = -Infinity;
    for (const celsius of cells) if (celsius > core) core = celsius;
    targets.forEach((target, index) => {
      if (reached[index] !== null || core > target) return;
      const share = before.core > core ? (before.core - target) / (before.core - core) : 1;
      reached[index] = (before.seconds + share * (seconds - before.seconds)) / 60;
    });
    if (seconds >= curve.minutes.length * POINT_SECONDS) {
      curve.minutes.push(seconds / 60);
      curve.coreCelsius.push(core);
    }
    before = { seconds, core };
    const isReached = reached.every((each) => each !== null);
    const isLate = reached[0] !== null && seconds / 60 - reached[0]! > latest;
    if (isVerdictOnly && (isReached || isLate)) return false;
    return !(isReached && seconds / 60 > latest) && seconds < DAY_SECONDS;
  });
  const clockStartMinutes = reached[0] ?? DAY_SECONDS / 60;
  const checks = limits.cooling.map(({ toCelsius, withinMinutes }, index): CoolingCheck => {
    const at = reached[index + 1] ?? null;
    const minutes = at === null ? null : at - clockStartMinutes;
    return { toCelsius, withinMinutes, minutes, passes: minutes !== null && minutes <= withinMinutes };
  });
  return {
    methodId: method.id,
    depthMm,
    curve,
    clockStartMinutes,
    checks,
    passes: checks.every(({ passes }) => passes),
  };
}

/** Depths that are tried, millimetres. Shallower than the first is no pan of food any more. */
const SHALLOWEST_MM = 10;
const DEEPEST_MM = 200;

const DEEPEST = new WeakMap<HeatLimits, Map<CoolingMethod, number | null>>();

/** The greatest depth, in whole millimetres, that cools within the limits; null where even the shallowest does not. */
export function deepestThatPasses(method: CoolingMethod, limits: HeatLimits): number | null {
  const known = DEEPEST.get(limits) ?? new Map<CoolingMethod, number | null>();
  DEEPEST.set(limits, known);
  if (!known.has(method)) known.set(method, findDeepest(method, limits));
  return known.get(method)!;
}

function findDeepest(method: CoolingMethod, limits: HeatLimits): number | null {
  const passes = (depth: number): boolean => coolingOf(depth, method, limits, true).passes;
  if (!passes(SHALLOWEST_MM)) return null;
  let [low, high] = [SHALLOWEST_MM, DEEPEST_MM];
  if (passes(high)) return high;
  while (high - low > 1) {
    const middle = Math.floor((low + high) / 2);
    if (passes(middle)) low = middle;
    else high = middle;
  }
  return low;
}

/** Everything the screen shows of cooling: each method at the depth asked for, and the depth at which it would pass. */
export interface CoolingAnswer {
  methods: { method: CoolingMethod; cooling: Cooling; deepestMm: number | null }[];
}

export function coolingAnswer(depthMm: number, limits: HeatLimits): CoolingAnswer {
  return {
    methods: COOLING_METHODS.map((method) => ({
      method,
      cooling: coolingOf(depthMm, method, limits),
      deepestMm: deepestThatPasses(method, limits),
    })),
  };
}
