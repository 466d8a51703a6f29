/** Serving it free from something: plans side by side, a variant that follows, swaps by hand, versions for everybody. */
import { expect, type Page } from '@playwright/test';
import { go, open, type Opened, test } from '../../support/kitchen';

let kitchen: Opened;
test.beforeAll(async () => {
  kitchen = await open('swaps', 4334);
});
test.afterAll(() => kitchen.stop());
test.describe.configure({ mode: 'serial' });

const BROTH = '/dishes/ginger-broth-noodles';
const row = (page: Page, name: string) =>
  page.locator('tr', { has: page.locator('.name', { hasText: name }) }).first();
const freeFrom = (page: Page) => page.getByRole('group', { name: 'Free from' });
const plans = (page: Page) => page.locator('.plan');
const saved = (page: Page) => expect(page.getByTestId('save-state')).toHaveText('Saved');

let variant = '';

test('the best plans stand side by side, each with ratios, hints, flags, drift and closeness', async ({
  page,
}) => {
  await go(page, kitchen.url + BROTH);
  await page.getByRole('link', { name: /Serve it/ }).click();
  await page.getByRole('group', { name: 'Diner groups' }).getByRole('button', { name: 'Coeliac' }).click();
  await expect(freeFrom(page).getByRole('button', { name: 'Gluten' })).toHaveAttribute(
    'aria-pressed',
    'true',
  );
  await expect(plans(page)).toHaveCount(3);
  const first = plans(page).first();
  await expect(first).toContainText('of 100 close in taste and texture');
  await expect(first).toContainText(/wheat noodles becomes [\d.]+ kg rice noodles/);
  await expect(first).toContainText('grain base; by weight 0.95 for 1');
  await expect(first).toContainText('gluten: contains, then clear');
  for (const figure of ['Protein', 'Fibre', 'Sodium', 'Cost'])
    await expect(first.locator('dl')).toContainText(figure);
  const tops = await plans(page).evaluateAll((all) => all.map((each) => each.getBoundingClientRect().top));
  expect(new Set(tops.map(Math.round)).size).toBe(1);
  await first.getByRole('button', { name: 'Make this variant' }).click();
  await expect(page.locator('.follows')).toContainText('Free from gluten. A variant of Ginger broth');
  variant = new URL(page.url()).pathname;
});

test('the variant beside its parent, line by line', async ({ page }) => {
  await go(page, kitchen.url + variant);
  await page.getByRole('link', { name: 'Compare line by line' }).click();
  const noodles = page.getByRole('row', { name: /Wheat noodles/ });
  await expect(noodles).toContainText('Rice noodles');
  await expect(noodles).toContainText('Soak in hot water for 8 minutes');
  await expect(page.getByRole('row', { name: /Firm tofu/ })).toContainText('the same');
  await expect(page.getByRole('row', { name: /^Gluten/ })).toContainText(/contains\s*clear/);
  await expect(page.getByRole('row', { name: /^Protein/ })).toContainText(/-\d/);
});

test('when the parent changes, the variant follows, and a swap that fits no more comes back as a decision', async ({
  page,
}) => {
  await go(page, kitchen.url + BROTH);
  await row(page, 'Barley miso').locator('.name').click();
  await page.getByLabel('Words of the line').fill('20 g wheat bran');
  await page.getByRole('button', { name: 'Read it' }).click();
  await expect(row(page, 'Wheat bran')).toBeVisible();
  await saved(page);
  await go(page, kitchen.url + variant);
  const about = page.getByRole('list', { name: 'About the swaps' });
  await expect(about).toContainText('it is not: Wheat bran');
  await expect(about).toContainText('The swap for barley miso no longer fits: it is no longer in the dish');
  await expect(page.locator('.stage').last()).toContainText('Draft');
  await about.getByRole('button', { name: 'Take the swap out' }).click();
  await expect(about).not.toContainText('barley miso');
  await saved(page);
  await go(page, kitchen.url + BROTH);
  await row(page, 'Wheat bran').locator('.name').click();
  await page.getByRole('button', { name: 'Take out', exact: true }).click();
  await saved(page);
  // The method still names the miso: the variant is not free of it until somebody says that it is not in the dish.
  await go(page, kitchen.url + variant);
  await expect(about).toContainText('"miso" in step 3');
  await go(page, kitchen.url + BROTH);
  const named = page.getByRole('region', { name: 'Named, and in no line' });
  await named.getByRole('button', { name: 'It is not in the dish' }).click();
  await named.getByLabel('Your name').fill('Ilka');
  await page.keyboard.press('Enter');
  await expect(named).toHaveCount(0);
  await saved(page);
  await go(page, kitchen.url + variant);
  await expect(page.locator('.follows')).toBeVisible();
  await expect(page.getByRole('list', { name: 'About the swaps' })).toHaveCount(0);
});

