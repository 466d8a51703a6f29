/** Laws of setting: nothing is lost, nothing leaves the paper, nothing is smaller than the law lets it be. */
import fc from 'fast-check';
import {
  batchCode,
  claimsOfSheet,
  dateOnLabel,
  DRAFT_ON_ROLL,
  freeze,
  isOf,
  keptDays,
  type Kitchen,
  LABEL_KINDS,
  type LabelContent,
  labelContent,
  labelText,
  LANGUAGES,
  lastDay,
  mmToPoints,
  placesOnSheets,
  printable,
  setLabel,
  sheetProblem,
  type SheetStock,
  STOCKS,
  svgOf,
  thaw,
  whatChanged,
  worksheet,
} from '@hand-ladle/core';
import { runs } from '@hand-ladle/testing/runs';
import { book, demo, demoRecipe, recipeOf, sheetOf, ward } from '@hand-ladle/testing/world';
import { LABEL_WORDS } from '../../src/declaration/words/label-words';
import { leastTextSize } from '../../src/paper/label/type-rules';
import { unprintable, widthOf } from '../../src/paper/print/face';

const us: Kitchen = { ...ward, regime: 'us' };
const NO_PACK = { largestSurfaceCm2: null, labelAreaCm2: null };
const contentOf = (
  id: string,
  kitchen: Kitchen,
  kind: (typeof LABEL_KINDS)[number] = 'serving',
): LabelContent => labelContent(sheetOf(demoRecipe(id), undefined, kitchen).label, kind);
const onRoll = (content: LabelContent, widthMm: number, heightMm: number | null = null) =>
  setLabel(content, { paper: { widthMm, heightMm }, form: null });

describe('setting a label', () => {
  test('every word of every demo dish is on it, inside the paper, in the size the law asks, in both laws', () => {
    for (const { recipe } of demo)
      for (const kitchen of [ward, us]) {
        const content = labelContent(sheetOf(recipe, undefined, kitchen).label, 'serving');
        const set = onRoll(content, 102);
        const drawn = set.ops
          .flatMap((op) => (op.kind === 'text' ? op.text : []))
          .join('')
          .replace(/\s/g, '');
        for (const { text } of content.ingredients)
          expect(drawn).toContain(printable(text).replace(/\s/g, ''));
        for (const op of set.ops) {
          if (op.kind === 'turned') continue;
          expect(op.x).toBeGreaterThanOrEqual(0);
          expect(op.x + op.width).toBeLessThanOrEqual(set.width + 0.01);
          if (op.kind === 'text') expect(op.y).toBeLessThanOrEqual(set.height);
        }
        expect(set.textSize).toBeGreaterThanOrEqual(leastTextSize(kitchen.regime, NO_PACK));
      }
  });

  test('any text wraps without losing a letter, whatever its words', () => {
    const base = contentOf('fennel-butter-bean-pot', ward);
    fc.assert(
      fc.property(
        fc.array(fc.string({ minLength: 1, maxLength: 60 }), { minLength: 1, maxLength: 12 }),
        (words) => {
          const text = words.join(', ');
          const set = onRoll({ ...base, ingredients: [{ text, stress: false }] }, 62);
          const drawn = set.ops
            .flatMap((op) => (op.kind === 'text' ? op.text : []))
            .join('')
            .replace(/\s/g, '');
          return (
            drawn.includes(printable(text).replace(/\s/g, '')) &&
            set.ops.every((op) => op.kind !== 'text' || op.x + op.width <= set.width + 0.01)
          );
        },
      ),
      { numRuns: runs(30) },
    );
  });

  test('the same content gives the same drawing', () => {
    const content = contentOf('parsnip-buckwheat-tray', us);
    expect(JSON.stringify(onRoll(content, 62))).toBe(JSON.stringify(onRoll(content, 62)));
  });

  test('what does not fit is said with the height it needs; larger paper ends it', () => {
    const content = contentOf('parsnip-buckwheat-tray', ward);
    const small = onRoll(content, 57, 32);
    expect(small.findings.map(({ code }) => code)).toContain('label-too-small');
    const needs = Number(small.findings.find(isOf('label-too-small'))!.figures.needs);
    expect(onRoll(content, 57, needs + 0.1).findings.map(({ code }) => code)).not.toContain(
      'label-too-small',
    );
  });

  test('the linear US form stands only on small packs', () => {
    const content = contentOf('fennel-butter-bean-pot', us);
    const linear = (labelAreaCm2: number | null) =>
      setLabel(
        { ...content, pack: { ...content.pack, size: { largestSurfaceCm2: null, labelAreaCm2 } } },
        { paper: { widthMm: 102, heightMm: null }, form: 'linear' },
      ).findings.map(({ code }) => code);
    expect(linear(null)).toContain('form-not-allowed');
    expect(linear(258)).not.toContain('form-not-allowed');
    expect(linear(259)).toContain('form-not-allowed');
  });

  test('a code too narrow to be read is a finding', () => {
    const content = contentOf('sunflower-seed-cream', ward, 'component');
    const code = { symbology: 'code128', text: 'x', widths: Array.from({ length: 400 }, () => 2) } as const;
    const set = onRoll({ ...content, facts: { ...content.facts, code } }, 62);
    expect(set.findings.map((each) => each.code)).toContain('code-too-small');
  });
});

