/** Imports that were finished, and what is needed to take one back: only what nobody has touched since. */
import { Op, type Transaction } from 'sequelize';
import type { FinishedImport, Food, ImportKind } from '@hand-ladle/core';
import type { Row } from '../database/row';
import { ApiError } from '../http/errors';
import type { Store } from '../store';

/** A food that an import wrote: its version then, and what it was before; null where it was new. */
export interface WrittenFood {
  id: string;
  version: number;
  before: Food | null;
}

/** What became of taking an import back: rows that went, and the names of those that people have used since. */
export interface TakenBack {
  takenBack: number;
  kept: string[];
}

const SHOWN = 20;

const finished = (row: Row): FinishedImport => ({
  id: row.get('id') as string,
  kind: row.get('kind') as ImportKind,
  fileName: row.get('fileName') as string,
  kitchenId: row.get('kitchenId') as string | null,
  at: (row.get('at') as Date).toISOString(),
  takenBackAt: (row.get('takenBackAt') as Date | null)?.toISOString() ?? null,
  created: row.get('created') as number,
  updated: row.get('updated') as number,
});

/** Keeps that an import was finished, in the transaction that wrote it. */
export async function keepFinished(
  store: Store,
  done: Omit<FinishedImport, 'at' | 'takenBackAt'> & { at: Date; written: readonly WrittenFood[] },
  transaction: Transaction,
): Promise<void> {
  await store.tables.imports.create({ ...done, takenBackAt: null }, { transaction });
}

/** The last finished imports, newest first. */
export async function finishedImports(store: Store): Promise<FinishedImport[]> {
  const rows = await store.tables.imports.findAll({
    attributes: { exclude: ['written'] },
    order: [
      ['at', 'DESC'],
      ['id', 'ASC'],
    ],
    limit: SHOWN,
  });
  return rows.map(finished);
}

/** Foods that something stands on: a line, a pack, a name, a weight. */
async function usedFoods(
  store: Store,
  ids: readonly string[],
  transaction: Transaction,
): Promise<Set<string>> {
  const used = new Set<string>();
  const where = { foodId: { [Op.in]: [...ids] } };
  for (const table of [store.tables.packs, store.tables.names, store.tables.weights])
    for (const row of await table.findAll({ attributes: ['foodId'], where, transaction }))
      used.add(row.get('foodId') as string);
  for (const id of await store.recipes.foodsInUse(transaction)) used.add(id);
  return used;
}

async function takeFoodsBack(
  store: Store,
  written: readonly WrittenFood[],
  transaction: Transaction,
): Promise<TakenBack> {
  const ids = written.map(({ id }) => id);
  const used = await usedFoods(store, ids, transaction);
  const rows = await store.tables.foods.findAll({ where: { id: { [Op.in]: ids } }, transaction });
  const now = new Map(rows.map((row) => [row.get('id') as string, row]));
  const result: TakenBack = { takenBack: 0, kept: [] };
  for (const { id, version, before } of written) {
    const row = now.get(id);
    if (!row) continue;
    const isUntouched = row.get('version') === version && (before !== null || !used.has(id));
    if (!isUntouched) {
      result.kept.push((row.get('data') as Food).name);
      continue;
    }
    if (before) await row.update({ data: before, version: version + 1 }, { transaction });
    else await row.destroy({ transaction });
    result.takenBack += 1;
  }
  return result;
}

/** The version a supplier's list wrote goes where it is still the last; what a person read since then stays. */
async function takePacksBack(
  store: Store,
  importId: string,
  kitchenId: string,
  transaction: Transaction,
): Promise<TakenBack> {
  await store.tables.kitchens.findByPk(kitchenId, { transaction, lock: transaction.LOCK.UPDATE });
  const rows = await store.tables.packs.findAll({
    where: { kitchenId },
    order: [['id', 'ASC']],
    transaction,
  });
  const last = new Map(rows.map((row) => [row.get('foodId') as string, row]));
  const result: TakenBack = { takenBack: 0, kept: [] };
  for (const row of rows.filter((each) => each.get('importId') === importId)) {
    if (last.get(row.get('foodId') as string) !== row) {
      result.kept.push(row.get('productName') as string);
      continue;
    }
    await row.destroy({ transaction });
    result.takenBack += 1;
  }
  return result;
}

/** Takes a finished import back, once. */
export async function takeBack(store: Store, id: string, at: Date): Promise<TakenBack> {
  const result = await store.database.transaction(async (transaction) => {
    const row = await store.tables.imports.findByPk(id, { transaction, lock: transaction.LOCK.UPDATE });
    if (!row) throw new ApiError('import-not-found');
    const { kind, kitchenId, takenBackAt } = finished(row);
    if (takenBackAt !== null) throw new ApiError('import-taken-back');
    const taken =
      kind === 'foods'
        ? await takeFoodsBack(store, (row.get('written') as WrittenFood[] | null) ?? [], transaction)
        : await takePacksBack(store, id, kitchenId!, transaction);
    await row.update({ takenBackAt: at }, { transaction });
    return taken;
  });
  store.larder.forget();
  return result;
}