test('a swap by hand: the same checks, what it brings in, undo', async ({ page }) => {
  await go(page, kitchen.url + variant);
  await row(page, 'Firm tofu').getByRole('button', { name: 'Swap Firm tofu' }).click();
  const panel = page.getByRole('dialog', { name: 'Instead of firm tofu' });
  await expect(panel.locator('li').first()).toContainText('Protein -');
  await panel
    .locator('li', { hasText: /(?<!oyster )mushrooms/ })
    .getByRole('button', { name: 'Take it' })
    .click();
  await expect(panel.locator('li.taken')).toContainText('In the dish now');
  await page.keyboard.press('Escape');
  await expect(row(page, 'Mushrooms')).toContainText('instead of firm tofu');
  await expect(page.locator('.stage').nth(1)).not.toContainText('Soy');
  await page.keyboard.press('Control+z');
  await expect(row(page, 'Firm tofu')).toBeVisible();
  await saved(page);
});

test('in a variant, a swap that brings back what it is free from is refused, with the reason', async ({
  page,
}) => {
  await go(page, kitchen.url + variant);
  await row(page, 'Rice noodles')
    .getByRole('button', { name: /Another swap/ })
    .click();
  const panel = page.getByRole('dialog', { name: 'Instead of wheat noodles' });
  const lentil = panel.locator('li', { hasText: 'pasta' });
  await expect(lentil).toContainText(/Not here: nobody has checked/);
  await expect(lentil.getByRole('button', { name: 'Take it' })).toHaveCount(0);
  await panel
    .locator('li.taken')
    .getByRole('button', { name: /Rate it/ })
    .click();
  await panel.getByLabel('Taste', { exact: true }).fill('40');
  await panel.getByLabel('Texture').fill('50');
  await panel.getByLabel('Tasted by').fill('M. Tarn');
  await panel.getByRole('button', { name: 'Keep the rating' }).click();
  // 80 on file counts twice, 40 once; 75 twice, 50 once.
  await expect(panel.locator('li.taken')).toContainText('taste 67, texture 67 of 100');
  await expect(panel.locator('li.taken')).toContainText('rated 1 ×');
});

test('a panel goes with the page that asked for it: over another dish it would swap there', async ({
  page,
}) => {
  await go(page, kitchen.url + BROTH);
  await page.getByRole('link', { name: 'Dishes', exact: true }).click();
  await page.getByRole('link', { name: 'Caraway flatbread' }).first().click();
  await expect(page.getByLabel('Name of the dish')).toHaveValue('Caraway flatbread');
  await page.goBack();
  await page.goBack();
  await row(page, 'Wheat noodles').getByRole('button', { name: 'Swap Wheat noodles' }).click();
  await expect(page.getByRole('dialog')).toContainText('Instead of wheat noodles');
  await page.goForward();
  await page.goForward();
  await expect(page.getByLabel('Name of the dish')).toHaveValue('Caraway flatbread');
  await expect(page.getByRole('dialog')).toHaveCount(0);
});

test('one version for everybody, with its portions; a group that no version serves is named', async ({
  page,
}) => {
  await go(page, `${kitchen.url}/dishes/millet-porridge-pear/free-from`);
  const plate = page.getByRole('region', { name: 'Versions for everybody' });
  await plate.getByLabel('Portions for Coeliac').fill('9');
  await plate.getByLabel('Portions for Coeliac').press('Tab');
  await plate.getByRole('button', { name: 'Find the fewest versions' }).click();
  await expect(plate).toContainText('Yes, one version serves everybody');
  await expect(plate.getByRole('row').nth(1)).toContainText('122');
  await plate.getByLabel('Portions for No nut').fill('0');
  await plate.getByLabel('Portions for No nut').press('Tab');
  await expect(plate.getByRole('table')).toHaveCount(0);
  await go(page, `${kitchen.url}/dishes/caraway-flatbread/free-from`);
  await plate.getByRole('button', { name: 'Find the fewest versions' }).click();
  await expect(plate).toContainText('No single version serves everybody. Strong wheat flour');
  await expect(plate).toContainText('Coeliac: no version of this dish.');
});

