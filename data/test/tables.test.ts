import {
  energyOf,
  type Food,
  foodFromRow,
  type NutrientId,
  rowFromFood,
  type SUBSTANCES,
} from '@hand-ladle/core';
import { loadDemoRecipes, loadFoods, loadKitchens, loadSwaps } from '../src';

const foods = loadFoods();
const swaps = loadSwaps();
const byId = new Map(foods.map((food) => [food.id, food]));
/** Tests run over every food, and name the ones that fail. */
const outliers = (isFine: (food: Food) => boolean): string[] =>
  foods.filter((food) => !isFine(food)).map(({ id }) => id);

const sumOf = (...parts: (number | null)[]): number =>
  parts.reduce<number>((sum, part) => sum + (part ?? 0), 0);
/** Minerals as the salts and ash they stand in: chloride, carbonate, phosphate (convention, for this check only). */
const ashOf = ({ composition: c }: Food): number =>
  (sumOf(c.sodiumMg) * 2.54 +
    sumOf(c.potassiumMg) * 1.9 +
    sumOf(c.calciumMg) * 2.5 +
    sumOf(c.magnesiumMg) * 3.5 +
    sumOf(c.phosphorusMg) * 2.3) /
  1000;

describe('the larder proves itself', () => {
  test('holds what a plant kitchen uses, and the animal foods it must catch', () => {
    expect(byId.size).toBe(foods.length);
    expect(foods.filter(({ animal }) => animal !== 'animal').length).toBeGreaterThanOrEqual(260);
    expect(foods.filter(({ animal }) => animal === 'animal').length).toBeGreaterThanOrEqual(20);
    for (const id of ['honey', 'whey-powder', 'fish-sauce', 'gelatine', 'egg-noodles', 'parmesan', 'ghee'])
      expect([id, byId.get(id)?.animal]).toEqual([id, 'animal']);
    expect(outliers(({ labelName }) => labelName === labelName.trim() && labelName !== '')).toEqual([]);
  });

  test('water, protein, fat, carbohydrate, alcohol and minerals make 100 g', () => {
    // Baking powders are salts that part as gas; kelp holds chloride and iodide that no column names.
    const exempt = new Set(['baking-powder', 'bicarbonate', 'cream-of-tartar', 'kombu', 'hijiki', 'dulse']);
    expect(
      outliers((food) => {
        const { waterG, proteinG, fatG, carbohydrateG, alcoholG } = food.composition;
        const parts = sumOf(waterG, proteinG, fatG, carbohydrateG, alcoholG);
        return (
          (parts + ashOf(food) >= 93.5 && parts <= 102.5 && parts + ashOf(food) <= 107) || exempt.has(food.id)
        );
      }),
    ).toEqual([]);
  });

  test('the stated energy is what its parts give, within 10 % or 12 kcal', () => {
    const off = outliers((food) => {
      const { energyKcal, composition: c } = food;
      if (energyKcal === null || c.proteinG === null || c.fatG === null || c.carbohydrateG === null)
        return true;
      const parts = {
        proteinG: c.proteinG,
        fatG: c.fatG,
        carbohydrateG: c.carbohydrateG,
        fibreG: c.fibreG ?? 0,
        alcoholG: c.alcoholG ?? 0,
      };
      const reckoned = energyOf(parts, 'eu').energyKcal;
      // Acetic acid has energy (13 kJ/g, EU Annex XIV) and no column: vinegars hold about 5 g, balsamic 6 g.
      const acid = food.category === 'acid' && food.functions.includes('acid') ? 19 : 0;
      return Math.abs(reckoned - energyKcal) <= Math.max(12, 0.1 * energyKcal) + acid;
    });
    expect(off).toEqual([]);
    expect(foods.filter(({ energyKcal }) => energyKcal === null).length).toBeLessThan(foods.length * 0.02);
  });

  test('parts are no larger than their wholes, and nothing is below zero', () => {
    const within = (parts: (number | null)[], whole: number | null, slack: number): boolean =>
      whole === null || sumOf(...parts) <= whole + slack;
    expect(
      outliers(({ composition: c }) =>
        within([c.saturatesG, c.monounsaturatesG, c.polyunsaturatesG, c.transG], c.fatG, 0.06),
      ),
    ).toEqual([]);
    expect(outliers(({ composition: c }) => within([c.alaG], c.polyunsaturatesG, 0.05))).toEqual([]);
    expect(outliers(({ composition: c }) => within([c.sugarsG, c.fibreG], c.carbohydrateG, 0.26))).toEqual(
      [],
    );
    expect(outliers(({ composition: c }) => within([c.addedSugarsG], c.sugarsG, 0))).toEqual([]);
    expect(
      outliers(({ composition: c }) => Object.values(c).every((value) => value === null || value >= 0)),
    ).toEqual([]);
    expect(outliers(({ trimYield }) => trimYield > 0.2 && trimYield <= 1)).toEqual([]);
  });

  test('what is not known is left blank: iodine and vitamin K are, and no blank is a zero', () => {
    const unknown = (id: NutrientId): number =>
      foods.filter(({ composition }) => composition[id] === null).length;
    expect(unknown('iodineUg')).toBeGreaterThan(foods.length / 2);
    expect(unknown('vitaminKUg')).toBeGreaterThan(5);
    expect(byId.get('stock-paste')!.composition.ironMg).toBeNull();
  });

  test('cooked food is the dry one diluted by its cooking yield, within 10 %, or it is said why not', () => {
    const dryOf: Readonly<Record<string, string>> = {
      'lentils-cooked': 'green-lentils',
      'oats-cooked': 'rolled-oats',
      'pasta-cooked': 'spaghetti',
    };
    const figures = ['proteinG', 'carbohydrateG', 'fatG', 'fibreG'] as const;
    /** Tables count fermentable fibre in some rows and not in others; the sum of carbohydrate is the same. */
    const byAnotherMethod = 'fibre by another method of analysis';
    const reasons: Readonly<Record<string, string>> = {
      'oats-cooked': 'porridge is eaten with all the water it is cooked in, about four times its weight',
      'chickpeas-cooked fibreG': byAnotherMethod,
      'black-beans-cooked fibreG': byAnotherMethod,
      'kidney-beans-cooked fibreG': byAnotherMethod,
      'pinto-beans-cooked fibreG': byAnotherMethod,
      'black-eyed-beans-cooked fibreG': byAnotherMethod,
      'lentils-cooked fibreG': byAnotherMethod,
      'millet-cooked fibreG': byAnotherMethod,
    };
    const pairs = foods
      .filter(({ state }) => state === 'cooked')
      .flatMap((cooked) => {
        const stem = cooked.id.replace(/-cooked$/, '');
        const dry = byId.get(dryOf[cooked.id] ?? `${stem}-dry`) ?? byId.get(stem);
        return dry?.cookingYield ? [{ dry, cooked }] : [];
      });
    expect(pairs.length).toBeGreaterThanOrEqual(18);
    const off = pairs.flatMap(({ dry, cooked }) =>
      figures.flatMap((id) => {
        const diluted = dry.composition[id]! / dry.cookingYield!;
        const own = cooked.composition[id]!;
        const isNear = Math.abs(own - diluted) <= Math.max(0.1 * diluted, 0.5, id === 'fibreG' ? 1 : 0);
        return isNear ? [] : [`${cooked.id} ${id}`];
      }),
    );
    expect(off.filter((each) => !reasons[each] && !reasons[each.split(' ')[0]!])).toEqual([]);
    // No reason is kept that nothing needs.
    for (const reason of Object.keys(reasons))
      expect([reason, off.some((each) => each === reason || each.startsWith(`${reason} `))]).toEqual([
        reason,
        true,
      ]);
  });

  test('yields by method are those of physics, and a boiled one agrees with the food', () => {
    for (const { id, cookingYield, cookingYields } of foods) {
      for (const { method, ratio, absorbedGramsPerGram } of cookingYields) {
        expect([id, method, ratio > 0.3 && ratio <= 12]).toEqual([id, method, true]);
        expect([id, method, absorbedGramsPerGram <= ratio - 1 + 1e-9 || absorbedGramsPerGram === 0]).toEqual([
          id,
          method,
          true,
        ]);
        if (method === 'boiled' && cookingYield !== null) expect([id, ratio]).toEqual([id, cookingYield]);
      }
    }
  });

  test('every food has its name on a label in every language labels speak', () => {
    const lack = foods.flatMap(({ id, labelNames }) =>
      (['es', 'fr', 'de'] as const).flatMap((language) =>
        labelNames?.[language]?.trim() ? [] : [`${id} ${language}`],
      ),
    );
    expect(lack).toEqual([]);
  });

  test('no food with the name of an allergen is clear of it', () => {
    const words: Partial<Record<(typeof SUBSTANCES)[number], RegExp>> = {
      wheat:
        /\bwheat\b(?!grass)|\bcouscous\b|\bsemolina\b|\bseitan\b|\bbulgur\b|\bspelt\b|\bfarro\b|\bfreekeh\b/i,
      rye: /\brye\b/i,
      barley: /\bbarley\b|\bmalt\b/i,
      oats: /\boats?\b/i,
      soy: /\bsoy|\btofu\b(?! scramble)|\btempeh\b|\bedamame\b|\bmiso\b/i,
      almond: /\balmond/i,
      hazelnut: /\bhazelnut/i,
      walnut: /\bwalnut/i,
      cashew: /\bcashew/i,
      pecan: /\bpecan/i,
      'brazil-nut': /\bbrazil/i,
      pistachio: /\bpistachio/i,
      macadamia: /\bmacadamia/i,
      'pine-nut': /\bpine nut/i,
      peanut: /\bpeanut/i,
      celery: /\bceler/i,
      mustard: /\bmustard\b/i,
      sesame: /\bsesame\b|\btahini\b|\bhummus\b/i,
      coconut: /\bcoconut\b/i,
      lupin: /\blupin/i,
      milk: /\bmilk\b.*(cow|condensed)|\bcheddar\b|^butter$|\bghee\b|\bwhey\b/i,
      egg: /^egg\b(?! replacer)/i,
      fish: /\bfish\b|\banchov/i,
    };
    // Fully refined soya oil is exempt (EU Annex II); unrefined is not, so a bottle is checked. A vegan pesto is named for what it lacks.
    const known = new Set(['soya-oil']);
    for (const [substance, pattern] of Object.entries(words)) {
      const named = foods.filter(
        ({ id, name }) => pattern.test(name) && !/^buckwheat/i.test(name) && !known.has(id),
      );
      expect([substance, named.length > 0]).toEqual([substance, true]);
      for (const food of named)
        expect([food.id, food.allergens[substance as 'wheat']]).toEqual([food.id, 'contains']);
    }
    expect(byId.get('soya-oil')!.allergens.soy).toBe('check');
  });

  test('oats, buckwheat, millet and milled flours ask for a certificate', () => {
    for (const id of [
      'buckwheat',
      'buckwheat-flour',
      'millet',
      'polenta',
      'chickpea-flour',
      'sorghum',
      'rolled-oats',
    ])
      expect([id, byId.get(id)!.allergens.wheat]).toEqual([id, 'check']);
  });

  test('measures hold their figure inside their range, and a spoon is about a sixteenth of a cup', () => {
    for (const { id, measures } of foods) {
      for (const { grams, lowGrams, highGrams } of measures) {
        expect([id, lowGrams <= grams && grams <= highGrams && grams > 0]).toEqual([id, true]);
      }
      const of = (unit: string) => measures.find((each) => each.unit === unit && each.form === '')?.grams;
      const [cup, spoon, tea] = [of('cup'), of('tbsp'), of('tsp')];
      // Leaves pack closer in a spoon, flakes and whole fruit looser.
      if (cup && spoon) expect([id, cup / spoon > 5 && cup / spoon < 21]).toEqual([id, true]);
      if (spoon && tea) expect([id, spoon / tea > 2 && spoon / tea < 4.2]).toEqual([id, true]);
    }
    expect(foods.filter(({ measures }) => measures.length === 0).map(({ id }) => id)).toEqual([]);
  });

  test('a row of the table read and written is the same food', () => {
    for (const food of foods) {
      const { food: again, problems } = foodFromRow(rowFromFood(food));
      expect(problems).toEqual([]);
      // Names in other languages stand in a table of their own.
      const apart = {
        measures: food.measures,
        cookingYields: food.cookingYields,
        labelNames: food.labelNames,
      };
      expect({ ...again!, ...apart }).toEqual(food);
    }
  });
});

