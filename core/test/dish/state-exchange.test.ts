import type { Recipe } from '@hand-ladle/core';
import { book, recipeOf, ward } from '@hand-ladle/testing/world';
import { compose } from '../../src/dish/compose';
import { stateExchanges, withState } from '../../src/dish/standard/state-exchange';

const linesOf = (recipe: Recipe) => compose(recipe, book, ward).lines;
const ofLine = (recipe: Recipe, lineId: string) => {
  const lines = linesOf(recipe);
  return stateExchanges(
    lines.find(({ id }) => id === lineId)!,
    lines,
    book.foods,
  );
};
const gramsOf = (recipe: Recipe, lineId: string): number =>
  linesOf(recipe).find(({ id }) => id === lineId)!.weight!.grams;

const SIMMER = ['Simmer everything gently, covered, for 20 minutes, until soft.'];
const PULSES = ['500 g butter beans, tinned, drained', '300 g water'];
const GRAIN = ['300 g millet', '900 g water'];

describe('one food in another state', () => {
  test('tinned beans weigh what cooked ones do; dry ones what the reference says, cooked apart', () => {
    const found = ofLine(recipeOf(PULSES, SIMMER), 'l1');
    const cooked = found.find(({ state }) => state === 'cooked')!;
    const dry = found.find(({ state }) => state === 'dry')!;
    expect(cooked).toMatchObject({ grams: 500, isCookedApart: false, waterGrams: 0 });
    const ratio = book.foods.foods.get(dry.foodId)!.cookingYield!;
    expect(ratio).toBeGreaterThanOrEqual(2.2);
    expect(ratio).toBeLessThanOrEqual(2.8);
    expect(dry.grams).toBeCloseTo(500 / ratio, 1);
    expect(dry).toMatchObject({ isCookedApart: true, waterGrams: 0 });
  });

  test('dry grain exchanged for cooked gives the water of the pot back, and back again it is as before', () => {
    const recipe = recipeOf(GRAIN, SIMMER);
    const cooked = ofLine(recipe, 'l1').find(({ state }) => state === 'cooked')!;
    const ratio = book.foods.foods.get('millet')!.cookingYield!;
    expect(cooked.grams).toBeCloseTo(300 * ratio, 1);
    expect(cooked.waterGrams).toBeCloseTo(-(300 * ratio - 300), 1);
    const after = withState(recipe, linesOf(recipe), 'l1', cooked);
    expect(gramsOf(after, 'l1')).toBeCloseTo(300 * ratio, 1);
    expect(gramsOf(after, 'l2')).toBeCloseTo(900 - (300 * ratio - 300), 1);
    const dry = ofLine(after, 'l1').find(({ state }) => state === 'dry')!;
    const back = withState(after, linesOf(after), 'l1', dry);
    expect(gramsOf(back, 'l1')).toBeCloseTo(300, 0);
    expect(gramsOf(back, 'l2')).toBeCloseTo(900, 0);
  });

  test('where there is less water in the list than the grain would give back, the rest is said', () => {
    const recipe = recipeOf(['300 g millet', '100 g water', '600 g vegetable stock'], SIMMER);
    const cooked = ofLine(recipe, 'l1').find(({ state }) => state === 'cooked')!;
    expect(cooked.waterGrams).toBe(-100);
    expect(cooked.wetterGrams).toBeGreaterThan(100);
    // The line stays in the list, with next to nothing in it: nothing is taken out without a cook.
    expect(gramsOf(withState(recipe, linesOf(recipe), 'l1', cooked), 'l2')).toBeCloseTo(0.1, 6);
  });

  test('the mass of the dish is the same in every state', () => {
    for (const [texts, lineId] of [
      [PULSES, 'l1'],
      [GRAIN, 'l1'],
    ] as const) {
      const recipe = recipeOf([...texts], SIMMER);
      const before = compose(recipe, book, ward).finishedGrams;
      for (const to of ofLine(recipe, lineId)) {
        const after = compose(withState(recipe, linesOf(recipe), lineId, to), book, ward).finishedGrams;
        expect(Math.abs(after - before)).toBeLessThan(1);
      }
    }
  });

  test('a carrot has no other state, and a line nobody weighed none either', () => {
    expect(ofLine(recipeOf(['200 g carrots']), 'l1')).toEqual([]);
    expect(ofLine(recipeOf(['millet to taste']), 'l1')).toEqual([]);
  });
});
