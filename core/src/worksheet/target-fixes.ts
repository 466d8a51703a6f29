/**
 * The cheapest ways to bring a portion to a kitchen's target: another weight of one line, tinned pulses rinsed, or a swap.
 * Each is tried on a whole worksheet; none may make a flag worse, break the kitchen's standard or miss another target.
 */
import type { AllergenFlag } from '../allergen';
import { planBatch } from '../batch';
import { compose, type ComposedLine } from '../dish';
import { worse } from '../food';
import { type Kitchen, type NutrientTarget, priceOf, swapsFrom, targetStanding } from '../kitchen';
import type { PortionFood } from '../nutrition';
import { figureText } from '../quantity';
import type { Book, Recipe, RecipeLine } from '../recipe';
import { portionFoods } from './portion';
import { type Worksheet, worksheet, type WorksheetInput } from './worksheet';

export interface TargetFix {
  kind: 'reweigh' | 'rinse' | 'swap';
  lineId: string;
  /** "Salt 12 g instead of 20 g" */
  says: string;
  /** What it changes in the cost of a portion, in the kitchen's own money; null where a price is unknown. */
  costChange: number | null;
  before: number;
  after: number;
  /** The recipe with it done. */
  recipe: Recipe;
}

/** A line may be cut to half or grow by half before the dish is another (convention); salt may go altogether. */
export const LEAST_RATIO = 0.5;
export const MOST_RATIO = 1.5;
/** Codes of findings that say a kitchen's standard is broken. */
const STANDARD_CODES = new Set([
  'not-whole-food',
  'frying-fat',
  'salt-asked',
  'way-asked',
  'pulses-asked',
  'swap-unfit',
]);

/** Cost of the foods of a portion; null where one has no price. */
export function costOf(foods: readonly PortionFood[], kitchen: Kitchen): number | null {
  let sum = 0;
  for (const { food, grams } of foods) {
    const price = priceOf(food, kitchen);
    if (!price) return null;
    sum += price.perGram * grams;
  }
  return sum;
}

const withLine = (recipe: Recipe, line: RecipeLine): Recipe => ({
  ...recipe,
  lines: recipe.lines.map((each) => (each.id === line.id ? line : each)),
});

const isNoWorse = (before: readonly AllergenFlag[], after: readonly AllergenFlag[]): boolean =>
  after.every((flag) => {
    const was = before.find(({ id }) => id === flag.id)?.status ?? 'clear';
    return worse(was, flag.status) === was;
  });

const standardBreaks = (sheet: Worksheet): number =>
  sheet.findings.filter(({ code }) => STANDARD_CODES.has(code)).length;

interface Trial {
  input: WorksheetInput;
  book: Book;
  before: Worksheet;
  target: NutrientTarget;
}

const missingOf = (sheet: Worksheet): Set<string> => new Set(sheet.nutrition.missing.map(({ id }) => id));
const standingOf = (target: NutrientTarget, sheet: Worksheet) =>
  targetStanding(target, sheet.nutrition.perPortion, missingOf(sheet));

/** Whether a changed worksheet meets the target and spoils nothing. */
function holds({ input, before, target }: Trial, after: Worksheet): boolean {
  if (standingOf(target, after) !== 'met') return false;
  if (!isNoWorse([...before.allergens, ...before.standards], [...after.allergens, ...after.standards]))
    return false;
  if (standardBreaks(after) > standardBreaks(before)) return false;
  return input.kitchen.targets.every(
    (other) => standingOf(other, after) === 'met' || standingOf(other, before) !== 'met',
  );
}

function sheetWith({ input, book }: Trial, recipe: Recipe): Worksheet {
  return worksheet({ ...input, recipe }, book);
}

