import {
  flagsOf,
  freeze,
  isOf,
  type Kitchen,
  menuAnswer,
  menuRow,
  planSwaps,
  readRecipe,
  type Recipe,
  recipeFromReading,
  saidNotIn,
  standardFlagsOf,
  whatChanged,
} from '@hand-ladle/core';
import { bare, pack, withPacks } from '@hand-ladle/testing/asked';
import { book, demo, demoRecipe, recipeOf, sheetOf, ward } from '@hand-ladle/testing/world';
import { mentionsOf } from '../../src/audit/audit';
import { compose } from '../../src/dish/compose';

const CARROTS = ['600 g carrots', '20 g olive oil'];
const dish = (steps: string[], lines: string[] = CARROTS, extra: Partial<Recipe> = {}): Recipe =>
  recipeOf(lines, steps, { name: 'Carrot plate', ...extra });
const target = { kind: 'weight', grams: 5000 } as const;

/** What is not clear about a dish, vegan included. */
function flagged(recipe: Recipe, kitchen: Kitchen = bare): Record<string, string> {
  const { traces } = compose(recipe, book, kitchen);
  const flags = [...flagsOf(traces, kitchen), ...standardFlagsOf(traces, kitchen)];
  return Object.fromEntries(
    flags
      .filter(({ id, status }) => status !== 'clear' && id !== 'whole-food')
      .map(({ id, status }) => [id, status]),
  );
}
const asked = (recipe: Recipe, kitchen: Kitchen = bare): string[] =>
  sheetOf(recipe, target, kitchen)
    .findings.filter(isOf('named-nowhere', 'named-unknown'))
    .map(({ figures }) => String(figures.name));

describe('a mention that ends nowhere', () => {
  const finish = dish(['Roast for 30 minutes.', 'Finish with toasted walnuts and a drizzle of honey.']);

  test('is check for all it may carry, asked, and holds the label', () => {
    expect(flagged(finish)).toMatchObject({ nut: 'check', 'tree-nut': 'check', vegan: 'check' });
    expect(asked(finish)).toEqual(['walnut', 'honey']);
    const sheet = sheetOf(finish, target, bare);
    expect(sheet.label.isDraft).toBe(true);
    const nut = sheet.allergens.find(({ id }) => id === 'tree-nut')!;
    expect(nut.traces[0]).toMatchObject({
      lineId: null,
      mention: { text: 'walnuts', place: 'step 2', from: 20, to: 27 },
    });
  });

  test('the menu does not say yes, and no plan makes it free', () => {
    const row = menuRow(sheetOf(finish, target, bare), finish);
    const strict = { mayContain: 'refuse', check: 'refuse' } as const;
    expect(menuAnswer(row, ['nut'], strict).verdict).toBe('unknown');
    const { plans, blockedBy } = planSwaps({ recipe: finish, kitchen: bare, target, exclude: ['nut'] }, book);
    expect(plans).toEqual([]);
    expect(blockedBy[0]).toMatchObject({
      name: '"walnuts" in step 2',
      reason: expect.stringMatching(/no line of the list/),
    });
  });

  test('a line of it takes it; another food that holds the same does not settle what else it carries', () => {
    expect(
      asked(
        dish(
          finish.steps.map(({ text }) => text),
          [...CARROTS, '30 g walnuts', '1 tbsp honey'],
        ),
      ),
    ).toEqual([]);
    expect(asked(dish(['Serve with bread.'], [...CARROTS, '100 g plain flour']))).toEqual(['bread']);
  });

  test('"not in it" settles it for that text, by name and day; another text is asked anew', () => {
    const said = { by: 'R. Fallow', on: '2026-11-28' };
    const notIn = saidNotIn(finish, book, bare, 'walnut', said);
    expect(notIn).toEqual([{ name: 'walnut', text: finish.steps[1]!.text, ...said }]);
    expect(asked({ ...finish, notIn })).toEqual(['honey']);
    expect(flagged({ ...finish, notIn })).not.toHaveProperty('nut');
    const rewritten = dish(['Finish with walnuts.']);
    expect(asked({ ...rewritten, notIn })).toEqual(['walnut']);
  });

  test('choosing a food for a line leaves what else it names', () => {
    const [line] = recipeOf(['200 g green beans with almonds']).lines;
    const recipe = { ...dish([]), lines: [{ ...line!, answers: { foodId: 'green-beans', grams: 200 } }] };
    expect(flagged(recipe)).toMatchObject({ nut: 'contains' });
    const other = {
      ...dish([]),
      lines: [{ ...recipeOf(['200 g walnut carrots']).lines[0]!, answers: { foodId: 'carrot' } }],
    };
    expect(flagged(other)['tree-nut']).not.toBeUndefined();
  });

  test('it holds in a component, told on the dish’s line', () => {
    const cream = { ...demoRecipe('sunflower-seed-cream') };
    const steps = recipeOf([], ['Blend with the almonds.']).steps;
    const inner = { ...cream, steps };
    const own = { ...book, components: new Map(book.components).set(cream.id, inner) };
    const recipe = recipeOf(['200 g sunflower seed cream', '500 g potatoes']);
    const flags = flagsOf(compose(recipe, own, ward).traces, ward);
    expect(flags.find(({ id }) => id === 'tree-nut')).toMatchObject({
      status: 'check',
      paths: ['Sunflower seed cream > "almonds" in step 1'],
    });
  });

  test('the name of a pack counts', () => {
    const kitchen = withPacks(pack('vegetable-stock', { productName: 'Golden walnut stock' }));
    expect(flagged(dish([], [...CARROTS, '1 l vegetable stock']), kitchen)['tree-nut']).toBe('check');
  });

  test('the kitchen’s own names and its own list count', () => {
    const names = [{ written: 'red stuff', foodId: 'peanut-butter', tiedOn: '2026-11-20' }];
    expect(flagged(dish(['Swirl in the red stuff.']), { ...bare, names })).toMatchObject({ peanut: 'check' });
    const ownAllergens = [{ id: 'kiwi', name: 'Kiwi', foodIds: ['kiwi'] }];
    expect(flagged(dish(['Top with kiwi.']), { ...bare, ownAllergens })).toMatchObject({ kiwi: 'check' });
  });

  test('a word in a food’s place that nobody knows is a doubt', () => {
    expect(Object.keys(flagged(dish(['Add the zorblax and stir.']))).length).toBeGreaterThan(10);
    expect(Object.keys(flagged(dish([], ['600 g carrots with zorblax']))).length).toBeGreaterThan(10);
    expect(flagged(dish(['Add the rest, then fold in the mixture.']))).toEqual({});
  });

  test('a released label of a version that never asked becomes stale, with the words', () => {
    const input = { recipe: finish, kitchen: bare, target };
    const now = freeze(input, book);
    const before = { ...now };
    delete before.openNames;
    expect(whatChanged(before, now)).toEqual([
      {
        what: 'Named in the text and in no line',
        before: '',
        after: '"walnuts" in step 2, "honey" in step 2',
      },
    ]);
  });
});

