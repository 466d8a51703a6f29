/** The label printer, its jobs and what came out, as server and screen tell each other. */
import type { PrintJob } from '../paper';

export type PrinterState = 'ready' | 'jam' | 'out of roll' | 'off';

export interface PrinterStatus {
  name: string;
  state: PrinterState;
  rollWidthMm: number;
  rollLeftMm: number;
}

/** A label that came out. */
export interface PrinterOutput {
  id: number;
  jobId: string;
  /** Counted from 1. */
  sequence: number;
  lengthMm: number;
  at: string;
}

export interface PrinterPage {
  printer: PrinterStatus;
  jobs: PrintJob[];
  outputs: PrinterOutput[];
}

/** What a person does to the simulated printer. */
export const SIMULATED_ACTS = ['jam', 'clear', 'new-roll', 'short-roll', 'off', 'on'] as const;
export type SimulatedAct = (typeof SIMULATED_ACTS)[number];
