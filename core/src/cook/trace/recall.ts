/** A recall: from a pack to the batches it is in, their labels, services and groups, and back. Batches made of batches are followed. */

import type { StockItem } from '../../stock';

/** Something that is known to be in a batch, or is there by its recipe. */
export interface BatchFood {
  code: string;
  foodId: string;
  foodName: string;
  product: string;
  supplier: string;
  /** Empty where nobody wrote one down. */
  lot: string;
  /** Which statement of the pack was on record. */
  statementVersion: number | null;
  /** Went in by an entry; else it is only in the recipe. */
  isWritten: boolean;
}

/** How sure it is that a batch is hit. */
export type RecallEvidence =
  'its lot was written down' | 'no lot was written down' | 'made of a batch that is hit';

export interface RecalledBatch {
  code: string;
  name: string;
  kitchenId: string;
  madeOn: string;
  useBy: string | null;
  evidence: RecallEvidence;
  serviceId: string | null;
  serviceName: string;
  groups: string[];
  finishedGrams: number | null;
}

export interface RecalledLabel {
  batchCode: string;
  releaseId: string;
  title: string;
  printed: number;
}

export interface Recall {
  asked: { pack: string; lot: string; batch: string };
  packs: BatchFood[];
  batches: RecalledBatch[];
  /** What of it stands in store: the lot itself, and what is left of what it went into. */
  store: Pick<StockItem, 'id' | 'kitchenId' | 'name' | 'lot' | 'grams' | 'place' | 'useBy'>[];
  labels: RecalledLabel[];
  services: { id: string; name: string; date: string; batchCodes: string[] }[];
  groups: { name: string; services: string[]; batchCodes: string[] }[];
  /** What must be known of the answer. */
  notes: string[];
}

/** A lot as it is compared: "h-77 a" and "H77A" are one, by whatever hand it was copied from the pack. */
export function comparableLot(lot: string): string {
  const bare = lot.toUpperCase().replaceAll(/[^\p{L}\p{N}]/gu, '');
  return bare === '' ? lot.trim() : bare;
}

/** Codes that are hit, and those made of them at any depth; `usedIn` says into which batches a batch went. */
export function followed(
  hit: ReadonlyMap<string, RecallEvidence>,
  usedIn: ReadonlyMap<string, readonly string[]>,
): Map<string, RecallEvidence> {
  const all = new Map(hit);
  const waiting = [...hit.keys()];
  for (let code = waiting.pop(); code !== undefined; code = waiting.pop())
    for (const next of usedIn.get(code) ?? [])
      if (!all.has(next)) {
        all.set(next, 'made of a batch that is hit');
        waiting.push(next);
      }
  return all;
}

/** Services and groups that recalled batches went to. */
export function reached(batches: readonly RecalledBatch[]): Pick<Recall, 'services' | 'groups'> {
  const services = new Map<string, Recall['services'][number]>();
  const groups = new Map<string, Recall['groups'][number]>();
  for (const { code, serviceId, serviceName, madeOn, groups: names } of batches) {
    if (serviceId !== null) {
      const known = services.get(serviceId) ?? {
        id: serviceId,
        name: serviceName,
        date: madeOn,
        batchCodes: [],
      };
      known.batchCodes.push(code);
      services.set(serviceId, known);
    }
    for (const name of names) {
      const known = groups.get(name) ?? { name, services: [], batchCodes: [] };
      known.batchCodes.push(code);
      if (serviceName !== '' && !known.services.includes(serviceName)) known.services.push(serviceName);
      groups.set(name, known);
    }
  }
  return { services: [...services.values()], groups: [...groups.values()] };
}
