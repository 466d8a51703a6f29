/** What of a batch waits for a person's word: a lot that is not what the line asks for, words that name what no entry says. */
import { isTelling, mentionsOf } from '../audit';
import { inSentence } from '../food';
import { lotFrom } from '../lot';
import { cookedInput } from './as-cooked';
import { answersOf, type Standing, wordsAtStove } from './log';
import { groundOfBatch, type OpenedBatch } from './opened';

export interface Ask {
  /** The entry; null where an answer settles nothing, and the entry itself must be corrected. */
  of: string | null;
  words: string;
}

/** Words written at the stove that name what is in no entry, and that nobody has answered for. */
function wordAsks(opening: OpenedBatch, record: readonly Standing[]): Ask[] {
  const said = wordsAtStove(record);
  if (said.length === 0) return [];
  const { recipe, kitchen, book } = cookedInput(opening, record);
  const open = mentionsOf(recipe, book, kitchen).filter(isTelling);
  const answered = answersOf(record);
  return said.flatMap(({ entryId, words }): Ask[] => {
    if (answered.has(entryId)) return [];
    const names = new Set(open.flatMap(({ place, text }) => (place.text === words ? [`"${text}"`] : [])));
    return names.size === 0
      ? []
      : [{ of: entryId, words: `A note names ${[...names].join(', ')}, and no entry says that it went in.` }];
  });
}

/** What went in from somewhere and is not what the line asks for, or was past its day. */
function lotAsks(opening: OpenedBatch, record: readonly Standing[]): Ask[] {
  const { opened, planned } = groundOfBatch(opening);
  const answered = answersOf(record);
  return record.flatMap(({ entry, body }): Ask[] => {
    if (body.kind !== 'weighed' || body.from.trim() === '') return [];
    const lot = lotFrom(body.from, opened.lots);
    const line = planned.lines.find(({ id }) => id === body.lineId);
    if (!lot || !line) return [];
    const name = inSentence(line.name);
    if (!lot.isKnown)
      return [
        { of: null, words: `Nobody knows what "${body.from}" is: it went in as ${name}. Correct the entry.` },
      ];
    if (answered.has(entry.id)) return [];
    const isWhatIsAsked =
      lot.foodId === line.foodId || (lot.recipeId !== null && lot.recipeId === line.componentId);
    const isPast = lot.useBy !== null && lot.useBy < opened.madeOn;
    return [
      ...(isWhatIsAsked ? [] : [`${lot.name} went in as ${name}, and is something else.`]),
      ...(isPast ? [`${lot.name} was past its day, ${lot.useBy}, when it went in.`] : []),
    ].map((words) => ({ of: entry.id, words }));
  });
}

export const asksOf = (opening: OpenedBatch, record: readonly Standing[]): Ask[] => [
  ...lotAsks(opening, record),
  ...wordAsks(opening, record),
];
