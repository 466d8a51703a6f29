/** Everything a recipe leans on, frozen for one computation: the larder, the components, the swaps. */
import type { FoodSet, SwapEntry } from '../food';
import type { Recipe } from './recipe';

export interface Book {
  foods: FoodSet;
  components: ReadonlyMap<string, Recipe>;
  swaps: ReadonlyMap<string, SwapEntry>;
}

/** A book from plain lists. */
export function bookOf(foods: FoodSet, components: readonly Recipe[], swaps: readonly SwapEntry[]): Book {
  return {
    foods,
    components: new Map(components.map((each) => [each.id, each])),
    swaps: new Map(swaps.map((each) => [each.id, each])),
  };
}
