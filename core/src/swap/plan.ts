/**
 * Serves a dish free from something: the best sets of swaps, exact by penalty over the whole recipe with its
 * components, or the lines and the equipment for which there is none.
 */
import {
  animalStateOf,
  foodTraces,
  touches,
  worstStatus,
  type AllergenStatus,
  type Trace,
} from '../allergen';
import { packOf, passes } from '../kitchen';
import type { Book } from '../recipe/book';
import type { AppliedSwap, Recipe } from '../recipe/recipe';
import { compose, type Composed } from '../worksheet/compose';
import { homePortionGrams } from '../worksheet/wanted';
import { worksheet, type Worksheet, type WorksheetInput } from '../worksheet/worksheet';
import { leavesOf, type Leaf } from './leaves';
import {
  choicesIn,
  isUnsettled,
  problemOf,
  type BlockedLeaf,
  type Choice,
  type RefusedSwap,
} from './problem';
import { askedOf, type Asked, type SwapQuestion } from './question';
import { searchSteps, type Found } from './search';
import { mustSet } from './setting';
import type { SwapEntry, SwapFunction } from './swap';

export interface PlannedSwap {
  lineId: string;
  /** From the dish's line down to the food that goes out. */
  path: string[];
  swapId: string;
  function: SwapFunction;
  from: { foodId: string; name: string; grams: number };
  to: { foodId: string; name: string; grams: number; ratio: number }[];
  waterGrams: number;
  hint: string;
  taste: number;
  texture: number;
  source: string;
}

/** An allergen or standard that stands otherwise after a plan. */
export interface FlagChange {
  id: string;
  name: string;
  before: AllergenStatus;
  after: AllergenStatus;
}

/** What a plan changes of one portion. */
export interface PortionDrift {
  proteinG: number;
  fibreG: number;
  sodiumMg: number;
  /** Money a portion, before and after, by packs on record and price classes; lines without a price are named. */
  costBefore: number;
  costAfter: number;
  unpriced: string[];
}

export interface SwapPlan {
  penalty: number;
  swaps: PlannedSwap[];
  /** Shared equipment it must be kept off. */
  apart: { id: string; name: string }[];
  /** Closeness in taste and texture, 0 to 1: what goes in, weighed by what went out. */
  closeness: number;
  flags: FlagChange[];
  drift: PortionDrift;
  /** What a variant stores to become this plan. */
  applied: AppliedSwap[];
  exclude: string[];
  worksheet: Worksheet;
}

export interface Blocker {
  /** Empty where it is not a line. */
  lineId: string;
  path: string[];
  name: string;
  /** What the food does in the dish, by the swaps on file; empty where none is. */
  functions: string[];
  reason: string;
  /** Every swap on file for it, and why it is not taken. */
  refused: RefusedSwap[];
}

export interface SwapAnswer {
  /** Least penalty first; one empty plan when the dish is free as it is. */
  plans: SwapPlan[];
  blockedBy: Blocker[];
}

/** How far a long answer has come. */
export interface Progress {
  stage: string;
  done: number;
  /** Of how many; null where nobody can know. */
  of: number | null;
}

function reasonOf({ leaf, refused }: BlockedLeaf, asked: Asked): string {
  const { food } = leaf.line;
  if (leaf.id === null) return 'nobody knows which food this is';
  if (isUnsettled(leaf, asked)) return 'it is not settled yet which food this is: decide it first';
  const isRead = food !== null && packOf(asked.kitchen, food.id) !== null;
  const isContained =
    food === null || worstStatus(foodTraces(food, asked.kitchen), asked.wanted) === 'contains';
  const isUnread = !isContained && !isRead;
  const ask = isUnread
    ? 'nobody has checked its pack: record the pack, or find a swap that is checked. '
    : '';
  if (refused.length === 0) {
    const isAnimal = food !== null && animalStateOf(food, asked.kitchen) === 'animal';
    return isUnread
      ? ask.replace(/\. $/, '')
      : isAnimal
        ? 'it comes from an animal and no plant swap is on file'
        : 'no swap is on file that does its work in a dish';
  }
  const few = [...new Set(refused.map((each) => `${each.to}: ${each.reason}`))];
  const reasons = few.slice(0, MOST_REASONS).join('; ');
  const more = few.length > MOST_REASONS ? `; ${few.length - MOST_REASONS} more` : '';
  return `${ask}none of the swaps on file for it will do here. ${reasons}${more}`;
}

