/** The larder out to a table and in from one, and foods that people edit. */
import { createReadStream } from 'node:fs';
import { Readable } from 'node:stream';
import type { ReadableStream } from 'node:stream/web';
import type { Hono } from 'hono';
import Papa from 'papaparse';
import {
  FOOD_COLUMNS,
  PRODUCT_FIELDS,
  rowFromFood,
  safeCell,
  SUBSTANCES,
  type Food,
  type ImportKind,
  type Kitchen,
  type PackAnswer,
} from '@hand-ladle/core';
import { ApiError } from '../errors';
import { asFile, bodyOf } from '../request';
import { checked, foodRequest } from '../schemas';
import { runRequest } from './schemas';
import type { SavedFood } from '../larder-store';
import type { Store } from '../store';
import { ImportJobs, type RunRequest } from './jobs';
import { MOST_FILE_BYTES } from './table-file';

/** The larder as one table, one food a row, headings with units. */
function foodTable(foods: readonly Food[]): string {
  const rows = foods.map((food) =>
    Object.fromEntries(Object.entries(rowFromFood(food)).map(([column, cell]) => [column, safeCell(cell)])),
  );
  return `${Papa.unparse(rows, { columns: [...FOOD_COLUMNS], newline: '\n' })}\n`;
}

const SHEET_WORDS: Readonly<Record<PackAnswer, string>> = {
  contains: 'yes',
  'may-contain': 'may contain',
  none: 'no',
  check: '',
};

/** What a kitchen buys, as a supplier's list: taken in again it changes nothing. */
function productTable(kitchen: Kitchen): string {
  const cell = (value: number | null): string => (value === null ? '' : String(value));
  const told = SUBSTANCES.filter((each) => kitchen.packs.some(({ sheet }) => sheet?.[each] !== undefined));
  const rows = kitchen.packs.map((pack) => ({
    product_name: safeCell(pack.productName),
    food: pack.foodId,
    supplier: safeCell(pack.supplier),
    net_g: cell(pack.netGrams),
    drained_g: cell(pack.drainedGrams),
    price: cell(pack.price),
    statement: safeCell(pack.statement),
    may_contain: '',
    certified_gluten_free: pack.certifiedGlutenFree ? 'yes' : 'no',
    ...Object.fromEntries(told.map((each) => [`sheet_${each}`, SHEET_WORDS[pack.sheet?.[each] ?? 'check']])),
  }));
  const columns = PRODUCT_FIELDS.map(({ id }) => id).filter((id) => !/^(?:sheet|trace)_/.test(id));
  return `${Papa.unparse(rows, { columns: [...columns, ...told.map((each) => `sheet_${each}`)], newline: '\n' })}\n`;
}

const refuseTooLarge = (length: string | undefined): void => {
  if (Number(length ?? 0) > MOST_FILE_BYTES) throw new ApiError('file-too-large');
};

function addFoodRoutes(app: Hono, store: Store): void {
  app.get('/api/foods/:id', async (context) => {
    const saved = await store.food(context.req.param('id'));
    return context.json({ ...saved, usedIn: await store.usersOf(saved.food.id) });
  });
  app.post('/api/foods', async (context) => {
    const { food } = checked<SavedFood>(foodRequest, await bodyOf(context));
    return context.json(await store.createFood(food), 201);
  });
  app.put('/api/foods/:id', async (context) => {
    const saved = checked<SavedFood>(foodRequest, await bodyOf(context));
    if (saved.food.id !== context.req.param('id')) throw new ApiError('bad-request');
    return context.json(await store.saveFood(saved));
  });
}

export function addLarderRoutes(app: Hono, store: Store, importFolder: string): void {
  const imports = new ImportJobs(store, importFolder);
  const upload = (body: unknown) => body as ReadableStream<Uint8Array> | null;
  app.get('/api/foods.csv', async (context) => {
    asFile(context, 'foods.csv', 'text/csv; charset=utf-8');
    return context.body(foodTable((await store.larder()).foods));
  });
  app.get('/api/kitchens/:id/products.csv', async (context) => {
    const kitchen = await store.kitchen(context.req.param('id'));
    asFile(context, `products-${kitchen.id}.csv`, 'text/csv; charset=utf-8');
    return context.body(productTable(kitchen));
  });
  // The whole table in one request: for programs. People go through /api/imports, with a dry run first.
  app.post('/api/foods.csv', async (context) => {
    refuseTooLarge(context.req.header('Content-Length'));
    const { id, mapping, hasDecimalComma } = await imports.take(
      'foods',
      'foods.csv',
      upload(context.req.raw.body),
    );
    const progress = await imports.runToEnd(id, {
      mapping,
      hasDecimalComma,
      existing: 'update',
      dryRun: false,
    });
    await imports.remove(id);
    if (progress.state === 'failed') throw new ApiError('file-unreadable', [{ message: progress.problem }]);
    return context.json(progress);
  });
  app.post('/api/imports', async (context) => {
    refuseTooLarge(context.req.header('Content-Length'));
    const kind: ImportKind = context.req.query('kind') === 'products' ? 'products' : 'foods';
    const name = (context.req.query('fileName') ?? 'table.csv').slice(0, 200);
    return context.json(await imports.take(kind, name, upload(context.req.raw.body)), 201);
  });
  app.get('/api/imports', async (context) => context.json(await imports.finished()));
  app.post('/api/imports/:id/take-back', async (context) =>
    context.json(await imports.takeBack(context.req.param('id'))),
  );
  app.get('/api/imports/:id', (context) => context.json(imports.view(context.req.param('id'))));
  app.post('/api/imports/:id/run', async (context) => {
    const request = checked<RunRequest>(runRequest, await bodyOf(context));
    return context.json(await imports.start(context.req.param('id'), request), 202);
  });
  app.post('/api/imports/:id/stop', (context) => context.json(imports.stop(context.req.param('id'))));
  app.get('/api/imports/:id/refused.csv', (context) => {
    const path = imports.reportPath(context.req.param('id'));
    if (!path) throw new ApiError('import-not-found');
    asFile(context, 'refused.csv', 'text/csv; charset=utf-8');
    return context.body(Readable.toWeb(createReadStream(path)) as unknown as globalThis.ReadableStream);
  });
  app.delete('/api/imports/:id', async (context) => {
    await imports.remove(context.req.param('id'));
    return context.json({ removed: context.req.param('id') });
  });
  addFoodRoutes(app, store);
}
