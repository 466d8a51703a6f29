/** What cooking does to a portion, how unsure its figures are, and what a kitchen wants of it. */
import fc from 'fast-check';
import {
  type Kitchen,
  type NutrientTarget,
  PLAIN_SERVICE,
  portionReview,
  targetFixes,
  targetStanding,
  worksheet,
} from '@hand-ladle/core';
import { book, cafe, demo, demoRecipe, recipeOf, sheetOf, ward } from '@hand-ladle/testing/world';
import type { Facts } from '../../src/food/facts';
import { oilTakenUp } from '../../src/matter/uptake';
import { bandCredits, creditsOf } from '../../src/nutrition/crediting';
import { colourOf, platePartOf } from '../../src/nutrition/plate';
import {
  ALCOHOL_LEFT,
  alcoholLeft,
  RETENTION,
  RETENTION_KINDS,
  RETENTION_METHODS,
} from '../../src/nutrition/retention';
import { standingIn, toleranceEu, toleranceUs } from '../../src/nutrition/tolerance';

const still: Kitchen = { ...ward, transferLoss: 0 };
const food = (id: string) => book.foods.foods.get(id)!;

describe('what cooking leaves', () => {
  const kale = (step: string) =>
    sheetOf(recipeOf(['400 g kale', '100 g potatoes'], [step]), undefined, still).nutrition;

  test('vitamin C and folate go with heat, protein does not', () => {
    const raw = kale('Slice the kale and the potatoes.').perPortion;
    const boiled = kale('Simmer the kale and the potatoes for 5 minutes.').perPortion;
    expect(boiled.vitaminCMg / boiled.proteinG).toBeLessThan((raw.vitaminCMg / raw.proteinG) * 0.8);
    expect(boiled.folateUg / boiled.proteinG).toBeLessThan((raw.folateUg / raw.proteinG) * 0.85);
    expect(boiled.calciumMg / boiled.proteinG).toBeCloseTo(raw.calciumMg / raw.proteinG, 9);
  });

  test('water that is thrown away takes minerals with it', () => {
    const kept = kale('Simmer the kale and the potatoes for 5 minutes.').perPortion;
    const drained = kale(
      'Simmer the kale and the potatoes for 5 minutes, then drain the kale and the potatoes.',
    ).perPortion;
    expect(drained.potassiumMg / drained.proteinG / (kept.potassiumMg / kept.proteinG)).toBeCloseTo(0.9, 6);
  });

  test('no factor keeps more than all or less than half', () => {
    for (const kind of RETENTION_KINDS)
      for (const method of RETENTION_METHODS)
        for (const share of Object.values(RETENTION[kind][method])) {
          expect(share).toBeGreaterThanOrEqual(0.5);
          expect(share).toBeLessThanOrEqual(1);
        }
  });

  test('a tinned or cooked food loses nothing twice', () => {
    const beans = sheetOf(
      recipeOf(['400 g cooked chickpeas'], ['Simmer the chickpeas for 30 minutes, covered.']),
      undefined,
      still,
    );
    const per100 = food('chickpeas-cooked').composition.folateUg!;
    expect(
      (beans.nutrition.per100g.folateUg * beans.finishedGrams) / beans.massBalance.putInGrams,
    ).toBeCloseTo(per100, 6);
  });

  test('alcohol: the points of the table, falling between them, all of it where nothing heats', () => {
    for (const { minutes, share } of ALCOHOL_LEFT) expect(alcoholLeft(minutes)).toBe(share);
    expect(alcoholLeft(null)).toBe(1);
    expect(alcoholLeft(600)).toBe(0.05);
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 300, noNaN: true }),
        fc.double({ min: 0, max: 300, noNaN: true }),
        (a, b) => {
          const [less, more] = [Math.min(a, b), Math.max(a, b)];
          return alcoholLeft(less) >= alcoholLeft(more);
        },
      ),
    );
  });

  test('wine stirred in and simmered for half an hour keeps 35 % of its alcohol', () => {
    const wine = (steps: string[]) =>
      sheetOf(recipeOf(['200 g red wine', '800 g tinned tomatoes'], steps), undefined, still);
    const raw = wine(['Mix.']);
    const cooked = wine(['Add the wine and the tomatoes and simmer, covered, for 30 minutes.']);
    const alcohol = (sheet: typeof raw) =>
      (sheet.nutrition.per100g.alcoholG * sheet.finishedGrams) / sheet.factor;
    expect(alcohol(raw)).toBeGreaterThan(0);
    expect(alcohol(cooked) / alcohol(raw)).toBeCloseTo(0.35, 6);
  });
});

