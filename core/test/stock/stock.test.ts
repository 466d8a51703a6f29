import fc from 'fast-check';
import {
  cookedItem,
  foodTraces,
  freezingProblem,
  frozenItem,
  gramsTaken,
  isAsMadeNow,
  keptDays,
  lastDay,
  platesFrom,
  plateText,
  readRecipe,
  Shelf,
  type StockItem,
  thawedItem,
  thawingProblem,
  withCooked,
  worksheet,
} from '@hand-ladle/core';
import { runs } from '@hand-ladle/testing/runs';
import { cooked, packOfFood } from '@hand-ladle/testing/service/kept-stock';
import { book, demo, demoRecipe, wardAsIs } from '@hand-ladle/testing/world';
import { compose } from '../../src/dish';

const ON = '2026-12-02';

describe('a shelf', () => {
  const day = fc.integer({ min: 1, max: 28 }).map((each) => `2026-12-${String(each).padStart(2, '0')}`);
  const item = fc.record({
    foodId: fc.constantFrom('red-lentils', 'pearl-barley'),
    grams: fc.double({ min: 0, max: 5000, noNaN: true }),
    useBy: fc.option(day, { nil: null }),
  });

  test('never gives more than there is, nothing after its day, and the first to expire first', () => {
    fc.assert(
      fc.property(
        fc.array(item, { maxLength: 8 }),
        fc.array(fc.double({ min: 0, max: 4000, noNaN: true }), { maxLength: 6 }),
        (kept, asked) => {
          const items: StockItem[] = kept.map(({ foodId, grams, useBy }, index) =>
            packOfFood(foodId, grams, useBy, `i${index}`),
          );
          const shelf = new Shelf(items, ON);
          const taken = asked.flatMap((grams) => {
            const part = shelf.take(grams, ({ foodId }) => foodId === 'red-lentils');
            expect(gramsTaken(part)).toBeLessThanOrEqual(grams + 1e-6);
            return part;
          });
          for (const { id, grams, useBy, foodId } of items) {
            const of = taken.filter(({ stockId }) => stockId === id);
            expect(gramsTaken(of)).toBeLessThanOrEqual(grams + 1e-6);
            expect(shelf.leftOf(id)).toBeGreaterThanOrEqual(0);
            if (foodId !== 'red-lentils' || (useBy !== null && useBy < ON)) expect(of).toEqual([]);
          }
          // Whatever was not touched expires no sooner than what was.
          const touched = items.filter(({ id }) => taken.some(({ stockId }) => stockId === id));
          const whole = items.filter(
            ({ id, foodId, useBy, grams }) =>
              foodId === 'red-lentils' &&
              (useBy === null || useBy >= ON) &&
              grams > 0 &&
              !touched.some((each) => each.id === id),
          );
          for (const one of touched)
            for (const other of whole) expect((one.useBy ?? '9999') <= (other.useBy ?? '9999')).toBe(true);
        },
      ),
      { numRuns: runs(200) },
    );
  });
});

