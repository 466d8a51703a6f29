/** The OpenAPI 3.1 document, made from the Joi schemas that check the requests, so that it cannot drift. */
import type Joi from 'joi';
import joiToSwagger from 'joi-to-swagger';
import { ERRORS } from './errors';
import {
  packRequest,
  parseRequest,
  savedRecipe,
  swapsRequest,
  weightRequest,
  worksheetRequest,
} from './schemas';

interface Operation {
  method: 'get' | 'post' | 'put' | 'delete';
  path: string;
  summary: string;
  body?: Joi.Schema;
  answers: string;
}

const OPERATIONS: readonly Operation[] = [
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
    summary: 'The per-serving label as PDF; DRAFT until every decision is taken',
    body: worksheetRequest,
    answers: 'A PDF file',
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
