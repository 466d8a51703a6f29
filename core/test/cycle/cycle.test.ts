import fc from 'fast-check';
import {
  allergenWords,
  copiedWeek,
  type Cycle,
  cycleFaults,
  type CyclePlace,
  dayOfCycle,
  dishesAt,
  dishFacts,
  judgeCycle,
  menuDays,
  menuList,
  type MenuRow,
  menuRow,
  movedDish,
  placeText,
  REPEAT_DAYS,
  servicesFrom,
  weekdayOf,
  withDishesAt,
  worksheet,
} from '@hand-ladle/core';
import { loadCycles } from '@hand-ladle/data';
import { runs } from '@hand-ladle/testing/runs';
import { dishes } from '@hand-ladle/testing/service/random-service';
import { book, cafe, school, wardAsIs } from '@hand-ladle/testing/world';

const MONDAY = '2026-11-30';
const at = (week: number, day: number, meal = 'Lunch'): CyclePlace => ({ week, day, meal });
const dish = (recipeId: string, share = 1, course = '') => ({ recipeId, share, course });
const cycle = (slots: Cycle['slots'], weeks = 2): Cycle => ({
  kitchenId: wardAsIs.id,
  name: '',
  weeks,
  startsOn: MONDAY,
  meals: [
    { name: 'Lunch', readyAt: '12:00' },
    { name: 'Supper', readyAt: '17:30' },
  ],
  slots,
});
const judged = (slots: Cycle['slots'], kitchen = wardAsIs) =>
  judgeCycle(cycle(slots), kitchen, { book, dishes });
const ids = [...dishes.keys()];

describe('a cycle', () => {
  const place = fc.record({
    week: fc.integer({ min: 1, max: 2 }),
    day: fc.integer({ min: 1, max: 7 }),
    meal: fc.constantFrom('Lunch', 'Supper'),
  });

  test('a dish that is moved is neither lost nor doubled', () => {
    fc.assert(
      fc.property(
        place,
        place,
        fc.subarray(ids, { minLength: 1, maxLength: 4 }),
        fc.subarray(ids, { maxLength: 3 }),
        (from, to, here, there) => {
          const start = withDishesAt(
            withDishesAt(
              cycle([]),
              to,
              there.map((id) => dish(id)),
            ),
            from,
            here.map((id) => dish(id)),
          );
          const all = (of: Cycle): string[] =>
            of.slots.flatMap((slot) => slot.dishes.map(({ recipeId }) => recipeId)).sort();
          const moved = movedDish(start, here[0]!, from, to);
          expect(cycleFaults(moved, dishes)).toEqual([]);
          expect(new Set(all(moved))).toEqual(new Set(all(start)));
          expect(dishesAt(moved, to).some(({ recipeId }) => recipeId === here[0])).toBe(true);
        },
      ),
      { numRuns: runs(100) },
    );
  });

  test('a week is copied whole, and the one it was copied from stays', () => {
    const start = cycle([
      { ...at(1, 2), dishes: [dish('caraway-flatbread')] },
      { ...at(2, 5), dishes: [dish('plum-oat-bake')] },
    ]);
    const copied = copiedWeek(start, 1, 2);
    expect(dishesAt(copied, at(2, 2))).toEqual([dish('caraway-flatbread')]);
    expect(dishesAt(copied, at(1, 2))).toEqual([dish('caraway-flatbread')]);
    expect(dishesAt(copied, at(2, 5))).toEqual([]);
    expect(copiedWeek(start, 1, 1)).toBe(start);
  });

  test('it goes round and round, before it began too', () => {
    const of = cycle([]);
    expect(dayOfCycle(of, MONDAY)).toEqual({ week: 1, day: 1 });
    expect(dayOfCycle(of, '2026-12-13')).toEqual({ week: 2, day: 7 });
    expect(dayOfCycle(of, '2026-12-14')).toEqual({ week: 1, day: 1 });
    expect(dayOfCycle(of, '2026-11-29')).toEqual({ week: 2, day: 7 });
    // Across the change of the clocks and the leap day a day is a day.
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 4000 }), (days) => {
        const date = new Date(Date.parse(`${MONDAY}T00:00:00Z`) + days * 86_400_000)
          .toISOString()
          .slice(0, 10);
        const { week, day } = dayOfCycle(of, date);
        expect(day).toBe(weekdayOf(date));
        expect(week).toBe((Math.floor(days / 7) % 2) + 1);
      }),
      { numRuns: runs(100) },
    );
  });

  test('what cannot be is told by its place', () => {
    const codes = (fields: Partial<Cycle>): string[] =>
      cycleFaults({ ...cycle([]), ...fields }, dishes).map(({ code }) => code);
    expect(codes({})).toEqual([]);
    expect(codes({ startsOn: '2026-12-01' })).toEqual(['starts-on']);
    expect(codes({ slots: [{ ...at(3, 1), dishes: [] }] })).toEqual(['slot-outside']);
    expect(codes({ slots: [{ ...at(1, 1, 'Tea'), dishes: [] }] })).toEqual(['slot-outside']);
    expect(codes({ slots: [{ ...at(1, 1), dishes: [dish('nothing')] }] })).toEqual(['cycle-dish-unknown']);
    expect(
      codes({ slots: [{ ...at(1, 1), dishes: [dish('plum-oat-bake'), dish('plum-oat-bake')] }] }),
    ).toEqual(['cycle-dish-twice']);
    expect(
      codes({
        slots: [
          { ...at(1, 1), dishes: [] },
          { ...at(1, 1), dishes: [] },
        ],
      }),
    ).toEqual(['slot-twice']);
    expect(
      codes({
        meals: [
          { name: 'Lunch', readyAt: '12:00' },
          { name: 'Lunch', readyAt: '13:00' },
        ],
      }),
    ).toEqual(['meal-twice']);
  });

  test('services of some days: each meal that has dishes, with the usual heads', () => {
    const told = servicesFrom(
      cycle([
        { ...at(1, 1), dishes: [dish('plum-oat-bake')] },
        { ...at(1, 1, 'Supper'), dishes: [dish('caraway-flatbread')] },
        { ...at(2, 1), dishes: [dish('quinoa-cabbage-tray', 0.4, 'main')] },
      ]),
      wardAsIs,
      MONDAY,
      '2026-12-14',
    );
    expect(told.map(({ date, meal }) => `${date} ${meal}`)).toEqual([
      '2026-11-30 Lunch',
      '2026-11-30 Supper',
      '2026-12-07 Lunch',
      '2026-12-14 Lunch',
      '2026-12-14 Supper',
    ]);
    expect(told[0]!.heads.map(({ heads }) => heads)).toEqual(
      wardAsIs.diners.map(({ portions }) => portions ?? 0),
    );
  });
});

