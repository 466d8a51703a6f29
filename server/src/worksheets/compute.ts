/** From a request to a worksheet: finds the recipe, the kitchen and the book, and calls core. */
import {
  type BatchSheet,
  batchSheet,
  type Book,
  type ComponentBatch,
  componentDemand,
  type Digest,
  type Finding,
  finding,
  type FreeFromPolicy,
  homeTarget,
  isOf,
  type Kitchen,
  type LineAnswers,
  linesFromText,
  linesOf,
  mentionsInText,
  type NearDish,
  nearestFree,
  planSwaps,
  portionReview,
  readRecipe,
  type Recipe,
  recipeFromReading,
  type Regime,
  splitRecipes,
  standardize,
  stepsFromTexts,
  substancesIn,
  type SwapAnswer,
  type SwapFunction,
  type Target,
  targetFixes,
  type UnitSystem,
  type VersionsAnswer,
  versionsFor,
  type VersionsQuestion,
  type Worksheet,
  worksheet,
  type WorksheetInput,
} from '@hand-ladle/core';
import { ApiError } from '../http/errors';
import { MOST_TEXT } from '../recipes/schemas';
import type { Store } from '../store';
import { bookSheets } from './book-sheets';

export interface SpokenRecipe {
  name: string;
  text?: string;
  lines?: (string | { id?: string; text: string; answers?: LineAnswers })[];
  steps: string[];
  notes: string[];
  portions?: number;
  portionGrams?: number;
}

export interface ComputeRequest {
  recipeId?: string;
  recipe?: SpokenRecipe;
  target?: Target;
  regime?: Regime;
  kitchenId?: string;
  vesselIds?: string[];
  vesselId?: string;
}

export interface SwapsRequest extends ComputeRequest {
  exclude: string[];
  policy?: FreeFromPolicy;
  isApart?: boolean;
  works?: Record<string, SwapFunction>;
}

/** Refuses a text that is longer than a recipe can be. */
export function mustFit(text: string): void {
  if (text.length > MOST_TEXT)
    throw new ApiError('text-too-long', [{ characters: text.length, most: MOST_TEXT }]);
}

/** A recipe from the words of a request; answers given with its lines hold. */
function recipeFromWords(spoken: SpokenRecipe, book: Book): { recipe: Recipe; readingFindings: Finding[] } {
  if (spoken.text !== undefined) mustFit(spoken.text);
  const reading = readRecipe(spoken.text === undefined ? '' : `${spoken.name}\n${spoken.text}`, book.foods);
  const given = (spoken.lines ?? []).flatMap((line, index) => {
    const { id, text, answers } =
      typeof line === 'string' ? { id: undefined, text: line, answers: {} } : line;
    // A line that names several foods is as many lines; answers about it are about the first.
    return linesFromText(text, id ?? `l${index + 1}`, book.foods).map((each, part) => ({
      ...each,
      answers: part === 0 ? (answers ?? {}) : {},
    }));
  });
  const lines = spoken.lines ? given : reading.lines;
  const steps = spoken.steps.length > 0 ? stepsFromTexts(spoken.steps, lines, book.foods) : reading.steps;
  const portions = spoken.portions ?? reading.portions;
  const recipe: Recipe = {
    id: 'unsaved',
    name: spoken.name,
    portions: portions ?? 1,
    portionGrams: spoken.portionGrams ?? reading.portionGrams,
    measuredYieldGrams: reading.measuredYieldGrams,
    lines,
    steps,
    notes: [...reading.notes, ...spoken.notes],
    notIn: [],
    confirmed: [],
    parentId: null,
    swaps: [],
    freeFrom: [],
    apart: [],
    isComponent: false,
  };
  const about = reading.findings.filter(({ code }) => spoken.text !== undefined && code !== 'no-portions');
  const counted = portions === null ? [finding('no-portions', null)] : [];
  return { recipe, readingFindings: [...about, ...counted] };
}

