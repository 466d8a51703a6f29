/** Finds which food a phrase names, and says how sure that is. */
import { nameWords } from './names';
import type { FoodSet } from './food-set';

export interface FoodMatch {
  /** Ids the name may mean, most usual first; they differ in state (dry, cooked, tinned). */
  ids: readonly string[];
  /** 1 for the exact name, less for a misspelling. */
  confidence: number;
  /** The words of the phrase that were not part of the name. */
  rest: readonly string[];
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

function exactMatch(words: readonly string[], larder: FoodSet): FoodMatch | null {
  let best: { ids: readonly string[]; at: number; length: number } | null = null;
  for (let at = 0; at < words.length; at += 1) {
    const longest = Math.min(larder.longest.get(words[at]!) ?? 0, words.length - at);
    for (let length = longest; length > (best?.length ?? 0); length -= 1) {
      const entry = larder.names.get(words.slice(at, at + length).join(' '));
      if (entry) {
        best = { ids: entry.ids, at, length };
        break;
      }
    }
  }
  if (!best) return null;
  const { ids, at, length } = best;
  return { ids, confidence: 1, rest: [...words.slice(0, at), ...words.slice(at + length)] };
}

/** The known word closest to a misspelt one: one edit for short words, two from seven letters up. */
function respell(word: string, larder: FoodSet): string | null {
  const limit = word.length >= 7 ? 2 : word.length >= 4 ? 1 : 0;
  let best: string | null = null;
  let bestDistance = limit + 1;
  for (let length = word.length - limit; length <= word.length + limit && limit > 0; length += 1) {
    for (const known of larder.vocabulary.get(length) ?? []) {
      const distance = editDistance(word, known, bestDistance - 1);
      if (distance < bestDistance) [best, bestDistance] = [known, distance];
    }
  }
  return best;
}

/** Confidence given to a name that only matched after its spelling was mended. */
const RESPELT_CONFIDENCE = 0.7;

/** Which food a phrase names: the longest known name in it, else the same after mending spelling; or null. */
export function matchFood(phrase: string, larder: FoodSet): FoodMatch | null {
  const words = nameWords(phrase).slice(0, 24);
  const exact = exactMatch(words, larder);
  if (exact) return exact;
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
  const words = nameWords(phrase).map((word) => respell(word, larder) ?? word);
  const scores = new Map<string, number>();
  for (const entry of larder.names.values()) {
    const shared = entry.words.filter((word) => words.includes(word)).length;
    if (shared === 0) continue;
    const score = shared / entry.words.length;
    for (const id of entry.ids) scores.set(id, Math.max(scores.get(id) ?? 0, score));
  }
  return [...scores]
    .sort((one, other) => other[1] - one[1] || (one[0] < other[0] ? -1 : 1))
    .slice(0, most)
    .map(([id]) => id);
}
