/**
 * Entries from this tablet to the server. Written down here first, then sent; sent again until the server says it has them. Its
 * ids are made here, so that what is sent twice counts once: nothing is lost, nothing is twice, the order is kept.
 */
import { toRaw } from 'vue';
import type { EntryBody, ToldEntry, ToldKeptEntry } from '@hand-ladle/core';
import { deviceOf, type KeptBatch, type StoveBase, type Waiting } from './kept';

/** What the server says of what it was sent. */
export interface SentAnswer {
  accepted: string[];
  refused: { id: string; reason: string }[];
}

/** Sends entries of one log; throws where the server cannot be reached. */
export type Send = (
  log: string,
  entries: readonly (ToldEntry & { signature: string })[],
) => Promise<SentAnswer>;

/** Who writes. */
export interface Author {
  name: string;
  signature: string;
}

/** Most entries in one request. */
export const MOST_SENT = 400;

const plain = <T>(value: T): T => JSON.parse(JSON.stringify(toRaw(value))) as T;

export class Outbox {
  private device = '';
  private flushing: Promise<void> | null = null;

  constructor(
    private readonly base: StoveBase,
    private readonly send: Send,
    private readonly now: () => number = () => Date.now(),
  ) {}

  /**
   * Writes an entry down. It is kept once this is done, whatever becomes of the page.
   * @returns the entry as it was written
   */
  async write(log: string, body: EntryBody, author: Author): Promise<ToldEntry> {
    if (this.device === '') this.device = await deviceOf(this.base);
    const transaction = this.base.transaction(['meta', 'waiting'], 'readwrite');
    const meta = transaction.objectStore('meta');
    // Of two pages of one tablet each takes the next number: the transaction makes them wait for each other.
    const number = (((await meta.get('order')) as number | undefined) ?? 0) + 1;
    await meta.put(number, 'order');
    const entry: ToldEntry = {
      id: `${this.device.slice(0, 13)}-${number}`,
      at: new Date(this.now()).toISOString(),
      by: author.name,
      device: this.device,
      order: number,
      ...plain(body),
    };
    await transaction.objectStore('waiting').put({
      number,
      id: entry.id,
      log,
      entry,
      signature: author.signature,
      refused: '',
    });
    await transaction.done;
    return entry;
  }

  /** What the server does not have yet, in order; of one log where it is named. */
  async waiting(log?: string): Promise<Waiting[]> {
    const all =
      log === undefined
        ? await this.base.getAll('waiting')
        : await this.base.getAllFromIndex('waiting', 'log', log);
    return all.sort((one, other) => one.number - other.number);
  }

  /** Sends what waits. Throws where the server cannot be reached; everything it did not answer for stays. */
  flush(): Promise<void> {
    this.flushing ??= this.flushAll().finally(() => (this.flushing = null));
    return this.flushing;
  }

  private async flushAll(): Promise<void> {
    const open = (await this.waiting()).filter(({ refused }) => refused === '');
    const logs = new Map<string, Waiting[]>();
    for (const each of open) logs.set(each.log, [...(logs.get(each.log) ?? []), each]);
    let failure: unknown = null;
    for (const [log, own] of logs)
      for (let from = 0; from < own.length; from += MOST_SENT) {
        const part = own.slice(from, from + MOST_SENT);
        try {
          const answer = await this.send(
            log,
            part.map(({ entry, signature }) => ({ ...entry, signature })),
          );
          await this.settle(log, part, answer);
        } catch (error) {
          failure ??= error;
          // What comes later in this log must not come before.
          break;
        }
      }
    if (failure !== null) throw failure as Error;
  }

  /** What the server has goes from what waits into the batch as it is kept here, in one transaction. */
  private async settle(
    log: string,
    sent: readonly Waiting[],
    { accepted, refused }: SentAnswer,
  ): Promise<void> {
    const transaction = this.base.transaction(['waiting', 'batches'], 'readwrite');
    const waiting = transaction.objectStore('waiting');
    const batches = transaction.objectStore('batches');
    const has = new Set(accepted);
    const why = new Map(refused.map(({ id, reason }) => [id, reason]));
    const batch = await batches.get(log);
    const known = new Set(batch?.entries.map(({ id }) => id));
    for (const each of sent) {
      if (has.has(each.id)) {
        await waiting.delete(each.number);
        if (batch && !known.has(each.id))
          batch.entries.push(asKept(each.entry, new Date(this.now()).toISOString(), each.signature !== ''));
      } else if (why.has(each.id)) await waiting.put({ ...each, refused: why.get(each.id)! });
    }
    if (batch) await batches.put(batch);
    await transaction.done;
  }

  /** What waits and what is kept, as they stood at one moment: an entry is in one of both, never in none. */
  async snapshot(): Promise<{ waiting: Waiting[]; batches: KeptBatch[] }> {
    const transaction = this.base.transaction(['waiting', 'batches']);
    const [waiting, batches] = await Promise.all([
      transaction.objectStore('waiting').getAll(),
      transaction.objectStore('batches').getAll(),
    ]);
    await transaction.done;
    return { waiting: waiting.sort((one, other) => one.number - other.number), batches };
  }

  /** Takes an entry that the server refused off the list: somebody has seen it. */
  async dismiss(number: number): Promise<void> {
    await this.base.delete('waiting', number);
  }

  /**
   * A batch as it was read: kept, so that it opens without the server. What was read may be older than what this tablet knows to be
   * there: entries are only added, so none that is kept goes.
   */
  async keep(batch: KeptBatch): Promise<KeptBatch> {
    const transaction = this.base.transaction('batches', 'readwrite');
    const before = await transaction.store.get(batch.code);
    const whole = { ...batch, entries: together(batch.entries, before?.entries ?? []) };
    await transaction.store.put(plain(whole));
    await transaction.done;
    return whole;
  }
  kept(code: string): Promise<KeptBatch | undefined> {
    return this.base.get('batches', code);
  }
  keptAll(): Promise<KeptBatch[]> {
    return this.base.getAll('batches');
  }
  async forget(code: string): Promise<void> {
    await this.base.delete('batches', code);
  }
}

/** Entries of both, each once; what the first says of one holds. */
export function together(
  entries: readonly ToldKeptEntry[],
  others: readonly ToldKeptEntry[],
): ToldKeptEntry[] {
  const known = new Set(entries.map(({ id }) => id));
  return [...entries, ...others.filter(({ id }) => !known.has(id))];
}

/** An entry as it stands before the server said how it keeps it. */
export const asKept = (entry: ToldEntry, receivedAt: string | null, isSigned: boolean): ToldKeptEntry => ({
  ...entry,
  receivedAt,
  aheadSeconds: 0,
  isSigned,
});

/** A record with what waits at its end, each entry once. */
export function withWaiting(
  entries: readonly ToldKeptEntry[],
  waiting: readonly Waiting[],
  aheadSeconds: number,
): ToldKeptEntry[] {
  const known = new Set(entries.map(({ id }) => id));
  return [
    ...entries,
    ...waiting
      .filter(({ id, refused }) => refused === '' && !known.has(id))
      .map(({ entry, signature }) => ({ ...asKept(entry, null, signature !== ''), aheadSeconds })),
  ];
}
