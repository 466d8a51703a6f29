/** Kitchens as they are kept: what they set, and what they recorded of weights and names. */
import { Op, UniqueConstraintError } from 'sequelize';
import {
  comparableName,
  type Kitchen,
  type KitchenSettings,
  type KitchenWeight,
  type SavedKitchen,
} from '@hand-ladle/core';
import type { Table, Tables } from '../database/models';
import { groupedBy, idOf } from '../database/row';
import { ApiError } from '../http/errors';
import type { LarderStore } from '../larder/store';
import { kitchenFromRows, type KitchenRows } from './rows';

export class KitchenStore {
  constructor(
    private readonly tables: Tables,
    private readonly larder: LarderStore,
  ) {}

  /** What kitchens recorded piece by piece, by kitchen: of one, or of all. */
  private async recorded(where: Record<string, unknown>): Promise<(id: string) => KitchenRows> {
    const asked = { where, order: [['id', 'ASC']] as [string, string][] };
    const of = async (table: Table) => groupedBy(await table.findAll(asked), 'kitchenId');
    const [packs, weights, names, words, swaps, ratings] = await Promise.all([
      of(this.tables.packs),
      of(this.tables.weights),
      of(this.tables.names),
      of(this.tables.wordAnswers),
      of(this.tables.swaps),
      of(this.tables.ratings),
    ]);
    return (id) => ({
      packs: packs.get(id) ?? [],
      weights: weights.get(id) ?? [],
      names: names.get(id) ?? [],
      words: words.get(id) ?? [],
      swaps: swaps.get(id) ?? [],
      ratings: ratings.get(id) ?? [],
    });
  }

  async all(): Promise<Kitchen[]> {
    const rows = await this.tables.kitchens.findAll({ order: [['position', 'ASC']] });
    const recorded = await this.recorded({ kitchenId: { [Op.ne]: null } });
    return rows.map((row) => kitchenFromRows(row, recorded(idOf(row))));
  }

  /** One kitchen; the first when no id is given. */
  async kitchen(id: string | undefined): Promise<Kitchen> {
    const row = await this.tables.kitchens.findOne({
      ...(id === undefined ? {} : { where: { id } }),
      order: [['position', 'ASC']],
    });
    if (!row) throw new ApiError('kitchen-not-found');
    const recorded = await this.recorded({ kitchenId: idOf(row) });
    return kitchenFromRows(row, recorded(idOf(row)));
  }

  /** One kitchen with the version that was read, for two people who set it up. */
  async saved(id: string): Promise<SavedKitchen> {
    const row = await this.tables.kitchens.findByPk(id);
    if (!row) throw new ApiError('kitchen-not-found');
    return { kitchen: await this.kitchen(id), version: row.get('version') as number };
  }

  /** Puts a new kitchen at the end of the list. */
  async create(id: string, settings: KitchenSettings): Promise<SavedKitchen> {
    const last = ((await this.tables.kitchens.max('position')) as number | null) ?? 0;
    const { name, ...rest } = settings;
    try {
      await this.tables.kitchens.create({ id, position: last + 1, name, settings: rest, version: 1 });
    } catch (error) {
      if (error instanceof UniqueConstraintError) throw new ApiError('kitchen-exists');
      throw error;
    }
    return this.saved(id);
  }

  /** Saves a kitchen's settings over the version that was read; its packs, weights and names are not touched. */
  async save(id: string, settings: KitchenSettings, version: number): Promise<SavedKitchen> {
    await this.saved(id);
    const { name, ...rest } = settings;
    const [changed] = await this.tables.kitchens.update(
      { name, settings: rest, version: version + 1 },
      { where: { id, version } },
    );
    if (changed !== 1) throw new ApiError('kitchen-conflict', [await this.saved(id)]);
    return this.saved(id);
  }

  /** Keeps the kitchen's own weight for a word and a food. */
  async recordWeight(kitchenId: string, weight: KitchenWeight): Promise<Kitchen> {
    await this.kitchen(kitchenId);
    await this.larder.mustHave(weight.foodId);
    await this.tables.weights.create({ kitchenId, ...weight });
    return this.kitchen(kitchenId);
  }

  /** Ties a name, as this kitchen writes it, to a food or a component. */
  async tieName(
    kitchenId: string,
    name: { written: string; foodId: string; tiedOn: string },
  ): Promise<Kitchen> {
    await this.kitchen(kitchenId);
    const isComponent =
      (await this.tables.recipes.count({ where: { id: name.foodId, deletedAt: null } })) > 0;
    if (!isComponent) await this.larder.mustHave(name.foodId);
    const written = comparableName(name.written).slice(0, 200);
    if (written !== '') await this.tables.names.create({ kitchenId, ...name, written });
    return this.kitchen(kitchenId);
  }
}
