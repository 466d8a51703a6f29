import fc from 'fast-check';
import {
  recipeFromMarkdown,
  recipeFromTold,
  recipesFromJsonLd,
  recipesFromRows,
  recipeToJsonLd,
  recipeToMarkdown,
  rowsFromRecipe,
  safeCell,
  safeCellText,
  toldFrom,
  type ToldRecipe,
  UNPACKED,
} from '@hand-ladle/core';
import { runs } from '@hand-ladle/testing/runs';
import { book, demo } from '@hand-ladle/testing/world';

const text = fc.oneof(
  fc.string({ maxLength: 60 }),
  fc.constantFrom(
    '=1+1',
    "'=x",
    '-- > -->',
    'a\nb',
    '\\n',
    '# no title',
    '- 2 leeks',
    '1. step',
    '&amp; <b>',
    'a;b|c',
  ),
);
const anyTold = fc.record({
  id: fc.constantFrom('a-dish', 'x1'),
  name: text.filter((each) => each.trim() === each && each !== ''),
  portions: fc.option(fc.integer({ min: 1, max: 500 }), { nil: null }),
  portionGrams: fc.option(fc.integer({ min: 1, max: 900 }), { nil: null }),
  measuredYieldGrams: fc.option(fc.integer({ min: 1, max: 9000 }), { nil: null }),
  isComponent: fc.boolean(),
  lines: fc
    .array(
      fc.record({
        id: fc.constant('x'),
        text,
        part: fc.constantFrom('', 'glaze'),
        answers: fc.constantFrom(
          {},
          { foodId: 'leek' },
          { grams: 12.5, gramsOrigin: 'weighed here' as const },
          { foodId: 'kale', grams: 3 },
          { foodId: 'white-beans-dry', grams: 200, gramsOrigin: 'convention' as const, isCookedApart: true },
          { technique: 'water' as const },
          { bath: 'left' as const },
        ),
      }),
      { minLength: 1, maxLength: 6 },
    )
    .map((lines) => lines.map((line, index) => ({ ...line, id: `l${index + 1}` }))),
  steps: fc
    .array(text, { maxLength: 4 })
    .map((texts) => texts.map((each, index) => ({ id: `s${index + 1}`, text: each }))),
  notes: fc.constantFrom<string[][]>([], ['Good with bread.', '## - 1. a mark -->']),
  confirmed: fc.constantFrom<ToldRecipe['confirmed'][]>(
    [],
    [{ what: 'energy', figure: 512.5, by: 'R. Fallow', on: '2026-11-28' }],
  ),
  packed: fc.constantFrom<ToldRecipe['packed']>(null, UNPACKED, {
    ...UNPACKED,
    container: 'tub -->',
    portions: 2.5,
    keeping: 'frozen',
    keepsDays: 90,
    household: { amount: 0.75, measure: 'cup', grams: null },
    referenceId: 'soup',
    stressed: ['leek'],
    names: { fr: 'Potée "d’hiver"' },
  }),
  notIn: fc.constantFrom<ToldRecipe['notIn'][]>(
    [],
    [{ name: 'bread', text: 'Good with bread.', by: 'R. Fallow', on: '2026-11-20' }],
  ),
  parentId: fc.constantFrom(null, 'parent-dish'),
  swaps: fc.constantFrom<ToldRecipe['swaps'][]>(
    [],
    [{ fromId: 'tamari', swapId: 'tamari-mushroom-ferment' }],
  ),
  freeFrom: fc.constantFrom<string[][]>([], ['soy', 'nut']),
  apart: fc.constantFrom<string[][]>([], ['fryer']),
  target: fc.constantFrom(null, { kind: 'weight' as const, grams: 12_000 }),
});

/** As files carry it: through text and back. */
const throughJson = (told: ToldRecipe) =>
  recipesFromJsonLd(JSON.parse(JSON.stringify(recipeToJsonLd(told))))[0];
const throughMarkdown = (told: ToldRecipe) => recipeFromMarkdown(recipeToMarkdown(told));
const throughRows = (told: ToldRecipe) =>
  recipesFromRows(JSON.parse(JSON.stringify(rowsFromRecipe(told))))[0];

