/** What a misspelt word may be: the telling word it sounds like, else one within an edit or two. */
import { TELLING_WORDS } from '../allergen';
import { editsFor, Speller } from '../food';

const speller = new Speller([...TELLING_WORDS].filter((word) => word.length >= 3));

/** The telling word a misspelt one is nearest to: by its sound, else within an edit or two; null where none is near. */
export function respelt(word: string): string | null {
  if (word.length < 3) return null;
  const [heard] = speller.sounding(word);
  if (heard !== undefined) return heard;
  const begins = (known: string): boolean =>
    known[0] === word[0] || known[1] === word[0] || known[0] === word[1];
  const near = speller
    .near(word)
    .find(
      (each) =>
        each.edits <= Math.min(editsFor(word.length), editsFor(each.word.length)) && begins(each.word),
    );
  return near?.word ?? null;
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
