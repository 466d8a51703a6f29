/** What stands in store: packs, leftovers and what was made ahead, each with its amount and the last day it may be used. */
import type { Food } from '../food';
import type { Pack } from '../kitchen';
import type { Place } from './places';

/** `pack`: as bought. `leftover`: cooked and not served. `made-ahead`: made for a later day. */
export const STOCK_KINDS = ['pack', 'leftover', 'made-ahead'] as const;
export type StockKind = (typeof STOCK_KINDS)[number];
export const STOCK_KIND_WORDS: Readonly<Record<StockKind, string>> = {
  pack: 'pack',
  leftover: 'leftover',
  'made-ahead': 'made ahead',
};

/** What was cooked, as a food of its own: what it really holds, and what is known of every allergen in it. */
export interface CookedFood {
  recipeId: string;
  /** What it is made of, as `componentKey` says it: a batch stands in for another only where both are the same foods. */
  madeOf: string;
  food: Food;
  pack: Pack;
}

export interface StockItem {
  id: string;
  kitchenId: string;
  kind: StockKind;
  name: string;
  /** The food of a pack; null for what was cooked. */
  foodId: string | null;
  cooked: CookedFood | null;
  /** Grams as purchased of a pack, finished grams of what was cooked. */
  grams: number;
  place: Place;
  /** ISO date on which it came or was made. */
  since: string;
  /** The last day it may be used, ISO; null where nobody noted one, which only a pack may have. */
  useBy: string | null;
  /** Batch or lot, as it stands on the label; empty where none is noted. */
  lot: string;
  /** When it was frozen, and the days it had left then, that one counted; null where it is not. */
  frozen: { on: string; daysLeft: number } | null;
  /** It was frozen once, and is not frozen again. */
  isThawed: boolean;
}

/** What something in store is that was never frozen. */
export const NOT_FROZEN: Pick<StockItem, 'frozen' | 'isThawed'> = { frozen: null, isThawed: false };

/** The food it is used as: a pack's own, or what was cooked. */
export const stockFoodId = ({ id, foodId, cooked }: StockItem): string =>
  cooked ? cookedFoodId(id) : foodId!;

/** Id of a cooked item as a food. */
export const cookedFoodId = (stockId: string): string => `stock-${stockId}`;

/** Whether it may still be used on a day. */
export const isUsable = ({ useBy, grams }: StockItem, on: string): boolean =>
  grams > 0 && (useBy === null || useBy >= on);

/** First to expire first; what has no date comes last, then what came first. */
export const firstToExpire = (one: StockItem, other: StockItem): number =>
  (one.useBy ?? '9999').localeCompare(other.useBy ?? '9999') ||
  one.since.localeCompare(other.since) ||
  one.id.localeCompare(other.id);

export interface Taken {
  stockId: string;
  name: string;
  grams: number;
  useBy: string | null;
  lot: string;
  isFrozen: boolean;
}

/** A shelf from which things are taken for a day: nothing is taken twice, nothing after its day, never more than there is. */
export class Shelf {
  private readonly left: Map<string, number>;
  private readonly items: readonly StockItem[];

  constructor(items: readonly StockItem[], on: string) {
    this.items = items.filter((item) => isUsable(item, on)).sort(firstToExpire);
    this.left = new Map(this.items.map(({ id, grams }) => [id, grams]));
  }

  /** Grams that are left of an item. */
  leftOf(stockId: string): number {
    return this.left.get(stockId) ?? 0;
  }

  /** Takes up to so many grams of what fits, first to expire first. */
  take(grams: number, fits: (item: StockItem) => boolean): Taken[] {
    const taken: Taken[] = [];
    let wanted = grams;
    for (const item of this.items) {
      const { id, name, useBy, lot, frozen } = item;
      const there = this.leftOf(id);
      // A millionth of a gram is nothing that anybody wants.
      if (wanted <= 1e-6 || there <= 0 || !fits(item)) continue;
      const part = Math.min(wanted, there);
      this.left.set(id, there - part);
      wanted -= part;
      taken.push({ stockId: id, name, grams: part, useBy, lot, isFrozen: frozen !== null });
    }
    return taken;
  }
}

/** What is taken of several, together. */
export const gramsTaken = (taken: readonly Taken[]): number =>
  taken.reduce((sum, { grams }) => sum + grams, 0);
