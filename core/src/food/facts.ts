/** The figures that a screen and a label show of a food or a portion. */
import { NUTRIENT_NAMES, type NutrientId } from './nutrients';

/** The figures a screen and a label show, each with its unit in its name. */
export type FactId =
  Exclude<NutrientId, 'waterG'> | 'energyKcal' | 'energyKj' | 'availableCarbohydrateG' | 'saltG';

export type Facts = Record<FactId | 'waterG', number>;

/** Name and unit of every figure for the screen. */
export const FACT_NAMES: Readonly<Record<FactId | 'waterG', { name: string; unit: string }>> = {
  ...NUTRIENT_NAMES,
  energyKcal: { name: 'Energy', unit: 'kcal' },
  energyKj: { name: 'Energy', unit: 'kJ' },
  availableCarbohydrateG: { name: 'Carbohydrate, available', unit: 'g' },
  saltG: { name: 'Salt', unit: 'g' },
};

/** Every figure but water, in the order of the table. */
export const FACT_IDS = (Object.keys(FACT_NAMES) as (keyof typeof FACT_NAMES)[]).filter(
  (id): id is FactId => id !== 'waterG',
);