/** The line's ratio that just meets the target, by the secant of two worksheets; null where none within reach does. */
function reweighed(trial: Trial, line: ComposedLine): { recipe: Recipe; grams: number } | null {
  const { figure, min, max } = trial.target;
  const home = line.weight!.grams;
  const amount = trial.before.nutrition.perPortion[figure];
  const aim = max !== null && amount > max ? max * 0.995 : (min ?? 0) * 1.005;
  const at = (ratio: number): Recipe =>
    withLine(trial.input.recipe, {
      ...line.source,
      answers: { ...line.source.answers, grams: home * ratio, gramsOrigin: 'convention' },
    });
  const least = line.role === 'salt' ? 0 : LEAST_RATIO;
  let low = { ratio: 1, amount };
  let ratio = 1.1;
  for (let round = 0; round < 4; round += 1) {
    const recipe = at(ratio);
    const sheet = sheetWith(trial, recipe);
    if (round > 0 && holds(trial, sheet)) return { recipe, grams: home * ratio };
    const now = { ratio, amount: sheet.nutrition.perPortion[figure] };
    const slope = (now.amount - low.amount) / (now.ratio - low.ratio);
    if (!Number.isFinite(slope) || slope === 0) return null;
    low = now;
    ratio = now.ratio + (aim - now.amount) / slope;
    if (ratio < least || ratio > MOST_RATIO || Math.abs(ratio - now.ratio) < 1e-9) return null;
  }
  return null;
}

function candidates(trial: Trial, line: ComposedLine): Omit<TargetFix, 'costChange' | 'before' | 'after'>[] {
  const { input, book } = trial;
  const { food, weight, source } = line;
  if (!food || !weight || weight.grams <= 0 || line.follows === 'water' || line.technique || line.swap)
    return [];
  const found: Omit<TargetFix, 'costChange' | 'before' | 'after'>[] = [];
  const other = reweighed(trial, line);
  if (other) {
    const says = `${food.name} ${figureText(other.grams, 1)} g instead of ${figureText(weight.grams, 1)} g in the home recipe`;
    found.push({ kind: 'reweigh', lineId: line.id, says, recipe: other.recipe });
  }
  if (food.state === 'tinned' && food.category === 'pulse' && !source.reading.form.includes('rinsed')) {
    const form = `${source.reading.form} drained and rinsed`.replace('undrained', '').trim();
    const recipe = withLine(input.recipe, { ...source, reading: { ...source.reading, form } });
    found.push({ kind: 'rinse', lineId: line.id, says: `${food.name}, drained and rinsed`, recipe });
  }
  if (input.recipe.swaps.some(({ fromId }) => fromId === food.id)) return found;
  for (const entry of swapsFrom(food.id, book.swaps, input.kitchen)) {
    const names = entry.to.map(({ foodId }) => book.foods.foods.get(foodId)?.name ?? foodId).join(' and ');
    const recipe = { ...input.recipe, swaps: [...input.recipe.swaps, { fromId: food.id, swapId: entry.id }] };
    found.push({
      kind: 'swap',
      lineId: line.id,
      says: `${names} instead of ${food.name.toLowerCase()}`,
      recipe,
    });
  }
  return found;
}

/** Ways to meet one target, cheapest first; at most `most`. Empty where it is met, unknown, or nothing within reach helps. */
export function targetFixes(
  input: WorksheetInput,
  target: NutrientTarget,
  book: Book,
  most = 5,
): TargetFix[] {
  const before = worksheet(input, book);
  const trial: Trial = { input, book, before, target };
  const standing = standingOf(target, before);
  if (standing === 'met' || standing === 'unknown') return [];
  const cost = (recipe: Recipe): number | null => {
    const composed = compose(recipe, book, input.kitchen);
    return costOf(
      portionFoods(composed, planBatch(composed, input.target, input.kitchen, input.vesselIds ?? [])),
      input.kitchen,
    );
  };
  const now = cost(input.recipe);
  const fixes = compose(input.recipe, book, input.kitchen).lines.flatMap((line) =>
    candidates(trial, line).flatMap((each): TargetFix[] => {
      const after = sheetWith(trial, each.recipe);
      if (!holds(trial, after)) return [];
      const then = cost(each.recipe);
      return [
        {
          ...each,
          costChange: now === null || then === null ? null : then - now,
          before: before.nutrition.perPortion[target.figure],
          after: after.nutrition.perPortion[target.figure],
        },
      ];
    }),
  );
  return fixes
    .sort((one, other) => (one.costChange ?? Infinity) - (other.costChange ?? Infinity))
    .slice(0, most);
}
