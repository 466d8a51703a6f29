import fc from 'fast-check';
import { PACK_DEFAULTS, planSwaps, type Recipe, SUBSTANCE_NAMES, substancesIn } from '@hand-ladle/core';
import { runs } from '@hand-ladle/testing/runs';
import { book, demo, demoRecipe, recipeOf, sheetOf, ward } from '@hand-ladle/testing/world';
import { wantedBy } from '../../src/food/substances';
import type { SwapQuestion } from '../../src/free-from/question';

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
            exclude
              .flatMap((each) => substancesIn(wantedBy(each, ward)!.bits))
              .map((each) => SUBSTANCE_NAMES[each]),
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
      { numRuns: runs(60) },
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
    expect(free(['peanut', 'sesame'])).not.toContain('peanut-butter-tahini');
    expect(free(['nut'])).not.toContain('peanut-butter-almond');
    // Of the seeds only those whose pack was read, and does not warn of sesame, may come in.
    expect(free(['nut', 'sesame']).sort()).toEqual(['peanut-butter-sunflower']);
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
