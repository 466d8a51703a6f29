import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import Ajv2020 from 'ajv/dist/2020';
import addFormats from 'ajv-formats';
import { routesOf } from '../src/app';
import { documentedPath, openApiDocument, schemaOf } from '../src/http/openapi';
import { namesIn, type Route } from '../src/http/route';
import { openWorld, type World } from './world';

let world: World;
let routes: Route[];

beforeAll(async () => {
  world = await openWorld('openapi');
  world.services.spool.wake = () => undefined;
  routes = routesOf({ ...world, version: 'test', importFolder: '.data/openapi/imports' });
});
afterAll(() => world.close());

/** What an OpenAPI validator that knows nothing of ours says of a document; null where it is valid. */
function faultsIn(document: unknown): string | null {
  const folder = mkdtempSync(join(tmpdir(), 'hand-ladle-openapi-'));
  const file = join(folder, 'openapi.json');
  writeFileSync(file, JSON.stringify(document));
  const { status, stdout, stderr } = spawnSync('node_modules/.bin/validate-api', [file], {
    encoding: 'utf8',
  });
  rmSync(folder, { recursive: true, force: true });
  return status === 0 ? null : `${stdout}${stderr}`;
}

const keyOf = ({ method, path }: Pick<Route, 'method' | 'path'>): string => `${method.toUpperCase()} ${path}`;

describe('the OpenAPI document', () => {
  test('names every route there is, and is valid OpenAPI 3.1', async () => {
    const { body } = await world.send('GET', '/api/openapi.json');
    const documented = Object.entries(body.paths as Record<string, object>).flatMap(([path, methods]) =>
      Object.keys(methods).map((method) => `${method.toUpperCase()} ${path}`),
    );
    const served = world.app.routes
      .filter(({ method, path }) => method !== 'ALL' && path.startsWith('/api/'))
      .map(({ method, path }) =>
        `${method} ${path}`.replace(
          /:(\w+)(?:\{\[\^\/\]\+\\(\.\w+)\})?/g,
          (_, name, end) => `{${name}}${end ?? ''}`,
        ),
      );
    expect([...new Set(served)].sort()).toEqual(documented.sort());
    expect(faultsIn(body)).toBeNull();
    const text = JSON.stringify(body);
    expect(text).not.toContain('nullable');
    expect(body.paths['/api/parse'].post.requestBody.content['application/json'].schema.required).toEqual([
      'text',
    ]);
    // What is asked for by exactly one of two names says so.
    const worksheet = body.paths['/api/worksheet'].post.requestBody.content['application/json'].schema;
    expect(JSON.stringify(worksheet)).toContain(
      '"oneOf":[{"required":["recipeId"]},{"required":["recipe"]}]',
    );
    expect((await world.app.request('/api/docs')).status).toBe(200);
  });

  test('every answer has a schema or a type, and every schema is one that a validator reads', () => {
    const ajv = addFormats(new Ajv2020({ strict: false }));
    for (const each of routes) {
      expect({ route: keyOf(each), isTold: Boolean(each.answer ?? each.file) }).toEqual({
        route: keyOf(each),
        isTold: true,
      });
      for (const schema of [each.answer, each.body, each.query])
        if (schema) ajv.compile({ ...schemaOf(schema), $id: undefined });
    }
  });

  test('a broken document is refused by the same validator', () => {
    const broken = openApiDocument(routes, 'test') as { paths: Record<string, unknown>; openapi: string };
    broken.paths['/api/health'] = { get: { summary: 'no responses', parameters: [{ name: 'x' }] } };
    expect(faultsIn(broken)).not.toBeNull();
  });
});

/** The id that another route's example answered, by the name the answer gives it. */
const idIn = (answer: Record<string, unknown>, name: string): string =>
  String(
    answer[name === 'code' ? 'batchCode' : 'id'] ??
      answer['jobId'] ??
      answer['code'] ??
      (answer['person'] as { id: string } | undefined)?.id,
  );

/** What ends what the others stand on goes after them. */
const LAST = [
  'POST /api/labels/:id/withdraw',
  'POST /api/imports/:id/take-back',
  'DELETE /api/imports/:id',
  'DELETE /api/session',
];
const inOrder = (all: Route[]): Route[] =>
  [...all].sort((one, other) => LAST.indexOf(keyOf(one)) - LAST.indexOf(keyOf(other)));

/** An import runs on after its answer: what follows waits for its end. */
async function importEnded(id: string): Promise<void> {
  const stateOf = async () => (await world.send('GET', `/api/imports/${id}`)).body.progress.state as string;
  while ((await stateOf()) === 'running') await new Promise((done) => setTimeout(done, 20));
}

