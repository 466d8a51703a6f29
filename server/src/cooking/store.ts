/** Batches that are cooked: opened once, written to by any number of tablets, read as they stand. */
import { createHash, randomUUID } from 'node:crypto';
import { Op, type Transaction } from 'sequelize';
import {
  batchCode,
  type BatchRow,
  type BatchState,
  batchState,
  type Book,
  type BroughtIn,
  cookedInput,
  cookedSheet,
  type Difference,
  differences,
  type EntryBody,
  type FrozenInputs,
  inOrderWritten,
  keptDays,
  type KeptEntry,
  lastDay,
  type Lot,
  mendingFoods,
  type OpenedBatch,
  openingInputs,
  type Phase,
  shelfDays,
  standing,
  straysInto,
  UNPACKED,
  type Worksheet,
  type WorksheetInput,
} from '@hand-ladle/core';
import type { Tables } from '../database/models';
import { retried } from '../database/retried';
import type { Row } from '../database/row';
import { ApiError } from '../http/errors';
import type { CookedBatches } from '../labels/cooked';
import type { StockStore } from '../stock/store';
import type { Store } from '../store';
import { addPart, addPlanned } from './foods';
import { lotsOf, type LotSource, lotSource, renewed } from './lots';

/** A batch as it is asked to be opened, everything found. */
export interface Opening {
  input: WorksheetInput;
  book: Book;
  clientId: string | null;
  serviceId: string | null;
  serviceName: string;
  groups: string[];
  claim: readonly string[];
  policy: OpenedBatch['policy'];
  heads: number | null;
  openedBy: string;
  madeOn: string;
}

/** What of an opening is of this batch alone; its inputs are kept by their hash. */
interface KeptOpening {
  claim: readonly string[];
  policy: OpenedBatch['policy'];
  heads: number | null;
  target: FrozenInputs['target'];
  vesselIds: string[];
}

/** A batch and its record: its own entries, and with them what others wrote that went into it. */
export interface BatchRecord {
  opened: OpenedBatch;
  entries: KeptEntry[];
  counted: KeptEntry[];
}

/** The log of a kitchen's day. */
export const dayLogOf = (kitchenId: string, date: string): string => `day ${kitchenId} ${date}`;

function keptOf(row: Row): KeptEntry {
  return {
    id: row.get('id') as string,
    at: (row.get('at') as Date).toISOString(),
    by: row.get('by') as string,
    device: row.get('device') as string,
    order: Number(row.get('position')),
    body: row.get('body') as EntryBody,
    receivedAt: (row.get('receivedAt') as Date).toISOString(),
    aheadSeconds: Number(row.get('aheadSeconds')),
    isSigned: Boolean(row.get('isSigned')),
  };
}

const rowOf = (row: Row): BatchRow => ({
  code: row.get('code') as string,
  name: row.get('name') as string,
  recipeId: row.get('recipeId') as string,
  kitchenId: row.get('kitchenId') as string,
  madeOn: row.get('madeOn') as string,
  useBy: row.get('useBy') as string | null,
  serviceId: row.get('serviceId') as string | null,
  serviceName: (row.get('serviceName') as string | null) ?? '',
  groups: (row.get('groupsFor') as string[] | null) ?? [],
  phase: row.get('phase') as Phase,
  openedAt: (row.get('createdAt') as Date).toISOString(),
});

/** Batches that were looked at last: their opening is worked out once. */
const MOST_KEPT = 40;

export class CookStore implements CookedBatches {
  private readonly known = new Map<string, { brought: string; opened: OpenedBatch }>();
  private readonly held = new WeakMap<OpenedBatch, { key: string; opened: OpenedBatch }>();

  constructor(
    private readonly store: Store,
    private readonly stock: StockStore,
    private readonly now: () => Date,
  ) {
    this.lots = lotSource({
      tables: store.tables,
      store,
      recordOf: (code, within) => this.record(code, within),
      now,
    });
    stock.asKnown = (items) => renewed(items, this.lots);
  }

  /** How lots are looked up: each by its own record, as it stands. */
  private readonly lots: LotSource;

  private get tables(): Tables {
    return this.store.tables;
  }

