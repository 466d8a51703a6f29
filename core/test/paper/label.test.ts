import {
  claimInText,
  claimsOn,
  FACT_NAMES,
  type Kitchen,
  LABEL_KINDS,
  type Pack,
  PACK_DEFAULTS,
} from '@hand-ladle/core';
import { demo, demoRecipe, recipeOf, sheetOf, ward } from '@hand-ladle/testing/world';
import { labelFigures } from '../../src/declaration/figures';
import {
  carbohydrateTextUs,
  cholesterolTextUs,
  dailyValueMineralUs,
  macroTextEu,
  roundEnergyUs,
  roundFatUs,
  roundMineralUs,
  roundSodiumUs,
  saltTextEu,
  saturatesTextEu,
} from '../../src/declaration/rounding';
import type { Facts } from '../../src/food/facts';
import { standingIn, toleranceUs } from '../../src/nutrition/tolerance';

describe('US rounding, 21 CFR 101.9(c), at each boundary and a step either side', () => {
  test.each([
    [4.9, 0],
    [5, 5],
    [47.4, 45],
    [47.5, 50],
    [50, 50],
    [50.1, 50],
    [55, 60],
    [264.9, 260],
    [265, 270],
  ])('%d kcal is %d', (kcal, printed) => expect(roundEnergyUs(kcal)).toBe(printed));

  test.each([
    [0.49, 0],
    [0.5, 0.5],
    [0.74, 0.5],
    [0.75, 1],
    [4.74, 4.5],
    [4.75, 5],
    [5, 5],
    [5.49, 5],
    [5.5, 6],
  ])('%d g fat is %d', (grams, printed) => expect(roundFatUs(grams)).toBe(printed));

  test.each([
    [4.9, 0],
    [5, 5],
    [137.4, 135],
    [140, 140],
    [140.1, 140],
    [144.9, 140],
    [145, 150],
  ])('%d mg sodium is %d', (milligrams, printed) => expect(roundSodiumUs(milligrams)).toBe(printed));

  test.each([
    [1.9, '0mg'],
    [2, 'less than 5mg'],
    [5, 'less than 5mg'],
    [5.1, '5mg'],
    [7.5, '10mg'],
  ])('%d mg cholesterol is %s', (milligrams, printed) => expect(cholesterolTextUs(milligrams)).toBe(printed));

  test.each([
    [0.49, '0g'],
    [0.5, 'less than 1g'],
    [0.99, 'less than 1g'],
    [1, '1g'],
    [1.5, '2g'],
  ])('%d g carbohydrate, fibre, sugars or protein is %s', (grams, printed) =>
    expect(carbohydrateTextUs(grams)).toBe(printed),
  );

  test('minerals under 2 % of the daily value may be zero; % DV by 2, 5 and 10', () => {
    expect(roundMineralUs(93.9, 10, 4700)).toBe(0);
    expect(roundMineralUs(94, 10, 4700)).toBe(90);
    expect(roundMineralUs(2.36, 0.1, 18)).toBe(2.4);
    expect(
      [1.9, 2, 10, 10.1, 12.5, 50, 50.1, 54.9, 55].map((percent) => dailyValueMineralUs(percent, 100)),
    ).toEqual([0, 2, 10, 10, 15, 50, 50, 50, 60]);
  });
});

describe('EU rounding, Commission guidance of December 2012', () => {
  test.each([
    [0.04, '0 g'],
    [0.5, '<0.5 g'],
    [0.51, '0.5 g'],
    [9.94, '9.9 g'],
    [9.95, '10 g'],
    [10.5, '11 g'],
  ])('%d g fat, carbohydrate, sugars, protein or fibre is %s', (grams, printed) =>
    expect(macroTextEu(grams)).toBe(printed),
  );

  test.each([
    [0.1, '<0.1 g'],
    [0.11, '0.1 g'],
    [9.96, '10 g'],
  ])('%d g saturates is %s', (grams, printed) => expect(saturatesTextEu(grams)).toBe(printed));

  test.each([
    [0.0125, '<0.01 g'],
    [0.013, '0.01 g'],
    [0.994, '0.99 g'],
    [0.996, '1.0 g'],
    [1.84, '1.8 g'],
  ])('%d g salt is %s', (grams, printed) => expect(saltTextEu(grams)).toBe(printed));
});

