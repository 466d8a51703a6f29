/** Who a request comes from: sessions in a cookie. */
import type { Context } from 'hono';
import { deleteCookie, getCookie, setCookie } from 'hono/cookie';
import type { Person } from '@hand-ladle/core';
import type { People } from './people';

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
