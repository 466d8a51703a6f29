/** What a screen is told of an import: what the file looks like, how far a run is, which rows are refused and why. */
import type { RowProblem } from '../food';
import type { TableField } from './table-mapping';

export type ImportKind = 'foods' | 'products';

/** A row that cannot come in. */
export interface Refusal {
  line: number;
  name: string;
  reasons: RowProblem[];
}

export type RunState = 'waiting' | 'running' | 'done' | 'stopped' | 'failed';

/** How far a run is, and what it found. */
export interface ImportProgress {
  state: RunState;
  isDryRun: boolean;
  bytes: number;
  bytesRead: number;
  rows: number;
  created: number;
  updated: number;
  refusedCount: number;
  /** The first refusals; all of them are in the report file. */
  refused: Refusal[];
  /** Why a run failed. */
  problem: string;
}

/** What is known of an upload before it is run. */
export interface ImportView {
  id: string;
  kind: ImportKind;
  fileName: string;
  bytes: number;
  encoding: string;
  delimiter: string;
  hasDecimalComma: boolean;
  headers: string[];
  sample: Record<string, string>[];
  fields: readonly TableField[];
  mapping: Record<string, string>;
  progress: ImportProgress;
}
