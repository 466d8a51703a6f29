/** What a recipe is made of at home size, components opened to any depth: weight, nutrients, traces, statement. */
import { containedIn, equipmentTraces, type Trace, tracesOf } from '../allergen';
import { mentionsOf } from '../audit';
import { type Finding, finding } from '../finding';
import { type Food, inSentence, isWater } from '../food';
import { type Kitchen, packOf } from '../kitchen';
import {
  addFood,
  addSum,
  addUnknown,
  emptySum,
  keptShares,
  type NutrientSum,
  vectorHere,
} from '../nutrition';
import { type Book, cookingsIn, type Recipe, type RecipeStep } from '../recipe';
import { markBaths } from './baths';
import type { Composed, ComposedLine } from './composed';
import { mentionFindings, mentionTraces } from './named';
import { equipmentUsed, type Follows, standardize, type StandardLine } from './standard';
import { gathered, inOrder, type StatementItem } from './statement-items';
import { absorbedWater, markedSteam, pressedWater, steamOf, waterIn } from './steam';
import { subIngredients } from './sub-ingredients';

/** What the part of a line that ends in the food goes by: what fried food takes up follows the food, not the pan. */
export const foodFollows = ({ takenUp, follows }: Pick<ComposedLine, 'takenUp' | 'follows'>): Follows =>
  takenUp < 1 ? 'batch' : follows;

interface Context {
  dish: Recipe;
  book: Book;
  kitchen: Kitchen;
  done: Map<string, Composed>;
  /** Names of the recipes being opened, outermost first. */
  opening: { id: string; name: string }[];
  /** A component contains itself: what was composed on the way depends on where it began. */
  hasCycle: boolean;
}

interface Kept {
  book: Book;
  kitchen: Kitchen;
  composed: Composed;
}
/** Dishes, and components as they are where nothing of them is swapped. */
const KEPT = new WeakMap<Recipe, Kept>();
const OPENED = new WeakMap<Recipe, Kept>();

const NO_ITEMS: readonly StatementItem[] = [];
const NO_NAMES = {};

// Whole literals here and below, no spreads: this runs for every line at every keystroke.
function statementItem(line: ComposedLine, kitchen: Kitchen): StatementItem {
  const { food, inner } = line;
  const isProduct = food?.kind === 'product';
  const pack = isProduct ? packOf(kitchen, food.id) : null;
  return {
    name: food?.labelName ?? (inner ? inSentence(line.name) : line.name),
    foodId: food?.id ?? null,
    names: food?.labelNames ?? inner?.recipe.packed?.names ?? NO_NAMES,
    grams: (line.weight?.grams ?? 0) * line.takenUp,
    substances: food ? containedIn(food, kitchen) : [],
    parts: inner ? inner.statement : NO_ITEMS,
    statementText: pack ? subIngredients(pack.statement, food!.labelName) : '',
    isWater: isWater(food),
    follows: foodFollows(line),
    isUnrecorded: inner ? false : !food || (isProduct && !pack?.isConfirmed),
  };
}

/** The foods a line leaves to choose from, where nothing else about it is open and each is known; null otherwise. */
function choicesOf({ source, isFoodSure }: ComposedLine, book: Book): Food[] | null {
  const { foodId, confidence, alternativeIds } = source.reading;
  if (isFoodSure || foodId === null || confidence < 1 || alternativeIds.length === 0) return null;
  const foods = alternativeIds.map((id) => book.foods.foods.get(id) ?? null);
  return foods.every((food) => food !== null) && !alternativeIds.some((id) => book.components.has(id))
    ? foods
    : null;
}

function lineTraces(line: ComposedLine, kitchen: Kitchen, book: Book): Trace[] {
  const choices = line.inner ? null : choicesOf(line, book);
  if (choices) {
    // Whichever is taken: what one of them holds is in the dish or not, by what the cook takes.
    const others = choices.flatMap((food) => tracesOf(food, food.name, line.id, kitchen));
    const open = others.map((trace): Trace =>
      trace.status === 'contains' ? { ...trace, status: 'check' } : trace,
    );
    return [...tracesOf(line.food, line.name, line.id, kitchen), ...open];
  }
  if (!line.inner) return tracesOf(line.food, line.name, line.id, kitchen, line.isFoodSure);
  return line.inner.traces.map(({ status, isNamed, bits, own, evidence, path, route, mention }) => ({
    status,
    isNamed,
    bits,
    own,
    evidence,
    lineId: line.id,
    path: [line.name, ...path],
    route: `${line.name} > ${route}`,
    ...(mention ? { mention } : {}),
  }));
}

