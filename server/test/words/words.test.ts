/** Statements read over HTTP, and words that nobody knew: asked, answered by a person, taken back, and in the audit trail. */
import type { Kitchen } from '@hand-ladle/core';
import { openWorld, type World } from '../world';

type Any = ReturnType<typeof JSON.parse>;
let world: World;
let cookie: Record<string, string>;
const NOBODY: Record<string, string> = {};
beforeAll(async () => {
  world = await openWorld('words');
  cookie = await signedIn('ilka', 'ladle-cook-1');
});
afterAll(() => world.close());

const WARD = 'alder-ward';
async function signedIn(login: string, password: string): Promise<Record<string, string>> {
  const response = await world.app.request('/api/session', {
    method: 'POST',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify({ login, password }),
  });
  return { Cookie: response.headers.get('set-cookie')!.split(';')[0]! };
}
const read = async (text: string): Promise<Any> =>
  (await world.send('POST', '/api/statement', { text })).body;
const record = (foodId: string, statement: string, extra: object = {}) =>
  world.send('PUT', `/api/kitchens/${WARD}/packs/${foodId}`, {
    productName: 'A pack',
    statement,
    allergens: {},
    certifiedGlutenFree: false,
    animal: 'plant',
    checkedBy: 'R. Fallow',
    checkedOn: '2026-11-20',
    ...extra,
  });
const say = (word: string, holds: string[], as = cookie, extra: object = {}) =>
  world.send('POST', `/api/kitchens/${WARD}/words`, { word, holds, ...extra }, as);
const takeBack = (word: string, as = cookie) =>
  world.send('POST', `/api/kitchens/${WARD}/words/take-back`, { word }, as);

async function statuses(line: string): Promise<Record<string, string>> {
  const { body } = await world.send('POST', '/api/worksheet', {
    recipe: { name: 'Plate', steps: ['Serve it cold.'], portions: 1, lines: [line] },
    kitchenId: WARD,
  });
  return Object.fromEntries(
    [...body.allergens, ...body.standards].map((each: Any) => [each.id, each.status as string]),
  );
}

describe('a statement is read and nothing is stored', () => {
  test('what it contains, may contain, is free from, and what nobody knows', async () => {
    expect(await read('Water, soya beans, zorblax (2 %), salt. May contain sesame. Nut free.')).toMatchObject(
      {
        language: 'English',
        contains: ['soy'],
        may: ['sesame'],
        free: expect.arrayContaining(['almond', 'walnut']),
        unknown: ['zorblax'],
        certified: [],
      },
    );
    expect(await read('Ingredients: certified gluten-free oats, honey.')).toMatchObject({
      contains: ['oats', 'animal'],
      certified: [expect.stringMatching(/certified gluten-free oats/)],
    });
    expect(await read('Zutaten: Reis, Wasser. Ingrédients : riz, eau, crevettes.')).toMatchObject({
      languages: ['German', 'French'],
      contains: ['crustacean', 'animal'],
      unknown: [],
    });
  });

  test('a language that nobody reads is no statement without allergens', async () => {
    const reading = await read('Состав: вода, соль');
    expect(reading.language).toBe('unknown');
    expect(reading.unknown.length).toBeGreaterThan(0);
  });

  test('what is no text is refused', async () => {
    expect((await world.send('POST', '/api/statement', { text: 'x'.repeat(4001) })).status).toBe(400);
    expect((await world.send('POST', '/api/statement', {})).status).toBe(400);
  });
});

