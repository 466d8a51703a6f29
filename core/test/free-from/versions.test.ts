import fc from 'fast-check';
import {
  compareSheets,
  type DinerGroup,
  MOST_NEEDS,
  type Recipe,
  versionsFor,
  versionSteps,
} from '@hand-ladle/core';
import { pack } from '@hand-ladle/testing/asked';
import { runs } from '@hand-ladle/testing/runs';
import { book, demo, demoRecipe, recipeOf, sheetOf, ward } from '@hand-ladle/testing/world';
import { atOnce } from '../../src/free-from/plan';

const target = { kind: 'weight', grams: 8000 } as const;
const group = (id: string, exclude: string[], portions = 10): DinerGroup & { portions: number } => ({
  id,
  name: `Group ${id}`,
  exclude,
  portions,
  policy: null,
});
const ask = (recipe: Recipe, ...groups: (DinerGroup & { portions: number })[]) =>
  versionsFor({ recipe, kitchen: ward, target, groups }, book);

const NUTTY = recipeOf(['800 g potatoes', '60 g almonds', '40 g celery', '50 g pearl barley']);

describe('versions for everybody', () => {
  test('one version serves all where one plan frees the dish from everything asked', () => {
    const { single, fewest, unserved } = ask(
      NUTTY,
      group('all', [], 80),
      group('n', ['nut'], 6),
      group('c', ['celery'], 3),
    );
    expect(single!.swaps.map(({ from }) => from.foodId).sort()).toEqual(['almonds', 'celery']);
    expect(fewest).toHaveLength(1);
    expect(fewest[0]).toMatchObject({ groupIds: ['all', 'n', 'c'], portions: 89 });
    expect(unserved).toEqual([]);
  });

  test('a group that no version serves is named, with what blocks it, and the rest is covered', () => {
    const { single, singleBlockedBy, fewest, unserved } = ask(
      demoRecipe('caraway-flatbread'),
      group('all', []),
      group('g', ['gluten'], 4),
      group('s', ['soy'], 2),
    );
    expect(single).toBeNull();
    expect(singleBlockedBy[0]!.name).toBe('Strong wheat flour');
    expect(unserved.map(({ groupId, blockedBy }) => [groupId, blockedBy[0]!.name])).toEqual([
      ['g', 'Strong wheat flour'],
    ]);
    expect(fewest.map(({ groupIds }) => groupIds)).toEqual([['all', 's']]);
  });

  test('groups that need the same are served together, portions and all', () => {
    const { fewest } = ask(NUTTY, group('a', ['nut'], 5), group('b', ['nut'], 7));
    expect(fewest).toHaveLength(1);
    expect(fewest[0]!.portions).toBe(12);
  });

  test('two needs that exclude each other’s way take two versions', () => {
    // Almonds go out only by seeds that the other group must not have.
    const recipe = recipeOf(['800 g potatoes', '60 g pine nuts']);
    const packs = ['sunflower-seeds', 'pumpkin-seeds'].map((id) =>
      pack(id, { own: { sunflower: 'none', pumpkin: 'none' } }),
    );
    const us = { ...ward, regime: 'us' as const, packs };
    const groups = [group('n', ['nut'], 3), group('seeds', ['sunflower', 'pumpkin'], 3)];
    const own = {
      ...us,
      ownAllergens: [
        { id: 'sunflower', name: 'Sunflower', foodIds: ['sunflower-seeds'] },
        { id: 'pumpkin', name: 'Pumpkin', foodIds: ['pumpkin-seeds'] },
      ],
    };
    const { single, fewest } = versionsFor({ recipe, kitchen: own, target, groups }, book);
    expect(single).toBeNull();
    expect(fewest.map(({ groupIds, plan }) => [groupIds, plan.swaps.length])).toEqual(
      expect.arrayContaining([
        [['n'], 1],
        [['seeds'], 0],
      ]),
    );
  });

  test('what it answers is served: no version holds what a group of its must not have', () => {
    const exclusions = ['nut', 'soy', 'gluten', 'celery', 'mustard', 'sesame'];
    const groups = fc.array(fc.subarray(exclusions, { maxLength: 3 }), { minLength: 1, maxLength: 5 });
    fc.assert(
      fc.property(fc.constantFrom(...demo.map(({ recipe }) => recipe)), groups, (recipe, needs) => {
        const asked = needs.map((exclude, index) => group(`g${index}`, exclude, index + 1));
        const { single, fewest, unserved } = ask(recipe, ...asked);
        const served = [
          ...fewest.flatMap(({ groupIds }) => groupIds),
          ...unserved.map(({ groupId }) => groupId),
        ];
        expect(served.sort()).toEqual(asked.map(({ id }) => id).sort());
        if (single) expect(fewest).toHaveLength(1);
        for (const { groupIds, plan, portions } of fewest) {
          const own = asked.filter(({ id }) => groupIds.includes(id));
          expect(portions).toBe(own.reduce((sum, each) => sum + each.portions, 0));
          for (const id of own.flatMap(({ exclude }) => exclude))
            expect(plan.worksheet.allergens.find((flag) => flag.id === id)!.status).toBe('clear');
        }
        // No single version for two of its sets: else there would have been fewer.
        for (const one of fewest)
          for (const other of fewest)
            if (one !== other) {
              const both = asked.filter(({ id }) => [...one.groupIds, ...other.groupIds].includes(id));
              expect(ask(recipe, ...both).single).toBeNull();
            }
      }),
      { numRuns: runs(16) },
    );
  });

  test('it says how far it is, and refuses more needs than it can weigh', () => {
    const many = Array.from({ length: MOST_NEEDS + 1 }, (_, index) => group(`g${index}`, [`x${index}`]));
    expect(() => atOnce(versionSteps({ recipe: NUTTY, kitchen: ward, target, groups: many }, book))).toThrow(
      /At most 12/,
    );
    const five = ['nut', 'soy', 'gluten', 'celery', 'mustard'].map((each) => group(each, [each]));
    const stages = [...versionSteps({ recipe: NUTTY, kitchen: ward, target, groups: five }, book)];
    expect(stages.map(({ stage }) => stage)).toContain('Trying versions');
    for (const { done, of } of stages) if (of !== null) expect(done).toBeLessThanOrEqual(of);
  });

  test('no group, no version', () => {
    expect(ask(NUTTY)).toMatchObject({ single: null, fewest: [], unserved: [] });
  });
});

