/**
 * The dictionary of words that mean an allergen or an animal, wherever they stand: the words of statements, the traps, the
 * words of kitchens, and the names that only look so. Reader and audit use it, and share nothing else.
 */
import { bitsOf, nameWords, type Substance, type SubstanceBits } from '../food';
import {
  ANIMAL_TERMS,
  HARMLESS_NAMES,
  KITCHEN_WORDS,
  NAMED_WITHIN,
  ONLY_IN_LINES,
  OTHER_NAMES,
  OTHER_NAMES_HOLD,
  STATEMENT_TERMS,
} from './statement';
import { TRAPS } from './traps';

/** What a phrase holds, or may hold, whatever the brand. */
export interface Meaning {
  contains: SubstanceBits;
  check: SubstanceBits;
  /** It counts in ingredient lines only: in a sentence it has another sense. */
  isOnlyInLines: boolean;
}

const MEANINGS = new Map<string, Meaning>();
const LONGEST = new Map<string, number>();
const VOCABULARY = new Set<string>();

const FROM_ANIMALS = bitsOf(['milk', 'egg', 'fish', 'crustacean', 'mollusc']);
const ANIMAL = bitsOf(['animal']);
const withOrigin = (bits: SubstanceBits): SubstanceBits =>
  (bits & FROM_ANIMALS) !== 0 ? bits | ANIMAL : bits;

function learn(phrase: string, contains: SubstanceBits, check: SubstanceBits, isOnlyInLines: boolean): void {
  const words = nameWords(phrase);
  if (words.length === 0) return;
  const key = words.join(' ');
  const known = MEANINGS.get(key);
  MEANINGS.set(key, {
    contains: (known?.contains ?? 0) | contains,
    check: (known?.check ?? 0) | check,
    isOnlyInLines: isOnlyInLines && (known?.isOnlyInLines ?? true),
  });
  LONGEST.set(words[0]!, Math.max(LONGEST.get(words[0]!) ?? 0, words.length));
  for (const word of words) VOCABULARY.add(word);
}

for (const { words, substances, status } of STATEMENT_TERMS)
  for (const word of words) {
    const bits = withOrigin(bitsOf(substances));
    const isOnly = ONLY_IN_LINES.has(word);
    if (status === 'contains') learn(word, bits, 0, isOnly);
    else learn(word, 0, bits, isOnly);
  }
for (const word of ANIMAL_TERMS.animal) learn(word, ANIMAL, 0, ONLY_IN_LINES.has(word));
for (const word of ANIMAL_TERMS.check) learn(word, 0, ANIMAL, ONLY_IN_LINES.has(word));
for (const { names, substances } of TRAPS)
  for (const name of names) if (!MEANINGS.has(name)) learn(name, 0, bitsOf(substances), true);
for (const { words, contains, check, animal, where } of KITCHEN_WORDS)
  for (const word of words) {
    const origin = animal === null ? 0 : ANIMAL;
    learn(
      word,
      withOrigin(bitsOf(contains)) | (animal === 'animal' ? origin : 0),
      bitsOf(check) | (animal === 'check' ? origin : 0),
      where === 'lines' || ONLY_IN_LINES.has(word),
    );
  }
/** Names that mean something else stand for themselves: what they hold of an allergen is said beside them. */
const within = (name: string): readonly Substance[] => NAMED_WITHIN[name] ?? OTHER_NAMES_HOLD[name] ?? [];
const IN_KITCHENS = new Set(
  KITCHEN_WORDS.flatMap(({ words }) => words.map((word) => nameWords(word).join(' '))),
);
for (const name of [...HARMLESS_NAMES, ...OTHER_NAMES]) {
  if (IN_KITCHENS.has(nameWords(name).join(' '))) continue;
  MEANINGS.delete(nameWords(name).join(' '));
  learn(name, bitsOf(within(name)), 0, false);
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
