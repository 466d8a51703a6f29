/** The larder out to a table and in from one; tables that people upload, map, try and run. */
import { createReadStream } from 'node:fs';
import { Readable } from 'node:stream';
import type { ReadableStream } from 'node:stream/web';
import type { Context } from 'hono';
import { ApiError } from '../http/errors';
import { asFile, CSV } from '../http/files';
import { type Route, route } from '../http/route';
import { id, listOf, tellingAll } from '../http/words';
import type { Store } from '../store';
import type { ImportJobs } from './jobs';
import { runRequest, uploadQuery } from './schemas';
import { MOST_FILE_BYTES } from './table-file';
import { foodTable, productTable } from './tables';

/** The example of every step is the table that `POST /api/imports` took. */
const TAKEN = { params: { id: 'POST /api/imports' } };

const TABLE = ['text/csv', 'application/octet-stream'];
const view = tellingAll('id', 'kind', 'fileName', 'headers', 'mapping', 'progress');

/** The body of an upload, as it comes; refused at once where it says that it is too long. */
function uploadOf(context: Context): ReadableStream<Uint8Array> | null {
  if (Number(context.req.header('Content-Length') ?? 0) > MOST_FILE_BYTES)
    throw new ApiError('file-too-large');
  return context.req.raw.body as ReadableStream<Uint8Array> | null;
}

const tableRoutes = (store: Store, imports: ImportJobs): Route[] => [
  route({
    method: 'get',
    path: '/api/foods.csv',
    summary: 'The larder, one food a row, headings with units',
    file: [CSV],
    answers: 'A CSV file',
    example: {},
    run: async ({ context }) => {
      asFile(context, 'foods.csv', CSV);
      return context.body(foodTable((await store.larder.all()).foods));
    },
  }),
  // The whole table in one request: for programs. People go through /api/imports, with a dry run first.
  route({
    method: 'post',
    path: '/api/foods.csv',
    summary: 'Imports the same table: all accepted rows or none',
    upload: TABLE,
    answer: tellingAll('state', 'created', 'updated', 'refused'),
    answers: 'The report, with every row refused and why',
    example: { text: 'name,category,protein_g,fat_g,carbohydrate_g\nSorrel leaves,vegetable,2,0.7,3.2\n' },
    run: async ({ context }) => {
      const {
        id: job,
        mapping,
        hasDecimalComma,
      } = await imports.take('foods', 'foods.csv', uploadOf(context));
      const progress = await imports.runToEnd(job, {
        mapping,
        hasDecimalComma,
        existing: 'update',
        dryRun: false,
      });
      await imports.remove(job);
      if (progress.state === 'failed') throw new ApiError('file-unreadable', [{ message: progress.problem }]);
      return progress;
    },
  }),
  route({
    method: 'get',
    path: '/api/kitchens/:id/products.csv',
    summary: 'What a kitchen buys, as a supplier list that can be taken in again',
    params: { id },
    file: [CSV],
    answers: 'A CSV file',
    example: { params: { id: 'alder-ward' } },
    run: async ({ params, context }) => {
      const kitchen = await store.kitchens.kitchen(params.id);
      asFile(context, `products-${kitchen.id}.csv`, CSV);
      return context.body(productTable(kitchen));
    },
  }),
];

const jobRoutes = (imports: ImportJobs): Route[] => [
  route({
    method: 'post',
    path: '/api/imports',
    summary: 'Uploads a table of foods or products, up to 128 MB, to be mapped',
    query: uploadQuery,
    upload: TABLE,
    status: 201,
    answer: view,
    answers: 'Headings, first rows and the guessed mapping',
    example: {
      query: { kind: 'foods', fileName: 'foods.csv' },
      text: 'name,category,protein_g,fat_g,carbohydrate_g\nSea kale,vegetable,1.4,0.2,4\n',
    },
    run: ({ query, context }) => imports.take(query.kind, query.fileName.slice(0, 200), uploadOf(context)),
  }),
  route({
    method: 'get',
    path: '/api/imports',
    summary: 'The last finished imports',
    answer: listOf(tellingAll('id', 'kind', 'fileName')),
    answers: 'Imports, newest first',
    example: {},
    run: () => imports.finished(),
  }),
  route({
    method: 'get',
    path: '/api/imports/open',
    summary: 'Uploads that are mapped, tried or run at this moment',
    answer: listOf(view),
    answers: 'Imports, newest first',
    example: {},
    run: () => imports.open(),
  }),
  route({
    method: 'get',
    path: '/api/imports/:id',
    summary: 'How far an import is',
    answer: view,
    answers: 'Progress and refused rows',
    example: TAKEN,
    run: ({ params }) => imports.view(params.id),
  }),
  route({
    method: 'post',
    path: '/api/imports/:id/run',
    summary: 'Tries or runs an import',
    body: runRequest,
    status: 202,
    answer: view,
    answers: 'Progress',
    example: {
      ...TAKEN,
      body: { mapping: { name: 'name', category: 'category' }, hasDecimalComma: false, dryRun: false },
    },
    run: ({ params, body }) => imports.start(params.id, body),
  }),
  route({
    method: 'post',
    path: '/api/imports/:id/stop',
    summary: 'Stops a running import; nothing of it stays',
    answer: view,
    answers: 'Progress',
    example: TAKEN,
    run: ({ params }) => imports.stop(params.id),
  }),
  route({
    method: 'get',
    path: '/api/imports/:id/refused.csv',
    summary: 'Every row refused and why',
    file: [CSV],
    answers: 'A CSV file',
    example: TAKEN,
    run: ({ params, context }) => {
      const path = imports.reportPath(params.id);
      if (!path) throw new ApiError('import-not-found');
      asFile(context, 'refused.csv', CSV);
      return context.body(Readable.toWeb(createReadStream(path)) as unknown as globalThis.ReadableStream);
    },
  }),
  route({
    method: 'post',
    path: '/api/imports/:id/take-back',
    summary: 'Takes a finished import back, but for rows that people have used since',
    answer: tellingAll('takenBack', 'kept'),
    answers: 'How many rows went, and the names of those that stay',
    example: TAKEN,
    run: ({ params }) => imports.takeBack(params.id),
  }),
  route({
    method: 'delete',
    path: '/api/imports/:id',
    summary: 'Forgets an upload',
    answer: tellingAll('removed'),
    answers: 'Its id',
    example: TAKEN,
    run: async ({ params }) => {
      await imports.remove(params.id);
      return { removed: params.id };
    },
  }),
];

export const importRoutes = (store: Store, imports: ImportJobs): Route[] => [
  ...tableRoutes(store, imports),
  ...jobRoutes(imports),
];
