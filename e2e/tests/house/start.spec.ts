/** Starting, refusing to start, and what survives a kill -9. */
import { execFileSync, spawnSync } from 'node:child_process';
import { mkdirSync, rmSync } from 'node:fs';
import { createServer } from 'node:net';
import { type APIRequestContext, expect, test } from '@playwright/test';
import { folderOf, start, startAndWait } from '../../support/kitchen';

const PORT = 4392;
/** One folder for all of it: each start after the first finds what the one before left, as at a user's. */
const FOLDER = 'started';
const RECIPE = 'caraway-flatbread';

interface Saved {
  recipe: { id: string; name: string; portions: number; lines: unknown[] };
  target: unknown;
  version: number;
}

async function load(request: APIRequestContext, url: string, id = RECIPE): Promise<Saved> {
  return (await (await request.get(`${url}/api/recipes/${id}`)).json()) as Saved;
}

/** Processes whose command line names a folder. */
function runningIn(folder: string): string[] {
  const { stdout } = spawnSync('pgrep', ['-f', folder], { encoding: 'utf8' });
  return stdout.split('\n').filter(Boolean);
}

/** Saves one dish again and again until the server is gone; returns the last save that was acknowledged. */
async function saveUntilGone(
  request: APIRequestContext,
  url: string,
  first: Saved,
  onSave: (count: number) => void,
): Promise<Saved> {
  let last = first;
  for (let count = 0; count < 100_000; count += 1) {
    const recipe = { ...last.recipe, portions: 10 + count, name: `Flatbread ${count}` };
    try {
      const answer = await request.put(`${url}/api/recipes/${RECIPE}`, {
        data: { ...last, recipe },
        timeout: 4000,
      });
      if (!answer.ok()) return last;
      last = (await answer.json()) as Saved;
      onSave(count + 1);
    } catch {
      return last;
    }
  }
  return last;
}

test('a kill -9 of server and database between any two saves loses nothing that was acknowledged', async ({
  request,
}) => {
  let kitchen = await start(FOLDER, PORT);
  // The first start says which accounts it made.
  expect(kitchen.output()).toMatch(/Demo accounts were made.*manager wenna/);
  for (const saves of [1, 4, 9]) {
    const before = await load(request, kitchen.url);
    // By what was saved, not by the clock: the next save is on its way when the axe falls.
    let isEnough = (): void => undefined;
    const enough = new Promise<void>((done) => (isEnough = done));
    const saving = saveUntilGone(request, kitchen.url, before, (count) => count >= saves && isEnough());
    await enough;
    await kitchen.kill();
    const acknowledged = await saving;
    expect(acknowledged.version).toBeGreaterThan(before.version);
    kitchen = await start(FOLDER, PORT, false);
    const kept = await load(request, kitchen.url);
    // A save that was under way may have gone through as well; it is then whole, and one further.
    expect([acknowledged.version, acknowledged.version + 1]).toContain(kept.version);
    expect(kept.recipe.lines).toEqual(before.recipe.lines);
    expect(kept.recipe.name).toBe(`Flatbread ${kept.recipe.portions - 10}`);
    if (kept.version === acknowledged.version) expect(kept).toEqual(acknowledged);
  }
  await kitchen.stop();
});

test('a start that was killed alone leaves a server and a database behind: the next start takes their place', async ({
  request,
}) => {
  const first = await start(FOLDER, PORT, false);
  const saved = await load(request, first.url);
  await first.killStartOnly();
  const second = await start(FOLDER, PORT, false);
  expect(await load(request, second.url)).toEqual(saved);
  await second.stop();
  expect(runningIn(folderOf(FOLDER))).toEqual([]);
});

test('everything listens on loopback only, and Ctrl-C ends everything', async () => {
  const kitchen = await start(FOLDER, PORT, false);
  const listening = execFileSync('sh', ['-c', 'cat /proc/net/tcp | awk \'$4 == "0A" {print $2}\''], {
    encoding: 'utf8',
  });
  const port = PORT.toString(16).toUpperCase().padStart(4, '0');
  expect(listening).toContain(`0100007F:${port}`);
  expect(listening).not.toContain(`00000000:${port}`);
  await kitchen.stop();
  expect(runningIn(kitchen.folder)).toEqual([]);
});

test('another HOST is refused with the reason', async () => {
  const { code, output } = await startAndWait({ HOST: '0.0.0.0', HAND_LADLE_DATA: folderOf('host') });
  expect(code).toBe(1);
  expect(output).toMatch(/HOST=0\.0\.0\.0 is refused: recipes and packs can be changed without an account/);
});

test('a taken port, a port that is none and a second start are each told in one sentence', async () => {
  const blocker = createServer();
  await new Promise<void>((done) => blocker.listen(4393, '127.0.0.1', done));
  const taken = await startAndWait({ PORT: '4393', HAND_LADLE_DATA: folderOf('taken') });
  expect([taken.code, taken.output.trim()]).toEqual([
    1,
    'Port 4393 is taken by another program. Choose another: PORT=4394 npm start',
  ]);
  blocker.close();
  const none = await startAndWait({ PORT: 'kitchen', HAND_LADLE_DATA: folderOf('taken') });
  expect(none.output.trim()).toBe('PORT must be a number from 1 to 65535, not "kitchen".');
  const first = await start(FOLDER, PORT, false);
  const second = await startAndWait({ PORT: '4394', HAND_LADLE_DATA: folderOf(FOLDER) });
  expect(second.output).toMatch(
    /^Another start is running \(process \d+\) at http:\/\/127\.0\.0\.1:4392\. Use that one, or stop it with: kill \d+/,
  );
  await first.stop();
});

test('a full disk is told as such, and the same folder starts once there is room', async () => {
  test.skip(process.getuid?.() !== 0, 'mounting a small disk needs the administrator');
  const folder = folderOf('full');
  rmSync(folder, { recursive: true, force: true });
  mkdirSync(folder, { recursive: true });
  try {
    execFileSync('mount', ['-t', 'tmpfs', '-o', 'size=2m', 'tmpfs', folder], { stdio: 'pipe' });
  } catch {
    test.skip(true, 'this machine does not allow a mount');
  }
  try {
    const { code, output } = await startAndWait({ PORT: String(PORT), HAND_LADLE_DATA: folder });
    expect(code).toBe(1);
    expect(output).toContain('The disk is full: free some space');
  } finally {
    execFileSync('umount', [folder]);
  }
});
