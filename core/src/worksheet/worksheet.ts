/**
 * The worksheet: the one derived value that screen, label, print and API read. Nothing else computes a figure.
 * Pure: the same recipe, book, kitchen and target give the same bytes.
 */
import { flagsOf, allergensOf, worse, type AllergenFlag, type AllergenStatus, type Trace } from '../allergen';
import { isOpen, worstFirst, type Finding } from '../finding';
import type { ScalingRole } from '../food';
import type { Kitchen } from '../kitchen';
import {
  allergenStatement,
  ingredientStatement,
  inOrder,
  labelFigures,
  printedFigures,
  type Label,
  type StatementItem,
} from '../label';
import { factsOf, missingFigures, type Facts, type MissingFigure } from '../nutrition';
import { roundToDecimals, type WeightOrigin } from '../quantity';
import type { Book } from '../recipe/book';
import type { Recipe } from '../recipe/recipe';
import { firstAddition, splitIntoLoads, type Split, type Target } from '../scaling';
import { batchGrams, homePortionGrams, planBatch, type Batch } from './batch';
import { compose, type Composed, type ComposedLine } from './compose';
import {
  batchFindings,
  freeFromFindings,
  innerFindings,
  missingFindings,
  stepFindings,
} from './sheet-findings';

export interface LineAllergen {
  id: string;
  name: string;
  status: AllergenStatus;
}

export interface WorksheetLine {
  id: string;
  /** The written line this one came from. */
  sourceId: string;
  text: string;
  name: string;
  form: string;
  /** The heading it stood under, "glaze"; empty for none. */
  part: string;
  foodId: string | null;
  componentId: string | null;
  amountText: string;
  role: ScalingRole;
  /** Edible-portion grams at home size; null where nobody knows. */
  baseGrams: number | null;
  lowGrams: number | null;
  highGrams: number | null;
  origin: WeightOrigin | null;
  because: string;
  /** Edible-portion grams for the batch before rounding. */
  batchGrams: number | null;
  /** Batch grams as purchased, before trimming. */
  purchasedGrams: number | null;
  /** What to put on the scale, and its step. */
  scaleGrams: number | null;
  stepGrams: number;
  firstGrams: number | null;
  heldBackGrams: number;
  /** Grams for each load; they sum to `scaleGrams`. */
  loads: number[];
  /** Share of everything put in, 0 to 1. */
  share: number;
  /** Name of the food a swap took out, and the swap's hint. */
  swappedFrom: string | null;
  hint: string;
  /** Everything that is not clear on this line, daily three first. */
  allergens: LineAllergen[];
  findings: Finding[];
  /** Lines of the component, scaled to this batch. */
  children: WorksheetLine[];
}

export interface Worksheet {
  recipeId: string;
  name: string;
  kitchenId: string;
  target: Target;
  factor: number;
  baseGrams: number;
  basePortions: number;
  basePortionGrams: number;
  isYieldMeasured: boolean;
  finishedGrams: number;
  /** The finished weight of the batch as rounded to the scale. */
  roundedFinishedGrams: number;
  finishedLowGrams: number;
  finishedHighGrams: number;
  portions: number;
  portionGrams: number;
  vessel: { id: string; name: string; litres: number } | null;
  loadCount: number;
  steamGrams: number;
  lines: WorksheetLine[];
  allergens: AllergenFlag[];
  nutrition: { perPortion: Facts; per100g: Facts; missing: MissingFigure[] };
  label: Label;
  findings: Finding[];
}

/** What a worksheet is computed from. */
export interface WorksheetInput {
  recipe: Recipe;
  kitchen: Kitchen;
  target: Target;
  /** A vessel of the kitchen; null lets the smallest that holds the batch be taken. */
  vesselId?: string | null;
  /** What reading the text left open about the whole, where the recipe was not saved by a cook yet. */
  readingFindings?: readonly Finding[];
}

