/**
 * Worked cases of the kind somebody would try who does not believe it: hidden, nested, regime-dependent, policies, a
 * statement changed after approval, equipment. Each says the dish, the person and the answer.
 */
import { bookOf, foodSet, type Pack, planSwaps, type Recipe } from '@hand-ladle/core';
import { answer, at, bare, CLEAN, flagOf, pack, status, withPacks } from '@hand-ladle/testing/asked';
import {
  book,
  components,
  demoRecipe,
  foods,
  recipeOf,
  sheetOf,
  swaps,
  ward,
} from '@hand-ladle/testing/world';
import { withdrawPack } from '../../src/kitchen/kitchen';

describe('hidden', () => {
  test('1 wheat in soy sauce: not known, never clear, until the pack is read', () => {
    expect(status(['30 ml soy sauce'], 'gluten')).toBe('check');
    const wheaty = withPacks(pack('soy-sauce', { allergens: { wheat: 'contains', soy: 'contains' } }));
    expect(status(['30 ml soy sauce'], 'gluten', wheaty)).toBe('contains');
  });
  test('2 soy sauce without gluten is still soy', () => {
    const kitchen = withPacks(pack('tamari', { certifiedGlutenFree: true }));
    expect([status(['30 ml tamari'], 'gluten', kitchen), status(['30 ml tamari'], 'soy', kitchen)]).toEqual([
      'clear',
      'contains',
    ]);
  });
  test('3 a ready lentil pouch: wheat, soy, celery, mustard and milk are all open', () => {
    for (const id of ['gluten', 'soy', 'celery', 'mustard', 'milk'])
      expect([id, status(['1 lentil pouch'], id)]).toEqual([id, 'check']);
  });
  test('4 the trap is named where it stands: in the evidence and in the decision', () => {
    const trace = flagOf(['30 ml soy sauce'], 'gluten').traces[0]!;
    expect(trace.evidence).toMatchObject({ kind: 'no pack', productName: null });
    expect(trace.evidence.words).toMatch(/brewed with wheat/);
    const said = sheetOf(recipeOf(['30 ml soy sauce']), undefined, bare).findings.map(
      ({ message }) => message,
    );
    expect(said.join(' ')).toMatch(
      /no soy sauce pack is on record\. Most soy sauces and pastes are brewed with wheat/,
    );
  });
  test('5 barley in malt vinegar and in barley miso', () => {
    expect(status(['20 ml malt vinegar'], 'gluten')).not.toBe('clear');
    expect(flagOf(['20 g barley miso'], 'gluten').kinds).toContain('barley');
  });
  test('6 celery in stock paste, and mustard behind curry powder', () => {
    expect(status(['10 g stock paste'], 'celery')).toBe('check');
    expect(status(['10 g curry powder'], 'mustard')).not.toBe('clear');
  });
  test('7 sesame in tahini and in a hummus nobody read', () => {
    expect([status(['40 g tahini'], 'sesame'), status(['200 g hummus'], 'sesame')]).not.toContain('clear');
  });
  test('8 lupin flour is lupin, under both laws', () => {
    for (const regime of ['us', 'eu'] as const)
      expect(status(['100 g lupin flour'], 'lupin', at(bare, regime))).toBe('contains');
    expect(flagOf(['100 g lupin flour'], 'lupin', at(bare, 'us')).isDeclared).toBe(false);
  });
  test('9 sulphites in wine and in dried apricots are asked for, not assumed away', () => {
    expect(status(['200 ml white wine'], 'sulphites')).not.toBe('clear');
    expect(status(['50 g dried apricots'], 'sulphites')).toBe('check');
  });
  test('10 a pressed nut oil carries the nut', () => {
    expect(flagOf(['20 g walnut oil'], 'nut')).toMatchObject({ status: 'contains', kinds: ['walnut'] });
    expect(flagOf(['20 g walnut oil'], 'nut').traces[0]!.evidence.words).toMatch(/pressed/);
  });
  test('11 soya oil is open until somebody reads whether it is fully refined', () => {
    expect(status(['20 g soya oil'], 'soy')).toBe('check');
    expect(
      status(['20 g soya oil'], 'soy', withPacks(pack('soya-oil', { statement: 'fully refined soya oil' }))),
    ).toBe('clear');
  });
  test('12 oats are gluten in spite of a certificate; buckwheat is clear by one', () => {
    const kitchen = withPacks(
      pack('rolled-oats', { certifiedGlutenFree: true }),
      pack('buckwheat', { certifiedGlutenFree: true }),
    );
    expect(status(['100 g rolled oats'], 'gluten', kitchen)).toBe('contains');
    expect([status(['100 g buckwheat'], 'gluten'), status(['100 g buckwheat'], 'gluten', kitchen)]).toEqual([
      'check',
      'clear',
    ]);
  });
});

