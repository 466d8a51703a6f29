/** Draws the batch sheet on one page that is taped to the hood: as large as fits, black on white, boxes to tick. */
import type { BatchSheet, SheetEntry, SheetStep } from '@hand-ladle/core';
import { bytesOf, newPdf, type Pdf, printable, type Weight } from './pdf';

/** Paper in points. */
const PAPER: Readonly<Record<'a4' | 'letter', [number, number]>> = {
  a4: [595.28, 841.89],
  letter: [612, 792],
};
const MARGIN = 28;
const INK = '#000000';
/** Type in points at scale 1. A short sheet is drawn larger, a long one smaller, so that it fills its page. */
const TYPE = { title: 22, batch: 15, weight: 15, text: 10.5, small: 8.5 } as const;
/** Smaller than this nobody reads from the stove: a longer sheet goes on to another page instead. */
const SMALLEST = 0.62;
/** Larger than this reads no better from two metres. */
const LARGEST = 1.6;
/** More boxes than this in a row are one box and a count. */
const MOST_BOXES = 8;

/** A pen on a page: everything it draws is scaled by one factor. */
class SheetPen {
  y = MARGIN;
  pages = 1;
  readonly inner: number;

  constructor(
    readonly pdf: Pdf,
    readonly scale: number,
    readonly paper: readonly [number, number],
    /** Boxes of the line that has most. */
    readonly mostBoxes: number,
  ) {
    this.inner = paper[0] - 2 * MARGIN;
  }

  /** Text at a place; returns its height. Nothing is drawn across a page's end. */
  at(
    text: string,
    x: number,
    width: number,
    size: number,
    { weight = 'regular', align = 'left' }: { weight?: Weight; align?: 'left' | 'right' } = {},
  ): number {
    if (text === '') return 0;
    const { pdf } = this;
    pdf
      .font(weight)
      .fontSize(size * this.scale)
      .fillColor(INK);
    const options = { width, align, lineGap: 0.5 };
    const height = pdf.heightOfString(printable(text), options);
    pdf.text(printable(text), MARGIN + x, this.y, options);
    return height;
  }

  heightOf(text: string, width: number, size: number, weight: Weight = 'regular'): number {
    if (text === '') return 0;
    this.pdf.font(weight).fontSize(size * this.scale);
    return this.pdf.heightOfString(printable(text), { width, lineGap: 0.5 });
  }

  block(text: string, size: number, weight: Weight = 'regular', gap = 2): void {
    if (text === '') return;
    this.room(this.heightOf(text, this.inner, size, weight));
    this.y += this.at(text, 0, this.inner, size, { weight }) + gap * this.scale;
  }

  /** Turns the page where a piece would not fit any more. */
  room(height: number): void {
    if (this.y + height <= this.paper[1] - MARGIN) return;
    this.pdf.addPage({ size: [...this.paper], margin: 0 });
    this.pages += 1;
    this.y = MARGIN;
  }

  rule(thickness: number): void {
    this.pdf.rect(MARGIN, this.y, this.inner, thickness).fill(INK);
    this.y += thickness + 3 * this.scale;
  }

  box(x: number, size: number): void {
    this.pdf
      .lineWidth(1)
      .strokeColor(INK)
      .rect(MARGIN + x, this.y + 1, size, size)
      .stroke();
  }
}

function drawEntry(pen: SheetPen, entry: SheetEntry): void {
  const { scale, inner } = pen;
  const side = 11 * scale;
  const boxes = entry.boxes > MOST_BOXES ? 1 : entry.boxes;
  const boxWide = Math.min(MOST_BOXES, Math.max(2, pen.mostBoxes)) * (side + 3 * scale);
  const weightWide = 92 * scale;
  const gap = 8 * scale;
  const textX = boxWide + weightWide + gap;
  const textWide = inner - textX;
  const more = [
    entry.loads,
    entry.spoons === '' ? '' : `${entry.spoons} a load`,
    entry.heldBack,
    entry.allergens.join(', '),
  ].filter(Boolean);
  const name = entry.form === '' ? entry.name : `${entry.name}, ${entry.form}`;
  const nameHigh = pen.heightOf(name, textWide, TYPE.text + 1, 'bold');
  const moreText = more.join('  |  ');
  const high = Math.max(
    pen.heightOf(entry.total, weightWide, TYPE.weight, 'black'),
    nameHigh + pen.heightOf(moreText, textWide, TYPE.small + 1),
  );
  pen.room(high);
  for (let index = 0; index < boxes; index += 1) pen.box(index * (side + 3 * scale), side);
  if (boxes < entry.boxes) pen.at(`x ${entry.boxes}`, side + 4 * scale, boxWide, TYPE.text);
  pen.at(entry.total, boxWide, weightWide, TYPE.weight, { weight: 'black', align: 'right' });
  const top = pen.y;
  pen.at(name, textX, textWide, TYPE.text + 1, { weight: 'bold' });
  pen.y = top + nameHigh;
  pen.at(moreText, textX, textWide, TYPE.small + 1);
  pen.y = top + high + 3 * scale;
}

