/** The audit of matter: a right sample is left alone, and every slip put into it is found. */
import { homeTarget, isOf, isOpen, readRecipe, type Recipe, recipeFromReading } from '@hand-ladle/core';
import { bare, pack, withPacks } from '@hand-ladle/testing/asked';
import { matterFaults } from '@hand-ladle/testing/random-dish';
import { runs } from '@hand-ladle/testing/runs';
import { book, demo, recipeOf, sheetOf } from '@hand-ladle/testing/world';
import { assay, type Sample } from '../../src/assay/assay';
import { kindOfDish } from '../../src/assay/dish-kinds';

const line = (
  id: string,
  grams: number,
  extra: Partial<Sample['lines'][number]> = {},
): Sample['lines'][number] => ({
  id,
  name: id,
  text: id,
  grams,
  waterG: 100,
  proteinG: 0,
  fatG: 0,
  carbohydrateG: 0,
  alcoholG: 0,
  sodiumMg: 0,
  isDry: false,
  ...extra,
});
/** 200 g of lentils, 20 g of oil and 4 g of salt in 776 g of water, 950 g finished. */
const SOUP: Sample = {
  name: 'Lentil soup',
  isComponent: false,
  steps: ['Simmer for 20 minutes.'],
  lines: [
    line('lentils', 200, { waterG: 8, proteinG: 24, fatG: 2, carbohydrateG: 60, isDry: true }),
    line('oil', 20, { waterG: 0, fatG: 100 }),
    line('salt', 4, { waterG: 0, sodiumMg: 39_000 }),
    line('water', 776),
  ],
  finishedGrams: 950,
  isYieldMeasured: false,
  portions: 4,
  portionGrams: 237.5,
  energyKcal: 85,
  proteinG: 5.05,
  fatG: 2.5,
  carbohydrateG: 12.6,
  fibreG: 2,
  sodiumMg: 164,
};
const doubts = (change: Partial<Sample>): string[] => assay({ ...SOUP, ...change }).map(({ what }) => what);

test('what is right is left alone', () => {
  expect(assay(SOUP)).toEqual([]);
  expect(assay({ ...SOUP, lines: [] })).toEqual([]);
});

test.each<[string, Partial<Sample>, string]>([
  ['more than 100 g in 100 g', { carbohydrateG: 96 }, 'sum'],
  ['more than pure fat holds', { energyKcal: 950 }, 'energy'],
  ['energy a seventh above its parts', { energyKcal: 110 }, 'energy-factors'],
  ['energy far below its parts', { energyKcal: 60 }, 'energy-factors'],
  ['protein that nobody put in', { proteinG: 6.2 }, 'protein'],
  ['protein that vanished', { proteinG: 3 }, 'protein'],
  ['fat that nobody put in', { fatG: 5 }, 'fat'],
  ['fat that vanished', { fatG: 1 }, 'fat'],
  ['carbohydrate from steam', { carbohydrateG: 16 }, 'carbohydrate'],
  ['salt that was not added', { sodiumMg: 400 }, 'sodium'],
  ['salt that vanished', { sodiumMg: 10 }, 'sodium'],
  ['more food than can be', { finishedGrams: 2300 }, 'weight'],
  ['nothing left of it', { finishedGrams: 12, portionGrams: 3 }, 'weight'],
  ['portions that are not there', { portions: 5 }, 'portion'],
  ['a soup as rich as a cake', { energyKcal: 300, fatG: 20 }, 'kind'],
  ['a soup as salt as the sea', { sodiumMg: 1400 }, 'salt'],
  ['a salad that is oil', { name: 'Green salad', energyKcal: 520, fatG: 50 }, 'kind'],
  ['granola that is porridge', { name: 'Oat granola' }, 'kind'],
])('%s', (_, change, what) => {
  expect(doubts(change)).toContain(what);
});

