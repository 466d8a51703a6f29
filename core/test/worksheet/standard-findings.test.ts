import { type Kitchen, type KitchenStandard, type Recipe, stepsFromTexts } from '@hand-ladle/core';
import { book, demo, demoRecipe, recipeOf, sheetOf, ward } from '@hand-ladle/testing/world';

const here = (standard: Partial<KitchenStandard>): Kitchen => ({
  ...ward,
  standard: { ...ward.standard, ...standard },
});
const asked = (recipe: Recipe, standard: Partial<KitchenStandard>): string[] =>
  sheetOf(recipe, undefined, here(standard))
    .findings.filter(({ code }) => code === 'way-asked' || code === 'build-asked')
    .map(({ message }) => message);

const CREAM = recipeOf(['200 g almonds', '400 g water'], ['Blend almonds and water until smooth.']);
const TOPPING = recipeOf(
  ['200 g almonds', '600 g carrots'],
  ['Roast the carrots and strew the almonds over.'],
);

describe('what a kitchen likes', () => {
  test('nuts that are blended make a cream, nuts that are strewn do not', () => {
    expect(asked(CREAM, { cream: 'seeds' })).toEqual([
      "Almonds: this kitchen's cream and thickening is seeds.",
    ]);
    expect(asked(CREAM, { cream: 'soaked nuts' })).toEqual([]);
    expect(asked(TOPPING, { cream: 'seeds' })).toEqual([]);
  });

  test('starch, flour and oat cream each are a way; flour of a dough is none', () => {
    const thick = (line: string) => recipeOf([line, '600 g water'], ['Simmer gently for 10 minutes.']);
    expect(asked(thick('40 g cornflour'), { cream: 'flour in fat' })).toHaveLength(1);
    expect(asked(thick('40 g cornflour'), { cream: 'starch' })).toEqual([]);
    expect(asked(thick('40 g plain flour'), { cream: 'starch' })).toHaveLength(1);
    expect(asked(thick('200 g oat cream'), { cream: 'starch' })).toHaveLength(1);
    expect(asked(demoRecipe('caraway-flatbread'), { cream: 'starch' })).toEqual([]);
  });

  test('the work of an egg, and how tofu is taken', () => {
    const cakes = demoRecipe('carrot-oat-griddle-cakes');
    expect(asked(cakes, { egg: 'pulse water' })).toEqual([
      "Ground flaxseed: this kitchen's egg's work is pulse water.",
    ]);
    expect(asked(cakes, { egg: 'ground flax or chia' })).toEqual([]);
    const tofu = (line: string) => recipeOf([line, '200 g water']);
    expect(asked(tofu('200 g firm tofu'), { tofu: 'firm, pressed' })).toHaveLength(1);
    expect(asked(tofu('200 g firm tofu, pressed'), { tofu: 'firm, pressed' })).toEqual([]);
    expect(asked(tofu('200 g silken tofu'), { tofu: 'firm, pressed' })).toHaveLength(1);
  });

  test('one pot, or parts made apart', () => {
    const bake = demoRecipe('celeriac-bean-bake');
    expect(asked(bake, { build: 'one pot' })).toHaveLength(1);
    expect(asked(bake, { build: 'components apart' })).toEqual([]);
    expect(asked(demoRecipe('fennel-butter-bean-pot'), { build: 'components apart' })).toHaveLength(1);
    expect(asked(demoRecipe('fennel-butter-bean-pot'), { build: 'one pot' })).toEqual([]);
  });

  test('to the gram: nothing is held back, and nothing is lost', () => {
    const target = { kind: 'weight' as const, grams: 54_000 };
    const pot = demoRecipe('fennel-butter-bean-pot');
    const tasted = sheetOf(pot, target, ward);
    const exact = sheetOf(pot, target, here({ amounts: 'exact to the gram' }));
    expect(tasted.lines.some(({ heldBackGrams }) => heldBackGrams > 0)).toBe(true);
    expect(exact.lines.every(({ heldBackGrams }) => heldBackGrams === 0)).toBe(true);
    expect(exact.lines.map(({ scaleGrams }) => scaleGrams)).toEqual(
      tasted.lines.map(({ scaleGrams }) => scaleGrams),
    );
  });

  test('a standard never changes a figure of a dish, only what is asked', () => {
    const strict = here({
      isWholeFood: true,
      fryingFat: 'dry hot pan',
      salt: 'none',
      pulses: 'from dry, soaked',
      cream: 'seeds',
      egg: 'tofu',
      tofu: 'silken',
      build: 'one pot',
    });
    for (const { recipe } of demo) {
      const [plain, asking] = [sheetOf(recipe), sheetOf(recipe, undefined, strict)];
      expect(asking.lines.map(({ batchGrams }) => batchGrams)).toEqual(
        plain.lines.map(({ batchGrams }) => batchGrams),
      );
      expect(asking.allergens).toEqual(plain.allergens);
      expect(asking.label.isDraft).toBe(plain.label.isDraft);
    }
  });
});

test('an oven that says what it takes counts its trays, load by load', () => {
  const oven = { ...ward.vessels.find(({ kind }) => kind === 'oven')!, pan: 'gn-1/1-65' as const };
  const kitchen: Kitchen = { ...ward, vessels: [oven] };
  const steps = stepsFromTexts(['Bake for 40 minutes at 180 °C.'], [], book.foods);
  const sheet = sheetOf({ ...TOPPING, steps }, { kind: 'weight', grams: 30_000 }, kitchen);
  const stage = sheet.stages.find(({ work }) => work === 'oven')!;
  expect(stage.pans!.name).toBe('GN 1/1, 65 mm');
  expect(stage.pans!.count).toBe(Math.ceil((oven.levels * stage.loadGrams) / stage.holdsGrams - 1e-9));
  expect(stage.pans!.count).toBeLessThanOrEqual(oven.levels);
});