describe('a pack with a word that nobody knows', () => {
  test('is unchecked for everything till it is answered, and again when the answer is taken back', async () => {
    expect(
      (await record('pearl-barley', 'pearl barley, drommel', { allergens: { barley: 'contains' } })).status,
    ).toBe(200);
    expect(await statuses('100 g pearl barley')).toMatchObject({
      gluten: 'contains',
      soy: 'check',
      milk: 'check',
      vegan: 'check',
    });
    expect((await say('Drommel', [])).status).toBe(200);
    expect(await statuses('100 g pearl barley')).toMatchObject({
      gluten: 'contains',
      soy: 'clear',
      milk: 'clear',
      vegan: 'clear',
    });
    expect((await say('drommel', ['milk', 'animal'])).status).toBe(200);
    expect(await statuses('100 g pearl barley')).toMatchObject({
      milk: 'contains',
      soy: 'clear',
      vegan: 'contains',
    });
    expect((await takeBack('DROMMEL')).status).toBe(200);
    expect(await statuses('100 g pearl barley')).toMatchObject({ soy: 'check', milk: 'check' });
  });

  test('nobody without a name answers, and no answer speaks over a word that is known', async () => {
    const refused = await say('drommel', [], NOBODY);
    expect([refused.status, refused.body.error.code]).toEqual([401, 'not-signed-in']);
    expect((await say('drommel', [], NOBODY, { signature: 'made-up' })).status).toBe(401);
    expect((await takeBack('drommel', NOBODY)).status).toBe(401);
    expect((await say('milk', [])).status).toBe(200);
    expect((await read('Water, milk.')).contains).toEqual(['milk', 'animal']);
    expect((await say('soya beans', [])).status).toBe(200);
    await record('pumpkin-seeds', 'pumpkin seeds, soya beans', { allergens: { soy: 'contains' } });
    expect((await statuses('20 g pumpkin seeds'))['soy']).toBe('contains');
  });

  test('a PIN signs too', async () => {
    await world.send('PUT', '/api/pin', { pin: '4711' }, cookie);
    const { body: signers } = await world.send('GET', '/api/signers');
    const { id } = signers.find(({ name }: { name: string }) => name.startsWith('Ilka'));
    const { body } = await world.send('POST', '/api/signatures', { personId: id, pin: '4711' });
    const answer = await say('ruxle', ['sesame'], NOBODY, { signature: body.signature });
    expect(answer.status).toBe(200);
    const kitchen = (answer.body.kitchen ?? answer.body) as Kitchen;
    expect(kitchen.words.find(({ word }) => word === 'ruxle')).toMatchObject({
      holds: ['sesame'],
      by: expect.stringMatching(/^Ilka/),
    });
  });

  test('all that was said stands in the history and in the audit trail, whole', async () => {
    const { body: history } = await world.send('GET', `/api/kitchens/${WARD}/words`);
    expect(history.filter(({ word }: Any) => word === 'drommel').map(({ holds }: Any) => holds)).toEqual([
      null,
      ['milk', 'animal'],
      [],
    ]);
    const rows = await world.tables.audit.findAll({ order: [['id', 'ASC']] });
    const acts = rows.filter((row) => row.get('subject') === 'drommel').map((row) => row.get('act'));
    expect(acts).toEqual(['word-answered', 'word-answered', 'word-taken-back']);
    const missing = await takeBack('drommel');
    expect([missing.status, missing.body.error.code]).toEqual([404, 'word-not-answered']);
  });

  test('hostile words are refused or kept as words', async () => {
    for (const [word, holds] of [
      ['', []],
      ['x'.repeat(201), []],
      ['drommel', ['plutonium']],
      ['drommel', ['milk', 'milk']],
      ['...', []],
    ] as const)
      expect([word, (await say(word, [...holds])).status]).toEqual([word, 400]);
    expect((await say("'; DROP TABLE packs; --", [])).status).toBe(200);
    expect(
      (await world.send('POST', '/api/kitchens/nowhere/words', { word: 'drommel', holds: [] }, cookie))
        .status,
    ).toBe(404);
  });
});

test('a pack in a language that nobody reads is refused, with what to do', async () => {
  const { status, body } = await record('pumpkin-seeds', 'Состав: тыквенные семечки');
  expect([status, body.error.code]).toEqual([422, 'statement-language']);
  expect(body.error.message).toMatch(/Ask the supplier/);
});
