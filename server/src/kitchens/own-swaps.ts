/** Swaps that a kitchen wrote itself, and how the swaps it cooked turned out. */
import { UniqueConstraintError } from 'sequelize';
import type { Kitchen, SwapEntry, SwapRating } from '@hand-ladle/core';
import type { Tables } from '../database/models';
import { ApiError } from '../http/errors';
import type { LarderStore } from '../larder/store';
import type { KitchenStore } from './store';

export class OwnSwapStore {
  constructor(
    private readonly tables: Tables,
    private readonly larder: LarderStore,
    private readonly kitchens: KitchenStore,
  ) {}

  private async mustHaveFoods(swap: SwapEntry): Promise<void> {
    await this.larder.mustHave(swap.fromId);
    for (const { foodId } of swap.to) {
      const isComponent = (await this.tables.recipes.count({ where: { id: foodId, deletedAt: null } })) > 0;
      if (!isComponent) await this.larder.mustHave(foodId);
    }
  }

  private async ownSwap(kitchenId: string, id: string) {
    const row = await this.tables.swaps.findOne({ where: { id, kitchenId } });
    if (!row) throw new ApiError('swap-not-found');
    return row;
  }

  /** Puts a kitchen's own swap beside those on file. */
  async create(kitchenId: string, swap: SwapEntry): Promise<Kitchen> {
    const kitchen = await this.kitchens.kitchen(kitchenId);
    await this.mustHaveFoods(swap);
    const { id, fromId } = swap;
    try {
      await this.tables.swaps.create({ id, position: kitchen.swaps.length, fromId, kitchenId, data: swap });
    } catch (error) {
      if (error instanceof UniqueConstraintError) throw new ApiError('swap-exists');
      throw error;
    }
    return this.kitchens.kitchen(kitchenId);
  }

  /** Changes a kitchen's own swap; variants that use it follow. Those on file are not edited: write your own. */
  async save(kitchenId: string, swap: SwapEntry): Promise<Kitchen> {
    const row = await this.ownSwap(kitchenId, swap.id);
    await this.mustHaveFoods(swap);
    await row.update({ fromId: swap.fromId, data: swap });
    return this.kitchens.kitchen(kitchenId);
  }

  /** Forgets a kitchen's own swap, unless a dish stands on it. */
  async remove(kitchenId: string, id: string): Promise<Kitchen> {
    const row = await this.ownSwap(kitchenId, id);
    const used = await this.tables.recipeSwaps.findAll({ where: { swapId: id } });
    const dishes = used.map((each) => each.get('recipeId') as string);
    if (dishes.length > 0) throw new ApiError('swap-in-use', [...new Set(dishes)]);
    await row.destroy();
    return this.kitchens.kitchen(kitchenId);
  }

  /** Keeps how a swap tasted once it was cooked; every rating counts. */
  async rate(kitchenId: string, rating: SwapRating): Promise<Kitchen> {
    const kitchen = await this.kitchens.kitchen(kitchenId);
    const { swaps } = await this.larder.all();
    if (![...swaps, ...kitchen.swaps].some(({ id }) => id === rating.swapId))
      throw new ApiError('swap-not-found');
    await this.tables.ratings.create({ kitchenId, ...rating });
    return this.kitchens.kitchen(kitchenId);
  }
}
