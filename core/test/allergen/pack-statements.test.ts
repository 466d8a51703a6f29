/** Two hundred statements of packs in five languages, with the noise of scanners: what they contain is never missed. */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { readStatement } from '@hand-ladle/core';

interface Case {
  statement: string;
  contains: string[];
  may: string[];
  not: string[];
  isAnimal: boolean;
}
const CASES: readonly Case[] = readFileSync(join('testing', 'cases', 'pack-statements.txt'), 'utf8')
  .split('\n')
  .filter((row) => row.includes('|') && !row.startsWith('#'))
  .map((row) => {
    const [statement, contains, may, not, animal] = row
      .replace(/(?<=\p{L})\|(?=\p{L})/gu, '\u0001')
      .split('|')
      .map((cell) => cell.trim().replace(/\u0001/g, '|'));
    const ids = (cell: string | undefined): string[] => (cell ?? '').split(' ').filter(Boolean);
    return {
      statement: statement!.replace(/\\n/g, '\n'),
      contains: ids(contains),
      may: ids(may),
      not: ids(not),
      isAnimal: animal === 'animal',
    };
  });

const statusIn = (statement: string, substance: string): string =>
  readStatement(statement).mentions.find((each) => each.substance === substance)?.status ?? 'unsaid';

test('they are two hundred', () => {
  expect(CASES.length).toBeGreaterThanOrEqual(200);
});

test('no "contains" is missed, and none is made of a "free from" or of another name', () => {
  for (const { statement, contains, not } of CASES) {
    for (const id of contains)
      expect([statement, id, statusIn(statement, id)]).toEqual([statement, id, 'contains']);
    for (const id of not)
      expect([statement, id, statusIn(statement, id) === 'contains']).toEqual([statement, id, false]);
  }
});

test('no "may contain" is missed, nor taken for a "contains"', () => {
  for (const { statement, may } of CASES)
    for (const id of may)
      expect([statement, id, statusIn(statement, id)]).toEqual([statement, id, 'may-contain']);
});

test('what comes from an animal is said, and nothing else', () => {
  for (const { statement, isAnimal } of CASES)
    expect([statement, readStatement(statement).animal?.state === 'animal']).toEqual([statement, isAnimal]);
});

test.each([
  ['egg-free mayonnaise (water, rapeseed oil)', 'egg'],
  ['flax egg (ground flax, water)', 'egg'],
  ['vegan parmesan (cashews, nutritional yeast)', 'milk'],
  ['cream of coconut, sugar', 'milk'],
  ['apple butter, cocoa butter, nut butter', 'milk'],
  ['rice pasta, corn pasta, chickpea pasta', 'wheat'],
  ['Free from milk, egg and gluten. May contain soya.', 'egg'],
])('%s does not contain %s', (statement, substance) => {
  expect(statusIn(statement, substance)).not.toBe('contains');
});

test('what is made with nuts has them; only where it is made beside them it may', () => {
  expect(statusIn('Made with hazelnuts', 'hazelnut')).toBe('contains');
  expect(statusIn('Made in a bakery that uses hazelnuts', 'hazelnut')).toBe('may-contain');
  expect(statusIn('May contain traces of\nsesame and\nmilk', 'milk')).toBe('may-contain');
});

test('a statement in a language nobody reads here is said to be one', () => {
  for (const statement of [
    'Innehåller vete, kan innehålla spår av nötter',
    'Složení: mouka, může obsahovat ořechy',
    'Összetevők: búzaliszt, nyomokban diót tartalmazhat',
    '原材料名：小麦粉、大豆',
    'Состав: пшеничная мука, соль',
  ])
    expect([statement, readStatement(statement).isForeign]).toEqual([statement, true]);
  expect(readStatement('Water, soya beans, salt').isForeign).toBe(false);
  for (const [statement, language] of [
    ['Zutaten: Wasser, Sojabohnen', 'German'],
    ['Bevat tarwe, kan sporen van noten bevatten', 'Dutch'],
    ['Składniki: mąka pszenna, może zawierać orzechy', 'Polish'],
    ['Ingredientes: água, camarão', 'Portuguese'],
    ['Ingrédients : écrevisses, citron', 'French'],
  ] as const)
    expect([statement, readStatement(statement).languages.includes(language)]).toEqual([statement, true]);
});
