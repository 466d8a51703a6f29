/** A batch as server and screen tell each other. */
import type { Release } from '../paper';
import type { Worksheet } from '../worksheet';
import type { Difference } from './differs';
import type { ToldKeptEntry } from './log';
import type { OpenedBatch } from './opened';
import type { BatchState, Phase } from './state';

/** A batch by its code. One that labels were only printed for has no record; one that was only cooked has no label. */
export interface CookedBatchView {
  code: string;
  madeOn: string;
  useBy: string | null;
  grams: number | null;
  madeBy: string;
  release: Release | null;
  opened: OpenedBatch | null;
  /** In the order in which they were written. */
  entries: ToldKeptEntry[];
  state: BatchState | null;
  /** Of what really went in. */
  worksheet: Worksheet | null;
  differences: Difference[];
}

/** A batch in a list. */
export interface BatchRow {
  code: string;
  name: string;
  recipeId: string;
  kitchenId: string;
  madeOn: string;
  useBy: string | null;
  serviceId: string | null;
  serviceName: string;
  groups: string[];
  phase: Phase;
  openedAt: string;
}

/** Somebody who may sign with a PIN at a shared tablet. */
export interface Signer {
  id: string;
  name: string;
}
/** A signature: it holds for the person until it ends, on the device that has it. */
export interface PinSignature {
  signature: string;
  person: Signer;
  expiresAt: string;
}