describe('nested', () => {
  test('13 celery of the stock, in the sauce, in the bake: three deep, with its whole path', () => {
    const flag = flagOf(demoRecipe('celeriac-bean-bake'), 'celery');
    expect(flag.paths.join('; ')).toMatch(/Kitchen tomato sauce > House vegetable stock > Celery/);
  });
  test('14 mustard of a dressing names the dressing', () => {
    expect(flagOf(demoRecipe('parsnip-buckwheat-tray'), 'mustard').paths).toContain(
      'Green dressing > Wholegrain mustard',
    );
  });
  test('15 a pack read for a food in a component holds in every dish above it', () => {
    const read = withPacks(
      pack('wholegrain-mustard', { allergens: { barley: 'contains', mustard: 'contains' } }),
    );
    expect(flagOf(demoRecipe('parsnip-buckwheat-tray'), 'gluten', read).paths).toContain(
      'Green dressing > Wholegrain mustard',
    );
  });
  test('16 a swap deep in a component frees the dish, and says where', () => {
    const { plans } = planSwaps(
      {
        recipe: demoRecipe('parsnip-buckwheat-tray'),
        kitchen: ward,
        target: { kind: 'weight', grams: 5000 },
        exclude: ['mustard'],
      },
      book,
    );
    expect(plans[0]!.swaps[0]!.path).toEqual(['Green dressing', 'Wholegrain mustard']);
  });
  test('17 a component that a swap brings in is refused for what stands inside it', () => {
    const own = {
      ...swaps[0]!,
      id: 'own-cream',
      fromId: 'soya-cream',
      to: [{ foodId: 'green-dressing', ratio: 1 }],
      limits: { notFor: [], onlyFor: [], mostShare: null },
    };
    const only = bookOf(foodSet(foods, components), components, [own]);
    const { plans, blockedBy } = planSwaps(
      {
        recipe: recipeOf([...CLEAN, '200 g soya cream']),
        kitchen: ward,
        target: { kind: 'weight', grams: 5000 },
        exclude: ['soy', 'mustard'],
      },
      only,
    );
    expect(plans).toEqual([]);
    expect(blockedBy[0]!.refused[0]!.reason).toBe('green dressing brings in what is excluded');
  });
  test('18 a line whose food is open is clear of nothing, however plain it looks', () => {
    for (const id of ['nut', 'milk', 'fish']) expect(status(['100 g skirret root'], id)).toBe('check');
  });
});

describe('by law', () => {
  test('19 coconut: a nut only where this kitchen says so, and named either way', () => {
    const counted = { ...bare, coconutIsTreeNut: true };
    expect(status(['400 g coconut milk'], 'nut', counted)).toBe('contains');
    expect(status(['50 g desiccated coconut'], 'nut')).not.toBe('contains');
    expect(status(['50 g desiccated coconut'], 'coconut')).toBe('contains');
  });
  test('20 pine nut: a tree nut by law in the US, a nut by the kitchen’s choice in the EU', () => {
    expect(status(['30 g pine nuts'], 'tree-nut', at(bare, 'us'))).toBe('contains');
    expect(status(['30 g pine nuts'], 'tree-nut', at(bare, 'eu'))).toBe('clear');
    expect(flagOf(['30 g pine nuts'], 'nut', at(bare, 'eu'))).toMatchObject({
      status: 'contains',
      scope: 'pine nut counted, coconut not counted',
    });
    const other = { ...at(bare, 'eu'), pineNutIsTreeNut: false };
    expect(status(['30 g pine nuts'], 'nut', other)).toBe('clear');
    expect(status(['30 g pine nuts'], 'pine-nut', other)).toBe('contains');
  });
  test('21 barley: no US allergen by name, and gluten all the same', () => {
    const us = at(bare, 'us');
    expect([
      status(['100 g pearl barley'], 'wheat', us),
      status(['100 g pearl barley'], 'gluten', us),
    ]).toEqual(['clear', 'contains']);
  });
  test('22 celery is declared in the EU and still said in the US', () => {
    expect(flagOf(['2 stalks celery'], 'celery', at(bare, 'us'))).toMatchObject({
      status: 'contains',
      isDeclared: false,
    });
  });
  test('23 peanut is no tree nut, and is nut on the screen', () => {
    expect(status(['50 g peanuts'], 'tree-nut')).toBe('clear');
    expect(flagOf(['50 g peanuts'], 'nut').kinds).toEqual(['peanut']);
  });
  test('24 one who must not have “nuts” by a word nobody knows is not told that it is free', () => {
    const { plans, blockedBy } = planSwaps(
      { recipe: recipeOf(CLEAN), kitchen: bare, target: { kind: 'weight', grams: 5000 }, exclude: ['nuts'] },
      book,
    );
    expect(plans).toEqual([]);
    expect(blockedBy[0]!.reason).toMatch(/nobody knows/);
  });
});

