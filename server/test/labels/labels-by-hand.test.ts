/** The twenty labels of docs/labels.md, set from the same recipes, printed, and read back from the PDF. */
import { readFileSync } from 'node:fs';
import {
  bookOf,
  type Country,
  demandsOn,
  DRAFT_ON_ROLL,
  foodSet,
  type HouseholdMeasure,
  type Keeping,
  type Kitchen,
  type LabelContent,
  type LabelKind,
  type LabelOptions,
  type Language,
  lastDay,
  lineFromText,
  type PackedPortion,
  type PanelForm,
  type Recipe,
  type Regime,
  shelfDays,
  stepsFromTexts,
  STOCKS,
  trayFigures,
  UNPACKED,
  worksheet,
} from '@hand-ladle/core';
import { loadFoods, loadKitchens, loadSwaps } from '@hand-ladle/data';
import { labelsPdf } from '../../src/paper/label-files';
import { contentOf, setBy } from '../../src/paper/set';
import { textOf } from './pdf-reader';

const book = bookOf(foodSet(loadFoods()), [], loadSwaps());
const [ward, school] = loadKitchens() as [Kitchen, Kitchen];
const [read] = ward.packs.filter(({ foodId }) => foodId === 'sunflower-seeds');
/** A kitchen that has read the packs of its seeds and grains, of one food each, and nothing else. */
const bare: Kitchen = {
  ...ward,
  packs: ['sunflower-seeds', 'sesame-seeds', 'quinoa', 'millet', 'dates'].map((foodId) => ({
    ...read!,
    foodId,
    certifiedGlutenFree: true,
  })),
  shared: [],
  weights: [],
  names: [],
  targets: [],
};
const MADE = '2026-11-25';

interface ByHand {
  title: string;
  regime: Regime;
  kind: LabelKind;
  form: PanelForm;
  paper: string;
  language: Language;
  country: Country;
  portion: number;
  yield: number;
  packed: PackedPortion;
  claim: { id: string; text: string; english: string } | null;
  lines: string[];
  steps: string[];
  printed: string[];
  /** What its law asks: the demand, its source, and the texts that answer it. */
  demands: { id: string; source: string; where: string[] }[];
}

/** The blocks of the document: what goes in, and what was worked out by hand. */
function readDocument(): ByHand[] {
  const text = readFileSync('docs/labels.md', 'utf8');
  const blocks = [
    ...text.matchAll(
      /```label\n([\s\S]*?)```[\s\S]*?```printed\n([\s\S]*?)```[\s\S]*?```demands\n([\s\S]*?)```/g,
    ),
  ];
  return blocks.map(([, given = '', printed = '', demands = '']) => {
    const pairs = given
      .trim()
      .split('\n')
      .map((line) => line.split(/: (.*)/s) as [string, string]);
    const all = (key: string): string[] => pairs.filter(([name]) => name === key).map(([, value]) => value);
    const one = (key: string): string | null => all(key)[0] ?? null;
    const number = (key: string): number | null => (one(key) === null ? null : Number(one(key)));
    const language = (one('language') ?? 'en') as Language;
    const [amount, measure] = one('household')?.split(' ') ?? [];
    const [claimId, ...claimWords] = one('claim')?.split(' ') ?? [];
    const claimText = claimWords.join(' ');
    return {
      title: one('title')!,
      regime: one('regime') as Regime,
      kind: one('kind') as LabelKind,
      form: one('form') as PanelForm,
      paper: one('paper')!,
      language,
      country: (one('country') ?? 'gb') as Country,
      portion: Number(one('portion')),
      yield: Number(one('yield')),
      packed: {
        ...UNPACKED,
        portions: number('portions'),
        keeping: one('keeping') as Keeping | null,
        keepsDays: number('days'),
        largestSurfaceCm2: number('face'),
        labelAreaCm2: number('area'),
        household: amount
          ? { amount: Number(amount), measure: measure as HouseholdMeasure, grams: null }
          : null,
        referenceId: one('reference'),
        names: one('name') ? { [language]: one('name')! } : {},
      },
      claim: claimId ? { id: claimId, text: claimText, english: claimText } : null,
      lines: all('line'),
      steps: all('step'),
      printed: printed.trim().split('\n'),
      demands: demands
        .trim()
        .split('\n')
        .map((line) => {
          const [id = '', source = '', ...where] = line.split(' | ');
          return { id, source, where: where.filter((each) => each !== '-') };
        }),
    };
  });
}

