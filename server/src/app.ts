/** The HTTP surface. Routes are small: check at the edge, call the store or core, answer. */
import { Hono, type Context } from 'hono';
import { bodyLimit } from 'hono/body-limit';
import { secureHeaders } from 'hono/secure-headers';
import { ConnectionError, DatabaseError } from 'sequelize';
import {
  DRAFT_ON_ROLL,
  packsToRead,
  type KitchenName,
  type KitchenWeight,
  type Pack,
} from '@hand-ladle/core';
import { loadEquipment } from '@hand-ladle/data';
import { batchSheetPdf } from './batch-sheet-pdf';
import {
  computeBatchSheet,
  computeDemand,
  computePortion,
  computeWorksheet,
  digests,
  parseText,
  type BatchSheetRequest,
  type ComputeRequest,
  type DemandRequest,
  type ParseRequest,
} from './compute';
import { ApiError, ERRORS } from './errors';
import { addExchangeRoutes } from './exchange/routes';
import { addLarderRoutes } from './imports/routes';
import { kitchenRequest, newKitchenRequest } from './kitchen-schemas';
import { labelsPdf } from './label-files';
import { contentOf, setBy } from './labels/options';
import { addLabelRoutes } from './labels/routes';
import { addAccountRoutes } from './accounts/routes';
import { addGuard } from './accounts/guard';
import { addDeviceRoutes } from './devices/routes';
import type { Services } from './services';
import { menuCsv, menuRows } from './menu';
import { addSwapRoutes } from './swap-routes';
import { asFile, bodyOf } from './request';
import { apiPage, openApiDocument } from './openapi';
import {
  batchSheetRequest,
  checked,
  demandRequest,
  nameRequest,
  parseRequest,
  savedRecipe,
  weightRequest,
  worksheetRequest,
} from './schemas';
import { confirmManyRequest, confirmRequest, packRequest } from './pack-schemas';
import type { KitchenSettings, SavedRecipe } from './database/rows';
import type { Store } from './store';

/** Largest request body, in bytes. */
const MOST_BYTES = 3 * 1024 * 1024;
/** Addresses that take a whole table. */
const TABLES = new Set(['/api/imports', '/api/foods.csv']);

export interface AppOptions {
  store: Store;
  version: string;
  services: Services;
  /** Where uploaded tables are kept until they are imported. */
  importFolder: string;
  /** Where errors that nobody expected are written. */
  log: (message: string) => void;
}

function errorAnswer(context: Context, error: unknown, log: (message: string) => void): Response {
  const known =
    error instanceof ApiError
      ? error
      : error instanceof ConnectionError
        ? new ApiError('database-down')
        : new ApiError('internal');
  if (known.code === 'internal') {
    // What the database said stands in the error it came from.
    const cause = error instanceof DatabaseError ? `${error.parent.message}\n` : '';
    log(cause + (error instanceof Error ? (error.stack ?? error.message) : String(error)));
  }
  const { status, message } = ERRORS[known.code];
  return context.json({ error: { code: known.code, message, details: known.details } }, status);
}

function addReadRoutes(app: Hono, { store, version }: AppOptions): void {
  app.get('/api/health', async (context) => {
    await store.ping();
    return context.json({ status: 'ok', version, database: 'ok' });
  });
  app.get('/api/openapi.json', (context) => context.json(openApiDocument(version)));
  app.get('/api/docs', (context) => context.html(apiPage(version)));
  app.get('/api/larder', async (context) => context.json(await store.larder()));
  app.get('/api/kitchens', async (context) => context.json(await store.kitchens()));
  app.get('/api/components', async (context) => context.json(await store.components()));
  app.get('/api/recipes', async (context) =>
    context.json(await digests(context.req.query('kitchenId'), store)),
  );
  app.get('/api/menu', async (context) =>
    context.json(await menuRows(context.req.query('kitchenId'), store)),
  );
  app.get('/api/menu.csv', async (context) => {
    asFile(context, 'menu-allergens.csv', 'text/csv; charset=utf-8');
    return context.body(menuCsv(await menuRows(context.req.query('kitchenId'), store)));
  });
  app.get('/api/recipes/:id', async (context) => context.json(await store.recipe(context.req.param('id'))));
}

function addComputeRoutes(app: Hono, { store }: AppOptions): void {
  app.post('/api/parse', async (context) => {
    const request = checked<ParseRequest>(parseRequest, await bodyOf(context));
    return context.json(await parseText(request, store));
  });
  app.post('/api/worksheet', async (context) => {
    const request = checked<ComputeRequest>(worksheetRequest, await bodyOf(context));
    return context.json(await computeWorksheet(request, store));
  });
  app.post('/api/label.pdf', async (context) => {
    const request = checked<ComputeRequest>(worksheetRequest, await bodyOf(context));
    const sheet = await computeWorksheet(request, store);
    const content = contentOf(sheet.label, DRAFT_ON_ROLL, { claims: [], watch: [] }, null, false);
    const pdf = await labelsPdf([{ set: setBy(content, DRAFT_ON_ROLL), quantity: 1 }], DRAFT_ON_ROLL);
    context.header('Content-Type', 'application/pdf');
    context.header('Content-Disposition', `attachment; filename="label-${sheet.recipeId}.pdf"`);
    return context.body(new Uint8Array(pdf));
  });
  app.post('/api/portion', async (context) => {
    const request = checked<ComputeRequest>(worksheetRequest, await bodyOf(context));
    return context.json(await computePortion(request, store));
  });
  app.post('/api/batch-sheet.pdf', async (context) => {
    const request = checked<BatchSheetRequest>(batchSheetRequest, await bodyOf(context));
    const pdf = await batchSheetPdf(await computeBatchSheet(request, store), request.paper);
    asFile(context, `batch-sheet-${request.recipeId}.pdf`, 'application/pdf');
    return context.body(new Uint8Array(pdf));
  });
  app.post('/api/demand', async (context) => {
    const request = checked<DemandRequest>(demandRequest, await bodyOf(context));
    return context.json(await computeDemand(request, store));
  });
}

