import { execFileSync } from 'node:child_process';
import { bookOf, DRAFT_ON_ROLL, foodSet, type Kitchen, type Label, worksheet } from '@hand-ladle/core';
import { loadDemoRecipes, loadFoods, loadKitchens, loadSwaps } from '@hand-ladle/data';
import { labelsPdf } from '../../src/paper/label-files';
import { contentOf, setBy } from '../../src/paper/set';

const foods = loadFoods();
const demo = loadDemoRecipes(foods);
const components = demo.filter(({ recipe }) => recipe.isComponent).map(({ recipe }) => recipe);
const book = bookOf(foodSet(foods, components), components, loadSwaps());
const ward = loadKitchens()[0]!;

const labelOf = (id: string, kitchen: Kitchen): Label => {
  const { recipe, target } = demo.find((each) => each.recipe.id === id)!;
  return worksheet({ recipe, kitchen, target: target! }, book).label;
};
const labelPdf = (label: Label, isReleased = false): Promise<Buffer> =>
  labelsPdf(
    [
      {
        set: setBy(
          contentOf(label, DRAFT_ON_ROLL, { claims: [], watch: [] }, null, isReleased),
          DRAFT_ON_ROLL,
        ),
        quantity: 1,
      },
    ],
    DRAFT_ON_ROLL,
  );
/** The words of a PDF, by poppler; a word that broke at its own hyphen is put together again. */
const textOf = (pdf: Buffer): string =>
  execFileSync('pdftotext', ['-layout', '-', '-'], { input: pdf, encoding: 'utf8' })
    .replace(/\s+/g, ' ')
    .replace(/(\p{L})- (?=\p{L})/gu, '$1-');
const infoOf = (pdf: Buffer, program: string): string =>
  execFileSync(program, ['-'], { input: pdf, encoding: 'utf8' });

const dishes = demo.filter(({ recipe }) => !recipe.isComponent).map(({ recipe }) => recipe.id);

describe.each(dishes)('the label of %s', (id) => {
  test.each(['us', 'eu'] as const)(
    'under the law of %s prints every figure of the worksheet',
    async (regime) => {
      const label = labelOf(id, { ...ward, regime });
      // The word across a draft is cut into the lines of the text, so the figures are read from the same label without it.
      const text = textOf(await labelPdf(label, true));
      for (const { text: amount, per100gText, dailyValueText } of label.figures) {
        for (const printed of [amount, per100gText, dailyValueText]) {
          // A narrow column may break the energy between kilojoules and kilocalories.
          for (const part of printed.replace('at least ', '').split(' / ')) expect(text).toContain(part);
        }
      }
      expect(text).toContain(`Ingredients: ${label.ingredients}.`.replace(/\s+/g, ' '));
      if (label.contains) expect(text).toContain(label.contains);
      if (label.mayContain) expect(text).toContain(label.mayContain);
      expect(text).toContain(label.title);
    },
  );
});

describe('the file', () => {
  const flatbread = labelOf('caraway-flatbread', ward);

  test('is one page, 102 mm wide, with its fonts embedded', async () => {
    const pdf = await labelPdf(flatbread);
    expect(infoOf(pdf, 'pdfinfo')).toMatch(/Pages:\s+1\n/);
    expect(infoOf(pdf, 'pdfinfo')).toMatch(/Page size:\s+289\.1\d* x/);
    const rows = infoOf(pdf, 'pdffonts').trim().split('\n').slice(2);
    expect(rows.length).toBeGreaterThan(1);
    for (const font of rows) expect(font).toMatch(/\byes\s+yes\s+yes\b/);
  });

  test('is the same bytes for the same label', async () => {
    const [one, other] = [await labelPdf(flatbread), await labelPdf(flatbread)];
    expect(one.equals(other)).toBe(true);
  });

  test('says DRAFT on all that is not released, with the number of open points', async () => {
    expect(textOf(await labelPdf(flatbread, true))).not.toContain('DRAFT');
    expect(textOf(await labelPdf(flatbread))).toContain('DRAFT - not released');
    const draft = textOf(await labelPdf(labelOf('red-lentil-tomato-soup', ward)));
    expect(draft).toContain('DRAFT - not for use: 1 open point');
  });

  test('stresses what the law stresses, in the bold cut', async () => {
    const fonts = infoOf(await labelPdf(flatbread), 'pdffonts');
    expect(fonts).toMatch(/Archivo-?Bold/i);
  });

  test('grows with a long statement instead of cutting it', async () => {
    const long = Array.from({ length: 120 }, (_, index) => `ingredient number ${index}`).join(', ');
    const label: Label = {
      ...flatbread,
      ingredientSegments: [{ text: long, stress: false }],
      ingredients: long,
    };
    expect(textOf(await labelPdf(label, true))).toContain('ingredient number 119.');
  });

  test('prints letters its font lacks as question marks and drops marks of direction', async () => {
    const text = textOf(await labelPdf({ ...flatbread, title: 'Crème “brûlée” 🥕 مطبخ \u202eabc' }, true));
    expect(text).toContain('Crème “brûlée” ?');
    expect(text).toContain('abc');
    expect(text).not.toContain('\u202e');
  });
});
