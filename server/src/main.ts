/** Starts the server on loopback: connects, migrates, loads the demo world once, serves the app and its API. */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { serve } from '@hono/node-server';
import { serveStatic } from '@hono/node-server/serve-static';
import { DEMO_PEOPLE, seedPeople } from './accounts/people';
import { createApp } from './app';
import { seedCooked } from './cooking/demo';
import { fillFoods } from './cooking/foods';
import { addressFromEnvironment, connect } from './database/connect';
import { migrate } from './database/migrations';
import { defineTables } from './database/models';
import { refreshLarder, seedOnce } from './seed';
import { createServices } from './services';
import { openStore } from './store';

const WEB = join('web', 'dist');
const port = Number(process.env['PORT'] ?? 4310);
const { version } = JSON.parse(readFileSync('package.json', 'utf8')) as { version: string };

const database = connect(addressFromEnvironment());
const tables = defineTables(database);
await migrate(database);
const isNew = await seedOnce(database, tables, new Date());
await refreshLarder(database, tables);
await fillFoods(tables);

const store = openStore(database, tables);
const log = (message: string): void => console.error(message);
const services = createServices(store, log);
if (isNew) await seedCooked(services, store);
if (await seedPeople(services.people)) {
  const demo = DEMO_PEOPLE.map(({ login, role, password }) => `${role} ${login} / ${password}`).join(', ');
  console.log(`Demo accounts were made, change their passwords before real use: ${demo}`);
}

const app = createApp({
  store,
  services,
  version,
  importFolder: join(process.env['HAND_LADLE_DATA'] ?? '.data', 'imports'),
  log,
});
app.get(
  '/assets/*',
  serveStatic({
    root: WEB,
    precompressed: true,
    onFound: (_, context) => context.header('Cache-Control', 'public, max-age=31536000, immutable'),
  }),
  // A part of an earlier build: no page of the app stands for it, or a browser would keep that under its name.
  (context) => context.text('This is not part of the app any more: load the page again.', 404),
);
app.use('/*', serveStatic({ root: WEB, precompressed: true }));
// Every other address is a page of the app, which routes itself.
app.get('/*', serveStatic({ path: join(WEB, 'index.html'), precompressed: true }));

const server = serve({ fetch: app.fetch, port, hostname: '127.0.0.1' }, () => {
  console.log(`Hand Ladle is ready at http://127.0.0.1:${port}`);
  // Jobs that waited when the server was stopped go on.
  services.spool.wake();
});
server.on('error', (error) => {
  const isTaken = 'code' in error && error.code === 'EADDRINUSE';
  console.error(
    isTaken
      ? `Port ${port} is taken by another program. Choose another: PORT=${port + 1} npm start`
      : `The server could not start: ${error.message}`,
  );
  process.exit(1);
});

let isStopping = false;
function stop(): void {
  if (isStopping) return;
  isStopping = true;
  server.close(() => {
    void database.close().finally(() => process.exit(0));
  });
  // Browsers keep connections open; a stop does not wait for them.
  if ('closeAllConnections' in server) server.closeAllConnections();
}
process.on('SIGTERM', stop);
process.on('SIGINT', stop);
