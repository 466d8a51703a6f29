/** A batch as a lot: what its record says it holds, taken along into what it goes into. */
import { compose } from '../dish';
import { type AllergenStatus, NUTRIENTS, type Substance, SUBSTANCES, worse } from '../food';
import { type Lot, lotKey, partStockId } from '../lot';
import { type CookedFood, cookedFoodId, cookedItem, isAsMadeNow } from '../stock';
import { cookedInput } from './as-cooked';
import type { Standing } from './log';
import type { CookGround, OpenedBatch } from './opened';

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

/** Several batches in one tub: each substance at its worst, a figure that is not the same in all is missing, and the first gives the rest. */
export function mixedOf(parts: readonly CookedFood[]): CookedFood {
  const [first, ...others] = parts;
  return others.reduce((mixed, { food, pack }): CookedFood => {
    const allergens = worstOf(mixed.food.allergens, food.allergens);
    return {
      ...mixed,
      food: {
        ...mixed.food,
        allergens,
        animal: ANIMAL_STATES.find((each) => each === mixed.food.animal || each === food.animal)!,
        composition: Object.fromEntries(
          NUTRIENTS.map((id) => {
            const [one, other] = [mixed.food.composition[id], food.composition[id]];
            // How much of each is in it nobody knows.
            return [id, one === other ? one : null];
          }),
        ) as CookedFood['food']['composition'],
      },
      pack: {
        ...mixed.pack,
        statement: `${mixed.pack.statement}; ${pack.statement}`,
        allergens: allergens as CookedFood['pack']['allergens'],
        animal:
          mixed.pack.animal === pack.animal
            ? mixed.pack.animal
            : mixed.pack.animal === 'animal' || pack.animal === 'animal'
              ? 'animal'
              : null,
        own: Object.fromEntries(
          // An entry of the own list that one of them was not asked about is open for both.
          Object.entries(mixed.pack.own).flatMap(([id, status]) => {
            const other = pack.own[id];
            if (other === undefined) return [];
            const order = ['contains', 'may-contain', 'none'] as const;
            return [[id, order.find((each) => each === status || each === other)!] as const];
          }),
        ),
      },
    };
  }, first!);
}

const ANIMAL_STATES = ['animal', 'check', 'plant'] as const;
type Statuses = Partial<Record<Substance, AllergenStatus>>;
const worstOf = (one: Statuses, other: Statuses): Statuses =>
  Object.fromEntries(
    SUBSTANCES.flatMap((each) => {
      const status = worse(one[each] ?? 'clear', other[each] ?? 'clear');
      return status === 'clear' ? [] : [[each, status] as const];
    }),
  );
