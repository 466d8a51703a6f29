/** A table somebody uploads: kept on disk, its encoding, separator and decimal sign found out, read row by row. */
import { createReadStream, createWriteStream } from 'node:fs';
import { open, rm } from 'node:fs/promises';
import { Readable, Transform } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import type { ReadableStream } from 'node:stream/web';
import Papa from 'papaparse';
import { ApiError } from '../http/errors';

/** Largest table taken, in bytes. */
export const MOST_FILE_BYTES = 128 * 1024 * 1024;
/** A longer row is a quote that was opened and never closed. */
const MOST_ROW_CHARACTERS = 1024 * 1024;
const SAMPLE_BYTES = 256 * 1024;
const PIECE_BYTES = 128 * 1024;
/** Rows shown before a table is mapped. */
const SAMPLE_ROWS = 5;

export type Encoding = 'utf-8' | 'utf-16le' | 'utf-16be' | 'windows-1252';

type Newline = '\n' | '\r\n' | '\r';

export interface TableFile {
  path: string;
  bytes: number;
  encoding: Encoding;
  delimiter: string;
  newline: Newline;
  hasDecimalComma: boolean;
  headers: string[];
  /** The first rows, by heading. */
  sample: Record<string, string>[];
}

export interface TableRow {
  /** Line of the file the row ends on, counted from 1. */
  line: number;
  /** In the order of the headings; a short row has fewer. */
  cells: readonly string[];
  /** Why the row cannot be read, where its quotation marks are broken. */
  problem: string | null;
}

/** Writes an upload to disk and tells whether it is valid UTF-8; refuses it past the limit and keeps nothing. */
export async function keepUpload(
  body: ReadableStream<Uint8Array> | null,
  path: string,
): Promise<{ bytes: number; isUtf8: boolean }> {
  if (!body) throw new ApiError('file-empty');
  const decoder = new TextDecoder('utf-8', { fatal: true });
  let bytes = 0;
  let isUtf8 = true;
  const watch = new Transform({
    transform(chunk: Buffer, _, done) {
      bytes += chunk.length;
      if (bytes > MOST_FILE_BYTES) return done(new ApiError('file-too-large'));
      try {
        if (isUtf8) decoder.decode(chunk, { stream: true });
      } catch {
        isUtf8 = false;
      }
      done(null, chunk);
    },
  });
  try {
    await pipeline(Readable.fromWeb(body), watch, createWriteStream(path));
  } catch (error) {
    await rm(path, { force: true });
    throw error;
  }
  if (bytes === 0) {
    await rm(path, { force: true });
    throw new ApiError('file-empty');
  }
  return { bytes, isUtf8 };
}

async function firstBytes(path: string): Promise<Buffer> {
  const file = await open(path);
  try {
    const { buffer, bytesRead } = await file.read(Buffer.alloc(SAMPLE_BYTES), 0, SAMPLE_BYTES, 0);
    return buffer.subarray(0, bytesRead);
  } finally {
    await file.close();
  }
}

function encodingOf(start: Buffer, isUtf8: boolean): Encoding {
  if (start[0] === 0xff && start[1] === 0xfe) return 'utf-16le';
  if (start[0] === 0xfe && start[1] === 0xff) return 'utf-16be';
  return isUtf8 ? 'utf-8' : 'windows-1252';
}

const DELIMITERS = [',', ';', '\t', '|'];

/** The separator that parts the first lines into the same number of cells, the most of them. */
function delimiterOf(text: string): string {
  const lines = text
    .split(/\r\n|\r|\n/)
    .filter((line) => line.trim() !== '')
    .slice(0, 8)
    .map((line) => line.replace(/"(?:[^"]|"")*"/g, ''));
  const score = (sign: string): number => {
    const counts = lines.map((line) => line.split(sign).length - 1);
    const first = counts[0] ?? 0;
    return first === 0 ? 0 : first * (counts.filter((count) => count === first).length / counts.length);
  };
  return DELIMITERS.reduce((best, sign) => (score(sign) > score(best) ? sign : best), ',');
}

function decimalCommaIn(rows: readonly Record<string, string>[], delimiter: string): boolean {
  const cells = rows.flatMap((row) => Object.values(row));
  const commas = cells.filter((cell) => /^\s*\d+,\d+\s*$/.test(cell)).length;
  const points = cells.filter((cell) => /^\s*\d+\.\d+\s*$/.test(cell)).length;
  return delimiter !== ',' && commas > points;
}

/** Headings as they are, made different from each other and never empty. */
function namedHeaders(cells: readonly string[]): string[] {
  const seen = new Map<string, number>();
  return cells.map((cell, index) => {
    const name = cell.trim() || `column ${index + 1}`;
    const times = (seen.get(name) ?? 0) + 1;
    seen.set(name, times);
    return times === 1 ? name : `${name} (${times})`;
  });
}