test('a long search says how far it is, and is stopped by a tap; the next one still answers', async ({
  page,
}) => {
  const all = [
    'nut',
    'soy',
    'gluten',
    'sesame',
    'celery',
    'mustard',
    'lupin',
    'sulphites',
    'milk',
    'egg',
    'fish',
  ];
  const { kitchen: ward, version } = (await (
    await page.request.get(`${kitchen.url}/api/kitchens/alder-ward`)
  ).json()) as {
    kitchen: Record<string, unknown>;
    version: number;
  };
  const recorded = new Set(['id', 'packs', 'weights', 'names', 'words', 'swaps', 'ratings']);
  const settings = Object.fromEntries(Object.entries(ward).filter(([field]) => !recorded.has(field)));
  const diners = all.map((id) => ({ id, name: `No ${id}`, exclude: [id], portions: 3, policy: null }));
  const put = (now: object, at: number) =>
    page.request.put(`${kitchen.url}/api/kitchens/alder-ward`, { data: { settings: now, version: at } });
  expect((await put({ ...settings, diners }, version)).ok()).toBe(true);
  await page.goto(`${kitchen.url}/dishes/celeriac-bean-bake/free-from`);
  const plate = page.getByRole('region', { name: 'Versions for everybody' });
  await expect(plate.getByLabel('Portions for No nut')).toBeVisible();
  const said = await page.evaluate(
    () =>
      new Promise<string>((done) => {
        // The first sign of work that says how far it is gets the tap, however fast the machine.
        new MutationObserver((_, observer) => {
          const work = document.querySelector<HTMLElement>('.work');
          if (!work || !/\d+ of \d+/.test(work.innerText)) return;
          observer.disconnect();
          const text = work.innerText;
          work.querySelector('button')!.click();
          done(text);
        }).observe(document.body, { childList: true, subtree: true, characterData: true });
        Array.from(document.querySelectorAll('button'))
          .find((each) => /fewest/.test(each.innerText))!
          .click();
      }),
  );
  expect(said).toMatch(/Trying versions … \d+ of 2048/);
  await expect(page.locator('.work')).toHaveCount(0);
  await page.waitForTimeout(2500);
  await expect(plate.getByRole('table')).toHaveCount(0);
  await plate.getByRole('button', { name: 'Find the fewest versions' }).click();
  await expect(plate).toContainText('Yes, one version serves everybody');
  expect((await put(settings, version + 1)).ok()).toBe(true);
});

test('shared equipment blocks a plan by its name, and a variant cooked apart says so everywhere', async ({
  page,
}) => {
  await go(page, kitchen.url);
  await page.getByLabel('Kitchen').selectOption({ label: 'Lock Counter café' });
  await go(page, `${kitchen.url}/dishes/sunflower-seed-cream/free-from`);
  await freeFrom(page).getByRole('button', { name: 'Nut', exact: true }).click();
  await expect(page.locator('.blocked')).toContainText(
    '2 L blender > Peanut butter: it goes through the 2 l blender',
  );
  await page.getByLabel(/cooked apart, on clean equipment/).check();
  await page.getByRole('button', { name: /cooked apart from the 2 l blender/ }).click();
  await expect(page.getByRole('list', { name: 'About the swaps' })).toContainText(
    'Cook it apart, on clean equipment: not in or on the 2 l blender.',
  );
  await expect(page.locator('.stage').nth(1)).not.toContainText('Nut');
  await page.getByLabel('Kitchen').selectOption({ label: 'Alder House ward kitchen' });
});

test('a kitchen names its groups, its shared fryer and its own list, and they are asked for', async ({
  page,
}) => {
  await go(page, `${kitchen.url}/kitchen`);
  const own = page.getByRole('region', { name: "The kitchen's own list" });
  await own.getByLabel('What else is looked for').fill('Dill');
  await own.getByRole('button', { name: 'Look for it' }).click();
  await own.getByRole('button', { name: 'Add a food' }).click();
  await own.getByLabel('Name of the food').fill('dill');
  await own.getByRole('button', { name: 'Dill', exact: true }).click();
  await expect(own.getByRole('button', { name: 'Take out Dill' })).toBeVisible();
  const cooked = page.getByRole('region', { name: 'Who is cooked for' });
  await cooked.getByLabel('Name of a new group').fill('Ward 3');
  await cooked.getByRole('button', { name: 'Add a group' }).click();
  await cooked
    .getByRole('group', { name: 'What Ward 3 must not have' })
    .getByRole('button', { name: 'Dill' })
    .click();
  await expect(page.getByTestId('kitchen-state')).toHaveText('Kept');
  await go(page, `${kitchen.url}/menu`);
  await page.getByRole('group', { name: 'Diner groups' }).getByRole('button', { name: 'Ward 3' }).click();
  const answers = page.getByRole('region', { name: 'Answers' });
  await expect(answers.locator('li', { hasText: 'Barley, leek and white bean pot' })).toContainText(
    'contains dill',
  );
  await expect(answers.locator('li', { hasText: 'Quinoa and red cabbage tray' })).toContainText(
    'Yes: no dill',
  );
});