/** Reasons told with a blocked line; the rest stand in the list of what was refused. */
const MOST_REASONS = 2;

/** What a food does in a dish: by the larder, else by the swaps that would take it out. */
const workOfFood = ({ line }: Leaf, refused: readonly RefusedSwap[]): string[] =>
  line.food && line.food.functions.length > 0
    ? [...line.food.functions]
    : [...new Set(refused.map((each) => each.function))];

function blockerOf(blocked: BlockedLeaf, asked: Asked): Blocker {
  const { leaf, refused } = blocked;
  return {
    lineId: leaf.lineId,
    path: leaf.path,
    name: leaf.line.name,
    functions: workOfFood(leaf, refused),
    reason: reasonOf(blocked, asked),
    refused,
  };
}

const plain = (reason: string, name: string, path: string[] = []): Blocker => ({
  lineId: '',
  path,
  name,
  functions: [],
  reason,
  refused: [],
});

/** Every single choice has a swap, but no combination keeps the mix together or its shares. */
function combinationBlockers(choices: readonly Choice[]): Blocker[] {
  return choices
    .filter(
      ({ leaves, entries }) =>
        leaves.some(({ scope }) => mustSet(scope.recipe)) ||
        entries.some(({ limits }) => limits.mostShare !== null),
    )
    .map(({ leaves, entries }) => {
      const leaf = leaves[0]!;
      const isShaped = leaves.some(({ scope }) => mustSet(scope.recipe));
      return {
        lineId: leaf.lineId,
        path: leaf.path,
        name: leaf.line.name,
        functions: isShaped ? ['binder'] : [...new Set(entries.map((each) => each.function))],
        reason: isShaped
          ? `the mix of ${leaf.scope.recipe.name} is shaped or rolled: with any swap on file too little is left that binds it, so it would not hold`
          : 'any swap on file would be more of the mix than it can carry',
        refused: [],
      };
    });
}

const isAgainst = (trace: Trace, asked: Asked): boolean =>
  touches(trace, asked.wanted) && !passes(trace.status, asked.policy);

/** The shared equipment that brings what is excluded. */
function offendingEquipment(composed: Composed, asked: Asked): { id: string; name: string; route: string }[] {
  const routes = composed.traces.filter(
    (each) => each.evidence.kind === 'equipment' && isAgainst(each, asked),
  );
  return asked.kitchen.shared.flatMap(({ id, name }) => {
    const trace = routes.find(({ path }) => path[path.length - 2] === name);
    return trace ? [{ id, name, route: trace.route }] : [];
  });
}

function plannedSwaps(choice: Choice, entry: SwapEntry, factor: number, asked: Asked): PlannedSwap[] {
  return choice.leaves
    .filter(({ originGrams, line }) => originGrams > 0 || line.weight === null)
    .map((leaf) => {
      const out = leaf.originGrams * factor;
      return {
        lineId: leaf.lineId,
        path: leaf.line.swap ? [...leaf.path.slice(0, -1), asked.nameOf(entry.fromId)] : leaf.path,
        swapId: entry.id,
        function: entry.function,
        from: { foodId: entry.fromId, name: asked.nameOf(entry.fromId), grams: out },
        to: entry.to.map(({ foodId, ratio }) => ({
          foodId,
          name: asked.nameOf(foodId),
          grams: out * ratio,
          ratio,
        })),
        waterGrams: out * entry.waterRatio,
        hint: entry.hint,
        taste: entry.taste,
        texture: entry.texture,
        source: entry.source,
      };
    });
}

