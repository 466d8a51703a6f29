/** The thread of the whole job, in one sitting: a spoken recipe in, a true label out. */
import { execFileSync } from 'node:child_process';
import { expect, type Page } from '@playwright/test';
import { go, type Running, start, test } from '../../support/kitchen';

const PORT = 4391;
const TOLD = `Millet, kale and bean stew
Serves 6, portions of 300 g

1 1/2 cups millet, rinsed
2 tbsp tamari
a handful of dill
2 x 400 g tins white beans, drained and rinsed
300 g kale, chopped
1.2 l water
2 tbsp tahni
salt to taste

Method
Simmer the millet gently, covered, in the water with the tamari for 25 minutes, until it is soft.
Add the beans and kale and simmer gently for 5 minutes. Stir in tahini, dill and salt.`;

let kitchen: Running;
test.beforeAll(async () => {
  kitchen = await start('journey', PORT);
});
test.afterAll(() => kitchen.stop());
test.describe.configure({ mode: 'serial' });

const row = (page: Page, name: string) =>
  page.locator('tr', { has: page.locator('.name', { hasText: name }) });
const weightOf = (page: Page, name: string) => row(page, name).locator('.weight .figure').first();
const decide = (page: Page, question: RegExp) => page.locator('div.decision', { hasText: question });

const saved = (page: Page) => expect(page.getByTestId('save-state')).toHaveText('Saved');

let dish = '';

test('a pasted text is read line by line, with what is unsure marked', async ({ page }) => {
  await go(page, `${kitchen.url}/`);
  await page.getByRole('link', { name: 'Take a dish in' }).click();
  await page.getByLabel('As it was told to you').fill(TOLD);
  await expect(page.getByRole('heading', { name: 'Millet, kale and bean stew' })).toBeVisible();
  const lines = page.locator('.lines li');
  await expect(lines).toHaveCount(8);
  await expect(lines.nth(0)).toContainText('Millet');
  await expect(lines.nth(0)).toContainText('rinsed');
  await expect(lines.nth(0)).toContainText('“1 1/2 cups millet, rinsed”');
  await expect(lines.nth(0)).toContainText('317 g');
  const decisions = page.getByRole('region', { name: 'To decide' });
  await expect(decisions).toContainText("How much is this kitchen's handful of dill?");
  await expect(decisions.locator('li').first()).toContainText('"tahni" was read as tahini');
  await page.reload();
  await expect(page.getByLabel('As it was told to you')).toHaveValue(TOLD);
  await page.getByRole('button', { name: 'Put it on the bench' }).click();
  await expect(page).toHaveURL(/\/dishes\/millet-kale-and-bean-stew-/);
  dish = new URL(page.url()).pathname;
});

test('a target gives every line its weight for the scale', async ({ page }) => {
  await go(page, kitchen.url + dish);
  await page.getByLabel('Portions', { exact: true }).fill('120');
  await page.getByLabel('Portion size in grams').fill('280');
  await expect(page.locator('.stage').first()).toContainText('33.6');
  await expect(weightOf(page, 'Millet')).toHaveText(/^\d+\.\d\d\d?\s?kg$/);
  await expect(row(page, 'Fine salt')).toContainText('not known');
  await saved(page);
});

test('nut, soy and gluten stand on every line and on the whole, with their path', async ({ page }) => {
  await go(page, kitchen.url + dish);
  await expect(row(page, 'Tamari').locator('.hazard.contains')).toHaveText('Soy');
  await expect(row(page, 'Tamari').locator('.hazard.check')).toHaveText('check gluten');
  await expect(decide(page, /Check the pack: no tamari pack is on record/)).toBeVisible();
  await page.getByRole('link', { name: /Must not eat it/ }).click();
  const contains = page.locator('section.contains');
  await expect(contains).toContainText('Soy');
  await expect(contains).toContainText('Tamari');
  await expect(page.locator('section.check')).toContainText(
    /Nobody has looked for .*: no pack is on record for Tamari/,
  );
});

