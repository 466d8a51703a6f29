/** What is kept and what is not: slow saves, reloads, a server that is away, names of others, and a label that was released. */
import { expect, type Page } from '@playwright/test';
import { go, open, type Opened, test } from '../../support/kitchen';

const POT = '/dishes/barley-leek-white-bean-pot';
const FLATBREAD = '/dishes/caraway-flatbread';

let kitchen: Opened;
test.describe.configure({ mode: 'serial' });
test.beforeAll(async () => {
  kitchen = await open('kept', 4408);
});
test.afterAll(() => kitchen.stop());

const portions = (page: Page) => page.getByLabel('Portions', { exact: true });

/** Holds back the saves of an address till the returned act lets them go, one after the other. */
async function heldSaves(page: Page, path: string): Promise<() => void> {
  let letGo = (): void => undefined;
  const gone = new Promise<void>((done) => (letGo = done));
  await page.route(path, async (route) => {
    if (route.request().method() === 'PUT') await gone;
    await route.continue();
  });
  return letGo;
}

test('a save that is answered after another dish was opened loses nothing of either', async ({ page }) => {
  await go(page, kitchen.url + POT);
  const letGo = await heldSaves(page, '**/api/recipes/barley-leek-white-bean-pot');
  const isSent = page.waitForRequest((request) => request.method() === 'PUT');
  await portions(page).fill('71');
  await portions(page).press('Enter');
  await isSent;
  await portions(page).fill('72');
  await portions(page).press('Enter');
  await page.getByRole('link', { name: 'Dishes', exact: true }).click();
  letGo();
  await page.getByRole('link', { name: 'Caraway flatbread' }).first().click();
  await portions(page).fill('33');
  await portions(page).press('Enter');
  await expect(page.getByTestId('save-state')).toHaveText('Saved');
  const targetOf = async (id: string): Promise<number> =>
    (
      (await (await page.request.get(`${kitchen.url}/api/recipes/${id}`)).json()) as {
        target: { portions: number };
      }
    ).target.portions;
  await expect.poll(() => targetOf('barley-leek-white-bean-pot')).toBe(72);
  expect(await targetOf('caraway-flatbread')).toBe(33);
});

/** The next save of an address reaches the server, and its answer is lost on the way back. */
async function losesAnswer(page: Page, path: string): Promise<() => Promise<void>> {
  let isLost = false;
  await page.route(path, async (route) => {
    if (isLost || route.request().method() !== 'PUT') return route.continue();
    isLost = true;
    await route.fetch();
    await route.abort();
  });
  return async () => {
    await expect.poll(() => isLost).toBe(true);
  };
}

test('a save whose answer is lost on the way is not told as somebody else’s', async ({ page }) => {
  const theirs = page.getByRole('button', { name: /Take theirs/ });
  await go(page, kitchen.url + POT);
  const isDishLost = await losesAnswer(page, '**/api/recipes/barley-leek-white-bean-pot');
  await portions(page).fill('81');
  await portions(page).press('Enter');
  await isDishLost();
  await portions(page).fill('82');
  await portions(page).press('Enter');
  await expect(page.getByTestId('save-state')).toHaveText('Saved');
  await expect(theirs).toHaveCount(0);
  await page.reload();
  await expect(portions(page)).toHaveValue('82');

  await go(page, `${kitchen.url}/kitchen`);
  const isKitchenLost = await losesAnswer(page, '**/api/kitchens/alder-ward');
  const name = page.getByLabel('Name', { exact: true }).first();
  await name.fill('Ward lost');
  await name.press('Tab');
  await isKitchenLost();
  await expect(page.getByTestId('kitchen-state')).toHaveText('Kept');
  await expect(theirs).toHaveCount(0);
});

