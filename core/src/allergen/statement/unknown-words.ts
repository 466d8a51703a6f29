/**
 * A statement accounted for word by word: what is no name of the dictionary, no plain food, additive, function, amount or
 * phrase of the law is a word that nobody knows, and may be anything.
 */
import { nameWords } from '../../food';
import { COMMON_WORDS, folded, isPlainOnPacks, stemAt, type WordLanguage } from '../words';
import { isPlainIn } from './read-languages';

const CHUNK = /[^\s,;:.()[\]{}<>|/*"“”„«»!?•·=+&%]+/gu;
/** Figures with their units, additives by number, signs. */
const FIGURE = /^(?:[\d.,]+[a-z%°]{0,3}|e\d{3,4}[a-z]?|[ivx]+|\W+)$/;
/** Shorter ones are no words of foods. */
const LEAST = 3;

/** What is not said here: allergens by the numbers of a key, or on the lid. */
const ELSEWHERE =
  /\ballerg\w*[^.\n:]{0,24}:\s*(?:[A-R]|\d{1,2})(?:\s*[,/+&]\s*(?:[A-R]|\d{1,2}))*(?![\p{L}\d])|\b(?:see|as per|refer to|printed on)\s+(?:the\s+)?(?:cap|lid|label|sticker|base|side|back|front|neck|foil|website|web site|box|outer|carton)\b/giu;

interface Chunk {
  written: string;
  words: string[];
}

const chunksOf = (text: string): Chunk[] =>
  [...text.matchAll(CHUNK)].map(([written]) => ({
    written: written.replace(/^[-'’]+|[-'’]+$/g, ''),
    words: folded(written)
      .replace(/['’]/g, ' ')
      .split(/[^a-z0-9]+/)
      .filter(Boolean),
  }));

/** Positions that a phrase of the dictionary takes, the longest first. */
function takenBy(
  words: readonly string[],
  isPhrase: (phrase: string) => boolean,
  longest: number,
): Set<number> {
  const keys = words.map((word) => nameWords(word)[0] ?? '');
  const taken = new Set<number>();
  for (let at = 0; at < keys.length; at += 1)
    for (let length = Math.min(longest, keys.length - at); length > 0; length -= 1) {
      if (!isPhrase(keys.slice(at, at + length).join(' '))) continue;
      for (let each = at; each < at + length; each += 1) taken.add(each);
      at += length - 1;
      break;
    }
  return taken;
}

export interface Known {
  /** Whether an English phrase of comparable words stands in the dictionary. */
  isPhrase: (phrase: string) => boolean;
  longest: number;
  /** Languages beside English, and the words that their stems took. */
  languages: readonly WordLanguage[];
  taken: ReadonlySet<string>;
}

/** Whether a folded word is plain English that names no allergen. */
export const isPlainEnglish = (word: string): boolean => {
  const [key = ''] = nameWords(word);
  return [word, key, `${key}s`, key.replace(/(?:ed|ing|ly|y)$/, ''), key.replace(/(?:ed|ing)$/, 'e')].some(
    (each) => isPlainOnPacks(each, 'en') || COMMON_WORDS.has(each),
  );
};

/** Whether a word says nothing of an allergen, or says it by itself in a language of the statement. */
function isKnownWord(word: string, { languages, taken }: Known): boolean {
  if (word.length < LEAST || FIGURE.test(word) || taken.has(word)) return true;
  if (isPlainEnglish(word)) return true;
  if (
    languages.some((each) => isPlainIn(word, each) || isPlainIn(word.replace(/vrije?$|freie?s?$/, ''), each))
  )
    return true;
  return languages.length > 0 && stemAt([word], new Set(languages)) !== null;
}

/** The words of a statement that nobody knows, as they are written, each once. */
export function unknownWords(text: string, known: Known): string[] {
  const chunks = chunksOf(text);
  const words = chunks.flatMap((chunk) => chunk.words);
  const taken = takenBy(words, known.isPhrase, known.longest);
  const unknown = [...text.matchAll(ELSEWHERE)].map(([said]) => said.trim());
  let at = 0;
  for (const chunk of chunks) {
    // Letters of a script that is not read here leave no word to look up.
    const isStrange = chunk.words.length === 0 && /\p{L}{2,}/u.test(chunk.written);
    const isOpen =
      isStrange || chunk.words.some((word, index) => !taken.has(at + index) && !isKnownWord(word, known));
    at += chunk.words.length;
    if (isOpen && !unknown.includes(chunk.written)) unknown.push(chunk.written);
  }
  return unknown;
}
