/** Taking dishes in, in ten styles: from paste or file to a standardized recipe, taps counted and timed. */
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { expect, type Locator, type Page } from '@playwright/test';
import { go, open, type Opened, test } from '../../support/kitchen';

let kitchen: Opened;
test.describe.configure({ mode: 'serial' });
test.beforeAll(async () => {
  kitchen = await open('take-in', 4327);
});
test.afterAll(() => kitchen.stop());

const FOLDER = join(import.meta.dirname, '..', '..', 'recipes');
const told = (page: Page): Locator => page.getByLabel('As it was told to you');
const decisions = (page: Page): Locator => page.getByRole('region', { name: 'To decide' });

/** The questions about the recipe itself; packs are read in the store room, not while a dish is told. */
const questions = (page: Page): Locator => page.locator('.decisions h3:text("About the recipe") + ol > li');

/** Answers everything about the recipe by the first choice each question offers; tells how many taps that took. */
async function answerAll(page: Page): Promise<number> {
  let taps = 0;
  for (; taps < 60; taps += 1) {
    if ((await questions(page).count()) === 0) return taps;
    const first = questions(page).first();
    const words = await first.innerText();
    const buttons = first.getByRole('button');
    const names = await buttons.allInnerTexts();
    const at = names.findIndex(
      (name) => !/^(?:Another food|Choose a food|New food|Other|Enter grams|Weigh one)/.test(name),
    );
    if (at >= 0) await buttons.nth(at).click();
    else if (names.some((name) => /Choose a food/.test(name))) {
      await first.getByRole('button', { name: 'Choose a food' }).click();
      await first.getByLabel('Name of the food').fill('salt');
      await first.getByRole('button', { name: 'Fine salt' }).click();
      taps += 2;
    } else {
      await first.getByRole('button', { name: 'Enter grams' }).click();
      await first.getByLabel('Grams').fill('10');
      await first.getByRole('button', { name: 'Set' }).click();
      taps += 2;
    }
    await expect(async () => {
      const [now = ''] = await questions(page).allInnerTexts();
      expect(now).not.toBe(words);
    }).toPass();
  }
  throw new Error('The questions do not end.');
}

const files = readdirSync(FOLDER).sort();
const report: string[] = [];

