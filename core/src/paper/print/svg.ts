/** A drawing as SVG text. Texts stay texts, each held to its measured width. */
import type { Drawing } from './drawing';
import { pointsToMm, printable } from './face';

const WEIGHT_NUMBERS = { regular: 400, bold: 700, black: 900 } as const;
const escaped = (text: string): string =>
  text.replace(/[&<>"]/g, (mark) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' })[mark]!);
const figure = (value: number): string => String(Math.round(value * 1000) / 1000);

/** The drawing at true size in millimetres; `style` is put in as it is (the font, where it must travel with the file). */
export function svgOf({ width, height, ops }: Drawing, title: string, style = ''): string {
  const body = ops.map((op) => {
    switch (op.kind) {
      case 'rect':
        return `<rect x="${figure(op.x)}" y="${figure(op.y)}" width="${figure(op.width)}" height="${figure(op.height)}"/>`;
      case 'turned':
        return `<text transform="translate(${figure(op.x)} ${figure(op.y)}) rotate(${figure(op.degrees)})" font-size="${figure(op.size)}" font-weight="${WEIGHT_NUMBERS[op.weight]}" text-anchor="middle" opacity="0.13" aria-hidden="true">${escaped(op.text)}</text>`;
      case 'text':
        return `<text x="${figure(op.x)}" y="${figure(op.y)}" font-size="${figure(op.size)}" font-weight="${WEIGHT_NUMBERS[op.weight]}" textLength="${figure(op.width)}" xml:space="preserve">${escaped(op.text)}</text>`;
    }
  });
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${figure(pointsToMm(width))}mm" height="${figure(pointsToMm(height))}mm" viewBox="0 0 ${figure(width)} ${figure(height)}" role="img" aria-label="${escaped(printable(title))}" font-family="'Archivo Variable', Archivo, sans-serif" style="font-kerning:none;font-variant-ligatures:none;font-variant-numeric:normal">${style}<rect width="100%" height="100%" fill="#ffffff"/>${body.join('')}</svg>`;
}