test('each decision is answered where it stands', async ({ page }) => {
  await go(page, kitchen.url + dish);
  await decide(page, /handful of dill/)
    .getByRole('button', { name: 'Keep 15 g' })
    .click();
  await expect(decide(page, /handful of dill/)).toHaveCount(0);
  await decide(page, /tahni/).getByRole('button', { name: 'Tahini' }).click();
  await expect(decide(page, /tahni/)).toHaveCount(0);
  await decide(page, /salt to taste/)
    .getByRole('button', { name: 'Enter grams' })
    .click();
  await page.getByLabel('Grams', { exact: true }).fill('5');
  await page.getByRole('button', { name: 'Set', exact: true }).click();
  await expect(weightOf(page, 'Fine salt')).toHaveText(/^\d+\s?g$/);
  await decide(page, /no tamari pack/)
    .getByRole('button', { name: 'Record the pack' })
    .click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Name on the pack').fill('Tamari 5 L');
  await dialog.getByLabel('Ingredients, as printed').fill('water, soya beans, salt');
  await dialog.getByLabel('Read by').fill('T. Marsh');
  await dialog.getByRole('button', { name: 'Record the pack' }).click();
  await expect(dialog.getByRole('alert')).toContainText('Say that you read the whole pack');
  await dialog.getByLabel(/I read the whole pack/).check();
  await dialog.getByRole('button', { name: 'Record the pack' }).click();
  await expect(decide(page, /no tamari pack/)).toHaveCount(0);
  await decide(page, /millet may hold or carry wheat/)
    .getByRole('button', { name: 'Record the pack' })
    .click();
  await dialog.getByLabel('Name on the pack').fill('Certified millet 5 kg');
  await expect(dialog.getByLabel('Read by')).toHaveValue('');
  await dialog.getByLabel('Read by').fill('T. Marsh');
  await dialog.getByLabel(/certified gluten-free/).check();
  await dialog.getByLabel(/I read the whole pack/).check();
  await dialog.getByRole('button', { name: 'Record the pack' }).click();
  await expect(page.locator('.stage').last()).toContainText('Ready');
  await expect(page.locator('.hazard.clear')).toBeVisible();
  await saved(page);
});

test('free from soy: a swap with its ratio makes a variant, and everything follows', async ({ page }) => {
  await go(page, kitchen.url + dish);
  const before = await page.locator('.stage').nth(2).innerText();
  await page.getByRole('link', { name: /Serve it/ }).click();
  const asked = page.getByRole('group', { name: 'Free from' });
  await asked.getByRole('button', { name: 'Soy', exact: true }).click();
  await expect(page.locator('.plan').first()).toContainText(/tamari\s*becomes.*mushroom ferment/s);
  await expect(page.locator('.plan').first()).toContainText('Goes: soy: contains, then clear');
  await page.getByRole('button', { name: 'Make this variant' }).first().click();
  await expect(page.locator('.follows')).toContainText('A variant of Millet, kale and bean stew');
  await expect(row(page, 'Mushroom ferment')).toContainText('instead of tamari');
  await expect(page.locator('.stage').nth(1)).not.toContainText('Soy');
  expect(await page.locator('.stage').nth(2).innerText()).not.toBe(before);
  await expect(page.locator('.stage').last()).toContainText('Ready');
  await expect(page.getByLabel('Name of the dish')).toHaveValue('Millet, kale and bean stew, free from soy');
});

test('the portion shows its figures, and where one comes from', async ({ page }) => {
  await go(page, `${kitchen.url}${dish}/portion`);
  const table = page.locator('table').first();
  for (const name of [
    'Energy',
    'Protein',
    'Fat',
    'saturates',
    'Carbohydrate',
    'sugars',
    'Fibre',
    'Sodium',
    'Salt',
    'Potassium',
  ]) {
    await expect(table).toContainText(name);
  }
  await page.getByRole('button', { name: 'Sodium' }).click();
  await expect(page.getByRole('heading', { name: 'Where the sodium comes from' })).toBeVisible();
  await expect(
    page.getByRole('img', { name: /sodium by line: (?:Tamari|Fine salt|White beans)/ }),
  ).toBeVisible();
});

