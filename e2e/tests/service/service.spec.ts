/** A service: heads in, a plan out; late heads and a broken oven; lists to take along. */
import { expect, type Page } from '@playwright/test';
import { go, open, type Opened, test } from '../../support/kitchen';

let kitchen: Opened;
test.beforeAll(async () => {
  kitchen = await open('service', 4406);
});
test.afterAll(() => kitchen.stop());
test.describe.configure({ mode: 'serial' });

const plan = (page: Page) => page.getByRole('region', { name: 'The plan' });
const kept = (page: Page) => expect(page.getByTestId('service-state')).toHaveText('Kept');
const DISHES = [
  'Red lentil and tomato soup with sesame',
  'Celeriac and black-eyed bean bake',
  'Plum and oat bake',
];
let address = '';

test('from heads to the printed lists', async ({ page, request }) => {
  await go(page, `${kitchen.url}/services`);
  await page.getByLabel('Day').fill('2026-12-03');
  await page.getByLabel('Meal').fill('Supper');
  await page.getByLabel('Ready at').fill('13:30');
  await page.getByRole('button', { name: 'Plan it' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Supper' })).toBeVisible();
  address = page.url();
  // The usual portions of each group stand there already.
  await expect(page.getByLabel('Heads of Coeliac')).toHaveValue('7');
  for (const dish of DISHES) {
    await page.getByLabel('A dish to put on').selectOption({ label: dish });
    await page.getByRole('button', { name: 'Put it on' }).click();
    await expect(page.getByRole('link', { name: dish })).toBeVisible();
  }
  await kept(page);
  await expect(page.locator('.dish').first()).toContainText('120 portions');
  await expect(plan(page)).toContainText('everything is ready at 13:30');
  await expect(plan(page).getByRole('row', { name: /Portion.*Plum and oat bake/ })).toContainText('13:30');
  await page.getByRole('button', { name: 'By person' }).click();
  await expect(plan(page).getByText('Person 1', { exact: true }).first()).toBeVisible();
  await page.getByRole('button', { name: 'Shopping list' }).click();
  await expect(page.getByRole('region', { name: 'Shopping list' })).toContainText('without VAT');
  for (const list of ['Day sheet', 'Pull list', 'Prep list', 'Shopping list']) {
    const href = await page.getByRole('link', { name: `${list} as PDF` }).getAttribute('href');
    const answer = await request.get(kitchen.url + href!);
    expect([list, answer.status(), answer.headers()['content-type']]).toEqual([list, 200, 'application/pdf']);
  }
  const calendar = await page.getByRole('link', { name: 'Calendar file' }).getAttribute('href');
  expect(await (await request.get(kitchen.url + calendar!)).text()).toContain('BEGIN:VCALENDAR');
});

test('seven late coeliacs and a broken oven: planned anew, with what moved, and undone', async ({ page }) => {
  await go(page, address);
  await expect(plan(page)).toContainText('Begin');
  await page.getByLabel('Heads of Coeliac').fill('14');
  await page.getByLabel('Heads of Coeliac').press('Tab');
  await expect(page.locator('.facts')).toContainText('127 heads');
  await expect(plan(page).getByText(/The last change moved/)).toBeVisible();
  await expect(page.locator('.dish').first()).toContainText('127 portions');
  await page.getByRole('button', { name: '6-level oven' }).click();
  await expect(page.getByRole('button', { name: '6-level oven: out of use' })).toHaveAttribute(
    'aria-pressed',
    'false',
  );
  await kept(page);
  await expect(plan(page).getByRole('cell', { name: /6-level oven/ })).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(page.getByRole('button', { name: '6-level oven' })).toHaveAttribute('aria-pressed', 'true');
  await expect(
    plan(page)
      .getByRole('cell', { name: /6-level oven/ })
      .first(),
  ).toBeVisible();
  await kept(page);
  await page.reload();
  await expect(page.getByLabel('Heads of Coeliac')).toHaveValue('14');
});

test('heads pasted: what cannot be taken is told by its row, and the rest takes their place', async ({
  page,
}) => {
  await go(page, address);
  await expect(plan(page)).toContainText('Begin');
  await page.getByText('Paste or import heads').click();
  const table =
    'diet;ward;bed\nCoeliac;Ward 1;1-04\nCoeliac;Ward 1;1-04\nNobody;Ward 1;1-05\nNo nut;Ward 2;2-01';
  await page.getByLabel('Heads as a table').fill(table);
  await page.getByRole('button', { name: 'Read them' }).click();
  await expect(page.getByText('2 rows taken, 2 refused.')).toBeVisible();
  await expect(page.getByText(/Row 3: the code "1-04" stands there twice/)).toBeVisible();
  await expect(page.getByText(/Row 4: this kitchen has no group "Nobody"/)).toBeVisible();
  await page.getByRole('button', { name: /Put these heads/ }).click();
  await expect(page.locator('.facts')).toContainText('2 heads');
  await kept(page);
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(page.locator('.facts')).toContainText('127 heads');
  await kept(page);
});

test('two people at one service: the second is told and chooses', async ({ page, request }) => {
  await go(page, address);
  await expect(plan(page)).toContainText('Begin');
  const at = `${kitchen.url}/api${new URL(address).pathname}`;
  const { kitchenId, date, readyAt, heads, dishes, overShare, team, without, version } = (await (
    await request.get(at)
  ).json()) as Record<string, unknown>;
  const theirs = {
    kitchenId,
    date,
    readyAt,
    heads,
    dishes,
    overShare,
    team,
    without,
    version,
    meal: 'Late supper',
  };
  expect((await request.put(at, { data: theirs })).status()).toBe(200);
  await page.getByLabel('Heads of No soy').fill('9');
  await page.getByLabel('Heads of No soy').press('Tab');
  await expect(page.getByRole('alert')).toContainText('Someone else changed this service');
  await page.getByRole('button', { name: 'Take theirs' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Late supper' })).toBeVisible();
});

test('a day that cannot be says so first, and what is short', async ({ page }) => {
  await go(page, address);
  await expect(plan(page)).toContainText('Begin');
  await page.getByLabel('ready at').fill('07:00');
  await expect(page.locator('.facts')).toContainText(/begins|cannot/);
  await page.getByLabel('Heads of Everyone else').fill('9000');
  await page.getByLabel('Heads of Everyone else').press('Tab');
  await expect(plan(page).getByRole('alert')).toContainText('It cannot be ready at 07:00');
  await expect(plan(page).getByRole('alert')).toContainText(/Short of|before there is anybody/);
  await plan(page).getByRole('button', { name: 'What would help?' }).click();
  await expect(plan(page).getByRole('alert')).toContainText(
    /Any one of these is enough|No single thing is enough/,
  );
});

test('taken off, it is gone from the list', async ({ page }) => {
  await go(page, address);
  await page.getByRole('button', { name: 'Take this service off the list' }).click();
  await expect(page).toHaveURL(/\/services$/);
  await expect(page.getByRole('heading', { name: 'Services' })).toBeVisible();
  await expect(page.getByText('Late supper')).toHaveCount(0);
});
