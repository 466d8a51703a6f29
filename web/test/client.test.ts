/** Requests of the screen: what goes out, and what a failure becomes. */
import { call, server, ServerError } from '../src/api/client';
import { labels } from '../src/api/labels';
import { clockAhead, cookServer, sendEntries } from '../src/cook/offline/cook-server';

interface Sent {
  path: string;
  options: RequestInit;
}
let sent: Sent[];
/** Answers every request alike, and keeps what was asked. */
function answering(body: unknown, { status = 200, headers = {} as Record<string, string> } = {}): void {
  Object.assign(globalThis, {
    fetch: (path: string, options: RequestInit) => {
      sent.push({ path, options });
      return Promise.resolve({
        ok: status < 400,
        status,
        headers: { get: (name: string) => headers[name] ?? null },
        json: () =>
          typeof body === 'string' ? Promise.reject(new SyntaxError(body)) : Promise.resolve(body),
        blob: () => Promise.resolve(new Blob(['file'])),
      });
    },
  });
}
beforeEach(() => {
  sent = [];
});
const failureOf = (asked: Promise<unknown>): Promise<ServerError> =>
  asked.then(
    () => Promise.reject(new Error('it was answered')),
    (error: unknown) => error as ServerError,
  );

test('a refusal keeps its code, its sentence and its details', async () => {
  answering(
    { error: { code: 'recipe-conflict', message: 'Somebody saved first.', details: [{ version: 4 }] } },
    { status: 409 },
  );
  const error = await failureOf(call('/api/recipes/pot', 'PUT', {}));
  expect(error).toBeInstanceOf(ServerError);
  expect(error).toMatchObject({
    code: 'recipe-conflict',
    message: 'Somebody saved first.',
    details: [{ version: 4 }],
  });
});

test.each<[string, unknown]>([
  ['a page of a proxy', '<html>502</html>'],
  ['nothing', null],
  ['JSON without an error', { ok: false }],
])('a failure that is %s is still a sentence', async (_, body) => {
  answering(body, { status: 502 });
  const error = await failureOf(call('/api/larder'));
  expect(error).toMatchObject({ code: 'internal', message: 'The server could not answer.', details: [] });
});

test('a line that is cut says that nothing is lost', async () => {
  Object.assign(globalThis, { fetch: () => Promise.reject(new TypeError('Failed to fetch')) });
  const error = await failureOf(server.larder());
  expect(error.code).toBe('unreachable');
  expect(error.message).toContain('kept on this screen');
});

test('a small save goes through when the page is closed behind it; one too large for that is sent plainly', async () => {
  answering({});
  await call('/api/kitchens/ward', 'PUT', { name: 'a'.repeat(100) });
  await call('/api/kitchens/ward', 'PUT', { name: 'a'.repeat(70_000) });
  await call('/api/larder');
  expect(sent.map(({ options }) => options.keepalive)).toEqual([true, false, false]);
  expect(sent.map(({ options }) => 'body' in options)).toEqual([true, true, false]);
});

test('names in an address are written so that they cannot lead elsewhere', async () => {
  answering({});
  await server.recipe('../kitchens?x=1&y');
  await server.menu('a&b');
  await labels.release('r/1');
  await labels.list('ward', 'a dish');
  await cookServer.batchesOf('ward', '2026-12-01');
  expect(sent.map(({ path }) => path)).toEqual([
    '/api/recipes/..%2Fkitchens%3Fx%3D1%26y',
    '/api/menu?kitchenId=a%26b',
    '/api/labels/r%2F1',
    '/api/labels?kitchenId=ward&recipeId=a+dish',
    '/api/batches?kitchenId=ward&date=2026-12-01',
  ]);
});

test('a document goes out as it was written, and a table as its bytes', async () => {
  answering({ format: 'text', recipes: [] });
  await server.readDocument('{"a": 1}', 'a & b.json', 'ward');
  await server.uploadTable('products', new File(['x'], 'list.csv'));
  expect(sent[0]!.options.body).toBe('{"a": 1}');
  expect(sent[0]!.path).toBe('/api/recipes/import?dryRun=true&fileName=a+%26+b.json&kitchenId=ward');
  expect(sent[1]!.path).toBe('/api/imports?kind=products&fileName=list.csv');
  expect(sent[1]!.options.body).toBeInstanceOf(File);
});

test('a pack is put under its food, and what only the server knows is not sent', async () => {
  answering({});
  await server.recordPack('ward', { foodId: 'oat-drink', productName: 'Carton' } as never);
  expect(sent[0]).toMatchObject({ path: '/api/kitchens/ward/packs/oat-drink', options: { method: 'PUT' } });
  expect(JSON.parse(sent[0]!.options.body as string)).toEqual({ productName: 'Carton' });
});

describe('entries', () => {
  const entry = { id: 'e1', signature: '' } as never;
  test('go to their batch, or to the day of their kitchen', async () => {
    answering({ accepted: ['e1'], refused: [] });
    await sendEntries('261201-2222', [entry]);
    await sendEntries('day alder-ward 2026-12-01', [entry]);
    expect(sent.map(({ path }) => path)).toEqual([
      '/api/batches/261201-2222/entries',
      '/api/day-log/entries',
    ]);
    expect(JSON.parse(sent[1]!.options.body as string)).toMatchObject({
      kitchenId: 'alder-ward',
      date: '2026-12-01',
      entries: [{ id: 'e1' }],
    });
  });

  test('a clock that goes wrong is measured against the server, but never by an answer out of the store', async () => {
    const at = (seconds: number, fromStore = false) =>
      answering([], {
        headers: {
          Date: new Date(Date.now() - seconds * 1000).toUTCString(),
          ...(fromStore ? { 'X-From-Store': '1' } : {}),
        },
      });
    at(1);
    await cookServer.openBatches('ward');
    expect(clockAhead()).toBe(0);
    at(600);
    await cookServer.openBatches('ward');
    expect(Math.abs(clockAhead() - 600)).toBeLessThan(3);
    at(90_000, true);
    await cookServer.openBatches('ward');
    expect(Math.abs(clockAhead() - 600)).toBeLessThan(3);
    answering([], { headers: { Date: 'some day' } });
    await cookServer.openBatches('ward');
    expect(Math.abs(clockAhead() - 600)).toBeLessThan(3);
  });
});