const tamariPack: Pack = {
  foodId: 'tamari',
  ...PACK_DEFAULTS,
  productName: 'Tamari',
  statement: 'water, soya beans, salt',
  allergens: { soy: 'contains', sesame: 'may-contain' },
  certifiedGlutenFree: true,
  animal: 'plant',
  checkedBy: 'A. Cook',
  checkedOn: '2026-11-01',
};
const eu: Kitchen = { ...ward, packs: [...ward.packs, tamariPack] };
const us: Kitchen = { ...eu, regime: 'us' };
const label = (texts: string[], kitchen: Kitchen, steps: string[] = []) =>
  sheetOf(recipeOf(texts, steps), undefined, kitchen).label;

describe('the ingredient statement', () => {
  test('descends by weight as put in, gathers the same food, opens packs, stresses where it occurs', () => {
    const { ingredients, ingredientSegments } = label(
      [
        '300 g pearl barley',
        '400 g peeled carrots',
        '200 g peeled carrots',
        '30 g tamari',
        '20 g tahini',
        '200 g tofu',
      ],
      eu,
    );
    expect(ingredients).toBe(
      'carrots, pearl BARLEY, tofu (water, SOYA BEANS, firming agent: calcium sulphate), tamari (water, SOYA BEANS, salt), SESAME paste',
    );
    expect(ingredientSegments.filter(({ stress }) => stress).map(({ text }) => text)).toEqual([
      'BARLEY',
      'SOYA BEANS',
      'SOYA BEANS',
      'SESAME',
    ]);
  });

  test('an allergen the name does not tell is named after it', () => {
    expect(label(['100 g seitan', '50 g celeriac'], eu).ingredients).toContain('WHEAT protein');
    expect(label(['100 g celeriac'], eu).ingredients).toBe('celeriac (CELERY)');
  });

  test('added water counts by what is left, and in the EU only above 5 %', () => {
    const simmer = ['Simmer gently, uncovered, for 60 minutes.'];
    expect(label(['500 g red lentils', '200 g water'], eu).ingredients).toBe('red lentils, water');
    expect(label(['1 kg cherry tomatoes', '60 g water'], eu, simmer).ingredients).not.toContain('water');
    // What lentils drank stays in them: a pot cannot boil it out again.
    expect(label(['500 g red lentils', '380 g water'], eu, simmer).ingredients).toBe('red lentils, water');
    const kept = (kitchen: Kitchen) =>
      label(['1 kg red lentils', '60 g water'], { ...kitchen, transferLoss: 0.012 }).ingredients;
    expect([kept(eu), kept(us)]).toEqual(['red lentils', 'red lentils, water']);
  });

  test('a component is opened in brackets', () => {
    expect(sheetOf(demoRecipe('parsnip-buckwheat-tray')).label.ingredients).toContain(
      'green dressing (sunflower seed cream (water, sunflower seeds',
    );
  });
});

describe('the allergen statement', () => {
  test('US: contains after a plain list, tree nuts by kind; what a pack says may be in it stands apart', () => {
    const { ingredients, contains, mayContain } = label(
      ['200 g tofu', '100 g hazelnuts', '50 g wheat noodles', '30 g tamari'],
      us,
    );
    expect(ingredients).not.toMatch(/[A-Z]{3}/);
    expect(contains).toBe('Contains: Wheat, Tree nuts (hazelnuts), Soy.');
    expect(mayContain).toBe('May contain: Tree nuts (almonds), Peanuts, Sesame.');
  });

  test('EU: the list carries it, so no "contains" is printed', () => {
    expect(label(['200 g tofu'], eu).contains).toBe('Allergens: see the ingredients in CAPITALS.');
    expect(label(['200 g carrots'], eu).contains).toBe('');
  });

  test('nothing is ever called free of anything', () => {
    for (const { recipe } of demo) {
      for (const kitchen of [eu, us]) {
        expect(JSON.stringify({ ...sheetOf(recipe, undefined, kitchen).label, title: '' })).not.toMatch(
          /\bfree\b/i,
        );
      }
    }
  });
});

