/** Which column of somebody's table holds which of our figures: a guess from its heading, for a person to correct. */
import { SHEET_COLUMNS, sheetColumnOf } from '../allergen';
import { FOOD_COLUMNS, plainText } from '../food';

export interface TableField {
  /** Column name of our own table, or one that is turned into it (`salt_g`). */
  id: string;
  name: string;
  required: boolean;
}

const EXTRA_NAMES: Readonly<Record<string, string>> = {
  energy_kj: 'Energy (kJ)',
  salt_g: 'Salt (g)',
  available_carbohydrate_g: 'Carbohydrate, available (g)',
  carbohydrate_g: 'Carbohydrate, total (g)',
};
/** Fields that are turned into our own columns when a row is read. */
const BESIDES = ['energy_kj', 'salt_g', 'available_carbohydrate_g'];
const fieldName = (id: string): string => {
  const words = id
    .replace(/_(g|mg|ug|kcal)$/, (_, unit: string) => ` (${unit === 'ug' ? 'µg' : unit})`)
    .replace(/_/g, ' ');
  return EXTRA_NAMES[id] ?? words.charAt(0).toUpperCase() + words.slice(1);
};

/** What a table of foods can bring. */
export const FOOD_FIELDS: readonly TableField[] = [...FOOD_COLUMNS, ...BESIDES].map((id) => ({
  id,
  name: fieldName(id),
  required: id === 'name',
}));

/** What a supplier's list or specification sheet can bring. */
export const PRODUCT_FIELDS: readonly TableField[] = [
  { id: 'product_name', name: 'Product name', required: true },
  { id: 'food', name: 'Food it is (name or id)', required: false },
  { id: 'supplier', name: 'Supplier', required: false },
  { id: 'net_g', name: 'Net weight (g)', required: false },
  { id: 'drained_g', name: 'Drained weight (g)', required: false },
  { id: 'price', name: 'Price of a pack', required: false },
  { id: 'statement', name: 'Ingredient statement', required: false },
  { id: 'contains', name: 'Contains (allergens named)', required: false },
  { id: 'may_contain', name: 'May contain', required: false },
  { id: 'certified_gluten_free', name: 'Certified gluten-free', required: false },
  ...SHEET_COLUMNS.map(({ id, name }) => ({ id, name, required: false })),
];

/** Headings that composition tables and suppliers use, beside our own column names. */
const HEADINGS: Readonly<Record<string, string>> = {
  id: 'food code|code|food id|item code|foodcode',
  name: 'food name|food|description|item|long description|food description|foodname',
  synonyms: 'other names|alias|common name|alternative names',
  category: 'food group|group|food category',
  energy_kcal: 'energy|kcal|calories|energy kcal|kilocalories|energi kcal',
  energy_kj: 'kj|energy kj|kilojoules',
  water_g: 'water|moisture',
  protein_g: 'protein|proteins|total protein',
  fat_g: 'fat|total fat|lipid|total lipid|lipids|fats',
  saturates_g:
    'saturates|saturated fat|saturated fatty acids|sfa|satd fa|fatty acids total saturated|of which saturates',
  monounsaturates_g:
    'monounsaturates|mufa|mono|monounsaturated fat|fatty acids total monounsaturated|mono unsaturated fa',
  polyunsaturates_g: 'polyunsaturates|pufa|poly|polyunsaturated fat|fatty acids total polyunsaturated',
  trans_g: 'trans|trans fat|trans fatty acids',
  ala_g: 'ala|alpha linolenic acid|18 3 n 3',
  cholesterol_mg: 'cholesterol',
  carbohydrate_g: 'carbohydrate by difference|total carbohydrate|carbohydrate total|carbs',
  available_carbohydrate_g: 'carbohydrate available|available carbohydrate|carbohydrate|carbohydrates',
  sugars_g: 'sugars|total sugars|sugar|of which sugars|sugars total',
  added_sugars_g: 'added sugars|sugars added',
  fibre_g: 'fibre|fiber|dietary fibre|dietary fiber|aoac fibre|fibre total dietary|fiber total dietary',
  alcohol_g: 'alcohol|ethanol|alcohol ethyl',
  sodium_mg: 'sodium|na',
  salt_g: 'salt|salt equivalent',
  potassium_mg: 'potassium|k',
  calcium_mg: 'calcium|ca',
  iron_mg: 'iron|fe',
  magnesium_mg: 'magnesium|mg',
  zinc_mg: 'zinc|zn',
  phosphorus_mg: 'phosphorus|p',
  iodine_ug: 'iodine|i',
  vitamin_a_ug: 'vitamin a|vitamin a rae|retinol equivalent|retinol activity equivalents',
  vitamin_c_mg: 'vitamin c|ascorbic acid|vitamin c total ascorbic acid',
  vitamin_d_ug: 'vitamin d|vitamin d d2 d3',
  vitamin_e_mg: 'vitamin e|alpha tocopherol',
  vitamin_k_ug: 'vitamin k|vitamin k1|phylloquinone',
  vitamin_b12_ug: 'vitamin b12|b12|cobalamin',
  folate_ug: 'folate|total folate|folic acid|folate total',
  product_name: 'product|name|product description|item name|description|article name|article description',
  food: 'ingredient|our food|larder food|kitchen food',
  supplier: 'brand owner|vendor|seller|wholesaler|from',
  net_g: 'net|net weight|weight|net g|pack weight|net content|pack size|size|pack|unit size|case size',
  drained_g: 'drained|drained weight',
  price: 'cost|pack price|unit price|list price',
  statement: 'ingredients|ingredient statement|ingredient list|ingredient declaration',
  contains:
    'contains|allergens|allergen|allergens contained|allergens present|contains allergens|allergen information|allergy advice|allergy information',
  may_contain: 'may contain|traces|precautionary|cross contamination',
  certified_gluten_free: 'gluten free|certified gluten free|gf',
};

