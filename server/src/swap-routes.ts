/** Swaps over HTTP: plans, versions, the nearest free dish, and a kitchen's own swaps and ratings. */
import type { Hono } from 'hono';
import type { SwapEntry, SwapRating } from '@hand-ladle/core';
import {
  computeNearest,
  computeSwaps,
  computeVersions,
  type SwapsRequest,
  type VersionsRequest,
} from './compute';
import { ApiError } from './errors';
import { bodyOf } from './request';
import { checked, swapsRequest } from './schemas';
import { ratingRequest, swapEntry, versionsRequest } from './swap-schemas';
import type { Store } from './store';

export function addSwapRoutes(app: Hono, store: Store): void {
  app.post('/api/swaps', async (context) => {
    const request = checked<SwapsRequest>(swapsRequest, await bodyOf(context));
    return context.json(await computeSwaps(request, store));
  });
  app.post('/api/nearest-free', async (context) => {
    const request = checked<SwapsRequest>(swapsRequest, await bodyOf(context));
    return context.json(await computeNearest(request, store));
  });
  app.post('/api/versions', async (context) => {
    const request = checked<VersionsRequest>(versionsRequest, await bodyOf(context));
    return context.json(await computeVersions(request, store));
  });
  app.post('/api/kitchens/:id/swaps', async (context) => {
    const swap = checked<SwapEntry>(swapEntry, await bodyOf(context));
    return context.json(await store.createSwap(context.req.param('id'), swap), 201);
  });
  app.put('/api/kitchens/:id/swaps/:swapId', async (context) => {
    const swap = checked<SwapEntry>(swapEntry, await bodyOf(context));
    const { id, swapId } = context.req.param();
    if (swap.id !== swapId) throw new ApiError('bad-request');
    return context.json(await store.saveSwap(id, swap));
  });
  app.delete('/api/kitchens/:id/swaps/:swapId', async (context) => {
    const { id, swapId } = context.req.param();
    return context.json(await store.removeSwap(id, swapId));
  });
  app.post('/api/kitchens/:id/ratings', async (context) => {
    const rating = checked<SwapRating>(ratingRequest, await bodyOf(context));
    return context.json(await store.rateSwap(context.req.param('id'), rating), 201);
  });
}
