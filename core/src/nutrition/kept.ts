/** What is left of a line's nutrients when it is served: cooking, draining and rinsing, and alcohol that leaves. */
import { type Food, NUTRIENTS } from '../food';
import { cookingMethodOf, minutesCooked, type RecipeLine, type RecipeStep } from '../recipe';
import { alcoholLeft, type RetentionMethod, retentionMethodOf, retentionOf } from './retention';
import { type KeptShares, sodiumShare } from './sum';

const SODIUM = NUTRIENTS.indexOf('sodiumMg');
const ALCOHOL = NUTRIENTS.indexOf('alcoholG');
const CARRIES_ALCOHOL = (food: Food): boolean => (food.composition.alcoholG ?? 0) > 0;

/**
 * The way a line is cooked as retention factors name it; null where nothing cooks it.
 * @param isPouredOff it is boiled in a bath that is poured off
 */
export function retentionMethodOfLine(
  line: RecipeLine,
  steps: readonly RecipeStep[],
  isPouredOff: boolean,
): RetentionMethod | null {
  if (line.answers.isCookedApart || isPouredOff) return 'drained';
  const method = cookingMethodOf(line.id, steps);
  return retentionMethodOf(method, false);
}

interface Known {
  steps: readonly RecipeStep[];
  food: Food;
  isPouredOff: boolean;
  kept: KeptShares;
}
const KNOWN = new WeakMap<RecipeLine, Known>();

function reckon(
  line: RecipeLine,
  food: Food,
  steps: readonly RecipeStep[],
  isPouredOff: boolean,
): KeptShares {
  const cooked = retentionOf(food, retentionMethodOfLine(line, steps, isPouredOff));
  const sodium = sodiumShare(food, line.reading.form);
  const alcohol = CARRIES_ALCOHOL(food) ? alcoholLeft(minutesCooked(line.id, steps)) : 1;
  if (sodium === 1 && alcohol === 1) return cooked;
  const kept = cooked ? Float64Array.from(cooked) : new Float64Array(NUTRIENTS.length).fill(1);
  kept[SODIUM]! *= sodium;
  kept[ALCOHOL]! *= alcohol;
  return kept;
}

/** Shares kept of a line of a food, in the order of NUTRIENTS; null where all of everything is. */
export function keptShares(
  line: RecipeLine,
  food: Food,
  steps: readonly RecipeStep[],
  isPouredOff: boolean,
): KeptShares {
  const known = KNOWN.get(line);
  if (known?.steps === steps && known.food === food && known.isPouredOff === isPouredOff) return known.kept;
  const kept = reckon(line, food, steps, isPouredOff);
  KNOWN.set(line, { steps, food, isPouredOff, kept });
  return kept;
}
