import { headsFromRows } from '@hand-ladle/core';
import { wardAsIs } from '@hand-ladle/testing/world';

const read = (...rows: string[][]) => headsFromRows(rows, wardAsIs);
const reasons = (...rows: string[][]): string[] =>
  read(...rows).refused.map(({ row, reason }) => `${row}: ${reason}`);

test('a table with a heading in any order, groups by name or id, sites apart', () => {
  expect(
    read(
      ['Site', 'Heads', 'Group'],
      ['Ward 1', '12', 'Everyone else'],
      ['Ward 2', '3', 'coeliac'],
      ['', '', ''],
    ),
  ).toEqual({
    heads: [
      { groupId: 'everyone', heads: 12, portionGrams: null, site: 'Ward 1', codes: [] },
      { groupId: 'coeliac', heads: 3, portionGrams: null, site: 'Ward 2', codes: [] },
    ],
    taken: 2,
    refused: [],
  });
});

test('a row a bed: each code is a head, put together by group and ward', () => {
  const { heads, refused } = read(
    ['bed', 'diet', 'ward'],
    ['1-04', 'Coeliac', '1'],
    ['1-07', 'Coeliac', '1'],
    ['1-08', 'No nut', '1'],
  );
  expect(refused).toEqual([]);
  expect(heads.map(({ groupId, heads: count, codes }) => [groupId, count, codes])).toEqual([
    ['coeliac', 2, ['1-04', '1-07']],
    ['nut-free', 1, ['1-08']],
  ]);
});

test('without a heading the columns are group, heads, site, portion, codes', () => {
  expect(read(['Coeliac', '2', 'Ward 1', '250', 'A1 A2']).heads).toEqual([
    { groupId: 'coeliac', heads: 2, portionGrams: 250, site: 'Ward 1', codes: ['A1', 'A2'] },
  ]);
});

test('a group that is both counted and listed keeps no codes: a tray would be missing its own', () => {
  expect(read(['Coeliac', '2', '', '', 'A1 A2'], ['Coeliac', '3']).heads).toMatchObject([
    { heads: 5, codes: [] },
  ]);
});

test('every row that cannot be taken is told by its row and reason, and the rest is taken', () => {
  expect(
    reasons(
      ['group', 'heads', 'site', 'portion', 'codes'],
      ['Coeliac', '-3'],
      ['Coeliac', '1e9'],
      ['Coeliac', 'many'],
      ['Coeliac', '2.5'],
      ['Coeliac', ''],
      ['Nobody', '4'],
      ['No nut', '2', '', '', 'B1 B1'],
      ['No nut', '3', '', '', 'B1 B2'],
      ['No nut', '1', '', '', 'C1'],
      ['Coeliac', '1', '', '', 'C1'],
      ['No soy', '2', '', 'big'],
      ['No soy', '2', '', '200'],
      ['No soy', '2', '', '300'],
      ['Everyone else', '19999'],
      ['Everyone else', '2'],
    ),
  ).toEqual([
    '2: "-3" is no whole number of heads',
    '3: 1e9 is more than 20000 heads',
    '4: "many" is no whole number of heads',
    '5: "2.5" is no whole number of heads',
    '6: "" is no whole number of heads',
    '7: this kitchen has no group "Nobody"',
    '8: the code "B1" stands there twice',
    '9: 2 codes for 3 heads',
    '11: the code "C1" stands there twice',
    '12: "big" is no portion in grams',
    '14: No soy has another portion size above; one size for a group and place',
    '16: more than 20000 heads of Everyone else with the rows above',
  ]);
});
