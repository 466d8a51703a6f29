/**
 * Imports of tables: uploaded, mapped, tried, then written in one transaction or not at all. A run tells how far it is
 * and can be stopped; what is refused is reported row by row.
 */
import { randomUUID } from 'node:crypto';
import { createWriteStream, existsSync, mkdirSync } from 'node:fs';
import { rm } from 'node:fs/promises';
import { join } from 'node:path';
import type { ReadableStream } from 'node:stream/web';
import Papa from 'papaparse';
import type { Transaction } from 'sequelize';
import {
  dayIn,
  type FinishedImport,
  type Food,
  FOOD_FIELDS,
  guessMapping,
  type ImportKind,
  type ImportProgress,
  type ImportView,
  type Kitchen,
  type Pack,
  PRODUCT_FIELDS,
  type RowProblem,
  type RunRequest,
  safeCell,
  type SheetMark,
  type TableField,
} from '@hand-ladle/core';
import { ApiError } from '../http/errors';
import { packRow } from '../kitchens/rows';
import { FIRST_OWN_VERSION } from '../larder/store';
import type { Store } from '../store';
import { FoodRows, ProductRows, type RowResult } from './read-rows';
import { keepUpload, openTable, rowsOf, type TableFile, type TableRow } from './table-file';
import { finishedImports, keepFinished, takeBack, type TakenBack, type WrittenFood } from './take-back';

interface Job {
  id: string;
  kind: ImportKind;
  fileName: string;
  table: TableFile;
  progress: ImportProgress;
  /** How it was tried or run last. */
  asked: RunRequest | null;
  isStopping: boolean;
}

const SHOWN_REFUSALS = 200;
/** Rows written by one statement. */
const ROWS_AT_ONCE = 500;
/** Uploads kept for a person to map and run; the oldest goes first. */
const MOST_JOBS = 8;

const emptyProgress = (bytes: number): ImportProgress => ({
  state: 'waiting',
  isDryRun: true,
  bytes,
  bytesRead: 0,
  rows: 0,
  created: 0,
  updated: 0,
  refusedCount: 0,
  refused: [],
  marks: [],
  problem: '',
});

const fieldsOf = (kind: ImportKind): readonly TableField[] =>
  kind === 'foods' ? FOOD_FIELDS : PRODUCT_FIELDS;

class Stopped extends Error {}

/** A row that was read and may be written. */
type Accepted = Extract<RowResult<unknown>, { value: unknown }>;

/** Reads one row and says what to write for it; `flush` writes what has gathered. */
interface Writer {
  read(row: TableRow): RowResult<unknown>;
  flush(accepted: Accepted[], transaction: Transaction): Promise<void>;
  /** Marks met so far in the allergen columns of a sheet. */
  marks(): SheetMark[];
  /** Whose products they are; null for foods. */
  kitchenId: string | null;
  /** Foods that were written, with what is needed to take them back. */
  written: WrittenFood[];
}

export class ImportJobs {
  private readonly jobs = new Map<string, Job>();

  constructor(
    private readonly store: Store,
    private readonly folder: string,
    private readonly now: () => Date = () => new Date(),
  ) {
    mkdirSync(folder, { recursive: true });
  }

  private pathOf(id: string, end = 'csv'): string {
    return join(this.folder, `${id}.${end}`);
  }

  private job(id: string): Job {
    const job = this.jobs.get(id);
    if (!job) throw new ApiError('import-not-found');
    return job;
  }

  /** Takes an upload in and looks at it. */
  async take(
    kind: ImportKind,
    fileName: string,
    body: ReadableStream<Uint8Array> | null,
  ): Promise<ImportView> {
    const id = randomUUID();
    const path = this.pathOf(id);
    const { bytes, isUtf8 } = await keepUpload(body, path);
    let table: TableFile;
    try {
      table = await openTable(path, bytes, isUtf8);
    } catch (error) {
      await rm(path, { force: true });
      throw error;
    }
    this.jobs.set(id, {
      id,
      kind,
      fileName,
      table,
      progress: emptyProgress(bytes),
      asked: null,
      isStopping: false,
    });
    await this.forgetOldest();
    return this.view(id);
  }

  private async forgetOldest(): Promise<void> {
    const idle = [...this.jobs.values()].filter(({ progress }) => progress.state !== 'running');
    for (const { id } of idle.slice(0, Math.max(0, this.jobs.size - MOST_JOBS))) await this.remove(id);
  }

