/** The OpenAPI 3.1 document, made from the Joi schemas that check the requests, so that it cannot drift. */
import type Joi from 'joi';
import joiToSwagger from 'joi-to-swagger';
import { ERRORS } from './errors';
import { IMPORT_OPERATIONS } from './imports/operations';
import { LABEL_OPERATIONS } from './label-operations';
import { ratingRequest, swapEntry, versionsRequest } from './swap-schemas';
import { kitchenRequest, newKitchenRequest } from './kitchen-schemas';
import {
  batchSheetRequest,
  demandRequest,
  foodRequest,
  nameRequest,
  parseRequest,
  savedRecipe,
  swapsRequest,
  weightRequest,
  worksheetRequest,
} from './schemas';
import { confirmManyRequest, confirmRequest, packRequest } from './pack-schemas';

export interface Operation {
  method: 'get' | 'post' | 'put' | 'delete';
  path: string;
  summary: string;
  body?: Joi.Schema;
  answers: string;
}

const OPERATIONS: readonly Operation[] = [
  ...LABEL_OPERATIONS,
  ...IMPORT_OPERATIONS,
  {
    method: 'post',
    path: '/api/portion',
    summary: "One portion: plate check, nutrients to watch, school credits, ways to the kitchen's targets",
    body: worksheetRequest,
    answers: 'Plate, watch list, credits, targets',
  },
  {
    method: 'get',
    path: '/api/health',
    summary: 'Whether the server and its database answer',
    answers: 'Health',
  },
  {
    method: 'post',
    path: '/api/parse',
    summary: 'Reads a recipe as people write it into lines with food, amount and grams',
    body: parseRequest,
    answers: 'The lines, the steps and what is unsure about them',
  },
  {
    method: 'post',
    path: '/api/worksheet',
    summary: 'Batch weights, allergens, nutrition and label of a recipe for a target',
    body: worksheetRequest,
    answers: 'The worksheet: every figure the screen and the label show',
  },
  {
    method: 'post',
    path: '/api/swaps',
    summary: 'The best plans to serve a recipe free from some allergens',
    body: swapsRequest,
    answers: 'Plans, best first, or the lines that block every plan',
  },
  {
    method: 'post',
    path: '/api/label.pdf',
    summary: 'The per-serving label as PDF; DRAFT, because only a released one is printed without',
    body: worksheetRequest,
    answers: 'A PDF file',
  },
  {
    method: 'post',
    path: '/api/nearest-free',
    summary: 'The dishes of the book that are free from something as they are, nearest to a dish first',
    body: swapsRequest,
    answers: 'At most three dishes, each with its likeness',
  },
  {
    method: 'post',
    path: '/api/versions',
    summary:
      'One version of a dish that all groups of diners can eat, and the fewest versions that cover them',
    body: versionsRequest,
    answers: 'The single version or what blocks it, and the fewest versions with their portions',
  },
  {
    method: 'get',
    path: '/api/menu',
    summary: 'Every dish of a kitchen against every allergen, with where each comes from',
    answers: 'A row a dish',
  },
  {
    method: 'get',
    path: '/api/menu.csv',
    summary: 'The same as a table, a dish a row, an allergen a column',
    answers: 'A CSV file',
  },
  {
    method: 'post',
    path: '/api/batch-sheet.pdf',
    summary:
      'The batch sheet of a dish on one page: weights by load in order of use, times, allergens in words',
    body: batchSheetRequest,
    answers: 'A PDF file',
  },
  {
    method: 'post',
    path: '/api/demand',
    summary: 'The components that several dishes need together, each made once',
    body: demandRequest,
    answers: 'Components with their need, batch, loads and surplus',
  },
  {
    method: 'get',
    path: '/api/equipment',
    summary: 'Sets of machines, scales and pans to start a kitchen from',
    answers: 'Equipment sets',
  },
  {
    method: 'post',
    path: '/api/kitchens',
    summary: 'A new kitchen',
    body: newKitchenRequest,
    answers: 'The kitchen and its version',
  },
  {
    method: 'get',
    path: '/api/kitchens/{id}',
    summary: 'One kitchen with its version',
    answers: 'The kitchen and its version',
  },
  {
    method: 'put',
    path: '/api/kitchens/{id}',
    summary: "Saves a kitchen's settings over the version that was read",
    body: kitchenRequest,
    answers: 'The kitchen with its new version',
  },
  { method: 'get', path: '/api/larder', summary: 'All foods and swaps', answers: 'Foods and swaps' },
  {
    method: 'get',
    path: '/api/kitchens',
    summary: 'All kitchens with their packs and weights',
    answers: 'Kitchens',
  },
  { method: 'get', path: '/api/components', summary: 'Recipes used in other recipes', answers: 'Recipes' },
  { method: 'get', path: '/api/recipes', summary: 'All dishes, each in one line', answers: 'Digests' },
  {
    method: 'post',
    path: '/api/recipes',
    summary: 'Puts a new dish in the book',
    body: savedRecipe,
    answers: 'The dish',
  },
  { method: 'get', path: '/api/recipes/{id}', summary: 'One dish', answers: 'The dish with its version' },
  {
    method: 'put',
    path: '/api/recipes/{id}',
    summary: 'Saves a dish over the version that was read',
    body: savedRecipe,
    answers: 'The dish with its new version',
  },
  { method: 'delete', path: '/api/recipes/{id}', summary: 'Takes a dish out of the book', answers: 'Its id' },
  { method: 'post', path: '/api/recipes/{id}/restore', summary: 'Puts it back', answers: 'The dish' },
  {
    method: 'put',
    path: '/api/kitchens/{id}/packs/{foodId}',
    summary: 'Records what the pack of a food says',
    body: packRequest,
    answers: 'The kitchen',
  },
  {
    method: 'post',
    path: '/api/kitchens/{id}/weights',
    summary: "Keeps the kitchen's own weight for a word and a food",
    body: weightRequest,
    answers: 'The kitchen',
  },
  {
    method: 'get',
    path: '/api/kitchens/{id}/packs-to-read',
    summary: 'Packs that nobody has read or confirmed, in the order in which reading them settles dishes',
    answers: 'Foods, their packs, the dishes they stand in, and how many of them one reading settles',
  },
  {
    method: 'post',
    path: '/api/kitchens/{id}/packs/confirm',
    summary: 'Says yes to several packs whose sheets a person has read',
    body: confirmManyRequest,
    answers: 'What was confirmed, what was refused and why, and the kitchen',
  },
  {
    method: 'post',
    path: '/api/kitchens/{id}/packs/{foodId}/confirm',
    summary: 'Says yes to a changed statement, by name and date',
    body: confirmRequest,
    answers: 'The kitchen',
  },
  {
    method: 'delete',
    path: '/api/kitchens/{id}/packs/{foodId}',
    summary: 'A pack that is no longer bought: it stands unconfirmed, and nothing becomes clear by it',
    answers: 'The kitchen',
  },
  {
    method: 'post',
    path: '/api/kitchens/{id}/swaps',
    summary: "A swap of the kitchen's own",
    body: swapEntry,
    answers: 'The kitchen',
  },
  {
    method: 'put',
    path: '/api/kitchens/{id}/swaps/{swapId}',
    summary: "Changes a swap of the kitchen's own; variants that use it follow",
    body: swapEntry,
    answers: 'The kitchen',
  },
  {
    method: 'delete',
    path: '/api/kitchens/{id}/swaps/{swapId}',
    summary: "Forgets a swap of the kitchen's own that no dish uses",
    answers: 'The kitchen',
  },
  {
    method: 'post',
    path: '/api/kitchens/{id}/ratings',
    summary: 'How a swap tasted once it was cooked; it moves its closeness',
    body: ratingRequest,
    answers: 'The kitchen',
  },
  {
    method: 'get',
    path: '/api/kitchens/{id}/products.csv',
    summary: 'What a kitchen buys, as a supplier list that can be taken in again',
    answers: 'A CSV file',
  },
  {
    method: 'post',
    path: '/api/kitchens/{id}/names',
    summary: 'Ties a name, as this kitchen writes it, to a food',
    body: nameRequest,
    answers: 'The kitchen',
  },
  {
    method: 'get',
    path: '/api/recipes/{file}',
    summary: 'One dish as a file: ID.json (JSON-LD), ID.md or ID.csv',
    answers: 'A file',
  },
  {
    method: 'get',
    path: '/api/recipes.json',
    summary: 'All dishes as schema.org JSON-LD',
    answers: 'A file',
  },
  { method: 'get', path: '/api/recipes.md', summary: 'All dishes as Markdown', answers: 'A file' },
  { method: 'get', path: '/api/recipes.csv', summary: 'All dishes as one table', answers: 'A file' },
  {
    method: 'post',
    path: '/api/recipes/import',
    summary:
      'Takes recipes in from JSON-LD, a web page, Markdown, a table or plain text (Content-Type says which; ?dryRun=true only reports)',
    answers: 'What was found in the document, and what is open about each',
  },
  {
    method: 'get',
    path: '/api/foods.csv',
    summary: 'The larder, one food a row, headings with units',
    answers: 'A CSV file',
  },
  {
    method: 'post',
    path: '/api/foods.csv',
    summary: 'Imports the same table: all accepted rows or none',
    answers: 'The report, with every row refused and why',
  },
  {
    method: 'get',
    path: '/api/foods/{id}',
    summary: 'One food, its version and the dishes that use it',
    answers: 'The food',
  },
  { method: 'post', path: '/api/foods', summary: 'A new food', body: foodRequest, answers: 'The food' },
  {
    method: 'put',
    path: '/api/foods/{id}',
    summary: 'Saves a food over the version that was read',
    body: foodRequest,
    answers: 'The food',
  },
];

