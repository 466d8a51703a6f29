/** Labels as files: PDF on rolls and sheets, SVG and PNG of one label, plain text. */
import { execFile } from 'node:child_process';
import { promisify } from 'node:util';
import {
  type Drawing,
  mmToPoints,
  PAPERS,
  placesOnSheets,
  type SetLabel,
  type Stock,
  svgOf,
} from '@hand-ladle/core';
import { ApiError } from '../http/errors';
import { bytesOf, drawOn, fontFile, formOf, newPdf } from './pdf';

/** How many labels one file may hold. */
export const MOST_LABELS = 1000;

export interface Run {
  stock: Stock;
  /** First label of the first sheet, counted from 1; rolls have none. */
  start: number;
}

/** One label, and how many of it. */
export interface SetPart {
  set: SetLabel;
  quantity: number;
}

/** Labels as one PDF, so many of each: a page a label on a roll, pages of labels on sheets, one after the other. */
export async function labelsPdf(parts: readonly SetPart[], { stock, start }: Run): Promise<Buffer> {
  const sizeOf = ({ width, height }: SetLabel): [number, number] =>
    stock.kind === 'roll'
      ? [width, height]
      : [mmToPoints(PAPERS[stock.paper].widthMm), mmToPoints(PAPERS[stock.paper].heightMm)];
  const pdf = newPdf(sizeOf(parts[0]!.set), 'Label');
  const done = bytesOf(pdf);
  const all = parts.flatMap(({ set, quantity }) => {
    const place = formOf(pdf, set);
    return Array.from({ length: quantity }, () => ({ set, place }));
  });
  const turn = (set: SetLabel): unknown => pdf.addPage({ size: sizeOf(set), margin: 0 });
  if (stock.kind === 'roll')
    all.forEach(({ set, place }, index) => {
      if (index > 0) turn(set);
      place(0, 0);
    });
  else {
    let page = 0;
    placesOnSheets(stock, start, all.length).forEach((each, index) => {
      const { set, place } = all[index]!;
      for (; page < each.page; page += 1) turn(set);
      place(mmToPoints(each.xMm), mmToPoints(each.yMm));
    });
  }
  pdf.end();
  return done;
}

/** Pages of their own, one after the other. */
export async function pagesPdf(pages: readonly Drawing[], title: string): Promise<Buffer> {
  const [first] = pages;
  const pdf = newPdf([first!.width, first!.height], title);
  const done = bytesOf(pdf);
  pages.forEach((page, index) => {
    if (index > 0) pdf.addPage({ size: [page.width, page.height], margin: 0 });
    drawOn(pdf, page);
  });
  pdf.end();
  return done;
}

let fontStyle: string | null = null;

/** The shipped type inside the file, so that it looks the same wherever it goes. */
function embeddedFont(): string {
  fontStyle ??= `<style>${(
    [
      ['regular', 400],
      ['bold', 700],
      ['black', 900],
    ] as const
  )
    .map(
      ([name, weight]) =>
        `@font-face{font-family:Archivo;font-weight:${weight};src:url(data:font/woff2;base64,${fontFile(name, 'woff2').toString('base64')})}`,
    )
    .join('')}</style>`;
  return fontStyle;
}

export const labelSvg = (label: SetLabel, title: string): string =>
  svgOf(label, title, embeddedFont()).replace("'Archivo Variable', Archivo", 'Archivo');

/** Dots per inch of a label printer of the trade. */
const PNG_DPI = 300;
const run = promisify(execFile);

/** One label as PNG, drawn from its PDF so that it is the same picture. */
export async function labelPng(label: SetLabel): Promise<Buffer> {
  const stock: Stock = { kind: 'roll', id: 'one', name: 'one', widthMm: 1, heightMm: null };
  const pdf = await labelsPdf([{ set: label, quantity: 1 }], { stock, start: 1 });
  const drawing = run('pdftoppm', ['-r', String(PNG_DPI), '-png', '-singlefile', '-'], {
    encoding: 'buffer',
    maxBuffer: 64 * 1024 * 1024,
  });
  drawing.child.stdin?.end(pdf);
  try {
    return (await drawing).stdout;
  } catch {
    throw new ApiError('png-unavailable');
  }
}
