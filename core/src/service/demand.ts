/**
 * What has to be had for a service: every food of every version and component, each component made once for all. Sums of the
 * worksheets and nothing else; rounding is left to who weighs and who buys.
 */
import { type ComponentBatch, componentDemand, type WorksheetLine } from '../batch';
import type { Food } from '../food';
import { type Kitchen, packOf, priceOf } from '../kitchen';
import { gramsTaken, type Place, placeOf, Shelf, stockFoodId, type StockItem, type Taken } from '../stock';
import {
  type DishVersion,
  type EatenDish,
  MadeAhead,
  type Service,
  type ServiceGround,
  type TakenOut,
} from './eaten';

/** Packs to buy of what is not in store, where a pack is on record. */
export interface PacksToBuy {
  productName: string;
  supplier: string;
  count: number;
  netGrams: number;
  /** What is left over of whole packs, grams as purchased. */
  surplusGrams: number;
  /** The packs' price; null where nobody noted it. */
  price: number | null;
}

export interface DemandLine {
  foodId: string;
  name: string;
  /** Edible grams. */
  grams: number;
  asPurchasedGrams: number;
  place: Place;
  /** What of it is taken from store, first to expire first, and what is left to buy, as purchased. */
  fromStock: Taken[];
  toBuyGrams: number;
  packs: PacksToBuy | null;
  /** What this much of it costs, in the kitchen's own money; null where nobody can say. Never nothing by default. */
  price: number | null;
  /** A price class of the reference, not a pack's price. */
  isPriceGuessed: boolean;
  /** Names of the dishes and components that ask for it. */
  askedBy: string[];
}

/** A line that no food stands for, or whose weight nobody knows: it is in no sum. */
export interface UnknownDemand {
  text: string;
  in: string;
}

export interface Demand {
  lines: DemandLine[];
  components: (ComponentBatch & { fromStock: Taken[] })[];
  unknown: UnknownDemand[];
  /** Of all lines with a price; the names of those without stand beside it. */
  price: number;
  unpriced: string[];
  /** Portions made, those above the heads too. */
  portions: number;
  pricePerPortion: number | null;
}

interface Gathered {
  food: Food;
  grams: number;
  purchased: number;
  askedBy: Set<string>;
}

/** Whole packs for a weight as purchased; null where no pack or no net weight is on record. */
function packsFor(food: Food, purchasedGrams: number, kitchen: Kitchen): PacksToBuy | null {
  const pack = packOf(kitchen, food.id);
  if (!pack?.netGrams || !(purchasedGrams > 0)) return null;
  // A millionth of a pack is not another pack.
  const count = Math.ceil(purchasedGrams / pack.netGrams - 1e-6);
  return {
    productName: pack.productName,
    supplier: pack.supplier,
    count,
    netGrams: pack.netGrams,
    surplusGrams: Math.max(0, count * pack.netGrams - purchasedGrams),
    price: pack.price === null ? null : count * pack.price,
  };
}

function demandLine(
  { food, grams, purchased, askedBy }: Gathered,
  fromStock: Taken[],
  kitchen: Kitchen,
): DemandLine {
  const price = priceOf(food, kitchen);
  const rest = purchased - gramsTaken(fromStock);
  // A millionth of a gram is not bought.
  const toBuyGrams = rest > 1e-6 ? rest : 0;
  return {
    foodId: food.id,
    name: food.name,
    grams,
    asPurchasedGrams: purchased,
    place: placeOf(food),
    fromStock,
    toBuyGrams,
    packs: packsFor(food, toBuyGrams, kitchen),
    price: price && price.perGram * grams,
    isPriceGuessed: price?.origin === 'convention' && food.category !== 'water',
    askedBy: [...askedBy].sort(),
  };
}