const ERROR_SCHEMA = {
  type: 'object',
  required: ['error'],
  properties: {
    error: {
      type: 'object',
      required: ['code', 'message', 'details'],
      properties: {
        code: { type: 'string', enum: Object.keys(ERRORS) },
        message: { type: 'string' },
        details: { type: 'array', items: {} },
      },
    },
  },
};

function operationObject({ path, summary, body, answers }: Operation) {
  const parameters = [...path.matchAll(/\{(\w+)\}/g)].map(([, name]) => ({
    name,
    in: 'path',
    required: true,
    schema: { type: 'string' },
  }));
  const isPdf = path.endsWith('.pdf');
  return {
    summary,
    ...(parameters.length > 0 ? { parameters } : {}),
    ...(body
      ? {
          requestBody: {
            required: true,
            content: { 'application/json': { schema: joiToSwagger(body).swagger } },
          },
        }
      : {}),
    responses: {
      '200': { description: answers, content: { [isPdf ? 'application/pdf' : 'application/json']: {} } },
      default: {
        description: 'What went wrong, as a code and a sentence',
        content: { 'application/json': { schema: ERROR_SCHEMA } },
      },
    },
  };
}

export function openApiDocument(version: string) {
  const paths: Record<string, Record<string, unknown>> = {};
  for (const operation of OPERATIONS) {
    paths[operation.path] = { ...paths[operation.path], [operation.method]: operationObject(operation) };
  }
  return { openapi: '3.1.0', info: { title: 'Hand Ladle', version }, paths };
}

