/** The twelve labels of docs/labels.md, set from the same recipes, printed, and read back from the PDF. */
import { readFileSync } from 'node:fs';
import { loadFoods, loadKitchens, loadSwaps } from '@hand-ladle/data';
import {
  bookOf,
  DRAFT_ON_ROLL,
  foodSet,
  lineFromText,
  STOCKS,
  stepsFromTexts,
  trayFigures,
  worksheet,
  type Kitchen,
  type LabelKind,
  type LabelOptions,
  type PanelForm,
  type Recipe,
  type Regime,
} from '@hand-ladle/core';
import { labelsPdf } from '../src/label-files';
import { contentOf, setBy } from '../src/labels/options';
import { textOf } from './pdf-reader';

const book = bookOf(foodSet(loadFoods()), [], loadSwaps());
const ward: Kitchen = loadKitchens()[0]!;
/** A kitchen that has read the packs of its seeds and nothing else. */
const bare: Kitchen = {
  ...ward,
  packs: ward.packs.filter(({ foodId }) => foodId === 'sunflower-seeds'),
  shared: [],
  weights: [],
  names: [],
  targets: [],
};

interface ByHand {
  title: string;
  regime: Regime;
  kind: LabelKind;
  form: PanelForm;
  paper: string;
  portion: number;
  yield: number;
  lines: string[];
  steps: string[];
  printed: string[];
}

/** The blocks of the document: what goes in, and what was worked out by hand. */
function readDocument(): ByHand[] {
  const text = readFileSync('docs/labels.md', 'utf8');
  const blocks = [...text.matchAll(/```label\n([\s\S]*?)```[\s\S]*?```printed\n([\s\S]*?)```/g)];
  return blocks.map(([, given = '', printed = '']) => {
    const pairs = given
      .trim()
      .split('\n')
      .map((line) => line.split(/: (.*)/s) as [string, string]);
    const one = (key: string): string => pairs.find(([name]) => name === key)![1];
    const all = (key: string): string[] => pairs.filter(([name]) => name === key).map(([, value]) => value);
    return {
      title: one('title'),
      regime: one('regime') as Regime,
      kind: one('kind') as LabelKind,
      form: one('form') as PanelForm,
      paper: one('paper'),
      portion: Number(one('portion')),
      yield: Number(one('yield')),
      lines: all('line'),
      steps: all('step'),
      printed: printed.trim().split('\n'),
    };
  });
}

function sheetOf(label: ByHand) {
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
  };
  const target = { kind: 'portions', portions, portionGrams: label.portion } as const;
  return worksheet({ recipe, kitchen: { ...bare, regime: label.regime }, target }, book);
}

function printedText(label: ByHand): Promise<Buffer> {
  const sheet = sheetOf(label);
  const options: LabelOptions = {
    ...DRAFT_ON_ROLL,
    kind: label.kind,
    form: label.form,
    stock: STOCKS.find(({ id }) => id === `roll-${label.paper}`)!,
    madeOn: '2026-11-25',
    grams: label.kind === 'component' ? label.yield : null,
    group: 'Ward 3',
    texture: 'soft',
  };
  const batch =
    label.kind === 'component' ? { code: '261125-2222', useBy: '2026-11-27', address: 'x' } : null;
  const content = contentOf(sheet.label, options, { claims: [], watch: trayFigures(sheet) }, batch, true);
  return labelsPdf([{ set: setBy(content, options), quantity: 1 }], options);
}

const labels = readDocument();

test('there are twelve, of both laws, every kind and form', () => {
  expect(labels).toHaveLength(12);
  expect(new Set(labels.map(({ kind }) => kind)).size).toBe(5);
  expect(new Set(labels.map(({ regime, form }) => `${regime} ${form}`)).size).toBe(5);
});

test.each(labels.map((label) => [label.title, label] as const))('%s', async (_, label) => {
  const text = textOf(await printedText(label));
  expect(text).not.toContain('DRAFT');
  for (const line of label.printed) {
    const parts = line.replace(/^figure: /, '').split(' | ');
    if (!line.startsWith('figure: ')) {
      for (const part of parts) expect(text).toContain(part);
      continue;
    }
    // Upright, a row is read whole; a narrow column may break energy between its two units.
    const isWhole =
      label.form === 'vertical' &&
      label.paper === '102' &&
      parts[0] !== 'Energy' &&
      parts[0] !== 'Added Sugars';
    if (isWhole) expect(text).toContain(parts.join(' '));
    else
      for (const part of parts.slice(1)) for (const each of part.split(' / ')) expect(text).toContain(each);
  }
});
