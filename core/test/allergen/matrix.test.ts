import {
  answersOf,
  disagreementsOf,
  type Pack,
  PACK_DEFAULTS,
  type PackAnswer,
  readMark,
  readStatement,
  sheetAnswers,
  type Substance,
} from '@hand-ladle/core';
import { foods, ward } from '@hand-ladle/testing/world';
import { SHEET_COLUMNS, sheetColumnOf } from '../../src/allergen/matrix';
import { standingOf } from '../../src/allergen/standing';

test.each([
  ['Soybeans', 'sheet_soy'], ['Soja', 'sheet_soy'], ['Milk (incl. lactose)', 'sheet_milk'], ['SO2 > 10 mg/kg', 'sheet_sulphites'],
  ['Cereals containing gluten', 'sheet_gluten'], ['Gluten', 'sheet_gluten'], ['Wheat', 'sheet_wheat'], ['Tree nuts', 'sheet_nuts'],
  ['Almonds', 'sheet_almond'], ['Sellerie', 'sheet_celery'], ['Fruits à coque', 'sheet_nuts'], ['Frutos de cáscara', 'sheet_nuts'],
  ['May contain nuts', 'trace_nuts'], ['Traces of milk', 'trace_milk'], ['Lupin', 'sheet_lupin'], ['Uova', 'sheet_egg'], ['Lait', 'sheet_milk'], ['Cacahuètes', 'sheet_peanut'], ['Senf', 'sheet_mustard'], ['Peanuts', 'sheet_peanut'],
  ['allergen_sesame', 'sheet_sesame'], ['Crustaceans', 'sheet_crustacean'],
])('a column headed "%s" is %s', (heading, id) => {
  expect(sheetColumnOf(heading)?.id).toBe(id);
}); // prettier-ignore

test.each([
  'Gluten free',
  'Milk-free',
  'Free from nuts',
  'Suitable for coeliacs',
  'Product',
  'Net weight',
  '',
])('a column headed "%s" is none: what it promises would be read the wrong way round', (heading) => {
  expect(sheetColumnOf(heading)).toBeNull();
});

test.each<[string, PackAnswer | null]>([
  ['Yes', 'contains'], ['Y', 'contains'], ['✓', 'contains'], ['x', 'contains'], ['ja', 'contains'], ['contains', 'contains'], ['+', 'contains'],
  ['May contain', 'may-contain'], ['M', 'may-contain'], ['traces', 'may-contain'], ['+/-', 'may-contain'], ['(x)', 'may-contain'],
  ['No', 'none'], ['–', 'none'], ['0', 'none'], ['nein', 'none'], ['Not present', 'none'], ['does not contain', 'none'],
  ['no, may contain traces', 'may-contain'], ['No - shared line', 'may-contain'], ['Yes (wheat)', 'contains'], ['Free from', 'none'],
  ['not known', null], ['not tested', null], ['no data', null], ['No information', null], ['not guaranteed', null], ['none declared', null],
  ['not applicable', null], ['No?', null], ['yes/no', 'contains'], ['no longer absent', null], ['n/k', null],
  ['', 'check'], ['see spec', null], ['tbc', null], ['?', null], ['3', null], ['n/a', null],
])('a mark "%s" means %s', (mark, means) => {
  expect(readMark(mark)).toBe(means);
}); // prettier-ignore

test('a column of one nut overrules that of its group, a yes to traces means that there may be some', () => {
  const said = sheetAnswers([
    { columnId: 'sheet_nuts', answer: 'contains' },
    { columnId: 'sheet_almond', answer: 'contains' },
    { columnId: 'sheet_walnut', answer: 'none' },
    { columnId: 'trace_milk', answer: 'contains' },
    { columnId: 'sheet_milk', answer: 'none' },
    { columnId: 'sheet_egg', answer: 'none' },
    { columnId: 'trace_egg', answer: 'check' },
  ]);
  expect(said).toMatchObject({
    almond: 'contains',
    walnut: 'none',
    cashew: 'contains',
    milk: 'may-contain',
    egg: 'check',
  });
  expect(said.soy).toBeUndefined();
});

