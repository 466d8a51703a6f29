/** Labels that leave the kitchen: each a label of a batch with its code and dates, alone or many in one job, on paper or as a file. */
import type { Transaction } from 'sequelize';
import {
  type BatchView,
  type Kitchen,
  type LabelOptions,
  labelText,
  type Person,
  type SetLabel,
  thaw,
} from '@hand-ladle/core';
import type { AuditTrail } from '../accounts/audit';
import { ApiError } from '../http/errors';
import { type BatchFacts, contentOf, setBy } from '../paper/set';
import type { Store } from '../store';
import type { Batches } from './batches';
import type { CookedBatches } from './cooked';
import { mustNotPromise } from './options';
import type { FrozenRelease, Releases } from './releases';
import type { RunItem, RunOptions, RunPart } from './runs';
import type { Spool } from './spool';

type Known = Map<string, { release: FrozenRelease; kitchen: Kitchen }>;

/** A text that does not fit, or a code that cannot be read, is never printed: the answer says what is wrong. */
export function mustFit(set: SetLabel, isReleased = false): void {
  // What was released has all its letters; what is typed onto it at printing may not.
  const wrong = set.findings.filter(
    ({ severity, code }) => severity === 'danger' || (isReleased && code === 'label-letters'),
  );
  if (wrong.length > 0) throw new ApiError('label-does-not-fit', wrong);
}

/** What printing leans on. */
export interface PrintingParts {
  store: Store;
  releases: Releases;
  batches: Batches;
  spool: Spool;
  audit: AuditTrail;
  cooked: CookedBatches;
  today: (kitchen: Kitchen) => string;
}

export class Printing {
  constructor(private readonly lean: PrintingParts) {}

  /** What a phone opens; without a public address nothing does, and the code holds the batch code alone. */
  private addressOf({ service }: Kitchen, code: string): string {
    return service.publicAddress === '' ? code : `${service.publicAddress}/batches/${code}`;
  }

  /** The labels of a job as they stand, each read once, and the kitchens they are of; refused where one may not leave. */
  private async known(items: readonly RunItem[]): Promise<Known> {
    const releases = await this.lean.releases.printables(items.map(({ releaseId }) => releaseId));
    const kitchens = new Map<string, Kitchen>();
    const known: Known = new Map();
    for (const release of releases) {
      const { id } = release.inputs.kitchen;
      const kitchen = kitchens.get(id) ?? (await this.lean.store.kitchens.kitchen(id));
      kitchens.set(id, kitchen);
      known.set(release.id, { release, kitchen });
    }
    return known;
  }

  /** The label of a recipe covers a batch that was made under it, or one that was cooked just as the recipe says. */
  private async mustCover(release: FrozenRelease, made: BatchView): Promise<void> {
    const cooked = await this.lean.cooked.differencesOf(made.code);
    if (cooked === null) {
      if (made.release?.id !== release.id) throw new ApiError('batch-of-another-label');
      return;
    }
    if (cooked.recipeId !== release.recipeId) throw new ApiError('batch-of-another-label');
    if (cooked.differences.length > 0)
      throw new ApiError(
        'batch-differs',
        cooked.differences.map(({ what, planned, cooked: now }) => ({
          message: `${what}: ${now} (${planned})`,
        })),
      );
  }

  /** The batch of an item: one that was made before under this very label, or a new one. */
  private async batchOf(
    item: RunItem,
    release: FrozenRelease,
    kitchen: Kitchen,
    by: Person,
    transaction: Transaction,
  ): Promise<BatchFacts & { madeOn: string }> {
    const batchCode = release.batchCode ?? item.batchCode;
    if (batchCode !== null) {
      if (item.batchCode !== null && item.batchCode.toUpperCase() !== batchCode.toUpperCase())
        throw new ApiError('batch-of-another-label');
      const made = await this.lean.batches.batch(batchCode);
      if (release.batchCode === null) await this.mustCover(release, made);
      if (made.useBy === null) throw new ApiError('label-undated');
      if (made.useBy < this.lean.today(kitchen)) throw new ApiError('label-expired');
      return { ...made, useBy: made.useBy, address: this.addressOf(kitchen, made.code) };
    }
    const madeOn = item.madeOn ?? this.lean.today(kitchen);
    if (madeOn > this.lean.today(kitchen)) throw new ApiError('made-ahead');
    const made = await this.lean.batches.make(release, { madeOn, grams: item.grams }, by, transaction);
    // Inside the transaction: the batch that was made goes with the refusal.
    if (made.useBy < this.lean.today(kitchen)) throw new ApiError('label-expired');
    return { ...made, madeOn, address: this.addressOf(kitchen, made.code) };
  }

  /** The parts of a job. One dish made on one day is one batch, however many slips it has. */
  private async partsOf(
    items: readonly RunItem[],
    known: Known,
    options: RunOptions,
    by: Person,
    transaction: Transaction,
  ): Promise<RunPart[]> {
    const batches = new Map<string, BatchFacts & { madeOn: string }>();
    const parts: RunPart[] = [];
    for (const item of items) {
      const { release, kitchen } = known.get(item.releaseId)!;
      const asked: LabelOptions = { ...options, ...item, kind: release.kind };
      mustNotPromise(asked, kitchen, () => ({
        worksheet: thaw(release.inputs),
        recipe: release.inputs.recipe,
      }));
      const key = `${item.releaseId} ${item.madeOn ?? ''} ${item.batchCode ?? ''}`;
      const batch = batches.get(key) ?? (await this.batchOf(item, release, kitchen, by, transaction));
      batches.set(key, batch);
      const content = contentOf(release.label, { ...asked, madeOn: batch.madeOn }, release, batch, true);
      mustFit(setBy(content, asked), true);
      parts.push({ releaseId: release.id, content, quantity: item.quantity });
    }
    return parts;
  }

  /** Sends labels to the spool as one job. */
  async print(
    items: readonly RunItem[],
    options: RunOptions,
    by: Person,
  ): Promise<{ jobId: string; batchCodes: string[] }> {
    const known = await this.known(items);
    const answer = await this.lean.store.database.transaction(async (transaction) => {
      const parts = await this.partsOf(items, known, options, by, transaction);
      const codes = parts.map(({ content }) => content.facts.batchCode ?? '');
      return {
        jobId: await this.lean.spool.add(parts, options, by, transaction),
        batchCodes: [...new Set(codes)],
      };
    });
    this.lean.spool.wake();
    return answer;
  }

  /** The same labels for a file; that somebody took it is kept in the trail. */
  async parts(
    items: readonly RunItem[],
    options: RunOptions,
    by: Person,
    format: string,
  ): Promise<RunPart[]> {
    const known = await this.known(items);
    return this.lean.store.database.transaction(async (transaction) => {
      const parts = await this.partsOf(items, known, options, by, transaction);
      for (const { releaseId, content, quantity } of parts) {
        const { title, facts } = content;
        if (facts.batchCode !== null)
          await this.lean.store.tables.batchLabels.create(
            { code: facts.batchCode, releaseId, title, quantity },
            { transaction },
          );
        await this.lean.audit.add(
          'downloaded',
          by,
          releaseId,
          { title, format, quantity, batch: facts.batchCode },
          transaction,
        );
      }
      return parts;
    });
  }
}

/** Labels as plain text, one after the other. */
export const runText = (parts: readonly Pick<RunPart, 'content'>[]): string =>
  `${parts.map(({ content }) => labelText(content)).join('\n\n')}\n`;
