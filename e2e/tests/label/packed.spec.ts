/** Packs told on the label, what the law still misses, many labels and slips in one job, and the kitchen's own day. */
import { execFileSync } from 'node:child_process';
import { type Browser, expect, type Page } from '@playwright/test';
import { go, open, type Opened, test } from '../../support/kitchen';

let kitchen: Opened;
test.beforeAll(async () => {
  kitchen = await open('packed', 4407);
});
test.afterAll(() => kitchen.stop());

const TRAY = '/dishes/quinoa-cabbage-tray/label';
const BREAD = '/dishes/caraway-flatbread/label';
const POT = '/dishes/fennel-butter-bean-pot/label';

async function signIn(page: Page, login: string, role: string): Promise<void> {
  const out = page.getByRole('button', { name: /sign out$/ });
  if (await out.isVisible()) await out.click();
  await page.getByRole('button', { name: 'Sign in' }).first().click();
  const dialog = page.getByRole('dialog', { name: 'Sign in' });
  await dialog.getByLabel('Name').fill(login);
  await dialog.getByLabel('Password').fill(`ladle-${role}-1`);
  await dialog.getByRole('button', { name: 'Sign in' }).click();
  await expect(page.getByRole('button', { name: /sign out$/ })).toBeVisible();
}
const kind = (page: Page) => page.getByRole('region', { name: 'What is printed' }).locator('select').first();
const asked = (page: Page) => page.getByRole('region', { name: 'What the law asks for' });
const pack = (page: Page) => page.getByRole('region', { name: 'How it is packed' });
const label = (page: Page) => page.getByRole('article', { name: 'Label preview' });
const out = (page: Page) => page.getByRole('region', { name: 'The way out of the kitchen' });
const set = async (page: Page, name: string, value: string): Promise<void> => {
  await pack(page).getByLabel(name, { exact: true }).fill(value);
  await pack(page).getByLabel(name, { exact: true }).press('Tab');
};

async function release(page: Page, path: string, as: string): Promise<void> {
  await go(page, kitchen.url + path);
  await kind(page).selectOption(as);
  await out(page).getByRole('button', { name: 'Hand it in for checking' }).click();
  await out(page).getByRole('button', { name: 'I checked it against the packs' }).click();
  await out(page).getByRole('button', { name: 'Release it' }).click();
  await expect(out(page).locator('.release.released').first()).toBeVisible();
}

test('a pack is told, and the law has nothing left to ask; it goes with the dish', async ({ page }) => {
  await go(page, kitchen.url + TRAY);
  await kind(page).selectOption('retail');
  await expect(asked(page)).toContainText('3 points of the law missing');
  await expect(asked(page).locator('li').first()).toContainText('missing');
  await set(page, 'Portions in a pack', '4');
  await expect(label(page)).toContainText('Net weight: 1.12 kg');
  await pack(page).getByLabel('How it is kept').selectOption('chilled');
  await expect(asked(page)).toContainText('Complete: nothing its law asks for is missing');
  await expect(label(page)).toContainText('4 portions of 280 g');
  await expect(label(page)).toContainText('14 Saltmill Lane');
  await expect(label(page)).toContainText(/quinoa \d+%/);
  await pack(page).getByLabel('On labels in German').fill('Quinoa-Rotkohl-Blech');
  await pack(page).getByLabel('On labels in German').press('Tab');
  await page.getByLabel('Language').selectOption('de');
  await expect(label(page)).toContainText('Quinoa-Rotkohl-Blech');
  await expect(label(page)).toContainText('Nettogewicht: 1,12 kg');
  await page.getByLabel('Language').selectOption('en');
  await expect(page.getByTestId('save-state')).toHaveText('Saved');
  await page.reload();
  await expect(pack(page).getByLabel('Portions in a pack', { exact: true })).toHaveValue('4');
  await expect(asked(page)).toContainText('Complete');
});

test('under US law a cup and a kind of food are asked, and the whole container stands beside the serving', async ({
  page,
}) => {
  await go(page, kitchen.url + TRAY);
  await kind(page).selectOption('retail');
  await page.getByRole('radio', { name: 'United States' }).click();
  await expect(asked(page)).toContainText('Serving size in a household measure');
  await set(page, 'Portions in a pack', '2');
  await set(page, 'A portion in a household measure', '1');
  await pack(page)
    .getByLabel(/Kind of food/)
    .selectOption('mixed-dish-cup');
  await expect(label(page)).toContainText('Per container');
  await expect(label(page)).toContainText('1 cup (280g)');
  await expect(label(page)).toContainText('NET WT 19.7 oz (1 lb 3.75 oz) 560 g');
  await expect(label(page)).toContainText('Keep refrigerated at 41 °F (5 °C) or below');
  await expect(asked(page)).toContainText('Complete');
});

