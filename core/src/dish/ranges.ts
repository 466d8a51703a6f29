/**
 * How far each figure of a portion may be off: from where its foods' figures came from, from the weights of the lines and
 * from the yield. Parts are taken as independent, so their squares add (convention).
 */
import {
  EU_KCAL_PER_G,
  EU_KJ_PER_G,
  type FactId,
  type Food,
  KJ_PER_KCAL,
  type NutrientId,
  NUTRIENTS,
  type Regime,
  SALT_PER_SODIUM,
  US_KCAL_PER_G,
} from '../food';
import { type Kitchen, packOf } from '../kitchen';
import { keptShares, spreadsOf, vectorHere, WEIGHED_YIELD_SPREAD } from '../nutrition';
import type { Book } from '../recipe';
import { beforeLoss } from './compose';
import type { Composed, ComposedLine } from './composed';

/** The least and the most a figure may be. */
export interface Range {
  low: number;
  high: number;
}

/** What one line adds to how unsure each nutrient is: variances at home size, in the order of NUTRIENTS. */
interface LineVariance {
  line: ComposedLine;
  ofFigures: Float64Array;
  ofWeightLow: Float64Array;
  ofWeightHigh: Float64Array;
}

interface Unsure {
  parts: LineVariance[];
  low: Float64Array;
  high: Float64Array;
}

const KNOWN = new WeakMap<Composed, Unsure>();
const empty = (): Float64Array => new Float64Array(NUTRIENTS.length);

/** Relative spread of a finished weight: how much less, how much more of everything a gram of it may hold. */
function yieldSpread({ isMeasured, finishedGrams, lowGrams, highGrams }: Composed): Range {
  if (isMeasured) return { low: WEIGHED_YIELD_SPREAD, high: WEIGHED_YIELD_SPREAD };
  if (!(finishedGrams > 0) || !(lowGrams > 0)) return { low: 0, high: 0 };
  return { low: 1 - finishedGrams / Math.max(finishedGrams, highGrams), high: finishedGrams / lowGrams - 1 };
}

/** Amounts of a line at home size and the variance of its figures. */
function figuresOf(
  line: ComposedLine,
  composed: Composed,
  kitchen: Kitchen,
  book: Book,
): [Float64Array, Float64Array] {
  const amounts = empty();
  const variance = empty();
  const { weight, food, inner, source, takenUp } = line;
  if (!weight) return [amounts, variance];
  if (inner) {
    if (!(inner.finishedGrams > 0)) return [amounts, variance];
    const share = weight.grams / beforeLoss(inner);
    const within = unsureOf(inner, kitchen, book);
    const made = yieldSpread(inner);
    const spread = Math.max(made.low, made.high);
    for (let index = 0; index < amounts.length; index += 1) {
      const amount = inner.nutrients.amounts[index]! * share;
      amounts[index] = amount;
      variance[index] =
        Math.max(within.low[index]!, within.high[index]!) * share * share + (amount * spread) ** 2;
    }
    return [amounts, variance];
  }
  const vector = food && vectorHere(food, book.foods, kitchen);
  if (!food || !vector) return [amounts, variance];
  const kept = keptShares(source, food, composed.recipe.steps, line.isPouredOff);
  const spreads = spreadsOf(food, kitchen);
  for (let index = 0; index < amounts.length; index += 1) {
    const perGram = vector[index]!;
    if (Number.isNaN(perGram)) continue;
    const amount = perGram * weight.grams * takenUp * (kept ? kept[index]! : 1);
    amounts[index] = amount;
    variance[index] = (amount * spreads[index]!) ** 2;
  }
  return [amounts, variance];
}

function lineVariance(line: ComposedLine, composed: Composed, kitchen: Kitchen, book: Book): LineVariance {
  const [amounts, ofFigures] = figuresOf(line, composed, kitchen, book);
  const grams = line.weight?.grams ?? 0;
  const less = grams > 0 ? (grams - line.weight!.lowGrams) / grams : 0;
  const more = grams > 0 ? (line.weight!.highGrams - grams) / grams : 0;
  return {
    line,
    ofFigures,
    ofWeightLow: amounts.map((amount) => (amount * less) ** 2),
    ofWeightHigh: amounts.map((amount) => (amount * more) ** 2),
  };
}

function unsureOf(composed: Composed, kitchen: Kitchen, book: Book): Unsure {
  const known = KNOWN.get(composed);
  if (known) return known;
  const parts = composed.lines.map((line) => lineVariance(line, composed, kitchen, book));
  const low = empty();
  const high = empty();
  for (const part of parts)
    for (let index = 0; index < low.length; index += 1) {
      low[index]! += part.ofFigures[index]! + part.ofWeightLow[index]!;
      high[index]! += part.ofFigures[index]! + part.ofWeightHigh[index]!;
    }
  const unsure = { parts, low, high };
  KNOWN.set(composed, unsure);
  return unsure;
}

