/** Baths food is cooked in and lifted out of: oil for deep-frying, water that is poured off. Read from the words of the steps. */
import type { Recipe, RecipeStep } from '../recipe/recipe';
import { deepFryingStep } from '../recipe/work';

/** A line as a bath sees it. */
export interface BathLine {
  id: string;
  grams: number;
  isFat: boolean;
  isWater: boolean;
}

const FRIES = /\bfr(?:y|ies|ied|ying)\b|\bhot oil\b|\bfryer\b|\binto the oil\b/i;
/** Fat that is more than this share of what is fried in it is a bath and no film on a pan (convention). */
const BATH_SHARE = 0.3;

/**
 * The step that fries in a bath of fat, and the fats of it: one that says so, or one that fries while the list holds more fat than
 * a pan takes up. Null where nothing is fried so.
 */
export function fryingBath(
  recipe: Pick<Recipe, 'steps'>,
  lines: readonly BathLine[],
): { step: RecipeStep; fatIds: readonly string[] } | null {
  const others = lines
    .filter(({ isFat, isWater }) => !isFat && !isWater)
    .reduce((sum, { grams }) => sum + grams, 0);
  const heavy = lines.filter(({ isFat, grams }) => isFat && grams > BATH_SHARE * others);
  const said = deepFryingStep(recipe.steps);
  if (said) return { step: said, fatIds: lines.filter(({ isFat }) => isFat).map(({ id }) => id) };
  const step = recipe.steps.find(({ text }) => FRIES.test(text));
  return step && heavy.length > 0 ? { step, fatIds: heavy.map(({ id }) => id) } : null;
}

const BOILS = /\b(?:boil|simmer|cook|blanch|parboil)/i;
const POURS_OFF =
  /\bdrain(?:ed|ing)?\b|\b(?:pour|tip|throw)(?:ed|ing)? (?:off |away )(?:the |its |all )?(?:cooking )?water|\bstrain(?:ed)? off\b|\blift(?:ed)? out (?:of the water|with)/i;
/** Water that is kept is no bath: "drain, keeping the water". */
const KEEPS =
  /\b(?:keep|reserve|save)(?:ing)? (?:all )?(?:the|its|that) (?:cooking )?(?:water|liquid|liquor)\b/i;

/**
 * The ids of what is cooked in plenty of water that is poured off, with the water's; null where none is. The step that pours off
 * must boil, or follow one that does, and a line of water must be named there or in the boiling.
 */
export function pouredOff(
  recipe: Pick<Recipe, 'steps'>,
  lines: readonly BathLine[],
): { foodIds: ReadonlySet<string>; waterIds: readonly string[] } | null {
  const { steps } = recipe;
  const at = steps.findIndex(
    ({ text }, index) =>
      POURS_OFF.test(text) &&
      !KEEPS.test(text) &&
      (BOILS.test(text) || (index > 0 && BOILS.test(steps[index - 1]!.text))),
  );
  if (at < 0) return null;
  const boiling = BOILS.test(steps[at]!.text) ? at : at - 1;
  const named = new Set([...steps[boiling]!.reading.lineIds, ...steps[at]!.reading.lineIds]);
  const waters = lines.filter(({ isWater }) => isWater);
  const inStep = waters.filter(({ id }) => named.has(id));
  // "Boil the spaghetti and drain": the one water of the list is what it boils in.
  const water = inStep.length > 0 ? inStep : waters.length === 1 ? waters : [];
  if (water.length === 0) return null;
  const foodIds = new Set(lines.filter(({ id, isWater }) => !isWater && named.has(id)).map(({ id }) => id));
  return { foodIds, waterIds: water.map(({ id }) => id) };
}
