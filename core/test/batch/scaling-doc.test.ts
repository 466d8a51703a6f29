/** docs/scaling.md: its hand arithmetic is done again, and the product must say the same. */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { type Worksheet, worksheet } from '@hand-ladle/core';
import { book, demoRecipe, ward } from '@hand-ladle/testing/world';
import { compose } from '../../src/dish/compose';

const POT = demoRecipe('fennel-butter-bean-pot');
const TARGET = { kind: 'portions' as const, portions: 180, portionGrams: 300 };
const home = compose(POT, book, ward);
const inVessel = (vesselId: string): Worksheet =>
  worksheet({ recipe: POT, kitchen: ward, target: TARGET, vesselIds: [vesselId] }, book);
const kettle = inVessel('kettle-60');
const bratt = inVessel('bratt-60');

const lineOf = (sheet: Worksheet, foodId: string) => sheet.lines.find((line) => line.foodId === foodId)!;

function vesselFigures(name: string, sheet: Worksheet): Record<string, number> {
  const stage = sheet.stages[0]!;
  const grams = (foodId: string): number => lineOf(sheet, foodId).batchGrams!;
  const [fennel, beans, salt] = ['fennel', 'butter-beans-tinned', 'fine-salt'].map((id) => lineOf(sheet, id));
  const figures: Record<string, number> = {
    'a load holds': stage.holdsGrams,
    'loads, before rounding up': stage.grams / stage.holdsGrams,
    loads: sheet.loadCount,
    steam: sheet.steamGrams,
    'olive oil': grams('olive-oil'),
    factor: sheet.factor,
    water: grams('water'),
    fennel: fennel!.batchGrams!,
    carrots: grams('carrot'),
    'butter beans': beans!.batchGrams!,
    salt: salt!.batchGrams!,
    paprika: grams('smoked-paprika'),
    'fennel as bought': fennel!.purchasedGrams!,
    'butter beans in tins': beans!.purchasedGrams!,
    'put in': sheet.massBalance.putInGrams,
    'left on pots and spoons': sheet.massBalance.lostGrams,
    finished: sheet.finishedGrams,
    'minutes to come up to heat': stage.heatUpMinutes!,
    'fennel on the scale': fennel!.scaleGrams!,
    'salt on the scale': salt!.scaleGrams!,
    'salt at first': salt!.firstGrams!,
    'salt held back': salt!.heldBackGrams,
    'rounding of all lines': sheet.lines.reduce((all, line) => all + line.scaleGrams! - line.batchGrams!, 0),
    'finished as weighed': sheet.roundedFinishedGrams,
  };
  return Object.fromEntries(Object.entries(figures).map(([what, value]) => [`${name}: ${what}`, value]));
}

const water = (sheet: Worksheet): number => lineOf(sheet, 'water').batchGrams!;
const PRODUCT: Record<string, number> = {
  'Put in at home': home.lines.reduce((sum, { weight }) => sum + weight!.grams, 0),
  'Steam at home': home.fixedSteamGrams,
  'Finished at home': home.finishedGrams,
  'Portions at home': home.finishedGrams / kettle.basePortionGrams,
  'Finished batch': kettle.finishedGrams,
  'Left in the pot before anything sticks': kettle.massBalance.putInGrams - kettle.steamGrams,
  'Garnish, by the portion': lineOf(kettle, 'parsley').batchGrams!,
  ...vesselFigures('Kettle', kettle),
  ...vesselFigures('Bratt pan', bratt),
  'Bratt pan: more water than in the kettle': water(bratt) - water(kettle),
  'Water if everything were multiplied by 45': lineOf(kettle, 'water').baseGrams! * 45,
  'Too many, in kilograms': (lineOf(kettle, 'water').baseGrams! * 45 - water(kettle)) / 1000,
};

/** Sums and products as they are written in the document: numbers, brackets, + − × /. */
function sum(written: string): number {
  const plain = written.replace(/−/g, '-').replace(/×/g, '*');
  if (!/^[\d\s.()+\-*/]+$/.test(plain)) throw new Error(`Not a sum: ${written}`);
  return Number(new Function(`return (${plain});`)());
}

const text = readFileSync(join('docs', 'scaling.md'), 'utf8');
const rows = [...text.matchAll(/^\| (.+?) +\| (.+?) +\| ([\d.]+) +\|$/gm)].map(
  ([, what, written, comesTo]) => [what!, written!, comesTo!] as const,
);

/** Half of the last digit that is written, and a little for figures that were written out before. */
const lastDigit = (figure: string): number => 0.51 * 10 ** -(figure.split('.')[1]?.length ?? 0);

describe('docs/scaling.md', () => {
  test('has a row for all that matters', () => {
    expect(rows.length).toBeGreaterThan(40);
    expect(new Set(rows.map(([what]) => what)).size).toBe(rows.length);
  });

  test.each(rows)('%s', (what, written, comesTo) => {
    expect(Math.abs(sum(written) - Number(comesTo))).toBeLessThan(lastDigit(comesTo));
    const says = PRODUCT[what];
    expect(says).toBeDefined();
    expect(Math.abs(says! - Number(comesTo))).toBeLessThan(Math.max(0.003, lastDigit(comesTo)));
  });
});
