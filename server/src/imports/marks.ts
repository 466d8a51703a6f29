/** The marks of a specification sheet's allergen columns: counted while a table is read, and what each is taken for. */
import {
  isDoubtfulMark,
  type Pack,
  type PackAnswer,
  readMark,
  readStatement,
  sheetAnswers,
  type SheetMark,
  type Substance,
} from '@hand-ladle/core';

/** Marks shown to a person; a column with more of them holds no marks but text. */
const MOST_MARKS = 60;
const MOST_LENGTH = 60;

/** Between the cells of two columns that are about one allergen. */
export const BESIDE = '\u0000';
/** Whether a field of a list is an allergen column of a sheet. */
export const isSheetField = (field: string): boolean => /^(?:sheet|trace)_/.test(field);

export class SheetMarks {
  private readonly counts = new Map<string, number>();
  private readonly told: ReadonlyMap<string, PackAnswer>;

  /** `told`: what a person said some marks mean. */
  constructor(told: Readonly<Record<string, PackAnswer>>) {
    this.told = new Map(Object.entries(told));
  }

  private meaning(mark: string): PackAnswer {
    return this.told.get(mark) ?? readMark(mark) ?? 'check';
  }

  /** What a row's allergen columns say; null where the table has none. */
  read(cells: Readonly<Record<string, string>>, named: ReadonlySet<Substance>): Pack['sheet'] {
    const columns = Object.keys(cells)
      .filter(isSheetField)
      .flatMap((columnId) => cells[columnId]!.split(BESIDE).map((cell) => ({ columnId, cell })));
    if (columns.length === 0) return null;
    // "Yes (wheat)" names which.
    const also = columns.flatMap(({ cell }) =>
      readMark(cell) === 'contains'
        ? readStatement(`Contains: ${cell.replace(/[()]/g, ' , ')}`).mentions.map(
            ({ substance }) => substance,
          )
        : [],
    );
    return sheetAnswers(
      columns.map(({ columnId, cell }) => {
        const mark = cell.trim().slice(0, MOST_LENGTH);
        if (this.counts.size < MOST_MARKS || this.counts.has(mark))
          this.counts.set(mark, (this.counts.get(mark) ?? 0) + 1);
        return { columnId, answer: this.meaning(mark) };
      }),
      new Set([...named, ...also]),
    );
  }

  /** Every mark that was met, most frequent first. */
  list(): SheetMark[] {
    const all = [...this.counts.keys()];
    return [...this.counts]
      .map(([text, count]): SheetMark => {
        const isTold = this.told.has(text);
        const isDoubtful = !isTold && (readMark(text) === null || isDoubtfulMark(text, all));
        return { text, count, means: this.meaning(text), isDoubtful };
      })
      .sort((one, other) => other.count - one.count);
  }
}
