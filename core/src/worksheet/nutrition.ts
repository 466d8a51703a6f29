/** What a portion and 100 g of the batch hold, and how sure that is. */
import { type Batch, factorFor } from '../batch';
import { type Composed, foodFollows, type Range, rangeOfFigure, type RangeScope } from '../dish';
import { FACT_IDS, type FactId, type Facts } from '../food';
import type { Kitchen } from '../kitchen';
import {
  addFood,
  copySum,
  factsOf,
  keptShares,
  type MissingFigure,
  missingFigures,
  type NutrientSum,
  vectorHere,
} from '../nutrition';
import type { Book } from '../recipe';

export interface WorksheetNutrition {
  perPortion: Facts;
  per100g: Facts;
  missing: MissingFigure[];
  /** The least and the most a portion may hold, by figure. Without an end where a figure is missing. */
  ranges: Record<FactId, Range>;
}

/**
 * Nutrients of the batch, told as those of `factor` home recipes: fat for the pan and garnish do not follow the batch, so
 * what they differ by is added or taken off.
 */
function nutrientsOfBatch(composed: Composed, batch: Batch, book: Book, kitchen: Kitchen): NutrientSum {
  const apart = composed.lines.filter(
    (line) => line.weight && line.food && line.technique === null && foodFollows(line) !== 'batch',
  );
  if (apart.length === 0 || batch.factor <= 0) return composed.nutrients;
  const sum = copySum(composed.nutrients);
  for (const { food, follows, weight, id, source, isPouredOff } of apart) {
    const vector = vectorHere(food!, book.foods, kitchen);
    const grams = weight!.grams * (factorFor(follows, batch) / batch.factor - 1);
    if (vector)
      addFood(sum, vector, grams, id, keptShares(source, food!, composed.recipe.steps, isPouredOff));
  }
  return sum;
}

export function nutritionOf(
  composed: Composed,
  batch: Batch,
  book: Book,
  kitchen: Kitchen,
): WorksheetNutrition {
  // The same solids in the finished batch: per gram of finished food, whatever water the vessel asked for.
  // What sticks to pots and spoons takes all in proportion: it changes weights, never figures per 100 g.
  const beforeLoss = composed.isMeasured ? 1 : composed.keptShare;
  const perBatch = batch.factor > 0 ? batch.finishedGrams / (batch.factor * beforeLoss) : 0;
  const sum = nutrientsOfBatch(composed, batch, book, kitchen);
  const facts = (grams: number): Facts => factsOf(sum, perBatch, grams, kitchen.regime);
  return {
    perPortion: facts(batch.portionGrams),
    per100g: facts(100),
    missing: missingFigures(composed.nutrients),
    ranges: rangesOf(facts(batch.portionGrams), scopeOfRange(composed, batch, book, kitchen)),
  };
}

/** Grams of a portion over the finished grams at home size. */
export const scopeOfRange = (composed: Composed, batch: Batch, book: Book, kitchen: Kitchen): RangeScope => ({
  composed,
  kitchen,
  book,
  share:
    batch.finishedGrams > 0
      ? (batch.portionGrams * batch.factor * (composed.isMeasured ? 1 : composed.keptShare)) /
        batch.finishedGrams
      : 0,
});

function rangesOf(perPortion: Facts, scope: RangeScope): Record<FactId, Range> {
  const ranges = {} as Record<FactId, Range>;
  for (const id of FACT_IDS) ranges[id] = rangeOfFigure(id, perPortion[id], scope);
  return ranges;
}
