import fc from 'fast-check';
import { formatGrams, planSwaps, type Target } from '@hand-ladle/core';
import { runs } from '@hand-ladle/testing/runs';
import { book, demo, demoRecipe, recipeOf, sheetOf, ward } from '@hand-ladle/testing/world';
import { surfaceInUse } from '../../src/batch/machines';
import { isTight, splitIntoLoads } from '../../src/batch/scale-rounding';
import { firstAddition } from '../../src/batch/seasoning';
import { targetProblem } from '../../src/batch/target';
import { homePortionGrams } from '../../src/batch/wanted';
import { compose } from '../../src/dish/compose';
import type { ScalingRole } from '../../src/food/food';
import { steamGrams } from '../../src/matter/evaporation';

const grams = fc.double({ min: 200, max: 200_000, noNaN: true });
const dish = fc.constantFrom(...demo.map(({ recipe }) => recipe));
const POT = demoRecipe('barley-leek-white-bean-pot');

describe('laws of scaling', () => {
  test('scaling by a then b is scaling by a x b, before rounding, for all that is not water', () => {
    fc.assert(
      fc.property(
        dish,
        fc.double({ min: 0.2, max: 20, noNaN: true }),
        fc.double({ min: 0.2, max: 20, noNaN: true }),
        (recipe, a, b) => {
          const home = sheetOf(recipe).baseGrams;
          const once = sheetOf(recipe, { kind: 'weight', grams: home * a * b });
          const first = sheetOf(recipe, { kind: 'weight', grams: home * a });
          const again = sheetOf(recipe, { kind: 'weight', grams: first.finishedGrams * b });
          once.lines.forEach((line, index) => {
            if (line.batchGrams !== null)
              expect(again.lines[index]!.batchGrams! / line.batchGrams).toBeCloseTo(1, 6);
          });
        },
      ),
      { numRuns: runs(30) },
    );
  });

  test('a batch comes out at the weight asked for unless there is too much water in it', () => {
    fc.assert(
      fc.property(dish, grams, (recipe, wanted) => {
        const sheet = sheetOf(recipe, { kind: 'weight', grams: wanted });
        const isWatery = sheet.findings.some(({ code }) => code === 'water-not-enough');
        if (!isWatery) expect(sheet.finishedGrams / wanted).toBeCloseTo(1, 6);
      }),
      { numRuns: runs(30) },
    );
  });

  test('mass balances: what goes in is in the food, in the air, or stuck to the pot', () => {
    fc.assert(
      fc.property(dish, grams, (recipe, wanted) => {
        const measured = { ...recipe, measuredYieldGrams: null };
        const sheet = sheetOf(measured, { kind: 'weight', grams: wanted });
        const { absorbedGrams } = compose(measured, book, ward);
        const putIn = sheet.lines.reduce(
          (sum, line) => sum + (line.batchGrams ?? 0),
          absorbedGrams * sheet.factor,
        );
        const { pouredOffGrams, strainedGrams, leftInPanGrams } = sheet.massBalance;
        const gone = sheet.steamGrams + pouredOffGrams + strainedGrams + leftInPanGrams;
        const kept = (putIn - gone) * (1 - ward.transferLoss);
        expect(Math.abs(kept - sheet.finishedGrams)).toBeLessThan(0.1);
      }),
      { numRuns: runs(30) },
    );
  });

  test('any target said in another way gives the same batch', () => {
    const first = sheetOf(POT, { kind: 'portions', portions: 120, portionGrams: 280 });
    const leek = first.lines.find(({ foodId }) => foodId === 'leek')!;
    const others: Target[] = [
      { kind: 'weight', grams: first.finishedGrams },
      { kind: 'pans', pan: 'gn-1/1-100', count: first.finishedGrams / (14_000 * 0.85), fill: 0.85 },
      { kind: 'store', lineId: leek.id, grams: leek.purchasedGrams! },
    ];
    for (const target of others) {
      const sheet = sheetOf(POT, target);
      expect(sheet.finishedGrams).toBeCloseTo(first.finishedGrams, 3);
      expect(sheet.lines.map(({ scaleGrams }) => scaleGrams)).toEqual(
        first.lines.map(({ scaleGrams }) => scaleGrams),
      );
    }
  });

  test('a finished weight never falls when a line grows', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 900 }), fc.integer({ min: 1, max: 300 }), (one, more) => {
        const base = (first: number) =>
          sheetOf(recipeOf([`${first} g millet`, '400 g carrots', '500 g water'])).baseGrams;
        expect(base(one + more)).toBeGreaterThan(base(one));
      }),
    );
  });
});

