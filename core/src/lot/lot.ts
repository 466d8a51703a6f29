/**
 * Lots: what a thing in the hand holds, by its own record and never by what the book says today. Whatever goes into a batch "from"
 * somewhere is one: another batch, something in store, or a code that nobody knows. It is worked out anew whenever the batch is
 * read, so what is learnt late of it is in everything that was made of it.
 */
import type { Food } from '../food';
import type { Composition } from '../food';
import { NUTRIENTS } from '../food';
import type { Pack } from '../kitchen';

export interface Lot {
  /** The code or id as it was written, in capitals. */
  from: string;
  name: string;
  /** The food it counts as in this batch. */
  foodId: string;
  /** The food and its pack, where the batch's own book does not have them as they are. */
  food: Food | null;
  pack: Pack | null;
  /** The recipe it was cooked by; null for what was bought, and where nobody knows. */
  recipeId: string | null;
  /** Its last day, ISO; null where none is noted. */
  useBy: string | null;
  /** Somebody knows what it is. */
  isKnown: boolean;
}

/** The code of a batch, wherever it stands in what was written: "batch 261202-0014, the blue tub". */
const BATCH_CODE = /\b\d{6}-[0-9A-Z]{4,}\b/i;
/** A lot as it is looked up: the code of a batch where one stands there, else all of it, in capitals. */
export const lotKey = (from: string): string => (BATCH_CODE.exec(from)?.[0] ?? from.trim()).toUpperCase();

/** Several lots in one tub: the codes stand together, and the tub is as the worst of them. */
export const LOTS_TOGETHER = ' + ';

/** Id in store of a batch that goes into another. */
export const partStockId = (code: string): string => `batch-${code.toLowerCase()}`;

const NOTHING_KNOWN = Object.fromEntries(NUTRIENTS.map((id) => [id, null])) as Composition;

/** A food that nobody knows: to be checked for everything, and none of its figures is known. */
const unknownFood = (id: string, name: string): Food => ({
  id,
  name,
  labelName: name,
  synonyms: [],
  category: 'unknown',
  state: 'cooked',
  kind: 'product',
  animal: 'check',
  wholeFood: 'ready-made',
  functions: [],
  scaling: 'linear',
  trimYield: 1,
  cookingYield: null,
  cookingYields: [],
  allergens: {},
  cautions: [],
  composition: NOTHING_KNOWN,
  energyKcal: null,
  priceClass: null,
  source: 'calculated',
  figureSources: {},
  measures: [],
});

/** A code that stands for nothing here: nobody knows what went in. */
export function unknownLot(from: string): Lot {
  const key = lotKey(from);
  const foodId = `unknown-${key.toLowerCase().replace(/[^a-z0-9]+/g, '-')}`;
  const name = `unknown "${from.trim()}"`;
  return {
    from: key,
    name,
    foodId,
    food: unknownFood(foodId, name),
    pack: null,
    recipeId: null,
    useBy: null,
    isKnown: false,
  };
}

/** The lot that something came of; null where nobody named one, or where it is not looked up yet. */
export const lotFrom = (from: string, lots: readonly Lot[] | undefined): Lot | null =>
  from.trim() === '' ? null : (lots?.find((lot) => lot.from === lotKey(from)) ?? null);

/** The same foods and packs, those of lots in the place of what has their ids. */
export function withLotFoods<Has extends { foods: readonly Food[]; packs: readonly Pack[] }>(
  has: Has,
  lots: readonly Lot[],
): Pick<Has, 'foods' | 'packs'> {
  const foods = new Map(lots.flatMap(({ food }) => (food ? [[food.id, food] as const] : [])));
  const packs = new Map(lots.flatMap(({ pack }) => (pack ? [[pack.foodId, pack] as const] : [])));
  return {
    foods: [...has.foods.filter(({ id }) => !foods.has(id)), ...foods.values()],
    packs: [...has.packs.filter(({ foodId }) => !packs.has(foodId) && !foods.has(foodId)), ...packs.values()],
  };
}
