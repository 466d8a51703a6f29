/** A label printer that ships with the product: a roll that runs out, a jam to clear, and a memory of what came out. */
import type { PrinterOutput, PrinterState, PrinterStatus, SimulatedAct } from '@hand-ladle/core';
import type { Tables } from '../database/models';
import { type LabelPrinter, PrinterProblem, type PrintOrder } from './label-printer';

const ID = 'simulated';
/** A new roll, and one that is nearly at its end. */
export const NEW_ROLL_MM = 30_000;
export const SHORT_ROLL_MM = 250;
/** What a jam spoils of the roll. */
const SPOILT_MM = 20;

interface Memory {
  rollLeftMm: number;
  rollWidthMm: number;
  isJammed: boolean;
  isOff: boolean;
  /** The next label will jam. */
  willJam: boolean;
}
const FRESH: Memory = {
  rollLeftMm: NEW_ROLL_MM,
  rollWidthMm: 102,
  isJammed: false,
  isOff: false,
  willJam: false,
};

const stateOf = (memory: Memory): PrinterState =>
  memory.isOff ? 'off' : memory.isJammed ? 'jam' : memory.rollLeftMm <= 0 ? 'out of roll' : 'ready';

export class SimulatedPrinter implements LabelPrinter {
  constructor(
    private readonly tables: Tables,
    private readonly now: () => Date,
  ) {}

  private async memory(): Promise<Memory> {
    const row = await this.tables.printers.findByPk(ID);
    return row ? (row.get('data') as Memory) : FRESH;
  }

  private async remember(memory: Memory): Promise<void> {
    await this.tables.printers.upsert({ id: ID, data: memory });
  }

  async status(): Promise<PrinterStatus> {
    const memory = await this.memory();
    return {
      name: 'Simulated label printer',
      state: stateOf(memory),
      rollWidthMm: memory.rollWidthMm,
      rollLeftMm: Math.max(0, memory.rollLeftMm),
    };
  }

  async print({ jobId, sequence, lengthMm, page }: PrintOrder): Promise<boolean> {
    const before = await this.tables.outputs.findOne({ where: { jobId, sequence } });
    if (before) return false;
    const memory = await this.memory();
    const state = stateOf(memory);
    if (state !== 'ready') throw new PrinterProblem(state);
    if (memory.willJam) {
      await this.remember({
        ...memory,
        willJam: false,
        isJammed: true,
        rollLeftMm: memory.rollLeftMm - SPOILT_MM,
      });
      throw new PrinterProblem('jam');
    }
    if (memory.rollLeftMm < lengthMm) {
      await this.remember({ ...memory, rollLeftMm: 0 });
      throw new PrinterProblem('out of roll');
    }
    await page();
    // The label is out once it is written down here; the roll moves with it.
    await this.tables.outputs.create({ jobId, sequence, lengthMm, at: this.now() });
    await this.remember({ ...memory, rollLeftMm: memory.rollLeftMm - lengthMm });
    return true;
  }

  /** What a person does to the machine, or to try how the spool bears it. */
  async act(act: SimulatedAct): Promise<PrinterStatus> {
    const memory = await this.memory();
    const changed: Readonly<Record<SimulatedAct, Partial<Memory>>> = {
      jam: { willJam: true },
      clear: { isJammed: false, willJam: false },
      'new-roll': { rollLeftMm: NEW_ROLL_MM },
      'short-roll': { rollLeftMm: SHORT_ROLL_MM },
      off: { isOff: true },
      on: { isOff: false },
    };
    await this.remember({ ...memory, ...changed[act] });
    return this.status();
  }

  /** What came out, newest first. */
  async outputs(most: number): Promise<PrinterOutput[]> {
    const rows = await this.tables.outputs.findAll({ order: [['id', 'DESC']], limit: most });
    return rows.map((row) => ({
      id: row.get('id') as number,
      jobId: row.get('jobId') as string,
      sequence: row.get('sequence') as number,
      lengthMm: row.get('lengthMm') as number,
      at: (row.get('at') as Date).toISOString(),
    }));
  }
}
