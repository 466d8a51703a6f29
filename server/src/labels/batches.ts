/** Batches that labels are printed for: their codes and dates. */
import { randomUUID } from 'node:crypto';
import type { Transaction } from 'sequelize';
import {
  batchCode,
  type BatchView,
  lastDay,
  type Person,
  planFoods,
  shelfDays,
  UNPACKED,
} from '@hand-ladle/core';
import type { Row } from '../database/row';
import { ApiError } from '../http/errors';
import type { Store } from '../store';
import { type FrozenRelease, type Releases, withoutInputs } from './releases';

export class Batches {
  constructor(
    private readonly store: Store,
    private readonly releases: Releases,
    private readonly now: () => Date,
  ) {}

  /** A batch made under a released label: its code, its dates. */
  async make(
    release: FrozenRelease,
    made: { madeOn: string; grams: number | null },
    by: Person,
    transaction: Transaction,
  ): Promise<{ code: string; useBy: string }> {
    const { kitchen, recipe } = release.inputs;
    // The policy as it stands today: one that was shortened since holds for what is printed now.
    const { service } = await this.store.kitchens.kitchen(kitchen.id);
    const days = shelfDays(recipe.packed ?? UNPACKED, service, kitchen.regime);
    if (days === null) throw new ApiError('label-undated');
    const useBy = lastDay(made.madeOn, days);
    const row = await this.store.tables.batches.create(
      {
        code: randomUUID(),
        releaseId: release.id,
        madeOn: made.madeOn,
        useBy,
        grams: made.grams,
        madeBy: by.id,
        kitchenId: kitchen.id,
        recipeId: recipe.id,
        name: recipe.name,
        createdAt: this.now(),
      },
      { transaction },
    );
    const code = batchCode(made.madeOn, row.get('number') as number);
    await row.update({ code }, { transaction });
    // A recall finds what was only labelled too.
    const foods = planFoods(release.inputs).map((food) => ({ code, lot: '', isWritten: false, ...food }));
    await this.store.tables.batchFoods.bulkCreate(foods, { transaction });
    return { code, useBy };
  }

  /** The label of a batch: the one it was made under, or the last one handed in of the batch as it was cooked. */
  private async releaseOf(row: Row): Promise<string | null> {
    const own = row.get('releaseId') as string | null;
    if (own !== null) return own;
    const last = await this.store.tables.releases.findOne({
      where: { batchCode: row.get('code') as string },
      order: [['draftedAt', 'DESC']],
      attributes: ['id'],
    });
    return last ? (last.get('id') as string) : null;
  }

  /** The page of a batch: what it is, when it was made, whether its label still stands. */
  async batch(code: string): Promise<BatchView> {
    const row = await this.store.tables.batches.findOne({ where: { code: code.toUpperCase() } });
    if (!row) throw new ApiError('batch-not-found');
    const releaseId = await this.releaseOf(row);
    return {
      code: row.get('code') as string,
      madeOn: row.get('madeOn') as string,
      useBy: row.get('useBy') as string | null,
      grams: row.get('grams') as number | null,
      madeBy: (await this.releases.names()).get(row.get('madeBy') as string) ?? '',
      release: releaseId === null ? null : withoutInputs(await this.releases.release(releaseId)),
    };
  }
}
