import loadHighs from 'highs';
import { search } from '@hand-ladle/core';
import { EXACT, lpOf, plannable } from '@hand-ladle/testing/mip';
import { runs } from '@hand-ladle/testing/runs';
import { book, ward } from '@hand-ladle/testing/world';

/** `npm run bench` asks 500 of them and compares the time. The solver keeps to its constraints within a millionth. */
test('the best plan is that of a mixed-integer solver, in recipes of up to 60 lines', async () => {
  const highs = await loadHighs();
  let [asked, solved, manyChoices] = [0, 0, 0];
  for (let seed = 1; asked < runs(40); seed += 1) {
    const instance = plannable(seed, book, ward);
    if (!instance) continue;
    asked += 1;
    const [best] = search(instance.problem, 1);
    const answer = highs.solve(lpOf(instance.problem), EXACT);
    if (answer.Status === 'Optimal') {
      solved += 1;
      expect([seed, best?.penalty]).toEqual([seed, expect.closeTo(answer.ObjectiveValue, 5)]);
    } else expect([seed, answer.Status, best]).toEqual([seed, 'Infeasible', undefined]);
    if (instance.problem.choices.length >= 10) manyChoices += 1;
  }
  expect(solved).toBeGreaterThan(runs(15));
  expect(manyChoices).toBeGreaterThan(runs(3));
});
