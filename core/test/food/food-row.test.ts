import fc from 'fast-check';
import {
  type Food,
  foodFromRow,
  idFromName,
  loosened,
  readFigureCell,
  rowFromFood,
  SUBSTANCES,
} from '@hand-ladle/core';
import { foods } from '@hand-ladle/testing/world';

const food = (changes: Partial<Food> = {}): Food => ({
  ...foods.find(({ id }) => id === 'leek')!,
  ...changes,
});
const reasons = (row: Record<string, string>, hasDecimalComma = false): string[] =>
  foodFromRow(row, { hasDecimalComma }).problems.map(({ column, message }) => `${column}: ${message}`);

describe('a figure in a cell', () => {
  test.each<[string, boolean, number | null | undefined]>([
    ['1.5', false, 1.5],
    ['1,5', true, 1.5],
    ['1,234.5', false, 1234.5],
    ['1.234,5', true, 1234.5],
    [' 7 ', false, 7],
    ['.5', false, 0.5],
    ['', false, null],
    ['Tr', false, null],
    ['N', true, null],
    ['-', false, null],
    ['<0.1', false, undefined],
    ['=1+1', false, undefined],
    ['eighty', true, undefined],
  ])('"%s"', (text, comma, value) => {
    expect(readFigureCell(text, comma)).toBe(value);
  });

  test('any figure written either way is read as it was', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 9_999_999 }), (thousandths) => {
        const value = thousandths / 1000;
        expect(readFigureCell(String(value), false)).toBe(value);
        expect(readFigureCell(String(value).replace('.', ','), true)).toBe(value);
      }),
    );
  });
});

describe('a row', () => {
  test('that says only a name is a product of unknown make, with everything unknown', () => {
    const { food: made } = foodFromRow({ name: 'Oca' });
    expect(made).toMatchObject({
      id: 'oca',
      kind: 'product',
      animal: 'check',
      allergens: {},
      energyKcal: null,
      trimYield: 1,
    });
    expect(Object.values(made!.composition).every((value) => value === null)).toBe(true);
  });

  test('in kilojoules, salt and available carbohydrate comes out in our figures', () => {
    const { food: made } = foodFromRow({
      name: 'x',
      energy_kj: '418',
      salt_g: '1',
      available_carbohydrate_g: '10',
      fibre_g: '2',
    });
    expect(made).toMatchObject({ energyKcal: 100, composition: { sodiumMg: 400, carbohydrateG: 12 } });
    expect(
      foodFromRow({ name: 'x', available_carbohydrate_g: '10' }).food!.composition.carbohydrateG,
    ).toBeNull();
  });

  test.each<[Record<string, string>, RegExp]>([
    [{ name: '' }, /no name/],
    [{ name: 'x'.repeat(201) }, /longer than 200/],
    [{ name: '=HYPERLINK()' }, /formula/],
    [{ name: '@x' }, /formula/],
    [{ name: 'x', id: '../etc' }, /is no id/],
    [{ name: 'x', kind: 'mixture' }, /none of single, product/],
    [{ name: 'x', allergens: 'wheat:maybe' }, /cannot be used/],
    [{ name: 'x', allergens: 'gold:contains' }, /cannot be used/],
    [{ name: 'x', protein_g: '101' }, /outside 0 to 100/],
    [{ name: 'x', trim_yield: '0' }, /outside/],
    [{ name: 'x', water_g: '90', protein_g: '30' }, /come to 120/],
    [{ name: 'x', fat_g: '1', saturates_g: '3' }, /more than 1 g of fat/],
    [{ name: 'x', carbohydrate_g: '1', sugars_g: '3' }, /3 g of sugars in 1 g/],
    [{ name: 'x', cautions: 'loud' }, /is no caution/],
  ])('%j is refused', (row, words) => {
    expect(reasons(row).join('; ')).toMatch(words);
    expect(foodFromRow(row).food).toBeNull();
  });

  test('with several faults names each of them', () => {
    expect(reasons({ name: '', protein_g: 'x', kind: 'y' })).toHaveLength(4);
  });

  test('ids of names hold letters, digits and hyphens only', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 200 }), (name) => {
        expect(idFromName(name)).toMatch(/^(?:[a-z0-9](?:[a-z0-9-]*))?$/);
      }),
    );
    expect(idFromName('Crème fraîche, 30 %')).toBe('creme-fraiche-30');
  });
});

describe('a larder only gets more careful', () => {
  const statuses = fc.constantFrom('contains', 'may-contain', 'check', undefined);
  const allergens = fc
    .record(Object.fromEntries(SUBSTANCES.slice(0, 6).map((each) => [each, statuses])))
    .map(
      (record) =>
        Object.fromEntries(Object.entries(record).filter(([, status]) => status)) as Food['allergens'],
    );

  test('the same food loosens nothing, and adding an allergen loosens nothing', () => {
    fc.assert(
      fc.property(allergens, (own) => {
        expect(loosened(food({ allergens: own }), food({ allergens: own }))).toEqual([]);
        expect(
          loosened(food({ allergens: own }), food({ allergens: { ...own, lupin: 'contains' } })),
        ).toEqual([]);
      }),
    );
  });

  test('taking any allergen away, or weakening it, is named', () => {
    expect(loosened(food({ allergens: { soy: 'contains' } }), food({ allergens: { soy: 'check' } }))).toEqual(
      ['soy: contains'],
    );
    expect(loosened(food({ allergens: { soy: 'check' } }), food({ allergens: {} }))).toEqual(['soy: check']);
    expect(loosened(food({ kind: 'product' }), food({ kind: 'single' }))).toEqual(['kind: product']);
    expect(loosened(food({ animal: 'animal' }), food({ animal: 'check' }))).toEqual(['animal: animal']);
    expect(loosened(food({ cautions: ['nutmeg-dose'] }), food())).toEqual(['caution: nutmeg-dose']);
  });

  test('no shipped food loosens itself through its own row', () => {
    for (const each of foods) expect(loosened(each, foodFromRow(rowFromFood(each)).food!)).toEqual([]);
  });
});
