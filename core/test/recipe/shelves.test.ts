/** The words of the trade, shelf by shelf: what a kitchen buys is known by the name it is bought under, and carries its own flags. */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { lineFromText } from '@hand-ladle/core';
import { status } from '@hand-ladle/testing/asked';
import { book } from '@hand-ladle/testing/world';

const NAMES = readFileSync(join('testing', 'cases', 'shelves.txt'), 'utf8')
  .split('\n')
  .filter((row) => row !== '' && !row.startsWith('#'))
  .flatMap((row) => row.slice(row.indexOf(':') + 1).split(';'))
  .map((name) => name.trim());
const foodOf = (name: string) => lineFromText(`200 g ${name}`, 'l1', book.foods).reading;

test('of six hundred names less than one in a hundred is unknown', () => {
  expect(NAMES.length).toBeGreaterThan(600);
  const unknown = NAMES.filter((name) => foodOf(name).foodId === null);
  expect(unknown.length).toBeLessThan(NAMES.length / 100);
});

test.each([
  ['mixed nuts', 'nut'], ['halva', 'sesame'], ['TVP', 'soy'], ['meatless crumble', 'soy'], ['buttermilk', 'milk'], ['natto', 'soy'],
  ['bagels', 'gluten'], ['spring roll wrappers', 'gluten'], ['soya lecithin', 'soy'], ['chilli crisp', 'soy'], ['gochujang', 'soy'],
  ['doubanjiang', 'soy'], ['ponzu', 'soy'], ['furikake', 'sesame'], ['everything seasoning', 'sesame'], ['royal icing', 'egg'],
  ['crispy fried onions', 'gluten'], ['savoury yeast spread', 'gluten'], ['piccalilli', 'mustard'], ['satay sauce', 'peanut'],
  ['praline paste', 'nut'], ['lemon curd', 'egg'], ['dry sherry', 'sulphites'], ['stock cube', 'celery'], ['baba ganoush', 'sesame'],
  ['pizza dough', 'gluten'], ['oatcakes', 'gluten'], ['amaretti', 'nut'], ['white chocolate chips', 'milk'], ['romesco', 'nut'],
])('%s carries %s by its plain name', (name, allergen) => {
  expect(status([`200 g ${name}`], allergen)).not.toBe('clear');
}); // prettier-ignore

test.each([
  ['sea spaghetti', 'gluten'], ['rice vermicelli', 'gluten'], ['coconut water', 'nut'], ['apple butter', 'milk'],
  ['beet greens', 'gluten'], ['broccoli sprouts', 'soy'],
])('%s is not taken for what holds %s', (name, allergen) => {
  expect(status([`200 g ${name}`], allergen)).not.toBe('contains');
}); // prettier-ignore

test('an oil whose kind is not said is asked about soya, and is no rapeseed oil', () => {
  expect(foodOf('vegetable oil').foodId).toBe('vegetable-oil');
  expect(status(['200 g vegetable oil'], 'soy')).toBe('check');
});

/** Written after the rows: at first reading 7 of 172 were unknown (docs/reading.md). */
const LINES = readFileSync(join('testing', 'cases', 'trade-lines.txt'), 'utf8')
  .split('\n')
  .filter((row) => row !== '' && !row.startsWith('#'))
  .map((row) => row.split('|').map((part) => part.trim()));

test('of lines as kitchens write them less than one in twenty is unknown, and none is clear of what it holds', () => {
  expect(LINES.length).toBeGreaterThan(150);
  const unknown = LINES.filter(([text]) => lineFromText(text!, 'l1', book.foods).reading.foodId === null);
  expect(unknown.length).toBeLessThan(LINES.length / 20);
  const missed = LINES.flatMap(([text, holds = '']) =>
    holds
      .split(' ')
      .filter((each) => each !== '' && status([text!], each) === 'clear')
      .map((each) => `${text}: ${each}`),
  );
  expect(missed).toEqual([]);
});
