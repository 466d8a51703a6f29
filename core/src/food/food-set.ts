/** A frozen larder, indexed once: by id, by every name, and by word for misspellings. */
import type { Food } from './food';
import { nameWords } from './names';
import { NUTRIENTS } from './nutrients';

export interface NameEntry {
  /** Ids of the foods (or components) this name may mean, most usual first. */
  ids: readonly string[];
  words: readonly string[];
}

/** A larder made ready for reading and computing. Build it once with `foodSet`; it never changes. */
export interface FoodSet {
  foods: ReadonlyMap<string, Food>;
  /** Composition per gram in the order of NUTRIENTS; NaN is unknown. */
  vectors: ReadonlyMap<string, Float64Array>;
  /** Every name and synonym, singular and lower case, joined by spaces. */
  names: ReadonlyMap<string, NameEntry>;
  /** First word of each name to the longest name that begins with it, in words. */
  longest: ReadonlyMap<string, number>;
  /** Words that occur in names, for misspellings. */
  vocabulary: ReadonlySet<string>;
  /** Each word of the vocabulary to the names it occurs in. */
  withWord: ReadonlyMap<string, readonly NameEntry[]>;
}

/** A name that is not a food's but a component's, so that "house stock" reads as the kitchen's own recipe. */
export interface ComponentName {
  id: string;
  name: string;
}

function vectorOf(food: Food): Float64Array {
  const vector = new Float64Array(NUTRIENTS.length);
  NUTRIENTS.forEach((id, index) => {
    const per100g = food.composition[id];
    vector[index] = per100g === null ? NaN : per100g / 100;
  });
  return vector;
}

/**
 * Indexes a larder. Foods that share a name keep the order given: put the usual meaning first.
 * @param alsoKnown words that are known and no misspelling, where only a part of a larder is at hand
 */
export function foodSet(
  foods: readonly Food[],
  components: readonly ComponentName[] = [],
  alsoKnown: readonly string[] = [],
): FoodSet {
  const names = new Map<string, { ids: string[]; words: readonly string[] }>();
  const longest = new Map<string, number>();
  const words = new Set<string>();
  const add = (name: string, id: string): void => {
    const parts = nameWords(name);
    const first = parts[0];
    if (first === undefined) return;
    const key = parts.join(' ');
    const entry = names.get(key);
    if (entry) {
      if (!entry.ids.includes(id)) entry.ids.push(id);
    } else names.set(key, { ids: [id], words: parts });
    longest.set(first, Math.max(longest.get(first) ?? 0, parts.length));
    for (const part of parts) if (part.length > 2) words.add(part);
  };
  for (const component of components) add(component.name, component.id);
  for (const food of foods) {
    add(food.name, food.id);
    for (const synonym of food.synonyms) add(synonym, food.id);
  }
  for (const word of alsoKnown) words.add(word);
  const withWord = new Map<string, NameEntry[]>();
  for (const entry of names.values()) {
    for (const word of entry.words) {
      const list = withWord.get(word);
      if (list) list.push(entry);
      else withWord.set(word, [entry]);
    }
  }
  return {
    foods: new Map(foods.map((food) => [food.id, food])),
    vectors: new Map(foods.map((food) => [food.id, vectorOf(food)])),
    names,
    longest,
    vocabulary: words,
    withWord,
  };
}
