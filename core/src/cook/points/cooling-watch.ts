/**
 * A cooling as it is measured: each stage of the law held against the readings, and where it will end if it goes on so. A stage
 * is kept only where a reading in time says so: what nobody measured is missing, not kept.
 */
import { HEAT_LIMITS } from '../../batch';
import type { Kitchen } from '../../kitchen';
import { figureText } from '../../quantity';

/** A core temperature at a moment, milliseconds since 1970. */
export interface CoolingReading {
  at: number;
  celsius: number;
}

/** How a stage stands: kept, still open, open and going to fail, failed by a reading, or its time is over without one. */
export type CoolingStanding = 'kept' | 'open' | 'will fail' | 'failed' | 'missing';

export interface CoolingStage {
  toCelsius: number;
  withinMinutes: number;
  /** The moment until which it must be reached. */
  until: number;
  /** When it is reached if it goes on so; null where two readings do not say. */
  forecast: number | null;
  standing: CoolingStanding;
}

export interface CoolingWatch {
  readings: CoolingReading[];
  /** The moment from which the law counts. */
  startedAt: number;
  stages: CoolingStage[];
  standing: CoolingStanding;
  /** "At this rate 21 °C at 15:10, 25 min too late: split it into shallow pans." */
  words: string;
  /** When to measure next; null where all is said. */
  nextAt: number | null;
}

/** The air or ice around the food, °C: a warmer guess tells of a failure sooner (convention). */
export const AROUND_CELSIUS = 3;
/** Readings of a cooling are taken at least so often, minutes (convention). */
export const MOST_APART_MINUTES = 30;
const MINUTE = 60_000;

/** The moment the core passed a temperature between two readings, as heat leaves: in proportion to what is above the surroundings. */
function passed(one: CoolingReading, other: CoolingReading, celsius: number): number {
  const above = (each: number): number => Math.max(0.1, each - AROUND_CELSIUS);
  const all = Math.log(above(one.celsius) / above(other.celsius));
  const part = Math.log(above(one.celsius) / above(celsius));
  return all > 0 ? one.at + (part / all) * (other.at - one.at) : other.at;
}

/** When the clock of the law starts: where the core fell to the limit; at the first reading where that was below it already. */
function startOf(
  readings: readonly CoolingReading[],
  offHeatAt: number | null,
  startCelsius: number,
): number | null {
  const [first] = readings;
  if (!first) return offHeatAt;
  // Nobody saw it fall through: it may have been cooling since it left the heat.
  if (first.celsius <= startCelsius) return Math.min(first.at, offHeatAt ?? first.at);
  for (let at = 1; at < readings.length; at += 1)
    if (readings[at]!.celsius <= startCelsius) return passed(readings[at - 1]!, readings[at]!, startCelsius);
  return null;
}

/** When the core reaches a temperature by its last two readings; null where they do not say, Infinity where it does not fall. */
function forecastOf(readings: readonly CoolingReading[], celsius: number): number | null {
  const last = readings.at(-1);
  const before = readings.at(-2);
  if (!last || !before || last.at <= before.at) return null;
  if (last.celsius >= before.celsius || celsius <= AROUND_CELSIUS) return Infinity;
  const rate =
    Math.log((before.celsius - AROUND_CELSIUS) / Math.max(0.1, last.celsius - AROUND_CELSIUS)) /
    (last.at - before.at);
  return last.at + Math.log((last.celsius - AROUND_CELSIUS) / (celsius - AROUND_CELSIUS)) / rate;
}

const WORST: readonly CoolingStanding[] = ['failed', 'missing', 'will fail', 'open', 'kept'];
const worstOf = (stages: readonly CoolingStage[]): CoolingStanding =>
  WORST.find((each) => stages.some(({ standing }) => standing === each)) ?? 'open';

const minutesText = (milliseconds: number): string => `${Math.max(1, Math.round(milliseconds / MINUTE))} min`;

function wordsOf(stages: readonly CoolingStage[], now: number): string {
  const stage = WORST.flatMap((each) => stages.filter(({ standing }) => standing === each))[0]!;
  const to = `${figureText(stage.toCelsius, 0)} °C`;
  switch (stage.standing) {
    case 'failed':
      return `It was not at ${to} in time: throw it away, or as the law lets you, reheat it once and start again. Ask who is in charge.`;
    case 'missing':
      return `Nobody measured whether it was at ${to} in time. What is not known does not count as kept.`;
    case 'will fail':
      return stage.forecast === Infinity || stage.forecast === null
        ? `It no longer falls and will not be at ${to} in time: split it into shallow pans, on ice, stir.`
        : `At this rate ${to} comes ${minutesText(stage.forecast - stage.until)} too late: split it into shallow pans, on ice, stir.`;
    case 'open':
      return `${to} within ${minutesText(stage.until - now)}.`;
    case 'kept':
      return 'Cooled in time.';
  }
}

/**
 * Where a cooling stands at a moment.
 * @param readings of the core, any order
 * @param offHeatAt when it left the heat, where that is known
 * @returns null while it has not begun: the core is above where the law's clock starts
 */
export function coolingWatch(
  readings: readonly CoolingReading[],
  offHeatAt: number | null,
  { regime }: Pick<Kitchen, 'regime'>,
  now: number,
): CoolingWatch | null {
  const limits = HEAT_LIMITS[regime];
  const sorted = [...readings].sort((one, other) => one.at - other.at);
  const startedAt = startOf(sorted, offHeatAt, limits.coolingStartCelsius);
  if (startedAt === null || sorted.length === 0) return null;
  const stages = limits.cooling.map(({ toCelsius, withinMinutes }): CoolingStage => {
    const until = startedAt + withinMinutes * MINUTE;
    const reached = sorted.find(({ celsius }) => celsius <= toCelsius);
    const forecast = reached ? reached.at : forecastOf(sorted, toCelsius);
    const lateAndWarm = sorted.some(({ at, celsius }) => at >= until && celsius > toCelsius);
    const standing: CoolingStanding =
      reached && reached.at <= until
        ? 'kept'
        : lateAndWarm
          ? 'failed'
          : now > until
            ? 'missing'
            : forecast !== null && forecast > until
              ? 'will fail'
              : 'open';
    return { toCelsius, withinMinutes, until, forecast, standing };
  });
  const worst = worstOf(stages);
  const open = stages.filter(({ standing }) => standing === 'open' || standing === 'will fail');
  const last = sorted.at(-1)!;
  return {
    readings: sorted,
    startedAt,
    stages,
    standing: worst,
    words: wordsOf(stages, now),
    nextAt:
      open.length === 0
        ? null
        : Math.min(last.at + MOST_APART_MINUTES * MINUTE, ...open.map(({ until }) => until)),
  };
}
