/** What a recipe is made of at home size, components opened to any depth: weight, nutrients, traces, statement. */
import { containedIn, equipmentTraces, tracesOf, type Trace } from '../allergen';
import { finding, type Finding } from '../finding';
import { inSentence, type Food } from '../food';
import { packOf, type Kitchen } from '../kitchen';
import { figureText } from '../quantity';
import {
  addFood,
  addSum,
  addUnknown,
  emptySum,
  keptShares,
  oilTakenUp,
  vectorHere,
  type NutrientSum,
} from '../nutrition';
import type { Book } from '../recipe/book';
import { cookingsIn, type Cooking, type Recipe, type RecipeStep } from '../recipe/recipe';
import { standardize, type Follows, type StandardLine } from '../recipe/standardize';
import { equipmentUsed } from '../recipe/equipment-used';
import { mentionsOf } from '../recipe/audit';
import { mentionFindings, mentionTraces } from './named';
import { fryingBath, pouredOff, steamFrom, waterShareOf } from '../matter';
import type { BathLine } from '../matter/baths';
import { isBakedDeep, stagesOf } from '../recipe/work';
import { WATER_ID } from '../swap/swap';
import { homeSurface, steamGrams } from '../scaling/evaporation';
import { gathered, inOrder, type StatementItem } from '../label/statement';
import { subIngredients } from '../label/sub-ingredients';

/** Foods that count as liquid for dry grain and pulses to drink. */
const LIQUID_CATEGORIES = new Set(['water', 'milk', 'stock', 'wine', 'drink']);

export interface ComposedLine extends StandardLine {
  /** The component's own composition, when the line is one. */
  inner: Composed | null;
  /** Everything this line brings that is not clear. */
  traces: Trace[];
  /** Share of it that ends in the food, 0 to 1: of deep-frying oil, what is taken up; the rest stays in the pan. */
  takenUp: number;
}

export interface Composed {
  recipe: Recipe;
  lines: ComposedLine[];
  cookings: Cooking[];
  /** Finished weight at home size, measured or predicted, with its range. */
  finishedGrams: number;
  lowGrams: number;
  highGrams: number;
  isMeasured: boolean;
  /** Everything that leaves as steam at home size. */
  steamGrams: number;
  /** Of it, what the vessel and the clock decide, and what is boiled down on purpose, which follows the food. */
  fixedSteamGrams: number;
  reducedSteamGrams: number;
  /** Water put in a hot pan instead of fat, which boils away as it is added. */
  sweatGrams: number;
  /** Added water at home size. */
  waterGrams: number;
  /** Water that dry foods take up when cooked apart. */
  absorbedGrams: number;
  /** Water and all else of what ends in the food, before any of it leaves as steam. */
  waterInGrams: number;
  dryInGrams: number;
  /** Everything that goes in at home size, absorbed water too. */
  putInGrams: number;
  /** What is left of it once the steam is gone, 0 to 1: measured, or less what sticks to pots and spoons. */
  keptShare: number;
  nutrients: NutrientSum;
  traces: Trace[];
  /** Ingredients as put in, line by line, and in the order of a statement at home size. */
  statementItems: StatementItem[];
  statement: StatementItem[];
  findings: Finding[];
}

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
}

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
    names: food?.labelNames ?? NO_NAMES,
    grams: (line.weight?.grams ?? 0) * line.takenUp,
    substances: food ? containedIn(food, kitchen) : [],
    parts: inner ? inner.statement : NO_ITEMS,
    statementText: pack ? subIngredients(pack.statement, food!.labelName) : '',
    isWater: food?.id === WATER_ID,
    follows: foodFollows(line),
    isUnrecorded: inner ? false : !food || (isProduct && !pack?.isConfirmed),
  };
}

function lineTraces(line: ComposedLine, kitchen: Kitchen): Trace[] {
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
    addFood(sum, vector, weight.grams * line.takenUp, line.id, keptShares(line.source, food, steps));
  else addUnknown(sum, line.id);
}

function withTraces(line: StandardLine, inner: Composed | null, kitchen: Kitchen): ComposedLine {
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
  };
  composed.traces = lineTraces(composed, kitchen);
  return composed;
}

/** Opens a line's component, or says why it cannot be opened. */
function opened(line: StandardLine, context: Context): ComposedLine {
  if (!line.component) return withTraces(line, null, context.kitchen);
  const { id, name } = line.component;
  const at = context.opening.findIndex((each) => each.id === id);
  if (at >= 0) {
    const path = [...context.opening.slice(at).map((each) => each.name), name].join(' > ');
    const findings = [...line.findings, finding('component-cycle', line.id, { name, path })];
    return withTraces({ ...line, component: null, findings }, null, context.kitchen);
  }
  return withTraces(line, composeIn(line.component, context), context.kitchen);
}

