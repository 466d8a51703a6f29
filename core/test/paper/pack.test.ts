/** Packed portions, and what the law asks of each kind of label. Figures worked by hand from the law's text. */
import fc from 'fast-check';
import {
  claimsOfSheet,
  demandsOn,
  freeze,
  isComplete,
  type Kitchen,
  LABEL_KINDS,
  type LabelContent,
  labelContent,
  type LabelKind,
  labelText,
  missingOn,
  type PackedPortion,
  type Recipe,
  REFERENCE_AMOUNTS,
  setLabel,
  shelfDays,
  type StatementStyle,
  thaw,
  UNPACKED,
  whatChanged,
  worksheet,
} from '@hand-ladle/core';
import { auditLabels } from '@hand-ladle/testing/random-labels';
import { book, recipeOf, ward } from '@hand-ladle/testing/world';
import { metricNet, netHeightMm, netQuantity } from '../../src/declaration/net-quantity';
import { checkReference, householdAmount, servingsPerContainer } from '../../src/declaration/serving-size';
import { businessLines, keepText, servingSizeText } from '../../src/paper/label/content';
import type { DemandId } from '../../src/paper/label/demands';

const us: Kitchen = { ...ward, regime: 'us' };
const PACKED: PackedPortion = {
  ...UNPACKED,
  container: 'tub',
  portions: 3,
  keeping: 'chilled',
  largestSurfaceCm2: 180,
  household: { amount: 0.75, measure: 'cup', grams: null },
  referenceId: 'mixed-dish-cup',
};
const LINES = ['500 g cooked chickpeas', '300 g peeled carrots', '100 g walnuts', '5 g salt'];

const dish = (packed: Partial<PackedPortion> | null = {}, extra: Partial<Recipe> = {}): Recipe =>
  recipeOf(LINES, [], {
    name: 'Chickpea and walnut pot',
    packed: packed && { ...PACKED, ...packed },
    ...extra,
  });
const labelOf = (recipe: Recipe, kitchen: Kitchen, style?: Partial<StatementStyle>) =>
  worksheet(
    {
      recipe,
      kitchen,
      target: { kind: 'portions', portions: 4, portionGrams: 200 },
      labelStyle: { language: 'en', hasTail: false, ...style },
    },
    book,
  ).label;
const contentOf = (
  recipe: Recipe,
  kitchen: Kitchen,
  kind: LabelKind,
  style?: Partial<StatementStyle>,
): LabelContent => labelContent(labelOf(recipe, kitchen, style), kind);
const missing = (content: LabelContent): DemandId[] => missingOn(content).map(({ id }) => id);

describe('net quantity', () => {
  test.each([
    [198, 'NET WT 6.98 oz (198 g)'],
    [453, 'NET WT 15.9 oz (453 g)'],
    [980, 'NET WT 34.5 oz (2 lb 2.56 oz) 980 g'],
    [2000, 'NET WT 4 lb 6.54 oz (2.00 kg)'],
  ])('%d g in the US is %s', (grams, text) => {
    expect(netQuantity(grams, 'us', 'en')).toBe(text);
  });

  test('never more than is in it, in either measure', () => {
    fc.assert(
      fc.property(fc.double({ min: 5, max: 5000, noNaN: true }), (grams) => {
        const metric = metricNet(grams);
        const said = parseFloat(metric) * (metric.endsWith('kg') ? 1000 : 1);
        const ounces = /WT ([\d.]+) oz/.exec(netQuantity(grams, 'us', 'en'));
        return said <= grams + 1e-6 && (!ounces || Number(ounces[1]) * 28.349523125 <= grams + 1e-6);
      }),
    );
  });

  test('EU metric alone, with the comma of the language', () => {
    expect(netQuantity(980, 'eu', 'en')).toBe('Net weight: 980 g');
    expect(netQuantity(1250, 'eu', 'fr')).toBe('Poids net: 1,25 kg');
  });

  test('figures as high as the law wants them, and set so', () => {
    expect([50, 51, 200, 201, 1000, 1001].map((grams) => netHeightMm('eu', grams, 0))).toEqual([
      2, 3, 3, 4, 4, 6,
    ]);
    const inches = (cm2: number): number => Number((netHeightMm('us', 0, cm2) / 25.4).toFixed(4));
    expect([32, 33, 161, 162, 645, 646].map(inches)).toEqual([1 / 16, 1 / 8, 1 / 8, 3 / 16, 3 / 16, 1 / 4]);
    for (const kitchen of [ward, us]) {
      const set = setLabel(contentOf(dish(), kitchen, 'retail'), {
        paper: { widthMm: 102, heightMm: null },
        form: null,
      });
      const net = set.ops.find((op) => op.kind === 'text' && /600/.test(op.text));
      // Archivo's capitals and figures are 686 of 1000 high.
      const mm = net?.kind === 'text' ? (net.size * 0.686 * 25.4) / 72 : 0;
      expect(mm).toBeGreaterThanOrEqual((kitchen === us ? (3 / 16) * 25.4 : 4) - 0.01);
    }
  });
});