/** A body with the ids that stand for other routes' answers put in. */
const withIds = (body: unknown, idOf: (told: string) => string): string =>
  JSON.stringify(body, (_, value: unknown) => (typeof value === 'string' ? idOf(value) : value));

test('every route has an example', () => {
  expect(routes.filter(({ example }) => !example).map(keyOf)).toEqual([]);
});

test('every documented example is sent, and answered as documented', async () => {
  const answered = new Map<string, Record<string, unknown>>();
  const streams: ReadableStreamDefaultReader<Uint8Array>[] = [];
  const ajv = addFormats(new Ajv2020({ strict: false }));
  let cookie = '';
  const wrong: unknown[] = [];
  const idOf = (told: string, name = 'id'): string => {
    const made = answered.get(told);
    return made ? idIn(made, name) : told;
  };
  for (const each of inOrder(routes)) {
    const { params = {}, query = {}, body: asBody, text } = each.example!;
    let path: string = each.path;
    for (const { name } of namesIn(path))
      path = path.replace(`:${name}`, encodeURIComponent(idOf(params[name]!, name)));
    const body = asBody === undefined ? undefined : withIds(asBody, idOf);
    const asked = new URLSearchParams(query).toString();
    const response = await world.app.request(asked ? `${path}?${asked}` : path, {
      method: each.method.toUpperCase(),
      headers: {
        Cookie: cookie,
        ...(body === undefined ? {} : { 'Content-Type': 'application/json' }),
        ...(text === undefined ? {} : { 'Content-Type': each.upload![0]! }),
      },
      ...(body === undefined ? {} : { body }),
      ...(text === undefined ? {} : { body: text }),
    });
    const type = response.headers.get('Content-Type') ?? '';
    const status = each.status ?? 200;
    if (response.status !== status) {
      wrong.push([keyOf(each), response.status, await response.text()]);
      continue;
    }
    if (type.startsWith('text/event-stream')) {
      streams.push(response.body!.getReader());
      continue;
    }
    if (each.file) {
      const content = Buffer.from(await response.arrayBuffer());
      if (!each.file.some((one) => type.startsWith(one.split(';')[0]!)) || content.length === 0)
        wrong.push([keyOf(each), type, content.length]);
      continue;
    }
    const answer = (await response.json()) as Record<string, unknown>;
    answered.set(keyOf(each), answer);
    const { error } = each.answer!.validate(answer, { convert: false, abortEarly: false });
    if (error) wrong.push([keyOf(each), error.message.slice(0, 600)]);
    const isValid = ajv.compile(schemaOf(each.answer!));
    if (!isValid(answer)) wrong.push([keyOf(each), 'as JSON Schema', isValid.errors?.slice(0, 3)]);
    const isAsked = each.body ? ajv.compile(schemaOf(each.body)) : null;
    if (isAsked && !isAsked(JSON.parse(body!)))
      wrong.push([keyOf(each), 'the request', isAsked.errors?.slice(0, 3)]);
    if (keyOf(each) === 'POST /api/session')
      cookie = (response.headers.get('set-cookie') ?? '').split(';')[0]!;
    if (keyOf(each) === 'POST /api/imports/:id/run') await importEnded(idOf('POST /api/imports'));
  }
  expect(wrong).toEqual([]);
  // The weight that an example put on the scale came down the stream that another had opened.
  for (const stream of streams) {
    let told = '';
    while (!told.includes('"grams":412')) told += new TextDecoder().decode((await stream.read()).value);
    await stream.cancel();
  }
  expect(streams).toHaveLength(1);
});

test.each([
  '/api/recipes?kitchen=alder-ward',
  '/api/larder?x=1',
  '/api/audit?before=-1',
  '/api/menu.pdf?paper=a3',
  '/api/recipes?kitchenId=a&kitchenId=b',
  '/api/code/qr?text=',
])('no query goes round the checks: %s', async (path) => {
  const isManaged = path.startsWith('/api/audit');
  const { status, body } = await world.send('GET', path);
  expect([status, body.error.code]).toEqual(isManaged ? [401, 'not-signed-in'] : [400, 'bad-request']);
});

test('an address that cannot be is nothing, whatever its letters', async () => {
  for (const path of [
    '/api/recipes/NOT%20AN%20ID',
    '/api/label/exe',
    '/api/code/aztec?text=x',
    '/api/kitchens/%2e%2e',
  ]) {
    const method = path.startsWith('/api/label/') ? 'POST' : 'GET';
    const { status } = await world.send(method, path, method === 'POST' ? {} : undefined);
    expect([path, status]).toEqual([path, 404]);
  }
  expect(documentedPath('/api/recipes/:id.json')).toBe('/api/recipes/{id}.json');
});
