/** Labels on their way out of the kitchen over HTTP: handed in, checked, released, taken back. */
import Joi from 'joi';
import type { Role } from '@hand-ladle/core';
import { type Route, route } from '../http/route';
import { id, listOf, tellingAll } from '../http/words';
import { type Releases, withoutInputs } from './releases';
import { actRequest, newReleaseRequest } from './schemas';

const listed = tellingAll('id', 'recipeId', 'kitchenId', 'kind', 'state', 'isStale', 'openPoints', 'version');
const label = listed.keys({ label: Joi.object().unknown().required(), claims: Joi.array().required() });

/** Each step on the way, who may take it, and what it makes of the label. */
const STEPS = [
  ['check', 'checked', 'checker', 'Checks a draft; refused while anything is open or stale'],
  ['release', 'released', 'manager', 'Releases a checked label'],
  ['withdraw', 'withdrawn', 'checker', 'Takes a label back'],
] as const satisfies readonly (readonly [string, string, Role, string])[];

export const labelRoutes = (releases: Releases): Route[] => [
  route({
    method: 'get',
    path: '/api/labels',
    summary: 'Labels on their way out, each with what changed since',
    query: Joi.object<{ kitchenId?: string; recipeId?: string }>({ kitchenId: id, recipeId: id }),
    answer: listOf(listed),
    answers: 'Labels',
    example: { query: { kitchenId: 'alder-ward' } },
    run: ({ query }) => releases.list(query.kitchenId, query.recipeId),
  }),
  route({
    method: 'post',
    path: '/api/labels',
    summary: 'Hands a label in as a draft',
    role: 'editor',
    body: newReleaseRequest,
    status: 201,
    answer: label,
    answers: 'The label',
    example: { body: { recipeId: 'caraway-flatbread', kitchenId: 'alder-ward', kind: 'serving' } },
    run: async ({ body, by }) => withoutInputs(await releases.draft(body, by)),
  }),
  route({
    method: 'get',
    path: '/api/labels/:id',
    summary: 'One label with its figures and claims',
    answer: label,
    answers: 'The label',
    example: { params: { id: 'POST /api/labels' } },
    run: async ({ params }) => withoutInputs(await releases.release(params.id)),
  }),
  route({
    method: 'get',
    path: '/api/labels/:id/inputs',
    summary: 'The exact inputs a label was frozen with',
    answer: tellingAll('recipe', 'components', 'foods', 'swaps', 'kitchen', 'target'),
    answers: 'Recipe, components, foods, swaps, kitchen, target',
    example: { params: { id: 'POST /api/labels' } },
    run: async ({ params }) => (await releases.release(params.id)).inputs,
  }),
  ...STEPS.map(([act, to, role, summary], index) =>
    route({
      method: 'post',
      path: `/api/labels/:id/${act}`,
      summary,
      role,
      body: actRequest,
      answer: label,
      answers: 'The label',
      example: { params: { id: 'POST /api/labels' }, body: { version: index + 1 } },
      run: async ({ params, body, by }) =>
        withoutInputs(await releases.step(params.id, to, body.version, by)),
    }),
  ),
];
