import fc from 'fast-check';
import { figureText, readRecipe, typedFigure } from '@hand-ladle/core';
import { book } from '@hand-ladle/testing/world';

test.each<[string, number | null]>([
  ['12', 12],
  [' 12.5 ', 12.5],
  ['12,5', 12.5],
  ['.5', 0.5],
  ['0', 0],
  ['0,250', 0.25],
  ['1,500', 1500],
  ['1,500.5', 1500.5],
  ['1 500', 1500],
  ['1\u00a0500', 1500],
  ['1 500,5', 1500.5],
  ['12 345 678', 12345678],
  ['½', 0.5],
  ['1½', 1.5],
  ['1 1/2', 1.5],
  ['3/4', 0.75],
  ['', null],
  ['  ', null],
  ['1 2', null],
  ['1 50', null],
  ['1,5,0', null],
  ['1/0', null],
  ['-3', null],
  ['0x10', null],
  ['Infinity', null],
  ['NaN', null],
  ['12 g', null],
  ['twelve', null],
  ['9'.repeat(400), null],
])('%p typed is %p', (text, figure) => {
  expect(typedFigure(text)).toBe(figure);
});

test('what the screen shows is read back as it was', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 0, max: 1e7, noNaN: true }),
      fc.integer({ min: 0, max: 3 }),
      (figure, decimals) => {
        const shown = figureText(figure, decimals);
        expect(figureText(typedFigure(shown)!, decimals)).toBe(shown);
      },
    ),
  );
});

test.each(['1,500', '0,250', '2.5', '1 1/2'])('"%s" in a field is what it is in a line', (text) => {
  const [line] = readRecipe(`Pot\n${text} g salt`, book.foods).lines;
  expect(line!.reading.measures[0]!.value).toBe(typedFigure(text));
});
