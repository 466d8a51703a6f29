/** Speaks to the server. Every failure becomes a `ServerError` with a code and a sentence a cook can read. */
import type {
  ComponentBatch,
  Digest,
  EquipmentSet,
  FinishedImport,
  Food,
  FoundRecipe,
  FreeFromPolicy,
  ImportKind,
  ImportView,
  Kitchen,
  KitchenName,
  KitchenSettings,
  KitchenWeight,
  MenuRow,
  NearDish,
  Pack,
  PackToRead,
  Recipe,
  RunRequest,
  SavedFood,
  SavedKitchen,
  SavedRecipe,
  SwapEntry,
  SwapRating,
  Target,
} from '@hand-ladle/core';

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
const NOT_MODIFIED = 304;

async function fetched(path: string, options: RequestInit): Promise<Response> {
  let response: Response;
  try {
    response = await fetch(path, options);
  } catch {
    throw new ServerError('unreachable', 'The server does not answer. What you did is kept on this screen.');
  }
  if (response.ok || response.status === NOT_MODIFIED) return response;
  const failure = (await response.json().catch(() => null)) as { error?: ServerError } | null;
  const { code = 'internal', message = 'The server could not answer.', details = [] } = failure?.error ?? {};
  throw new ServerError(code, message, details);
}

/** One request; failures are thrown as `ServerError`. */
export const answerOf = (path: string, method: string, body?: unknown): Promise<Response> =>
  fetched(path, {
    method,
    // A save goes through even when the page is closed behind it (browsers allow this up to 64 kB).
    keepalive: body !== undefined && JSON.stringify(body).length < MOST_KEPT_ALIVE,
    ...(body === undefined
      ? {}
      : { body: JSON.stringify(body), headers: { 'Content-Type': 'application/json' } }),
  });

export const call = async <T>(path: string, method = 'GET', body?: unknown): Promise<T> =>
  (await answerOf(path, method, body)).json() as Promise<T>;

/** What was read, and the mark by which the server knows it again. */
export interface Marked<T> {
  value: T;
  mark: string;
}

/** Reads what is kept under an address; null where it still is what the mark stands for. */
async function marked<T>(path: string, mark: string): Promise<Marked<T> | null> {
  const response = await fetched(path, {
    cache: 'no-store',
    headers: mark === '' ? {} : { 'If-None-Match': mark },
  });
  const now = response.headers.get('ETag') ?? '';
  if (response.status === NOT_MODIFIED || (now !== '' && now === mark)) return null;
  return { value: (await response.json()) as T, mark: now };
}

const at = (id: string): string => `/api/recipes/${encodeURIComponent(id)}`;

