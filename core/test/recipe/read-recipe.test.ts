import { readRecipe } from '@hand-ladle/core';
import { growth } from '@hand-ladle/testing/runs';
import { book } from '@hand-ladle/testing/world';

const read = (text: string) => readRecipe(text, book.foods);
const TOLD = `Barley and leek pot
Serves 6, portions of 280 g

1 1/2 cups pearl barley, rinsed
For the top:
a handful of dill

Method
1. Simmer the barley gently, uncovered, for 1 hour and 10 minutes, until it is soft with a bite.
2. Roast everything for 20 to 30 minutes at 180 °C (400 °F).`;

describe('a pasted recipe', () => {
  test('title, portions, lines, headings and steps', () => {
    const reading = read(TOLD);
    expect(reading).toMatchObject({ name: 'Barley and leek pot', portions: 6, portionGrams: 280 });
    expect(reading.lines.map(({ text }) => text)).toEqual([
      '1 1/2 cups pearl barley, rinsed',
      'a handful of dill',
    ]);
    expect(reading.lines[1]!.reading.part).toBe('top');
    expect(reading.steps).toHaveLength(2);
  });

  test('steps give heat, time, lid, look-test and the lines they use', () => {
    const [simmer, roast] = read(TOLD).steps;
    expect(simmer!.reading.cooking).toEqual({ heat: 'gentle simmer', minutes: 70, covered: false });
    expect(simmer!.reading.lookTest).toBe('it is soft with a bite');
    expect(simmer!.reading.lineIds).toEqual(['l1']);
    expect(roast!.reading.cooking).toMatchObject({ heat: 'oven', minutes: 25 });
    expect(roast!.reading.findings.map(({ code }) => code)).toEqual(['temperature-contradiction']);
  });

  test('it reads without headings too', () => {
    const reading = read(
      'Soup\n300 g red lentils\n1 l water\nCook the lentils in the water until soft. Stir now and then.',
    );
    expect(reading.lines).toHaveLength(2);
    expect(reading.steps).toHaveLength(1);
  });

  test('a step that names what the list lacks says so', () => {
    const [step] = read('Pot\n300 g red lentils\n\nMethod\nStir in the tahini.').steps;
    expect(step!.reading.missingNames).toEqual(['tahini']);
  });

  test('what boils in water that is drained off loses none of its own', () => {
    const [step] = read('Rice\n1 cup brown rice\n\nMethod\nBoil for 30 minutes and drain.').steps;
    expect(step!.reading.cooking).toBeNull();
  });
});

describe('what is no recipe', () => {
  const codes = (text: string) => read(text).findings.map(({ code }) => code);

  test('nothing, blanks and invisible letters', () => {
    for (const text of ['', '  \n \n', '\u200b\u202e\n\u0000']) expect(codes(text)).toEqual(['text-empty']);
  });

  test('a novel has no ingredient lines, and says it', () => {
    const novel =
      'It was late in the year, and the river stood high under the old bridge while nobody came.\n'.repeat(3);
    expect(codes(novel)).toContain('no-lines');
  });

  test('a very long text is read to its limit and says what was left', () => {
    const long = (lines: number): string => `Pot\n${'100 g millet\n'.repeat(lines)}`;
    expect(codes(long(2500))).toContain('text-cut');
    // What is beyond the limit costs nothing; without one it would be four times the work.
    expect(growth(2500, (lines) => void read(long(lines)))).toBeLessThan(3.2);
  });

  test('letters of every kind stay letters', () => {
    const reading = read('<b>مطبخ</b> 🥕\n100 g millet <script>alert(1)</script>\n٣ كوب');
    expect(reading.name).toBe('<b>مطبخ</b> 🥕');
    expect(reading.lines[0]!.text).toBe('100 g millet <script>alert(1)</script>');
  });
});

