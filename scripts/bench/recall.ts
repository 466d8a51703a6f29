/**
 * Fifty thousand batches: how long a recall by food, by lot and by batch takes; and how long two thousand entries of a day without
 * the server take to merge. On a private database.
 */
import { execFileSync } from 'node:child_process';
import { mkdirSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { batchCode, groundOfBatch } from '@hand-ladle/core';
import { type RecallAsked, recallOf } from '../../server/src/cooking/recall';
import { connect } from '../../server/src/database/connect';
import { migrate } from '../../server/src/database/migrations';
import { defineTables } from '../../server/src/database/models';
import { seedOnce } from '../../server/src/seed';
import { createServices } from '../../server/src/services';
import { openStore } from '../../server/src/store';
import { sized } from './size';

const BATCHES = Number(process.env['HAND_LADLE_BATCHES']) || sized(50_000, 1000);
const FOODS_EACH = 12;
const ENTRIES = sized(2000, 200);
const ROWS_AT_ONCE = 5000;
const FOLDER = join('.data', 'bench-recall');

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
const tables = defineTables(database);
const now = new Date('2026-12-01T09:00:00Z');
await seedOnce(database, tables, now);
const store = openStore(database, tables);
const { cooking, recorder } = createServices(
  store,
  (message) => console.error(message),
  () => now,
);

const seconds = async (work: () => Promise<unknown>): Promise<string> => {
  const started = performance.now();
  await work();
  return `${((performance.now() - started) / 1000).toFixed(2)} s`;
};

// Five hundred foods, ten lots of each, a lot written down for two of three, every twentieth batch made of the one before it.
const codes = Array.from({ length: BATCHES }, (_, index) => batchCode('2026-11-01', 100_000 + index));
const inPieces = async <T>(rows: readonly T[], write: (piece: T[]) => Promise<unknown>): Promise<void> => {
  for (let from = 0; from < rows.length; from += ROWS_AT_ONCE)
    await write(rows.slice(from, from + ROWS_AT_ONCE));
};
await inPieces(codes, (piece) =>
  tables.batches.bulkCreate(
    piece.map((code, index) => ({
      code,
      madeOn: '2026-11-01',
      useBy: '2026-11-03',
      createdAt: now,
      kitchenId: 'alder-ward',
      recipeId: 'green-dressing',
      name: 'Batch of the bench',
      serviceId: `service-${index % 900}`,
      serviceName: `Lunch ${index % 900}`,
      groupsFor: ['Everyone else'],
      phase: 'closed',
    })),
  ),
);
await inPieces(
  codes.flatMap((code, index) =>
    Array.from({ length: FOODS_EACH }, (_, place) => ({ place, food: (index * 7 + place * 41) % 500 })).map(
      ({ place, food }) => ({
        code,
        foodId: `food-${food}`,
        foodName: 'Food of the bench',
        product: '',
        supplier: 'Bench supplier',
        lot: place % 3 === 0 ? '' : `F${food}L${Math.floor(index / 5000)}`,
        statementVersion: 1,
        isWritten: true,
      }),
    ),
  ),
  (piece) => tables.batchFoods.bulkCreate(piece),
);
await inPieces(
  codes.flatMap((code, index) => (index % 20 === 1 ? [{ code, partCode: codes[index - 1]! }] : [])),
  (piece) => tables.batchParts.bulkCreate(piece),
);
console.log(`${BATCHES} batches, ${BATCHES * FOODS_EACH} rows of foods`);
const NOTHING: RecallAsked = { pack: '', lot: '', supplier: '', batch: '', version: null };
for (const [name, asked] of [
  ['a food', { ...NOTHING, pack: 'food-77' }],
  ['a lot', { ...NOTHING, lot: 'f77-L3' }],
  ['a batch', { ...NOTHING, batch: codes[20_000 % BATCHES]! }],
  ['everything of one supplier', { ...NOTHING, supplier: 'Bench supplier' }],
] as const) {
  let found = 0;
  const took = await seconds(async () => {
    found = (await recallOf(asked, tables)).batches.length;
  });
  console.log(`recall of ${name}: ${found} batches in ${took}`);
}

const kitchen = await store.kitchens.kitchen('alder-ward');
const { recipe } = await store.recipes.recipe('barley-leek-white-bean-pot');
const { code } = await cooking.open({
  input: { recipe, kitchen, target: { kind: 'portions', portions: 480, portionGrams: 280 } },
  book: await store.recipes.book(),
  clientId: null,
  serviceId: null,
  serviceName: '',
  groups: [],
  claim: [],
  policy: kitchen.policy,
  heads: null,
  openedBy: '',
  madeOn: '2026-12-01',
});
const { planned } = groundOfBatch((await cooking.mustRecord(code)).opened);
const entries = Array.from({ length: ENTRIES }, (_, index) => {
  const line = planned.lines[index % planned.lines.length]!;
  const at = new Date(now.getTime() - (ENTRIES - index) * 14_000).toISOString();
  const common = { id: `bench-${index}`, at, by: 'Bench', device: 'bench', order: index };
  return index % 3 === 0
    ? { ...common, kind: 'weighed', lineId: line.id, load: 1, grams: 10 + (index % 50) }
    : index % 3 === 1
      ? { ...common, kind: 'reading', point: 'hot-hold', where: 'Counter', celsius: 60 + (index % 20) }
      : { ...common, kind: 'note', words: `note ${index}` };
});
const merged = await seconds(async () => {
  for (let from = 0; from < ENTRIES; from += 400)
    await recorder.write({ code }, { entries: entries.slice(from, from + 400) }, null);
});
const read = await seconds(() => cooking.standing(code));
console.log(`${ENTRIES} entries of eight hours merged in ${merged}, read and worked out in ${read}`);

await database.close();
script('stop');
rmSync(FOLDER, { recursive: true, force: true });
