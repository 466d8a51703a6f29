/** The cycle menu of each kitchen, with a version: two people may plan one. */
import { UniqueConstraintError } from 'sequelize';
import type { Cycle } from '@hand-ladle/core';
import type { Tables } from '../database/models';
import { value } from '../database/row';
import { ApiError } from '../http/errors';

export type SavedCycle = Cycle & { version: number };

export class CycleStore {
  constructor(private readonly tables: Tables) {}

  /** The cycle of a kitchen; null where none was ever planned. */
  async find(kitchenId: string): Promise<SavedCycle | null> {
    const row = await this.tables.cycles.findByPk(kitchenId);
    return row && { ...value<Cycle>(row, 'data'), version: value<number>(row, 'version') };
  }

  /** Saves over the version that was read; 0 where there was none. */
  async save(cycle: Cycle, version: number): Promise<SavedCycle> {
    const { kitchenId } = cycle;
    const conflict = async (): Promise<ApiError> =>
      new ApiError('cycle-conflict', [await this.find(kitchenId)]);
    const next = { data: cycle, version: version + 1 };
    if (version > 0) {
      const [changed] = await this.tables.cycles.update(next, { where: { kitchenId, version } });
      if (changed !== 1) throw await conflict();
    } else {
      try {
        await this.tables.cycles.create({ kitchenId, ...next });
      } catch (error) {
        if (error instanceof UniqueConstraintError) throw await conflict();
        throw error;
      }
    }
    return { ...cycle, version: version + 1 };
  }
}
