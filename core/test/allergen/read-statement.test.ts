import { readStatement, type Substance } from '@hand-ladle/core';

/** "contains" words first, then "may: ..." and "check: ..." */
const said = (statement: string): string =>
  readStatement(statement)
    .mentions.map(({ substance, status }) => (status === 'contains' ? substance : `${status}:${substance}`))
    .join(' ');
const has = (statement: string, substance: Substance, status = 'contains') =>
  readStatement(statement).mentions.some((each) => each.substance === substance && each.status === status);

describe('a statement as printed', () => {
  test.each<[string, string]>([
    ['water, SOYA BEANS, salt', 'soy'],
    ['Water, <b>wheat</b>, <b>soya</b> beans, salt', 'wheat soy'],
    ['sunflower seeds', ''],
    ['Tomatoes, barley malt vinegar, sugar, salt', 'barley'],
    ['spelt, water, yeast', 'wheat'],
    ['seitan (water, vital gluten), tamari', 'wheat soy'],
    ['sesame seeds', 'sesame'],
    ['chickpeas, tahini, lemon juice', 'sesame'],
    ['sugar, almonds (40 %), glucose syrup from maize', 'almond check:wheat'],
    ['marzipan, cocoa butter', 'almond'],
    ['rapeseed oil, mustard flour, celery seed', 'celery mustard'],
    ['raisins, sulphur dioxide', 'sulphites'],
    ['white wine vinegar, E224', 'sulphites'],
    ['lupin flour, rice flour, maize starch', 'lupin'],
    ['peanuts, salt', 'peanut'],
    ['oats (gluten-free), dates', 'oats'],
    ['buckwheat flour, water', ''],
    ['coconut milk, water', 'coconut'],
    ['soya milk, calcium', 'soy'],
    ['cream of tartar, bicarbonate of soda', ''],
    ['butter beans, water, nutmeg', ''],
    ['potato starch, water chestnuts', ''],
  ])('%s: %s', (statement, mentions) => {
    expect(said(statement)).toBe(mentions);
  });

  test.each<[string, Substance[]]>([
    ['hazelnuts. May contain traces of almond and peanuts.', ['almond', 'peanut']],
    ['Rice. Made in a factory that also handles sesame and milk.', ['sesame', 'milk']],
    ['Lentils. Not suitable for customers with a celery allergy', ['celery']],
    ['Oil; may contain: wheat, soya', ['wheat', 'soy']],
    ['Beans, salt. Produced on a line which uses nuts', ['cashew', 'walnut', 'pine-nut']],
  ])('%s', (statement, substances) => {
    for (const each of substances) expect([each, has(statement, each, 'may-contain')]).toEqual([each, true]);
  });

  test('a sentence ends a "may contain": what stands before it is contained', () => {
    const reading = readStatement('Contains: soya. May contain milk. Salt.');
    expect(reading.mentions).toEqual([
      { substance: 'soy', status: 'contains', words: 'soya' },
      { substance: 'milk', status: 'may-contain', words: 'milk' },
    ]);
    expect(reading.animal).toBeNull();
  });

  test('what often hides an allergen must be asked', () => {
    expect(has('sugar, emulsifier: lecithins', 'soy', 'check')).toBe(true);
    expect(has('sugar, emulsifier: sunflower lecithin', 'soy', 'check')).toBe(false);
    expect(has('salt, spices, stock', 'celery', 'check')).toBe(true);
    expect(has('hydrolysed vegetable protein', 'wheat', 'check')).toBe(true);
    expect(has('sugar, praline', 'hazelnut', 'check')).toBe(true);
    expect(has('miso (soya beans, rice, salt)', 'barley', 'check')).toBe(true);
  });

  test('"nuts" that are not named are all nuts; coconut and nutmeg are none', () => {
    for (const each of ['almond', 'hazelnut', 'macadamia'] as const)
      expect(has('Contains nuts', each)).toBe(true);
    expect(said('nutmeg, coconut')).toBe('coconut');
  });

  test('free-from claims are repeated to the reader and clear nothing', () => {
    const reading = readStatement('Oat base (water, oats). Free from milk. Contains no nuts.');
    expect(reading.mentions.map(({ substance }) => substance)).toEqual(['oats']);
    expect(reading.claims).toEqual(['Free from milk', 'Contains no nuts']);
  });

  test('animal origin, by allergen, by word and by E number', () => {
    expect(readStatement('sugar, WHEY powder').animal).toEqual({ state: 'animal', words: 'whey powder' });
    expect(readStatement('sugar, honey').animal?.state).toBe('animal');
    expect(readStatement('colour: E120').animal?.state).toBe('animal');
    expect(readStatement('glazing agent (E 904)').animal?.state).toBe('animal');
    expect(readStatement('vitamin D3').animal?.state).toBe('check');
    expect(readStatement('oats. May contain milk').animal).toBeNull();
    expect(readStatement('water, rice').animal).toBeNull();
  });

  test('a word that no list holds is asked, however it is written; what a list holds is not', () => {
    expect(readStatement('water, sugar, ZORBLAX, salt').unknown).toEqual(['ZORBLAX']);
    expect(readStatement('water, <strong>ruxle paste</strong> (12 %), E330').unknown).toEqual(['ruxle']);
    expect(readStatement('Zutaten: Wasser, Krolvenat-Mix, Kartoffelflocken').unknown).toEqual([
      'Krolvenat-Mix',
    ]);
    expect(readStatement('Allergens: 1, 3, 7').unknown).toEqual(['Allergens: 1, 3, 7']);
    expect(readStatement('Allergens: see cap').unknown).toEqual(['see cap']);
    expect(readStatement('ｍｉｌｋ, water').mentions.map(({ substance }) => substance)).toEqual(['milk']);
    expect(readStatement('water, რძე').unknown).toEqual(['რძე']);
    expect(readStatement('INGREDIENTS: water, SOYA, UHT, KINAKO').unknown).toEqual([]);
    expect(readStatement('Ingredients: rice (62 %), salt, acidity regulator: citric acid.').unknown).toEqual(
      [],
    );
  });

  test('whatever is printed, nothing is thrown and adding words never takes a mention away', () => {
    for (const text of ['', '((((', '**', '<b>', '\u202e', 'x'.repeat(4000)])
      expect(() => readStatement(text)).not.toThrow();
    const parts = ['soya', 'wheat flour', 'almonds', 'celery', 'E220', 'tahini', 'egg white'];
    for (let count = 1; count <= parts.length; count += 1) {
      const found = new Set(
        readStatement(parts.slice(0, count).join(', ')).mentions.map(({ substance }) => substance),
      );
      expect(found.size).toBeGreaterThanOrEqual(count);
    }
  });
});
