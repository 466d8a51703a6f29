/** The words that name an allergen, by language. */
export { COMMON_WORDS, LOOKALIKE_WORDS } from './common';
export { FROM_ANIMALS, type StemFound, stemAt } from './stems';
export { tonguesOf } from './tongues';
export { folded, formsOf, isPlainOnPacks, WORD_ROWS, type WordLanguage, type WordRow } from './words';
