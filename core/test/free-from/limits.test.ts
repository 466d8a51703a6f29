import {
  bookOf,
  broughtIn,
  followingSwaps,
  foodSet,
  type Kitchen,
  ownSwaps,
  planSwaps,
  rated,
  type Recipe,
  type SwapEntry,
  swapOptions,
  withSwap,
} from '@hand-ladle/core';
import { pack } from '@hand-ladle/testing/asked';
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
import { priceOf } from '../../src/kitchen/price';
import { bindingPower } from '../../src/swap/setting';

const target = { kind: 'weight', grams: 5000 } as const;
const entry = (fields: Partial<SwapEntry>): SwapEntry => ({
  id: 'try',
  fromId: 'rolled-oats',
  function: 'binder',
  to: [{ foodId: 'brown-rice', ratio: 1 }],
  waterRatio: 0,
  hint: 'Same way.',
  taste: 0.9,
  texture: 0.9,
  limits: { notFor: [], onlyFor: [], mostShare: null },
  source: 'convention',
  ...fields,
});
const only = (...entries: SwapEntry[]) => bookOf(foodSet(foods, components), components, entries);
const plain: Kitchen = { ...ward, swaps: [], ratings: [], shared: [] };
const ask = (recipe: Recipe, exclude: string[], from = book, kitchen = plain) =>
  planSwaps({ recipe, kitchen, target, exclude }, from);
const CAKES = ['500 g potatoes', '200 g rolled oats', '20 g olive oil, for frying'];
const SHAPE = ['Mix everything, shape into patties and cook on a griddle for 5 minutes.'];

describe('a mix that is shaped', () => {
  test('refuses a plan that takes out what binds it and puts nothing in its place', () => {
    const { plans, blockedBy } = ask(recipeOf(CAKES, SHAPE), ['gluten'], only(entry({})));
    expect(plans).toEqual([]);
    expect(blockedBy).toMatchObject([{ name: 'Rolled oats', functions: ['binder'] }]);
    expect(blockedBy[0]!.reason).toMatch(/shaped or rolled.*would not hold/);
  });

  test('takes the same swap where nothing must hold, or where the binding comes with it', () => {
    expect(
      ask(
        recipeOf(CAKES, ['Simmer everything for 20 minutes.']),
        ['gluten'],
        only(entry({ function: 'grain base' })),
      ).plans,
    ).toHaveLength(1);
    const bound = entry({
      to: [
        { foodId: 'brown-rice', ratio: 1 },
        { foodId: 'ground-flax', ratio: 0.25 },
      ],
    });
    expect(ask(recipeOf(CAKES, SHAPE), ['gluten'], only(bound)).plans).toHaveLength(1);
  });

  test('a binder that another line still has in plenty may go', () => {
    const rich = recipeOf([...CAKES, '150 g ground flaxseed'], SHAPE);
    expect(ask(rich, ['gluten'], only(entry({}))).plans).toHaveLength(1);
  });

  test('the demo cakes stay cakes: what takes the place of their oats binds', () => {
    const { plans } = ask(demoRecipe('carrot-oat-griddle-cakes'), ['gluten']);
    expect(plans.length).toBeGreaterThan(0);
    const before = sheetOf(demoRecipe('carrot-oat-griddle-cakes'));
    const bound = (sheet: typeof before) =>
      sheet.lines.reduce((sum, { foodId, baseGrams }) => {
        const food = foodId === null ? undefined : book.foods.foods.get(foodId);
        return sum + (food ? bindingPower(food) * (baseGrams ?? 0) : 0);
      }, 0);
    for (const { worksheet } of plans)
      expect(bound(worksheet)).toBeGreaterThanOrEqual(0.6 * bound(before) - 1e-6);
  });
});

