/** What a record says in words, and who stands for what. */
import type { Standing } from './order';

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

/** Entries that somebody stands for by name, with who; an answer that nobody signed counts for nothing. */
export const answersOf = (record: readonly Standing[]): ReadonlyMap<string, string> =>
  new Map(
    record.flatMap(({ entry, body }) =>
      body.kind === 'answered' && entry.isSigned ? [[body.of, entry.by] as const] : [],
    ),
  );
