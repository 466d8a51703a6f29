/**
 * The shipped type as numbers: how wide a text sets, what size gives a letter height, which letters it has. Written by
 * scripts/pictures/type-metrics.mjs from the font that is embedded, so that what is measured is what is printed.
 */
import metrics from './type-metrics.json';

export const WEIGHTS = ['regular', 'bold', 'black'] as const;
export type TypeWeight = (typeof WEIGHTS)[number];

const em = metrics.unitsPerEm;
/** Shares of the size: height of an x, of the highest and the lowest letter. */
export const X_HEIGHT = metrics.xHeight / em;
export const ASCENT = metrics.ascent / em;
export const DESCENT = -metrics.descent / em;

export const POINTS_PER_MM = 72 / 25.4;
export const mmToPoints = (mm: number): number => mm * POINTS_PER_MM;
export const pointsToMm = (points: number): number => points / POINTS_PER_MM;

const characters = [...metrics.characters];
const widthsOf = (weight: TypeWeight): ReadonlyMap<string, number> =>
  new Map(characters.map((character, index) => [character, metrics.widths[weight][index]! / em]));
const WIDTHS: Readonly<Record<TypeWeight, ReadonlyMap<string, number>>> = {
  regular: widthsOf('regular'),
  bold: widthsOf('bold'),
  black: widthsOf('black'),
};

/** Width of a text in points; set without kerning or ligatures, so the widths of its letters add up. */
export function widthOf(text: string, size: number, weight: TypeWeight): number {
  const widths = WIDTHS[weight];
  let sum = 0;
  for (const character of text) sum += widths.get(character) ?? widths.get('?')!;
  return sum * size;
}

/** The size in points whose small x is so many millimetres high. */
export const sizeOfXHeight = (mm: number): number => mmToPoints(mm) / X_HEIGHT;

/** Height of a figure, which is that of a capital, as a share of the size. */
export const FIGURE_HEIGHT = metrics.capHeight / em;
/** The size in points whose figures are so many millimetres high. */
export const sizeOfFigures = (mm: number): number => mmToPoints(mm) / FIGURE_HEIGHT;

const SPACE = /[\p{Cc}\p{Cf}\p{Zl}\p{Zp}]+/gu;

/** Controls and marks of direction are gaps; letters are composed. The text a printed page can be asked for. */
const plain = (text: string): string => text.normalize('NFC').replace(SPACE, ' ');

/** Letters of a text that the type does not have, each once. */
export const unprintable = (text: string): string[] => [
  ...new Set([...plain(text)].filter((character) => !WIDTHS.regular.has(character))),
];

/** A text as it is printed: a letter the type lacks is a question mark, never left out. */
export const printable = (text: string): string =>
  [...plain(text)].map((character) => (WIDTHS.regular.has(character) ? character : '?')).join('');
