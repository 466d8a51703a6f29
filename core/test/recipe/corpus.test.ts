import { linesFromText, readLine } from '@hand-ladle/core';
import { CORPUS, type CorpusLine } from '@hand-ladle/testing/corpus';
import { AMOUNTS, SEVERAL } from '@hand-ladle/testing/corpus-several';
import { HOLDOUT } from '@hand-ladle/testing/holdout';
import { HOLDOUT_SEVERAL } from '@hand-ladle/testing/holdout-several';
import { book, recipeOf, school, sheetOf, ward } from '@hand-ladle/testing/world';

describe('a corpus of lines', () => {
  test.each(CORPUS)('%s', (text, foodId, low, high) => {
    const [line] = sheetOf(recipeOf([text, '1 kg red lentils']), undefined, school).lines;
    expect(line!.foodId ?? '').toBe(foodId);
    if (low === null) return;
    expect(line!.baseGrams).toBeGreaterThanOrEqual(low);
    expect(line!.baseGrams).toBeLessThanOrEqual(high!);
  });

  const shareRight = (lines: readonly CorpusLine[]): number =>
    lines.filter(([text, foodId, low, high]) => {
      const [line] = sheetOf(recipeOf([text, '1 kg red lentils']), undefined, school).lines;
      const isWeighed = low === null || (line!.baseGrams! >= low && line!.baseGrams! <= high!);
      return (line!.foodId ?? '') === foodId && isWeighed;
    }).length / lines.length;

  test('97 of 100 lines and more read to the right food and weight', () => {
    expect(CORPUS.length + SEVERAL.length + AMOUNTS.length).toBeGreaterThanOrEqual(600);
    expect(shareRight(CORPUS)).toBeGreaterThanOrEqual(0.97);
  });

  test('lines the reader was never tuned to: the share is held where it was first measured (docs/reading.md)', () => {
    expect(HOLDOUT.length).toBe(100);
    expect(shareRight(HOLDOUT)).toBeGreaterThanOrEqual(0.94);
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
    expect(because('2 leeks').because).toContain('x 0.52 after trimming (reference)');
    expect(because('2 x 400 g tins white beans').because).toContain('0.6 drained (convention)');
    expect(because('a handful of kale').because).toContain('weighed here on 2026-11-03');
    expect(because('1 large leek').because).toContain('x 1.35 for large (convention)');
    expect(because('2 leeks (350 g)').origin).toBe('as written');
  });
});

describe('lines of several foods, and amounts in cooks’ own ways', () => {
  test.each(SEVERAL)('%s', (text, ids) => {
    const parts = linesFromText(text, 'l1', book.foods);
    expect(parts.map(({ reading }) => reading.foodId)).toEqual(ids.split(' '));
  });

  test.each(AMOUNTS)('%s', (text, foodId, low, high) => {
    const [line] = sheetOf(recipeOf([text, '1 kg red lentils']), undefined, school).lines;
    expect(line!.foodId).toBe(foodId);
    if (low === null) return;
    expect(line!.baseGrams).toBeGreaterThanOrEqual(low);
    expect(line!.baseGrams).toBeLessThanOrEqual(high!);
  });

  test('what is shared is asked of each, and nobody shares it out by guess', () => {
    for (const { id, text, reading } of linesFromText('200 g almonds and walnuts', 'l1', book.foods)) {
      expect(reading.findings.map(({ code }) => code)).toEqual(['amount-shared']);
      expect(sheetOf(recipeOf([text, '1 kg potatoes']), undefined, school).lines[0]!.baseGrams).toBeNull();
      expect(id).toMatch(/^l1(-2)?$/);
    }
  });

  test('a spoon and a gram that disagree are found, however they are joined', () => {
    for (const text of [
      '1 tsp (40 g) fine salt',
      '1 tsp or 40 g fine salt',
      '40 g / 1 tsp fine salt',
      '40 g (1 tsp) fine salt',
    ])
      expect([
        text,
        sheetOf(recipeOf([text, '1 kg potatoes']), undefined, school).findings.map(({ code }) => code),
      ]).toEqual([text, expect.arrayContaining(['weight-contradiction'])]);
  });
});

/** Where it was first measured: it may rise, and is not tuned to. */
test('a second set of 150 lines, written afterwards, is reported apart (docs/reading.md)', () => {
  expect(HOLDOUT_SEVERAL.length).toBe(150);
  const wrong = HOLDOUT_SEVERAL.flatMap(([text, ids]) => {
    const read = linesFromText(text, 'l1', book.foods).map(({ reading }) => reading.foodId ?? '');
    return read.join(' ') === ids ? [] : [`${text} -> ${read.join(' ')}`];
  });
  // 141 of 150 when it was first read.
  expect([wrong, wrong.length <= 9]).toEqual([wrong, true]);
});
