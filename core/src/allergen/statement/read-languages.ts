/** Statements in other languages than English, read with the tables of each language whose words stand in the text. */
import type { Substance } from '../../food';
import { GERMAN } from './de';
import { SPANISH } from './es';
import { FRENCH } from './fr';
import { ITALIAN } from './it';
import { folded, type StatementLanguage } from './language';

export const LANGUAGES: readonly StatementLanguage[] = [GERMAN, FRENCH, SPANISH, ITALIAN];
/** Words of languages that nobody here reads: one of them, and a person must. */
const FOREIGN =
  /\b(?:bevat|sporen van|kan sporen|zawiera|moze zawierac|skladniki|contem|pode conter|innehaller|kan innehalla|indeholder|inneholder|sisaltaa|obsahuje|muze obsahovat|tartalmaz|sadrzi|contine|urme de|icerir)\b|[\u0370-\u03ff\u0400-\u04ff\u0590-\u05ff\u0600-\u06ff\u0e00-\u0e7f\u3040-\u30ff\u4e00-\u9fff\uac00-\ud7af]{2,}/;

export interface LanguageMention {
  substance: Substance;
  status: 'contains' | 'may-contain' | 'check';
  words: string;
}

export interface LanguageReading {
  /** Names of the languages it was read in, beside English. */
  languages: string[];
  /** It holds words of a language that is not read here. */
  isForeign: boolean;
  mentions: LanguageMention[];
  animal: { state: 'animal' | 'check'; words: string }[];
  claims: string[];
}

const escaped = (text: string): string => text.replace(/[.*+?^${}()|[\]\\]/g, '\\$&').replace(/’|'/g, "['’]");

interface Ready {
  language: StatementLanguage;
  tellTale: RegExp;
  harmless: readonly { pattern: RegExp; substances: readonly Substance[] }[];
  terms: readonly { pattern: RegExp; substances: readonly Substance[]; status: 'contains' | 'check' }[];
  animal: RegExp;
  animalCheck: RegExp;
}

/** "ei" and its like are words of their own: inside others they mean nothing. */
const SHORT = 4;

function ready(language: StatementLanguage): Ready {
  const anywhere = (stem: string): string => {
    const body = escaped(stem);
    if (language.isCompounding) return stem.length < SHORT ? `\\b${body}\\b` : body;
    return `\\b${body}${stem.length < SHORT ? '(?:s|es)?\\b' : ''}`;
  };
  const any = (stems: readonly string[], flags = ''): RegExp =>
    new RegExp(stems.map((each) => `(?:${anywhere(each)})`).join('|'), flags);
  // A star marks the stem of a word that no other language has.
  const tell = (word: string): string =>
    word.endsWith('*')
      ? `${language.isCompounding ? '' : '\\b'}${escaped(word.slice(0, -1))}`
      : `\\b${escaped(word)}\\b`;
  const byLength = [...language.harmless].sort(([one], [other]) => other.length - one.length);
  return {
    language,
    tellTale: new RegExp(language.tellTale.map(tell).join('|')),
    harmless: byLength.map(([name, substances]) => ({
      pattern: new RegExp(`${language.isCompounding ? '' : '\\b'}${escaped(name)}[a-z]{0,2}`, 'g'),
      substances,
    })),
    terms: language.terms.map(({ stems, substances, status }) => ({
      pattern: any(stems, 'g'),
      substances,
      status,
    })),
    animal: any(language.animal),
    animalCheck: any(language.animalCheck),
  };
}
const READY = LANGUAGES.map(ready);

/** Sentences, with a "may contain" parted from what stands before it and from a bracket it stands in. */
function clausesOf(text: string, { mayStart }: StatementLanguage): string[] {
  return text
    .split(/[.;\n\r()[\]]+/)
    .flatMap((sentence) => sentence.split(mayStart))
    .map((each) => each.trim())
    .filter(Boolean);
}

function readIn(
  text: string,
  { language, harmless, terms, animal, animalCheck }: Ready,
  all: readonly Ready[],
  into: LanguageReading,
): void {
  for (const clause of clausesOf(text, language)) {
    // A word that two languages share warns in whichever of them the sentence is written.
    const isMay = all.some((each) => each.language.may.test(clause));
    let rest = clause;
    if (language.notVegan.test(rest)) into.animal.push({ state: 'animal', words: clause });
    for (const free of all.flatMap((each) => each.language.free))
      rest = rest.replace(free, (whole: string) => {
        // "Cannot be guaranteed free of" warns; it claims nothing.
        if (isMay) return whole;
        into.claims.push(whole.trim());
        return ' ';
      });
    const mention = (substances: readonly Substance[], status: 'contains' | 'check', words: string): void => {
      for (const substance of substances) {
        if (isMay && status === 'check') continue;
        into.mentions.push({ substance, status: isMay ? 'may-contain' : status, words });
      }
    };
    for (const { pattern, substances } of harmless)
      rest = rest.replace(pattern, (whole) => {
        mention(substances, 'contains', whole);
        return ' ';
      });
    // What a longer name has taken is gone for the shorter: "Haselnuss" is no "Nuss".
    for (const { pattern, substances, status } of terms)
      rest = rest.replace(pattern, (whole) => {
        mention(substances, status, whole);
        return ' ';
      });
    if (isMay) continue;
    const meat = animal.exec(rest);
    if (meat) into.animal.push({ state: 'animal', words: meat[0] });
    const doubt = animalCheck.exec(rest);
    if (doubt) into.animal.push({ state: 'check', words: doubt[0] });
  }
}

/** Reads a statement in every language whose words it holds. */
export function readInLanguages(statement: string): LanguageReading {
  const text = folded(statement);
  const reading: LanguageReading = {
    languages: [],
    isForeign: FOREIGN.test(text),
    mentions: [],
    animal: [],
    claims: [],
  };
  const found = READY.filter(({ tellTale }) => tellTale.test(text));
  for (const each of found) {
    reading.languages.push(each.language.name);
    readIn(text, each, found, reading);
  }
  return reading;
}
