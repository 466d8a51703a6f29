/** What services and the store ask of batches that were cooked; the stove answers it. */
import type { ServedBatch } from '@hand-ladle/core';

export interface CookedForServices {
  /** Batches that were opened for a service, as they are known now. */
  served(serviceId: string, kitchenId: string): Promise<ServedBatch[]>;
  /** Whether a code is of a batch whose record says what it holds. */
  isCooked(code: string): Promise<boolean>;
}
