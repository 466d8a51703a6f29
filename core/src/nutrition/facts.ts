/** Nutrition facts of a portion and of 100 g, with what is missing. */
import {
  availableCarbohydrate,
  energyOf,
  type FactId,
  type Facts,
  type NutrientId,
  NUTRIENTS,
  type Regime,
  SALT_PER_SODIUM,
} from '../food';
import type { NutrientSum } from './sum';

export interface MissingFigure {
  id: FactId | 'waterG';
  lineIds: string[];
}

/** Which nutrients each derived figure leans on. */
const LEANS_ON: Readonly<
  Record<'energyKcal' | 'energyKj' | 'availableCarbohydrateG' | 'saltG', readonly NutrientId[]>
> = {
  energyKcal: ['proteinG', 'fatG', 'carbohydrateG', 'fibreG', 'alcoholG'],
  energyKj: ['proteinG', 'fatG', 'carbohydrateG', 'fibreG', 'alcoholG'],
  availableCarbohydrateG: ['carbohydrateG', 'fibreG'],
  saltG: ['sodiumMg'],
};

/** Facts of some grams of a whole that weighs `wholeGrams` and holds `sum`. Energy is by the regime's factors. */
export function factsOf(sum: NutrientSum, wholeGrams: number, grams: number, regime: Regime): Facts {
  const share = wholeGrams > 0 ? grams / wholeGrams : 0;
  const facts = {} as Facts;
  NUTRIENTS.forEach((id, index) => {
    facts[id] = sum.amounts[index]! * share;
  });
  const energy = energyOf(facts, regime);
  facts.energyKcal = energy.energyKcal;
  facts.energyKj = energy.energyKj;
  facts.availableCarbohydrateG = availableCarbohydrate(facts);
  facts.saltG = (facts.sodiumMg / 1000) * SALT_PER_SODIUM;
  return facts;
}

/** Every figure that is only "at least", with the lines that lack it. */
export function missingFigures(sum: NutrientSum): MissingFigure[] {
  const of = (id: NutrientId): string[] => sum.missing[NUTRIENTS.indexOf(id)]!;
  const plain = NUTRIENTS.map((id) => ({ id: id as FactId | 'waterG', lineIds: [...new Set(of(id))] }));
  const derived = (Object.keys(LEANS_ON) as (keyof typeof LEANS_ON)[]).map((id) => ({
    id: id as FactId,
    lineIds: [...new Set(LEANS_ON[id].flatMap(of))],
  }));
  return [...plain, ...derived].filter(({ lineIds }) => lineIds.length > 0);
}
