/** What stands in store, kitchen by kitchen, each thing with a version: two people may count one shelf. */
import { randomUUID } from 'node:crypto';
import type { Sequelize, Transaction } from 'sequelize';
import { firstToExpire, type StockItem, type TakenOut } from '@hand-ladle/core';
import type { Tables } from '../database/models';
import { type Row, value } from '../database/row';
import { ApiError } from '../http/errors';

export type SavedStock = StockItem & { version: number };

const savedOf = (row: Row): SavedStock => ({
  ...value<StockItem>(row, 'data'),
  version: value<number>(row, 'version'),
});

/** Grams to the milligram: what a database and a scale can tell apart. */
const inMilligrams = (grams: number): number => Math.round(grams * 1000) / 1000;

export class StockStore {
  constructor(
    private readonly database: Sequelize,
    private readonly tables: Tables,
  ) {}

  /** What was cooked, as it is known now: the stove says so, which knows the records. */
  asKnown: <Item extends StockItem>(items: readonly Item[]) => Promise<Item[]> = (items) =>
    Promise.resolve([...items]);

  /** An id for something new. */
  newId = (): string => randomUUID();

  /** What is there, first to expire first; what is used up stays for its services and is not told. */
  async list(kitchenId: string): Promise<SavedStock[]> {
    return (await this.all(kitchenId)).filter(({ grams }) => grams > 0);
  }

  async all(kitchenId: string): Promise<SavedStock[]> {
    const rows = await this.tables.stock.findAll({ where: { kitchenId } });
    return this.asKnown(rows.map(savedOf).sort(firstToExpire));
  }

  private async find(id: string): Promise<SavedStock> {
    const row = await this.tables.stock.findByPk(id);
    if (!row) throw new ApiError('stock-not-found');
    return savedOf(row);
  }

  /** The thing itself, without its version. */
  async item(id: string): Promise<StockItem> {
    const row = await this.tables.stock.findByPk(id);
    if (!row) throw new ApiError('stock-not-found');
    return value<StockItem>(row, 'data');
  }

  async add(item: StockItem, transaction?: Transaction): Promise<SavedStock> {
    const { id, kitchenId } = item;
    await this.tables.stock.create(
      { id, kitchenId, data: item, version: 1 },
      transaction ? { transaction } : {},
    );
    return { ...item, version: 1 };
  }

  /** A new count, date or lot over the version that was read. */
  async save(item: StockItem, version: number): Promise<SavedStock> {
    const [changed] = await this.tables.stock.update(
      { data: item, version: version + 1 },
      { where: { id: item.id, version } },
    );
    if (changed !== 1) throw new ApiError('stock-conflict', [await this.find(item.id)]);
    return { ...item, version: version + 1 };
  }

  /** Takes out (or puts back, below zero) all of it or nothing; never more than there is. */
  async move(taken: readonly TakenOut[], direction: 'out' | 'back', transaction: Transaction): Promise<void> {
    for (const { stockId, grams } of taken) {
      const row = await this.tables.stock.findByPk(stockId, { transaction, lock: transaction.LOCK.UPDATE });
      if (!row) throw new ApiError('stock-gone');
      const { version, ...item } = savedOf(row);
      const left = inMilligrams(direction === 'out' ? item.grams - grams : item.grams + grams);
      if (left < 0) throw new ApiError('stock-gone', [{ name: item.name, grams: item.grams }]);
      await row.update({ data: { ...item, grams: left }, version: version + 1 }, { transaction });
    }
  }

  inOne = <Answer>(act: (transaction: Transaction) => Promise<Answer>): Promise<Answer> =>
    this.database.transaction(act);
}
