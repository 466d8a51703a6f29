/** Speaks to the server. Every failure becomes a `ServerError` with a code and a sentence a cook can read. */
import type { Food, Kitchen, KitchenWeight, Pack, Recipe, Regime, SwapEntry, Target } from '@hand-ladle/core';

export interface SavedRecipe {
  recipe: Recipe;
  target: Target | null;
  version: number;
}

export interface Digest {
  id: string;
  name: string;
  isComponent: boolean;
  parentId: string | null;
  freeFrom: string[];
  portions: number;
  portionGrams: number;
  finishedGrams: number;
  contains: string[];
  mayContain: string[];
  check: string[];
  isUnchecked: boolean;
  openCount: number;
  energyKcal: number;
  isEnergyComplete: boolean;
}

export class ServerError extends Error {
  constructor(
    readonly code: string,
    message: string,
    readonly details: unknown[] = [],
  ) {
    super(message);
  }
}

const MOST_KEPT_ALIVE = 60_000;

async function answerOf(path: string, method: string, body?: unknown): Promise<Response> {
  let response: Response;
  try {
    response = await fetch(path, {
      method,
      // A save goes through even when the page is closed behind it (browsers allow this up to 64 kB).
      keepalive: body !== undefined && JSON.stringify(body).length < MOST_KEPT_ALIVE,
      ...(body === undefined
        ? {}
        : { body: JSON.stringify(body), headers: { 'Content-Type': 'application/json' } }),
    });
  } catch {
    throw new ServerError('unreachable', 'The server does not answer. What you did is kept on this screen.');
  }
  if (response.ok) return response;
  const failure = (await response.json().catch(() => null)) as { error?: ServerError } | null;
  const { code = 'internal', message = 'The server could not answer.', details = [] } = failure?.error ?? {};
  throw new ServerError(code, message, details);
}

const call = async <T>(path: string, method = 'GET', body?: unknown): Promise<T> =>
  (await answerOf(path, method, body)).json() as Promise<T>;

const at = (id: string): string => `/api/recipes/${encodeURIComponent(id)}`;

export const server = {
  larder: () => call<{ foods: Food[]; swaps: SwapEntry[] }>('/api/larder'),
  kitchens: () => call<Kitchen[]>('/api/kitchens'),
  components: () => call<Recipe[]>('/api/components'),
  digests: (kitchenId: string) => call<Digest[]>(`/api/recipes?kitchenId=${encodeURIComponent(kitchenId)}`),
  recipe: (id: string) => call<SavedRecipe>(at(id)),
  create: (saved: SavedRecipe) => call<SavedRecipe>('/api/recipes', 'POST', saved),
  save: (saved: SavedRecipe) => call<SavedRecipe>(at(saved.recipe.id), 'PUT', saved),
  remove: (id: string) => call<{ removed: string }>(at(id), 'DELETE'),
  restore: (id: string) => call<SavedRecipe>(`${at(id)}/restore`, 'POST'),
  recordPack: (kitchenId: string, { foodId, ...pack }: Pack) =>
    call<Kitchen>(`/api/kitchens/${kitchenId}/packs/${foodId}`, 'PUT', pack),
  recordWeight: (kitchenId: string, weight: KitchenWeight) =>
    call<Kitchen>(`/api/kitchens/${kitchenId}/weights`, 'POST', weight),
  labelPdf: async (request: {
    recipeId: string;
    target: Target;
    regime: Regime;
    kitchenId: string;
    vesselId?: string;
  }) => (await answerOf('/api/label.pdf', 'POST', request)).blob(),
};
