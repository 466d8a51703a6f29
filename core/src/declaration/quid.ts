/**
 * The quantity of what the name of a dish or a picture on its pack stresses (1169/2011 article 22 and Annex VIII): as put in,
 * against the finished food, so that what lost water counts by what it was.
 */
import type { StatementItem } from '../dish';
import { nameWords } from '../food';
import { fixedText } from '../quantity';

/** What is made of a food and is not what its name stresses: olive oil is no olives. */
const NOT_THE_FOOD = new Set(['oil', 'vinegar', 'starch', 'salt', 'sugar', 'water', 'yeast', 'syrup']);
/** Words of a title that name a whole kind of food, and the categories of the larder they mean. */
const KINDS: Readonly<Record<string, readonly string[]>> = {
  vegetable: ['vegetable', 'green', 'aromatic'],
  green: ['green'],
  fruit: ['fruit', 'dried fruit'],
  nut: ['nut'],
  grain: ['grain'],
  herb: ['herb'],
  bean: ['pulse'],
  pulse: ['pulse'],
  seed: ['seed'],
};

/** What is known of a food for holding it against a title. */
export interface TitledFood {
  names: readonly string[];
  category: string;
}

export interface QuidAsked {
  title: string;
  /** Foods that a picture or words on the pack stress. */
  stressed: ReadonlySet<string>;
  food: (id: string) => TitledFood | null;
}

/** Every ingredient of a statement, opened, each once. */
const everyItem = (items: readonly StatementItem[]): StatementItem[] =>
  items.flatMap((item) => [item, ...everyItem(item.parts)]);

/** Takes the words of a phrase out of a title; null where they do not stand in it side by side. */
function without(title: readonly string[], phrase: readonly string[]): string[] | null {
  if (phrase.length === 0) return null;
  for (let at = 0; at + phrase.length <= title.length; at += 1)
    if (phrase.every((word, index) => title[at + index] === word))
      return [...title.slice(0, at), '', ...title.slice(at + phrase.length)];
  return null;
}

/** The names of the ingredients that are stressed: whole names first, then what is left by its noun, then whole kinds. */
export function stressedNames(
  items: readonly StatementItem[],
  { title, stressed, food }: QuidAsked,
): Set<string> {
  const found = new Set<string>();
  const candidates = everyItem(items)
    .filter(({ isWater }) => !isWater)
    .map((item) => {
      const known = item.foodId === null ? null : food(item.foodId);
      const phrases = [item.name, ...(known?.names ?? [])].map(nameWords).sort((a, b) => b.length - a.length);
      return { item, known, phrases };
    });
  let left = nameWords(title);
  const byLength = candidates
    .flatMap(({ item, phrases }) => phrases.map((phrase) => ({ item, phrase })))
    .sort((one, other) => other.phrase.length - one.phrase.length);
  for (const { item, phrase } of byLength) {
    const rest = without(left, phrase);
    if (!rest) continue;
    found.add(item.name);
    left = rest;
  }
  const words = new Set(left.filter((word) => word !== ''));
  for (const { item, known } of candidates) {
    const own = nameWords(item.name);
    const isTheFood = !NOT_THE_FOOD.has(own.at(-1) ?? '');
    const isKind = [...words].some((word) => known && KINDS[word]?.includes(known.category));
    const isNamed = isTheFood && own.some((word) => words.has(word) && !KINDS[word]);
    if (isKind || isNamed || (item.foodId !== null && stressed.has(item.foodId))) found.add(item.name);
  }
  return found;
}

/**
 * The items with the share of the stressed ones.
 * @param wholeGrams what they are a share of: what went in, less what went off as steam (Annex VIII 4)
 */
export function withShares(
  items: readonly StatementItem[],
  asked: QuidAsked,
  wholeGrams: number,
): StatementItem[] {
  const names = stressedNames(items, asked);
  if (names.size === 0 || wholeGrams <= 0) return [...items];
  const share = (grams: number): number => grams / wholeGrams;
  const opened = (parts: readonly StatementItem[], whole: number): StatementItem[] => {
    const all = parts.reduce((sum, { grams }) => sum + grams, 0);
    return parts.map((part) => {
      const grams = all > 0 ? (whole * part.grams) / all : 0;
      return {
        ...part,
        ...(names.has(part.name) && grams > 0 ? { share: share(grams) } : {}),
        parts: opened(part.parts, grams),
      };
    });
  };
  return items.map((item) => ({
    ...item,
    // A weight that nobody knows has no share.
    ...(names.has(item.name) && item.grams > 0 ? { share: share(item.grams) } : {}),
    parts: opened(item.parts, item.grams),
  }));
}

/** "23%", "2.4%"; null above a hundred, where the weight in 100 g is said instead. */
export const shareText = (share: number): string | null => {
  const percent = share * 100;
  if (percent > 100) return null;
  return `${fixedText(percent, percent < 5 ? 1 : 0)}%`;
};
