/** Swaps that a kitchen wrote itself, and how the swaps it cooked turned out. */
import { UniqueConstraintError } from 'sequelize';
import type { Kitchen, SwapEntry, SwapRating } from '@hand-ladle/core';
import { ApiError } from './errors';
import { LarderStore } from './larder-store';

export class SwapStore extends LarderStore {
  private async mustHaveFoods(swap: SwapEntry): Promise<void> {
    await this.mustHaveFood(swap.fromId);
    for (const { foodId } of swap.to) {
      const isComponent = (await this.tables.recipes.count({ where: { id: foodId, deletedAt: null } })) > 0;
      if (!isComponent) await this.mustHaveFood(foodId);
    }
  }

  private async ownSwap(kitchenId: string, id: string) {
    const row = await this.tables.swaps.findOne({ where: { id, kitchenId } });
    if (!row) throw new ApiError('swap-not-found');
    return row;
  }

  /** Puts a kitchen's own swap beside those on file. */
  async createSwap(kitchenId: string, swap: SwapEntry): Promise<Kitchen> {
    const kitchen = await this.kitchen(kitchenId);
    await this.mustHaveFoods(swap);
    const { id, fromId } = swap;
    try {
      await this.tables.swaps.create({ id, position: kitchen.swaps.length, fromId, kitchenId, data: swap });
    } catch (error) {
      if (error instanceof UniqueConstraintError) throw new ApiError('swap-exists');
      throw error;
    }
    return this.kitchen(kitchenId);
  }

  /** Changes a kitchen's own swap; variants that use it follow. Those on file are not edited: write your own. */
  async saveSwap(kitchenId: string, swap: SwapEntry): Promise<Kitchen> {
    const row = await this.ownSwap(kitchenId, swap.id);
    await this.mustHaveFoods(swap);
    await row.update({ fromId: swap.fromId, data: swap });
    return this.kitchen(kitchenId);
  }

  /** Forgets a kitchen's own swap, unless a dish stands on it. */
  async removeSwap(kitchenId: string, id: string): Promise<Kitchen> {
    const row = await this.ownSwap(kitchenId, id);
    const used = await this.tables.recipeSwaps.findAll({ where: { swapId: id } });
    const dishes = used.map((each) => each.get('recipeId') as string);
    if (dishes.length > 0) throw new ApiError('swap-in-use', [...new Set(dishes)]);
    await row.destroy();
    return this.kitchen(kitchenId);
  }

  /** Keeps how a swap tasted once it was cooked; every rating counts. */
  async rateSwap(kitchenId: string, rating: SwapRating): Promise<Kitchen> {
    const kitchen = await this.kitchen(kitchenId);
    const { swaps } = await this.larder();
    if (![...swaps, ...kitchen.swaps].some(({ id }) => id === rating.swapId))
      throw new ApiError('swap-not-found');
    await this.tables.ratings.create({ kitchenId, ...rating });
    return this.kitchen(kitchenId);
  }
}
