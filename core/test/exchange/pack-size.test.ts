import { readPackSize } from '@hand-ladle/core';

test.each([
  ['1000', 1000, null, 1],
  ['1000 g', 1000, null, 1],
  ['1,000 g', 1000, null, 1],
  ['1 000 g', 1000, null, 1],
  ['2 kg', 2000, null, 1],
  ['2.5kg', 2500, null, 1],
  ['2,5 kg', 2500, null, 1],
  ['5 L', null, 5000, 1],
  ['750 ml', null, 750, 1],
  ['6 x 2.5 kg', 2500, null, 6],
  ['12 × 400 g', 400, null, 12],
  ['400 g x 12', 400, null, 12],
  ['6/2.5 kg', 2500, null, 6],
  ['case of 12', null, null, 12],
  ['24 pcs', null, null, 24],
  ['5 lb', 2267.96, null, 1],
])('%s', (text, grams, millilitres, count) => {
  const size = readPackSize(text)!;
  expect([size.millilitres, size.count]).toEqual([millilitres, count]);
  if (grams === null) expect(size.grams).toBeNull();
  else expect(size.grams).toBeCloseTo(grams, 6);
});

test.each(['', 'large', '-5 g', '0 kg', '0 x 5 kg', '5 stones', 'kg', '1e9'])('"%s" is no size', (text) => {
  expect(readPackSize(text)).toBeNull();
});
