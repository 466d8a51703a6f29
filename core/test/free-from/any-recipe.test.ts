import fc from 'fast-check';
import { lawsBroken, randomInstance, RECIPES_IN_A_KITCHEN } from '@hand-ladle/testing/random-recipe';
import { runs } from '@hand-ladle/testing/runs';
import { book, foods, ward } from '@hand-ladle/testing/world';

const names = new Set(foods.map(({ name }) => name));

/** `npm run bench` holds the same laws against 100,000 more. */
describe('any recipe from the larder, in any kitchen', () => {
  test('flags never get better by adding or forgetting, every path ends in a food, and no plan breaks its word', () => {
    let [plans, blocked] = [0, 0];
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 2 ** 24 }), (kitchen) => {
        // Several recipes in each kitchen, as in a kitchen.
        for (let recipe = 0; recipe < 16; recipe += 1) {
          const seed = kitchen * RECIPES_IN_A_KITCHEN + recipe;
          const verdicts = lawsBroken(randomInstance(seed, book, ward), book, names);
          plans += verdicts.plans;
          blocked += verdicts.isBlocked ? 1 : 0;
          expect([seed, verdicts.faults]).toEqual([seed, []]);
        }
      }),
      { numRuns: runs(20) },
    );
    // A run that planned nothing, or was never blocked, would prove nothing.
    expect(plans).toBeGreaterThan(runs(80));
    expect(blocked).toBeGreaterThan(runs(80));
  });
});