/** The text of a file, piece by piece; the decoder keeps letters that a piece cuts in two. */
async function* textOf(
  path: string,
  encoding: Encoding,
  onBytes: (bytes: number) => void,
): AsyncGenerator<string> {
  const decoder = new TextDecoder(encoding);
  for await (const chunk of createReadStream(path, { highWaterMark: PIECE_BYTES })) {
    onBytes((chunk as Buffer).length);
    yield decoder.decode(chunk as Buffer, { stream: true });
  }
  yield decoder.decode();
}

const neverClosed = (line: number): ApiError =>
  new ApiError('file-unreadable', [
    { line, message: 'a row does not end: a quotation mark is opened and never closed' },
  ]);

/** Lines of the file that a row takes: one, and one more for each line break inside its cells. */
function linesOf(cells: readonly string[]): number {
  let lines = 1;
  for (const cell of cells) if (cell.includes('\n')) lines += cell.split('\n').length - 1;
  return lines;
}

interface Parsed {
  data: string[][];
  errors: { code: string; row: number }[];
  meta: { cursor: number };
}

/** Rows of one piece of text. `isLast` takes the row at its end too, which in the middle of a file may be cut. */
function parsePiece(text: string, table: Pick<TableFile, 'delimiter' | 'newline'>, isLast: boolean): Parsed {
  const parser = new Papa.Parser({ delimiter: table.delimiter, newline: table.newline });
  return parser.parse(text, 0, !isLast) as Parsed;
}

/**
 * Rows of a table, as many at a time as a piece of the file holds; the server answers others between them. Throws
 * `file-unreadable` with the line.
 */
export async function* rowsOf(
  table: TableFile,
  onBytes: (bytes: number) => void = () => undefined,
): AsyncGenerator<TableRow[]> {
  let rest = '';
  let line = 0;
  let isHeader = true;
  const rowsIn = (parsed: Parsed): TableRow[] => {
    const broken = new Set(parsed.errors.map(({ row }) => row));
    const rows: TableRow[] = [];
    parsed.data.forEach((cells, index) => {
      line += linesOf(cells);
      const isBlank = cells.length === 1 && cells[0]!.trim() === '';
      if (isHeader && !isBlank) isHeader = false;
      else if (!isBlank)
        rows.push({
          line,
          cells,
          problem: broken.has(index) ? 'a quotation mark stands in the wrong place' : null,
        });
    });
    return rows;
  };
  for await (const piece of textOf(table.path, table.encoding, onBytes)) {
    const text = rest + piece;
    const parsed = parsePiece(text, table, false);
    rest = text.slice(parsed.meta.cursor);
    const rows = rowsIn(parsed);
    if (rest.length > MOST_ROW_CHARACTERS) throw neverClosed(line + 1);
    yield rows;
  }
  const parsed = parsePiece(rest, table, true);
  if (parsed.errors.some(({ code }) => code === 'MissingQuotes')) throw neverClosed(line + 1);
  yield rowsIn(parsed);
}

/** How the lines of a text end. */
function newlineOf(text: string): Newline {
  if (text.includes('\r\n')) return '\r\n';
  return text.includes('\n') || !text.includes('\r') ? '\n' : '\r';
}

/** Looks at an uploaded file: how it is written, what its columns are called, what the first rows say. */
export async function openTable(path: string, bytes: number, isUtf8: boolean): Promise<TableFile> {
  const start = await firstBytes(path);
  const encoding = encodingOf(start, isUtf8);
  const text = new TextDecoder(encoding).decode(start).replace(/\0/g, '');
  if (/^(?:PK\u0003\u0004|%PDF|\u0089PNG|\ufffd{3})/.test(text)) {
    throw new ApiError('file-unreadable', [
      { line: 1, message: 'it is no text: a workbook or a picture is not a table' },
    ]);
  }
  const delimiter = delimiterOf(text);
  const newline = newlineOf(text);
  const isWhole = bytes <= start.length;
  const head = parsePiece(text, { delimiter, newline }, isWhole)
    .data.filter((cells) => cells.some((cell) => cell.trim() !== ''))
    .slice(0, SAMPLE_ROWS + 1);
  const [first, ...rows] = head;
  if (!first || first.every((cell) => cell.trim() === '')) throw new ApiError('file-empty');
  const headers = namedHeaders(first);
  const sample = rows.map((row) =>
    Object.fromEntries(headers.map((header, index) => [header, row[index] ?? ''])),
  );
  return {
    path,
    bytes,
    encoding,
    delimiter,
    newline,
    hasDecimalComma: decimalCommaIn(sample, delimiter),
    headers,
    sample,
  };
}
