/** At the stove: a batch of three loads with what goes wrong in it, written down as it is done; and its label. */
import { type APIRequestContext, expect, type Page } from '@playwright/test';
import { go, open, type Opened, test } from '../../support/kitchen';

let kitchen: Opened;
test.beforeAll(async () => {
  kitchen = await open('cook', 4410);
});
test.afterAll(() => kitchen.stop());
test.describe.configure({ mode: 'serial' });

const POT = 'barley-leek-white-bean-pot';
interface Batch {
  entries: { kind: string }[];
  state: { check: string[]; claim: { id: string; isKept: boolean }[]; phase: string; loads: number };
  worksheet: {
    finishedGrams: number;
    label: { ingredients: string };
    lines: { name: string; batchGrams: number | null }[];
  };
  differences: { what: string }[];
}

async function opened(request: APIRequestContext, fields: object = {}): Promise<string> {
  const answer = await request.post(`${kitchen.url}/api/batches`, {
    data: {
      recipeId: POT,
      kitchenId: 'alder-ward',
      target: { kind: 'portions', portions: 480, portionGrams: 280 },
      ...fields,
    },
  });
  return ((await answer.json()) as { code: string }).code;
}
const batchOf = async (request: APIRequestContext, code: string): Promise<Batch> =>
  (await (await request.get(`${kitchen.url}/api/batches/${code}`)).json()) as Batch;
const line = (page: Page, name: string) => page.locator(`[data-stove-line="${name}"]`);
const act = (page: Page, name: string) => page.getByRole('button', { name, exact: true });
const panel = (page: Page) => page.getByRole('dialog');
const sent = (page: Page) => expect(page.getByText('not sent yet')).toHaveCount(0);

async function say(page: Page, name: string): Promise<void> {
  await act(page, 'Who are you?').click();
  await page.getByLabel('Or only a name, not signed').fill(name);
  await act(page, 'That is me').click();
  await expect(page.getByRole('button', { name: new RegExp(name) })).toBeVisible();
}

/** Everything of the step that is on, as planned, from the pad. */
async function weighAll(page: Page): Promise<void> {
  const rows = page.getByRole('group', { name: 'Goes in now' }).locator('.not-in');
  for (let left = await rows.count(); left > 0; left = await rows.count()) {
    await rows.first().click();
    await panel(page)
      .getByRole('button', { name: /^All of it/ })
      .click();
    await expect(rows).toHaveCount(left - 1);
  }
}

