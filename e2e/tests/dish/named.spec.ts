/** Words that no line holds: asked where they stand, settled by one tap, and never clear by themselves. */
import { expect } from '@playwright/test';
import { go, open, type Opened, test } from '../../support/kitchen';

let kitchen: Opened;
test.describe.configure({ mode: 'serial' });
test.beforeAll(async () => {
  kitchen = await open('named', 4336);
});
test.afterAll(() => kitchen.stop());

const DISH = [
  'Carrot plate',
  'Serves 4, portions of 200 g',
  '',
  '600 g carrots',
  '20 g olive oil',
  '',
  'Method',
  'Roast for 30 minutes.',
  'Finish with toasted walnuts and a drizzle of honey.',
].join('\n');

test('a dish that names walnuts and honey only in a step is asked about both, and says so on the menu', async ({
  page,
}) => {
  await go(page, `${kitchen.url}/take-in`);
  await page.getByLabel('As it was told to you').fill(DISH);
  const named = page.getByRole('region', { name: 'Named, and in no line' });
  await expect(named.getByRole('listitem')).toHaveCount(2);
  await expect(named).toContainText('“walnuts” stands in step 2');
  // It is not in the dish: somebody says so, by name.
  const honey = named.getByRole('listitem').filter({ hasText: 'honey' });
  await honey.getByRole('button', { name: 'It is not in the dish' }).click();
  await honey.getByLabel('Your name').fill('Ilka');
  await page.keyboard.press('Enter');
  await expect(named.getByRole('listitem')).toHaveCount(1);
  await page.getByRole('button', { name: 'Put it on the bench' }).click();
  await expect(page).toHaveURL(/\/dishes\//);
  const onBench = page.getByRole('region', { name: 'Named, and in no line' });
  await expect(onBench.getByRole('listitem')).toHaveCount(1);
  const hazards = page.getByRole('region', { name: 'Who must not eat it' });
  await expect(hazards).toContainText('check nut');
  await expect(hazards).toContainText('"walnuts" in step 2');
  const id = page.url().split('/').pop()!;
  const saved = (await (await page.request.get(`${kitchen.url}/api/recipes/${id}`)).json()) as {
    recipe: { notIn: { name: string; by: string }[] };
  };
  expect(saved.recipe.notIn).toMatchObject([{ name: 'honey', by: 'Ilka' }]);
  // It is in: it goes into the list, and the list contains it from then on.
  await onBench.getByRole('button', { name: 'It is in: add it to the list' }).click();
  await expect(onBench).toHaveCount(0);
  await expect(page.getByRole('region', { name: 'Who must not eat it' })).toContainText('Nut');
  await page.keyboard.press('Control+z');
});

test('by keyboard alone, and a line of several foods is several lines', async ({ page }) => {
  await go(page, `${kitchen.url}/take-in`);
  await page
    .getByLabel('As it was told to you')
    .fill(`Beans\nServes 2\n\n200 g green beans with almonds\n\nMethod\nServe with feta.`);
  await expect(page.locator('ol.lines > li')).toHaveCount(2);
  const named = page.getByRole('region', { name: 'Named, and in no line' });
  const no = named.getByRole('button', { name: 'It is not in the dish' });
  await no.focus();
  await page.keyboard.press('Enter');
  await expect(named.getByLabel('Your name')).toBeFocused();
  await page.keyboard.type('Tamsin');
  await page.keyboard.press('Enter');
  await expect(named).toHaveCount(0);
});