test('a group that is in it cannot be talked away by the answers to each of its kinds', () => {
  const kinds = ['wheat', 'rye', 'barley', 'oats'].map((each) => ({
    columnId: `sheet_${each}`,
    answer: 'none' as const,
  }));
  const said = sheetAnswers([{ columnId: 'sheet_gluten', answer: 'contains' }, ...kinds]);
  expect(said).toMatchObject({ wheat: 'contains', rye: 'contains', barley: 'contains', oats: 'contains' });
});

test('a yes to gluten, of which the statement names barley, says no more of wheat than the statement does', () => {
  const row = [{ columnId: 'sheet_gluten', answer: 'contains' as const }];
  expect(sheetAnswers(row, new Set(['barley']))).toEqual({ barley: 'contains' });
  expect(sheetAnswers(row)).toEqual({
    wheat: 'contains',
    rye: 'contains',
    barley: 'contains',
    oats: 'contains',
  });
  expect(sheetAnswers([{ columnId: 'sheet_gluten', answer: 'none' }], new Set(['barley']))).toMatchObject({
    wheat: 'none',
  });
});

test('no answer of a row is ever better than the worst that a column says of that substance alone', () => {
  const answers: PackAnswer[] = ['contains', 'may-contain', 'check', 'none'];
  let seed = 7;
  const random = (below: number): number => (seed = (seed * 1103515245 + 12345) & 0x7fffffff) % below;
  for (let round = 0; round < 2000; round += 1) {
    const row = Array.from({ length: 12 }, () => ({
      columnId: SHEET_COLUMNS[random(SHEET_COLUMNS.length)]!.id,
      answer: answers[random(4)]!,
    }));
    const said = sheetAnswers(row);
    for (const { columnId, answer } of row) {
      const column = SHEET_COLUMNS.find(({ id }) => id === columnId)!;
      if (column.substances.length > 1) continue;
      const now = said[column.substances[0]!]!;
      if (answer === 'contains')
        expect(column.isTrace ? ['contains', 'may-contain'] : ['contains']).toContain(now);
      if (answer === 'check') expect(now).not.toBe('none');
    }
  }
});

const tamari = foods.find(({ id }) => id === 'vegan-mayonnaise')!;
const packFrom = (statement: string, sheet: Pack['sheet'], isConfirmed = true): Pack => ({
  ...PACK_DEFAULTS,
  foodId: tamari.id,
  productName: 'Pale dressing',
  statement,
  sheet,
  allergens: answersOf(readStatement(statement).mentions, statement !== '', sheet),
  certifiedGlutenFree: false,
  animal: 'plant',
  checkedBy: 'Ilse Marrow',
  checkedOn: '2026-11-20',
  isConfirmed,
});
const standing = (pack: Pack, substance: Substance) =>
  standingOf(tamari, substance, { ...ward, packs: [pack] }).status;

test('what a sheet leaves blank stays unchecked, whoever confirms the pack', () => {
  const pack = packFrom('', { soy: 'none', mustard: 'contains', egg: 'may-contain', celery: 'check' });
  expect(standing(pack, 'soy')).toBe('clear');
  expect(standing(pack, 'mustard')).toBe('contains');
  expect(standing(pack, 'egg')).toBe('may-contain');
  expect(standing(pack, 'celery')).toBe('check');
  // It had no column for milk at all, and no statement either.
  expect(standing(pack, 'milk')).toBe('check');
  const read = packFrom('Rapeseed oil, water, vinegar', { soy: 'none', celery: 'check' });
  expect(standing(read, 'celery')).toBe('check');
  expect(standing(read, 'milk')).toBe('clear');
  expect(standing({ ...read, isConfirmed: false }, 'soy')).toBe('check');
});

test('statement and sheet that disagree are both kept, and the worse holds', () => {
  const pack = packFrom('Rapeseed oil, water, MUSTARD. May contain egg.', {
    mustard: 'none',
    egg: 'none',
    soy: 'contains',
    celery: 'none',
    milk: 'check',
  });
  expect(
    disagreementsOf(pack).map(({ substance, statement, sheet }) => [substance, statement, sheet]),
  ).toEqual([
    ['soy', 'not named', 'contains'],
    ['egg', 'may-contain', 'none'],
    ['mustard', 'contains', 'none'],
  ]);
  expect(standing(pack, 'mustard')).toBe('contains');
  expect(standing(pack, 'egg')).toBe('may-contain');
  expect(standing(pack, 'soy')).toBe('contains');
  expect(standing(pack, 'milk')).toBe('check');
});
