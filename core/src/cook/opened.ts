/** A batch that is opened to be cooked: everything it was planned from, frozen, and what its entries brought in since. */
import { homeTarget } from '../batch';
import { type Food, foodSet, WATER_ID } from '../food';
import { type FreeFromPolicy, type Kitchen, type Pack, packOf } from '../kitchen';
import { type Lot, withLotFoods } from '../lot';
import { freeze, type FrozenInputs } from '../paper';
import { type Book, bookOf, EMPTY_STEP_READING, type Recipe, type RecipeStep } from '../recipe';
import { type CookedFood, cookedItem } from '../stock';
import { type Worksheet, worksheet, type WorksheetInput } from '../worksheet';
import type { EntryBody } from './log';

/** What entries speak of that the recipe did not: as it stood when it went in. A component is a food with all it is made of. */
export interface BroughtIn {
  foods: readonly Food[];
  packs: readonly Pack[];
}

export interface OpenedBatch {
  code: string;
  kitchenId: string;
  recipeId: string;
  name: string;
  /** The service it is cooked for, and what of it; null and empty where it is for none. */
  serviceId: string | null;
  serviceName: string;
  /** Who it is for: names of groups. */
  groups: readonly string[];
  /** What it is to be free from: allergen ids. */
  claim: readonly string[];
  /** What counts as free for those it is for: the strictest policy among them. */
  policy: FreeFromPolicy;
  /** Portions that are to be served of it; null where nobody counts any. */
  heads: number | null;
  /** ISO date, in the kitchen's own day. */
  madeOn: string;
  useBy: string | null;
  /** ISO instant, and the name of who opened it. */
  openedAt: string;
  openedBy: string;
  inputs: FrozenInputs;
  brought: BroughtIn;
  /** What went in from other batches and from the store, as it is known now; none before anybody looked. */
  lots?: readonly Lot[];
}

/** Starches a pot is thickened with, slaked in cold water: pure, and bound by the same weight (convention). */
export const THICKENERS = ['cornflour', 'potato-starch'] as const;

/** What may be needed at any stove to mend a pot, as it stands when the batch is opened. */
export function mendingFoods({ foods }: Book, kitchen: Kitchen): BroughtIn {
  const ids = [WATER_ID, ...THICKENERS];
  return {
    foods: ids.flatMap((id) => foods.foods.get(id) ?? []),
    packs: ids.flatMap((id) => packOf(kitchen, id) ?? []),
  };
}

/** A component that was made before as a food of its own id: no swap of this dish reaches into what stands ready. */
function componentAsFood(component: Recipe, book: Book, kitchen: Kitchen, madeOn: string): CookedFood {
  const { id, name } = component;
  const input = { recipe: component, kitchen, target: homeTarget(component, book, kitchen) };
  const { cooked } = cookedItem(input, { id, kind: 'made-ahead', grams: 1, madeOn, lot: '' }, book);
  return {
    ...cooked!,
    food: { ...cooked!.food, id, name },
    pack: { ...cooked!.pack, foodId: id, productName: name },
  };
}

/** A batch with the foods and components that entries name and it does not have, as they stand in a book and a kitchen now; itself where it has them all. */
export function withBrought(
  opened: OpenedBatch,
  bodies: readonly EntryBody[],
  book: Book,
  kitchen: Kitchen,
): OpenedBatch {
  const { inputs, brought } = opened;
  const inside = new Set([...inputs.foods, ...inputs.components, ...brought.foods].map(({ id }) => id));
  const said = bodies.map((body) => (body.kind === 'correction' ? (body.instead ?? body) : body));
  const ids = new Set(
    said.flatMap((body) => ('foodId' in body && !inside.has(body.foodId) ? [body.foodId] : [])),
  );
  const foods = [...brought.foods];
  const packs = [...brought.packs];
  for (const id of ids) {
    const food = book.foods.foods.get(id);
    const component = book.components.get(id);
    if (food) {
      foods.push(food);
      const pack = packOf(kitchen, id);
      if (pack) packs.push(pack);
    } else if (component) {
      const made = componentAsFood(component, book, kitchen, opened.madeOn);
      foods.push(made.food);
      packs.push(made.pack);
    }
  }
  if (foods.length === brought.foods.length) return opened;
  return { ...opened, brought: { foods, packs } };
}

/** Freezes what a batch is opened with. The groups of the kitchen are kept: they say who must not have what. */
export function openingInputs(input: WorksheetInput, book: Book): FrozenInputs {
  const frozen = freeze(input, book);
  return { ...frozen, kitchen: { ...frozen.kitchen, diners: input.kitchen.diners } };
}

/** Id of the one step of a recipe that tells none. */
export const ONLY_STEP = 'all';

/** The steps a batch is cooked by: those of its recipe; where it tells none, everything goes in at once. */
export function cookSteps({ steps, lines }: Recipe): readonly RecipeStep[] {
  if (steps.length > 0) return steps;
  const lineIds = lines.map(({ id }) => id);
  return [
    {
      id: ONLY_STEP,
      text: 'The recipe tells no steps: everything goes in.',
      reading: { ...EMPTY_STEP_READING, lineIds },
    },
  ];
}

/** The ground of an opened batch: the book and the kitchen it is worked out with. */
export interface CookGround {
  opened: OpenedBatch;
  book: Book;
  /** The recipe as planned, and its worksheet. */
  recipe: Recipe;
  steps: readonly RecipeStep[];
  planned: Worksheet;
}

const STEPS = new WeakMap<Recipe, readonly RecipeStep[]>();
/** The same steps each time: they are told apart by identity. */
function stepsOnce(recipe: Recipe): readonly RecipeStep[] {
  const known = STEPS.get(recipe) ?? cookSteps(recipe);
  STEPS.set(recipe, known);
  return known;
}

const GROUNDS = new WeakMap<OpenedBatch, CookGround>();

/** The ground of a batch; worked out once for one and the same opening. */
export function groundOfBatch(opened: OpenedBatch): CookGround {
  const known = GROUNDS.get(opened);
  if (known) return known;
  const { brought, lots = [] } = opened;
  // Leftovers of the recipe are as they are known now, not as they were when the batch was opened.
  const held = withLotFoods({ foods: opened.inputs.foods, packs: opened.inputs.kitchen.packs }, lots);
  const inputs: FrozenInputs = {
    ...opened.inputs,
    foods: held.foods,
    kitchen: { ...opened.inputs.kitchen, packs: held.packs },
  };
  const { recipe, components, swaps, namedFoods = [], knownWords = [], vesselIds, target, style } = inputs;
  const has = new Set(inputs.foods.map(({ id }) => id));
  const foods = [...inputs.foods, ...brought.foods.filter(({ id }) => !has.has(id))];
  const all = new Set(foods.map(({ id }) => id));
  const named = namedFoods.filter(({ id }) => !all.has(id));
  const book = bookOf(foodSet([...foods, ...named], components, knownWords), components, swaps);
  const packed = new Set(inputs.kitchen.packs.map(({ foodId }) => foodId));
  const kitchen = {
    ...inputs.kitchen,
    packs: [...inputs.kitchen.packs, ...brought.packs.filter(({ foodId }) => !packed.has(foodId))],
  };
  const planned = worksheet({ recipe, kitchen, target, vesselIds, labelStyle: style }, book);
  const ground = {
    opened: { ...opened, inputs: { ...inputs, kitchen } },
    book,
    recipe,
    steps: stepsOnce(recipe),
    planned,
  };
  GROUNDS.set(opened, ground);
  return ground;
}
