/** What services and the store ask of batches that were cooked; the stove answers it. */
import type { ServedBatch } from '@hand-ladle/core';

export interface CookedForServices {
  /** Batches that were opened for a service, and those of its day that were opened for none, as they are known now. */
  served(service: { id: string; kitchenId: string; date: string }): Promise<ServedBatch[]>;
  /** Codes of the batches of a recipe that a kitchen cooked on a day. */
  codesOf(asked: { recipeId: string; kitchenId: string; date: string }): Promise<string[]>;
  /** Whether a code is of a batch whose record says what it holds. */
  isCooked(code: string): Promise<boolean>;
}
