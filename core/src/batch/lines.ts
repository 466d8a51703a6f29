/** Lines of the worksheet: what goes on the scale for the batch, load by load. */
import { touches, type Trace } from '../allergen';
import { componentKey, type Composed, type ComposedLine, type Follows, LIQUOR_ID } from '../dish';
import type { Finding } from '../finding';
import {
  allergensOf,
  type AllergenStatus,
  isWater,
  type ScalingRole,
  TOLD_WITH_ANOTHER,
  worse,
} from '../food';
import type { Kitchen, WorkKind } from '../kitchen';
import type { BathKind } from '../matter';
import type { WeightOrigin } from '../quantity';
import { type CookingMethod, cookingMethodOf, type RecipeStep, type Technique, workOf } from '../recipe';
import { type Batch, lineFactor, type StageBatch } from './batch';
import { isTight, type Split, splitIntoLoads } from './scale-rounding';
import { firstAddition } from './seasoning';
import { type Spoons, spoonsFor } from './spoons';

export interface LineAllergen {
  id: string;
  name: string;
  status: AllergenStatus;
  /** Named by the larder or a pack, against "nobody has looked at the pack yet". */
  isNamed: boolean;
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
  /** What its batch weight goes by. */
  follows: Follows;
  /** Edible-portion grams at home size; null where nobody knows. */
  baseGrams: number | null;
  lowGrams: number | null;
  highGrams: number | null;
  origin: WeightOrigin | null;
  because: string;
  /** Edible-portion grams for the batch before rounding. */
  batchGrams: number | null;
  /** Batch grams as purchased, before trimming and draining. */
  purchasedGrams: number | null;
  /** What is lost of them: liquid of a tin, or peel and stalks. */
  isDrained: boolean;
  /** What the edible grams weigh once cooked, by the method the steps name; null where nobody measured it. */
  cookedGrams: number | null;
  cookingMethod: CookingMethod | null;
  /** What to put on the scale, its step, and the scale that shows it; empty where none of this kitchen does. */
  scaleGrams: number | null;
  stepGrams: number;
  scaleName: string;
  /** Share by which the scale is off the batch weight. */
  scaleError: number;
  /** A load as spoons, where it is below 15 mL. */
  spoons: Spoons | null;
  firstGrams: number | null;
  heldBackGrams: number;
  /** The machine's work that the line goes through first; null where no step says. */
  work: WorkKind | null;
  /** Grams for each load; they sum to `scaleGrams`. */
  loads: number[];
  /** Share of everything put in, 0 to 1. */
  share: number;
  /** Name of the food a swap or another technique took out, and how to work with what stands instead. */
  swappedFrom: string | null;
  /** The food of the list that a swap took out; the line's own food where none did. */
  swappableId: string | null;
  hint: string;
  technique: Technique | null;
  isCookedApart: boolean;
  /** Share of it that is eaten, 0 to 1, and the bath the rest stays in: oil, cooking water, a marinade, the sieve. */
  eatenShare: number;
  bath: BathKind | null;
  /** Everything that is not clear on this line, daily three first. */
  allergens: LineAllergen[];
  findings: Finding[];
  /** Lines of the component, scaled to this batch. */
  children: WorksheetLine[];
}

function lineAllergens(traces: readonly Trace[], kitchen: Kitchen): LineAllergen[] {
  const allergens: LineAllergen[] = [];
  for (const allergen of allergensOf(kitchen)) {
    const { id, name } = allergen;
    if (TOLD_WITH_ANOTHER.has(id)) continue;
    let named: AllergenStatus = 'clear';
    let status: AllergenStatus = 'clear';
    for (const trace of traces) {
      if (!touches(trace, allergen)) continue;
      status = worse(status, trace.status);
      if (trace.isNamed) named = worse(named, trace.status);
    }
    if (status !== 'clear') allergens.push({ id, name, status, isNamed: named !== 'clear' });
  }
  return allergens;
}

/** A dough cannot be tasted and salted later: with leavening in it, all seasoning goes in at once. */
export const isTasted = (composed: Composed): boolean =>
  !composed.lines.some(({ role }) => role === 'leavening');

export interface LineScope {
  kitchen: Kitchen;
  composed: Composed;
  batch: Batch;
  /** Share of the batch these lines are for: of a component's batch, what one line takes. */
  part: number;
  putIn: number;
  /** Seasoning is tasted here, so a part of it is held back. */
  isHeldBack: boolean;
  /** Whether components are opened under their lines. */
  isOpened: boolean;
  /** Batches of the components by key, so that what is opened in a line is what is made. */
  components: ReadonlyMap<string, Batch>;
}

/** The scope of a whole batch and its own lines. */
export function scopeOf(
  composed: Composed,
  batch: Batch,
  kitchen: Kitchen,
  components: ReadonlyMap<string, Batch>,
  isOpened: boolean,
): LineScope {
  return {
    kitchen,
    composed,
    batch,
    part: 1,
    putIn: putInGrams(composed, batch),
    isHeldBack: isTasted(composed) && kitchen.standard.amounts !== 'exact to the gram',
    isOpened,
    components,
  };
}

const NO_LINES: WorksheetLine[] = [];
const NO_SPLIT: Split = { scaleGrams: 0, stepGrams: 1, scaleName: '', loads: [] };

/** Whether a line is stirred into a mix by hand before a step: it is weighed once, whatever the pan holds. */
const isMixedBefore = (lineId: string, firstStep: number, steps: readonly RecipeStep[]): boolean =>
  steps
    .slice(0, firstStep)
    .some((step) => step.reading.lineIds.includes(lineId) && workOf(step).kinds.length === 0);