  view(id: string): ImportView {
    const { kind, fileName, table, progress, asked } = this.job(id);
    const { bytes, encoding, delimiter, hasDecimalComma, headers, sample } = table;
    const fields = fieldsOf(kind);
    const about = { id, kind, fileName, bytes, encoding, delimiter, hasDecimalComma, headers, sample };
    return { ...about, fields, mapping: guessMapping(headers, fields), asked, progress };
  }

  stop(id: string): ImportView {
    this.job(id).isStopping = true;
    return this.view(id);
  }

  async remove(id: string): Promise<void> {
    const job = this.job(id);
    if (job.progress.state === 'running') throw new ApiError('import-running');
    this.jobs.delete(id);
    await rm(this.pathOf(id), { force: true });
    await rm(this.pathOf(id, 'refused.csv'), { force: true });
  }

  /** Uploads that are mapped, tried or run at this moment, newest first: a screen that was reloaded finds its own here. */
  open(): ImportView[] {
    return [...this.jobs.values()]
      .filter(({ progress: { state, isDryRun } }) => state !== 'done' || isDryRun)
      .map(({ id }) => this.view(id))
      .reverse();
  }

  finished(): Promise<FinishedImport[]> {
    return finishedImports(this.store);
  }

  takeBack(id: string): Promise<TakenBack> {
    return takeBack(this.store, id, this.now());
  }

  /** Where the report of all refused rows is, if there is one. */
  reportPath(id: string): string | null {
    const path = this.pathOf(this.job(id).id, 'refused.csv');
    return existsSync(path) ? path : null;
  }

  /** Starts a run and answers at once; `view` tells how far it is. */
  async start(id: string, request: RunRequest): Promise<ImportView> {
    const job = this.job(id);
    if (job.progress.state === 'running') throw new ApiError('import-running');
    const mapped = new Set(Object.values(request.mapping));
    const lacking = fieldsOf(job.kind).filter((field) => field.required && !mapped.has(field.id));
    if (lacking.length > 0)
      throw new ApiError(
        'mapping-incomplete',
        lacking.map(({ name }) => name),
      );
    const writer = await this.writerOf(job, request);
    job.isStopping = false;
    job.asked = request;
    job.progress = { ...emptyProgress(job.table.bytes), state: 'running', isDryRun: request.dryRun };
    void this.run(job, writer);
    return this.view(id);
  }

  /** Runs to the end: for callers that send a whole table in one request. */
  async runToEnd(id: string, request: RunRequest): Promise<ImportProgress> {
    await this.start(id, request);
    const job = this.job(id);
    while (job.progress.state === 'running') await new Promise((done) => setTimeout(done, 5));
    return job.progress;
  }

  private async writerOf(job: Job, request: RunRequest): Promise<Writer> {
    return job.kind === 'foods'
      ? this.foodWriter(job.table.headers, request)
      : this.productWriter(job, request);
  }

  private async foodWriter(headers: string[], request: RunRequest): Promise<Writer> {
    const { foods } = await this.store.larder.all();
    const rows = new FoodRows(foods, { headers, ...request }, request.existing);
    let position = ((await this.store.tables.foods.max('position')) as number | null) ?? 0;
    const before = new Map(foods.map((food) => [food.id, food]));
    const versions = await this.store.larder.versions();
    const versionOf = (id: string): number => (versions.get(id) ?? FIRST_OWN_VERSION - 1) + 1;
    const written: WrittenFood[] = [];
    return {
      marks: () => [],
      kitchenId: null,
      written,
      read: ({ cells, line }) => rows.read(cells, line),
      flush: async (accepted, transaction) => {
        const insert = this.store.database.getQueryInterface();
        const record = (food: Food) => ({
          id: food.id,
          position: (position += 1),
          data: JSON.stringify(food),
          version: versionOf(food.id),
        });
        for (const { value } of accepted) {
          const { id } = value as Food;
          written.push({ id, version: versionOf(id), before: before.get(id) ?? null });
        }
        const foodsOf = (isNew: boolean) =>
          accepted.filter((each) => each.isNew === isNew).map(({ value }) => record(value as Food));
        const [fresh, changed] = [foodsOf(true), foodsOf(false)];
        if (fresh.length > 0) await insert.bulkInsert('foods', fresh, { transaction });
        // A food that was there keeps its place; its version tells who read it that it changed.
        const options = { transaction, updateOnDuplicate: ['data', 'version'] };
        if (changed.length > 0) await insert.bulkInsert('foods', changed, options as object);
      },
    };
  }

