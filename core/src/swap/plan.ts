/**
 * Serves a dish free from something: the best sets of swaps, exact by penalty over the whole recipe with its
 * components, or the lines for which there is none.
 */
import {
  animalStateOf,
  bitsOf,
  foodTraces,
  substancesExcludedBy,
  worstStatus,
  type SubstanceBits,
} from '../allergen';
import { packOf, passes, type FreeFromPolicy, type Kitchen } from '../kitchen';
import { NUTRIENTS } from '../nutrition';
import { US_DAILY_VALUES } from '../label';
import type { Book } from '../recipe/book';
import type { AppliedSwap, Recipe } from '../recipe/recipe';
import { compose, type Composed, type ComposedLine } from '../worksheet/compose';
import { homePortionGrams } from '../worksheet/wanted';
import { worksheet, type Worksheet, type WorksheetInput } from '../worksheet/worksheet';
import { WATER_ID, type SwapEntry } from './swap';

/** What each part of a plan's penalty weighs (convention: closeness first, then the plate, then the bother). */
export const PENALTY = {
  /** Per unit of taste and of texture lost. */
  closeness: 1,
  /** For each food changed. */
  change: 0.3,
  /** Per daily value of protein gained or lost in a portion. */
  protein: 1,
  /** Per daily value of sodium gained or lost in a portion. */
  sodium: 1,
} as const;

export interface PlannedSwap {
  lineId: string;
  /** From the dish's line down to the food that goes out. */
  path: string[];
  swapId: string;
  function: string;
  from: { foodId: string; name: string; grams: number };
  to: { foodId: string; name: string; grams: number }[];
  waterGrams: number;
  hint: string;
  taste: number;
  texture: number;
}

export interface SwapPlan {
  penalty: number;
  swaps: PlannedSwap[];
  /** What a variant stores to become this plan. */
  applied: AppliedSwap[];
  worksheet: Worksheet;
}

export interface Blocker {
  lineId: string;
  path: string[];
  name: string;
  reason: string;
}

export interface SwapAnswer {
  /** Least penalty first; one empty plan when the dish is free as it is. */
  plans: SwapPlan[];
  blockedBy: Blocker[];
}

export interface SwapQuestion extends WorksheetInput {
  /** Allergen ids ("nut") or substances ("almond"). */
  exclude: readonly string[];
  policy?: FreeFromPolicy;
}

interface Leaf {
  lineId: string;
  path: string[];
  line: ComposedLine;
  grams: number;
}

/** Every food of a dish with its grams in the home recipe, components opened to the bottom. */
function leavesOf(composed: Composed, share = 1, root: string | null = null, path: string[] = []): Leaf[] {
  return composed.lines.flatMap((line) => {
    const lineId = root ?? line.source.id;
    const grams = (line.weight?.grams ?? 0) * share;
    if (!line.inner) return [{ lineId, path: [...path, line.name], line, grams }];
    const inner = line.inner.finishedGrams > 0 ? grams / line.inner.finishedGrams : 0;
    return leavesOf(line.inner, inner, lineId, [...path, line.name]);
  });
}

interface Question {
  /** Everything that is excluded. */
  bits: SubstanceBits;
  policy: FreeFromPolicy;
  book: Book;
  kitchen: Kitchen;
  recipe: Recipe;
}

/**
 * Whether a food, or a component with all it holds, may stand in the answer: free by the policy, and a plant. What
 * depends on the pack may stay unread where the policy accepts that, but is never brought in unread.
 */
function isAllowed(id: string, question: Question, isBroughtIn: boolean): boolean {
  const { bits, policy, book, kitchen, recipe } = question;
  const food = book.foods.foods.get(id);
  if (food) {
    const mayStayUnread = !isBroughtIn && policy.check === 'accept';
    const animal = animalStateOf(food, kitchen);
    const isPlant = animal === 'plant' || (animal === 'check' && mayStayUnread);
    return isPlant && passes(worstStatus(foodTraces(food, kitchen), bits), policy);
  }
  const component = book.components.get(id);
  if (!component) return false;
  const inner = compose({ ...component, swaps: recipe.swaps }, book, kitchen);
  return passes(worstStatus(inner.traces, bits), policy);
}

/** The food a swap must start from: the one in the list, or the one an earlier swap took out of it. */
const originOf = (leaf: Leaf): string | null => leaf.line.swap?.entry.fromId ?? leaf.line.food?.id ?? null;