describe('what was cooked, as a food', () => {
  test('it takes every allergen of every demo dish along, none better than it was', () => {
    for (const { recipe } of demo) {
      const item = cooked(recipe.id, 1000);
      const { kitchen, book: with_ } = withCooked({ book, kitchen: wardAsIs }, [item], ON);
      const sheet = worksheet({ recipe, kitchen: wardAsIs, target: { kind: 'weight', grams: 1000 } }, book);
      const eaten = worksheet(
        {
          recipe: {
            ...recipe,
            steps: [],
            notes: [],
            name: 'Plate',
            swaps: [],
            lines: [
              {
                ...recipe.lines[0]!,
                text: '1 kg',
                answers: { foodId: item.cooked!.food.id, grams: 1000, gramsOrigin: 'weighed here' },
              },
            ],
          },
          kitchen: { ...kitchen, shared: [] },
          target: { kind: 'weight', grams: 1000 },
        },
        with_,
      );
      const rank = ['clear', 'check', 'may-contain', 'contains'];
      for (const { id, status } of [
        ...sheet.allergens,
        ...sheet.standards.filter((each) => each.id === 'vegan'),
      ]) {
        const now = [...eaten.allergens, ...eaten.standards].find((each) => each.id === id)!.status;
        expect([recipe.id, id, rank.indexOf(now) >= rank.indexOf(status)]).toEqual([recipe.id, id, true]);
      }
    }
  });

  test('its cautions go along: nuts for small children stay told, a boil that is done does not', () => {
    expect(cooked('millet-porridge-pear', 500).cooked!.food.cautions).toEqual(
      expect.arrayContaining(['whole-nut-small-children']),
    );
    for (const { recipe } of demo)
      expect(cooked(recipe.id, 500).cooked!.food.cautions).not.toContain('phaseolus-from-dry');
  });

  test('its figures are those of its worksheet, and what is missing there is not known here', () => {
    for (const { recipe } of demo) {
      const { nutrition } = worksheet(
        { recipe, kitchen: wardAsIs, target: { kind: 'weight', grams: 1000 } },
        book,
      );
      const { composition } = cooked(recipe.id, 1000).cooked!.food;
      const missing = new Set(nutrition.missing.map((each) => each.id));
      expect(composition.proteinG).toBe(missing.has('proteinG') ? null : nutrition.per100g.proteinG);
      expect(composition.sodiumMg).toBe(missing.has('sodiumMg') ? null : nutrition.per100g.sodiumMg);
    }
  });

  test('it keeps no longer than the kitchen lets it, nor than anything that went into it', () => {
    const { service, regime } = wardAsIs;
    const plain = cooked('green-dressing', 500, { madeOn: '2026-12-01' });
    expect(plain.useBy).toBe(lastDay('2026-12-01', keptDays(service.keepsDays, regime)));
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 1, max: 9 }), { maxLength: 4 }), (days) => {
        const parts = days.map((each) => packOfFood('red-lentils', 10, `2026-12-0${each}`));
        const { useBy } = cookedItem(
          { recipe: demoRecipe('green-dressing'), kitchen: wardAsIs, target: { kind: 'weight', grams: 500 } },
          { id: 'x', kind: 'leftover', grams: 500, madeOn: '2026-12-01', lot: '' },
          book,
          parts,
        );
        for (const part of parts) expect(useBy! <= part.useBy!).toBe(true);
        expect(useBy! <= plain.useBy!).toBe(true);
      }),
      { numRuns: runs(20) },
    );
  });

  test('a batch stands in for a component only where it is made of the same and nothing in it stands worse', () => {
    const recipe = demoRecipe('green-dressing');
    const composed = compose(recipe, book, wardAsIs);
    const item = cooked('green-dressing', 500);
    expect(isAsMadeNow(item, composed, wardAsIs)).toBe(true);
    expect(isAsMadeNow(cooked('pink-pickle', 500), composed, wardAsIs)).toBe(false);
    const worse = {
      ...item,
      cooked: {
        ...item.cooked!,
        food: {
          ...item.cooked!.food,
          allergens: { ...item.cooked!.food.allergens, almond: 'contains' as const },
        },
      },
    };
    expect(isAsMadeNow(worse, composed, wardAsIs)).toBe(false);
  });

  test('an entry of the kitchen’s own list goes along, and what nobody answered stays unanswered', () => {
    const kitchen = {
      ...wardAsIs,
      ownAllergens: [{ id: 'garlic', name: 'garlic', foodIds: ['garlic', 'dill'] }],
    };
    const item = cooked('green-dressing', 500, { kitchen });
    const known = withCooked({ book, kitchen }, [item], ON).kitchen;
    expect(
      foodTraces(item.cooked!.food, known).some(({ own, status }) => own === 1 && status === 'contains'),
    ).toBe(true);
    const later = {
      ...known,
      ownAllergens: [...kitchen.ownAllergens, { id: 'kiwi', name: 'kiwi', foodIds: ['kiwi'] }],
    };
    const traces = foodTraces(item.cooked!.food, later);
    expect(traces.some(({ own, status }) => (own & 2) !== 0 && status !== 'clear')).toBe(true);
  });
});

