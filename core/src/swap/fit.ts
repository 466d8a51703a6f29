/** Whether a swap works where a food stands: how its recipe is made, against the limits of the entry. */
import type { Composed, ComposedLine } from '../dish';
import { type Food, inSentence, type Making, type SwapEntry, type SwapFunction } from '../food';
import { isBakedDeep, stagesOf } from '../recipe';
import { mustSet } from './setting';
import { asWritten, fallsApart, PROCESSED, staysHard, staysRaw, workAt } from './work';

const WORDS: Readonly<Record<Making, string>> = {
  baking: 'baking',
  dough: 'a dough',
  pan: 'frying in',
  simmering: 'simmering',
  blending: 'blending',
  shaping: 'a mix that is shaped',
  cold: 'a dish that is not cooked',
};

const KNOWN = new WeakMap<Composed, ReadonlySet<Making>>();

/** How a recipe is made. */
function makingsOf(scope: Composed): ReadonlySet<Making> {
  let makings = KNOWN.get(scope);
  if (makings) return makings;
  const { recipe, lines } = scope;
  const kinds = new Set(stagesOf(recipe).map(({ kind }) => kind));
  const isDough =
    asWritten(lines).some(({ food }) => food?.scaling === 'leavening') ||
    recipe.steps.some(({ text }) => /\bdough\b/i.test(text));
  const isHot = kinds.has('simmer') || kinds.has('oven') || kinds.has('fry');
  makings = new Set<Making>([
    ...(isBakedDeep(recipe) || (isDough && kinds.has('oven')) ? (['baking'] as const) : []),
    ...(isDough ? (['dough'] as const) : []),
    ...(kinds.has('simmer') ? (['simmering'] as const) : []),
    ...(kinds.has('blend') || recipe.steps.some(({ text }) => PROCESSED.test(text))
      ? (['blending'] as const)
      : []),
    ...(mustSet(recipe) ? (['shaping'] as const) : []),
    ...(isHot ? [] : (['cold'] as const)),
  ]);
  KNOWN.set(scope, makings);
  return makings;
}

/** What an entry's own limits say of a line, in words; null where they allow it. */
function limitBroken(entry: SwapEntry, line: ComposedLine, scope: Composed): string | null {
  const makings = makingsOf(scope);
  const is = (making: Making): boolean =>
    making === 'pan' ? (line.swap?.fromFollows ?? line.follows) === 'pan' : makings.has(making);
  const against = entry.limits.notFor.find(is);
  if (against) return `it is not for ${WORDS[against]}`;
  const { onlyFor } = entry.limits;
  return onlyFor.length > 0 && !onlyFor.some(is)
    ? `it is only for ${onlyFor.map((each) => WORDS[each]).join(' or ')}`
    : null;
}

/**
 * Why an entry does not work at a line, in words; null where it does. Shares and binding are asked of the whole plan.
 * @param told what the cook says that the food does here; null where nobody was asked
 */
export function misfitOf(
  entry: SwapEntry,
  line: ComposedLine,
  scope: Composed,
  foodOf: (id: string) => Food | undefined,
  told: SwapFunction | null = null,
): string | null {
  const limit = limitBroken(entry, line, scope);
  if (limit) return limit;
  if (told !== null && entry.function !== told)
    return `here it is wanted as ${told}, and this is ${entry.function}`;
  const from = foodOf(entry.fromId);
  const here = told === null && from ? workAt(from, line, scope) : null;
  if (here && !here.works.has(entry.function))
    return `here ${here.words}, and this would be ${entry.function}`;
  for (const { foodId } of entry.to) {
    const food = foodOf(foodId);
    if (!food) continue;
    if (staysRaw(food, scope)) return `${inSentence(food.name)} is not eaten raw, and nothing is cooked here`;
    if (fallsApart(food, entry.function, scope))
      return `${inSentence(food.name)} would not hold in one piece`;
    if (staysHard(food, entry.function, scope))
      return `${inSentence(food.name)} would stay hard: nothing here boils it`;
  }
  return null;
}
