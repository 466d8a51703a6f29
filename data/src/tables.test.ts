import { energyOf, NUTRIENTS, type SUBSTANCES, type Food } from '@hand-ladle/core';
import { loadDemoRecipes, loadFoods, loadKitchens, loadSwaps, nutrientColumn } from './index';

const foods = loadFoods();
const swaps = loadSwaps();
const byId = new Map(foods.map((food) => [food.id, food]));
/** Tests run over every food, and name the ones that fail. */
const outliers = (isFine: (food: Food) => boolean): string[] =>
  foods.filter((food) => !isFine(food)).map(({ id }) => id);

describe('the larder proves itself', () => {
  test('ids and columns', () => {
    expect(byId.size).toBe(foods.length);
    expect(foods.length).toBeGreaterThanOrEqual(60);
    expect(NUTRIENTS.map(nutrientColumn)).toContain('added_sugars_g');
  });

  test('water, protein, fat, carbohydrate, alcohol, salt and ash make 100 g', () => {
    const most = 104;
    const least = 90;
    expect(
      outliers(({ composition: c, id }) => {
        const sum =
          c.waterG! + c.proteinG! + c.fatG! + c.carbohydrateG! + c.alcoholG! + (c.sodiumMg! / 1000) * 2.54;
        // Kelp and tea-like leaves carry a fifth of their weight as minerals.
        return (sum <= most && sum >= least) || id === 'kombu';
      }),
    ).toEqual([]);
  });

  test('parts are no larger than their wholes, and nothing is below zero', () => {
    expect(outliers(({ composition: c }) => c.saturatesG! + c.transG! <= c.fatG! + 0.05)).toEqual([]);
    expect(outliers(({ composition: c }) => c.sugarsG! + c.fibreG! <= c.carbohydrateG! + 0.25)).toEqual([]);
    expect(outliers(({ composition: c }) => c.addedSugarsG! <= c.sugarsG!)).toEqual([]);
    expect(
      outliers(({ composition: c }) => Object.values(c).every((value) => value === null || value >= 0)),
    ).toEqual([]);
  });

  test('energy by both laws agrees within what fibre explains', () => {
    expect(
      outliers(({ composition: c }) => {
        const parts = {
          proteinG: c.proteinG!,
          fatG: c.fatG!,
          carbohydrateG: c.carbohydrateG!,
          fibreG: c.fibreG!,
          alcoholG: c.alcoholG!,
        };
        return (
          Math.abs(energyOf(parts, 'us').energyKcal - energyOf(parts, 'eu').energyKcal - 2 * c.fibreG!) < 1
        );
      }),
    ).toEqual([]);
  });

  test('cooked pulses are dry ones diluted by their cooking yield', () => {
    const dry = byId.get('white-beans-dry')!;
    const cooked = byId.get('white-beans-cooked')!;
    expect(dry.composition.proteinG! / dry.cookingYield!).toBeCloseTo(cooked.composition.proteinG!, 0);
  });

  test('no food with a name of wheat, barley, oat, nut, soy, celery, mustard or sesame is clear of it', () => {
    const words: Partial<Record<(typeof SUBSTANCES)[number], RegExp>> = {
      wheat: /\bwheat\b(?!grass)/i,
      barley: /\bbarley\b/i,
      oats: /\boats?\b/i,
      soy: /\bsoy/i,
      almond: /\balmond/i,
      hazelnut: /\bhazelnut/i,
      peanut: /\bpeanut/i,
      celery: /\bceler/i,
      mustard: /\bmustard\b/i,
      sesame: /\bsesame\b/i,
      coconut: /\bcoconut\b/i,
    };
    for (const [substance, pattern] of Object.entries(words)) {
      const named = foods.filter(({ name }) => pattern.test(name) && !/^buckwheat/i.test(name));
      expect(named.length).toBeGreaterThan(0);
      for (const food of named)
        expect([food.id, food.allergens[substance as 'wheat']]).toEqual([food.id, 'contains']);
    }
  });

  test('measures hold their figure inside their range, and a cup is not lighter than a spoon', () => {
    for (const { id, measures } of foods) {
      for (const { grams, lowGrams, highGrams } of measures) {
        expect([id, lowGrams <= grams && grams <= highGrams && grams > 0]).toEqual([id, true]);
      }
    }
  });

  test('animal foods are caught, and their label names are plain', () => {
    expect(foods.filter(({ animal }) => animal === 'animal').map(({ id }) => id)).toEqual([
      'honey',
      'fish-sauce',
      'feta',
      'butter',
    ]);
    expect(outliers(({ labelName }) => labelName === labelName.trim() && labelName !== '')).toEqual([]);
  });
});

describe('the swaps', () => {
  test('name foods of the larder, with ratios and closeness that can be', () => {
    for (const swap of swaps) {
      expect([swap.id, byId.has(swap.fromId)]).toEqual([swap.id, true]);
      for (const { foodId, ratio } of swap.to)
        expect([swap.id, byId.has(foodId), ratio > 0 && ratio < 5]).toEqual([swap.id, true, true]);
      expect([swap.taste, swap.texture].every((closeness) => closeness >= 0 && closeness <= 1)).toBe(true);
      expect(swap.hint).not.toBe('');
    }
    expect(new Set(swaps.map(({ id }) => id)).size).toBe(swaps.length);
  });
});

describe('the demo world', () => {
  const demo = loadDemoRecipes(foods);

  test('every line reads to a food or a component', () => {
    for (const { recipe } of demo) {
      for (const line of recipe.lines)
        expect([line.text, line.reading.foodId]).not.toEqual([line.text, null]);
      expect(recipe.steps.length).toBeGreaterThan(0);
    }
  });

  test('three kitchens, with packs and weights of foods that exist', () => {
    const kitchens = loadKitchens();
    expect(kitchens).toHaveLength(3);
    for (const { packs, weights } of kitchens) {
      for (const { foodId } of [...packs, ...weights])
        expect([foodId, byId.has(foodId)]).toEqual([foodId, true]);
    }
  });
});
