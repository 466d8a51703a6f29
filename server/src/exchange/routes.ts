/** Recipes out to files and in from documents. */
import Joi from 'joi';
import {
  type Book,
  decisionsOf,
  type FoundRecipe,
  homeTarget,
  idFromName,
  worksheet,
} from '@hand-ladle/core';
import { checked } from '../http/checked';
import { ApiError } from '../http/errors';
import { asFile } from '../http/files';
import { type Route, route } from '../http/route';
import { id, listOf, tellingAll } from '../http/words';
import { savedRecipe } from '../recipes/schemas';
import type { Store } from '../store';
import { mustFit } from '../worksheets/compute';
import { type DocumentFormat, documentOf, formatOf, type ReadRecipe, recipesIn } from './documents';

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

/** The kind of document a caller says it sends; null lets the text tell. */
function formatSaid(contentType: string): DocumentFormat | null {
  if (/ld\+json|application\/json/.test(contentType)) return 'json';
  if (contentType.includes('text/html')) return 'html';
  if (contentType.includes('text/csv')) return 'csv';
  if (contentType.includes('text/markdown')) return 'markdown';
  return null;
}

/** Each id in the book once: a recipe that comes again is a new one. */
async function withFreeIds(found: readonly ReadRecipe[], store: Store): Promise<ReadRecipe[]> {
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
async function withParents(found: readonly ReadRecipe[], store: Store): Promise<ReadRecipe[]> {
  const ids = new Set(
    (await store.tables.recipes.findAll({ attributes: ['id'], where: { deletedAt: null } })).map(
      (row) => row.get('id') as string,
    ),
  );
  const swaps = new Set((await store.larder.all()).swaps.map(({ id }) => id));
  return found.map(({ recipe, ...rest }) => ({
    recipe: {
      ...recipe,
      parentId: recipe.parentId !== null && ids.has(recipe.parentId) ? recipe.parentId : null,
      swaps: recipe.swaps.filter(({ swapId }) => swaps.has(swapId)),
    },
    ...rest,
  }));
}

const FORMAT_OF = { json: 'json', md: 'markdown', csv: 'csv' } as const;
type Ending = keyof typeof FORMAT_OF;

/** One dish, and the whole book, as files of a kind. */
const filesOf = (store: Store, ending: Ending): Route[] => {
  const format = FORMAT_OF[ending];
  const type = FILE_TYPES[format];
  return [
    route({
      method: 'get',
      path: `/api/recipes.${ending}`,
      summary: {
        json: 'All dishes as schema.org JSON-LD',
        md: 'All dishes as Markdown',
        csv: 'All dishes as one table',
      }[ending],
      file: [type],
      answers: 'A file',
      example: {},
      run: async ({ context }) => {
        asFile(context, `recipes.${ending}`, type);
        return context.body(documentOf(await store.recipes.all(), format));
      },
    }),
    route({
      method: 'get',
      path: `/api/recipes/:id.${ending}` as '/api/recipes/:id.json',
      summary: {
        json: 'One dish as schema.org JSON-LD',
        md: 'One dish as Markdown',
        csv: 'One dish as a table',
      }[ending],
      params: { id },
      file: [type],
      answers: 'A file',
      example: { params: { id: 'caraway-flatbread' } },
      run: async ({ params, context }) => {
        const saved = await store.recipes.recipe(params.id);
        asFile(context, `${params.id}.${ending}`, type);
        return context.body(documentOf([saved], format));
      },
    }),
  ];
};

/** The recipes of a document, checked like any dish that is saved, before the first one is put in the book. */
async function recipesOf(text: string, format: DocumentFormat, store: Store, book: Book) {
  if (text.trim() === '') throw new ApiError('file-empty');
  if (text.length > MOST_DOCUMENT) throw new ApiError('too-large');
  if (format === 'text') text.split(/^(?:-{3,}|={3,})$/m).forEach(mustFit);
  const all = recipesIn(text, format, book.foods).slice(0, MOST_RECIPES);
  if (all.length === 0) throw new ApiError('no-recipe', [{ format }]);
  const found = await withParents(await withFreeIds(all, store), store);
  return found.map(({ recipe, target, needsPortions }) => ({
    saved: checked(savedRecipe, { recipe, target, vesselIds: [], version: 0 }),
    needsPortions,
  }));
}

interface ImportQuery {
  dryRun: boolean;
  fileName?: string;
  kitchenId?: string;
}

const importQuery = Joi.object<ImportQuery>({
  dryRun: Joi.boolean().default(false).description('Reads and reports, and puts nothing in the book'),
  fileName: Joi.string().max(1000).allow(''),
  kitchenId: id,
});

const importRoute = (store: Store): Route =>
  route({
    method: 'post',
    path: '/api/recipes/import',
    summary:
      'Takes recipes in from JSON-LD, a web page, Markdown, a table or plain text; the Content-Type says which',
    query: importQuery,
    upload: ['text/plain', 'application/ld+json', 'text/html', 'text/markdown', 'text/csv'],
    status: 201,
    answer: tellingAll('format').keys({
      recipes: listOf(tellingAll('recipe', 'decisions', 'needsPortions', 'isNameTaken')).required(),
    }),
    answers: 'What was found in the document, and what is open about each; 200 for a dry run',
    example: { text: 'Sorrel barley\nServes 4\n250 g pearl barley\n100 g sorrel\n800 ml water' },
    run: async ({ query, context }) => {
      const text = await context.req.text();
      const format = formatSaid(context.req.header('Content-Type') ?? '') ?? formatOf(text, query.fileName);
      const book = await store.recipes.book();
      const found = await recipesOf(text, format, store, book);
      const kitchen = await store.kitchens.kitchen(query.kitchenId);
      const names = new Set((await store.recipes.all()).map(({ recipe }) => recipe.name));
      const report: FoundRecipe[] = [];
      for (const { saved, needsPortions } of found) {
        const { recipe, target } = saved;
        const sheet = worksheet(
          { recipe, kitchen, target: target ?? homeTarget(recipe, book, kitchen) },
          book,
        );
        if (!query.dryRun) await store.recipes.create(saved);
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
      return context.json({ format, recipes: report }, query.dryRun ? 200 : 201);
    },
  });

export const exchangeRoutes = (store: Store): Route[] => [
  ...filesOf(store, 'json'),
  ...filesOf(store, 'md'),
  ...filesOf(store, 'csv'),
  importRoute(store),
];
