/** Everyone can use it: no violation by axe, the keyboard alone, small screens, and what the first screen weighs. */
import { type Browser, expect, type Page, type Request, test } from '@playwright/test';
import { violationsOn } from '../../support/axe';
import { go, open, type Opened } from '../../support/kitchen';

let kitchen: Opened;
/** Stands in the addresses of what is cooked. */
let code = '';
test.beforeAll(async ({ request }) => {
  kitchen = await open('access', 4396);
  const answer = await request.post(`${kitchen.url}/api/batches`, {
    data: { recipeId: 'red-lentil-tomato-soup', kitchenId: 'alder-ward' },
  });
  ({ code } = (await answer.json()) as { code: string });
});
test.afterAll(() => kitchen.stop());

const POT = '/dishes/barley-leek-white-bean-pot';
const VIEWS = [
  '/',
  '/take-in',
  '/larder',
  '/larder?food=leek',
  '/larder/import',
  '/larder/packs',
  POT,
  '/menu',
  '/services',
  '/cycle',
  '/stock',
  '/cook',
  '/cook/BATCH',
  '/records',
  '/records/BATCH',
  '/recall?pack=red-lentils',
  '/services/1970-01-02-lunch',
  '/prepare',
  '/kitchen',
  `${POT}/loads`,
  `${POT}/mass`,
  `${POT}/times`,
  `${POT}/sheet`,
  `${POT}/hazards`,
  `${POT}/free-from`,
  '/larder/swaps',
  `${POT}/portion`,
  `${POT}/label`,
  '/labels',
  '/printer',
  '/people',
];

const SIZES = [
  [1280, 800],
  [1024, 768],
  [390, 844],
] as const;

/** A page whose requests are counted, so that a test can tell when a view has all it asked for. */
async function countedPage(browser: Browser): Promise<Page> {
  const page = await browser.newPage({ serviceWorkers: 'block' });
  await page.addInitScript(() => {
    const own = window as unknown as { asked: number };
    const { fetch } = window;
    own.asked = 0;
    window.fetch = (...request) => {
      own.asked += 1;
      return fetch(...request).finally(() => (own.asked -= 1));
    };
  });
  return page;
}

/** Goes to an address within the app, as Back and Forward do, until nothing is asked for and nothing has moved for a while. */
async function goWithin(page: Page, address: string): Promise<void> {
  await page.evaluate(async (to) => {
    const own = window as unknown as { asked: number };
    // The app names the page once its code is there.
    document.title = '';
    history.pushState({}, '', to);
    dispatchEvent(new PopStateEvent('popstate', { state: {} }));
    await new Promise<void>((quiet) => {
      const STILL_MS = 250;
      let last = performance.now();
      const watch = new MutationObserver(() => (last = performance.now()));
      watch.observe(document, { subtree: true, childList: true, characterData: true, attributes: true });
      const look = (): void => {
        if (own.asked > 0 || document.title === '') last = performance.now();
        if (performance.now() - last < STILL_MS) return void setTimeout(look, 25);
        watch.disconnect();
        quiet();
      };
      look();
    });
  }, address);
  expect(new URL(page.url()).pathname).toBe(new URL(address, page.url()).pathname);
}

test.describe('every view', () => {
  let page: Page;
  test.beforeAll(async ({ browser }) => {
    page = await countedPage(browser);
    await go(page, kitchen.url);
  });
  test.afterAll(() => page.close());

  for (const view of VIEWS) {
    test(`axe finds nothing at ${view}, and nothing runs out of the page at any size`, async () => {
      await page.setViewportSize({ width: 1280, height: 800 });
      await goWithin(page, view.replace('BATCH', code));
      await expect(page.locator('h1').first()).toBeAttached();
      expect(await violationsOn(page)).toEqual([]);
      for (const [width, height] of SIZES) {
        await page.setViewportSize({ width, height });
        // A picture is drawn anew a moment after its room changed.
        await expect
          .poll(() => page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth), {
            message: `${width} x ${height}`,
          })
          .toBeLessThanOrEqual(0);
      }
    });
  }
});

/** What is used while cooking: the batch, its loads, its times, the sheet at the stove. */
const WHILE_COOKING = [POT, `${POT}/loads`, `${POT}/times`, `${POT}/sheet`];

