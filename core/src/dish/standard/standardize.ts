/** From readings to a standardized recipe: every line a food or component with edible-portion grams at home size. */
import { type Finding, finding } from '../../finding';
import { type Food, inSentence, isWater, WATER_ID } from '../../food';
import { type Kitchen, namedHere } from '../../kitchen';
import { figureText, timesFactor, type Weight } from '../../quantity';
import { type Book, foodIdOf, isFoodSure, type Recipe, type RecipeLine, type RecipeStep } from '../../recipe';
import { addFoodFindings } from './food-findings';
import {
  asUndrained,
  isEatenWithLiquor,
  isInLiquor,
  LIQUOR_ID,
  liquorShareOf,
  saysLiquor,
  solidShareOf,
} from './liquor';
import { isFatForPan, withoutFat } from './pan-fat';
import { saidState } from './said-state';
import type { Follows, StandardLine } from './standard-line';
import { appliedTo, isForPan, swapFor, swappedLines } from './swapped-lines';
import { type LineWeight, weighComponentLine, weighLine } from './weigh';

/** Adds the findings of the reading that still stand: an answer about the food settles those about the food. */
function addReadingFindings(line: RecipeLine, found: Finding[]): void {
  for (const each of line.reading.findings) {
    const isSettled =
      each.code === 'amount-absurd' || each.code === 'amount-shared'
        ? line.answers.grams !== undefined
        : line.answers.foodId !== undefined && each.code !== 'line-cut';
    if (!isSettled) found.push(each);
  }
}

function followsOf(line: RecipeLine, food: Food, steps: readonly RecipeStep[]): Follows {
  if (isWater(food)) return 'water';
  if (isFatForPan(line, food, steps)) return 'pan';
  return line.reading.purpose === 'garnish' ? 'portions' : 'batch';
}

function foodLine(
  line: RecipeLine,
  food: Food,
  kitchen: Kitchen,
  steps: readonly RecipeStep[],
): StandardLine {
  const { weight: written, purchasedPerEdible, findings: weighing } = weighLine(line, food, kitchen);
  const state = saidState(line, food);
  const weight =
    state === null
      ? written
      : written &&
        timesFactor(
          written,
          1 / state.ratio,
          `${written.because}, ${state.word} / ${figureText(state.ratio)} (reference)`,
        );
  const findings: Finding[] = [];
  addReadingFindings(line, findings);
  for (const each of weighing) findings.push(each);
  addFoodFindings(food, line.id, kitchen, findings);
  if (line.reading.optional)
    findings.push(finding('optional-line', line.id, { name: inSentence(food.name) }));
  return {
    id: line.id,
    source: state === null ? line : { ...line, answers: { ...line.answers, ...state.answers } },
    name: food.name,
    food,
    component: null,
    role: food.scaling,
    weight,
    purchasedPerEdible,
    follows: followsOf(line, food, steps),
    technique: null,
    isFoodSure: isFoodSure(line),
    swap: null,
    findings,
  };
}

function componentLine(line: RecipeLine, component: Recipe, kitchen: Kitchen): StandardLine {
  const { weight, findings }: LineWeight = weighComponentLine(line, component.name, kitchen);
  addReadingFindings(line, findings);
  return {
    id: line.id,
    source: line,
    name: component.name,
    food: null,
    component,
    role: 'linear',
    weight,
    purchasedPerEdible: 1,
    follows: 'batch',
    technique: null,
    isFoodSure: isFoodSure(line),
    swap: null,
    findings,
  };
}

function unknownLine(line: RecipeLine): StandardLine {
  const findings: Finding[] = [];
  addReadingFindings(line, findings);
  const name = line.reading.foodText || line.text;
  if (foodIdOf(line) !== null) findings.push(finding('component-missing', line.id, { name }));
  return {
    id: line.id,
    source: line,
    name,
    food: null,
    component: null,
    role: 'linear',
    weight: null,
    purchasedPerEdible: 1,
    follows: 'batch',
    technique: null,
    isFoodSure: isFoodSure(line),
    swap: null,
    findings,
  };
}

/** The liquid of a tin that is eaten with what lies in it: a line of its own, with a row of its own. */
function withLiquor(line: StandardLine, liquor: Food | undefined, kitchen: Kitchen): StandardLine[] {
  if (!liquor || !line.food || !isEatenWithLiquor(line.source)) return [line];
  const share = solidShareOf(line.food, kitchen);
  const part = (ratio: number, what: string): Weight | null =>
    line.weight && timesFactor(line.weight, ratio, `${line.weight.because} x ${figureText(ratio)} ${what}`);
  return [
    // The tin is bought once: its liquid comes with it.
    { ...line, weight: part(share, 'solids'), purchasedPerEdible: 1 / share },
    {
      ...line,
      id: `${line.id}/liquor`,
      name: liquor.name,
      food: liquor,
      role: 'linear',
      weight: part((1 - share) * liquorShareOf(line.source), 'liquid of the tin'),
      purchasedPerEdible: 0,
      findings: [],
    },
  ];
}

/** A line whose name this kitchen has tied to a food stands for that food, unless the cook said otherwise. */
function asNamedHere(line: RecipeLine, kitchen: Kitchen): RecipeLine {
  if (line.answers.foodId !== undefined || (isFoodSure(line) && !line.reading.stateOpen)) return line;
  const foodId = namedHere(kitchen, line.reading.foodText);
  return foodId === null ? line : { ...line, answers: { ...line.answers, foodId } };
}

/**
 * Standardizes the lines of a recipe in a kitchen. `swapsFrom` is the dish whose swaps hold, which for a component
 * is the dish that uses it: a swap holds at every depth.
 */
export function standardize(
  recipe: Recipe,
  book: Book,
  kitchen: Kitchen,
  swapsFrom: Recipe = recipe,
): StandardLine[] {
  return recipe.lines.flatMap((written) => {
    const line = asNamedHere(written, kitchen);
    const id = foodIdOf(line);
    const food = id === null ? undefined : book.foods.foods.get(id);
    const component = id === null ? undefined : book.components.get(id);
    const isWhole = food !== undefined && isInLiquor(food) && saysLiquor(line, recipe.steps);
    const standard = food
      ? foodLine(isWhole ? asUndrained(line, recipe.steps) : line, food, kitchen, recipe.steps)
      : component
        ? componentLine(line, component, kitchen)
        : unknownLine(line);
    const water = book.foods.foods.get(WATER_ID);
    if (line.answers.technique && water && standard.follows === 'pan')
      return [withoutFat(standard, line.answers.technique, water, recipe.steps)];
    const entry = id === null ? null : swapFor(id, swapsFrom, book, kitchen);
    if (!entry || entry.fromId !== id) return withLiquor(standard, book.foods.foods.get(LIQUOR_ID), kitchen);
    if (water && isForPan(standard, entry))
      return [{ ...withoutFat(standard, 'water', water, recipe.steps), swap: appliedTo(standard, entry) }];
    return swappedLines(standard, entry, book, kitchen);
  });
}