/** Water that dry grain and pulses take up where the list holds no liquid for it, or where they are boiled apart. */
function absorbedWater(recipe: Recipe, lines: readonly ComposedLine[], findings: Finding[]): number {
  // What is only baked or roasted drinks nothing of its own.
  const isDry = recipe.steps.length > 0 && !stagesOf(recipe).some(({ kind }) => kind === 'simmer');
  const hasLiquid =
    isDry || lines.some((line) => line.component || LIQUID_CATEGORIES.has(line.food?.category ?? ''));
  const isSoaked = !stagesOf(recipe).some(({ kind }) => kind === 'simmer');
  let absorbed = 0;
  for (const line of lines) {
    const grams = absorbedBy(line, hasLiquid, isSoaked && isSoakedIn(line, recipe));
    if (grams <= 0) continue;
    absorbed += grams;
    const figures = { name: line.name, grams: figureText(grams, 0) };
    if (!line.source.answers.isCookedApart) findings.push(finding('water-absorbed', line.id, figures));
  }
  return absorbed;
}

/** What soaking overnight makes of a dry pulse where the larder has no figure for it (kitchen reference: beans about 2.1). */
const SOAKED_RATIO = 2.1;
const soakedRatio = (food: Food): number =>
  food.cookingYields.find(({ method }) => method === 'soaked')?.ratio ??
  Math.min(SOAKED_RATIO, food.cookingYield ?? SOAKED_RATIO);

/** Whether a step soaks a line. */
const isSoakedIn = ({ source }: ComposedLine, { steps }: Recipe): boolean =>
  steps.some(({ text, reading }) => /\bsoak/i.test(text) && reading.lineIds.includes(source.id));

/** Water of its own cooking that a line brings into the dish, in grams at home size. */
export function absorbedBy(
  { food, weight, source }: ComposedLine,
  hasLiquid: boolean,
  isSoakedOnly = false,
): number {
  if (!weight || food?.state !== 'dry' || food.cookingYield === null) return 0;
  // Soaked, drained and never boiled: what the soaking puts in, and no more.
  if (isSoakedOnly) return weight.grams * (soakedRatio(food) - 1);
  if (hasLiquid && !source.answers.isCookedApart) return 0;
  return weight.grams * (food.cookingYield - 1);
}

const FATS = new Set(['oil', 'fat']);

const asBathLine = ({ id, source, food, weight }: ComposedLine): BathLine => ({
  id: source.id === id ? id : source.id,
  grams: weight?.grams ?? 0,
  isFat: food !== null && FATS.has(food.category),
  isWater: food?.id === WATER_ID,
});

/** Food boiled in salted water takes up the salt of this share of its own weight in water, if it drinks no more (convention). */
const SALT_EXCHANGE = 0.3;

/**
 * Water that food is boiled in and that is poured off is eaten only as far as the food drinks it, and salt goes with the water.
 * Marked on the lines of water and salt, and said. Returns the step that boils: its steam comes from what is poured off, not
 * from the food.
 */
function markPouredOff(
  recipe: Recipe,
  lines: readonly ComposedLine[],
  findings: Finding[],
): RecipeStep | null {
  const bath = pouredOff(recipe, lines.map(asBathLine));
  if (!bath) return null;
  const waters = lines.filter(({ source }) => bath.waterIds.includes(source.id));
  const boiled = lines.filter(({ source }) => bath.foodIds.has(source.id));
  const grams = waters.reduce((sum, { weight }) => sum + (weight?.grams ?? 0), 0);
  const drinks = ({ food, weight }: ComposedLine): number =>
    food?.state === 'dry' && food.cookingYield ? (weight?.grams ?? 0) * (food.cookingYield - 1) : 0;
  const drunk = boiled.reduce((sum, line) => sum + drinks(line), 0);
  // What drinks nothing still takes up salt.
  const salted = boiled.reduce(
    (sum, line) => sum + Math.max(drinks(line), SALT_EXCHANGE * (line.weight?.grams ?? 0)),
    0,
  );
  if (grams <= 0 || drunk >= grams) return null;
  const share = drunk / grams;
  for (const line of waters) line.takenUp = share;
  // Salt that no other step names goes into the water.
  const elsewhere = new Set(
    recipe.steps.filter(({ text }) => !/\bboil/i.test(text)).flatMap(({ reading }) => reading.lineIds),
  );
  for (const line of lines)
    if (line.role === 'salt' && (bath.foodIds.has(line.source.id) || !elsewhere.has(line.source.id)))
      line.takenUp = Math.min(1, salted / grams);
  const figures = { grams: figureText(grams - drunk, 0), drunk: figureText(drunk, 0) };
  findings.push(finding('water-poured-off', waters[0]!.id, figures));
  return bath.step;
}

