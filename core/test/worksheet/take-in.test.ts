import {
  decisionsOf,
  isOpen,
  type Kitchen,
  type LineAnswers,
  readRecipe,
  recipeFromReading,
  splitRecipes,
  startFigure,
} from '@hand-ladle/core';
import { growth } from '@hand-ladle/testing/runs';
import { book, recipeOf, sheetOf, ward } from '@hand-ladle/testing/world';
import { splitLine } from '../../src/recipe/split-line';

const codesOf = (texts: string[], steps: string[] = [], kitchen: Kitchen = ward) =>
  decisionsOf(sheetOf(recipeOf(texts, steps), undefined, kitchen)).map(({ finding }) => finding.code);

describe('the list of decisions', () => {
  test('holds everything open, and nothing else', () => {
    const sheet = sheetOf(recipeOf(['200 g skirret', 'salt to taste', '2 tbsp tamari', '1 kg potatoes']));
    expect(decisionsOf(sheet)).toHaveLength(sheet.findings.filter(isOpen).length);
  });

  test('who could be hurt comes before weight, and weight before taste', () => {
    const order = codesOf([
      'a pinch of saffron',
      'salt to taste',
      '200 g white beans',
      '2 tbsp ponzu',
      '50 g feta',
      '1 kg potatoes',
    ]);
    const place = (code: string) => order.indexOf(code as (typeof order)[number]);
    expect(place('animal-food')).toBe(0);
    expect(place('food-unknown')).toBeLessThan(place('state-unsure'));
    expect(place('state-unsure')).toBeLessThan(place('amount-to-taste'));
    expect(place('amount-to-taste')).toBeLessThan(place('amount-vague'));
  });

  test('of two alike, the one more of the dish hangs on comes first, and says how much', () => {
    const decisions = decisionsOf(
      sheetOf(recipeOf(['50 g white beans', '900 g chickpeas', '500 g potatoes'])),
    );
    expect(decisions.map(({ line }) => line!.id)).toEqual(['l2', 'l1']);
    expect(decisions[0]!.weightShare).toBeGreaterThan(0.3);
    expect(decisions[1]!.weightShare).toBeLessThan(0.1);
  });

  test('an answer takes its question off the list', () => {
    const recipe = recipeOf(['200 g white beans', '1 kg potatoes']);
    const answered = (answers: LineAnswers) =>
      decisionsOf(sheetOf({ ...recipe, lines: [{ ...recipe.lines[0]!, answers }, recipe.lines[1]!] }));
    expect(answered({})).toHaveLength(1);
    expect(answered({ foodId: 'white-beans-dry' })).toEqual([]);
  });

  test('what a line without an amount may start from is offered, never taken', () => {
    const sheet = sheetOf(
      recipeOf([
        'salt to taste',
        'oil for frying',
        'dill, to serve',
        'some raisins',
        '1 kg potatoes, peeled',
      ]),
    );
    const start = (index: number, purpose: 'fry' | 'garnish' | null) =>
      startFigure(sheet.lines[index]!, purpose, sheet);
    expect(sheet.lines.slice(0, 4).map(({ baseGrams }) => baseGrams)).toEqual([null, null, null, null]);
    expect(start(0, null)!.grams).toBeCloseTo(0.005 * sheet.baseGrams, 1);
    expect(start(1, 'fry')!.grams).toBe(14);
    expect(start(2, 'garnish')!.grams).toBe(20);
    expect(start(3, null)).toBeNull();
    expect(start(4, null)).toBeNull();
  });
});

