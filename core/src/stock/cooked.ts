/**
 * What was cooked as a food: its composition and its allergens as its worksheet knows them on the day it was made. It takes
 * everything along into the dish it is used in: what it contains, may contain and what nobody has checked, and its date.
 */
import { keptDays, lastDay } from '../declaration';
import { componentKey, compose, type Composed } from '../dish';
import {
  type AllergenStatus,
  bitsOf,
  type CautionCode,
  type Composition,
  type Food,
  isWorse,
  NUTRIENTS,
  ORIGINS,
  type Substance,
  SUBSTANCES,
  type WholeFoodClass,
  worse,
} from '../food';
import { type Kitchen, type Pack, PACK_DEFAULTS } from '../kitchen';
import { type Book, bookOf } from '../recipe';
import { worksheet, type WorksheetInput } from '../worksheet';
import { cookedFoodId, isUsable, NOT_FROZEN, type StockItem, type StockKind } from './stock';

/** What is put into store of a batch. */
export interface Put {
  id: string;
  kind: Exclude<StockKind, 'pack'>;
  grams: number;
  /** ISO date on which it was cooked. */
  madeOn: string;
  lot: string;
}

/** A line that nobody has weighed, or that no food stands for, hides figures: none of its nutrients is known. */
function compositionOf(facts: Readonly<Record<string, number>>, missing: ReadonlySet<string>): Composition {
  return Object.fromEntries(
    NUTRIENTS.map((id) => [id, missing.has(id) || !Number.isFinite(facts[id]) ? null : facts[id]!]),
  ) as Composition;
}

/** What a cooked bean no longer needs: the boil is behind it. */
const BEHIND_IT: ReadonlySet<CautionCode> = new Set<CautionCode>(['phaseolus-from-dry']);

/** Cautions of everything in it, components opened: they go along into the dish it is used in. */
const cautionsOf = ({ lines }: Composed): CautionCode[] => [
  ...new Set(lines.flatMap(({ food, inner }) => (inner ? cautionsOf(inner) : (food?.cautions ?? [])))),
];

/** The worst each substance and each own entry stands at. */
function standings(composed: Composed, kitchen: Kitchen) {
  const allergens: Partial<Record<Substance, AllergenStatus>> = {};
  const own: Record<string, AllergenStatus> = {};
  let origins = 0;
  for (const { status, bits, own: ownBits } of composed.traces) {
    for (const substance of SUBSTANCES)
      if (bits & bitsOf([substance])) allergens[substance] = worse(allergens[substance] ?? 'clear', status);
    kitchen.ownAllergens.forEach(({ id }, index) => {
      if (ownBits & (1 << index)) own[id] = worse(own[id] ?? 'clear', status);
    });
    origins |= bits;
  }
  const isAnimal = composed.traces.some(
    ({ bits, status }) => bits & bitsOf(['animal']) && status === 'contains',
  );
  const isAsked = (origins & bitsOf(['animal'])) !== 0;
  const wholeFood = ORIGINS.find((each) => each !== 'animal' && origins & bitsOf([each])) as
    WholeFoodClass | undefined;
  return {
    madeOf: componentKey(composed),
    cautions: cautionsOf(composed),
    allergens,
    own,
    animal: isAnimal ? ('animal' as const) : isAsked ? ('check' as const) : ('plant' as const),
    wholeFood: wholeFood ?? ('whole' as const),
  };
}

/** `check` and `clear` of the own list stay unanswered: a pack's reader was asked or was not. */
const ownAnswers = (own: Readonly<Record<string, AllergenStatus>>, kitchen: Kitchen): Pack['own'] =>
  Object.fromEntries(
    kitchen.ownAllergens.flatMap(({ id }) => {
      const status = own[id] ?? 'clear';
      if (status === 'check') return [];
      return [[id, status === 'clear' ? ('none' as const) : status]];
    }),
  );

/**
 * A batch of a recipe as it is put into store. Its last day is the kitchen's policy cut to the law's cap, and never later than
 * that of anything that went into it.
 */