describe('the US serving', () => {
  test.each([
    [195, 195, 1, false],
    [980, 195, 5, true],
    [500, 200, 2.5, false],
    [690, 200, 3.5, true],
    [1250, 200, 6, true],
  ])('%d g in portions of %d g are %d servings', (net, portion, count, isAbout) => {
    expect(servingsPerContainer(net, portion)).toEqual({ count, isAbout });
  });

  test('household measures by the fractions of a cook', () => {
    expect([1, 0.667, 1.333, 2.5, 0.25, 1.98].map((amount) => householdAmount(amount).text)).toEqual([
      '1',
      '2/3',
      '1 1/3',
      '2 1/2',
      '1/4',
      '2',
    ]);
    expect(householdAmount(0.375)).toMatchObject({ isAbout: true });
    expect(householdAmount(0.05)).toMatchObject({ text: '1/4', isAbout: true });
    expect(servingSizeText(contentOf(dish(), us, 'retail'))).toBe('3/4 cup (200g)');
    expect(
      servingSizeText(
        contentOf(dish({ household: { amount: 2, measure: 'piece', grams: null } }), us, 'retail'),
      ),
    ).toBe('2 pieces (200g)');
    expect(servingSizeText(contentOf(dish({ household: null, portions: 1 }), us, 'retail'))).toBe(
      '1 container (200g)',
    );
  });

  test('below twice the reference amount a pack is one serving; from twice to three times it tells the whole', () => {
    const soup = (net: number, portion: number) => checkReference('soup', null, portion, net);
    expect(soup(489, 245).problem).toBe('one serving');
    expect(soup(489, 489).problem).toBeNull();
    expect(soup(490, 245)).toMatchObject({ problem: null, isWholeAsked: true });
    expect(soup(735, 245).isWholeAsked).toBe(true);
    expect(soup(736, 245).isWholeAsked).toBe(false);
    expect(soup(980, 90).problem).toBe('serving far from it');
    expect(checkReference(null, null, 200, 600).problem).toBe('no reference amount');
    // Three quarters of a cup weigh 200 g, so a cup weighs 266.7 g: 600 g are 2.25 cups.
    const cup = checkReference('mixed-dish-cup', { amount: 0.75, measure: 'cup', grams: null }, 200, 600);
    expect(cup.grams).toBeCloseTo(266.67, 1);
    expect(cup).toMatchObject({ problem: null, isWholeAsked: true });
    expect(
      checkReference('mixed-dish-cup', { amount: 1, measure: 'piece', grams: null }, 200, 600).problem,
    ).toBe('its cup is not weighed');
  });

  test('the whole container: three times the portion, rounded for itself, in its own column', () => {
    const content = contentOf(dish(), us, 'retail');
    const sodium = content.figures.find(({ id }) => id === 'sodiumMg')!;
    const label = labelOf(dish(), us);
    const exact = label.tolerances.find(({ id }) => id === 'sodiumMg')!.value;
    expect(Number(sodium.wholeText.replace('mg', ''))).toBe(Math.round((exact * 3) / 10) * 10);
    expect(labelText(content)).toContain('Per container');
    const set = setLabel(content, { paper: { widthMm: 102, heightMm: null }, form: null });
    const drawn = set.ops.flatMap((op) => (op.kind === 'text' ? op.text : [])).join('|');
    expect(drawn).toContain('Per container');
    for (const form of ['tabular', 'linear'] as const)
      expect(
        setLabel(content, { paper: { widthMm: 102, heightMm: 60 }, form }).findings.map(({ code }) => code),
      ).toContain('form-lacks-whole');
    expect(contentOf(dish(), us, 'serving').figures.every(({ wholeText }) => wholeText === '')).toBe(true);
  });

  test('every reference amount has its grams or its measure, and a name of its own', () => {
    for (const { grams, millilitres } of REFERENCE_AMOUNTS)
      expect((grams === null) !== (millilitres === null)).toBe(true);
    expect(new Set(REFERENCE_AMOUNTS.map(({ name }) => name)).size).toBe(REFERENCE_AMOUNTS.length);
  });
});