test('three loads: a forgotten line, a wrong bowl, a substituted pack, two waters, five timers, a cooling that fails; and its label', async ({
  page,
  request,
}) => {
  await go(page, `${kitchen.url}/dishes/${POT}`);
  await page.getByRole('link', { name: 'Cook it' }).click();
  await expect(page.getByRole('button', { name: /Open a batch of Barley, leek/ })).toBeVisible();
  const beside = await opened(request, {
    recipeId: 'green-dressing',
    target: { kind: 'weight', grams: 2000 },
  });
  const code = await opened(request);
  await go(page, `${kitchen.url}/cook/${code}`);
  await expect(page.getByRole('heading', { name: /Step 1/ })).toContainText('load 1 of 3');
  await say(page, 'Ilka Reedmace');

  // The carrots are forgotten: said when the step is done, and added now.
  await line(page, 'Leek').click();
  await panel(page)
    .getByRole('button', { name: /^All of it/ })
    .click();
  await expect(line(page, 'Leek')).toHaveClass(/right/);
  await act(page, 'Step done').click();
  await expect(panel(page)).toContainText('Carrot belonged in here.');
  await expect(panel(page)).toContainText(/Yield .* to/);
  await act(page, 'Add it now: Carrot').click();
  await panel(page).getByLabel('Grams', { exact: true }).fill('100');
  await expect(panel(page).getByText('With this')).toBeVisible();
  await panel(page)
    .getByRole('button', { name: /^All of it/ })
    .click();
  await expect(line(page, 'Carrot')).toHaveClass(/right/);
  await act(page, 'Step done').click();
  await expect(page.getByRole('heading', { name: /Step 2/ })).toBeVisible();

  // Tamari goes into the dressing beside it: the dressing holds soy from then on, and that is said before.
  await line(page, 'Tamari').click();
  await act(page, 'Went into the wrong bowl').click();
  await panel(page).getByLabel('Grams', { exact: true }).fill('50');
  await panel(page).getByRole('button', { name: 'Green dressing' }).click();
  await expect(act(page, 'Write it down')).toBeEnabled();
  await act(page, 'Write it down').click();
  await sent(page);
  await expect
    .poll(async () => JSON.stringify((await batchOf(request, beside)).worksheet.lines))
    .toContain('Tamari');

  // Barley ran out: hazelnuts instead of a part of it; the change is told before it is written.
  await line(page, 'Pearl barley').click();
  await act(page, 'Something else instead').click();
  await panel(page).getByLabel('Grams', { exact: true }).fill('500');
  await panel(page).getByLabel('Name of the food').fill('hazelnuts');
  await panel(page).getByRole('button', { name: 'Hazelnuts', exact: true }).click();
  await expect(panel(page)).toContainText('Stop and read');
  await expect(panel(page)).toContainText(/Nut: contains/i);
  await act(page, 'Write it down').click();
  await expect(line(page, 'Pearl barley')).toHaveClass(/under/);
  await line(page, 'Pearl barley').click();
  await panel(page)
    .getByRole('button', { name: /^All of it/ })
    .click();

  // Another pack of stock paste: the batch stands at check on the spot.
  await line(page, 'Vegetable stock paste').click();
  await act(page, 'A pack was opened').click();
  const other = panel(page).getByRole('button', { name: 'Another pack' });
  await other.click();
  await panel(page)
    .getByLabel(/Name on the pack/)
    .fill('Paste of the corner shop');
  await panel(page).getByLabel('Lot').fill('P-9');
  await act(page, 'Write it down').click();
  await expect(page.getByText(/CHECK:.*Paste of the corner shop/)).toBeVisible();

  for (const grams of ['400', '250']) {
    await act(page, 'Water added').click();
    await panel(page).getByLabel('Grams', { exact: true }).fill(grams);
    await expect(act(page, 'Write it down')).toBeEnabled();
    await act(page, 'Write it down').click();
    await expect(panel(page)).toHaveCount(0);
  }

  for (const [name, minutes, every] of [
    ['Pot', '35', ''],
    ['Pan on the left', '0.01', ''],
    ['Roots', '20', '20'],
    ['Rice', '12', ''],
    ['Bread', '8', ''],
  ] as const) {
    await act(page, 'Timer').click();
    await panel(page).getByLabel('What for, which pan').fill(name);
    await panel(page).getByLabel('Minutes', { exact: true }).fill(minutes);
    if (every !== '') await panel(page).getByLabel('Look again and again').check();
    await act(page, 'Start it').click();
    await expect(panel(page)).toHaveCount(0);
  }
  const timers = page.getByRole('region', { name: 'Timers' });
  await expect(timers.locator('[data-timer]')).toHaveCount(5);
  await expect(timers.locator('[data-timer="Pan on the left"]')).toHaveClass(/urgency-[123]/);
  await page.reload();
  await expect(timers.locator('[data-timer]')).toHaveCount(5);
  await act(page, 'Looked: Pan on the left').click();
  await expect(timers.locator('[data-timer]')).toHaveCount(4);

  // All loads through, as planned.
  for (;;) {
    const heading = page.getByRole('heading', { level: 1 });
    await expect(heading).toBeVisible();
    const words = await heading.innerText();
    if (words.includes('all steps are done')) break;
    await weighAll(page);
    await act(page, 'Step done').click();
    await expect.poll(() => heading.innerText()).not.toBe(words);
  }

  // A cooling that fails: forecast first, then a reading after its time, and what was done.
  const measure = async (celsius: string, ago: string): Promise<void> => {
    await act(page, 'Temperature').click();
    await act(page, 'Cooling').click();
    await panel(page).getByLabel('Where').fill('GN 1/1, cold room');
    await panel(page).getByLabel('Degrees', { exact: true }).fill(celsius);
    await panel(page).getByLabel('It was measured before').check();
    await panel(page).getByLabel('Minutes ago').fill(ago);
    await act(page, 'Write it down').click();
    await expect(panel(page)).toHaveCount(0);
  };
  await measure('63', '100');
  await measure('50', '40');
  await measure('41', '5');
  await expect(
    page.getByText(/Cooling, GN 1\/1, cold room: It was not at 8 °C in time/).first(),
  ).toBeVisible();
  await act(page, 'What was done?').click();
  await act(page, 'Thrown away').click();
  await expect(act(page, 'What was done?')).toHaveCount(0);

  await act(page, 'Finish').click();
  await panel(page).getByLabel('Finished weight, g').fill('131000');
  await act(page, 'Weighed').click();
  await panel(page).getByLabel('Portions', { exact: true }).fill('466');
  await act(page, 'Counted').click();
  await panel(page).getByRole('button', { name: 'Taste: 4 of 5' }).click();
  await act(page, 'Note it').click();
  await act(page, 'Close the batch').click();
  await sent(page);

  await expect.poll(async () => (await batchOf(request, code)).state.phase).toBe('closed');
  const batch = await batchOf(request, code);
  expect(batch.state.loads).toBe(3);
  expect(batch.worksheet.finishedGrams).toBe(131_000);
  expect(batch.worksheet.label.ingredients).toMatch(/hazelnut/i);
  const water = batch.worksheet.lines.filter(({ name }) => name === 'Water');
  expect(water.some(({ batchGrams }) => Math.round(batchGrams!) === 650)).toBe(true);
  expect(batch.entries.filter(({ kind }) => kind === 'timer-started')).toHaveLength(5);

  await go(page, `${kitchen.url}/records/${code}`);
  await expect(page.getByRole('region', { name: 'Critical points', exact: true })).toContainText(
    'Cooling, GN 1/1, cold room',
  );
  await expect(page.getByText('The released label of the dish does not cover it.')).toBeVisible();
  await expect(page.getByText(/Pearl barley.*instead/).first()).toBeVisible();
  await act(page, 'Hand in its own label for checking').click();
  const signIn = page.getByRole('dialog');
  await signIn.getByLabel('Name').fill('wenna');
  await signIn.getByLabel('Password').fill('ladle-manager-1');
  await signIn.getByRole('button', { name: 'Sign in' }).click();
  await expect(signIn).toHaveCount(0);
  await act(page, 'Hand in its own label for checking').click();
  await expect(
    page.getByText(/Handed in\. Open before it can be checked:.*Paste of the corner shop/),
  ).toBeVisible();
  for (const file of ['pdf', 'csv']) {
    const answer = await request.get(`${kitchen.url}/api/batches/${code}/record.${file}`);
    expect(answer.status()).toBe(200);
  }
  await go(page, `${kitchen.url}/recall?lot=P-9`);
  await expect(page.getByRole('region', { name: 'Batches, table' })).toContainText(code);
});

