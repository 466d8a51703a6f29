/** A kitchen's own swaps and ratings over HTTP. */
import { ApiError } from '../http/errors';
import { type Route, route } from '../http/route';
import { id } from '../http/words';
import type { OwnSwapStore } from './own-swaps';
import { kitchenAnswer } from './routes';
import { ratingRequest, swapEntry } from './swap-schemas';

const SWAP = {
  id: 'alder-barley-millet',
  fromId: 'pearl-barley',
  function: 'body',
  to: [{ foodId: 'millet', ratio: 0.9 }],
  waterRatio: 0,
  hint: 'Rinse the millet well',
  taste: 0.7,
  texture: 0.7,
  limits: { notFor: [], onlyFor: [], mostShare: null },
};

export const ownSwapRoutes = (ownSwaps: OwnSwapStore): Route[] => [
  route({
    method: 'post',
    path: '/api/kitchens/:id/swaps',
    summary: "A swap of the kitchen's own",
    params: { id },
    body: swapEntry,
    status: 201,
    answer: kitchenAnswer,
    answers: 'The kitchen',
    example: { params: { id: 'alder-ward' }, body: SWAP },
    run: ({ params, body }) => ownSwaps.create(params.id, body),
  }),
  route({
    method: 'put',
    path: '/api/kitchens/:id/swaps/:swapId',
    summary: "Changes a swap of the kitchen's own; variants that use it follow",
    params: { id, swapId: id },
    body: swapEntry,
    answer: kitchenAnswer,
    answers: 'The kitchen',
    example: { params: { id: 'alder-ward', swapId: SWAP.id }, body: { ...SWAP, texture: 0.6 } },
    run: ({ params, body }) => {
      if (body.id !== params.swapId) throw new ApiError('bad-request');
      return ownSwaps.save(params.id, body);
    },
  }),
  route({
    method: 'post',
    path: '/api/kitchens/:id/ratings',
    summary: 'How a swap tasted once it was cooked; it moves its closeness',
    params: { id },
    body: ratingRequest,
    status: 201,
    answer: kitchenAnswer,
    answers: 'The kitchen',
    example: {
      params: { id: 'alder-ward' },
      body: { swapId: SWAP.id, taste: 0.8, texture: 0.5, ratedBy: 'Ila', ratedOn: '2026-11-20' },
    },
    run: ({ params, body }) => ownSwaps.rate(params.id, body),
  }),
  route({
    method: 'delete',
    path: '/api/kitchens/:id/swaps/:swapId',
    summary: "Forgets a swap of the kitchen's own that no dish uses",
    params: { id, swapId: id },
    answer: kitchenAnswer,
    answers: 'The kitchen',
    example: { params: { id: 'alder-ward', swapId: SWAP.id } },
    run: ({ params }) => ownSwaps.remove(params.id, params.swapId),
  }),
];