/** What the lines of a home recipe cost a portion, and the lines nobody can price. */
export function portionCost(composed: Composed, asked: Asked): { cost: number; unpriced: string[] } {
  const portions = Math.max(1e-9, composed.finishedGrams / homePortionGrams(composed));
  const unpriced = new Set<string>();
  let cost = 0;
  for (const { id, grams, line } of leavesOf(composed)) {
    const per = id === null ? null : asked.figuresOf(id).cost;
    if (per === null) unpriced.add(line.name);
    else cost += per * grams;
  }
  return { cost: cost / portions, unpriced: [...unpriced] };
}

/** What stands otherwise in one worksheet than in another, standards too. */
export function flagChanges(before: Worksheet, after: Worksheet): FlagChange[] {
  const earlier = new Map([...before.allergens, ...before.standards].map(({ id, status }) => [id, status]));
  return [...after.allergens, ...after.standards].flatMap(({ id, name, status }) => {
    const was = earlier.get(id) ?? 'clear';
    return was === status ? [] : [{ id, name, before: was, after: status }];
  });
}

export function portionDrift(
  before: { sheet: Worksheet; composed: Composed },
  after: { sheet: Worksheet; composed: Composed },
  asked: Asked,
): PortionDrift {
  const [was, is] = [before.sheet.nutrition.perPortion, after.sheet.nutrition.perPortion];
  const [costBefore, costAfter] = [portionCost(before.composed, asked), portionCost(after.composed, asked)];
  return {
    proteinG: is.proteinG - was.proteinG,
    fibreG: is.fibreG - was.fibreG,
    sodiumMg: is.sodiumMg - was.sodiumMg,
    costBefore: costBefore.cost,
    costAfter: costAfter.cost,
    unpriced: [...new Set([...costBefore.unpriced, ...costAfter.unpriced])],
  };
}

function closenessOf(choices: readonly Choice[], entries: readonly SwapEntry[]): number {
  let [sum, grams] = [0, 0];
  choices.forEach(({ leaves }, index) => {
    const out = leaves.reduce((all, leaf) => all + leaf.originGrams, 0);
    sum += out * ((entries[index]!.taste + entries[index]!.texture) / 2);
    grams += out;
  });
  return grams > 0 ? sum / grams : 1;
}

interface Ready {
  question: WorksheetInput;
  asked: Asked;
  choices: readonly Choice[];
  apart: { id: string; name: string }[];
  before: { sheet: Worksheet; composed: Composed };
}

/** The recipe a combination makes. */
function variantOf(
  recipe: Recipe,
  choices: readonly Choice[],
  entries: readonly SwapEntry[],
  ready: Pick<Ready, 'asked' | 'apart'>,
): Recipe {
  const changed = new Set(choices.map(({ originId }) => originId));
  return {
    ...recipe,
    swaps: [
      ...recipe.swaps.filter(({ fromId }) => !changed.has(fromId)),
      ...entries.map(({ id, fromId }) => ({ fromId, swapId: id })),
    ],
    freeFrom: [...ready.asked.exclude],
    apart: [...new Set([...recipe.apart, ...ready.apart.map(({ id }) => id)])],
  };
}

/** The swaps a variant keeps for itself: those of its parent follow by themselves. */
function appliedOf(asked: Recipe, variant: Recipe): AppliedSwap[] {
  const ofParent =
    asked.parentId === null ? asked.swaps : asked.swaps.filter(({ isInherited }) => isInherited);
  return variant.swaps
    .filter(
      ({ fromId, swapId }) => !ofParent.some((each) => each.fromId === fromId && each.swapId === swapId),
    )
    .map(({ fromId, swapId }) => ({ fromId, swapId }));
}

