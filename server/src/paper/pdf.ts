/** What every printed page shares: the shipped type, a document of a fixed date, and drawings put on its pages. */
import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { join } from 'node:path';
import PDFDocument from 'pdfkit';
import type { Drawing, TypeWeight } from '@hand-ladle/core';
import { sfntOf } from './sfnt';

export { printable } from '@hand-ladle/core';
export type Pdf = PDFKit.PDFDocument;
export type Weight = TypeWeight;
const WEIGHTS: Readonly<Record<Weight, number>> = { regular: 400, bold: 700, black: 900 };
const INK = '#000000';

/** A file of the shipped type. */
export const fontFile = (weight: Weight, kind: 'woff' | 'woff2'): Buffer =>
  readFileSync(
    createRequire(join(process.cwd(), 'server', 'package.json')).resolve(
      `@fontsource/archivo/files/archivo-latin-${WEIGHTS[weight]}-normal.${kind}`,
    ),
  );
let fonts: Record<Weight, Buffer> | null = null;

/** The shipped fonts, read once. */
function shippedFonts(): Record<Weight, Buffer> {
  fonts ??= {
    regular: sfntOf(fontFile('regular', 'woff')),
    bold: sfntOf(fontFile('bold', 'woff')),
    black: sfntOf(fontFile('black', 'woff')),
  };
  return fonts;
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

/** Letters stand where they were measured: no kerning, no ligatures. */
const AS_MEASURED = {
  kern: false,
  liga: false,
  clig: false,
  calt: false,
} as unknown as PDFKit.Mixins.OpenTypeFeatures[];

/** Draws a set page at the origin of what is drawn on. */
export function drawOn(pdf: Pdf, { ops }: Drawing): void {
  pdf.fillColor(INK);
  for (const op of ops) {
    if (op.kind === 'rect') pdf.rect(op.x, op.y, op.width, op.height).fill(INK);
    else if (op.kind === 'text')
      pdf
        .font(op.weight)
        .fontSize(op.size)
        .text(op.text, op.x, op.y, { lineBreak: false, baseline: 'alphabetic', features: AS_MEASURED });
    else {
      pdf.save();
      pdf.translate(op.x, op.y).rotate(op.degrees);
      pdf.font(op.weight).fontSize(op.size).fillOpacity(0.13);
      const half = pdf.widthOfString(op.text) / 2;
      pdf.text(op.text, -half, 0, { lineBreak: false, baseline: 'alphabetic' });
      pdf.restore();
      pdf.fillOpacity(1);
    }
  }
}

interface Reference {
  write(chunk: string | Buffer): void;
  end(): void;
}
/** What pdfkit draws on; its types leave these out. */
interface Inside {
  page: {
    dictionary: unknown;
    content: Reference;
    resources: Reference;
    fonts: object;
    ext_gstates: object;
    height: number;
  };
  ref(data: object): Reference & { data: Record<string, unknown> };
  _ctm: number[];
  addContent(data: string): void;
}

/**
 * A drawing as a form that is written once and placed many times, so that five hundred labels weigh what one does. Returns
 * the act of placing it on the page that is open.
 */
export function formOf(pdf: Pdf, drawing: Drawing): (x: number, y: number) => void {
  const inside = pdf as unknown as Inside;
  const resources: Record<string, Record<string, unknown>> = { Font: {}, ExtGState: {}, ColorSpace: {} };
  const form = inside.ref({
    Type: 'XObject',
    Subtype: 'Form',
    BBox: [0, 0, drawing.width, drawing.height],
    Resources: resources,
  });
  const page = inside.page;
  const ctm = inside._ctm;
  // pdfkit writes to whatever stands as its page: here the form's own stream.
  const canvas = Object.create(page) as Inside['page'];
  Object.defineProperties(canvas, {
    fonts: { value: resources['Font'] },
    ext_gstates: { value: resources['ExtGState'] },
    colorSpaces: { value: resources['ColorSpace'] },
    height: { value: drawing.height },
    width: { value: drawing.width },
    write: { value: (chunk: string) => form.write(chunk) },
  });
  inside.page = canvas;
  inside._ctm = [1, 0, 0, 1, 0, 0];
  drawOn(pdf, drawing);
  inside.page = page;
  inside._ctm = ctm;
  form.end();
  const name = `Label${(forms.get(pdf) ?? 0) + 1}`;
  forms.set(pdf, (forms.get(pdf) ?? 0) + 1);
  return (x, y) => {
    const onPage = inside.page as unknown as { xobjects: Record<string, unknown> };
    onPage.xobjects[name] = form;
    inside.addContent(`q 1 0 0 1 ${x.toFixed(3)} ${y.toFixed(3)} cm /${name} Do Q`);
  };
}
const forms = new WeakMap<Pdf, number>();
