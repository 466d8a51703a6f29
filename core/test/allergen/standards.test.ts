import fc from 'fast-check';
import {
  allergensOf,
  type AllergenStatus,
  exclusionName,
  isWorse,
  type Kitchen,
  MOST_OWN_ALLERGENS,
  SUBSTANCES,
  WHOLE_FOOD,
} from '@hand-ladle/core';
import { bare, pack } from '@hand-ladle/testing/asked';
import { book, foods, recipeOf, sheetOf, ward } from '@hand-ladle/testing/world';
import { touches, worstStatus } from '../../src/allergen/flags';
import { isFree } from '../../src/allergen/free';
import { TRAPS, trapsOf } from '../../src/allergen/traps';
import { VEGAN, wantedBy, wantedByAll } from '../../src/food/substances';
import { passes } from '../../src/kitchen/diners';
import { breaksWholeFood } from '../../src/kitchen/standard';

const food = (id: string) => book.foods.foods.get(id)!;
const statuses = fc.constantFrom<AllergenStatus>('contains', 'may-contain', 'check', 'clear');
const word = fc.constantFrom<'refuse' | 'accept'>('refuse', 'accept');
const trace = fc.record({
  bits: fc.integer({ min: 0, max: 7 }),
  own: fc.integer({ min: 0, max: 3 }),
  status: statuses,
});

describe('what an exclusion means', () => {
  test('an allergen, a substance, a standard, an entry of the own list; anything else is nothing known', () => {
    const kitchen: Kitchen = { ...ward, ownAllergens: [{ id: 'kiwi', name: 'Kiwi', foodIds: ['kiwi'] }] };
    for (const id of ['nut', 'almond', VEGAN, WHOLE_FOOD, 'kiwi'])
      expect(wantedBy(id, kitchen)).not.toBeNull();
    expect(wantedBy('kiwi', ward)).toBeNull();
    expect(wantedByAll(['nut', 'nuts', 'kiwi'], ward).unknown).toEqual(['nuts', 'kiwi']);
    expect(exclusionName('pine-nut', kitchen)).toBe('pine nut');
    expect(exclusionName(WHOLE_FOOD, kitchen)).toBe('what is not whole food');
    expect(exclusionName('nonsense', kitchen)).toBe('nonsense');
  });

  test('every substance is under some allergen of either law, so that none is traced and never shown', () => {
    for (const regime of ['us', 'eu'] as const)
      for (const coconutIsTreeNut of [true, false]) {
        const table = allergensOf({ regime, coconutIsTreeNut, ownAllergens: [] });
        for (const each of SUBSTANCES) {
          const wanted = wantedBy(each, { regime, coconutIsTreeNut, ownAllergens: [] })!;
          expect([each, table.some((allergen) => touches(allergen, wanted))]).toEqual([each, true]);
        }
      }
  });

  test('as many entries as the own list may have are kept apart', () => {
    const ownAllergens = Array.from({ length: MOST_OWN_ALLERGENS }, (_, index) => ({
      id: `own-${index}`,
      name: `Own ${index}`,
      foodIds: [foods[index]!.id],
    }));
    const kitchen: Kitchen = { ...bare, ownAllergens };
    const sheet = sheetOf(recipeOf([`100 g ${foods[5]!.name}`]), undefined, kitchen);
    const held = sheet.allergens.filter(({ id, status }) => id.startsWith('own-') && status === 'contains');
    expect(held.map(({ id }) => id)).toEqual(['own-5']);
  });
});

describe('free by a policy', () => {
  test('every trace must pass, however bad the worst that is let pass', () => {
    fc.assert(
      fc.property(
        fc.array(trace, { maxLength: 6 }),
        trace,
        word,
        word,
        (traces, wanted, mayContain, check) => {
          const policy = { mayContain, check };
          const own = traces.filter((each) => touches(each, wanted));
          expect(isFree(traces, wanted, policy)).toBe(own.every(({ status }) => passes(status, policy)));
          const worst = worstStatus(traces, wanted);
          for (const { status } of own) expect(isWorse(status, worst)).toBe(false);
          if (!passes(worst, policy)) expect(isFree(traces, wanted, policy)).toBe(false);
        },
      ),
    );
  });

  test('what is not wanted never counts against', () => {
    fc.assert(
      fc.property(fc.array(trace, { maxLength: 6 }), (traces) => {
        expect(isFree(traces, { bits: 0, own: 0 }, { mayContain: 'refuse', check: 'refuse' })).toBe(true);
      }),
    );
  });
});

describe('the standards', () => {
  test('a whole-food kitchen leaves out oil, refined flour, sugar and analogues, and keeps seasoning and leavening', () => {
    const out = ['olive-oil', 'plain-flour', 'white-sugar', 'vegan-cheese', 'white-rice', 'seitan'];
    const kept = [
      'fine-salt',
      'soy-sauce',
      'wholegrain-mustard',
      'baking-powder',
      'white-vinegar',
      'brown-rice',
      'tahini',
    ];
    for (const id of out) expect([id, breaksWholeFood(food(id))]).toEqual([id, true]);
    for (const id of kept) expect([id, breaksWholeFood(food(id))]).toEqual([id, false]);
  });

  test('vegan is open while a pack that may be of animal origin is unread, and settled by who read it', () => {
    const flag = (kitchen: Kitchen) =>
      sheetOf(recipeOf(['10 g stock paste']), undefined, kitchen).standards.find(({ id }) => id === VEGAN)!
        .status;
    expect(flag(bare)).toBe('check');
    expect(flag({ ...bare, packs: [pack('stock-paste')] })).toBe('clear');
    expect(flag({ ...bare, packs: [pack('stock-paste', { animal: 'animal' })] })).toBe('contains');
    expect(flag({ ...bare, packs: [pack('stock-paste', { allergens: { fish: 'contains' } })] })).toBe(
      'contains',
    );
  });

  test('standards are no allergens: no label declares them', () => {
    const { label, allergens } = sheetOf(recipeOf(['80 g feta', '20 g olive oil']), undefined, {
      ...bare,
      regime: 'us',
    });
    expect(allergens.map(({ id }) => id)).not.toContain(VEGAN);
    expect(label.contains).toBe('Contains: Milk.');
  });
});

describe('traps', () => {
  test('every trap is found at some food of the larder', () => {
    const named = new Set(foods.flatMap((each) => trapsOf(each)));
    for (const each of TRAPS) expect([each.words, named.has(each)]).toEqual([each.words, true]);
  });

  test('what the larder leaves open at a food has its trap named, for the usual hiding places', () => {
    for (const id of [
      'soy-sauce',
      'tamari',
      'stock-paste',
      'lentil-pouch',
      'buckwheat',
      'rolled-oats',
      'curry-powder',
      'white-wine',
      'dried-apricots',
      'soya-oil',
      'asafoetida',
    ])
      expect([id, trapsOf(food(id)).length > 0]).toEqual([id, true]);
  });
});
