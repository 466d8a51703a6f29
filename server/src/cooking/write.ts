/** Entries on their way into a record: looked at one by one, each written once, and what they bring with them. */
import { createHash } from 'node:crypto';
import { Op, type Transaction } from 'sequelize';
import {
  batchLoads,
  type Book,
  cookedInput,
  cookedItem,
  type Entry,
  type EntryBody,
  entryFromTold,
  type EntryKind,
  finishedGramsOf,
  groundOfBatch,
  homeTarget,
  type KeptEntry,
  type Kitchen,
  loadsOf,
  merge,
  type OpenedBatch,
  openingInputs,
  phaseOf,
  type Scope,
  standing,
  type StockItem,
  strayBody,
  type ToldEntry,
  withBrought,
} from '@hand-ladle/core';
import type { People } from '../accounts/people';
import type { Tables } from '../database/models';
import { retried } from '../database/retried';
import type { Row } from '../database/row';
import { checked } from '../http/checked';
import { ApiError } from '../http/errors';
import type { StockStore } from '../stock/store';
import type { Store } from '../store';
import { addPart, plannedRows, writtenRow } from './foods';
import { bodySchemas, entrySchemas, type SentEntries } from './schemas';
import type { CookStore } from './store';

export interface Written {
  accepted: string[];
  refused: { id: string; reason: string }[];
}

/** Id in store of what an entry put there. */
const leftId = (entryId: string): string =>
  `left-${createHash('sha256').update(entryId).digest('hex').slice(0, 32)}`;

/** Nothing comes before it was written: a clock that says so was ahead by that much at least. */
const aheadOf = ({ at }: Entry, ahead: number, receivedAt: Date): number =>
  Math.max(ahead, Math.ceil((Date.parse(at) - receivedAt.getTime()) / 1000));

export class Recorder {
  constructor(
    private readonly cooking: CookStore,
    private readonly store: Store,
    private readonly stock: StockStore,
    private readonly people: People,
    private readonly now: () => Date,
  ) {}

  private get tables(): Tables {
    return this.store.tables;
  }

  /** Entries as they were sent, looked at one by one. */
  private readEntries({ entries }: SentEntries): {
    read: { entry: Entry; signature: string }[];
    refused: Written['refused'];
  } {
    const read: { entry: Entry; signature: string }[] = [];
    const refused: Written['refused'] = [];
    for (const sent of entries) {
      const schema = entrySchemas.get(sent.kind as EntryKind);
      if (!schema) {
        refused.push({ id: sent.id, reason: `nobody knows the kind ${JSON.stringify(sent.kind ?? null)}` });
        continue;
      }
      try {
        const { signature, ...told } = checked(schema, sent);
        const instead = (told as { instead?: { kind: EntryKind } | null }).instead;
        const whole = instead
          ? { ...told, instead: checked(bodySchemas.get(instead.kind)!, instead) as object }
          : told;
        read.push({ entry: entryFromTold(whole as ToldEntry), signature });
      } catch (error) {
        if (!(error instanceof ApiError)) throw error;
        const [first] = error.details as { message: string }[];
        refused.push({ id: sent.id, reason: first?.message ?? error.message });
      }
    }
    return { read, refused };
  }

  /** Whether each entry is signed by the name that stands on it. */
  private async signed(
    read: readonly { entry: Entry; signature: string }[],
    aheadSeconds: number,
    by: string | null,
  ): Promise<ReadonlyMap<string, string>> {
    const signed = new Map<string, string>();
    const names = new Map<string, string | null>();
    for (const { entry, signature } of read) {
      if (signature !== '') {
        const at = Date.parse(entry.at) - aheadSeconds * 1000;
        const key = `${signature} ${Math.floor(at / 600_000)}`;
        if (!names.has(key)) names.set(key, (await this.people.bySignature(signature, at))?.name ?? null);
        const name = names.get(key);
        if (name && (entry.by === '' || entry.by === name)) signed.set(entry.id, name);
      } else if (by !== null && (entry.by === '' || entry.by === by)) signed.set(entry.id, by);
    }
    return signed;
  }

