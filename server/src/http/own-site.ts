/** The app answers under its own name and takes writes from its own pages only. */
import type { Context, Hono, MiddlewareHandler } from 'hono';
import { ApiError } from './errors';

const SAFE_METHODS = new Set(['GET', 'HEAD', 'OPTIONS']);

/** Whether a browser sent this from a page of another site. */
function isFromElsewhere(context: Context): boolean {
  const site = context.req.header('Sec-Fetch-Site');
  if (site && site !== 'same-origin' && site !== 'none') return true;
  const origin = context.req.header('Origin');
  if (origin === undefined) return false;
  try {
    return new URL(origin).host !== (context.req.header('Host') ?? new URL(context.req.url).host);
  } catch {
    return true;
  }
}

/** The names this machine calls itself; the app listens on loopback only. */
const OWN_NAMES = new Set(['127.0.0.1', 'localhost', '[::1]']);

/**
 * A page of another site can point its own name at this machine and then read everything as if it were its own. Its
 * browser still sends that name as Host, so a Host that is not the app's own is refused, reading too.
 */
const refuseOtherHosts: MiddlewareHandler = async (context, next) => {
  const host = context.req.header('Host');
  const asked = new URL(context.req.url).hostname;
  const named = host === undefined ? asked : host.replace(/:\d+$/, '').toLowerCase();
  if (!OWN_NAMES.has(named) || !OWN_NAMES.has(asked)) throw new ApiError('host-refused');
  await next();
};

const refuseOtherSites: MiddlewareHandler = async (context, next) => {
  if (!SAFE_METHODS.has(context.req.method) && isFromElsewhere(context)) throw new ApiError('cross-site');
  await next();
};

export function guardSite(app: Hono): void {
  app.use('*', refuseOtherHosts);
  app.use('/api/*', refuseOtherSites);
}