for (const file of files) {
  test(`${file}: from telling to the bench`, async ({ page }) => {
    const text = readFileSync(join(FOLDER, file), 'utf8');
    const started = Date.now();
    await go(page, `${kitchen.url}/take-in`);
    if (/\.(?:html|csv)$/.test(file)) await page.getByLabel('Open a file').setInputFiles(join(FOLDER, file));
    else await told(page).fill(text);
    await expect(page.locator('.lines li').first()).toBeVisible();
    const lines = await page.locator('.lines li').count();
    expect(lines).toBeGreaterThanOrEqual(12);
    await expect(page.getByText(/to decide, here or on the bench|nothing to decide/)).toBeVisible();
    const taps = (await answerAll(page)) + 1;
    await expect(page.locator('.lines')).not.toContainText('not known');
    await page.getByRole('button', { name: 'Put it on the bench' }).click();
    await expect(page).toHaveURL(/\/dishes\//);
    await expect(page.locator('tr[data-line]').first()).toBeVisible();
    await expect(page.locator('.unknown')).toHaveCount(0);
    const seconds = ((Date.now() - started) / 1000).toFixed(1);
    report.push(`${file}: ${lines} lines, ${taps} taps, ${seconds} s of machine time`);
    // Two minutes of a cook's time: about four seconds for each tap.
    expect(taps).toBeLessThanOrEqual(20);
  });
}

test('the taps are told', () => {
  expect(report).toHaveLength(files.length);
  console.log(report.join('\n'));
});

test('the parts of a recipe stand as headings, here and on the bench', async ({ page }) => {
  await go(page, `${kitchen.url}/take-in`);
  await told(page).fill(
    'Parted\nServes 2\n\nFor the base:\n300 g leeks\n200 g potatoes\n\nFor the glaze:\n20 g tahini\n\nMethod\nStir everything.',
  );
  await expect(page.locator('.lines .part')).toHaveText(['base', 'glaze']);
  await page.getByRole('button', { name: 'Put it on the bench' }).click();
  await expect(page.locator('tr.part')).toHaveText(['base', 'glaze']);
});

test('answers stay while the text around them is edited', async ({ page }) => {
  await go(page, `${kitchen.url}/take-in`);
  await told(page).fill('Millet\nServes 2\n200 g chickpeas\na handful of dill\n\nMethod\nStir everything.');
  await page.getByRole('button', { name: 'Chickpeas dry' }).click();
  await expect(decisions(page)).toContainText('1 answered');
  await told(page).fill(
    'Millet pot\nServes 2\n300 g leeks\n200 g chickpeas\na handful of dill\n\nMethod\nStir everything.',
  );
  await expect(page.locator('.lines li')).toHaveCount(3);
  await expect(decisions(page)).toContainText('1 answered');
  await expect(page.getByRole('button', { name: 'Chickpeas dry' })).toHaveCount(0);
});

test('a handful is weighed once, and known from then on', async ({ page }) => {
  await go(page, `${kitchen.url}/take-in`);
  await told(page).fill('One\nServes 2\na handful of rocket\n200 g millet');
  await page.getByRole('button', { name: 'Weigh one handful' }).click();
  await page.getByLabel('Grams', { exact: true }).fill('17');
  await page.getByRole('button', { name: 'Keep for this kitchen' }).click();
  await expect(page.locator('.lines li').first()).toContainText('17 g');
  await told(page).fill('Two\nServes 2\n2 handfuls of rocket\n200 g millet');
  await expect(page.locator('.lines li').first()).toContainText('34 g');
  await expect(page.locator('.lines li').first()).toContainText('weighed here');
});

test('a name nobody knows is made a food or tied to one, and this kitchen remembers it', async ({ page }) => {
  await go(page, `${kitchen.url}/take-in`);
  await told(page).fill('Three\nServes 2\n200 g skirret\n300 g leeks');
  await decisions(page).getByRole('button', { name: 'New food' }).click();
  await page.getByRole('dialog').getByLabel('Kind of food').selectOption('vegetable');
  await page.getByRole('dialog').getByRole('button', { name: 'Put it in the larder' }).click();
  await expect(page.locator('.lines li').first()).toContainText('Skirret');
  await expect(decisions(page)).toContainText('skirret may be of animal origin');
  await told(page).fill('Four\nServes 2\n100 g gran’s brown stuff\n300 g leeks');
  await decisions(page)
    .getByRole('button', { name: /Choose a food|Another food/ })
    .click();
  await page.getByLabel('Name of the food').fill('barley miso');
  await page.getByRole('button', { name: 'Barley miso', exact: true }).click();
  await expect(page.locator('.lines li').first()).toContainText('Barley miso');
  await told(page).fill('Five\nServes 2\n2 tbsp gran’s brown stuff\n300 g leeks');
  await expect(page.locator('.lines li').first()).toContainText('Barley miso');
  await expect(questions(page)).toHaveCount(0);
});

test('what the method uses and the list lacks is put in by one tap', async ({ page }) => {
  await go(page, `${kitchen.url}/take-in`);
  await told(page).fill(
    'Six\nServes 2\n200 g millet\n\nMethod\nSimmer the millet in 600 ml water for 20 minutes.',
  );
  const notes = page.getByRole('region', { name: 'Look at this too' });
  await expect(notes).toContainText('600 ml water');
  await notes.getByRole('button', { name: 'Put it in the list' }).click();
  await expect(page.locator('.lines li')).toHaveCount(2);
  await expect(page.locator('.lines li').nth(1)).toContainText('Water');
  await expect(notes).toHaveCount(0);
});

test('a file of several recipes: a bar, a report, and what was left out stays out', async ({ page }) => {
  await go(page, `${kitchen.url}/take-in`);
  const book = ['First pot', 'Second pot', 'Third pot']
    .map((name) => `# ${name}\nServes 4\n300 g leeks\n200 g millet\n\nMethod\nBoil everything.`)
    .join('\n\n');
  await page
    .getByLabel('Open a file')
    .setInputFiles({ name: 'book.md', mimeType: 'text/markdown', buffer: Buffer.from(book) });
  await expect(page.getByRole('heading', { name: '3 recipes in book.md' })).toBeVisible();
  await page.getByLabel('Second pot').uncheck();
  await page.getByRole('button', { name: 'Take 2 in' }).click();
  await expect(page.getByRole('status').filter({ hasText: '2 of 2' })).toBeVisible();
  await expect(page.getByRole('link', { name: /taken in/ })).toHaveCount(2);
  await go(page, `${kitchen.url}/`);
  await page.getByLabel('Find a dish or an allergen').fill('pot');
  await expect(page.getByRole('link', { name: 'Third pot' })).toBeVisible();
  await expect(page.getByRole('link', { name: 'Second pot' })).toHaveCount(0);
});

test('our own file comes back with its answers', async ({ page, request }) => {
  const file = await (await request.get(`${kitchen.url}/api/recipes/parsnip-buckwheat-tray.md`)).text();
  await go(page, `${kitchen.url}/take-in`);
  await told(page).fill(file);
  await expect(page.locator('.document, .lines').first()).toBeVisible();
});

test('a page without a recipe says so and loses nothing', async ({ page }) => {
  await go(page, `${kitchen.url}/take-in`);
  const words = '<!doctype html><html><body><h1>About us</h1><p>We cook.</p></body></html>';
  await told(page).fill(words);
  await expect(page.getByRole('alert')).toContainText('No recipe was found');
  await expect(told(page)).toHaveValue(words);
  await page
    .getByLabel('Open a file')
    .setInputFiles({ name: 'x.json', mimeType: 'application/json', buffer: Buffer.from('{"a":1}') });
  await expect(page.getByRole('alert')).toContainText('No recipe was found');
});
