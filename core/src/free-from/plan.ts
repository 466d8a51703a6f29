/**
 * Serves a dish free from something: the best sets of swaps, exact by penalty over the whole recipe with its
 * components, or the lines and the equipment for which there is none.
 */
import { foodTraces, touches } from '../allergen';
import { homePortionGrams } from '../batch';
import { compose, type Composed } from '../dish';
import type { AllergenStatus, SwapEntry, SwapFunction } from '../food';
import type { AppliedSwap, Book, Recipe } from '../recipe';
import { type Asked, leavesOf, workAt } from '../swap';
import { type Worksheet, worksheet, type WorksheetInput } from '../worksheet';
import {
  blockedWhole,
  type Blocker,
  blockersOf,
  combinationBlockers,
  isAgainst,
  offendingEquipment,
} from './blockers';
import { type Choice, choicesIn, problemOf } from './problem';
import { askedOf, type SwapQuestion } from './question';
import { type Found, searchSteps } from './search';

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

/** A food whose work the recipe leaves open: the cook may say what it does, and is answered anew. */
export interface OpenWork {
  foodId: string;
  name: string;
  /** "it thickens or binds". */
  words: string;
  works: SwapFunction[];
}

/** What would free a dish that only unread packs block: read them, and if nothing excluded is on them, this holds. */
export interface IfRead {
  packs: { foodId: string; name: string }[];
  swaps: PlannedSwap[];
}

export interface SwapAnswer {
  /** Least penalty first; one empty plan when the dish is free as it is. */
  plans: SwapPlan[];
  blockedBy: Blocker[];
  open: OpenWork[];
  ifRead: IfRead | null;
}

/** How far a long answer has come. */
export interface Progress {
  stage: string;
  done: number;
  /** Of how many; null where nobody can know. */
  of: number | null;
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

/** A found combination as a plan; what stands against it where the whole still holds what is excluded. */
function planOf(found: Found, ready: Ready): SwapPlan | Blocker[] {
  const { question, asked, choices, apart, before } = ready;
  const entries = found.options.map((option, index) => choices[index]!.entries[option]!);
  const variant = variantOf(question.recipe, choices, entries, ready);
  const composed = compose(variant, asked.book, asked.kitchen);
  if (composed.traces.some((trace) => isAgainst(trace, asked))) return blockedWhole(composed, asked);
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

/** Foods that must go, of which the recipe does not say what they do, where swaps for more than one work are on file. */
function openWorks(choices: readonly Choice[], asked: Asked): OpenWork[] {
  return choices.flatMap(({ originId, leaves, entries }): OpenWork[] => {
    const food = asked.foodOf(originId);
    if (!food) return [];
    const told = leaves.map(({ line, scope }) => workAt(food, line, scope)).find((each) => each?.isOpen);
    const works = told
      ? [...told.works].filter((work) => entries.some((each) => each.function === work))
      : [];
    const name = asked.nameOf(originId);
    return told && works.length > 1 ? [{ foodId: originId, name, words: told.words, works }] : [];
  });
}

/** The packs to read for a plan that holds only if they are clear: of what stays in the dish and of what comes in. */
function* ifReadSteps(question: SwapQuestion, book: Book): Generator<Progress, IfRead | null> {
  const { plans } = yield* planSteps({ ...question, asIfRead: true }, book, 1);
  const [plan] = plans;
  if (!plan) return null;
  const asked = askedOf(question, book);
  const swaps = [
    ...question.recipe.swaps.filter(({ fromId }) => !plan.applied.some((each) => each.fromId === fromId)),
    ...plan.applied,
  ];
  const composed = compose(
    { ...question.recipe, swaps, apart: [...question.recipe.apart, ...plan.apart.map(({ id }) => id)] },
    book,
    question.kitchen,
  );
  const packs = new Map<string, string>();
  for (const { id, line } of leavesOf(composed)) {
    if (id === null || !line.food) continue;
    const isUnread = foodTraces(line.food, question.kitchen).some(
      (trace) => trace.status === 'check' && touches(trace, line.swap ? asked.unwantedIn : asked.wanted),
    );
    if (isUnread && (line.swap || asked.policy.check === 'refuse')) packs.set(id, line.food.name);
  }
  return packs.size === 0
    ? null
    : { packs: [...packs].map(([foodId, name]) => ({ foodId, name })), swaps: plan.swaps };
}

/** A dish that no plan frees; where only unread packs are in the way, which they are. */
function* blockedSteps(
  question: SwapQuestion,
  book: Book,
  blockedBy: Blocker[],
  open: OpenWork[] = [],
): Generator<Progress, SwapAnswer> {
  const isFinal = question.asIfRead || blockedBy.some(({ asks }) => asks.length > 0);
  const ifRead = isFinal ? null : yield* ifReadSteps(question, book);
  return { plans: [], blockedBy, open, ifRead };
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
  if (blockedBy.length > 0) return yield* blockedSteps(question, book, blockedBy);
  yield { stage: 'Looking for the best swaps', done: 0, of: null };
  const steps = searchSteps(problemOf(composed, leaves, choices, asked), most);
  let step = steps.next();
  for (; !step.done; step = steps.next())
    yield { stage: 'Looking for the best swaps', done: step.value, of: null };
  const open = openWorks(choices, asked);
  if (step.value.length === 0) return yield* blockedSteps(question, book, combinationBlockers(choices), open);
  const ready: Ready = {
    question,
    asked,
    choices,
    apart: question.isApart ? offendingEquipment(composed, asked).map(({ id, name }) => ({ id, name })) : [],
    before: { sheet: worksheet(question, book), composed },
  };
  const plans: SwapPlan[] = [];
  let against: Blocker[] = [];
  for (const [index, found] of step.value.entries()) {
    yield { stage: 'Working out what each changes', done: index, of: step.value.length };
    const plan = planOf(found, ready);
    if (!Array.isArray(plan)) plans.push(plan);
    else if (against.length === 0) against = plan;
  }
  if (plans.length === 0) return yield* blockedSteps(question, book, against, open);
  return { plans, blockedBy: [], open, ifRead: null };
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
