/** A label on its way out of the kitchen, and a print of it, as server and screen tell each other. */
import type { Claim, Label, LabelKind } from '../../declaration';
import type { Regime } from '../../food';
import type { InputChange, ReleaseState } from './release';

/** Who took a step, and when (ISO). */
export interface Signature {
  name: string;
  at: string;
}

export interface ReleaseView {
  id: string;
  recipeId: string;
  recipeName: string;
  kitchenId: string;
  /** Set where it is the label of one batch as it was cooked, and of no other. */
  batchCode: string | null;
  /** What it is released as. */
  kind: LabelKind;
  state: ReleaseState;
  regime: Regime;
  language: string;
  portionGrams: number;
  drafted: Signature | null;
  checked: Signature | null;
  released: Signature | null;
  withdrawn: Signature | null;
  /** What was open when it was handed in: it is not checked before it is handed in anew. */
  openPoints: string[];
  isStale: boolean;
  /** What is otherwise than when it was frozen. */
  changes: InputChange[];
  version: number;
}

export const JOB_STATES = ['waiting', 'printing', 'stopped', 'done', 'cancelled'] as const;
export type JobState = (typeof JOB_STATES)[number];

export interface PrintJob {
  id: string;
  releaseId: string;
  title: string;
  kind: LabelKind;
  batchCode: string | null;
  stockName: string;
  quantity: number;
  /** Labels that came out. */
  printed: number;
  state: JobState;
  /** Why it stopped; empty while it does not. */
  problem: string;
  askedBy: string;
  askedAt: string;
}

/** A label on its way, with what stands on it. */
export interface Release extends ReleaseView {
  label: Label;
  claims: Claim[];
}

/** A batch that labels were printed for. */
export interface BatchView {
  code: string;
  madeOn: string;
  /** Null where nobody said how long it keeps. */
  useBy: string | null;
  grams: number | null;
  madeBy: string;
  /** Null while no label of it was handed in. */
  release: Release | null;
}