test('two quick changes of a kitchen are both kept', async ({ page }) => {
  await go(page, `${kitchen.url}/kitchen`);
  const letGo = await heldSaves(page, '**/api/kitchens/alder-ward');
  const name = page.getByLabel('Name', { exact: true }).first();
  const isSent = page.waitForRequest((request) => request.method() === 'PUT');
  await name.fill('Ward one');
  await name.press('Tab');
  await isSent;
  await name.fill('Ward two');
  await name.press('Tab');
  letGo();
  await expect(page.getByTestId('kitchen-state')).toHaveText('Kept');
  await page.reload();
  await expect(page.getByRole('heading', { name: 'Ward two' })).toBeVisible();
});

test('an import that runs is found again after a reload', async ({ page }) => {
  await go(page, `${kitchen.url}/larder/import`);
  const rows = Array.from({ length: 60_000 }, (_, index) => `Root ${index},vegetable,1`);
  const table = ['name,category,protein_g', ...rows].join('\n');
  await page
    .getByLabel('Choose a CSV file')
    .setInputFiles({ name: 'roots.csv', mimeType: 'text/csv', buffer: Buffer.from(table) });
  await page.getByRole('button', { name: 'Try it, change nothing' }).click();
  await expect(page.getByText('What would come in')).toBeVisible();
  await page.reload();
  await expect(page.getByText('roots.csv')).toBeVisible();
  await expect(page.getByText('60,000 rows')).toBeVisible();
  await expect(page.getByLabel('What protein_g is')).toHaveValue('protein_g');
  await expect(page.getByText('Nothing has been changed yet.')).toBeVisible();
});

test('what is half typed stays while an earlier change is being kept', async ({ page }) => {
  await go(page, `${kitchen.url}/kitchen`);
  const letGo = await heldSaves(page, '**/api/kitchens/alder-ward');
  const isSent = page.waitForRequest((request) => request.method() === 'PUT');
  await page.getByLabel('Fat for frying onions').selectOption({ index: 2 });
  const name = page.getByLabel('Name', { exact: true }).first();
  await name.fill('');
  await name.pressSequentially('Ward ');
  await isSent;
  letGo();
  await expect(page.getByTestId('kitchen-state')).toHaveText('Kept');
  await name.pressSequentially('three');
  await expect(name).toHaveValue('Ward three');
  await name.press('Tab');
  await expect(page.getByRole('heading', { name: 'Ward three' })).toBeVisible();
  await expect(page.getByTestId('kitchen-state')).toHaveText('Kept');
});

test('a pack that another screen reads is in the flags of this one, without a reload', async ({ page }) => {
  await go(page, kitchen.url + POT);
  const hazards = page.locator('.stage').nth(1);
  await expect(hazards).toContainText('Gluten');
  await expect(hazards).not.toContainText('Sesame');
  const read = await page.request.put(`${kitchen.url}/api/kitchens/alder-ward/packs/pearl-barley`, {
    data: {
      productName: 'Pearl barley 5 kg',
      statement: 'Pearl barley (barley), sesame.',
      allergens: { barley: 'contains', sesame: 'contains' },
      certifiedGlutenFree: false,
      checkedBy: 'Ilse Marrow',
      checkedOn: '2026-11-20',
    },
  });
  expect(read.ok()).toBe(true);
  await page.getByRole('link', { name: /One portion/ }).click();
  await expect(hazards).toContainText('Sesame');
  const address = `${kitchen.url}/api/recipes/barley-leek-white-bean-pot`;
  const held = (await (await page.request.get(address)).json()) as { recipe: { name: string } };
  held.recipe.name = 'Pot of the other screen';
  expect((await page.request.put(address, { data: held })).ok()).toBe(true);
  await page.getByRole('link', { name: /^Batch/ }).click();
  await expect(page.getByLabel('Name of the dish')).toHaveValue('Pot of the other screen');
  await expect(page.getByText('This dish was changed on another screen')).toBeVisible();
  held.recipe.name = 'Barley, leek and white bean pot';
  const now = (await (await page.request.get(address)).json()) as { version: number };
  expect((await page.request.put(address, { data: { ...held, version: now.version } })).ok()).toBe(true);
});

