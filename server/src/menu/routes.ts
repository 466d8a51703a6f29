/** The menu against the declarable allergens, on screen and as a table. */
import { asFile, CSV } from '../http/files';
import { type Route, route } from '../http/route';
import { listOf, ofKitchen, tellingAll } from '../http/words';
import type { Store } from '../store';
import { menuCsv, menuRows } from './menu';

export const menuRoutes = (store: Store): Route[] => [
  route({
    method: 'get',
    path: '/api/menu',
    summary: 'Every dish of a kitchen against every allergen, with where each comes from',
    query: ofKitchen,
    answer: listOf(tellingAll('recipeId', 'name', 'parentId', 'cells', 'energy')),
    answers: 'A row a dish',
    example: { query: { kitchenId: 'pebble-school' } },
    run: ({ query }) => menuRows(query.kitchenId, store),
  }),
  route({
    method: 'get',
    path: '/api/menu.csv',
    summary: 'The same as a table, a dish a row, an allergen a column',
    query: ofKitchen,
    file: [CSV],
    answers: 'A CSV file',
    example: { query: { kitchenId: 'pebble-school' } },
    run: async ({ query, context }) => {
      asFile(context, 'menu-allergens.csv', CSV);
      return context.body(menuCsv(await menuRows(query.kitchenId, store)));
    },
  }),
];
