import fc from 'fast-check';
import {
  allergensOf,
  type AllergenStatus,
  isWorse,
  type Kitchen,
  type Pack,
  PACK_DEFAULTS,
  SUBSTANCES,
} from '@hand-ladle/core';
import { runs } from '@hand-ladle/testing/runs';
import {
  book,
  demo,
  demoRecipe,
  foods,
  plainFoods,
  recipeOf,
  school,
  sheetOf,
  ward,
} from '@hand-ladle/testing/world';
import { standingOf } from '../../src/allergen/standing';

const statusOf = (sheet: ReturnType<typeof sheetOf>, id: string): AllergenStatus =>
  sheet.allergens.find((flag) => flag.id === id)!.status;
const gramsOf = fc.record({ food: fc.constantFrom(...plainFoods), grams: fc.integer({ min: 1, max: 500 }) });
const lines = fc.array(gramsOf, { minLength: 1, maxLength: 8 });
const recipeFrom = (parts: { food: { id: string }; grams: number }[]) => {
  const recipe = recipeOf(parts.map(({ grams }) => `${grams} g something`));
  return {
    ...recipe,
    lines: recipe.lines.map((line, index) => ({ ...line, answers: { foodId: parts[index]!.food.id } })),
  };
};

describe('laws of flags', () => {
  test('adding a line never removes a flag or makes one better', () => {
    fc.assert(
      fc.property(lines, gramsOf, (parts, more) => {
        const before = sheetOf(recipeFrom(parts));
        const after = sheetOf(recipeFrom([...parts, more]));
        before.allergens.forEach((flag, index) => {
          expect(isWorse(flag.status, after.allergens[index]!.status)).toBe(false);
        });
      }),
      { numRuns: runs(60) },
    );
  });

  test('forgetting what a pack said never clears anything', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...demo.map(({ recipe }) => recipe)),
        fc.nat({ max: ward.packs.length - 1 }),
        (recipe, gone) => {
          const forgetful: Kitchen = { ...ward, packs: ward.packs.filter((_, index) => index !== gone) };
          const before = sheetOf(recipe, undefined, ward);
          const after = sheetOf(recipe, undefined, forgetful);
          after.allergens.forEach((flag, index) => {
            if (flag.status === 'clear') expect(before.allergens[index]!.status).toBe('clear');
          });
        },
      ),
    );
  });

  test('every flag has a path, and every path ends in a food or in a line nobody knows', () => {
    const names = new Set(foods.map(({ name }) => name));
    for (const { recipe } of demo) {
      for (const flag of sheetOf(recipe).allergens) {
        if (flag.status === 'clear') expect(flag.paths).toEqual([]);
        else expect(flag.paths.length).toBeGreaterThan(0);
        for (const trace of flag.traces) expect(names.has(trace.path[trace.path.length - 1]!)).toBe(true);
      }
    }
  });

  test('a whole is as bad as its worst line', () => {
    fc.assert(
      fc.property(lines, (parts) => {
        const sheet = sheetOf(recipeFrom(parts));
        for (const { id, substances } of allergensOf(ward)) {
          const statuses = parts.flatMap(({ food }) =>
            substances.map((each) => standingOf(book.foods.foods.get(food.id)!, each, ward).status),
          );
          const status = statusOf(sheet, id);
          expect(statuses).toContain(status);
          expect(statuses.some((each) => isWorse(each, status))).toBe(false);
        }
      }),
      { numRuns: runs(60) },
    );
  });
});

describe('unknown is never safe', () => {
  test('a line nobody knows leaves everything unchecked', () => {
    const sheet = sheetOf(recipeOf(['200 g skirret', '100 g carrots']));
    expect(new Set(sheet.allergens.map(({ status }) => status))).toEqual(new Set(['check']));
    expect(sheet.label.isDraft).toBe(true);
  });

  test('a product without a pack is unchecked for all it does not surely contain', () => {
    const tamari = book.foods.foods.get('tamari')!;
    for (const substance of SUBSTANCES) {
      expect(standingOf(tamari, substance, { ...ward, packs: [] }).status).toBe(
        substance === 'soy' ? 'contains' : 'check',
      );
    }
  });

  const pack = (extra: Partial<Pack>): Kitchen => ({
    ...ward,
    packs: [
      {
        foodId: 'tamari',
        ...PACK_DEFAULTS,
        productName: 'Tamari 1 L',
        statement: '',
        allergens: {},
        certifiedGlutenFree: false,
        animal: 'plant',
        checkedBy: 'A',
        checkedOn: '2026-01-01',
        ...extra,
      },
    ],
  });

  test('a pack clears what was unchecked, but not what a food is made of', () => {
    const kitchen = pack({ allergens: { wheat: 'may-contain' } });
    const sheet = sheetOf(recipeOf(['2 tbsp tamari', '1 kg potatoes']), undefined, kitchen);
    expect([statusOf(sheet, 'soy'), statusOf(sheet, 'gluten'), statusOf(sheet, 'milk')]).toEqual([
      'contains',
      'may-contain',
      'clear',
    ]);
  });

  test('buckwheat stays unchecked for gluten until its pack is certified', () => {
    const gluten = (certifiedGlutenFree: boolean) =>
      statusOf(
        sheetOf(
          recipeOf(['1 kg buckwheat']),
          undefined,
          pack({ foodId: 'buckwheat', productName: 'Buckwheat 5 kg', certifiedGlutenFree }),
        ),
        'gluten',
      );
    expect([gluten(false), gluten(true)]).toEqual(['check', 'clear']);
  });
});

describe('what the laws differ in', () => {
  const of = (text: string, kitchen: Kitchen, id: string) =>
    statusOf(sheetOf(recipeOf([text]), undefined, kitchen), id);

  test('barley is gluten everywhere, wheat only where there is wheat', () => {
    for (const kitchen of [ward, school]) {
      expect(of('100 g pearl barley', kitchen, 'gluten')).toBe('contains');
      expect(of('100 g pearl barley', kitchen, 'wheat')).toBe('clear');
    }
  });

  test('coconut counts as a nut only where the kitchen says so', () => {
    const coconut = (coconutIsTreeNut: boolean) =>
      of('400 g coconut milk', { ...ward, coconutIsTreeNut }, 'nut');
    expect([coconut(false), coconut(true)]).toEqual(['check', 'contains']);
  });

  test('nut names its kinds, through components to any depth', () => {
    const crumb = recipeOf(['50 g almonds', '20 g peanut butter']);
    const nut = sheetOf(crumb).allergens.find(({ id }) => id === 'nut')!;
    expect(nut.kinds).toEqual(['almond', 'peanut']);
    const mustard = sheetOf(demoRecipe('parsnip-buckwheat-tray')).allergens.find(
      ({ id }) => id === 'mustard',
    )!;
    expect(mustard.paths).toEqual(['Green dressing > Wholegrain mustard']);
  });
});
