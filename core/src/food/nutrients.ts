/**
 * The nutrients the product carries, each with its unit in its name. Order is the order of every vector.
 * `vitaminAUg` is in retinol activity equivalents, `folateUg` in micrograms of total folate.
 * `carbohydrateG` is total carbohydrate by difference, fibre included; the EU figure is derived from it.
 */
export const NUTRIENTS = [
  'waterG',
  'proteinG',
  'fatG',
  'saturatesG',
  'monounsaturatesG',
  'polyunsaturatesG',
  'transG',
  'alaG',
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
  'magnesiumMg',
  'zincMg',
  'phosphorusMg',
  'iodineUg',
  'vitaminAUg',
  'vitaminCMg',
  'vitaminDUg',
  'vitaminEMg',
  'vitaminKUg',
  'vitaminB12Ug',
  'folateUg',
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
  monounsaturatesG: { name: 'Monounsaturates', unit: 'g' },
  polyunsaturatesG: { name: 'Polyunsaturates', unit: 'g' },
  transG: { name: 'Trans fat', unit: 'g' },
  alaG: { name: 'Alpha-linolenic acid (ALA)', unit: 'g' },
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
  magnesiumMg: { name: 'Magnesium', unit: 'mg' },
  zincMg: { name: 'Zinc', unit: 'mg' },
  phosphorusMg: { name: 'Phosphorus', unit: 'mg' },
  iodineUg: { name: 'Iodine', unit: 'µg' },
  vitaminAUg: { name: 'Vitamin A', unit: 'µg' },
  vitaminCMg: { name: 'Vitamin C', unit: 'mg' },
  vitaminDUg: { name: 'Vitamin D', unit: 'µg' },
  vitaminEMg: { name: 'Vitamin E', unit: 'mg' },
  vitaminKUg: { name: 'Vitamin K', unit: 'µg' },
  vitaminB12Ug: { name: 'Vitamin B12', unit: 'µg' },
  folateUg: { name: 'Folate', unit: 'µg' },
};