export function cookedItem(
  input: WorksheetInput,
  { id, kind, grams, madeOn, lot }: Put,
  book: Book,
  parts: readonly StockItem[] = [],
): StockItem {
  const { recipe, kitchen } = input;
  const sheet = worksheet(input, book);
  const { madeOf, cautions, allergens, own, animal, wholeFood } = standings(
    compose(recipe, book, kitchen),
    kitchen,
  );
  const missing = new Set<string>(sheet.nutrition.missing.map((each) => each.id));
  const foodId = cookedFoodId(id);
  const name = `${recipe.name}, made ${madeOn}`;
  const kept = lastDay(madeOn, keptDays(kitchen.service.keepsDays, kitchen.regime));
  const useBy = parts.reduce(
    (least, part) => (part.useBy !== null && part.useBy < least ? part.useBy : least),
    kept,
  );
  const food: Food = {
    id: foodId,
    name,
    labelName: recipe.name.toLowerCase(),
    synonyms: [],
    category: 'cooked dish',
    state: 'cooked',
    // Of many foods: what its pack was never asked is not clear.
    kind: 'product',
    animal,
    wholeFood,
    functions: [],
    scaling: 'linear',
    trimYield: 1,
    cookingYield: null,
    cookingYields: [],
    allergens,
    cautions: cautions.filter((each) => !BEHIND_IT.has(each)),
    composition: compositionOf(sheet.nutrition.per100g, missing),
    energyKcal: null,
    priceClass: null,
    source: 'calculated',
    figureSources: {},
    measures: [],
  };
  const pack: Pack = {
    ...PACK_DEFAULTS,
    foodId,
    productName: name,
    supplier: kitchen.name,
    statement: sheet.label.ingredients,
    allergens: Object.fromEntries(
      Object.entries(allergens).filter(([, status]) => status !== 'clear'),
    ) as Pack['allergens'],
    certifiedGlutenFree: false,
    animal: animal === 'check' ? null : animal,
    checkedBy: 'its worksheet',
    checkedOn: madeOn,
    own: ownAnswers(own, kitchen),
  };
  return {
    id,
    kitchenId: kitchen.id,
    kind,
    name,
    foodId: null,
    cooked: { recipeId: recipe.id, madeOf, food, pack },
    grams,
    place: 'cold',
    since: madeOn,
    useBy,
    lot,
    ...NOT_FROZEN,
  };
}

/**
 * Whether a batch in store can stand for a component as it is made today: of the same foods, and nothing in it stands worse than
 * it does now. A pack whose statement changed since, for the better, does not make the old batch better.
 */
export function isAsMadeNow(
  { cooked }: Pick<StockItem, 'cooked'>,
  composed: Composed,
  kitchen: Kitchen,
): boolean {
  if (!cooked || cooked.madeOf !== componentKey(composed)) return false;
  const now = standings(composed, kitchen);
  const isNoWorse = (then: AllergenStatus | undefined, today: AllergenStatus | undefined): boolean =>
    !isWorse(then ?? 'clear', today ?? 'clear');
  return (
    SUBSTANCES.every((each) => isNoWorse(cooked.food.allergens[each], now.allergens[each])) &&
    kitchen.ownAllergens.every(({ id }) => {
      const said = cooked.pack.own[id];
      return isNoWorse(said === 'none' ? 'clear' : (said ?? 'check'), now.own[id]);
    })
  );
}

/** The book and the kitchen with what stands cooked in store, each usable as a food on that day. */
export function withCooked(
  { book, kitchen }: { book: Book; kitchen: Kitchen },
  items: readonly StockItem[],
  on: string,
): { book: Book; kitchen: Kitchen } {
  const cooked = items.flatMap((item) => (item.cooked && isUsable(item, on) ? [item.cooked] : []));
  if (cooked.length === 0) return { book, kitchen };
  const { foods } = book.foods;
  const vectors = new Map(book.foods.vectors);
  for (const { food } of cooked)
    vectors.set(
      food.id,
      Float64Array.from(NUTRIENTS, (id) => (food.composition[id] ?? NaN) / 100),
    );
  return {
    book: {
      ...bookOf(
        {
          ...book.foods,
          foods: new Map([...foods, ...cooked.map(({ food }) => [food.id, food] as const)]),
          vectors,
        },
        [...book.components.values()],
        [...book.swaps.values()],
      ),
    },
    kitchen: { ...kitchen, packs: [...kitchen.packs, ...cooked.map(({ pack }) => pack)] },
  };
}