const comparable = (text: string): string => plainText(text).trim().replace(/\s+/g, ' ');
/** A heading without its unit and basis: "Sodium (mg/100 g)" is "sodium". */
const withoutUnit = (heading: string): string =>
  comparable(
    heading
      .replace(/[([].*?[)\]]/g, ' ')
      .replace(/[,_ ]+(?:per )?(?:g|mg|ug|µg|mcg|kcal|kj)(?:\s*(?:\/|per)\s*100\s*g)?\s*$/i, ' ')
      .replace(/per 100 ?g/i, ' '),
  );

/** For each heading the field it most likely holds, or an empty text. A field is given once, allergen columns of a sheet apart. */
export function guessMapping(
  headings: readonly string[],
  fields: readonly TableField[],
): Record<string, string> {
  const mapping: Record<string, string> = {};
  const taken = new Set<string>();
  const give = (heading: string, test: (field: TableField) => boolean): void => {
    if (mapping[heading]) return;
    const field = fields.find((each) => !taken.has(each.id) && test(each));
    if (!field) return;
    mapping[heading] = field.id;
    taken.add(field.id);
  };
  for (const heading of headings) give(heading, ({ id }) => heading.trim().toLowerCase() === id);
  for (const heading of headings) {
    const kilojoules = /\bkj\b/i.test(heading);
    give(heading, ({ id }) => id === 'energy_kj' && kilojoules);
    give(heading, ({ name }) => comparable(name) === comparable(heading));
    give(
      heading,
      ({ id }) =>
        !(kilojoules && id === 'energy_kcal') &&
        (HEADINGS[id]?.split('|') ?? []).includes(withoutUnit(heading)),
    );
  }
  // Two columns of one allergen are both its own: the worse of them holds, and none is left out.
  for (const heading of headings) {
    const id = mapping[heading] ? undefined : sheetColumnOf(heading)?.id;
    if (id !== undefined && fields.some((field) => field.id === id)) mapping[heading] = id;
  }
  // An article is a number in most lists: it is a name only where nothing else is.
  for (const heading of headings)
    give(heading, ({ id }) => id === 'product_name' && comparable(heading) === 'article');
  return Object.fromEntries(headings.map((heading) => [heading, mapping[heading] ?? '']));
}

const IN_GRAMS: Readonly<Record<string, number>> = {
  kg: 1000,
  g: 1,
  mg: 1e-3,
  ug: 1e-6,
  µg: 1e-6,
  mcg: 1e-6,
};

/** By what a column's figures are multiplied to be in the field's unit: "Sodium (g)" into `sodium_mg` is 1000. */
export function unitFactor(heading: string, fieldId: string): number {
  const wanted = /_(g|mg|ug)$/.exec(fieldId)?.[1];
  const written = /(?:\(|\[|,|_|\s)(kg|g|mg|ug|µg|mcg)(?:\s*(?:\/|per)\s*100\s*g)?\s*[)\]]?\s*$/i
    .exec(heading)?.[1]
    ?.toLowerCase();
  if (!wanted || !written || /per 100 ?g$/i.test(heading.replace(/\(.*?\)/g, ''))) return 1;
  return IN_GRAMS[written]! / IN_GRAMS[wanted]!;
}
