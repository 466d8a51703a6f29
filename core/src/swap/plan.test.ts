import fc from 'fast-check';
import {
  PENALTY,
  planSwaps,
  standingOf,
  SUBSTANCE_NAMES,
  substancesExcludedBy,
  US_DAILY_VALUES,
  type Recipe,
  type SwapEntry,
  type SwapQuestion,
  PACK_DEFAULTS,
} from '../index';
import { book, demo, demoRecipe, recipeOf, sheetOf, swaps, ward } from '../testing/world';

const ask = (recipe: Recipe, exclude: string[], extra: Partial<SwapQuestion> = {}, most = 3) =>
  planSwaps(
    { recipe, kitchen: ward, target: { kind: 'weight', grams: 10_000 }, exclude, ...extra },
    book,
    most,
  );
const trusting = { policy: { mayContain: 'accept', check: 'accept' } } as const;

describe('plans', () => {
  test('no plan holds what it excludes, nor an animal food, at any depth', () => {
    const exclusions = fc.uniqueArray(
      fc.constantFrom('nut', 'soy', 'gluten', 'sesame', 'celery', 'mustard', 'almond'),
      { minLength: 1, maxLength: 4 },
    );
    fc.assert(
      fc.property(
        fc.constantFrom(...demo.map(({ recipe }) => recipe)),
        exclusions,
        fc.boolean(),
        (recipe, exclude, isTrusting) => {
          const { plans, blockedBy } = ask(recipe, exclude, isTrusting ? trusting : {});
          const forbidden = new Set(
            exclude.flatMap((each) => substancesExcludedBy(each, ward)).map((each) => SUBSTANCE_NAMES[each]),
          );
          if (blockedBy.length > 0) expect(plans).toEqual([]);
          for (const plan of plans) {
            expect(plan.worksheet.findings.map(({ code }) => code)).not.toContain('animal-food');
            for (const { traces } of plan.worksheet.allergens) {
              const held = traces
                .filter(({ kinds }) => kinds.some((kind) => forbidden.has(kind)))
                .map(({ status }) => status);
              for (const status of held) expect(isTrusting ? ['check', 'may-contain'] : []).toContain(status);
            }
          }
        },
      ),
      { numRuns: 150 },
    );
  });

  test('soy goes out of the barley pot by a swap that says its ratio and what it changes', () => {
    const { plans } = ask(demoRecipe('barley-leek-white-bean-pot'), ['soy'], trusting);
    const [swap] = plans[0]!.swaps;
    expect(swap).toMatchObject({
      function: 'savoury-salty',
      from: { foodId: 'tamari' },
      to: [{ foodId: 'mushroom-ferment' }],
    });
    expect(swap!.to[0]!.grams / swap!.from.grams).toBeCloseTo(1.1, 9);
    expect(swap!.hint).not.toBe('');
    expect(plans[0]!.worksheet.allergens.find(({ id }) => id === 'soy')!.status).toBe('check');
  });

  test('a swap inside a component holds in every dish that uses it', () => {
    const { plans } = ask(demoRecipe('parsnip-buckwheat-tray'), ['mustard']);
    expect(plans[0]!.swaps[0]!.path).toEqual(['Green dressing', 'Wholegrain mustard']);
    expect(plans[0]!.worksheet.allergens.find(({ id }) => id === 'mustard')!.status).toBe('clear');
  });

  test('an animal food goes out with the rest', () => {
    const { plans } = ask(demoRecipe('beetroot-broad-bean-plate'), ['milk'], trusting);
    expect(plans[0]!.swaps.map(({ from }) => from.foodId).sort()).toEqual(['feta', 'honey']);
  });

  test('a dish that is free as it is needs no swap', () => {
    const { plans, blockedBy } = ask(demoRecipe('sunflower-seed-cream'), ['nut', 'soy', 'gluten']);
    expect([plans.length, plans[0]!.swaps, plans[0]!.penalty, blockedBy]).toEqual([1, [], 0, []]);
  });

  test('where no swap does the work, the line that blocks it is named', () => {
    const { plans, blockedBy } = ask(demoRecipe('caraway-flatbread'), ['gluten']);
    expect(plans).toEqual([]);
    expect(blockedBy).toMatchObject([{ name: 'Strong wheat flour', path: ['Strong wheat flour'] }]);
    expect(ask(recipeOf(['100 g skirret']), ['soy']).blockedBy[0]!.reason).toMatch(/nobody knows/);
  });

  test('a swap that brings in another excluded allergen is never taken', () => {
    const recipe = recipeOf(['100 g peanut butter', '400 g carrots']);
    const free = (exclude: string[]) =>
      ask(recipe, exclude, trusting).plans.flatMap(({ swaps: taken }) => taken.map(({ swapId }) => swapId));
    expect(free(['peanut'])).toContain('peanut-butter-almond');
    expect(free(['nut'])).not.toContain('peanut-butter-almond');
    expect(free(['nut', 'sesame'])).toEqual(['peanut-butter-sunflower']);
  });
});