  /**
   * Writes entries down, each once, all that can be.
   * @param by who is signed in with an account; null for nobody
   */
  async write(
    log: { code: string } | { day: string },
    sent: SentEntries,
    by: string | null,
  ): Promise<Written> {
    const receivedAt = this.now();
    const ahead =
      sent.sentAt === undefined ? 0 : Math.round((Date.parse(sent.sentAt) - receivedAt.getTime()) / 1000);
    const { read, refused } = this.readEntries(sent);
    const signed = await this.signed(read, ahead, by);
    const book = await this.store.recipes.book();
    return retried(this.store.database, async (transaction) => {
      // The row is locked: two tablets write one after the other.
      const row = 'code' in log ? await this.cooking.row(log.code, transaction) : null;
      const opened = row && (await this.cooking.openedOf(row));
      const name = opened?.code ?? (log as { day: string }).day;
      const kept = await this.keptOf(name, read, transaction);
      const codes = await this.codesIn(read, transaction);
      const merged = merge(
        read.map(({ entry }) => entry),
        kept.entries,
        this.scopeOf(opened, book),
      );
      const here = {
        added: [...merged.added],
        accepted: merged.accepted,
        refused: [...refused, ...merged.refused],
      };
      // An id that stands in another record is taken, whoever made it.
      for (const id of kept.elsewhere) {
        here.added = here.added.filter((entry) => entry.id !== id);
        here.accepted = here.accepted.filter((each) => each !== id);
        here.refused.push({ id, reason: 'this id stands in another record already' });
      }
      await this.tables.entries.bulkCreate(
        here.added.map((entry) => ({
          id: entry.id,
          log: name,
          at: new Date(entry.at),
          by: signed.get(entry.id) ?? entry.by,
          device: entry.device,
          position: entry.order,
          body: entry.body,
          receivedAt,
          aheadSeconds: aheadOf(entry, ahead, receivedAt),
          isSigned: signed.has(entry.id),
        })),
        { transaction },
      );
      if (row && opened && here.added.length > 0)
        await this.follow(row, opened, here.added, { larder: book, codes }, transaction);
      return { accepted: here.accepted, refused: here.refused };
    });
  }

  /** The record so far, and ids of what was sent that stand in another one. */
  private async keptOf(
    log: string,
    read: readonly { entry: Entry }[],
    transaction: Transaction,
  ): Promise<{ entries: KeptEntry[]; elsewhere: string[] }> {
    const entries = await this.cooking.entriesOf(log, transaction);
    const own = new Set(entries.map(({ id }) => id));
    const unknown = read.map(({ entry }) => entry.id).filter((id) => !own.has(id));
    const others =
      unknown.length === 0
        ? []
        : await this.tables.entries.findAll({
            where: { id: { [Op.in]: unknown } },
            attributes: ['id'],
            transaction,
          });
    return { entries, elsewhere: others.map((row) => row.get('id') as string) };
  }

  /** Codes of other batches that entries speak of, those that there are. */
  private async codesIn(read: readonly { entry: Entry }[], transaction: Transaction): Promise<Set<string>> {
    const said = read.flatMap(({ entry: { body } }) =>
      body.kind === 'misplaced' ? [body.into.toUpperCase()] : [],
    );
    const rows =
      said.length === 0
        ? []
        : await this.tables.batches.findAll({
            where: { code: { [Op.in]: said }, groundHash: { [Op.ne]: null } },
            attributes: ['code'],
            transaction,
          });
    return new Set(rows.map((row) => row.get('code') as string));
  }

  private scopeOf(opened: OpenedBatch | null, book: Book): Scope {
    const inBook = (id: string): boolean => book.foods.foods.has(id) || book.components.has(id);
    if (!opened) return { batch: null, isFood: inBook };
    const ground = groundOfBatch(opened);
    return {
      batch: {
        lines: new Map(ground.planned.lines.map((line) => [line.id, loadsOf(line)])),
        stepIds: new Set(ground.steps.map(({ id }) => id)),
        loads: batchLoads(ground),
      },
      isFood: (id) => inBook(id) || ground.book.foods.foods.has(id) || ground.book.components.has(id),
    };
  }

  /** What new entries bring with them: foods frozen as they are now, rows for a recall, a leftover in store. */
  private async follow(
    row: Row,
    opened: OpenedBatch,
    added: readonly Entry[],
    { larder, codes }: { larder: Book; codes: ReadonlySet<string> },
    transaction: Transaction,
  ): Promise<void> {
    const { code } = opened;
    const kitchen = await this.store.kitchens.kitchen(opened.kitchenId);
    const ground = groundOfBatch(opened);
    const bodies = added.map(({ body }) => (body.kind === 'correction' ? (body.instead ?? body) : body));
    const { brought } = withBrought(opened, bodies, larder, kitchen);
    if (brought !== opened.brought) await row.update({ brought }, { transaction });
    const lines = new Map(
      ground.planned.lines.map(({ id, foodId, componentId }) => [id, foodId ?? componentId]),
    );
    const nameOf = (id: string): string =>
      (larder.foods.foods.get(id) ?? larder.components.get(id))?.name ?? id;
    const kitchenThen = groundOfBatch({ ...opened, brought }).opened.inputs.kitchen;
    const rows = [
      ...bodies.flatMap(
        (body) => writtenRow(code, body, (id) => lines.get(id) ?? null, kitchenThen, nameOf) ?? [],
      ),
      ...this.insideRows(bodies, opened, larder, kitchen),
    ];
    const once = new Map(rows.map((each) => [JSON.stringify(each), each]));
    if (once.size > 0) await this.tables.batchFoods.bulkCreate([...once.values()], { transaction });
    for (const body of bodies) {
      if (body.kind === 'weighed' && body.from.trim() !== '')
        await this.cameFrom(code, body.from.trim(), transaction);
      if (body.kind === 'misplaced' && codes.has(body.into.toUpperCase()))
        await this.bringInto(body.into, strayBody(body, ground.planned.lines), code, larder, transaction);
    }
    const record = standing(await this.cooking.entriesOf(code, transaction));
    await row.update({ phase: phaseOf(record), grams: finishedGramsOf(record) }, { transaction });
    for (const entry of added)
      if (entry.body.kind === 'left-over') await this.putInStore(entry, entry.body.grams, row, transaction);
      else if (entry.body.kind === 'correction') await this.correctStore(entry.body, transaction);
  }

