/** What a food holds in a kitchen: the panel of the pack it buys, and reference figures where the panel is silent. */
import { type Food, type FoodSet, NUTRIENTS } from '../food';
import { type Kitchen, packOf } from '../kitchen';

const VECTORS = new WeakMap<Kitchen, Map<string, Float64Array | null>>();

function withPanel(food: Food, larder: FoodSet, kitchen: Kitchen): Float64Array | null {
  const reference = larder.vectors.get(food.id);
  const panel = packOf(kitchen, food.id)?.panel;
  if (!reference || !panel || Object.keys(panel).length === 0) return null;
  const vector = Float64Array.from(reference);
  NUTRIENTS.forEach((id, index) => {
    const per100g = panel[id];
    if (per100g !== undefined) vector[index] = per100g / 100;
  });
  return vector;
}

/** Composition per gram in the order of NUTRIENTS; NaN is unknown. Undefined for a food the larder lacks. */
export function vectorHere(food: Food, larder: FoodSet, kitchen: Kitchen): Float64Array | undefined {
  let ofKitchen = VECTORS.get(kitchen);
  if (!ofKitchen) VECTORS.set(kitchen, (ofKitchen = new Map()));
  let own = ofKitchen.get(food.id);
  if (own === undefined) ofKitchen.set(food.id, (own = withPanel(food, larder, kitchen)));
  return own ?? larder.vectors.get(food.id);
}
