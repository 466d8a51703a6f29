/** The swaps a kitchen can use: those on file and its own, as close as its ratings say. */
import { rated, type SwapEntry } from '../food';
import type { Kitchen } from './kitchen';

type Swaps = ReadonlyMap<string, SwapEntry>;
interface Library {
  /** By the food that goes out. */
  byFrom: ReadonlyMap<string, readonly SwapEntry[]>;
  byId: Swaps;
}

const LIBRARIES = new WeakMap<Kitchen, { from: Swaps; library: Library }>();

function libraryOf(onFile: Swaps, kitchen: Kitchen): Library {
  const kept = LIBRARIES.get(kitchen);
  if (kept?.from === onFile) return kept.library;
  const entries = [...onFile.values(), ...kitchen.swaps].map((entry) => rated(entry, kitchen.ratings));
  const byFrom = new Map<string, SwapEntry[]>();
  for (const entry of entries) {
    const known = byFrom.get(entry.fromId);
    if (known) known.push(entry);
    else byFrom.set(entry.fromId, [entry]);
  }
  const library: Library = { byFrom, byId: new Map(entries.map((entry) => [entry.id, entry])) };
  LIBRARIES.set(kitchen, { from: onFile, library });
  return library;
}

/** One swap by its id, if this kitchen knows it. */
export const swapHere = (id: string, onFile: Swaps, kitchen: Kitchen): SwapEntry | null =>
  libraryOf(onFile, kitchen).byId.get(id) ?? null;

const NONE: readonly SwapEntry[] = [];

/** The swaps that take a food out. */
export const swapsFrom = (foodId: string, onFile: Swaps, kitchen: Kitchen): readonly SwapEntry[] =>
  libraryOf(onFile, kitchen).byFrom.get(foodId) ?? NONE;
