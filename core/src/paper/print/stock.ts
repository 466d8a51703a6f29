/** Paper that labels are printed on: rolls by width and height, sheets cut into a grid. Millimetres. */

export interface RollStock {
  kind: 'roll';
  id: string;
  name: string;
  widthMm: number;
  /** Null for a continuous roll: each label is as long as its text. */
  heightMm: number | null;
}

export interface SheetStock {
  kind: 'sheet';
  id: string;
  name: string;
  paper: PaperId;
  columns: number;
  rows: number;
  /** From the paper's edge to the first label, and between labels. */
  leftMm: number;
  topMm: number;
  gapXMm: number;
  gapYMm: number;
  widthMm: number;
  heightMm: number;
}
export type Stock = RollStock | SheetStock;

/** ISO 216 A4 and ANSI Letter. */
export const PAPERS = {
  a4: { widthMm: 210, heightMm: 297 },
  letter: { widthMm: 215.9, heightMm: 279.4 },
} as const;
export type PaperId = keyof typeof PAPERS;

/** Stocks to start from; a sheet of any other grid is set by its figures. */
export const STOCKS: readonly Stock[] = [
  { kind: 'roll', id: 'roll-62', name: 'Roll, 62 mm, any length', widthMm: 62, heightMm: null },
  { kind: 'roll', id: 'roll-102x76', name: 'Roll, 102 x 76 mm', widthMm: 102, heightMm: 76 },
  { kind: 'roll', id: 'roll-102x152', name: 'Roll, 102 x 152 mm', widthMm: 102, heightMm: 152 },
  { kind: 'roll', id: 'roll-102', name: 'Roll, 102 mm, any length', widthMm: 102, heightMm: null },
  { kind: 'roll', id: 'roll-57x32', name: 'Roll, 57 x 32 mm', widthMm: 57, heightMm: 32 },
  { kind: 'roll', id: 'roll-89x36', name: 'Roll, 89 x 36 mm', widthMm: 89, heightMm: 36 },
  {
    kind: 'sheet',
    id: 'a4-2x4',
    name: 'A4, 2 by 4',
    paper: 'a4',
    columns: 2,
    rows: 4,
    leftMm: 4.65,
    topMm: 12.5,
    gapXMm: 2.5,
    gapYMm: 0,
    widthMm: 99.1,
    heightMm: 67.7,
  },
  {
    kind: 'sheet',
    id: 'a4-3x8',
    name: 'A4, 3 by 8',
    paper: 'a4',
    columns: 3,
    rows: 8,
    leftMm: 7.25,
    topMm: 12.9,
    gapXMm: 2.5,
    gapYMm: 0,
    widthMm: 63.5,
    heightMm: 33.9,
  },
  {
    kind: 'sheet',
    id: 'a4-1x2',
    name: 'A4, 1 by 2',
    paper: 'a4',
    columns: 1,
    rows: 2,
    leftMm: 5,
    topMm: 5,
    gapXMm: 0,
    gapYMm: 0,
    widthMm: 200,
    heightMm: 143.5,
  },
  {
    kind: 'sheet',
    id: 'letter-2x5',
    name: 'Letter, 2 by 5',
    paper: 'letter',
    columns: 2,
    rows: 5,
    leftMm: 4,
    topMm: 12.7,
    gapXMm: 4.8,
    gapYMm: 0,
    widthMm: 101.6,
    heightMm: 50.8,
  },
  {
    kind: 'sheet',
    id: 'letter-3x10',
    name: 'Letter, 3 by 10',
    paper: 'letter',
    columns: 3,
    rows: 10,
    leftMm: 4.8,
    topMm: 12.7,
    gapXMm: 3.1,
    gapYMm: 0,
    widthMm: 66.7,
    heightMm: 25.4,
  },
];

/** Why a sheet cannot be cut so; null where it can. Half a millimetre is forgiven. */
export function sheetProblem(stock: SheetStock): string | null {
  const paper = PAPERS[stock.paper];
  const wide = stock.leftMm + stock.columns * stock.widthMm + (stock.columns - 1) * stock.gapXMm;
  const high = stock.topMm + stock.rows * stock.heightMm + (stock.rows - 1) * stock.gapYMm;
  if (wide > paper.widthMm + 0.5)
    return `the labels are ${wide.toFixed(1)} mm wide, the paper ${paper.widthMm} mm`;
  if (high > paper.heightMm + 0.5)
    return `the labels are ${high.toFixed(1)} mm high, the paper ${paper.heightMm} mm`;
  return null;
}

/** Where one label of a run comes to lie. */
export interface Place {
  page: number;
  xMm: number;
  yMm: number;
}

/** Places of `quantity` labels from a start position, 1 for the first label of the sheet; row by row, page after page. */
export function placesOnSheets(stock: SheetStock, start: number, quantity: number): Place[] {
  const perPage = stock.columns * stock.rows;
  const first = Math.min(Math.max(1, Math.floor(start)), perPage) - 1;
  return Array.from({ length: quantity }, (_, index) => {
    const at = first + index;
    const onPage = at % perPage;
    return {
      page: Math.floor(at / perPage),
      xMm: stock.leftMm + (onPage % stock.columns) * (stock.widthMm + stock.gapXMm),
      yMm: stock.topMm + Math.floor(onPage / stock.columns) * (stock.heightMm + stock.gapYMm),
    };
  });
}
