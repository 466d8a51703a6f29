/**
 * What a label printer must do, and all that is asked of it. A real printer takes the place of the simulated one here;
 * docs/devices.md says how.
 */

import type { PrinterState, PrinterStatus } from '@hand-ladle/core';

/** One label on its way to paper. Job and sequence are its name for ever: asked for twice, it is printed once. */
export interface PrintOrder {
  jobId: string;
  /** Counted from 1. */
  sequence: number;
  widthMm: number;
  lengthMm: number;
  /** The page as PDF. */
  page: () => Promise<Buffer>;
}

/** Why a label did not come out. The roll may have moved; the label is asked for again once somebody mended it. */
export class PrinterProblem extends Error {
  constructor(readonly state: Exclude<PrinterState, 'ready'>) {
    super(`The printer says: ${state}`);
  }
}

export interface LabelPrinter {
  status(): Promise<PrinterStatus>;
  /** Prints one label; `false` where this very label came out before. Throws PrinterProblem where it cannot. */
  print(order: PrintOrder): Promise<boolean>;
}
