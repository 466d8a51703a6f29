/** Of the protein of a dish, the share that counts by its quality: the mean of the foods' scores by the protein each brings. */
import { beforeLoss, type Composed } from '../dish';
import type { Kitchen } from '../kitchen';
import { proteinScore, vectorHere } from '../nutrition';
import type { Book } from '../recipe';

interface Protein {
  grams: number;
  counted: number;
}

function proteinOf(composed: Composed, book: Book, kitchen: Kitchen): Protein {
  const sum: Protein = { grams: 0, counted: 0 };
  for (const { food, inner, weight, takenUp } of composed.lines) {
    if (!weight) continue;
    if (inner) {
      const part = proteinOf(inner, book, kitchen);
      const whole = beforeLoss(inner);
      const share = whole > 0 ? weight.grams / whole : 0;
      sum.grams += part.grams * share;
      sum.counted += part.counted * share;
      continue;
    }
    const per100 = food ? (food.composition.proteinG ?? 0) : 0;
    if (!food || !vectorHere(food, book.foods, kitchen)) continue;
    const grams = (weight.grams * takenUp * per100) / 100;
    sum.grams += grams;
    sum.counted += grams * (proteinScore(food.id) ?? 0);
  }
  return sum;
}

/** 0 to 1; 0 where nothing of the protein has a score. */
export function proteinQuality(composed: Composed, book: Book, kitchen: Kitchen): number {
  const { grams, counted } = proteinOf(composed, book, kitchen);
  return grams > 0 ? counted / grams : 0;
}