describe('letters and languages', () => {
  test('marks of direction and controls are gaps; letters the type lacks are named and asked about', () => {
    expect(printable('a\u202eb\u0007c')).toBe('a b c');
    expect(unprintable('Leek 🥬 قدر')).toEqual(['🥬', 'ق', 'د', 'ر']);
    const content = { ...contentOf('fennel-butter-bean-pot', ward), title: 'Pot 🥬' };
    expect(onRoll(content, 102).findings.map(({ code }) => code)).toContain('label-letters');
    expect(widthOf('iiii', 10, 'regular')).toBeLessThan(widthOf('WWWW', 10, 'regular'));
  });

  test('every language has every word, and every figure of the EU table', () => {
    for (const language of LANGUAGES) {
      expect(Object.keys(LABEL_WORDS[language])).toEqual(Object.keys(LABEL_WORDS.en));
      expect(Object.keys(LABEL_WORDS[language].figures)).toEqual(Object.keys(LABEL_WORDS.en.figures));
    }
  });

  test('Spanish and French: names from the table, decimal comma, allergens stressed in the language', () => {
    const label = (language: 'es' | 'fr') =>
      worksheet(
        {
          recipe: recipeOf(['300 g peeled celeriac', '200 g carrots', '50 g walnuts']),
          kitchen: ward,
          target: { kind: 'portions', portions: 4, portionGrams: 130 },
          labelStyle: { language, hasTail: false },
        },
        book,
      ).label;
    const fr = labelContent(label('fr'), 'serving');
    expect(fr.ingredients.map(({ text }) => text).join('')).toBe('CÉLERI-rave, carottes, NOIX');
    expect(fr.figures.find(({ id }) => id === 'fatG')).toMatchObject({
      name: 'Matières grasses',
      text: expect.stringMatching(/^\d+(,\d)? g$/),
    });
    expect(
      labelContent(label('es'), 'serving')
        .ingredients.map(({ text }) => text)
        .join(''),
    ).toBe('apionabo (APIO), zanahorias, NUECES');
  });

  test('what nobody translated is named, and stays in English', () => {
    const label = worksheet(
      {
        recipe: recipeOf(['300 g tofu', '200 g carrots']),
        kitchen: ward,
        target: { kind: 'weight', grams: 500 },
        labelStyle: { language: 'fr', hasTail: false },
      },
      book,
    ).label;
    expect(label.untranslated.length).toBeGreaterThan(0);
    expect(onRoll(labelContent(label, 'serving'), 102).findings.map(({ code }) => code)).toContain(
      'label-untranslated',
    );
  });

  test('the plain text says everything a reader of the label sees', () => {
    for (const kind of LABEL_KINDS) {
      const content = contentOf('barley-leek-white-bean-pot', us, kind);
      const text = labelText(content);
      expect(text).toContain(content.title);
      expect(text).toMatch(/Soy/);
      if (kind === 'serving') expect(text).toMatch(/Calories \d+/);
    }
    expect(dateOnLabel('2026-03-04', 'en')).toBe('04 Mar 2026');
    expect(dateOnLabel('2026-03-04', 'fr')).toBe('04 mars 2026');
  });

  test('SVG holds no markup of a name', () => {
    const content = { ...contentOf('fennel-butter-bean-pot', ward), title: '<script>"&' };
    expect(svgOf(onRoll(content, 102), content.title)).not.toContain('<script>');
  });
});