test('a free-from batch of a service asks for clean equipment, and says its claim the whole time', async ({
  page,
  request,
}) => {
  const date = new Date().toISOString().slice(0, 10);
  const answer = await request.post(`${kitchen.url}/api/services`, {
    data: {
      kitchenId: 'alder-ward',
      date,
      meal: 'Supper',
      readyAt: '18:00',
      heads: [{ groupId: 'coeliac', heads: 4 }],
      dishes: [{ recipeId: 'celeriac-bean-bake' }],
    },
  });
  const { id } = (await answer.json()) as { id: string };
  await go(page, `${kitchen.url}/services/${id}`);
  await page
    .getByRole('link', { name: /^Cook it/ })
    .first()
    .click();
  await page.getByRole('button', { name: /Open a batch of/ }).click();
  await expect(page.getByText(/TO BE FREE FROM.*GLUTEN/)).toBeVisible();
  await expect(act(page, 'Step done')).toHaveCount(0);
  await act(page, 'The equipment is clean: begin').click();
  await expect(act(page, 'Step done')).toBeVisible();
  await act(page, 'Something else').click();
  await act(page, 'Something else went in').click();
  await panel(page).getByLabel('Name of the food').fill('plain wheat flour');
  await panel(page).getByRole('button', { name: 'Plain wheat flour', exact: true }).click();
  await panel(page).getByLabel('Grams', { exact: true }).fill('20');
  await expect(panel(page)).toContainText('No longer free from gluten');
  await act(page, 'Write it down').click();
  await expect(page.getByText('NOT FREE FROM GLUTEN')).toBeVisible();
  await sent(page);
  // What was cooked is what is served: the coeliacs stand without it, and their slips say so.
  await page.goto(`${kitchen.url}/services/${id}`);
  await expect(page.getByText('Coeliac: 4 without this dish.')).toBeVisible();
  await expect(page.locator('main')).toContainText(/cooked as \d{6}-\d{4} \(gluten: contains\)/);
  const day = (await (await request.get(`${kitchen.url}/api/services/${id}/day`)).json()) as {
    notes: string[];
  };
  expect(day.notes[0]).toContain('NOT FOR COELIAC (4)');
});

