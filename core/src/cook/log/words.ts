/** What a record says in words, and who stands for what. */
import { type Standing, writtenAt } from './order';

/** Words that were written down at the stove, each entry's own. */
export const wordsAtStove = (record: readonly Standing[]): { entryId: string; words: string }[] =>
  record.flatMap(({ entry, body }) => {
    const words =
      body.kind === 'note' || body.kind === 'tasted' || body.kind === 'verdict'
        ? body.words
        : body.kind === 'action'
          ? `${body.action}. ${body.words}`
          : '';
    return words.trim() === '' ? [] : [{ entryId: entry.id, words }];
  });

/**
 * Entries that somebody stands for by name, with who. An answer that nobody signed counts for nothing, and neither does one that
 * somebody else changed, or one whose entry was changed after it was given: it was of other words.
 */
export function answersOf(record: readonly Standing[]): ReadonlyMap<string, string> {
  const changed = new Map(
    record.flatMap(({ entry, corrected }) => (corrected ? [[entry.id, corrected] as const] : [])),
  );
  return new Map(
    record.flatMap(({ entry, body, corrected }) => {
      if (body.kind !== 'answered' || corrected !== null || !entry.isSigned) return [];
      const later = changed.get(body.of);
      return later && writtenAt(later) >= writtenAt(entry) ? [] : [[body.of, entry.by] as const];
    }),
  );
}
