/**
 * `npm run screenshots`: one current picture of each main view, from the demo data, into docs/screenshots/; of some, where they are
 * named (`npm run screenshots mass bench`).
 */
import { spawn } from 'node:child_process';
import { mkdirSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { ensurePackages, ensurePrograms } from '../install.mjs';
import { main } from '../say.mjs';

process.chdir(join(fileURLToPath(import.meta.url), '..', '..', '..'));
const PORT = 4390;
const DATA = join('.data', 'screenshots');
const FOLDER = join('docs', 'screenshots');
const POT = '/dishes/barley-leek-white-bean-pot';
const FENNEL = '/dishes/fennel-butter-bean-pot';
const SHEET = `Product;Our food;Supplier;Ingredients;Gluten;Milk;Soya;Nuts;Sesame;Mustard;Celery
Country miso, 4 kg tub;Barley miso;Fell Pantry;BARLEY, SOYA, salt;Y;N;Y;N;N;N;N
Oat drink, case of 12;Oat drink;Tarn Mill;Water, OATS, salt;Y;N;N;N;;N;N
Dark soy, 5 L;Soy sauce;Quay Stores;Water, SOYA, WHEAT, salt;N;N;Y;N;N;N;N
`;
const TOLD = `Kale and millet bowl
Serves 4, portions of 300 g

1 1/2 cups millet, rinsed
2 tbsp soy sauce
a handful of kale
1 x 400 g tin white beans, drained
3 tbsp tahni
salt to taste

Method
Simmer the millet gently, covered, for 20 minutes, until it is soft.
Stir in everything else.`;

const open = (path) => async (page) => {
  await page.goto(`http://127.0.0.1:${PORT}${path}`);
  await page.waitForLoadState('networkidle');
};

/** A dish with plans to serve it free from gluten. */
async function planned(page) {
  await open('/dishes/ginger-broth-noodles')(page);
  await page.getByRole('link', { name: /Serve it/ }).click();
  await page.getByRole('group', { name: 'Free from' }).getByRole('button', { name: 'Gluten' }).click();
  await page.waitForSelector('.plan');
}

/** One label released and one stale, so that the list has something true to show. */
async function released(page) {
  await open(`${FENNEL}/label`)(page);
  const signIn = page.getByRole('button', { name: 'Sign in' });
  await signIn.first().click();
  await page.getByRole('dialog').getByLabel('Name').fill('wenna');
  await page.getByRole('dialog').getByLabel('Password').fill('ladle-manager-1');
  await page.getByRole('dialog').getByRole('button', { name: 'Sign in' }).click();
  for (const dish of ['/dishes/caraway-flatbread', FENNEL]) {
    await open(`${dish}/label`)(page);
    await page.getByRole('button', { name: 'Hand it in for checking' }).click();
    await page.getByRole('button', { name: 'I checked it against the packs' }).click();
    await page.getByRole('button', { name: 'Release it' }).click();
    await page.waitForSelector('.release.released');
  }
  await open('/dishes/caraway-flatbread')(page);
  await page.locator('[data-line] .name').first().click();
  await page.getByLabel('Words of the line').fill('520 g strong white bread flour');
  await page.getByRole('button', { name: 'Read it' }).click();
  await page.waitForTimeout(1500);
  await open('/labels')(page);
  await page.waitForSelector('.release');
}

/** A batch on the stove, with timers and a line that is in. */
async function stove(page) {
  await open('/cook')(page);
  await page.getByRole('link', { name: /Barley, leek/ }).click();
  await page.locator('[data-stove-line="Leek"]').click();
  await page.getByRole('button', { name: /^All of it/ }).click();
  await page.getByRole('button', { name: 'Who are you?' }).click();
  await page.getByRole('button', { name: 'Ilka Reedmace' }).click();
  await page.getByLabel('PIN', { exact: true }).fill('2468');
  await page.getByRole('button', { name: 'Sign', exact: true }).click();
  for (const [name, minutes] of [
    ['Left kettle', '35'],
    ['Roots, lower oven', '20'],
  ]) {
    await page.getByRole('button', { name: 'Timer', exact: true }).click();
    await page.getByLabel('What for, which pan').fill(name);
    await page.getByLabel('Minutes', { exact: true }).fill(minutes);
    await page.getByRole('button', { name: 'Start it' }).click();
    await page.locator(`[data-timer="${name}"]`).waitFor();
  }
}

/** Name of the picture, size of the screen, and how to get there. */
const VIEWS = [
  ['dishes', [1280, 800], open('/')],
  ['bench', [1280, 800], open(POT)],
  [
    'mass',
    [1280, 800],
    async (page) => {
      await open(`${FENNEL}/mass`)(page);
      await page.waitForSelector('[data-drawn=true]');
    },
  ],
  ['batch-sheet', [1280, 1100], open(`${FENNEL}/sheet`)],
  ['kitchen', [1280, 800], open('/kitchen')],
  [
    'menu',
    [1280, 800],
    async (page) => {
      await open('/menu')(page);
      await page.getByRole('button', { name: 'Soy', exact: true }).click();
      await page.getByRole('button', { name: 'Gluten', exact: true }).click();
      await page.mouse.move(0, 0);
    },
  ],
  [
    'cycle',
    [1280, 900],
    async (page) => {
      await open('/cycle')(page);
      await page.getByText('Average of a day').waitFor();
    },
  ],
  ['stock', [1280, 800], open('/stock')],
  ['stove', [1280, 800], stove],
  [
    'records',
    [1280, 900],
    async (page) => {
      await open('/records')(page);
      await page.getByLabel('The day before').click();
      await page.getByText('OUT;').first().waitFor();
    },
  ],
  [
    'service',
    [1280, 1400],
    async (page) => {
      await open('/services')(page);
      await page.getByRole('link', { name: /Lunch/ }).click();
      await page.getByText('everything is ready at').waitFor();
      await page.locator('#plan-title').evaluate((each) => each.closest('section').scrollIntoView());
    },
  ],
  ['hazards', [1280, 800], open(`${POT}/hazards`)],
  [
    'portion',
    [1280, 1000],
    async (page) => {
      await open(`${FENNEL}/portion`)(page);
      await page.waitForSelector('[data-drawn=true]');
    },
  ],
  ['label', [1280, 800], open(`${POT}/label`)],
  ['labels', [1280, 800], released],
  ['larder', [1280, 800], open('/larder?food=leek')],
  [
    'packs',
    [1280, 800],
    async (page) => {
      await open('/larder/import')(page);
      await page.getByLabel(/A supplier's list/).check();
      const file = { name: 'sheet.csv', mimeType: 'text/csv', buffer: Buffer.from(SHEET) };
      await page.getByLabel('Choose a CSV file').setInputFiles(file);
      await page.getByRole('button', { name: 'Try it' }).click();
      await page.getByRole('button', { name: /^Import \d/ }).click();
      await page.getByRole('link', { name: 'Read and confirm them' }).click();
      await page.getByLabel('Confirm Barley miso').check();
    },
  ],
  [
    'take-in',
    [1280, 800],
    async (page) => {
      await open('/take-in')(page);
      await page.getByLabel('As it was told to you').fill(TOLD);
      await page.waitForSelector('.lines li');
    },
  ],
  ['free-from', [1280, 800], planned],
];

await main(async () => {
  const named = process.argv.slice(2);
  const chosen = named.length > 0 ? VIEWS.filter(([name]) => named.includes(name)) : VIEWS;
  if (chosen.length === 0)
    throw new Error(`No such view. There are: ${VIEWS.map(([name]) => name).join(', ')}`);
  ensurePackages();
  ensurePrograms({ 'chromium-headless-shell': 'chromium-headless-shell' });
  rmSync(DATA, { recursive: true, force: true });
  mkdirSync(FOLDER, { recursive: true });
  const { launch } = await import('../browser.mjs');
  const server = spawn(process.execPath, ['scripts/start.mjs'], {
    env: { ...process.env, PORT: String(PORT), HAND_LADLE_DATA: DATA },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  await new Promise((ready, failed) => {
    server.stdout.on('data', (chunk) => chunk.toString().includes('ready at') && ready());
    server.on('exit', () => failed(new Error('The app did not start.')));
  });
  // The server goes when this does, however this ends.
  const stop = () => server.kill('SIGINT');
  process.on('exit', stop);
  for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => process.exit(1));
  const browser = await launch();
  for (const [name, [width, height], go] of chosen) {
    const page = await browser.newPage({ viewport: { width, height } });
    await go(page);
    await page.waitForTimeout(500);
    await page.screenshot({ path: join(FOLDER, `${name}.png`) });
    await page.close();
    console.log(join(FOLDER, `${name}.png`));
  }
  await browser.close();
  stop();
  await new Promise((done) => server.on('exit', done));
});
