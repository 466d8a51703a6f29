/** A job of labels: so many of each, on one paper. */
import type { LabelContent, LabelOptions } from '@hand-ladle/core';

/** So many of one released label. */
export interface RunItem extends Pick<LabelOptions, 'madeOn' | 'grams' | 'group' | 'texture' | 'quantity'> {
  releaseId: string;
  /** A batch that was made before: its labels are printed again. */
  batchCode: string | null;
}

/** What all labels of a job share: their paper, and the code they carry. */
export type RunOptions = Pick<LabelOptions, 'stock' | 'start' | 'form' | 'symbology'>;

/** One label of a job, and how many of it. */
export interface RunPart {
  releaseId: string;
  content: LabelContent;
  quantity: number;
}
