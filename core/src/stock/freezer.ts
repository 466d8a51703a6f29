/**
 * Into the freezer and out of it. Frozen, the clock of the cold room stands still: what is thawed keeps no longer than the days it
 * had left when it went in, and no longer than a day after the day of thawing.
 */
import { daysBetween, lastDay } from '../declaration';
import type { Kitchen } from '../kitchen';
import { isUsable, type StockItem } from './stock';

/** What was thawed in the cold room is used on that day or the next, and is not frozen again (convention; common advice). */
export const THAWED_DAYS = 2;

/** Why something cannot be frozen or thawed; empty where it can. */
export function freezingProblem(item: StockItem, on: string): string {
  if (!item.cooked) return 'only what was cooked here is frozen here';
  if (item.frozen) return 'it is frozen already';
  if (item.isThawed) return 'what was thawed is not frozen again';
  return isUsable(item, on) ? '' : 'it is past its day';
}

export function thawingProblem(item: StockItem, on: string): string {
  if (!item.frozen) return 'it is not frozen';
  return isUsable(item, on) ? '' : 'it is past its day';
}

/** Put into the freezer on a day; see `freezingProblem` first. */
export const frozenItem = (
  item: StockItem,
  on: string,
  { service }: Pick<Kitchen, 'service'>,
): StockItem => ({
  ...item,
  place: 'frozen',
  frozen: { on, daysLeft: daysBetween(on, item.useBy!) + 1 },
  useBy: lastDay(on, service.freezerDays),
});

/** Taken out to thaw in the cold room; see `thawingProblem` first. */
export function thawedItem(item: StockItem, on: string): StockItem {
  const days = Math.min(THAWED_DAYS, item.frozen!.daysLeft);
  const last = lastDay(on, days);
  return {
    ...item,
    place: 'cold',
    frozen: null,
    isThawed: true,
    useBy: item.useBy !== null && item.useBy < last ? item.useBy : last,
  };
}
