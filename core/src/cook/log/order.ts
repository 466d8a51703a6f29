/** The order in which entries of several devices happened, and which of them still count. */
import type { EntryBody, KeptEntry } from './entry';

/** When an entry was written by the server's clock, milliseconds since 1970. */
export const writtenAt = ({ at, aheadSeconds }: Pick<KeptEntry, 'at' | 'aheadSeconds'>): number =>
  Date.parse(at) - aheadSeconds * 1000;

/**
 * Entries in the order in which they happened: each device's own order always holds, whatever became of its clock; between
 * devices the corrected times decide, then their names. The same entries in any order give the same list.
 */
export function inOrderWritten(entries: readonly KeptEntry[]): KeptEntry[] {
  const devices = new Map<string, KeptEntry[]>();
  for (const entry of entries) {
    const own = devices.get(entry.device);
    if (own) own.push(entry);
    else devices.set(entry.device, [entry]);
  }
  const timed = [...devices].flatMap(([device, own]) => {
    let latest = -Infinity;
    return own
      .sort(
        (one, other) =>
          one.order - other.order || writtenAt(one) - writtenAt(other) || (one.id < other.id ? -1 : 1),
      )
      .map((entry, place) => {
        latest = Math.max(latest, writtenAt(entry));
        return { entry, time: latest, device, place };
      });
  });
  timed.sort(
    (one, other) =>
      one.time - other.time ||
      (one.device < other.device ? -1 : one.device > other.device ? 1 : one.place - other.place),
  );
  return timed.map(({ entry }) => entry);
}

/** An entry that counts, as it counts: itself, or what a correction put in its place. */
export interface Standing {
  entry: KeptEntry;
  body: Exclude<EntryBody, { kind: 'correction' }>;
  /** The correction that changed it, where one did. */
  corrected: KeptEntry | null;
}

/** What counts of a record, in order. Of several corrections of one entry the last one holds. */
export function standing(entries: readonly KeptEntry[]): Standing[] {
  const ordered = inOrderWritten(entries);
  const corrections = new Map<string, { entry: KeptEntry; instead: EntryBody | null }>();
  for (const entry of ordered)
    if (entry.body.kind === 'correction')
      corrections.set(entry.body.of, { entry, instead: entry.body.instead });
  return ordered.flatMap((entry): Standing[] => {
    if (entry.body.kind === 'correction') return [];
    const corrected = corrections.get(entry.id);
    if (!corrected) return [{ entry, body: entry.body, corrected: null }];
    const { instead } = corrected;
    return instead === null || instead.kind === 'correction'
      ? []
      : [{ entry, body: instead, corrected: corrected.entry }];
  });
}