describe('a line whose food is not settled is clear of nothing', () => {
  const status = (texts: string[], id: string) =>
    sheetOf(recipeOf(texts)).allergens.find((each) => each.id === id)!.status;

  test.each([
    ['200 g parsnps'],
    ['100 g rice crackers'],
    ['2 tbsp cashew cream'],
    ['100 g olives stuffed with almonds'],
    ['400 g carrots, glazed in soy sauce'],
  ])('%s', (text) => {
    for (const id of ['soy', 'sesame', 'mustard'])
      expect([text, id, status([text], id)]).not.toEqual([text, id, 'clear']);
  });

  test('of which every choice is known is clear of what each of them is, and asked for what one of them holds', () => {
    expect(status(['100 g carrots or almonds'], 'tree-nut')).toBe('check');
    expect(status(['100 g carrots or almonds'], 'mustard')).toBe('clear');
    expect(status(['100 g kale or spinach'], 'soy')).toBe('clear');
    expect(status(['100 g almonds or carrots'], 'tree-nut')).toBe('contains');
  });

  test('water, oil and vegetables in the form say only how the food is', () => {
    for (const text of [
      '200 g carrots in water',
      '50 g dried tomatoes in oil, drained',
      '1 kg potatoes, cooked with onion',
    ])
      expect([text, recipeOf([text]).lines[0]!.reading.confidence]).toEqual([text, 1]);
  });

  test('what it surely holds is still named', () => {
    expect(status(['50 g toasted almonnds'], 'tree-nut')).toBe('contains');
    expect(status(['200 g parsnips'], 'soy')).toBe('clear');
  });

  test("a plant's promise on an animal's name is unknown, and plants are offered", () => {
    const { reading } = recipeOf(['100 g vegan paneer']).lines[0]!;
    expect(reading.foodId).toBeNull();
    expect(reading.otherFoodIds).toContain('vegan-cheese');
    for (const id of reading.otherFoodIds) expect(book.foods.foods.get(id)!.animal).not.toBe('animal');
    expect(recipeOf(['100 g feta']).lines[0]!.reading.foodId).toBe('feta');
  });

  test('a name this kitchen has tied is settled here and nowhere else', () => {
    const here: Kitchen = {
      ...ward,
      names: [{ written: 'red stuff', foodId: 'tomato-paste', tiedOn: '2026-11-20' }],
    };
    const line = (kitchen: Kitchen) =>
      sheetOf(recipeOf(['20 g red stuff', '1 kg potatoes']), undefined, kitchen).lines[0]!;
    expect([line(here).foodId, line(ward).foodId]).toEqual(['tomato-paste', null]);
    expect(line(here).findings.map(({ code }) => code)).not.toContain('food-unknown');
  });
});

describe('lines that hold two foods', () => {
  test.each<[string, string[]]>([
    ['salt and pepper to taste', ['salt to taste', 'pepper to taste']],
    ['salt & white pepper', ['salt', 'white pepper']],
    ['2 tbsp soy sauce + 1 tsp sugar', ['2 tbsp soy sauce', '1 tsp sugar']],
    ['1 onion and 2 carrots', ['1 onion', '2 carrots']],
    ['juice and zest of 2 limes', ['juice of 2 limes', 'zest of 2 limes']],
    ['1 cup plus 2 tbsp millet', ['1 cup plus 2 tbsp millet']],
    ['1 tin chopped tomatoes, with juice', ['1 tin chopped tomatoes, with juice']],
    ['2 leeks, washed and sliced', ['2 leeks, washed and sliced']],
    ['1 tsp cumin, coriander', ['1 tsp cumin, coriander']],
  ])('%s', (text, lines) => {
    expect(splitLine(text, book.foods).map((part) => part.text)).toEqual(lines);
  });
});

