/** What a swap makes of a line: each new food by its ratio, and the water it needs. */
import { type SwapEntry, WATER_ID } from '../../food';
import { type Kitchen, swapHere } from '../../kitchen';
import { timesFactor } from '../../quantity';
import type { Book, Recipe } from '../../recipe';
import { addFoodFindings } from './food-findings';
import type { AppliedAt, Follows, StandardLine } from './standard-line';

export const appliedTo = (line: StandardLine, entry: SwapEntry): AppliedAt => ({
  entry,
  from: line.food,
  fromName: line.name,
  fromGrams: line.weight?.grams ?? null,
  fromFollows: line.follows,
});

/** Water that a swap puts in a hot pan in the place of fat boils away as it is added, like the technique. */
export const isForPan = (line: StandardLine, { to }: SwapEntry): boolean =>
  line.follows === 'pan' && to.length === 1 && to[0]!.foodId === WATER_ID;

/**
 * What a swapped line goes by: its own way; water that takes the place of a liquid makes up for steam like any other. The
 * extra water of a swap is what its food drinks, so it follows the food.
 */
function followsSwapped(line: StandardLine, { to }: SwapEntry, index: number): Follows {
  if (to[index]?.foodId === WATER_ID) return 'water';
  return line.follows === 'water' ? 'batch' : line.follows;
}

/** The lines a swap puts in the place of one: each new food by its ratio, and the water it needs. */
export function swappedLines(
  line: StandardLine,
  entry: SwapEntry,
  book: Book,
  kitchen: Kitchen,
): StandardLine[] {
  const parts = [
    ...entry.to,
    ...(entry.waterRatio > 0 ? [{ foodId: WATER_ID, ratio: entry.waterRatio }] : []),
  ];
  const lines: StandardLine[] = [];
  for (const { foodId, ratio } of parts) {
    const food = book.foods.foods.get(foodId) ?? null;
    const component = food ? null : (book.components.get(foodId) ?? null);
    const id = lines.length === 0 ? line.id : `${line.id}/${lines.length + 1}`;
    const findings =
      lines.length === 0 ? line.findings.filter((each) => each.code.startsWith('amount-')) : [];
    if (food) addFoodFindings(food, id, kitchen, findings);
    lines.push({
      ...line,
      id,
      name: food?.name ?? component?.name ?? foodId,
      food,
      component,
      role: food?.scaling ?? 'linear',
      weight:
        line.weight &&
        timesFactor(line.weight, ratio, `${line.name} ${line.weight.because} x ${ratio} (swap ratio)`),
      purchasedPerEdible: food ? 1 / food.trimYield : 1,
      follows: followsSwapped(line, entry, lines.length),
      isFoodSure: true,
      swap: appliedTo(line, entry),
      findings,
    });
  }
  return lines;
}

/** The entry of a variant's swap for a food, if there is one. */
export function swapFor(foodId: string, recipe: Recipe, book: Book, kitchen: Kitchen): SwapEntry | null {
  if (recipe.swaps.length === 0) return null;
  const applied = recipe.swaps.find((each) => each.fromId === foodId);
  return applied ? swapHere(applied.swapId, book.swaps, kitchen) : null;
}