/** Finished grams before what sticks to pots and spoons: what the nutrients of a whole recipe are spread over. */
export const beforeLoss = ({ finishedGrams, keptShare, isMeasured }: Composed): number =>
  isMeasured ? finishedGrams : finishedGrams / keptShare;

function addLine(
  sum: NutrientSum,
  line: ComposedLine,
  steps: readonly RecipeStep[],
  book: Book,
  kitchen: Kitchen,
): void {
  const { weight, food, inner } = line;
  const vector = food && vectorHere(food, book.foods, kitchen);
  if (!weight) addUnknown(sum, line.id);
  else if (inner)
    addSum(sum, inner.nutrients, inner.finishedGrams > 0 ? weight.grams / beforeLoss(inner) : 0, line.id);
  else if (food && vector)
    addFood(
      sum,
      vector,
      weight.grams * line.takenUp,
      line.id,
      keptShares(line.source, food, steps, line.isPouredOff),
    );
  else addUnknown(sum, line.id);
}

function withTraces(line: StandardLine, inner: Composed | null, { kitchen, book }: Context): ComposedLine {
  const composed: ComposedLine = {
    id: line.id,
    source: line.source,
    name: line.name,
    food: line.food,
    component: line.component,
    role: line.role,
    weight: line.weight,
    purchasedPerEdible: line.purchasedPerEdible,
    follows: line.follows,
    technique: line.technique,
    isFoodSure: line.isFoodSure,
    swap: line.swap,
    findings: line.findings,
    inner,
    traces: [],
    takenUp: 1,
    isPouredOff: false,
    bath: null,
  };
  composed.traces = lineTraces(composed, kitchen, book);
  return composed;
}

/**
 * A component as it is in a dish. Where the dish neither swaps nor cooks apart it is the same in every dish, and is kept by
 * identity like the dishes themselves.
 */
function composedComponent(component: Recipe, context: Context): Composed {
  const { dish, book, kitchen } = context;
  const isPlain = dish.swaps.length === 0 && dish.apart.length === 0;
  const kept = isPlain ? OPENED.get(component) : undefined;
  if (kept?.book === book && kept.kitchen === kitchen) return kept.composed;
  const composed = composeIn(component, context);
  if (isPlain && !context.hasCycle) OPENED.set(component, { book, kitchen, composed });
  return composed;
}

/** Opens a line's component, or says why it cannot be opened. */
function opened(line: StandardLine, context: Context): ComposedLine {
  if (!line.component) return withTraces(line, null, context);
  const { id, name } = line.component;
  const at = context.opening.findIndex((each) => each.id === id);
  if (at >= 0) {
    context.hasCycle = true;
    const path = [...context.opening.slice(at).map((each) => each.name), name].join(' > ');
    const findings = [...line.findings, finding('component-cycle', line.id, { name, path })];
    return withTraces({ ...line, component: null, findings }, null, context);
  }
  return withTraces(line, composedComponent(line.component, context), context);
}

/** Relative spread of the conventional evaporation rates. */
const STEAM_SPREAD = 0.3;

/**
 * What the shared equipment of this kitchen may pass on, where the recipe's steps use it and it is not kept off. A recipe
 * without steps does not say what it goes through: every shared piece is to be checked then.
 */
function crossContact(recipe: Recipe, { book, kitchen, dish }: Context): Trace[] {
  if (kitchen.shared.length === 0) return [];
  const isSaid = recipe.steps.length > 0;
  const used = equipmentUsed(recipe);
  return kitchen.shared
    .filter(({ id, kind }) => (!isSaid || used.has(kind)) && !dish.apart.includes(id))
    .flatMap((each) => equipmentTraces(each, book.foods.foods, kitchen, isSaid));
}

interface FinishedWeight {
  finishedGrams: number;
  lowGrams: number;
  highGrams: number;
  keptShare: number;
}

/** Finished weight: measured, else sum of edible portions + absorbed water - steam - what sticks to pots and spoons. */
function finishedWeight(
  recipe: Recipe,
  putIn: Record<'grams' | 'lowGrams' | 'highGrams', number>,
  steam: number,
  loss: number,
): FinishedWeight {
  const left = Math.max(0, putIn.grams - steam);
  if (isYieldMeasured(recipe)) {
    const grams = recipe.measuredYieldGrams!;
    const keptShare = left > 0 ? grams / left : 1;
    return { finishedGrams: grams, lowGrams: grams, highGrams: grams, keptShare };
  }
  const keptShare = 1 - loss;
  return {
    finishedGrams: left * keptShare,
    lowGrams: Math.max(0, putIn.lowGrams - steam * (1 + STEAM_SPREAD)) * keptShare,
    highGrams: Math.max(0, putIn.highGrams - steam * (1 - STEAM_SPREAD)) * keptShare,
    keptShare,
  };
}

