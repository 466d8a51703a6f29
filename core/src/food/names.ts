/** Names made comparable: lower case, no accents, singular, hyphens as spaces. */

const IRREGULAR: ReadonlyMap<string, string> = new Map([
  ['leaves', 'leaf'],
  ['loaves', 'loaf'],
  ['halves', 'half'],
  ['potatoes', 'potato'],
  ['tomatoes', 'tomato'],
  ['mangoes', 'mango'],
  ['radishes', 'radish'],
  ['peaches', 'peach'],
  ['squashes', 'squash'],
  ['anchovies', 'anchovy'],
]);
const UNCHANGED = new Set(['molasses', 'couscous', 'hummus', 'asparagus', 'swiss', 'citrus', 'brussels']);

/** The singular of one lower-case English word, by rule, with the kitchen's irregular ones. */
export function singular(word: string): string {
  const irregular = IRREGULAR.get(word);
  if (irregular !== undefined) return irregular;
  if (word.length < 4 || !word.endsWith('s') || UNCHANGED.has(word) || word.endsWith('ss')) return word;
  if (word.endsWith('ies')) return `${word.slice(0, -3)}y`;
  if (/(ches|shes|xes|sses)$/.test(word)) return word.slice(0, -2);
  return word.endsWith('us') ? word : word.slice(0, -1);
}

const LATIN_ONLY = /^[a-z0-9 ]*$/;

/** Lower case without accents; everything that is no letter, digit or apostrophe becomes a space. */
export function plainText(text: string): string {
  const lower = text.toLowerCase();
  if (LATIN_ONLY.test(lower)) return lower;
  return lower
    .normalize('NFD')
    .replace(/[\u0300-\u036f]/g, '')
    .replace(/['’]/g, '')
    .replace(/[^\p{L}\p{N}]+/gu, ' ');
}

/** The comparable words of a name: "Soya beans, cooked" is ["soya", "bean", "cooked"]. */
export function nameWords(name: string): string[] {
  return plainText(name)
    .split(' ')
    .filter((word) => word !== '')
    .map(singular);
}