describe('said absent by the text', () => {
  test.each([
    'This is nut-free.', 'A nut free dish.', 'Contains no nuts.', 'No nuts, soy or gluten.', 'Made without butter.', 'Use oil instead of butter.',
    'Oil in place of butter.', 'Leave out the honey.', 'Free from milk, egg and gluten.', 'Skip the butter.', 'Not butter but oil.',
    'Rather than butter, use the oil.', 'Egg-free and dairy-free.', 'No nuts and no soy.',
  ])('%s', (text) => {
    expect([asked(dish([text])), flagged(dish([text]))]).toEqual([[], {}]);
  }); // prettier-ignore

  test.each([
    ['Do not skip the walnuts.', 'walnut'], ['Never leave out the honey.', 'honey'], ['No need to toast the walnuts.', 'walnut'], ['Instead of butter, use honey.', 'honey'],
    ['No butter, walnuts on top.', 'walnut'], ['Without peeling the almonds, chop them.', 'almond'], ['Not only almonds.', 'almond'], ['Nut-free? No: almonds.', 'almond'],
    ['Use honey instead.', 'honey'], ['Fine for a nut allergy.', 'nut'], ['Serve with or without walnuts.', 'walnut'], ['Nut allergy warning!', 'nut'], ['No longer nut-free.', 'nut'], ['Nut-free: no.', 'nut'],
    ['It used to be without egg, now it is with.', 'egg'], ['Never serve this without almonds.', 'almond'], ['Instead of skipping the almonds, grind them.', 'almond'], ['Skip the walnuts on the children’s trays.', 'walnut'],
    ['No nuts for table 4.', 'nut'], ['Egg-free (mostly).', 'egg'], ['Nut-free kitchen next door.', 'nut'], ['Vegan? Not any more.', 'vegan'], ['Nut-free (apart from the topping).', 'nut'], ['No walnuts until Friday.', 'walnut'], ['No one leaves out the walnuts.', 'walnut'], ['If you do not mind, walnuts.', 'walnut'], ['Free-range eggs on top.', 'free range egg'], ['Butter the tin.', 'butter'],
  ])('but %s', (text, name) => {
    expect(asked(dish([text]))).toContain(name);
  }); // prettier-ignore
});

describe('words that look like food and are none', () => {
  test.each([
    'Cut in walnut-sized pieces.', 'Pieces the size of a walnut.', 'Until it is the colour of honey.', 'As thick as double cream.', 'It should look like breadcrumbs.',
    'Thinner than cream.', 'Use an egg timer.', 'Lift it out with a fish slice.', 'Line a bread tin.', 'Strain through cheesecloth.', 'Toast until nutty.',
    'Fish out the bay leaf.', 'Cream the carrots together.', 'Wrap in foil.', 'Serve with butter beans.', 'Blend until creamy.', 'Toast the carrots lightly.',
    'Grate in a little nutmeg.', 'It smells of nuts when done.', 'Leave in a bun tin.', 'Press with a burger press.', 'Mince the carrots.',
  ])('%s', (text) => {
    expect([asked(dish([text])), flagged(dish([text]))]).toEqual([[], {}]);
  }); // prettier-ignore
});