export async function inputOf(
  request: ComputeRequest,
  store: Store,
): Promise<{ input: WorksheetInput; book: Book }> {
  const own = await store.kitchens.kitchen(request.kitchenId);
  const kitchen: Kitchen = request.regime ? { ...own, regime: request.regime } : own;
  const book = await store.recipes.book();
  const saved = request.recipeId === undefined ? null : await store.recipes.recipe(request.recipeId);
  const { recipe, readingFindings } = saved
    ? { recipe: saved.recipe, readingFindings: [] }
    : recipeFromWords(request.recipe!, book);
  const target = request.target ?? saved?.target ?? homeTarget(recipe, book, kitchen);
  const asked = request.vesselIds ?? (request.vesselId ? [request.vesselId] : undefined);
  const vesselIds = asked ?? saved?.vesselIds ?? [];
  return { input: { recipe, kitchen, target, vesselIds, readingFindings }, book };
}

/** The worksheet of a request. */
export async function computeWorksheet(request: ComputeRequest, store: Store): Promise<Worksheet> {
  const { input, book } = await inputOf(request, store);
  return worksheet(input, book);
}

/** One portion looked at as food: plate, what to watch, credits, and ways to the kitchen's targets. */
export async function computePortion(request: ComputeRequest, store: Store) {
  const { input, book } = await inputOf(request, store);
  const fixes = input.kitchen.targets.map((target) => ({
    target,
    fixes: targetFixes(input, target, book).map(({ recipe: _, ...fix }) => fix),
  }));
  return { ...portionReview(input, book), targets: fixes };
}

export interface BatchSheetRequest {
  recipeId: string;
  target?: Target;
  kitchenId?: string;
  vesselIds?: string[];
  paper: 'a4' | 'letter';
}

/** The batch sheet of a dish in the book. */
export async function computeBatchSheet(request: BatchSheetRequest, store: Store): Promise<BatchSheet> {
  const { input, book } = await inputOf(request, store);
  return batchSheet(worksheet(input, book), input.recipe, input.kitchen);
}

export interface DemandRequest {
  kitchenId?: string;
  dishes: { recipeId: string; target?: Target }[];
}

/** The components that several dishes need together, each made once. */
export async function computeDemand(request: DemandRequest, store: Store): Promise<ComponentBatch[]> {
  const kitchen = await store.kitchens.kitchen(request.kitchenId);
  const book = await store.recipes.book();
  const dishes = await Promise.all(
    request.dishes.map(async ({ recipeId, target }) => {
      const saved = await store.recipes.recipe(recipeId);
      const asked = target ?? saved.target ?? homeTarget(saved.recipe, book, kitchen);
      return { recipe: saved.recipe, target: asked, vesselIds: saved.vesselIds };
    }),
  );
  return componentDemand(dishes, kitchen, book);
}

const swapPart = ({ exclude, policy, isApart, works }: SwapsRequest) => ({
  exclude,
  ...(policy ? { policy } : {}),
  ...(isApart ? { isApart } : {}),
  ...(works ? { works } : {}),
});

/** The dishes of the book that are free as they are, nearest to a dish first. */
export async function computeNearest(request: SwapsRequest, store: Store): Promise<NearDish[]> {
  const { input, book } = await inputOf(request, store);
  const { recipe, kitchen } = input;
  const dishes = (await store.recipes.all()).map((each) => each.recipe);
  const { exclude, policy = kitchen.policy } = request;
  return nearestFree(recipe, dishes, { exclude, policy }, kitchen, book);
}

export interface VersionsRequest extends ComputeRequest {
  groups: VersionsQuestion['groups'];
  isApart?: boolean;
}

/** One version for all groups, and the fewest that cover them. */
export async function computeVersions(request: VersionsRequest, store: Store): Promise<VersionsAnswer> {
  const { input, book } = await inputOf(request, store);
  return versionsFor({ ...input, groups: request.groups, isApart: request.isApart ?? false }, book);
}

