import { groundOfBatch, cookedSheet, standing } from '@hand-ladle/core';
import { asPlanned, kept, openedBatch } from '@hand-ladle/testing/cook/cooked';
import { demo } from '@hand-ladle/testing/world';

describe('a batch in which everything went in as planned', () => {
  test.each(demo.map(({ recipe }) => [recipe.id, recipe] as const))(
    '%s is the batch that was planned',
    (_, recipe) => {
      const opened = openedBatch(recipe, { kind: 'weight', grams: 12_000 });
      const { planned } = groundOfBatch(opened);
      const sheet = cookedSheet(opened, standing(asPlanned(opened).map((each) => kept(each))));
      // Rounding to the scale, and a pan of oil that is taken up by the food as it was weighed.
      expect(Math.abs(sheet.finishedGrams / planned.finishedGrams - 1)).toBeLessThan(0.01);
      expect(sheet.allergens.map(({ id, status }) => `${id} ${status}`)).toEqual(
        planned.allergens.map(({ id, status }) => `${id} ${status}`),
      );
      expect(sheet.label.ingredients).toBe(planned.label.ingredients);
      for (const id of ['energyKcal', 'proteinG', 'sodiumMg', 'fatG'] as const)
        expect(sheet.nutrition.per100g[id]).toBeCloseTo(
          planned.nutrition.per100g[id],
          id === 'sodiumMg' || id === 'energyKcal' ? -1 : 0,
        );
    },
  );
});
