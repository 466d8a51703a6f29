/**
 * Sets a label on its paper: the first form and the largest type that fit, never below what the law asks. What does not fit is
 * said, never cut off.
 */
import { hasPanel, LABEL_WORDS, netHeightMm } from '../../declaration';
import { type Finding, finding } from '../../finding';
import { roundToDecimals } from '../../quantity';
import {
  type CodeImage,
  codeOps,
  type Drawing,
  type DrawingOp,
  mmToPoints,
  modulesAcross,
  pointsToMm,
  type Run,
  Setter,
  sizeOfFigures,
  unprintable,
} from '../print';
import {
  businessLines,
  factRows,
  keepText,
  type LabelContent,
  netText,
  portionsText,
  portionText,
} from './content';
import { setPanel, US_UPRIGHT_WIDTH } from './panels';
import {
  formsFor,
  isSmallPackUs,
  leastTextSize,
  type PanelForm,
  US_PANEL,
  US_SMALL_PANEL,
} from './type-rules';

/** The paper of one label. */
export interface LabelPaper {
  widthMm: number;
  /** Null where the roll is continuous. */
  heightMm: number | null;
}

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
/** Counter cards are read from two steps away. */
const COUNTER_TEXT = 14;
/** Modules of a code, millimetres: scanners of the trade read from a quarter millimetre on. */
const MODULES_MM = { code128: { most: 0.33, least: 0.25 }, qr: { most: 0.5, least: 0.35 } } as const;
const BAR_HEIGHT_MM = 10;

const bold = (text: string, size: number): Run => ({ text, size, weight: 'bold' });
const plain = (text: string, size: number): Run => ({ text, size, weight: 'regular' });

interface Layout {
  content: LabelContent;
  text: number;
  form: PanelForm;
  paper: LabelPaper;
}

function setIngredients(set: Setter, { content, text }: Layout): void {
  const { ingredients, language } = content;
  if (ingredients.length === 0) return;
  set.paragraph([
    bold(`${LABEL_WORDS[language].ingredients}: `, text),
    ...ingredients.map((segment) => (segment.stress ? bold(segment.text, text) : plain(segment.text, text))),
    plain('.', text),
  ]);
  set.space(1.5);
}

function setAllergens(set: Setter, { content, text }: Layout): void {
  for (const each of [content.contains, content.mayContain, content.isDraft ? content.unconfirmed : ''])
    if (each !== '') {
      set.text(each, text, 'bold');
      set.space(1);
    }
}

/** Allergens said by name alone, for cards and slips that carry no list. */
function setNamed(set: Setter, content: LabelContent, size: number): void {
  const words = LABEL_WORDS[content.language];
  const { contains, mayContain } = content.named;
  if (contains.length > 0)
    set.paragraph([plain(`${words.contains}: `, size), bold(contains.join(', '), size)]);
  else if (content.unconfirmed === '') set.text(words.noneDeclared, size);
  if (mayContain.length > 0)
    set.paragraph([plain(`${words.mayContain}: `, size), bold(mayContain.join(', '), size)]);
  if (content.unconfirmed !== '') set.text(content.unconfirmed, size, 'bold');
}

function setFacts(set: Setter, { content, text }: Layout): void {
  for (const { name, text: said, isLarge } of factRows(content)) {
    const size = isLarge ? text * 1.3 : text;
    set.row([plain(name, text)], bold(said, size));
  }
}

function setClaims(set: Setter, { content, text }: Layout): void {
  for (const claim of content.claims) set.text(claim, text, 'bold');
}

/** Draws the code as large as the column lets; says so where a scanner could not read it. */
function setCode(set: Setter, code: CodeImage | null, findings: Finding[]): void {
  if (!code) return;
  const { most, least } = MODULES_MM[code.symbology];
  const across = modulesAcross(code);
  const module = Math.min(mmToPoints(most), set.width / across);
  if (module < mmToPoints(least) - 1e-6)
    findings.push(
      finding('code-too-small', null, {
        needs: roundToDecimals(across * least, 1),
        has: roundToDecimals(pointsToMm(set.width), 1),
      }),
    );
  set.space(2);
  const height = code.symbology === 'qr' ? across * module : mmToPoints(BAR_HEIGHT_MM);
  set.ops.push(...codeOps(code, set.x, set.y, module, height));
  set.y += height + 2;
}

/** The name of the food, in the largest type of its label. */
const setTitle = (set: Setter, { content, text }: Layout): void =>
  set.text(content.title, text * 1.35, 'bold');

function setTable(set: Setter, { content, text, form }: Layout): void {
  const type =
    content.regime === 'us' && (isSmallPackUs(content.pack.size) || form === 'linear')
      ? US_SMALL_PANEL
      : US_PANEL;
  setPanel(set, content, form, text, type);
  set.space(3);
}

/** What goes over a note to the cook: it stands on drafts, never before a guest. */
function setCaution(set: Setter, { content, text }: Layout): void {
  if (!content.isDraft) return;
  set.text(LABEL_WORDS[content.language].caution, content.regime === 'eu' ? text : Math.min(text, 6));
}

