/** Where a kitchen keeps a food until it is used. */
import type { Food } from '../food';

export const PLACES = ['dry', 'cold', 'fresh', 'frozen', 'tap'] as const;
export type Place = (typeof PLACES)[number];
export const PLACE_NAMES: Readonly<Record<Place, string>> = {
  dry: 'Dry store',
  cold: 'Cold room',
  fresh: 'Fruit and vegetables',
  frozen: 'Freezer',
  tap: 'From the tap',
};

/** Foods that are bought fresh, where they are raw (convention). */
const FRESH = new Set(['vegetable', 'fruit', 'herb', 'aromatic', 'green']);
/** What spoils within days outside the cold (convention). */
const COLD = new Set([
  'soya',
  'wheat protein',
  'ferment',
  'milk',
  'cream',
  'cheese',
  'egg',
  'fish',
  'meat',
  'crustacean',
  'analogue',
]);

/** The place of a food: by its state first, then by what it is (convention; a kitchen may keep it elsewhere). */
export function placeOf({ category, state, name }: Pick<Food, 'category' | 'state' | 'name'>): Place {
  if (category === 'water') return 'tap';
  if (/\bfrozen\b/i.test(name)) return 'frozen';
  if (state === 'dry' || state === 'tinned') return 'dry';
  if (COLD.has(category) || state === 'cooked') return 'cold';
  return FRESH.has(category) && state === 'raw' ? 'fresh' : 'dry';
}
