/** Readings as they are judged: each in or out of its limit, what was done about it, and coolings batch by batch. */
import { HEAT_LIMITS } from '../../batch';
import type { Kitchen } from '../../kitchen';
import { LATE_SECONDS, type Point, type Standing, writtenAt } from '../log';
import { type CoolingWatch, coolingWatch } from './cooling-watch';
import { isWithin, limitOf, readingText } from './limits';

export interface JudgedReading {
  id: string;
  point: Point;
  where: string;
  celsius: number;
  way: 'probe' | 'typed';
  /** When it was measured, milliseconds since 1970, and who wrote it. */
  at: number;
  by: string;
  isSigned: boolean;
  limitWords: string;
  source: string;
  /** `with the others`: a cooling is judged by all its readings. */
  verdict: 'in' | 'out' | 'with the others';
  /** Written down so many minutes after it was measured; 0 where at once. */
  lateMinutes: number;
  /** Why it stands in the place of another; empty where it is as it was first written. */
  correctedBecause: string;
  actions: TakenAction[];
}

export interface TakenAction {
  action: string;
  words: string;
  by: string;
  at: number;
}

const SECOND = 1000;

/** A reading's own moment: when it was measured, by the server's clock. */
export function takenAt({ entry, body }: Standing): number {
  const written = writtenAt(entry);
  if (body.kind !== 'reading' || body.takenAt === null) return written;
  return Math.min(written, Date.parse(body.takenAt) - entry.aheadSeconds * SECOND);
}

/** Every reading of a record, judged, with what was done about it. */
export function judgedReadings(record: readonly Standing[], kitchen: Kitchen): JudgedReading[] {
  const actions = new Map<string, TakenAction[]>();
  for (const { entry, body } of record) {
    if (body.kind !== 'action') continue;
    const done: TakenAction = { action: body.action, words: body.words, by: entry.by, at: writtenAt(entry) };
    actions.set(body.of, [...(actions.get(body.of) ?? []), done]);
  }
  return record.flatMap((each): JudgedReading[] => {
    const { entry, body, corrected } = each;
    if (body.kind !== 'reading') return [];
    const limit = limitOf(body.point, body.where, kitchen);
    const at = takenAt(each);
    const late = (writtenAt(entry) - at) / SECOND;
    return [
      {
        id: entry.id,
        point: body.point,
        where: body.where,
        celsius: body.celsius,
        way: body.way,
        at,
        by: entry.by,
        isSigned: entry.isSigned,
        limitWords: limit?.words ?? 'as all its readings together',
        source: limit?.source ?? '',
        verdict: limit === null ? 'with the others' : isWithin(body.celsius, limit) ? 'in' : 'out',
        lateMinutes: late > LATE_SECONDS ? Math.round(late / 60) : 0,
        correctedBecause: corrected?.body.kind === 'correction' ? corrected.body.reason : '',
        actions: actions.get(entry.id) ?? [],
      },
    ];
  });
}

/** A cooling of a batch: all readings of one place. */
export interface WatchedCooling {
  where: string;
  watch: CoolingWatch;
  /** Ids of its readings, first to last. */
  readingIds: string[];
  actions: TakenAction[];
}

/** What was heated up again by this much is a new cooling, °C (convention; a probe moved in the pot reads other by a few). */
const HEATED_BY_CELSIUS = 5;

/** Readings of one place, cut where it was heated up again. */
function turnsOf(readings: readonly JudgedReading[], startCelsius: number): JudgedReading[][] {
  const turns: JudgedReading[][] = [];
  for (const reading of readings) {
    const before = turns.at(-1)?.at(-1);
    const isNew =
      before && reading.celsius >= startCelsius && reading.celsius > before.celsius + HEATED_BY_CELSIUS;
    if (!before || isNew) turns.push([reading]);
    else turns.at(-1)!.push(reading);
  }
  return turns;
}

/** The coolings of a record, place by place and turn by turn. A batch that was split into pans is cooled pan by pan. */
export function coolingsOf(
  readings: readonly JudgedReading[],
  offHeatAt: number | null,
  kitchen: Kitchen,
  now: number,
): WatchedCooling[] {
  const places = new Map<string, JudgedReading[]>();
  for (const each of readings)
    if (each.point === 'cooling') places.set(each.where, [...(places.get(each.where) ?? []), each]);
  const { coolingStartCelsius } = HEAT_LIMITS[kitchen.regime];
  return [...places].flatMap(([where, own]) => {
    const turns = turnsOf(
      own.sort((one, other) => one.at - other.at),
      coolingStartCelsius,
    );
    return turns.flatMap((turn, index): WatchedCooling[] => {
      // A turn ends where the next begins: what was still open then was not missed.
      const end = turns[index + 1]?.[0]?.at ?? now;
      const watch = coolingWatch(turn, index === 0 ? offHeatAt : null, kitchen, end);
      if (watch === null) return [];
      return [
        {
          where,
          watch,
          readingIds: turn.map(({ id }) => id),
          actions: turn.flatMap(({ actions }) => actions),
        },
      ];
    });
  });
}

/** Something that is wrong and that nobody has answered for yet. */
export interface OpenBreach {
  /** The reading that an action answers. */
  of: string;
  words: string;
}

/** Readings out of their limit, and coolings that fail, that no corrective action answers. */
export function openBreaches(
  readings: readonly JudgedReading[],
  coolings: readonly WatchedCooling[],
): OpenBreach[] {
  const out = readings
    .filter(({ verdict, actions }) => verdict === 'out' && actions.length === 0)
    .map(({ id, where, celsius, limitWords, point }): OpenBreach => ({
      of: id,
      words: `${where || point}: ${readingText(celsius)}, ${limitWords}`,
    }));
  const failing = coolings
    .filter(({ watch, readingIds, actions }) => {
      if (watch.standing === 'kept' || watch.standing === 'open') return false;
      // What was done while it was only going to fail does not answer for its failing.
      const over = watch.stages.filter(({ standing }) => standing === 'failed' || standing === 'missing');
      const since = over.length > 0 ? Math.min(...over.map(({ until }) => until)) : -Infinity;
      return readingIds.length > 0 && !actions.some(({ at }) => at >= since);
    })
    .map(({ where, watch, readingIds }): OpenBreach => ({
      of: readingIds.at(-1)!,
      words: `Cooling${where === '' ? '' : `, ${where}`}: ${watch.words}`,
    }));
  return [...out, ...failing];
}