describe('a variant beside its parent', () => {
  const parent = demoRecipe('parsnip-buckwheat-tray');
  const variant: Recipe = {
    ...parent,
    id: 'v',
    parentId: parent.id,
    swaps: [
      { fromId: 'almonds', swapId: 'almonds-sunflower' },
      { fromId: 'wholegrain-mustard', swapId: 'wholegrain-mustard-caraway' },
    ],
  };
  const lines = compareSheets(sheetOf(parent, target), sheetOf(variant, target));

  test('every written line stands once, in its order', () => {
    expect(lines.map(({ sourceId }) => sourceId)).toEqual(parent.lines.map(({ id }) => id));
  });

  test('a swapped line shows both sides and how to work, an equal one neither', () => {
    const swapped = lines.find(({ parent: [side] }) => side?.name.startsWith('Almonds'))!;
    expect(swapped).toMatchObject({ isSwapped: true, variant: [{ name: 'Sunflower seeds' }] });
    expect(swapped.hints[0]).toMatch(/Toast/);
    expect(swapped.parent[0]!.allergens.map(({ id }) => id)).toContain('nut');
    expect(swapped.variant[0]!.allergens.map(({ id }) => id)).not.toContain('nut');
    expect(lines.find(({ text }) => text.includes('parsnips'))!.isSwapped).toBe(false);
  });

  test('a swap inside a component opens it there', () => {
    const dressing = lines.find(({ text }) => text.includes('dressing'))!;
    expect(dressing.isSwapped).toBe(true);
    expect(
      dressing.children.filter((each) => each.isSwapped).map(({ parent: [side] }) => side!.name),
    ).toEqual(['Wholegrain mustard']);
  });

  test('against itself nothing differs', () => {
    const same = compareSheets(sheetOf(parent, target), sheetOf({ ...parent }, target));
    expect(same.some((each) => each.isSwapped || each.isReweighed)).toBe(false);
  });
});
