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
const FIRST_STEP = 0.05;
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

/** Solves a tridiagonal system in place: `lower`, `diagonal`, `upper`, and the right side, which becomes the answer. */
function solveTridiagonal(
  lower: Float64Array,
  diagonal: Float64Array,
  upper: Float64Array,
  right: Float64Array,
): void {
  const count = right.length;
  const scratch = new Float64Array(count);
  scratch[0] = upper[0]! / diagonal[0]!;
  right[0] = right[0]! / diagonal[0]!;
  for (let at = 1; at < count; at += 1) {
    const pivot = diagonal[at]! - lower[at]! * scratch[at - 1]!;
    scratch[at] = upper[at]! / pivot;
    right[at] = (right[at]! - lower[at]! * right[at - 1]!) / pivot;
  }
  for (let at = count - 2; at >= 0; at -= 1) right[at] = right[at]! - scratch[at]! * right[at + 1]!;
}

/**
 * Temperatures of a slab over time, by finite volumes and the implicit trapezoid (two implicit steps first). Calls back
 * after each step with the time in seconds and the temperatures of the cells from bottom to top; stops when told false.
 */
export function coolSlab(slab: Slab, visit: (seconds: number, cells: Float64Array) => boolean): void {
  const { depthM, diffusivity, conductivity } = slab;
  const width = depthM / CELLS;
  const cells = new Float64Array(CELLS).fill(slab.startCelsius);
  // A face's conductance over the heat a cell holds, per second: half a cell and the film in series.
  const film = (transfer: number): number => {
    const resistance = width / 2 / conductivity + 1 / Math.max(transfer, 1e-9);
    return ((diffusivity / conductivity) * (1 / resistance)) / width;
  };
  const inner = diffusivity / (width * width);
  const bottom = film(slab.bottomTransfer);
  const top = film(slab.topTransfer);
  const lower = new Float64Array(CELLS);
  const diagonal = new Float64Array(CELLS);
  const upper = new Float64Array(CELLS);
  const flow = (at: number): number => {
    const below = at > 0 ? inner * (cells[at - 1]! - cells[at]!) : bottom * (slab.bottomAmbient - cells[at]!);
    const above =
      at < CELLS - 1 ? inner * (cells[at + 1]! - cells[at]!) : top * (slab.topAmbient - cells[at]!);
    return below + above;
  };
  let seconds = 0;
  let step = FIRST_STEP;
  for (let round = 0; ; round += 1) {
    // Implicit at first to swallow the jump at the surface, then half and half for second order.
    const share = round < 4 ? 1 : 0.5;
    const right = new Float64Array(CELLS);
    for (let at = 0; at < CELLS; at += 1) {
      const toBelow = at > 0 ? inner : bottom;
      const toAbove = at < CELLS - 1 ? inner : top;
      lower[at] = at > 0 ? -share * step * inner : 0;
      upper[at] = at < CELLS - 1 ? -share * step * inner : 0;
      diagonal[at] = 1 + share * step * (toBelow + toAbove);
      const ambient =
        (at === 0 ? bottom * slab.bottomAmbient : 0) + (at === CELLS - 1 ? top * slab.topAmbient : 0);
      right[at] = cells[at]! + (1 - share) * step * flow(at) + share * step * ambient;
    }
    solveTridiagonal(lower, diagonal, upper, right);
    cells.set(right);
    seconds += step;
    if (!visit(seconds, cells)) return;
    step = Math.min(LONGEST_STEP, step * STEP_GROWTH);
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

/** How a pan of food of a depth cools, against the limits of a regime. The core is its warmest point. */
export function coolingOf(depthMm: number, method: CoolingMethod, limits: HeatLimits): Cooling {
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
    const isDone = reached.every((each) => each !== null) && seconds / 60 > latest;
    return !isDone && seconds < DAY_SECONDS;
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

/** The greatest depth, in whole millimetres, that cools within the limits; null where even the shallowest does not. */
export function deepestThatPasses(method: CoolingMethod, limits: HeatLimits): number | null {
  const passes = (depth: number): boolean => coolingOf(depth, method, limits).passes;
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
