/** What food lies in and is lifted out of: asked where the words leave it open, counted where they do not, doubted where it cannot be. */
import { expect, type Page } from '@playwright/test';
import { go, open, type Opened, test } from '../../support/kitchen';

let kitchen: Opened;
test.describe.configure({ mode: 'serial' });
test.beforeAll(async () => {
  kitchen = await open('matter', 4341);
});
test.afterAll(() => kitchen.stop());

const dish = (title: string, lines: string[], steps: string[]): string =>
  [title, 'Serves 4', '', 'Ingredients', ...lines, '', 'Method', ...steps].join('\n');

/** Takes a dish in and opens it on the bench. */
async function takeIn(page: Page, text: string): Promise<void> {
  await go(page, `${kitchen.url}/take-in`);
  await page.getByLabel('As it was told to you').fill(text);
  await page.getByRole('button', { name: 'Put it on the bench' }).click();
  await expect(page).toHaveURL(/\/dishes\//);
  await expect(page.getByRole('row', { name: /^Water|oil/i }).first()).toBeVisible();
}
test('pasta in plenty of water and no word of draining is asked, and one tap settles it', async ({
  page,
}) => {
  await takeIn(
    page,
    dish(
      'Leek and spaghetti plate',
      ['300 g dried spaghetti', '3 l water', '200 g leeks'],
      ['Cook the spaghetti in the water for 10 minutes.', 'Turn with the leeks.'],
    ),
  );
  const water = page.locator('tr[data-line]', { hasText: /^Water/ });
  await expect(page.locator('.ledger')).toContainText(
    '3.00 kg of water with durum wheat pasta: is all of it eaten, or does what the food does not take up go down the sink?',
  );
  await page.getByRole('button', { name: 'Only what the food takes up' }).click();
  await expect(water).toContainText('of it eaten, the rest is poured off');
  await expect(page.locator('.ledger')).not.toContainText('go down the sink?');
  // The answer is kept, and can be taken back under the line.
  await page.reload();
  await expect(page.locator('tr[data-line]', { hasText: /^Water/ })).toContainText('the rest is poured off');
  await page.getByRole('button', { name: 'Water: as the method says' }).click();
  await expect(page.locator('.ledger')).toContainText('go down the sink?');
});

test('of frying oil only what is taken up is on the plate, and the balance shows where the rest is', async ({
  page,
}) => {
  await takeIn(
    page,
    dish(
      'Parsnip sticks',
      ['1 kg parsnips', '1 litre sunflower oil'],
      ['Deep-fry the parsnips for 5 minutes.'],
    ),
  );
  await expect(page.getByRole('row', { name: /^Sunflower oil/ })).toContainText('the rest stays in the pan');
  await page.getByRole('link', { name: 'Where it goes' }).click();
  const pan = page.getByTestId('balance').getByRole('row', { name: /^Oil left in the pan/ });
  await expect(pan).toContainText(/− [\d.]+ (?:g|kg)/);
  // Fat leaves with the oil: weight, water, dry matter, fat, salt.
  const cells = await pan.getByRole('cell').allInnerTexts();
  expect(cells[3]).toBe(cells[0]);
});

test('a tin with its liquid is eaten whole, and bought once', async ({ page }) => {
  await takeIn(
    page,
    dish(
      'Bean and oil plate',
      ['400 g tin butter beans, with their liquid', '20 g olive oil'],
      ['Warm through.'],
    ),
  );
  await expect(page.getByRole('row', { name: /^Butter beans tinned/ })).toContainText('240');
  await expect(page.getByRole('row', { name: /^Tin liquid of pulses/ })).toContainText('160');
});

test('a figure that is far from its kind holds the label until somebody stands for it, by name', async ({
  page,
}) => {
  await takeIn(
    page,
    dish(
      'Carrot salad',
      ['500 g carrots', '700 ml olive oil'],
      ['Grate the carrots and dress with the oil.'],
    ),
  );
  const doubted = page.getByRole('region', { name: 'Figures in doubt' });
  await expect(doubted).toContainText(
    /kcal in 100 g; a salad usually holds 10 to 420.*Most of it is Olive oil/,
  );
  await expect(page.getByRole('navigation', { name: 'Stages of the dish' })).toContainText('Draft');
  await doubted.getByRole('button', { name: 'It is so: I stand for it' }).click();
  await doubted.getByLabel('Your name').fill('Ilka');
  await page.keyboard.press('Enter');
  await expect(doubted).toHaveCount(0);
  await page.reload();
  await expect(page.getByText(/Ilka stands for it/)).toBeVisible();
  await expect(page.getByRole('region', { name: 'Figures in doubt' })).toHaveCount(0);
});
