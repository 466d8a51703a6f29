import fc from 'fast-check';
import { type Pack, readStatement, SUBSTANCES } from '@hand-ladle/core';
import { runs } from '@hand-ladle/testing/runs';
import { foods } from '@hand-ladle/testing/world';
import { answersAfter, askedOfPack, isLeftOpen } from '../../src/allergen/pack-reading';

const read = readStatement('Soya beans, water, barley malt, spices. May contain nuts.');

test('what the statement surely says is filled in, what it leaves open is not', () => {
  const answers = answersAfter(read, {}, new Set());
  expect(answers).toMatchObject({ soy: 'contains', barley: 'contains' });
  for (const [substance, answer] of Object.entries(answers))
    expect([substance, answer]).toEqual([substance, expect.stringMatching(/^(contains|may-contain)$/)]);
  const open = SUBSTANCES.filter((each) => isLeftOpen(read, each));
  expect(open.length).toBeGreaterThan(0);
  for (const each of open) expect([each, answers[each]]).toEqual([each, undefined]);
});

test('a word that is taken out of the statement takes its answer along, and what a person set stays', () => {
  const before: Pack['allergens'] = { soy: 'contains', sesame: 'may-contain', milk: 'none' };
  const after = answersAfter(readStatement('Water, salt.'), before, new Set(['sesame', 'milk']));
  expect(after).toEqual({ sesame: 'may-contain', milk: 'none' });
  expect(before.soy).toBe('contains');
});

test('every substance is shown, asked or at hand, once; what the food is made of is never asked away', () => {
  fc.assert(
    fc.property(
      fc.constantFrom(...foods),
      fc.subarray([...SUBSTANCES]),
      fc.constantFrom('Soya beans.', 'Water. May contain nuts, milk.', '', 'Wheat flour, spices.'),
      (food, earlier, statement) => {
        const known = Object.fromEntries(earlier.map((each) => [each, 'none'])) as Pack['allergens'];
        const { inherent, asked, others } = askedOfPack(readStatement(statement), food, known);
        expect([...inherent, ...asked, ...others].sort()).toEqual([...SUBSTANCES].sort());
        for (const each of SUBSTANCES)
          if (food.allergens[each] === 'contains') expect(inherent).toContain(each);
          else if (food.allergens[each] !== undefined) expect(asked).toContain(each);
      },
    ),
    { numRuns: runs(60) },
  );
});
