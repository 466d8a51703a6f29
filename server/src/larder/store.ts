/** The larder as it is kept: foods, and the swaps on file. */
import { UniqueConstraintError, type WhereOptions } from 'sequelize';
import { type Food, type Larder, loosened, type SavedFood, type SwapEntry } from '@hand-ladle/core';
import type { Table, Tables } from '../database/models';
import { ApiError } from '../http/errors';

/** Version 1 is a food as it was shipped, which a newer table may replace; a kitchen's own begin above. */
export const FIRST_OWN_VERSION = 2;

/** The values of a table in their order, read as they stand: making a model of each of ten thousand rows takes longer than the query. */
async function valuesIn<T>(table: Table, where: WhereOptions): Promise<T[]> {
  const rows = await table.findAll({ attributes: ['data'], where, order: [['position', 'ASC']], raw: true });
  return (rows as unknown as { data: string }[]).map(({ data }) => JSON.parse(data) as T);
}

export class LarderStore {
  private cache: Larder | null = null;
  /** Counts changes of the larder, those of a running import too. */
  changes = 0;

  constructor(private readonly tables: Tables) {}

  async all(): Promise<Larder> {
    if (this.cache) return this.cache;
    const before = this.changes;
    const larder = {
      foods: await valuesIn<Food>(this.tables.foods, {}),
      swaps: await valuesIn<SwapEntry>(this.tables.swaps, { kitchenId: null }),
    };
    // A food saved while these rows were on their way is newer than they: they must not be kept.
    if (before === this.changes) this.cache = larder;
    return larder;
  }

  /** Called after foods changed behind the cache's back. */
  forget(): void {
    this.cache = null;
    this.changes += 1;
  }

  async food(id: string): Promise<SavedFood> {
    const row = await this.tables.foods.findByPk(id);
    if (!row) throw new ApiError('food-not-found');
    return { food: row.get('data') as Food, version: row.get('version') as number };
  }

  /** The version each food of the larder stands at. */
  async versions(): Promise<Map<string, number>> {
    const rows = await this.tables.foods.findAll({ attributes: ['id', 'version'], raw: true });
    return new Map(
      (rows as unknown as { id: string; version: number }[]).map(({ id, version }) => [id, version]),
    );
  }

  /** Puts a new food at the end of the larder. */
  async create(food: Food): Promise<SavedFood> {
    const last = ((await this.tables.foods.max('position')) as number | null) ?? 0;
    try {
      await this.tables.foods.create({
        id: food.id,
        position: last + 1,
        data: food,
        version: FIRST_OWN_VERSION,
      });
    } catch (error) {
      if (error instanceof UniqueConstraintError) throw new ApiError('food-exists');
      throw error;
    }
    this.forget();
    return this.food(food.id);
  }

  /** Saves a food over the version that was read. It may say more of an allergen than before, never less. */
  async save({ food, version }: SavedFood): Promise<SavedFood> {
    const before = await this.food(food.id);
    const less = loosened(before.food, food);
    if (less.length > 0) throw new ApiError('food-loosened', less);
    const [changed] = await this.tables.foods.update(
      { data: food, version: version + 1 },
      { where: { id: food.id, version } },
    );
    if (changed !== 1) throw new ApiError('food-conflict', [await this.food(food.id)]);
    this.forget();
    return this.food(food.id);
  }

  /** Refuses a food that nobody knows. */
  async mustHave(id: string): Promise<void> {
    if ((await this.tables.foods.count({ where: { id } })) === 0) throw new ApiError('food-not-found');
  }
}
