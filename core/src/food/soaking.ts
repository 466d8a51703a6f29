/** Water that foods take up when they lie in it. */
import type { Food } from './food';

/** Soaked and drained, grams of water by gram of food, where the larder has no figure: beans double, nuts and seeds take about half
 * (kitchen references). */
const SOAK_UPTAKE: Readonly<Record<string, number>> = {
  pulse: 1.1,
  soya: 1.1,
  grain: 0.5,
  nut: 0.4,
  seed: 0.5,
  'dried fruit': 0.5,
};
const DRIED_FRUIT_WATER_G = 40;
const SPONGES = new Set(['nut', 'seed', 'dried fruit']);

/** Water a gram of a food takes up by soaking alone; 0 where it takes none. Dry food never more than by cooking. */
export function soakUptake(
  food: Pick<Food, 'category' | 'state' | 'cookingYield' | 'cookingYields' | 'composition'>,
): number {
  const known = food.cookingYields.find(({ method }) => method === 'soaked')?.absorbedGramsPerGram;
  if (known !== undefined) return known;
  if (food.state === 'dry' && food.cookingYield !== null)
    return Math.min(food.cookingYield - 1, SOAK_UPTAKE[food.category] ?? 1);
  if (SPONGES.has(food.category)) return SOAK_UPTAKE[food.category] ?? 0;
  // Dates and figs stand among the fruit.
  const isDriedFruit = food.category === 'fruit' && (food.composition.waterG ?? 100) < DRIED_FRUIT_WATER_G;
  return isDriedFruit ? SOAK_UPTAKE['dried fruit']! : 0;
}
