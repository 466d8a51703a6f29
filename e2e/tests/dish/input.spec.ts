/** Bad input at the screen: a clear sentence at the right place, nothing typed lost, nothing executed. */
import { expect, type Page } from '@playwright/test';
import { go, open, type Opened, test } from '../../support/kitchen';

let kitchen: Opened;
test.beforeAll(async () => {
  kitchen = await open('input', 4395);
});
test.afterAll(() => kitchen.stop());

const POT = '/dishes/barley-leek-white-bean-pot';
const told = (page: Page) => page.getByLabel('As it was told to you');

test('markup, marks of direction and pictures in letters are shown as they are, never run', async ({
  page,
}) => {
  const alarms: string[] = [];
  page.on('dialog', (dialog) => {
    alarms.push(dialog.message());
    void dialog.dismiss();
  });
  const name = '<img src=x onerror=alert(1)> 🥕 \u202egnorts';
  await go(page, `${kitchen.url}/take-in`);
  await told(page).fill(
    `${name}\nServes 2\n<script>alert(2)</script>\n100 g millet <b>bold</b>\n1e308 cups kale\n-2 kg carrots\n\nMethod\nCook "all" of it.`,
  );
  await expect(page.locator('.lines')).toContainText('<b>bold</b>');
  await expect(page.locator('.decisions')).toContainText('1e308 cups kale cannot be right');
  await expect(page.locator('.decisions')).toContainText('-2 kg carrots cannot be right');
  await page.getByRole('button', { name: 'Put it on the bench' }).click();
  await expect(page.getByLabel('Name of the dish')).toHaveValue(name);
  await page
    .getByRole('navigation', { name: 'Stages of the dish' })
    .getByRole('link', { name: /^Label/ })
    .click();
  await expect(page.getByRole('article', { name: 'Label preview' })).toContainText('<img src=x');
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Download as PDF' }).click();
  await download;
  expect(alarms).toEqual([]);
});

test('nothing, a novel and 2 MB of text each get their sentence, and stay in the box', async ({ page }) => {
  await go(page, `${kitchen.url}/take-in`);
  await expect(page.locator('.empty')).toContainText('Each line becomes a food');
  const novel =
    'It was late in the year and nobody had come over the bridge for days, or so they said.\n'.repeat(400);
  await told(page).fill(novel);
  await expect(page.getByRole('alert').first()).toContainText('No ingredient line was found');
  const long = 'a'.repeat(2_000_000);
  await told(page).fill(long);
  await expect(page.getByRole('alert').first()).toContainText('one recipe has at most 200,000');
  expect((await told(page).inputValue()).length).toBe(2_000_000);
});

test('zero, letters and absurd figures in the target are refused beside it, and the last good batch stays', async ({
  page,
}) => {
  await go(page, kitchen.url + POT);
  const portions = page.getByLabel('Portions', { exact: true });
  for (const bad of ['0', '-5', 'many']) {
    await portions.fill(bad);
    await expect(page.getByRole('alert')).toContainText('A figure above zero is needed');
    await expect(page.locator('.stage').first()).toContainText('33.6');
    await expect(portions).toHaveValue(bad);
  }
  await portions.fill('1e12');
  await expect(page.getByRole('alert').first()).toContainText('more than 100 tonnes');
  await portions.fill('60');
  await expect(page.locator('.stage').first()).toContainText('16.8');
});

