/** What of entries that are sent is taken in: each once, each in its place, and never one that says nothing that can be. */
import { DAY_KINDS, type Entry, type EntryBody } from './entry';

/** What entries may speak of. */
export interface Scope {
  /** Ids of the lines with how many loads each is weighed in, and of the steps; null for the log of a day. */
  batch: { lines: ReadonlyMap<string, number>; stepIds: ReadonlySet<string>; loads: number } | null;
  isFood: (foodId: string) => boolean;
}

export interface Merged {
  /** To be written down, in the order they came. */
  added: Entry[];
  /** Ids that are in the record now, those that were there already too. */
  accepted: string[];
  refused: { id: string; reason: string }[];
}

/** Two entries that say the same, whatever order their fields stand in. */
const isSame = (one: Entry, other: Entry): boolean =>
  said(one.body) === said(other.body) && one.at === other.at;

function said(value: unknown): string {
  if (Array.isArray(value)) return `[${value.map(said).join()}]`;
  if (typeof value !== 'object' || value === null) return JSON.stringify(value);
  const fields = Object.entries(value as Record<string, unknown>).sort(([one], [other]) =>
    one < other ? -1 : 1,
  );
  return `{${fields.map(([name, each]) => `${name}:${said(each)}`).join()}}`;
}

/** Why an entry cannot be; empty where it can. */
function problemOf(body: EntryBody, scope: Scope, known: ReadonlyMap<string, Entry>): string {
  const { batch } = scope;
  if (batch === null && !DAY_KINDS.has(body.kind)) return `"${body.kind}" is said of a batch, not of a day`;
  // What went in is a fact: a food nobody knows is written down, and to be checked for everything.
  if (body.kind === 'pack' && !scope.isFood(body.foodId)) return `there is no food "${body.foodId}"`;
  if (batch) {
    if ('lineId' in body) {
      const loads = batch.lines.get(body.lineId);
      if (loads === undefined) return `this batch has no line "${body.lineId}"`;
      if (body.load > Math.max(1, loads))
        return `that line has ${Math.max(1, loads)} loads, not ${body.load}`;
    } else if ('load' in body && body.load > batch.loads)
      return `this batch has ${batch.loads} loads, not ${body.load}`;
    if ('stepId' in body && body.stepId !== '' && !batch.stepIds.has(body.stepId))
      return `this batch has no step "${body.stepId}"`;
  }
  if (body.kind === 'correction') {
    const of = known.get(body.of);
    if (!of) return `there is no entry "${body.of}" to correct`;
    if (of.body.kind === 'correction') return 'a correction is not corrected: correct the entry itself again';
    if (body.instead === null) return '';
    if (body.instead.kind !== of.body.kind)
      return `it was "${of.body.kind}" and cannot become "${body.instead.kind}"`;
    return problemOf(body.instead, scope, known);
  }
  if (body.kind === 'action' && !known.has(body.of)) return `there is no reading "${body.of}"`;
  if (body.kind === 'answered' && !known.has(body.of)) return `there is no entry "${body.of}" to answer for`;
  return '';
}

/** Takes entries in, one by one: what was sent before counts once, and one that cannot be stops no other. */
export function merge(sent: readonly Entry[], kept: readonly Entry[], scope: Scope): Merged {
  const known = new Map<string, Entry>(kept.map((entry) => [entry.id, entry]));
  const merged: Merged = { added: [], accepted: [], refused: [] };
  for (const entry of sent) {
    const before = known.get(entry.id);
    if (before) {
      if (isSame(before, entry)) merged.accepted.push(entry.id);
      else
        merged.refused.push({ id: entry.id, reason: 'another entry has this id: entries are not changed' });
      continue;
    }
    const reason = problemOf(entry.body, scope, known);
    if (reason !== '') {
      merged.refused.push({ id: entry.id, reason });
      continue;
    }
    known.set(entry.id, entry);
    merged.added.push(entry);
    merged.accepted.push(entry.id);
  }
  return merged;
}