  /** Opens a batch; asked twice under one client's id it is opened once. */
  async open(opening: Opening): Promise<{ code: string; useBy: string | null }> {
    const { input, book, clientId, madeOn } = opening;
    const known = await this.byClient(clientId);
    if (known) return known;
    const frozen = openingInputs(input, book);
    const { target, vesselIds, ...ground } = frozen;
    const data = JSON.stringify(ground);
    const hash = createHash('sha256').update(data).digest('hex');
    const { kitchen, recipe } = input;
    const days = recipe.packed
      ? shelfDays(recipe.packed ?? UNPACKED, kitchen.service, kitchen.regime)
      : keptDays(kitchen.service.keepsDays, kitchen.regime);
    const kept: KeptOpening = {
      claim: opening.claim,
      policy: opening.policy,
      heads: opening.heads,
      target,
      vesselIds,
    };
    // Kept by what it says: whoever writes it first, it is the same.
    await this.tables.grounds.bulkCreate([{ hash, data: ground }], { ignoreDuplicates: true });
    return retried(this.store.database, async (transaction) => {
      // Those who open a batch of one kitchen wait for each other: one client's batch is opened once.
      await this.tables.kitchens.findByPk(kitchen.id, { transaction, lock: transaction.LOCK.UPDATE });
      const known = await this.byClient(clientId, transaction);
      if (known) return known;
      const row = await this.tables.batches.create(
        {
          code: randomUUID(),
          clientId,
          kitchenId: kitchen.id,
          recipeId: recipe.id,
          name: recipe.name,
          serviceId: opening.serviceId,
          serviceName: opening.serviceName,
          groupsFor: opening.groups,
          groundHash: hash,
          opening: kept,
          brought: mendingFoods(book, kitchen),
          phase: 'opened',
          openedBy: opening.openedBy,
          madeOn,
          useBy: days === null ? null : lastDay(madeOn, days),
          createdAt: this.now(),
        },
        { transaction },
      );
      const code = batchCode(madeOn, row.get('number') as number);
      await row.update({ code }, { transaction });
      await addPlanned(this.tables, code, frozen, transaction);
      await this.addStockParts(code, frozen, transaction);
      await row.reload({ transaction });
      return { code, useBy: row.get('useBy') as string | null };
    });
  }

  private async byClient(
    clientId: string | null,
    transaction?: Transaction,
  ): Promise<{ code: string; useBy: string | null } | null> {
    if (clientId === null) return null;
    const row = await this.tables.batches.findOne({
      where: { clientId },
      ...(transaction ? { transaction, lock: transaction.LOCK.UPDATE } : {}),
    });
    return row && { code: row.get('code') as string, useBy: row.get('useBy') as string | null };
  }

  /** A leftover in the recipe is a part of the batch that it is left of. */
  private async addStockParts(
    code: string,
    { foods, kitchen }: FrozenInputs,
    transaction: Transaction,
  ): Promise<void> {
    const ids = new Set(foods.map(({ id }) => id));
    const items = (await this.stock.all(kitchen.id)).filter(
      ({ id, cooked, lot }) => cooked && lot !== '' && ids.has(`stock-${id}`),
    );
    for (const { lot, useBy } of items) {
      await addPart(this.tables, code, lot, transaction);
      await this.keepNoLonger(code, useBy, transaction);
    }
  }

  /** A batch keeps no longer than anything that went into it. */
  async keepNoLonger(code: string, useBy: string | null, transaction: Transaction): Promise<void> {
    if (useBy === null) return;
    await this.tables.batches.update(
      { useBy },
      { where: { code, [Op.or]: [{ useBy: null }, { useBy: { [Op.gt]: useBy } }] }, transaction },
    );
  }

  /** The row of a batch; locked inside a transaction, so that two tablets write one after the other. */
  async row(code: string, transaction?: Transaction): Promise<Row> {
    const row = await this.tables.batches.findOne({
      where: { code: code.toUpperCase() },
      ...(transaction ? { transaction, lock: transaction.LOCK.UPDATE } : {}),
    });
    if (!row) throw new ApiError('batch-not-found');
    return row;
  }

  /** What a batch was opened with, and what its entries brought in since. */
  async openedOf(row: Row): Promise<OpenedBatch> {
    const code = row.get('code') as string;
    const brought = row.get('brought') as BroughtIn | null;
    const opening = row.get('opening') as KeptOpening | null;
    if (opening === null || brought === null) throw new ApiError('batch-not-cooked');
    const key = JSON.stringify([brought, row.get('useBy')]);
    const known = this.known.get(code);
    if (known?.brought === key) return known.opened;
    const ground = await this.tables.grounds.findByPk(row.get('groundHash') as string);
    const { claim, policy, heads, target, vesselIds } = opening;
    const told = rowOf(row);
    const opened: OpenedBatch = {
      code,
      kitchenId: told.kitchenId,
      recipeId: told.recipeId,
      name: told.name,
      serviceId: told.serviceId,
      serviceName: told.serviceName,
      groups: told.groups,
      claim,
      policy,
      heads,
      madeOn: told.madeOn,
      useBy: told.useBy,
      openedAt: told.openedAt,
      openedBy: row.get('openedBy') as string,
      inputs: { ...(ground!.get('data') as FrozenInputs), target, vesselIds },
      brought,
    };
    this.known.set(code, { brought: key, opened });
    if (this.known.size > MOST_KEPT) this.known.delete(this.known.keys().next().value!);
    return opened;
  }

