/**
 * Random labels and an audit of how they are set, which shares nothing with what sets them but the type's own widths: what goes
 * over the paper, what is broken over two lines, what is smaller than the law's own figures. Used by a test and by the bench.
 */
import {
  type Kitchen,
  LABEL_KINDS,
  type LabelContent,
  labelContent,
  type LabelKind,
  type Language,
  LANGUAGES,
  lineFromText,
  pointsToMm,
  randomFrom,
  type Recipe,
  type SetLabel,
  setLabel,
  type Stock,
  STOCKS,
  UNPACKED,
  worksheet,
  X_HEIGHT,
} from '@hand-ladle/core';
import { widthOf } from '../../core/src/paper/print/face';
import { book, foods, recipeOf, ward } from './world';

const ADDRESS = '14 Saltmill Lane\nThornwick TW4 9QX';

/** A label of a random dish of the larder: any law, kind, language and pack. */
export function randomLabel(seed: number): LabelContent {
  const next = randomFrom(seed);
  const pick = <T>(list: readonly T[]): T => list[Math.floor(next() * list.length)]!;
  const count = 1 + Math.floor(next() * 14);
  const chosen = Array.from({ length: count }, () => pick(foods));
  const lines = chosen.map((food, index) =>
    lineFromText(`${Math.ceil(5 + next() * 600)} g ${food.name}`, `l${index + 1}`, book.foods),
  );
  const title = `${pick(chosen).labelName} and ${pick(chosen).labelName} ${pick(['pot', 'bake', 'tray'])}`;
  const language: Language = pick(LANGUAGES);
  const portionGrams = 30 + Math.floor(next() * 470);
  const recipe: Recipe = recipeOf([], [], {
    name: title,
    portionGrams,
    packed: {
      ...UNPACKED,
      container: 'tub',
      portions: pick([1, 2, 3, 5, null]),
      netGrams: pick([null, null, 90, 250, 980, 2000]),
      keeping: pick(['chilled', 'frozen', 'ambient', null]),
      keepsDays: pick([null, 5, 90]),
      largestSurfaceCm2: pick([null, 40, 79, 81, 400]),
      labelAreaCm2: pick([null, 60, 200, 258, 600]),
      household: pick([
        null,
        { amount: 0.667, measure: 'cup', grams: null },
        { amount: 2, measure: 'piece', grams: null },
      ]),
      referenceId: pick([null, 'soup', 'mixed-dish', 'dip']),
      showsWhole: next() < 0.3,
      names: { es: `${title} (es)`, fr: `${title} (fr)`, de: `${title} (de)` },
    },
  });
  const kitchen: Kitchen = {
    ...ward,
    regime: pick(['eu', 'us']),
    service: {
      ...ward.service,
      businessName: pick(['', 'Alder House Kitchens']),
      businessAddress: pick(['', ADDRESS]),
      country: pick(['gb', 'fr', 'es', 'de']),
    },
  };
  const { label } = worksheet(
    {
      recipe: { ...recipe, lines },
      kitchen,
      target: { kind: 'portions', portions: 4, portionGrams },
      labelStyle: { language, hasTail: next() < 0.3 },
    },
    book,
  );
  const kind: LabelKind = pick(LABEL_KINDS);
  const isDated = next() < 0.7;
  return {
    ...labelContent(label, kind, {
      facts: {
        madeOn: isDated ? '2026-11-25' : null,
        useBy: isDated ? '2026-11-27' : null,
        batchCode: isDated ? '261125-2222' : null,
        grams: next() < 0.3 ? 12_345 : null,
        group: kind === 'tray' ? 'Ward 3, bed 12' : null,
      },
    }),
    isDraft: next() < 0.2,
  };
}

/** The lines of a drawing: texts that follow each other on a baseline, as they are read. */
function linesOf({ ops }: SetLabel): string[] {
  const lines: { y: number; end: number; text: string }[] = [];
  for (const op of ops) {
    if (op.kind !== 'text') continue;
    const last = lines[lines.length - 1];
    if (last && Math.abs(last.y - op.y) < 0.01 && Math.abs(last.end - op.x) < 0.05) {
      last.text += op.text;
      last.end = op.x + op.width;
    } else lines.push({ y: op.y, end: op.x + op.width, text: op.text });
  }
  return lines.map(({ text }) => text);
}

