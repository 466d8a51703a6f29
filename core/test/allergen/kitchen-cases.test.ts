/** Worked cases of a kitchen: shared equipment, its own list, its standards, and what the book offers instead. */
import {
  type Kitchen,
  nearestFree,
  type Pack,
  planSwaps,
  type SharedEquipment,
  type Substance,
} from '@hand-ladle/core';
import { bare, CLEAN, flagOf, pack, status, withPacks } from '@hand-ladle/testing/asked';
import { book, cafe, demo, demoRecipe, recipeOf, school, sheetOf, ward } from '@hand-ladle/testing/world';

describe('equipment', () => {
  const sharing = (kind: SharedEquipment['kind'], ...alsoFor: string[]): Kitchen => ({
    ...bare,
    shared: [{ id: 'piece', name: 'Old piece', kind, alsoFor }],
  });
  const fritters = recipeOf(
    ['500 g potatoes', '20 g olive oil'],
    ['Grate the potatoes and deep-fry for 4 minutes.'],
  );
  test('35 a fryer that also fries crumbs: may contain, with the fryer and the food named', () => {
    const flag = flagOf(fritters, 'gluten', sharing('fryer', 'strong-wheat-flour'));
    expect(flag).toMatchObject({
      status: 'may-contain',
      kinds: ['wheat'],
      paths: ['Old piece > Strong wheat flour'],
    });
    expect(flag.traces[0]!.evidence).toMatchObject({ kind: 'equipment' });
    expect(flag.lineIds).toEqual([]);
  });
  test('36 a dish that does not go through it is untouched', () => {
    const boiled = recipeOf(['500 g potatoes'], ['Simmer for 20 minutes.']);
    expect(status(boiled, 'gluten', sharing('fryer', 'strong-wheat-flour'))).toBe('clear');
  });
  test('37 a blender shared with peanut butter reaches the dish through its component', () => {
    const flag = flagOf(demoRecipe('parsnip-buckwheat-tray'), 'peanut', cafe);
    expect(flag.status).not.toBe('clear');
    expect(flag.traces.map(({ path }) => path.join(' > '))).toContain(
      'Green dressing > 2 L blender > Peanut butter',
    );
  });
  test('38 a toaster counts where bread is toasted in it, not where nuts are toasted in a pan', () => {
    const kitchen = sharing('toaster', 'rye-grain');
    expect(status(recipeOf(['4 potatoes'], ['Toast the bread slices.']), 'gluten', kitchen)).toBe(
      'may-contain',
    );
    expect(status(recipeOf(['50 g almonds'], ['Toast the almonds dry.']), 'gluten', kitchen)).toBe('clear');
  });
  test('39 no swap helps against equipment: the plan says which, or the variant is cooked apart and says so', () => {
    const question = {
      recipe: fritters,
      kitchen: sharing('fryer', 'strong-wheat-flour'),
      target: { kind: 'weight', grams: 2000 } as const,
      exclude: ['gluten'],
    };
    expect(planSwaps(question, book).blockedBy).toMatchObject([{ name: 'Old piece', lineId: '' }]);
    const [plan] = planSwaps({ ...question, isApart: true }, book).plans;
    expect(plan!.apart).toEqual([{ id: 'piece', name: 'Old piece' }]);
    expect(plan!.worksheet.allergens.find(({ id }) => id === 'gluten')!.status).toBe('clear');
    expect(plan!.worksheet.findings.map(({ message }) => message).join(' ')).toMatch(
      /not in or on the old piece/,
    );
  });
  test('40 what nobody read of the food in the fryer is open in the dish', () => {
    expect(status(fritters, 'celery', sharing('fryer', 'breadcrumbs'))).toBe('check');
  });
});

describe('and around them', () => {
  test('41 a kitchen’s own list: kiwi in the fruit, open in a product, settled by a pack that was asked', () => {
    const own = { ...bare, ownAllergens: [{ id: 'kiwi', name: 'Kiwi', foodIds: ['kiwi'] }] };
    expect(flagOf(['100 g kiwi'], 'kiwi', own).status).toBe('contains');
    expect(status(['20 g jam'], 'kiwi', own)).toBe('check');
    const packed = (extra: Partial<Pack>): Kitchen => ({ ...own, packs: [pack('jam', extra)] });
    expect(status(['20 g jam'], 'kiwi', packed({}))).toBe('check');
    expect(status(['20 g jam'], 'kiwi', packed({ own: { kiwi: 'none' } }))).toBe('clear');
    expect(
      status(['20 g jam'], 'kiwi', packed({ own: { kiwi: 'none' }, statement: 'pears, kiwi, sugar' })),
    ).toBe('contains');
    expect(status(CLEAN, 'kiwi', own)).toBe('clear');
    const { plans, blockedBy } = planSwaps(
      {
        recipe: recipeOf([...CLEAN, '100 g kiwi']),
        kitchen: own,
        target: { kind: 'weight', grams: 2000 },
        exclude: ['kiwi'],
      },
      book,
    );
    expect([plans, blockedBy.map(({ name }) => name)]).toEqual([[], ['Kiwi fruit']]);
  });
  test('42 vegan and whole food by the same reading, with paths and evidence', () => {
    const { standards } = sheetOf(
      recipeOf(['80 g feta', '20 g olive oil', '5 g fine salt']),
      undefined,
      bare,
    );
    const [vegan, whole] = standards;
    expect(vegan).toMatchObject({ id: 'vegan', status: 'contains', paths: ['Feta cheese'] });
    expect(whole!.paths).toContain('Olive oil');
    expect(whole!.paths).not.toContain('Fine salt');
  });
  test('43 free from gluten in the book: what is named nearest is itself free, and is no component', () => {
    const dishes = demo.map(({ recipe }) => recipe);
    const near = nearestFree(
      demoRecipe('caraway-flatbread'),
      dishes,
      { exclude: ['gluten'], policy: ward.policy },
      ward,
      book,
    );
    expect(near.length).toBeGreaterThan(0);
    for (const { recipeId } of near) {
      const recipe = demoRecipe(recipeId);
      expect(recipe.isComponent).toBe(false);
      expect(status(recipe, 'gluten', ward)).toBe('clear');
    }
    expect(near.map(({ likeness }) => likeness)).toEqual(
      near.map(({ likeness }) => likeness).sort((a, b) => b - a),
    );
  });
  test('44 the school griddle that fries egg is said on the griddle cakes', () => {
    const flag = flagOf(demoRecipe('carrot-oat-griddle-cakes'), 'egg', school);
    expect(flag.status).toBe('may-contain');
    expect(flag.paths.join()).toMatch(/60 cm griddle > Egg/);
  });
  test('45 every substance of a pack read by a person is said as it stands there', () => {
    const substances: Substance[] = ['almond', 'milk', 'lupin', 'mollusc'];
    for (const each of substances)
      expect(
        flagOf(
          ['20 g jam'],
          each === 'almond' ? 'nut' : each,
          withPacks(pack('jam', { allergens: { [each]: 'contains' } })),
        ).status,
      ).toBe('contains');
  });
});
