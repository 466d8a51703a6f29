/** Who a request comes from, and whether it may: sessions in a cookie, roles, and no writing from other sites. */
import type { Context, Hono, MiddlewareHandler } from 'hono';
import { deleteCookie, getCookie, setCookie } from 'hono/cookie';
import { ApiError } from '../errors';
import { mayActAs, type People, type Person, type Role } from './people';

export const SESSION_COOKIE = 'hand_ladle_session';

const COOKIE = { httpOnly: true, sameSite: 'Strict', path: '/' } as const;
export const keepSession = (context: Context, token: string, expires: Date): void =>
  setCookie(context, SESSION_COOKIE, token, { ...COOKIE, expires });
export const dropSession = (context: Context): void => {
  deleteCookie(context, SESSION_COOKIE, COOKIE);
};
export const tokenOf = (context: Context): string | null => getCookie(context, SESSION_COOKIE) ?? null;

/** The person signed in; null for nobody. */
export async function personOf(context: Context, people: People): Promise<Person | null> {
  const token = tokenOf(context);
  return token === null ? null : people.bySession(token);
}

/** The person signed in with at least a role, or a refusal. */
export async function signedIn(context: Context, people: People, needed: Role): Promise<Person> {
  const person = await personOf(context, people);
  if (!person) throw new ApiError('not-signed-in');
  if (!mayActAs(person.role, needed)) throw new ApiError('role-missing', [{ role: person.role, needed }]);
  return person;
}

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

const refuseOtherSites: MiddlewareHandler = async (context, next) => {
  if (!SAFE_METHODS.has(context.req.method) && isFromElsewhere(context)) throw new ApiError('cross-site');
  await next();
};

export function addGuard(app: Hono): void {
  app.use('/api/*', refuseOtherSites);
}
