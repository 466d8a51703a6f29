/** Batches that labels are printed for: their codes and dates. */
import { randomUUID } from 'node:crypto';
import type { Transaction } from 'sequelize';
import { batchCode, lastDay, shelfDays, UNPACKED, type BatchView, type Person } from '@hand-ladle/core';
import { ApiError } from '../http/errors';
import type { Store } from '../store';
import { withoutInputs, type FrozenRelease, type Releases } from './releases';

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
        createdAt: this.now(),
      },
      { transaction },
    );
    const code = batchCode(made.madeOn, row.get('number') as number);
    await row.update({ code }, { transaction });
    return { code, useBy };
  }

  /** The page of a batch: what it is, when it was made, whether its label still stands. */
  async batch(code: string): Promise<BatchView> {
    const row = await this.store.tables.batches.findOne({ where: { code: code.toUpperCase() } });
    if (!row) throw new ApiError('batch-not-found');
    const release = await this.releases.release(row.get('releaseId') as string);
    return {
      code: row.get('code') as string,
      madeOn: row.get('madeOn') as string,
      useBy: row.get('useBy') as string,
      grams: row.get('grams') as number | null,
      madeBy: (await this.releases.names()).get(row.get('madeBy') as string) ?? '',
      release: withoutInputs(release),
    };
  }
}
