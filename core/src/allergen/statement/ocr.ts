/** Words as a scanner or a hurried hand left them: bars for letters, figures inside words, two words in one. */

/** Bars and figures inside a word are letters. */
export const mendedText = (text: string): string =>
  text
    .replace(/(?<=\p{L})[|!](?=\p{L})/gu, 'l')
    .replace(/(?<=\p{L})0(?=\p{L})/gu, 'o')
    .replace(/(?<=\p{L})1(?=\p{L})/gu, 'l')
    .replace(/(?<=\p{L})5(?=\p{L})/gu, 's')
    .replace(/(?<=\p{L}{3})5(?![\p{L}\d])/gu, 's')
    // Letters set apart: "W H E A T".
    .replace(/\b(?:\p{Lu} ){3,}\p{Lu}\b/gu, (word) => word.replace(/ /g, ''))
    // A word broken at the end of a line.
    .replace(/(?<=\p{L})-\s*\n\s*(?=\p{Ll})/gu, '');

/** Shapes that scanners mistake for each other. */
const CONFUSED: readonly (readonly [string, string])[] = [
  ['rn', 'm'],
  ['vv', 'w'],
  ['cl', 'd'],
  ['ii', 'u'],
  ['li', 'h'],
];
const LEAST = 6;
/** A longer one is no word. */
const LONGEST = 40;

function isOneOff(one: string, other: string): boolean {
  if (Math.abs(one.length - other.length) > 1) return false;
  let at = 0;
  while (at < one.length && one[at] === other[at]) at += 1;
  const [restOne, restOther] = [one.slice(at), other.slice(at)];
  return (
    restOne.slice(1) === restOther.slice(1) ||
    restOne === restOther.slice(1) ||
    restOne.slice(1) === restOther ||
    (restOne[0] === restOther[1] && restOne[1] === restOther[0] && restOne.slice(2) === restOther.slice(2))
  );
}

/**
 * What an unknown word may be: known words it is made of, and whether that is sure. Null where it is nothing known.
 * @param isKnown whether a word or phrase is one of the tables
 * @param known single words of the tables, for near misses
 */
export function mendedWord(
  word: string,
  isKnown: (phrase: string) => boolean,
  known: readonly string[],
): { words: string[]; isSure: boolean } | null {
  if (word.length > LONGEST) return null;
  for (const [seen, meant] of CONFUSED) {
    const mended = word.replace(seen, meant);
    if (mended !== word && isKnown(mended)) return { words: [mended], isSure: true };
  }
  for (let at = 3; at <= word.length - 3; at += 1) {
    const [before, after] = [word.slice(0, at), word.slice(at)];
    const single = after.replace(/s$/, '');
    for (const last of [after, single])
      if (isKnown(`${before} ${last}`) || (isKnown(before) && (isKnown(last) || TAILS.has(last))))
        return { words: [before, last], isSure: true };
  }
  if (word.length < LEAST) return null;
  const near = known.find((each) => each.length >= LEAST && !NEAR_AND_NOT.has(word) && isOneOff(word, each));
  return near ? { words: [near], isSure: false } : null;
}

/** What is written onto the name of a food. */
const TAILS = new Set([
  'flour',
  'bean',
  'butter',
  'milk',
  'seed',
  'oil',
  'starch',
  'protein',
  'powder',
  'paste',
  'nut',
  'gluten',
  'cream',
  'sauce',
  'syrup',
  'germ',
  'bran',
  'fibre',
  'fiber',
  'malt',
  'extract',
  'flake',
  'meal',
  'crumb',
  'kernel',
  'white',
  'yolk',
]);
/** Words a letter away from an allergen and none. */
const NEAR_AND_NOT = new Set([
  'batter',
  'bitter',
  'better',
  'matter',
  'parley',
  'almost',
  'sesame',
  'coconut',
  'custom',
  'flower',
  'floured',
  'mutter',
  'gutter',
  'season',
  'cashed',
  'lentil',
  'lupins',
  'cheesy',
  'creamy',
  'buttery',
  'walnuts',
  'please',
  'mussels',
  'pasties',
  'pastas',
  'casing',
]);
