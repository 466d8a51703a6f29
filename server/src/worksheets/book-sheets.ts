/**
 * The worksheets of a whole book in a kitchen. Core is pure, so a worksheet stands as long as all that it is made of is the same to
 * the letter: a list is opened far more often than a dish is changed, and what was changed is worked out anew alone.
 */
import { type FoodSet, homeTarget, type Recipe, type Worksheet, worksheet } from '@hand-ladle/core';
import type { Store } from '../store';

export interface BookSheet {
  recipe: Recipe;
  sheet: Worksheet;
}

interface Shelf {
  /** The larder is made anew with every change of a food or a swap. */
  foods: FoodSet;
  /** Kitchen and components, as they were. */
  ground: string;
  /** By recipe: what it was made of, and what came of it. */
  sheets: Map<string, { made: string; sheet: Worksheet }>;
}

/** Kitchens whose books are kept: a sheet takes about 100 kB. */
const MOST_KITCHENS = 2;
const shelves = new WeakMap<Store, Map<string, Shelf>>();

/** Every recipe of the book with its worksheet in a kitchen, at the batch it was left at. */
export async function bookSheets(kitchenId: string | undefined, store: Store): Promise<BookSheet[]> {
  const kitchen = await store.kitchens.kitchen(kitchenId);
  const book = await store.recipes.book();
  const all = await store.recipes.all();
  const ground = JSON.stringify([kitchen, [...book.components]]);
  const own = shelves.get(store) ?? new Map<string, Shelf>();
  shelves.set(store, own);
  const before = own.get(kitchen.id);
  const sheets: Shelf['sheets'] = new Map();
  const kept = before?.foods === book.foods && before.ground === ground ? before.sheets : sheets;
  for (const { recipe, target: left, vesselIds } of all) {
    const made = JSON.stringify([recipe, left, vesselIds]);
    let known = kept.get(recipe.id);
    if (known?.made !== made) {
      const target = left ?? homeTarget(recipe, book, kitchen);
      known = { made, sheet: worksheet({ recipe, kitchen, target, vesselIds }, book) };
    }
    sheets.set(recipe.id, known);
  }
  own.delete(kitchen.id);
  own.set(kitchen.id, { foods: book.foods, ground, sheets });
  for (const id of [...own.keys()].slice(0, -MOST_KITCHENS)) own.delete(id);
  return all.map(({ recipe }) => ({ recipe, sheet: sheets.get(recipe.id)!.sheet }));
}
