/** What is answered alike to everybody until something is written down: put into letters once for each edition. */
import type { Context, MiddlewareHandler } from 'hono';

/** A question that is asked more closely is for its route to judge. */
const isPlain = ({ req }: Context): boolean => req.method === 'GET' && !req.url.includes('?');

export function keptAnswers(edition: () => string): MiddlewareHandler {
  const kept = new Map<string, { asked: string; letters: string }>();
  return async (context, next) => {
    if (!isPlain(context)) return next();
    const { path } = context.req;
    // Before the reading: what is written down meanwhile makes another edition of it.
    const asked = edition();
    const held = kept.get(path);
    if (held?.asked === asked) return context.body(held.letters, 200, { 'Content-Type': 'application/json' });
    await next();
    if (context.res.status === 200) kept.set(path, { asked, letters: await context.res.clone().text() });
    return undefined;
  };
}
