import { type Kitchen, offersOf, type Recipe, takeOffer, type Target } from '@hand-ladle/core';
import { book, cafe, demo, demoRecipe, recipeOf, school, sheetOf, ward } from '@hand-ladle/testing/world';

const POT = demoRecipe('fennel-butter-bean-pot');
const TARGET: Target = { kind: 'portions', portions: 100, portionGrams: 300 };
const offers = (recipe: Recipe, kitchen: Kitchen) => offersOf({ recipe, kitchen, target: TARGET }, book);
const take = (recipe: Recipe, kitchen: Kitchen, id: string) =>
  takeOffer({ recipe, kitchen, target: TARGET }, id, book);
const oilOf = (recipe: Recipe, kitchen: Kitchen) =>
  sheetOf(recipe, TARGET, kitchen).lines.find(({ sourceId }) => sourceId === 'l1')!;

describe('fat in the pan', () => {
  test('a whole-food kitchen asks for water instead, says so as a finding, and one tap puts it there', () => {
    const before = sheetOf(POT, TARGET, cafe);
    expect(before.findings.filter(({ lineId }) => lineId === 'l1').map(({ code }) => code)).toContain(
      'not-whole-food',
    );
    const asked = offers(POT, cafe).find(({ lineId, isAsked }) => lineId === 'l1' && isAsked)!;
    expect(asked.words).toMatch(/^Water instead, [\d.]+ k?g by the splash$/);
    const after = take(POT, cafe, asked.id);
    const line = oilOf(after, cafe);
    expect(line).toMatchObject({ technique: 'water', swappedFrom: 'Olive oil' });
    expect(line.name.toLowerCase()).toContain('water');
    expect(line.batchGrams).toBeGreaterThan(0);
    expect(
      sheetOf(after, TARGET, cafe).findings.some(
        ({ code, lineId }) => code === 'not-whole-food' && lineId === 'l1',
      ),
    ).toBe(false);
  });

  test('water for the pan boils away: the dish weighs the same, without the oil and its fat', () => {
    const after = take(POT, cafe, offers(POT, cafe).find(({ isAsked }) => isAsked)!.id);
    const [one, two] = [sheetOf(POT, TARGET, cafe), sheetOf(after, TARGET, cafe)];
    expect(two.finishedGrams).toBeCloseTo(one.finishedGrams, 3);
    expect(two.nutrition.perPortion.fatG).toBeLessThan(one.nutrition.perPortion.fatG);
    const { massBalance: mass } = two;
    expect(mass.putInGrams - mass.steamGrams - mass.lostGrams).toBeCloseTo(mass.finishedGrams, 3);
    expect(two.label.ingredients.toLowerCase()).not.toContain('olive oil');
  });

  test('what was taken can be taken back, and the recipe is the one it was', () => {
    const after = take(POT, cafe, offers(POT, cafe).find(({ isAsked }) => isAsked)!.id);
    const back = take(after, cafe, offers(after, cafe).find(({ id }) => id === 'l1 fat')!.id);
    expect(back).toEqual(POT);
  });

  test('a kitchen that takes recipes as written asks for nothing', () => {
    expect(ward.standard).toMatchObject({ isWholeFood: false, fryingFat: 'as written', salt: 'as written' });
    for (const { recipe } of demo) {
      expect(offers(recipe, ward).filter(({ isAsked }) => isAsked)).toEqual([]);
      const codes = sheetOf(recipe, TARGET, ward).findings.map(({ code }) => code);
      expect(
        codes.filter((code) => ['not-whole-food', 'frying-fat', 'salt-asked', 'pulses-asked'].includes(code)),
      ).toEqual([]);
    }
  });
});

describe('salt and pulses', () => {
  const salty = recipeOf(
    ['900 g carrots', '100 g water', '12 g fine salt'],
    ['Simmer gently for 10 minutes.'],
  );

  test('a low-salt kitchen offers its share of the finished weight', () => {
    const low: Kitchen = { ...ward, standard: { ...ward.standard, salt: 'low' } };
    const offer = offers(salty, low).find(({ id }) => id === 'l3 low-salt')!;
    expect(offer.isAsked).toBe(true);
    const after = take(salty, low, offer.id);
    const sheet = sheetOf(after, TARGET, low);
    const salt = sheet.lines.find(({ role }) => role === 'salt')!;
    expect(salt.baseGrams! / sheet.baseGrams).toBeCloseTo(0.003, 3);
    expect(sheet.findings.map(({ code }) => code)).not.toContain('salt-asked');
  });

  test('a kitchen without salt leaves it out, but a dough keeps what it needs to be asked about', () => {
    const none: Kitchen = { ...ward, standard: { ...ward.standard, salt: 'none' } };
    const after = take(salty, none, offers(salty, none).find(({ id }) => id === 'l3 no-salt')!.id);
    expect(after.lines.map(({ id }) => id)).toEqual(['l1', 'l2']);
    const dough = demoRecipe('caraway-flatbread');
    expect(sheetOf(dough, TARGET, none).findings.map(({ code }) => code)).not.toContain('salt-asked');
  });

  test('a kitchen that cooks pulses from dry is offered them dry, in batch weights', () => {
    const asked = offers(POT, school).find(({ lineId, isAsked }) => lineId === 'l4' && isAsked)!;
    expect(asked.words).toMatch(/^Butter beans dry, [\d.]+ kg, cooked apart/);
    const after = sheetOf(take(POT, school, asked.id), TARGET, school);
    const line = after.lines.find(({ sourceId }) => sourceId === 'l4')!;
    expect(line).toMatchObject({ foodId: 'butter-beans-dry', isCookedApart: true });
    // From dry they are soaked and boiled first, and the product says so.
    expect(after.findings.map(({ code }) => code)).toContain('phaseolus-from-dry');
  });
});

test('no offer is left that cannot be taken, and none changes a line it does not name', () => {
  for (const { recipe } of demo) {
    for (const kitchen of [ward, school, cafe]) {
      for (const { id, lineId } of offers(recipe, kitchen)) {
        const after = take(recipe, kitchen, id);
        expect(after).not.toBe(recipe);
        const changed = recipe.lines.filter((line) => {
          const now = after.lines.find((each) => each.id === line.id);
          return JSON.stringify(now) !== JSON.stringify(line);
        });
        const waters = changed.filter((line) => line.id !== lineId);
        expect(changed.some((line) => line.id === lineId)).toBe(true);
        expect(waters.every((line) => /water/i.test(line.text))).toBe(true);
      }
    }
  }
});

test('a variant is changed at its parent, so it is offered nothing', () => {
  expect(offers({ ...POT, parentId: 'another' }, cafe)).toEqual([]);
});
