/** Labels as files: hostile names, what does not fit, codes read back by a scanner. */
import { execFileSync } from 'node:child_process';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { codeImage } from '../../src/paper/codes';
import { as, DISH, openLabelWorld, OPTIONS, releasedLabel, ROLL, world } from './label-world';
import { type PlacedWord, textOf, wordsOf } from './pdf-reader';

beforeAll(() => openLabelWorld('label-files'));
afterAll(() => world.close());

describe('files and hostile names', () => {
  const file = async (format: string, body: object): Promise<Response> =>
    world.app.request(`/api/label/${format}`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify(body),
    });
  const hostile = [
    '<script>alert(1)</script>',
    '=HYPERLINK("x")',
    '\u202egnirts desrever',
    'soup '.repeat(39).trim(),
    'Leek 🥬 pot',
    '"\' OR 1=1 --',
  ];

  test.each(hostile)('%s is text in every format, and breaks none', async (name) => {
    const recipe = {
      name,
      lines: ['500 g peeled potatoes', '200 g tofu'],
      steps: ['Simmer for 20 minutes.'],
      portions: 2,
      portionGrams: 300,
    };
    for (const format of ['pdf', 'svg', 'txt', 'png']) {
      const response = await file(format, { recipe, kitchenId: 'alder-ward', options: OPTIONS });
      expect([format, response.status]).toEqual([format, 200]);
      if (format === 'svg') {
        const svg = await response.text();
        expect(svg).not.toMatch(/<script|onload=/i);
        expect(svg).not.toContain('\u202e');
      }
      if (format === 'txt') expect(await response.text()).toContain('DRAFT');
    }
  });

  test('a name of 4,000 characters is refused as a name, and wraps where it is an ingredient', async () => {
    const recipe = (name: string, line: string) => ({
      name,
      lines: [line],
      steps: ['Simmer.'],
      portions: 2,
      portionGrams: 300,
    });
    expect(
      (await file('pdf', { recipe: recipe('x'.repeat(4000), '500 g potatoes'), options: OPTIONS })).status,
    ).toBe(400);
    expect(
      (await file('pdf', { recipe: recipe('Pot', `500 g ${'xy '.repeat(300)}`), options: OPTIONS })).status,
    ).toBe(200);
    // One word that is wider than the paper would be broken: no label breaks a word.
    expect(
      (await file('pdf', { recipe: recipe('Pot', `500 g ${'x'.repeat(900)}`), options: OPTIONS })).status,
    ).toBe(422);
  });

  test('text that does not fit is refused with the height it needs, never cut', async () => {
    const small = { kind: 'serving', stock: { ...ROLL, widthMm: 57, heightMm: 32 } };
    const response = await file('pdf', { recipeId: DISH, options: small });
    expect(response.status).toBe(422);
    const { error } = (await response.json()) as { error: { code: string; details: { code: string }[] } };
    expect([error.code, error.details[0]!.code]).toEqual(['label-does-not-fit', 'label-too-small']);
  });

  test('a grid larger than its paper is refused', async () => {
    const sheet = {
      kind: 'sheet',
      id: 'x',
      name: 'x',
      paper: 'a4',
      columns: 5,
      rows: 2,
      leftMm: 5,
      topMm: 5,
      gapXMm: 0,
      gapYMm: 0,
      widthMm: 60,
      heightMm: 60,
    };
    expect((await file('pdf', { recipeId: DISH, options: { kind: 'counter', stock: sheet } })).status).toBe(
      400,
    );
  });

  test('codes are read back by a scanner as they were written', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'codes-'));
    const { id } = await releasedLabel(DISH, 'alder-ward', { kind: 'component' });
    for (const symbology of ['qr', 'code128'] as const) {
      const { body } = await as('cook', 'POST', `/api/labels/${id}/print`, {
        options: { ...OPTIONS, kind: 'component', symbology },
      });
      const { set } = await world.services.spool.labelOf(body.jobId);
      const { labelPng } = await import('../../src/paper/label-files');
      const path = join(folder, `${symbology}.png`);
      writeFileSync(path, await labelPng(set));
      const read = execFileSync('zbarimg', ['--quiet', '--raw', path], { encoding: 'utf8' }).trim();
      // Nothing but the code: a phone could not open this machine's own address.
      expect(read).toBe(body.batchCode);
    }
    expect(codeImage('qr', 'x').symbology).toBe('qr');
  });
});

describe('the menu sheet', () => {
  const sheet = async (paper: string): Promise<{ text: string; words: PlacedWord[]; response: Response }> => {
    const response = await world.app.request(`/api/menu.pdf?kitchenId=lock-counter&paper=${paper}`);
    const pdf = Buffer.from(await response.arrayBuffer());
    return { response, text: textOf(pdf), words: wordsOf(pdf) };
  };

  test('every dish against every declarable allergen, in words, on pages that nothing leaves', async () => {
    const { body: rows } = await world.send('GET', '/api/menu?kitchenId=lock-counter');
    for (const [paper, wide] of [
      ['a4', 842],
      ['letter', 792.1],
    ] as const) {
      const { response, text, words } = await sheet(paper);
      expect(response.headers.get('content-type')).toBe('application/pdf');
      for (const row of rows as { name: string }[])
        for (const word of row.name.split(' ')) expect(text).toContain(word);
      expect(text).toMatch(/contains/);
      for (const { text: word, xMin, xMax } of words)
        expect([word, xMin >= 0, xMax <= wide]).toEqual([word, true, true]);
    }
  });

  test('is a draft while a dish has no released label, and counts them', async () => {
    const { body: rows } = await world.send('GET', '/api/menu?kitchenId=lock-counter');
    const count = (rows as object[]).length;
    expect((await sheet('a4')).text).toContain(`DRAFT: ${count} of ${count} dishes`);
    await releasedLabel('fennel-butter-bean-pot', 'lock-counter');
    expect((await sheet('a4')).text).toContain(`DRAFT: ${count - 1} of ${count} dishes`);
  });
});
