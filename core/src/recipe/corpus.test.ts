import { readLine } from '../index';
import { book, recipeOf, school, sheetOf, ward } from '../testing/world';

/**
 * Lines as people write and say them, each with the food it means and the band its edible grams must fall in, in a
 * US kitchen (236.588 mL cups). `null` grams: the line gives no weight anyone could know.
 */
const CORPUS: readonly [text: string, foodId: string, low: number | null, high: number | null][] = [
  // US cups and spoons
  ['2 cups brown rice', 'brown-rice', 360, 400],
  ['1 C millet', 'millet', 190, 210],
  ['3/4 cup red lentils, picked over', 'red-lentils', 140, 152],
  ['1/3 cup sunflower seeds', 'sunflower-seeds', 45, 49],
  ['1 T tahini', 'tahini', 14, 16],
  ['1 t black pepper', 'black-pepper', 2.2, 2.4],
  ['1 TBSP olive oil', 'olive-oil', 13, 14],
  ['2 Tbsp. maple syrup', 'maple-syrup', 38, 42],
  ['1/2 tsp. nutmeg', 'nutmeg', 1, 1.2],
  ['1 teaspoon smoked paprika', 'smoked-paprika', 2, 2.6],
  ['2 tablespoons tomato puree', 'tomato-paste', 30, 34],
  ['1 quart water', 'water', 930, 960],
  ['1 pint oat milk', 'oat-milk', 470, 510],
  ['8 fl oz soya milk', 'soya-milk', 235, 250],
  ['1 scant cup rolled oats', 'rolled-oats', 70, 80],
  ['1 rounded tbsp ground flax', 'ground-flax', 8.5, 10.5],
  ['2 level tsp caraway', 'caraway', 4, 4.4],
  // Grams, kilos, pounds, ounces
  ['250 g firm tofu, pressed', 'firm-tofu', 250, 250],
  ['1kg potatoes', 'potato', 815, 825],
  ['1.5 kg carrots, peeled', 'carrot', 1500, 1500],
  ['2 lb onions', 'onion', 810, 820],
  ['8 oz mushrooms, sliced', 'mushrooms', 226, 228],
  ['500 grams split peas', 'split-peas', 500, 500],
  ['0,5 kg kale', 'kale', 320, 330],
  ['1,200 g celeriac, diced', 'celeriac', 1200, 1200],
  ['75g hazelnuts', 'hazelnuts', 75, 75],
  // Pieces by size
  ['1 leek', 'leek', 145, 150],
  ['1 large leek', 'leek', 195, 205],
  ['2 small parsnips', 'parsnip', 140, 150],
  ['three medium beetroots', 'beetroot', 280, 295],
  ['a pear', 'pear', 155, 162],
  ['half a white cabbage', 'white-cabbage', 390, 410],
  ['a dozen mushrooms', 'mushrooms', 200, 215],
  ['half a dozen spring onions', 'spring-onion', 88, 96],
  ['a couple of carrots', 'carrot', 130, 140],
  ['1 head of garlic', 'garlic', 43, 45],
  ['6 cloves garlic, crushed', 'garlic', 20, 22],
  ['4 stalks celery', 'celery', 160, 170],
  ['2 sprigs dill', 'dill', 1.5, 1.7],
  // Tins, packs, blocks
  ['1 tin chopped tomatoes', 'tomato-tinned', 400, 400],
  ['2 cans of white beans, drained', 'white-beans-tinned', 475, 485],
  ['2 x 400g tins white beans', 'white-beans-tinned', 475, 485],
  ['1 400 g can coconut milk', 'coconut-milk', 400, 400],
  ['1 block tempeh', 'tempeh', 195, 205],
  ['1 packet dried yeast', 'yeast-dried', 7, 7],
  ['1 pack rice noodles', 'rice-noodles', 250, 250],
  // Words of amount
  ['a handful of parsley', 'parsley', 8, 25],
  ['2 handfuls of kale', 'kale', 50, 72],
  ['a pinch of salt', 'fine-salt', 0.2, 0.7],
  ['a thumb of ginger, grated', 'ginger', 12, 20],
  ['a splash of cider vinegar', 'cider-vinegar', 4, 14],
  ['drizzle of olive oil', 'olive-oil', 4, 14],
  ['10 turns of black pepper', 'black-pepper', 0.9, 1.1],
  ['salt to taste', 'fine-salt', null, null],
  ['black pepper, to taste', 'black-pepper', null, null],
  ['rapeseed oil for frying', 'rapeseed-oil', null, null],
  ['fresh dill, to serve', 'dill', null, null],
  // Ranges, compounds, stated weights
  ['2-3 carrots', 'carrot', 165, 175],
  ['1 to 2 onions', 'onion', 198, 206],
  ['200–250 g kale, destemmed', 'kale', 225, 225],
  ['1 cup + 2 tbsp millet', 'millet', 220, 230],
  ['1 cup and 1 tbsp water', 'water', 250, 253],
  ['2 leeks (350 g)', 'leek', 255, 262],
  ['1 bunch kale (about 200 g), destemmed', 'kale', 128, 202],
  ['about 300 g potatoes', 'potato', 243, 249],
  // Local words, spellings, other order
  ['2 cups bok choy', 'pak-choi', null, null],
  ['100 g fava beans', 'broad-beans-frozen', 100, 100],
  ['1 tbsp cornstarch', 'cornflour', 7.5, 8.5],
  ['1 tbsp soya sauce', 'soy-sauce', 17, 19],
  ['200 g kasha', 'buckwheat', 200, 200],
  ['1 celery root', 'celeriac', 515, 530],
  ['3 scallions', 'spring-onion', 44, 48],
  ['2 tbsp sesame paste', 'tahini', 29, 31],
  ['150 g bean curd', 'firm-tofu', 150, 150],
  ['200 g brocoli', 'broccoli', 148, 152],
  ['200 g buckweat', 'buckwheat', 200, 200],
  ['300 g parsnps', 'parsnip', 235, 245],
  ['carrots, 3', 'carrot', 200, 208],
  ['millet, 1 cup', 'millet', 195, 205],
  ['juice of 1 lemon', 'lemon-juice', 44, 46],
  ['juice of half a lemon', 'lemon-juice', 22, 23],
  ['the juice of two lemons', 'lemon-juice', 88, 92],
  // State decides the food
  ['200 g dried white beans', 'white-beans-dry', 200, 200],
  ['200 g cooked white beans', 'white-beans-cooked', 200, 200],
  ['1 cup canned white beans', 'white-beans-tinned', 175, 185],
  // Bullets and numbers
  ['- 200 g millet', 'millet', 200, 200],
  ['• 200 g millet', 'millet', 200, 200],
  ['* 2 onions', 'onion', 265, 275],
];