describe('the swaps', () => {
  const componentIds = new Set(
    loadDemoRecipes(foods).flatMap(({ recipe }) => (recipe.isComponent ? recipe.id : [])),
  );
  const isKnown = (id: string): boolean => byId.has(id) || componentIds.has(id);

  test('are many, over the work that foods do, with the limits that cooks know', () => {
    expect(swaps.length).toBeGreaterThanOrEqual(220);
    expect(new Set(swaps.map((each) => each.function)).size).toBeGreaterThanOrEqual(16);
    expect(swaps.filter(({ limits }) => limits.notFor.length > 0).length).toBeGreaterThan(30);
    expect(swaps.filter(({ limits }) => limits.mostShare !== null).length).toBeGreaterThan(3);
    // Limits that exclude each other would leave an entry that no dish can take.
    for (const { id, limits } of swaps)
      expect([id, limits.onlyFor.filter((each) => limits.notFor.includes(each))]).toEqual([id, []]);
  });

  test('never say themselves what they bring in: that is worked out from the foods', () => {
    for (const { id, hint } of swaps)
      expect([id, /\b(?:brings|free from)\b/i.test(hint)]).toEqual([id, false]);
  });

  test('take the place of what goes out by about its own weight, water counted', () => {
    // Seasonings and gelling agents stand for many times their weight, or for a fraction of it.
    const bulky = swaps.filter((each) =>
      ['grain base', 'bulk protein', 'milk', 'body', 'cream'].includes(each.function),
    );
    for (const { id, to, waterRatio } of bulky) {
      const into = waterRatio + to.reduce((sum, { ratio }) => sum + ratio, 0);
      expect([id, into > 0.6 && into < 3.5]).toEqual([id, true]);
    }
  });

  test('name foods of the larder, with ratios and closeness that can be', () => {
    for (const swap of swaps) {
      expect([swap.id, byId.has(swap.fromId)]).toEqual([swap.id, true]);
      for (const { foodId, ratio } of swap.to)
        expect([swap.id, isKnown(foodId), ratio > 0 && ratio < 10]).toEqual([swap.id, true, true]);
      expect([swap.id, swap.to.some(({ foodId }) => foodId === swap.fromId)]).toEqual([swap.id, false]);
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
