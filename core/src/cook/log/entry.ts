/**
 * The record of a batch: entries that are only added, each with an id made where it was written. A correction is an entry too.
 * Doing it is writing it: everything known of the batch that was cooked is worked out from these.
 */

/** Where a figure came from. */
export const WAYS = ['scale', 'typed'] as const;
export type Way = (typeof WAYS)[number];

/** Why something went in that the recipe does not ask for. */
export const ADDED_BECAUSE = ['water', 'to thicken', 'to mend', 'wrong bowl', 'other'] as const;
export type AddedBecause = (typeof ADDED_BECAUSE)[number];

export const TASTES = ['too thin', 'too thick', 'too salty', 'flat', 'right'] as const;
export type Taste = (typeof TASTES)[number];

/** What is measured: the critical points of a kitchen, and the probe itself. */
export const POINTS = [
  'receiving',
  'cold-hold',
  'core',
  'hot-hold',
  'cooling',
  'reheat',
  'oil',
  'delivery',
  'probe',
] as const;
export type Point = (typeof POINTS)[number];

export const SCORES = ['taste', 'texture', 'look', 'salt'] as const;
export type Score = (typeof SCORES)[number];

/** Loads are counted from 1; a line that is weighed once for the whole batch stands in load 1. */
interface OfLoad {
  load: number;
}
interface OfLine extends OfLoad {
  lineId: string;
  grams: number;
}

export type EntryBody =
  /** The batch is begun; of a free-from batch, whether the equipment was seen to be clean. */
  | { kind: 'begun'; isClean: boolean }
  /** Put in by weight. `from` is the batch or the thing in store it came of. */
  | ({ kind: 'weighed'; way: Way; isAfterTasting: boolean; from: string } & OfLine)
  /** Something the list does not have. */
  | ({
      kind: 'added';
      foodId: string;
      grams: number;
      way: Way;
      because: AddedBecause;
      stepId: string;
    } & OfLoad)
  /** Another food in the place of a line's. */
  | ({ kind: 'substituted'; foodId: string; way: Way } & OfLine)
  /** So much of a line went into another bowl and not here: of another batch by its code, or of this one where it is empty. */
  | ({ kind: 'misplaced'; into: string } & OfLine)
  | ({ kind: 'dropped' } & OfLine)
  | ({ kind: 'left-out'; lineId: string } & OfLoad)
  /** A line goes in with a later step than its own. */
  | ({ kind: 'later'; lineId: string; stepId: string } & OfLoad)
  | ({ kind: 'step-done'; stepId: string } & OfLoad)
  /** The pack that was opened, as scanned or typed. */
  | { kind: 'pack'; foodId: string; product: string; lot: string; supplier: string }
  | { kind: 'tasted'; taste: Taste; words: string }
  | ({
      kind: 'timer-started';
      timer: string;
      name: string;
      minutes: number;
      everyMinutes: number | null;
      stepId: string;
    } & OfLoad)
  | { kind: 'timer-answered'; timer: string }
  | { kind: 'timer-stopped'; timer: string }
  /** A measured temperature. `takenAt` says when, where it is written down later. */
  | {
      kind: 'reading';
      point: Point;
      where: string;
      celsius: number;
      way: 'probe' | 'typed';
      takenAt: string | null;
    }
  /** What was done about a reading, by its id, or about a cooling that will fail. */
  | { kind: 'action'; of: string; action: string; words: string }
  | { kind: 'finished'; grams: number; way: Way }
  | { kind: 'portioned'; portions: number; portionGrams: number | null }
  | { kind: 'left-over'; grams: number; way: Way }
  | { kind: 'thrown-away'; grams: number; reason: string }
  | { kind: 'verdict'; scores: Readonly<Partial<Record<Score, number>>>; words: string }
  | { kind: 'note'; words: string }
  /** A person stands for what an entry left open: that what its words name is not in it, or that a lot may be what it is. It counts signed. */
  | { kind: 'answered'; of: string; words: string }
  | { kind: 'closed' }
  /** An entry was wrong: it no longer counts, and `instead`, of the same kind, does. */
  | { kind: 'correction'; of: string; reason: string; instead: EntryBody | null };

export type EntryKind = EntryBody['kind'];
export const ENTRY_KINDS = [
  'begun',
  'weighed',
  'added',
  'substituted',
  'misplaced',
  'dropped',
  'left-out',
  'later',
  'step-done',
  'pack',
  'tasted',
  'timer-started',
  'timer-answered',
  'timer-stopped',
  'reading',
  'action',
  'finished',
  'portioned',
  'left-over',
  'thrown-away',
  'verdict',
  'note',
  'answered',
  'closed',
  'correction',
] as const satisfies readonly EntryKind[];

/** Kinds that may stand in the log of a day, which is of no batch. */
export const DAY_KINDS: ReadonlySet<EntryKind> = new Set<EntryKind>([
  'reading',
  'action',
  'note',
  'correction',
]);

/** An entry as it is written at the stove. */
export interface Entry {
  /** Made by who writes it: sent twice, it counts once. */
  id: string;
  /** By the clock of the device it was written on, ISO instant. */
  at: string;
  /** Who, as they call themselves. */
  by: string;
  /** The device, and the place of the entry among all that it wrote: its order holds whatever its clock does. */
  device: string;
  order: number;
  body: EntryBody;
}

/** An entry as it is kept. */
export interface KeptEntry extends Entry {
  /** When it came to the server, ISO instant; null while only the device has it. */
  receivedAt: string | null;
  /** How far the clock of its device was ahead of the server's when it was sent, seconds; below zero behind. */
  aheadSeconds: number;
  /** It was signed with the PIN or account of a person of that name. */
  isSigned: boolean;
}

/** A clock that is off by more than this is told, seconds (convention). */
export const CLOCK_OFF_SECONDS = 120;
/** An entry that reaches the server so much after it was written was kept on the device meanwhile, seconds. */
export const LATE_SECONDS = 300;
