/** The bench and its neighbours, one capability at a time, as a cook would use them. */
import { expect, type Page } from '@playwright/test';
import { go, open, type Opened, test } from '../../support/kitchen';

let kitchen: Opened;
test.beforeAll(async () => {
  kitchen = await open('bench', 4397);
});
test.afterAll(() => kitchen.stop());

const POT = '/dishes/barley-leek-white-bean-pot';
const row = (page: Page, name: string) =>
  page.locator('tr', { has: page.locator('.name', { hasText: name }) });
const weightOf = (page: Page, name: string) => row(page, name).locator('.weight .figure').first();
const decide = (page: Page, question: RegExp) => page.locator('div.decision', { hasText: question });
const saved = (page: Page) => expect(page.getByTestId('save-state')).toHaveText('Saved');
const batch = (page: Page) => page.locator('.stage').first();

test('the target said in another way keeps the batch; each way then changes it', async ({ page }) => {
  await go(page, kitchen.url + POT);
  await expect(batch(page)).toContainText('33.6');
  await page.getByRole('radio', { name: 'Weight' }).click();
  await expect(page.getByLabel('Finished weight in kilograms')).toHaveValue('33.6');
  await expect(batch(page)).toContainText('33.6');
  await page.getByLabel('Finished weight in kilograms').fill('50');
  await expect(batch(page)).toContainText('50.0');
  await page.getByRole('radio', { name: 'Pans' }).click();
  await expect(page.getByLabel('Number of pans')).toHaveValue('4.2');
  await page.getByLabel('Number of pans').fill('6');
  await page.getByLabel('Kind of pan').selectOption({ label: 'GN 1/2' });
  await expect(batch(page)).toContainText('33.2');
  await page.getByRole('radio', { name: 'In store' }).click();
  await page.getByLabel('What is in store').selectOption({ label: 'leek' });
  await page.getByLabel('In store, in kilograms as purchased').fill('11');
  await expect(row(page, 'Leek')).toContainText('from 11.0 kg as bought');
  await page.getByRole('radio', { name: 'Portions' }).click();
  await page.getByLabel('Portions', { exact: true }).fill('120');
  await page.getByLabel('Portion size in grams').fill('280');
  await expect(batch(page)).toContainText('33.6');
  await saved(page);
});

test('another vessel changes the water, says the steam, and splits the loads', async ({ page }) => {
  await go(page, kitchen.url + POT);
  const before = await weightOf(page, 'Water').innerText();
  await page.getByLabel('Simmer in the').selectOption({ label: '20 L kettle' });
  await expect(page.locator('.vessel').first()).toContainText('3 × 11.2 kg');
  await expect(weightOf(page, 'Water')).not.toHaveText(before);
  await expect(page.getByRole('columnheader', { name: 'Loads' })).toBeVisible();
  await expect(row(page, 'Leek').locator('.load')).toHaveText(
    /^3 × [\d.]+ kg|^\d × [\d.]+ kg \+ \d × [\d.]+ kg$/,
  );
  await page.getByLabel('Simmer in the').selectOption({ label: '60 L kettle' });
  await expect(weightOf(page, 'Water')).toHaveText(before);
});

test('with loads and first additions every hazard of the ledger stays in view', async ({ page }) => {
  for (const [width, height] of [
    [1280, 800],
    [1024, 768],
    [390, 844],
  ] as const) {
    await page.setViewportSize({ width, height });
    await go(page, `${kitchen.url}/dishes/ginger-broth-noodles`);
    await page.getByLabel('Simmer in the').selectOption({ label: '5 L pot' });
    await expect(batch(page)).toContainText('4 loads');
    const hidden = await page
      .locator('.ledger')
      .evaluate((ledger) => ledger.scrollWidth - ledger.clientWidth);
    expect([width, hidden]).toEqual([width, 0]);
    await expect(page.getByTestId('save-state')).toHaveText('Saved');
  }
});

