/** Statements in other languages than English, read with the grammar and the words of each language that stands in the text. */
import { type Substance, SUBSTANCES } from '../../food';
import { folded, formsOf, isPlainOnPacks, stemAt, WORD_ROWS, type WordLanguage } from '../words';
import { GERMAN } from './de';
import { SPANISH } from './es';
import { FRENCH } from './fr';
import { ITALIAN } from './it';
import type { StatementLanguage } from './language';
import { DUTCH } from './nl';
import { POLISH } from './pl';
import { PORTUGUESE } from './pt';
import { TURKISH } from './tr';

export const LANGUAGES: readonly StatementLanguage[] = [
  GERMAN,
  FRENCH,
  SPANISH,
  ITALIAN,
  PORTUGUESE,
  DUTCH,
  POLISH,
  TURKISH,
];
/** Words and letters of languages that nobody here reads: one of them, and a person must. */
const FOREIGN =
  /\b(?:innehaller|kan innehalla|indeholder|kan indeholde|inneholder|kan inneholde|sisaltaa|saattaa sisaltaa|obsahuje|muze obsahovat|moze obsahovat|tartalmaz|tartalmazhat|sadrzi|moze sadrzavati|contine|poate contine|urme de|ingrediente:|sastojci|sestavine|vsebuje|osszetevok|slozeni|zlozenie|ainekset|koostisosad|sudedamosios|sastavdalas)\b|[\u0370-\u03ff\u0400-\u04ff\u0590-\u05ff\u0600-\u06ff\u0900-\u0dff\u0e00-\u0e7f\u3040-\u30ff\u4e00-\u9fff\uac00-\ud7af]{2,}/;

export interface LanguageMention {
  substance: Substance;
  status: 'contains' | 'may-contain' | 'check';
  words: string;
}

export interface LanguageReading {
  /** Names and ids of the languages it was read in, beside English. */
  languages: string[];
  ids: WordLanguage[];
  /** It holds words of a language that is not read here. */
  isForeign: boolean;
  mentions: LanguageMention[];
  animal: { state: 'animal' | 'check'; words: string }[];
  claims: string[];
  /** Substances of the claims. */
  free: Substance[];
  /** Folded words that a stem of the dictionary took. */
  taken: Set<string>;
  /** Those of them that are part of a longer name: "beurre de cacahuète" is no butter, whatever "beurre" is by itself. */
  inPhrases: Set<string>;
}

interface Said {
  contains: Substance[];
  check: Substance[];
  animal: 'animal' | 'check' | null;
}

interface Ready {
  language: StatementLanguage;
  tellTale: RegExp;
  stems: RegExp;
  said: ReadonlyMap<string, Said>;
}

/** "ei" and its like are words of their own: inside others they mean nothing. */
const SHORT = 4;
/** A stem of so many letters may stand inside a longer word; a shorter one begins or ends it. */
const INSIDE = 5;
const escaped = (text: string): string => text.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');
/** A stem as it is compared: "lait d'amande" and "lait d’amande" are "lait d amande". */
const stemOf = (word: string): string =>
  folded(word)
    .replace(/[^a-z0-9]+/g, ' ')
    .trim();

function ready(language: StatementLanguage): Ready {
  const said = new Map<string, Said>();
  for (const { word, language: of, certainty, where, holds } of WORD_ROWS) {
    if (of !== language.id || (where !== 'all' && where !== 'packs')) continue;
    const key = stemOf(word);
    const known = said.get(key) ?? { contains: [], check: [], animal: null };
    const substances = SUBSTANCES.filter((each) => holds.includes(each));
    if (certainty === 'surely') known.contains.push(...substances);
    if (certainty === 'maybe') known.check.push(...substances);
    if (holds.includes('animal') && known.animal !== 'animal')
      known.animal = certainty === 'surely' ? 'animal' : 'check';
    for (const form of formsOf(key, language.id)) said.set(form, known);
  }
  const pattern = (stem: string): string => {
    const body = escaped(stem).replace(/ /g, "['’ -]+");
    if (stem.length < SHORT) return `\\b${body}(?:s|es|n|en)?\\b`;
    // The stems of a phrase are inflected each: "maki pszennej".
    if (stem.includes(' ')) return `\\b${escaped(stem).replace(/ /g, "[a-z]{0,3}['’ -]+")}`;
    if (!language.isCompounding) return `\\b${body}`;
    return stem.length < INSIDE ? `\\b${body}|${body}(?:e|n|en|s)?\\b` : body;
  };
  const byLength = [...said.keys()].sort((one, other) => other.length - one.length);
  // A star marks the stem of a word that no other language has.
  const tell = (word: string): string =>
    word.endsWith('*')
      ? `${language.isCompounding ? '' : '\\b'}${escaped(word.slice(0, -1))}`
      : `\\b${escaped(word)}\\b`;
  return {
    language,
    tellTale: new RegExp(language.tellTale.map(tell).join('|')),
    stems: new RegExp(byLength.map((stem) => `(?:${pattern(stem)})`).join('|'), 'g'),
    said,
  };
}
let prepared: readonly Ready[] | null = null;
const all = (): readonly Ready[] => (prepared ??= LANGUAGES.map(ready));

