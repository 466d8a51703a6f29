/** The cycle menu and the store: dishes moved by hand and by key, weeks copied, services filled, and what stands in store used. */
import { expect, type Page } from '@playwright/test';
import { go, open, type Opened, test } from '../../support/kitchen';

let kitchen: Opened;
test.beforeAll(async () => {
  kitchen = await open('cycle', 4409);
});
test.afterAll(() => kitchen.stop());
test.describe.configure({ mode: 'serial' });

const cell = (page: Page, name: string) => page.getByRole('group', { name, exact: true });
const dish = (page: Page, place: string, name: string) =>
  cell(page, place).getByRole('button', { name: new RegExp(`^${name}`) });
const kept = (page: Page) => expect(page.getByTestId('cycle-state')).toHaveText('Kept');
const plan = (page: Page) => page.getByRole('region', { name: 'The plan' });

test('a dish is moved by key and by hand, taken off and put on; a week is copied; undo takes it back', async ({
  page,
}) => {
  await go(page, `${kitchen.url}/cycle`);
  await expect(page.getByRole('heading', { level: 1, name: 'Cycle menu' })).toBeVisible();
  const slaw = 'Kohlrabi and radish slaw';
  await dish(page, 'Week 1, Wednesday, Supper', slaw).focus();
  await page.keyboard.press('ArrowUp');
  await expect(dish(page, 'Week 1, Wednesday, Lunch', slaw)).toBeFocused();
  await page.keyboard.press('ArrowRight');
  await expect(dish(page, 'Week 1, Thursday, Lunch', slaw)).toBeFocused();
  await expect(dish(page, 'Week 1, Wednesday, Lunch', slaw)).toHaveCount(0);
  await kept(page);
  await dish(page, 'Week 1, Thursday, Lunch', slaw).dragTo(
    cell(page, 'Week 1, Friday, Lunch').locator('.dishes'),
    { targetPosition: { x: 40, y: 12 } },
  );
  await expect(dish(page, 'Week 1, Friday, Lunch', slaw)).toBeVisible();
  await expect(dish(page, 'Week 1, Thursday, Lunch', slaw)).toHaveCount(0);
  await dish(page, 'Week 1, Friday, Lunch', slaw).focus();
  await page.keyboard.press('Delete');
  await expect(dish(page, 'Week 1, Friday, Lunch', slaw)).toHaveCount(0);
  const pot = 'Barley, leek and white bean pot';
  await page.getByRole('button', { name: 'Add a dish, Week 1, Monday, Supper' }).click();
  await page.getByLabel('A dish for Week 1, Monday, Supper').selectOption({ label: pot });
  await expect(dish(page, 'Week 1, Monday, Supper', pot)).toBeVisible();
  await page.getByLabel('Copy this week over another').selectOption({ label: 'week 2' });
  await expect(dish(page, 'Week 2, Monday, Supper', pot)).toBeVisible();
  await kept(page);
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(dish(page, 'Week 2, Monday, Supper', pot)).toHaveCount(0);
  await kept(page);
  await page.reload();
  await expect(dish(page, 'Week 1, Monday, Supper', pot)).toBeVisible();
});

test('how a week stands is told, and what is found stands where it is', async ({ page }) => {
  await go(page, `${kitchen.url}/cycle`);
  const week = page.getByRole('region', { name: 'How week 1 stands', exact: false }).first();
  await expect(week).toContainText('Average of a day');
  await expect(cell(page, 'Week 1, Monday, Supper')).toContainText('Coeliac: no bread for them');
  await page.getByRole('button', { name: 'Week 2', exact: true }).click();
  await expect(page.getByRole('heading', { name: /How week 2 stands/ })).toBeVisible();
});

test('a week of services from the cycle, a menu to hang out, and a service from it that is planned', async ({
  page,
  request,
}) => {
  await go(page, `${kitchen.url}/cycle`);
  await page.getByLabel('From', { exact: true }).fill('2027-01-04');
  await page.getByLabel('To', { exact: true }).fill('2027-01-05');
  await page.getByRole('button', { name: 'Plan these services' }).click();
  await expect(page.getByRole('status').filter({ hasText: '4 services planned' })).toBeVisible();
  for (const name of ['Menu as PDF', 'Menu as CSV', 'Page']) {
    const href = await page.getByRole('link', { name, exact: true }).getAttribute('href');
    expect([name, (await request.get(kitchen.url + href!)).status()]).toEqual([name, 200]);
  }
  await page.getByRole('button', { name: 'Plan these services' }).click();
  await expect(
    page.getByRole('status').filter({ hasText: '0 services planned, 4 were there already' }),
  ).toBeVisible();
});