test('undo and redo step through every change, by button and by key', async ({ page }) => {
  await go(page, `${kitchen.url}/dishes/red-lentil-tomato-soup`);
  const portions = page.getByLabel('Portions', { exact: true });
  await expect(portions).toHaveValue('90');
  await portions.fill('100');
  await decide(page, /salt to taste/)
    .getByRole('button', { name: 'Enter grams' })
    .click();
  await page.getByLabel('Grams', { exact: true }).fill('9');
  await page.getByRole('button', { name: 'Set', exact: true }).click();
  await expect(decide(page, /salt to taste/)).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(decide(page, /salt to taste/)).toBeVisible();
  await page.locator('h2', { hasText: 'Method' }).click();
  await page.keyboard.press('Control+z');
  await expect(portions).toHaveValue('90');
  await expect(page.getByRole('button', { name: 'Undo' })).toBeDisabled();
  await page.getByRole('button', { name: 'Redo' }).click();
  await page.getByRole('button', { name: 'Redo' }).click();
  await expect(page.getByRole('button', { name: 'Redo' })).toBeDisabled();
  await expect(portions).toHaveValue('100');
  await expect(decide(page, /salt to taste/)).toHaveCount(0);
  await expect(weightOf(page, 'Fine salt')).toBeVisible();
  await saved(page);
});

test('a component opens in place, to the bottom', async ({ page }) => {
  await go(page, `${kitchen.url}/dishes/parsnip-buckwheat-tray`);
  await page.getByRole('button', { name: 'Open Green dressing' }).click();
  await page.getByRole('button', { name: 'Open Sunflower seed cream' }).click();
  await expect(row(page, 'Sunflower seeds')).toHaveClass(/child/);
  await expect(row(page, 'Wholegrain mustard').locator('.hazard.contains')).toContainText([
    'Gluten',
    'Mustard',
  ]);
  await page.getByRole('button', { name: 'Close Green dressing' }).click();
  await expect(row(page, 'Wholegrain mustard')).toHaveCount(0);
});

test('a contradiction is decided by either figure, an unknown food by choosing one', async ({ page }) => {
  await go(page, `${kitchen.url}/dishes/parsnip-buckwheat-tray`);
  await decide(page, /says 12 g, but 1 tsp of fine salt weighs 6 g/)
    .getByRole('button', { name: '6 g, by 1 tsp' })
    .click();
  await expect(row(page, 'Fine salt')).toBeVisible();
  await expect(decide(page, /says 12 g/)).toHaveCount(0);
  await page.getByLabel('Add a line').fill('50 g toasted skirret');
  await page.getByRole('button', { name: 'Add line' }).click();
  await decide(page, /Which food is/)
    .getByRole('button', { name: /Choose a food|Another food/ })
    .click();
  await page.getByLabel('Name of the food').fill('hazel');
  await page.locator('.picker').getByRole('button', { name: 'Hazelnuts' }).click();
  await expect(row(page, 'Hazelnuts').locator('.hazard.contains')).toHaveText('Nut');
  await expect(page.getByRole('region', { name: 'Who must not eat it' })).toContainText('almond, hazelnut');
  await row(page, 'Hazelnuts').locator('.name').click();
  await page.getByRole('button', { name: 'Take out' }).click();
  await expect(row(page, 'Hazelnuts')).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(row(page, 'Hazelnuts')).toHaveCount(1);
  await page.getByRole('button', { name: 'Redo' }).click();
  await saved(page);
});

test('a handful weighed once is used in every dish of the kitchen', async ({ page }) => {
  await go(page, kitchen.url + POT);
  await decide(page, /handful of dill/)
    .getByRole('button', { name: 'Weigh one handful' })
    .click();
  await page.getByLabel('Grams', { exact: true }).fill('0');
  await page.getByRole('button', { name: 'Keep for this kitchen' }).click();
  await expect(page.locator('div.decision').getByRole('alert')).toContainText('Grams above zero');
  await page.getByLabel('Grams', { exact: true }).fill('11');
  await page.getByRole('button', { name: 'Keep for this kitchen' }).click();
  await expect(decide(page, /handful of dill/)).toHaveCount(0);
  await row(page, 'Dill').locator('.weight').click();
  await expect(page.getByRole('dialog', { name: /Why: Dill/ })).toContainText('weighed here on');
});

