/** What the ingredient statement is made of: every ingredient as put in, in the order of its weight. */
import type { AllergenSetting, Substance } from '../food';
import type { Follows } from './standard';

/** One ingredient as put in: its label name, grams, what it contains, and its own ingredients if it is a compound. */
export interface StatementItem {
  name: string;
  /** Its food; null for a component or an unknown line. */
  foodId: string | null;
  /** Its name in other languages. */
  names: Readonly<Partial<Record<string, string>>>;
  grams: number;
  substances: readonly Substance[];
  /** Ingredients opened in brackets, already in order; a pack's own statement comes as text. */
  parts: readonly StatementItem[];
  statementText: string;
  isWater: boolean;
  /** What its weight goes by when the batch grows. */
  follows: Follows;
  /** A product whose pack nobody has recorded. */
  isUnrecorded: boolean;
  /** What of the finished food it is, where the law asks for it. */
  share?: number;
}

/** EU: added water is named when it is more than 5 % of the finished food (1169/2011 Annex VII A 1). */
export const EU_WATER_SHARE = 0.05;

/**
 * Items by descending weight as put in. Water counts by what is left of it in the finished food; equal weights go
 * by name so that the same recipe always prints the same line.
 */
export function inOrder(
  items: readonly StatementItem[],
  finishedGrams: number,
  setting: AllergenSetting,
): StatementItem[] {
  const ordered: StatementItem[] = [];
  let solids = 0;
  let added = 0;
  let water: StatementItem | null = null;
  for (const item of items) {
    if (item.isWater) {
      water = item;
      added += item.grams;
    } else {
      ordered.push(item);
      solids += item.grams;
    }
  }
  const left = Math.min(added, finishedGrams - solids);
  const least = setting.regime === 'eu' ? finishedGrams * EU_WATER_SHARE : 0;
  if (water && left > least) ordered.push({ ...water, grams: left });
  return ordered.sort((one, other) => other.grams - one.grams || (one.name < other.name ? -1 : 1));
}

/** Same ingredients put in on several lines are one ingredient of the statement. */
export function gathered(items: readonly StatementItem[]): StatementItem[] {
  const byName = new Map<string, StatementItem>();
  for (const item of items) {
    const before = byName.get(item.name);
    byName.set(item.name, before ? { ...before, grams: before.grams + item.grams } : item);
  }
  return [...byName.values()];
}