describe('complete is a computed word', () => {
  const told: Kitchen[] = [ward, us];

  test.each(told.map((kitchen) => [kitchen.regime, kitchen] as const))(
    'a whole label under %s law lacks nothing',
    (_, kitchen) => {
      const content = contentOf(dish(), kitchen, 'retail');
      expect(missing(content)).toEqual([]);
      expect(isComplete(content)).toBe(true);
    },
  );

  test('what is taken away is missed, by name', () => {
    const nobody = { ...ward, service: { ...ward.service, businessAddress: '' } };
    expect(missing(contentOf(dish(), nobody, 'retail'))).toEqual(['business']);
    expect(missing(contentOf(dish({ keeping: null }), ward, 'retail'))).toEqual(['storage']);
    expect(missing(contentOf(dish({ portions: null }), ward, 'retail'))).toEqual([
      'net-quantity',
      'portions',
    ]);
    expect(missing(contentOf(dish({ keeping: 'frozen', keepsDays: null }), ward, 'retail'))).toEqual([
      'date',
    ]);
    expect(missing(contentOf(dish({ household: null }), us, 'retail'))).toEqual([
      'serving-size',
      'reference-amount',
    ]);
    expect(missing(contentOf(dish({ referenceId: null }), us, 'retail'))).toEqual(['reference-amount']);
    expect(missing(contentOf(dish(null), us, 'retail'))).toEqual(
      expect.arrayContaining(['net-quantity', 'serving-size', 'reference-amount', 'storage']),
    );
    const unread = recipeOf([...LINES, '20 g stock paste'], [], { name: 'Pot', packed: PACKED });
    expect(missing(contentOf(unread, ward, 'retail'))).toContain('allergens');
  });

  test('packed here: the UK asks for name and list, other member states for nearly all; the US for weight and business', () => {
    const bare = (country: Kitchen['service']['country']): Kitchen => ({
      ...ward,
      service: { ...ward.service, country, businessName: '', businessAddress: '' },
    });
    expect(missing(contentOf(dish(null), bare('gb'), 'prepacked'))).toEqual([]);
    for (const country of ['fr', 'es', 'de', 'eu'] as const)
      expect(missing(contentOf(dish(null), bare(country), 'prepacked'))).toEqual([
        'net-quantity',
        'storage',
        'business',
      ]);
    expect(missing(contentOf(dish(null), { ...bare('gb'), regime: 'us' }, 'prepacked'))).toEqual([
      'net-quantity',
      'business',
      'storage',
    ]);
  });

  test('a claim about a nutrient asks for the table, also on what is packed here', () => {
    const claims = [{ id: 'high-fibre', text: 'High fibre' }];
    const label = labelOf(dish(), ward);
    expect(missing(labelContent(label, 'prepacked', { claims }))).toEqual(['nutrition']);
    expect(
      missing(labelContent(label, 'prepacked', { claims: [{ id: 'no-animal-ingredients', text: 'x' }] })),
    ).toEqual([]);
    expect(missing(labelContent(label, 'retail', { claims }))).toEqual([]);
  });

  test('every demand has a source in its law, and every kind its demands', () => {
    for (const kitchen of told)
      for (const kind of LABEL_KINDS)
        for (const { source, what, words } of demandsOn(contentOf(dish(), kitchen, kind)))
          expect([kind, what, source !== '' && words !== '']).toEqual([kind, what, true]);
  });
});

