/** A set page as plain values: texts, filled rectangles and code blocks, in points from the top left. Every renderer draws this. */
import type { TypeWeight } from './face';

export type DrawingOp =
  | {
      kind: 'text';
      x: number;
      y: number;
      size: number;
      weight: TypeWeight;
      text: string;
      width: number;
      tone?: 'faint';
    }
  | { kind: 'rect'; x: number; y: number; width: number; height: number }
  | { kind: 'turned'; x: number; y: number; size: number; weight: TypeWeight; text: string; degrees: number };

/** `y` of a text is its baseline; of a rectangle its top. */
export interface Drawing {
  width: number;
  height: number;
  ops: DrawingOp[];
}

/** Modules of a code as its library gives them: bar and gap widths in turn, or a square of dark and light. */
export type CodeImage =
  | { symbology: 'code128'; text: string; widths: readonly number[] }
  | { symbology: 'qr'; text: string; size: number; dark: readonly boolean[] };

/** Widest a code may be asked to be drawn before it is refused, and the quiet zone, in modules, that each needs. */
export const QUIET_MODULES = { code128: 10, qr: 4 } as const;

/** Modules across, quiet zones included. */
export const modulesAcross = (code: CodeImage): number =>
  (code.symbology === 'qr' ? code.size : code.widths.reduce((sum, each) => sum + each, 0)) +
  2 * QUIET_MODULES[code.symbology];

/** A code as rectangles in a place, module by module; bars are `height` high. */
export function codeOps(code: CodeImage, x: number, y: number, module: number, height: number): DrawingOp[] {
  const quiet = QUIET_MODULES[code.symbology] * module;
  if (code.symbology === 'code128') {
    const ops: DrawingOp[] = [];
    let at = x + quiet;
    code.widths.forEach((width, index) => {
      if (index % 2 === 0) ops.push({ kind: 'rect', x: at, y, width: width * module, height });
      at += width * module;
    });
    return ops;
  }
  const ops: DrawingOp[] = [];
  for (let row = 0; row < code.size; row += 1)
    for (let from = 0; from < code.size;) {
      // Dark modules beside each other are one rectangle, so that no hairline shows between them.
      let to = from;
      while (to < code.size && code.dark[row * code.size + to]) to += 1;
      if (to > from)
        ops.push({
          kind: 'rect',
          x: x + quiet + from * module,
          y: y + quiet + row * module,
          width: (to - from) * module,
          height: module,
        });
      from = Math.max(to, from + 1);
    }
  return ops;
}
