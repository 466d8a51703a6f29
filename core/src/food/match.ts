/** Finds which food a phrase names, and says how sure that is. */
import type { FoodSet } from './food-set';
import { nameWords } from './names';
import { editsFor, type Near, Speller } from './speller';

export interface FoodMatch {
  /** Ids the name may mean, most usual first; they differ in state (dry, cooked, tinned). */
  ids: readonly string[];
  /** The name that matched, in comparable words. */
  name: string;
  /** 1 for the exact name, less for a misspelling. */
  confidence: number;
  /** The words of the phrase that stood before and after the name. */
  before: readonly string[];
  after: readonly string[];
}

/** The longest name in the words; of two as long the last, for in English the head of a phrase stands last. */
function exactMatch(words: readonly string[], larder: FoodSet): FoodMatch | null {
  let found: { ids: readonly string[]; at: number; length: number } | null = null;
  for (let at = 0; at < words.length; at += 1) {
    const longest = Math.min(larder.longest.get(words[at]!) ?? 0, words.length - at);
    for (let length = longest; length > 0 && length >= (found?.length ?? 1); length -= 1) {
      const key = length === 1 ? words[at]! : words.slice(at, at + length).join(' ');
      const entry = larder.names.get(key);
      if (entry) {
        found = { ids: entry.ids, at, length };
        break;
      }
    }
  }
  if (!found) return null;
  const { ids, at, length } = found;
  const end = at + length;
  const name = words.slice(at, end).join(' ');
  return { ids, name, confidence: 1, before: words.slice(0, at), after: words.slice(end) };
}

/** A speller for each larder. */
const SPELLERS = new WeakMap<FoodSet, Speller>();

function spellerOf(larder: FoodSet): Speller {
  let speller = SPELLERS.get(larder);
  if (!speller) SPELLERS.set(larder, (speller = new Speller(larder.vocabulary)));
  return speller;
}

/** The known word that a misspelt one is read as: within an edit for short words, two from seven letters up. */
function respell(word: string, larder: FoodSet): string | null {
  if (larder.vocabulary.has(word)) return word;
  const limit = editsFor(word.length);
  if (limit === 0) return null;
  // "uncooked" is no misspelt "cooked".
  const near = spellerOf(larder)
    .near(word)
    .filter(({ word: known, edits }) => edits <= limit && !word.endsWith(known));
  return near[0]?.word ?? null;
}

/** Confidence given to a name that only matched after its spelling was mended. */
const RESPELT_CONFIDENCE = 0.7;
/** Most words of a phrase that are looked at. */
const MOST_WORDS = 24;

/** "chik peas" are no peas: a strange word and the name behind it may be one word, cut in two. */
function joinedToName(exact: FoodMatch, larder: FoodSet): FoodMatch | null {
  const previous = exact.before[exact.before.length - 1];
  if (previous === undefined || previous.length < 3 || larder.vocabulary.has(previous)) return null;
  const whole = respell(`${previous}${exact.name}`, larder);
  const match = whole === null ? null : exactMatch([whole], larder);
  return match && match.ids[0] !== exact.ids[0]
    ? { ...match, confidence: RESPELT_CONFIDENCE, before: exact.before.slice(0, -1), after: exact.after }
    : null;
}

/** "nutritonal yeast" is no yeast: a misspelt word beside the name may make it a longer one. */
function longerWhenMended(exact: FoodMatch, larder: FoodSet): FoodMatch | null {
  const previous = exact.before[exact.before.length - 1];
  const next = exact.after[0];
  const mend = (word: string | undefined): string | null => {
    if (word === undefined || word.length < 5 || larder.vocabulary.has(word)) return null;
    return respell(word, larder);
  };
  const [before, after] = [mend(previous), mend(next)];
  if (before === null && after === null) return null;
  const words = [
    ...exact.before.slice(0, -1),
    ...(previous === undefined ? [] : [before ?? previous]),
    ...exact.name.split(' '),
    ...(next === undefined ? [] : [after ?? next]),
    ...exact.after.slice(1),
  ];
  const match = exactMatch(words, larder);
  const isLonger = match !== null && match.name.split(' ').length > exact.name.split(' ').length;
  return isLonger ? { ...match, confidence: RESPELT_CONFIDENCE } : null;
}

/** The longest known name in a phrase as it is spelt; null when none stands there. */
export const nameIn = (phrase: string, larder: FoodSet): FoodMatch | null =>
  exactMatch(nameWords(phrase).slice(0, MOST_WORDS), larder);

/** Which food a phrase names: the longest known name in it, else the same after mending spelling; or null. */
export function matchFood(phrase: string, larder: FoodSet): FoodMatch | null {
  const words = nameWords(phrase).slice(0, MOST_WORDS);
  const exact = exactMatch(words, larder);
  if (exact) return joinedToName(exact, larder) ?? longerWhenMended(exact, larder) ?? exact;
  let mended = false;
  const respelt = words.map((word) => {
    const known = respell(word, larder);
    if (known !== null && known !== word) mended = true;
    return known ?? word;
  });
  const match = mended ? exactMatch(respelt, larder) : null;
  return match ? { ...match, confidence: RESPELT_CONFIDENCE } : null;
}

/** How much of a guess a word is worth that is only near: as it sounds, or a letter or two away. */
const closeness = ({ edits, isSameSound }: Near): number => (isSameSound ? 0.9 : edits === 1 ? 0.75 : 0.5);
/** A guess is offered when it says at least this share of what the best one says: the rest would only be in the way. */
const WORTH_OFFERING = 0.7;

/**
 * Foods a phrase may mean, best first: offered when nothing matches. Words count by how few names they stand in ("seeds" says
 * little, "cumin" nearly all), the head that stands last twice, and a word that is written by ear counts nearly as the one it sounds like.
 */
export function suggestFoods(phrase: string, larder: FoodSet, most = 5): string[] {
  const words = [...new Set(nameWords(phrase).slice(0, MOST_WORDS))];
  const said = (word: string): number =>
    Math.log(1 + larder.names.size / (larder.withWord.get(word)?.length ?? 1));
  const heard = new Map<string, number>();
  for (const word of words)
    if (larder.vocabulary.has(word)) heard.set(word, 1);
    else
      for (const near of spellerOf(larder).near(word))
        heard.set(near.word, Math.max(heard.get(near.word) ?? 0, closeness(near)));
  /** What the words of a name say in all, or what those of them say that were heard. */
  const told = (name: readonly string[], share: (word: string) => number): number =>
    name.reduce((sum, word, at) => sum + share(word) * said(word) * (at === name.length - 1 ? 2 : 1), 0);
  const all = (): number => 1;
  const inPhrase = told(words, all);
  const scores = new Map<string, number>();
  for (const word of heard.keys())
    for (const entry of larder.withWord.get(word) ?? []) {
      const shared = told(entry.words, (each) => heard.get(each) ?? 0);
      const score = (2 * shared) / (inPhrase + told(entry.words, all));
      for (const id of entry.ids) scores.set(id, Math.max(scores.get(id) ?? 0, score));
    }
  const best = Math.max(0, ...scores.values());
  return [...scores]
    .filter(([, score]) => score >= WORTH_OFFERING * best)
    .sort((one, other) => other[1] - one[1] || (one[0] < other[0] ? -1 : 1))
    .slice(0, most)
    .map(([id]) => id);
}