describe('what a hurried hand writes', () => {
  test('an odd line of the list is one to decide, and turns nothing after it into steps', () => {
    const odd = [
      'the glaze from yesterday again',
      'half-fat yoghurt, or rice drink or hemp drink',
      'something green and fresh from the garden',
      'that nice stock we made',
    ];
    for (const each of odd) {
      const text = `Roots\n\n1 kg carrots\n${each}\n2 onions\nsalt\n1 lemon\n\nRoast the carrots for 40 minutes.\nServe.`;
      const { lines, steps } = read(text);
      expect([each, lines.map((line) => line.text), steps.map((step) => step.text)]).toEqual([
        each,
        ['1 kg carrots', each, '2 onions', 'salt', '1 lemon'],
        ['Roast the carrots for 40 minutes.', 'Serve.'],
      ]);
    }
  });

  test('what stands above the list is no line of it', () => {
    const text =
      'Bean plate\nBean plate\n\nA supper for late autumn\n\nServes 4\n\nIngredients\n\n300 g dried black beans\nsalt\n\nMethod\n\nSimmer.';
    expect(read(text).lines.map((line) => line.text)).toEqual(['300 g dried black beans', 'salt']);
  });

  test('who eats of it leads over what it makes', () => {
    for (const [header, portions] of [
      ['Makes 1 pie, serves 8', 8],
      ['Makes 16 bars, enough for 8', 8],
      ['Makes 12', 12],
      ['Serves 4 to 6', 4],
    ] as const)
      expect([header, read(`Pie\n${header}\n1 kg pumpkin\nBake it.`).portions]).toEqual([header, portions]);
  });

  test.each([
    ['1 dozen cherry tomatoes', 'cherry-tomato', 12],
    ['2 dozen olives', 'olives', 24],
    ['1-2 dozen dates', 'dates', 18],
    ['half a dozen carrots', 'carrot', 6],
  ])('%s', (text, foodId, count) => {
    const [line] = read(`Pot\n${text}\n1 onion`).lines;
    expect([line!.reading.foodId, line!.reading.measures[0]?.value]).toEqual([foodId, count]);
  });

  test.each([
    ['1 tin smoked chillies', 'chipotle-in-adobo'],
    ['2 tbsp coarse ground mustard', 'wholegrain-mustard'],
    ['4 slices seeded wholegrain bread', 'seeded-bread'],
    ['1 acorn squash', 'acorn-squash'],
    ['1 kg kabocha', 'kabocha-squash'],
    ['3 tbsp linseed', 'linseed'],
    ['3 tbsp ground linseed', 'ground-flax'],
    ['4 white rolls', 'burger-bun'],
    ['1 butterhead lettuce', 'lettuce'],
  ])('%s is itself, not its neighbour', (text, foodId) => {
    expect(read(`Pot\n${text}\n1 onion`).lines[0]!.reading).toMatchObject({ foodId, confidence: 1 });
  });
});

describe('how many it makes, said shortly', () => {
  test.each([
    ['Bean burgers\n6 burgers\n500 g black beans', 6],
    ['Greens\n4\n1 head broccoli', 4],
    ['Stew\n(4-6)\n200 g carrots', 4],
    ['Noodles\nFor 2\n200 g carrots', 2],
    ['Soup\n~6 bowls\n200 g carrots', 6],
    ['Pot\nFeeds a family of 4\n200 g carrots', 4],
    ['Gravy\nMakes 1 litre\n2 onions', null],
  ])('%j', (text, portions) => {
    const recipe = read(text);
    expect(recipe.portions).toBe(portions);
    expect(recipe.lines).toHaveLength(1);
  });

  test('but a count of a food is an ingredient, whatever the title says', () => {
    expect(read('Aubergine noodles\nFor 2\n2 aubergines\n1 tbsp salt').lines.map(({ text }) => text)).toEqual(
      ['2 aubergines', '1 tbsp salt'],
    );
    expect(read('Apples\n4 apples\n1 tbsp sugar').lines).toHaveLength(2);
  });
});

test('foods by commas without an amount are a line each; what was done to one food is not', () => {
  const lines = (line: string): string[] =>
    read(`Stew\n200 g lentils\n${line}`)
      .lines.map(({ text }) => text)
      .slice(1);
  expect(lines('buns, lettuce, zorblax to serve')).toEqual([
    'buns to serve',
    'lettuce to serve',
    'zorblax to serve',
  ]);
  expect(lines('salt, pepper, oil')).toEqual(['salt', 'pepper', 'oil']);
  expect(lines('carrots, peeled, sliced')).toHaveLength(1);
  expect(lines('tomatoes, chopped, drained, rinsed')).toHaveLength(1);
});