describe('a round trip is exact', () => {
  test.each([
    ['JSON-LD', throughJson],
    ['Markdown', throughMarkdown],
    ['a table', throughRows],
  ])('through %s, whatever the words are', (_, trip) => {
    fc.assert(
      fc.property(anyTold, (told) => {
        expect(trip(told)).toEqual(told);
      }),
      { numRuns: runs(100) },
    );
  });

  test('every demo recipe comes back whole, readings too', () => {
    for (const { recipe, target } of demo) {
      for (const trip of [throughJson, throughMarkdown, throughRows]) {
        const told = trip(toldFrom(recipe, target))!;
        expect(recipeFromTold(told, book.foods)).toEqual({ ...recipe, lines: recipe.lines });
        expect(told.target).toEqual(target);
      }
    }
  });
});

describe("others' recipes", () => {
  test('a graph with sections, entities and a yield in words', () => {
    const [told] = recipesFromJsonLd({
      '@graph': [
        { '@type': 'WebPage', name: 'A page' },
        {
          '@type': ['Recipe', 'Thing'],
          name: 'Swede &amp; millet bake',
          recipeYield: ['6', '6 bowls'],
          recipeIngredient: ['1&frac12; cups millet', '<b>2</b> swedes'],
          recipeInstructions: [
            {
              '@type': 'HowToSection',
              name: 'Base',
              itemListElement: [{ '@type': 'HowToStep', text: 'Boil the millet.<br>Drain.' }],
            },
            'Bake.\n2. Serve.',
          ],
        },
      ],
    });
    expect(told).toMatchObject({ name: 'Swede & millet bake', portions: 6 });
    expect(told!.lines.map((line) => line.text)).toEqual(['1½ cups millet', '2 swedes']);
    expect(told!.steps.map((step) => step.text)).toEqual(['Boil the millet. Drain.', 'Bake.', 'Serve.']);
  });

  test('one recipe a row, with everything in cells', () => {
    const told = recipesFromRows([
      { Title: 'Pot', Ingredients: '2 leeks\n300 g millet', Method: 'Boil.\nServe.', Serves: 'serves 4' },
      { Title: 'Empty', Ingredients: ' ', Method: '', Serves: '' },
    ]);
    expect(told).toHaveLength(1);
    expect(told[0]).toMatchObject({ name: 'Pot', portions: 4 });
    expect(told[0]!.lines).toHaveLength(2);
  });

  test('what is no recipe gives none, and a hostile value ends', () => {
    for (const value of [null, 1, 'x', [], {}, { '@type': 'Recipes' }])
      expect(recipesFromJsonLd(value)).toEqual([]);
    expect(recipesFromRows([{ a: 'b' }])).toEqual([]);
    expect(recipeFromMarkdown('# A title\n- 2 leeks')).toBeNull();
    expect(recipeFromMarkdown('<!-- hand-ladle {broken} -->')).toBeNull();
    let deep: unknown = { '@type': 'Recipe', name: 'deep', recipeIngredient: ['x'] };
    for (let level = 0; level < 5000; level += 1) deep = { a: deep };
    expect(recipesFromJsonLd(deep)).toHaveLength(1);
  });

  test('answers from outside hold only what answers may', () => {
    const [told] = recipesFromRows([
      { recipe: 'Pot', kind: 'line', text: '2 leeks', food_id: '../etc', grams: '-5', grams_origin: 'guess' },
    ]);
    expect(told!.lines[0]!.answers).toEqual({});
  });
});

test('a cell that a spreadsheet would run is made safe, and comes back as it was', () => {
  fc.assert(
    fc.property(fc.oneof(fc.string(), fc.constantFrom('=A1', '+1', '-2', '@x', "'", "'=", '\t=')), (each) => {
      expect(safeCellText(safeCell(each))).toBe(each);
      expect(/^[=+\-@]/.test(safeCell(each))).toBe(false);
    }),
  );
});
