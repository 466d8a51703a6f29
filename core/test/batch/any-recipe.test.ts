/** Whatever is told: recipes of random lines and steps keep the laws in every kitchen, for every target. */
import fc from 'fast-check';
import {
  batchSheet,
  explainFigure,
  explainLine,
  expressTarget,
  type Kitchen,
  menuRow,
  offersOf,
  takeOffer,
  type Target,
} from '@hand-ladle/core';
import { runs } from '@hand-ladle/testing/runs';
import { book, cafe, plainFoods, recipeOf, school, sheetOf, ward } from '@hand-ladle/testing/world';
import { isTight } from '../../src/batch/scale-rounding';
import { compose } from '../../src/dish/compose';
import { FIGURES } from '../../src/worksheet/explain';

const NAMES = plainFoods.map(({ name }) => name.toLowerCase());
const COMPONENTS = ['sunflower seed cream', 'kitchen tomato sauce', 'smoked onion base', 'seeded crumb'];
const line = fc.oneof(
  fc
    .tuple(fc.integer({ min: 1, max: 3000 }), fc.constantFrom(...NAMES))
    .map(([grams, name]) => `${grams} g ${name}`),
  fc
    .tuple(fc.integer({ min: 1, max: 40 }), fc.constantFrom(...NAMES))
    .map(([grams, name]) => `${grams} g ${name}, to garnish`),
  fc.integer({ min: 1, max: 60 }).map((grams) => `${grams} g olive oil, for frying`),
  fc.integer({ min: 50, max: 4000 }).map((grams) => `${grams} g water`),
  fc
    .tuple(fc.integer({ min: 20, max: 800 }), fc.constantFrom(...COMPONENTS))
    .map(([grams, name]) => `${grams} g ${name}`),
  fc.constantFrom('a handful of dill', 'salt to taste', '2 carrots', '1 x 400 g tin white beans, drained'),
);
const step = fc.constantFrom(
  'Sweat everything in the oil for 10 minutes.',
  'Simmer everything gently, uncovered, for 45 minutes, until a fork goes in.',
  'Boil hard for 20 minutes.',
  'Simmer until reduced, about 30 minutes.',
  'Blend everything smooth.',
  'Bake for 40 minutes at 180 °C.',
  'Roast on a tray for 25 minutes at 200 °C.',
  'Cook on an oiled griddle for 5 minutes on each side.',
  'Knead the dough for 8 minutes.',
  'Stir everything together.',
);
const told = fc.record({
  lines: fc.array(line, { minLength: 1, maxLength: 12 }),
  steps: fc.array(step, { maxLength: 4 }),
  measured: fc.option(fc.integer({ min: 100, max: 9000 }), { nil: null }),
  isComponent: fc.boolean(),
});
const target = fc.oneof(
  fc.record({
    kind: fc.constant('portions' as const),
    portions: fc.integer({ min: 1, max: 800 }),
    portionGrams: fc.integer({ min: 20, max: 500 }),
  }),
  fc.record({
    kind: fc.constant('weight' as const),
    grams: fc.double({ min: 50, max: 300_000, noNaN: true }),
  }),
  fc.record({
    kind: fc.constant('load' as const),
    vesselId: fc.constantFrom(...[ward, school, cafe].flatMap(({ vessels }) => vessels.map(({ id }) => id))),
    loads: fc.double({ min: 0.2, max: 9, noNaN: true }),
  }),
  fc.record({
    kind: fc.constant('store' as const),
    lineId: fc.constantFrom('l1', 'l2', 'l3'),
    grams: fc.double({ min: 10, max: 60_000, noNaN: true }),
  }),
);

test('figures are whole, mass closes, loads sum, and another way of saying it is the same batch', () => {
  let usable = 0;
  fc.assert(
    fc.property(
      told,
      fc.constantFrom<Kitchen>(ward, school, cafe),
      target,
      fc.constantFrom<Target['kind']>('portions', 'weight', 'pans', 'store', 'load'),
      ({ lines, steps, measured, isComponent }, kitchen, asked, kind) => {
        const recipe = recipeOf(lines, steps, { measuredYieldGrams: measured, isComponent });
        const sheet = sheetOf(recipe, asked, kitchen);
        const offers = offersOf({ recipe, kitchen, target: asked }, book);
        const told = [
          batchSheet(sheet, recipe, kitchen),
          sheet.lines.map((each) => explainLine(each, sheet)),
          FIGURES.map((id) => explainFigure(id, sheet)),
          menuRow(sheet, recipe),
          offers,
        ];
        expect(JSON.stringify([sheet, told])).not.toMatch(/NaN|Infinity|undefined/);
        for (const { id } of offers)
          expect(takeOffer({ recipe, kitchen, target: asked }, id, book)).not.toBe(recipe);
        const codes = sheet.findings.map(({ code }) => code);
        for (const each of sheet.lines) {
          if (each.batchGrams === null) continue;
          expect(each.batchGrams).toBeGreaterThanOrEqual(0);
          // What goes on a scale is a whole number of its steps, so loads sum exactly, not nearly.
          const steps = (grams: number): number => Math.round(grams / each.stepGrams);
          expect(each.loads.reduce((sum, load) => sum + steps(load), 0)).toBe(steps(each.scaleGrams!));
          for (const load of [...each.loads, each.scaleGrams!])
            expect(Math.abs(load / each.stepGrams - steps(load))).toBeLessThan(1e-6);
          const food = each.foodId === null ? null : book.foods.foods.get(each.foodId)!;
          if (isTight(each.role, food) && each.batchGrams > 0.05)
            expect(Math.abs(each.scaleError)).toBeLessThanOrEqual(0.02 + 1e-9);
        }
        const { massBalance: mass } = sheet;
        const { keptShare } = compose(recipe, book, kitchen);
        const gone = mass.steamGrams + mass.leftInPanGrams + mass.pouredOffGrams + mass.strainedGrams;
        const left = Math.max(0, keptShare * (mass.putInGrams - gone));
        expect(Math.abs(left - mass.finishedGrams)).toBeLessThan(0.1);
        // A dish that would boil dry, or that lost more than half of what went in, has no one batch for a weight in store.
        const isSensible = mass.steamGrams < mass.finishedGrams * 0.5 && keptShare > 0.5 && keptShare < 1.5;
        const isPlain = !['target-invalid', 'water-not-enough', 'steam-capped'].some((code) =>
          (codes as string[]).includes(code),
        );
        if (!isSensible || !isPlain || sheet.finishedGrams < 100) return;
        usable += 1;
        const other = expressTarget({ recipe, kitchen, target: asked }, kind, book);
        if (other === null) return;
        const again = sheetOf(recipe, other, kitchen);
        if (again.findings.some(({ code }) => code === 'water-not-enough')) return;
        expect(Math.abs(again.finishedGrams / sheet.finishedGrams - 1)).toBeLessThan(1e-4);
      },
    ),
    { numRuns: runs(160) },
  );
  expect(usable).toBeGreaterThan(runs(20));
});
