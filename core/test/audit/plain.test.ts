/** A reader that flags everything is no use: 200 plain dishes in cooks' words stay unflagged. */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { readRecipe, recipeFromReading } from '@hand-ladle/core';
import { bare } from '@hand-ladle/testing/asked';
import { book, sheetOf } from '@hand-ladle/testing/world';

const DISHES = readFileSync(join('testing', 'cases', 'plain-dishes.txt'), 'utf8')
  .split('\n')
  .filter((row) => row !== '' && !row.startsWith('#'))
  .map((row) => row.split(' | ') as [string, string, string]);

test('there are 200 of them', () => {
  expect(new Set(DISHES.map(([title]) => title)).size).toBe(200);
});

test.each(DISHES)('%s', (title, lines, steps) => {
  const text = [
    title,
    'Serves 4',
    '',
    'Ingredients',
    ...lines.split('; '),
    '',
    'Method',
    ...steps.split(' // '),
  ];
  const recipe = recipeFromReading(readRecipe(text.join('\n'), book.foods), 'plain');
  const sheet = sheetOf(recipe, undefined, bare);
  const asked = [...sheet.allergens, ...sheet.standards.filter(({ id }) => id === 'vegan')];
  expect(asked.filter(({ status }) => status !== 'clear').map(({ id, paths }) => [id, paths])).toEqual([]);
  expect(
    sheet.findings.filter(({ code }) => /^(?:named|food)-/.test(code)).map(({ message }) => message),
  ).toEqual([]);
});
