/** Words that warn and words nobody knows, in recipes and in statements: cases written before the code was run on them. */
import { readFileSync } from 'node:fs';
import { readRecipe, readStatement, type Recipe, recipeFromReading } from '@hand-ladle/core';
import { bare } from '@hand-ladle/testing/asked';
import { book, sheetOf } from '@hand-ladle/testing/world';

const rowsOf = (file: string): string[][] =>
  readFileSync(`testing/cases/${file}`, 'utf8')
    .split('\n')
    .filter((line) => line !== '' && !line.startsWith('#'))
    .map((line) => line.split('|').map((cell) => cell.trim().replaceAll('\\n', '\n')));
const list = (cell = ''): string[] => cell.split(/\s+/).filter(Boolean);

const RECIPES = rowsOf('words-in-recipes.txt');
const STATEMENTS = rowsOf('words-in-statements.txt');

function recipeIn([, title, lines, steps, note]: string[]): Recipe {
  const text = [
    title,
    'Serves 4',
    '',
    'Ingredients',
    ...lines!.split(' ; '),
    '',
    'Method',
    ...steps!.split(' / '),
    ...(note === '' ? [] : ['', 'Notes', note]),
  ].join('\n');
  return recipeFromReading(readRecipe(text, book.foods), 'case');
}

test('there are three hundred of them', () => {
  expect(RECIPES.length + STATEMENTS.length).toBeGreaterThanOrEqual(300);
});

test.each(RECIPES.map((row) => [row.slice(0, 5).join(' | '), row] as const))('%s', (_, row) => {
  const [sign, ...ids] = list(row[5]);
  const sheet = sheetOf(recipeIn(row), undefined, { ...bare, regime: 'eu' });
  const statusOf = (id: string): string =>
    [...sheet.allergens, ...sheet.standards].find((flag) => flag.id === id)!.status;
  for (const id of ids) expect([id, statusOf(id) === 'clear']).toEqual([id, sign === '=']);
});

const GROUPS: Readonly<Record<string, readonly string[]>> = {
  'tree-nut': ['almond', 'hazelnut', 'walnut', 'cashew', 'pecan', 'brazil-nut', 'pistachio', 'macadamia'],
  gluten: ['wheat', 'rye', 'barley', 'oats'],
};

test.each(STATEMENTS.map((row) => [row[0]!, row] as const))('%s', (text, row) => {
  const { mentions, animal, free, unknown } = readStatement(text);
  const said = new Map<string, string>(mentions.map(({ substance, status }) => [substance, status]));
  if (animal) said.set('animal', animal.state === 'animal' ? 'contains' : 'check');
  const statusOf = (id: string): string | undefined =>
    (GROUPS[id] ?? [id]).map((each) => said.get(each)).find((each) => each !== undefined);
  for (const id of list(row[1])) expect([id, statusOf(id)]).toEqual([id, 'contains']);
  for (const id of list(row[2])) expect([id, statusOf(id)]).toEqual([id, 'may-contain']);
  for (const id of list(row[3]))
    expect([id, (GROUPS[id] ?? [id]).some((each) => free.includes(each as never))]).toEqual([id, true]);
  for (const word of list(row[4])) expect(unknown.join(' ')).toContain(word);
});
