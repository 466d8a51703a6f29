/** Every boundary of both laws' rounding tables, and one step either side of it. */
import { mineralTextEu } from '@hand-ladle/core';
import {
  carbohydrateTextUs,
  cholesterolTextUs,
  dailyValueMineralUs,
  dailyValueUs,
  declaredNumber,
  energyTextEu,
  macroTextEu,
  roundEnergyUs,
  roundFatUs,
  roundMineralUs,
  roundSodiumUs,
  roundToSignificant,
  saltTextEu,
  saturatesTextEu,
} from '../../src/declaration/rounding';

/** A boundary of a table: the value just below it, at it and just above it, with what is printed. */
type Boundary = readonly [
  at: number,
  step: number,
  below: string | number,
  on: string | number,
  above: string | number,
];

const check = (
  name: string,
  round: (value: number) => string | number,
  boundaries: readonly Boundary[],
): void =>
  describe(name, () => {
    test.each(boundaries)('at %d, a step of %d either side: %s, %s, %s', (at, step, below, on, above) => {
      expect([round(at - step), round(at), round(at + step)]).toEqual([below, on, above]);
    });
  });

describe('US, 21 CFR 101.9(c)', () => {
  check('calories', roundEnergyUs, [
    [5, 0.1, 0, 5, 5],
    [7.5, 0.1, 5, 10, 10],
    [47.5, 0.1, 45, 50, 50],
    [50, 0.1, 50, 50, 50],
    [55, 0.1, 50, 60, 60],
    [65, 0.1, 60, 70, 70],
    [1005, 0.1, 1000, 1010, 1010],
  ]);
  check('fats', roundFatUs, [
    [0.5, 0.01, 0, 0.5, 0.5],
    [0.75, 0.01, 0.5, 1, 1],
    [4.75, 0.01, 4.5, 5, 5],
    [5, 0.01, 5, 5, 5],
    [5.5, 0.01, 5, 6, 6],
  ]);
  check('cholesterol', cholesterolTextUs, [
    [2, 0.1, '0mg', 'less than 5mg', 'less than 5mg'],
    [5, 0.1, 'less than 5mg', 'less than 5mg', '5mg'],
    [7.5, 0.1, '5mg', '10mg', '10mg'],
  ]);
  check('sodium', roundSodiumUs, [
    [5, 0.1, 0, 5, 5],
    [7.5, 0.1, 5, 10, 10],
    [137.5, 0.1, 135, 140, 140],
    [140, 0.1, 140, 140, 140],
    [145, 0.1, 140, 150, 150],
  ]);
  check('carbohydrate, fibre, sugars, protein', carbohydrateTextUs, [
    [0.5, 0.01, '0g', 'less than 1g', 'less than 1g'],
    [1, 0.01, 'less than 1g', '1g', '1g'],
    [1.5, 0.01, '1g', '2g', '2g'],
  ]);
  check(
    'calcium and potassium: nothing under 2 % of the day, then by 10',
    (value) => roundMineralUs(value, 10, 1300),
    [
      [26, 0.1, 0, 30, 30],
      [35, 0.1, 30, 40, 40],
    ],
  );
  check('vitamin D and iron: by 0.1', (value) => roundMineralUs(value, 0.1, 18), [
    [0.36, 0.001, 0, 0.4, 0.4],
    [0.45, 0.001, 0.4, 0.5, 0.5],
  ]);
  check(
    '% DV of vitamins and minerals: by 2 to 10, by 5 to 50, by 10 above',
    (value) => dailyValueMineralUs(value, 100),
    [
      [2, 0.1, 0, 2, 2],
      [3, 0.1, 2, 4, 4],
      [9, 0.1, 8, 10, 10],
      [10, 0.1, 10, 10, 10],
      [12.5, 0.1, 10, 15, 15],
      [47.5, 0.1, 45, 50, 50],
      [50, 0.1, 50, 50, 50],
      [55, 0.1, 50, 60, 60],
    ],
  );
  check('% DV of the others: by 1, from the unrounded amount', (value) => dailyValueUs(value, 100), [
    [0.5, 0.1, 0, 1, 1],
    [99.5, 0.1, 99, 100, 100],
  ]);
});

describe('EU, Commission guidance of December 2012', () => {
  check('energy: by 1', (kj) => energyTextEu(kj, 0), [
    [100.5, 0.1, '100 kJ / 0 kcal', '101 kJ / 0 kcal', '101 kJ / 0 kcal'],
  ]);
  check('fat, carbohydrate, sugars, protein, fibre', macroTextEu, [
    [0.05, 0.001, '0 g', '<0.5 g', '<0.5 g'],
    [0.5, 0.01, '<0.5 g', '<0.5 g', '0.5 g'],
    [0.55, 0.001, '0.5 g', '0.6 g', '0.6 g'],
    [9.95, 0.001, '9.9 g', '10 g', '10 g'],
    [10.5, 0.01, '10 g', '11 g', '11 g'],
  ]);
  check('saturates', saturatesTextEu, [
    [0.005, 0.001, '0 g', '<0.1 g', '<0.1 g'],
    [0.1, 0.001, '<0.1 g', '<0.1 g', '0.1 g'],
    [0.15, 0.001, '0.1 g', '0.2 g', '0.2 g'],
    [9.95, 0.001, '9.9 g', '10 g', '10 g'],
    [10.5, 0.01, '10 g', '11 g', '11 g'],
  ]);
  check('salt', saltTextEu, [
    [0.0005, 0.0001, '0 g', '<0.01 g', '<0.01 g'],
    [0.0125, 0.0001, '<0.01 g', '<0.01 g', '0.01 g'],
    [0.015, 0.0001, '0.01 g', '0.02 g', '0.02 g'],
    [0.995, 0.0001, '0.99 g', '1.0 g', '1.0 g'],
    [1.05, 0.001, '1.0 g', '1.1 g', '1.1 g'],
  ]);
  check('minerals of three figures', (value) => mineralTextEu('calciumMg', value), [
    [123.5, 0.1, '123', '124', '124'],
    [12.35, 0.01, '12.3', '12.4', '12.4'],
    [999.5, 0.1, '999', '1000', '1000'],
  ]);
  check('minerals of two figures', (value) => mineralTextEu('ironMg', value), [
    [1.25, 0.01, '1.2', '1.3', '1.3'],
    [12.5, 0.1, '12', '13', '13'],
    [0.125, 0.001, '0.12', '0.13', '0.13'],
  ]);
});

test('nothing is nothing, and a figure declares the number that is printed', () => {
  expect(roundToSignificant(0, 3)).toBe(0);
  expect(mineralTextEu('zincMg', 0)).toBe('0');
  expect(['less than 1g', '640 kJ / 152 kcal', '<0.5 g', '1.8 g'].map(declaredNumber)).toEqual([
    1, 640, 0.5, 1.8,
  ]);
});
