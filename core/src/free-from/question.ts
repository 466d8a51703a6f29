/** What is asked of a plan, and whether a food may stand in its answer. */
import type { SwapFunction } from '../food';
import type { FreeFromPolicy } from '../kitchen';
import type { Book } from '../recipe';
import { Asked } from '../swap';
import type { WorksheetInput } from '../worksheet';

export interface SwapQuestion extends WorksheetInput {
  /** Allergens ("nut"), own entries, substances ("almond"), or the whole-food standard, by id. */
  exclude: readonly string[];
  policy?: FreeFromPolicy;
  /** It will be cooked apart, on clean equipment: shared equipment does not count, and the variant says so. */
  isApart?: boolean;
  /** What the cook says that a food does here, by its id, where the recipe leaves it open. */
  works?: Readonly<Record<string, SwapFunction>>;
  /** As if every pack that nobody has read were read, and clear: for the answer that names the packs to read. */
  asIfRead?: boolean;
}

/** The question of an input, with the kitchen's own policy where none is given. */
export const askedOf = (question: SwapQuestion, book: Book): Asked =>
  new Asked(
    question.recipe,
    { exclude: question.exclude, policy: question.policy ?? question.kitchen.policy },
    question.kitchen,
    book,
    { works: question.works, asIfRead: question.asIfRead },
  );
