import {
  bookOf,
  contributions,
  explainLine,
  foodSet,
  homeTarget,
  isOpen,
  lineFromText,
  type Recipe,
} from '@hand-ladle/core';
import { book, demo, demoRecipe, foods, recipeOf, sheetOf, swaps, ward } from '@hand-ladle/testing/world';

describe('the worksheet', () => {
  test('the same inputs give the same bytes, whatever was computed before', () => {
    for (const { recipe, target } of demo) {
      const once = JSON.stringify(sheetOf(recipe, target ?? undefined));
      for (const other of demo) sheetOf(other.recipe);
      expect(JSON.stringify(sheetOf(recipe, target ?? undefined))).toBe(once);
      expect(once).not.toMatch(/NaN|Infinity/);
    }
  });

  test('one simmered dish, by hand', () => {
    // 500 g lentils + 1500 g water, 60 min gentle simmer in the 0.045 m2 home pot: 8 x 0.045 x 1 = 360 g steam.
    // Kept after 2 % transfer loss: (2000 - 360) x 0.98 = 1607.2 g.
    const recipe = recipeOf(
      ['500 g red lentils', '1500 g water'],
      ['Simmer gently, uncovered, for 60 minutes.'],
    );
    const sheet = sheetOf(recipe, { kind: 'weight', grams: 32_144 });
    expect(sheet.baseGrams).toBeCloseTo(1607.2, 9);
    expect(sheet.factor).toBeCloseTo(20, 9);
    // 32.1 kg fits the 60 L kettle in one load: 8 x 0.22 x 1 = 1760 g steam.
    expect(sheet).toMatchObject({ vessel: { id: 'kettle-60' }, loadCount: 1 });
    expect(sheet.steamGrams).toBeCloseTo(1760, 9);
    // Water: 20 x (1500 - 360) + 1760 = 24 560 g instead of 30 000.
    expect(sheet.lines.map(({ batchGrams }) => batchGrams!)).toEqual([
      expect.closeTo(10_000, 6),
      expect.closeTo(24_560, 6),
    ]);
    expect(sheet.finishedGrams).toBeCloseTo(32_144, 6);
  });

  test('too much water in the recipe for a small surface is said', () => {
    const recipe = recipeOf(
      ['500 g red lentils', '100 g water', '1 kg cherry tomatoes'],
      ['Simmer gently, uncovered, for 60 minutes.'],
    );
    const sheet = sheetOf(recipe, { kind: 'weight', grams: 40_000 });
    expect(sheet.findings.map(({ code }) => code)).toContain('water-not-enough');
    expect(sheet.lines[1]!.batchGrams).toBe(0);
  });

  test('stated portions that the lines cannot make are said', () => {
    const recipe = recipeOf(['500 g peeled potatoes'], [], { portions: 10, portionGrams: 250 });
    expect(sheetOf(recipe).findings.map(({ code }) => code)).toContain('yield-contradiction');
  });

  test('worst findings stand first', () => {
    const order = ['danger', 'decision', 'caution', 'note'];
    const ranks = sheetOf(demoRecipe('beetroot-broad-bean-plate')).findings.map(({ severity }) =>
      order.indexOf(severity),
    );
    expect(ranks).toEqual([...ranks].sort((a, b) => a - b));
    expect(ranks[0]).toBe(0);
  });

  test('an empty recipe, zero portions and a target of nothing still make a worksheet', () => {
    const empty = sheetOf(recipeOf([], [], { portions: 0 }), {
      kind: 'portions',
      portions: 0,
      portionGrams: 0,
    });
    expect(empty.findings[0]!.code).toBe('target-invalid');
    expect(JSON.stringify(empty)).not.toMatch(/NaN|Infinity/);
  });

  test('a recipe told without portion size is shown at its own', () => {
    const recipe = recipeOf(['1 kg peeled potatoes'], [], { portions: 4 });
    expect(homeTarget(recipe, book, ward)).toEqual({ kind: 'portions', portions: 4, portionGrams: 245 });
  });
});

describe('components', () => {
  const cream = demoRecipe('sunflower-seed-cream');

  test('a nested component is opened to any depth, and its weights are shares of its need', () => {
    const sheet = sheetOf(demoRecipe('parsnip-buckwheat-tray'));
    const dressing = sheet.lines.find(({ componentId }) => componentId === 'green-dressing')!;
    const inner = dressing.children.find(({ componentId }) => componentId === 'sunflower-seed-cream')!;
    expect(inner.batchGrams! / dressing.batchGrams!).toBeCloseTo(300 / 500, 9);
    expect(inner.children.map(({ name }) => name)).toContain('Sunflower seeds');
  });

  test('one that contains itself is a danger that names the circle, and the rest is still computed', () => {
    const one: Recipe = { ...recipeOf(['100 g carrots']), id: 'one', name: 'One', isComponent: true };
    const two: Recipe = { ...one, id: 'two', name: 'Two' };
    const names = foodSet(foods, [one, two]);
    const call = (recipe: Recipe, text: string): Recipe => ({
      ...recipe,
      lines: [...recipe.lines, lineFromText(text, 'l2', names)],
    });
    const circle = bookOf(names, [call(one, '50 g two'), call(two, '50 g one')], swaps);
    const sheet = sheetOf(circle.components.get('one')!, undefined, ward, circle);
    expect(sheet.findings[0]).toMatchObject({ code: 'component-cycle', severity: 'danger', lineId: 'l2' });
    expect(sheet.findings[0]!.message).toContain('One > Two > One');
    expect(sheet.lines[0]!.scaleGrams).toBeGreaterThan(0);
    expect(sheet.label.isDraft).toBe(true);
  });

  test('one that is gone from the book is a danger, not a zero', () => {
    const dish = recipeOf(['100 g sunflower seed cream', '500 g potatoes']);
    const without = bookOf(book.foods, [], swaps);
    const sheet = sheetOf(dish, undefined, ward, without);
    expect(sheet.findings.filter(isOpen).length).toBeGreaterThan(0);
    expect(sheet.allergens.every(({ status }) => status === 'check')).toBe(true);
    expect(cream.isComponent).toBe(true);
  });
});

describe('why', () => {
  const sheet = sheetOf(demoRecipe('barley-leek-white-bean-pot'), {
    kind: 'portions',
    portions: 120,
    portionGrams: 280,
  });

  test('every weight is explained from home to the scale', () => {
    for (const line of sheet.lines) {
      const reasons = explainLine(line, sheet);
      expect(reasons.map(({ what }) => what).slice(0, 3)).toEqual([
        'At home',
        'In the batch',
        'On the scale',
      ]);
      expect(reasons.every(({ formula, source }) => formula !== '' && source !== '')).toBe(true);
    }
    const salt = sheet.lines.find(({ foodId }) => foodId === 'fine-salt')!;
    expect(explainLine(salt, sheet)[3]!.formula).toMatch(/80 %/);
  });

  test('contributions of the lines add up to the figure of the portion', () => {
    const input = { recipe: demoRecipe('millet-porridge-pear'), kitchen: ward, target: sheet.target };
    const parts = contributions(input, 'proteinG', 300, book);
    const sum = parts.reduce((all, { amount }) => all + (amount ?? 0), 0);
    const home = sheetOf(input.recipe, { kind: 'portions', portions: 5, portionGrams: 300 });
    expect(sum).toBeCloseTo(home.nutrition.perPortion.proteinG, 6);
  });
});