/** The first stage a written line goes into; one load for lines that no machine's step names. */
function stageOf(
  line: ComposedLine,
  stages: readonly StageBatch[],
  steps: readonly RecipeStep[],
): StageBatch | null {
  for (const each of stages) if (each.stage.lineIds?.has(line.source.id)) return each;
  // Garnish waits for the portions, unless a step puts it into a machine by name.
  if (line.follows === 'portions') return null;
  const whole = stages.find(({ stage }) => stage.lineIds === null) ?? null;
  // A batter is mixed at once and fried by the load.
  const isFried = whole?.stage.kind === 'fry';
  return isFried && isMixedBefore(line.source.id, whole.stage.firstStep, steps) ? null : whole;
}

/** Lines of a component at the size one line needs it, without loads of their own. */
function childLines(line: ComposedLine, grams: number | null, scale: LineScope): WorksheetLine[] {
  const { inner } = line;
  const batch = inner ? scale.components.get(componentKey(inner)) : undefined;
  if (!inner || !batch || grams === null || !(batch.finishedGrams > 0)) return NO_LINES;
  const part = grams / batch.finishedGrams;
  const whole = scopeOf(inner, batch, scale.kitchen, scale.components, true);
  const within: LineScope = { ...whole, part, putIn: whole.putIn * part };
  return inner.lines.map((child) => worksheetLine(child, within, `${line.id}.`));
}

/** Everything put in by the lines of a batch, before rounding. */
export function putInGrams(composed: Composed, batch: Batch): number {
  let sum = 0;
  for (const line of composed.lines) if (line.weight) sum += line.weight.grams * lineFactor(line, batch);
  return sum;
}

function cookedOf(line: ComposedLine, grams: number | null, composed: Composed) {
  const { food, source } = line;
  if (!food || grams === null || line.technique) return { cookedGrams: null, cookingMethod: null };
  const cookingMethod = source.answers.isCookedApart
    ? ('boiled' as const)
    : cookingMethodOf(source.id, composed.recipe.steps);
  if (cookingMethod === null) return { cookedGrams: null, cookingMethod };
  const known = food.cookingYields.find(({ method }) => method === cookingMethod)?.ratio;
  const ratio = known ?? (cookingMethod === 'boiled' && food.state === 'dry' ? food.cookingYield : null);
  return { cookedGrams: ratio === null ? null : grams * ratio, cookingMethod };
}

const TECHNIQUE_HINTS: Readonly<Record<Technique, string>> = {
  water: 'by the splash, each gone before the next; it boils away',
  dry: 'hot pan, nothing in it, stir; a splash of water when it catches',
};

/** One line for a batch; `prefix` tells lines of components apart. */
export function worksheetLine(line: ComposedLine, scale: LineScope, prefix = ''): WorksheetLine {
  const { weight, source, food, component, technique } = line;
  const { batch, kitchen, composed, part } = scale;
  const grams = weight ? weight.grams * lineFactor(line, batch) * part : null;
  const stage = prefix === '' ? stageOf(line, batch.stages, composed.recipe.steps) : null;
  const count = stage?.loads ?? 1;
  const isClose = isTight(line.role, food);
  const split = grams === null ? NO_SPLIT : splitIntoLoads(grams, count, isClose, kitchen);
  const role = scale.isHeldBack ? line.role : 'linear';
  const { firstGrams, heldBackGrams } = firstAddition(split.scaleGrams, split.stepGrams, role, batch.factor);
  const isPureWater = isWater(food);
  const cooked = cookedOf(line, grams, composed);
  return {
    id: prefix + line.id,
    sourceId: source.id,
    text: source.text,
    name: line.name,
    form: line.swap || technique || line.food?.id === LIQUOR_ID ? '' : source.reading.form,
    part: source.reading.part,
    foodId: food?.id ?? null,
    componentId: component?.id ?? null,
    amountText: technique ? '' : source.reading.amountText,
    role: line.role,
    // A component is the same wherever it is used: fat and garnish go by weight in it.
    follows: composed.recipe.isComponent && !isPureWater ? 'batch' : line.follows,
    baseGrams: weight?.grams ?? null,
    lowGrams: weight?.lowGrams ?? null,
    highGrams: weight?.highGrams ?? null,
    origin: weight?.origin ?? null,
    because: weight?.because ?? 'no weight is known',
    batchGrams: grams,
    purchasedGrams: grams === null ? null : grams * line.purchasedPerEdible,
    isDrained: food?.state === 'tinned' && line.purchasedPerEdible > 1,
    cookedGrams: cooked.cookedGrams,
    cookingMethod: cooked.cookingMethod,
    scaleGrams: grams === null ? null : split.scaleGrams,
    stepGrams: split.stepGrams,
    scaleName: split.scaleName,
    scaleError: grams !== null && grams > 0 ? split.scaleGrams / grams - 1 : 0,
    spoons:
      grams === null || !food || isPureWater || technique
        ? null
        : spoonsFor(grams / count, food, isClose, kitchen.units),
    firstGrams: grams === null ? null : firstGrams,
    heldBackGrams,
    work: stage?.stage.kind ?? null,
    loads: split.loads,
    share: grams === null || scale.putIn <= 0 ? 0 : grams / scale.putIn,
    swappedFrom: line.swap?.fromName ?? technique?.fromName ?? null,
    swappableId: line.swap?.entry.fromId ?? (technique ? null : (food?.id ?? null)),
    hint: line.swap?.entry.hint ?? (technique ? TECHNIQUE_HINTS[technique.kind] : ''),
    technique: technique?.kind ?? null,
    isCookedApart: source.answers.isCookedApart ?? false,
    eatenShare: line.takenUp,
    bath: line.bath,
    allergens: lineAllergens(line.traces, kitchen),
    findings: line.findings,
    children: scale.isOpened ? childLines(line, grams, scale) : NO_LINES,
  };
}
