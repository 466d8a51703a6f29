/** What every printed page shares: the shipped type, letters it can print, a document of a fixed date. */
import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { join } from 'node:path';
import PDFDocument from 'pdfkit';

export type Pdf = PDFKit.PDFDocument;
export type Weight = 'regular' | 'bold' | 'black';
const WEIGHTS: Readonly<Record<Weight, number>> = { regular: 400, bold: 700, black: 900 };

const fontFile = (weight: number): Buffer =>
  readFileSync(
    createRequire(join(process.cwd(), 'server', 'package.json')).resolve(
      `@fontsource/archivo/files/archivo-latin-${weight}-normal.woff`,
    ),
  );
let fonts: Record<Weight, Buffer> | null = null;

/** The shipped fonts, read once. */
function shippedFonts(): Record<Weight, Buffer> {
  fonts ??= {
    regular: fontFile(WEIGHTS.regular),
    bold: fontFile(WEIGHTS.bold),
    black: fontFile(WEIGHTS.black),
  };
  return fonts;
}

/** Letters the font lacks are printed as a question mark, never left out; controls and marks of direction go. */
export function printable(text: string): string {
  return text
    .normalize('NFC')
    .replace(/[\p{Cc}\p{Cf}]/gu, ' ')
    .replace(/[^\u0020-\u00ff\u0131\u0152\u0153\u2013\u2014\u2018-\u201e\u2022\u2026\u20ac\u2122]/gu, '?');
}

/** A document of one page of a size in points, without margins. A fixed date: the same content gives the same file. */
export function newPdf(size: [number, number], title: string): Pdf {
  const pdf = new PDFDocument({
    size,
    margin: 0,
    info: { Title: title, Producer: 'Hand Ladle', CreationDate: new Date(0) },
  });
  for (const [name, file] of Object.entries(shippedFonts())) pdf.registerFont(name, file);
  return pdf;
}

/** The bytes of a document once it has ended. */
export function bytesOf(pdf: Pdf): Promise<Buffer> {
  const chunks: Buffer[] = [];
  return new Promise<Buffer>((resolve, reject) => {
    pdf.on('data', (chunk: Buffer) => chunks.push(chunk));
    pdf.on('end', () => resolve(Buffer.concat(chunks)));
    pdf.on('error', reject);
  });
}
