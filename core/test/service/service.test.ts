import {
  bookOf,
  demandOf,
  eatersOf,
  foodSet,
  type Service,
  serviceFaults,
  serviceFaultText,
  serviceOf,
  serviceTold,
  type WorksheetLine,
} from '@hand-ladle/core';
import { runs } from '@hand-ladle/testing/runs';
import { dishes, groundFor, KITCHENS, randomService } from '@hand-ladle/testing/service/random-service';
import { book, foods, swaps, wardAsIs } from '@hand-ladle/testing/world';

const seeds = (count: number): number[] => Array.from({ length: runs(count) }, (_, index) => index + 11);

test('the demand is the sum of the worksheets and of the components, to the gram; water is never bought', () => {
  for (const seed of seeds(16)) {
    const { service, kitchen } = randomService(seed);
    const ground = groundFor(service, kitchen);
    const eaten = eatersOf(ground);
    const demand = demandOf(eaten, ground);
    let total = 0;
    const add = (lines: readonly WorksheetLine[]): void => {
      for (const line of lines)
        if (line.componentId === null && line.foodId !== null && line.batchGrams !== null)
          total += line.batchGrams;
    };
    for (const { versions } of eaten) for (const { sheet } of versions) add(sheet.lines);
    for (const { lines } of demand.components) add(lines);
    expect(demand.lines.reduce((sum, { grams }) => sum + grams, 0)).toBeCloseTo(total, 4);
    for (const { packs, asPurchasedGrams, price, isPriceGuessed, foodId } of demand.lines) {
      if (packs) {
        expect(packs.count * packs.netGrams).toBeGreaterThanOrEqual(asPurchasedGrams - 1e-3);
        expect((packs.count - 1) * packs.netGrams).toBeLessThan(asPurchasedGrams);
      }
      if (foodId === 'water') expect([price, isPriceGuessed, packs]).toEqual([0, false, null]);
    }
    if (demand.unpriced.length > 0) expect(demand.pricePerPortion).toBeNull();
  }
});

test('every head eats every dish, is named with what is in the way, or has a share of it', () => {
  for (const seed of seeds(16)) {
    const { service, kitchen } = randomService(seed);
    for (const { share, versions, unserved } of eatersOf(groundFor(service, kitchen)))
      for (const { groupId, heads } of service.heads.filter(({ heads }) => heads > 0)) {
        const served = versions
          .flatMap(({ servings }) => servings)
          .filter((each) => each.groupId === groupId);
        const told = unserved.filter((each) => each.groupId === groupId);
        const portions = served.reduce((sum, each) => sum + each.portions, 0);
        expect([seed, portions + told.reduce((sum, each) => sum + each.heads, 0)]).toEqual([
          seed,
          Math.ceil(heads * share),
        ]);
        for (const each of told) expect(each.blockedBy.length).toBeGreaterThan(0);
      }
  }
});

test('a component that a swap reaches into is made apart from the plain one', () => {
  const service: Service = {
    ...randomService(11).service,
    kitchenId: wardAsIs.id,
    heads: [
      { groupId: 'everyone', heads: 40, portionGrams: null, site: '', codes: [] },
      { groupId: 'coeliac', heads: 8, portionGrams: null, site: '', codes: [] },
    ],
    dishes: [{ recipeId: 'celeriac-bean-bake', share: 1, course: '' }],
  };
  const ground = groundFor(service, wardAsIs);
  const [dish] = eatersOf(ground);
  const plain = { ...dish!.versions[0]!, key: 'plain', recipe: dishes.get('celeriac-bean-bake')!, swaps: [] };
  const both = [{ ...dish!, versions: [plain, dish!.versions[0]!] }];
  const crumbs = demandOf(both, ground).components.filter(
    ({ componentId }) => componentId === 'seeded-crumb',
  );
  expect(crumbs.map(({ name }) => name).sort()).toEqual([
    'Seeded crumb',
    expect.stringMatching(/^Seeded crumb with .*rice flakes/),
  ]);
  const gluten = crumbs.map(({ lines }) =>
    lines.some(({ allergens }) => allergens.some(({ id }) => id === 'gluten')),
  );
  expect(gluten.sort()).toEqual([false, true]);
});

test('told and read back, a service is the same', () => {
  for (const seed of seeds(6)) {
    const { service } = randomService(seed);
    expect(serviceOf(service.id, serviceTold(service))).toEqual(service);
  }
});

test('faults are told by their row', () => {
  const { service } = randomService(12);
  const wrong: Service = {
    ...service,
    heads: [
      ...service.heads,
      { groupId: 'nobody', heads: 2, portionGrams: null, site: '', codes: ['A', 'A', 'B'] },
    ],
    dishes: [{ recipeId: 'nothing', share: 1, course: '' }],
    without: ['oven-99'],
    team: { ...service.team, breaks: [{ from: 100, to: 90 }] },
  };
  expect(serviceFaults(wrong, KITCHENS[12 % 3]!, dishes).map(serviceFaultText)).toEqual([
    expect.stringContaining('this kitchen has no group "nobody"'),
    expect.stringContaining('the code "A" stands there twice'),
    expect.stringContaining('3 codes for 2 heads'),
    'dish 1: "nothing" is not in the book',
    'this kitchen has no machine "oven-99"',
    'a break lies outside the shift, or ends before it begins',
  ]);
});

test('a book without the swaps leaves those unserved whom only a swap would serve', () => {
  const bare = bookOf(foodSet(foods, []), [...book.components.values()], []);
  const { service } = randomService(11);
  const bread: Service = {
    ...service,
    kitchenId: wardAsIs.id,
    heads: [{ groupId: 'coeliac', heads: 5, portionGrams: null, site: '', codes: [] }],
    dishes: [{ recipeId: 'caraway-flatbread', share: 1, course: '' }],
  };
  const [dish] = eatersOf({ ...groundFor(bread, wardAsIs), book: bare });
  expect(dish!.versions).toEqual([]);
  expect(dish!.unserved).toMatchObject([{ groupId: 'coeliac', heads: 5 }]);
  expect(swaps.length).toBeGreaterThan(0);
});
