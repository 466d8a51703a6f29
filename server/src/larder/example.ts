/** A food as the documentation sends it: what is not known is null, never zero. */
import { type Food, NUTRIENTS } from '@hand-ladle/core';

const UNKNOWN = Object.fromEntries(NUTRIENTS.map((nutrient) => [nutrient, null])) as Food['composition'];

export const SEA_BEET: Food = {
  id: 'sea-beet',
  name: 'Sea beet leaves',
  labelName: 'Sea beet',
  synonyms: [],
  category: 'vegetable',
  state: 'raw',
  kind: 'single',
  animal: 'plant',
  wholeFood: 'whole',
  functions: [],
  scaling: 'linear',
  trimYield: 0.8,
  cookingYield: null,
  cookingYields: [],
  allergens: {},
  cautions: [],
  composition: { ...UNKNOWN, proteinG: 2.2, fatG: 0.3, carbohydrateG: 3.6 },
  energyKcal: null,
  priceClass: null,
  source: 'guess',
  figureSources: {},
  measures: [],
};