interface Choice {
  originId: string;
  leaves: Leaf[];
  entries: SwapEntry[];
}

function entriesFrom(originId: string, question: Question): SwapEntry[] {
  return [...question.book.swaps.values()].filter(
    (entry) => entry.fromId === originId && entry.to.every(({ foodId }) => isAllowed(foodId, question, true)),
  );
}

/** A line whose food is still open can be neither cleared nor swapped, unless the kitchen lets unread ones pass. */
const isUnsettled = ({ line }: Leaf, { policy }: Question): boolean =>
  !line.isFoodSure && policy.check === 'refuse';

function reasonOf(leaf: Leaf, question: Question): string {
  const { food } = leaf.line;
  if (!food) return 'nobody knows which food this is';
  if (isUnsettled(leaf, question)) return 'it is not settled yet which food this is: decide it first';
  if (animalStateOf(food, question.kitchen) === 'animal')
    return 'it comes from an animal and no plant swap is on file';
  const { kitchen, bits } = question;
  const isContained = worstStatus(foodTraces(food, kitchen), bits) === 'contains';
  if (!isContained && !packOf(kitchen, food.id)) {
    return 'nobody has checked its pack: record the pack, or find a swap that is checked';
  }
  const all = [...question.book.swaps.values()].filter((entry) => entry.fromId === originOf(leaf));
  if (all.length === 0) return 'no swap is on file that does its work in a dish';
  const functions = [...new Set(all.map((entry) => entry.function))].join(', ');
  return `every swap on file for its work (${functions}) brings in something excluded or unchecked`;
}

interface Drift {
  protein: number;
  sodium: number;
}

const PROTEIN = NUTRIENTS.indexOf('proteinG');
const SODIUM = NUTRIENTS.indexOf('sodiumMg');

/** Nutrient per gram, with unknown taken as nothing: a drift is a preference, not a printed figure. */
function perGram(id: string, index: number, book: Book): number {
  const value = book.foods.vectors.get(id)?.[index] ?? 0;
  return Number.isNaN(value) ? 0 : value;
}

/** What an entry adds to a portion's protein and sodium, in daily values. */
function driftOf(entry: SwapEntry, leaves: readonly Leaf[], portions: number, book: Book): Drift {
  const grams =
    leaves.reduce((sum, leaf) => sum + leaf.grams / (leaf.line.swap ? swapRatio(leaf) : 1), 0) / portions;
  const change = (index: number): number =>
    grams *
    (entry.to.reduce((sum, to) => sum + to.ratio * perGram(to.foodId, index, book), 0) -
      perGram(entry.fromId, index, book));
  return {
    protein: change(PROTEIN) / US_DAILY_VALUES.proteinG,
    sodium: change(SODIUM) / US_DAILY_VALUES.sodiumMg,
  };
}

/** Grams in the list for one gram taken out of it, for a leaf that an earlier swap put there. */
const swapRatio = (leaf: Leaf): number =>
  leaf.line.swap?.entry.to.find(({ foodId }) => foodId === leaf.line.food?.id)?.ratio ?? 1;

/** The part of an entry's penalty that does not depend on the other choices. */
const ownPenalty = (entry: SwapEntry): number =>
  PENALTY.closeness * (1 - entry.taste + (1 - entry.texture)) + PENALTY.change;

interface Combination {
  entries: SwapEntry[];
  penalty: number;
}

/**
 * The best combinations, one entry for each food throughout: depth-first over the foods, cut where the penalty so
 * far plus the least the rest can cost is no better than the worst kept. Exact: drift is never below zero.
 */
function bestCombinations(
  choices: readonly Choice[],
  portions: number,
  book: Book,
  most: number,
): Combination[] {
  const options = choices.map(({ entries, leaves }) =>
    entries
      .map((entry) => ({ entry, own: ownPenalty(entry), drift: driftOf(entry, leaves, portions, book) }))
      .sort((one, other) => one.own - other.own || (one.entry.id < other.entry.id ? -1 : 1)),
  );
  const leastFrom: number[] = [0];
  for (let index = options.length - 1; index >= 0; index -= 1) {
    leastFrom.unshift(leastFrom[0]! + (options[index]![0]?.own ?? 0));
  }
  const best: Combination[] = [];
  const visit = (index: number, entries: SwapEntry[], own: number, drift: Drift): void => {
    const worstKept = best.length < most ? Infinity : best[best.length - 1]!.penalty;
    if (own + leastFrom[index]! >= worstKept) return;
    if (index === options.length) {
      const penalty =
        own + PENALTY.protein * Math.abs(drift.protein) + PENALTY.sodium * Math.abs(drift.sodium);
      if (penalty >= worstKept) return;
      best.push({ entries, penalty });
      best.sort((one, other) => one.penalty - other.penalty);
      best.length = Math.min(best.length, most);
      return;
    }
    for (const option of options[index]!) {
      visit(index + 1, [...entries, option.entry], own + option.own, {
        protein: drift.protein + option.drift.protein,
        sodium: drift.sodium + option.drift.sodium,
      });
    }
  };
  visit(0, [], 0, { protein: 0, sodium: 0 });
  return best;
}

