/**
 * `npm run dev`: the private database, the server on watch, and the screen with hot reload, at one address. A change of
 * core or server starts the server anew; a change of the screen shows at once.
 */
import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { ensurePackages, ensurePrograms } from './install.mjs';
import { freePort, startMariadb } from './mariadb.mjs';
import { main } from './say.mjs';

process.chdir(join(fileURLToPath(import.meta.url), '..', '..'));
const FOLDER = process.env.HAND_LADLE_DATA ?? join('.data', 'dev');

await main(async () => {
  ensurePackages();
  ensurePrograms({ mariadbd: 'mariadb-server', 'mariadb-install-db': 'mariadb-server' });
  const database = await startMariadb(FOLDER);
  const apiPort = await freePort();
  const server = spawn(process.execPath, ['--watch', '--import', 'tsx', join('server', 'src', 'main.ts')], {
    stdio: 'inherit',
    env: { ...process.env, ...database.environment, PORT: String(apiPort), HAND_LADLE_DATA: FOLDER },
  });
  const screen = spawn(
    join('node_modules', '.bin', 'vite'),
    ['web', '--host', '127.0.0.1', '--clearScreen', 'false'],
    {
      stdio: 'inherit',
      env: { ...process.env, HAND_LADLE_API: `http://127.0.0.1:${apiPort}` },
    },
  );
  const ended = (child) => new Promise((done) => child.on('exit', done));
  let isStopping = false;
  const stop = () => {
    if (isStopping) return;
    isStopping = true;
    screen.kill('SIGTERM');
    server.kill('SIGTERM');
  };
  process.on('SIGINT', stop);
  process.on('SIGTERM', stop);
  await Promise.race([ended(server), ended(screen)]);
  stop();
  await Promise.all(
    [server, screen].map((child) => child.exitCode === null && child.signalCode === null && ended(child)),
  );
  await database.stop();
});
