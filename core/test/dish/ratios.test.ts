import type { Ratio, Recipe } from '@hand-ladle/core';
import { book, demo, recipeOf, sheetOf, ward } from '@hand-ladle/testing/world';
import { compose } from '../../src/dish/compose';
import { ratiosOf } from '../../src/dish/standard/ratios';

const ratioOf = (recipe: Recipe, id: string): Ratio | undefined =>
  ratiosOf(recipe, compose(recipe, book, ward).lines).find((each) => each.id === id);
const cream = (seeds: number, water: number, name = 'Seed cream'): Recipe =>
  recipeOf([`${seeds} g sunflower seeds`, `${water} g water`], ['Blend seeds and water until smooth.'], {
    name,
  });

describe('seeds to water', () => {
  test.each([
    [100, 600, 'Seed milk', 'within', 'stays a milk'],
    [100, 200, 'Seed cream', 'within', 'spoons as a cream'],
    [100, 600, 'Seed cream', 'above', 'stays a milk'],
    [100, 200, 'Seed milk', 'below', 'spoons as a cream'],
    [100, 80, 'Seed cream', 'below', 'stays a stiff paste'],
  ])('%d g to %d g as a %s is %s: it %s', (seeds, water, name, verdict, words) => {
    const ratio = ratioOf(cream(seeds, water, name), 'nut-water')!;
    expect(ratio).toMatchObject({ verdict, words });
    expect(ratio.value).toBeCloseTo(water / seeds, 9);
    expect(ratio.text).toBe(`1 : ${water / seeds}`);
  });

  test('is not asked of what is not blended, nor of a pot with a few seeds in it', () => {
    expect(ratioOf(recipeOf(['100 g sunflower seeds', '600 g water']), 'nut-water')).toBeUndefined();
    const pot = recipeOf(['20 g sunflower seeds', '500 g carrots', '600 g water'], ['Blend it.']);
    expect(ratioOf(pot, 'nut-water')).toBeUndefined();
  });
});

describe('grain, flour, yeast and salt', () => {
  const simmer = ['Simmer gently, covered, for 20 minutes.'];
  test.each([
    [250, 'below'],
    [600, 'within'],
    [1200, 'above'],
  ])('300 g of millet in %d g of water is %s', (water, verdict) => {
    const ratio = ratioOf(recipeOf(['300 g millet', `${water} g water`], simmer), 'grain-liquid')!;
    expect(ratio.verdict).toBe(verdict);
    expect(ratio.value).toBeCloseTo(water / 300, 9);
  });

  test('a porridge wants more', () => {
    const recipe = recipeOf(['300 g millet', '1200 g water'], simmer, { name: 'Millet porridge' });
    expect(ratioOf(recipe, 'grain-liquid')!.verdict).toBe('within');
  });

  test('a dough: water, salt and yeast on its flour', () => {
    const dough = recipeOf(
      ['1 kg wholemeal wheat flour', '650 g water', '30 g fine salt', '10 g instant yeast'],
      ['Knead the dough for 8 minutes.'],
    );
    expect(ratioOf(dough, 'flour-liquid')).toMatchObject({ verdict: 'within', words: 'is a soft dough' });
    expect(ratioOf(dough, 'flour-liquid')!.value).toBeCloseTo(65, 9);
    expect(ratioOf(dough, 'salt-flour')).toMatchObject({ verdict: 'above' });
    expect(ratioOf(dough, 'salt-flour')!.value).toBeCloseTo(3, 9);
    expect(ratioOf(dough, 'yeast-flour')).toMatchObject({ verdict: 'within' });
  });
});

test('what is off is said before the batch, on the worksheet, and what is usual is not', () => {
  const codes = (recipe: Recipe): string[] => sheetOf(recipe).findings.map(({ code }) => code);
  expect(codes(cream(100, 600))).toContain('ratio-off');
  expect(codes(cream(100, 200))).not.toContain('ratio-off');
});

test('no ratio of any demo dish is empty, endless or outside its own verdict', () => {
  let seen = 0;
  for (const { recipe } of demo) {
    for (const { value, low, high, verdict, text, words } of sheetOf(recipe).ratios) {
      seen += 1;
      expect(Number.isFinite(value) && low < high).toBe(true);
      expect(verdict).toBe(value < low ? 'below' : value > high ? 'above' : 'within');
      expect(text.length * words.length).toBeGreaterThan(0);
    }
  }
  expect(seen).toBeGreaterThan(15);
});
