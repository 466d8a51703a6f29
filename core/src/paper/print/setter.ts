/** Sets texts in a column: wraps words, draws rows and rules, and knows how far down it came. */
import type { DrawingOp } from './drawing';
import { ASCENT, printable, type TypeWeight, widthOf } from './face';

/** A run of text of one weight and size. */
export interface Run {
  text: string;
  weight: TypeWeight;
  size: number;
}

/** Line height over type size: leading of 15 to 20 % reads well at these sizes. */
export const LEADING = 1.16;

interface Piece extends Run {
  width: number;
  isSpace: boolean;
}

/** Cuts a word that is wider than the column, letter by letter, so that nothing leaves the paper. */
function cut(piece: Piece, width: number): Piece[] {
  if (piece.width <= width || piece.isSpace) return [piece];
  const parts: Piece[] = [];
  let text = '';
  for (const character of piece.text) {
    if (text !== '' && widthOf(text + character, piece.size, piece.weight) > width) {
      parts.push({ ...piece, text, width: widthOf(text, piece.size, piece.weight) });
      text = '';
    }
    text += character;
  }
  parts.push({ ...piece, text, width: widthOf(text, piece.size, piece.weight) });
  return parts;
}

const piecesOf = (runs: readonly Run[], width: number): Piece[] =>
  runs.flatMap((run) =>
    printable(run.text)
      .split(/( +)/)
      .filter((part) => part !== '')
      .flatMap((text) =>
        cut(
          { ...run, text, width: widthOf(text, run.size, run.weight), isSpace: text.startsWith(' ') },
          width,
        ),
      ),
  );

/** Words that touch without a space stay on one line together where they fit. */
function linesOf(runs: readonly Run[], width: number, broken: string[]): Piece[][] {
  const lines: Piece[][] = [];
  let line: Piece[] = [];
  let used = 0;
  const pieces = piecesOf(runs, width);
  for (let index = 0; index < pieces.length;) {
    const unit: Piece[] = [pieces[index]!];
    if (!pieces[index]!.isSpace)
      while (pieces[index + unit.length] && !pieces[index + unit.length]!.isSpace)
        unit.push(pieces[index + unit.length]!);
    const wide = unit.reduce((sum, piece) => sum + piece.width, 0);
    const isTooWide = used + wide > width + 1e-6;
    if (isTooWide && line.length > 0) {
      lines.push(line);
      line = [];
      used = 0;
    }
    if (wide > width + 1e-6) {
      broken.push(unit.map(({ text }) => text).join(''));
      // A unit that is wider than the column goes piece by piece.
      for (const piece of unit) {
        if (used + piece.width > width + 1e-6 && line.length > 0) {
          lines.push(line);
          line = [];
          used = 0;
        }
        line.push(piece);
        used += piece.width;
      }
    } else if (!(line.length === 0 && unit[0]!.isSpace)) {
      line.push(...unit);
      used += wide;
    }
    index += unit.length;
  }
  if (line.length > 0) lines.push(line);
  return lines;
}

export class Setter {
  /** Top of what comes next. */
  y: number;

  constructor(
    readonly ops: DrawingOp[],
    readonly x: number,
    top: number,
    readonly width: number,
    /** Words that are wider than their column and had to be broken, of this column and those beside and inside it. */
    readonly broken: string[] = [],
  ) {
    this.y = top;
  }

  /** A column beside or inside this one, from a top. */
  column(x: number, width: number, top = this.y): Setter {
    return new Setter(this.ops, x, top, width, this.broken);
  }

  space(points: number): void {
    this.y += points;
  }

  /** Runs of text, wrapped. */
  paragraph(
    runs: readonly Run[],
    at: { indent?: number; width?: number; align?: 'left' | 'right' | 'centre' } = {},
  ): void {
    const { indent = 0, width = this.width - indent, align = 'left' } = at;
    for (const line of linesOf(runs, width, this.broken)) {
      const trimmed = line.at(-1)?.isSpace ? line.slice(0, -1) : line;
      const size = Math.max(...line.map((piece) => piece.size));
      const used = trimmed.reduce((sum, piece) => sum + piece.width, 0);
      const free = width - used;
      let x = this.x + indent + (align === 'right' ? free : align === 'centre' ? free / 2 : 0);
      const y = this.y + ((LEADING - 1) / 2 + ASCENT) * size;
      for (const run of joined(trimmed)) {
        this.ops.push({
          kind: 'text',
          x,
          y,
          size: run.size,
          weight: run.weight,
          text: run.text,
          width: run.width,
        });
        x += run.width;
      }
      this.y += size * LEADING;
    }
  }

  text(
    text: string,
    size: number,
    weight: TypeWeight = 'regular',
    at: Parameters<Setter['paragraph']>[1] = {},
  ): void {
    if (text !== '') this.paragraph([{ text, size, weight }], at);
  }

  /** Texts at the left and right ends of one row; the left one wraps before it meets the right one. */
  row(left: readonly Run[], right: Run | null, indent = 0): void {
    const top = this.y;
    const rightWidth = right ? widthOf(printable(right.text), right.size, right.weight) : 0;
    const gap = right && right.text !== '' ? 4 : 0;
    const isWide = rightWidth > this.width * 0.7;
    this.paragraph(left, {
      indent,
      width: isWide ? this.width - indent : this.width - indent - rightWidth - gap,
    });
    const below = this.y;
    if (right && right.text !== '') {
      if (!isWide) this.y = top;
      this.paragraph([right], { align: 'right' });
    }
    this.y = Math.max(below, this.y);
  }

  rule(thickness: number, before = 1, after = 1): void {
    this.y += before;
    this.ops.push({ kind: 'rect', x: this.x, y: this.y, width: this.width, height: thickness });
    this.y += thickness + after;
  }

  /** A hairline box from a top to where the setter is now. */
  frame(top: number, line: number, pad: number): void {
    const x = this.x - pad;
    const width = this.width + 2 * pad;
    const height = this.y - top;
    this.ops.push(
      { kind: 'rect', x, y: top, width, height: line },
      { kind: 'rect', x, y: this.y - line, width, height: line },
      { kind: 'rect', x, y: top, width: line, height },
      { kind: 'rect', x: x + width - line, y: top, width: line, height },
    );
  }
}

/** Neighbours of one size and weight are one text. */
function joined(pieces: readonly Piece[]): Piece[] {
  const runs: Piece[] = [];
  for (const piece of pieces) {
    const last = runs[runs.length - 1];
    if (last && last.size === piece.size && last.weight === piece.weight) {
      last.text += piece.text;
      last.width += piece.width;
    } else runs.push({ ...piece });
  }
  return runs;
}