  /** What went in came of a batch, or of something in store: a recall finds it, and the batch keeps no longer than that. */
  private async cameFrom(code: string, from: string, transaction: Transaction): Promise<void> {
    const item = (await this.tables.stock.findByPk(from, { transaction }))?.get('data') as
      StockItem | undefined;
    for (const part of await addPart(this.tables, code, item ? item.lot : from, transaction))
      await this.cooking.keepNoLonger(code, part.get('useBy') as string | null, transaction);
    if (!item) return;
    await this.cooking.keepNoLonger(code, item.useBy, transaction);
    if (item.foodId !== null)
      await this.tables.batchFoods.create(
        {
          code,
          foodId: item.foodId,
          foodName: item.name,
          product: item.name,
          supplier: '',
          lot: item.lot,
          statementVersion: null,
          isWritten: true,
        },
        { transaction },
      );
  }

  /** What went into the bowl of another batch is in that one: its foods are frozen there, and a recall finds it. */
  private async bringInto(
    into: string,
    body: EntryBody,
    from: string,
    larder: Book,
    transaction: Transaction,
  ): Promise<void> {
    const row = await this.cooking.row(into, transaction);
    const opened = await this.cooking.openedOf(row);
    const kitchen = await this.store.kitchens.kitchen(opened.kitchenId);
    const { brought } = withBrought(opened, [body], larder, kitchen);
    if (brought !== opened.brought) await row.update({ brought }, { transaction });
    await this.tables.batchParts.create({ code: opened.code, partCode: from }, { transaction });
  }

  /** What is in components that went in and that the recipe does not have. */
  private insideRows(bodies: readonly EntryBody[], opened: OpenedBatch, larder: Book, kitchen: Kitchen) {
    const own = new Set(opened.inputs.components.map(({ id }) => id));
    return bodies.flatMap((body) => {
      const recipe = 'foodId' in body && !own.has(body.foodId) && larder.components.get(body.foodId);
      if (!recipe) return [];
      const target = homeTarget(recipe, larder, kitchen);
      return plannedRows(opened.code, openingInputs({ recipe, kitchen, target }, larder));
    });
  }

  /** A leftover that was corrected before anybody used of it is as much as it is now said to be. */
  private async correctStore(
    { of, instead }: Extract<EntryBody, { kind: 'correction' }>,
    transaction: Transaction,
  ): Promise<void> {
    const row = await this.tables.stock.findByPk(leftId(of), { transaction, lock: transaction.LOCK.UPDATE });
    if (!row || row.get('version') !== 1) return;
    const grams = instead?.kind === 'left-over' ? instead.grams : 0;
    await row.update({ data: { ...(row.get('data') as StockItem), grams } }, { transaction });
  }

  /** What is left over goes into store under the batch's code, with what it holds and its date. */
  private async putInStore(entry: Entry, grams: number, row: Row, transaction: Transaction): Promise<void> {
    await row.reload({ transaction });
    const opened = await this.cooking.openedOf(row);
    const record = standing(await this.cooking.entriesOf(opened.code, transaction));
    const { book, ...input } = cookedInput(opened, record);
    const kind = opened.inputs.recipe.isComponent ? 'made-ahead' : 'leftover';
    const id = leftId(entry.id);
    const item = cookedItem(input, { id, kind, grams, madeOn: opened.madeOn, lot: opened.code }, book);
    const useBy =
      opened.useBy !== null && (item.useBy === null || opened.useBy < item.useBy) ? opened.useBy : item.useBy;
    await this.stock.add({ ...item, useBy }, transaction);
  }
}
