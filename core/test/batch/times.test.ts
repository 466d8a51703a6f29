import {
  batchSheet,
  type Kitchen,
  ovenText,
  PANS,
  type Target,
  timeText,
  type Worksheet,
} from '@hand-ladle/core';
import { cafe, demo, demoRecipe, recipeOf, school, sheetOf, ward } from '@hand-ladle/testing/world';

const BAKE = demoRecipe('celeriac-bean-bake');
const POT = demoRecipe('fennel-butter-bean-pot');
const bakeTime = (target: Target, kitchen: Kitchen = ward) => {
  const sheet = sheetOf(BAKE, target, kitchen);
  return { sheet, time: sheet.times.find(({ work, minutes }) => work === 'oven' && minutes !== null)! };
};

describe('times', () => {
  test('a simmer and a single layer take as long as at home, whatever the batch', () => {
    for (const grams of [1000, 30_000, 150_000]) {
      const simmer = sheetOf(POT, { kind: 'weight', grams }).times.find(
        ({ homeMinutes }) => homeMinutes === 30,
      )!;
      expect(simmer).toMatchObject({
        rule: 'same',
        minutes: 30,
        lookTest: 'a fork goes in',
        coreCelsius: 75,
      });
      const tray = sheetOf(demoRecipe('quinoa-cabbage-tray'), { kind: 'weight', grams }).times[0]!;
      expect(tray).toMatchObject({ rule: 'same', minutes: 25, work: 'oven' });
    }
  });

  test('a deep dish goes by its depth squared, with its range, and says both depths', () => {
    const pan = (fill: number): Target => ({ kind: 'pans', pan: 'gn-1/1-100', count: 4, fill });
    const [thin, deep] = [bakeTime(pan(0.3)).time, bakeTime(pan(0.9)).time];
    expect(deep.minutes! / thin.minutes!).toBeCloseTo(9, 6);
    expect(deep.rule).toBe('depth');
    expect(deep.lowMinutes).toBeCloseTo(deep.minutes! * 0.75, 6);
    expect(deep.why).toContain(`${Math.round(PANS['gn-1/1-100'].depthMm * 0.9)} mm deep here`);
    expect(timeText(deep)).toMatch(/^about .+ \(.+ to .+\)$/);
    // A shallower dish is through sooner, but never promised: it may take as long as at home.
    expect(thin).toMatchObject({ lowMinutes: thin.minutes, highMinutes: 55 });
    expect(timeText(thin)).toMatch(/^look from \d+ min on \(55 min at home\)$/);
    expect(deep.lookTest).toBe('a knife goes through without a push');
  });

  test('an oven with a fan is set twenty degrees lower, and both scales are said', () => {
    const withFan = (isFan: boolean): Kitchen => ({
      ...ward,
      vessels: ward.vessels.map((each) => (each.kind === 'oven' ? { ...each, isFan } : each)),
    });
    const target: Target = { kind: 'portions', portions: 40, portionGrams: 320 };
    expect(ovenText(bakeTime(target, withFan(true)).time)).toBe('160 °C with fan (320 °F)');
    expect(ovenText(bakeTime(target, withFan(false)).time)).toBe('180 °C without fan (355 °F)');
  });

  test('boiling down takes as long as the surface needs to lose the same share', () => {
    const recipe = recipeOf(
      ['2 kg chopped tomatoes'],
      ['Simmer gently, uncovered, until reduced, about 40 minutes.'],
      {
        name: 'Thick tomato',
      },
    );
    const home = sheetOf(recipe, { kind: 'weight', grams: 1 }).baseGrams;
    const batch = (grams: number, surfaceM2: number): Worksheet =>
      sheetOf(
        recipe,
        { kind: 'weight', grams },
        {
          ...ward,
          vessels: ward.vessels
            .filter(({ id }) => id === 'kettle-60')
            .map((each) => ({ ...each, surfaceM2 })),
        },
      );
    const [narrow, wide] = [batch(20_000, 0.1), batch(20_000, 0.2)];
    const minutes = (sheet: Worksheet): number => sheet.times[0]!.minutes!;
    expect(narrow.times[0]!.rule).toBe('reduced');
    expect(minutes(narrow) / minutes(wide)).toBeCloseTo(2, 6);
    // The same share of steam leaves as at home, and it comes out as thick.
    expect(narrow.steamGrams).toBeCloseTo(wide.steamGrams, 6);
    expect(narrow.lines[0]!.batchGrams! / 20_000).toBeCloseTo(2000 / home, 6);
    // Rate x surface x time is that steam: 8 kg/m2/h from 0.1 m2.
    expect(narrow.steamGrams).toBeCloseTo((8 * 0.1 * 1000 * minutes(narrow)) / 60, 3);
  });

  test('no step of any dish in any kitchen loses its look-test or its time', () => {
    for (const { recipe } of demo) {
      for (const kitchen of [ward, school, cafe]) {
        const sheet = sheetOf(recipe, { kind: 'weight', grams: 25_000 }, kitchen);
        expect(sheet.times.map(({ lookTest }) => lookTest)).toEqual(
          recipe.steps.map(({ reading }) => reading.lookTest),
        );
        for (const { homeMinutes, minutes, why } of sheet.times) {
          expect(minutes === null).toBe(homeMinutes === null);
          expect(why).not.toBe('');
        }
      }
    }
  });
});

