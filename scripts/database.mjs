/** `node scripts/database.mjs start|stop FOLDER`: the private database alone, for tests. `start` prints its address. */
import { ensurePrograms } from './install.mjs';
import { startMariadb } from './mariadb.mjs';
import { halt, main } from './say.mjs';

await main(async () => {
  const [, , act, folder] = process.argv;
  if (!['start', 'stop'].includes(act) || !folder) halt('Use: node scripts/database.mjs start|stop FOLDER');
  ensurePrograms({ mariadbd: 'mariadb-server', 'mariadb-install-db': 'mariadb-server' });
  const { pid, port, environment, stop } = await startMariadb(folder);
  if (act === 'stop') await stop();
  else console.log(JSON.stringify({ pid, port, environment }));
});