/** What a stem of the dictionary says, found again from the words it took. */
function saidBy({ said }: Ready, words: string): Said {
  const key = stemOf(words);
  for (let length = key.length; length > 1; length -= 1) {
    const found = said.get(key.slice(0, length).trim());
    if (found) return found;
  }
  // A phrase whose words were inflected.
  const parts = key.split(' ');
  for (const [stem, found] of said) {
    const stems = stem.split(' ');
    if (stems.length === parts.length && stems.every((each, index) => parts[index]!.startsWith(each)))
      return found;
  }
  return { contains: [], check: [], animal: null };
}

/** Sentences, with a "may contain" parted from what stands before it and from a bracket it stands in. */
function clausesOf(text: string, { mayStart }: StatementLanguage): string[] {
  return text
    .split(/[.;\n\r()[\]{}]+/)
    .flatMap((sentence) => sentence.split(mayStart))
    .map((each) => each.trim())
    .filter(Boolean);
}

/** Not for coeliacs, in any of the languages: it warns of gluten. */
const NOT_FOR_COELIACS =
  /\b(?:nicht|kein|non|no|nao|niet|nie|pas|ongeschikt|ungeeignet|nieodpowiedni\w*|inadatto|inadecuado|deconseille)\b.{0,40}\b(?:zoliakie|coeliaque|celiac|coeliakie|celiaki|celiach|colyak)|\bcolyak.{0,30}degil/;
const GLUTEN: readonly Substance[] = ['wheat', 'rye', 'barley', 'oats'];
/** Not for the allergic, and no promise: a freedom that is denied warns. */
const NOT_FOR_THEM =
  /\b(?:nicht|non|no|nao|niet|nie|pas|ongeschikt|ungeeignet|nieodpowiedni\w*|deconseille)\b.{0,60}\b(?:allergi|alergi|intoler|uczulen|alerji)/;
const JOINTS = /\s+(?:und|oder|et|ou|y|e|o|en|of|i|lub|oraz|ni|ne|noch|ani|ve|veya|u|nem|od)\s+|,/;

/** How far a claim of freedom reaches: the list of names it governs where the list ends in a joint, else its first item. */
function claimedOf(list: string, each: Ready): { claimed: string; substances: Substance[] } {
  const items = list
    .split(JOINTS)
    .map((item) => item.trim())
    .filter(Boolean);
  const named = items.map((item) => {
    const found = [...item.matchAll(each.stems)].map((match) => saidBy(each, match[0]));
    return [...new Set(found.flatMap(({ contains }) => contains))];
  });
  const isJoined =
    !list.includes(',') || /\s(?:und|oder|et|ou|y|e|o|en|of|i|lub|oraz|ni|ve|veya)\s+[^,]+$/.test(list);
  const isList = isJoined && named.every((found) => found.length > 0);
  if (isList) return { claimed: list, substances: named.flat() };
  return { claimed: items[0] ?? list, substances: named[0] ?? [] };
}

