/** Things in store for tests: cooked from the demo world, and packs. */
import {
  cookedItem,
  type Kitchen,
  NOT_FROZEN,
  type Service,
  type ServiceGround,
  type StockItem,
  withCooked,
} from '@hand-ladle/core';
import { book, demoRecipe, wardAsIs } from '../world';
import { dishes } from './random-service';

export const cooked = (
  recipeId: string,
  grams: number,
  { id = recipeId, kind = 'made-ahead', madeOn = '2026-12-01', kitchen = wardAsIs as Kitchen } = {},
): StockItem =>
  cookedItem(
    { recipe: demoRecipe(recipeId), kitchen, target: { kind: 'weight', grams } },
    { id, kind: kind as 'leftover' | 'made-ahead', grams, madeOn, lot: '' },
    book,
  );

export const packOfFood = (
  foodId: string,
  grams: number,
  useBy: string | null,
  id = `${foodId} ${useBy}`,
): StockItem => ({
  id,
  kitchenId: wardAsIs.id,
  kind: 'pack',
  name: foodId,
  foodId,
  cooked: null,
  grams,
  place: 'dry',
  since: '2026-11-20',
  useBy,
  lot: '',
  ...NOT_FROZEN,
});

/** The ground of a service with something in store. */
export function groundWith(service: Service, kitchen: Kitchen, stock: StockItem[]): ServiceGround {
  return { service, dishes, stock, ...withCooked({ book, kitchen }, stock, service.date) };
}