describe('limits', () => {
  const cake = recipeOf(
    ['300 g peeled potatoes', '100 g vegetable shortening'],
    ['Bake in a deep dish for 40 minutes at 180 °C.'],
  );
  const purée = (mostShare: number | null) =>
    only(
      entry({
        fromId: 'shortening',
        function: 'fat',
        to: [{ foodId: 'apple-puree', ratio: 1 }],
        limits: { notFor: [], onlyFor: ['baking'], mostShare },
      }),
    );

  test('a share of the mix: at 25 % it passes a limit of 25 %, not one of 24 %', () => {
    expect(ask(cake, ['milk', 'soy'], purée(0.25)).plans).toHaveLength(1);
    const { plans, blockedBy } = ask(cake, ['milk', 'soy'], purée(0.24));
    expect(plans).toEqual([]);
    expect(blockedBy[0]!.reason).toMatch(/more of the mix than it can carry/);
  });

  test('what is only for baking is refused in a cold dish, in words', () => {
    const cold = recipeOf(
      ['300 g peeled potatoes', '100 g vegetable shortening'],
      ['Turn everything together.'],
    );
    expect(ask(cold, ['milk', 'soy'], purée(null)).blockedBy[0]!.refused).toMatchObject([
      { to: 'Apple puree', reason: 'it is only for baking' },
    ]);
  });

  test('two swaps that bring in the same food share its limit', () => {
    const shares = only(
      entry({
        id: 'a',
        fromId: 'almonds',
        function: 'crunch',
        to: [{ foodId: 'poppy-seeds', ratio: 1 }],
        limits: { notFor: [], onlyFor: [], mostShare: 0.15 },
      }),
      entry({
        id: 'b',
        fromId: 'hazelnuts',
        function: 'crunch',
        to: [{ foodId: 'poppy-seeds', ratio: 1 }],
        limits: { notFor: [], onlyFor: [], mostShare: 0.15 },
      }),
    );
    const free: Kitchen = { ...plain, packs: [pack('poppy-seeds')] };
    const of = (lines: string[]) => ask(recipeOf(['800 g potatoes', ...lines]), ['nut'], shares, free);
    expect(of(['100 g almonds']).plans).toHaveLength(1);
    expect(of(['100 g hazelnuts']).plans).toHaveLength(1);
    expect(of(['100 g almonds', '100 g hazelnuts']).plans).toEqual([]);
  });
});

describe('closeness moves with ratings', () => {
  test('towards what was tasted, by as much as there were tastings', () => {
    const one = { swapId: 'try', taste: 0.3, texture: 1, ratedBy: 'A', ratedOn: '2026-11-01' };
    expect(rated(entry({}), [])).toMatchObject({ taste: 0.9, texture: 0.9 });
    expect(rated(entry({}), [one]).taste).toBeCloseTo((2 * 0.9 + 0.3) / 3, 12);
    expect(rated(entry({}), Array<typeof one>(98).fill(one)).taste).toBeCloseTo(0.312, 12);
    expect(rated(entry({ id: 'other' }), [one]).taste).toBe(0.9);
  });

  test('and the best plan with it', () => {
    const two = only(
      entry({ id: 'a', fromId: 'almonds', function: 'crunch', to: [{ foodId: 'pumpkin-seeds', ratio: 1 }] }),
      entry({
        id: 'b',
        fromId: 'almonds',
        function: 'crunch',
        to: [{ foodId: 'sunflower-seeds', ratio: 1 }],
        taste: 0.85,
      }),
    );
    const best = (kitchen: Kitchen) =>
      ask(recipeOf(['500 g potatoes', '50 g almonds']), ['nut'], two, kitchen).plans[0]!.swaps[0]!.swapId;
    const bad = { swapId: 'a', taste: 0.2, texture: 0.2, ratedBy: 'A', ratedOn: '2026-11-01' };
    expect([best(plain), best({ ...plain, ratings: [bad, bad] })]).toEqual(['a', 'b']);
  });

  test('a kitchen’s own swap is planned with like those on file', () => {
    const kitchen = {
      ...plain,
      packs: [],
      swaps: [
        entry({
          fromId: 'celery',
          function: 'aroma',
          to: [{ foodId: 'kale', ratio: 2 }],
          taste: 1,
          texture: 1,
        }),
      ],
    };
    const [plan] = ask(recipeOf(['500 g potatoes', '50 g celery']), ['celery'], book, kitchen).plans;
    expect(plan!.swaps[0]).toMatchObject({ swapId: 'try', to: [{ foodId: 'kale', ratio: 2 }] });
    expect(plan!.worksheet.lines.map(({ name }) => name)).toContain('Kale');
  });
});

