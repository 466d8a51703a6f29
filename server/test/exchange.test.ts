import { openWorld, type World } from './world';

let world: World;
beforeAll(async () => {
  world = await openWorld('test-exchange');
});
afterAll(() => world.close());

const POT = 'barley-leek-white-bean-pot';
const get = async (path: string): Promise<string> => (await world.app.request(path)).text();

async function take(body: string, type: string, query = '') {
  const response = await world.app.request(`/api/recipes/import${query}`, {
    method: 'POST',
    body,
    headers: { 'Content-Type': type },
  });
  return { status: response.status, body: (await response.json()) as ReturnType<typeof JSON.parse> };
}

const saved = async (id: string) => (await world.send('GET', `/api/recipes/${id}`)).body;

describe('export then import gives the same recipe', () => {
  test.each([
    ['json', 'application/ld+json'],
    ['md', 'text/markdown'],
    ['csv', 'text/csv'],
  ])('through .%s, one dish with an answer in it', async (ending, type) => {
    const before = await saved(POT);
    const [first, ...rest] = before.recipe.lines;
    const answered = {
      ...before,
      recipe: {
        ...before.recipe,
        lines: [{ ...first, answers: { grams: 171.5, gramsOrigin: 'weighed here' } }, ...rest],
      },
    };
    const put = await world.send('PUT', `/api/recipes/${POT}`, answered);
    expect(put.status).toBe(200);
    const file = await get(`/api/recipes/${POT}.${ending}`);
    const { status, body } = await take(file, type);
    expect([status, body.recipes.length]).toEqual([201, 1]);
    const [again] = body.recipes;
    expect(again.recipe.id).not.toBe(POT);
    expect(again.isNameTaken).toBe(true);
    const after = await saved(again.recipe.id);
    expect({ ...after.recipe, id: POT }).toEqual(put.body.recipe);
    expect(after.target).toEqual(put.body.target);
    await world.send('DELETE', `/api/recipes/${again.recipe.id}`);
  });

  test('the whole book, variants too', async () => {
    const count = (await world.send('GET', '/api/recipes')).body.length;
    for (const [ending, type] of [
      ['json', 'application/json'],
      ['md', 'text/markdown'],
      ['csv', 'text/csv'],
    ] as const) {
      const { status, body } = await take(await get(`/api/recipes.${ending}`), type, '?dryRun=true');
      expect([ending, status, body.recipes.length]).toEqual([ending, 200, count]);
    }
    expect((await world.send('GET', '/api/recipes')).body).toHaveLength(count);
  });
});

describe('what a cook may have', () => {
  const LD = `{"@context":"https://schema.org","@type":"Recipe","name":"Swede bake","recipeYield":"4","recipeIngredient":["2 swedes","300 g millet"],"recipeInstructions":"Boil the millet for 20 minutes. Bake with the swede."}`;

  test('a saved web page with a marked recipe', async () => {
    const page = `<!doctype html><html><head><script>var x=1</script><script type="application/ld+json">${LD}</script></head><body>many words</body></html>`;
    const { body } = await take(page, 'text/html', '?dryRun=true');
    expect(body.recipes[0]).toMatchObject({ lines: 2, steps: 1, needsPortions: false });
    expect(body.recipes[0].recipe).toMatchObject({ name: 'Swede bake', portions: 4 });
  });

  test('a page with microdata, and a page with nothing but a list and a method', async () => {
    const micro = `<html><body><div itemscope itemtype="https://schema.org/Recipe"><h1 itemprop="name">Pot</h1><li itemprop="recipeIngredient">2 leeks</li><p itemprop="recipeInstructions">Boil.</p></div></body></html>`;
    expect((await take(micro, 'text/html', '?dryRun=true')).body.recipes[0]).toMatchObject({
      lines: 1,
      steps: 1,
    });
    const bare = `<html><body><nav>Home</nav><main><h1>Leek pot</h1><p>Serves 4</p><ul><li>2 leeks</li><li>300 g millet</li><li>1 l water</li></ul><h2>Method</h2><ol><li>Simmer everything for 20 minutes.</li></ol></main></body></html>`;
    expect((await take(bare, 'text/html', '?dryRun=true')).body.recipes[0]).toMatchObject({
      lines: 3,
      steps: 1,
    });
  });

  test('several recipes in one text are parted and reported one by one', async () => {
    const text =
      '# First pot\nServes 2\n2 leeks\n\nMethod\nBoil.\n\n---\n\n# Second pot\n300 g millet\n\nMethod\nBoil.';
    const { body } = await take(text, 'text/plain');
    expect(
      body.recipes.map((each: { recipe: { name: string }; needsPortions: boolean }) => [
        each.recipe.name,
        each.needsPortions,
      ]),
    ).toEqual([
      ['First pot', false],
      ['Second pot', true],
    ]);
    expect((await saved('first-pot')).recipe.lines).toHaveLength(1);
  });

  test('a table of others, one recipe a row', async () => {
    const csv = '"Title";"Ingredients";"Method";"Servings"\n"Pot";"2 leeks|300 g millet";"Boil.";"4"';
    expect((await take(csv, 'text/csv', '?dryRun=true')).body.recipes[0]).toMatchObject({
      lines: 2,
      steps: 1,
    });
  });
});

