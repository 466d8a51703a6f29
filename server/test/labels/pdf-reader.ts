/** PDFs read back by poppler: their words, and how large each word is set. */
import { execFileSync } from 'node:child_process';
import { ASCENT, DESCENT } from '@hand-ladle/core';

/** The words of a PDF as a reader takes them; a word that broke at its own hyphen is put together again. */
export const textOf = (pdf: Buffer): string =>
  execFileSync('pdftotext', ['-layout', '-', '-'], {
    input: pdf,
    encoding: 'utf8',
    maxBuffer: 256 * 1024 * 1024,
  })
    .replace(/[^\S\f]+/g, ' ')
    .replace(/(\p{L})- (?=\p{L})/gu, '$1-');

export interface PlacedWord {
  text: string;
  /** Points from the top left. */
  xMin: number;
  xMax: number;
  yMin: number;
  yMax: number;
  /** Type size in points: the box of a word is as high as the type's ascent and descent. */
  size: number;
}

const ENTITIES: Readonly<Record<string, string>> = { amp: '&', lt: '<', gt: '>', quot: '"', apos: "'" };

/** Every word with its place and size. */
export function wordsOf(pdf: Buffer): PlacedWord[] {
  const html = execFileSync('pdftotext', ['-bbox', '-', '-'], {
    input: pdf,
    encoding: 'utf8',
    maxBuffer: 256 * 1024 * 1024,
  });
  const pattern =
    /<word xMin="([\d.-]+)" yMin="([\d.-]+)" xMax="([\d.-]+)" yMax="([\d.-]+)">([^<]*)<\/word>/g;
  return [...html.matchAll(pattern)].map(([, xMin, yMin, xMax, yMax, text]) => ({
    text: text!.replace(/&(\w+);/g, (whole, name: string) => ENTITIES[name] ?? whole),
    xMin: Number(xMin),
    xMax: Number(xMax),
    yMin: Number(yMin),
    yMax: Number(yMax),
    size: (Number(yMax) - Number(yMin)) / (ASCENT + DESCENT),
  }));
}
