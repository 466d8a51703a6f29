/** What a screen is told of an import: what the file looks like, how far a run is, which rows are refused and why. */
import type { RowProblem } from '../food';
import type { PackAnswer } from '../kitchen';
import type { TableField } from './table-mapping';

export type ImportKind = 'foods' | 'products';

/** A row that cannot come in. */
export interface Refusal {
  line: number;
  name: string;
  reasons: RowProblem[];
}

export type RunState = 'waiting' | 'running' | 'done' | 'stopped' | 'failed';

/** A mark in the allergen columns of a specification sheet, and what it is taken for. */
export interface SheetMark {
  text: string;
  count: number;
  means: PackAnswer;
  /** Nobody can know it from the mark: it stays open until a person says what it means. */
  isDoubtful: boolean;
}

/** An import that was finished: it can be taken back. */
export interface FinishedImport {
  id: string;
  kind: ImportKind;
  fileName: string;
  kitchenId: string | null;
  /** ISO instants. */
  at: string;
  takenBackAt: string | null;
  created: number;
  updated: number;
}

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
  /** The marks of a specification sheet, most frequent first. */
  marks: SheetMark[];
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
  /** How it was tried or run last; null while it was not. */
  asked: RunRequest | null;
  progress: ImportProgress;
}

/** How an upload is to be tried or run. */
export interface RunRequest {
  mapping: Readonly<Record<string, string>>;
  hasDecimalComma: boolean;
  /** What becomes of a row about a food the larder has. */
  existing: 'update' | 'refuse';
  /** Tries everything and changes nothing. */
  dryRun: boolean;
  kitchenId?: string;
  /** What marks of a specification sheet mean, where a person said so. */
  marks?: Readonly<Record<string, PackAnswer>>;
}
