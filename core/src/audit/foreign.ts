/** Words of other languages in a recipe, by the stems of the dictionary. */
import { stemAt, type StemFound, tonguesOf, type WordLanguage } from '../allergen';
import type { Entry } from './lexicon';
import type { Token } from './tokens';

/** Languages of the sentence a word stands in; none where it is in English. */
export function tonguesAt(tokens: readonly Token[], at: number): ReadonlySet<WordLanguage> {
  let from = at;
  while (from > 0 && tokens[from]!.gap !== 'stop') from -= 1;
  let to = at + 1;
  while (to < tokens.length && tokens[to]!.gap !== 'stop') to += 1;
  return tonguesOf(tokens.slice(from, to).map(({ word }) => word));
}

const MOST_WORDS = 4;
const LEAST_LETTERS = 2;

const entryOfStem = ({ length, meaning }: StemFound, words: readonly string[]): Entry => ({
  key: words.slice(0, length).join(' '),
  meaning: { ...meaning, reach: 'anywhere' },
  foodIds: [],
  own: 0,
});

/**
 * What stands at a place in another language, and after which token it ends.
 * @param isKnown the word has a meaning of its own there, and is left alone
 * @param tongues the languages of its sentence; null for any
 */
export function foreignAt(
  tokens: readonly Token[],
  at: number,
  isKnown: boolean,
  tongues: ReadonlySet<WordLanguage> | null,
): { end: number; entry: Entry } | null {
  if (isKnown || tokens[at]!.word.length < LEAST_LETTERS) return null;
  const words: string[] = [];
  for (let each = at; each < tokens.length && words.length < MOST_WORDS; each += 1) {
    if (each > at && (tokens[each]!.gap === 'stop' || tokens[each]!.gap === 'break')) break;
    words.push(tokens[each]!.word);
  }
  const found = stemAt(words, tongues);
  return found && { end: at + found.length, entry: entryOfStem(found, words) };
}