describe('deep frying', () => {
  const chips = recipeOf(
    ['1000 g peeled potatoes', '1 litre sunflower oil, for frying'],
    ['Deep-fry the potatoes for 6 minutes.'],
  );

  test('only what the food takes up is eaten; the rest stays in the pan, and every gram is somewhere', () => {
    const sheet = sheetOf(chips, { kind: 'weight', grams: 5000 }, still);
    const mass = sheet.massBalance;
    const taken = oilTakenUp([{ name: 'Potato', category: 'vegetable', grams: 1000 }], 'deep-fry');
    const oil = sheet.lines[1]!.baseGrams!;
    // What is taken up follows the food; the pan is filled by its area.
    expect(mass.leftInPanGrams).toBeCloseTo(sheet.lines[1]!.batchGrams! - taken * sheet.factor, 6);
    expect(taken).toBeLessThan(oil);
    expect(mass.putInGrams).toBeCloseTo(
      mass.leftInPanGrams + mass.steamGrams + mass.lostGrams + mass.finishedGrams,
      6,
    );
    expect(sheet.nutrition.per100g.fatG).toBeLessThan(14);
    expect(sheet.findings.map(({ code }) => code)).toContain('oil-taken-up');
  });

  test('a spoon of oil to fry in is eaten whole', () => {
    const sheet = sheetOf(
      recipeOf(['1000 g peeled potatoes', '20 g sunflower oil'], ['Fry the potatoes in the oil.']),
    );
    expect(sheet.massBalance.leftInPanGrams).toBe(0);
  });
});

describe('how unsure a figure is', () => {
  test('the range of every figure of every demo dish holds the figure, and is never below zero', () => {
    for (const { recipe } of demo) {
      const { nutrition } = sheetOf(recipe);
      for (const [id, { low, high }] of Object.entries(nutrition.ranges)) {
        const value = nutrition.perPortion[id as keyof Facts];
        expect([id, low >= 0, low <= value + 1e-9, high >= value - 1e-9]).toEqual([id, true, true, true]);
      }
    }
  });

  test('weighing the batch narrows it, and is offered first where the yield is what nobody knows', () => {
    const loose = recipeOf(
      ['500 g red lentils', '2 litres water'],
      ['Boil hard, uncovered, for 60 minutes.'],
    );
    const sheet = sheetOf(loose);
    const weighed = sheetOf({ ...loose, measuredYieldGrams: sheet.baseGrams });
    const width = ({ nutrition }: typeof sheet) =>
      nutrition.ranges.proteinG.high - nutrition.ranges.proteinG.low;
    expect(width(weighed)).toBeLessThan(width(sheet));
    expect(sheet.label.narrowings[0]!.act).toBe('weigh the batch');
    expect(weighed.label.narrowings.map(({ act }) => act)).not.toContain('weigh the batch');
  });

  test('bands of both laws', () => {
    expect(toleranceUs('sodiumMg', 200)).toMatchObject({ low: null, high: 240 });
    expect(toleranceUs('fibreG', 5)).toMatchObject({ low: 4, high: null });
    expect(toleranceEu('proteinG', 8)).toMatchObject({ low: 6, high: 10 });
    expect(toleranceEu('proteinG', 20)).toMatchObject({ low: 16, high: 24 });
    expect(toleranceEu('fatG', 45)).toMatchObject({ low: 37, high: 53 });
    expect(toleranceEu('saturatesG', 2)).toMatchObject({ low: 1.2, high: 2.8 });
    expect(toleranceEu('saltG', 1)).toMatchObject({ low: 0.625, high: 1.375 });
    expect(toleranceEu('energyKj', 500)).toBeNull();
  });

  test('inside, partly, outside; a missing figure is never inside', () => {
    const band = { low: 8, high: 12, rule: '' };
    expect(standingIn(band, { low: 9, high: 11 }, false)).toBe('inside');
    expect(standingIn(band, { low: 7, high: 11 }, false)).toBe('partly');
    expect(standingIn(band, { low: 13, high: 15 }, false)).toBe('outside');
    expect(standingIn(band, { low: 9, high: 11 }, true)).toBe('unknown');
    expect(standingIn(null, { low: 9, high: 11 }, false)).toBe('no band');
  });

  test('a figure with an unknown line has no upper end on the label', () => {
    const sheet = sheetOf(recipeOf(['salt to taste', '500 g potatoes']));
    const salt = sheet.label.tolerances.find(({ id }) => id === 'saltG')!;
    expect(salt).toMatchObject({ high: null, standing: 'unknown' });
  });
});

