/** Laws of scaling that hold for every dish of the demo world in every kitchen, whatever is asked for. */
import fc from 'fast-check';
import {
  expressTarget,
  type Kitchen,
  machinesFor,
  type Recipe,
  type Target,
  type Worksheet,
  type WorksheetLine,
} from '@hand-ladle/core';
import { unbalanced } from '@hand-ladle/testing/matter';
import { runs } from '@hand-ladle/testing/runs';
import {
  book,
  cafe,
  demo,
  demoRecipe,
  foods,
  recipeOf,
  school,
  sheetOf,
  ward,
} from '@hand-ladle/testing/world';
import { planBatch } from '../../src/batch/batch';
import { isTight } from '../../src/batch/scale-rounding';
import { compose } from '../../src/dish/compose';

const dish = fc.constantFrom(...demo.map(({ recipe }) => recipe));
const kitchen = fc.constantFrom<Kitchen>(ward, school, cafe);
const figure = (min: number, max: number) => fc.double({ min, max, noNaN: true });

/** Any target that is not "in store", which needs a line. */
const target = fc.oneof(
  fc.record({
    kind: fc.constant('portions' as const),
    portions: fc.integer({ min: 1, max: 900 }),
    portionGrams: fc.integer({ min: 40, max: 450 }),
  }),
  fc.record({ kind: fc.constant('weight' as const), grams: figure(300, 250_000) }),
  fc.record({
    kind: fc.constant('pans' as const),
    pan: fc.constantFrom('gn-1/1-65' as const, 'gn-1/2-100' as const, 'us-full-4' as const),
    count: figure(0.3, 30),
    fill: figure(0.3, 1),
  }),
  fc.record({
    kind: fc.constant('sizes' as const),
    sizes: fc.array(
      fc.record({
        name: fc.constantFrom('Ward', 'Infant', 'Adult'),
        portions: fc.integer({ min: 1, max: 300 }),
        portionGrams: fc.integer({ min: 60, max: 400 }),
      }),
      { minLength: 1, maxLength: 4 },
    ),
  }),
);

const opened = (lines: readonly WorksheetLine[]): WorksheetLine[] =>
  lines.flatMap((line) => [line, ...opened(line.children)]);

function balance(sheet: Worksheet, recipe: Recipe, here: Kitchen): void {
  const { massBalance: mass } = sheet;
  const { keptShare } = compose(recipe, book, here);
  // From the store to the pot.
  const intoPot =
    mass.purchasedGrams + mass.componentGrams + mass.waterGrams - mass.trimmedGrams - mass.drainedGrams;
  expect(Math.abs(intoPot - mass.putInGrams)).toBeLessThan(0.1);
  // From the pot to the portions; what is lost is the kitchen's transfer loss of what is left, not a mere remainder.
  const gone = mass.steamGrams + mass.leftInPanGrams + mass.pouredOffGrams + mass.strainedGrams;
  const kept = keptShare * (mass.putInGrams - gone);
  expect(Math.abs(kept - mass.finishedGrams)).toBeLessThan(0.1);
  expect(Math.abs(mass.putInGrams - gone - mass.lostGrams - mass.finishedGrams)).toBeLessThan(0.1);
  expect(unbalanced(sheet)).toEqual([]);
  const served = sheet.servings.reduce((sum, { grams }) => sum + grams, 0);
  const isWatery = sheet.findings.some(({ code }) => code === 'water-not-enough');
  if (!isWatery) expect(Math.abs(served - mass.finishedGrams)).toBeLessThan(0.1);
}

test('mass closes to 0.1 g from the store to the portions', () => {
  fc.assert(
    fc.property(dish, kitchen, target, (recipe, here, asked) => {
      balance(sheetOf(recipe, asked, here), recipe, here);
    }),
    { numRuns: runs(60) },
  );
});

