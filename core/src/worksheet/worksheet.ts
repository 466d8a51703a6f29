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
  factorFor,
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
import {
  allergenStatement,
  type FigureTolerance,
  ingredientStatement,
  type Label,
  labelFigures,
  labelPack,
  printedFigures,
  proteinDailyUs,
  type StatementStyle,
  timesFacts,
  withShares,
} from '../declaration';
import {
  componentKey,
  compose,
  type Composed,
  foodFollows,
  gathered,
  inOrder,
  type Narrowing,
  narrowings,
  type Range,
  rangeOfFigure,
  type RangeScope,
  type Ratio,
  ratiosOf,
  type StatementItem,
} from '../dish';
import { type Finding, isOf, isOpen, worstFirst } from '../finding';
import { FACT_IDS, type FactId, type Facts } from '../food';
import type { Kitchen } from '../kitchen';
import {
  addFood,
  copySum,
  factsOf,
  keptShares,
  type MissingFigure,
  missingFigures,
  type NutrientSum,
  vectorHere,
} from '../nutrition';
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
import { type MassBalance, massBalance } from './mass-balance';
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
  nutrition: {
    perPortion: Facts;
    per100g: Facts;
    missing: MissingFigure[];
    /** The least and the most a portion may hold, by figure. Without an end where a figure is missing. */
    ranges: Record<FactId, Range>;
  };
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

/** The statement at batch size: water follows the vessel, so its place in the list may move. */
function batchStatement(composed: Composed, batch: Batch, kitchen: Kitchen): StatementItem[] {
  const scaled = composed.statementItems.map((item): StatementItem => ({
    name: item.name,
    foodId: item.foodId,
    names: item.names,
    grams: item.grams * factorFor(item.follows, batch),
    substances: item.substances,
    parts: item.parts,
    statementText: item.statementText,
    isWater: item.isWater,
    follows: item.follows,
    isUnrecorded: item.isUnrecorded,
  }));
  return inOrder(gathered(scaled), batch.finishedGrams, kitchen);
}

/** What would narrow the figures that are not safely inside their band; all figures, where each is. */
function narrowingsOf(
  tolerances: readonly FigureTolerance[],
  perPortion: Facts,
  scope: RangeScope,
): Narrowing[] {
  const banded = tolerances.filter(({ band }) => band !== null);
  const loose = banded.filter(({ standing }) => standing !== 'inside');
  const ids = (loose.length > 0 ? loose : banded).map(({ id }) => id);
  return narrowings(ids, perPortion, scope);
}

interface LabelGround {
  composed: Composed;
  batch: Batch;
  book: Book;
  kitchen: Kitchen;
  facts: Worksheet['nutrition'];
  quality: number;
  tolerances: FigureTolerance[];
  open: readonly Finding[];
}

/** EU: what the name or a picture stresses carries its quantity; the US asks for none. */
function quantified(
  items: StatementItem[],
  { composed, batch, book, kitchen }: LabelGround,
): StatementItem[] {
  if (kitchen.regime !== 'eu') return items;
  const { name, packed } = composed.recipe;
  const food = (id: string) => {
    const known = book.foods.foods.get(id);
    return known
      ? { names: [known.labelName, known.name, ...known.synonyms], category: known.category }
      : null;
  };
  const asked = { title: packed?.names.en || name, stressed: new Set(packed?.stressed ?? []), food };
  // What is finished, before any of it stuck to pots: never more than went in, for no ingredient is more than all of them.
  const whole = Math.min(
    composed.putInGrams * batch.factor,
    batch.finishedGrams / (1 - kitchen.transferLoss),
  );
  return withShares(items, asked, whole);
}

/** What the dish is called on a label in a language; in English its own name where nobody says otherwise. */
function titleIn(
  { name, packed }: Recipe,
  language: StatementStyle['language'],
): { title: string; untranslated: string[] } {
  const said = packed?.names[language]?.trim() || (language === 'en' ? name : '');
  return said ? { title: said, untranslated: [] } : { title: name, untranslated: [name] };
}

