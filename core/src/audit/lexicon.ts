/**
 * Every word the product knows as a food, a product or an allergen: the larder's names, the dictionary of allergen words, and
 * what a kitchen calls things itself.
 */
import { foodTraces, isWordOfMeaning, longestMeaning, type Meaning, meaningOf } from '../allergen';
import { type FoodSet, nameWords, type SubstanceBits } from '../food';
import type { Kitchen } from '../kitchen';

/** A word or phrase found in the dictionary. */
export interface Entry {
  key: string;
  meaning: Meaning | null;
  /** Foods and components of this name; empty where only the dictionary knows it. */
  foodIds: readonly string[];
  /** Entries of the kitchen's own list that are called so. */
  own: number;
}

interface Here {
  /** Names the kitchen tied to foods, and its own list, by comparable words. */
  names: ReadonlyMap<string, { foodIds: string[]; own: number }>;
  longest: ReadonlyMap<string, number>;
}

const NO_IDS: readonly string[] = [];
const HERE = new WeakMap<Kitchen, Here>();

function hereOf(kitchen: Kitchen): Here {
  let here = HERE.get(kitchen);
  if (here) return here;
  const names = new Map<string, { foodIds: string[]; own: number }>();
  const longest = new Map<string, number>();
  const put = (name: string, foodId: string | null, own: number): void => {
    const words = nameWords(name);
    if (words.length === 0) return;
    const key = words.join(' ');
    const known = names.get(key) ?? { foodIds: [], own: 0 };
    names.set(key, {
      foodIds: foodId === null ? known.foodIds : [...known.foodIds, foodId],
      own: known.own | own,
    });
    longest.set(words[0]!, Math.max(longest.get(words[0]!) ?? 0, words.length));
  };
  for (const { written, foodId } of kitchen.names) put(written, foodId, 0);
  kitchen.ownAllergens.forEach(({ name }, index) => put(name, null, 1 << index));
  HERE.set(kitchen, (here = { names, longest }));
  return here;
}

/** The dictionary as a kitchen reads it. */
export class Lexicon {
  private readonly here: Here;

  constructor(
    readonly foods: FoodSet,
    readonly kitchen: Kitchen,
    /** A recipe does not name itself: the words of its own name are read one by one. */
    private readonly selfId = '',
  ) {
    this.here = hereOf(kitchen);
  }

  /** Words of the longest phrase that begins with a word; 0 where none does. */
  longest(first: string): number {
    return Math.max(
      longestMeaning(first),
      this.foods.longest.get(first) ?? 0,
      this.here.longest.get(first) ?? 0,
    );
  }

  entry(key: string): Entry | null {
    const meaning = meaningOf(key);
    const ids = this.foods.names.get(key)?.ids ?? NO_IDS;
    const named = ids.includes(this.selfId) ? ids.filter((id) => id !== this.selfId) : ids;
    const own = this.here.names.get(key);
    if (!meaning && named.length === 0 && !own) return null;
    const foodIds = own ? [...own.foodIds, ...named] : named;
    return { key, meaning, foodIds, own: own?.own ?? 0 };
  }

  /** Whether a word stands anywhere in a name or phrase of the dictionary. */
  isKnown(word: string): boolean {
    return isWordOfMeaning(word) || this.foods.vocabulary.has(word) || this.foods.longest.has(word);
  }
}

/** Everything a food may bring in a kitchen, and what it surely does. */
export function bitsOfFood(
  foodId: string,
  { foods, kitchen }: Lexicon,
): { contains: SubstanceBits; all: SubstanceBits; own: number } {
  const food = foods.foods.get(foodId);
  const sum = { contains: 0, all: 0, own: 0 };
  if (!food) return sum;
  for (const { status, bits, own } of foodTraces(food, kitchen)) {
    sum.all |= bits;
    sum.own |= own;
    if (status === 'contains') sum.contains |= bits;
  }
  return sum;
}
