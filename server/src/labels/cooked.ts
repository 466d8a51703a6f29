/** What labels ask of batches that were cooked; the stove answers it. */
import type { Book, Difference, WorksheetInput } from '@hand-ladle/core';

export interface CookedBatches {
  /** The batch as it was cooked, as the input of a label; null for a code that only labels were printed under. */
  labelInput(code: string): Promise<{ input: WorksheetInput; book: Book } | null>;
  /** What of its record must be settled before a label of it is checked. */
  openPoints(code: string): Promise<string[]>;
  /** In what it differs from its recipe; null for a code that only labels were printed under. */
  differencesOf(code: string): Promise<{ recipeId: string; differences: Difference[] } | null>;
}