describe('may contain, by policy', () => {
  const warned = withPacks(pack('sunflower-seeds', { allergens: { sesame: 'may-contain' } }));
  const recipe = recipeOf([...CLEAN, '50 g sunflower seeds']);
  const lets = { mayContain: 'accept', check: 'refuse' } as const;
  test('25 it is no by itself, and only by the kitchen’s policy where that lets it pass', () => {
    expect(answer(recipe, ['sesame'], warned).verdict).toBe('may');
    expect(answer(recipe, ['sesame'], warned, lets).verdict).toBe('policy');
  });
  test('26 a policy that lets a warning pass does not let an unread pack pass behind it', () => {
    const mixed = recipeOf([...CLEAN, '50 g sunflower seeds', '10 g stock paste']);
    expect(answer(mixed, ['sesame'], warned, lets).verdict).not.toBe('policy');
    const { plans, blockedBy } = planSwaps(
      {
        recipe: mixed,
        kitchen: warned,
        target: { kind: 'weight', grams: 5000 },
        exclude: ['sesame'],
        policy: lets,
      },
      book,
    );
    expect(
      plans
        .flatMap((each) => each.swaps.map(({ from }) => from.foodId))
        .concat(blockedBy.map(({ name }) => name)),
    ).toEqual(expect.arrayContaining([expect.stringMatching(/stock/i)]));
  });
  test('27 a warning never clears what is surely in it', () => {
    const both = withPacks(pack('hazelnuts', { allergens: { hazelnut: 'may-contain' } }));
    expect(status(['50 g hazelnuts'], 'nut', both)).toBe('contains');
  });
  test('28 a swap whose pack warns is refused, and says so', () => {
    const { plans } = planSwaps(
      {
        recipe: recipeOf([...CLEAN, '50 g almonds, chopped']),
        kitchen: warned,
        target: { kind: 'weight', grams: 5000 },
        exclude: ['nut', 'sesame'],
      },
      book,
      9,
    );
    for (const { swaps: taken } of plans)
      expect(taken.flatMap(({ to }) => to.map(({ foodId }) => foodId))).not.toContain('sunflower-seeds');
  });
});

describe('a statement that changed after it was approved', () => {
  const before = pack('oat-milk', { statement: 'water, oats', allergens: { oats: 'contains' } });
  const { statement, allergens, own, animal, checkedOn } = before;
  const changed: Pack = {
    ...before,
    statement: 'water, oats, almond paste',
    allergens: { oats: 'contains', almond: 'contains' },
    isConfirmed: false,
    statementVersion: 2,
    before: { statement, allergens, own, animal, checkedOn },
  };
  const drink = recipeOf([...CLEAN, '500 g oat milk']);
  test('29 what was clear is open again until somebody says yes', () => {
    expect(status(drink, 'soy', withPacks(before))).toBe('clear');
    expect(status(drink, 'soy', withPacks(changed))).toBe('check');
  });
  test('30 what it newly names counts at once', () => {
    expect(status(drink, 'nut', withPacks(changed))).toBe('contains');
  });
  test('31 what it no longer names counts until the yes', () => {
    const less: Pack = {
      ...changed,
      allergens: {},
      before: { ...changed.before!, allergens: { soy: 'contains' } },
    };
    expect(status(drink, 'soy', withPacks(less))).toBe('contains');
    expect(status(drink, 'soy', withPacks({ ...less, isConfirmed: true, before: null }))).toBe('clear');
  });
  test('32 the evidence says which statement, who read it and when', () => {
    const { evidence } = flagOf(drink, 'nut', withPacks({ ...changed, isConfirmed: true, before: null }))
      .traces[0]!;
    expect(evidence).toMatchObject({
      kind: 'pack',
      productName: 'Pack of oat-milk',
      statementVersion: 2,
      checkedBy: 'R. Fallow',
      checkedOn: '2026-11-12',
    });
  });
  test('33 a variant made before the change comes back as a danger', () => {
    const variant: Recipe = { ...drink, id: 'v', parentId: drink.id, freeFrom: ['nut'] };
    const codes = sheetOf(variant, undefined, withPacks(changed)).findings.map(({ code }) => code);
    expect(codes[0]).toBe('variant-not-free');
  });
  test('34 a pack no longer bought clears nothing: a warning it gave stays', () => {
    const seeds = withPacks(pack('pumpkin-seeds', { allergens: { sesame: 'may-contain' } }));
    const gone = withdrawPack(seeds, 'pumpkin-seeds');
    expect(status(['50 g pumpkin seeds'], 'sesame', gone)).toBe('may-contain');
    expect(status(['50 g pumpkin seeds'], 'nut', gone)).toBe('check');
    expect(withdrawPack(gone, 'pumpkin-seeds')).toEqual(gone);
  });
});