test('the kitchen writes a swap of its own and plans with it', async ({ page }) => {
  await go(page, `${kitchen.url}/larder`);
  await page.getByRole('link', { name: 'Swaps' }).click();
  await expect(page.getByRole('heading', { name: 'Swaps' })).toBeVisible();
  await page.getByRole('button', { name: 'Write a swap' }).click();
  await page.getByRole('button', { name: 'Choose a food' }).click();
  await page.getByLabel('Name of the food').fill('pak choi');
  await page.getByRole('button', { name: 'Pak choi', exact: true }).click();
  await page.getByRole('button', { name: 'Choose what goes in' }).click();
  await page.getByLabel('Name of the food').fill('kale');
  await page.getByRole('button', { name: 'Kale', exact: true }).click();
  await page.getByLabel('Grams of Kale').fill('0,8');
  await page.getByLabel('How', { exact: true }).fill('Strip the leaves and cook them three minutes longer.');
  await page.getByRole('button', { name: 'Keep the swap' }).click();
  await page.getByPlaceholder('Find a food, in or out').fill('pak choi kale');
  await expect(page.getByRole('row', { name: /Pak choi.*0\.80 kale/ })).toContainText('own, weighed here');
  await go(page, kitchen.url + BROTH);
  await row(page, 'Pak choi').getByRole('button', { name: 'Swap Pak choi' }).click();
  await expect(page.getByRole('dialog')).toContainText('Strip the leaves');
});

test('a word of the title is asked before the plan, and only unread packs in the way are named, all of them', async ({
  page,
  request,
}) => {
  const take = async (text: string): Promise<string> => {
    const answer = await request.post(`${kitchen.url}/api/recipes/import`, {
      data: text,
      headers: { 'Content-Type': 'text/plain' },
    });
    return ((await answer.json()) as { recipes: { recipe: { id: string } }[] }).recipes[0]!.recipe.id;
  };
  const rye = await take(
    'Rye rounds\n\nServes 8\n\n300 g rye flour\n200 ml water\n5 g salt\n\nMethod\nKnead, roll out and bake on the griddle.',
  );
  const free = page.getByRole('group', { name: 'Free from' });
  await go(page, `${kitchen.url}/dishes/${rye}/free-from`);
  await free.getByRole('button', { name: 'Gluten', exact: true }).click();
  const blocked = page.locator('.blocked');
  await expect(blocked).toContainText('"Rye" in the title');
  await blocked.getByRole('button', { name: /only a name/ }).click();
  await blocked.getByLabel('Your name').fill('Ilse Marrow');
  await blocked.getByLabel('Your name').press('Enter');
  await expect(page.locator('.plan').first()).toContainText('becomes');
  const potatoes = await take(
    'Dressed potatoes\n\nServes 8\n\n600 g potatoes\n40 g capers\n80 g olives\n\nMethod\nBoil the potatoes.\nToss.',
  );
  await go(page, `${kitchen.url}/dishes/${potatoes}/free-from`);
  await free.getByRole('button', { name: 'Celery', exact: true }).click();
  await expect(blocked).toContainText('2 packs nobody has read stand in the way');
  await blocked.getByRole('button', { name: 'Record the pack of capers' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Ingredients, as printed').fill('Capers, water, salt');
  await dialog.getByLabel('Name on the pack').fill('Capers in brine');
  await dialog.getByLabel('Read by').fill('Ilse Marrow');
  await dialog.getByLabel(/I read the whole pack/).check();
  await dialog.getByRole('button', { name: 'Record the pack' }).click();
  await expect(blocked).toContainText('One pack nobody has read stands in the way');
});

test('whole food only: oil for the pan gives way to water by the splash, by keyboard alone', async ({
  page,
}) => {
  await go(page, `${kitchen.url}/dishes/fennel-butter-bean-pot/free-from`);
  await freeFrom(page).getByRole('button', { name: 'Whole food only' }).focus();
  await page.keyboard.press('Space');
  await expect(plans(page).first()).toContainText(/olive oil becomes/);
  await plans(page).first().getByRole('button', { name: 'Make this variant' }).focus();
  await page.keyboard.press('Enter');
  await expect(page.locator('.follows')).toContainText('Free from anything not whole food');
  await expect(row(page, 'Water for the pan')).toBeVisible();
});
