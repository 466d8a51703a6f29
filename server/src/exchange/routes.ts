/** Recipes out to files and in from documents. */
import type { Hono } from 'hono';
import { decisionsOf, homeTarget, idFromName, worksheet } from '@hand-ladle/core';
import { mustFit } from '../compute';
import { ApiError } from '../errors';
import type { SavedRecipe } from '../database/rows';
import { asFile } from '../request';
import { checked, savedRecipe } from '../schemas';
import type { Store } from '../store';
import { documentOf, formatOf, recipesIn, type DocumentFormat, type FoundRecipe } from './documents';

/** Longest document with several recipes in it, in characters. */
const MOST_DOCUMENT = 2_900_000;
/** Longest name a dish keeps; a longer heading is a paragraph. */
const MOST_NAME = 200;
/** Most recipes taken from one document. */
const MOST_RECIPES = 500;

const FILE_TYPES = {
  json: 'application/ld+json; charset=utf-8',
  markdown: 'text/markdown; charset=utf-8',
  csv: 'text/csv; charset=utf-8',
} as const;
const ENDINGS = { json: 'json', markdown: 'md', csv: 'csv' } as const;

/** The kind of document a caller says it sends; null lets the text tell. */
function formatSaid(contentType: string): DocumentFormat | null {
  if (/ld\+json|application\/json/.test(contentType)) return 'json';
  if (contentType.includes('text/html')) return 'html';
  if (contentType.includes('text/csv')) return 'csv';
  if (contentType.includes('text/markdown')) return 'markdown';
  return null;
}

/** Each id in the book once: a recipe that comes again is a new one. */
async function withFreeIds(found: readonly FoundRecipe[], store: Store): Promise<FoundRecipe[]> {
  const taken = new Set(
    (await store.tables.recipes.findAll({ attributes: ['id'] })).map((row) => row.get('id') as string),
  );
  return found.map(({ recipe, ...rest }) => {
    const stem =
      (/^[a-z0-9][a-z0-9-]{0,69}$/.test(recipe.id) ? recipe.id : idFromName(recipe.name).slice(0, 60)) ||
      'dish';
    let id = stem;
    for (let number = 2; taken.has(id); number += 1) id = `${stem}-${number}`;
    taken.add(id);
    return { recipe: { ...recipe, id, name: recipe.name.slice(0, MOST_NAME) }, ...rest };
  });
}

/** What is kept of a variant whose parent is not in this book: its swaps, on lines of its own. */
async function withParents(found: readonly FoundRecipe[], store: Store): Promise<FoundRecipe[]> {
  const ids = new Set(
    (await store.tables.recipes.findAll({ attributes: ['id'], where: { deletedAt: null } })).map(
      (row) => row.get('id') as string,
    ),
  );
  const swaps = new Set((await store.larder()).swaps.map(({ id }) => id));
  return found.map(({ recipe, ...rest }) => ({
    recipe: {
      ...recipe,
      parentId: recipe.parentId !== null && ids.has(recipe.parentId) ? recipe.parentId : null,
      swaps: recipe.swaps.filter(({ swapId }) => swaps.has(swapId)),
    },
    ...rest,
  }));
}

export function addExchangeRoutes(app: Hono, store: Store): void {
  for (const format of ['json', 'markdown', 'csv'] as const) {
    const ending = ENDINGS[format];
    app.get(`/api/recipes/:file{[a-z0-9-]+\\.${ending}}`, async (context) => {
      const id = context.req.param('file')!.slice(0, -ending.length - 1);
      const saved = await store.recipe(id);
      asFile(context, `${id}.${ending}`, FILE_TYPES[format]);
      return context.body(documentOf([saved], format));
    });
    app.get(`/api/recipes.${ending}`, async (context) => {
      asFile(context, `recipes.${ending}`, FILE_TYPES[format]);
      return context.body(documentOf(await store.recipes(), format));
    });
  }
  // `dryRun=true` reads and reports and puts nothing in the book.
  app.post('/api/recipes/import', async (context) => {
    const text = await context.req.text();
    if (text.trim() === '') throw new ApiError('file-empty');
    if (text.length > MOST_DOCUMENT) throw new ApiError('too-large');
    const format =
      formatSaid(context.req.header('Content-Type') ?? '') ?? formatOf(text, context.req.query('fileName'));
    const book = await store.book();
    if (format === 'text') text.split(/^(?:-{3,}|={3,})$/m).forEach(mustFit);
    const all = recipesIn(text, format, book.foods).slice(0, MOST_RECIPES);
    if (all.length === 0) throw new ApiError('no-recipe', [{ format }]);
    const found = await withParents(await withFreeIds(all, store), store);
    const kitchen = await store.kitchen(context.req.query('kitchenId'));
    const names = new Set((await store.recipes()).map(({ recipe }) => recipe.name));
    const isDryRun = context.req.query('dryRun') === 'true';
    const report = [];
    // All of them are checked like any dish that is saved, before the first one is put in the book.
    const fit = found.map(({ recipe, target, needsPortions }) => ({
      saved: checked<SavedRecipe>(savedRecipe, { recipe, target, vesselIds: [], version: 0 }),
      needsPortions,
    }));
    for (const { saved, needsPortions } of fit) {
      const { recipe, target } = saved;
      const sheet = worksheet({ recipe, kitchen, target: target ?? homeTarget(recipe, book, kitchen) }, book);
      if (!isDryRun) await store.create(saved);
      report.push({
        ...saved,
        lines: recipe.lines.length,
        steps: recipe.steps.length,
        decisions: decisionsOf(sheet).length + (needsPortions ? 1 : 0),
        needsPortions,
        isNameTaken: names.has(recipe.name),
      });
      // A book of recipes is many worksheets: others get their turn between them.
      await new Promise((done) => setImmediate(done));
    }
    return context.json({ format, recipes: report }, isDryRun ? 200 : 201);
  });
}