describe('steam', () => {
  test('rate x surface x time, a lid leaves 15 %', () => {
    expect(steamGrams({ heat: 'gentle simmer', minutes: 60, covered: false }, 0.1)).toBeCloseTo(800, 9);
    expect(steamGrams({ heat: 'gentle simmer', minutes: 60, covered: true }, 0.1)).toBeCloseTo(120, 9);
    expect(steamGrams({ heat: 'rolling boil', minutes: 30, covered: false }, 0.22)).toBeCloseTo(2420, 9);
  });

  test('more surface never needs less water', () => {
    const water = (surfaceM2: number) => {
      const kitchen = { ...ward, vessels: ward.vessels.map((vessel) => ({ ...vessel, surfaceM2 })) };
      return sheetOf(POT, { kind: 'weight', grams: 30_000 }, kitchen).lines.find(
        ({ foodId }) => foodId === 'water',
      )!.batchGrams!;
    };
    fc.assert(
      fc.property(
        fc.double({ min: 0.01, max: 1, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (surface, more) => {
          expect(water(surface + more)).toBeGreaterThanOrEqual(water(surface) - 1e-6);
        },
      ),
    );
  });

  test('an oven loses steam only from the levels that hold food', () => {
    const oven = ward.vessels.find(({ kind }) => kind === 'oven')!;
    expect(surfaceInUse(oven, 27_000)).toBeCloseTo(oven.surfaceM2, 9);
    expect(surfaceInUse(oven, 4500)).toBeCloseTo(oven.surfaceM2 / 6, 9);
  });
});

describe('weights for the scale', () => {
  test('loads sum to the batch, differ by one step at most, and tight lines stay within 2 %', () => {
    const roles = fc.constantFrom<ScalingRole>('linear', 'seasoning', 'salt', 'leavening', 'starch');
    fc.assert(
      fc.property(
        fc.double({ min: 0.5, max: 90_000, noNaN: true }),
        fc.integer({ min: 1, max: 12 }),
        roles,
        (weight, count, role) => {
          const { loads, scaleGrams, stepGrams } = splitIntoLoads(weight, count, isTight(role), ward);
          expect(loads).toHaveLength(count);
          expect(loads.reduce((sum, load) => sum + load, 0)).toBeCloseTo(scaleGrams, 6);
          expect(Math.max(...loads) - Math.min(...loads)).toBeLessThanOrEqual(stepGrams + 1e-9);
          if (isTight(role)) expect(Math.abs(scaleGrams - weight) / weight).toBeLessThanOrEqual(0.02);
        },
      ),
    );
  });

  test('seasoning above four times home goes in by four fifths, and nothing is lost', () => {
    expect(firstAddition(100, 1, 'salt', 4)).toEqual({ firstGrams: 100, heldBackGrams: 0 });
    expect(firstAddition(100, 1, 'salt', 4.1)).toEqual({ firstGrams: 80, heldBackGrams: 20 });
    expect(firstAddition(100, 1, 'linear', 40)).toEqual({ firstGrams: 100, heldBackGrams: 0 });
  });

  test('a dough is not tasted: its salt goes in at once', () => {
    const sheet = sheetOf(demoRecipe('caraway-flatbread'), { kind: 'weight', grams: 20_000 });
    expect(sheet.lines.every(({ heldBackGrams }) => heldBackGrams === 0)).toBe(true);
  });

  test('a batch above the kettle splits into loads of it', () => {
    const sheet = sheetOf(POT, { kind: 'weight', grams: 140_000 });
    expect(sheet).toMatchObject({ loadCount: 3, vessel: { id: 'kettle-60' } });
    for (const line of sheet.lines) expect(line.loads).toHaveLength(line.scaleGrams === null ? 0 : 3);
  });
});

describe('targets that cannot be used', () => {
  test.each<[Target]>([
    [{ kind: 'portions', portions: 0, portionGrams: 280 }],
    [{ kind: 'portions', portions: 1e9, portionGrams: 1e9 }],
    [{ kind: 'weight', grams: -1 }],
    [{ kind: 'weight', grams: NaN }],
    [{ kind: 'pans', pan: 'gn-1/1-65', count: 2, fill: 1.2 }],
    [{ kind: 'store', lineId: 'l99', grams: 1000 }],
  ])('%j shows the home recipe and says why', (target) => {
    const sheet = sheetOf(POT, target);
    expect(sheet.findings[0]).toMatchObject({ code: 'target-invalid', severity: 'danger' });
    expect(sheet.factor).toBe(1);
    if (target.kind !== 'store') expect(targetProblem(target)).not.toBeNull();
  });
});

test('the portion of a plan is the portion that was asked for', () => {
  const target: Target = { kind: 'portions', portions: 50, portionGrams: 300 };
  const { plans } = planSwaps({ recipe: POT, kitchen: ward, target, exclude: ['soy'] }, book);
  expect(formatGrams(plans[0]!.worksheet.finishedGrams).figure).toBe('15.0');
  expect(homePortionGrams(compose(POT, book, ward))).toBe(280);
});
