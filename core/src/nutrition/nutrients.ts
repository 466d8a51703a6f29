/**
 * The nutrients the product carries, each with its unit in its name. Order is the order of every vector.
 * `carbohydrateG` is total carbohydrate by difference, fibre included; the EU figure is derived from it.
 */
export const NUTRIENTS = [
  'waterG',
  'proteinG',
  'fatG',
  'saturatesG',
  'transG',
  'cholesterolMg',
  'carbohydrateG',
  'sugarsG',
  'addedSugarsG',
  'fibreG',
  'alcoholG',
  'sodiumMg',
  'potassiumMg',
  'calciumMg',
  'ironMg',
  'vitaminDUg',
] as const;
export type NutrientId = (typeof NUTRIENTS)[number];

/** What 100 g of edible portion holds. `null` is unknown, which is never zero. */
export type Composition = Readonly<Record<NutrientId, number | null>>;

/** Name and unit of each nutrient for the screen. */
export const NUTRIENT_NAMES: Readonly<Record<NutrientId, { name: string; unit: 'g' | 'mg' | 'µg' }>> = {
  waterG: { name: 'Water', unit: 'g' },
  proteinG: { name: 'Protein', unit: 'g' },
  fatG: { name: 'Fat', unit: 'g' },
  saturatesG: { name: 'Saturates', unit: 'g' },
  transG: { name: 'Trans fat', unit: 'g' },
  cholesterolMg: { name: 'Cholesterol', unit: 'mg' },
  carbohydrateG: { name: 'Carbohydrate, total', unit: 'g' },
  sugarsG: { name: 'Sugars', unit: 'g' },
  addedSugarsG: { name: 'Added sugars', unit: 'g' },
  fibreG: { name: 'Fibre', unit: 'g' },
  alcoholG: { name: 'Alcohol', unit: 'g' },
  sodiumMg: { name: 'Sodium', unit: 'mg' },
  potassiumMg: { name: 'Potassium', unit: 'mg' },
  calciumMg: { name: 'Calcium', unit: 'mg' },
  ironMg: { name: 'Iron', unit: 'mg' },
  vitaminDUg: { name: 'Vitamin D', unit: 'µg' },
};
