/**
 * A private MariaDB server: its own folder, socket, port and user, on loopback only. It is started and stopped by
 * our commands, and picked up again if a start was killed and left it running.
 */
import { spawn, spawnSync } from 'node:child_process';
import { createHash, randomBytes } from 'node:crypto';
import { existsSync, mkdirSync, openSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { connect, createServer } from 'node:net';
import { tmpdir, userInfo } from 'node:os';
import { join, resolve } from 'node:path';
import { setTimeout as pause } from 'node:timers/promises';
import { halt } from './say.mjs';

const find = (program) =>
  ['/usr/sbin', '/usr/bin'].map((folder) => join(folder, program)).find((path) => existsSync(path)) ??
  program;

/** A port nobody listens on, on loopback. */
export function freePort() {
  return new Promise((done, fail) => {
    const probe = createServer();
    probe.on('error', fail);
    probe.listen(0, '127.0.0.1', () => {
      const { port } = probe.address();
      probe.close(() => done(port));
    });
  });
}

/** Whether something answers at a port on loopback. */
export function answers(port) {
  return new Promise((done) => {
    const socket = connect({ port, host: '127.0.0.1' });
    socket.setTimeout(1000, () => socket.destroy());
    socket.on('connect', () => {
      socket.destroy();
      done(true);
    });
    socket.on('error', () => done(false));
    socket.on('close', () => done(false));
  });
}

/** Whether a process is alive and its command line holds a text. */
export function isAlive(pid, text) {
  try {
    return readFileSync(`/proc/${pid}/cmdline`, 'utf8').includes(text);
  } catch {
    return false;
  }
}

/** Name, user and password of the private database; made once, readable by its owner only. */
function credentials(folder) {
  const file = join(folder, 'database.json');
  if (!existsSync(file)) {
    const fresh = { user: 'handladle', database: 'handladle', password: randomBytes(24).toString('hex') };
    writeFileSync(file, JSON.stringify(fresh), { mode: 0o600 });
  }
  return JSON.parse(readFileSync(file, 'utf8'));
}

/** Statements run at every start of the server: the database and its one user, whatever state it was left in. */
const bootSql = ({ user, password, database }, schemas) => `
CREATE DATABASE IF NOT EXISTS ${database} CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci;
CREATE USER IF NOT EXISTS '${user}'@'127.0.0.1' IDENTIFIED BY '${password}';
ALTER USER '${user}'@'127.0.0.1' IDENTIFIED BY '${password}';
${[database, ...schemas].map((name) => `GRANT ALL PRIVILEGES ON \`${name}\`.* TO '${user}'@'127.0.0.1';`).join('\n')}
`;

/** Temporary files of its own: two databases made at once in one shared folder took each other's. */
function ownTemporary(dataFolder) {
  const folder = join(dataFolder, '..', 'tmp');
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  return folder;
}

function installTables(dataFolder) {
  if (existsSync(join(dataFolder, 'mysql'))) return;
  const owner = userInfo().username;
  const temporary = ownTemporary(dataFolder);
  const done = spawnSync(
    find('mariadb-install-db'),
    [
      '--no-defaults',
      `--datadir=${dataFolder}`,
      `--tmpdir=${temporary}`,
      `--user=${owner}`,
      '--auth-root-authentication-method=socket',
      `--auth-root-socket-user=${owner}`,
      '--skip-test-db',
    ],
    { encoding: 'utf8', env: { ...process.env, TMPDIR: temporary } },
  );
  if (done.status === 0) return;
  rmSync(dataFolder, { recursive: true, force: true });
  const output = `${done.stdout ?? ''}${done.stderr ?? ''}`;
  if (/no space left|errcode: 28|error 28/i.test(output)) {
    halt('The disk is full: free some space (df -h shows how much there is) and start again.');
  }
  halt(`The database could not be made in ${dataFolder}:\n${output.slice(-1500)}`);
}

/** The server a killed start left behind, if it still runs and answers. */
async function leftRunning(folder, dataFolder) {
  const file = join(folder, 'mariadb.json');
  if (!existsSync(file)) return null;
  const { pid, port } = JSON.parse(readFileSync(file, 'utf8'));
  return isAlive(pid, dataFolder) && (await answers(port)) ? { pid, port } : null;
}

async function startServer({ folder, dataFolder, sqlFile, options }) {
  const port = await freePort();
  // A socket path may be 107 characters long, so it does not live in the (possibly deep) data folder.
  const name = createHash('sha256').update(dataFolder).digest('hex').slice(0, 12);
  const socket = join(tmpdir(), `hand-ladle-${name}.sock`);
  const log = openSync(join(folder, 'mariadb.log'), 'a');
  const server = spawn(
    find('mariadbd'),
    [
      '--no-defaults',
      `--datadir=${dataFolder}`,
      `--tmpdir=${ownTemporary(dataFolder)}`,
      `--user=${userInfo().username}`,
      '--bind-address=127.0.0.1',
      `--port=${port}`,
      `--socket=${socket}`,
      `--pid-file=${join(folder, 'mariadb.pid')}`,
      `--init-file=${sqlFile}`,
      '--skip-name-resolve',
      '--skip-log-bin',
      '--character-set-server=utf8mb4',
      '--innodb-buffer-pool-size=64M',
      '--innodb-flush-log-at-trx-commit=1',
      ...options,
    ],
    // Its own process group: Ctrl-C is for our command, which then stops the database in order.
    { detached: true, stdio: ['ignore', log, log] },
  );
  let hasEnded = false;
  server.on('exit', () => {
    hasEnded = true;
  });
  server.unref();
  for (let tries = 0; tries < 300; tries += 1) {
    if (hasEnded) break;
    if (await answers(port)) {
      writeFileSync(join(folder, 'mariadb.json'), JSON.stringify({ pid: server.pid, port }));
      return { pid: server.pid, port };
    }
    await pause(100);
  }
  const tail = readFileSync(join(folder, 'mariadb.log'), 'utf8').slice(-1500);
  if (/no space left|errcode: 28|error 28/i.test(tail)) {
    halt(
      'The disk is full: free some space (df -h shows how much there is) and start again. Nothing saved is lost.',
    );
  }
  halt(`The database did not start. Its log, ${join(folder, 'mariadb.log')}, ends:\n${tail}`);
}

/**
 * Starts (or picks up) the private server of a folder. `stop` ends it in order.
 * @param options further options of the server
 * @param schemas patterns of further schemas that its user may make and change
 */
export async function startMariadb(dataDirectory, { options = [], schemas = [] } = {}) {
  const folder = resolve(dataDirectory);
  const dataFolder = join(folder, 'mariadb');
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  installTables(dataFolder);
  const account = credentials(folder);
  const sqlFile = join(folder, 'boot.sql');
  writeFileSync(sqlFile, bootSql(account, schemas), { mode: 0o600 });
  const { pid, port } =
    (await leftRunning(folder, dataFolder)) ?? (await startServer({ folder, dataFolder, sqlFile, options }));
  const stop = async () => {
    try {
      process.kill(pid, 'SIGTERM');
    } catch {
      return;
    }
    for (let tries = 0; tries < 200 && isAlive(pid, dataFolder); tries += 1) await pause(50);
    rmSync(join(folder, 'mariadb.json'), { force: true });
  };
  const environment = {
    HAND_LADLE_DB_PORT: String(port),
    HAND_LADLE_DB_USER: account.user,
    HAND_LADLE_DB_PASSWORD: account.password,
    HAND_LADLE_DB_NAME: account.database,
  };
  return { pid, port, environment, stop };
}
