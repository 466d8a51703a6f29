import { energyOf, type Kitchen } from '@hand-ladle/core';
import { recipeOf, sheetOf, ward } from '@hand-ladle/testing/world';

const noLoss: Kitchen = { ...ward, transferLoss: 0 };
const facts = (texts: string[], kitchen = noLoss) =>
  sheetOf(recipeOf(texts), { kind: 'weight', grams: 1000 }, kitchen).nutrition;

describe('energy', () => {
  const parts = { proteinG: 10, fatG: 5, carbohydrateG: 40, fibreG: 8, alcoholG: 1 };

  test('US: 4-4-9 on total carbohydrate, alcohol 7', () => {
    expect(energyOf(parts, 'us').energyKcal).toBe(40 * 4 + 10 * 4 + 5 * 9 + 7);
  });

  test('EU: 17/4, 37/9 on available carbohydrate, fibre 8/2, alcohol 29/7', () => {
    expect(energyOf(parts, 'eu')).toEqual({
      energyKj: 32 * 17 + 10 * 17 + 5 * 37 + 8 * 8 + 29,
      energyKcal: 32 * 4 + 10 * 4 + 5 * 9 + 8 * 2 + 7,
    });
  });
});

describe('figures of a dish', () => {
  test('a mix is the weighted mean of its foods', () => {
    // 100 g carrot EP (0.9 g protein, 69 mg sodium) and 300 g red lentils (23.9 g, 7 mg), in 600 g water.
    const { per100g } = facts(['100 g peeled carrots', '300 g red lentils', '600 g water']);
    expect(per100g.proteinG).toBeCloseTo((0.9 + 3 * 23.9) / 10, 9);
    expect(per100g.sodiumMg).toBeCloseTo((69 + 3 * 7 + 6 * 3) / 10, 9);
    expect(per100g.saltG).toBeCloseTo((per100g.sodiumMg / 1000) * 2.5, 12);
  });

  test('boiling down concentrates: the same solids in less food', () => {
    const thick = (minutes: number) =>
      sheetOf(
        recipeOf(['300 g red lentils', '900 g water'], [`Simmer gently, uncovered, for ${minutes} minutes.`]),
        { kind: 'weight', grams: 1000 },
      );
    expect(thick(60).nutrition.per100g.proteinG).toBeGreaterThan(thick(5).nutrition.per100g.proteinG * 1.2);
  });

  test('draining and rinsing tinned beans takes sodium off, and nothing else', () => {
    const beans = (form: string) => facts([`1 tin white beans${form}`]).per100g;
    // 240 g of solids at 340 mg and 160 g of their liquid at 320 mg in 100 g.
    expect(beans(', undrained').sodiumMg).toBeCloseTo((240 * 340 + 160 * 320) / 400, 9);
    expect(beans(', drained').sodiumMg).toBeCloseTo(340 * 0.64, 9);
    expect(beans(', drained and rinsed').sodiumMg).toBeCloseTo(340 * 0.59, 9);
    expect(beans(', drained and rinsed').proteinG).toBe(beans(', drained').proteinG);
  });

  test('a missing figure is missing, names its line, and is never zero', () => {
    const sheet = sheetOf(
      recipeOf(['10 g stock paste', '500 g potatoes']),
      { kind: 'weight', grams: 1000 },
      noLoss,
    );
    const lacking = sheet.nutrition.missing.map(({ id }) => id);
    expect(lacking).toEqual(expect.arrayContaining(['potassiumMg', 'calciumMg', 'ironMg']));
    expect(lacking).not.toContain('proteinG');
    expect(sheet.nutrition.missing.find(({ id }) => id === 'ironMg')!.lineIds).toEqual(['l1']);
    expect(sheet.nutrition.perPortion.potassiumMg).toBeGreaterThan(0);
  });

  test('a line without a weight leaves every figure "at least"', () => {
    const sheet = sheetOf(recipeOf(['salt to taste', '500 g potatoes']));
    expect(sheet.nutrition.missing.map(({ id }) => id)).toEqual(
      expect.arrayContaining(['energyKcal', 'saltG', 'proteinG']),
    );
    const salt = sheet.label.figures.find(({ id }) => id === 'saltG')!;
    expect([salt.text.startsWith('at least '), salt.dailyValueText, salt.isIncomplete]).toEqual([
      true,
      '',
      true,
    ]);
  });

  test('a portion is its share of the finished batch, whatever the batch', () => {
    const portion = (portions: number) =>
      sheetOf(recipeOf(['300 g red lentils', '900 g water'], ['Simmer gently for 30 minutes.']), {
        kind: 'portions',
        portions,
        portionGrams: 250,
      });
    expect(portion(200).nutrition.perPortion.proteinG).toBeCloseTo(
      portion(4).nutrition.perPortion.proteinG,
      6,
    );
  });
});
