/** What a service takes out of store, all of it or nothing, and puts back. */
import { demandOf, takenFor } from '@hand-ladle/core';
import { ApiError } from '../http/errors';
import { type Route, route } from '../http/route';
import { tellingAll } from '../http/words';
import type { StockStore } from '../stock/store';
import type { Store } from '../store';
import { eatenIn, groundOf } from './compute';
import { savedTold, type ServiceStore } from './store';

/** The example of both is the service that `POST /api/services` answers with. */
const NEW = 'POST /api/services';

export interface TakingParts {
  services: ServiceStore;
  stock: StockStore;
  store: Store;
}

export const takingRoutes = ({ services, stock, store }: TakingParts): Route[] => [
  route({
    method: 'post',
    path: '/api/services/:id/take-out',
    summary: 'Takes out of store what the service needs of it, first to expire first: all of it or nothing',
    answer: tellingAll('id', 'taken', 'version'),
    answers: 'The service with what was taken',
    example: { params: { id: NEW } },
    run: async ({ params }) => {
      const { service, version } = await services.find(params.id);
      if (service.taken.length > 0) throw new ApiError('stock-taken');
      const ground = await groundOf(service, store, stock);
      const taken = takenFor(demandOf(await eatenIn(ground), ground));
      return stock.inOne(async (transaction) => {
        await stock.move(taken, 'out', transaction);
        return savedTold(await services.save({ ...service, taken }, version, transaction));
      });
    },
  }),
  route({
    method: 'post',
    path: '/api/services/:id/put-back',
    summary: 'Puts back what was taken out of store for a service',
    answer: tellingAll('id', 'taken', 'version'),
    answers: 'The service with nothing taken',
    example: { params: { id: NEW } },
    run: async ({ params }) => {
      const { service, version } = await services.find(params.id);
      return stock.inOne(async (transaction) => {
        await stock.move(service.taken, 'back', transaction);
        return savedTold(await services.save({ ...service, taken: [] }, version, transaction));
      });
    },
  }),
];