describe('a corpus of lines', () => {
  test.each(CORPUS)('%s', (text, foodId, low, high) => {
    const [line] = sheetOf(recipeOf([text, '1 kg red lentils']), undefined, school).lines;
    expect(line!.foodId ?? '').toBe(foodId);
    if (low === null) return;
    expect(line!.baseGrams).toBeGreaterThanOrEqual(low);
    expect(line!.baseGrams).toBeLessThanOrEqual(high!);
  });

  test('most lines read to the right food and weight: the share is reported and held', () => {
    const right = CORPUS.filter(([text, foodId, low, high]) => {
      const [line] = sheetOf(recipeOf([text, '1 kg red lentils']), undefined, school).lines;
      const isWeighed = low === null || (line!.baseGrams! >= low && line!.baseGrams! <= high!);
      return (line!.foodId ?? '') === foodId && isWeighed;
    });
    expect(right.length / CORPUS.length).toBeGreaterThanOrEqual(0.97);
  });

  test('letters of any case, doubled spaces and odd dashes change nothing', () => {
    for (const [text, foodId] of CORPUS.filter(([each]) => !/\b[TtC]\b/.test(each))) {
      expect([
        text,
        readLine(`  ${text.toUpperCase().replace(/ /g, '  ')} `, book.foods).foodId ?? '',
      ]).toEqual([text, foodId]);
    }
  });

  test('what a line is for, and whether it may be left out, is kept', () => {
    expect(readLine('rapeseed oil for frying', book.foods).purpose).toBe('fry');
    expect(readLine('dill, to serve', book.foods).purpose).toBe('garnish');
    expect(readLine('1 tsp caraway (optional)', book.foods).optional).toBe(true);
    expect(readLine('1 cup pearl barley or millet', book.foods).alternativeIds).toEqual(['millet']);
    expect(readLine('200 g white beans', book.foods)).toMatchObject({
      stateOpen: true,
      otherFoodIds: ['white-beans-dry', 'white-beans-cooked'],
    });
  });

  test('an unknown food is offered its nearest neighbours', () => {
    expect(readLine('200 g toasted buckwheat kernels flour mix', book.foods).foodId).not.toBeNull();
    const unknown = readLine('2 tbsp skirret germ', book.foods);
    expect(unknown.foodId).toBeNull();
    expect(unknown.otherFoodIds.length).toBeGreaterThan(0);
  });

  test('why a weight is what it is stands in words, with its origin', () => {
    const because = (text: string) => sheetOf(recipeOf([text, '1 kg potatoes']), undefined, ward).lines[0]!;
    expect(because('1 cup millet').because).toContain('g/mL for Millet (reference)');
    expect(because('2 leeks').because).toContain('x 0.74 after trimming (reference)');
    expect(because('2 x 400 g tins white beans').because).toContain('0.6 drained (convention)');
    expect(because('a handful of kale').because).toContain('weighed here on 2026-11-03');
    expect(because('1 large leek').because).toContain('x 1.35 for large (convention)');
    expect(because('2 leeks (350 g)').origin).toBe('as written');
  });
});
