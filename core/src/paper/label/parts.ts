/** The parts of a label, each set where the one before it ended: every kind is made of these. */
import { LABEL_WORDS, netHeightMm } from '../../declaration';
import { type Finding, finding } from '../../finding';
import { roundToDecimals } from '../../quantity';
import {
  type CodeImage,
  codeOps,
  mmToPoints,
  modulesAcross,
  pointsToMm,
  type Run,
  type Setter,
  sizeOfFigures,
} from '../print';
import { businessLines, factRows, type LabelContent, netText } from './content';
import { setPanel } from './panels';
import { isSmallPackUs, type PanelForm, US_PANEL, US_SMALL_PANEL } from './type-rules';

/** The paper of one label. */
export interface LabelPaper {
  widthMm: number;
  /** Null where the roll is continuous. */
  heightMm: number | null;
}

/** What is set, and how. */
export interface Layout {
  content: LabelContent;
  text: number;
  form: PanelForm;
  paper: LabelPaper;
}

/** Modules of a code, millimetres: scanners of the trade read from a quarter millimetre on. */
const MODULES_MM = { code128: { most: 0.33, least: 0.25 }, qr: { most: 0.5, least: 0.35 } } as const;
const BAR_HEIGHT_MM = 10;

export const bold = (text: string, size: number): Run => ({ text, size, weight: 'bold' });
export const plain = (text: string, size: number): Run => ({ text, size, weight: 'regular' });

export function setIngredients(set: Setter, { content, text }: Layout): void {
  const { ingredients, language } = content;
  if (ingredients.length === 0) return;
  set.paragraph([
    bold(`${LABEL_WORDS[language].ingredients}: `, text),
    ...ingredients.map((segment) => (segment.stress ? bold(segment.text, text) : plain(segment.text, text))),
    plain('.', text),
  ]);
  set.space(1.5);
}

export function setAllergens(set: Setter, { content, text }: Layout): void {
  for (const each of [content.contains, content.mayContain, content.isDraft ? content.unconfirmed : ''])
    if (each !== '') {
      set.text(each, text, 'bold');
      set.space(1);
    }
}

/** Allergens said by name alone, for cards and slips that carry no list. */
export function setNamed(set: Setter, content: LabelContent, size: number): void {
  const words = LABEL_WORDS[content.language];
  const { contains, mayContain } = content.named;
  if (contains.length > 0)
    set.paragraph([plain(`${words.contains}: `, size), bold(contains.join(', '), size)]);
  else if (content.unconfirmed === '') set.text(words.noneDeclared, size);
  if (mayContain.length > 0)
    set.paragraph([plain(`${words.mayContain}: `, size), bold(mayContain.join(', '), size)]);
  if (content.unconfirmed !== '') set.text(content.unconfirmed, size, 'bold');
}

export function setFacts(set: Setter, { content, text }: Layout): void {
  for (const { name, text: said, isLarge } of factRows(content)) {
    const size = isLarge ? text * 1.3 : text;
    set.row([plain(name, text)], bold(said, size));
  }
}

export function setClaims(set: Setter, { content, text }: Layout): void {
  for (const claim of content.claims) set.text(claim, text, 'bold');
}

/** Draws the code as large as the column lets; says so where a scanner could not read it. */
export function setCode(set: Setter, code: CodeImage | null, findings: Finding[]): void {
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
export const setTitle = (set: Setter, { content, text }: Layout): void =>
  set.text(content.title, text * 1.35, 'bold');

export function setTable(set: Setter, { content, text, form }: Layout): void {
  const type =
    content.regime === 'us' && (isSmallPackUs(content.pack.size) || form === 'linear')
      ? US_SMALL_PANEL
      : US_PANEL;
  setPanel(set, content, form, text, type);
  set.space(3);
}

/** What goes over a note to the cook: it stands on drafts, never before a guest. */
export function setCaution(set: Setter, { content, text }: Layout): void {
  if (!content.isDraft) return;
  set.text(LABEL_WORDS[content.language].caution, content.regime === 'eu' ? text : Math.min(text, 6));
}

/** Net quantity, its figures as high as the law wants them. */
export function setNet(set: Setter, { content, paper }: Layout): void {
  const text = netText(content);
  if (text === '') return;
  const face =
    content.pack.size.largestSurfaceCm2 ?? (paper.widthMm * (paper.heightMm ?? paper.widthMm)) / 100;
  const height = netHeightMm(content.regime, content.pack.netGrams!, face);
  set.space(2);
  set.text(text.replace(/(\d) (?=\S)/g, '$1\u00a0'), sizeOfFigures(height), 'bold');
  set.space(1);
}

export function setBusiness(set: Setter, { content, text }: Layout): void {
  for (const line of businessLines(content)) set.text(line, text);
}
