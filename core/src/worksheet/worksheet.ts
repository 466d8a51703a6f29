/**
 * The worksheet: the one derived value that screen, label, print and API read. Nothing else computes a figure.
 * Pure: the same recipe, book, kitchen and target give the same bytes.
 */
import { type AllergenFlag, flagsOf, standardFlagsOf } from '../allergen';
import {
  type Batch,
  type BatchTarget,
  type ComponentBatch,
  componentBatch,
  dishDepthMm,
  homePortionGrams,
  type Leftover,
  type MachineChoice,
  machineChoices,
  planBatch,
  planComponents,
  scopeOf,
  type Serving,
  type StageView,
  stageViews,
  type StepTime,
  stepTimes,
  type WorksheetLine,
  worksheetLine,
} from '../batch';
import { type Label, printedFigures, type StatementStyle } from '../declaration';
import { componentKey, compose, type Composed, type Ratio, ratiosOf } from '../dish';
import { type Finding, isOf, isOpen, worstFirst } from '../finding';
import type { Facts } from '../food';
import type { Kitchen } from '../kitchen';
import { roundToDecimals } from '../quantity';
import type { Book, Recipe } from '../recipe';
import { swapFindings } from '../swap';
import {
  assayFindings,
  batchFindings,
  freeFromFindings,
  innerFindings,
  missingFindings,
  scalingFindings,
  stepFindings,
  targetFindings,
} from './findings';
import { labelOf } from './label';
import { type MassBalance, massBalance } from './mass-balance';
import { nutritionOf, type WorksheetNutrition } from './nutrition';
import { proteinQuality } from './protein-quality';
import { tolerancesOf } from './tolerances';

export interface Worksheet {
  recipeId: string;
  name: string;
  kitchenId: string;
  target: BatchTarget;
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
  /** Every size the batch is served in, with what one of it holds. */
  servings: WorksheetServing[];
  vessel: { id: string; name: string; litres: number } | null;
  loadCount: number;
  steamGrams: number;
  lines: WorksheetLine[];
  /** The machines of the batch in the order of the method, and what other machines of the kitchen would make of it. */
  stages: StageView[];
  choices: MachineChoice[];
  /** What the batch leans on, each made once. */
  components: ComponentBatch[];
  massBalance: MassBalance;
  times: StepTime[];
  /** Depth of the dish in its pans or on its trays, millimetres; null where nothing says. */
  depthMm: number | null;
  ratios: Ratio[];
  /** What is left of what is in store; empty for other targets. */
  leftovers: Leftover[];
  allergens: AllergenFlag[];
  /** Animal food, and what a whole-food kitchen leaves out, each with its paths. */
  standards: AllergenFlag[];
  nutrition: WorksheetNutrition;
  /** Share of its protein that counts by quality, 0 to 1. */
  proteinQuality: number;
  label: Label;
  findings: Finding[];
}

export interface WorksheetServing extends Serving {
  grams: number;
  energyKcal: number;
  proteinG: number;
}

/** What a worksheet is computed from. */
export interface WorksheetInput {
  recipe: Recipe;
  kitchen: Kitchen;
  target: BatchTarget;
  /** Machines of the kitchen that are asked for; for other stages the smallest that holds the batch is taken. */
  vesselIds?: readonly string[];
  /** Language and order of the label's text; English and all by weight where nobody says. */
  labelStyle?: StatementStyle;
  /** What reading the text left open about the whole, where the recipe was not saved by a cook yet. */
  readingFindings?: readonly Finding[];
}

const PLAIN_STYLE: StatementStyle = { language: 'en', hasTail: false };

/** Every size the batch is served in; one, where the target names no more. */
function servingsOf(batch: Batch, per100g: Facts): WorksheetServing[] {
  const { portions, portionGrams } = batch;
  const sizes = batch.servings.length > 0 ? batch.servings : [{ name: '', portions, portionGrams }];
  return sizes.map((each) => ({
    ...each,
    grams: each.portions * each.portionGrams,
    energyKcal: (per100g.energyKcal * each.portionGrams) / 100,
    proteinG: (per100g.proteinG * each.portionGrams) / 100,
  }));
}

