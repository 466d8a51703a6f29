/** What a recipe is made of at home size, components opened to any depth: weight, nutrients, traces, statement. */
import { containedIn, tracesOf, type Trace } from '../allergen';
import { finding, type Finding } from '../finding';
import { inSentence } from '../food';
import { packOf, type Kitchen } from '../kitchen';
import { figureText } from '../quantity';
import {
  addFood,
  addSum,
  addUnknown,
  emptySum,
  sodiumShare,
  vectorHere,
  type NutrientSum,
} from '../nutrition';
import type { Book } from '../recipe/book';
import type { Cooking, Recipe } from '../recipe/recipe';
import { standardize, type StandardLine } from '../recipe/standardize';
import { homeSteamGrams } from '../scaling/evaporation';
import { gathered, inOrder, type StatementItem } from '../label/statement';
import { WATER_ID } from '../swap/swap';

/** Most of a home recipe's weight that may leave it as steam before the times are taken for a slip (convention). */
export const MOST_STEAM_SHARE = 0.6;
/** Foods that count as liquid for dry grain and pulses to drink. */
const LIQUID_CATEGORIES = new Set(['water', 'milk', 'stock']);

export interface ComposedLine extends StandardLine {
  /** The component's own composition, when the line is one. */
  inner: Composed | null;
  /** Everything this line brings that is not clear. */
  traces: Trace[];
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
  steamGrams: number;
  /** Added water at home size. */
  waterGrams: number;
  /** Water that dry foods take up when cooked apart. */
  absorbedGrams: number;
  nutrients: NutrientSum;
  traces: Trace[];
  /** Ingredients as put in, unordered, and in the order of a statement at home size. */
  statementItems: StatementItem[];
  statement: StatementItem[];
  findings: Finding[];
}

interface Context {
  dish: Recipe;
  book: Book;
  kitchen: Kitchen;
  done: Map<string, Composed>;
  /** Names of the recipes being opened, outermost first. */
  opening: { id: string; name: string }[];
}

const isWater = (line: StandardLine): boolean => line.food?.id === WATER_ID;

const NO_ITEMS: readonly StatementItem[] = [];

// Whole literals here and below, no spreads: this runs for every line at every keystroke.
function statementItem(line: ComposedLine, kitchen: Kitchen): StatementItem {
  const { food, inner } = line;
  const isProduct = food?.kind === 'product';
  const pack = isProduct ? packOf(kitchen, food.id) : null;
  return {
    name: food?.labelName ?? (inner ? inSentence(line.name) : line.name),
    grams: line.weight?.grams ?? 0,
    substances: food ? containedIn(food, kitchen) : [],
    parts: inner ? inner.statement : NO_ITEMS,
    statementText: pack?.statement ?? '',
    isWater: isWater(line),
    isUnrecorded: inner ? false : !food || (isProduct && !pack?.isConfirmed),
  };
}

function lineTraces(line: ComposedLine, kitchen: Kitchen): Trace[] {
  if (!line.inner) return tracesOf(line.food, line.name, line.id, kitchen, line.isFoodSure);
  return line.inner.traces.map(({ status, isNamed, bits, evidence, path, route }) => ({
    status,
    isNamed,
    bits,
    evidence,
    lineId: line.id,
    path: [line.name, ...path],
    route: `${line.name} > ${route}`,
  }));
}

