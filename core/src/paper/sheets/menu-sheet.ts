/** The menu's allergen sheet: a dish a row, a declarable allergen a column, every cell in words; pages of A4 or Letter, lying. */
import { energyOnMenu, MENU_ENERGY_NOTES } from '../../declaration';
import { STATUS_WORDS } from '../../food';
import type { MenuEnergy } from '../../kitchen';
import {
  type Drawing,
  type DrawingOp,
  mmToPoints,
  type PaperId,
  PAPERS,
  type Run,
  Setter,
  widthOf,
} from '../print';
import type { MenuCell, MenuRow } from './menu';

const MARGIN_MM = 10;
const TITLE = 16;
const HEAD = 7;
const NAME = 9;
const CELL = 7.5;
/** Share of the width that names the dish. */
const NAME_SHARE = 0.2;
const CAUTION =
  'From recipes and packs on record. "check" means that nobody has read a pack yet: it is not clear. Ask the kitchen before you serve somebody with an allergy.';

const runOf = (text: string, size: number, weight: Run['weight'] = 'regular'): Run => ({
  text,
  size,
  weight,
});

function cellRun({ status, kinds }: MenuCell): Run {
  const told =
    status !== 'clear' && status !== 'check' && kinds.length > 0 ? `: ${kinds.join(', ').toLowerCase()}` : '';
  return runOf(`${STATUS_WORDS[status]}${told}`, CELL, status === 'contains' ? 'bold' : 'regular');
}

export interface MenuSheetOptions {
  kitchen: string;
  /** ISO date it is printed on. */
  on: string;
  paper: PaperId;
  /** Dishes whose label is released and stands; a sheet with any other is a draft. */
  releasedIds: ReadonlySet<string>;
  /** Energy beside each dish, as the kitchen chose. */
  energy: MenuEnergy;
}

/** The pages of the sheet. A row is never cut by the end of a page. */
export function setMenuSheet(rows: readonly MenuRow[], options: MenuSheetOptions): Drawing[] {
  const paper = PAPERS[options.paper];
  const width = mmToPoints(paper.heightMm);
  const height = mmToPoints(paper.widthMm);
  const margin = mmToPoints(MARGIN_MM);
  const inner = width - 2 * margin;
  const heads = (rows[0]?.cells ?? []).filter(({ isDeclared }) => isDeclared);
  const nameWidth = inner * NAME_SHARE;
  const cellWidth = (inner - nameWidth) / Math.max(1, heads.length);
  // No name of an allergen is broken: the heads are as large as the widest word lets them be.
  const widest = Math.max(
    1,
    ...heads.flatMap(({ name }) => name.split(' ').map((word) => widthOf(word, 1, 'bold'))),
  );
  const headSize = Math.min(HEAD, (cellWidth - 4.1) / widest);
  const open = rows.filter(({ recipeId }) => !options.releasedIds.has(recipeId)).length;

  /** Sets a row of cells at a top; returns where it ends. */
  const rowAt = (ops: DrawingOp[], top: number, name: Run[], cells: readonly Run[], under = ''): number => {
    const first = new Setter(ops, margin, top, nameWidth - 6);
    first.paragraph(name);
    // As large as the name: 101.11(b)(2)(i)(A)(1) wants it no smaller than the name or the price.
    first.text(under, NAME);
    const ends = cells.map((cell, index) => {
      const column = new Setter(ops, margin + nameWidth + index * cellWidth, top, cellWidth - 4);
      column.paragraph([cell]);
      return column.y;
    });
    return Math.max(first.y, ...ends) + 3;
  };
  const pages: Drawing[] = [];
  let set: Setter | null = null;
  const turn = (): Setter => {
    const ops: DrawingOp[] = [];
    const page = new Setter(ops, margin, margin, inner);
    page.text(`${options.kitchen}: who must not eat what, ${options.on}`, TITLE, 'bold');
    if (open > 0)
      page.text(`DRAFT: ${open} of ${rows.length} dishes have no released label that stands`, NAME, 'bold');
    page.text(CAUTION, HEAD);
    page.text(MENU_ENERGY_NOTES[options.energy], NAME);
    page.space(4);
    page.y = rowAt(
      ops,
      page.y,
      [runOf('Dish', HEAD, 'bold')],
      heads.map(({ name }) => runOf(name, headSize, 'bold')),
    );
    page.rule(1.5, 0, 3);
    pages.push({ width, height, ops });
    return page;
  };
  for (const row of rows) {
    const cells = row.cells.filter(({ isDeclared }) => isDeclared).map(cellRun);
    const name = [runOf(row.name, NAME, 'bold')];
    const under = energyOnMenu(row.energy, options.energy);
    const needs = rowAt([], 0, name, cells, under);
    if (!set || set.y + needs > height - margin) set = turn();
    set.y = rowAt(set.ops, set.y, name, cells, under);
    set.rule(0.4, 0, 3);
  }
  if (pages.length === 0) turn();
  return pages;
}
