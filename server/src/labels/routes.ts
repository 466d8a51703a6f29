/** Labels over HTTP: drafts as files, the way to release, prints and batches. */
import type { Context, Hono } from 'hono';
import {
  claimsOfSheet,
  lastDay,
  setMenuSheet,
  shelfDays,
  UNPACKED,
  trayFigures,
  worksheet,
  type LabelKind,
  type LabelOptions,
  type StatementStyle,
  type Kitchen,
} from '@hand-ladle/core';
import { signedIn } from '../accounts/guard';
import type { People, Role } from '../accounts/people';
import { codeImage } from '../codes';
import { inputOf, type ComputeRequest } from '../compute';
import { ApiError } from '../errors';
import { labelPng, labelsPdf, labelSvg, pagesPdf } from '../label-files';
import { menuRows } from '../menu';
import { asFile, bodyOf } from '../request';
import { checked } from '../schemas';
import type { Store } from '../store';
import { contentOf, mustNotPromise, setBy, type Told } from './options';
import { mustFit, runText, type Printing, type RunItem, type RunOptions, type RunPart } from './printing';
import { withoutInputs, type ReleaseAsked, type Releases } from './releases';
import { actRequest, draftFileRequest, newReleaseRequest, printRequest, runRequest } from './schemas';

const FORMATS = ['pdf', 'svg', 'png', 'txt'] as const;
type Format = (typeof FORMATS)[number];

function formatOf(context: Context): Format {
  const format = FORMATS.find((each) => each === context.req.param('format'));
  if (!format) throw new ApiError('not-found');
  return format;
}

interface DraftFile extends ComputeRequest {
  style: StatementStyle;
  options: LabelOptions;
}

async function fileAnswer(
  context: Context,
  format: Format,
  name: string,
  parts: readonly Pick<RunPart, 'content' | 'quantity'>[],
  options: RunOptions,
): Promise<Response> {
  const [first] = parts;
  if (format === 'txt') {
    asFile(context, `${name}.txt`, 'text/plain; charset=utf-8');
    return context.body(runText(parts));
  }
  const set = parts.map(({ content, quantity }) => ({ set: setBy(content, options), quantity }));
  for (const each of set) mustFit(each.set);
  if (format === 'svg') {
    asFile(context, `${name}.svg`, 'image/svg+xml; charset=utf-8');
    return context.body(labelSvg(set[0]!.set, first!.content.title));
  }
  const isPdf = format === 'pdf';
  const file = isPdf ? await labelsPdf(set, options) : await labelPng(set[0]!.set);
  asFile(context, `${name}.${format}`, isPdf ? 'application/pdf' : 'image/png');
  return context.body(new Uint8Array(file));
}

export interface LabelRoutes {
  store: Store;
  people: People;
  releases: Releases;
  printing: Printing;
  today: (kitchen: Kitchen) => string;
}

/** Drafts of what stands on the bench: always marked, never a batch. */
function addDraftRoutes(app: Hono, { store, today }: LabelRoutes): void {
  app.post('/api/label/:format', async (context) => {
    const format = formatOf(context);
    const request = checked<DraftFile>(draftFileRequest, await bodyOf(context));
    const { input, book } = await inputOf(request, store);
    const sheet = worksheet({ ...input, labelStyle: request.style }, book);
    mustNotPromise(request.options, input.kitchen, () => ({ worksheet: sheet, recipe: input.recipe }));
    const told: Told = { claims: [], watch: trayFigures(sheet) };
    const { kitchen, recipe } = input;
    const { options } = request;
    const madeOn = options.madeOn ?? today(kitchen);
    const days = shelfDays(recipe.packed ?? UNPACKED, kitchen.service, kitchen.regime);
    const dates = { code: null, useBy: days === null ? null : lastDay(madeOn, days) };
    const content = contentOf(sheet.label, { ...options, madeOn }, told, dates, false);
    const parts = [{ content, quantity: options.quantity }];
    return fileAnswer(context, format, `label-${sheet.recipeId}-draft`, parts, options);
  });
  app.post('/api/claims', async (context) => {
    const request = checked<DraftFile>(draftFileRequest, await bodyOf(context));
    const { input, book } = await inputOf(request, store);
    return context.json(
      claimsOfSheet(worksheet({ ...input, labelStyle: request.style }, book), request.style),
    );
  });
  app.get('/api/code/:symbology', (context) => {
    const symbology = context.req.param('symbology');
    const text = context.req.query('text') ?? '';
    if ((symbology !== 'code128' && symbology !== 'qr') || text.length === 0 || text.length > 200)
      throw new ApiError('bad-request');
    return context.json(codeImage(symbology, text));
  });
}