describe('the best plan is the best', () => {
  /** Every combination tried, without any cleverness. */
  function bruteForce(recipe: Recipe, exclude: string[]): number {
    const forbidden = exclude.flatMap((each) => substancesExcludedBy(each, ward));
    const isFree = (id: string) =>
      forbidden.every((each) => standingOf(book.foods.foods.get(id)!, each, ward).status !== 'contains');
    const home = sheetOf(recipe);
    const out = home.lines.filter(({ foodId }) => foodId !== null && !isFree(foodId));
    const perGram = (id: string, key: 'proteinG' | 'sodiumMg') =>
      (book.foods.foods.get(id)!.composition[key] ?? 0) / 100;
    const portions = home.baseGrams / home.basePortionGrams;
    let combinations: SwapEntry[][] = [[]];
    for (const line of out) {
      const fitting = swaps.filter(
        (entry) => entry.fromId === line.foodId && entry.to.every(({ foodId }) => isFree(foodId)),
      );
      combinations = combinations.flatMap((before) => fitting.map((entry) => [...before, entry]));
    }
    const penalties = combinations.map((entries) => {
      const drift = (key: 'proteinG' | 'sodiumMg') =>
        entries.reduce((sum, entry, index) => {
          const into = entry.to.reduce((all, to) => all + to.ratio * perGram(to.foodId, key), 0);
          return sum + (out[index]!.baseGrams! / portions) * (into - perGram(entry.fromId, key));
        }, 0);
      return entries.reduce(
        (sum, { taste, texture }) => sum + PENALTY.closeness * (2 - taste - texture) + PENALTY.change,
        Math.abs(drift('proteinG')) / US_DAILY_VALUES.proteinG +
          Math.abs(drift('sodiumMg')) / US_DAILY_VALUES.sodiumMg,
      );
    });
    return Math.min(...penalties);
  }

  test('its penalty is that of trying every combination', () => {
    const swappable = [...new Set(swaps.map(({ fromId }) => fromId))].filter(
      (id) => book.foods.foods.get(id)!.animal !== 'animal',
    );
    const picks = fc.uniqueArray(fc.constantFrom(...swappable), { minLength: 1, maxLength: 5 });
    fc.assert(
      fc.property(
        picks,
        fc.array(fc.integer({ min: 5, max: 400 }), { minLength: 5, maxLength: 5 }),
        (ids, sizes) => {
          const recipe = recipeOf([
            '500 g potatoes',
            ...ids.map((_, index) => `${sizes[index]} g something`),
          ]);
          const lines = recipe.lines.map((line, index) =>
            index === 0 ? line : { ...line, answers: { foodId: ids[index - 1]!, grams: sizes[index - 1]! } },
          );
          const exclude = ['soy', 'gluten', 'nut'];
          const { plans, blockedBy } = ask({ ...recipe, lines }, exclude, trusting);
          const best = bruteForce({ ...recipe, lines }, exclude);
          if (blockedBy.length > 0) expect(best).toBe(Infinity);
          else expect(plans[0]!.penalty).toBeCloseTo(Number.isFinite(best) ? best : 0, 6);
          expect(plans.map(({ penalty }) => penalty)).toEqual(
            plans.map(({ penalty }) => penalty).sort((a, b) => a - b),
          );
        },
      ),
      { numRuns: 120 },
    );
  });
});

describe('a variant', () => {
  const parent = demoRecipe('barley-leek-white-bean-pot');
  const variantOf = (recipe: Recipe): Recipe => ({
    ...recipe,
    id: 'variant',
    parentId: recipe.id,
    swaps: ask(parent, ['soy'], trusting).plans[0]!.applied,
    freeFrom: ['soy'],
  });

  test('follows its parent: a heavier line is heavier in the variant', () => {
    const heavier = {
      ...parent,
      lines: parent.lines.map((line) =>
        line.reading.foodId === 'tamari' ? { ...line, answers: { grams: 40 } } : line,
      ),
    };
    const ferment = (recipe: Recipe) =>
      sheetOf(variantOf(recipe)).lines.find(({ foodId }) => foodId === 'mushroom-ferment')!;
    expect(ferment(heavier).baseGrams).toBeCloseTo(44, 9);
    expect(ferment(parent).swappedFrom).toBe('Tamari');
  });

  test('says so when a change of the parent brings the allergen back', () => {
    const changed = recipeOf([...parent.lines.map(({ text }) => text), '200 g firm tofu']);
    const codes = sheetOf(variantOf(changed)).findings.map(({ code }) => code);
    expect(codes[0]).toBe('variant-not-free');
  });

  test('asks for the packs that were let pass unread, until somebody reads them', () => {
    const codes = sheetOf(variantOf(parent)).findings.map(({ code }) => code);
    expect(codes).toContain('variant-unread');
    expect(codes).not.toContain('variant-not-free');
    const read = {
      foodId: 'stock-paste',
      ...PACK_DEFAULTS,
      productName: 'Paste',
      statement: '',
      allergens: {},
      certifiedGlutenFree: false,
      animal: 'plant' as const,
      checkedBy: 'A',
      checkedOn: '2026-11-01',
    };
    const after = sheetOf(variantOf(parent), undefined, { ...ward, packs: [...ward.packs, read] });
    expect(after.findings.map(({ code }) => code)).not.toContain('variant-unread');
  });

  test('keeps its own exclusions when it is planned again', () => {
    const again = ask(variantOf(parent), ['gluten'], trusting).plans[0]!;
    expect(
      again.worksheet.allergens
        .filter(({ id }) => ['soy', 'gluten'].includes(id))
        .map(({ status }) => status),
    ).toEqual(['check', 'check']);
    expect(again.applied.map(({ fromId }) => fromId).sort()).toEqual(['pearl-barley', 'tamari']);
  });
});
