/** Draws a label as PDF in the law's own layout, from the worksheet's label and nothing else. */
import { LABEL_CAUTION, type Label, type LabelFigure } from '@hand-ladle/core';
import { bytesOf, newPdf, printable, type Pdf, type Weight } from './pdf';

/** Roll label width, 102 mm, in points. */
const WIDTH = (102 / 25.4) * 72;
const MARGIN = 12;
const INNER = WIDTH - 2 * MARGIN;
const INK = '#000000';

/** A pen that writes down the page and remembers where it is. */
class Pen {
  y = MARGIN;

  constructor(readonly pdf: Pdf) {}

  text(
    text: string,
    weight: Weight,
    size: number,
    at: { x?: number; width?: number; align?: 'left' | 'right' } = {},
  ) {
    const { x = MARGIN, width = INNER, align = 'left' } = at;
    this.pdf
      .font(weight)
      .fontSize(size)
      .fillColor(INK)
      .text(printable(text), x, this.y, { width, align, lineGap: 0.5 });
  }

  /** Text over the whole width; moves down by its height. */
  block(text: string, weight: Weight, size: number): void {
    if (text === '') return;
    this.text(text, weight, size);
    this.y = this.pdf.y + 3;
  }

  rule(thickness: number): void {
    this.y += 1.5;
    this.pdf.rect(MARGIN, this.y, INNER, thickness).fill(INK);
    this.y += thickness + 2;
  }

  /** A row with text at the left and right ends. */
  row(left: string, right: string, size: number, weights: [Weight, Weight], indent = 0): void {
    const top = this.y;
    this.text(left, weights[0], size, { x: MARGIN + indent, width: INNER - indent - 44 });
    const below = this.pdf.y;
    this.text(right, weights[1], size, { align: 'right' });
    // An empty side takes no room, so the row ends where the lower of the two ends.
    this.y = Math.max(top, below, this.pdf.y) + 0.5;
  }
}

/** US 21 CFR 101.9(d): heading, serving line, bars of three weights, calories large, %DV at the right. */
function drawPanelUs(pen: Pen, label: Label): void {
  pen.block('Nutrition Facts', 'black', 27);
  pen.block('1 serving per container', 'regular', 9);
  pen.row('Serving size', `1 portion (${Math.round(label.portionGrams)}g)`, 10, ['bold', 'bold']);
  pen.rule(7);
  pen.block('Amount per serving', 'bold', 7);
  const [calories, ...figures] = label.figures;
  pen.row(calories!.name, calories!.text, 20, ['black', 'black']);
  pen.rule(4);
  pen.row('', '% Daily Value*', 7, ['bold', 'bold']);
  const nutrients = figures.slice(0, -4);
  nutrients.forEach((figure) => {
    pen.rule(0.5);
    drawRowUs(pen, figure);
  });
  pen.rule(7);
  figures.slice(-4).forEach((figure, index) => {
    if (index > 0) pen.rule(0.5);
    pen.row(`${figure.name} ${figure.text}`, figure.dailyValueText, 8, ['regular', 'regular']);
  });
  pen.rule(4);
  pen.block(
    '* The % Daily Value (DV) tells you how much a nutrient in a serving of food contributes to a daily diet. 2,000 calories a day is used for general nutrition advice.',
    'regular',
    6,
  );
}

function drawRowUs(pen: Pen, figure: LabelFigure): void {
  const isMain = figure.indent === 0;
  const text =
    figure.id === 'addedSugarsG' ? `Includes ${figure.text} ${figure.name}` : `${figure.name} ${figure.text}`;
  pen.row(text, figure.dailyValueText, 8, [isMain ? 'bold' : 'regular', 'bold'], figure.indent * 10);
}

/** A narrow column may break a line, but never between a figure and its unit. */
const unbroken = (text: string): string => text.replace(/(\d) (?=kJ|kcal|g|mg)/g, '$1\u00a0');

