/** Dishes with bands from physics and composition tables: what a scale and a laboratory would find. */
import fc from 'fast-check';
import { homeTarget, readRecipe, recipeFromReading, type Worksheet } from '@hand-ladle/core';
import { bare } from '@hand-ladle/testing/asked';
import { book, sheetOf } from '@hand-ladle/testing/world';
import type { Facts } from '../../src/food/facts';
import { residualShare, steamFrom } from '../../src/matter/drying';

function dish(lines: string[], steps: string[], transferLoss = 0.02): Worksheet[] {
  const text = ['A dish', 'Serves 4', '', 'Ingredients', ...lines, '', 'Method', ...steps].join('\n');
  const recipe = recipeFromReading(readRecipe(text, book.foods), 'matter');
  const kitchen = { ...bare, transferLoss };
  return [homeTarget(recipe, book, kitchen), { kind: 'weight', grams: 40_000 } as const].map((target) =>
    sheetOf(recipe, target, kitchen),
  );
}
const solids = ({ fatG, proteinG, carbohydrateG }: Facts): number => fatG + proteinG + carbohydrateG;

type Band = Partial<Record<'energyKcal' | 'fatG' | 'proteinG' | 'carbohydrateG' | 'saltG', [number, number]>>;
const CASES: readonly [name: string, lines: string[], steps: string[], per100g: Band][] = [
  ['almonds hold 4 % water and lose no more', ['500 g almonds'], ['Roast for 30 minutes at 180 °C.'], { energyKcal: [570, 640], fatG: [48, 54] }],
  ['pumpkin seeds toasted dry', ['300 g pumpkin seeds'], ['Roast for 20 minutes at 160 °C.'], { energyKcal: [530, 620] }],
  ['oat bars stay under 100 g of solids', ['300 g rolled oats', '100 g maple syrup', '80 g olive oil', '100 g almonds'], ['Bake for 35 minutes at 170 °C.'], { energyKcal: [460, 540] }],
  ['granola', ['500 g rolled oats', '100 g sunflower seeds', '120 g maple syrup', '60 g rapeseed oil'], ['Bake for 40 minutes at 150 °C.'], { energyKcal: [420, 500] }],
  ['a loaf keeps a third of its weight as water', ['500 g strong wheat flour', '340 g water', '10 g fine salt', '7 g dried yeast'], ['Knead and bake for 40 minutes at 220 °C.'], { energyKcal: [215, 275], carbohydrateG: [42, 56] }],
  ['roast roots keep most of their water', ['500 g carrots', '500 g parsnips', '40 g olive oil'], ['Roast for 45 minutes at 200 °C.'], { energyKcal: [85, 165] }],
  ['a fruit bake', ['1.2 kg plums', '100 g rolled oats', '60 g plain flour', '60 g margarine'], ['Bake for 40 minutes at 180 °C.'], { energyKcal: [110, 165] }],
  ['chips said deep-fried', ['1 kg potatoes', '1 litre sunflower oil, for deep-frying'], ['Deep-fry for 5 minutes.'], { fatG: [5, 15] }],
  ['chips in batches', ['1 kg potatoes', '1 litre sunflower oil, for deep-frying'], ['Fry in batches until golden.'], { fatG: [5, 15] }],
  ['chips lowered into hot oil', ['1 kg potatoes', '1 litre sunflower oil'], ['Lower them into hot oil and cook for 4 minutes.'], { fatG: [5, 15] }],
  ['chips in oil at a temperature', ['1 kg potatoes', '1 litre sunflower oil'], ['Heat the oil to 175 °C and fry the potatoes for 5 minutes.'], { fatG: [5, 15] }],
  ['chips in the fryer', ['1 kg potatoes', '2 litres sunflower oil'], ['Use the deep fat fryer, 5 minutes.'], { fatG: [5, 15] }],
  ['chips in a deep pan', ['1 kg potatoes', '1 litre sunflower oil'], ['Heat the oil in a deep pan and fry the potatoes in batches for 5 minutes.'], { fatG: [5, 15] }],
  ['chips in oil that is heated, and the line says what it is for', ['1 kg potatoes', '1 litre oil, for deep-frying'], ['Heat the oil to 180 °C and cook the potatoes until golden.'], { fatG: [5, 15] }],
  ['chips whose line alone says so', ['1 kg potatoes', '1 litre oil, for deep-frying'], ['Cook the potatoes until golden.'], { fatG: [5, 15] }],
  ['fritters fried twice', ['800 g courgettes', '100 g chickpea flour', '750 ml rapeseed oil, for frying'], ['Fry for 4 minutes, then fry again for 2 minutes.'], { fatG: [4, 16] }],
  ['a film of oil is eaten whole, and goes by the pan in a batch', ['1 kg mushrooms', '40 g olive oil'], ['Fry the mushrooms in the oil for 8 minutes.'], { fatG: [2.5, 6] }],
  ['spaghetti in 5 l of salted water', ['400 g spaghetti', '5 l water', '50 g fine salt'], ['Boil the spaghetti in the salted water for 10 minutes and drain.'], { energyKcal: [140, 170], saltG: [0.3, 1.2] }],
  ['noodles drained in the next step', ['300 g wheat noodles', '4 l water'], ['Boil the noodles for 6 minutes.', 'Drain and rinse.'], { energyKcal: [130, 175] }],
  ['potatoes boiled and drained drink nothing', ['1 kg peeled potatoes', '2 l water'], ['Boil the potatoes for 20 minutes, then drain.'], { energyKcal: [70, 90] }],
  ['salted potatoes are not saltless', ['1 kg peeled potatoes', '2 l water', '20 g fine salt'], ['Boil the potatoes in salted water for 20 minutes.', 'Drain well and mash.'], { energyKcal: [70, 90], saltG: [0.1, 1] }],
  ['steam of a bath is not taken from the food', ['200 g green lentils', '1 l water'], ['Boil the lentils until soft, 25 minutes, and drain.'], { energyKcal: [105, 150] }],
  ['drained if needed is not drained', ['200 g brown rice', '600 g water'], ['Simmer covered for 40 minutes. Drain if needed.'], { energyKcal: [80, 130] }],
  ['a tin drained beside a soup', ['400 g tinned chickpeas', '1 l water', '300 g tomatoes'], ['Simmer the tomatoes in the water for 20 minutes, then drain the chickpeas and stir in.'], { energyKcal: [25, 45] }],
  ['a tin drained and rinsed beside a soup', ['400 g tinned chickpeas', '1 l water', '300 g tomatoes'], ['Simmer the tomatoes in the water for 20 minutes, drain and rinse the chickpeas and add.'], { energyKcal: [25, 45] }],
  ['a tin drained first', ['400 g tinned chickpeas', '1 l water', '300 g tomatoes'], ['Drain the chickpeas and simmer with the tomatoes and the water for 20 minutes.'], { energyKcal: [25, 45] }],
  ['a tin drained in the step after', ['200 g red lentils', '1 l water', '400 g tinned chickpeas'], ['Simmer the lentils in the water for 20 minutes.', 'Drain the chickpeas and add.'], { energyKcal: [60, 100] }],
  ['drained beans in a soup', ['400 g tinned chickpeas', '1 l water', '300 g tomatoes'], ['Simmer the drained chickpeas with the tomatoes and the water for 20 minutes.'], { energyKcal: [25, 45] }],
  ['excess water', ['500 g bulgur wheat', '1 l water'], ['Cook the bulgur for 10 minutes and drain any excess water.'], { energyKcal: [85, 130] }],
  ['what is kept is no bath', ['200 g red lentils', '700 g water'], ['Simmer covered for 20 minutes; drain, keeping the cooking water for the soup.'], { energyKcal: [60, 100] }],
  ['couscous said cooked', ['200 g cooked couscous'], ['Fluff up.'], { energyKcal: [120, 180] }],
  ['farro said cooked', ['200 g cooked farro'], ['Serve.'], { energyKcal: [105, 165] }],
  ['orzo said cooked', ['200 g cooked orzo'], ['Serve.'], { energyKcal: [130, 175] }],
  ['wine is a liquid', ['200 g green lentils', '800 g white wine'], ['Simmer covered for 30 minutes.'], { proteinG: [4.5, 6] }],
  ['soaked and ground', ['500 g dried chickpeas'], ['Soak the chickpeas overnight and drain.', 'Grind everything.'], { energyKcal: [165, 205], proteinG: [8.5, 11.5] }],
  ['simmered until thick', ['250 g red lentils', '1 litre water'], ['Simmer uncovered for 25 minutes.'], { proteinG: [4.5, 6.5] }],
  ['raw', ['300 g carrots', '300 g apples'], ['Grate and mix.'], { energyKcal: [40, 52] }],
  // A tin of 400 g: 240 g of beans at 139 kcal, 160 g of liquid at 18.
  ['a tin with its liquid is eaten whole', ['1 x 400 g tin chickpeas, with their liquid'], ['Warm through.'], { energyKcal: [80, 96], saltG: [0.75, 0.9] }],
  ['a tin said undrained', ['400 g tin chickpeas, undrained'], ['Blend.'], { energyKcal: [80, 96] }],
  ['a tin whose step adds the liquid', ['400 g tin chickpeas', '200 g passata'], ['Add the chickpeas and their liquid to the passata and warm through.'], { energyKcal: [60, 76] }],
  ['a tin in a soup of water and lemon juice stays drained', ['400 g tin chickpeas', '500 ml water', '30 g lemon juice'], ['Simmer the chickpeas with the water and the juice of the lemon, covered, for 10 minutes.'], { saltG: [0.1, 0.22], energyKcal: [38, 46] }],
  ['a tin with all their juices', ['400 g tin chickpeas'], ['Add the chickpeas with all their juices and warm through.'], { energyKcal: [80, 96] }],
  ['a tin drained and rinsed', ['400 g tin chickpeas, drained and rinsed'], ['Warm through.'], { energyKcal: [125, 142], saltG: [0.4, 0.6] }],
  ['a tin that keeps its liquid for something else', ['400 g tin chickpeas, drained, liquid reserved'], ['Warm through.'], { energyKcal: [125, 142] }],
  // Beans double in the soak and hold 5 % less than twice as much water as flour.
  ['dry beans soaked, then boiled in fresh water and drained', ['500 g dried chickpeas', '2 l water'], ['Soak the chickpeas overnight, drain.', 'Cover with the water, boil for 60 minutes, then drain.'], { energyKcal: [145, 170], proteinG: [8, 10] }],
  ['soaked in water the list gives', ['500 g dried chickpeas', '1.5 l water, for soaking'], ['Soak overnight, drain and grind.'], { energyKcal: [165, 205] }],
  ['chickpeas said soaked are weighed wet', ['400 g soaked chickpeas'], ['Grind.'], { energyKcal: [165, 205] }],
  ['nuts soaked, drained and blended with other water', ['200 g cashews', '400 ml water, for soaking', '150 ml water'], ['Soak the cashews for 4 hours, drain.', 'Blend with the 150 ml water until smooth.'], { energyKcal: [250, 290], fatG: [18, 23] }],
  ['nuts soaked and blended in the same water', ['200 g cashews', '400 ml water'], ['Soak the cashews in the water for 4 hours.', 'Blend smooth with their soaking water.'], { energyKcal: [175, 205] }],
  ['fritters of soaked, ground chickpeas', ['250 g dried chickpeas', '1 onion', '1 l oil for frying'], ['Soak overnight, drain, grind with the onion.', 'Shape into balls and deep-fry for 4 minutes.'], { energyKcal: [180, 300], fatG: [6, 15] }],
  ['batter takes more', ['600 g courgettes', '200 g plain flour', '250 ml water', '1 l rapeseed oil'], ['Dip in the batter of flour and water and deep-fry for 3 minutes.'], { fatG: [10, 18] }],
  ['the oil an onion is started in stays in the pot', ['1 onion', '60 ml olive oil', '400 g tin chopped tomatoes', '400 g cooked white beans'], ['Fry the onion in the oil for 8 minutes.', 'Add the tomatoes and beans and simmer covered for 20 minutes.'], { fatG: [0.8, 7.5] }],
  ['chips beside a stew', ['600 g potatoes', '300 ml sunflower oil', '1 kg cooked white beans'], ['Fry the potatoes in the oil in batches and lift out.', 'Serve with the warm beans.'], { fatG: [2.5, 6] }],
  ['shallow-fried', ['500 g courgettes', '50 g plain flour', '150 ml oil for shallow-frying'], ['Shallow-fry in batches.'], { fatG: [6, 16] }],
  ['aubergines lifted out of much oil', ['1 kg aubergines', '400 ml olive oil'], ['Fry the aubergines in the oil until soft, lift out and drain on paper.'], { fatG: [6, 15] }],
  ['dressed after draining', ['400 g spaghetti', '4 l water', '30 g olive oil', '4 g fine salt'], ['Boil the spaghetti in the water for 10 minutes.', 'Drain and dress with the oil and the salt.'], { energyKcal: [155, 190], saltG: [0.35, 0.5] }],
  ['salted water that no line gives', ['400 g spaghetti', '40 g fine salt'], ['Cook the spaghetti in plenty of salted water for 10 minutes and drain.'], { energyKcal: [140, 170], saltG: [0.3, 1] }],
  ['tipped into a colander', ['1 kg peeled potatoes', '2 l water'], ['Boil the potatoes for 20 minutes and tip into a colander.'], { energyKcal: [70, 90] }],
  ['blanched and refreshed', ['500 g green beans', '3 l water'], ['Blanch the beans for 3 minutes and refresh in iced water.'], { energyKcal: [25, 40] }],
  ['steamed over water', ['500 g broccoli', '500 ml water'], ['Steam the broccoli over the water for 8 minutes.'], { energyKcal: [30, 42] }],
  ['a stock leaves its vegetables behind', ['1 kg carrots', '500 g onions', '3 l water'], ['Simmer for 60 minutes, then strain through a sieve, discarding the vegetables.'], { energyKcal: [1, 8] }],
  ['nut milk leaves its pulp behind', ['200 g almonds', '1 l water'], ['Blend and strain through a cloth.'], { energyKcal: [35, 75], fatG: [3, 6.5] }],
  ['noodles strained are noodles drained', ['300 g wheat noodles', '4 l water'], ['Boil the noodles for 6 minutes and strain the noodles.'], { energyKcal: [130, 175] }],
  ['dried mushrooms soaked, the water kept', ['30 g dried porcini', '300 ml water', '300 g pearl barley', '1.2 l water'], ['Soak the mushrooms in the 300 ml water for 20 minutes, keeping the liquid.', 'Simmer all covered for 40 minutes.'], { energyKcal: [55, 75] }],
  ['dried mushrooms soaked and drained', ['30 g dried shiitake', '500 ml water'], ['Soak the shiitake in the water for 30 minutes and drain. Slice.'], { energyKcal: [40, 65] }],
  ['reduced by half', ['1 l passata'], ['Simmer until reduced by half.'], { energyKcal: [55, 75] }],
  ['reduced to a third', ['1 l vegetable stock'], ['Boil until reduced to a third.'], { energyKcal: [3, 40] }],
  ['simmered until the liquid is gone', ['200 g red lentils', '600 g water'], ['Simmer until the liquid is gone.'], { energyKcal: [115, 145] }],
  ['a marinade thrown away', ['400 g firm tofu', '200 ml soy sauce'], ['Marinate the tofu in the soy sauce for 1 hour, drain and discard the marinade.', 'Fry dry.'], { saltG: [0.9, 1.9] }],
  ['a marinade that is kept', ['400 g firm tofu', '100 ml soy sauce'], ['Marinate the tofu in the soy sauce for 1 hour.', 'Warm all of it.'], { saltG: [2.8, 3.6] }],
  ['salted, left to weep and rinsed', ['1 kg aubergines', '30 g fine salt'], ['Sprinkle the aubergines with the salt, leave 30 minutes, rinse and pat dry.'], { saltG: [0.4, 1.4] }],
  ['salt is not rinsed off with the lentils', ['2 onions', '8 g fine salt', '300 g cooked green lentils'], ['Season the onions with the salt and fry for 10 minutes.', 'Rinse the lentils and add.'], { saltG: [1.2, 1.7] }],
  ['lentils in stock, strained, are lentils', ['200 g green lentils', '1.5 l vegetable stock'], ['Simmer the lentils in the stock for 25 minutes.', 'Strain the lentils.'], { energyKcal: [100, 150] }],
  ['soaked in plenty, drained, and cooked in the water of the list', ['500 g dried black beans', '2.5 l water'], ['Soak the beans overnight in plenty of water.', 'Drain, add the 2.5 l water and simmer covered for 90 minutes. Keep in their cooking liquid.'], { energyKcal: [42, 54] }],
  ['blanched and plunged into iced water', ['400 g kale', '3 l water'], ['Blanch the kale for 2 minutes, plunge into iced water and squeeze dry.'], { energyKcal: [25, 60] }],
  ['pressed tofu', ['400 g firm tofu'], ['Press the tofu for 30 minutes.'], { proteinG: [13.8, 16] }],
  ['frozen peas hold what they held', ['500 g frozen peas'], ['Leave to thaw.'], { energyKcal: [65, 92] }],
  ['kale crisps keep a little water', ['200 g kale', '15 g olive oil'], ['Roast for 25 minutes at 150 °C.'], { energyKcal: [95, 320] }],
  ['crackers', ['300 g rye flour', '150 g water', '40 g olive oil', '6 g fine salt'], ['Roll thin and bake for 40 minutes at 180 °C.'], { energyKcal: [330, 470] }],
  ['a cake', ['300 g plain flour', '200 g white sugar', '240 g oat drink', '100 g rapeseed oil', '12 g baking powder'], ['Bake for 40 minutes at 180 °C.'], { energyKcal: [330, 420] }],
  ['rice cooked in just its water', ['300 g white rice', '600 ml water'], ['Simmer covered for 12 minutes.'], { energyKcal: [110, 135] }],
  ['porridge', ['100 g rolled oats', '450 g water'], ['Simmer covered for 8 minutes.'], { energyKcal: [60, 78] }],
  ['blended', ['400 g cooked white beans', '40 g olive oil'], ['Blend.'], { fatG: [8, 11] }],
]; // prettier-ignore

