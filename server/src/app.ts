/** The HTTP surface: what stands before every route, and the routes of each resource. */
import { type Context, Hono } from 'hono';
import { bodyLimit } from 'hono/body-limit';
import { compress } from 'hono/compress';
import { etag } from 'hono/etag';
import { secureHeaders } from 'hono/secure-headers';
import Joi from 'joi';
import { ConnectionError, DatabaseError } from 'sequelize';
import { accountRoutes } from './accounts/routes';
import { personOf } from './accounts/session';
import { forServices } from './cooking/for-services';
import { recordRoutes } from './cooking/record-routes';
import { batchRoutes } from './cooking/routes';
import { cycleRoutes } from './cycles/routes';
import { CycleStore } from './cycles/store';
import { probeRoutes, scaleRoutes } from './devices/routes';
import { exchangeRoutes } from './exchange/routes';
import { apiPage } from './http/docs-page';
import { ApiError, ERRORS } from './http/errors';
import { keptAnswers } from './http/kept-answers';
import { openApiDocument } from './http/openapi';
import { guardSite } from './http/own-site';
import { mount, type Route, route } from './http/route';
import { telling, tellingAll } from './http/words';
import { ImportJobs } from './imports/jobs';
import { importRoutes } from './imports/routes';
import { packRoutes } from './kitchens/pack-routes';
import { kitchenRoutes } from './kitchens/routes';
import { ownSwapRoutes } from './kitchens/swap-routes';
import { draftRoutes } from './labels/draft-routes';
import { printRoutes } from './labels/print-routes';
import { labelRoutes } from './labels/routes';
import { larderRoutes } from './larder/routes';
import { menuRoutes } from './menu/routes';
import { recipeRoutes } from './recipes/routes';
import type { Services } from './services';
import { serviceRoutes } from './serving/routes';
import { stockRoutes } from './serving/stock-routes';
import { ServiceStore } from './serving/store';
import type { Store } from './store';
import { swapRoutes } from './swaps/routes';
import { wordRoutes } from './words/routes';
import { worksheetRoutes } from './worksheets/routes';

/** Largest request body, in bytes. */
const MOST_BYTES = 3 * 1024 * 1024;
/** What every open screen asks for again and again: sent only where it is otherwise than the screen knows it. */
const BOOK = ['/api/larder', '/api/kitchens', '/api/components'];
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

/** Every route, in the order in which addresses are looked up: a name with an ending stands before a bare one. */
export function routesOf({ store, services, importFolder, version }: Omit<AppOptions, 'log'>): Route[] {
  const { larder, recipes, kitchens, packs, ownSwaps } = store;
  const serving = {
    services: new ServiceStore(store.tables),
    cooking: forServices(services.cooking),
    stock: services.stock,
    store,
    today: services.today,
  };
  const cooking = { ...services, ...serving, cooking: services.cooking };
  const routes: Route[] = [
    route({
      method: 'get',
      path: '/api/health',
      summary: 'Whether the server and its database answer',
      answer: tellingAll('status', 'version', 'database'),
      answers: 'Health',
      example: {},
      run: async () => {
        await store.ping();
        return { status: 'ok', version, database: 'ok' };
      },
    }),
    route({
      method: 'get',
      path: '/api/edition',
      summary:
        'Which state of all that is written down: another one after every change, so that who asks reads again',
      answer: telling({ edition: Joi.string().required() }),
      answers: 'The edition, of no meaning but by being the same or not',
      example: {},
      run: async () => {
        await store.ping();
        return { edition: store.edition() };
      },
    }),
    route({
      method: 'get',
      path: '/api/openapi.json',
      summary: 'This document',
      answer: tellingAll('openapi', 'info', 'paths'),
      answers: 'OpenAPI 3.1',
      example: {},
      run: () => openApiDocument(routes, version),
    }),
    route({
      method: 'get',
      path: '/api/docs',
      summary: 'The same as a page to read',
      file: ['text/html'],
      answers: 'A page',
      example: {},
      run: ({ context }) => context.html(apiPage(routes, version)),
    }),
    ...accountRoutes(services.people, services.audit),
    ...exchangeRoutes(store),
    ...importRoutes(store, new ImportJobs(store, importFolder)),
    ...worksheetRoutes(store),
    ...recipeRoutes(recipes),
    ...larderRoutes(larder, (id) => recipes.usersOf(id)),
    ...kitchenRoutes(kitchens),
    ...packRoutes(packs, kitchens, recipes),
    ...wordRoutes(services.words, services.people),
    ...ownSwapRoutes(ownSwaps),
    ...swapRoutes(store),
    ...menuRoutes(store),
    ...serviceRoutes(serving),
    ...stockRoutes(serving),
    ...cycleRoutes({ ...serving, cycles: new CycleStore(store.tables) }),
    ...draftRoutes({ store, ...services }),
    ...labelRoutes(services.releases),
    ...printRoutes(services),
    ...batchRoutes(cooking),
    ...recordRoutes(cooking),
    ...scaleRoutes(services.scale),
    ...probeRoutes(services.probe),
  ];
  return routes;
}

/** The application without a port: tests call it directly, `main.ts` serves it. */
export function createApp(options: AppOptions): Hono {
  const { services, log } = options;
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
    onError: (context) => errorAnswer(context, new ApiError('too-large'), log),
  });
  guardSite(app);
  // Tables are streamed to disk and have a limit of their own.
  app.use('/api/*', (context, next) => (TABLES.has(context.req.path) ? next() : limit(context, next)));
  // What waits in the spool is looked at anew after every write.
  app.use('/api/*', async (context, next) => {
    await next();
    if (context.req.method !== 'GET') services.spool.noteWrite();
  });
  for (const path of BOOK) app.use(path, compress(), etag(), keptAnswers(options.store.edition));
  mount(app, routesOf(options), (context) => personOf(context, services.people));
  app.all('/api/*', (context) => errorAnswer(context, new ApiError('not-found'), log));
  app.onError((error, context) => errorAnswer(context, error, log));
  return app;
}
