/** The app on a real, private MariaDB, for tests; called without a port. */
import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { createApp } from '../src/app';
import { addressFromEnvironment, connect } from '../src/database/connect';
import { defineTables } from '../src/database/models';
import { createServices } from '../src/services';
import { openStore } from '../src/store';

/** Opens the app on a schema of its own with the demo world in it, on the database that all suites share. */
export async function openWorld(name: string) {
  const schema = execFileSync('node', ['scripts/testing/schema.mjs', name], { encoding: 'utf8' });
  const folder = mkdtempSync(join(tmpdir(), 'hand-ladle-world-'));
  const database = connect(addressFromEnvironment(JSON.parse(schema) as NodeJS.ProcessEnv));
  const tables = defineTables(database);
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
    rmSync(folder, { recursive: true, force: true });
  };
  return { app, store, services, clock, database, tables, errors, send, close };
}

export type World = Awaited<ReturnType<typeof openWorld>>;