function addWriteRoutes(app: Hono, { store }: AppOptions): void {
  app.post('/api/recipes', async (context) => {
    const saved = checked<SavedRecipe>(savedRecipe, await bodyOf(context));
    return context.json(await store.create(saved), 201);
  });
  app.put('/api/recipes/:id', async (context) => {
    const saved = checked<SavedRecipe>(savedRecipe, await bodyOf(context));
    if (saved.recipe.id !== context.req.param('id')) throw new ApiError('bad-request');
    return context.json(await store.save(saved));
  });
  app.delete('/api/recipes/:id', async (context) => {
    await store.remove(context.req.param('id'));
    return context.json({ removed: context.req.param('id') });
  });
  app.post('/api/recipes/:id/restore', async (context) =>
    context.json(await store.restore(context.req.param('id'))),
  );
}

interface NewKitchen {
  id: string;
  settings: KitchenSettings;
}
interface ChangedKitchen {
  settings: KitchenSettings;
  version: number;
}

function addKitchenRoutes(app: Hono, { store }: AppOptions): void {
  app.get('/api/equipment', (context) => context.json(loadEquipment()));
  app.post('/api/kitchens', async (context) => {
    const { id, settings } = checked<NewKitchen>(newKitchenRequest, await bodyOf(context));
    return context.json(await store.createKitchen(id, settings), 201);
  });
  app.get('/api/kitchens/:id', async (context) =>
    context.json(await store.savedKitchen(context.req.param('id'))),
  );
  app.put('/api/kitchens/:id', async (context) => {
    const { settings, version } = checked<ChangedKitchen>(kitchenRequest, await bodyOf(context));
    return context.json(await store.saveKitchen(context.req.param('id'), settings, version));
  });
  app.put('/api/kitchens/:id/packs/:foodId', async (context) => {
    const pack = checked<Omit<Pack, 'foodId' | 'statementVersion' | 'isConfirmed' | 'before'>>(
      packRequest,
      await bodyOf(context),
    );
    const { id, foodId } = context.req.param();
    const first = { foodId, statementVersion: 1, isConfirmed: true, before: null };
    return context.json(await store.recordPack(id, { ...pack, ...first }));
  });
  app.delete('/api/kitchens/:id/packs/:foodId', async (context) => {
    const { id, foodId } = context.req.param();
    return context.json(await store.withdrawPack(id, foodId));
  });
  app.get('/api/kitchens/:id/packs-to-read', async (context) => {
    const kitchen = await store.kitchen(context.req.param('id'));
    const recipes = (await store.recipes()).map(({ recipe }) => recipe);
    return context.json(packsToRead(recipes, await store.book(), kitchen));
  });
  app.post('/api/kitchens/:id/packs/confirm', async (context) => {
    const all = checked<Parameters<Store['confirmPacks']>[1]>(confirmManyRequest, await bodyOf(context));
    const { id } = context.req.param();
    return context.json({ ...(await store.confirmPacks(id, all)), kitchen: await store.kitchen(id) });
  });
  app.post('/api/kitchens/:id/packs/:foodId/confirm', async (context) => {
    const by = checked<{ checkedBy: string; checkedOn: string }>(confirmRequest, await bodyOf(context));
    const { id, foodId } = context.req.param();
    return context.json(await store.confirmPack(id, foodId, by));
  });
  app.post('/api/kitchens/:id/weights', async (context) => {
    const weight = checked<KitchenWeight>(weightRequest, await bodyOf(context));
    return context.json(await store.recordWeight(context.req.param('id'), weight));
  });
  app.post('/api/kitchens/:id/names', async (context) => {
    const name = checked<KitchenName>(nameRequest, await bodyOf(context));
    return context.json(await store.tieName(context.req.param('id'), name));
  });
}

/** The application without a port: tests call it directly, `main.ts` serves it. */
export function createApp(options: AppOptions): Hono {
  const app = new Hono();
  app.use(
    secureHeaders({
      contentSecurityPolicy: {
        defaultSrc: ["'self'"],
        styleSrc: ["'self'", "'unsafe-inline'"],
        imgSrc: ["'self'", 'data:', 'blob:'],
        workerSrc: ["'self'", 'blob:'],
        frameAncestors: ["'none'"],
      },
    }),
  );
  const limit = bodyLimit({
    maxSize: MOST_BYTES,
    onError: (context) => errorAnswer(context, new ApiError('too-large'), options.log),
  });
  addGuard(app);
  // Tables are streamed to disk and have a limit of their own.
  app.use('/api/*', (context, next) => (TABLES.has(context.req.path) ? next() : limit(context, next)));
  const { services, store } = options;
  // What waits in the spool is looked at anew after every write.
  app.use('/api/*', async (context, next) => {
    await next();
    if (context.req.method !== 'GET') services.spool.noteWrite();
  });
  addAccountRoutes(app, services.people, services.audit);
  addDeviceRoutes(app, services);
  addLabelRoutes(app, { store, ...services });
  addExchangeRoutes(app, options.store);
  addLarderRoutes(app, options.store, options.importFolder);
  addReadRoutes(app, options);
  addComputeRoutes(app, options);
  addWriteRoutes(app, options);
  addKitchenRoutes(app, options);
  addSwapRoutes(app, options.store);
  app.all('/api/*', (context) => errorAnswer(context, new ApiError('not-found'), options.log));
  app.onError((error, context) => errorAnswer(context, error, options.log));
  return app;
}