describe('however it is written', () => {
  test.each([
    ['Scatter WALNUTS.', 'tree-nut'], ['Scatter wal\u00adnuts.', 'tree-nut'], ['Scatter wаlnuts.', 'tree-nut'], ['Scatter the walnutz.', 'tree-nut'], ['Scatter walnut-crusted bits.', 'tree-nut'],
    ['Scatter the hazel-nuts.', 'tree-nut'], ['Pour over peanutbutter.', 'peanut'], ['Pour over almondmilk.', 'tree-nut'], ['A buttered dish.', 'milk'], ['Beer-battered on top.', 'gluten'],
    ['Honey roasted.', 'vegan'], ['Breaded on both sides.', 'gluten'], ['Floured hands help.', 'gluten'], ['Add the tahinni.', 'sesame'], ['Add soyasauce.', 'soy'],
    ['Add ＴＯＦＵ.', 'soy'], ['Add W A L N U T S.', 'tree-nut'], ['Carrots à la crème.', 'milk'], ['Add crème fraîche.', 'milk'], ['Add the "cheese".', 'milk'], ['Add 20g almonds.', 'tree-nut'], ['Add almonds/seeds.', 'tree-nut'],
  ])('%s', (text, id) => {
    expect(flagged(dish([text]))[id]).not.toBeUndefined();
  }); // prettier-ignore
});

test('every mention of the demo book ends, and nothing of it is asked but what its cooks left open', () => {
  for (const { recipe } of demo) {
    const open = mentionsOf(recipe, book, ward).filter(
      ({ end, bits, own }) => end === 'open' && (bits !== 0 || own !== 0),
    );
    expect([recipe.id, open.map(({ text, place }) => [text, place.text])]).toEqual([recipe.id, []]);
  }
});

test.each([
  ['500 g strong white bread flour', 'Strong wheat flour'],
  ['500 g white bread flour', 'Strong wheat flour'],
  ['500 g strong wholemeal bread flour', 'Wholemeal wheat flour'],
])('%s is flour and no bread', (line, name) => {
  const loaf = dish(['Bake for 40 minutes.'], [line, '300 g water']);
  expect(sheetOf(loaf, target, bare).lines[0]!.name).toBe(name);
  expect(asked(loaf)).toEqual([]);
});

describe('what is no question', () => {
  test.each([
    "My gran put it in the oven; we don't, and it isn't missed.",
    'Fry like pancakes, a minute each side.',
    'Shape them like a doughnut.',
  ])('"%s"', (step) => {
    expect(asked(dish([step]))).toEqual([]);
  });

  test.each([
    ['You may like walnuts on it.', 'walnut'],
    ['Something like peanut butter goes in.', 'peanut butter'],
    ['For the monkey nuts topping, chop them.', 'monkey nut'],
  ])('but "%s" is', (step, name) => {
    expect(asked(dish([step]))).toContain(name);
  });

  test('a line says which butter is meant, and a diet that is denied is asked', () => {
    const read = (line: string): Recipe =>
      recipeFromReading(readRecipe(`Bake\nServes 4\n${line}\n150 g carrots\nFry.`, book.foods), 'bake');
    expect(asked(read('knob of vegan butter'), ward)).toEqual([]);
    expect(asked(read('200 g leeks, not vegan'), ward)).toContain('vegan');
  });

  test('a word of people is asked as what it is', () => {
    const sheet = sheetOf(dish(['Not for coeliacs.']), target, bare);
    const told = sheet.findings.find(isOf('named-nowhere'))!;
    expect(told.message).toBe(
      '"coeliacs" in step 1 warns of wheat, rye, barley, oats. Is any of it in the dish?',
    );
  });
});

test('a stock that is cooked here is not what is in the pack of a bought one, and stays what its lines are', () => {
  const stock = (lines: string[]): Recipe =>
    recipeOf(lines, ['Simmer for an hour and strain.'], { name: 'House vegetable stock', isComponent: true });
  const own = stock(['400 g carrots', '300 g onions', '4 l water']);
  const bought = withPacks(
    pack('vegetable-stock-liquid', { allergens: { barley: 'contains', milk: 'contains' } }),
  );
  expect(flagged(own, bought)).toEqual({});
  const unread = withPacks(pack('vegetable-stock-liquid', { isConfirmed: false }));
  expect(flagged(own, unread)).toEqual({});
  // Made of the bought one it is what that is.
  expect(flagged(stock(['1 l vegetable stock', '300 g onions']), bought)).toHaveProperty('milk');
});

test('a misspelt food is asked once, by its line, and till then nothing of it is clear', () => {
  const text = (line: string): Recipe =>
    recipeFromReading(readRecipe(`Bowl\nServes 4\n200 g millet\n${line}\nStir.`, book.foods), 'bowl');
  expect(asked(text('3 tbsp tahni'))).toEqual([]);
  expect(flagged(text('3 tbsp tahni'))).toHaveProperty('sesame');
  expect(flagged(text('3 tbsp tahni'))).toHaveProperty('peanut');
});