test.each(CASES)('%s', (_, lines, steps, band) => {
  for (const sheet of dish(lines, steps)) {
    const { per100g } = sheet.nutrition;
    for (const [id, [low, high]] of Object.entries(band)) {
      const value = id === 'saltG' ? (per100g.sodiumMg * 2.5) / 1000 : per100g[id as keyof Facts];
      expect([id, value, value >= low && value <= high]).toEqual([id, value, true]);
    }
    expect(solids(per100g)).toBeLessThanOrEqual(100);
    expect(per100g.energyKcal).toBeLessThanOrEqual(900);
  }
});

test('sixty dishes and more are held to bands that no line of the model gave', () => {
  expect(CASES.length).toBeGreaterThanOrEqual(60);
});

test('what sticks to pots changes weights, never figures per 100 g', () => {
  const lines = ['300 g red lentils', '900 g water', '30 g olive oil'];
  const of = (loss: number) => dish(lines, ['Simmer covered for 20 minutes.'], loss)[0]!;
  const [none, much] = [of(0), of(0.2)];
  expect(much.nutrition.per100g.proteinG).toBeCloseTo(none.nutrition.per100g.proteinG, 9);
  expect(much.baseGrams).toBeCloseTo(none.baseGrams * 0.8, 6);
});

describe('drying', () => {
  const grams = fc.double({ min: 0.01, max: 50_000, noNaN: true });
  const where = fc.constantFrom('oven' as const, 'crisp' as const, 'pot' as const);

  test('steam never exceeds what drives it, nor the water above the residual', () => {
    fc.assert(
      fc.property(grams, grams, grams, where, (driven, water, dry, at) => {
        const steam = steamFrom(driven, water, dry, at);
        expect(steam).toBeLessThanOrEqual(driven * (1 + 1e-9));
        expect(steam).toBeLessThanOrEqual(water);
        const left = water - steam;
        const least = Math.min(water / (water + dry), residualShare(water / (water + dry), at));
        expect(left / (left + dry)).toBeGreaterThanOrEqual(least - 1e-9);
      }),
    );
  });

  test('more heat takes more, and a gram more of anything never makes the dish lighter', () => {
    fc.assert(
      fc.property(grams, grams, grams, grams, where, (driven, water, dry, more, at) => {
        const finished = (d: number, w: number, rest: number): number => w + rest - steamFrom(d, w, rest, at);
        expect(steamFrom(driven + more, water, dry, at)).toBeGreaterThanOrEqual(
          steamFrom(driven, water, dry, at) - 1e-9,
        );
        const before = finished(driven, water, dry);
        expect(finished(driven, water + more, dry)).toBeGreaterThanOrEqual(before * (1 - 1e-9));
        expect(finished(driven, water, dry + more)).toBeGreaterThanOrEqual(before * (1 - 1e-9));
      }),
    );
  });
});