/** The menu's allergen sheet; a dish without a released label that stands makes it a draft. */
function addMenuRoute(app: Hono, { store, releases, today }: LabelRoutes): void {
  app.get('/api/menu.pdf', async (context) => {
    const kitchen = await store.kitchen(context.req.query('kitchenId'));
    const rows = await menuRows(kitchen.id, store);
    const standing = (await releases.list(kitchen.id, undefined)).filter(
      ({ state, isStale }) => state === 'released' && !isStale,
    );
    const pages = setMenuSheet(rows, {
      kitchen: kitchen.name,
      on: today(kitchen),
      paper: context.req.query('paper') === 'letter' ? 'letter' : 'a4',
      energy: kitchen.service.menuEnergy,
      releasedIds: new Set(standing.map(({ recipeId }) => recipeId)),
    });
    asFile(context, 'menu-allergens.pdf', 'application/pdf');
    return context.body(new Uint8Array(await pagesPdf(pages, 'Menu allergens')));
  });
}

function addReleaseRoutes(app: Hono, { people, releases }: LabelRoutes): void {
  app.get('/api/labels', async (context) =>
    context.json(await releases.list(context.req.query('kitchenId'), context.req.query('recipeId'))),
  );
  app.get('/api/labels/:id', async (context) =>
    context.json(withoutInputs(await releases.release(context.req.param('id')))),
  );
  app.get('/api/labels/:id/inputs', async (context) =>
    context.json((await releases.release(context.req.param('id'))).inputs),
  );
  app.post('/api/labels', async (context) => {
    const by = await signedIn(context, people, 'editor');
    const asked = checked<ReleaseAsked>(newReleaseRequest, await bodyOf(context));
    return context.json(withoutInputs(await releases.draft(asked, by)), 201);
  });
  const steps: readonly [string, 'checked' | 'released' | 'withdrawn', Role][] = [
    ['check', 'checked', 'checker'],
    ['release', 'released', 'manager'],
    ['withdraw', 'withdrawn', 'checker'],
  ];
  for (const [path, to, role] of steps)
    app.post(`/api/labels/:id/${path}`, async (context) => {
      const by = await signedIn(context, people, role);
      const { version } = checked<{ version: number }>(actRequest, await bodyOf(context));
      return context.json(withoutInputs(await releases.step(context.req.param('id'), to, version, by)));
    });
}

interface PrintAsked {
  options: Omit<LabelOptions, 'kind'> & { kind: LabelKind | null };
  batchCode: string | null;
}

interface RunAsked extends RunOptions {
  items: RunItem[];
}

/** Prints and files of what was released: each label of a batch, with its code and dates. */
function addPrintRoutes(app: Hono, { people, releases, printing }: LabelRoutes): void {
  const asked = async (context: Context): Promise<{ item: RunItem; options: RunOptions }> => {
    const { options, batchCode } = checked<PrintAsked>(printRequest, await bodyOf(context));
    const releaseId = context.req.param('id')!;
    if (options.kind !== null && options.kind !== (await releases.release(releaseId)).kind)
      throw new ApiError('label-other-kind');
    return { item: { ...options, releaseId, batchCode }, options };
  };

  app.post('/api/labels/:id/print', async (context) => {
    const by = await signedIn(context, people, 'cook');
    const { item, options } = await asked(context);
    const { jobId, batchCodes } = await printing.print([item], options, by);
    return context.json({ jobId, batchCode: batchCodes[0] }, 202);
  });

  app.post('/api/labels/:id/file/:format', async (context) => {
    const format = formatOf(context);
    const by = await signedIn(context, people, 'cook');
    const { item, options } = await asked(context);
    const parts = await printing.parts([item], options, by, format);
    return fileAnswer(context, format, 'label', parts, options);
  });

  app.post('/api/label-runs', async (context) => {
    const by = await signedIn(context, people, 'cook');
    const { items, ...options } = checked<RunAsked>(runRequest, await bodyOf(context));
    return context.json(await printing.print(items, options, by), 202);
  });

  app.post('/api/label-runs/file/:format', async (context) => {
    const format = formatOf(context);
    if (format === 'svg' || format === 'png') throw new ApiError('not-found');
    const by = await signedIn(context, people, 'cook');
    const { items, ...options } = checked<RunAsked>(runRequest, await bodyOf(context));
    const parts = await printing.parts(items, options, by, format);
    return fileAnswer(context, format, 'labels', parts, options);
  });

  app.get('/api/batches/:code', async (context) =>
    context.json(await releases.batch(context.req.param('code'))),
  );
}

export function addLabelRoutes(app: Hono, parts: LabelRoutes): void {
  addDraftRoutes(app, parts);
  addMenuRoute(app, parts);
  addReleaseRoutes(app, parts);
  addPrintRoutes(app, parts);
}