describe('draft', () => {
  test('a label is a draft while anything is open, and says what', () => {
    const open = label(['1 kg potatoes', 'a handful of dill', '10 g stock paste'], eu);
    expect(open.isDraft).toBe(true);
    expect(open.draftReasons.join(' ')).toMatch(/handful of dill.*stock paste|stock paste.*handful of dill/s);
    expect(open.unconfirmed).toMatch(/^Not confirmed: .*Celery/);
  });

  test('it is none once every line is resolved', () => {
    const done = label(['1 kg potatoes', '15 g dill', '30 g tamari'], eu);
    expect([done.isDraft, done.draftReasons, done.unconfirmed]).toEqual([false, [], '']);
  });

  test('a US label needs its potassium; an EU label does not print it', () => {
    const recipe = ['1 kg potatoes', '10 g stock paste'];
    const paste = { ...tamariPack, foodId: 'stock-paste', statement: 'salt, vegetables' };
    const withPaste = (kitchen: Kitchen): Kitchen => ({ ...kitchen, packs: [paste] });
    expect(label(recipe, withPaste(us)).draftReasons.join(' ')).toMatch(/Potassium is "at least"/);
    expect(label(recipe, withPaste(eu)).isDraft).toBe(false);
  });
});

const ZERO_FACTS = Object.fromEntries(Object.keys(FACT_NAMES).map((id) => [id, 0])) as unknown as Facts;

describe('what an inspector strikes out', () => {
  test('US: tree nuts are named once, with every kind; what is in it is not said to be possible', () => {
    const nuts = label(['50 g hazelnuts', '50 g walnuts', '30 g almonds', '400 g carrots'], us);
    expect(nuts.contains).toBe('Contains: Tree nuts (almonds, hazelnuts, walnuts).');
    expect((nuts.mayContain.match(/Tree nuts/g) ?? []).length).toBeLessThanOrEqual(1);
    expect(nuts.mayContain).not.toMatch(/almonds|hazelnuts|walnuts/);
  });

  test('US: an amount printed as zero has a daily value of zero', () => {
    const of = (facts: object) =>
      labelFigures(
        { perPortion: { ...ZERO_FACTS, ...facts }, per100g: ZERO_FACTS, whole: null, missing: new Set() },
        'us',
      );
    const sat = of({ saturatesG: 0.3 }).find(({ id }) => id === 'saturatesG')!;
    expect([sat.text, sat.dailyValueText]).toEqual(['0g', '0%']);
    const some = of({ saturatesG: 0.6 }).find(({ id }) => id === 'saturatesG')!;
    expect([some.text, some.dailyValueText]).toEqual(['0.5g', '3%']);
    expect(of({ calciumMg: 20 }).find(({ id }) => id === 'calciumMg')!.dailyValueText).toBe('0%');
  });

  test('US: a zero that the law allows is inside its band, and one it does not is not', () => {
    expect(standingIn(toleranceUs('saturatesG', 0), { low: 0.2, high: 0.45 }, false)).toBe('inside');
    expect(standingIn(toleranceUs('saturatesG', 0), { low: 0.6, high: 0.9 }, false)).toBe('outside');
    expect(standingIn(toleranceUs('sodiumMg', 0), { low: 1, high: 4 }, false)).toBe('inside');
    expect(standingIn(toleranceUs('fatG', 2), { low: 1, high: 2.5 }, false)).toBe('partly');
  });

  test('"no gluten ingredients" stands on a counter card, and on no pack', () => {
    const claims = [{ id: 'no-gluten-ingredients' }, { id: 'no-animal-ingredients' }];
    for (const kind of LABEL_KINDS) {
      const ids = claimsOn(kind, claims).map(({ id }) => id);
      expect(ids).toContain('no-animal-ingredients');
      expect(ids.includes('no-gluten-ingredients')).toBe(kind === 'counter' || kind === 'tray');
    }
  });

  test.each([
    'nut free', 'Nut-free', 'free from gluten', 'gluten free tray', 'sans gluten', 'sin gluten', 'glutenfrei', 'no nuts', 'vegan', 'safe for coeliacs',
    'suitable for coeliacs', 'without soya', 'contains no milk', 'halal', 'senza glutine', 'non dairy',
  ])('"%s" typed onto a label is a claim', (text) => {
    expect(claimInText(text)).not.toBeNull();
  }); // prettier-ignore

  test.each(['Ward 3', 'Bed 12', 'Class 4b', 'puréed', 'Level 5 minced and moist', 'Tables by the window', 'Noah', 'soft', 'Freeman House', 'Nora'])(
    '"%s" typed onto a label is none',
    (text) => {
      expect(claimInText(text)).toBeNull();
    },
  ); // prettier-ignore
});