describe('a swap by hand', () => {
  const recipe = recipeOf(['500 g potatoes', '50 g peanut butter']);
  const options = (of: Recipe, kitchen: Kitchen = plain) =>
    swapOptions({ recipe: of, kitchen, target }, 'peanut-butter', book);

  test('shows everything on file with its grams, what it brings in and what it changes', () => {
    const all = options(recipe);
    expect(all.length).toBe(swaps.filter(({ fromId }) => fromId === 'peanut-butter').length);
    const almond = all.find(({ entry: each }) => each.id === 'peanut-butter-almond')!;
    expect(broughtIn(almond).map(({ id, after }) => [id, after])).toContainEqual(['tree-nut', 'contains']);
    expect(almond.to[0]!.grams).toBeCloseTo(almond.outGrams, 6);
  });

  test('in a variant it refuses what the variant is to be free from', () => {
    const variant = { ...recipe, freeFrom: ['nut'] };
    const almond = options(variant).find(({ entry: each }) => each.id === 'peanut-butter-almond')!;
    expect(almond.refusals).toEqual(['almond butter brings in what is excluded']);
    expect(options(variant)[0]!.refusals).toEqual([]);
  });

  test('one taken stands in the dish, is marked, and goes back', () => {
    const swapped = withSwap(recipe, 'peanut-butter', 'peanut-butter-sunflower');
    expect(sheetOf(swapped, target, plain).lines[1]).toMatchObject({
      name: 'Sunflower seeds',
      swappedFrom: expect.stringMatching(/^Peanut butter/) as string,
      swappableId: 'peanut-butter',
    });
    expect(
      options(swapped)
        .filter(({ isTaken }) => isTaken)
        .map(({ entry: each }) => each.id),
    ).toEqual(['peanut-butter-sunflower']);
    expect(withSwap(swapped, 'peanut-butter', null).swaps).toEqual([]);
    expect(withSwap(swapped, 'peanut-butter', 'peanut-butter-tahini').swaps).toHaveLength(1);
  });
});

