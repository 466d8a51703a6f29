/** The words by which each law and language wants things named. */
export { additiveName } from './additives';
export { ALLERGEN_WORDS, allergenWord } from './allergen-words';
export { figureInLanguage, LABEL_WORDS } from './label-words';
export { type Language, LANGUAGE_NAMES, LANGUAGES } from './language';
export { usName } from './us-names';
