/** Cells of a table that others open in a spreadsheet. */

const RISKY = /^[=+\-@\t\r']/;

/**
 * A text that a spreadsheet would run as a formula gets an apostrophe before it; `safeCellText` takes it off again.
 * Source: OWASP, CSV injection.
 */
export const safeCell = (text: string): string => (RISKY.test(text) ? `'${text}` : text);
export const safeCellText = (cell: string): string => (/^'[=+\-@\t\r']/.test(cell) ? cell.slice(1) : cell);