/** A found combination as a plan; null where the whole still holds what is excluded, which is never shown. */
function planOf(found: Found, ready: Ready): SwapPlan | null {
  const { question, asked, choices, apart, before } = ready;
  const entries = found.options.map((option, index) => choices[index]!.entries[option]!);
  const variant = variantOf(question.recipe, choices, entries, ready);
  const composed = compose(variant, asked.book, asked.kitchen);
  if (composed.traces.some((trace) => isAgainst(trace, asked))) return null;
  const sheet = worksheet({ ...question, recipe: variant }, asked.book);
  return {
    penalty: found.penalty,
    swaps: choices.flatMap((choice, index) => plannedSwaps(choice, entries[index]!, sheet.factor, asked)),
    apart,
    closeness: closenessOf(choices, entries),
    flags: flagChanges(before.sheet, sheet),
    drift: portionDrift(before, { sheet, composed }, asked),
    applied: appliedOf(question.recipe, variant),
    exclude: [...asked.exclude],
    worksheet: sheet,
  };
}

const blockedWhole = (composed: Composed, asked: Asked): Blocker[] => {
  const routes = composed.traces.filter((trace) => isAgainst(trace, asked)).map(({ route }) => route);
  const reason = 'every swap on file brings it back by another way';
  return [...new Set(routes)].slice(0, 5).map((route) => plain(reason, route, route.split(' > ')));
};

/** What blocks a question before any search: lines without a swap, equipment, words nobody knows. */
export function blockersOf(
  composed: Composed,
  blocked: readonly BlockedLeaf[],
  asked: Asked,
  isApart: boolean,
): Blocker[] {
  const equipment = isApart ? [] : offendingEquipment(composed, asked);
  return [
    ...asked.unknown.map((each) => plain('nobody knows in this kitchen what that is', each)),
    ...blocked.map((each) => blockerOf(each, asked)),
    ...equipment.map(({ name, route }) =>
      plain(
        `it goes through the ${name.toLowerCase()}, which is shared: cook it apart, on clean equipment`,
        name,
        route.split(' > '),
      ),
    ),
  ];
}

/**
 * The best plans to serve a dish free from some things, told step by step so that it can be stopped. A variant's own
 * exclusions are kept.
 * @param most how many plans at the most, best first
 */
export function* planSteps(question: SwapQuestion, book: Book, most = 3): Generator<Progress, SwapAnswer> {
  const { recipe, kitchen } = question;
  const asked = askedOf(question, book);
  const composed = compose(recipe, book, kitchen);
  const { choices, blocked, leaves } = choicesIn(composed, asked);
  const blockedBy = blockersOf(composed, blocked, asked, question.isApart ?? false);
  if (blockedBy.length > 0) return { plans: [], blockedBy };
  yield { stage: 'Looking for the best swaps', done: 0, of: null };
  const steps = searchSteps(problemOf(composed, leaves, choices, asked), most);
  let step = steps.next();
  for (; !step.done; step = steps.next())
    yield { stage: 'Looking for the best swaps', done: step.value, of: null };
  if (step.value.length === 0) return { plans: [], blockedBy: combinationBlockers(choices) };
  const ready: Ready = {
    question,
    asked,
    choices,
    apart: question.isApart ? offendingEquipment(composed, asked).map(({ id, name }) => ({ id, name })) : [],
    before: { sheet: worksheet(question, book), composed },
  };
  const plans: SwapPlan[] = [];
  for (const [index, found] of step.value.entries()) {
    yield { stage: 'Working out what each changes', done: index, of: step.value.length };
    const plan = planOf(found, ready);
    if (plan) plans.push(plan);
  }
  return { plans, blockedBy: plans.length > 0 ? [] : blockedWhole(composed, asked) };
}

/** Runs a stepwise answer at one go. */
export function atOnce<T>(steps: Generator<Progress, T>): T {
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
  }
}

/** The same at one go. */
export const planSwaps = (question: SwapQuestion, book: Book, most = 3): SwapAnswer =>
  atOnce(planSteps(question, book, most));