test('every figure that is off by a third is doubted, whatever it is', () => {
  for (const { recipe } of demo.filter((each) => !each.recipe.isComponent)) {
    const { nutrition, finishedGrams } = sheetOf(recipe);
    const { proteinG, fatG, carbohydrateG, fibreG, energyKcal } = nutrition.per100g;
    const sample: Sample = {
      ...SOUP,
      name: recipe.name,
      proteinG,
      fatG,
      carbohydrateG,
      fibreG,
      energyKcal,
      finishedGrams,
      portions: null,
      sodiumMg: 0,
      lines: [line('all', finishedGrams, { proteinG, fatG, carbohydrateG })],
    };
    expect(assay(sample).filter(({ isImpossible }) => isImpossible)).toEqual([]);
    const worse: Partial<Sample>[] = [
      { energyKcal: energyKcal * 1.33 + 20 },
      { energyKcal: energyKcal * 0.66 - 20 },
      { proteinG: proteinG * 1.33 + 1 },
      { fatG: fatG * 1.33 + 1 },
      { carbohydrateG: carbohydrateG * 1.33 + 1 },
      { finishedGrams: finishedGrams * 1.7 },
    ];
    for (const change of worse)
      expect([
        recipe.name,
        change,
        assay({ ...sample, ...change }).some(({ isImpossible }) => isImpossible),
      ]).toEqual([recipe.name, change, true]);
  }
});

test('the demo book is doubted nowhere', () => {
  for (const { recipe } of demo)
    expect([
      recipe.name,
      sheetOf(recipe)
        .findings.filter(({ code }) => code.startsWith('assay'))
        .map(({ message }) => message),
    ]).toEqual([recipe.name, []]);
});

test.each([
  ['Coconut milk curry', 'stew'],
  ['Tea loaf', 'bake'],
  ['Cream of tomato soup', 'soup'],
  ['Butter bean stew with dumplings', 'stew'],
  ['Carrot cake', 'bread or cake'],
  ['Soup with fritters', 'soup'],
  ['Green dressing', 'dressing, sauce or paste'],
  ['Roast roots', 'bake'],
  ['Peas', null],
])('%s is a %s', (name, kind) => {
  expect(kindOfDish(name)?.name ?? null).toBe(kind);
});

test('the panel of the pack a kitchen buys is what its dish is held to', () => {
  const rich = withPacks(pack('chickpeas-tinned', { panel: { proteinG: 20, sodiumMg: 900 } }));
  const recipe = recipeOf(['400 g tin chickpeas, drained', '200 g carrots'], ['Warm through.']);
  const { findings } = sheetOf(recipe, homeTarget(recipe, book, rich), rich);
  expect(findings.filter(({ code }) => code.startsWith('assay'))).toEqual([]);
});

describe('a doubt holds the label until a cook stands for it', () => {
  const oily = (confirmed: Recipe['confirmed']): Recipe => {
    const text =
      'Carrot soup\nServes 4\n\nIngredients\n500 g carrots\n400 ml water\n400 g olive oil\n\nMethod\nBlend everything smooth.';
    return { ...recipeFromReading(readRecipe(text, book.foods), 'oily'), confirmed };
  };
  const found = (recipe: Recipe) =>
    sheetOf(recipe, homeTarget(recipe, book, bare), bare).findings.filter(({ code }) =>
      code.startsWith('assay'),
    );

  test('with the reason, and the line that makes it', () => {
    const [doubt] = found(oily([]));
    expect(isOpen(doubt!)).toBe(true);
    expect(doubt!.message).toMatch(/kcal in 100 g; a soup usually holds .* Most of it is Olive oil/);
  });

  test('and only while the figure stays what it was', () => {
    const [doubt] = found(oily([]));
    const { figures } = [doubt!].find(isOf('assay-unlikely'))!;
    const figure = Number(figures.figure);
    const stands = (as: number) => [
      { what: String(figures.what), figure: as, by: 'R. Fallow', on: '2026-11-28' },
    ];
    expect(found(oily(stands(figure))).some(isOpen)).toBe(false);
    expect(found(oily(stands(figure)))[0]!.message).toContain('R. Fallow stands for it');
    expect(found(oily(stands(figure * 0.8))).some(isOpen)).toBe(true);
  });
});

test('random dishes obey the laws of matter and pass the audit, at home and in a batch', () => {
  for (let seed = 1; seed <= runs(120); seed += 1)
    expect([seed, matterFaults(seed, book, bare)]).toEqual([seed, []]);
});
