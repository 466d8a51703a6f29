/** Codes a scanner reads, as modules for the setter: drawn by a library, placed by us. */
import bwip from 'bwip-js/node';
import type { CodeImage } from '@hand-ladle/core';

interface Bars {
  sbs: number[];
}
interface Matrix {
  pixs: number[];
  pixx: number;
}

/** A Code 128 or QR code of a text; QR at error correction level M. */
export function codeImage(symbology: CodeImage['symbology'], text: string): CodeImage {
  if (symbology === 'code128') {
    const [bars] = bwip.raw('code128', text, '') as unknown as [Bars];
    return { symbology, text, widths: bars.sbs };
  }
  const [matrix] = bwip.raw('qrcode', text, 'eclevel=M') as unknown as [Matrix];
  return { symbology, text, size: matrix.pixx, dark: matrix.pixs.map((each) => each === 1) };
}
