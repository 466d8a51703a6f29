/** Who may do what: sessions, roles, guesses, other sites, and a trail that cannot be edited. */
import type { Role } from '@hand-ladle/core';
import { FREE_GUESSES, waitAfter } from '../src/accounts/people';
import {
  as,
  codeOf,
  cookieOf,
  cookies,
  DISH,
  openLabelWorld,
  releasedLabel,
  world,
} from './labels/label-world';

beforeAll(() => openLabelWorld('accounts'));
afterAll(() => world.close());

describe('accounts', () => {
  test('a session is a cookie that scripts cannot read and other sites do not send', async () => {
    const response = await world.app.request('/api/session', {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({ login: 'ilka', password: 'ladle-cook-1' }),
    });
    expect(response.headers.get('set-cookie')).toMatch(/HttpOnly; SameSite=Strict/);
    expect((await as('cook', 'GET', '/api/session')).body.person).toMatchObject({
      name: 'Ilka Reedmace',
      role: 'cook',
    });
    expect(JSON.stringify((await as('manager', 'GET', '/api/people')).body)).not.toMatch(/scrypt|password/i);
  });

  test('forged, ended and old sessions are nobody', async () => {
    const forged = { Cookie: 'hand_ladle_session=AAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAA' };
    expect((await world.send('GET', '/api/session', undefined, forged)).body.person).toBeNull();
    const cookie = await cookieOf('ilka', 'ladle-cook-1');
    await world.send('DELETE', '/api/session', undefined, { Cookie: cookie });
    expect((await world.send('GET', '/api/session', undefined, { Cookie: cookie })).body.person).toBeNull();
    const fresh = await cookieOf('ilka', 'ladle-cook-1');
    const at = world.clock.at;
    world.clock.at = new Date(at.getTime() + 13 * 3_600_000);
    expect((await world.send('GET', '/api/session', undefined, { Cookie: fresh })).body.person).toBeNull();
    world.clock.at = at;
  });

  test('a name that is not the app its own is refused, reading too', async () => {
    const under = async (host: string, path = '/api/recipes', method = 'GET') => {
      const response = await world.app.request(path, { method, headers: { Host: host } });
      return (await response.json()) as { error?: { code: string } };
    };
    for (const host of [
      'elsewhere.example',
      'elsewhere.example:4310',
      '127.0.0.1.elsewhere.example',
      '10.0.0.7',
      '',
    ])
      for (const path of ['/api/recipes', `/api/recipes/${DISH}`, '/api/openapi.json', '/'])
        expect([host, path, (await under(host, path)).error?.code]).toEqual([host, path, 'host-refused']);
    expect((await under('elsewhere.example', `/api/recipes/${DISH}`, 'DELETE')).error?.code).toBe(
      'host-refused',
    );
    for (const host of ['127.0.0.1:4310', 'localhost', 'LOCALHOST:9', '[::1]:4310'])
      expect((await under(host)).error).toBeUndefined();
  });

  test('guessing is slowed, more with each guess, and the right password waits too', async () => {
    await as('manager', 'POST', '/api/people', {
      login: 'guessed',
      name: 'G. Uest',
      role: 'cook',
      password: 'right-password',
    });
    const guess = (password: string) => world.send('POST', '/api/session', { login: 'guessed', password });
    for (let tries = 0; tries < FREE_GUESSES; tries += 1)
      expect(codeOf(await guess(`wrong ${tries}`))).toBe('sign-in-refused');
    const slowed = await guess('right-password');
    expect([slowed.status, slowed.body.error.details]).toEqual([429, [{ seconds: 5 }]]);
    const at = world.clock.at;
    world.clock.at = new Date(at.getTime() + 5_100);
    expect((await guess('right-password')).status).toBe(200);
    world.clock.at = at;
    expect([waitAfter(4, 5), waitAfter(5, 5), waitAfter(8, 5), waitAfter(60, 5)]).toEqual([0, 5, 40, 900]);
  });

  test('an unknown login is refused in the same words', async () => {
    const [unknown, wrong] = [
      await world.send('POST', '/api/session', { login: 'nobody', password: 'x' }),
      await world.send('POST', '/api/session', { login: 'tamsin', password: 'x' }),
    ];
    expect(unknown.body.error).toEqual(wrong.body.error);
  });

  test('only a manager sees and makes accounts; the last one stays', async () => {
    for (const role of ['cook', 'editor', 'checker'] as const)
      expect(codeOf(await as(role, 'GET', '/api/people'))).toBe('role-missing');
    expect(codeOf(await as(null, 'GET', '/api/people'))).toBe('not-signed-in');
    const people = (await as('manager', 'GET', '/api/people')).body as { id: string; role: Role }[];
    const manager = people.find(({ role }) => role === 'manager')!;
    expect(codeOf(await as('manager', 'PUT', `/api/people/${manager.id}`, { role: 'cook' }))).toBe(
      'last-manager',
    );
    expect(
      (await as('manager', 'POST', '/api/people', { login: 'x', name: 'X', role: 'cook', password: 'short' }))
        .status,
    ).toBe(400);
  });

  test('what another site sends is refused, signed in or not', async () => {
    const send = (headers: Record<string, string>) =>
      world.send(
        'POST',
        '/api/labels',
        { recipeId: DISH, kitchenId: 'alder-ward' },
        { Cookie: cookies.get('editor')!, ...headers },
      );
    expect(codeOf(await send({ 'Sec-Fetch-Site': 'cross-site' }))).toBe('cross-site');
    expect(codeOf(await send({ Origin: 'https://elsewhere.example' }))).toBe('cross-site');
    expect(codeOf(await send({ Origin: 'null' }))).toBe('cross-site');
    expect((await send({ Origin: 'http://localhost', Host: 'localhost' })).status).toBe(201);
  });
});

describe('the audit trail', () => {
  test('tells each step, and the database refuses to change or take out a row', async () => {
    const { id } = await releasedLabel();
    const { body } = await as('checker', 'GET', '/api/audit');
    const acts = body.entries
      .filter(({ subject }: { subject: string }) => subject === id)
      .map(({ act }: { act: string }) => act);
    expect(acts).toEqual(['released', 'checked', 'drafted']);
    expect(body.trail.isWhole).toBe(true);
    await expect(world.tables.audit.update({ personName: 'Somebody else' }, { where: {} })).rejects.toThrow(
      /cannot be edited/,
    );
    await expect(world.tables.audit.destroy({ where: {} })).rejects.toThrow(/cannot be edited/);
    expect(codeOf(await as('cook', 'GET', '/api/audit'))).toBe('role-missing');
  });

  test('a row changed behind the database shows', async () => {
    await world.database.query('DROP TRIGGER audit_entries_no_update');
    const row = (await world.tables.audit.findOne({ order: [['id', 'ASC']] }))!;
    const name = row.get('personName');
    await row.update({ personName: 'Nobody' });
    expect(await world.services.audit.verify()).toMatchObject({ isWhole: false, brokenAt: row.get('id') });
    await row.update({ personName: name });
    expect((await world.services.audit.verify()).isWhole).toBe(true);
  });
});
