/** The demo world with its people signed in, for tests of accounts and labels. */
import type { Kitchen } from '@hand-ladle/core';
import type { Role } from '@hand-ladle/core';
import { DEMO_PEOPLE } from '../../src/accounts/people';
import { openWorld, type World } from '../world';

export let world: World;
export const cookies = new Map<Role, string>();
export const DISH = 'caraway-flatbread';
export const ROLL = { kind: 'roll', id: 'roll-102', name: 'Roll', widthMm: 102, heightMm: null };
export const OPTIONS = { kind: 'serving', stock: ROLL };

export async function cookieOf(login: string, password: string): Promise<string> {
  const response = await world.app.request('/api/session', {
    method: 'POST',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify({ login, password }),
  });
  return (response.headers.get('set-cookie') ?? '').split(';')[0]!;
}
export const as = (role: Role | null, method: string, path: string, body?: unknown) =>
  world.send(method, path, body, role ? { Cookie: cookies.get(role)! } : {});
/** The answer as it comes, for files. */
export const rawAs = async (role: Role, method: string, path: string, body?: unknown): Promise<Response> =>
  world.app.request(path, {
    method,
    headers: { 'Content-Type': 'application/json', Cookie: cookies.get(role)! },
    ...(body === undefined ? {} : { body: JSON.stringify(body) }),
  });
export const codeOf = (answer: { body: { error?: { code: string } } }): string | undefined =>
  answer.body.error?.code;

export async function handedIn(recipeId = DISH, kitchenId = 'alder-ward', extra: object = {}) {
  const { body } = await as('editor', 'POST', '/api/labels', { recipeId, kitchenId, ...extra });
  return body as { id: string; version: number; state: string; isStale: boolean };
}
export async function releasedLabel(recipeId = DISH, kitchenId = 'alder-ward', extra: object = {}) {
  const draft = await handedIn(recipeId, kitchenId, extra);
  await as('checker', 'POST', `/api/labels/${draft.id}/check`, { version: 1 });
  const { body } = await as('manager', 'POST', `/api/labels/${draft.id}/release`, { version: 2 });
  return body as { id: string; version: number; state: string };
}
export const settingsOf = ({
  id: _,
  packs: __,
  weights: ___,
  names: ____,
  words: _____,
  swaps: ______,
  ratings: _______,
  ...settings
}: Kitchen) => settings;

/** Changes settings of the ward's kitchen and hands back the way to undo it. */
export async function changeKitchen(change: Partial<Kitchen>): Promise<() => Promise<void>> {
  const { body } = await world.send('GET', '/api/kitchens/alder-ward');
  const before = body.kitchen as Kitchen;
  const put = async (kitchen: Kitchen): Promise<void> => {
    const { body: now } = await world.send('GET', '/api/kitchens/alder-ward');
    const answer = await world.send('PUT', '/api/kitchens/alder-ward', {
      settings: settingsOf(kitchen),
      version: now.version,
    });
    expect(answer.status).toBe(200);
  };
  await put({ ...before, ...change });
  return () => put(before);
}

/** Opens a world of its own, everybody of the demo set signed in; the tests say when the spool goes on. */
export async function openLabelWorld(name: string): Promise<void> {
  world = await openWorld(name);
  world.services.spool.wake = () => undefined;
  for (const { login, password, role } of DEMO_PEOPLE) cookies.set(role, await cookieOf(login, password));
}