const escaped = (text: string): string =>
  text.replace(/[&<>"]/g, (mark) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' })[mark]!);

/** The same document as a page to read, without any script. */
export function apiPage(version: string): string {
  const sections = OPERATIONS.map((operation) => {
    const body = operation.body ? JSON.stringify(joiToSwagger(operation.body).swagger, null, 2) : '';
    return `<section><h2><code>${operation.method.toUpperCase()} ${escaped(operation.path)}</code></h2>
<p>${escaped(operation.summary)}. Answers: ${escaped(operation.answers)}.</p>${
      body ? `<details><summary>Request body</summary><pre>${escaped(body)}</pre></details>` : ''
    }</section>`;
  });
  const errors = Object.entries(ERRORS).map(
    ([code, { status, message }]) => `<li><code>${code}</code> ${status}: ${escaped(message)}</li>`,
  );
  return `<!doctype html><html lang="en"><meta charset="utf-8"><title>Hand Ladle API ${version}</title>
<style>body{font:16px/1.5 sans-serif;max-width:60rem;margin:2rem auto;padding:0 1rem}pre{overflow:auto}</style>
<h1>Hand Ladle API ${version}</h1><p>As data: <a href="/api/openapi.json">/api/openapi.json</a></p>
${sections.join('\n')}<h2>Errors</h2><ul>${errors.join('')}</ul></html>`;
}