function addLine(sum: NutrientSum, line: ComposedLine, book: Book, kitchen: Kitchen): void {
  const { weight, food, inner } = line;
  const vector = food && vectorHere(food, book.foods, kitchen);
  if (!weight) addUnknown(sum, line.id);
  else if (inner)
    addSum(sum, inner.nutrients, inner.finishedGrams > 0 ? weight.grams / inner.finishedGrams : 0, line.id);
  else if (food && vector)
    addFood(sum, vector, weight.grams, line.id, sodiumShare(food, line.source.reading.form));
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
    isFoodSure: line.isFoodSure,
    swap: line.swap,
    findings: line.findings,
    inner,
    traces: [],
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

/** Water that dry grain and pulses take up where the list holds no liquid for it. */
function absorbedWater(lines: readonly ComposedLine[], findings: Finding[]): number {
  const hasLiquid = lines.some((line) => line.component || LIQUID_CATEGORIES.has(line.food?.category ?? ''));
  if (hasLiquid) return 0;
  let absorbed = 0;
  for (const { food, weight, name, id } of lines) {
    if (!weight || food?.state !== 'dry' || food.cookingYield === null) continue;
    const grams = weight.grams * (food.cookingYield - 1);
    absorbed += grams;
    findings.push(finding('water-absorbed', id, { name, grams: figureText(grams, 0) }));
  }
  return absorbed;
}

interface FinishedWeight {
  finishedGrams: number;
  lowGrams: number;
  highGrams: number;
  steamGrams: number;
}

/** Relative spread of the conventional evaporation rates. */
const STEAM_SPREAD = 0.3;

/** Finished weight: measured, else sum of edible portions + absorbed water - steam - what sticks to pots and spoons. */
function finishedWeight(
  recipe: Recipe,
  lines: readonly ComposedLine[],
  absorbed: number,
  steam: number,
  loss: number,
): FinishedWeight {
  const total = (key: 'grams' | 'lowGrams' | 'highGrams'): number =>
    lines.reduce((sum, line) => sum + (line.weight?.[key] ?? 0), absorbed);
  if (recipe.measuredYieldGrams !== null && recipe.measuredYieldGrams > 0) {
    const grams = recipe.measuredYieldGrams;
    return { finishedGrams: grams, lowGrams: grams, highGrams: grams, steamGrams: steam };
  }
  const kept = 1 - loss;
  return {
    finishedGrams: (total('grams') - steam) * kept,
    lowGrams: Math.max(0, total('lowGrams') - steam * (1 + STEAM_SPREAD)) * kept,
    highGrams: (total('highGrams') - steam * (1 - STEAM_SPREAD)) * kept,
    steamGrams: steam,
  };
}

function composeIn(recipe: Recipe, context: Context): Composed {
  const known = context.done.get(recipe.id);
  if (known) return known;
  const { book, kitchen } = context;
  context.opening.push({ id: recipe.id, name: recipe.name });
  const lines = standardize(recipe, book, kitchen, context.dish).map((line) => opened(line, context));
  context.opening.pop();
  const findings: Finding[] = [];
  const cookings = recipe.steps.flatMap((step) => step.reading.cooking ?? []);
  const absorbedGrams = absorbedWater(lines, findings);
  const putIn = lines.reduce((sum, line) => sum + (line.weight?.grams ?? 0), absorbedGrams);
  const steam = homeSteamGrams(cookings);
  const mostSteam = putIn * MOST_STEAM_SHARE;
  if (steam > mostSteam && putIn > 0) {
    findings.push(
      finding('steam-capped', null, { steam: figureText(steam, 0), most: figureText(mostSteam, 0) }),
    );
  }
  const nutrients = emptySum();
  for (const line of lines) addLine(nutrients, line, book, kitchen);
  const weights = finishedWeight(
    recipe,
    lines,
    absorbedGrams,
    Math.min(steam, mostSteam),
    kitchen.transferLoss,
  );
  const items = gathered(lines.map((line) => statementItem(line, kitchen)));
  const composed: Composed = {
    recipe,
    lines,
    cookings,
    ...weights,
    isMeasured: recipe.measuredYieldGrams !== null && recipe.measuredYieldGrams > 0,
    waterGrams: lines.filter(isWater).reduce((sum, line) => sum + (line.weight?.grams ?? 0), 0),
    absorbedGrams,
    nutrients,
    traces: lines.flatMap((line) => line.traces),
    statementItems: items,
    statement: inOrder(items, weights.finishedGrams, kitchen),
    findings,
  };
  context.done.set(recipe.id, composed);
  return composed;
}

/** Composes a dish. A component that contains itself is a finding on the line that closes the circle. */
export function compose(recipe: Recipe, book: Book, kitchen: Kitchen): Composed {
  return composeIn(recipe, { dish: recipe, book, kitchen, done: new Map(), opening: [] });
}
