/** The law by attack: one allergen or animal word anywhere in a clear dish, in any frame, and the dish is never clear of it. */
import fc from 'fast-check';
import { decisionsOf, flagsOf, type Recipe, standardFlagsOf } from '@hand-ladle/core';
import { bare } from '@hand-ladle/testing/asked';
import { confirmedAtRandom, FRAMES, hiddenIn } from '@hand-ladle/testing/hidden-words';
import { runs } from '@hand-ladle/testing/runs';
import { book, sheetOf } from '@hand-ladle/testing/world';
import { compose } from '../../src/dish/compose';

const clearOf = (recipe: Recipe): Set<string> => {
  const { traces } = compose(recipe, book, bare);
  const flags = [...flagsOf(traces, bare), ...standardFlagsOf(traces, bare)];
  return new Set(flags.filter(({ status }) => status === 'clear').map(({ id }) => id));
};
const seeds = fc.integer({ min: 0, max: 2 ** 31 });

test('there are at least forty frames', () => {
  expect(Object.values(FRAMES).flat().length).toBeGreaterThanOrEqual(40);
});

test('a hidden word is never clear, nor after the cook has confirmed what was read, in any order', () => {
  fc.assert(
    fc.property(seeds, (seed) => {
      const { recipe, word, text } = hiddenIn(seed, book);
      for (const each of [recipe, confirmedAtRandom(recipe, seed, bare, book)]) {
        const clear = clearOf(each);
        expect([text, word.brings.filter((id) => clear.has(id))]).toEqual([text, []]);
      }
    }),
    { numRuns: runs(250) },
  );
});

test('and it holds the label; without the word the dish asks nothing about it', () => {
  fc.assert(
    fc.property(seeds, (seed) => {
      const { recipe, clean, word, text } = hiddenIn(seed, book);
      const sheet = sheetOf(recipe, undefined, bare);
      // A label goes out only where the list itself says it: then it is declared.
      const isDeclared = [...sheet.allergens, ...sheet.standards]
        .filter(({ id }) => word.brings.includes(id))
        .every(({ status }) => status === 'contains');
      expect([text, sheet.label.isDraft || (isDeclared && !word.brings.includes('vegan'))]).toEqual([
        text,
        true,
      ]);
      const clear = clearOf(clean);
      expect([text, word.brings.filter((id) => !clear.has(id))]).toEqual([text, []]);
      const codes = decisionsOf(sheetOf(clean, undefined, bare)).map(({ finding }) => finding.code);
      expect(codes.filter((code) => code.startsWith('named-'))).toEqual([]);
    }),
    { numRuns: runs(70) },
  );
});
