/** Kitchens with their own machines, scales and standard; components for several dishes. */
import { expect, type Page } from '@playwright/test';
import { go, open, type Opened, test } from '../../support/kitchen';

let kitchen: Opened;
test.beforeAll(async () => {
  kitchen = await open('kitchens', 4331);
});
test.afterAll(() => kitchen.stop());

const POT = '/dishes/fennel-butter-bean-pot';
const batch = (page: Page) => page.locator('.stage').first();
const kept = (page: Page) => expect(page.getByTestId('kitchen-state')).toHaveText('Kept');

test('a kettle changed in the settings re-plans every dish; a wrong figure is refused and stays', async ({
  page,
}) => {
  await go(page, `${kitchen.url}/kitchen`);
  await page.getByLabel('Brim litres of 60 L kettle').fill('80');
  await page.getByLabel('Brim litres of 60 L kettle').press('Tab');
  await kept(page);
  await go(page, kitchen.url + POT);
  await expect(batch(page)).toContainText('one load in the 60 L kettle');
  await go(page, `${kitchen.url}/kitchen`);
  const fill = page.getByLabel('Fill of 60 L kettle in percent');
  await fill.fill('140');
  await fill.press('Tab');
  await expect(page.getByRole('alert')).toContainText('5 to 100');
  await expect(fill).toHaveValue('140');
  await page.getByLabel('Brim litres of 60 L kettle').fill('60');
  await page.getByLabel('Brim litres of 60 L kettle').press('Tab');
  await kept(page);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByLabel('Brim litres of 60 L kettle')).toHaveValue('80');
  await page.getByRole('button', { name: 'Redo' }).click();
  await expect(page.getByLabel('Brim litres of 60 L kettle')).toHaveValue('60');
  await kept(page);
});

test('a new kitchen from a set of machines plans the same dish its own way', async ({ page }) => {
  await go(page, `${kitchen.url}/kitchen`);
  await page.getByLabel('Name', { exact: true }).last().fill('Orchard day centre');
  await page.getByLabel('Start with the machines of a').selectOption({ index: 1 });
  await page.getByRole('button', { name: 'Make the kitchen' }).click();
  await expect(page.getByRole('heading', { name: 'Orchard day centre' })).toBeVisible();
  await page.getByRole('button', { name: 'griddle', exact: true }).click();
  await expect(page.getByLabel('Name of New griddle')).toBeVisible();
  await page.getByLabel('Fat for frying onions').selectOption('water or stock');
  await kept(page);
  await page.reload();
  await expect(page.getByLabel('Name of New griddle')).toBeVisible();
  await go(page, kitchen.url + POT);
  await expect(batch(page)).toContainText('54.0');
  await expect(page.locator('.caution', { hasText: 'Olive oil in the pan' })).toContainText(
    'this kitchen fries in water or stock',
  );
  await page.getByRole('button', { name: /Asked here: Water instead/ }).click();
  await expect(page.locator('.caution', { hasText: 'Olive oil in the pan' })).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo' }).click();
});

test('two people set up one kitchen: the second is told and chooses', async ({ browser }) => {
  const [one, two] = [await browser.newPage(), await browser.newPage()];
  for (const page of [one, two]) await go(page, `${kitchen.url}/kitchen`);
  await one.getByLabel('Transfer loss in percent').fill('3');
  await one.getByLabel('Transfer loss in percent').press('Tab');
  await kept(one);
  await two.getByLabel('Pulses').selectOption('tinned and rinsed');
  await expect(two.getByRole('alert')).toContainText('Someone else changed this kitchen');
  await two.getByRole('button', { name: 'Take theirs' }).click();
  await expect(two.getByLabel('Transfer loss in percent')).toHaveValue('3');
  await two.getByLabel('Transfer loss in percent').fill('2');
  await two.getByLabel('Transfer loss in percent').press('Tab');
  await kept(two);
  await one.close();
  await two.close();
});

test('components of the ticked dishes are one demand, and the ticks stay', async ({ page }) => {
  await go(page, `${kitchen.url}/prepare`);
  await page.getByRole('checkbox', { name: /Celeriac and black-eyed bean bake/ }).check();
  await page.getByRole('checkbox', { name: /Barley, leek and white bean pot/ }).check();
  const cream = page.locator('[data-component]', {
    has: page.getByRole('heading', { name: /Sunflower seed cream/ }),
  });
  await expect(cream.locator('.asked li')).toHaveCount(2);
  await expect(cream).toContainText(/needed, .* over/);
  await page.reload();
  await expect(page.getByRole('checkbox', { name: /Celeriac/ })).toBeChecked();
  await expect(cream.locator('.asked li')).toHaveCount(2);
  await page.getByRole('checkbox', { name: /Celeriac/ }).uncheck();
  await expect(cream.locator('.asked li')).toHaveCount(1);
});
