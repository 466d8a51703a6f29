/** The larder and a kitchen's products as tables that others can open, and that can be taken in again. */
import Papa from 'papaparse';
import {
  type Food,
  FOOD_COLUMNS,
  type Kitchen,
  type PackAnswer,
  PRODUCT_FIELDS,
  rowFromFood,
  safeCell,
  SUBSTANCES,
} from '@hand-ladle/core';

/** The larder as one table, one food a row, headings with units. */
export function foodTable(foods: readonly Food[]): string {
  const rows = foods.map((food) =>
    Object.fromEntries(Object.entries(rowFromFood(food)).map(([column, cell]) => [column, safeCell(cell)])),
  );
  return `${Papa.unparse(rows, { columns: [...FOOD_COLUMNS], newline: '\n' })}\n`;
}

const SHEET_WORDS: Readonly<Record<PackAnswer, string>> = {
  contains: 'yes',
  'may-contain': 'may contain',
  none: 'no',
  check: '',
};

/** What a kitchen buys, as a supplier's list: taken in again it changes nothing. */
export function productTable(kitchen: Kitchen): string {
  const cell = (value: number | null): string => (value === null ? '' : String(value));
  const told = SUBSTANCES.filter((each) => kitchen.packs.some(({ sheet }) => sheet?.[each] !== undefined));
  const rows = kitchen.packs.map((pack) => ({
    product_name: safeCell(pack.productName),
    food: pack.foodId,
    supplier: safeCell(pack.supplier),
    net_g: cell(pack.netGrams),
    drained_g: cell(pack.drainedGrams),
    price: cell(pack.price),
    statement: safeCell(pack.statement),
    may_contain: '',
    certified_gluten_free: pack.certifiedGlutenFree ? 'yes' : 'no',
    ...Object.fromEntries(told.map((each) => [`sheet_${each}`, SHEET_WORDS[pack.sheet?.[each] ?? 'check']])),
  }));
  const columns = PRODUCT_FIELDS.map(({ id }) => id).filter((id) => !/^(?:sheet|trace)_/.test(id));
  return `${Papa.unparse(rows, { columns: [...columns, ...told.map((each) => `sheet_${each}`)], newline: '\n' })}\n`;
}