describe('the batch sheet', () => {
  const target: Target = { kind: 'portions', portions: 180, portionGrams: 300 };

  test('every line stands on it once, with its weights by load and a box for each', () => {
    for (const { recipe } of demo) {
      for (const kitchen of [ward, school, cafe]) {
        const sheet = sheetOf(recipe, target, kitchen);
        const page = batchSheet(sheet, recipe, kitchen);
        const entries = [...page.steps.flatMap((step) => step.entries), ...page.rest];
        expect(entries.map(({ lineId }) => lineId).sort()).toEqual(sheet.lines.map(({ id }) => id).sort());
        for (const entry of entries) {
          const line = sheet.lines.find(({ id }) => id === entry.lineId)!;
          expect(entry.boxes).toBe(Math.max(1, line.loads.length));
          if (line.scaleGrams === null) expect(entry.total).toBe('not known');
        }
      }
    }
  });

  test('says first and held-back seasoning, machines, times, look-tests and core in words', () => {
    const page = batchSheet(sheetOf(POT, target), POT, ward);
    expect(page.batch).toBe('54.0 kg, 180 portions of 300 g');
    expect(page.machines).toEqual(['60 L kettle: 2 loads of 27.0 kg; about 16 min to come up to heat']);
    const [sweat, simmer] = page.steps as [(typeof page.steps)[0], (typeof page.steps)[0]];
    expect(sweat.entries.map(({ loads }) => loads)).toEqual(['2 x 132 g', '2 x 6.63 kg', '2 x 4.42 kg']);
    expect(simmer).toMatchObject({
      time: '30 min',
      lookTest: 'a fork goes in',
      core: '75 °C',
      machine: '60 L kettle',
    });
    const salt = simmer.entries.find(({ name }) => name === 'Fine salt')!;
    expect(salt.heldBack).toBe('212 g at first, 53 g held back: taste, used ______ g');
    expect(salt.loads).toBe('1 x 133 g + 1 x 132 g');
  });

  test('allergens stand in words, what is contained in capitals beside its line, and open questions are counted', () => {
    const recipe = demoRecipe('barley-leek-white-bean-pot');
    const sheet = sheetOf(recipe, target);
    const page = batchSheet(sheet, recipe, ward);
    const contained = sheet.allergens.filter(({ status, id }) => status === 'contains' && id !== 'wheat');
    for (const { name } of contained) expect(page.contains).toContain(name);
    const entries = [...page.steps.flatMap((step) => step.entries), ...page.rest];
    expect(entries.flatMap(({ allergens }) => allergens)).toContain('GLUTEN');
    expect(page.open).toBe(
      sheet.findings.filter(({ severity }) => severity === 'danger' || severity === 'decision').length,
    );
  });
});