function drawStep(pen: SheetPen, step: SheetStep): void {
  const { scale, inner } = pen;
  const numberWide = 24 * scale;
  const told = [step.machine, step.time, step.oven, step.core === '' ? '' : `core ${step.core}`];
  const head = told.filter(Boolean).join('  |  ');
  const look = step.lookTest === '' ? '' : `Until ${step.lookTest}`;
  pen.room(pen.heightOf(step.text, inner - numberWide, TYPE.text) + 20 * scale);
  pen.rule(0.7);
  const top = pen.y;
  const numberHigh = pen.at(String(step.number), 0, numberWide, TYPE.batch, { weight: 'black' });
  pen.y += pen.at(step.text, numberWide, inner - numberWide, TYPE.text);
  pen.y += pen.at(head, numberWide, inner - numberWide, TYPE.text, { weight: 'bold' });
  pen.y += pen.at(look, numberWide, inner - numberWide, TYPE.text, { weight: 'bold' });
  pen.y = Math.max(pen.y, top + numberHigh) + 3 * scale;
  for (const entry of step.entries) drawEntry(pen, entry);
}

/** Draws everything; returns how many pages it took. */
function draw(pdf: Pdf, sheet: BatchSheet, scale: number, paper: readonly [number, number]): number {
  const entries = [...sheet.steps.flatMap((step) => step.entries), ...sheet.rest];
  const pen = new SheetPen(pdf, scale, paper, Math.max(1, ...entries.map(({ boxes }) => boxes)));
  pen.block(sheet.title, TYPE.title, 'black', 0);
  pen.block(sheet.batch, TYPE.batch, 'bold');
  if (sheet.open > 0)
    pen.block(
      `${sheet.open} ${sheet.open === 1 ? 'question is' : 'questions are'} still open: check before you cook.`,
      TYPE.text,
      'bold',
    );
  pen.block(
    sheet.contains === '' ? 'Contains: nothing named' : `Contains: ${sheet.contains}`,
    TYPE.text + 1,
    'black',
  );
  if (sheet.mayContain !== '') pen.block(`May contain: ${sheet.mayContain}`, TYPE.text, 'bold');
  if (sheet.check !== '') pen.block(`Check the pack for: ${sheet.check}`, TYPE.text, 'bold');
  pen.block([...sheet.machines, sheet.pans].filter(Boolean).join('  |  '), TYPE.text);
  if (sheet.ready.length > 0) pen.block(`Have ready: ${sheet.ready.join('; ')}`, TYPE.text, 'bold');
  for (const step of sheet.steps) drawStep(pen, step);
  if (sheet.rest.length > 0) {
    pen.rule(0.7);
    pen.block(sheet.steps.length > 0 ? 'No step names these' : 'Weigh', TYPE.text, 'bold');
    for (const entry of sheet.rest) drawEntry(pen, entry);
  }
  pen.rule(1.5);
  for (const caution of sheet.cautions) pen.block(caution, TYPE.small, 'regular', 1);
  pen.block(
    `${sheet.kitchen}. Worked out from recipe weights; your local food code and the label on the pack go first.`,
    TYPE.small,
  );
  return pen.pages;
}

/** Halvings of the range of scales that are tried: to within a hundredth. */
const TRIALS = 6;

/** The largest scale at which the sheet is one page; the smallest there is where none is. Drawn on one page of scrap. */
function fittingScale(sheet: BatchSheet, paper: readonly [number, number]): number {
  const scrap = newPdf([...paper], sheet.title);
  const fits = (scale: number): boolean => draw(scrap, sheet, scale, paper) === 1;
  let [low, high] = [SMALLEST, LARGEST];
  if (fits(high)) low = high;
  for (let trial = 0; trial < TRIALS && low < high; trial += 1) {
    const middle = (low + high) / 2;
    if (fits(middle)) low = middle;
    else high = middle;
  }
  scrap.end();
  return low;
}

/** The batch sheet as PDF bytes, as large as one page allows. */
export async function batchSheetPdf(sheet: BatchSheet, paper: 'a4' | 'letter'): Promise<Buffer> {
  const size = PAPER[paper];
  const pdf = newPdf([...size], sheet.title);
  const done = bytesOf(pdf);
  draw(pdf, sheet, fittingScale(sheet, size), size);
  pdf.end();
  return done;
}