test('a service that stays open follows what another screen makes of it and of its dishes', async ({
  browser,
  request,
}) => {
  const told = {
    kitchenId: 'alder-ward',
    date: '2027-02-01',
    meal: 'Late lunch',
    readyAt: '13:30',
    heads: [{ groupId: 'everyone', heads: 40 }],
    dishes: [{ recipeId: 'barley-leek-white-bean-pot', share: 1, course: '' }],
  };
  const made = await request.post(`${kitchen.url}/api/services`, { data: told });
  const { id, version } = (await made.json()) as { id: string; version: number };
  const page = await browser.newPage();
  await page.clock.install();
  await page.goto(`${kitchen.url}/services/${id}`);
  const facts = page.locator('.head .facts');
  await expect(facts).toContainText('40 heads');
  await expect(facts).toContainText('begins');
  await page.clock.fastForward(31_000);
  await expect(facts).toContainText('40 heads');
  const heads = [{ groupId: 'everyone', heads: 55 }];
  const changed = await request.put(`${kitchen.url}/api/services/${id}`, {
    data: { ...told, heads, version },
  });
  expect(changed.ok()).toBe(true);
  await page.clock.fastForward(31_000);
  await expect(facts).toContainText('55 heads');
  // What is changed here then goes over what they made, and is no conflict.
  await page.getByLabel('ready at').fill('13:45');
  await page.getByLabel('ready at').blur();
  await expect(page.getByTestId('service-state')).toHaveText('Kept');
  const kept = (await (await request.get(`${kitchen.url}/api/services/${id}`)).json()) as typeof told;
  expect([kept.readyAt, kept.heads[0]!.heads]).toEqual(['13:45', 55]);
  await expect(page.getByRole('alert')).toHaveCount(0);
  expect((await request.delete(`${kitchen.url}/api/services/${id}`)).ok()).toBe(true);
  await page.clock.fastForward(31_000);
  await expect(page.getByRole('alert')).toHaveText('There is no such service. It may have been taken off.');
  await page.close();
});

test('offline, the open dish stays, Back and Forward work, and what cannot be read says so and comes back', async ({
  browser,
}) => {
  // In a page of its own, which has the code of no page yet.
  const page = await browser.newPage();
  await go(page, `${kitchen.url}/prepare`);
  await expect(page.getByRole('heading', { name: 'What is cooked' })).toBeVisible();
  await page.getByRole('link', { name: 'Dishes', exact: true }).click();
  await page.getByRole('link', { name: 'Barley, leek and white bean pot' }).first().click();
  await expect(portions(page)).toBeVisible();
  const stage = page.getByRole('heading', { name: 'What is in a portion' });
  await page.getByRole('link', { name: /One portion/ }).click();
  await expect(stage).toBeVisible();
  await page.context().setOffline(true);
  await page.goBack();
  await expect(portions(page)).toBeVisible();
  await page.goForward();
  await expect(stage).toBeVisible();
  await page.getByRole('link', { name: 'Prepare', exact: true }).click();
  await expect(page.getByRole('alert')).toContainText('The server does not answer.');
  const away = page.getByRole('status').filter({ hasText: 'The server has not answered since' });
  await expect(away).toBeVisible();
  // A page that was never opened has no code here yet: that is said too, and the way on is kept.
  await page.getByRole('link', { name: 'Kitchen', exact: true }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'could not be fetched' })).toBeVisible();
  await page.context().setOffline(false);
  await page.getByRole('button', { name: 'Try again' }).click();
  await expect(page.getByTestId('kitchen-state')).toHaveText('Kept');
  await expect(page.getByRole('alert')).toHaveCount(0);
  await expect(away).toHaveCount(0);
  await page.close();
});

