/** The stove without the server: the line cut, the server and the tab killed in the middle; nothing is lost, nothing is twice. */
import { expect, type Page } from '@playwright/test';
import { go, type Killable, open, type Opened, test } from '../../support/kitchen';

let kitchen: Opened & Killable;
test.beforeAll(async () => {
  kitchen = await open('offline', 4411);
});
test.afterAll(() => kitchen.stop());

const act = (page: Page, name: string) => page.getByRole('button', { name, exact: true });
const line = (page: Page, name: string) => page.locator(`[data-stove-line="${name}"]`);
const panel = (page: Page) => page.getByRole('dialog');

async function water(page: Page, grams: number): Promise<void> {
  await act(page, 'Water added').click();
  await panel(page).getByLabel('Grams', { exact: true }).fill(String(grams));
  await expect(act(page, 'Write it down')).toBeEnabled();
  await act(page, 'Write it down').click();
  await expect(panel(page)).toHaveCount(0);
}

test('the line cut, the server killed, the tab killed: the batch goes on, opens again, and merges once', async ({
  browser,
  request,
}) => {
  const asked = await request.post(`${kitchen.url}/api/batches`, {
    data: {
      recipeId: 'barley-leek-white-bean-pot',
      kitchenId: 'alder-ward',
      target: { kind: 'portions', portions: 480, portionGrams: 280 },
    },
  });
  const { code } = (await asked.json()) as { code: string };
  const context = await browser.newContext({
    viewport: { width: 1280, height: 800 },
    serviceWorkers: 'allow',
  });
  let page = await context.newPage();
  await go(page, `${kitchen.url}/cook/${code}`);
  await expect(line(page, 'Leek')).toBeVisible();
  // The app has put itself by: it opens without the server from here on.
  await page.evaluate(() => navigator.serviceWorker.ready.then(() => true));
  await page.reload();
  await expect(line(page, 'Leek')).toBeVisible();
  await water(page, 101);
  await expect(page.getByText('not sent yet')).toHaveCount(0);

  await kitchen.kill();
  await water(page, 102);
  await expect(page.getByText('No server: it goes on here')).toBeVisible();
  await expect(page.getByText(/\d not sent yet/)).toBeVisible();
  await act(page, 'Timer').click();
  await panel(page).getByLabel('Minutes', { exact: true }).fill('30');
  await act(page, 'Start it').click();
  await expect(page.locator('[data-timer]')).toHaveCount(1);

  // The tab dies; another one opens without any server.
  await page.close();
  page = await context.newPage();
  await go(page, `${kitchen.url}/cook/${code}`);
  await expect(line(page, 'Leek')).toBeVisible();
  await expect(page.locator('[data-timer]')).toHaveCount(1);
  await expect(page.getByText('2 not sent yet')).toBeVisible();
  await water(page, 103);
  await expect(page.getByText('3 not sent yet')).toBeVisible();

  await kitchen.again();
  await expect(page.getByText('not sent yet')).toHaveCount(0);
  // Another tablet writes to the same batch meanwhile; the line breaks and comes back between two entries, again and again.
  const other = await browser.newContext({ viewport: { width: 768, height: 1024 }, serviceWorkers: 'allow' });
  const second = await other.newPage();
  await second.goto(`${kitchen.url}/cook/${code}`);
  await expect(line(second, 'Leek')).toBeVisible();
  for (let turn = 0; turn < 6; turn += 1) {
    await context.setOffline(turn % 2 === 0);
    await other.setOffline(turn % 3 === 0);
    await water(page, 200 + turn);
    await water(second, 300 + turn);
  }
  await context.setOffline(false);
  await other.setOffline(false);
  await expect(page.getByText('not sent yet')).toHaveCount(0);
  await expect(second.getByText('not sent yet')).toHaveCount(0);

  const { entries } = (await (await request.get(`${kitchen.url}/api/batches/${code}`)).json()) as {
    entries: { kind: string; grams?: number; device: string }[];
  };
  const grams = entries.filter(({ kind }) => kind === 'added').map((each) => each.grams!);
  const wanted = [101, 102, 103, ...[0, 1, 2, 3, 4, 5].flatMap((turn) => [200 + turn, 300 + turn])];
  expect([...grams].sort((one, another) => one - another)).toEqual(
    wanted.sort((one, another) => one - another),
  );
  for (const from of [200, 300]) {
    const own = grams.filter((each) => each >= from && each < from + 100);
    expect(own).toEqual([...own].sort((one, another) => one - another));
  }
  await context.close();
  await other.close();
});