  private async productWriter({ id, table }: Job, request: RunRequest): Promise<Writer> {
    const kitchen: Kitchen = await this.store.kitchens.kitchen(request.kitchenId);
    const reading = { headers: table.headers, ...request };
    const today = dayIn(kitchen.service.timeZone, this.now().getTime());
    const { foods } = await this.store.recipes.book();
    const rows = new ProductRows(foods, reading, today, request.marks);
    return {
      marks: () => rows.marks.list(),
      kitchenId: kitchen.id,
      written: [],
      read: ({ cells, line }) => {
        const read = rows.read(cells, line);
        if (!('value' in read)) return read;
        return { ...read, isNew: !kitchen.packs.some(({ foodId }) => foodId === read.value.foodId) };
      },
      flush: async (accepted, transaction) => {
        const versions = accepted
          .map(({ value }) => value as Pack)
          .map((pack) => packRow(kitchen.id, this.store.packs.asListed(kitchen, pack), id));
        await this.store.tables.packs.bulkCreate(versions, { transaction });
      },
    };
  }

  private async run(job: Job, writer: Writer): Promise<void> {
    const { progress } = job;
    const report = createWriteStream(this.pathOf(job.id, 'refused.csv'));
    report.write(`${Papa.unparse([['line', 'name', 'column', 'reason']])}\n`);
    try {
      if (progress.isDryRun) await this.readAll(job, writer, report, null);
      else
        await this.store.database.transaction(async (transaction) => {
          await this.readAll(job, writer, report, transaction);
          const { id, kind, fileName } = job;
          const { created, updated } = progress;
          const { kitchenId, written } = writer;
          const at = this.now();
          await keepFinished(
            this.store,
            { id, kind, fileName, kitchenId, at, created, updated, written },
            transaction,
          );
        });
      progress.state = 'done';
    } catch (error) {
      progress.state = error instanceof Stopped ? 'stopped' : 'failed';
      const detail =
        error instanceof ApiError
          ? (error.details[0] as { line?: number; message?: string } | undefined)
          : undefined;
      progress.problem =
        error instanceof Stopped
          ? 'Stopped. Nothing was changed.'
          : `${detail?.message ? `Line ${detail.line ?? '?'}: ${detail.message}. ` : ''}Nothing was changed.`;
      if (!(error instanceof Stopped) && !(error instanceof ApiError)) console.error(error);
    } finally {
      report.end();
      if (!progress.isDryRun) this.store.larder.forget();
    }
  }

  private async readAll(
    job: Job,
    writer: Writer,
    report: NodeJS.WritableStream,
    transaction: Transaction | null,
  ): Promise<void> {
    const { progress, table } = job;
    let gathered: Accepted[] = [];
    // One statement is on its way to the database while the next rows are read.
    let writing: Promise<void> = Promise.resolve();
    const flush = async (): Promise<void> => {
      await writing;
      const batch = gathered;
      gathered = [];
      if (transaction && batch.length > 0) writing = writer.flush(batch, transaction);
      // Whoever waits for it next sees what went wrong; till then it is no unhandled failure.
      writing.catch(() => undefined);
    };
    try {
      for await (const rows of rowsOf(table, (bytes) => (progress.bytesRead += bytes))) {
        for (const row of rows) {
          if (job.isStopping) throw new Stopped();
          progress.rows += 1;
          const read: RowResult<unknown> =
            row.problem === null ? writer.read(row) : { reasons: [{ column: 'row', message: row.problem }] };
          if ('value' in read) {
            if (read.isNew) progress.created += 1;
            else progress.updated += 1;
            if (transaction) gathered.push(read);
          } else this.refuse(progress, report, row, read.reasons);
          if (gathered.length >= ROWS_AT_ONCE) await flush();
          // A table of refused or tried rows awaits nothing: let others have the server now and then.
          if (progress.rows % 200 === 0) await new Promise((done) => setImmediate(done));
        }
      }
      await flush();
      await writing;
      progress.marks = writer.marks();
    } finally {
      // A run that is given up takes nothing back before its last statement has ended.
      await writing.catch(() => undefined);
    }
  }

  private refuse(
    progress: ImportProgress,
    report: NodeJS.WritableStream,
    row: TableRow,
    reasons: RowProblem[],
  ): void {
    const name = (row.cells.find((cell) => /[a-z]{2}/i.test(cell)) ?? '').slice(0, 80);
    progress.refusedCount += 1;
    if (progress.refused.length < SHOWN_REFUSALS) progress.refused.push({ line: row.line, name, reasons });
    const rows = reasons.map(({ column, message }) => [row.line, safeCell(name), column, safeCell(message)]);
    report.write(`${Papa.unparse(rows)}\n`);
  }
}
