/** The words of a label in each language. */
import { DE } from './de';
import { EN } from './en';
import { ES } from './es';
import { FR } from './fr';
import type { LabelWords, Language } from './language';

export const LABEL_WORDS: Readonly<Record<Language, LabelWords>> = { en: EN, es: ES, fr: FR, de: DE };

/** A figure's text in a language: "at least 4.1 g" is "al menos 4,1 g". */
export function figureInLanguage(text: string, language: Language): string {
  const { decimalMark, atLeast } = LABEL_WORDS[language];
  const said = text.replace(/^at least /, `${atLeast} `);
  return decimalMark === ',' ? said.replace(/(\d)\.(\d)/g, '$1,$2') : said;
}