function contentFor(label: ByHand): { content: LabelContent; options: LabelOptions } {
  const lines = label.lines.map((text, index) => lineFromText(text, `l${index + 1}`, book.foods));
  const portions = label.yield / label.portion;
  const recipe: Recipe = {
    id: 'by-hand',
    name: label.title,
    portions,
    portionGrams: label.portion,
    measuredYieldGrams: label.yield,
    lines,
    steps: stepsFromTexts(label.steps, lines, book.foods),
    notes: [],
    notIn: [],
    confirmed: [],
    parentId: null,
    swaps: [],
    freeFrom: [],
    apart: [],
    isComponent: false,
    packed: label.packed,
  };
  const { service } = label.regime === 'us' ? school : ward;
  const kitchen: Kitchen = {
    ...bare,
    regime: label.regime,
    service: { ...ward.service, ...pickBusiness(service), country: label.country },
  };
  const sheet = worksheet(
    {
      recipe,
      kitchen,
      target: { kind: 'portions', portions, portionGrams: label.portion },
      labelStyle: { language: label.language, hasTail: false },
    },
    book,
  );
  const options: LabelOptions = {
    ...DRAFT_ON_ROLL,
    kind: label.kind,
    form: label.form,
    stock: STOCKS.find(({ id }) => id === `roll-${label.paper}`)!,
    madeOn: MADE,
    grams: label.kind === 'component' ? label.yield : null,
    group: 'Ward 3',
    texture: 'soft',
  };
  const useBy = lastDay(MADE, shelfDays(label.packed, kitchen.service, label.regime)!);
  const batch = { code: '261125-2222', useBy, address: 'x' };
  const told = { claims: label.claim ? [label.claim] : [], watch: trayFigures(sheet) };
  return { content: contentOf(sheet.label, options, told, batch, true), options };
}

const pickBusiness = ({ businessName, businessAddress }: Kitchen['service']) => ({
  businessName,
  businessAddress,
});
const pdfOf = ({ content, options }: ReturnType<typeof contentFor>): Promise<Buffer> => {
  const set = setBy(content, options);
  expect(set.findings.filter(({ severity }) => severity === 'danger')).toEqual([]);
  return labelsPdf([{ set, quantity: 1 }], options);
};

const labels = readDocument();

test('there are twenty: of both laws, every kind and form, four languages, packs of 90 g to 2 kg', () => {
  expect(labels).toHaveLength(20);
  expect(new Set(labels.map(({ kind }) => kind)).size).toBe(6);
  expect(new Set(labels.map(({ regime, form }) => `${regime} ${form}`)).size).toBe(5);
  expect(new Set(labels.map(({ language }) => language)).size).toBe(4);
  const packs = labels.flatMap(({ packed, portion }) =>
    packed.portions === null ? [] : [packed.portions * portion],
  );
  expect([Math.min(...packs), Math.max(...packs)]).toEqual([90, 2000]);
});

test.each(labels.map((label) => [label.title, label] as const))('%s', async (_, label) => {
  const text = textOf(await pdfOf(contentFor(label)));
  expect(text).not.toContain('DRAFT');
  for (const line of label.printed) {
    const parts = line.replace(/^figure: /, '').split(' | ');
    if (!line.startsWith('figure: ')) {
      for (const part of parts) expect(text).toContain(part);
      continue;
    }
    // Upright, a row is read whole; a narrow column may break energy between its two units, and a sum beside its name.
    const isWhole =
      label.form === 'vertical' &&
      label.paper === '102' &&
      label.regime === 'eu' &&
      // In other languages a name may be longer than its column.
      label.language === 'en' &&
      !line.startsWith('figure: Energy');
    if (isWhole) expect(text).toContain(parts.join(' '));
    else
      for (const part of parts.slice(1)) for (const each of part.split(' / ')) expect(text).toContain(each);
  }
});

test.each(labels.map((label) => [label.title, label] as const))(
  '%s: every demand of its law, where it stands',
  async (_, label) => {
    const made = contentFor(label);
    const demands = demandsOn(made.content);
    expect(demands.map(({ id, source }) => `${id} | ${source}`)).toEqual(
      label.demands.map(({ id, source }) => `${id} | ${source}`),
    );
    expect(demands.filter(({ standing }) => standing === 'missing')).toEqual([]);
    const text = textOf(await pdfOf(made)).replace(/\u00a0/g, ' ');
    for (const { id, where } of label.demands)
      for (const each of where) expect([id, text]).toEqual([id, expect.stringContaining(each)]);
  },
);
