/** What a misspelt word may be: the telling word it sounds like, else one within an edit or two. */
import { TELLING_WORDS } from '../allergen';
import { editDistance, editsFor, withoutLetters } from '../food';

/** How a word sounds, roughly: what cooks write by ear falls together. */
const soundOf = (word: string): string =>
  word
    .replace(/ph/g, 'f')
    .replace(/ck|[cqk]/g, 'k')
    .replace(/oo|ou|u/g, 'u')
    .replace(/[aeiy]e|ee|ea|ie|y|i/g, 'i')
    .replace(/z/g, 's')
    .replace(/wh/g, 'w')
    .replace(/(.)\1+/g, '$1')
    .replace(/e$/, '');

const SOUNDS = new Map<string, string>();
/** What is left of a telling word when letters are struck out: a misspelling shares one of these with it. */
const REMAINDERS = new Map<string, string[]>();

for (const word of TELLING_WORDS) {
  if (word.length < 3) continue;
  if (!SOUNDS.has(soundOf(word))) SOUNDS.set(soundOf(word), word);
  for (const key of withoutLetters(word, editsFor(word.length))) {
    const list = REMAINDERS.get(key);
    if (list) list.push(word);
    else REMAINDERS.set(key, [word]);
  }
}

/** The telling word a misspelt one is nearest to: by its sound, else within an edit or two; null where none is near. */
export function respelt(word: string): string | null {
  if (word.length < 3) return null;
  const heard = SOUNDS.get(soundOf(word));
  if (heard) return heard;
  const limit = editsFor(word.length);
  let best: string | null = null;
  let nearest = limit + 1;
  for (const key of withoutLetters(word, limit))
    for (const known of REMAINDERS.get(key) ?? []) {
      const isSameStart = known[0] === word[0] || known[1] === word[0] || known[0] === word[1];
      if (!isSameStart) continue;
      const distance = editDistance(word, known, Math.min(limit, editsFor(known.length)));
      if (distance > Math.min(limit, editsFor(known.length))) continue;
      if (distance < nearest || (distance === nearest && best !== null && known < best))
        [best, nearest] = [known, distance];
    }
  return best;
}

/** Words known to be no misspelling, and what unknown words were taken for: both are few and asked often. */
const UNKNOWN = new Map<string, string | null>();
const MOST_KEPT = 20_000;

export function misspelt(word: string): string | null {
  let known = UNKNOWN.get(word);
  if (known === undefined) {
    if (UNKNOWN.size > MOST_KEPT) UNKNOWN.clear();
    UNKNOWN.set(word, (known = respelt(word)));
  }
  return known;
}