test('what belongs to an app that was updated since, a page or a panel, is got by trying again', async ({
  browser,
}) => {
  const page = await browser.newPage();
  await page.goto(kitchen.url + POT);
  await expect(portions(page)).toBeVisible();
  // The server has the parts of another build by now; a page that is loaded anew asks for those.
  let isOld = true;
  page.on('request', (request) => (isOld &&= !request.isNavigationRequest()));
  await page.route(/assets\/(?:KitchenView|SignInPanel)/, (route) =>
    isOld ? route.fulfill({ status: 404, body: 'gone' }) : route.continue(),
  );
  await page.getByRole('link', { name: 'Kitchen', exact: true }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'was updated since' })).toBeVisible();
  await page.getByRole('button', { name: 'Try again' }).click();
  await expect(page.getByTestId('kitchen-state')).toHaveText('Kept');
  isOld = true;
  await page.getByRole('link', { name: 'Labels', exact: true }).click();
  await page.getByRole('button', { name: 'Sign in' }).first().click();
  await expect(page.getByRole('alert').filter({ hasText: 'was updated since' })).toBeVisible();
  await page.getByRole('button', { name: 'Try again' }).click();
  await expect(page).toHaveURL(/labels$/);
  await expect(page.getByRole('alert')).toHaveCount(0);
  await page.getByRole('button', { name: 'Sign in' }).first().click();
  await expect(page.getByRole('dialog', { name: 'Sign in' })).toBeVisible();
  await page.close();
});

test('a first read that fails says what is away, not what was saved, and goes on by itself', async ({
  page,
}) => {
  await page.route('**/api/larder', (route) =>
    route.fulfill({ status: 503, json: { error: { code: 'database-down', message: 'x', details: [] } } }),
  );
  await page.goto(`${kitchen.url}/`);
  await expect(page.getByRole('alert')).toContainText('The database does not answer.');
  await expect(page.getByRole('alert')).not.toContainText('saved');
  await page.unroute('**/api/larder');
  await expect(page.getByText('Caraway flatbread').first()).toBeVisible();
  await expect(page.getByRole('alert')).toHaveCount(0);
});

test('nobody is filled in for another, and a released label is shown as it was released until it is stale', async ({
  page,
}) => {
  await go(page, `${kitchen.url}/people`);
  const dialog = page.getByRole('dialog');
  const signIn = async (): Promise<void> => {
    await page
      .getByRole('button', { name: /Sign in/ })
      .first()
      .click();
    await expect(dialog.getByLabel('Name')).toHaveValue('');
    await expect(dialog.getByLabel('Password')).toHaveValue('');
    await dialog.getByLabel('Name').fill('wenna');
    await dialog.getByLabel('Password').fill('ladle-manager-1');
    await dialog.getByRole('button', { name: 'Sign in' }).click();
    await expect(signOut).toBeVisible();
  };
  const signOut = page.getByRole('button', { name: 'Wenna Alder: sign out' });
  await signIn();
  await signOut.click();
  await signIn();
  await go(page, `${kitchen.url}/larder?food=leek`);
  await page.getByRole('button', { name: 'Its pack' }).first().click();
  await expect(dialog.getByLabel('Read by')).toHaveValue('Wenna Alder');

  await go(page, `${kitchen.url}${FLATBREAD}/label`);
  const preview = page.getByRole('article', { name: 'Label preview' });
  await expect(preview).toContainText('DRAFT');
  await page.getByRole('button', { name: 'Hand it in for checking' }).click();
  await page.getByRole('button', { name: 'I checked it against the packs' }).click();
  await page.getByRole('button', { name: /^Release/ }).click();
  await expect(page.locator('.stage').last()).toContainText('Released');
  await expect(preview).not.toContainText('DRAFT');
  await go(page, kitchen.url + FLATBREAD);
  await page.getByLabel('Add a line').fill('5 g salt');
  await page.getByRole('button', { name: 'Add line' }).click();
  await expect(page.locator('.stage').last()).toContainText('Stale');
  await go(page, `${kitchen.url}${FLATBREAD}/label`);
  await expect(preview).toContainText('DRAFT');
});

test('the strip says what nobody has checked beside what is named', async ({ page }) => {
  await go(page, kitchen.url + POT);
  const hazards = page.locator('.stage').nth(1);
  await expect(hazards).toContainText('check celery');
  await expect(hazards).toContainText('some packs nobody has checked');
});
