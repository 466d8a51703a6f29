/** The book of recipes over HTTP. */
import Joi from 'joi';
import { ApiError } from '../http/errors';
import { type Route, route } from '../http/route';
import { id, listOf, telling, tellingAll } from '../http/words';
import { recipe, savedRecipe } from './schemas';
import type { RecipeStore } from './store';

const saved = telling({
  recipe: recipe.required(),
  target: Joi.object().unknown().allow(null).required(),
  vesselIds: listOf(Joi.string()).required(),
  version: Joi.number().integer().min(1).required(),
});

/** A dish of two lines, as the book keeps it. */
const LEEK_BARLEY = {
  id: 'leek-barley',
  name: 'Leek barley',
  portions: 4,
  portionGrams: null,
  measuredYieldGrams: null,
  lines: [
    {
      id: 'l1',
      text: '250 g pearl barley',
      reading: {
        amountKind: 'exact',
        measures: [
          {
            value: 250,
            low: 250,
            high: 250,
            unit: 'g',
            size: 'medium',
            heaping: 'level',
            packGrams: null,
          },
        ],
        amountText: '250 g',
        statedGrams: null,
        foodId: 'pearl-barley',
        foodText: 'pearl barley',
        confidence: 1,
        otherFoodIds: [],
        alternativeIds: [],
        form: '',
        stateOpen: false,
        optional: false,
        purpose: null,
        part: '',
        findings: [],
      },
      answers: {},
    },
  ],
  steps: [],
  parentId: null,
  swaps: [],
  freeFrom: [],
  isComponent: false,
};

export const recipeRoutes = (recipes: RecipeStore): Route[] => [
  route({
    method: 'get',
    path: '/api/components',
    summary: 'Recipes used in other recipes',
    answer: listOf(recipe),
    answers: 'Recipes',
    example: {},
    run: () => recipes.components(),
  }),
  route({
    method: 'post',
    path: '/api/recipes',
    summary: 'Puts a new dish in the book',
    body: savedRecipe,
    status: 201,
    answer: saved,
    answers: 'The dish',
    example: { body: { recipe: LEEK_BARLEY, target: null, version: 0 } },
    run: ({ body }) => recipes.create(body),
  }),
  route({
    method: 'get',
    path: '/api/recipes/:id',
    summary: 'One dish',
    params: { id },
    answer: saved,
    answers: 'The dish with its version',
    example: { params: { id: 'caraway-flatbread' } },
    run: ({ params }) => recipes.recipe(params.id),
  }),
  route({
    method: 'put',
    path: '/api/recipes/:id',
    summary: 'Saves a dish over the version that was read',
    params: { id },
    body: savedRecipe,
    answer: saved,
    answers: 'The dish with its new version',
    example: {
      params: { id: 'leek-barley' },
      body: { recipe: { ...LEEK_BARLEY, portions: 6 }, target: null, version: 1 },
    },
    run: ({ params, body }) => {
      if (body.recipe.id !== params.id) throw new ApiError('bad-request');
      return recipes.save(body);
    },
  }),
  route({
    method: 'delete',
    path: '/api/recipes/:id',
    summary: 'Takes a dish out of the book',
    params: { id },
    answer: tellingAll('removed'),
    answers: 'Its id',
    example: { params: { id: 'leek-barley' } },
    run: async ({ params }) => {
      await recipes.remove(params.id);
      return { removed: params.id };
    },
  }),
  route({
    method: 'post',
    path: '/api/recipes/:id/restore',
    summary: 'Puts it back',
    params: { id },
    answer: saved,
    answers: 'The dish',
    example: { params: { id: 'leek-barley' } },
    run: ({ params }) => recipes.restore(params.id),
  }),
];
