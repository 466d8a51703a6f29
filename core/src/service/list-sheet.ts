/** A list as pages: read at arm's length, a heading never alone at the foot of a page, a row never cut. */
import { type Drawing, type DrawingOp, mmToPoints, type PaperId, PAPERS, Setter } from '../paper';
import type { ListSection, ServiceList } from './lists';

const MARGIN_MM = 12;
const TITLE = 18;
const HEADING = 13;
const CELL = 11;
const NOTE = 9.5;
const GAP = 6;

export interface ListSheetOptions {
  /** "Alder House ward kitchen, lunch, 2026-12-01, ready at 12:00". */
  under: string;
  paper: PaperId;
}

/** Sets a row of cells at a top; answers where it ends. */
function rowAt(
  ops: DrawingOp[],
  list: ServiceList,
  { x, top, width }: { x: number; top: number; width: number },
  cells: readonly string[],
  weight: 'regular' | 'bold',
): number {
  let left = x;
  const ends = list.columns.map(({ share, isNumber }, index) => {
    const column = new Setter(ops, left, top, share * width - GAP);
    column.text(cells[index] ?? '', CELL, index === 0 ? 'bold' : weight, {
      align: isNumber ? 'right' : 'left',
    });
    left += share * width;
    return column.y;
  });
  return Math.max(top + CELL, ...ends) + 2.5;
}

/** The pages of a list. */
export function setList(list: ServiceList, { under, paper }: ListSheetOptions): Drawing[] {
  const { widthMm, heightMm } = PAPERS[paper];
  const [width, height] = [mmToPoints(widthMm), mmToPoints(heightMm)];
  const margin = mmToPoints(MARGIN_MM);
  const inner = width - 2 * margin;
  const pages: Drawing[] = [];
  const turn = (): Setter => {
    const ops: DrawingOp[] = [];
    const page = new Setter(ops, margin, margin, inner);
    page.text(list.title, TITLE, 'bold');
    page.text(under, CELL);
    if (pages.length === 0) for (const note of list.notes) page.text(note, NOTE);
    page.space(6);
    pages.push({ width, height, ops });
    return page;
  };
  let page = turn();
  const heads = list.columns.map(({ name }) => name);
  const place = (
    ops: DrawingOp[],
    top: number,
    cells: readonly string[],
    weight: 'regular' | 'bold',
  ): number => rowAt(ops, list, { x: margin, top, width: inner }, cells, weight);
  const begin = ({ heading }: ListSection): void => {
    page.text(heading, HEADING, 'bold');
    page.y = place(page.ops, page.y, heads, 'bold');
    page.rule(1.2, 0, 3);
  };
  for (const section of list.sections) {
    const first = section.rows[0] ?? [];
    const needed = HEADING * 1.3 + place([], 0, heads, 'bold') + place([], 0, first, 'regular') + 6;
    if (page.y + needed > height - margin) page = turn();
    begin(section);
    for (const cells of section.rows) {
      if (page.y + place([], 0, cells, 'regular') > height - margin) {
        page = turn();
        begin({ ...section, heading: `${section.heading} (goes on)` });
      }
      page.y = place(page.ops, page.y, cells, 'regular');
      page.rule(0.3, 0, 2);
    }
    page.space(8);
  }
  return pages;
}
