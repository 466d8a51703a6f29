import fc from 'fast-check';
import {
  type AllergenStatus,
  type FreeFromPolicy,
  menuAnswer,
  type MenuRow,
  menuRow,
} from '@hand-ladle/core';
import { cafe, demo, demoRecipe, recipeOf, school, sheetOf, ward } from '@hand-ladle/testing/world';
import { worse } from '../../src/food/status';
import { passes } from '../../src/kitchen/diners';

const STRICT: FreeFromPolicy = { mayContain: 'refuse', check: 'refuse' };
const LOOSE: FreeFromPolicy = { mayContain: 'accept', check: 'accept' };
const rowOf = (id: string, kitchen = ward): MenuRow => {
  const recipe = demoRecipe(id);
  return menuRow(sheetOf(recipe, undefined, kitchen), recipe);
};

describe('can she have this?', () => {
  test('no: what is in it, its kind and where from', () => {
    const answer = menuAnswer(rowOf('barley-leek-white-bean-pot'), ['gluten'], STRICT);
    expect(answer).toMatchObject({ verdict: 'no', words: 'No: contains gluten (barley): pearl barley.' });
  });

  test('a way through components is told from the dish to the food, and a kind only where it says more', () => {
    const bake = menuAnswer(rowOf('celeriac-bean-bake'), ['gluten'], STRICT);
    expect(bake.words).toBe('No: contains gluten (oats): seeded crumb > rolled oats.');
    const pot = menuAnswer(rowOf('barley-leek-white-bean-pot'), ['soy'], STRICT);
    expect(pot.words).toBe('No: contains soy: tamari.');
  });

  test('not yet: nobody has read the pack, whatever else is clear', () => {
    const answer = menuAnswer(rowOf('barley-leek-white-bean-pot'), ['celery', 'lupin'], STRICT);
    expect(answer.verdict).toBe('unknown');
    expect(answer.words).toMatch(/^Not yet: nobody has checked celery and lupin: vegetable stock paste/);
  });

  test('yes: only where every line was checked', () => {
    const answer = menuAnswer(rowOf('fennel-butter-bean-pot'), ['soy', 'nut', 'gluten'], STRICT);
    expect(answer).toMatchObject({
      verdict: 'yes',
      words:
        'Yes: no soy, no nut (pine nut counted, coconut not counted) and no gluten by any line: each was checked.',
    });
  });

  test('what this kitchen lets pass is said as such, never as a plain yes', () => {
    for (const { recipe } of demo) {
      const row = menuRow(sheetOf(recipe), recipe);
      for (const { allergenId, status } of row.cells) {
        const answer = menuAnswer(row, [allergenId], LOOSE);
        expect(answer.verdict).toBe(status === 'clear' ? 'yes' : status === 'contains' ? 'no' : 'policy');
        if (answer.verdict === 'policy') expect(answer.words).toMatch(/^Only by this kitchen's policy: /);
      }
    }
  });

  test('an allergen nobody ever asked about is unknown', () => {
    const empty = recipeOf(['500 g carrots']);
    expect(menuAnswer(menuRow(sheetOf(empty), empty), ['moonstone'], STRICT).verdict).toBe('unknown');
  });
});

test('the answer is that of the worst of what is excluded, and asking for more never makes it better', () => {
  const RANK = { yes: 0, policy: 1, unknown: 2, may: 3, no: 4 };
  const rows = demo.flatMap(({ recipe }) =>
    [ward, school, cafe].map((kitchen) => menuRow(sheetOf(recipe, undefined, kitchen), recipe)),
  );
  const ids = rows[0]!.cells.map(({ allergenId }) => allergenId);
  fc.assert(
    fc.property(
      fc.constantFrom(...rows),
      fc.uniqueArray(fc.constantFrom(...ids), { minLength: 1, maxLength: 6 }),
      fc.constantFrom(...ids),
      fc.constantFrom(STRICT, LOOSE),
      (row, exclude, more, policy) => {
        const { verdict } = menuAnswer(row, exclude, policy);
        const cells = row.cells.filter(({ allergenId }) => exclude.includes(allergenId));
        // Regimes name different allergens: one that this row does not have is unknown.
        const isWhole = cells.length === exclude.length;
        const worst = cells.reduce<AllergenStatus>(
          (status, cell) => worse(status, cell.status),
          isWhole ? 'clear' : 'check',
        );
        if (verdict === 'yes') expect(worst).toBe('clear');
        if (worst === 'contains') expect(verdict).toBe('no');
        if (!passes(worst, policy)) expect(['yes', 'policy']).not.toContain(verdict);
        const wider = menuAnswer(row, [...exclude, more], policy).verdict;
        expect(RANK[wider]).toBeGreaterThanOrEqual(RANK[verdict]);
      },
    ),
  );
});