function lineAllergens(traces: readonly Trace[], kitchen: Kitchen): LineAllergen[] {
  const allergens: LineAllergen[] = [];
  for (const { id, name, bits } of allergensOf(kitchen)) {
    if (id === 'tree-nut' || id === 'peanut' || id === 'wheat') continue;
    let status: AllergenStatus = 'clear';
    for (const trace of traces) {
      if (trace.isNamed && (trace.bits & bits) !== 0) status = worse(status, trace.status);
    }
    if (status !== 'clear') allergens.push({ id, name, status });
  }
  return allergens;
}

interface Scale {
  kitchen: Kitchen;
  batch: Batch;
  putIn: number;
  /** A dough cannot be tasted and salted later: with leavening in it, all seasoning goes in at once. */
  isTasted: boolean;
}

const isTasted = (composed: Composed): boolean => !composed.lines.some(({ role }) => role === 'leavening');

const NO_LINES: WorksheetLine[] = [];
const NO_SPLIT: Split = { scaleGrams: 0, stepGrams: 1, loads: [] };

/** Lines of a component at the size one line of the dish needs it, without loads of their own. */
function childLines(line: ComposedLine, gramsForBatch: number | null, scale: Scale): WorksheetLine[] {
  const { inner } = line;
  if (!inner || gramsForBatch === null || !(inner.finishedGrams > 0)) return NO_LINES;
  const factor = gramsForBatch / inner.finishedGrams;
  const batch: Batch = { ...scale.batch, factor, waterFactor: factor, loads: 1 };
  const putIn = inner.lines.reduce((sum, each) => sum + (each.weight?.grams ?? 0) * factor, 0);
  return inner.lines.map((child) =>
    worksheetLine(child, { ...scale, batch, putIn, isTasted: isTasted(inner) }, `${line.id}.`),
  );
}

function worksheetLine(line: ComposedLine, scale: Scale, prefix = ''): WorksheetLine {
  const { weight, source, food, component } = line;
  const { batch, kitchen } = scale;
  const grams = weight ? batchGrams(weight.grams, food?.id ?? null, batch) : null;
  const split = grams === null ? NO_SPLIT : splitIntoLoads(grams, batch.loads, line.role, kitchen);
  const role = scale.isTasted ? line.role : 'linear';
  const { firstGrams, heldBackGrams } = firstAddition(split.scaleGrams, split.stepGrams, role, batch.factor);
  return {
    id: prefix + line.id,
    sourceId: source.id,
    text: source.text,
    name: line.name,
    form: line.swap ? '' : source.reading.form,
    part: source.reading.part,
    foodId: food?.id ?? null,
    componentId: component?.id ?? null,
    amountText: source.reading.amountText,
    role: line.role,
    baseGrams: weight?.grams ?? null,
    lowGrams: weight?.lowGrams ?? null,
    highGrams: weight?.highGrams ?? null,
    origin: weight?.origin ?? null,
    because: weight?.because ?? 'no weight is known',
    batchGrams: grams,
    purchasedGrams: grams === null ? null : grams * line.purchasedPerEdible,
    scaleGrams: grams === null ? null : split.scaleGrams,
    stepGrams: split.stepGrams,
    firstGrams: grams === null ? null : firstGrams,
    heldBackGrams,
    loads: split.loads,
    share: grams === null || scale.putIn <= 0 ? 0 : grams / scale.putIn,
    swappedFrom: line.swap?.fromName ?? null,
    hint: line.swap?.entry.hint ?? '',
    allergens: lineAllergens(line.traces, kitchen),
    findings: line.findings,
    children: childLines(line, grams, scale),
  };
}

/** The statement at batch size: water follows the vessel, so its place in the list may move. */
function batchStatement(composed: Composed, batch: Batch, kitchen: Kitchen): StatementItem[] {
  const scaled = composed.statementItems.map((item): StatementItem => ({
    name: item.name,
    grams: item.grams * (item.isWater ? batch.waterFactor : batch.factor),
    substances: item.substances,
    parts: item.parts,
    statementText: item.statementText,
    isWater: item.isWater,
    isUnrecorded: item.isUnrecorded,
  }));
  return inOrder(scaled, batch.finishedGrams, kitchen);
}