function labelOf(ground: LabelGround, style: StatementStyle): Label {
  const { composed, batch, book, kitchen, facts, quality, tolerances, open } = ground;
  const { regime } = kitchen;
  const missing = new Set<string>(facts.missing.map(({ id }) => id));
  const { title, untranslated: untitled } = titleIn(composed.recipe, style.language);
  const { segments, untranslated } = ingredientStatement(
    quantified(batchStatement(composed, batch, kitchen), ground),
    kitchen,
    style,
  );
  const { named, ...statement } = allergenStatement(composed.traces, kitchen, style.language);
  const { perPortion, per100g } = facts;
  const pack = labelPack(composed.recipe.packed, kitchen.service, regime, batch.portionGrams);
  const whole = pack.showsWhole && pack.netGrams !== null ? timesFacts(per100g, pack.netGrams / 100) : null;
  return {
    regime,
    title,
    portionGrams: batch.portionGrams,
    figures: labelFigures({ perPortion, per100g, whole, missing }, regime),
    ingredients: segments.map(({ text }) => text).join(''),
    ingredientSegments: segments,
    ...statement,
    named,
    language: style.language,
    pack,
    waterGrams: missing.has('waterG') ? null : per100g.waterG,
    proteinDailyText: regime === 'us' && quality > 0 ? proteinDailyUs(perPortion.proteinG * quality) : null,
    beside: regime === 'us' && style.language !== 'en' ? labelOf(ground, { ...style, language: 'en' }) : null,
    untranslated: [...untitled, ...untranslated],
    tolerances,
    narrowings: narrowingsOf(tolerances, perPortion, scopeOfRange(composed, batch, book, kitchen)),
    isDraft: open.length > 0,
    draftReasons: open.map(({ message }) => message),
  };
}

/**
 * Nutrients of the batch, told as those of `factor` home recipes: fat for the pan and garnish do not follow the batch, so
 * what they differ by is added or taken off.
 */
function nutrientsOfBatch(composed: Composed, batch: Batch, book: Book, kitchen: Kitchen): NutrientSum {
  const apart = composed.lines.filter(
    (line) => line.weight && line.food && line.technique === null && foodFollows(line) !== 'batch',
  );
  if (apart.length === 0 || batch.factor <= 0) return composed.nutrients;
  const sum = copySum(composed.nutrients);
  for (const { food, follows, weight, id, source, isPouredOff } of apart) {
    const vector = vectorHere(food!, book.foods, kitchen);
    const grams = weight!.grams * (factorFor(follows, batch) / batch.factor - 1);
    if (vector)
      addFood(sum, vector, grams, id, keptShares(source, food!, composed.recipe.steps, isPouredOff));
  }
  return sum;
}

function nutritionOf(composed: Composed, batch: Batch, book: Book, kitchen: Kitchen): Worksheet['nutrition'] {
  // The same solids in the finished batch: per gram of finished food, whatever water the vessel asked for.
  // What sticks to pots and spoons takes all in proportion: it changes weights, never figures per 100 g.
  const beforeLoss = composed.isMeasured ? 1 : composed.keptShare;
  const perBatch = batch.factor > 0 ? batch.finishedGrams / (batch.factor * beforeLoss) : 0;
  const sum = nutrientsOfBatch(composed, batch, book, kitchen);
  const facts = (grams: number): Facts => factsOf(sum, perBatch, grams, kitchen.regime);
  return {
    perPortion: facts(batch.portionGrams),
    per100g: facts(100),
    missing: missingFigures(composed.nutrients),
    ranges: rangesOf(facts(batch.portionGrams), scopeOfRange(composed, batch, book, kitchen)),
  };
}

/** Grams of a portion over the finished grams at home size. */
const scopeOfRange = (composed: Composed, batch: Batch, book: Book, kitchen: Kitchen): RangeScope => ({
  composed,
  kitchen,
  book,
  share:
    batch.finishedGrams > 0
      ? (batch.portionGrams * batch.factor * (composed.isMeasured ? 1 : composed.keptShare)) /
        batch.finishedGrams
      : 0,
});

function rangesOf(perPortion: Facts, scope: RangeScope): Record<FactId, Range> {
  const ranges = {} as Record<FactId, Range>;
  for (const id of FACT_IDS) ranges[id] = rangeOfFigure(id, perPortion[id], scope);
  return ranges;
}

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
