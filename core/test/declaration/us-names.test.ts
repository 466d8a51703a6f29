import { foods, recipeOf, sheetOf, ward } from '@hand-ladle/testing/world';
import { usName } from '../../src/declaration/words/us-names';

/** What nobody calls it there, written apart from the table that turns it. */
const BRITISH =
  /\b(?:aubergine|courgette|swede|rocket|beetroot|rapeseed|maize|bicarbonate|soya|yoghurt|chilli|chillies|wholemeal|mangetout|sweetcorn|groundnut|linseed|prawns|gherkin|caramelised|hydrolysed|crisps|biscuit|broad beans|butter beans|spring onion|pak choi|sultana|treacle|flavour|fibre)/i;

test('no food of the larder keeps a British name on a US label', () => {
  expect(foods.map(({ labelName }) => usName(labelName)).filter((name) => BRITISH.test(name))).toEqual([]);
  expect(foods.filter(({ labelName }) => usName(labelName).trim() === '')).toEqual([]);
});

test.each([
  ['maize starch', 'corn starch'], ['bicarbonate of soda', 'baking soda'], ['fermented soya bean paste', 'fermented soybean paste'],
  ['wholemeal wheat flour', 'whole wheat flour'], ['coriander', 'coriander'], ['coriander leaf', 'cilantro'], ['red pepper', 'red pepper'],
  ['oats', 'oats'], ['carrots', 'carrots'], ['spring onions', 'green onions'],
])('%s is %s', (british, american) => {
  expect(usName(british)).toBe(american);
}); // prettier-ignore

test('a US statement is in US English, a European one is not', () => {
  const lines = ['300 g aubergine', '200 g courgettes', '100 g swede', '50 g rocket', '40 ml rapeseed oil', '20 g cornflour', '100 g beetroot', '4 g bicarbonate of soda'];
  const of = (regime: 'us' | 'eu') => sheetOf(recipeOf(lines), undefined, { ...ward, regime }).label.ingredients;
  expect(of('us')).not.toMatch(BRITISH);
  expect(of('us')).toMatch(/eggplant.*zucchini/);
  expect(of('eu')).toMatch(/aubergine.*courgette/);
}); // prettier-ignore