function labelOf(
  composed: Composed,
  batch: Batch,
  kitchen: Kitchen,
  facts: Worksheet['nutrition'],
  open: readonly Finding[],
): Label {
  const missing = new Set<string>(facts.missing.map(({ id }) => id));
  const segments = ingredientStatement(batchStatement(composed, batch, kitchen), kitchen);
  return {
    regime: kitchen.regime,
    title: composed.recipe.name,
    portionGrams: batch.portionGrams,
    figures: labelFigures(facts.perPortion, facts.per100g, missing, kitchen.regime),
    ingredients: segments.map(({ text }) => text).join(''),
    ingredientSegments: segments,
    ...allergenStatement(composed.traces, kitchen),
    isDraft: open.length > 0,
    draftReasons: open.map(({ message }) => message),
  };
}

function nutritionOf(composed: Composed, batch: Batch, kitchen: Kitchen): Worksheet['nutrition'] {
  // The same solids in the finished batch: per gram of finished food, whatever water the vessel asked for.
  const perBatch = batch.factor > 0 ? batch.finishedGrams / batch.factor : 0;
  const facts = (grams: number): Facts => factsOf(composed.nutrients, perBatch, grams, kitchen.regime);
  return {
    perPortion: facts(batch.portionGrams),
    per100g: facts(100),
    missing: missingFigures(composed.nutrients),
  };
}

/**
 * Computes the worksheet of a recipe in a kitchen for a target.
 * Whatever is wrong comes back in `findings`; an unusable target shows the home recipe and says why.
 */
export function worksheet(input: WorksheetInput, book: Book): Worksheet {
  const { recipe, kitchen, target } = input;
  const composed = compose(recipe, book, kitchen);
  const batch = planBatch(composed, target, kitchen, input.vesselId ?? null);
  const putIn = composed.lines.reduce(
    (sum, line) => sum + (line.weight ? batchGrams(line.weight.grams, line.food?.id ?? null, batch) : 0),
    0,
  );
  const scale = { kitchen, batch, putIn, isTasted: isTasted(composed) };
  const lines = composed.lines.map((line) => worksheetLine(line, scale));
  const nutrition = nutritionOf(composed, batch, kitchen);
  const found: Finding[] = [
    ...(input.readingFindings ?? []),
    ...composed.lines.flatMap((line) => [...line.findings, ...innerFindings(line)]),
    ...batchFindings(composed, batch, kitchen),
    ...stepFindings(recipe),
    ...freeFromFindings(composed, kitchen),
  ];
  const findings = worstFirst([
    ...found,
    ...missingFindings(nutrition.missing, printedFigures(kitchen.regime), lines),
  ]);
  const rounding = lines.reduce((sum, line) => sum + ((line.scaleGrams ?? 0) - (line.batchGrams ?? 0)), 0);
  return {
    recipeId: recipe.id,
    name: recipe.name,
    kitchenId: kitchen.id,
    target,
    factor: batch.factor,
    baseGrams: composed.finishedGrams,
    basePortions: recipe.portions,
    basePortionGrams: homePortionGrams(composed),
    isYieldMeasured: composed.isMeasured,
    finishedGrams: batch.finishedGrams,
    roundedFinishedGrams: roundToDecimals(batch.finishedGrams + rounding, 1),
    finishedLowGrams: composed.lowGrams * batch.factor,
    finishedHighGrams: composed.highGrams * batch.factor,
    portions: batch.portions,
    portionGrams: batch.portionGrams,
    vessel: batch.vessel && { id: batch.vessel.id, name: batch.vessel.name, litres: batch.vessel.litres },
    loadCount: batch.loads,
    steamGrams: batch.steamGrams,
    lines,
    allergens: flagsOf(composed.traces, kitchen),
    nutrition,
    label: labelOf(composed, batch, kitchen, nutrition, findings.filter(isOpen)),
    findings,
  };
}
