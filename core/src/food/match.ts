/** Finds which food a phrase names, and says how sure that is. */
import type { FoodSet } from './food-set';
import { nameWords } from './names';

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

/** Number of single-letter edits (insert, delete, replace, swap of neighbours) up to a limit; limit + 1 above. */
export function editDistance(one: string, other: string, limit: number): number {
  if (Math.abs(one.length - other.length) > limit) return limit + 1;
  let before: number[] = [];
  let previous = Array.from({ length: other.length + 1 }, (_, index) => index);
  for (let i = 1; i <= one.length; i += 1) {
    const current = [i];
    let best = i;
    for (let j = 1; j <= other.length; j += 1) {
      const cost = one[i - 1] === other[j - 1] ? 0 : 1;
      let value = Math.min(previous[j]! + 1, current[j - 1]! + 1, previous[j - 1]! + cost);
      if (i > 1 && j > 1 && one[i - 1] === other[j - 2] && one[i - 2] === other[j - 1]) {
        value = Math.min(value, before[j - 2]! + 1);
      }
      current.push(value);
      best = Math.min(best, value);
    }
    if (best > limit) return limit + 1;
    before = previous;
    previous = current;
  }
  return previous[other.length]!;
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

/** How many edits a word of some length may be away from a known one. */
export const editsFor = (length: number): number => (length >= 7 ? 2 : length >= 4 ? 1 : 0);

/** A word and what is left of it when up to some letters are struck out. */
export function withoutLetters(word: string, edits: number): Set<string> {
  const all = new Set([word]);
  let last = [word];
  for (let edit = 0; edit < edits; edit += 1) {
    const next: string[] = [];
    for (const each of last) {
      for (let at = 0; at < each.length; at += 1) {
        const shorter = each.slice(0, at) + each.slice(at + 1);
        if (!all.has(shorter)) {
          all.add(shorter);
          next.push(shorter);
        }
      }
    }
    last = next;
  }
  return all;
}

/**
 * For each larder, every known word under what is left of it with letters struck out: two words within some edits of
 * each other share such a remainder, so a misspelling finds its candidates without a walk through the vocabulary.
 */
const REMAINDERS = new WeakMap<FoodSet, Map<string, string[]>>();

function remaindersOf(larder: FoodSet): Map<string, string[]> {
  let index = REMAINDERS.get(larder);
  if (index) return index;
  index = new Map();
  for (const word of larder.vocabulary) {
    for (const key of withoutLetters(word, editsFor(word.length))) {
      const list = index.get(key);
      if (list) list.push(word);
      else index.set(key, [word]);
    }
  }
  REMAINDERS.set(larder, index);
  return index;
}

/** The known word closest to a misspelt one: one edit for short words, two from seven letters up. */
function respell(word: string, larder: FoodSet): string | null {
  const limit = editsFor(word.length);
  if (limit === 0 || larder.vocabulary.has(word)) return larder.vocabulary.has(word) ? word : null;
  const index = remaindersOf(larder);
  let best: string | null = null;
  let bestDistance = limit + 1;
  for (const key of withoutLetters(word, limit)) {
    for (const known of index.get(key) ?? []) {
      // "uncooked" is no misspelt "cooked".
      if (word.endsWith(known)) continue;
      const distance = editDistance(word, known, Math.min(limit, bestDistance));
      if (distance < bestDistance || (distance === bestDistance && best !== null && known < best))
        [best, bestDistance] = [known, distance];
    }
  }
  return bestDistance <= limit ? best : null;
}

/** Confidence given to a name that only matched after its spelling was mended. */
const RESPELT_CONFIDENCE = 0.7;
/** Most words of a phrase that are looked at. */
const MOST_WORDS = 24;

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
  if (exact) return longerWhenMended(exact, larder) ?? exact;
  let mended = false;
  const respelt = words.map((word) => {
    const known = respell(word, larder);
    if (known !== null && known !== word) mended = true;
    return known ?? word;
  });
  const match = mended ? exactMatch(respelt, larder) : null;
  return match ? { ...match, confidence: RESPELT_CONFIDENCE } : null;
}

/** Foods whose names share the most words with a phrase, best first: offered when nothing matches. */
export function suggestFoods(phrase: string, larder: FoodSet, most = 5): string[] {
  const words = nameWords(phrase)
    .slice(0, MOST_WORDS)
    .map((word) => respell(word, larder) ?? word);
  const scores = new Map<string, number>();
  for (const word of new Set(words)) {
    for (const entry of larder.withWord.get(word) ?? []) {
      const shared = entry.words.filter((each) => words.includes(each)).length;
      const score = shared / entry.words.length;
      for (const id of entry.ids) scores.set(id, Math.max(scores.get(id) ?? 0, score));
    }
  }
  return [...scores]
    .sort((one, other) => other[1] - one[1] || (one[0] < other[0] ? -1 : 1))
    .slice(0, most)
    .map(([id]) => id);
}
