/** The foods that were written into a dish, at any depth: what a mention of its text may stand for. */
import { nameWords, type SubstanceBits } from '../food';
import { type Book, foodIdOf, isFoodSure, type Recipe } from '../recipe';
import { bitsOfFood, type Lexicon } from './lexicon';

/** A food that was written into the dish or one of its components, with its names. */
export interface Written {
  /** The dish's line; null inside a component. */
  lineId: string | null;
  foodId: string;
  names: readonly string[];
  /** As the cook wrote it. */
  written: string;
  /** What it surely holds as written, and what of it is still in the dish after swaps. */
  contains: SubstanceBits;
  holds: SubstanceBits;
}

const NAMES = new WeakMap<object, readonly string[]>();

function namesOf(foodId: string, book: Book): readonly string[] {
  const food = book.foods.foods.get(foodId);
  const component = book.components.get(foodId);
  const owner = food ?? component;
  if (!owner) return [];
  let names = NAMES.get(owner);
  if (!names) {
    const written = food ? [food.name, food.labelName, ...food.synonyms] : [component!.name];
    NAMES.set(owner, (names = written.map((name) => nameWords(name).join(' '))));
  }
  return names;
}

/** The dish whose recipes are opened, and what they are read by. */
interface Within {
  dish: Recipe;
  book: Book;
  lexicon: Lexicon;
}

/** The foods of a recipe as written and answered, opened to any depth; what a swap took out holds nothing any more. */
export function writtenIn(recipe: Recipe, within: Within, seen: ReadonlySet<string>): Written[] {
  const { dish, book, lexicon } = within;
  const isInner = recipe !== dish;
  const swapped = new Map(dish.swaps.map(({ fromId, swapId }) => [fromId, swapId]));
  return recipe.lines.flatMap((line): Written[] => {
    const foodId = foodIdOf(line);
    if (foodId === null) return [];
    const lineId = isInner ? null : line.id;
    const surely = isFoodSure(line) ? bitsOfFood(foodId, lexicon).contains : 0;
    const own: Written = {
      lineId,
      foodId,
      names: namesOf(foodId, book),
      written: isInner ? '' : nameWords(line.reading.foodText).join(' '),
      contains: surely,
      holds: swapped.has(foodId) ? 0 : surely,
    };
    const entry = swapped.has(foodId) ? book.swaps.get(swapped.get(foodId)!) : undefined;
    const brought = (entry?.to ?? []).map((to): Written => ({
      lineId,
      foodId: to.foodId,
      names: namesOf(to.foodId, book),
      written: '',
      contains: bitsOfFood(to.foodId, lexicon).contains,
      holds: bitsOfFood(to.foodId, lexicon).contains,
    }));
    const component = book.components.get(foodId);
    if (!component || seen.has(foodId)) return [own, ...brought];
    const inner = writtenIn(component, within, new Set([...seen, foodId]));
    return [own, ...brought, ...inner];
  });
}
