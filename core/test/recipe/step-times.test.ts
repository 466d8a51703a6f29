import { book, recipeOf } from '@hand-ladle/testing/world';
import { readStep } from '../../src/recipe/read-step';
import { temperaturesIn, timesIn } from '../../src/recipe/step-times';

const step = (text: string) => readStep(text, recipeOf(['1 kg potatoes', '1 l water']).lines, book.foods);

describe('times as cooks say them', () => {
  test.each<[string, number[]]>([
    ['Simmer for 20 minutes.', [20]],
    ['Bake for one hour and 20 minutes.', [80]],
    ['Bake for an hour and a half.', [90]],
    ['Leave for half an hour.', [30]],
    ['Cook three to four minutes.', [3.5]],
    ['Two and a half hours in the oven.', [150]],
    ['A quarter of an hour, then twenty-five minutes more.', [15, 25]],
    ['Simmer 1h30.', [90]],
    ['Boil 1 h 15 min.', [75]],
    ['Bake 1½ hours.', [90]],
    ['Bake for 1 1/2 hours.', [90]],
    ['Blitz for 30 seconds.', [0.5]],
    ['A couple of minutes is enough.', [2]],
    ['Three-quarters of an hour at least.', [45]],
    ['Fry 5 minutes, add water, simmer for about forty minutes.', [5, 40]],
    ['Toast for a minute.', [1]],
    ['Ninety minutes.', [90]],
    ['Serves 4, use 2 tins.', []],
  ])('%s', (text, minutes) => {
    expect(timesIn(text).map((each) => Math.round(each.minutes * 100) / 100)).toEqual(minutes);
  });

  test('a moment within a time is no time of its own', () => {
    const said = timesIn(
      'Roast for 45 minutes, turning every 15 minutes, with the lid off for the last 10 minutes.',
    );
    expect(said.map(({ minutes, isWithin }) => [minutes, isWithin])).toEqual([
      [45, false],
      [15, true],
      [10, true],
    ]);
    expect(step('Roast for 45 minutes, turning after 20 minutes.').minutes).toBe(45);
  });

  test('every stretch of a step counts, each with its heat and its lid', () => {
    const { cooking, further } = step('Simmer covered for 20 minutes, then 10 minutes uncovered.');
    expect([cooking, ...further!]).toEqual([
      { heat: 'gentle simmer', minutes: 20, covered: true },
      { heat: 'gentle simmer', minutes: 10, covered: false },
    ]);
    expect(step('Boil hard for 10 minutes; then turn down and simmer for an hour.').further).toEqual([
      { heat: 'gentle simmer', minutes: 60, covered: false },
    ]);
  });
});

describe('temperatures as cooks say them', () => {
  test.each<[string, number | null, boolean]>([
    ['Heat the oven to 180 °C.', 180, false],
    ['Bake at 180C/160C fan/gas 4.', 180, false],
    ['Bake at 160 °C fan.', 160, true],
    ['Fan 160: bake until set.', null, false],
    ['Oven 410 F for 20 minutes.', 210, false],
    ['Bake at 350 degrees Fahrenheit.', 177, false],
    ['Gas mark 6 for 40 minutes.', 200, false],
    ['Fry in oil at 170 °C until gold.', null, false],
    ['Bake until the core reads 75 °C.', null, false],
    ['Mix 250 g with 180 ml.', null, false],
  ])('%s', (text, celsius, isFan) => {
    const { temperature } = step(text);
    if (celsius === null && /^Fan/.test(text))
      expect(temperaturesIn(text)[0]).toMatchObject({ written: 160, unit: null });
    else expect(temperature).toEqual(celsius === null ? null : { celsius, isFan });
  });

  test.each(['Bake at 360 degrees for 20 minutes.', 'Oven 410, 25 minutes.', 'Roast at 385 on convection.'])(
    'without °C or °F it is asked: %s',
    (text) => {
      expect(step(text).findings.map(({ code }) => code)).toEqual(['temperature-unit']);
      expect(step(text).temperature).toBeNull();
    },
  );

  test.each([
    'Bake at 200 °C (350 °F).',
    'Bake at 200C or 350F.',
    'Bake at 200 degrees C / 350 degrees F.',
    'Bake at 350°F, which is 200 celsius.',
  ])('a pair that disagrees is found: %s', (text) => {
    expect(step(text).findings[0]!.message).toBe('A step says 200 °C and 350 °F; 200 °C is 392 °F.');
  });

  test('and so is a gas mark', () => {
    expect(step('Bake at 220 °C, gas 4.').findings.map(({ code }) => code)).toEqual([
      'gas-mark-contradiction',
    ]);
    expect(step('Bake at 180 °C, 160 °C fan, gas 4, for 20 minutes.').findings).toEqual([]);
  });
});