/** Of the oil something is deep-fried in only what the food takes up is eaten: marked on its lines, and said. */
function markDeepFrying(recipe: Recipe, lines: readonly ComposedLine[], findings: Finding[]): void {
  const isFat = (line: ComposedLine): boolean => line.food !== null && FATS.has(line.food.category);
  const bath = fryingBath(recipe, lines.map(asBathLine));
  if (!bath) return;
  const { step, fatIds } = bath;
  const isNamed = (line: ComposedLine): boolean => step.reading.lineIds.includes(line.source.id);
  const fats = lines.filter((line) => isFat(line) && fatIds.includes(line.id));
  const named = lines.filter((line) => !isFat(line) && isNamed(line));
  const fried = named.length > 0 ? named : lines.filter((line) => !isFat(line));
  const grams = fats.reduce((sum, line) => sum + (line.weight?.grams ?? 0), 0);
  const taken = oilTakenUp(
    fried.map(({ food, weight }) => ({ category: food?.category ?? '', grams: weight?.grams ?? 0 })),
  );
  if (grams <= taken) return;
  for (const line of fats) {
    line.takenUp = taken / grams;
    const figures = { name: line.name, taken: figureText(taken, 0), left: figureText(grams - taken, 0) };
    findings.push(finding('oil-taken-up', line.id, figures));
  }
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

/** Where so little of what the times would drive off is there, they may be a slip: said, not only corrected (convention). */
const SLIP_SHARE = 0.5;

/** What dries the food: an oven where one is used, else a pot. */
export const driesIn = (cookings: readonly Cooking[]): 'oven' | 'pot' =>
  cookings.some(({ heat }) => heat === 'oven') ? 'oven' : 'pot';

interface Steam {
  fixed: number;
  reduced: number;
}

/** Home steam by what it follows: drying slows as the water goes, and no more leaves than can. */
function steamOf(
  recipe: Recipe,
  cookings: readonly Cooking[],
  waterIn: number,
  dryIn: number,
  findings: Finding[],
): Steam {
  const steam: Steam = { fixed: 0, reduced: 0 };
  for (const cooking of cookings)
    steam[cooking.reduces ? 'reduced' : 'fixed'] += steamGrams(
      cooking,
      homeSurface(cooking, isBakedDeep(recipe)),
    );
  const all = steam.fixed + steam.reduced;
  const leaves = steamFrom(all, waterIn, dryIn, driesIn(cookings));
  if (all <= 0 || leaves >= all) return steam;
  if (leaves < all * SLIP_SHARE)
    findings.push(finding('steam-capped', null, { steam: figureText(all, 0), most: figureText(leaves, 0) }));
  return { fixed: (steam.fixed * leaves) / all, reduced: (steam.reduced * leaves) / all };
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

/** Water in a gram of a line: of its food, or of its component as that was finished. */
function waterIn({ food, inner }: ComposedLine): number {
  if (food) return waterShareOf(food);
  if (!inner || !(inner.finishedGrams > 0)) return 0;
  const left = Math.max(0, inner.waterInGrams - (inner.steamGrams - inner.sweatGrams)) * inner.keptShare;
  return Math.min(1, left / inner.finishedGrams);
}

function composeIn(recipe: Recipe, context: Context): Composed {
  const known = context.done.get(recipe.id);
  if (known) return known;
  const { book, kitchen } = context;
  context.opening.push({ id: recipe.id, name: recipe.name });
  const lines = standardize(recipe, book, kitchen, context.dish).map((line) => opened(line, context));
  context.opening.pop();
  const mentions = mentionsOf(recipe, book, kitchen);
  const findings: Finding[] = mentionFindings(mentions);
  markDeepFrying(recipe, lines, findings);
  const bathStep = markPouredOff(recipe, lines, findings);
  const cookings = recipe.steps
    .filter((step) => step !== bathStep)
    .flatMap((step) => cookingsIn(step.reading));
  const absorbedGrams = absorbedWater(recipe, lines, findings);
  const putIn = { grams: absorbedGrams, lowGrams: absorbedGrams, highGrams: absorbedGrams };
  let sweatGrams = 0;
  let waterGrams = 0;
  let waterInGrams = absorbedGrams;
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
  const steam = steamOf(recipe, cookings, waterInGrams, putIn.grams - waterInGrams, findings);
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
    sweatGrams,
    waterGrams,
    absorbedGrams,
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

interface Kept {
  book: Book;
  kitchen: Kitchen;
  composed: Composed;
}
const KEPT = new WeakMap<Recipe, Kept>();

/**
 * Composes a dish. A component that contains itself is a finding on the line that closes the circle. The last composition
 * of a recipe is kept by identity, so that another target does not compose it again: recipes are never changed in place.
 */
export function compose(recipe: Recipe, book: Book, kitchen: Kitchen): Composed {
  const kept = KEPT.get(recipe);
  if (kept?.book === book && kept.kitchen === kitchen) return kept.composed;
  const composed = composeIn(recipe, { dish: recipe, book, kitchen, done: new Map(), opening: [] });
  KEPT.set(recipe, { book, kitchen, composed });
  return composed;
}
