/**
 * Sets a label on its paper: the first form and the largest type that fit, never below what the law asks. What does not fit is
 * said, never cut off.
 */
import { finding, type Finding } from '../finding';
import {
  codeOps,
  mmToPoints,
  modulesAcross,
  pointsToMm,
  Setter,
  unprintable,
  type CodeImage,
  type Drawing,
  type DrawingOp,
  type Run,
} from '../print';
import { roundToDecimals } from '../quantity';
import { factRows, type LabelContent } from './content';
import { setPanel, US_UPRIGHT_WIDTH } from './panels';
import {
  formsFor,
  isSmallPackUs,
  leastTextSize,
  US_PANEL,
  US_SMALL_PANEL,
  type PackSize,
  type PanelForm,
} from './type-rules';
import { LABEL_WORDS } from './words';

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
  pack: PackSize;
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
    set.row([plain(name, size)], { ...bold(said, size) });
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

function setServing(set: Setter, layout: Layout, findings: Finding[]): void {
  const { content, text, form, pack } = layout;
  const words = LABEL_WORDS[content.language];
  const type =
    content.regime === 'us' && (isSmallPackUs(pack) || form === 'linear') ? US_SMALL_PANEL : US_PANEL;
  set.text(content.title, Math.max(text * 1.35, text), 'bold');
  set.text(words.portion(String(roundToDecimals(content.portionGrams, 0))), text);
  set.space(2);
  setPanel(set, content, form, text, type);
  set.space(3);
  setIngredients(set, layout);
  setAllergens(set, layout);
  setClaims(set, layout);
  setFacts(set, layout);
  setCode(set, content.facts.code, findings);
  set.text(words.caution, content.regime === 'eu' ? text : Math.min(text, 6));
}

function setPrepacked(set: Setter, layout: Layout, findings: Finding[]): void {
  const { content, text } = layout;
  set.text(content.title, text * 1.35, 'bold');
  set.space(2);
  setIngredients(set, layout);
  setAllergens(set, layout);
  setClaims(set, layout);
  setFacts(set, layout);
  set.text(LABEL_WORDS[content.language].keep, text);
  setCode(set, content.facts.code, findings);
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
  if (energy)
    set.text(
      `${words.portion(String(roundToDecimals(content.portionGrams, 0)))}: ${energy.name} ${energy.text}`,
      size * 0.8,
    );
  for (const claim of content.claims) set.text(claim, size * 0.8, 'bold');
  set.text(words.ask, size * 0.7);
}

function setTray(set: Setter, layout: Layout): void {
  const { content, text } = layout;
  const words = LABEL_WORDS[content.language];
  if (content.facts.group)
    set.paragraph([plain(`${words.forWhom} `, text * 1.2), bold(content.facts.group, text * 1.5)]);
  set.text(content.title, text * 1.35, 'bold');
  set.text(words.portion(String(roundToDecimals(content.portionGrams, 0))), text);
  set.rule(0.5, 1, 2);
  setNamed(set, content, text);
  set.rule(0.5, 1, 2);
  for (const { name, text: said } of content.watch) set.row([plain(name, text)], bold(said, text));
  if (content.facts.texture)
    set.paragraph([plain(`${words.texture}: `, text), bold(content.facts.texture, text)]);
  setFacts(set, layout);
  set.text(words.askDietitian, text);
}

/** Sets everything in one column; returns how far down it came. */
function setAll(layout: Layout, ops: DrawingOp[], width: number, findings: Finding[]): number {
  const margin = mmToPoints(MARGIN_MM);
  const set = new Setter(ops, margin, margin, width - 2 * margin);
  const { content, text } = layout;
  if (content.isDraft) set.text(LABEL_WORDS[content.language].openPoints(content.openPoints), text, 'bold');
  switch (content.kind) {
    case 'serving':
      setServing(set, layout, findings);
      break;
    case 'prepacked':
      setPrepacked(set, layout, findings);
      break;
    case 'component':
      setComponent(set, layout, findings);
      break;
    case 'counter':
      setCounter(set, layout);
      break;
    case 'tray':
      setTray(set, layout);
      break;
  }
  return set.y + margin;
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
function formsOf(content: LabelContent, pack: PackSize, width: number, asked: PanelForm | null): PanelForm[] {
  if (content.kind !== 'serving') return ['vertical'];
  if (asked) return [asked];
  const forms = formsFor(content.regime, pack);
  const isNarrow = content.regime === 'us' && width < US_UPRIGHT_WIDTH;
  return forms.filter((form) => !isNarrow || form !== 'vertical');
}

export interface SetOptions {
  paper: LabelPaper;
  pack: PackSize;
  /** A form somebody chose; null for the first that fits. */
  form: PanelForm | null;
}

/** Sets a label. The paper of a continuous roll is as long as its text. */
export function setLabel(content: LabelContent, { paper, pack, form: asked }: SetOptions): SetLabel {
  const width = mmToPoints(paper.widthMm);
  const most = paper.heightMm === null ? Infinity : mmToPoints(paper.heightMm);
  const least = leastTextSize(content.regime, pack);
  let best: { layout: Layout; ops: DrawingOp[]; used: number; findings: Finding[] } | null = null;
  search: for (const form of formsOf(content, pack, width, asked)) {
    for (const text of sizesDown(least)) {
      const layout: Layout = { content, text, form, pack };
      const ops: DrawingOp[] = [];
      const findings: Finding[] = [];
      const used = setAll(layout, ops, width, findings);
      if (!best || used <= most || used < best.used) best = { layout, ops, used, findings };
      if (used <= most) break search;
    }
  }
  const { layout, ops, used, findings } = best!;
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
      ...fitFindings(used, most, paper, content, pack, layout.form),
      ...letterFindings(content),
    ],
  };
}

function fitFindings(
  used: number,
  most: number,
  paper: LabelPaper,
  content: LabelContent,
  pack: PackSize,
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
  if (content.kind === 'serving' && !formsFor(content.regime, pack).includes(form))
    found.push(finding('form-not-allowed', null, { form }));
  return found;
}

/** Letters the type lacks, and words nobody translated: a label with either is not released. */
export function letterFindings(content: LabelContent): Finding[] {
  const all = [content.title, ...content.ingredients.map(({ text }) => text), ...content.claims].join('');
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