describe('docs/matter.md, worked by hand', () => {
  const flow = (sheet: Worksheet, name: string): number =>
    sheet.massBalance.rows.find((row) => row.flow === name)!.grams / sheet.factor;

  test('chips: 110 g of oil taken up, 811 g left, 200 g of steam, 891.8 g finished', () => {
    const [home] = dish(
      ['1 kg peeled potatoes', '1 litre sunflower oil'],
      ['Deep-fry the potatoes for 5 minutes.'],
    );
    expect(flow(home!, 'left-in-pan')).toBeCloseTo(811, 0);
    expect(flow(home!, 'steam')).toBeCloseTo(200, 6);
    expect(home!.baseGrams).toBeCloseTo(891.8, 1);
    expect(home!.nutrition.per100g.fatG).toBeCloseTo((1 + 110) / 9.1, 1);
  });

  test('spaghetti: 520 g of water taken up and 3480 g poured off, 5.2 g of 40 g of salt eaten', () => {
    const lines = ['400 g spaghetti', '4 l water', '40 g fine salt'];
    const [home] = dish(lines, ['Boil the spaghetti in the water for 10 minutes and drain.']);
    const water = home!.lines.find(({ foodId }) => foodId === 'water')!;
    const salt = home!.lines.find(({ role }) => role === 'salt')!;
    expect(water.baseGrams! * water.eatenShare).toBeCloseTo(520, 0);
    expect(salt.baseGrams! * salt.eatenShare).toBeCloseTo(5.2, 1);
    expect(flow(home!, 'poured-off')).toBeCloseTo(4000 - 520 + (40 - 5.2), -1);
  });
});