export const server = {
  /** Answers only where the server does: nothing of it is kept by the browser. */
  edition: async (): Promise<string> => (await call<{ edition: string }>('/api/edition')).edition,
  larder: (mark = '') => marked<{ foods: Food[]; swaps: SwapEntry[] }>('/api/larder', mark),
  menu: (kitchenId: string) => call<MenuRow[]>(`/api/menu?kitchenId=${encodeURIComponent(kitchenId)}`),
  equipment: () => call<EquipmentSet[]>('/api/equipment'),
  kitchen: (id: string) => call<SavedKitchen>(`/api/kitchens/${id}`),
  createKitchen: (id: string, settings: KitchenSettings) =>
    call<SavedKitchen>('/api/kitchens', 'POST', { id, settings }),
  saveKitchen: (id: string, settings: KitchenSettings, version: number) =>
    call<SavedKitchen>(`/api/kitchens/${id}`, 'PUT', { settings, version }),
  demand: (kitchenId: string, recipeIds: readonly string[]) =>
    call<ComponentBatch[]>('/api/demand', 'POST', {
      kitchenId,
      dishes: recipeIds.map((recipeId) => ({ recipeId })),
    }),
  batchSheetPdf: async (request: {
    recipeId: string;
    target: Target;
    kitchenId: string;
    vesselIds: string[];
    paper: 'a4' | 'letter';
  }) => (await answerOf('/api/batch-sheet.pdf', 'POST', request)).blob(),
  kitchens: (mark = '') => marked<Kitchen[]>('/api/kitchens', mark),
  components: (mark = '') => marked<Recipe[]>('/api/components', mark),
  digests: (kitchenId: string) => call<Digest[]>(`/api/recipes?kitchenId=${encodeURIComponent(kitchenId)}`),
  recipe: (id: string) => call<SavedRecipe>(at(id)),
  create: (saved: SavedRecipe) => call<SavedRecipe>('/api/recipes', 'POST', saved),
  save: (saved: SavedRecipe) => call<SavedRecipe>(at(saved.recipe.id), 'PUT', saved),
  remove: (id: string) => call<{ removed: string }>(at(id), 'DELETE'),
  restore: (id: string) => call<SavedRecipe>(`${at(id)}/restore`, 'POST'),
  recordPack: (
    kitchenId: string,
    { foodId, ...pack }: Omit<Pack, 'statementVersion' | 'isConfirmed' | 'before'>,
  ) => call<Kitchen>(`/api/kitchens/${kitchenId}/packs/${foodId}`, 'PUT', pack),
  withdrawPack: (kitchenId: string, foodId: string) =>
    call<Kitchen>(`/api/kitchens/${kitchenId}/packs/${foodId}`, 'DELETE'),
  nearestFree: (request: {
    recipeId: string;
    exclude: string[];
    policy: FreeFromPolicy;
    kitchenId: string;
  }) => call<NearDish[]>('/api/nearest-free', 'POST', request),
  createSwap: (kitchenId: string, swap: SwapEntry) =>
    call<Kitchen>(`/api/kitchens/${kitchenId}/swaps`, 'POST', swap),
  removeSwap: (kitchenId: string, swapId: string) =>
    call<Kitchen>(`/api/kitchens/${kitchenId}/swaps/${swapId}`, 'DELETE'),
  rateSwap: (kitchenId: string, rating: SwapRating) =>
    call<Kitchen>(`/api/kitchens/${kitchenId}/ratings`, 'POST', rating),
  recordWeight: (kitchenId: string, weight: KitchenWeight) =>
    call<Kitchen>(`/api/kitchens/${kitchenId}/weights`, 'POST', weight),
  confirmPack: (kitchenId: string, foodId: string, by: { checkedBy: string; checkedOn: string }) =>
    call<Kitchen>(`/api/kitchens/${kitchenId}/packs/${foodId}/confirm`, 'POST', by),
  packsToRead: (kitchenId: string) => call<PackToRead[]>(`/api/kitchens/${kitchenId}/packs-to-read`),
  confirmPacks: (
    kitchenId: string,
    request: { packs: { foodId: string; statementVersion: number }[]; checkedBy: string; checkedOn: string },
  ) =>
    call<{ confirmed: string[]; refused: { foodId: string; message: string }[]; kitchen: Kitchen }>(
      `/api/kitchens/${kitchenId}/packs/confirm`,
      'POST',
      request,
    ),
  tieName: (kitchenId: string, name: KitchenName) =>
    call<Kitchen>(`/api/kitchens/${kitchenId}/names`, 'POST', name),
  food: (id: string) => call<SavedFood & { usedIn: { id: string; name: string }[] }>(`/api/foods/${id}`),
  createFood: (food: Food) => call<SavedFood>('/api/foods', 'POST', { food }),
  saveFood: (saved: SavedFood) => call<SavedFood>(`/api/foods/${saved.food.id}`, 'PUT', saved),
  /** Reads a document for recipes; nothing is put in the book. */
  readDocument: async (text: string, fileName: string, kitchenId: string) => {
    const query = new URLSearchParams({ dryRun: 'true', fileName, kitchenId });
    const response = await fetched(`/api/recipes/import?${query}`, {
      method: 'POST',
      body: text,
      headers: { 'Content-Type': 'text/plain' },
    });
    return (await response.json()) as { format: string; recipes: FoundRecipe[] };
  },
  /** Takes one recipe in from its text; answers its id. */
  takeIn: async (text: string): Promise<string> => {
    const response = await fetched('/api/recipes/import', {
      method: 'POST',
      body: text,
      headers: { 'Content-Type': 'text/plain' },
    });
    const { recipes } = (await response.json()) as { recipes: FoundRecipe[] };
    return recipes[0]!.recipe.id;
  },
  uploadTable: async (kind: ImportKind, file: File) => {
    const query = new URLSearchParams({ kind, fileName: file.name });
    return (
      await fetched(`/api/imports?${query}`, { method: 'POST', body: file })
    ).json() as Promise<ImportView>;
  },
  openImports: () => call<ImportView[]>('/api/imports/open'),
  importView: (id: string) => call<ImportView>(`/api/imports/${id}`),
  runImport: (id: string, request: RunRequest) => call<ImportView>(`/api/imports/${id}/run`, 'POST', request),
  finishedImports: () => call<FinishedImport[]>('/api/imports'),
  takeBackImport: (id: string) =>
    call<{ takenBack: number; kept: string[] }>(`/api/imports/${id}/take-back`, 'POST'),
  stopImport: (id: string) => call<ImportView>(`/api/imports/${id}/stop`, 'POST'),
};
