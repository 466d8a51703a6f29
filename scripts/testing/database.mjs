/**
 * One MariaDB for a whole run of tests, in a temporary folder of its own, and a schema for each suite. The demo world is
 * made once, in a template, and copied into each schema as SQL.
 */
import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { startMariadb } from '../mariadb.mjs';

/** Where those who need a schema find the server: JSON with port, user, password and the template's file. */
export const ADDRESS = 'HAND_LADLE_TEST_DATABASE';

/** Tests lose nothing by a crash: no write waits for the disk. */
const QUICK = [
  '--innodb-flush-log-at-trx-commit=0',
  '--innodb-doublewrite=0',
  '--skip-innodb-adaptive-hash-index',
];

const environmentOf = ({ port, user, password }, name) => ({
  HAND_LADLE_DB_PORT: String(port),
  HAND_LADLE_DB_USER: user,
  HAND_LADLE_DB_PASSWORD: password,
  HAND_LADLE_DB_NAME: name,
});

/** Runs a client program of MariaDB against a server; throws with what it says where it fails. */
function client(program, { port, user, password }, args, input) {
  const done = spawnSync(
    program,
    ['--no-defaults', '--host=127.0.0.1', `--port=${port}`, `--user=${user}`, ...args],
    { input, encoding: 'utf8', maxBuffer: 1 << 29, env: { ...process.env, MYSQL_PWD: password } },
  );
  if (done.status !== 0) throw new Error(`${program}: ${done.stderr}`);
  return done.stdout;
}

/** Starts the server and makes the template. `stop` ends it and takes its folder away. */
export async function startTestDatabase() {
  const folder = mkdtempSync(join(tmpdir(), 'hand-ladle-tests-'));
  const { port, environment, stop } = await startMariadb(folder, { options: QUICK, schemas: ['hl\\_%'] });
  const server = {
    port,
    user: environment.HAND_LADLE_DB_USER,
    password: environment.HAND_LADLE_DB_PASSWORD,
    template: join(folder, 'template.sql'),
  };
  const name = 'hl_template';
  client('mariadb', server, [
    '--execute',
    `CREATE DATABASE ${name} CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci`,
  ]);
  const seeded = spawnSync(process.execPath, ['--import', 'tsx', join('scripts', 'testing', 'seed.ts')], {
    encoding: 'utf8',
    env: { ...process.env, ...environmentOf(server, name) },
  });
  if (seeded.status !== 0) throw new Error(`The template could not be made: ${seeded.stderr}`);
  writeFileSync(
    server.template,
    client('mariadb-dump', server, ['--triggers', '--skip-comments', '--skip-lock-tables', name]),
  );
  process.env[ADDRESS] = JSON.stringify(server);
  return {
    server,
    stop: async () => {
      delete process.env[ADDRESS];
      await stop();
      rmSync(folder, { recursive: true, force: true });
    },
  };
}

/** A schema of its own with the demo world in it: the environment that the server's code reads its address from. */
export function freshSchema(name) {
  const address = process.env[ADDRESS];
  if (!address) throw new Error('No test database: the runner of the tests starts it.');
  const server = JSON.parse(address);
  const schema = `hl_${name.replace(/\W/g, '_')}`;
  const template = readFileSync(server.template, 'utf8').replaceAll(/DEFINER=\S+ /g, '');
  client(
    'mariadb',
    server,
    [],
    `DROP DATABASE IF EXISTS ${schema};
CREATE DATABASE ${schema} CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci;
USE ${schema};
${template}`,
  );
  return environmentOf(server, schema);
}