describe('the plate', () => {
  test('a dish with all five parts and three colours', () => {
    const recipe = recipeOf([
      '200 g quinoa',
      '1 tin chickpeas, drained',
      '300 g carrots',
      '150 g kale',
      '60 g walnuts',
      '100 g beetroot',
    ]);
    const { plate } = portionReview(
      { recipe, kitchen: ward, target: { kind: 'portions', portions: 4, portionGrams: 250 } },
      book,
    );
    expect(plate.parts.filter(({ isThere }) => !isThere)).toEqual([]);
    expect(plate.hasColours).toBe(true);
  });

  test('a garnish is no green, oil is no whole-food fat, seasoning is no part', () => {
    expect(platePartOf(food('olive-oil'))).toBeNull();
    expect(platePartOf(food('kale'))).toBe('green');
    const recipe = recipeOf(['500 g potatoes', '8 g parsley', '20 g olive oil']);
    const { plate } = portionReview(
      { recipe, kitchen: ward, target: { kind: 'portions', portions: 4, portionGrams: 130 } },
      book,
    );
    const there = plate.parts.filter(({ isThere }) => isThere).map(({ part }) => part);
    expect(there).toEqual(['vegetable']);
  });

  test('colours come from names', () => {
    expect(colourOf(food('beetroot'))).toBe('purple');
    expect(colourOf(food('carrot'))).toBe('orange');
    expect(colourOf(food('fine-salt'))).toBeNull();
  });

  test('a hospital is shown potassium and texture, a school its credits, others neither', () => {
    const recipe = demoRecipe('barley-leek-white-bean-pot');
    const target = { kind: 'portions', portions: 10, portionGrams: 300 } as const;
    const asked = (service: Partial<Kitchen['service']>) =>
      portionReview(
        { recipe, kitchen: { ...cafe, service: { ...PLAIN_SERVICE, ...service } }, target },
        book,
      );
    expect(asked({})).toMatchObject({ hospital: [], texture: null, credits: null });
    expect(asked({ isHospital: true }).hospital.map(({ id }) => id)).toEqual([
      'potassiumMg',
      'phosphorusMg',
      'vitaminKUg',
    ]);
    expect(asked({ isUsSchool: true }).credits!.asMeatAlternate).toHaveLength(3);
  });
});

