/** `npm start`: installs what is missing, starts the private database, builds and serves the app, until Ctrl-C. */
import { spawn } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { setTimeout as pause } from 'node:timers/promises';
import { fileURLToPath } from 'node:url';
import { ensureBuilt, SERVER } from './build.mjs';
import { ensurePackages, ensurePrograms } from './install.mjs';
import { answers, isAlive, startMariadb } from './mariadb.mjs';
import { halt, main } from './say.mjs';

process.chdir(join(fileURLToPath(import.meta.url), '..', '..'));
const FOLDER = process.env.HAND_LADLE_DATA ?? '.data';
const LOCK = join(FOLDER, 'start.json');
const LOOPBACK = ['127.0.0.1', 'localhost', '::1'];

function readPort() {
  const text = process.env.PORT ?? '4310';
  const port = Number(text);
  if (!Number.isInteger(port) || port < 1 || port > 65535)
    halt(`PORT must be a number from 1 to 65535, not "${text}".`);
  return port;
}

const readLock = () => (existsSync(LOCK) ? JSON.parse(readFileSync(LOCK, 'utf8')) : null);
const isServer = (pid) => Boolean(pid) && isAlive(pid, SERVER);

/** A start that was killed can leave its server behind; it is stopped before a new one takes its place. */
async function endOrphan() {
  const { serverPid } = readLock() ?? {};
  if (!isServer(serverPid)) return;
  process.kill(serverPid, 'SIGTERM');
  for (let tries = 0; tries < 100 && isServer(serverPid); tries += 1) await pause(50);
}

/** One start at a time works on a data folder: two databases on one set of files would spoil them. */
async function takeLock(port) {
  mkdirSync(FOLDER, { recursive: true, mode: 0o700 });
  const other = readLock();
  if (other) {
    if (other.pid !== process.pid && isAlive(other.pid, 'start.mjs')) {
      halt(
        `Another start is running (process ${other.pid}) at http://127.0.0.1:${other.port}. Use that one, or stop it with: kill ${other.pid}`,
      );
    }
  }
  await endOrphan();
  if (await answers(port)) {
    halt(`Port ${port} is taken by another program. Choose another: PORT=${port + 1} npm start`);
  }
  writeFileSync(LOCK, JSON.stringify({ pid: process.pid, port }));
}

await main(async () => {
  const host = process.env.HOST;
  if (host && !LOOPBACK.includes(host)) {
    halt(
      `HOST=${host} is refused: recipes and packs can be changed without an account, by anyone who reaches the app. It listens on 127.0.0.1 only; leave HOST out.`,
    );
  }
  const port = readPort();
  await takeLock(port);
  const release = () => rmSync(LOCK, { force: true });
  try {
    ensurePackages();
    ensurePrograms({
      mariadbd: 'mariadb-server',
      'mariadb-install-db': 'mariadb-server',
      // Draws the PNG of a label from its PDF.
      pdftoppm: 'poppler-utils',
    });
    ensureBuilt();
    const database = await startMariadb(FOLDER);
    const server = spawn(process.execPath, ['--enable-source-maps', SERVER], {
      stdio: 'inherit',
      // Its own process group: on Ctrl-C the server is stopped first and the database after it.
      detached: true,
      env: { ...process.env, ...database.environment, PORT: String(port) },
    });
    writeFileSync(LOCK, JSON.stringify({ pid: process.pid, port, serverPid: server.pid }));
    const stop = () => server.kill('SIGTERM');
    process.on('SIGINT', stop);
    process.on('SIGTERM', stop);
    const status = await new Promise((done) => server.on('exit', (code) => done(code ?? 1)));
    await database.stop();
    release();
    process.exit(status);
  } catch (error) {
    release();
    throw error;
  }
});
