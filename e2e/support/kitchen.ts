/** Starts Hand Ladle as a user would, on its own port and data folder, and stops or kills it. */
import { type ChildProcess, execFileSync, spawn } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, type Page, test as base } from '@playwright/test';
import { SERVER } from '../../scripts/build.mjs';

/** What the browser keeps of a journey beside the page itself: who signed in, what was chosen or half typed. */
async function isMarked(page: Page): Promise<boolean> {
  if ((await page.context().cookies()).length > 0) return true;
  return page.evaluate(() =>
    [...Object.values(localStorage), ...Object.values(sessionStorage)].some(
      (kept) => !['', 'false', '[]'].includes(String(kept)),
    ),
  );
}

interface KeptPage {
  page: Page;
  file: string;
}

/**
 * The journeys of a file go on in one page, as a kitchen's tablet does: a page of its own cost each of them as much as what it tried.
 * A page is left only when what was done last is saved, for the next one shares its kitchen; it is not kept where a journey
 * failed or left something in the browser.
 */
export const test = base.extend<{ page: Page }, { kept: { at: KeptPage | null } }>({
  kept: [async ({}, use) => use({ at: null }), { scope: 'worker' }],
  page: async ({ browser, kept }, use, { file, retry }) => {
    const close = async (): Promise<void> => {
      await kept.at?.page.context().close();
      kept.at = null;
    };
    if (kept.at?.file !== file || retry > 0) await close();
    const { page } = (kept.at ??= { page: await browser.newPage(), file });
    await use(page);
    if (page.isClosed()) return close();
    const state = page.getByTestId('save-state');
    if ((await state.count()) > 0) await expect(state).toHaveText('Saved');
    if (await isMarked(page)) return close();
    page.removeAllListeners('dialog');
    await page.unrouteAll();
    await page.emulateMedia({ media: null });
    await page.setViewportSize({ width: 1280, height: 800 });
  },
});

type App = Element & {
  __vue_app__: { config: { globalProperties: { $router: { push: (to: string) => Promise<unknown> } } } };
};

/**
 * Goes to an address as a link of the app does, by way of one that is not there, so that nothing of the last view is taken for the
 * next; loads the app where it is not open yet. What was changed behind its back it does not know: for that, `page.goto`.
 */
export async function go(page: Page, address: string): Promise<void> {
  const isOpen = page.url().startsWith(new URL(address).origin) && (await page.locator('#app').count()) > 0;
  if (!isOpen) return void (await page.goto(address));
  const { pathname, search } = new URL(address);
  await page.evaluate(async (to) => {
    const { $router } = document.querySelector<App>('#app')!.__vue_app__.config.globalProperties;
    await $router.push('/nowhere/at/all');
    await $router.push(to);
  }, pathname + search);
}

const ROOT = join(import.meta.dirname, '..', '..');

export interface Running {
  url: string;
  folder: string;
  output: () => string;
  /** As Ctrl-C: everything ends in order. */
  stop: () => Promise<void>;
  /** kill -9 of the start, the server and the database, all at once. */
  kill: () => Promise<void>;
  /** kill -9 of the start alone: server and database stay behind. */
  killStartOnly: () => Promise<void>;
}

/** The app of a journey, as `open` hands it out. */
export type Opened = Pick<Running, 'url' | 'output' | 'stop'>;

/** A server that dies in the middle, and comes back on the same schema. */
export interface Killable {
  kill: () => Promise<void>;
  again: () => Promise<void>;
}

export const folderOf = (name: string): string => join(ROOT, '.data', `e2e-${name}`);

const ended = (process: ChildProcess): Promise<number | null> =>
  new Promise((done) => {
    if (process.exitCode !== null || process.signalCode !== null) done(process.exitCode);
    else process.on('exit', (code) => done(code));
  });

/** Runs the start script; resolves with its exit code and words when it ends by itself. */
export async function startAndWait(
  env: Record<string, string>,
): Promise<{ code: number | null; output: string }> {
  let output = '';
  const process_ = spawn('node', ['scripts/start.mjs'], { cwd: ROOT, env: { ...process.env, ...env } });
  process_.stdout.on('data', (chunk) => (output += chunk));
  process_.stderr.on('data', (chunk) => (output += chunk));
  return { code: await ended(process_), output };
}

/** Until a program says that the app is ready; fails with its words when it ends before. */
function readiness(main: ChildProcess, hear: (words: string) => void): Promise<void> {
  let said = '';
  return new Promise((ready, failed) => {
    const listen = (chunk: Buffer): void => {
      said += chunk.toString();
      hear(chunk.toString());
      if (said.includes('Hand Ladle is ready at')) ready();
    };
    main.stdout!.on('data', listen);
    main.stderr!.on('data', listen);
    main.on('exit', (code) => failed(new Error(`it ended with ${code}: ${said}`)));
  });
}

/** The app alone, on a schema of its own of the database that all journeys share: what most journeys need. */
export async function open(name: string, port: number): Promise<Opened & Killable> {
  const schema = execFileSync('node', ['scripts/testing/schema.mjs', `e2e_${name}`], {
    cwd: ROOT,
    encoding: 'utf8',
  });
  const folder = mkdtempSync(join(tmpdir(), 'hand-ladle-journey-'));
  let output = '';
  let main: ChildProcess;
  const again = async (): Promise<void> => {
    main = spawn('node', ['--enable-source-maps', SERVER], {
      cwd: ROOT,
      env: {
        ...process.env,
        ...(JSON.parse(schema) as Record<string, string>),
        PORT: String(port),
        HAND_LADLE_DATA: folder,
      },
    });
    await readiness(main, (words) => (output += words));
  };
  await again();
  return {
    url: `http://127.0.0.1:${port}`,
    output: () => output,
    again,
    kill: async () => {
      main.kill('SIGKILL');
      await ended(main);
    },
    stop: async () => {
      main.kill('SIGTERM');
      await ended(main);
      rmSync(folder, { recursive: true, force: true });
    },
  };
}

/** Starts as a user does, and waits until it says that it is ready. */
export async function start(name: string, port: number, isFresh = true): Promise<Running> {
  const folder = folderOf(name);
  if (isFresh) rmSync(folder, { recursive: true, force: true });
  let output = '';
  const main = spawn('node', ['scripts/start.mjs'], {
    cwd: ROOT,
    env: { ...process.env, PORT: String(port), HAND_LADLE_DATA: folder },
  });
  await readiness(main, (words) => (output += words));
  const pids = (): number[] => {
    const { serverPid } = JSON.parse(readFileSync(join(folder, 'start.json'), 'utf8')) as {
      serverPid: number;
    };
    const { pid } = JSON.parse(readFileSync(join(folder, 'mariadb.json'), 'utf8')) as { pid: number };
    return [main.pid!, serverPid, pid];
  };
  return {
    url: `http://127.0.0.1:${port}`,
    folder,
    output: () => output,
    stop: async () => {
      main.kill('SIGINT');
      await ended(main);
    },
    kill: async () => {
      for (const pid of pids()) process.kill(pid, 'SIGKILL');
      await ended(main);
    },
    killStartOnly: async () => {
      process.kill(main.pid!, 'SIGKILL');
      await ended(main);
    },
  };
}