describe('a cycle looked at as a whole', () => {
  test('what comes back too soon is told, over the end of the cycle too; bread may', () => {
    const again = (slots: Cycle['slots']): string[] =>
      judged(slots)
        .findings.filter(({ code }) => code === 'repeats')
        .map((each) => `${placeText(each)}: ${each.message}`);
    const plum = [dish('plum-oat-bake')];
    expect(again([{ ...at(1, 1), dishes: plum }])).toEqual([]);
    expect(
      again([
        { ...at(1, 1), dishes: plum },
        { ...at(1, 1 + REPEAT_DAYS), dishes: plum },
      ]),
    ).toEqual([]);
    expect(
      again([
        { ...at(1, 1), dishes: plum },
        { ...at(1, 3), dishes: plum },
      ]),
    ).toEqual(['Week 1, Wednesday, Lunch: Plum and oat bake is on again after 2 days']);
    expect(
      again([
        { ...at(2, 7), dishes: plum },
        { ...at(1, 2), dishes: plum },
      ]),
    ).toEqual(['Week 1, Tuesday, Lunch: Plum and oat bake is on again after 2 days']);
    expect(
      again([
        { ...at(1, 1), dishes: plum },
        { ...at(1, 1, 'Supper'), dishes: plum },
      ]).length,
    ).toBe(1);
    const bread = [dish('caraway-flatbread', 1, 'bread')];
    expect(
      again([
        { ...at(1, 1), dishes: bread },
        { ...at(1, 2), dishes: bread },
      ]),
    ).toEqual([]);
  });

  test('a group that a course leaves without is told; a second dish for it takes that back', () => {
    const without = (of: Parameters<typeof dish>[]): string[] =>
      judged([{ ...at(1, 1), dishes: of.map((each) => dish(...each)) }])
        .findings.filter(({ code }) => code === 'no-choice')
        .map(({ message }) => message);
    expect(without([['caraway-flatbread', 1, 'main']])).toEqual(['Coeliac: no main for them']);
    expect(
      without([
        ['caraway-flatbread', 0.5, 'main'],
        ['quinoa-cabbage-tray', 0.5, 'main'],
      ]),
    ).toEqual([]);
    expect(
      without([
        ['caraway-flatbread', 1, 'bread'],
        ['quinoa-cabbage-tray', 1, 'main'],
      ]),
    ).toEqual(['Coeliac: no bread for them']);
  });

  test('a day is the sum of its dishes by share, a week the average; what is missing makes it at least', () => {
    const facts = (id: string) => dishFacts(dishes.get(id)!, wardAsIs, book);
    const [soup, tray, bake] = ['red-lentil-tomato-soup', 'quinoa-cabbage-tray', 'celeriac-bean-bake'].map(
      facts,
    );
    const { weeks } = judged([
      { ...at(1, 1), dishes: [dish(soup!.recipeId), dish(tray!.recipeId, 0.4), dish(bake!.recipeId, 0.6)] },
      { ...at(1, 3), dishes: [dish(tray!.recipeId)] },
    ]);
    const [one, three] = weeks[0]!.days;
    const protein = ({ perPortion }: ReturnType<typeof facts>): number => perPortion.proteinG;
    expect(one!.proteinG).toBeCloseTo(protein(soup!) + 0.4 * protein(tray!) + 0.6 * protein(bake!), 9);
    expect(three!.proteinG).toBeCloseTo(protein(tray!), 9);
    expect(weeks[0]!.perMeal.proteinG).toBeCloseTo((one!.proteinG + three!.proteinG) / 2, 9);
    expect(weeks[1]!.days).toEqual([]);
    for (const day of weeks[0]!.days)
      expect(day.isAtLeast).toBe(
        (day.dishes.length > 1 && (soup!.missing.has('energyKcal') || bake!.missing.has('energyKcal'))) ||
          tray!.missing.has('energyKcal'),
      );
  });

  test('a dish without a price makes the day’s cost not known, never less', () => {
    const noPrice = new Map(book.foods.foods);
    noPrice.set('quinoa', { ...noPrice.get('quinoa')!, priceClass: null });
    const kitchen = { ...wardAsIs, packs: wardAsIs.packs.filter(({ foodId }) => foodId !== 'quinoa') };
    const ground = { book: { ...book, foods: { ...book.foods, foods: noPrice } }, dishes };
    const slots = [{ ...at(1, 1), dishes: [dish('quinoa-cabbage-tray'), dish('fennel-butter-bean-pot')] }];
    expect(judgeCycle(cycle(slots), kitchen, ground).weeks[0]!.days[0]!.price).toBeNull();
    expect(judged(slots).weeks[0]!.days[0]!.price).toBeGreaterThan(0);
  });

  test('a school sees its ages', () => {
    const { weeks } = judged([{ ...at(1, 1), dishes: [dish('quinoa-cabbage-tray')] }], school);
    const [small, middle, large] = weeks[0]!.perDayByAge;
    expect(small!.energyKcal / middle!.energyKcal).toBeCloseTo(0.75, 9);
    expect(large!.energyKcal / middle!.energyKcal).toBeCloseTo(1.25, 9);
  });
});