test('loads sum to the batch in every line and every opened line; no tight line is off by more than 2 %', () => {
  const byId = new Map(foods.map((food) => [food.id, food]));
  let tight = 0;
  fc.assert(
    fc.property(dish, kitchen, target, (recipe, here, asked) => {
      const sheet = sheetOf(recipe, asked, here);
      const made = sheet.components.flatMap(({ lines }) => lines);
      for (const line of [...opened(sheet.lines), ...made]) {
        if (line.scaleGrams === null || line.batchGrams === null) continue;
        // Whole steps of the scale: sums are exact, not near.
        const steps = (grams: number): number => Math.round(grams / line.stepGrams);
        expect(line.loads.reduce((all, load) => all + steps(load), 0)).toBe(steps(line.scaleGrams));
        const food = line.foodId === null ? null : byId.get(line.foodId)!;
        if (!isTight(line.role, food) || line.batchGrams < 0.05) continue;
        tight += 1;
        expect(Math.abs(line.scaleGrams / line.batchGrams - 1)).toBeLessThanOrEqual(0.02 + 1e-9);
        expect(line.scaleError).toBeCloseTo(line.scaleGrams / line.batchGrams - 1, 9);
      }
    }),
    { numRuns: runs(60) },
  );
  expect(tight).toBeGreaterThan(runs(100));
});

test('scaling by a then by b is scaling by a x b, before rounding, where the loads allow it', () => {
  fc.assert(
    fc.property(dish, kitchen, figure(0.5, 12), figure(0.5, 12), (recipe, here, a, b) => {
      const home = sheetOf(recipe, undefined, here).baseGrams;
      const once = sheetOf(recipe, { kind: 'weight', grams: home * a * b }, here);
      const first = sheetOf(recipe, { kind: 'weight', grams: home * a }, here);
      const again = sheetOf(recipe, { kind: 'weight', grams: first.finishedGrams * b }, here);
      const isWatery = first.findings.some(({ code }) => code === 'water-not-enough');
      if (isWatery) return;
      expect(again.factor / once.factor).toBeCloseTo(1, 9);
      again.lines.forEach((line, index) => {
        const other = once.lines[index]!.batchGrams;
        if (other) expect(line.batchGrams! / other).toBeCloseTo(1, 9);
      });
    }),
    { numRuns: runs(40) },
  );
});

const KINDS: readonly Target['kind'][] = ['portions', 'sizes', 'weight', 'pans', 'store', 'load'];

test('any target said in any other way is the same batch, and said back again it is the same target', () => {
  const said = new Map<string, number>();
  fc.assert(
    fc.property(
      dish,
      kitchen,
      target,
      fc.constantFrom(...KINDS),
      fc.constantFrom(...KINDS),
      (recipe, here, asked, kind, next) => {
        const input = { recipe, kitchen: here, target: asked };
        const first = sheetOf(recipe, asked, here);
        if (first.findings.some(({ code }) => code === 'water-not-enough')) return;
        const other = expressTarget(input, kind, book);
        if (other === null) return;
        expect(other.kind).toBe(kind);
        said.set(kind, (said.get(kind) ?? 0) + 1);
        const third = expressTarget({ ...input, target: other }, next, book);
        for (const each of third === null ? [other] : [other, third]) {
          const sheet = sheetOf(recipe, each, here);
          expect(sheet.finishedGrams / first.finishedGrams).toBeCloseTo(1, 6);
          expect(sheet.portions / first.portions).toBeCloseTo(1, 6);
          expect(sheet.loadCount).toBe(first.loadCount);
          sheet.lines.forEach((line, index) => {
            const grams = first.lines[index]!.batchGrams;
            if (grams) expect(line.batchGrams! / grams).toBeCloseTo(1, 5);
          });
        }
      },
    ),
    { numRuns: runs(80) },
  );
  for (const kind of KINDS) expect(said.get(kind) ?? 0).toBeGreaterThan(0);
});

test('a dish with too much water for its batch is the same batch in portions, by weight and in pans', () => {
  const recipe = recipeOf(
    ['500 g red lentils', '100 g water', '1 kg cherry tomatoes'],
    ['Simmer gently, uncovered, for 60 minutes.'],
  );
  const asked: Target = { kind: 'weight', grams: 40_000 };
  const first = sheetOf(recipe, asked);
  expect(first.findings.map(({ code }) => code)).toContain('water-not-enough');
  for (const kind of ['portions', 'sizes', 'pans'] as const) {
    const said = expressTarget({ recipe, kitchen: ward, target: asked }, kind, book)!;
    expect(sheetOf(recipe, said).finishedGrams).toBeCloseTo(first.finishedGrams, 3);
  }
});

