/** A swap chosen by hand: everything on file for one food, each with the same checks a plan goes through. */
import { compose } from '../dish';
import { isWorse, type SwapEntry } from '../food';
import { swapsFrom } from '../kitchen';
import type { AppliedSwap, Book, Recipe } from '../recipe';
import { Asked, brokenIn, leavesOf } from '../swap';
import { worksheet, type WorksheetInput } from '../worksheet';
import { type FlagChange, flagChanges, type PortionDrift, portionDrift } from './plan';
import { refusalOf } from './problem';

export interface SwapOption {
  entry: SwapEntry;
  /** It stands in the dish now. */
  isTaken: boolean;
  /** Why it may not be taken, in words; empty where it may. */
  refusals: string[];
  /** Grams for the batch. */
  outGrams: number;
  to: { foodId: string; name: string; grams: number }[];
  waterGrams: number;
  /** Allergens and standards that stand otherwise with it than with the dish as written. */
  flags: FlagChange[];
  drift: PortionDrift;
}

/** A recipe with one food swapped, or, for null, as its list has it. */
export function withSwap(recipe: Recipe, fromId: string, swapId: string | null): Recipe {
  const others = recipe.swaps.filter((each) => each.fromId !== fromId);
  const own: AppliedSwap[] = swapId === null ? [] : [{ fromId, swapId }];
  return { ...recipe, swaps: [...others, ...own] };
}

const isBrought = ({ before, after }: FlagChange): boolean => isWorse(after, before);

/** What an option brings in, worst first: "may contain sesame". */
export const broughtIn = (option: Pick<SwapOption, 'flags'>): FlagChange[] => option.flags.filter(isBrought);

/** What it takes away. */
export const takenAway = (option: Pick<SwapOption, 'flags'>): FlagChange[] =>
  option.flags.filter((each) => !isBrought(each));

/**
 * Every swap on file for a food of a dish, those that may be taken first, then by closeness.
 * @param foodId the food as the list has it; one that an earlier swap took out is swapped anew
 */
export function swapOptions(input: WorksheetInput, foodId: string, book: Book): SwapOption[] {
  const { recipe, kitchen } = input;
  const asked = new Asked(recipe, { exclude: [], policy: kitchen.policy }, kitchen, book);
  const bare = withSwap(recipe, foodId, null);
  const composed = compose(bare, book, kitchen);
  const before = { sheet: worksheet({ ...input, recipe: bare }, book), composed };
  const leaves = leavesOf(composed).filter(({ originId }) => originId === foodId);
  const out = leaves.reduce((sum, leaf) => sum + leaf.originGrams, 0);
  const taken = recipe.swaps.find((each) => each.fromId === foodId)?.swapId ?? null;
  const options = swapsFrom(foodId, book.swaps, kitchen).map((entry): SwapOption => {
    const swapped = withSwap(recipe, foodId, entry.id);
    const inner = compose(swapped, book, kitchen);
    const sheet = worksheet({ ...input, recipe: swapped }, book);
    const refusal = refusalOf(entry, leaves, asked);
    const broken = brokenIn(inner, asked)
      .filter(({ entry: each }) => each.id === entry.id)
      .map(({ reason }) => reason);
    const grams = out * sheet.factor;
    return {
      entry,
      isTaken: entry.id === taken,
      refusals: [...(refusal ? [refusal] : []), ...broken.filter((each) => each !== refusal)],
      outGrams: grams,
      to: entry.to.map((each) => ({
        foodId: each.foodId,
        name: asked.nameOf(each.foodId),
        grams: grams * each.ratio,
      })),
      waterGrams: grams * entry.waterRatio,
      flags: flagChanges(before.sheet, sheet),
      drift: portionDrift(before, { sheet, composed: inner }, asked),
    };
  });
  const closeness = ({ entry }: SwapOption): number => entry.taste + entry.texture;
  return options.sort(
    (one, other) => one.refusals.length - other.refusals.length || closeness(other) - closeness(one),
  );
}