/** Text of a PDF as a reader would take it. */
function textOf(path: string): string {
  return execFileSync('pdftotext', ['-layout', path, '-'], { encoding: 'utf8' }).replace(/\s+/g, ' ');
}

async function pdfOf(page: Page): Promise<string> {
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Download as PDF' }).click();
  return textOf(await (await download).path());
}

test('the label: EU and US, the same words on screen and in the PDF', async ({ page }) => {
  await go(page, `${kitchen.url}${dish}/label`);
  const eu = await pdfOf(page);
  expect(eu).toContain('per 100 g');
  // A letter of the word across a draft may fall between two words.
  expect(eu).toMatch(/tamari (?:[DRAFT] )?\(water, SOYA BEANS, salt\)/);
  expect(eu).toContain('SESAME paste');
  // Every line is resolved, but nobody released it.
  expect(eu).toContain('DRAFT - not released');
  const preview = page.getByRole('article', { name: 'Label preview' });
  const words = async (): Promise<string[]> => (await preview.locator('pre').textContent())!.split(/\s+/);
  // Columns break lines, and the word across a draft falls between them: word by word.
  const squeezed = (text: string): string => text.replace(/[\s:;.]/g, '');
  for (const text of await words()) expect(squeezed(eu)).toContain(squeezed(text));
  await page.getByRole('radio', { name: 'United States' }).click();
  await expect(preview).toContainText('Nutrition Facts');
  const us = await pdfOf(page);
  expect(us).toContain('Nutrition Facts');
  expect(us).toContain('Serving size 1 portion (280g)');
  expect(us).toContain('Contains: Soy, Sesame.');
  for (const text of await words()) expect(squeezed(us)).toContain(squeezed(text));
});

test('a label with an open decision says DRAFT, on screen and in the PDF', async ({ page }) => {
  await go(page, `${kitchen.url}/dishes/barley-leek-white-bean-pot/label`);
  await expect(page.getByRole('article', { name: 'Label preview' })).toContainText('DRAFT - not for use');
  expect(await pdfOf(page)).toContain('DRAFT - not for use');
});

test('it is listed, found, edited, and still right after a restart', async ({ page }) => {
  await go(page, `${kitchen.url}/`);
  await page.getByLabel('Find a dish or an allergen').fill('millet bean');
  await expect(page.locator('tbody tr')).toHaveCount(2);
  await page.locator('tbody a').first().click();
  await row(page, 'Kale').locator('.name').click();
  await page.getByLabel('Words of the line').fill('450 g kale, chopped');
  await page.getByRole('button', { name: 'Read it' }).click();
  await expect(row(page, 'Kale')).toContainText('450 g');
  const weight = await weightOf(page, 'Kale').innerText();
  const strip = await page.locator('.strip').innerText();
  await saved(page);
  await kitchen.stop();
  kitchen = await start('journey', PORT, false);
  await go(page, kitchen.url + dish);
  await expect(weightOf(page, 'Kale')).toHaveText(weight);
  expect(await page.locator('.strip').innerText()).toBe(strip);
  await page.getByRole('link', { name: 'Dishes', exact: true }).click();
  await page.getByLabel('Find a dish or an allergen').fill('free from soy');
  await page.locator('tbody a').first().click();
  await expect(row(page, 'Kale')).toContainText('450 g');
});

test('the browser and the server compute the same bytes', async ({ page, request }) => {
  for (const id of ['barley-leek-white-bean-pot', 'parsnip-buckwheat-tray', 'ginger-broth-noodles']) {
    // Loaded anew: the law that an earlier journey chose for its label stays chosen.
    await page.goto(`${kitchen.url}/dishes/${id}/label`);
    const download = page.waitForEvent('download');
    await page.getByRole('button', { name: 'Figures as JSON' }).click();
    const { readFileSync } = await import('node:fs');
    const own = readFileSync(await (await download).path(), 'utf8');
    const answer = await request.post(`${kitchen.url}/api/worksheet`, {
      data: { recipeId: id, kitchenId: 'alder-ward' },
    });
    expect(own).toBe(await answer.text());
  }
});
