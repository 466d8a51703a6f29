/** What a route reads of its request. */
import type { Context } from 'hono';
import { ApiError } from './errors';

/** The JSON body of a request. */
export async function bodyOf(context: Context): Promise<unknown> {
  try {
    return await context.req.json();
  } catch {
    throw new ApiError('bad-json');
  }
}

/** Tells a browser to keep an answer as a file. */
export function asFile(context: Context, name: string, type: string): void {
  context.header('Content-Type', type);
  context.header('Content-Disposition', `attachment; filename="${name.replace(/[^a-zA-Z0-9._-]/g, '-')}"`);
}