describe('how it is kept', () => {
  test('chilled: the least of its own days, policy and cap; frozen and dry: its own or unknown', () => {
    const service = { keepsDays: 9 };
    expect(shelfDays({ keeping: 'chilled', keepsDays: null }, service, 'us')).toBe(7);
    expect(shelfDays({ keeping: 'chilled', keepsDays: 12 }, service, 'eu')).toBe(9);
    expect(shelfDays({ keeping: 'chilled', keepsDays: 2 }, service, 'us')).toBe(2);
    expect(shelfDays({ keeping: null, keepsDays: null }, service, 'us')).toBe(7);
    expect(shelfDays({ keeping: 'frozen', keepsDays: null }, service, 'us')).toBeNull();
    expect(shelfDays({ keeping: 'ambient', keepsDays: 30 }, service, 'us')).toBe(30);
  });

  test('degrees of each law; what is dry or frozen is best before, not used by', () => {
    expect(keepText(contentOf(dish(), us, 'retail'))).toBe('Keep refrigerated at 41 °F (5 °C) or below');
    expect(keepText(contentOf(dish(), ward, 'retail'))).toBe('Keep refrigerated at 5 °C or below');
    const dated = (keeping: PackedPortion['keeping']) =>
      labelText(
        labelContent(labelOf(dish({ keeping, keepsDays: 30 }), ward), 'retail', {
          facts: { useBy: '2026-12-24' },
        }),
      );
    expect(dated('chilled')).toContain('Use by: 24 Dec 2026');
    expect(dated('frozen')).toContain('Best before: 24 Dec 2026');
  });

  test('a label tells who answers for it; a note to the cook stands on drafts alone', () => {
    const content = contentOf(dish(), ward, 'retail');
    expect(businessLines(content)).toEqual(['Alder House Kitchens', '14 Saltmill Lane', 'Thornwick TW4 9QX']);
    const drawn = (isDraft: boolean) =>
      setLabel({ ...content, isDraft }, { paper: { widthMm: 102, heightMm: null }, form: null })
        .ops.flatMap((op) => (op.kind === 'text' ? op.text : []))
        .join(' ');
    expect(drawn(true)).toContain('Calculated');
    expect(drawn(false)).not.toContain('Calculated');
  });
});

describe('another language', () => {
  const names = { es: 'Potaje de garbanzos', fr: 'Potée de pois chiches', de: 'Kichererbsen-Topf' };

  test('US: the whole label beside English, or none of it', () => {
    const content = contentOf(dish({ names }), us, 'retail', { language: 'es' });
    const [spanish, english] = labelText(content).split('\n\n');
    expect(spanish).toMatch(/Datos de Nutrición[\s\S]*Grasa total[\s\S]*Contiene: Frutos de cáscara/);
    expect(english).toMatch(/Nutrition Facts[\s\S]*Total Fat[\s\S]*Contains: Tree nuts/);
    for (const word of ['Serving size', 'Ingredients', 'Contains', 'Calories', 'Keep'])
      expect(spanish).not.toContain(word);
    const set = setLabel(content, { paper: { widthMm: 102, heightMm: null }, form: null });
    const drawn = set.ops.flatMap((op) => (op.kind === 'text' ? op.text : [])).join(' ');
    expect(drawn).toMatch(/Datos de Nutrición[\s\S]*Nutrition Facts/);
  });

  test('a name that nobody translated holds the label', () => {
    expect(missing(contentOf(dish(), ward, 'retail', { language: 'fr' }))).toEqual(['language']);
    expect(missing(contentOf(dish({ names }), ward, 'retail', { language: 'fr' }))).toEqual([]);
    expect(contentOf(dish({ names }), ward, 'retail', { language: 'de' }).title).toBe('Kichererbsen-Topf');
  });

  test('German: whole words that hold an allergen are stressed', () => {
    const label = labelOf(
      recipeOf(['200 g plain flour', '30 g soy sauce', '50 g celeriac', '20 g mustard']),
      ward,
      { language: 'de' },
    );
    for (const word of ['WEIZENMEHL', 'SOJASAUCE', 'KNOLLENSELLERIE', 'SENF'])
      expect(label.ingredientSegments.filter(({ stress }) => stress).map(({ text }) => text)).toContain(word);
  });
});

describe('protein on a US label', () => {
  const claimOf = (lines: string[]) => {
    const recipe = recipeOf(lines, [], { name: 'Plate', packed: { ...PACKED, referenceId: 'beans' } });
    const sheet = worksheet(
      { recipe, kitchen: us, target: { kind: 'portions', portions: 4, portionGrams: 130 } },
      book,
    );
    const claim = claimsOfSheet(sheet, { language: 'en', hasTail: false }).find(
      ({ id }) => id === 'good-protein',
    )!;
    return { sheet, claim };
  };

  test('counts by its quality: tofu meets what wheat gluten of the same protein does not', () => {
    expect(claimOf(['520 g tofu']).claim.standing).toBe('met');
    // 52 g of gluten bring 39 g of protein, 9.75 g of them counted: 2.4 g a portion.
    expect(claimOf(['52 g vital wheat gluten', '468 g carrots']).claim.standing).toBe('not met');
  });

  test('without a score it is not known, and the %DV stands only beside a claim', () => {
    expect(claimOf(['520 g hemp seeds']).claim).toMatchObject({ standing: 'unknown' });
    const { sheet } = claimOf(['520 g tofu']);
    const protein = (claims: { id: string; text: string }[]) =>
      labelContent(sheet.label, 'retail', { claims }).figures.find(({ id }) => id === 'proteinG')!
        .dailyValueText;
    expect(protein([])).toBe('');
    expect(protein([{ id: 'good-protein', text: 'Good source of protein' }])).toMatch(/^\d+%$/);
  });
});

