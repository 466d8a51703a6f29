/**
 * The dictionary of words that name an allergen, an animal food or a food that may carry one, by language, as data/words.csv
 * has it (brought here by `npm run words`). The audit of recipes and the reader of statements both read it; their grammars
 * stay apart.
 */
import type { Origin, Substance } from '../../food';
import data from './dictionary.json';

/** `asia`: kitchen words of South and East Asia in Latin letters. */
export type WordLanguage = 'en' | 'fr' | 'de' | 'es' | 'it' | 'pt' | 'nl' | 'pl' | 'tr' | 'asia';

/**
 * Where a word means it: `all` in recipes and on packs; `recipes` in a recipe's texts only (what a pack may hold it has to
 * print); `names` in lines, titles and headings; `lines` in ingredient lines; `packs` in statements only.
 */
export type WordPlace = 'all' | 'recipes' | 'names' | 'lines' | 'packs';

export interface WordRow {
  /** As it is written; in other languages than English a stem. */
  word: string;
  language: WordLanguage;
  /** `nothing`: it holds an allergen's word and means something else. */
  certainty: 'surely' | 'maybe' | 'nothing';
  where: WordPlace;
  /** `annex`: derived names of Annex II and FALCPA guidance; `market`: market names of food law and trade; `guidance`, `kitchen`,
   * `dish`: allergen guidance to caterers; `animal`, `additive`: Regulation (EC) 1333/2008; `other-name`: means something else. */
  source: string;
  holds: readonly (Substance | Origin)[];
}

export const WORD_ROWS: readonly WordRow[] = Object.entries(data.words).flatMap(([language, groups]) =>
  Object.entries(groups).flatMap(([says, words]) => {
    const [certainty, where, source, ...holds] = says.split(' ');
    return words
      .split('|')
      .map((word) => ({ word, language, certainty, where, source, holds }) as unknown as WordRow);
  }),
);

/** Words of statements that say nothing of an allergen: foods, additives, functions, phrases of the law. Folded, by language. */
const PLAIN = new Map<string, ReadonlySet<string>>(
  Object.entries(data.plain).map(([language, words]) => [language, new Set(words.split(' '))]),
);

export const isPlainOnPacks = (word: string, language: string): boolean =>
  PLAIN.get(language)?.has(word) ?? false;

/** A stem with the plurals of its language, where they change its end: "tuorlo", "tuorli"; "camarao", "camaroes". */
const PLURALS: Readonly<Partial<Record<WordLanguage, readonly (readonly [RegExp, string])[]>>> = {
  it: [[/io$/, 'i'], [/[eo]$/, 'i'], [/ca$/, 'che'], [/ga$/, 'ghe'], [/a$/, 'e']],
  pt: [[/ao$/, 'oes'], [/ao$/, 'aes'], [/m$/, 'ns'], [/il$/, 'is'], [/l$/, 'is']],
  es: [[/z$/, 'ces']],
  fr: [[/al$/, 'aux']],
}; // prettier-ignore
export const formsOf = (stem: string, language: WordLanguage): string[] => [
  stem,
  ...(stem.length < 4 ? [] : (PLURALS[language] ?? []))
    .filter(([end]) => end.test(stem))
    .map(([end, plural]) => stem.replace(end, plural)),
];

const LETTERS: readonly (readonly [RegExp, string])[] = [
  [/ß/g, 'ss'],
  [/œ/g, 'oe'],
  [/æ/g, 'ae'],
  [/ł/g, 'l'],
  [/ø/g, 'o'],
  [/ı/g, 'i'],
  [/đ/g, 'd'],
];

/** Letters as they are compared: lower case, no accents, "ss" and "oe" written out. */
export function folded(text: string): string {
  let plain = text.toLowerCase();
  for (const [letter, as] of LETTERS) plain = plain.replace(letter, as);
  return plain.normalize('NFD').replace(/\p{M}/gu, '');
}