describe('a whole text', () => {
  const read = (text: string) => readRecipe(text, book.foods);

  test('speech: a sentence with several amounts is several lines, and the portions stand anywhere', () => {
    const { lines, portions, steps } = read(
      "Pot\nSo you'll need about two cups of red lentils, a good handful of spinach and 3 cloves of garlic.\nIt feeds 6 people.\n\nWhat to do\nSimmer everything for 20 minutes.",
    );
    expect(lines.map(({ reading }) => reading.foodId)).toEqual(['red-lentils', 'spinach', 'garlic']);
    expect([portions, steps.length]).toEqual([6, 1]);
  });

  test('headings with and without colon, Markdown and bullets', () => {
    const { name, lines, steps } = read(
      '# Braise\n\n## Ingredients\n\n### For the base\n- 2 leeks\n\nFor the glaze\n* 1 tbsp tamari\n**Topping**\n• 20 g sesame seeds\n\n## Method\n1. Boil.\n2) Serve.\n\n## Notes\nKeeps 3 days.',
    );
    expect(name).toBe('Braise');
    expect(lines.map(({ text, reading }) => [text, reading.part])).toEqual([
      ['2 leeks', 'base'],
      ['1 tbsp tamari', 'glaze'],
      ['20 g sesame seeds', 'Topping'],
    ]);
    expect(steps.map(({ text }) => text)).toEqual(['Boil.', 'Serve.', '## Notes'].slice(0, 2));
  });

  test('headings stay with the lines on the worksheet', () => {
    const recipe = recipeFromReading(
      read('Pot\nServes 2\nFor the base:\n2 leeks\nFor the glaze:\n1 tbsp tamari'),
      'x',
    );
    expect(sheetOf(recipe).lines.map(({ part }) => part)).toEqual(['base', 'glaze']);
  });

  test('"makes 2 loaves, 20 portions of 90 g" is 20 portions', () => {
    const { portions, portionGrams } = read('Bread\nMakes 2 loaves, 20 portions of 90 g\n400 g flour');
    expect([portions, portionGrams]).toEqual([20, 90]);
  });

  test('several recipes are parted by rules, titles or form feeds; one is left whole', () => {
    expect(splitRecipes('# A\n2 leeks\n\n# B\n3 leeks')).toHaveLength(2);
    expect(splitRecipes('A\n2 leeks\n---\nB\n3 leeks')).toHaveLength(2);
    expect(splitRecipes('A\n2 leeks\fB\n3 leeks')).toHaveLength(2);
    expect(splitRecipes('# A\n2 leeks\n\n## Method\nBoil.')).toHaveLength(1);
    expect(splitRecipes('')).toEqual(['']);
  });

  test('2,000 lines and a hundred steps are read, and four times the text is about four times the work', () => {
    const told = (count: number): string => {
      const lines = Array.from({ length: count }, (_, index) => `${index + 1} g millet`);
      const steps = Array.from({ length: 90 }, () => 'Stir the millet and the water for 5 minutes.');
      return ['Long', 'Serves 4', ...lines, 'Method', ...steps].join('\n');
    };
    const reading = read(told(1900));
    expect([reading.lines.length, reading.steps.length]).toEqual([1900, 90]);
    expect(recipeFromReading(reading, 'x').lines).toHaveLength(1900);
    expect(growth(475, (count) => void read(told(count)))).toBeLessThan(9);
  });
});

