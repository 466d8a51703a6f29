/** The sizes of letters each law asks for, measured in the PDF that is printed. */
import {
  bookOf,
  DRAFT_ON_ROLL,
  foodSet,
  LABEL_KINDS,
  type LabelOptions,
  type Language,
  LANGUAGES,
  mmToPoints,
  type PackSize,
  pointsToMm,
  type Regime,
  STOCKS,
  UNPACKED,
  worksheet,
  X_HEIGHT,
} from '@hand-ladle/core';
import { loadDemoRecipes, loadFoods, loadKitchens, loadSwaps } from '@hand-ladle/data';
import { labelsPdf } from '../../src/paper/label-files';
import { contentOf, setBy } from '../../src/paper/set';
import { type PlacedWord, wordsOf } from './pdf-reader';

const foods = loadFoods();
const demo = loadDemoRecipes(foods);
const components = demo.filter(({ recipe }) => recipe.isComponent).map(({ recipe }) => recipe);
const book = bookOf(foodSet(foods, components), components, loadSwaps());
const ward = loadKitchens()[0]!;
/** Poppler gives boxes to a thousandth of a point. */
const SLACK = 0.02;

async function wordsPrinted(
  regime: Regime,
  options: Partial<LabelOptions>,
  language: Language = 'en',
  id = 'fennel-butter-bean-pot',
  size: PackSize = { largestSurfaceCm2: null, labelAreaCm2: null },
): Promise<PlacedWord[]> {
  const { recipe: plain, target } = demo.find((each) => each.recipe.id === id)!;
  const recipe = { ...plain, packed: { ...UNPACKED, ...size } };
  const labelStyle = { language, hasTail: false };
  const sheet = worksheet({ recipe, kitchen: { ...ward, regime }, target: target!, labelStyle }, book);
  const asked = { ...DRAFT_ON_ROLL, ...options };
  const content = contentOf(sheet.label, asked, { claims: [], watch: [] }, null, true);
  return wordsOf(await labelsPdf([{ set: setBy(content, asked), quantity: 1 }], asked));
}
const sizeOf = (words: PlacedWord[], text: string): number => words.find((word) => word.text === text)!.size;
const tight = STOCKS.find(({ id }) => id === 'roll-102x76')!;

describe('US panel, 21 CFR 101.9(d)', () => {
  test('upright: heading largest but for the calories, 10 points, 16 and 22, 8, and nothing under 6', async () => {
    const words = await wordsPrinted('us', { form: 'vertical' });
    expect(sizeOf(words, 'Serving')).toBeGreaterThanOrEqual(10 - SLACK);
    expect(sizeOf(words, 'Calories')).toBeGreaterThanOrEqual(16 - SLACK);
    const calories = Math.max(...words.filter(({ text }) => /^\d+$/.test(text)).map(({ size }) => size));
    expect(calories).toBeGreaterThanOrEqual(22 - SLACK);
    for (const name of ['Total', 'Sodium', 'Protein', 'Vitamin', 'Calcium', 'Potassium'])
      expect([name, sizeOf(words, name) >= 8 - SLACK]).toEqual([name, true]);
    const heading = sizeOf(words, 'Facts');
    for (const { text, size } of words)
      if (!/^(?:Nutrition|Facts|\d+)$/.test(text)) expect([text, size < heading]).toEqual([text, true]);
    for (const { text, size } of words) expect([text, size >= 6 - SLACK]).toEqual([text, true]);
  });

  test('small packs: calories 10 and 14, nothing under 6, and the linear form only there', async () => {
    for (const form of ['tabular', 'linear'] as const) {
      const words = await wordsPrinted('us', { form }, 'en', undefined, {
        largestSurfaceCm2: null,
        labelAreaCm2: 200,
      });
      expect(sizeOf(words, 'Calories')).toBeGreaterThanOrEqual(10 - SLACK);
      expect(
        Math.max(...words.filter(({ text }) => /^\d+,?$/.test(text)).map(({ size }) => size)),
      ).toBeGreaterThanOrEqual(14 - SLACK);
      for (const { text, size } of words) expect([form, text, size >= 6 - SLACK]).toEqual([form, text, true]);
    }
  });

  test('the ingredient list: a small o of 1/16 inch, 101.2(c)', async () => {
    const words = await wordsPrinted('us', {});
    expect(pointsToMm(sizeOf(words, 'Ingredients:') * X_HEIGHT)).toBeGreaterThanOrEqual(25.4 / 16 - 0.01);
  });
});

describe('EU, 1169/2011 article 13', () => {
  test.each(LABEL_KINDS)('every letter of a %s label has an x of 1.2 mm, in every language', async (kind) => {
    for (const language of LANGUAGES)
      for (const stock of [DRAFT_ON_ROLL.stock, tight]) {
        const words = await wordsPrinted('eu', { kind, stock }, language);
        for (const { text, size } of words)
          expect([text, pointsToMm(size * X_HEIGHT) >= 1.2 - 0.005]).toEqual([text, true]);
      }
  });

  test('0.9 mm only where the largest side is said to be below 80 cm2', async () => {
    const small = { kind: 'roll', id: 'small', name: 'small', widthMm: 57, heightMm: 29 } as const;
    const least = async (largestSurfaceCm2: number): Promise<number> => {
      const words = await wordsPrinted(
        'eu',
        {
          kind: 'prepacked',
          stock: small,
        },
        'en',
        'barley-leek-white-bean-pot',
        { largestSurfaceCm2, labelAreaCm2: null },
      );
      return Math.min(...words.map(({ size }) => pointsToMm(size * X_HEIGHT)));
    };
    expect(await least(80)).toBeGreaterThanOrEqual(1.195);
    const below = await least(79.9);
    expect(below).toBeGreaterThanOrEqual(0.895);
    expect(below).toBeLessThan(1.2);
  });
});

test('nothing leaves its paper, on any stock, and no two words of a line touch', async () => {
  for (const stock of STOCKS)
    for (const kind of ['component', 'prepacked'] as const) {
      const words = await wordsPrinted('eu', {
        kind,
        stock: { kind: 'roll', id: 'x', name: 'x', widthMm: stock.widthMm, heightMm: null },
      });
      for (const { text, xMin, xMax } of words)
        expect([text, xMin >= 0, xMax <= mmToPoints(stock.widthMm)]).toEqual([text, true, true]);
    }
});