function plannedSwaps(choice: Choice, entry: SwapEntry, factor: number, book: Book): PlannedSwap[] {
  return choice.leaves.map((leaf) => {
    const out = (leaf.grams / swapRatio(leaf)) * factor;
    const name = (id: string): string =>
      book.foods.foods.get(id)?.name ?? book.components.get(id)?.name ?? id;
    return {
      lineId: leaf.lineId,
      path: leaf.path,
      swapId: entry.id,
      function: entry.function,
      from: { foodId: entry.fromId, name: name(entry.fromId), grams: out },
      to: entry.to.map(({ foodId, ratio }) => ({ foodId, name: name(foodId), grams: out * ratio })),
      waterGrams: out * entry.waterRatio,
      hint: entry.hint,
      taste: entry.taste,
      texture: entry.texture,
    };
  });
}

function gatherChoices(
  leaves: readonly Leaf[],
  question: Question,
): { choices: Choice[]; blockedBy: Blocker[] } {
  const offending = leaves.filter((leaf) => {
    const { food } = leaf.line;
    if (food?.id === WATER_ID && leaf.line.isFoodSure) return false;
    return !food || isUnsettled(leaf, question) || !isAllowed(food.id, question, false);
  });
  const choices = new Map<string, Choice>();
  const blockedBy: Blocker[] = [];
  for (const leaf of offending) {
    const originId = originOf(leaf);
    const known = originId === null ? undefined : choices.get(originId);
    const canSwap = originId !== null && !isUnsettled(leaf, question);
    const entries = canSwap ? (known?.entries ?? entriesFrom(originId, question)) : [];
    if (originId === null || entries.length === 0) {
      blockedBy.push({
        lineId: leaf.lineId,
        path: leaf.path,
        name: leaf.line.name,
        reason: reasonOf(leaf, question),
      });
    } else if (known) known.leaves.push(leaf);
    else choices.set(originId, { originId, leaves: [leaf], entries });
  }
  return { choices: [...choices.values()], blockedBy };
}

/**
 * The best plans to serve a dish free from some allergens. A variant's own exclusions are kept.
 * @param most how many plans at the most, best first
 */
export function planSwaps(asked: SwapQuestion, book: Book, most = 3): SwapAnswer {
  const { recipe, kitchen } = asked;
  const exclude = [...new Set([...recipe.freeFrom, ...asked.exclude])];
  const question: Question = {
    bits: bitsOf(exclude.flatMap((each) => substancesExcludedBy(each, kitchen))),
    policy: asked.policy ?? kitchen.policy,
    book,
    kitchen,
    recipe,
  };
  const composed = compose(recipe, book, kitchen);
  const { choices, blockedBy } = gatherChoices(leavesOf(composed), question);
  if (blockedBy.length > 0) return { plans: [], blockedBy };
  const portions = Math.max(1e-9, composed.finishedGrams / homePortionGrams(composed));
  const plans = bestCombinations(choices, portions, book, most).flatMap(({ entries, penalty }) => {
    const changed = new Set(choices.map(({ originId }) => originId));
    const applied = [
      ...recipe.swaps.filter(({ fromId }) => !changed.has(fromId)),
      ...entries.map(({ id, fromId }) => ({ fromId, swapId: id })),
    ];
    const variant: Recipe = { ...recipe, swaps: applied, freeFrom: exclude };
    const sheet = worksheet({ ...asked, recipe: variant }, book);
    const traces = compose(variant, book, kitchen).traces;
    if (!passes(worstStatus(traces, question.bits), question.policy)) return [];
    const swaps = choices.flatMap((choice, index) =>
      plannedSwaps(choice, entries[index]!, sheet.factor, book),
    );
    return [{ penalty, swaps, applied, worksheet: sheet }];
  });
  return { plans, blockedBy };
}