describe('the menu that hangs out', () => {
  const rows = new Map<string, MenuRow>(
    [...dishes.values()].map((recipe) => [
      recipe.id,
      menuRow(
        worksheet({ recipe, kitchen: wardAsIs, target: { kind: 'weight', grams: 1000 } }, book),
        recipe,
      ),
    ]),
  );

  test('every allergen of every dish is on it in words, and nothing is called free of anything', () => {
    for (const row of rows.values()) {
      const words = allergenWords(row);
      const [contains = ''] = words.split(/; may contain|; not checked|^may contain|^not checked/);
      for (const { name, status, isDeclared } of row.cells) {
        if (!isDeclared || status === 'clear') continue;
        expect([row.name, words.includes(name.toLowerCase())]).toEqual([row.name, true]);
        expect([row.name, name, contains.includes(name.toLowerCase())]).toEqual([
          row.name,
          name,
          status === 'contains',
        ]);
      }
      expect(words).not.toMatch(/\bfree\b|\bsafe\b|\bsuitable\b/);
      expect(words).toMatch(/contain|ask us/);
    }
  });

  test('rye and oats are gluten on a menu under US law too, and celery is told where it is known', () => {
    const wordsOf = (id: string): string => {
      const recipe = dishes.get(id)!;
      const sheet = worksheet({ recipe, kitchen: school, target: { kind: 'weight', grams: 1000 } }, book);
      return allergenWords(menuRow(sheet, recipe));
    };
    expect(wordsOf('rye-apple-pudding')).toMatch(/contains: .*gluten/);
    expect(wordsOf('chard-chickpea-pot')).toMatch(/contains: .*celery/);
  });

  test('the demo cycles are whole, and their menus name every day that has dishes', () => {
    for (const [index, each] of loadCycles('2026-12-02').entries()) {
      expect(cycleFaults(each, dishes)).toEqual([]);
      expect(each.startsOn).toBe(MONDAY);
      const days = menuDays(each, rows, MONDAY, '2026-12-13');
      expect(days.length).toBe([14, 10, 12][index]);
      const text = JSON.stringify(menuList(days, 'Menu'));
      for (const slot of each.slots)
        for (const { recipeId } of slot.dishes) expect(text).toContain(dishes.get(recipeId)!.name);
    }
    expect([wardAsIs, school, cafe].map(({ id }) => id)).toEqual(
      loadCycles(MONDAY).map(({ kitchenId }) => kitchenId),
    );
  });
});
