import fc from 'fast-check';
import { gramsText, readLine } from '@hand-ladle/core';
import { runs } from '@hand-ladle/testing/runs';
import { book, recipeOf, school, sheetOf, ward } from '@hand-ladle/testing/world';
import { weighLine } from '../../src/dish/standard/weigh';

const read = (text: string) => readLine(text, book.foods);
const lineOf = (text: string) => sheetOf(recipeOf([text, '500 g potatoes'])).lines[0]!;

describe('a written line', () => {
  test.each<[string, string, number, number]>([
    ['1 1/2 cups pearl barley, rinsed', 'pearl-barley', 300, 335],
    ['1½ cups pearl barley', 'pearl-barley', 300, 335],
    ['2 tbsp tamari', 'tamari', 34, 38],
    ['a handful of dill', 'dill', 10, 20],
    ['2 x 400 g tins white beans, drained', 'white-beans-tinned', 470, 490],
    ['1 400g can white beans, drained and rinsed', 'white-beans-tinned', 235, 245],
    ['3 medium leeks', 'leek', 295, 324],
    ['2 large carrots, diced', 'carrot', 170, 200],
    ['1 small onion', 'onion', 85, 105],
    ['200 g peeled potatoes', 'potato', 199, 201],
    ['200 g potatoes', 'potato', 160, 170],
    ['1 kg parsnips', 'parsnip', 795, 805],
    ['juice of 2 lemons', 'lemon-juice', 85, 95],
    ['1 lemon, juiced', 'lemon-juice', 40, 50],
    ['2 cloves garlic', 'garlic', 6, 8],
    ['1 tbsp cornflour', 'cornflour', 7, 9],
    ['1/2 cup hazelnuts, chopped', 'hazelnuts', 55, 65],
    ['1 cup plus 2 tbsp millet', 'millet', 225, 250],
    ['1 lb beetroot', 'beetroot', 360, 366],
    ['12 oz kale', 'kale', 218, 224],
    ['1.5 l water', 'water', 1490, 1510],
    ['1 or 2 stalks celery', 'celery', 60, 65],
    ['2 leeks (about 350 g)', 'leek', 179, 185],
    ['250g firm tofu', 'firm-tofu', 249, 251],
    ['- 3 tbsp tahini', 'tahini', 43, 48],
    ['2 heaped tbsp tomato puree', 'tomato-paste', 40, 48],
    ['a thumb of ginger', 'ginger', 12, 20],
    ['1 tsp caraway seeds', 'caraway', 1.9, 2.3],
    ['six turns of black pepper', 'black-pepper', 0.5, 0.7],
    ['300 ml soya milk', 'soya-milk', 300, 315],
    ['1 bunch scallions', 'spring-onion', 90, 97],
    ['4 bok choi', 'pak-choi', 690, 720],
  ])('%s is %s', (text, foodId, low, high) => {
    const line = lineOf(text);
    expect(line.foodId).toBe(foodId);
    expect(line.baseGrams).toBeGreaterThanOrEqual(low);
    expect(line.baseGrams).toBeLessThanOrEqual(high);
  });

  test('the form stands apart from the food, and the text is kept', () => {
    const line = recipeOf(['2 medium leeks, finely sliced']).lines[0]!;
    expect(line.reading.form).toBe('finely sliced');
    expect(line.text).toBe('2 medium leeks, finely sliced');
  });

  test('a component is read by its own name before its ingredients are', () => {
    expect(read('100 g sunflower seed cream').foodId).toBe('sunflower-seed-cream');
    expect(read('100 g sunflower seeds').foodId).toBe('sunflower-seeds');
  });

  test('a US kitchen means a smaller cup than a metric one', () => {
    const grams = (kitchen: typeof ward) =>
      weighLine(recipeOf(['1 cup millet']).lines[0]!, book.foods.foods.get('millet')!, kitchen).weight!.grams;
    expect(grams(school)).toBeCloseTo(200, 5);
    expect(grams(ward)).toBeCloseTo((200 * 250) / 236.588, 5);
  });
});

describe('what is unsure becomes a decision', () => {
  const codes = (text: string) => lineOf(text).findings.map(({ code }) => code);

  test.each([
    ['a handful of dill', 'amount-vague'],
    ['salt to taste', 'amount-to-taste'],
    ['fresh parsley', 'amount-missing'],
    ['200 g skirret', 'food-unknown'],
    ['200 g teff flakes', 'food-unsure'],
    ['millet crackers, 100 g', 'food-unsure'],
    ['2 tbsp tahni', 'food-unsure'],
    ['200 g white beans', 'state-unsure'],
    ['1 cup pearl barley or millet', 'alternative-open'],
    ['1 tsp (12 g) fine salt', 'weight-contradiction'],
    ['2 tbsp tamari', 'pack-unknown'],
    ['1 cup kombu', 'amount-guessed'],
    ['1e308 cups millet', 'amount-absurd'],
    ['-5 cups millet', 'amount-absurd'],
    ['0 g millet', 'amount-absurd'],
    ['1 tbsp honey', 'animal-food'],
  ])('%s: %s', (text, code) => {
    expect(codes(text)).toContain(code);
  });

  test('a handful that this kitchen has weighed is no question any more', () => {
    const line = lineOf('a handful of kale');
    expect(line.origin).toBe('weighed here');
    expect(line.findings.filter(({ severity }) => severity === 'decision')).toEqual([]);
  });

  test('an answer settles the question and the words stay', () => {
    const recipe = recipeOf(['200 g white beans', 'salt to taste']);
    const [beans, salt] = recipe.lines;
    const lines = [
      { ...beans!, answers: { foodId: 'white-beans-cooked' } },
      { ...salt!, answers: { grams: 4, gramsOrigin: 'weighed here' as const } },
    ];
    const sheet = sheetOf({ ...recipe, lines });
    expect(sheet.label.draftReasons).toEqual([]);
    expect(sheet.lines.map(({ text }) => text)).toEqual(['200 g white beans', 'salt to taste']);
    expect(gramsText(sheet.lines[1]!.baseGrams!)).toBe('4.0 g');
  });
});

test('whatever is written, reading it throws nothing and invents no weight', () => {
  const pieces = fc.constantFrom(
    '1',
    '½',
    '2 x 400 g',
    'tins',
    'cup',
    'of',
    'or',
    'plus',
    '(',
    ')',
    'dill',
    '-',
    '1e308',
    '🥕',
    '\u202e',
    '<script>',
    ',',
    'to taste',
  );
  const anyLine = fc.oneof(
    fc.string({ maxLength: 200 }),
    fc.array(pieces, { maxLength: 14 }).map((words) => words.join(' ')),
  );
  fc.assert(
    fc.property(anyLine, (text) => {
      const [line] = sheetOf(recipeOf([text, '1 kg potatoes'])).lines;
      expect(line!.text).toBe(text);
      const { baseGrams } = line!;
      expect(baseGrams === null || (Number.isFinite(baseGrams) && baseGrams > 0)).toBe(true);
    }),
    { numRuns: runs(200) },
  );
});