test('labels of several dishes leave in one job, and as one file with their batches', async ({ page }) => {
  await go(page, kitchen.url + BREAD);
  await signIn(page, 'wenna', 'manager');
  await release(page, BREAD, 'counter');
  await release(page, POT, 'retail');
  await expect(page.getByRole('link', { name: /^Label Released/ })).toBeVisible();
  await go(page, kitchen.url);
  await expect(page.locator('tr', { hasText: 'Fennel and butter bean pot' })).toContainText('label released');
  await go(page, `${kitchen.url}/labels`);
  const many = page.getByRole('region', { name: 'Labels of many dishes' });
  await many.getByLabel('How many labels of Fennel and butter bean pot').fill('3');
  await many.getByLabel('How many labels of Caraway flatbread').fill('2');
  await many.getByLabel('How many labels of Caraway flatbread').press('Tab');
  const download = page.waitForEvent('download');
  await many.getByRole('button', { name: 'All as one PDF' }).click();
  const text = execFileSync('pdftotext', [await (await download).path(), '-'], { encoding: 'utf8' });
  expect(text.match(/Net weight/g)).toHaveLength(3);
  expect(text.match(/Caraway flatbread/g)).toHaveLength(2);
  expect(text).toMatch(/Batch/);
  await many.getByRole('button', { name: 'Print 5 in one job' }).click();
  await expect(many.getByRole('status')).toContainText('5 labels of 2 batches, one job');
  await go(page, `${kitchen.url}/printer`);
  await expect(page.locator('tr[data-job]').first()).toContainText('5 of 5');
});

test('a slip for each tray; a claim typed on one stops them all', async ({ page }) => {
  await go(page, kitchen.url + POT);
  await signIn(page, 'wenna', 'manager');
  await release(page, POT, 'tray');
  const slips = page.getByRole('group', { name: 'Slips for trays' });
  for (const [index, group] of ['Bed 4', 'nut free'].entries()) {
    await slips.getByRole('button', { name: 'A line for a tray' }).click();
    await slips.getByLabel(`For whom, slip ${index + 1}`).fill(group);
    await slips.getByLabel(`For whom, slip ${index + 1}`).press('Tab');
  }
  const tray = out(page).locator('.release', { hasText: 'Ward tray slip' });
  await tray.getByRole('button', { name: 'Print', exact: true }).click();
  await expect(out(page).getByRole('alert')).toContainText('makes no claim by what is typed');
  await slips.getByRole('button', { name: 'Take out slip 2' }).click();
  await slips.getByLabel('How many slips, 1').fill('2');
  await slips.getByLabel('How many slips, 1').press('Tab');
  await tray.getByRole('button', { name: 'Print', exact: true }).click();
  await expect(out(page).getByRole('status')).toContainText('2 slips in one job');
});

/** The hour it is where the browser stands on 25 November 2026, and the day it is then in London and in Chicago. */
const HOURS: readonly [zone: string, local: string, utc: string, london: string, chicago: string][] = [
  ['America/Chicago', '00:30', '2026-11-25T06:30:00Z', '25', '25'],
  ['America/Chicago', '12:00', '2026-11-25T18:00:00Z', '25', '25'],
  ['America/Chicago', '23:30', '2026-11-26T05:30:00Z', '26', '25'],
  ['Pacific/Auckland', '00:30', '2026-11-24T11:30:00Z', '24', '24'],
  ['Pacific/Auckland', '12:00', '2026-11-24T23:00:00Z', '24', '24'],
  ['Pacific/Auckland', '23:30', '2026-11-25T10:30:00Z', '25', '25'],
  ['Europe/London', '00:30', '2026-11-25T00:30:00Z', '25', '24'],
  ['Europe/London', '12:00', '2026-11-25T12:00:00Z', '25', '25'],
  ['Europe/London', '23:30', '2026-11-25T23:30:00Z', '25', '25'],
];

async function daysIn(browser: Browser, zone: string, at: string, name: string): Promise<string> {
  const context = await browser.newContext({ timezoneId: zone, viewport: { width: 1280, height: 800 } });
  const page = await context.newPage();
  await page.clock.setFixedTime(new Date(at));
  await go(page, kitchen.url + BREAD);
  await page.getByRole('combobox', { name: 'Kitchen' }).selectOption({ label: name });
  await expect(label(page)).toContainText('Made');
  const text = await label(page).locator('pre').innerText();
  await context.close();
  return text;
}

for (const zone of ['America/Chicago', 'Pacific/Auckland', 'Europe/London'])
  test(`made and use-by are the kitchen’s day, though the screen stands in ${zone}`, async ({ browser }) => {
    // The flatbread keeps two days, the day of making counted.
    const after = (day: string): string => String(Number(day) + 1);
    for (const [, local, utc, london, chicago] of HOURS.filter(([where]) => where === zone))
      for (const [name, day] of [
        ['Alder House ward kitchen', london],
        ['Pebble Lane School kitchen', chicago],
      ] as const) {
        const text = await daysIn(browser, zone, utc, name);
        expect([local, name, text]).toEqual([local, name, expect.stringContaining(`Made: ${day} Nov 2026`)]);
        expect(text).toContain(`Best before: ${after(day)} Nov 2026`);
      }
  });
