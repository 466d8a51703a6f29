/**
 * What lots hold now. A batch is read with everything that went into it, each by its own record, to any depth; what stands in store
 * is read the same way. Nothing of it is kept, so a late entry, a correction or a withdrawn statement is at once in all that
 * was made of it.
 */
import {
  type BatchAsLot,
  batchState,
  type CookedFood,
  cookedOf,
  cookedSheet,
  differences,
  type Food,
  groundOfBatch,
  type KeptEntry,
  type Lot,
  lotKey,
  lotOfBatch,
  LOTS_TOGETHER,
  mixedOf,
  type OpenedBatch,
  type Pack,
  packOf,
  standing,
  type StockItem,
  unknownLot,
} from '@hand-ladle/core';
import type { Tables } from '../database/models';
import type { Store } from '../store';

/** How batches and the store are looked up. */
export interface LotSource {
  /** A batch that was cooked, with what counts of its record; null for a code of none. `within` are those that are being read. */
  batch(code: string, within: ReadonlySet<string>): Promise<BatchAsLot | null>;
  /** A thing in store by its id, whichever kitchen it is of. */
  item(id: string): Promise<StockItem | null>;
  /** A food of the larder with its pack in a kitchen; null where there is none. */
  bought(foodId: string, kitchenId: string): Promise<{ food: Food; pack: Pack | null } | null>;
}

/** Codes and ids that the record of a batch says something came from, and leftovers that its recipe holds. */
function sourcesOf(
  opened: OpenedBatch,
  entries: readonly KeptEntry[],
): { written: string[]; planned: string[] } {
  const written = standing(entries).flatMap(({ body }) =>
    body.kind === 'weighed' && body.from.trim() !== '' ? [body.from] : [],
  );
  const planned = opened.inputs.foods.flatMap(({ id }) =>
    id.startsWith('stock-') ? [id.slice('stock-'.length)] : [],
  );
  return { written: [...new Set(written)], planned };
}

/** What was cooked and stands in store, as it is known now: by the record of its batch, where it has one. */
async function cookedNow(
  item: StockItem,
  source: LotSource,
  within: ReadonlySet<string>,
): Promise<StockItem['cooked']> {
  if (!item.cooked || item.lot === '') return item.cooked;
  const parts: CookedFood[] = [];
  for (const code of item.lot.split(LOTS_TOGETHER)) {
    const key = lotKey(code);
    const part = within.has(key) ? null : await source.batch(key, within);
    if (part) parts.push(cookedOf(part, item.id));
  }
  if (parts.length === 0) return item.cooked;
  const { food, pack, ...cooked } = mixedOf(parts);
  const { name } = item.cooked.food;
  return { ...cooked, food: { ...food, name }, pack: { ...pack, productName: item.cooked.pack.productName } };
}

/** Something in store that went in. */
async function lotOfItem(
  from: string,
  item: StockItem,
  opened: OpenedBatch,
  source: LotSource,
  within: ReadonlySet<string>,
): Promise<Lot> {
  if (item.lot.split(LOTS_TOGETHER).some((code) => within.has(lotKey(code)))) return unknownLot(from);
  const lot = { from: lotKey(from), name: item.name, useBy: item.useBy, isKnown: true };
  const cooked = await cookedNow(item, source, within);
  if (cooked)
    return {
      ...lot,
      foodId: cooked.food.id,
      food: cooked.food,
      pack: cooked.pack,
      recipeId: cooked.recipeId,
    };
  const foodId = item.foodId!;
  const { book } = groundOfBatch(opened);
  // A food of the batch is as its own frozen pack says; another one is brought in as it stands.
  if (book.foods.foods.has(foodId)) return { ...lot, foodId, food: null, pack: null, recipeId: null };
  const bought = await source.bought(foodId, opened.kitchenId);
  return bought ? { ...lot, foodId, ...bought, recipeId: null } : { ...unknownLot(from), name: item.name };
}

/** The lots of a batch, as they are known now. A circle of batches ends where it began: there nobody knows what went in. */
export async function lotsOf(
  opened: OpenedBatch,
  entries: readonly KeptEntry[],
  source: LotSource,
  within: ReadonlySet<string>,
): Promise<Lot[]> {
  const inside = new Set([...within, lotKey(opened.code)]);
  const { written, planned } = sourcesOf(opened, entries);
  const lots = new Map<string, Lot>();
  for (const from of written) {
    const key = lotKey(from);
    if (lots.has(key)) continue;
    if (inside.has(key)) {
      lots.set(key, unknownLot(from));
      continue;
    }
    const part = await source.batch(key, inside);
    const item = part ? null : await source.item(from.trim());
    if (part) lots.set(key, lotOfBatch(part, groundOfBatch(opened)));
    else if (item) lots.set(key, await lotOfItem(from, item, opened, source, inside));
    else lots.set(key, unknownLot(from));
  }
  for (const id of planned) {
    const item = await source.item(id);
    const key = lotKey(id);
    if (item?.cooked && !lots.has(key)) lots.set(key, await lotOfItem(id, item, opened, source, inside));
  }
  return [...lots.values()];
}

/** Things in store as they are known now. */
export async function renewed<Item extends StockItem>(
  items: readonly Item[],
  source: LotSource,
  within: ReadonlySet<string> = new Set(),
): Promise<Item[]> {
  const known: Item[] = [];
  for (const item of items) known.push({ ...item, cooked: await cookedNow(item, source, within) });
  return known;
}

/** Batches by their records in a database, things in store by their rows, foods by the larder as it stands. */
export const lotSource = ({
  tables,
  store,
  recordOf,
  now,
}: {
  tables: Tables;
  store: Store;
  recordOf: (
    code: string,
    within: ReadonlySet<string>,
  ) => Promise<{ opened: OpenedBatch; counted: KeptEntry[] } | null>;
  now: () => Date;
}): LotSource => ({
  batch: async (code, within) => {
    const row = await tables.batches.findOne({ where: { code }, attributes: ['code'] });
    const found = row && (await recordOf(code, within));
    if (!found) return null;
    const record = standing(found.counted);
    const sheet = cookedSheet(found.opened, record);
    const isAsRecipe =
      differences(found.opened, record, sheet).length === 0 &&
      batchState(found.opened, found.counted, now().getTime(), sheet).check.length === 0;
    return { opened: found.opened, record, isAsRecipe };
  },
  item: async (id) => {
    const row = await tables.stock.findByPk(id);
    return row && (row.get('data') as StockItem);
  },
  bought: async (foodId, kitchenId) => {
    const food = (await store.recipes.book()).foods.foods.get(foodId);
    if (!food) return null;
    return { food, pack: packOf(await store.kitchens.kitchen(kitchenId), foodId) ?? null };
  },
});