test('two people on one dish: the second is told, keeps their change, and chooses', async ({ browser }) => {
  const [one, two] = await Promise.all([browser.newPage(), browser.newPage()]);
  await one.goto(`${kitchen.url}/dishes/red-lentil-tomato-soup`);
  await two.goto(`${kitchen.url}/dishes/red-lentil-tomato-soup`);
  await expect(two.getByLabel('Name of the dish')).toHaveValue(/Red lentil/);
  await one.getByLabel('Name of the dish').fill('Soup of the first');
  await one.getByLabel('Name of the dish').blur();
  await expect(one.getByTestId('save-state')).toHaveText('Saved');
  await two.getByLabel('Portions', { exact: true }).fill('77');
  await expect(two.getByRole('alert')).toContainText('Someone else saved this dish');
  await expect(two.getByLabel('Portions', { exact: true })).toHaveValue('77');
  await two.getByRole('button', { name: 'Keep mine as a copy' }).click();
  await expect(two.getByLabel('Name of the dish')).toHaveValue(/\(my copy\)/);
  await expect(two.getByLabel('Portions', { exact: true })).toHaveValue('77');
  await one.reload();
  await expect(one.getByLabel('Name of the dish')).toHaveValue('Soup of the first');
});

test('a component that contains itself is named, with its circle, and the page still works', async ({
  page,
}) => {
  await go(page, `${kitchen.url}/dishes/sunflower-seed-cream`);
  await page.getByLabel('Add a line').fill('100 g green dressing');
  await page.getByRole('button', { name: 'Add line' }).click();
  const circle = /contains itself: .*Sunflower seed cream > Green dressing > Sunflower seed cream/;
  await expect(page.getByRole('region', { name: 'Mind' })).toContainText(circle);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('region', { name: 'Mind' })).toHaveCount(0);
  await expect(page.getByTestId('save-state')).toHaveText('Saved');
});

test('a dish without portions is asked for them before it goes on the bench', async ({ page }) => {
  await go(page, `${kitchen.url}/take-in`);
  await told(page).fill('Millet\n200 g millet\n500 ml water');
  await page.getByRole('button', { name: 'Put it on the bench' }).click();
  await expect(page.getByRole('alert')).toContainText('Say how many portions it makes');
  await page.getByLabel('Portions').fill('3');
  await page.getByRole('button', { name: 'Put it on the bench' }).click();
  await expect(page.getByLabel('Portions', { exact: true })).toHaveValue('3');
});

test('steps told anew change the steam, and so the water', async ({ page }) => {
  await go(page, `${kitchen.url}/dishes/millet-porridge-pear`);
  const water = page
    .locator('tr', { has: page.locator('.name', { hasText: 'Water' }) })
    .locator('.weight .figure');
  const before = await water.innerText();
  await page.getByRole('button', { name: 'Change the steps' }).click();
  await page
    .getByLabel('Steps, one a line')
    .fill('Simmer the millet gently, uncovered, in the water for 50 minutes.\nTurn in all the rest.');
  await page.getByRole('button', { name: 'Read the steps' }).click();
  await expect(page.getByRole('region', { name: 'Method' })).toContainText('gentle simmer 50 min');
  await expect(water).not.toHaveText(before);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(water).toHaveText(before);
  await expect(page.getByTestId('save-state')).toHaveText('Saved');
});

test('a dish that is gone, and a page that never was, say so', async ({ page }) => {
  await go(page, `${kitchen.url}/dishes/never-made`);
  await expect(page.getByRole('alert')).toContainText('not in the book');
  await go(page, `${kitchen.url}/nowhere/at/all`);
  await expect(page.locator('main')).toContainText('There is no page at this address');
});

test('while the server is away, changes are kept and saved when it is back', async ({ page }) => {
  await go(page, `${kitchen.url}/dishes/caraway-flatbread`);
  await expect(page.getByLabel('Portions', { exact: true })).toHaveValue('80');
  await page.route('**/api/recipes/**', (route) => route.abort());
  await page.getByLabel('Portions', { exact: true }).fill('90');
  await expect(page.getByRole('alert')).toContainText('The server does not answer');
  await expect(page.locator('.stage').first()).toContainText('8.10');
  await page.unroute('**/api/recipes/**');
  await expect(page.getByTestId('save-state')).toHaveText('Saved');
  await page.reload();
  await expect(page.getByLabel('Portions', { exact: true })).toHaveValue('90');
});
