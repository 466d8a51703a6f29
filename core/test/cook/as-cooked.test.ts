import {
  cookedSheet,
  type EntryBody,
  groundOfBatch,
  type OpenedBatch,
  type Recipe,
  standing,
  withBrought,
} from '@hand-ladle/core';
import { asPlanned, kept, openedBatch, tablet } from '@hand-ladle/testing/cook/cooked';
import { book, demo, demoRecipe, wardAsIs } from '@hand-ladle/testing/world';

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

describe('a component that the recipe does not have', () => {
  const opened = openedBatch('barley-leek-white-bean-pot', { kind: 'weight', grams: 12_000 });
  const lineId = groundOfBatch(opened).planned.lines[0]!.id;
  const sheetWith = (body: EntryBody) => {
    const record = standing([kept(tablet()(body))]);
    return cookedSheet(withBrought(opened, [body], book, wardAsIs), record);
  };

  const added = (foodId: string): EntryBody => ({
    kind: 'added',
    foodId,
    grams: 400,
    way: 'typed',
    because: 'other',
    stepId: '',
    load: 1,
  });

  test.each<EntryBody>([
    added('green-dressing'),
    { kind: 'substituted', foodId: 'green-dressing', lineId, grams: 400, way: 'typed', load: 1 },
  ])('$kind brings in all it is made of', (body) => {
    const { allergens, label } = sheetWith(body);
    expect(allergens.find(({ id }) => id === 'mustard')!.status).toBe('contains');
    expect(label.ingredients).toMatch(/green dressing.*mustard/is);
  });

  test('a swap of the dish does not reach into one that stood ready', () => {
    const recipe: Recipe = {
      ...demoRecipe('barley-leek-white-bean-pot'),
      swaps: [{ fromId: 'pearl-barley', swapId: 'pearl-barley-brown-rice' }],
    };
    const body = added('barley-base');
    const swapped = openedBatch(recipe, { kind: 'weight', grams: 12_000 });
    const record = standing([...asPlanned(swapped), tablet('tablet-b')(body)].map((each) => kept(each)));
    const planned = record.filter((each) => each.body.kind !== 'added');
    const gluten = (batch: OpenedBatch) =>
      cookedSheet(batch, record).allergens.find(({ id }) => id === 'gluten')!.status;
    expect(cookedSheet(swapped, planned).label.ingredients).not.toMatch(/barley/i);
    const whole = withBrought(swapped, [body], book, wardAsIs);
    expect(gluten(whole)).toBe('contains');
    expect(withBrought(whole, [body], book, wardAsIs)).toBe(whole);
  });
});
