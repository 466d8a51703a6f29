/** Answers that a browser keeps as a file. */
import type { Context } from 'hono';

/** Tells a browser to keep an answer as a file. */
export function asFile(context: Context, name: string, type: string): void {
  context.header('Content-Type', type);
  context.header('Content-Disposition', `attachment; filename="${name.replace(/[^a-zA-Z0-9._-]/g, '-')}"`);
}

export const CSV = 'text/csv; charset=utf-8';
export const PDF = 'application/pdf';
export const SVG = 'image/svg+xml; charset=utf-8';
