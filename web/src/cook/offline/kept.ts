/** What this tablet keeps of the stove by itself: batches as they were read last, and entries that the server does not have yet. */
import { type DBSchema, type IDBPDatabase, openDB } from 'idb';
import type { BatchRow, OpenedBatch, ToldEntry, ToldKeptEntry } from '@hand-ladle/core';

/** A batch as it was read last. */
export interface KeptBatch {
  code: string;
  row: BatchRow;
  opened: OpenedBatch;
  entries: ToldKeptEntry[];
}

/** An entry on its way. It goes out in the order of its number, and is gone from here only once the server has it. */
export interface Waiting {
  number: number;
  id: string;
  /** The code of its batch, or "day <kitchen> <date>". */
  log: string;
  entry: ToldEntry;
  signature: string;
  /** Why the server does not take it; empty while it was not refused. */
  refused: string;
}

interface Stove extends DBSchema {
  batches: { key: string; value: KeptBatch };
  waiting: { key: number; value: Waiting; indexes: { log: string } };
  meta: { key: string; value: unknown };
}

export type StoveBase = IDBPDatabase<Stove>;

const NAME = 'hand-ladle-stove';

export const openStoveBase = (name = NAME): Promise<StoveBase> =>
  openDB<Stove>(name, 1, {
    upgrade(base) {
      base.createObjectStore('batches', { keyPath: 'code' });
      base.createObjectStore('waiting', { keyPath: 'number' }).createIndex('log', 'log');
      base.createObjectStore('meta');
    },
  });

/** This tablet's own name, made once. */
export async function deviceOf(base: StoveBase): Promise<string> {
  const transaction = base.transaction('meta', 'readwrite');
  const known = (await transaction.store.get('device')) as string | undefined;
  const device = known ?? crypto.randomUUID();
  if (known === undefined) await transaction.store.put(device, 'device');
  await transaction.done;
  return device;
}
