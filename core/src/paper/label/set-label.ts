/**
 * Sets a label on its paper: the first form and the largest type that fit, never below what the law asks. What does not fit is
 * said, never cut off.
 */
import { hasPanel, LABEL_WORDS } from '../../declaration';
import { type Finding, finding } from '../../finding';
import { roundToDecimals } from '../../quantity';
import { type Drawing, type DrawingOp, mmToPoints, pointsToMm, Setter, unprintable } from '../print';
import { businessLines, type LabelContent } from './content';
import { setKind } from './kinds';
import { US_UPRIGHT_WIDTH } from './panels';
import type { LabelPaper, Layout } from './parts';
import { formsFor, leastTextSize, type PanelForm } from './type-rules';

export interface SetLabel extends Drawing {
  form: PanelForm;
  /** Size of the text the law asks for, points. */
  textSize: number;
  /** Height the content takes; more than the paper where it does not fit. */
  usedHeight: number;
  findings: Finding[];
}

const MARGIN_MM = 2.5;
/** Text never grows above this on labels that are read in the hand. */
const MOST_TEXT = 9;
const STEP = 0.5;

/** Sets everything in one column; returns how far down it came, and the words it had to break. */
function setAll(
  layout: Layout,
  ops: DrawingOp[],
  width: number,
  findings: Finding[],
): { used: number; broken: string[] } {
  const margin = mmToPoints(MARGIN_MM);
  const set = new Setter(ops, margin, margin, width - 2 * margin);
  const { content, text } = layout;
  if (content.isDraft) set.text(LABEL_WORDS[content.language].openPoints(content.openPoints), text, 'bold');
  setKind(set, layout, findings);
  if (content.beside) {
    set.rule(1, 3, 3);
    // One code is enough for both languages.
    const { facts } = content.beside;
    setKind(set, { ...layout, content: { ...content.beside, facts: { ...facts, code: null } } }, findings);
  }
  return { used: set.y + margin, broken: set.broken };
}

/** The word across a label that was not released: its diagonal fits the paper. */
function draftMark({ content }: Layout, width: number, height: number): DrawingOp {
  const size = Math.min(Math.hypot(width, height) / 5.2, width / 2.9);
  return {
    kind: 'turned',
    x: width / 2,
    y: height / 2 + size / 3,
    size,
    weight: 'black',
    text: LABEL_WORDS[content.language].draft,
    degrees: -Math.min(45, (Math.atan2(height, width) * 180) / Math.PI),
  };
}

/** Sizes of text from the largest wanted down to the least allowed. */
function sizesDown(least: number): number[] {
  const sizes: number[] = [];
  for (let size = Math.max(MOST_TEXT, least); size > least + 1e-6; size -= STEP) sizes.push(size);
  return [...sizes, least];
}

/** Forms that are tried: the one asked for, else all the law allows; only a label with a table has more than one. */
function formsOf(content: LabelContent, paper: LabelPaper, asked: PanelForm | null): PanelForm[] {
  if (!hasPanel(content.kind)) return ['vertical'];
  if (asked) return [asked];
  const forms = formsFor(content.regime, content.pack.size, paper.heightMm);
  const isNarrow = content.regime === 'us' && mmToPoints(paper.widthMm) < US_UPRIGHT_WIDTH;
  const wide = forms.filter((form) => !isNarrow || form !== 'vertical');
  return wide.length > 0 ? wide : [...forms];
}

export interface SetOptions {
  paper: LabelPaper;
  /** A form somebody chose; null for the first that fits. */
  form: PanelForm | null;
}

interface Attempt {
  layout: Layout;
  ops: DrawingOp[];
  used: number;
  broken: string[];
  findings: Finding[];
}

/** Whether one attempt is worse than another: broken words are worse than a label that is too long. */
const isBetter = (one: Attempt, other: Attempt): boolean =>
  one.broken.length !== other.broken.length ? one.broken.length < other.broken.length : one.used < other.used;

/** Sets a label. The paper of a continuous roll is as long as its text. */
export function setLabel(content: LabelContent, { paper, form: asked }: SetOptions): SetLabel {
  const width = mmToPoints(paper.widthMm);
  const most = paper.heightMm === null ? Infinity : mmToPoints(paper.heightMm);
  const least = leastTextSize(content.regime, content.pack.size);
  let best: Attempt | null = null;
  search: for (const form of formsOf(content, paper, asked)) {
    for (const text of sizesDown(least)) {
      const layout: Layout = { content, text, form, paper };
      const ops: DrawingOp[] = [];
      const findings: Finding[] = [];
      const attempt: Attempt = { layout, ops, findings, ...setAll(layout, ops, width, findings) };
      const isGood = attempt.used <= most && attempt.broken.length === 0;
      if (!best || isGood || isBetter(attempt, best)) best = attempt;
      if (isGood) break search;
    }
  }
  const { layout, ops, used, broken, findings } = best!;
  const height = paper.heightMm === null ? used : most;
  return {
    width,
    height,
    ops: content.isDraft ? [draftMark(layout, width, height), ...ops] : ops,
    form: layout.form,
    textSize: layout.text,
    usedHeight: used,
    findings: [
      ...findings,
      ...fitFindings(used, most, paper, content, layout.form),
      ...(broken.length > 0
        ? [finding('label-word-broken', null, { words: [...new Set(broken)].slice(0, 3).join('; ') })]
        : []),
      ...letterFindings(content),
    ],
  };
}

function fitFindings(
  used: number,
  most: number,
  paper: LabelPaper,
  content: LabelContent,
  form: PanelForm,
): Finding[] {
  const found: Finding[] = [];
  if (used > most + 1e-6)
    found.push(
      finding('label-too-small', null, {
        needs: roundToDecimals(pointsToMm(used), 1),
        width: paper.widthMm,
        has: paper.heightMm ?? 0,
      }),
    );
  if (hasPanel(content.kind)) {
    if (!formsFor(content.regime, content.pack.size, paper.heightMm).includes(form))
      found.push(finding('form-not-allowed', null, { form }));
    // Two columns of figures stand upright alone (101.9(e)(6)).
    if (form !== 'vertical' && content.figures.some(({ wholeText }) => wholeText !== ''))
      found.push(finding('form-lacks-whole', null, { form }));
  }
  return found;
}

/** Letters the type lacks, and words nobody translated: a label with either is not released. */
export function letterFindings(content: LabelContent): Finding[] {
  const all = [
    content.title,
    ...content.ingredients.map(({ text }) => text),
    ...content.claims,
    ...businessLines(content),
    content.facts.group ?? '',
    content.facts.texture ?? '',
  ].join('');
  const letters = unprintable(all);
  return [
    ...(letters.length > 0
      ? [finding('label-letters', null, { letters: letters.slice(0, 8).join(' ') })]
      : []),
    ...(content.untranslated.length > 0
      ? [
          finding('label-untranslated', null, {
            names: content.untranslated.slice(0, 5).join('; '),
            count: content.untranslated.length,
          }),
        ]
      : []),
  ];
}
