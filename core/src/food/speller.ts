/** The one speller: which known words a strange one may be, by its letters and by its sound. */

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

/** How a word sounds, roughly: what cooks write by ear falls together. */
export const soundOf = (word: string): string =>
  word
    .replace(/ph/g, 'f')
    .replace(/ck|[cqk]/g, 'k')
    .replace(/oo|ou|u/g, 'u')
    .replace(/[aeiy]e|ee|ea|ie|y|i/g, 'i')
    .replace(/z/g, 's')
    .replace(/wh/g, 'w')
    .replace(/(.)\1+/g, '$1')
    .replace(/e$/, '');

/** A known word that a strange one may be. */
export interface Near {
  word: string;
  /** Edits between the two; one more than may be where only the sound is the same. */
  edits: number;
  isSameSound: boolean;
}

/** Whether two words may begin alike: the first letter is the same, or one letter was put before it or lost. */
const beginsAlike = (one: string, other: string): boolean =>
  one[0] === other[0] || one[0] === other[1] || one[1] === other[0];

/** By sound first, then by the fewest edits, then by how the word begins; equal ones by the alphabet. */
const ranked = (word: string) => (one: Near, other: Near) =>
  Number(other.isSameSound) - Number(one.isSameSound) ||
  one.edits - other.edits ||
  Number(beginsAlike(word, other.word)) - Number(beginsAlike(word, one.word)) ||
  (one.word < other.word ? -1 : 1);

/** Knows a vocabulary by heart. Made once for each. */
export class Speller {
  readonly #bySound = new Map<string, string[]>();
  /** Every known word under what is left of it with letters struck out: two words within some edits share such a remainder. */
  readonly #byRemainder = new Map<string, string[]>();

  constructor(words: Iterable<string>) {
    const put = (index: Map<string, string[]>, key: string, word: string): void => {
      const list = index.get(key);
      if (list) list.push(word);
      else index.set(key, [word]);
    };
    for (const word of words) {
      put(this.#bySound, soundOf(word), word);
      for (const key of withoutLetters(word, editsFor(word.length))) put(this.#byRemainder, key, word);
    }
  }

  /** The known words that sound like this one, the first learnt first. */
  sounding(word: string): readonly string[] {
    return this.#bySound.get(soundOf(word)) ?? [];
  }

  /** The known words within an edit (from seven letters two), or of the same sound; the nearest first. */
  near(word: string): Near[] {
    const limit = editsFor(word.length);
    const heard = new Set(this.sounding(word));
    const found = new Map<string, Near>();
    for (const key of withoutLetters(word, limit))
      for (const known of this.#byRemainder.get(key) ?? []) {
        if (found.has(known)) continue;
        const edits = editDistance(word, known, limit);
        if (edits <= limit) found.set(known, { word: known, edits, isSameSound: heard.has(known) });
      }
    for (const known of heard)
      if (!found.has(known)) found.set(known, { word: known, edits: limit + 1, isSameSound: true });
    return [...found.values()].sort(ranked(word));
  }
}
