/** Rows as the models hand them out. */
import type { Model } from 'sequelize';

export type Row = Model<Record<string, unknown>, Record<string, unknown>>;
export const idOf = (row: Row, column = 'id'): string => row.get(column) as string;
export const value = <T>(row: Row, column: string): T => row.get(column) as T;

export function groupedBy(rows: readonly Row[], column: string): Map<string, Row[]> {
  const groups = new Map<string, Row[]>();
  for (const row of rows) {
    const list = groups.get(idOf(row, column));
    if (list) list.push(row);
    else groups.set(idOf(row, column), [row]);
  }
  return groups;
}