test('several sizes count what each holds', () => {
  const sheet = sheetOf(demoRecipe('fennel-butter-bean-pot'), {
    kind: 'sizes',
    sizes: [
      { name: 'Ward', portions: 40, portionGrams: 320 },
      { name: 'Infant', portions: 25, portionGrams: 120 },
    ],
  });
  expect(sheet.finishedGrams).toBeCloseTo(40 * 320 + 25 * 120, 6);
  expect(sheet.portions).toBe(65);
  const [wards, infants] = sheet.servings as [(typeof sheet.servings)[0], (typeof sheet.servings)[0]];
  expect(infants.energyKcal / wards.energyKcal).toBeCloseTo(120 / 320, 9);
});

test('of several foods in store the scarcest limits, and what is left of the others is said', () => {
  const recipe = demoRecipe('fennel-butter-bean-pot');
  const home = sheetOf(recipe, undefined, school);
  const line = (id: string) => home.lines.find(({ foodId }) => foodId?.startsWith(id))!;
  const [fennel, carrots] = [line('fennel'), line('carrot')];
  const target: Target = {
    kind: 'store',
    lineId: fennel.id,
    grams: 11_000,
    others: [{ lineId: carrots.id, grams: 90_000 }],
  };
  const sheet = sheetOf(recipe, target, school);
  const [first, second] = sheet.leftovers as [(typeof sheet.leftovers)[0], (typeof sheet.leftovers)[0]];
  expect(first).toMatchObject({ isLimit: true, leftGrams: 0 });
  expect(second.isLimit).toBe(false);
  expect(second.leftGrams + second.useGrams).toBeCloseTo(90_000, 6);
  const used = (id: string) => sheet.lines.find((each) => each.id === id)!.purchasedGrams!;
  expect(used(fennel.id)).toBeCloseTo(11_000, 6);
  expect(used(carrots.id)).toBeCloseTo(second.useGrams, 6);
});

test('more surface never needs less water, for every dish with water and every machine it simmers in', () => {
  let tried = 0;
  fc.assert(
    fc.property(
      dish,
      kitchen,
      figure(2000, 60_000),
      figure(0.01, 1.5),
      figure(0, 1),
      (recipe, here, grams, surface, more) => {
        const wide = (surfaceM2: number): Kitchen => ({
          ...here,
          vessels: here.vessels.map((vessel) =>
            ['pot', 'kettle', 'bratt pan'].includes(vessel.kind) ? { ...vessel, surfaceM2 } : vessel,
          ),
        });
        if (machinesFor('simmer', here).length === 0) return;
        const water = (kitchenOf: Kitchen) =>
          planBatch(compose(recipe, book, kitchenOf), { kind: 'weight', grams }, kitchenOf).waterFactor;
        if (!(compose(recipe, book, here).waterGrams > 0)) return;
        tried += 1;
        expect(water(wide(surface + more))).toBeGreaterThanOrEqual(water(wide(surface)) - 1e-9);
      },
    ),
    { numRuns: runs(60) },
  );
  expect(tried).toBeGreaterThan(runs(20));
});

test('the finished weight never falls when any line of any dish weighs more', () => {
  fc.assert(
    fc.property(dish, kitchen, fc.nat(), figure(1.01, 4), (recipe, here, at, times) => {
      const before = compose(recipe, book, here);
      const line = before.lines[at % before.lines.length]!;
      if (!line.weight || line.id !== line.source.id || recipe.parentId !== null) return;
      const grams = line.weight.grams * times;
      const lines = recipe.lines.map((each) =>
        each.id === line.source.id
          ? { ...each, answers: { ...each.answers, grams, gramsOrigin: 'weighed here' as const } }
          : each,
      );
      const after = compose({ ...recipe, lines, measuredYieldGrams: null }, book, here);
      const plain = compose({ ...recipe, measuredYieldGrams: null }, book, here);
      expect(after.finishedGrams).toBeGreaterThanOrEqual(plain.finishedGrams - 1e-6);
    }),
    { numRuns: runs(80) },
  );
});