describe('the freezer', () => {
  const kitchen = wardAsIs;

  test('thawed it keeps the days it had left when it went in, two at most, never beyond its frozen day', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 3 }), fc.integer({ min: 0, max: 200 }), (after, days) => {
        const item = cooked('green-dressing', 500, { madeOn: '2026-12-01' });
        const day = (count: number): string =>
          new Date(Date.parse('2026-12-01T00:00:00Z') + count * 86_400_000).toISOString().slice(0, 10);
        const on = day(after - 1);
        const frozen = frozenItem(item, on, kitchen);
        expect([frozen.place, frozen.useBy]).toEqual(['frozen', lastDay(on, kitchen.service.freezerDays)]);
        const out = day(after - 1 + days);
        if (thawingProblem(frozen, out) !== '') {
          expect(out > frozen.useBy!).toBe(true);
          return;
        }
        const thawed = thawedItem(frozen, out);
        const left = 3 - (after - 1);
        expect(thawed.useBy! <= lastDay(out, Math.min(2, left))).toBe(true);
        expect(thawed.useBy! <= frozen.useBy!).toBe(true);
        expect(freezingProblem(thawed, out)).toContain('not frozen again');
      }),
      { numRuns: runs(60) },
    );
  });

  test('what is past its day, a pack, or frozen already is not frozen', () => {
    const item = cooked('green-dressing', 500, { madeOn: '2026-12-01' });
    expect(freezingProblem(item, '2026-12-04')).toContain('past its day');
    expect(freezingProblem(packOfFood('quinoa', 5, null), ON)).not.toBe('');
    expect(freezingProblem(frozenItem(item, ON, kitchen), ON)).toContain('already');
    expect(thawingProblem(item, ON)).not.toBe('');
    expect(freezingProblem(item, ON)).toBe('');
  });
});

describe('bases into plates', () => {
  const bases = ['barley-base', 'oregano-chickpeas', 'roasted-roots', 'green-dressing', 'pink-pickle'];
  const stock = bases.map((id) => cooked(id, 3000));
  const ground = withCooked({ book, kitchen: wardAsIs }, stock, ON);

  test('never more portions than the scarcest base gives, and nobody is fed what they must not have', () => {
    const plates = platesFrom(stock, ON, ground);
    expect(plates.length).toBeGreaterThan(3);
    for (const plate of plates) {
      for (const { grams } of plate.bases) expect(plate.portions * grams).toBeLessThanOrEqual(3000);
      expect(plate.bases.reduce((sum, { grams }) => sum + grams, 0)).toBe(plate.portionGrams);
      const hasBarley = plate.bases.some(({ recipeId }) => recipeId === 'barley-base');
      const hasMustard = plate.bases.some(({ recipeId }) =>
        ['green-dressing', 'pink-pickle'].includes(recipeId),
      );
      if (hasBarley) expect(plate.served).not.toContain('Coeliac');
      if (hasMustard) expect(plate.served).not.toContain('No celery, no mustard');
      expect([...plate.served, ...plate.notServed].sort()).toEqual(
        wardAsIs.diners.map(({ name }) => name).sort(),
      );
    }
    expect(plates.some(({ served }) => served.includes('Coeliac'))).toBe(true);
  });

  test('a plate reads back as a recipe of its bases; what expires before the day builds none', () => {
    const [best] = platesFrom(stock, ON, ground);
    const { lines } = readRecipe(plateText(best!), book.foods);
    expect(lines.map(({ reading }) => reading.foodId)).toEqual(best!.bases.map(({ recipeId }) => recipeId));
    expect(platesFrom(stock, '2026-12-20', ground)).toEqual([]);
  });
});