test('targets are 44 px or more on the screens used while cooking, under a finger', async ({ browser }) => {
  const context = await browser.newContext({
    hasTouch: true,
    isMobile: true,
    viewport: { width: 1024, height: 768 },
  });
  const page = await context.newPage();
  for (const view of WHILE_COOKING) {
    await go(page, kitchen.url + view);
    await page.waitForLoadState('networkidle');
    const small = await page.evaluate(() =>
      Array.from(
        document.querySelectorAll<HTMLElement>('main button, main a, main input, main select, main textarea'),
      )
        .filter((each) => each.checkVisibility() && !each.closest('p, .unseen'))
        .flatMap((each) => {
          // A target is what can be hit: a label that holds its field is hit with it.
          const hit = each.closest('label') ?? each;
          const { width, height } = hit.getBoundingClientRect();
          const grown = getComputedStyle(each, '::after');
          const reach = grown.content === 'none' ? 0 : Math.max(0, -2 * parseFloat(grown.top || '0'));
          return height + reach >= 43.5 || (width === 0 && height === 0)
            ? []
            : [
                `${each.tagName} ${each.className} ${(each.textContent ?? '').trim().slice(0, 24)} ${Math.round(width)} x ${Math.round(height)}`,
              ];
        }),
    );
    expect([view, small]).toEqual([view, []]);
  }
  await context.close();
});

test('by keyboard alone: open a dish, change the target, ask for soy-free, read the answer', async ({
  page,
}) => {
  await go(page, kitchen.url);
  await expect(page.getByRole('link', { name: /Ginger broth/ })).toBeVisible();
  await page.getByLabel('Find a dish or an allergen').focus();
  await page.keyboard.type('ginger');
  const ginger = page.locator('tbody').getByRole('link', { name: /Ginger broth/ });
  for (
    let tabs = 0;
    tabs < 8 && !(await ginger.evaluate((link) => link === document.activeElement));
    tabs += 1
  )
    await page.keyboard.press('Tab');
  await expect(ginger).toBeFocused();
  await page.keyboard.press('Enter');
  await page.getByLabel('Portions', { exact: true }).focus();
  await page.keyboard.press('Control+A');
  await page.keyboard.type('50');
  await expect(page.locator('.stage').first()).toContainText('21.0');
  await page.getByRole('link', { name: /Serve it/ }).focus();
  await page.keyboard.press('Enter');
  const asked = page.getByRole('group', { name: 'Free from' });
  await asked.getByRole('button', { name: 'Soy', exact: true }).focus();
  await page.keyboard.press('Space');
  await expect(page.locator('.plan').first()).toContainText('becomes');
});

test('every weight says why', async ({ page }) => {
  await go(page, kitchen.url + POT);
  await page.getByRole('button', { name: /^Water: .* Why\?$/ }).click();
  await expect(page.getByRole('dialog', { name: /Why: Water/ })).toContainText('home steam');
});

test('the first screen brings less than 300 kB of script over the line, and no charts', async ({ page }) => {
  const scripts: Request[] = [];
  page.on('requestfinished', (request) => {
    if (request.url().endsWith('.js')) scripts.push(request);
  });
  await go(page, kitchen.url);
  await expect(page.getByText('Caraway flatbread').first()).toBeVisible();
  await page.waitForLoadState('networkidle');
  const sizes = await Promise.all(scripts.map((script) => script.sizes()));
  const bytes = sizes.reduce((sum, { responseBodySize }) => sum + responseBodySize, 0);
  expect(bytes).toBeGreaterThan(50_000);
  expect(bytes).toBeLessThan(300_000);
  expect(scripts.map((script) => script.url()).join(' ')).not.toMatch(/plotly/i);
});

test('parts of the app are kept by the browser; one of an earlier build is told as gone, and kept by nobody', async ({
  request,
}) => {
  const page = await (await request.get(kitchen.url)).text();
  const part = /\/assets\/[^"]+\.js/.exec(page)![0];
  const told = async (path: string): Promise<unknown[]> => {
    const answer = await request.get(kitchen.url + path);
    return [
      answer.status(),
      answer.headers()['cache-control'] ?? '',
      answer.headers()['content-encoding'] ?? '',
    ];
  };
  expect(await told(part)).toEqual([200, 'public, max-age=31536000, immutable', 'gzip']);
  expect(await told('/assets/index-of-yesterday.js')).toEqual([404, '', '']);
  expect(await told('/dishes/no-such-dish')).toEqual([200, '', 'gzip']);
});

test('a change of the target repaints within a few frames', async ({ page }) => {
  await go(page, kitchen.url + POT);
  const portions = page.getByLabel('Portions', { exact: true });
  await expect(portions).toHaveValue('120');
  await portions.fill('121');
  await expect(page.locator('.stage').first()).toContainText('33.9');
  const milliseconds = await portions.evaluate(async (field: HTMLInputElement) => {
    const key = document.querySelector('.stage .said')!;
    const times: number[] = [];
    for (const value of ['60', '240', '90', '180', '30']) {
      const before = key.textContent;
      const started = performance.now();
      field.value = value;
      field.dispatchEvent(new Event('input'));
      while (key.textContent === before) await new Promise(requestAnimationFrame);
      times.push(performance.now() - started);
    }
    return times.sort((a, b) => a - b)[2]!;
  });
  test.info().annotations.push({
    type: 'measured',
    description: `${milliseconds.toFixed(0)} ms from input to repaint (median of 5)`,
  });
  console.log(`measured: ${milliseconds.toFixed(0)} ms from input to repaint (median of 5)`);
});
