/** Import of a 10,000-row table against the same rows in one bare multi-row insert loop, on a private database. */
import { execFileSync } from 'node:child_process';
import { mkdirSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { QueryTypes } from 'sequelize';
import { rowFromFood } from '@hand-ladle/core';
import { loadFoods } from '@hand-ladle/data';
import { connect } from '../../server/src/database/connect';
import { migrate } from '../../server/src/database/migrations';
import { defineTables } from '../../server/src/database/models';
import { ImportJobs } from '../../server/src/imports/jobs';
import { openStore } from '../../server/src/store';
import { sized } from './size';

const ROWS = sized(10_000, 1000);
const ROWS_AT_ONCE = 500;
const ROUNDS = sized(5, 1);
const FOLDER = join('.data', 'bench-import');

rmSync(FOLDER, { recursive: true, force: true });
mkdirSync(FOLDER, { recursive: true });
const script = (act: 'start' | 'stop'): string =>
  execFileSync('node', ['scripts/database.mjs', act, FOLDER], { encoding: 'utf8' });
const { port, environment } = JSON.parse(script('start')) as {
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
await migrate(database);
const store = openStore(database, defineTables(database));
const jobs = new ImportJobs(store, join(FOLDER, 'imports'), () => new Date('2026-01-01T00:00:00Z'));
const insert = database.getQueryInterface();
const empty = () => database.query('DELETE FROM foods');

const foods = loadFoods();
const columns = Object.keys(rowFromFood(foods[0]!)).filter((column) => column !== 'id');
const quoted = (cell: string): string => (/[",\n]/.test(cell) ? `"${cell.replace(/"/g, '""')}"` : cell);
const lines = Array.from({ length: ROWS }, (_, index) => {
  const row = { ...rowFromFood(foods[index % foods.length]!), name: `Food of the bench ${index}` };
  return columns.map((column) => quoted(row[column as 'name'] ?? '')).join(',');
});
const table = new TextEncoder().encode([columns.join(','), ...lines].join('\n'));

async function imported(): Promise<number> {
  await empty();
  const started = performance.now();
  const { id, mapping, hasDecimalComma } = await jobs.take(
    'foods',
    'bench.csv',
    new Blob([table]).stream() as never,
  );
  const progress = await jobs.runToEnd(id, { mapping, hasDecimalComma, existing: 'refuse', dryRun: false });
  const milliseconds = performance.now() - started;
  if (progress.created !== ROWS)
    throw new Error(`${progress.created} rows came in: ${JSON.stringify(progress.refused[0])}`);
  await jobs.remove(id);
  return milliseconds;
}

/** The rows the import wrote, written again by nothing but the loop. */
async function bare(records: Record<string, unknown>[]): Promise<number> {
  await empty();
  const started = performance.now();
  await database.transaction(async (transaction) => {
    for (let at = 0; at < records.length; at += ROWS_AT_ONCE)
      await insert.bulkInsert('foods', records.slice(at, at + ROWS_AT_ONCE), { transaction });
  });
  return performance.now() - started;
}

await imported();
const records = await database.query<Record<string, unknown>>(
  'SELECT id, position, data, version FROM foods',
  { type: QueryTypes.SELECT },
);
const times = { imported: [] as number[], bare: [] as number[] };
for (let round = 0; round < ROUNDS; round += 1) {
  times.imported.push(await imported());
  times.bare.push(await bare(records));
}
const median = (list: number[]): number =>
  list.sort((one, other) => one - other)[Math.floor(list.length / 2)]!;
console.log(
  `import of ${ROWS} rows / the same rows in a bare insert loop: ${(median(times.imported) / median(times.bare)).toFixed(2)}`,
);
await database.close();
script('stop');
rmSync(FOLDER, { recursive: true, force: true });
