/**
 * The spool: jobs in the order they were asked for, label by label. A job counts a label only after the printer said it is
 * out, and asks again under the same name after a jam or a crash, so none is lost and none comes twice. Before each label it
 * looks whether what was released still stands.
 */
import { randomUUID } from 'node:crypto';
import { Op, type Transaction } from 'sequelize';
import { type JobState, type LabelContent, type Person, pointsToMm, type PrintJob } from '@hand-ladle/core';
import type { AuditTrail } from '../accounts/audit';
import type { Row } from '../database/row';
import { type LabelPrinter, PrinterProblem } from '../devices/label-printer';
import { ApiError } from '../http/errors';
import { labelsPdf } from '../paper/label-files';
import { setBy } from '../paper/set';
import type { Store } from '../store';
import type { Releases } from './releases';
import type { RunOptions, RunPart } from './runs';

/** Jobs that may wait at once; more are refused until some are done. */
export const MOST_WAITING = 1000;

const OPEN: readonly JobState[] = ['waiting', 'printing'];

/** The part of a job whose label is the next one, counted from 1. */
function partAt(parts: readonly RunPart[], sequence: number): RunPart {
  let before = 0;
  for (const part of parts) {
    before += part.quantity;
    if (sequence <= before) return part;
  }
  return parts[parts.length - 1]!;
}

/** What the spool leans on. */
export interface SpoolParts {
  store: Store;
  releases: Releases;
  audit: AuditTrail;
  printer: LabelPrinter;
  now: () => Date;
  log: (message: string) => void;
}

export class Spool {
  private isRunning = false;
  private next: NodeJS.Timeout | null = null;
  /** The last freshness of a release, and the state of the world it was found in. */
  private readonly fresh = new Map<string, number>();
  /** Counts every write to the server: what was fresh before one is looked at again. */
  private writes = 0;

  constructor(private readonly lean: SpoolParts) {}

  private get jobsTable() {
    return this.lean.store.tables.jobs;
  }

  /** Something changed: what is waiting is looked at anew before it prints. */
  noteWrite(): void {
    this.writes += 1;
  }

  /** Takes a job in, inside the transaction that made its batches. */
  async add(
    parts: readonly RunPart[],
    options: RunOptions,
    by: Person,
    transaction: Transaction,
  ): Promise<string> {
    const waiting = await this.jobsTable.count({
      where: { state: { [Op.in]: [...OPEN, 'stopped'] } },
      transaction,
    });
    if (waiting >= MOST_WAITING) throw new ApiError('spool-full');
    const id = randomUUID();
    const [first] = parts;
    await this.jobsTable.create(
      {
        id,
        releaseId: first!.releaseId,
        content: first!.content,
        parts: parts.length > 1 ? parts : null,
        options: { stock: options.stock, form: options.form },
        quantity: parts.reduce((sum, { quantity }) => sum + quantity, 0),
        printed: 0,
        state: 'waiting',
        problem: '',
        askedBy: by.id,
        askedAt: this.lean.now(),
      },
      { transaction },
    );
    for (const { releaseId, content, quantity } of parts) {
      const { title, facts } = content;
      if (facts.batchCode !== null)
        await this.lean.store.tables.batchLabels.create(
          { code: facts.batchCode, releaseId, title, quantity },
          { transaction },
        );
      await this.lean.audit.add(
        'printed',
        by,
        releaseId,
        { job: id, title, quantity, batch: facts.batchCode },
        transaction,
      );
    }
    return id;
  }

  /** The labels of a job in their order. */
  private partsOf(row: Row): readonly RunPart[] {
    const releaseId = row.get('releaseId') as string;
    const content = row.get('content') as LabelContent;
    const quantity = row.get('quantity') as number;
    return (row.get('parts') as RunPart[] | null) ?? [{ releaseId, content, quantity }];
  }

  private async jobOf(row: Row, names: ReadonlyMap<string, string>): Promise<PrintJob> {
    const parts = this.partsOf(row);
    const { content } = parts[0]!;
    const titles = [...new Set(parts.map((part) => part.content.title))];
    const options = row.get('options') as RunOptions;
    return {
      id: row.get('id') as string,
      releaseId: row.get('releaseId') as string,
      title: titles.length > 1 ? `${titles[0]} and ${titles.length - 1} more` : content.title,
      kind: content.kind,
      batchCode: content.facts.batchCode,
      stockName: options.stock.name,
      quantity: row.get('quantity') as number,
      printed: row.get('printed') as number,
      state: row.get('state') as JobState,
      problem: row.get('problem') as string,
      askedBy: names.get(row.get('askedBy') as string) ?? '',
      askedAt: (row.get('askedAt') as Date).toISOString(),
    };
  }