describe('a variant that follows its parent', () => {
  const parent = recipeOf(['500 g potatoes', '50 g almonds']);
  const variant: Recipe = {
    ...parent,
    id: 'v',
    parentId: parent.id,
    swaps: [{ fromId: 'almonds', swapId: 'almonds-sunflower' }],
    freeFrom: ['nut'],
  };
  const unfit = (recipe: Recipe, kitchen: Kitchen = plain, from = book) =>
    sheetOf(recipe, target, kitchen, from)
      .findings.filter(({ code }) => code === 'swap-unfit')
      .map(({ message }) => message);

  test('is at peace while its swaps fit', () => expect(unfit(variant)).toEqual([]));

  test('asks when the food it swapped is gone from the parent', () => {
    const without = { ...variant, lines: variant.lines.slice(0, 1) };
    expect(unfit(without)[0]).toMatch(/almonds no longer fits: it is no longer in the dish/);
  });

  test('asks when this kitchen does not know the swap', () => {
    const unknown = { ...variant, swaps: [{ fromId: 'almonds', swapId: 'own-of-another' }] };
    expect(unfit(unknown)[0]).toMatch(/does not know that swap/);
    expect(sheetOf(unknown, target, plain).findings[0]!.code).toBe('variant-not-free');
  });

  test('asks when the parent is made in a way the swap is not for', () => {
    const cold = only(
      entry({
        id: 'almonds-sunflower',
        fromId: 'almonds',
        function: 'crunch',
        to: [{ foodId: 'sunflower-seeds', ratio: 1 }],
        limits: { notFor: ['simmering'], onlyFor: [], mostShare: null },
      }),
    );
    const cooked = recipeOf(['500 g potatoes', '50 g almonds'], ['Simmer everything gently for 20 minutes.']);
    expect(unfit({ ...variant, steps: [] }, plain, cold)).toEqual([]);
    expect(unfit({ ...variant, lines: cooked.lines, steps: cooked.steps }, plain, cold)[0]).toMatch(
      /it is not for simmering/,
    );
  });

  test('asks when a heavier line breaks a share, or what stands there now warns of it', () => {
    const share = only(
      entry({
        id: 'almonds-sunflower',
        fromId: 'almonds',
        function: 'crunch',
        to: [{ foodId: 'sunflower-seeds', ratio: 1 }],
        limits: { notFor: [], onlyFor: [], mostShare: 0.2 },
      }),
    );
    const heavy = recipeOf(['500 g potatoes', '200 g almonds']);
    expect(unfit(variant, plain, share)).toEqual([]);
    expect(unfit({ ...variant, lines: heavy.lines }, plain, share)[0]).toMatch(
      /33 % of the mix, and more than 20 %/,
    );
    const warning: Kitchen = {
      ...plain,
      packs: [{ ...ward.packs[0]!, foodId: 'sunflower-seeds', allergens: { hazelnut: 'may-contain' } }],
    };
    expect(unfit(variant, warning)[0]).toMatch(/may contain what is excluded/);
  });

  test('asks when the binder of its parent is swapped away', () => {
    const cakes = recipeOf(CAKES, SHAPE);
    const swapped: Recipe = {
      ...cakes,
      id: 'v2',
      parentId: cakes.id,
      swaps: [{ fromId: 'rolled-oats', swapId: 'try' }],
    };
    expect(unfit(swapped, plain, only(entry({})))[0]).toMatch(/too little is left that binds/);
  });

  test('keeps for itself only what its parent does not swap already', () => {
    const swapped = {
      ...recipeOf(['500 g potatoes', '50 g almonds', '40 g celery']),
      swaps: [{ fromId: 'almonds', swapId: 'almonds-pumpkin' }],
    };
    const free: Kitchen = { ...plain, packs: [] };
    const applied = (recipe: Recipe) =>
      ask(recipe, ['celery'], book, free).plans[0]!.applied.map(({ fromId }) => fromId);
    expect(applied(swapped)).toEqual(['celery']);
    const own = { ...swapped, parentId: 'p' };
    expect(applied(own)).toEqual(['almonds', 'celery']);
    expect(applied({ ...own, swaps: [{ ...swapped.swaps[0]!, isInherited: true }] })).toEqual(['celery']);
  });

  test('takes its parent’s swaps, keeps its own, and never keeps the parent’s as its own', () => {
    const own = [{ fromId: 'almonds', swapId: 'mine' }];
    const theirs = [
      { fromId: 'almonds', swapId: 'theirs' },
      { fromId: 'tamari', swapId: 'theirs-too' },
    ];
    const all = followingSwaps(own, theirs);
    expect(all).toEqual([{ fromId: 'tamari', swapId: 'theirs-too', isInherited: true }, own[0]]);
    expect(ownSwaps({ swaps: all })).toEqual(own);
    expect(followingSwaps(all, [])).toEqual(own);
  });
});

test('the price of a gram: the pack on record by its drained weight, else the class, else nobody can say', () => {
  const beans = foods.find(({ id }) => id === 'white-beans-tinned')!;
  const pack = { ...ward.packs[0]!, foodId: beans.id, price: 3, netGrams: 400, drainedGrams: 240 };
  const of = (kitchen: Kitchen) => priceOf(beans, kitchen);
  expect(of({ ...plain, packs: [pack] })).toEqual({ perGram: 3 / 240, origin: 'pack label' });
  const leek = foods.find(({ id }) => id === 'leek')!;
  const byNet = { ...pack, foodId: leek.id, drainedGrams: null };
  expect(priceOf(leek, { ...plain, packs: [byNet] })!.perGram).toBeCloseTo(3 / (400 * leek.trimYield), 12);
  expect(of({ ...plain, packs: [] })!.origin).toBe('convention');
  expect(priceOf({ ...beans, priceClass: null }, { ...plain, packs: [] })).toBeNull();
});
