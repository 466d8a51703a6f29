/** The app on a real, private MariaDB, for tests; called without a port. */
import { execFileSync } from 'node:child_process';
import { createApp } from '../src/app';
import { connect } from '../src/database/connect';
import { migrate } from '../src/database/migrations';
import { defineTables } from '../src/database/models';
import { seedOnce } from '../src/seed';
import { createServices } from '../src/services';
import { openStore } from '../src/store';

function databaseScript(act: 'start' | 'stop', folder: string): string {
  return execFileSync('node', ['scripts/database.mjs', act, folder], { encoding: 'utf8' });
}

/** Starts a database of its own for each test file, makes it new, loads the demo world. */
export async function openWorld(name = 'test') {
  const folder = `.data/${name}`;
  const { port, environment } = JSON.parse(databaseScript('start', folder)) as {
    port: number;
    environment: Record<'HAND_LADLE_DB_USER' | 'HAND_LADLE_DB_PASSWORD' | 'HAND_LADLE_DB_NAME', string>;
  };
  const database = connect({
    host: '127.0.0.1',
    port,
    user: environment.HAND_LADLE_DB_USER,
    password: environment.HAND_LADLE_DB_PASSWORD,
    database: environment.HAND_LADLE_DB_NAME,
  });
  await database.query('SET FOREIGN_KEY_CHECKS = 0');
  await database.getQueryInterface().dropAllTables();
  await migrate(database);
  const tables = defineTables(database);
  const isSeeded = await seedOnce(database, tables, new Date(0));
  const store = openStore(database, tables);
  const errors: string[] = [];
  const clock = { at: new Date('2026-11-25T09:00:00Z') };
  const services = createServices(
    store,
    (message) => errors.push(message),
    () => clock.at,
  );
  const app = createApp({
    store,
    services,
    version: 'test',
    importFolder: `${folder}/imports`,
    log: (message) => errors.push(message),
  });

  async function send(method: string, path: string, body?: unknown, headers: Record<string, string> = {}) {
    const response = await app.request(path, {
      method,
      ...(body === undefined
        ? { headers }
        : {
            body: typeof body === 'string' ? body : JSON.stringify(body),
            headers: { 'Content-Type': 'application/json', ...headers },
          }),
    });
    return { status: response.status, body: (await response.json()) as ReturnType<typeof JSON.parse> };
  }
  const close = async (): Promise<void> => {
    await database.close();
    databaseScript('stop', folder);
  };
  return { app, store, services, clock, database, tables, errors, isSeeded, send, close };
}

export type World = Awaited<ReturnType<typeof openWorld>>;
