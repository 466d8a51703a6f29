/** A dish served free from something: plans, versions, the nearest free dish. */
import Joi from 'joi';
import { type Route, route } from '../http/route';
import { listOf, telling, tellingAll } from '../http/words';
import type { Store } from '../store';
import { computeNearest, computeSwaps, computeVersions } from '../worksheets/compute';
import { worksheetAnswer } from '../worksheets/routes';
import { swapsRequest, versionsRequest } from './schemas';

const plan = telling({
  penalty: Joi.number().required(),
  swaps: listOf(tellingAll('lineId', 'from', 'to', 'hint')).required(),
  worksheet: worksheetAnswer.required(),
});

const WITHOUT_WHEAT = { recipeId: 'caraway-flatbread', kitchenId: 'alder-ward', exclude: ['gluten'] };

export const swapRoutes = (store: Store): Route[] => [
  route({
    method: 'post',
    path: '/api/swaps',
    summary: 'The best plans to serve a recipe free from some allergens',
    body: swapsRequest,
    answer: telling({ plans: listOf(plan).required(), blockedBy: Joi.array().required() }),
    answers: 'Plans, best first, or the lines that block every plan',
    example: { body: { ...WITHOUT_WHEAT, policy: { mayContain: 'refuse', check: 'accept' } } },
    run: ({ body }) => computeSwaps(body, store),
  }),
  route({
    method: 'post',
    path: '/api/nearest-free',
    summary: 'The dishes of the book that are free from something as they are, nearest to a dish first',
    body: swapsRequest,
    answer: listOf(tellingAll('recipeId', 'name', 'likeness')).max(3),
    answers: 'At most three dishes, each with its likeness',
    example: { body: { ...WITHOUT_WHEAT, policy: { mayContain: 'accept', check: 'accept' } } },
    run: ({ body }) => computeNearest(body, store),
  }),
  route({
    method: 'post',
    path: '/api/versions',
    summary:
      'One version of a dish that all groups of diners can eat, and the fewest versions that cover them',
    body: versionsRequest,
    answer: tellingAll('single', 'fewest'),
    answers: 'The single version or what blocks it, and the fewest versions with their portions',
    example: {
      body: {
        recipeId: 'celeriac-bean-bake',
        kitchenId: 'alder-ward',
        groups: [
          { id: 'everyone', name: 'Everyone', exclude: [], portions: 40 },
          { id: 'no-soy', name: 'No soy', exclude: ['soy'], portions: 6 },
        ],
      },
    },
    run: ({ body }) => computeVersions(body, store),
  }),
];
