import fc from 'fast-check';
import { type Kitchen, machinesFor, type Vessel, type WorkKind } from '@hand-ladle/core';
import { book, cafe, demo, demoRecipe, recipeOf, school, sheetOf, ward } from '@hand-ladle/testing/world';
import { loadsIn, vesselFor, workingGrams } from '../../src/batch/machines';
import { scaleStep } from '../../src/batch/scale-rounding';
import { gramsPerMillilitre, spoonsFor } from '../../src/batch/spoons';
import { stepOf, WORK_KINDS } from '../../src/kitchen/equipment';

const kitchen = fc.constantFrom<Kitchen>(ward, school, cafe);
const blender: Vessel = {
  id: 'b',
  name: 'Blender',
  kind: 'blender',
  count: 1,
  litres: 4,
  fill: 0.75,
  surfaceM2: 0,
  levels: 1,
  pan: null,
  powerKw: null,
  isFan: false,
};

describe('machines', () => {
  test('a blender holds three quarters cold and a half hot', () => {
    expect(workingGrams(blender, { isHot: false, isLayer: false })).toBeCloseTo(3000, 9);
    expect(workingGrams(blender, { isHot: true, isLayer: false })).toBeCloseTo(2000, 9);
  });

  test('a griddle holds by its area, in one layer', () => {
    const griddle: Vessel = { ...blender, kind: 'griddle', litres: 0, surfaceM2: 0.4, fill: 1 };
    expect(workingGrams(griddle)).toBeCloseTo(0.4 * 13 * 1000, 9);
  });

  test('the smallest that holds it in one load is taken, else the largest; loads are never one too many or too few', () => {
    fc.assert(
      fc.property(
        kitchen,
        fc.constantFrom<WorkKind>(...WORK_KINDS),
        fc.double({ min: 10, max: 400_000, noNaN: true }),
        (here, kind, grams) => {
          const stage = { kind, isLayer: false, isHot: false };
          const vessel = vesselFor(stage, grams, here, []);
          if (!vessel) return expect(machinesFor(kind, here)).toEqual([]);
          const holds = workingGrams(vessel, stage);
          const loads = loadsIn(vessel, grams, stage);
          expect(loads * holds).toBeGreaterThanOrEqual(grams - 1e-3);
          expect((loads - 1) * holds).toBeLessThan(grams);
          const others = machinesFor(kind, here).filter(({ kind: each }) => each !== 'bratt pan');
          if (loads > 1) expect(others.every((each) => workingGrams(each, stage) <= holds + 1e-6)).toBe(true);
        },
      ),
    );
  });

  test('soup is blended hot, half full; the pot beside it is filled by its own rule', () => {
    const recipe = recipeOf(
      ['1 kg carrots', '1 kg water'],
      ['Simmer everything gently for 20 minutes.', 'Blend everything smooth.'],
    );
    const sheet = sheetOf(recipe, { kind: 'weight', grams: 20_000 });
    const blend = sheet.stages.find(({ work }) => work === 'blend')!;
    const simmer = sheet.stages.find(({ work }) => work === 'simmer')!;
    expect(blend.isHot).toBe(true);
    expect(blend.loads).toBe(Math.ceil(blend.grams / blend.holdsGrams - 1e-9));
    expect(simmer.loads).toBe(1);
    const cold = sheetOf(demoRecipe('sunflower-seed-cream'), { kind: 'weight', grams: 20_000 });
    expect(cold.stages.find(({ work }) => work === 'blend')!.isHot).toBe(false);
  });

  test('a batter is mixed at once and fried by the load; its fat goes into every load', () => {
    const sheet = sheetOf(demoRecipe('carrot-oat-griddle-cakes'), { kind: 'weight', grams: 10_800 });
    const fry = sheet.stages.find(({ work }) => work === 'fry')!;
    expect(fry.loads).toBeGreaterThan(3);
    const byId = (id: string) => sheet.lines.find(({ foodId }) => foodId === id)!;
    expect(byId('rolled-oats')).toMatchObject({ work: null, loads: [byId('rolled-oats').scaleGrams] });
    expect(byId('rapeseed-oil')).toMatchObject({ work: 'fry' });
    expect(byId('rapeseed-oil').loads).toHaveLength(fry.loads);
  });

  test('a machine the kitchen lacks is said, not made up', () => {
    const bare: Kitchen = { ...ward, vessels: ward.vessels.filter(({ kind }) => kind !== 'oven') };
    const sheet = sheetOf(demoRecipe('celeriac-bean-bake'), { kind: 'weight', grams: 20_000 }, bare);
    expect(sheet.findings.map(({ code }) => code)).toContain('machine-missing');
    expect(sheet.stages.find(({ work }) => work === 'oven')).toMatchObject({ machine: null, loads: 1 });
  });

  test('the same dish in another kitchen is planned in its machines, and weighs the same', () => {
    for (const { recipe } of demo) {
      const target = { kind: 'weight' as const, grams: 24_000 };
      for (const here of [ward, school, cafe]) {
        const sheet = sheetOf(recipe, target, here);
        const own = new Set(here.vessels.map(({ id }) => id));
        for (const { machine } of sheet.stages) if (machine) expect(own.has(machine.id)).toBe(true);
        if (!sheet.findings.some(({ code }) => code === 'water-not-enough'))
          expect(sheet.finishedGrams).toBeCloseTo(24_000, 3);
      }
    }
  });
});

describe('scales and spoons', () => {
  test('a scale is chosen that carries the weight and shows it closely, the first of the kitchen that does', () => {
    fc.assert(
      fc.property(
        kitchen,
        fc.double({ min: 0.5, max: 60_000, noNaN: true }),
        fc.boolean(),
        (here, grams, isTight) => {
          const { scale, stepGrams } = scaleStep(grams, isTight, here);
          if (scale === null) return;
          expect(stepGrams).toBe(stepOf(scale, grams));
          const largest = Math.max(...here.scales.map(({ capacityGrams }) => capacityGrams));
          expect(scale.capacityGrams >= grams || scale.capacityGrams === largest).toBe(true);
          if (isTight) expect(stepGrams / 2 / grams).toBeLessThanOrEqual(0.02 + 1e-12);
        },
      ),
    );
  });

  test('spoons only below 15 mL, in quarters, and for a tight line only where they are within 2 %', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('fine-salt', 'baking-powder', 'cumin'),
        fc.double({ min: 0.2, max: 60, noNaN: true }),
        fc.boolean(),
        (id, grams, isTight) => {
          const food = book.foods.foods.get(id)!;
          const spoons = spoonsFor(grams, food, isTight, 'metric');
          if (grams / gramsPerMillilitre(food)! >= 15) return expect(spoons).toBeNull();
          if (!spoons) return;
          expect(spoons.text).toMatch(/^(\d+ )?(1\/4|1\/2|3\/4)? ?tsp$/);
          expect(spoons.grams / grams - 1).toBeCloseTo(spoons.error, 9);
          if (isTight) expect(Math.abs(spoons.error)).toBeLessThanOrEqual(0.02);
        },
      ),
    );
  });
});