describe('what is kept back, and what only clings', () => {
  const eaten = (lines: string[], steps: string[], id: string): number => {
    const [home] = dish(lines, steps);
    const line = home!.lines.find(({ foodId }) => foodId === id)!;
    return line.baseGrams! * line.eatenShare;
  };

  test('a measured part of the cooking water goes back in', () => {
    const lines = ['300 g dried kidney beans', '2 l water'];
    const steps = [
      'Soak overnight. Drain and rinse.',
      'Boil in the water for 45 minutes; drain, reserving 200 ml of the cooking liquid.',
      'Mash with the reserved liquid.',
    ];
    // From soaked to cooked: 300 x (2.6 - 2.0), and 200 g that are kept.
    expect(eaten(lines, steps, 'water')).toBeCloseTo(300 * 0.6 + 200, 0);
  });

  test('water of a dough is not what the dough is simmered in', () => {
    const lines = ['300 g vital wheat gluten', '250 ml water', '2 l vegetable stock'];
    const steps = [
      'Mix the gluten and water to a dough.',
      'Simmer in the stock for 45 minutes and lift out with a slotted spoon.',
    ];
    expect(eaten(lines, steps, 'water')).toBeCloseTo(250, 0);
    expect(eaten(lines, steps, 'vegetable-stock')).toBeLessThan(100);
  });

  test('in a brine of days salt evens out; in an hour of marinade it clings', () => {
    const brine = eaten(
      ['1 kg peeled carrots', '1 l water', '50 g fine salt'],
      ['Dissolve the salt in the water, pour over the carrots and ferment for 7 days. Drain before serving.'],
      'fine-salt',
    );
    expect(brine).toBeGreaterThan(18);
    expect(brine).toBeLessThan(28);
  });

  test('half of the liquid of a tin is half of it', () => {
    expect(
      eaten(
        ['400 g tin black beans', '1 onion'],
        ['Add the beans with half of their liquid.'],
        'pulse-liquor',
      ),
    ).toBeCloseTo(80, 6);
  });

  test('boiling water poured over noodles is drunk, though no line names it', () => {
    const [home] = dish(['200 g rice noodles'], ['Pour over boiling water, leave 8 minutes and drain.']);
    expect(home!.nutrition.per100g.energyKcal).toBeLessThan(170);
  });
});

describe('a pan of frying oil is topped up in a batch, never fried dry', () => {
  test.each([1000, 5000, 20_000, 100_000])('%d g', (grams) => {
    const lines = ['300 g creamed coconut', '200 g bread', '300 g rapeseed oil'];
    const recipe = recipeFromReading(
      readRecipe(
        ['A dish', 'Serves 4', '', ...lines, '', 'Method', 'Fry the bread in the oil in batches.'].join('\n'),
        book.foods,
      ),
      'topped',
    );
    const sheet = sheetOf(recipe, { kind: 'weight', grams }, bare);
    expect(sheet.massBalance.leftInPanGrams).toBeGreaterThan(0);
    expect(sheet.findings.map(({ code }) => code)).not.toContain('assay-impossible');
  });
});
