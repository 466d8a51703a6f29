import fc from 'fast-check';
import { type Book, bookOf, componentDemand, foodSet, type Recipe } from '@hand-ladle/core';
import { book, demoRecipe, foods, recipeOf, school, sheetOf } from '@hand-ladle/testing/world';
import { madeFor } from '../../src/batch/components';

const BAKE = demoRecipe('celeriac-bean-bake');

describe('what a component is made in', () => {
  test('never less than the need, and never a whole step more', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.1, max: 90_000, noNaN: true }), (needed) => {
        const made = madeFor(needed);
        const step = needed < 1000 ? 50 : needed < 10_000 ? 100 : 500;
        expect(made).toBeGreaterThanOrEqual(needed - 1e-3);
        expect(made - needed).toBeLessThan(step + 1e-3);
        expect(made % step).toBeCloseTo(0, 6);
      }),
    );
  });
});

describe('components of one dish', () => {
  const sheet = sheetOf(BAKE, { kind: 'portions', portions: 120, portionGrams: 320 }, school);

  test('each is planned once, users before what they use, with its own loads, yield and surplus', () => {
    const ids = sheet.components.map(({ componentId }) => componentId);
    expect(new Set(ids).size).toBe(ids.length);
    expect(ids).toEqual(
      expect.arrayContaining(['kitchen-tomato-sauce', 'smoked-onion-base', 'seeded-crumb']),
    );
    expect(ids.indexOf('kitchen-tomato-sauce')).toBeLessThan(ids.indexOf('smoked-onion-base'));
    for (const each of sheet.components) {
      expect(each.neededGrams).toBeCloseTo(
        each.askedBy.reduce((sum, { grams }) => sum + grams, 0),
        6,
      );
      expect(each.madeGrams).toBe(madeFor(each.neededGrams));
      expect(each.surplusGrams).toBeCloseTo(each.madeGrams - each.neededGrams, 3);
      expect(each.lines.length).toBeGreaterThan(0);
    }
  });

  test('what a component asks of another follows what is made of it, not what is needed', () => {
    const sauce = sheet.components.find(({ componentId }) => componentId === 'kitchen-tomato-sauce')!;
    const base = sheet.components.find(({ componentId }) => componentId === 'smoked-onion-base')!;
    const asked = base.askedBy.find(({ name }) => name === sauce.name)!;
    const line = sauce.lines.find(({ componentId }) => componentId === 'smoked-onion-base')!;
    expect(asked.grams).toBeCloseTo(line.batchGrams!, 6);
  });
});

/** A book with two small dishes and a base that both, and a sauce between them, lean on. */
function ownBook(): { own: Book; dishes: Recipe[] } {
  const base = recipeOf(['800 g peeled carrots', '200 g water'], [], {
    id: 'plain-base',
    name: 'Plain base',
    isComponent: true,
  });
  const tie = (recipe: Recipe, lineId: string, componentId: string): Recipe => ({
    ...recipe,
    lines: recipe.lines.map((line) =>
      line.id === lineId ? { ...line, answers: { ...line.answers, foodId: componentId } } : line,
    ),
  });
  const sauce = tie(
    recipeOf(['500 g base', '500 g water'], [], { id: 'mid-sauce', name: 'Mid sauce', isComponent: true }),
    'l1',
    'plain-base',
  );
  const parts = [base, sauce];
  const own = bookOf(foodSet(foods, parts), parts, []);
  const first = tie(
    recipeOf(['300 g base', '700 g millet'], [], { id: 'one', name: 'One' }),
    'l1',
    'plain-base',
  );
  const second = tie(
    recipeOf(['600 g sauce', '400 g millet'], [], { id: 'two', name: 'Two' }),
    'l1',
    'mid-sauce',
  );
  return { own, dishes: [first, second] };
}

describe('components of several dishes', () => {
  test('a component that one dish uses itself and another through a sauce is one demand, whichever comes first', () => {
    const { own, dishes } = ownBook();
    const target = { kind: 'weight' as const, grams: 10_000 };
    for (const order of [dishes, [...dishes].reverse()]) {
      const demand = componentDemand(
        order.map((recipe) => ({ recipe, target })),
        school,
        own,
      );
      expect(demand.map(({ componentId }) => componentId)).toEqual(['mid-sauce', 'plain-base']);
      const [sauce, base] = demand as [(typeof demand)[0], (typeof demand)[0]];
      const direct = base.askedBy.find(({ name }) => name === 'One')!;
      const through = base.askedBy.find(({ name }) => name === 'Mid sauce')!;
      expect(base.neededGrams).toBeCloseTo(direct.grams + through.grams, 6);
      // Half of the sauce that is made, before its transfer loss, is base.
      const kept = 1 - school.transferLoss;
      expect(through.grams).toBeCloseTo((sauce.madeGrams / kept) * 0.5, 3);
    }
  });

  test('the demand of two dishes is that of each, added up before it is rounded to what is made', () => {
    const other = demoRecipe('barley-leek-white-bean-pot');
    const target = { kind: 'portions' as const, portions: 60, portionGrams: 300 };
    const demand = (recipes: Recipe[]) =>
      new Map(
        componentDemand(
          recipes.map((recipe) => ({ recipe, target })),
          school,
          book,
        ).map((each) => [each.componentId, each]),
      );
    const [one, two, both] = [demand([BAKE]), demand([other]), demand([BAKE, other])];
    const direct = (from: ReturnType<typeof demand>, id: string, name: string): number =>
      from.get(id)?.askedBy.find((each) => each.name === name)?.grams ?? 0;
    for (const [id, each] of both) {
      for (const name of [BAKE.name, other.name])
        expect(direct(both, id, name)).toBeCloseTo(direct(one, id, name) + direct(two, id, name), 6);
      expect(each.madeGrams).toBeLessThanOrEqual(
        (one.get(id)?.madeGrams ?? 0) + (two.get(id)?.madeGrams ?? 0) + 500,
      );
    }
  });
});
