import { type Finding, finding, isOpen } from '@hand-ladle/core';
import { book, recipeOf, sheetOf, ward } from '@hand-ladle/testing/world';
import { FINDING_KINDS, type FindingCode, worstFirst } from '../../src/finding/findings';
import { readStep, unusedLines } from '../../src/recipe/read-step';

const step = (text: string, lines: readonly string[] = ['300 g red lentils', '2 leeks', '1 l water']) =>
  readStep(text, recipeOf(lines).lines, book.foods);

describe('what a step says', () => {
  test.each<[string, string | null, number, boolean]>([
    ['Simmer gently, uncovered, for 40 minutes.', 'gentle simmer', 40, false],
    ['Cover and simmer for 1 hour.', 'gentle simmer', 60, true],
    ['Cook with the lid on for 25 mins.', 'gentle simmer', 25, true],
    ['Keep at a bare simmer for 2 hours.', 'bare simmer', 120, false],
    ['Bring to a rolling boil for 10 minutes.', 'rolling boil', 10, false],
    ['Boil hard for 30 min.', 'rolling boil', 30, false],
    ['Roast for 20 to 30 minutes.', 'oven', 25, false],
    ['Bake 1 h 15 min at 180 °C.', 'oven', 75, false],
    ['Braise 1.5 hours with a lid.', 'gentle simmer', 90, true],
    ['Simmer 10-12 minutes.', 'gentle simmer', 11, false],
    ['Soak the lentils for 8 hours.', null, 0, false],
    ['Let it rest 1 hour.', null, 0, false],
    ['Leave to cool for 30 minutes.', null, 0, false],
    ['Boil in plenty of water for 12 minutes, then drain.', null, 0, false],
    ['Stir in the leeks.', null, 0, false],
    ['Simmer until soft.', null, 0, false],
  ])('%s', (text, heat, minutes, covered) => {
    expect(step(text).cooking).toEqual(heat === null ? null : { heat, minutes, covered });
  });

  test('which lines it uses, by any of their names', () => {
    expect(step('Sweat the leeks.').lineIds).toEqual(['l2']);
    expect(step('Add lentils and water.').lineIds).toEqual(['l1', 'l3']);
    expect(step('Fold in the scallions.', ['3 spring onions']).lineIds).toEqual(['l1']);
  });

  test('its look-test is kept in its own words', () => {
    expect(step('Simmer for 20 minutes, until a fork goes in; stir.').lookTest).toBe('a fork goes in');
    expect(step('Stir.').lookTest).toBe('');
  });

  test('two temperatures that disagree are a finding; two that agree are none', () => {
    expect(step('Bake for 9 minutes at 200 °C (392 °F).').findings).toEqual([]);
    expect(step('Bake for 9 minutes at 200 °C / 400 °F.').findings).toEqual([]);
    const [wrong] = step('Bake for 9 minutes at 200 °C (350 °F).').findings;
    expect(wrong!.message).toBe('A step says 200 °C and 350 °F; 200 °C is 392 °F.');
  });

  test('a food it names that no line holds is the forgotten one; salt, oil and water are let pass', () => {
    expect(step('Stir in the tahini and the almonds.').missingNames).toEqual(['tahini', 'almond']);
    expect(step('Salt the water, add oil and pepper.').missingNames).toEqual([]);
  });
});

describe('lines that no step uses', () => {
  const unused = (texts: string[]) => {
    const recipe = recipeOf(['300 g red lentils', '2 leeks'], texts);
    return unusedLines(recipe.lines, recipe.steps).map(({ id }) => id);
  };

  test('are told, unless a step takes everything or there are no steps', () => {
    expect(unused(['Simmer the lentils.'])).toEqual(['l2']);
    expect(unused(['Simmer everything.'])).toEqual([]);
    expect(unused([])).toEqual([]);
  });
});

describe('findings', () => {
  const codes = Object.keys(FINDING_KINDS) as FindingCode[];
  /** Of any code, with whatever figures. */
  const anyFinding = finding as (code: FindingCode, lineId: null, figures: object) => Finding;

  test.each(codes)('%s has a sentence that begins with a capital and ends', (code) => {
    const figures = new Proxy({}, { get: () => 'dill' }) as Record<string, string>;
    const { message, severity } = anyFinding(code, null, figures);
    expect(message).toMatch(/^["A-Z0-9]/);
    expect(message).toMatch(/[.?]$/);
    expect(message).not.toMatch(/undefined|NaN/);
    expect(['danger', 'decision', 'caution', 'note']).toContain(severity);
  });

  test('dangers, decisions and missing figures keep a label in draft; cautions and notes do not', () => {
    const open = codes.filter((code) => isOpen(anyFinding(code, null, {})));
    expect(open).toEqual(
      expect.arrayContaining(['pack-unknown', 'animal-food', 'figure-missing', 'component-cycle']),
    );
    expect(open).not.toEqual(expect.arrayContaining(['nutmeg-dose']));
    expect(open).not.toEqual(expect.arrayContaining(['yield-predicted']));
  });

  test('sorting keeps the order within a severity', () => {
    const list = [
      finding('no-steps', 'a'),
      finding('no-lines', 'b'),
      finding('optional-line', 'c', { name: 'Dill' }),
      finding('text-empty', 'd'),
    ];
    expect(worstFirst(list).map(({ lineId }) => lineId)).toEqual(['b', 'd', 'a', 'c']);
  });
});

describe('cautions stand where the food does', () => {
  test.each<[string, string, RegExp]>([
    ['500 g dried white beans', 'phaseolus-from-dry', /soak 5 hours or more.*boil fresh for 30 minutes/],
    ['100 g almonds', 'whole-nut-small-children', /not whole for small children/],
    ['1 tsp nutmeg', 'nutmeg-dose', /harmful in teaspoons/],
    ['10 g kombu', 'iodine-seaweed', /Ask the dietitian/],
  ])('%s: %s', (text, code, words) => {
    const found = sheetOf(recipeOf([text, '1 kg potatoes'])).findings.find((each) => each.code === code)!;
    expect([found.severity, found.lineId]).toEqual(['caution', 'l1']);
    expect(found.message).toMatch(words);
  });

  test('tinned beans need no soak', () => {
    const codes = sheetOf(recipeOf(['2 tins white beans'])).findings.map(({ code }) => code);
    expect(codes).not.toContain('phaseolus-from-dry');
  });

  test('what is cooked is held and cooled by the limits of the regime', () => {
    const message = (regime: 'us' | 'eu') => {
      const recipe = recipeOf(['300 g red lentils', '1 l water'], ['Simmer gently for 30 minutes.']);
      return sheetOf(recipe, undefined, { ...ward, regime }).findings.find(
        ({ code }) => code === 'cool-and-hold',
      )!.message;
    };
    expect(message('us')).toMatch(/57 °C.*21 °C within 2 h, to 5 °C within 6 h/);
    expect(message('eu')).toMatch(/63 °C.*8 °C within 90 min/);
  });
});