test('how a dish is packed is frozen with its label, and a change of it is told in words', () => {
  const input = {
    recipe: dish(),
    kitchen: ward,
    target: { kind: 'portions', portions: 4, portionGrams: 200 } as const,
  };
  const frozen = freeze(input, book);
  expect(JSON.stringify(thaw(frozen).label)).toBe(JSON.stringify(worksheet(input, book).label));
  const other = freeze({ ...input, recipe: dish({ portions: 2 }) }, book);
  expect(whatChanged(frozen, other)).toEqual([
    { what: 'How Chickpea and walnut pot is packed', before: 'portions 3', after: 'portions 2' },
  ]);
  const moved = freeze(
    { ...input, kitchen: { ...ward, service: { ...ward.service, businessAddress: 'Elsewhere' } } },
    book,
  );
  expect(whatChanged(frozen, moved).map(({ what }) => what)).toEqual(['Name and address of the business']);
});

test('random labels on every stock: nothing clipped, broken over two lines or too small', () => {
  const { set, wrong } = auditLabels(7000, 24);
  expect(wrong).toEqual([]);
  expect(set).toBeGreaterThan(80);
});

describe('what contradicts itself is held', () => {
  test('a cup grows with the portion it was measured for; a piece of another weight was never counted', () => {
    const cup = dish({ household: { amount: 0.75, measure: 'cup', grams: 400 } });
    expect(servingSizeText(contentOf(cup, us, 'retail'))).toBe('about 1/3 cup (200g)');
    const half = dish({ household: { amount: 1, measure: 'cup', grams: 400 } });
    expect(servingSizeText(contentOf(half, us, 'retail'))).toBe('1/2 cup (200g)');
    const piece = dish({ household: { amount: 1, measure: 'piece', grams: 150 } });
    expect(missing(contentOf(piece, us, 'retail'))).toContain('serving-size');
  });

  test('portions against net weight, net weight against its tub', () => {
    expect(missing(contentOf(dish({ netGrams: 250 }), ward, 'retail'))).toEqual(['net-quantity']);
    expect(missing(contentOf(dish({ netGrams: 610 }), ward, 'retail'))).toEqual([]);
    expect(missing(contentOf(dish({ containerMl: 350 }), ward, 'retail'))).toEqual(['net-quantity']);
    expect(missing(contentOf(dish({ containerMl: 750 }), ward, 'retail'))).toEqual([]);
  });

  test('a moist food kept warm, and one nobody knows the water of', () => {
    for (const kind of ['retail', 'prepacked', 'serving', 'component'] as const)
      expect(missing(contentOf(dish({ keeping: 'ambient', keepsDays: 30 }), ward, kind))).toEqual([
        'storage',
      ]);
    const dry = recipeOf(['300 g walnuts', '200 g oats'], [], {
      name: 'Walnut bar',
      packed: { ...PACKED, keeping: 'ambient', keepsDays: 30 },
    });
    expect(missing(contentOf(dry, ward, 'retail'))).not.toContain('storage');
    const unknown = recipeOf(['300 g walnuts', '20 g moonroot'], [], {
      name: 'Bar',
      packed: { ...PACKED, keeping: 'ambient', keepsDays: 30 },
    });
    expect(missing(contentOf(unknown, ward, 'retail'))).toContain('storage');
  });

  test.each(['Nut-free pot', 'Vegan pot', 'Pot without soya'])('a name that promises: %s', (name) => {
    expect(missing(contentOf(dish({}, { name }), ward, 'retail'))).toContain('name');
    expect(missing(contentOf(dish({}, { name }), ward, 'counter'))).not.toContain('name');
    const called = contentOf(dish({ names: { en: 'Chickpea pot' } }, { name }), ward, 'retail');
    expect([missing(called), called.title]).toEqual([[], 'Chickpea pot']);
  });

  test('a date without a word of keeping stands for food kept cold', () => {
    const dated = { facts: { useBy: '2026-11-27' } };
    expect(labelText(labelContent(labelOf(dish(null), ward), 'serving', dated))).toContain('5 °C');
    expect(keepText(contentOf(dish(null), ward, 'serving'))).toBe('');
  });
});
