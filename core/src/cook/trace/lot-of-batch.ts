/** A batch as a lot: what its record says it holds, taken along into what it goes into. */
import { compose } from '../../dish';
import { type Lot, lotKey, partStockId } from '../../lot';
import { type CookedFood, cookedFoodId, cookedItem, isAsMadeNow } from '../../stock';
import { cookedInput } from '../as-cooked';
import type { Standing } from '../log';
import type { CookGround, OpenedBatch } from '../opened';

/** A batch with what counts of its record. */
export interface BatchAsLot {
  opened: OpenedBatch;
  record: readonly Standing[];
  /** It is as its own recipe says: nothing differs, nothing stands at check. */
  isAsRecipe: boolean;
}

/** What a batch holds as it stands, as a food under an id of the store. */
export function cookedOf({ opened, record }: BatchAsLot, stockId: string): CookedFood {
  const { book, ...input } = cookedInput(opened, record);
  const put = { id: stockId, kind: 'made-ahead' as const, grams: 1, madeOn: opened.madeOn, lot: opened.code };
  return cookedItem(input, put, book).cooked!;
}

/**
 * The lot of a batch in another one. Where it is the component that the other is made of, as its recipe says and no worse than the
 * component was when the other was opened, it counts as that component, opened on the label; else as what it really holds.
 */
export function lotOfBatch(part: BatchAsLot, into: Pick<CookGround, 'book' | 'opened'>): Lot {
  const { opened } = part;
  const stockId = partStockId(opened.code);
  const cooked = cookedOf(part, stockId);
  const { recipeId, useBy, name, code } = opened;
  const lot = { from: lotKey(code), name: `${name} (${code})`, recipeId, useBy, isKnown: true };
  const component = into.book.components.get(recipeId);
  const { kitchen } = into.opened.inputs;
  const isTheComponent =
    part.isAsRecipe &&
    component !== undefined &&
    isAsMadeNow({ cooked }, compose(component, into.book, kitchen), kitchen);
  return isTheComponent
    ? { ...lot, foodId: recipeId, food: null, pack: null }
    : { ...lot, foodId: cookedFoodId(stockId), food: cooked.food, pack: cooked.pack };
}