function readIn(
  text: string,
  each: Ready,
  { found, isEnglishMay }: { found: readonly Ready[]; isEnglishMay: (clause: string) => boolean },
  into: LanguageReading,
): void {
  const { language, stems } = each;
  for (const clause of clausesOf(text, language)) {
    // A word that two languages share warns in whichever of them the sentence is written.
    const isMay =
      found.some(({ language: { may, denied } }) => may.test(clause) || denied.test(clause)) ||
      NOT_FOR_THEM.test(clause) ||
      isEnglishMay(clause);
    let rest = clause;
    if (NOT_FOR_COELIACS.test(clause))
      for (const substance of GLUTEN) into.mentions.push({ substance, status: 'may-contain', words: clause });
    if (language.notVegan.test(rest)) into.animal.push({ state: 'animal', words: clause });
    for (const free of found.flatMap((one) => one.language.free))
      rest = rest.replace(free, (whole: string, list: string | undefined) => {
        // "Cannot be guaranteed free of" warns; it claims nothing.
        if (isMay || list === undefined) return whole;
        const { claimed, substances } = claimedOf(list, each);
        into.claims.push(whole.slice(0, whole.indexOf(list) + claimed.length).trim());
        into.free.push(...substances);
        if (list.startsWith('gluten') || list === 'bezgluten') into.free.push(...GLUTEN);
        return whole.indexOf(list) === 0 ? ' ' : ` ${list.slice(claimed.length)}`;
      });
    rest.replace(stems, (words, ...more) => {
      const { contains, check, animal } = saidBy(each, words);
      const at = more.find((one) => typeof one === 'number') as number;
      const before = /[a-z0-9]*$/.exec(rest.slice(0, at))![0];
      const after = /^[a-z0-9]*/.exec(rest.slice(at + words.length))![0];
      const whole = `${before}${words}${after}`.split(/[^a-z0-9]+/);
      for (const word of whole) into.taken.add(word);
      if (whole.length > 1) for (const word of whole) into.inPhrases.add(word);
      for (const substance of contains)
        into.mentions.push({ substance, status: isMay ? 'may-contain' : 'contains', words });
      if (isMay) return ' ';
      for (const substance of check) into.mentions.push({ substance, status: 'check', words });
      if (animal !== null) into.animal.push({ state: animal, words });
      return ' ';
    });
  }
}

/** A longer one is no word. */
const LONGEST_WORD = 40;
/** Endings that inflection puts on a plain word, in any of the languages. */
const ENDING = /(?:es|en|er|em|ow|ie|ych|ego|ej|[aeiosnuy])$/;
const bareOf = (word: string): string => (word.length > 4 ? word.replace(ENDING, '') : word);

/** Whether a folded word says nothing of an allergen in a language: as it is, bent, or made of two that do. */
export function isPlainIn(word: string, language: WordLanguage): boolean {
  if (isPlainOnPacks(word, language)) return true;
  const bare = bareOf(word);
  for (const ending of ['', 'a', 'e', 'i', 'o', 's', 'es', 'n', 'en', 'er', 'y', 'u', 'ow'])
    if (bare.length > 3 && isPlainOnPacks(bare + ending, language)) return true;
  if ((language !== 'de' && language !== 'nl') || word.length > LONGEST_WORD) return false;
  for (let at = 3; at <= word.length - 3; at += 1) {
    if (!isPlainOnPacks(word.slice(at), language)) continue;
    const first = word.slice(0, at);
    if ([first, first.replace(/(?:en|n|s)$/, ''), `${first}e`].some((one) => isPlainOnPacks(one, language)))
      return true;
  }
  return false;
}

/** The language that knows most of the words which English does not; null where none knows any. */
function languageOfWords(text: string, isEnglish: (word: string) => boolean): Ready | null {
  const words = text.split(/[^a-z0-9]+/).filter((word) => word.length >= SHORT && !isEnglish(word));
  let best: Ready | null = null;
  let most = 0;
  for (const each of all()) {
    const { id } = each.language;
    const only = new Set([id]);
    const known = words.filter((word) => isPlainOnPacks(word, id) || stemAt([word], only) !== null).length;
    if (known > most) [best, most] = [each, known];
  }
  return best;
}

/**
 * Reads a statement in every language whose words it holds.
 * @param isEnglish whether a folded word is an English one
 * @param isEnglishMay whether a clause warns in English
 */
export function readInLanguages(
  statement: string,
  isEnglish: (word: string) => boolean,
  isEnglishMay: (clause: string) => boolean,
): LanguageReading {
  const text = folded(statement);
  const reading: LanguageReading = {
    languages: [],
    ids: [],
    isForeign: FOREIGN.test(text),
    mentions: [],
    animal: [],
    claims: [],
    free: [],
    taken: new Set(),
    inPhrases: new Set(),
  };
  const told = all().filter(({ tellTale }) => tellTale.test(text));
  // "Ingredientes: atum" is told as Spanish by its first word, and by its fish as Portuguese.
  const isTold = (word: string): boolean =>
    told.some(({ language: { id } }) => isPlainIn(word, id) || stemAt([word], new Set([id])) !== null);
  const byWords = languageOfWords(text, (word) => isEnglish(word) || isTold(word));
  const found = byWords && !told.includes(byWords) ? [...told, byWords] : told;
  for (const each of found) {
    reading.languages.push(each.language.name);
    reading.ids.push(each.language.id);
    readIn(text, each, { found, isEnglishMay }, reading);
  }
  return reading;
}