describe('the statement', () => {
  const tail = (kitchen: Kitchen) =>
    worksheet(
      {
        recipe: recipeOf([
          '900 g peeled potatoes',
          '12 g fine salt',
          '10 g parsley',
          '5 g dill',
          '4 g bicarbonate of soda',
        ]),
        kitchen,
        target: { kind: 'weight', grams: 900 },
        labelStyle: { language: 'en', hasTail: true },
      },
      book,
    ).label.ingredients;

  test('what is at most 2 % follows at the end, said so in the US; additives by class and number in the EU', () => {
    expect(tail(us)).toBe('potatoes, contains 2% or less of: baking soda, dill, parsley, salt');
    expect(tail(ward)).toBe('potatoes, raising agent (E 500), dill, parsley, salt');
  });
});

describe('claims', () => {
  test('none is met by the best figure alone, and none says "free"', () => {
    for (const { recipe } of demo)
      for (const kitchen of [ward, us]) {
        const sheet = sheetOf(recipe, undefined, kitchen);
        for (const claim of claimsOfSheet(sheet, { language: 'en', hasTail: false })) {
          expect(claim.text).not.toMatch(/\bfree\b/i);
          if (claim.id === 'no-gluten-ingredients')
            expect(claim.standing === 'met').toBe(
              sheet.allergens.find(({ id }) => id === 'gluten')!.status === 'clear',
            );
        }
      }
  });

  test('source of fibre: met on the whole range, by the best figure only, or not', () => {
    const fibre = (grams: number) =>
      claimsOfSheet(sheetOf(recipeOf([`${grams} g sunflower seeds`, `${1000 - grams} g fine salt`])), {
        language: 'en',
        hasTail: false,
      }).find(({ id }) => id === 'source-fibre')!.standing;
    expect([fibre(500), fibre(370), fibre(100)]).toEqual(['met', 'best figure only', 'not met']);
  });
});

