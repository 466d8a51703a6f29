import { readLine } from '../index';
import { CORPUS, type CorpusLine } from '../testing/corpus';
import { HOLDOUT } from '../testing/holdout';
import { book, recipeOf, school, sheetOf, ward } from '../testing/world';

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
    expect(CORPUS.length).toBeGreaterThanOrEqual(300);
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
    expect(because('2 leeks').because).toContain('x 0.74 after trimming (reference)');
    expect(because('2 x 400 g tins white beans').because).toContain('0.6 drained (convention)');
    expect(because('a handful of kale').because).toContain('weighed here on 2026-11-03');
    expect(because('1 large leek').because).toContain('x 1.35 for large (convention)');
    expect(because('2 leeks (350 g)').origin).toBe('as written');
  });
});
