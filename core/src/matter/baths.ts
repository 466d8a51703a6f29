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
/** Pouring off, of what was just boiled: "and drain", "drain them well", never "the drained beans" nor "drain if needed". */
const POURS_OFF =
  /\b(?:drain|(?:and|then|are|is) drained)\b(?! (?:if|any|only|most|some|a little|excess)\b)|\b(?:pour|tip|throw) (?:off |away )(?:the |its |all )?(?:cooking )?water\b|\bstrain off\b|\blift(?:ed)? out of the water\b/i;
/** What may stand after "drain" without naming another food. */
const ITSELF =
  /^(?:them|it|well|thoroughly|immediately|again|and|off|in|into|through|then|before|when|as|on|very|briefly|with|to|return|until|under|water|pot|pan|lot)$/i;
/** Water that is kept is no bath: "drain, keeping the water". */
const KEEPS =
  /\b(?:keep|reserve|save|retain|hold)(?:ing)?(?: back)?\b[^.]*\b(?:water|liquid|liquor)\b|\b(?:if|when) (?:needed|necessary|wet)\b|\bexcess\b/i;

/** What is drained is what was boiled: no other food is named after the word. */
function drainsItself(text: string, before: string): boolean {
  const found = POURS_OFF.exec(text);
  if (!found) return false;
  // "Drain and rinse the beans": the beans are what is drained.
  const object =
    /^(?:\s*(?:,|and) [a-z]+(?= )(?! (?:and|then)\b))?(?: (?:the|all|your|both))*(?: ([a-z]+))?/i;
  const [, said] = object.exec(text.slice(found.index + found[0].length)) ?? [];
  return !said || ITSELF.test(said) || new RegExp(`\\b${said}\\b`, 'i').test(before);
}

/**
 * What is cooked in plenty of water that is poured off, the water's lines, and the step that boils it; null where none is. The
 * step that pours off must boil first, or come straight after one that does, and drain what was boiled and nothing else. In doubt
 * the water stays in the dish.
 */
export function pouredOff(
  recipe: Pick<Recipe, 'steps'>,
  lines: readonly BathLine[],
): { step: RecipeStep; foodIds: ReadonlySet<string>; waterIds: readonly string[] } | null {
  const waters = lines.filter(({ isWater }) => isWater);
  for (const [index, { text, reading }] of recipe.steps.entries()) {
    const drain = POURS_OFF.exec(text);
    if (!drain || KEEPS.test(text)) continue;
    const start = text.slice(0, drain.index);
    const isHere = BOILS.test(start);
    const step = isHere ? recipe.steps[index]! : recipe.steps[index - 1];
    if (!step || !BOILS.test(step.text)) continue;
    if (!drainsItself(text, isHere ? start : step.text)) continue;
    const boiled = new Set(step.reading.lineIds);
    if (!isHere && reading.lineIds.some((id) => !boiled.has(id))) continue;
    const inStep = waters.filter(({ id }) => boiled.has(id));
    // "Boil the spaghetti and drain": the one water of the list is what it boils in.
    const water = inStep.length > 0 ? inStep : waters.length === 1 ? waters : [];
    const foodIds = new Set(
      lines.filter(({ id, isWater }) => !isWater && boiled.has(id)).map(({ id }) => id),
    );
    if (water.length > 0 && foodIds.size > 0) return { step, foodIds, waterIds: water.map(({ id }) => id) };
  }
  return null;
}
