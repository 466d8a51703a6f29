/** The dictionary as the audit of recipes reads it: English phrases by comparable words, with the traps of the larder. */
import { bitsOf, nameWords, type SubstanceBits } from '../food';
import { TRAPS } from './traps';
import { FROM_ANIMALS, WORD_ROWS, type WordRow } from './words';

/** Where in a recipe a phrase counts: in every text, in lines, titles and headings, or in lines only. */
export type Reach = 'anywhere' | 'names' | 'lines';

/** What a phrase holds, or may hold, whatever the brand. */
export interface Meaning {
  contains: SubstanceBits;
  check: SubstanceBits;
  /** In a sentence it may have another sense. */
  reach: Reach;
}

const MEANINGS = new Map<string, Meaning>();
const LONGEST = new Map<string, number>();
const VOCABULARY = new Set<string>();

const ANIMAL = bitsOf(['animal']);
const withOrigin = (bits: SubstanceBits): SubstanceBits =>
  (bits & FROM_ANIMALS) !== 0 ? bits | ANIMAL : bits;
const REACHES: readonly Reach[] = ['anywhere', 'names', 'lines'];
const wider = (one: Reach, other: Reach): Reach =>
  REACHES[Math.min(REACHES.indexOf(one), REACHES.indexOf(other))]!;

function learn(phrase: string, contains: SubstanceBits, check: SubstanceBits, reach: Reach): void {
  const words = nameWords(phrase);
  if (words.length === 0) return;
  const key = words.join(' ');
  const known = MEANINGS.get(key);
  MEANINGS.set(key, {
    contains: (known?.contains ?? 0) | contains,
    check: (known?.check ?? 0) | check,
    reach: known ? wider(reach, known.reach) : reach,
  });
  LONGEST.set(words[0]!, Math.max(LONGEST.get(words[0]!) ?? 0, words.length));
  for (const word of words) VOCABULARY.add(word);
}

const reachOf = ({ where }: WordRow): Reach => (where === 'lines' || where === 'names' ? where : 'anywhere');
const isOfRecipes = ({ language, where }: WordRow): boolean =>
  (language === 'en' || language === 'asia') && where !== 'packs';
const isOtherName = ({ source }: WordRow): boolean => source === 'other-name';

const ROWS = WORD_ROWS.filter(isOfRecipes);
const learnRow = (row: WordRow): void => {
  const bits = withOrigin(bitsOf(row.holds));
  if (row.certainty === 'surely') learn(row.word, bits, 0, reachOf(row));
  else learn(row.word, 0, bits, reachOf(row));
};

for (const row of ROWS) if (!isOtherName(row)) learnRow(row);
for (const { names, substances } of TRAPS)
  for (const name of names) if (!MEANINGS.has(name)) learn(name, 0, bitsOf(substances), 'lines');
/** Names that mean something else stand for themselves: what they hold of an allergen is said beside them. */
for (const row of ROWS)
  if (isOtherName(row)) {
    MEANINGS.delete(nameWords(row.word).join(' '));
    learnRow(row);
  }

/** What a phrase of comparable words means; null where the dictionary does not know it. */
export const meaningOf = (phrase: string): Meaning | null => MEANINGS.get(phrase) ?? null;
/** Words of the longest phrase that begins with a word; 0 where none does. */
export const longestMeaning = (first: string): number => LONGEST.get(first) ?? 0;
export const isWordOfMeaning = (word: string): boolean => VOCABULARY.has(word);

/** Single words that surely mean something: what a misspelling or a joined word may hide. */
export const TELLING_WORDS: readonly string[] = [...MEANINGS]
  .filter(([key, { contains }]) => !key.includes(' ') && contains !== 0)
  .map(([key]) => key);