const isYieldMeasured = ({ measuredYieldGrams }: Recipe): boolean =>
  measuredYieldGrams !== null && measuredYieldGrams > 0;

/** Water in the pan instead of fat: it is gone as steam before anything else goes in. */
const isSweat = (line: StandardLine): boolean => line.technique?.kind === 'water';

function composeIn(recipe: Recipe, context: Context): Composed {
  const known = context.done.get(recipe.id);
  if (known) return known;
  const { book, kitchen } = context;
  context.opening.push({ id: recipe.id, name: recipe.name });
  const lines = standardize(recipe, book, kitchen, context.dish).map((line) => opened(line, context));
  context.opening.pop();
  const mentions = mentionsOf(recipe, book, kitchen);
  const findings: Finding[] = mentionFindings(mentions);
  const baths = markBaths(recipe, lines, findings);
  const absorbedGrams = absorbedWater(recipe, lines, baths, findings);
  const pressedGrams = pressedWater(recipe, lines, findings);
  const marked = markedSteam(recipe, lines, baths, absorbedGrams);
  const cookings = recipe.steps
    .filter((step) => !baths.steps.has(step))
    .flatMap((step) =>
      cookingsIn(step.reading).map((each) => (marked?.steps.has(step) ? { ...each, reduces: true } : each)),
    );
  const drawn = absorbedGrams - pressedGrams;
  const putIn = { grams: drawn, lowGrams: drawn, highGrams: drawn };
  let sweatGrams = 0;
  let waterGrams = 0;
  let waterInGrams = drawn;
  for (const line of lines) {
    const { weight } = line;
    if (!weight) continue;
    if (isSweat(line)) {
      sweatGrams += weight.grams;
      continue;
    }
    putIn.grams += weight.grams * line.takenUp;
    putIn.lowGrams += weight.lowGrams * line.takenUp;
    putIn.highGrams += weight.highGrams * line.takenUp;
    if (line.follows === 'water') waterGrams += weight.grams * line.takenUp;
    waterInGrams += weight.grams * line.takenUp * waterIn(line);
  }
  const steam = steamOf(
    recipe,
    cookings,
    { marked: marked?.grams ?? null, fried: baths.friedSteamGrams },
    { waterIn: waterInGrams, dryIn: putIn.grams - waterInGrams },
    findings,
  );
  const nutrients = emptySum();
  for (const line of lines) addLine(nutrients, line, recipe.steps, book, kitchen);
  const weights = finishedWeight(recipe, putIn, steam.fixed + steam.reduced, kitchen.transferLoss);
  const items = lines.filter((line) => !line.technique).map((line) => statementItem(line, kitchen));
  const composed: Composed = {
    recipe,
    lines,
    cookings,
    ...weights,
    isMeasured: isYieldMeasured(recipe),
    steamGrams: steam.fixed + steam.reduced + sweatGrams,
    fixedSteamGrams: steam.fixed,
    reducedSteamGrams: steam.reduced,
    friedSteamGrams: baths.friedSteamGrams,
    sweatGrams,
    waterGrams,
    absorbedGrams,
    pressedGrams,
    waterInGrams,
    dryInGrams: putIn.grams - waterInGrams,
    putInGrams: putIn.grams + sweatGrams,
    nutrients,
    traces: [
      ...lines.flatMap((line) => line.traces),
      ...mentionTraces(mentions),
      ...crossContact(recipe, context),
    ],
    statementItems: items,
    statement: inOrder(gathered(items), weights.finishedGrams, kitchen),
    findings,
  };
  context.done.set(recipe.id, composed);
  return composed;
}

/**
 * Composes a dish. A component that contains itself is a finding on the line that closes the circle. The last composition
 * of a recipe is kept by identity, so that another target does not compose it again: recipes are never changed in place.
 */
export function compose(recipe: Recipe, book: Book, kitchen: Kitchen): Composed {
  const kept = KEPT.get(recipe);
  if (kept?.book === book && kept.kitchen === kitchen) return kept.composed;
  const composed = composeIn(recipe, {
    dish: recipe,
    book,
    kitchen,
    done: new Map(),
    opening: [],
    hasCycle: false,
  });
  KEPT.set(recipe, { book, kitchen, composed });
  return composed;
}