  /** A record as it came in. */
  async entriesOf(log: string, transaction?: Transaction): Promise<KeptEntry[]> {
    const rows = await this.tables.entries.findAll({
      where: { log },
      order: [['number', 'ASC']],
      ...(transaction ? { transaction } : {}),
    });
    return rows.map(keptOf);
  }

  /** A batch that is cooked and its record; null for a code that labels only were printed under. */
  async record(code: string, within: ReadonlySet<string> = new Set()): Promise<BatchRecord | null> {
    const row = await this.row(code);
    if (row.get('opening') === null) return null;
    const opened = await this.openedOf(row);
    const entries = inOrderWritten(await this.entriesOf(opened.code));
    const counted = [...entries, ...(await this.strays(opened.code, entries))];
    const lots = await lotsOf(opened, counted, this.lots, within);
    return { opened: this.withLots(opened, lots), entries, counted };
  }

  /** The same object for the same lots: what is worked out of a batch is kept by it. */
  private withLots(opened: OpenedBatch, lots: readonly Lot[]): OpenedBatch {
    if (lots.length === 0) return opened;
    const key = JSON.stringify(lots);
    const known = this.held.get(opened);
    if (known?.key === key) return known.opened;
    const held = { ...opened, lots };
    this.held.set(opened, { key, opened: held });
    return held;
  }

  /** What the records of other batches say went into this one. */
  private async strays(code: string, entries: readonly KeptEntry[]): Promise<KeptEntry[]> {
    const parts = await this.tables.batchParts.findAll({ where: { code }, attributes: ['partCode'] });
    const others = [];
    for (const partCode of new Set(parts.map((row) => row.get('partCode') as string))) {
      const row = await this.tables.batches.findOne({ where: { code: partCode } });
      if (!row || row.get('opening') === null) continue;
      others.push({
        opened: await this.openedOf(row),
        record: standing(await this.entriesOf(partCode)),
      });
    }
    return straysInto(code, standing(entries), others);
  }

  async mustRecord(code: string): Promise<BatchRecord> {
    const found = await this.record(code);
    if (!found) throw new ApiError('batch-not-cooked');
    return found;
  }

  /** Everything that is worked out of a batch as it stands. */
  async standing(
    code: string,
  ): Promise<(BatchRecord & { state: BatchState; worksheet: Worksheet; differences: Difference[] }) | null> {
    const found = await this.record(code);
    if (!found) return null;
    const record = standing(found.counted);
    const worksheet = cookedSheet(found.opened, record);
    return {
      ...found,
      worksheet,
      state: batchState(found.opened, found.counted, this.now().getTime(), worksheet),
      differences: differences(found.opened, record, worksheet),
    };
  }

  /** Batches of a kitchen, newest first: of a day, of a service, or those that are not closed. */
  async list(where: {
    kitchenId: string;
    date?: string;
    serviceId?: string;
    recipeId?: string;
    isOpen?: boolean;
  }): Promise<BatchRow[]> {
    const rows = await this.tables.batches.findAll({
      where: {
        kitchenId: where.kitchenId,
        groundHash: { [Op.ne]: null },
        ...(where.date ? { madeOn: where.date } : {}),
        ...(where.serviceId ? { serviceId: where.serviceId } : {}),
        ...(where.recipeId ? { recipeId: where.recipeId } : {}),
        ...(where.isOpen ? { phase: { [Op.ne]: 'closed' } } : {}),
      },
      order: [['number', 'DESC']],
      limit: 200,
    });
    return rows.map(rowOf);
  }

  /** The record of a kitchen's day: rounds, deliveries, the probe. */
  day(kitchenId: string, date: string): Promise<KeptEntry[]> {
    return this.entriesOf(dayLogOf(kitchenId, date)).then(inOrderWritten);
  }

  /** A batch as it was cooked, as the input of a label. */
  async labelInput(code: string): Promise<{ input: WorksheetInput; book: Book } | null> {
    const found = await this.record(code);
    if (!found) return null;
    const { book, ...input } = cookedInput(found.opened, standing(found.counted));
    return { input, book };
  }

  /** What of its record must be settled before a label of it is checked. */
  async openPoints(code: string): Promise<string[]> {
    const found = await this.standing(code);
    if (!found) return [];
    const { state } = found;
    return [
      ...state.check,
      ...state.notWritten.map((name) => `Nobody wrote down whether ${name.toLowerCase()} went in.`),
      ...state.breaches.map(({ words }) => `Nothing was done yet about: ${words}`),
      ...(state.finishedGrams === null ? ['The finished weight was not weighed.'] : []),
    ];
  }

  async differencesOf(code: string): Promise<{ recipeId: string; differences: Difference[] } | null> {
    const found = await this.record(code);
    if (!found) return null;
    return {
      recipeId: found.opened.recipeId,
      differences: differences(found.opened, standing(found.counted)),
    };
  }
}