test('the home recipe: a weighed yield settles the prediction', async ({ page }) => {
  await go(page, `${kitchen.url}/dishes/millet-porridge-pear`);
  await expect(page.getByRole('region', { name: 'Mind' })).toContainText('The finished weight is predicted');
  await page.getByRole('button', { name: /At home/ }).click();
  await page.getByLabel('Finished weight, weighed').fill('none');
  await page.getByRole('button', { name: 'Set', exact: true }).click();
  await expect(page.locator('form.home').getByRole('alert')).toContainText('Figures above zero');
  await page.getByLabel('Finished weight, weighed').fill('1690');
  await page.getByRole('button', { name: 'Set', exact: true }).click();
  await expect(page.getByRole('button', { name: 'At home, 1.69 kg' })).toBeVisible();
  await expect(page.getByRole('region', { name: 'Mind' })).not.toContainText('predicted');
});

test('another kitchen re-plans the same dish by its own measures, vessels and law', async ({ page }) => {
  await go(page, kitchen.url + POT);
  const barley = await weightOf(page, 'Pearl barley').innerText();
  await page.getByLabel('Kitchen').selectOption({ label: 'Pebble Lane School kitchen' });
  await expect(batch(page)).toContainText('100 L kettle');
  await expect(weightOf(page, 'Pearl barley')).not.toHaveText(barley);
  await page
    .getByRole('navigation', { name: 'Stages of the dish' })
    .getByRole('link', { name: /^Label/ })
    .click();
  const preview = page.getByRole('article', { name: 'Label preview' });
  await expect(preview).toContainText('Nutrition Facts');
  await page.getByRole('combobox', { name: 'Kitchen' }).selectOption({ label: 'Alder House ward kitchen' });
  await expect(preview).toContainText('per 100 g');
});

test('no swap makes the flatbread free from gluten, and the line that blocks it is named', async ({
  page,
}) => {
  await go(page, `${kitchen.url}/dishes/caraway-flatbread`);
  await page.getByRole('link', { name: /Serve it/ }).click();
  const asked = page.getByRole('group', { name: 'Free from' });
  await asked.getByRole('button', { name: 'Gluten', exact: true }).click();
  const blocked = page.locator('.blocked');
  await expect(blocked).toContainText('No swap makes this dish free from gluten');
  await expect(blocked).toContainText('Strong wheat flour (dough structure)');
  await expect(blocked).toContainText('Maize starch: it is not for a dough');
  await expect(blocked.getByRole('link').first()).toHaveAttribute('href', /^\/dishes\//);
  await asked.getByRole('button', { name: 'Gluten', exact: true }).click();
  await asked.getByRole('button', { name: 'Soy', exact: true }).click();
  await expect(page.locator('.as-is')).toContainText('It is free from soy as it is');
});

test('a dish is taken out and put back; one that others use stays', async ({ page }) => {
  await go(page, kitchen.url);
  const line = page.locator('tbody tr', { hasText: 'Beetroot and broad bean plate' });
  await line.hover();
  await line.getByRole('button', { name: /Take Beetroot/ }).click();
  await expect(line).toHaveCount(0);
  await page.getByRole('button', { name: 'Put it back' }).click();
  await expect(line).toHaveCount(1);
  const cream = page.locator('tbody tr', { hasText: 'Sunflower seed cream' });
  await cream.hover();
  await cream.getByRole('button', { name: /Take Sunflower/ }).click();
  await expect(page.locator('.el-message')).toContainText('Other dishes use this one');
  await expect(cream).toHaveCount(1);
});

test('a component taken in is known by its name in the next dish', async ({ page }) => {
  await go(page, `${kitchen.url}/take-in`);
  await page
    .getByLabel('As it was told to you')
    .fill('Smoky pumpkin crumb\n200 g pumpkin seeds\n2 tsp smoked paprika');
  await page.getByLabel('Used by weight in other dishes').check();
  await page.getByRole('button', { name: 'Put it on the bench' }).click();
  await expect(page.getByLabel('Name of the dish')).toHaveValue('Smoky pumpkin crumb');
  await page.getByRole('link', { name: 'Take in' }).click();
  await page
    .getByLabel('As it was told to you')
    .fill('Kale plate\nServes 2\n300 g kale, chopped\n40 g smoky pumpkin crumb');
  await expect(page.locator('.lines li').nth(1)).toContainText('Smoky pumpkin crumb');
  await page.getByRole('button', { name: 'Put it on the bench' }).click();
  await expect(page.getByRole('button', { name: 'Open Smoky pumpkin crumb' })).toBeVisible();
});
