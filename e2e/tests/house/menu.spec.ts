/** Who can eat what: the answer in words from the first screen in two taps, by hand and by keyboard, and on paper. */
import { expect, type Page } from '@playwright/test';
import { go, open, type Opened, test } from '../../support/kitchen';

let kitchen: Opened;
test.beforeAll(async () => {
  kitchen = await open('menu', 4332);
});
test.afterAll(() => kitchen.stop());

const answers = (page: Page) => page.getByRole('region', { name: 'Answers' });
const about = (page: Page, dish: string) => answers(page).locator('li', { hasText: dish });

test('can she have the bean pot? two taps from the first screen, in words', async ({ page }) => {
  await go(page, kitchen.url);
  await page.getByRole('link', { name: 'Who can eat what' }).click();
  await page.getByRole('button', { name: 'Gluten', exact: true }).click();
  await expect(about(page, 'Barley, leek and white bean pot')).toContainText(
    'No: contains gluten (barley): pearl barley.',
  );
  await expect(about(page, 'Fennel and butter bean pot')).toContainText(
    'Yes: no gluten by any line: each was checked.',
  );
  await page.getByRole('button', { name: 'Celery', exact: true }).click();
  await expect(about(page, 'Celeriac and black-eyed bean bake')).toContainText('Contains celery');
  await page.getByRole('button', { name: 'Gluten', exact: true }).click();
  await expect(about(page, 'Barley, leek and white bean pot')).toContainText(
    'Not yet: nobody has checked celery',
  );
  await about(page, 'Barley, leek and white bean pot').getByRole('link').click();
  await expect(page.getByRole('heading', { name: 'What nobody has checked' })).toBeVisible();
  await page.getByRole('button', { name: 'By line' }).click();
  const barley = page.getByRole('row', { name: /^Pearl barley/ });
  await expect(barley).toContainText('Gluten');
  await expect(barley).toContainText('a food of one ingredient');
  await expect(page.getByRole('row', { name: /^Leek/ })).toContainText(
    'clear of everything looked for here: a food of one ingredient',
  );
  await expect(page.getByRole('row', { name: /^Tamari/ })).toContainText('the rest of its pack is not read');
  await expect(page.getByRole('region', { name: 'Standards' })).toContainText(
    'Vegan, but for packs nobody has read',
  );
});

test('by keyboard alone, and the answer does not hang on colour', async ({ page }) => {
  await go(page, kitchen.url);
  await page.getByRole('link', { name: 'Who can eat what' }).focus();
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: 'Soy', exact: true }).focus();
  await page.keyboard.press('Space');
  await page.addStyleTag({
    content: '* { color: #000 !important; background: #fff !important; border-color: #000 !important; }',
  });
  const titles = await answers(page).getByRole('heading', { level: 2 }).allInnerTexts();
  expect(titles.map((title) => title.replace(/\s*\d+$/, ''))).toEqual(
    expect.arrayContaining(['Yes', 'No: it is in it']),
  );
  for (const text of await answers(page).locator('li p').allInnerTexts())
    expect(text).toMatch(/^(?:Yes|No|Not yet|Only by this kitchen's policy): /);
});

test('the whole menu: variants folded, every cell a word, another law other columns, as CSV and on paper', async ({
  page,
}) => {
  await go(page, `${kitchen.url}/menu`);
  const matrix = page.locator('.matrix');
  await expect(matrix.getByRole('row', { name: /Caraway flatbread/ })).toContainText('contains');
  for (const text of await matrix.locator('td').allInnerTexts())
    expect(text).toMatch(/^(?:contains|may|check|clear)$/);
  await expect(matrix.getByRole('columnheader', { name: 'Lupin' })).toBeVisible();
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    matrix.getByRole('link', { name: 'CSV' }).click(),
  ]);
  expect(file.suggestedFilename()).toBe('menu-allergens.csv');
  await page.emulateMedia({ media: 'print' });
  await expect(page.getByRole('heading', { name: 'Somebody must not have' })).toBeHidden();
  await expect(matrix).toBeVisible();
});

test('a kitchen that lets may-contain pass is told so, not a plain yes', async ({ page }) => {
  await go(page, `${kitchen.url}/kitchen`);
  await page.getByLabel(/“May contain” may be served as free/).check();
  await expect(page.getByTestId('kitchen-state')).toHaveText('Kept');
  await go(page, `${kitchen.url}/menu`);
  await page.getByRole('button', { name: 'Peanut', exact: true }).click();
  // Its oat drink is unread: a warning that is let pass does not cover that.
  await expect(about(page, 'Millet porridge with pear and hazelnut')).toContainText('No: may contain peanut');
  const pack = { productName: 'Oat drink 1 L', statement: 'water, oats', allergens: { oats: 'contains' } };
  const by = { certifiedGlutenFree: false, animal: 'plant', checkedBy: 'M. Tarn', checkedOn: '2026-11-21' };
  const url = `${kitchen.url}/api/kitchens/alder-ward/packs/oat-milk`;
  expect((await page.request.put(url, { data: { ...pack, ...by } })).ok()).toBe(true);
  await page.reload();
  await page.getByRole('button', { name: 'Peanut', exact: true }).click();
  await expect(answers(page)).toContainText("Only by this kitchen's policy: may contain peanut");
});