describe('US school credits', () => {
  const beans = { food: food('chickpeas-cooked'), grams: 90 };

  test('pulses credit as one or the other, never both', () => {
    const meat = creditsOf([beans], 'meat alternate');
    const vegetable = creditsOf([beans], 'vegetable');
    expect([meat.meatAlternateOzEq, meat.vegetableCups['beans, peas and lentils']]).toEqual([2, 0]);
    expect([vegetable.meatAlternateOzEq, vegetable.vegetableCups['beans, peas and lentils']]).toEqual([
      0, 0.5,
    ]);
  });

  test('credits are rounded down: a gram short is a step less', () => {
    expect(creditsOf([{ ...beans, grams: 44 }], 'meat alternate').meatAlternateOzEq).toBe(1);
    expect(creditsOf([{ ...beans, grams: 43 }], 'meat alternate').meatAlternateOzEq).toBe(0.75);
  });

  test('dry grain by 28 g, flour by 16 g', () => {
    expect(creditsOf([{ food: food('brown-rice'), grams: 56 }], 'vegetable').grainOzEq).toBe(2);
    expect(creditsOf([{ food: food('strong-wheat-flour'), grams: 32 }], 'vegetable').grainOzEq).toBe(2);
  });

  test('more food never credits less, and a band gets its own portion', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 400 }), fc.integer({ min: 0, max: 200 }), (grams, more) => {
        const of = (each: number) =>
          creditsOf([{ food: food('carrot'), grams: each }], 'vegetable').allVegetableCups;
        return of(grams + more) >= of(grams);
      }),
    );
    const bands = bandCredits([beans], 200, PLAIN_SERVICE.bandShares, 'meat alternate');
    expect(bands.map(({ portionGrams }) => portionGrams)).toEqual([150, 200, 250]);
    expect(bands.map(({ meets }) => meets.meatAlternate)).toEqual([true, true, true]);
  });
});

describe('targets', () => {
  const sodium: NutrientTarget = { figure: 'sodiumMg', min: null, max: 400, dinerId: null };
  const salty = recipeOf(
    ['600 g potatoes', '1 tin chickpeas, drained', '9 g salt'],
    ['Simmer, covered, for 20 minutes.'],
  );
  const kitchen: Kitchen = { ...ward, targets: [sodium] };
  const input = {
    recipe: salty,
    kitchen,
    target: { kind: 'portions', portions: 4, portionGrams: 200 } as const,
  };

  test('what is only "at least" meets no upper bound', () => {
    const facts = { sodiumMg: 300 } as Facts;
    expect(targetStanding(sodium, facts, new Set())).toBe('met');
    expect(targetStanding(sodium, facts, new Set(['sodiumMg']))).toBe('unknown');
    expect(targetStanding(sodium, { sodiumMg: 500 } as Facts, new Set(['sodiumMg']))).toBe('too high');
    expect(targetStanding({ ...sodium, min: 200, max: null }, facts, new Set(['sodiumMg']))).toBe('met');
  });

  test('a miss is a finding with the amount, and every way out meets it and spoils nothing', () => {
    const sheet = worksheet(input, book);
    expect(sheet.findings.find(({ code }) => code === 'target-missed')?.message).toMatch(
      /Sodium is .* at most 400 mg/,
    );
    const fixes = targetFixes(input, sodium, book);
    expect(fixes.length).toBeGreaterThan(0);
    for (const fix of fixes) {
      const after = worksheet({ ...input, recipe: fix.recipe }, book);
      expect(after.nutrition.perPortion.sodiumMg).toBeLessThanOrEqual(400);
      for (const flag of sheet.allergens)
        if (flag.status === 'clear')
          expect(after.allergens.find(({ id }) => id === flag.id)!.status).toBe('clear');
    }
    const costs = fixes.map(({ costChange }) => costChange ?? Infinity);
    expect(costs).toEqual([...costs].sort((one, other) => one - other));
  });

  test('a component is asked for nothing: it is no portion of anybody', () => {
    const component = { ...input, recipe: { ...salty, isComponent: true } };
    expect(worksheet(component, book).findings.map(({ code }) => code)).not.toContain('target-missed');
  });

  test('nothing is offered for a target that is met', () => {
    expect(targetFixes(input, { ...sodium, max: 100_000 }, book)).toEqual([]);
  });
});
