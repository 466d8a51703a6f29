/** Small weights as spoons, for a kitchen whose scale does not show them: only below 15 mL, with the error said. */
import type { Food } from '../food';
import { MILLILITRES_PER, type UnitSystem } from '../quantity';
import { TIGHT_ERROR } from './scale-rounding';

/** Above this volume nobody should count spoons, in millilitres. */
export const MOST_SPOON_ML = 15;
const QUARTERS = ['', '1/4', '1/2', '3/4'] as const;

export interface Spoons {
  /** "1 1/2 tsp". */
  text: string;
  grams: number;
  /** Share by which the spoons are off. */
  error: number;
}

/** Grams of a millilitre of a food by its own spoon, else by its cup; null where nobody measured one. */
export function gramsPerMillilitre(food: Food): number | null {
  for (const unit of ['tsp', 'tbsp', 'cup'] as const) {
    const measure = food.measures.find((each) => each.unit === unit && each.form === '');
    if (measure) return measure.grams / MILLILITRES_PER.us[unit];
  }
  return null;
}

/** The nearest spoons to a weight, in quarters of a teaspoon; null where none is near or the amount is no spoon's. */
export function spoonsFor(grams: number, food: Food, isTightLine: boolean, units: UnitSystem): Spoons | null {
  const density = gramsPerMillilitre(food);
  if (density === null || !(density > 0) || !(grams > 0)) return null;
  const millilitres = grams / density;
  if (millilitres >= MOST_SPOON_ML) return null;
  const quarter = MILLILITRES_PER[units].tsp / 4;
  const quarters = Math.round(millilitres / quarter);
  const whole = Math.floor(quarters / 4);
  if (quarters === 0) return null;
  const held = quarters * quarter * density;
  const error = held / grams - 1;
  if (isTightLine && Math.abs(error) > TIGHT_ERROR) return null;
  const text = [whole > 0 ? String(whole) : '', QUARTERS[quarters % 4]!].filter(Boolean).join(' ');
  return { text: `${text} tsp`, grams: held, error };
}