describe('bad documents are told, and nothing is taken in', () => {
  test.each<[string, string, string, number, string]>([
    [
      'a page without a recipe',
      '<html><body><h1>About us</h1><p>We cook.</p></body></html>',
      'text/html',
      422,
      'no-recipe',
    ],
    ['broken JSON', '{"@type":"Recipe"', 'application/json', 422, 'no-recipe'],
    ['nothing', '  ', 'text/plain', 400, 'file-empty'],
    ['an empty list', '[]', 'application/json', 422, 'no-recipe'],
    ['a table of something else', 'a,b\n1,2', 'text/csv', 422, 'no-recipe'],
    ['a text far too long', 'x'.repeat(250_000), 'text/plain', 413, 'text-too-long'],
  ])('%s', async (_, body, type, status, code) => {
    const before = (await world.send('GET', '/api/recipes')).body.length;
    const answer = await take(body, type);
    expect([answer.status, answer.body.error.code]).toEqual([status, code]);
    expect((await world.send('GET', '/api/recipes')).body).toHaveLength(before);
  });

  test('a recipe of 2,000 lines is read, and the server answers others meanwhile', async () => {
    const lines = Array.from({ length: 2000 }, (_, index) => `${index + 1} g millet`).join('\n');
    const steps = Array.from({ length: 60 }, (_, index) => `Stir the millet ${index + 1} times.`).join('\n');
    const long = take(`# Long\nServes 9\n${lines}\nMethod\n${steps}`, 'text/plain', '?dryRun=true');
    const health = await world.send('GET', '/api/health');
    expect(health.status).toBe(200);
    expect((await long).body.recipes[0].lines).toBeGreaterThan(1900);
  });

  const hostile = (kept: object, name = 'Hostile pot') =>
    JSON.stringify({
      '@type': 'Recipe',
      name,
      recipeIngredient: ['2 leeks', '300 g millet'],
      recipeInstructions: ['Boil.'],
      additionalProperty: [{ '@type': 'PropertyValue', propertyID: 'hand-ladle', value: kept }],
    });

  test.each<[string, object]>([
    ['a target that is none', { target: { kind: 'boom', portions: -1 } }],
    ['an absurd number of portions', { portions: 1e12 }],
    ['two lines of one id', { lines: [{ id: 'l1' }, { id: 'l1' }] }],
    ['an id of 200 letters', { lines: [{ id: 'x'.repeat(200) }, { id: 'l2' }] }],
    ['a swap of no food', { swaps: [{ fromId: '', swapId: 'tamari-mushroom-ferment' }] }],
  ])('an export that somebody bent: %s', async (_, kept) => {
    const before = (await world.send('GET', '/api/recipes')).body.length;
    const good = JSON.parse(hostile({})) as object;
    const answer = await take(JSON.stringify([good, JSON.parse(hostile(kept))]), 'application/json');
    expect([answer.status, answer.body.error.code]).toEqual([400, 'bad-request']);
    // The good one before it is not half of an import.
    expect((await world.send('GET', '/api/recipes')).body).toHaveLength(before);
  });

  test('a name of 4,000 letters is cut to what a dish can be called', async () => {
    const { status, body } = await take(hostile({}, 'Pot '.repeat(1000)), 'application/json', '?dryRun=true');
    expect([status, body.recipes[0].recipe.name.length <= 200]).toEqual([200, true]);
  });

  test('components in a circle are named, and nothing hangs', async () => {
    const told = (id: string, other: string) =>
      JSON.stringify({
        '@type': 'Recipe',
        name: id,
        recipeIngredient: [`200 g ${other}`],
        recipeInstructions: ['Stir.'],
        additionalProperty: [
          {
            '@type': 'PropertyValue',
            propertyID: 'hand-ladle',
            value: {
              id,
              isComponent: true,
              portions: 1,
              lines: [{ id: 'l1', part: '', answers: { foodId: other } }],
              steps: ['s1'],
            },
          },
        ],
      });
    await take(told('round-one', 'round-two'), 'application/json');
    await take(told('round-two', 'round-one'), 'application/json');
    const { body } = await world.send('POST', '/api/worksheet', { recipeId: 'round-one' });
    expect(body.findings.map(({ code }: { code: string }) => code)).toContain('component-cycle');
    expect((await world.send('GET', '/api/recipes')).status).toBe(200);
  });

  test('no error that nobody expected was met', () => expect(world.errors).toEqual([]));
});
