import fc from 'fast-check';
import { search } from '@hand-ladle/core';
import { runs } from '@hand-ladle/testing/runs';
import { type Constraint, driftPenalty, type SearchProblem } from '../../src/free-from/search';

/** Every combination, without any cleverness: their penalties where they keep every constraint, least first. */
function bruteForce({ choices, weights, constraints }: SearchProblem): number[] {
  let combinations: number[][] = [[]];
  for (const options of choices)
    combinations = combinations.flatMap((before) => options.map((_, option) => [...before, option]));
  const isKept = (taken: number[]) => (each: Constraint) =>
    (each.when && taken[each.when.choice] !== each.when.option) ||
    taken.reduce((sum, option, choice) => sum + each.coefficients[choice]![option]!, 0) <= each.most + 1e-9;
  return combinations
    .filter((taken) => constraints.every(isKept(taken)))
    .map((taken) => {
      const figures = taken.map((option, choice) => choices[choice]![option]!);
      const drift = [0, 1, 2].map((each) =>
        figures.reduce((sum, figure) => sum + figure.drift[each as 0 | 1 | 2], 0),
      );
      return (
        figures.reduce((sum, { own }) => sum + own, 0) +
        driftPenalty([drift[0]!, drift[1]!, drift[2]!], weights)
      );
    })
    .sort((one, other) => one - other);
}

const figure = fc.integer({ min: -100, max: 100 }).map((each) => each / 100);
const option = fc.record({
  own: fc.integer({ min: 0, max: 200 }).map((each) => each / 100),
  drift: fc.tuple(figure, figure, figure),
});
const problem: fc.Arbitrary<SearchProblem> = fc
  .array(fc.array(option, { minLength: 1, maxLength: 4 }), { minLength: 0, maxLength: 6 })
  .chain((choices) =>
    fc.record({
      choices: fc.constant(choices),
      weights: fc.constant([1, 1, 0.5] as const),
      constraints: fc.array(
        fc.record({
          coefficients: fc.tuple(
            ...choices.map((options) =>
              fc.array(figure, { minLength: options.length, maxLength: options.length }),
            ),
          ),
          most: figure,
          when:
            choices.length === 0
              ? fc.constant(null)
              : fc.option(
                  fc.nat({ max: choices.length - 1 }).chain((choice) =>
                    fc.record({
                      choice: fc.constant(choice),
                      option: fc.nat({ max: choices[choice]!.length - 1 }),
                    }),
                  ),
                ),
        }),
        { maxLength: 3 },
      ),
    }),
  );

describe('the search is exact', () => {
  test('its best are the best of all combinations, with drift both ways and constraints', () => {
    fc.assert(
      fc.property(problem, fc.integer({ min: 1, max: 4 }), (asked, most) => {
        const found = search(asked, most).map(({ penalty }) => penalty);
        const all = bruteForce(asked).slice(0, most);
        expect(found).toHaveLength(all.length);
        all.forEach((penalty, index) => expect(found[index]).toBeCloseTo(penalty, 9));
      }),
      { numRuns: runs(600) },
    );
  });

  test('what it answers keeps every constraint and has the penalty it says', () => {
    fc.assert(
      fc.property(problem, (asked) => {
        for (const { options, penalty } of search(asked, 3)) {
          expect(
            bruteForce({
              ...asked,
              choices: asked.choices.map((each, at) => [each[options[at]!]!]),
              constraints: [],
            })[0],
          ).toBeCloseTo(penalty, 9);
        }
      }),
      { numRuns: runs(120) },
    );
  });

  test('a choice without an option has no answer; no choice has the empty one', () => {
    const weights = [1, 1, 1] as const;
    expect(search({ choices: [[]], weights, constraints: [] }, 3)).toEqual([]);
    expect(search({ choices: [], weights, constraints: [] }, 3)).toEqual([{ options: [], penalty: 0 }]);
  });

  test('a loss that another swap brings back costs nothing: greedy would miss it', () => {
    const take = (own: number, protein: number) => ({ own, drift: [protein, 0, 0] as const });
    const found = search(
      {
        choices: [[take(0.1, 0), take(0.2, -1)], [take(0.1, 1)]],
        weights: [1, 1, 1],
        constraints: [],
      },
      1,
    );
    expect(found).toEqual([{ options: [1, 0], penalty: expect.closeTo(0.3, 9) as number }]);
  });
});