describe('release', () => {
  const target = { kind: 'portions', portions: 10, portionGrams: 250 } as const;
  const input = (id: string, kitchen: Kitchen = ward) => ({ recipe: demoRecipe(id), kitchen, target });

  test('frozen inputs work out the same worksheet, through JSON and back', () => {
    for (const { recipe } of demo) {
      const frozen = JSON.parse(JSON.stringify(freeze({ recipe, kitchen: ward, target }, book)));
      expect(JSON.stringify(thaw(frozen).label)).toBe(
        JSON.stringify(worksheet({ recipe, kitchen: ward, target }, book).label),
      );
    }
  });

  test('whatever changes a label is among what changed', () => {
    const before = input('celeriac-bean-bake');
    const frozen = freeze(before, book);
    const changes: Kitchen[] = [
      { ...ward, regime: 'us' },
      { ...ward, transferLoss: 0.03 },
      { ...ward, coconutIsTreeNut: !ward.coconutIsTreeNut },
      { ...ward, packs: [] },
    ];
    for (const kitchen of changes) {
      const after = { ...before, kitchen };
      const isOther =
        JSON.stringify(worksheet(after, book).label) !== JSON.stringify(worksheet(before, book).label);
      const told = whatChanged(frozen, freeze(after, book));
      if (isOther) expect(told.length).toBeGreaterThan(0);
    }
    const [first] = before.recipe.lines;
    const recipe = {
      ...before.recipe,
      lines: [{ ...first!, answers: { grams: 5 } }, ...before.recipe.lines.slice(1)],
    };
    expect(whatChanged(frozen, freeze({ ...before, recipe }, book)).map(({ what }) => what)).toEqual([
      'A line of Celeriac and black-eyed bean bake',
    ]);
  });

  test('a line told in other words is one change, by its words', () => {
    const before = input('celeriac-bean-bake');
    const [first, ...others] = before.recipe.lines;
    const text = '1 kg celeriac, peeled';
    const line = { ...first!, text, reading: { ...first!.reading, amountText: '1 kg', statedGrams: 1000 } };
    const changes = whatChanged(
      freeze(before, book),
      freeze({ ...before, recipe: { ...before.recipe, lines: [line, ...others] } }, book),
    );
    expect(changes).toEqual([expect.objectContaining({ before: first!.text, after: text })]);
  });

  test('what no label depends on changes nothing', () => {
    const before = input('fennel-butter-bean-pot');
    const kitchen: Kitchen = {
      ...ward,
      name: 'Another name',
      scales: [],
      diners: [],
      targets: [{ figure: 'fatG', min: 1, max: 2, dinerId: null }],
    };
    expect(whatChanged(freeze(before, book), freeze({ ...before, kitchen }, book))).toEqual([]);
  });
});

describe('dates, codes and sheets', () => {
  test('use-by: the day of making is day 1, never past the cap', () => {
    expect(lastDay('2026-11-25', keptDays(3, 'eu'))).toBe('2026-11-27');
    expect(lastDay('2026-12-30', keptDays(7, 'us'))).toBe('2027-01-05');
    expect(lastDay('2026-11-25', keptDays(30, 'us'))).toBe('2026-12-01');
    expect([keptDays(30, 'us'), keptDays(30, 'eu'), keptDays(0, 'eu')]).toEqual([7, 30, 1]);
  });

  test('batch codes differ, and hold no letter that can be taken for another', () => {
    const codes = Array.from({ length: 3000 }, (_, index) => batchCode('2026-11-25', index));
    expect(new Set(codes).size).toBe(codes.length);
    for (const code of codes) expect(code).toMatch(/^261125-[2-9A-HJKMNP-TV-Z]{4}$/);
  });

  test('every stock fits its paper; a larger grid is refused', () => {
    for (const stock of STOCKS)
      if (stock.kind === 'sheet') expect([stock.id, sheetProblem(stock)]).toEqual([stock.id, null]);
    const sheet = STOCKS.find(({ kind }) => kind === 'sheet') as SheetStock;
    expect(sheetProblem({ ...sheet, columns: sheet.columns + 1 })).toMatch(/wide/);
    expect(sheetProblem({ ...sheet, rows: sheet.rows + 1 })).toMatch(/high/);
  });

  test('places: from the start position, row by row, no two alike, none over an edge', () => {
    const sheet = STOCKS.find(({ id }) => id === 'a4-3x8') as SheetStock;
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 24 }), fc.integer({ min: 1, max: 200 }), (first, quantity) => {
        const places = placesOnSheets(sheet, first, quantity);
        const keys = new Set(places.map(({ page, xMm, yMm }) => `${page} ${xMm} ${yMm}`));
        return (
          places.length === quantity &&
          keys.size === quantity &&
          places.at(-1)!.page === Math.floor((first - 1 + quantity - 1) / 24) &&
          places.every(({ xMm, yMm }) => xMm + sheet.widthMm <= 210.5 && yMm + sheet.heightMm <= 297.5)
        );
      }),
    );
    expect(DRAFT_ON_ROLL.stock.widthMm).toBe(102);
    expect(mmToPoints(25.4)).toBe(72);
  });
});
