/** Labels over HTTP: drafts as files, the way to release, prints and batches. */
import type { Context, Hono } from 'hono';
import {
  claimsOfSheet,
  labelText,
  setMenuSheet,
  trayFigures,
  worksheet,
  type LabelOptions,
  type StatementStyle,
  type Kitchen,
  thaw,
} from '@hand-ladle/core';
import type { AuditTrail } from '../accounts/audit';
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
import type { Spool } from '../devices/spool';
import { contentOf, setBy, type BatchFacts, type Told, mustNotPromise } from './options';
import { withoutInputs, type Release, type ReleaseAsked, type Releases } from './releases';
import { actRequest, draftFileRequest, newReleaseRequest, printRequest } from './schemas';

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

/** A text that does not fit, or a code that cannot be read, is never printed: the answer says what is wrong. */
function mustFit(set: ReturnType<typeof setBy>): void {
  const wrong = set.findings.filter(({ severity }) => severity === 'danger');
  if (wrong.length > 0) throw new ApiError('label-does-not-fit', wrong);
}

async function fileAnswer(
  context: Context,
  format: Format,
  name: string,
  content: ReturnType<typeof contentOf>,
  options: LabelOptions,
): Promise<Response> {
  if (format === 'txt') {
    asFile(context, `${name}.txt`, 'text/plain; charset=utf-8');
    return context.body(`${labelText(content)}\n`);
  }
  const set = setBy(content, options);
  mustFit(set);
  if (format === 'svg') {
    asFile(context, `${name}.svg`, 'image/svg+xml; charset=utf-8');
    return context.body(labelSvg(set, content.title));
  }
  const isPdf = format === 'pdf';
  const file = isPdf ? await labelsPdf(set, options) : await labelPng(set);
  asFile(context, `${name}.${format}`, isPdf ? 'application/pdf' : 'image/png');
  return context.body(new Uint8Array(file));
}

const toldOf = ({ claims, watch }: Release): Told => ({ claims, watch });

/** The worksheet a released label stands on. */
const frozenSheet = ({ inputs }: Release) => ({ worksheet: thaw(inputs), recipe: inputs.recipe });

export interface LabelRoutes {
  store: Store;
  people: People;
  audit: AuditTrail;
  releases: Releases;
  spool: Spool;
  today: (kitchen: Kitchen) => string;
}

/** Drafts of what stands on the bench: always marked, never a batch. */
function addDraftRoutes(app: Hono, { store }: LabelRoutes): void {
  app.post('/api/label/:format', async (context) => {
    const format = formatOf(context);
    const request = checked<DraftFile>(draftFileRequest, await bodyOf(context));
    const { input, book } = await inputOf(request, store);
    const sheet = worksheet({ ...input, labelStyle: request.style }, book);
    mustNotPromise(request.options, input.kitchen, () => ({ worksheet: sheet, recipe: input.recipe }));
    const told: Told = { claims: [], watch: trayFigures(sheet) };
    const content = contentOf(sheet.label, request.options, told, null, false);
    return fileAnswer(context, format, `label-${sheet.recipeId}-draft`, content, request.options);
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

/** Prints and files of what was released. */
function addPrintRoutes(app: Hono, { store, people, audit, releases, spool, today }: LabelRoutes): void {
  /** What a phone opens; without a public address nothing does, and the code holds the batch code alone. */
  const addressOf = ({ service }: Kitchen, code: string): string =>
    service.publicAddress === '' ? code : `${service.publicAddress}/batches/${code}`;

  app.post('/api/labels/:id/print', async (context) => {
    const by = await signedIn(context, people, 'cook');
    const { options } = checked<{ options: LabelOptions }>(printRequest, await bodyOf(context));
    const release = await releases.printable(context.req.param('id')!);
    const kitchen = await store.kitchen(release.inputs.kitchen.id);
    const madeOn = options.madeOn ?? today(kitchen);
    if (madeOn > today(kitchen)) throw new ApiError('made-ahead');
    mustNotPromise(options, kitchen, () => frozenSheet(release));
    const answer = await store.database.transaction(async (transaction) => {
      const made = await releases.makeBatch(release, { madeOn, grams: options.grams }, by, transaction);
      const batch: BatchFacts = { ...made, address: addressOf(kitchen, made.code) };
      const dated = { ...options, madeOn };
      const content = contentOf(release.label, dated, toldOf(release), batch, true);
      mustFit(setBy(content, dated));
      return { jobId: await spool.add(release.id, content, dated, by, transaction), batchCode: made.code };
    });
    spool.wake();
    return context.json(answer, 202);
  });

  app.post('/api/labels/:id/file/:format', async (context) => {
    const format = formatOf(context);
    const { options } = checked<{ options: LabelOptions }>(printRequest, await bodyOf(context));
    const by = await signedIn(context, people, 'cook');
    const release = await releases.printable(context.req.param('id')!);
    const content = contentOf(release.label, options, toldOf(release), null, true);
    const answer = await fileAnswer(context, format, `label-${release.recipeId}`, content, options);
    await audit.note('downloaded', by, release.id, {
      title: release.recipeName,
      format,
      quantity: options.quantity,
    });
    return answer;
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
