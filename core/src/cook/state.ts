/** Where a batch stands: worked out of its record and a clock, the same on every screen. */
import { HEAT_LIMITS } from '../batch';
import type { AllergenStatus } from '../food';
import { TOLD_WITH_ANOTHER } from '../food';
import type { Kitchen } from '../kitchen';
import { gramsText } from '../quantity';
import type { Worksheet } from '../worksheet';
import {
  cookedSheet,
  finishedGramsOf,
  isRecordedPack,
  leftOverGramsOf,
  thrownAwayGramsOf,
} from './as-cooked';
import {
  CLOCK_OFF_SECONDS,
  type KeptEntry,
  LATE_SECONDS,
  type Point,
  type Score,
  type Standing,
  standing,
  writtenAt,
} from './log';
import { groundOfBatch, type OpenedBatch } from './opened';
import { brokenClaims } from './outlook';
import {
  coolingsOf,
  type JudgedReading,
  judgedReadings,
  type OpenBreach,
  openBreaches,
  takenAt,
  type WatchedCooling,
} from './points';
import { type PutIn, putIn } from './put-in';
import { type Ask, asksOf } from './said';
import { batchLoads } from './slips';
import { type Timer, timersAt } from './timers';

export type Phase = 'opened' | 'cooking' | 'finished' | 'closed';

export interface ClaimStanding {
  id: string;
  name: string;
  isKept: boolean;
}

export interface BatchState {
  phase: Phase;
  /** Why nothing of it may go out as it is, one sentence each; empty where nothing stands against it. */
  check: string[];
  /** Those of them that a person can answer for by name. */
  asks: Ask[];
  claim: ClaimStanding[];
  /** Of a free-from batch: whether somebody saw that the equipment was clean; null where nobody has said. */
  isClean: boolean | null;
  loads: number;
  puts: PutIn[];
  /** Steps that are done, load by load. */
  done: { stepId: string; load: number }[];
  timers: Timer[];
  readings: JudgedReading[];
  coolings: WatchedCooling[];
  breaches: OpenBreach[];
  finishedGrams: number | null;
  portions: number | null;
  leftOverGrams: number | null;
  thrownAwayGrams: number | null;
  thrownAway: { grams: number; reason: string }[];
  verdicts: { by: string; scores: Readonly<Partial<Record<Score, number>>>; words: string }[];
  /** Lines of which nobody wrote down whether they went in. */
  notWritten: string[];
  /** What the record lacks, in words. */
  missing: string[];
  /** What must be known of the clocks and of what came late. */
  clocks: string[];
  /** Allergens as they stand by what went in, those not clear. */
  flags: { id: string; name: string; status: AllergenStatus; kinds: readonly string[] }[];
}

/** How far a batch is, by its record. */
export function phaseOf(record: readonly Standing[]): Phase {
  const kinds = new Set(record.map(({ body }) => body.kind));
  if (kinds.has('closed')) return 'closed';
  if (kinds.has('finished')) return 'finished';
  return record.length > 0 ? 'cooking' : 'opened';
}

/** When it was last known to be hot: a step that heats was done, or a reading said so. */
function offHeat(
  record: readonly Standing[],
  heated: ReadonlySet<string>,
  { regime }: Pick<Kitchen, 'regime'>,
): number | null {
  const { coolingStartCelsius } = HEAT_LIMITS[regime];
  const moments = record.flatMap((each) => {
    const { entry, body } = each;
    if (body.kind === 'step-done') return heated.has(body.stepId) ? [writtenAt(entry)] : [];
    const isHot =
      body.kind === 'reading' && HOT_POINTS.has(body.point) && body.celsius >= coolingStartCelsius;
    return isHot ? [takenAt(each)] : [];
  });
  return moments.length > 0 ? Math.max(...moments) : null;
}
const HOT_POINTS: ReadonlySet<Point> = new Set<Point>(['core', 'reheat', 'hot-hold']);

/** What is said of clocks that were off and of entries that came long after they were written. */
export function clockNotes(entries: readonly KeptEntry[]): string[] {
  const worst = new Map<string, number>();
  const late = new Map<string, number>();
  for (const { device, aheadSeconds, receivedAt, at } of entries) {
    if (Math.abs(aheadSeconds) > Math.abs(worst.get(device) ?? CLOCK_OFF_SECONDS))
      worst.set(device, aheadSeconds);
    const waited = receivedAt === null ? 0 : (Date.parse(receivedAt) - Date.parse(at)) / 1000 + aheadSeconds;
    if (waited > LATE_SECONDS) late.set(device, (late.get(device) ?? 0) + 1);
  }
  const named = (device: string): string => (device === '' ? 'A device' : `Tablet ${device.slice(0, 8)}`);
  return [
    ...[...worst].map(
      ([device, seconds]) =>
        `${named(device)}: its clock was ${Math.round(Math.abs(seconds) / 60)} min ${seconds > 0 ? 'ahead' : 'behind'}; its times are corrected by that.`,
    ),
    ...[...late].map(
      ([device, count]) =>
        `${named(device)}: ${count} ${count === 1 ? 'entry was' : 'entries were'} kept on it and came later.`,
    ),
  ];
}

/** So much more than what was written went in, and something was not written; share of it (convention). */
const MORE_THAN_IN = 0.02;

