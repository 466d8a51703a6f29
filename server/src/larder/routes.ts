/** The larder over HTTP: all foods, and one that a person edits. */
import Joi from 'joi';
import { ApiError } from '../http/errors';
import { type Route, route } from '../http/route';
import { id, listOf, telling, tellingAll } from '../http/words';
import { SEA_BEET } from './example';
import { food, foodRequest } from './schemas';
import type { LarderStore } from './store';

const saved = { food: food.required(), version: Joi.number().integer().min(1).required() };

/** Who uses a food: the book knows. */
type UsersOf = (id: string) => Promise<{ id: string; name: string }[]>;

export const larderRoutes = (larder: LarderStore, usersOf: UsersOf): Route[] => [
  route({
    method: 'get',
    path: '/api/larder',
    summary: 'All foods and swaps',
    answer: telling({
      foods: listOf(food).required(),
      swaps: listOf(tellingAll('id', 'fromId', 'to')).required(),
    }),
    answers: 'Foods and swaps',
    example: {},
    run: () => larder.all(),
  }),
  route({
    method: 'get',
    path: '/api/foods/:id',
    summary: 'One food, its version and the dishes that use it',
    params: { id },
    answer: telling({ ...saved, usedIn: listOf(tellingAll('id', 'name')).required() }),
    answers: 'The food',
    example: { params: { id: 'pearl-barley' } },
    run: async ({ params }) => {
      const found = await larder.food(params.id);
      return { ...found, usedIn: await usersOf(found.food.id) };
    },
  }),
  route({
    method: 'post',
    path: '/api/foods',
    summary: 'A new food',
    body: foodRequest,
    status: 201,
    answer: telling(saved),
    answers: 'The food',
    example: { body: { food: SEA_BEET } },
    run: ({ body }) => larder.create(body.food),
  }),
  route({
    method: 'put',
    path: '/api/foods/:id',
    summary:
      'Saves a food over the version that was read. It may say more of an allergen than before, never less',
    params: { id },
    body: foodRequest,
    answer: telling(saved),
    answers: 'The food',
    example: {
      params: { id: SEA_BEET.id },
      body: { food: { ...SEA_BEET, synonyms: ['wild spinach'] }, version: 2 },
    },
    run: ({ params, body }) => {
      if (body.food.id !== params.id) throw new ApiError('bad-request');
      return larder.save(body);
    },
  }),
];
