/** Where no swap frees a dish: the dish of the book that is free as it is and comes nearest to it. */
import { isFree } from '../allergen';
import { compose, type Composed } from '../dish';
import type { Kitchen } from '../kitchen';
import type { Book, Recipe } from '../recipe';
import { Asked, type Excluding, leavesOf } from '../swap';

export interface NearDish {
  recipeId: string;
  name: string;
  /** 0 to 1: what both hold, by weight, of the same foods and of the same kinds of food (convention). */
  likeness: number;
}

/** Shares by weight of the foods of a dish and of their kinds. */
function sharesOf(composed: Composed): { foods: Map<string, number>; kinds: Map<string, number> } {
  const leaves = leavesOf(composed).filter(({ grams, line }) => grams > 0 && line.food?.category !== 'water');
  const whole = leaves.reduce((sum, { grams }) => sum + grams, 0);
  const foods = new Map<string, number>();
  const kinds = new Map<string, number>();
  for (const { id, grams, line } of leaves) {
    const kind = line.food?.category ?? 'component';
    foods.set(id ?? line.name, (foods.get(id ?? line.name) ?? 0) + grams / whole);
    kinds.set(kind, (kinds.get(kind) ?? 0) + grams / whole);
  }
  return { foods, kinds };
}

const shared = (one: ReadonlyMap<string, number>, other: ReadonlyMap<string, number>): number =>
  [...one].reduce((sum, [key, share]) => sum + Math.min(share, other.get(key) ?? 0), 0);

/** Most dishes that are told. */
const MOST_NEAR = 3;

/** The free dishes nearest to one, nearest first. Components and the dish itself are passed over. */
export function nearestFree(
  recipe: Recipe,
  dishes: readonly Recipe[],
  { exclude, policy }: Excluding,
  kitchen: Kitchen,
  book: Book,
): NearDish[] {
  const own = sharesOf(compose(recipe, book, kitchen));
  const asked = new Asked(recipe, { exclude, policy }, kitchen, book);
  if (asked.unknown.length > 0) return [];
  return dishes
    .filter(({ id, isComponent }) => id !== recipe.id && !isComponent)
    .flatMap((each): NearDish[] => {
      const composed = compose(each, book, kitchen);
      if (!isFree(composed.traces, asked.wanted, policy)) return [];
      const { foods, kinds } = sharesOf(composed);
      const likeness = (shared(own.foods, foods) + shared(own.kinds, kinds)) / 2;
      return [{ recipeId: each.id, name: each.name, likeness }];
    })
    .sort((one, other) => other.likeness - one.likeness || (one.recipeId < other.recipeId ? -1 : 1))
    .slice(0, MOST_NEAR);
}
