/** The allergens of everything on the menu, in one kitchen: for the screen, and as a table others can open. */
import Papa from 'papaparse';
import {
  type MenuCell,
  type MenuRow,
  menuRow,
  roundToDecimals,
  safeCell,
  STATUS_WORDS,
} from '@hand-ladle/core';
import type { Store } from '../store';
import { bookSheets } from '../worksheets/book-sheets';

/** A row for every dish that is served, variants too; components are served in dishes. */
export async function menuRows(kitchenId: string | undefined, store: Store): Promise<MenuRow[]> {
  const all = await bookSheets(kitchenId, store);
  return all.filter(({ recipe }) => !recipe.isComponent).map(({ recipe, sheet }) => menuRow(sheet, recipe));
}

const cellText = ({ status, kinds }: MenuCell): string =>
  status === 'contains' && kinds.length > 0
    ? `${STATUS_WORDS[status]} (${kinds.join(', ').toLowerCase()})`
    : STATUS_WORDS[status];

/** The matrix as CSV: a dish a row, an allergen a column, each cell in words. */
export function menuCsv(rows: readonly MenuRow[]): string {
  const names = new Map(rows.map(({ recipeId, name }) => [recipeId, name]));
  const table = rows.map((row) => [
    safeCell(row.name),
    safeCell(row.parentId === null ? '' : (names.get(row.parentId) ?? row.parentId)),
    row.energy.isIncomplete ? 'not known' : String(roundToDecimals(row.energy.kcal, 0)),
    ...row.cells.map(cellText),
  ]);
  const heads = [
    'dish',
    'variant_of',
    'energy_kcal',
    ...(rows[0]?.cells.map(({ name }) => name.toLowerCase()) ?? []),
  ];
  return `${Papa.unparse([heads, ...table], { newline: '\n' })}\n`;
}