test('a task is moved by key and held, refused where it cannot stand, and let go', async ({ page }) => {
  await go(page, `${kitchen.url}/services`);
  await page.getByRole('link', { name: /Lunch.*ready at 12:00.*108 heads/ }).click();
  await expect(plan(page)).toContainText('Begin');
  const bar = plan(page).locator('.task.weigh[aria-label^="08:"]').last();
  const name = (await bar.getAttribute('aria-label'))!.replace(/^.*?: /, '');
  await bar.focus();
  await page.keyboard.press('ArrowLeft');
  await expect(plan(page).getByText('Held where they are:')).toBeVisible();
  await expect(plan(page).getByRole('button', { name: `${name}, held here` })).toBeVisible();
  await plan(page)
    .getByRole('button', { name: /let it go/ })
    .click();
  await expect(plan(page).getByText('Held where they are:')).toHaveCount(0);
  const last = plan(page).locator('.task.portion').last();
  await last.focus();
  await page.keyboard.press('ArrowRight');
  await expect(plan(page).getByRole('alert')).toContainText(/cannot begin at|stays where it was/);
});

test('a task is dragged, and the rest follows', async ({ page }) => {
  await go(page, `${kitchen.url}/services`);
  await page.getByRole('link', { name: /Lunch.*ready at 12:00.*108 heads/ }).click();
  await expect(plan(page)).toContainText('Begin');
  const bar = plan(page).locator('.task.wait').first();
  await bar.scrollIntoViewIfNeeded();
  const box = (await bar.boundingBox())!;
  await page.mouse.move(box.x + 10, box.y + 10);
  await page.mouse.down();
  await page.mouse.move(box.x - 6, box.y + 10, { steps: 3 });
  await page.mouse.up();
  await expect(plan(page).locator('.task.pinned').or(plan(page).getByRole('alert'))).toBeVisible();
});

test('counted, added to, made ahead and taken out for a service', async ({ page }) => {
  await go(page, `${kitchen.url}/stock`);
  await expect(page.getByRole('row', { name: /Barley base/ })).toContainText('made ahead');
  await page.getByLabel('Grams of Pearl barley').fill('6000');
  await page.getByLabel('Grams of Pearl barley').press('Tab');
  await page.getByRole('button', { name: 'Choose a food or a component' }).click();
  await page.getByLabel('Name of the food').fill('kitchen tomato');
  await page.getByRole('button', { name: /Kitchen tomato sauce/ }).click();
  await page.getByLabel('Weight, g').fill('2500');
  await page.getByRole('button', { name: 'Put it in' }).click();
  await expect(page.getByRole('row', { name: /Kitchen tomato sauce/ })).toContainText('made ahead');
  await page.reload();
  await expect(page.getByLabel('Grams of Pearl barley')).toHaveValue('6000');

  await go(page, `${kitchen.url}/services`);
  await page.getByRole('link', { name: /Lunch.*ready at 12:00.*108 heads/ }).click();
  await expect(plan(page)).toContainText('Begin');
  await page.getByRole('heading', { name: 'Ahead, from store, on the way' }).click();
  await page.getByLabel('When Sunflower seed cream is made').selectOption({ label: 'the day before' });
  await expect(plan(page).getByText('The day before', { exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'Take it out of store' }).click();
  await expect(page.getByRole('button', { name: 'Put it back into store' })).toBeVisible();
  await page.getByRole('button', { name: 'Put it back into store' }).click();
  await expect(page.getByRole('button', { name: 'Take it out of store' })).toBeVisible();
});

test('a plate of bases is put on with one tap; a leftover goes into store with its date', async ({
  page,
}) => {
  await go(page, `${kitchen.url}/services`);
  await page.getByRole('link', { name: /Lunch.*ready at 12:00.*108 heads/ }).click();
  await expect(plan(page)).toContainText('Begin');
  await page.getByRole('heading', { name: 'Plates from what stands in store' }).click();
  await page
    .getByRole('button', { name: /^Put it on Plate of/ })
    .first()
    .click();
  await expect(page.getByRole('link', { name: /^Plate of/ })).toBeVisible();
  const left = page.getByLabel(/^Grams left over of Plum and oat bake/).first();
  await left.fill('700');
  await page
    .getByRole('button', { name: /^Into store Plum and oat bake/ })
    .first()
    .click();
  await expect(page.getByText(/700 g in store, use by/)).toBeVisible();
  await go(page, `${kitchen.url}/stock`);
  await expect(page.getByRole('row', { name: /Plum and oat bake/ })).toContainText('leftover');
});
