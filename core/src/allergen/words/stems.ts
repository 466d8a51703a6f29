/** Words of other languages than English, found by their stems, with what surely or maybe stands behind them. */
import { bitsOf, type SubstanceBits } from '../../food';
import { folded, formsOf, WORD_ROWS, type WordLanguage } from './words';

/** What a stem says in a language. */
export interface StemMeaning {
  contains: SubstanceBits;
  check: SubstanceBits;
}

/** Languages that write several words as one: a stem may stand inside a longer word. */
const COMPOUNDING: ReadonlySet<WordLanguage> = new Set(['de', 'nl']);
/** A stem of fewer letters is a word of its own; one of so many begins a word; from `INSIDE` on it may stand inside one. */
const SHORTEST = 4;
const INSIDE = 5;
/** Inside a word of a sentence that is in no other language. */
const IN_ENGLISH = 6;
/** A longer one is no word. */
const LONGEST_WORD = 40;
/** Letters that inflection adds: "orzech-ami", "acciugh-e". */
const MOST_ENDING = 4;

export const FROM_ANIMALS = bitsOf(['milk', 'egg', 'fish', 'crustacean', 'mollusc']);
const ANIMAL = bitsOf(['animal']);

const STEMS = new Map<string, Map<WordLanguage, StemMeaning>>();
const PHRASES = new Map<
  string,
  { words: readonly string[]; language: WordLanguage; meaning: StemMeaning }[]
>();
const MEANINGS = new Map<string, StemMeaning>();

for (const { word, language, certainty, where, holds } of WORD_ROWS) {
  // Kitchen words of Asia stand among the English ones, as cooks write them.
  if (language === 'en' || language === 'asia' || where === 'packs') continue;
  const key = folded(word).replace(/[^a-z0-9 ]/g, ' ');
  const id = `${language} ${key}`;
  const meaning = MEANINGS.get(id) ?? { contains: 0, check: 0 };
  const bits = bitsOf(holds);
  const all = (bits & FROM_ANIMALS) !== 0 ? bits | ANIMAL : bits;
  if (certainty === 'surely') meaning.contains |= all;
  else if (certainty === 'maybe') meaning.check |= all;
  MEANINGS.set(id, meaning);
  const words = key.split(' ').filter((each) => each.length > 1 || language === 'pl');
  if (words.length === 1) {
    for (const form of formsOf(words[0]!, language)) {
      const of = STEMS.get(form) ?? new Map<WordLanguage, StemMeaning>();
      STEMS.set(form, of.set(language, meaning));
    }
  } else {
    const list = PHRASES.get(words[0]!) ?? [];
    PHRASES.set(words[0]!, [...list, { words, language, meaning }]);
  }
}
for (const list of PHRASES.values()) list.sort((one, other) => other.words.length - one.words.length);

export interface StemFound {
  stem: string;
  /** How many words it takes. */
  length: number;
  language: WordLanguage;
  meaning: StemMeaning;
}

const isInflected = (word: string, stem: string): boolean =>
  word === stem ||
  (stem.length >= SHORTEST && word.startsWith(stem) && word.length - stem.length <= MOST_ENDING) ||
  (stem.length < SHORTEST && (word === `${stem}s` || word === `${stem}es`));

/** The languages in which a stem may be meant: all, or those the sentence is in. */
type Languages = ReadonlySet<WordLanguage> | null;
const isIn = (language: WordLanguage, languages: Languages): boolean =>
  languages === null || languages.has(language);

function worstOf(of: ReadonlyMap<WordLanguage, StemMeaning>, languages: Languages): WordLanguage | null {
  let best: WordLanguage | null = null;
  for (const [language, { contains, check }] of of)
    if (isIn(language, languages) && (best === null || contains + check > 0)) best = language;
  return best;
}

const single = (stem: string, languages: Languages): StemFound | null => {
  const of = STEMS.get(stem);
  const language = of ? worstOf(of, languages) : null;
  return language === null ? null : { stem, length: 1, language, meaning: of!.get(language)! };
};

/** A stem at the start of a word, the longest first; short ones only as the whole word. */
function startOf(word: string, languages: Languages): StemFound | null {
  const exact = single(word, languages);
  if (exact) return exact;
  for (let length = word.length - 1; length >= SHORTEST && length >= word.length - MOST_ENDING; length -= 1) {
    const found = single(word.slice(0, length), languages);
    if (found) return found;
  }
  return null;
}

/** What the parts of a written-together word say: "Haselnusskuchen". */
function insideOf(word: string, languages: Languages): StemFound | null {
  let best: StemFound | null = null;
  for (let from = 0; from < word.length - SHORTEST + 1; from += 1)
    for (let to = word.length; to - from >= SHORTEST; to -= 1) {
      const isEdge = from === 0 || (from >= 3 && word.length - to <= 2);
      const least = languages === null ? IN_ENGLISH : isEdge ? SHORTEST : INSIDE;
      if (to - from < least) continue;
      const of = STEMS.get(word.slice(from, to));
      if (!of) continue;
      for (const [language, meaning] of of) {
        if (!COMPOUNDING.has(language) || !isIn(language, languages)) continue;
        if (best === null || to - from > best.stem.length)
          best = { stem: word.slice(from, to), length: 1, language, meaning };
        break;
      }
    }
  return best;
}

/**
 * What the words from a place on say in other languages; null where no stem is known.
 * @param words folded, from the place on
 * @param languages the languages of the sentence; null for any
 */
export function stemAt(words: readonly string[], languages: Languages): StemFound | null {
  const first = words[0]!;
  for (let length = Math.min(first.length, LONGEST_WORD); length >= Math.min(2, first.length); length -= 1)
    for (const { words: phrase, language, meaning } of PHRASES.get(first.slice(0, length)) ?? []) {
      if (!isIn(language, languages)) continue;
      if (phrase.every((each, index) => words[index] !== undefined && isInflected(words[index]!, each)))
        return { stem: phrase.join(' '), length: phrase.length, language, meaning };
    }
  return (
    startOf(first, languages) ??
    (first.length >= 6 && first.length <= LONGEST_WORD ? insideOf(first, languages) : null)
  );
}
