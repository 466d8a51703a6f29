/** What a gram of a food costs in a kitchen: by the pack on record, else by its price class. */
import type { Food, PriceClass } from '../food';
import { type Kitchen, packOf } from './kitchen';

/** Money per kilogram as purchased, where no pack says: only to compare foods (convention). */
export const PRICE_OF_CLASS: Readonly<Record<PriceClass, number>> = { low: 2, mid: 6, high: 16 };

export interface Price {
  /** Of one edible gram, in the kitchen's own money. */
  perGram: number;
  origin: 'pack label' | 'convention';
}

/** The price of one edible gram; null where nobody can say. */
export function priceOf(food: Food, kitchen: Kitchen): Price | null {
  const pack = packOf(kitchen, food.id);
  // What a pack drains to is eaten whole; of its net weight the trim goes off.
  const edible = pack?.drainedGrams ?? (pack?.netGrams == null ? null : pack.netGrams * food.trimYield);
  if (pack?.price != null && edible !== null && edible > 0)
    return { perGram: pack.price / edible, origin: 'pack label' };
  if (food.category === 'water') return { perGram: 0, origin: 'convention' };
  if (food.priceClass === null) return null;
  return { perGram: PRICE_OF_CLASS[food.priceClass] / 1000 / food.trimYield, origin: 'convention' };
}