/** What the law of type asks, figures of the law itself: 1169/2011 article 13, 21 CFR 101.2(c) and 101.9(d). */
function leastSize({ regime, pack }: LabelContent): number {
  const { largestSurfaceCm2, labelAreaCm2 } = pack.size;
  // The notes of a US panel, at 6 points, are the smallest that may stand on a label there.
  if (regime === 'us') return labelAreaCm2 !== null && labelAreaCm2 < 77.4 ? 0 : 6;
  const mm = largestSurfaceCm2 !== null && largestSurfaceCm2 < 80 ? 0.9 : 1.2;
  return (mm * 72) / 25.4 / X_HEIGHT;
}

/** Figures with their units that a label says, and that no line may part. */
const VALUE = /\d[\d.,]*\s?(?:g|mg|mcg|kcal|kJ|oz|lb|kg|%|°C|°F)(?![\p{L}\d])/gu;

/** What is wrong with a label as it is set on a stock; empty where it is right, null where it says itself that it cannot be printed. */
export function auditSet(content: LabelContent, stock: Stock): string[] | null {
  const { widthMm, heightMm } = stock;
  const set = setLabel(content, { paper: { widthMm, heightMm }, form: null });
  if (set.findings.some(({ severity }) => severity === 'danger')) return null;
  const wrong: string[] = [];
  const least = leastSize(content);
  for (const op of set.ops) {
    if (op.kind === 'turned') continue;
    const right = op.x + (op.kind === 'text' ? widthOf(op.text, op.size, op.weight) : op.width);
    if (op.x < -0.01 || right > set.width + 0.05) wrong.push(`leaves the paper: ${JSON.stringify(op)}`);
    if (op.kind === 'text' && op.y > set.height + 0.01) wrong.push(`below the paper: ${op.text}`);
    if (op.kind === 'rect' && op.y + op.height > set.height + 0.05)
      wrong.push(`a rule below the paper, ${pointsToMm(op.y)} mm`);
    if (op.kind === 'text' && op.size < least - 0.01)
      wrong.push(`${op.size} points, not ${least}: ${op.text}`);
  }
  const lines = linesOf(set);
  const words = new Set(lines.flatMap((line) => line.split(/[\s\u00a0]+/)));
  const said = [content, content.beside].flatMap((each) =>
    each
      ? [
          each.title,
          ...(each.kind === 'serving' || each.kind === 'retail' || each.kind === 'prepacked'
            ? [each.ingredients.map(({ text }) => text).join('')]
            : each.named.contains),
        ]
      : [],
  );
  for (const word of said.join(' ').split(/[\s,.:;]+/)) {
    const isThere = [...words].some((each) => each.includes(word));
    if (!isThere) wrong.push(`broken or lost: ${word}`);
  }
  const values = said.flatMap((text) => text.match(VALUE) ?? []);
  for (const value of values)
    if (!lines.some((line) => line.replaceAll('\u00a0', ' ').includes(value.replaceAll('\u00a0', ' '))))
      wrong.push(`a value over two lines: ${value}`);
  if (content.kind === 'serving' || content.kind === 'retail')
    for (const { text, per100gText, wholeText } of content.figures)
      for (const value of [text, per100gText, wholeText].flatMap((each) => each.match(VALUE) ?? []))
        if (!lines.some((line) => line.replaceAll('\u00a0', ' ').includes(value.replaceAll('\u00a0', ' '))))
          wrong.push(`a figure over two lines: ${value}`);
  return wrong;
}

export interface Audited {
  set: number;
  refused: number;
  wrong: { seed: number; stock: string; what: string }[];
}

/** So many labels on every stock. */
export function auditLabels(from: number, count: number): Audited {
  const audited: Audited = { set: 0, refused: 0, wrong: [] };
  for (let seed = from; seed < from + count; seed += 1) {
    const content = randomLabel(seed);
    for (const stock of STOCKS) {
      const wrong = auditSet(content, stock);
      if (wrong === null) audited.refused += 1;
      else audited.set += 1;
      for (const what of wrong ?? []) audited.wrong.push({ seed, stock: stock.id, what });
    }
  }
  return audited;
}