/** The finished weight of the batch as it is rounded to the scale: kept share of what goes in less the steam. */
function roundedFinished(composed: Composed, batch: Batch, lines: readonly WorksheetLine[]): number {
  const rounding = lines.reduce(
    (sum, line) => sum + (line.technique ? 0 : (line.scaleGrams ?? 0) - (line.batchGrams ?? 0)),
    0,
  );
  return roundToDecimals(batch.finishedGrams + composed.keptShare * rounding, 1);
}

/**
 * Computes the worksheet of a recipe in a kitchen for a target.
 * Whatever is wrong comes back in `findings`; an unusable target shows the home recipe and says why.
 */
export function worksheet(input: WorksheetInput, book: Book): Worksheet {
  const { recipe, kitchen, target, vesselIds = [], labelStyle: style = PLAIN_STYLE } = input;
  const composed = compose(recipe, book, kitchen);
  const batch = planBatch(composed, target, kitchen, vesselIds);
  const planned = planComponents([{ composed, batch }], kitchen, vesselIds);
  const components = new Map(planned.map((each) => [componentKey(each.composed), each.batch]));
  const scope = scopeOf(composed, batch, kitchen, components, true);
  const lines = composed.lines.map((line) => worksheetLine(line, scope));
  const nutrition = nutritionOf(composed, batch, book, kitchen);
  const quality = proteinQuality(composed, book, kitchen);
  const ratios = ratiosOf(recipe, composed.lines);
  const tolerances = tolerancesOf(nutrition, batch.portionGrams, kitchen.regime);
  const found: Finding[] = [
    ...(input.readingFindings ?? []),
    ...composed.lines.flatMap((line) => [...line.findings, ...innerFindings(line)]),
    ...batchFindings(composed, batch, kitchen),
    ...scalingFindings({ composed, batch, lines, ratios, target, kitchen }),
    ...stepFindings(recipe),
    ...assayFindings(recipe, composed, batch, nutrition.per100g, kitchen),
    ...freeFromFindings(composed, kitchen),
    ...swapFindings(composed, book, kitchen),
    ...targetFindings(nutrition, tolerances, kitchen, recipe.isComponent),
  ];
  // What is asked already as named in the text is not told again as missing from the list.
  const asked = new Set(found.filter(isOf('named-nowhere')).map(({ figures }) => figures.name));
  const findings = worstFirst([
    ...found.filter((each) => each.code !== 'step-names-missing' || !asked.has(each.figures.name)),
    ...missingFindings(nutrition.missing, printedFigures(kitchen.regime), lines),
  ]);
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
    roundedFinishedGrams: roundedFinished(composed, batch, lines),
    finishedLowGrams: rangeOf(composed, batch, composed.lowGrams),
    finishedHighGrams: rangeOf(composed, batch, composed.highGrams),
    portions: batch.portions,
    portionGrams: batch.portionGrams,
    servings: servingsOf(batch, nutrition.per100g),
    vessel: batch.vessel && { id: batch.vessel.id, name: batch.vessel.name, litres: batch.vessel.litres },
    loadCount: batch.loads,
    steamGrams: batch.steamGrams,
    lines,
    stages: stageViews(batch),
    choices: machineChoices(composed, target, kitchen, vesselIds, batch),
    components: planned.map((each) => componentBatch(each, kitchen, components)),
    massBalance: massBalance(composed, batch, nutrition.per100g, book, kitchen),
    times: stepTimes(composed, batch, target, kitchen),
    depthMm: dishDepthMm(
      target,
      batch.stages.find(({ stage }) => stage.kind === 'oven'),
    ),
    ratios,
    leftovers: batch.leftovers,
    allergens: flagsOf(composed.traces, kitchen),
    standards: standardFlagsOf(composed.traces, kitchen),
    nutrition,
    proteinQuality: quality,
    label: labelOf(
      {
        composed,
        batch,
        book,
        kitchen,
        facts: nutrition,
        quality,
        tolerances,
        open: findings.filter(isOpen),
      },
      style,
    ),
    findings,
  };
}

/** A bound of the home yield at batch size. */
const rangeOf = (composed: Composed, batch: Batch, homeBound: number): number =>
  composed.finishedGrams > 0 ? batch.finishedGrams * (homeBound / composed.finishedGrams) : 0;