test('a note that names a food is asked the whole time, till somebody signs that none of it went in', async ({
  page,
  request,
  playwright,
}) => {
  const elsewhere = await playwright.request.newContext({ baseURL: kitchen.url });
  await elsewhere.post('/api/session', { data: { login: 'wenna', password: 'ladle-manager-1' } });
  await elsewhere.put('/api/pin', { data: { pin: '4711' } });
  await elsewhere.dispose();
  const code = await opened(request);
  await go(page, `${kitchen.url}/cook/${code}`);
  await act(page, 'Something else').click();
  await panel(page).getByLabel('A note').fill('the peanut butter stood open beside it');
  await act(page, 'Write it down').click();
  await page.keyboard.press('Escape');
  const asked = page.getByRole('alert').filter({ hasText: 'peanut butter' });
  await expect(asked).toContainText('no entry says that it went in');
  await act(page, 'Answer for it').click();
  await expect(act(page, 'I stand for it')).toBeDisabled();
  await act(page, 'Sign with a PIN').click();
  await panel(page).getByRole('button', { name: 'Wenna Alder' }).click();
  for (const digit of '4711') await panel(page).getByRole('button', { name: digit, exact: true }).click();
  await panel(page).getByRole('button', { name: 'Sign', exact: true }).click();
  await act(page, 'Answer for it').click();
  await panel(page).getByLabel('What you know of it').fill('Looked: none of it went in');
  await act(page, 'I stand for it').click();
  await expect(asked).toHaveCount(0);
  await sent(page);
  expect((await batchOf(request, code)).state.check).toEqual([]);
});

test('by keyboard alone: a line is weighed in, a step is done, the last is taken back', async ({
  page,
  request,
}) => {
  const code = await opened(request);
  await go(page, `${kitchen.url}/cook/${code}`);
  await line(page, 'Leek').focus();
  await page.keyboard.press('Enter');
  await panel(page).getByLabel('Grams', { exact: true }).focus();
  await page.keyboard.type('1234');
  await page.keyboard.press('Enter');
  await expect(line(page, 'Leek')).toContainText('1,234 g in'.replace('1,234 g', '1.23 kg'));
  await act(page, 'Take back').focus();
  await page.keyboard.press('Enter');
  await expect(line(page, 'Leek')).toHaveClass(/not-in/);
  await line(page, 'Leek').focus();
  await page.keyboard.press('Enter');
  await page.keyboard.press('Escape');
  await expect(panel(page)).toHaveCount(0);
});

for (const [name, size] of [
  ['a phone', { width: 390, height: 844 }],
  ['a tablet upright', { width: 768, height: 1024 }],
] as const)
  test(`under a finger on ${name}: weights are 40 px and more, what is tapped 64 px`, async ({
    browser,
    request,
  }) => {
    const code = await opened(request);
    const context = await browser.newContext({
      viewport: size,
      hasTouch: true,
      isMobile: true,
      serviceWorkers: 'block',
    });
    const page = await context.newPage();
    await go(page, `${kitchen.url}/cook/${code}`);
    await expect(line(page, 'Leek')).toBeVisible();
    const weight = await line(page, 'Leek')
      .locator('.weight')
      .evaluate((each) => parseFloat(getComputedStyle(each).fontSize));
    expect(weight).toBeGreaterThanOrEqual(40);
    for (const target of await page.locator('.stove button:visible, .stove a:visible').all()) {
      const box = (await target.boundingBox())!;
      expect([await target.innerText(), Math.round(box.height) >= 64]).toEqual([expect.anything(), true]);
    }
    const overflow = await page.evaluate(() => document.documentElement.scrollWidth - innerWidth);
    expect(overflow).toBeLessThanOrEqual(0);
    await line(page, 'Leek').tap();
    await panel(page).getByRole('button', { name: '7', exact: true }).tap();
    await panel(page).getByRole('button', { name: '5', exact: true }).tap();
    await panel(page).getByRole('button', { name: 'Put in' }).tap();
    await expect(line(page, 'Leek')).toContainText('75 g in');
    await context.close();
  });