/** Net quantity, its figures as high as the law wants them. */
function setNet(set: Setter, { content, paper }: Layout): void {
  const text = netText(content);
  if (text === '') return;
  const face =
    content.pack.size.largestSurfaceCm2 ?? (paper.widthMm * (paper.heightMm ?? paper.widthMm)) / 100;
  const height = netHeightMm(content.regime, content.pack.netGrams!, face);
  set.space(2);
  set.text(text.replace(/(\d) (?=\S)/g, '$1\u00a0'), sizeOfFigures(height), 'bold');
  set.space(1);
}

function setBusiness(set: Setter, { content, text }: Layout): void {
  for (const line of businessLines(content)) set.text(line, text);
}

function setServing(set: Setter, layout: Layout, findings: Finding[]): void {
  const { content, text } = layout;
  setTitle(set, layout);
  set.text(LABEL_WORDS[content.language].portion(portionText(content)), text);
  set.space(2);
  setTable(set, layout);
  setIngredients(set, layout);
  setAllergens(set, layout);
  setClaims(set, layout);
  setFacts(set, layout);
  set.text(keepText(content), text);
  setBusiness(set, layout);
  setCode(set, content.facts.code, findings);
  setCaution(set, layout);
}

/** All that the law asks of a pack. US: panel, list, "Contains" and business without anything between (21 CFR 101.2(e)), the net weight at the foot of the panel (101.7(f)). */
function setRetail(set: Setter, layout: Layout, findings: Finding[]): void {
  const { content, text } = layout;
  const isUs = content.regime === 'us';
  setTitle(set, layout);
  if (!isUs) setNet(set, layout);
  set.space(2);
  if (isUs) setTable(set, layout);
  setIngredients(set, layout);
  setAllergens(set, layout);
  if (isUs) setBusiness(set, layout);
  else {
    setTable(set, layout);
    set.text(portionsText(content), text);
  }
  setClaims(set, layout);
  setFacts(set, layout);
  set.text(keepText(content), text);
  if (!isUs) setBusiness(set, layout);
  setCode(set, content.facts.code, findings);
  if (isUs) setNet(set, layout);
  setCaution(set, layout);
}

function setPrepacked(set: Setter, layout: Layout, findings: Finding[]): void {
  const { content, text } = layout;
  const isUs = content.regime === 'us';
  setTitle(set, layout);
  if (!isUs) setNet(set, layout);
  set.space(2);
  setIngredients(set, layout);
  setAllergens(set, layout);
  if (isUs) setBusiness(set, layout);
  setClaims(set, layout);
  setFacts(set, layout);
  set.text(keepText(content), text);
  if (!isUs) setBusiness(set, layout);
  setCode(set, content.facts.code, findings);
  if (isUs) setNet(set, layout);
}

function setComponent(set: Setter, layout: Layout, findings: Finding[]): void {
  const { content, text } = layout;
  set.text(content.title, text * 1.7, 'black');
  set.rule(1.5, 1, 2);
  setFacts(set, { ...layout, text: text * 1.15 });
  set.rule(0.5, 1, 2);
  setNamed(set, content, text);
  setCode(set, content.facts.code, findings);
}

function setCounter(set: Setter, { content, text }: Layout): void {
  const size = Math.max(text, COUNTER_TEXT);
  const words = LABEL_WORDS[content.language];
  set.text(content.title, size * 1.6, 'black');
  set.rule(2, 2, 4);
  setNamed(set, content, size);
  const energy = content.figures[0];
  if (energy) set.text(`${words.portion(portionText(content))}: ${energy.name} ${energy.text}`, size * 0.8);
  for (const claim of content.claims) set.text(claim, size * 0.8, 'bold');
  set.text(words.ask, size * 0.7);
}

function setTray(set: Setter, layout: Layout): void {
  const { content, text } = layout;
  const words = LABEL_WORDS[content.language];
  if (content.facts.group)
    set.paragraph([plain(`${words.forWhom} `, text * 1.2), bold(content.facts.group, text * 1.5)]);
  set.text(content.title, text * 1.35, 'bold');
  set.text(words.portion(portionText(content)), text);
  set.rule(0.5, 1, 2);
  setNamed(set, content, text);
  set.rule(0.5, 1, 2);
  for (const { name, text: said } of content.watch) set.row([plain(name, text)], bold(said, text));
  if (content.facts.texture)
    set.paragraph([plain(`${words.texture}: `, text), bold(content.facts.texture, text)]);
  setFacts(set, layout);
  set.text(words.askDietitian, text);
}

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

function setKind(set: Setter, layout: Layout, findings: Finding[]): void {
  switch (layout.content.kind) {
    case 'serving':
      return setServing(set, layout, findings);
    case 'retail':
      return setRetail(set, layout, findings);
    case 'prepacked':
      return setPrepacked(set, layout, findings);
    case 'component':
      return setComponent(set, layout, findings);
    case 'counter':
      return setCounter(set, layout);
    case 'tray':
      return setTray(set, layout);
  }
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