/** The swap plans of a request. */
export async function computeSwaps(request: SwapsRequest, store: Store): Promise<SwapAnswer> {
  const { input, book } = await inputOf(request, store);
  return planSwaps({ ...input, ...swapPart(request) }, book);
}

export interface ParseRequest {
  text: string;
  units: UnitSystem;
  kitchenId?: string;
}

/** A pasted text, read and weighed by a kitchen's packs, weights and names. The first of several dishes stands on top. */
export async function parseText({ text, units, kitchenId }: ParseRequest, store: Store) {
  mustFit(text);
  const book = await store.recipes.book();
  const kitchen: Kitchen = { ...(await store.kitchens.kitchen(kitchenId)), units };
  let from = 0;
  const dishes = splitRecipes(text).map((part) => {
    from = Math.max(from, text.indexOf(part, from));
    const dish = parsedDish(part, from, book, kitchen);
    from += part.length;
    return dish;
  });
  return { ...dishes[0]!, dishes };
}

/** One dish of a text, with its lines and mentions placed in the whole text. */
function parsedDish(text: string, offset: number, book: Book, kitchen: Kitchen) {
  const reading = readRecipe(text, book.foods);
  const recipe = recipeFromReading(reading, 'unsaved');
  const standard = standardize(recipe, book, kitchen);
  const mentions = mentionsInText(linesOf(text), recipe, book, kitchen).map(({ foodIds, bits, ...each }) => ({
    text: each.text,
    from: offset + each.from,
    to: offset + each.to,
    foodId: foodIds[0] ?? null,
    kinds: substancesIn(bits),
    end: each.end,
  }));
  const lines = reading.lines.map((line) => {
    const found = standard.find((each) => each.id === line.id)!;
    const [measure] = line.reading.measures;
    const known = found.food ?? found.component;
    return {
      id: line.id,
      text: line.text,
      source: reading.sources.get(line.id)!.map((place) => offset + place),
      amount: measure?.value ?? null,
      unit: measure?.unit ?? null,
      food: known ? { id: known.id, name: known.name } : null,
      form: line.reading.form,
      optional: line.reading.optional,
      confidence: line.reading.confidence,
      grams: found.weight?.grams ?? null,
      lowGrams: found.weight?.lowGrams ?? null,
      highGrams: found.weight?.highGrams ?? null,
      origin: found.weight?.origin ?? null,
      findings: found.findings,
    };
  });
  const { name, portions, portionGrams, steps, notes, findings } = reading;
  return { name, portions, portionGrams, lines, steps, notes, mentions, findings };
}

/** Digests of all dishes for a kitchen, from the same worksheet as everything else. */
export async function digests(kitchenId: string | undefined, store: Store): Promise<Digest[]> {
  return (await bookSheets(kitchenId, store)).map(({ recipe, sheet }) => {
    const named = (status: string): string[] =>
      sheet.allergens
        .filter(
          (flag) => flag.status === status && !flag.isOnlyUnchecked && !['nut', 'wheat'].includes(flag.id),
        )
        .map((flag) => flag.name);
    return {
      id: recipe.id,
      name: recipe.name,
      isComponent: recipe.isComponent,
      parentId: recipe.parentId,
      freeFrom: recipe.freeFrom,
      portions: sheet.portions,
      portionGrams: sheet.portionGrams,
      finishedGrams: sheet.finishedGrams,
      contains: named('contains'),
      mayContain: named('may-contain'),
      check: named('check'),
      isUnchecked: sheet.allergens.some(({ isOnlyUnchecked }) => isOnlyUnchecked),
      openCount: sheet.label.draftReasons.length,
      energyKcal: sheet.nutrition.perPortion.energyKcal,
      changedProducts: [
        ...new Set(
          sheet.findings.filter(isOf('statement-changed')).map(({ figures }) => String(figures.product)),
        ),
      ],
      isEnergyComplete: !sheet.nutrition.missing.some(({ id }) => id === 'energyKcal'),
    };
  });
}