/** What the versions of a service need together. */
export function demandOf(eaten: readonly EatenDish[], ground: ServiceGround): Demand {
  const { kitchen, book, stock, service } = ground;
  const versions = eaten.flatMap((dish): DishVersion[] => dish.versions);
  const madeAhead = new MadeAhead(ground);
  const components = componentDemand(
    versions.map(({ recipe, sheet }) => ({ recipe, target: sheet.target })),
    kitchen,
    book,
    madeAhead.gramsOf,
  );
  const shelf = new Shelf(stock, service.date);
  const gathered = new Map<string, Gathered>();
  const unknown: UnknownDemand[] = [];
  const add = (line: WorksheetLine, askedBy: string): void => {
    if (line.componentId !== null) return;
    const food = line.foodId === null ? undefined : book.foods.foods.get(line.foodId);
    if (!food || line.batchGrams === null) {
      unknown.push({ text: line.text, in: askedBy });
      return;
    }
    const known = gathered.get(food.id) ?? { food, grams: 0, purchased: 0, askedBy: new Set<string>() };
    known.grams += line.batchGrams;
    known.purchased += line.purchasedGrams ?? line.batchGrams;
    known.askedBy.add(askedBy);
    gathered.set(food.id, known);
  };
  for (const { name, sheet } of versions) for (const line of sheet.lines) add(line, name);
  // What stands in store is not made, so nothing is asked for it.
  for (const { name, lines, madeGrams } of components)
    if (madeGrams > 0) for (const line of lines) add(line, name);
  // A leftover that stands in for a line is a food of its own, so it is taken like a pack; then batches of components.
  const lines = [...gathered.values()]
    .map((each) => {
      const fromStock = shelf.take(each.purchased, (item) => stockFoodId(item) === each.food.id);
      return demandLine(each, fromStock, kitchen);
    })
    .sort(
      (one, other) => other.asPurchasedGrams - one.asPurchasedGrams || one.name.localeCompare(other.name),
    );
  const price = lines.reduce((sum, each) => sum + (each.price ?? 0), 0);
  const unpriced = lines.filter((each) => each.price === null).map(({ name }) => name);
  const portions = versions.reduce((sum, each) => sum + each.portions + each.extraPortions, 0);
  const isWhole = unpriced.length === 0 && unknown.length === 0 && portions > 0;
  return {
    lines,
    components: components.map((each) => ({
      ...each,
      fromStock: shelf.take(each.storeGrams, (item) => madeAhead.holds(each.key, item)),
    })),
    unknown,
    price,
    unpriced,
    portions,
    pricePerPortion: isWhole ? price / portions : null,
  };
}

/** Everything that a service takes out of store, item by item: foods, leftovers, batches made ahead. */
export function takenFor({ lines, components }: Demand): TakenOut[] {
  const grams = new Map<string, number>();
  for (const { fromStock } of [...lines, ...components])
    for (const each of fromStock) grams.set(each.stockId, (grams.get(each.stockId) ?? 0) + each.grams);
  return [...grams].map(([stockId, amount]) => ({ stockId, grams: amount }));
}

/** Store as a service sees it: what was taken out for it already is still its own. */
export function stockFor(items: readonly StockItem[], { taken }: Pick<Service, 'taken'>): StockItem[] {
  const own = new Map(taken.map(({ stockId, grams }) => [stockId, grams]));
  return items.map((item) => ({ ...item, grams: item.grams + (own.get(item.id) ?? 0) }));
}

/**
 * What of store is in a version of a dish: leftovers that stand in, packs that it or a component asks for, batches made ahead.
 * Which component of several took a batch nobody can say, so all of them count: a date is rather too short than too long.
 */
export function storeIn(version: DishVersion, { lines, components }: Demand): Set<string> {
  const own = new Set([version.name, ...components.map(({ name }) => name)]);
  const asked = lines.filter(({ askedBy }) => askedBy.some((name) => own.has(name)));
  return new Set(
    [...asked, ...components].flatMap(({ fromStock }) => fromStock.map(({ stockId }) => stockId)),
  );
}
