/** Services as they are kept, each with a version: two people may change one. */
import { type Sequelize, type Transaction, UniqueConstraintError } from 'sequelize';
import { type SavedServiceTold, type Service, serviceTold } from '@hand-ladle/core';
import type { Tables } from '../database/models';
import { idOf, type Row, value } from '../database/row';
import { ApiError } from '../http/errors';

export interface SavedService {
  service: Service;
  version: number;
}

/** A kept service as it is told. */
export const savedTold = ({ service, version }: SavedService): SavedServiceTold => ({
  ...serviceTold(service),
  version,
});

const savedOf = (row: Row): SavedService => ({
  service: value<Service>(row, 'data'),
  version: value<number>(row, 'version'),
});

/** "2026-12-01-lunch", and a number behind it where there is one already. */
function idsFor({ date, meal }: Service): (count: number) => string {
  const words = meal
    .toLowerCase()
    .normalize('NFKD')
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '')
    .slice(0, 40);
  const base = words === '' ? date : `${date}-${words}`;
  return (count) => (count === 1 ? base : `${base}-${count}`);
}

/** Services of one day and meal that are numbered before it is given up. */
const MOST_OF_A_MEAL = 200;

export class ServiceStore {
  constructor(private readonly tables: Tables) {}

  /** Services of a kitchen, the latest day first. */
  async list(kitchenId: string, transaction?: Transaction): Promise<SavedService[]> {
    const rows = await this.tables.services.findAll({
      where: { kitchenId },
      ...(transaction ? { transaction } : {}),
      order: [
        ['date', 'DESC'],
        ['id', 'ASC'],
      ],
    });
    return rows.map(savedOf);
  }

  async find(id: string): Promise<SavedService> {
    const row = await this.tables.services.findByPk(id);
    if (!row) throw new ApiError('service-not-found');
    return savedOf(row);
  }

  async create(service: Service, transaction?: Transaction): Promise<SavedService> {
    const idAt = idsFor(service);
    for (let count = 1; count <= MOST_OF_A_MEAL; count += 1) {
      const made = { ...service, id: idAt(count) };
      try {
        const { id, kitchenId, date } = made;
        const row = await this.tables.services.create(
          { id, kitchenId, date, data: made, version: 1 },
          transaction ? { transaction } : {},
        );
        return { service: made, version: value<number>(row, 'version') };
      } catch (error) {
        if (!(error instanceof UniqueConstraintError)) throw error;
      }
    }
    throw new ApiError('service-exists');
  }

  /** Saves over the version that was read. */
  async save(service: Service, version: number, transaction?: Transaction): Promise<SavedService> {
    const { id, kitchenId, date } = service;
    const [changed] = await this.tables.services.update(
      { kitchenId, date, data: service, version: version + 1 },
      { where: { id, version }, ...(transaction ? { transaction } : {}) },
    );
    if (changed !== 1) throw new ApiError('service-conflict', [savedTold(await this.find(id))]);
    return { service, version: version + 1 };
  }

  /** Makes those of some services whose day and meal are not there yet; one at a time for a kitchen, so that nothing is doubled. */
  async createMissing(
    kitchenId: string,
    wanted: readonly Service[],
    database: Sequelize,
  ): Promise<SavedService[]> {
    return database.transaction(async (transaction) => {
      await this.tables.kitchens.findByPk(kitchenId, { transaction, lock: transaction.LOCK.UPDATE });
      const known = await this.list(kitchenId, transaction);
      const made: SavedService[] = [];
      for (const service of wanted) {
        const isThere = known.some(
          ({ service: { date, meal } }) =>
            date === service.date && meal.toLowerCase() === service.meal.toLowerCase(),
        );
        if (!isThere) made.push(await this.create(service, transaction));
      }
      return made;
    });
  }

  async remove(id: string): Promise<{ id: string }> {
    const row = await this.tables.services.findByPk(id);
    if (!row) throw new ApiError('service-not-found');
    // What went into the pot for it would be gone without a word.
    if (savedOf(row).service.taken.length > 0) throw new ApiError('service-has-taken');
    await row.destroy();
    return { id: idOf(row) };
  }
}