type Weights = Readonly<Partial<Record<NutrientId, number>>>;

/** What a figure is made of: each nutrient and how much of the figure a unit of it gives. */
export function madeOf(id: FactId, regime: Regime): Weights {
  const us = US_KCAL_PER_G;
  const energyUs = {
    carbohydrateG: us.carbohydrate,
    proteinG: us.protein,
    fatG: us.fat,
    alcoholG: us.alcohol,
  };
  const eu = (by: typeof EU_KJ_PER_G | typeof EU_KCAL_PER_G): Weights => ({
    carbohydrateG: by.carbohydrate,
    fibreG: by.fibre - by.carbohydrate,
    proteinG: by.protein,
    fatG: by.fat,
    alcoholG: by.alcohol,
  });
  switch (id) {
    case 'energyKcal':
      return regime === 'us' ? energyUs : eu(EU_KCAL_PER_G);
    case 'energyKj':
      return regime === 'us'
        ? Object.fromEntries(Object.entries(energyUs).map(([each, kcal]) => [each, kcal * KJ_PER_KCAL]))
        : eu(EU_KJ_PER_G);
    case 'availableCarbohydrateG':
      return { carbohydrateG: 1, fibreG: -1 };
    case 'saltG':
      return { sodiumMg: SALT_PER_SODIUM / 1000 };
    default:
      return { [id]: 1 };
  }
}

/** Variance of a figure from the variances of what it is made of. */
const varianceOf = (id: FactId, regime: Regime, variances: Float64Array): number =>
  Object.entries(madeOf(id, regime)).reduce(
    (sum, [nutrient, weight]) => sum + weight ** 2 * variances[NUTRIENTS.indexOf(nutrient as NutrientId)]!,
    0,
  );

export interface RangeScope {
  composed: Composed;
  kitchen: Kitchen;
  book: Book;
  /** Home size to the quantity asked for: grams of it over the finished grams at home. */
  share: number;
}

/** The range of a figure whose value is known. */
export function rangeOfFigure(
  id: FactId,
  value: number,
  { composed, kitchen, book, share }: RangeScope,
): Range {
  const unsure = unsureOf(composed, kitchen, book);
  const spread = yieldSpread(composed);
  const of = (variances: Float64Array, byYield: number): number =>
    Math.sqrt(varianceOf(id, kitchen.regime, variances) * share ** 2 + (value * byYield) ** 2);
  return { low: Math.max(0, value - of(unsure.low, spread.low)), high: value + of(unsure.high, spread.high) };
}

/** What would narrow the ranges most. */
export interface Narrowing {
  act: 'weigh the batch' | 'get the panel' | 'weigh the line';
  lineId: string | null;
  name: string;
  /** Share of how unsure the figures are that it would take away, 0 to 1, as a mean over them. */
  share: number;
}

/** Less than this is not worth a walk to the scale. */
const LEAST_NARROWING = 0.05;

function panelOf(food: Food | null, kitchen: Kitchen): boolean {
  return food !== null && Object.keys(packOf(kitchen, food.id)?.panel ?? {}).length > 0;
}

/** The three acts that would narrow some figures most, best first. */
export function narrowings(
  ids: readonly FactId[],
  values: Readonly<Record<string, number>>,
  scope: RangeScope,
): Narrowing[] {
  const { composed, kitchen, book, share } = scope;
  const unsure = unsureOf(composed, kitchen, book);
  const spread = yieldSpread(composed);
  const byYield = Math.max(spread.low, spread.high);
  const shares = new Map<string, Narrowing>();
  const add = (act: Narrowing['act'], line: ComposedLine | null, part: number): void => {
    const key = `${act} ${line?.id ?? ''}`;
    const before = shares.get(key)?.share ?? 0;
    shares.set(key, {
      act,
      lineId: line?.id ?? null,
      name: line?.name ?? composed.recipe.name,
      share: before + part / ids.length,
    });
  };
  for (const id of ids) {
    const ofYield = ((values[id] ?? 0) * byYield) ** 2;
    const all = varianceOf(id, kitchen.regime, unsure.high) * share ** 2 + ofYield;
    if (!(all > 0)) continue;
    if (!composed.isMeasured) add('weigh the batch', null, ofYield / all);
    for (const { line, ofFigures, ofWeightHigh } of unsure.parts) {
      const ofPanel = varianceOf(id, kitchen.regime, ofFigures) * share ** 2;
      const ofScale = varianceOf(id, kitchen.regime, ofWeightHigh) * share ** 2;
      if (line.food && line.food.kind === 'product' && !panelOf(line.food, kitchen))
        add('get the panel', line, ofPanel / all);
      if (line.weight?.origin !== 'weighed here') add('weigh the line', line, ofScale / all);
    }
  }
  return [...shares.values()]
    .filter((each) => each.share >= LEAST_NARROWING)
    .sort((one, other) => other.share - one.share)
    .slice(0, 3);
}