describe('what the recipe as a whole gets wrong', () => {
  const found = (texts: string[], steps: string[]) =>
    sheetOf(recipeOf(texts, steps)).findings.map(({ code }) => code);

  test('too little and too much liquid for the grain; a soup and a drained pot are none', () => {
    expect(found(['300 g brown rice', '150 ml water'], ['Simmer 30 minutes.'])).toContain('liquid-short');
    expect(found(['300 g brown rice', '600 ml water'], ['Simmer 30 minutes.'])).not.toContain('liquid-short');
    expect(found(['200 g millet', '2 l water'], ['Simmer 30 minutes.'])).toContain('liquid-long');
    expect(
      found(['200 g millet', '2 l water', '800 g carrots', '500 g leeks'], ['Simmer 30 minutes.']),
    ).not.toContain('liquid-long');
    expect(found(['300 g brown rice', '3 l water'], ['Boil 30 minutes, then drain.'])).not.toContain(
      'liquid-long',
    );
  });

  test('dry kidney beans that no step boils', () => {
    expect(found(['300 g dried kidney beans', '1 l water'], ['Cook slowly for 8 hours.'])).toContain(
      'pulse-boil-missing',
    );
    expect(found(['300 g dried kidney beans', '1 l water'], ['Boil hard for 30 minutes.'])).not.toContain(
      'pulse-boil-missing',
    );
    expect(found(['1 tin kidney beans'], ['Warm through.'])).not.toContain('pulse-boil-missing');
  });

  test('amounts in the method that the list lacks', () => {
    const recipe = recipeOf(
      ['200 g millet'],
      ['Simmer the millet in 600 ml water and 2 tbsp of tamari for 20 minutes.'],
    );
    expect(recipe.steps[0]!.reading.hiddenAmounts).toEqual(
      ['600 ml water', '2 tbsp of tamari'].map((each) => each.replace(' of ', ' ')),
    );
    expect(
      recipeOf(['600 ml water', '200 g millet'], ['Add 600 ml water.']).steps[0]!.reading.hiddenAmounts,
    ).toEqual([]);
  });

  test('a step tells its time, its temperature, its equipment', () => {
    const of = (text: string) => recipeOf(['2 leeks'], [text]).steps[0]!.reading;
    expect(of('Bake at 180 °C fan for 25 minutes in a loaf tin.')).toMatchObject({
      minutes: 25,
      temperature: { celsius: 180, isFan: true },
      equipment: ['loaf tin'],
    });
    expect(of('Bake at gas mark 6 for 1 hour.')).toMatchObject({
      minutes: 60,
      temperature: { celsius: 200, isFan: false },
    });
    expect(of('Roast at 425 °F in the oven.').temperature).toEqual({ celsius: 218, isFan: false });
    expect(of('Soak overnight in a bowl.')).toMatchObject({
      minutes: null,
      temperature: null,
      equipment: ['bowl'],
    });
  });
});

describe('packs of this kitchen', () => {
  const chickpeas = (extra: object): Kitchen => ({
    ...ward,
    packs: [
      {
        foodId: 'chickpeas-tinned',
        productName: 'Chickpeas A10',
        supplier: '',
        netGrams: 2500,
        drainedGrams: 1500,
        price: null,
        panel: {},
        sheet: null,
        statement: 'chickpeas, water',
        allergens: {},
        certifiedGlutenFree: false,
        animal: 'plant',
        checkedBy: 'A',
        checkedOn: '2026-01-01',
        own: {},
        statementVersion: 1,
        isConfirmed: true,
        before: null,
        ...extra,
      },
    ],
  });
  const sheet = (kitchen: Kitchen, text = '1 tin chickpeas, drained') =>
    sheetOf(recipeOf([text, '1 kg potatoes']), undefined, kitchen);

  test('a tin weighs what the pack drains to, by its label', () => {
    const [line] = sheet(chickpeas({})).lines;
    expect([line!.baseGrams, line!.origin]).toEqual([1500, 'pack label']);
    const whole = sheet(chickpeas({}), '1 tin chickpeas, undrained').lines;
    expect(whole.slice(0, 2).map(({ foodId, baseGrams }) => [foodId, baseGrams])).toEqual([
      ['chickpeas-tinned', 1500],
      ['pulse-liquor', 1000],
    ]);
  });

  test('its panel holds over the reference, figure by figure', () => {
    const protein = (panel: object) => sheet(chickpeas({ panel })).nutrition.per100g;
    expect(protein({ proteinG: 20 }).proteinG).toBeGreaterThan(protein({}).proteinG);
    expect(protein({ proteinG: 20 }).fatG).toBe(protein({}).fatG);
  });

  test('a changed statement is check until confirmed; what the old one named still counts', () => {
    const changed = chickpeas({
      isConfirmed: false,
      before: {
        statement: 'chickpeas, CELERY',
        allergens: { celery: 'contains' },
        animal: 'plant',
        checkedOn: '2025-01-01',
      },
    });
    const status = (id: string) => sheet(changed).allergens.find((each) => each.id === id)!.status;
    expect([status('celery'), status('soy')]).toEqual(['contains', 'check']);
    expect(sheet(changed).findings.map(({ code }) => code)).toContain('statement-changed');
    expect(sheet(changed).label.isDraft).toBe(true);
    expect(sheet(chickpeas({})).allergens.find(({ id }) => id === 'soy')!.status).toBe('clear');
  });
});