  /** The jobs, newest first. */
  async jobs(most: number): Promise<PrintJob[]> {
    const rows = await this.jobsTable.findAll({
      order: [
        ['askedAt', 'DESC'],
        ['id', 'DESC'],
      ],
      limit: most,
    });
    const people = await this.lean.store.tables.people.findAll();
    const names = new Map(people.map((row) => [row.get('id') as string, row.get('name') as string]));
    return Promise.all(rows.map((row) => this.jobOf(row, names)));
  }

  /** The label of a job as it was set. */
  async labelOf(id: string) {
    const row = await this.jobsTable.findByPk(id);
    if (!row) throw new ApiError('job-not-found');
    const content = row.get('content') as LabelContent;
    return { content, set: setBy(content, row.get('options') as RunOptions) };
  }

  /** Puts an end to a job; what came out stays out. */
  async cancel(id: string, by: Person): Promise<void> {
    await this.lean.store.database.transaction(async (transaction) => {
      const [changed] = await this.jobsTable.update(
        { state: 'cancelled', endedAt: this.lean.now() },
        { where: { id, state: { [Op.in]: [...OPEN, 'stopped'] } }, transaction },
      );
      if (changed === 0) throw new ApiError('job-not-found');
      await this.lean.audit.add('print-cancelled', by, id, null, transaction);
    });
  }

  /** Lets stopped jobs try again, once the printer was mended. A job whose label is stale stops again. */
  async resume(): Promise<void> {
    await this.jobsTable.update({ state: 'waiting', problem: '' }, { where: { state: 'stopped' } });
    this.wake();
  }

  /** Whether a release still stands; asked again only after something was written. */
  private async mustStand(releaseId: string): Promise<void> {
    const at = this.writes + this.lean.store.larder.changes;
    if (this.fresh.get(releaseId) === at) return;
    await this.lean.releases.printable(releaseId);
    this.fresh.set(releaseId, at);
  }

  private async stop(row: Row, problem: string): Promise<void> {
    await row.update({ state: 'stopped', problem });
  }

  /** Prints the next label of the first job, or stops it. False where there is nothing to do or the printer cannot. */
  async step(): Promise<boolean> {
    const row = await this.jobsTable.findOne({
      where: { state: { [Op.in]: [...OPEN] } },
      order: [
        ['state', 'ASC'],
        ['askedAt', 'ASC'],
        ['id', 'ASC'],
      ],
    });
    if (!row) return false;
    const id = row.get('id') as string;
    const quantity = row.get('quantity') as number;
    const sequence = (row.get('printed') as number) + 1;
    try {
      const options = row.get('options') as RunOptions;
      const part = partAt(this.partsOf(row), sequence);
      await this.mustStand(part.releaseId);
      const set = setBy(part.content, options);
      await this.lean.printer.print({
        jobId: id,
        sequence,
        widthMm: pointsToMm(set.width),
        lengthMm: pointsToMm(set.height),
        page: () => labelsPdf([{ set, quantity: 1 }], { stock: options.stock, start: 1 }),
      });
    } catch (error) {
      if (error instanceof PrinterProblem) {
        await this.stop(row, `Printer: ${error.state}`);
        return false;
      }
      if (!(error instanceof ApiError)) throw error;
      // This job's label stands no more; those behind it do.
      await this.stop(row, error.message);
      return true;
    }
    // Only a job that is still wanted counts on: it may have been cancelled while its label came out.
    const isDone = sequence >= quantity;
    await this.jobsTable.update(
      {
        printed: sequence,
        state: isDone ? 'done' : 'printing',
        ...(isDone ? { endedAt: this.lean.now() } : {}),
      },
      { where: { id, state: { [Op.in]: [...OPEN] } } },
    );
    return true;
  }

  /** Prints until nothing waits or the printer stops. */
  async drain(): Promise<void> {
    if (this.isRunning) return;
    this.isRunning = true;
    try {
      while (await this.step());
    } finally {
      this.isRunning = false;
    }
  }

  /** Goes on in the background, soon. */
  wake(): void {
    if (this.next) return;
    this.next = setTimeout(() => {
      this.next = null;
      this.drain().catch((error: unknown) =>
        this.lean.log(error instanceof Error ? (error.stack ?? error.message) : String(error)),
      );
    }, 20);
    this.next.unref();
  }
}
