/** From a request to an opening: the dish as it is, or the version of a service that is cooked. */
import { homeTarget, type Kitchen } from '@hand-ladle/core';
import { ApiError } from '../http/errors';
import { eatenIn, groundOf } from '../serving/compute';
import type { ServiceStore } from '../serving/store';
import type { StockStore } from '../stock/store';
import type { Store } from '../store';
import type { NewBatch } from './schemas';
import type { Opening } from './store';

export interface OpenParts {
  store: Store;
  services: ServiceStore;
  stock: StockStore;
  /** The day it is in a kitchen. */
  today: (kitchen: Kitchen) => string;
}

async function ofService(body: NewBatch, { store, services, stock, today }: OpenParts): Promise<Opening> {
  const { service } = await services.find(body.serviceId!);
  if (body.kitchenId !== undefined && body.kitchenId !== service.kitchenId)
    throw new ApiError('batch-refused', [{ message: 'that service is of another kitchen' }]);
  const ground = await groundOf(service, store, stock);
  const versions = (await eatenIn(ground)).flatMap((dish) =>
    dish.recipeId === body.recipeId || body.versionKey !== undefined ? dish.versions : [],
  );
  const version =
    body.versionKey === undefined
      ? (versions.find(({ exclude }) => exclude.length === 0) ?? versions[0])
      : versions.find(({ key }) => key === body.versionKey);
  if (!version) {
    // A component of the service is cooked by itself, for all that needs it.
    if (body.versionKey === undefined)
      return { ...(await plain(body, { store, today })), ...served(service) };
    throw new ApiError('batch-refused', [{ message: `that service makes no "${body.versionKey}"` }]);
  }
  const ids = new Set(version.servings.map(({ groupId }) => groupId));
  const policies = ground.kitchen.diners.flatMap(({ id, policy }) =>
    ids.has(id) ? [policy ?? ground.kitchen.policy] : [],
  );
  return {
    input: {
      recipe: version.recipe,
      kitchen: ground.kitchen,
      target: body.target ?? version.sheet.target,
      ...(body.vesselIds ? { vesselIds: body.vesselIds } : {}),
    },
    book: ground.book,
    ...served(service),
    clientId: body.clientId ?? null,
    groups: [...new Set(version.servings.map(({ groupName }) => groupName))],
    claim: version.exclude,
    policy: {
      mayContain: policies.every(({ mayContain }) => mayContain === 'accept') ? 'accept' : 'refuse',
      check: policies.every(({ check }) => check === 'accept') ? 'accept' : 'refuse',
    },
    heads: version.portions,
    openedBy: body.openedBy,
    madeOn: today(ground.kitchen),
  };
}

const served = ({ id, meal, date }: { id: string; meal: string; date: string }) => ({
  serviceId: id,
  serviceName: `${meal}, ${date}`,
});

async function plain(body: NewBatch, { store, today }: Pick<OpenParts, 'store' | 'today'>): Promise<Opening> {
  const kitchen = await store.kitchens.kitchen(body.kitchenId);
  const book = await store.recipes.book();
  const saved = await store.recipes.recipe(body.recipeId);
  const { recipe } = saved;
  const target = body.target ?? saved.target ?? homeTarget(recipe, book, kitchen);
  return {
    input: { recipe, kitchen, target, vesselIds: body.vesselIds ?? saved.vesselIds },
    book,
    clientId: body.clientId ?? null,
    serviceId: null,
    serviceName: '',
    groups: [],
    claim: recipe.freeFrom,
    policy: kitchen.policy,
    heads: null,
    openedBy: body.openedBy,
    madeOn: today(kitchen),
  };
}

export const openingOf = (body: NewBatch, parts: OpenParts): Promise<Opening> =>
  body.serviceId === undefined ? plain(body, parts) : ofService(body, parts);
