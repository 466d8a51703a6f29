/** What of a service's components stands in store already, made as they are made now and good until the day. */
import { componentKey, type Composed } from '../../dish';
import { isAsMadeNow, isUsable, type StockItem } from '../../stock';
import type { ServiceGround } from './eaters';

export class MadeAhead {
  private readonly byKey = new Map<string, StockItem[]>();

  constructor(private readonly ground: Pick<ServiceGround, 'stock' | 'kitchen' | 'service'>) {}

  /** Grams of a component that need not be made. */
  readonly gramsOf = (composed: Composed): number => {
    const { stock, kitchen, service } = this.ground;
    const items = stock.filter(
      (item) =>
        item.kind === 'made-ahead' && isUsable(item, service.date) && isAsMadeNow(item, composed, kitchen),
    );
    this.byKey.set(componentKey(composed), items);
    return items.reduce((sum, { grams }) => sum + grams, 0);
  };

  /** Whether an item is one that was counted for a component, by its key. */
  holds(key: string, item: StockItem): boolean {
    return this.byKey.get(key)?.some(({ id }) => id === item.id) ?? false;
  }
}