/** EU 1169/2011 Annex XV: a table with the amounts per 100 g, then per portion, in the law's order. */
function drawTableEu(pen: Pen, label: Label): void {
  const columns = {
    first: MARGIN + INNER * 0.36,
    second: MARGIN + INNER * 0.62,
    third: MARGIN + INNER * 0.88,
  };
  const cells = (texts: [string, string, string, string], weight: Weight, indent = 0): void => {
    const y = pen.y;
    const width = INNER * 0.25;
    let below = y;
    const put = (text: string, x: number, wide: number, align: 'left' | 'right'): void => {
      pen.text(unbroken(text), weight, 7, { x, width: wide, align });
      below = Math.max(below, pen.pdf.y);
    };
    put(texts[0], MARGIN + indent, INNER * 0.36 - indent, 'left');
    put(texts[1], columns.first, width, 'right');
    put(texts[2], columns.second, width, 'right');
    put(texts[3], columns.third, INNER * 0.12, 'right');
    pen.y = below + 0.5;
  };
  pen.block('Nutrition', 'black', 13);
  pen.rule(1.5);
  cells(['', 'per 100 g', `per portion (${Math.round(label.portionGrams)} g)`, '% RI*'], 'bold');
  for (const figure of label.figures) {
    pen.rule(0.5);
    const isMain = figure.indent === 0;
    cells(
      [figure.name, figure.per100gText, figure.text, figure.dailyValueText],
      isMain ? 'bold' : 'regular',
      isMain ? 0 : 8,
    );
  }
  pen.rule(1.5);
  pen.block('* Reference intake of an average adult (8400 kJ / 2000 kcal)', 'regular', 6);
}

/** The ingredient statement; stressed words in bold where they occur. */
function drawIngredients(pen: Pen, label: Label): void {
  const segments = [
    { text: 'Ingredients: ', stress: true },
    ...label.ingredientSegments,
    { text: '.', stress: false },
  ];
  pen.pdf.fontSize(8).fillColor(INK);
  segments.forEach(({ text, stress }, index) => {
    const isFirst = index === 0;
    const options = { continued: index < segments.length - 1, lineGap: 0.5, width: INNER };
    pen.pdf.font(stress ? 'bold' : 'regular');
    if (isFirst) pen.pdf.text(printable(text), MARGIN, pen.y, options);
    else pen.pdf.text(printable(text), options);
  });
  pen.y = pen.pdf.y + 3;
}

/** Size of the word across the page: its diagonal fits the width of the roll. */
const DRAFT_POINTS = 62;

function drawDraftMark(pdf: Pdf, height: number): void {
  pdf.save();
  pdf.rotate(-45, { origin: [WIDTH / 2, height / 2] });
  pdf.font('black').fontSize(DRAFT_POINTS).fillColor('#000000').fillOpacity(0.13);
  pdf.text('DRAFT', 0, height / 2 - DRAFT_POINTS / 2, { width: WIDTH, align: 'center', lineBreak: false });
  pdf.restore();
  pdf.fillOpacity(1);
}

/** Draws everything; returns the height used. */
function draw(pdf: Pdf, label: Label): number {
  const pen = new Pen(pdf);
  if (label.isDraft) {
    const count = label.draftReasons.length;
    pen.block(`DRAFT - not for use: ${count} open ${count === 1 ? 'point' : 'points'}`, 'bold', 8);
  }
  pen.block(label.title, 'bold', 13);
  pen.block(`1 portion, ${Math.round(label.portionGrams)} g`, 'regular', 8);
  pen.rule(0.5);
  if (label.regime === 'us') drawPanelUs(pen, label);
  else drawTableEu(pen, label);
  pen.rule(0.5);
  drawIngredients(pen, label);
  pen.block(label.contains, 'bold', 8);
  pen.block(label.mayContain, 'bold', 8);
  if (label.isDraft) pen.block(label.unconfirmed, 'bold', 8);
  pen.block(LABEL_CAUTION, 'regular', 5.5);
  return pen.y + MARGIN;
}

/** Tallest page of a first, measuring pass; longer statements than this are no roll label. */
const TALLEST = 14_000;

/** A label as PDF bytes: one page, 102 mm wide and as tall as its text. */
export async function labelPdf(label: Label): Promise<Buffer> {
  const measuring = newPdf([WIDTH, TALLEST], 'Label');
  const height = Math.min(TALLEST, draw(measuring, label));
  measuring.end();
  const pdf = newPdf([WIDTH, height], 'Label');
  const done = bytesOf(pdf);
  if (label.isDraft) drawDraftMark(pdf, height);
  draw(pdf, label);
  pdf.end();
  return done;
}
