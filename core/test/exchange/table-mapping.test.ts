import { FOOD_COLUMNS, FOOD_FIELDS, guessMapping, PRODUCT_FIELDS, unitFactor } from '@hand-ladle/core';

describe('which column is which', () => {
  test('our own table maps to itself', () => {
    const mapping = guessMapping([...FOOD_COLUMNS], FOOD_FIELDS);
    for (const column of FOOD_COLUMNS) expect(mapping[column]).toBe(column);
  });

  test("a national table's headings", () => {
    const headings = [
      'Food Code',
      'Food Name',
      'Water (g)',
      'Protein (g)',
      'Fat (g)',
      'Carbohydrate (g)',
      'Energy (kcal)',
      'Energy (kJ)',
      'AOAC fibre (g)',
      'Sodium (mg)',
      'Vitamin B12 (µg)',
      'Remarks',
    ];
    expect(guessMapping(headings, FOOD_FIELDS)).toEqual({
      'Food Code': 'id',
      'Food Name': 'name',
      'Water (g)': 'water_g',
      'Protein (g)': 'protein_g',
      'Fat (g)': 'fat_g',
      'Carbohydrate (g)': 'available_carbohydrate_g',
      'Energy (kcal)': 'energy_kcal',
      'Energy (kJ)': 'energy_kj',
      'AOAC fibre (g)': 'fibre_g',
      'Sodium (mg)': 'sodium_mg',
      'Vitamin B12 (µg)': 'vitamin_b12_ug',
      Remarks: '',
    });
  });

  test("a supplier's list", () => {
    const headings = [
      'Article',
      'Supplier',
      'Net weight (kg)',
      'Price',
      'Ingredients',
      'May contain',
      'Gluten free',
    ];
    expect(Object.values(guessMapping(headings, PRODUCT_FIELDS))).toEqual([
      'product_name',
      'supplier',
      'net_g',
      'price',
      'statement',
      'may_contain',
      'certified_gluten_free',
    ]);
  });

  test('no field is given twice', () => {
    const mapping = guessMapping(['Protein', 'Protein (g)', 'protein_g'], FOOD_FIELDS);
    expect(Object.values(mapping).filter((field) => field === 'protein_g')).toHaveLength(1);
    expect(mapping['protein_g']).toBe('protein_g');
  });

  test.each([
    ['Sodium (g)', 'sodium_mg', 1000],
    ['Sodium (mg/100 g)', 'sodium_mg', 1],
    ['Vitamin D (mg)', 'vitamin_d_ug', 1000],
    ['Net weight (kg)', 'net_g', 1000],
    ['Protein', 'protein_g', 1],
    ['Iron, mg', 'iron_mg', 1],
    ['Protein per 100 g', 'protein_g', 1],
    ['sodium_mg', 'sodium_mg', 1],
  ])('%s into %s is multiplied by %d', (heading, field, factor) => {
    expect(unitFactor(heading, field)).toBeCloseTo(factor, 9);
  });
});