function missingOf(
  opened: OpenedBatch,
  planned: Worksheet,
  sheet: Worksheet,
  readings: readonly JudgedReading[],
  record: readonly Standing[],
): string[] {
  const has = (point: JudgedReading['point']): boolean => readings.some((each) => each.point === point);
  const kinds = new Set(record.map(({ body }) => body.kind));
  const isHeated = planned.times.some(({ coreCelsius }) => coreCelsius !== null);
  const leftOver = leftOverGramsOf(record) ?? 0;
  const { putInGrams, lostGrams } = sheet.massBalance;
  const isWeighed = finishedGramsOf(record) !== null;
  return [
    ...(isWeighed && lostGrams < -MORE_THAN_IN * putInGrams
      ? [
          `It weighs ${gramsText(-lostGrams)} more than what was written down can: weigh again, or something is not written.`,
        ]
      : []),
    ...(isHeated && !has('core') ? ['No core temperature was measured.'] : []),
    ...(isHeated && leftOver > 0 && !has('cooling')
      ? ['It was kept, and its cooling was not measured.']
      : []),
    ...(kinds.has('finished') ? [] : ['The finished weight was not weighed.']),
    ...(kinds.has('portioned') ? [] : ['Nobody counted the portions.']),
    ...(opened.claim.length > 0 && !record.some(({ body }) => body.kind === 'begun' && body.isClean)
      ? ['Nobody wrote down that the equipment was clean.']
      : []),
  ];
}

/** Why a batch stands at check: what is in it that nobody has looked at, and what it was to be free from. */
function checkReasons(
  ground: ReturnType<typeof groundOfBatch>,
  record: readonly Standing[],
  sheet: Worksheet,
  asks: readonly Ask[],
): string[] {
  const { opened, book } = ground;
  const packs = record.flatMap(({ body }) =>
    body.kind === 'pack' && !isRecordedPack(opened.inputs.kitchen, body, book)
      ? [
          `"${body.product}" is not the recorded pack of ${book.foods.foods.get(body.foodId)?.name ?? body.foodId}: read it.`,
        ]
      : [],
  );
  const broken = brokenClaims(sheet, opened).map(
    (name) => `It is to be free from ${name.toLowerCase()} and is not known to be.`,
  );
  return [...new Set([...packs, ...asks.map(({ words }) => words), ...broken])];
}

/** The state of a batch at a moment, milliseconds since 1970. */
export function batchState(
  opening: OpenedBatch,
  entries: readonly KeptEntry[],
  now: number,
  sheet: Worksheet = cookedSheet(opening, standing(entries)),
): BatchState {
  const ground = groundOfBatch(opening);
  const { opened, planned, steps } = ground;
  const record = standing(entries);
  const { kitchen } = opened.inputs;
  const puts = putIn(planned.lines, record);
  const readings = judgedReadings(record, kitchen);
  const heated = new Set(
    planned.times.flatMap(({ coreCelsius, stepId }) => (coreCelsius === null ? [] : [stepId])),
  );
  const coolings = coolingsOf(readings, offHeat(record, heated, kitchen), kitchen, now);
  const technique = new Set(planned.lines.flatMap(({ id, technique: kind }) => (kind ? [id] : [])));
  const notWritten = puts.filter(({ standing: how, lineId }) => how === 'not in' && !technique.has(lineId));
  const begun = record.flatMap(({ body }) => (body.kind === 'begun' ? [body.isClean] : [])).at(-1);
  const portioned = record.flatMap(({ body }) => (body.kind === 'portioned' ? [body.portions] : []));
  const broken = new Set(brokenClaims(sheet, opened));
  const asks = asksOf(opening, record);
  const flags = [...sheet.allergens, ...sheet.standards];
  return {
    phase: phaseOf(record),
    check: checkReasons(ground, record, sheet, asks),
    asks,
    claim: opened.claim.map((id) => {
      const name = flags.find((flag) => flag.id === id)?.name ?? id;
      return { id, name, isKept: !broken.has(name) };
    }),
    isClean: begun ?? null,
    loads: batchLoads(ground),
    puts,
    done: record.flatMap(({ body }) =>
      body.kind === 'step-done' && steps.some(({ id }) => id === body.stepId)
        ? [{ stepId: body.stepId, load: body.load }]
        : [],
    ),
    timers: timersAt(opened.code, record, now),
    readings,
    coolings,
    breaches: openBreaches(readings, coolings),
    finishedGrams: finishedGramsOf(record),
    portions: portioned.length > 0 ? portioned.reduce((sum, each) => sum + each, 0) : null,
    leftOverGrams: leftOverGramsOf(record),
    thrownAwayGrams: thrownAwayGramsOf(record),
    thrownAway: record.flatMap(({ body }) =>
      body.kind === 'thrown-away' ? [{ grams: body.grams, reason: body.reason }] : [],
    ),
    verdicts: record.flatMap(({ entry, body }) =>
      body.kind === 'verdict' ? [{ by: entry.by, scores: body.scores, words: body.words }] : [],
    ),
    notWritten: [
      ...new Set(notWritten.map(({ lineId }) => planned.lines.find(({ id }) => id === lineId)!.name)),
    ],
    missing: missingOf(opened, planned, sheet, readings, record),
    clocks: clockNotes(entries),
    flags: flags
      .filter(({ status, id }) => status !== 'clear' && !TOLD_WITH_ANOTHER.has(id))
      .map(({ id, name, status, kinds }) => ({ id, name, status, kinds })),
  };
}
