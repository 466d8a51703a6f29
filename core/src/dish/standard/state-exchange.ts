/**
 * Dry, cooked and tinned stand for each other: a line is exchanged by what it weighs once cooked and drained, and the
 * water of the pot follows.
 */
import { type Food, type FoodSet, type FoodState, isWater } from '../../food';
import { figureText, roundToDecimals } from '../../quantity';
import type { LineAnswers, Recipe } from '../../recipe';
import type { StandardLine } from './standard-line';

/** Dry foods whose cooked or tinned fellows do not carry their name. */
const FELLOWS: Readonly<Record<string, readonly string[]>> = {
  'rolled-oats': ['oats-cooked'],
  spaghetti: ['pasta-cooked'],
  'green-lentils': ['lentils-cooked', 'lentils-tinned'],
};
const EXCHANGED = new Set(['pulse', 'grain', 'noodle']);
/** Pulses that go into the pot dry; all others are soaked and boiled apart (kitchen practice). */
const IN_THE_POT = new Set(['red-lentils', 'split-peas', 'green-lentils', 'puy-lentils', 'moong-dal']);

const FAMILIES = new WeakMap<FoodSet, ReadonlyMap<string, readonly Food[]>>();

/** The dry, cooked and tinned foods that stand for each other, by the id of each. */
function familiesOf(larder: FoodSet): ReadonlyMap<string, readonly Food[]> {
  const known = FAMILIES.get(larder);
  if (known) return known;
  const families = new Map<string, readonly Food[]>();
  for (const dry of larder.foods.values()) {
    if (dry.state !== 'dry' || dry.cookingYield === null || !EXCHANGED.has(dry.category)) continue;
    const base = dry.id.replace(/-dry$/, '');
    const ids = [`${base}-cooked`, `${base}-tinned`, ...(FELLOWS[dry.id] ?? [])];
    const family = [dry, ...ids.flatMap((id) => larder.foods.get(id) ?? [])];
    if (family.length > 1) for (const food of family) families.set(food.id, family);
  }
  FAMILIES.set(larder, families);
  return families;
}

/** One way to put a line's food in another state. */
export interface StateExchange {
  foodId: string;
  name: string;
  state: FoodState;
  /** Grams of it at home size. */
  grams: number;
  /** It is soaked and boiled apart and enters cooked. */
  isCookedApart: boolean;
  /** What happens to the water line, in grams at home size; 0 where nothing does. */
  waterGrams: number;
  waterLineId: string | null;
  /** Water that should go but is not in the list as water, in grams: the dish is wetter by so much. */
  wetterGrams: number;
  /** "42 g cooked is 17 g dry x 2.4". */
  because: string;
}

/** What a food weighs once cooked and drained, over what it weighs as it is. */
const cookedRatio = (food: Food): number => (food.state === 'dry' ? (food.cookingYield ?? 1) : 1);

const entersDry = (food: Food): boolean => food.category !== 'pulse' || IN_THE_POT.has(food.id);

/** The ways in which a line's food can stand in another state, weights and water following; none for most foods. */
export function stateExchanges(
  line: StandardLine,
  lines: readonly StandardLine[],
  larder: FoodSet,
): StateExchange[] {
  const { food, weight } = line;
  if (!food || !weight || !(weight.grams > 0)) return [];
  const family = familiesOf(larder).get(food.id) ?? [];
  const water = lines.find((each) => isWater(each.food) && each.follows === 'water' && each.weight);
  const cooked = weight.grams * cookedRatio(food);
  const isApart = line.source.answers.isCookedApart ?? false;
  // Water a dry food drinks from the pot; one cooked apart brings its own.
  const drunk = food.state === 'dry' && !isApart ? cooked - weight.grams : 0;
  return family
    .filter(({ id }) => id !== food.id)
    .map((to): StateExchange => {
      const grams = cooked / cookedRatio(to);
      const isDry = to.state === 'dry';
      const isCookedApart = isDry && !(entersDry(to) && water);
      const willDrink = isDry && !isCookedApart ? cooked - grams : 0;
      const change = water ? willDrink - drunk : 0;
      const waterGrams = Math.max(change, -(water?.weight?.grams ?? 0));
      const yieldOf = isDry ? to : food;
      return {
        foodId: to.id,
        name: to.name,
        state: to.state,
        grams: roundToDecimals(grams, 1),
        isCookedApart,
        waterGrams: roundToDecimals(waterGrams, 1),
        waterLineId: water && waterGrams !== 0 ? water.source.id : null,
        wetterGrams: roundToDecimals(Math.max(0, waterGrams - change), 1),
        because: `${figureText(cooked, 0)} g cooked and drained${
          yieldOf.state === 'dry'
            ? ` is ${figureText(cooked / cookedRatio(yieldOf), 0)} g dry x ${cookedRatio(yieldOf)}`
            : ', weight for weight'
        }`,
      };
    });
}

/** The recipe with a line's food in another state, and its water line with it. */
export function withState(
  recipe: Recipe,
  lines: readonly StandardLine[],
  lineId: string,
  to: StateExchange,
): Recipe {
  const water = lines.find((line) => line.source.id === to.waterLineId);
  const answersFor = (id: string, answers: LineAnswers): LineAnswers => {
    if (id === lineId) {
      const next: LineAnswers = { ...answers, foodId: to.foodId, grams: to.grams, gramsOrigin: 'convention' };
      delete next.isCookedApart;
      return to.isCookedApart ? { ...next, isCookedApart: true } : next;
    }
    if (id !== to.waterLineId) return answers;
    const grams = roundToDecimals((water?.weight?.grams ?? 0) + to.waterGrams, 1);
    return { ...answers, grams: Math.max(0.1, grams), gramsOrigin: 'convention' };
  };
  return {
    ...recipe,
    lines: recipe.lines.map((line) => ({ ...line, answers: answersFor(line.id, line.answers) })),
  };
}
