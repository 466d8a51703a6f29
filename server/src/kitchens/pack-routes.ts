/** Packs over HTTP: what each says, who confirmed it, which are to be read. */
import { packsToRead } from '@hand-ladle/core';
import { type Route, route } from '../http/route';
import { id, listOf, tellingAll } from '../http/words';
import type { RecipeStore } from '../recipes/store';
import { confirmManyRequest, confirmRequest, packRequest } from './pack-schemas';
import type { PackStore } from './packs';
import { kitchenAnswer } from './routes';
import type { KitchenStore } from './store';

const ids = { id, foodId: id };
const READ = { checkedBy: 'Ila', checkedOn: '2026-11-20' };

export const packRoutes = (packs: PackStore, kitchens: KitchenStore, recipes: RecipeStore): Route[] => [
  route({
    method: 'get',
    path: '/api/kitchens/:id/packs-to-read',
    summary: 'Packs that nobody has read or confirmed, in the order in which reading them settles dishes',
    params: { id },
    answer: listOf(tellingAll('foodId')),
    answers: 'Foods, their packs, the dishes they stand in, and how many of them one reading settles',
    example: { params: { id: 'alder-ward' } },
    run: async ({ params }) => {
      const kitchen = await kitchens.kitchen(params.id);
      const all = (await recipes.all()).map(({ recipe }) => recipe);
      return packsToRead(all, await recipes.book(), kitchen);
    },
  }),
  route({
    method: 'post',
    path: '/api/kitchens/:id/packs/confirm',
    summary: 'Says yes to several packs whose sheets a person has read',
    params: { id },
    body: confirmManyRequest,
    answer: tellingAll('confirmed', 'refused', 'kitchen'),
    answers: 'What was confirmed, what was refused and why, and the kitchen',
    example: {
      params: { id: 'alder-ward' },
      body: { packs: [{ foodId: 'firm-tofu', statementVersion: 1 }], ...READ },
    },
    run: async ({ params, body }) => ({
      ...(await packs.confirmAll(params.id, body)),
      kitchen: await kitchens.kitchen(params.id),
    }),
  }),
  route({
    method: 'put',
    path: '/api/kitchens/:id/packs/:foodId',
    summary: 'Records what the pack of a food says',
    params: ids,
    body: packRequest,
    answer: kitchenAnswer,
    answers: 'The kitchen',
    example: {
      params: { id: 'alder-ward', foodId: 'pearl-barley' },
      body: {
        productName: 'Pearl barley 5 kg',
        statement: 'Pearl barley.',
        allergens: { barley: 'contains' },
        certifiedGlutenFree: false,
        ...READ,
      },
    },
    run: ({ params, body }) =>
      packs.record(params.id, {
        ...body,
        foodId: params.foodId,
        statementVersion: 1,
        isConfirmed: true,
        before: null,
      }),
  }),
  route({
    method: 'post',
    path: '/api/kitchens/:id/packs/:foodId/confirm',
    summary: 'Says yes to a changed statement, by name and date',
    params: ids,
    body: confirmRequest,
    answer: kitchenAnswer,
    answers: 'The kitchen',
    example: { params: { id: 'alder-ward', foodId: 'pearl-barley' }, body: READ },
    run: ({ params, body }) => packs.confirm(params.id, params.foodId, body),
  }),
  route({
    method: 'delete',
    path: '/api/kitchens/:id/packs/:foodId',
    summary: 'A pack that is no longer bought: it stands unconfirmed, and nothing becomes clear by it',
    params: ids,
    answer: kitchenAnswer,
    answers: 'The kitchen',
    example: { params: { id: 'alder-ward', foodId: 'pearl-barley' } },
    run: ({ params }) => packs.withdraw(params.id, params.foodId),
  }),
];
