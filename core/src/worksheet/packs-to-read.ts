/** The packs nobody has read yet, in the order in which reading them settles dishes. */
import { type Disagreement, disagreementsOf, type Evidence, foodTraces } from '../allergen';
import { compose, type Composed } from '../dish';
import { type Food, type Substance, substancesIn } from '../food';
import { type Kitchen, type Pack, packOf } from '../kitchen';
import type { Book, Recipe } from '../recipe';

/** A food whose pack is open: none is on record, nobody has confirmed what one says, or what was read leaves something open. */
export interface PackToRead {
  foodId: string;
  name: string;
  /** What a supplier's list or an older reading says of it; null where nothing is on record. */
  pack: Pack | null;
  disagreements: Disagreement[];
  /** What a pack that was read leaves open: only the supplier can say. */
  asks: readonly Substance[];
  /** Dishes it stands in, at any depth. */
  dishes: { id: string; name: string }[];
  /** Of them, those in which no other pack is open: this one settles them. */
  settles: number;
}

/** Whether something of a food stays unchecked in a kitchen until a pack of it is read, or its supplier asked. */
const isOpen = (food: Food, kitchen: Kitchen): boolean =>
  packOf(kitchen, food.id)?.isConfirmed === false ||
  foodTraces(food, kitchen).some(({ status }) => status === 'check');

const BEYOND_PACKS: ReadonlySet<Evidence['kind']> = new Set([
  'nobody knows',
  'named in the text',
  'equipment',
]);

/** What only the supplier can say: the pack was read, and leaves it open. */
const asksOf = (food: Food, kitchen: Kitchen): readonly Substance[] =>
  substancesIn(
    foodTraces(food, kitchen)
      .filter(({ status, evidence }) => status === 'check' && evidence.kind === 'pack')
      .reduce((bits, trace) => bits | trace.bits, 0),
  );

function foodsOf({ lines }: Composed, into: Map<string, Food>): Map<string, Food> {
  for (const line of lines) {
    if (line.inner) foodsOf(line.inner, into);
    else if (line.food) into.set(line.food.id, line.food);
  }
  return into;
}

/** Whether something no pack can settle stands at check: an unknown food, a word of the text, shared equipment. */
const isOpenOtherwise = ({ traces }: Composed): boolean =>
  traces.some(({ status, evidence }) => status === 'check' && BEYOND_PACKS.has(evidence.kind));

/** Every open pack of a book of recipes. Components are read through; they are no dishes of their own. */
export function packsToRead(recipes: readonly Recipe[], book: Book, kitchen: Kitchen): PackToRead[] {
  const found = new Map<string, PackToRead>();
  const entryOf = (food: Food): PackToRead => {
    const known = found.get(food.id);
    if (known) return known;
    const pack = packOf(kitchen, food.id) ?? null;
    const disagreements = pack ? disagreementsOf(pack) : [];
    const asks = asksOf(food, kitchen);
    const entry = { foodId: food.id, name: food.name, pack, disagreements, asks, dishes: [], settles: 0 };
    found.set(food.id, entry);
    return entry;
  };
  for (const recipe of recipes) {
    if (recipe.isComponent) continue;
    const composed = compose(recipe, book, kitchen);
    const open = [...foodsOf(composed, new Map()).values()].filter((food) => isOpen(food, kitchen));
    for (const food of open) {
      const entry = entryOf(food);
      entry.dishes.push({ id: recipe.id, name: recipe.name });
      if (open.length === 1 && !isOpenOtherwise(composed)) entry.settles += 1;
    }
  }
  // What is on record and no dish uses yet waits too.
  for (const pack of kitchen.packs) {
    const food = book.foods.foods.get(pack.foodId);
    if (food && isOpen(food, kitchen)) entryOf(food);
  }
  return [...found.values()].sort(
    (one, other) =>
      other.settles - one.settles ||
      other.dishes.length - one.dishes.length ||
      one.name.localeCompare(other.name, 'en'),
  );
}
