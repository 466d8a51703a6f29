/** Where every gram goes, from the store to the portions. What comes in equals what goes out. */
import type { Batch } from './batch';
import { factorFor } from './batch';
import type { Composed } from './compose';
import type { WorksheetLine } from './lines';

export interface MassBalance {
  /** From the store, as purchased; components that were made before; water from the tap, absorbed water with it. */
  purchasedGrams: number;
  componentGrams: number;
  waterGrams: number;
  /** Peel and stalks; liquid of tins. */
  trimmedGrams: number;
  drainedGrams: number;
  /** Frying oil that no food takes up. */
  leftInPanGrams: number;
  /** Everything in the pot, absorbed water too. */
  putInGrams: number;
  steamGrams: number;
  /** What sticks to pots and spoons. Below zero where a weighed yield is more than went in: something is not written. */
  lostGrams: number;
  finishedGrams: number;
}

export function massBalance(composed: Composed, batch: Batch, lines: readonly WorksheetLine[]): MassBalance {
  const sum: MassBalance = {
    purchasedGrams: 0,
    componentGrams: 0,
    waterGrams: composed.absorbedGrams * factorFor('batch', batch),
    trimmedGrams: 0,
    drainedGrams: 0,
    leftInPanGrams: 0,
    putInGrams: composed.absorbedGrams * factorFor('batch', batch),
    steamGrams: batch.steamGrams,
    lostGrams: 0,
    finishedGrams: batch.finishedGrams,
  };
  for (const line of lines) {
    const grams = line.batchGrams ?? 0;
    const purchased = line.purchasedGrams ?? 0;
    sum.putInGrams += grams;
    if (line.follows === 'water' || line.technique) sum.waterGrams += grams;
    else if (line.componentId !== null) sum.componentGrams += grams;
    else {
      sum.purchasedGrams += purchased;
      if (line.isDrained) sum.drainedGrams += purchased - grams;
      else sum.trimmedGrams += purchased - grams;
    }
  }
  for (const { weight, takenUp, follows } of composed.lines) {
    if (!weight || takenUp >= 1) continue;
    const taken = weight.grams * takenUp * factorFor('batch', batch);
    sum.leftInPanGrams += Math.max(0, weight.grams * factorFor(follows, batch) - taken);
  }
  sum.lostGrams = sum.putInGrams - sum.leftInPanGrams - sum.steamGrams - sum.finishedGrams;
  return sum;
}
