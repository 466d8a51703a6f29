/**
 * What is done in which machine: the method cut into stages by pot, oven, frying pan, blender and mixer, each with the
 * lines that go into it. A batch is split into loads stage by stage.
 */
import { WORK_KINDS, type WorkKind } from '../kitchen';
import { cookingsIn, type Recipe, type RecipeStep } from './recipe';

/** What one step does to the food, read from its words. */
export interface StepWork {
  /** What it is done in; several where a step simmers and then blends. */
  kinds: readonly WorkKind[];
  /** It takes everything that is there, not only what it names. */
  isEverything: boolean;
  /** In one layer: on a tray or a griddle, where depth is no matter. */
  isLayer: boolean;
  /** Onions and their like are softened in fat or a little water. */
  isSweating: boolean;
}

const EVERYTHING = /\b(?:everything|all (?:the |of the )?(?:other )?ingredients|all of it|together)\b/i;
const SWEATING =
  /\b(?:sweat|saut[ée]|soften|fry|stir-fry|brown(?! (?:rice|lentil|sugar|flour|bread|basmati)))/i;
const WORDS: Readonly<Record<WorkKind, RegExp>> = {
  blend: /\b(?:blend|blender|pur[ée]e|food processor|process until|whizz)/i,
  mix: /\b(?:knead|mixer|dough)\b/i,
  oven: /\b(?:oven|bake|roast)/i,
  fry: /\b(?:griddle|frying pan|skillet|wok|deep-fry|pan-fry)/i,
  simmer: /\b(?:simmer|boil|stew|braise|poach|kettle|saucepan|pot)\b/i,
};
const LAYER = /\b(?:roast|toast|tray|single layer|one layer|roll(?:ed)? (?:it )?thin|patt(?:y|ies)|flat)/i;

const KNOWN = new WeakMap<RecipeStep, StepWork>();

/** The work of one step. Rolling a dough thin and baking it is oven work; simmering and blending is both. */
export function workOf(step: RecipeStep): StepWork {
  const known = KNOWN.get(step);
  if (known) return known;
  const { text, reading } = step;
  const isSweating = SWEATING.test(text);
  const heat = reading.cooking?.heat;
  const cooked: readonly WorkKind[] = heat === undefined ? [] : [heat === 'oven' ? 'oven' : 'simmer'];
  const named = (['blend', 'oven', 'mix', 'fry'] as const).filter((kind) => WORDS[kind].test(text));
  const kinds = new Set<WorkKind>([...cooked, ...named]);
  // "Bake the dough" is the oven's alone; a pot that is only named is used where nothing else is.
  if (kinds.has('oven')) kinds.delete('mix');
  if (kinds.size === 0 && WORDS.simmer.test(text)) kinds.add('simmer');
  if (kinds.size === 0 && isSweating) kinds.add('fry');
  const work: StepWork = {
    kinds: [...kinds],
    isEverything: EVERYTHING.test(text),
    isLayer: LAYER.test(text),
    isSweating,
  };
  KNOWN.set(step, work);
  return work;
}

/** One machine's part of the method. */
export interface Stage {
  kind: WorkKind;
  /** Ids of the written lines that go into it; null when everything does. */
  lineIds: ReadonlySet<string> | null;
  isLayer: boolean;
  /** What is blended was cooked before and is hot. */
  isHot: boolean;
  /** Index of its first step. */
  firstStep: number;
}

const COOLED = /\b(?:cold|cool|cooled|chill|chilled)\b/i;

const STAGES = new WeakMap<Recipe, readonly Stage[]>();

/**
 * The stages of a recipe in the order of the method. Sweating that is followed by a simmer happens in the same pot. Where
 * only one machine cooks, everything passes through it; where several do, each holds what its steps name.
 */
export function stagesOf(recipe: Recipe): readonly Stage[] {
  const known = STAGES.get(recipe);
  if (known) return known;
  const works = recipe.steps.map(workOf);
  const hasPot = works.some(({ kinds }) => kinds.includes('simmer'));
  const kinds = works.map((work, index): readonly WorkKind[] =>
    work.kinds.length === 1 && work.kinds[0] === 'fry' && hasPot && !WORDS.fry.test(recipe.steps[index]!.text)
      ? ['simmer']
      : work.kinds,
  );
  const cooking = new Set<WorkKind>(kinds.flat().filter((kind) => kind === 'simmer' || kind === 'oven'));
  const stages = WORK_KINDS.flatMap((kind): Stage[] => {
    const at = kinds.flatMap((each, index) => (each.includes(kind) ? [index] : []));
    const [firstStep] = at;
    if (firstStep === undefined) return [];
    const fats = new Set(recipe.lines.filter(({ reading }) => reading.purpose === 'fry').map(({ id }) => id));
    // An oiled griddle holds more than its oil.
    const named = new Set(
      at
        .flatMap((index) => recipe.steps[index]!.reading.lineIds)
        .filter((id) => kind !== 'fry' || !fats.has(id)),
    );
    const isAlone = cooking.size === 1 && cooking.has(kind);
    const isWhole = isAlone || named.size === 0 || at.some((index) => works[index]!.isEverything);
    const isHot =
      kind === 'blend' &&
      kinds.slice(0, firstStep + 1).some((each) => each.includes('simmer')) &&
      !at.some((index) => COOLED.test(recipe.steps[index]!.text));
    const isLayer = at.some((index) => works[index]!.isLayer);
    return [{ kind, lineIds: isWhole ? null : named, isLayer, isHot, firstStep }];
  }).sort((one, other) => one.firstStep - other.firstStep);
  STAGES.set(recipe, stages);
  return stages;
}

/** Whether it is baked in a dish whose depth matters, not in one layer. */
export const isBakedDeep = (recipe: Recipe): boolean =>
  stagesOf(recipe).some(({ kind, isLayer }) => kind === 'oven' && !isLayer);

/** The stage that decides the batch's loads as a whole: the pot, else the oven, else what comes first. */
export function mainStage(stages: readonly Stage[]): Stage | null {
  const order: readonly WorkKind[] = ['simmer', 'oven', 'fry', 'mix', 'blend'];
  for (const kind of order) {
    const found = stages.find((stage) => stage.kind === kind);
    if (found) return found;
  }
  return null;
}

/** Ways of cooking a food's yield is known for, as the larder names them. */
export type CookingMethod = 'boiled' | 'roasted' | 'fried' | 'steamed' | 'wilted' | 'soaked';

/** How a line is cooked, by the last step that names it and heats it; null where no step does. */
export function cookingMethodOf(lineId: string, steps: readonly RecipeStep[]): CookingMethod | null {
  let method: CookingMethod | null = null;
  for (const step of steps) {
    if (!step.reading.lineIds.includes(lineId)) continue;
    const { kinds, isSweating } = workOf(step);
    if (kinds.includes('oven')) method = 'roasted';
    else if (/\bsteam/i.test(step.text)) method = 'steamed';
    else if (/\bwilt/i.test(step.text)) method = 'wilted';
    else if (kinds.includes('simmer') && step.reading.cooking) method = 'boiled';
    else if (kinds.includes('fry') || isSweating) method = 'fried';
    else if (kinds.includes('simmer')) method = 'boiled';
  }
  return method;
}

/** Minutes a line is sweated or fried, by the first such step that names it and a time; null where none does. */
export function fryingMinutesOf(lineId: string, steps: readonly RecipeStep[]): number | null {
  const step = steps.find(
    (each) =>
      each.reading.lineIds.includes(lineId) && workOf(each).isSweating && each.reading.minutes !== null,
  );
  return step?.reading.minutes ?? null;
}

/** Whether a line is fat for a pan: it says so, or the step that uses it fries or sweats and does not roast. */
export function isPanFat(lineId: string, purpose: string | null, steps: readonly RecipeStep[]): boolean {
  if (purpose === 'fry') return true;
  return steps.some((step) => {
    const { kinds, isSweating } = workOf(step);
    const isFrying = isSweating || kinds.includes('fry');
    return step.reading.lineIds.includes(lineId) && isFrying && !kinds.includes('oven');
  });
}

/** Minutes a line is cooked after it went in, by the steps from the first that names it; null where nothing heats it. */
export function minutesCooked(lineId: string, steps: readonly RecipeStep[]): number | null {
  const first = steps.findIndex((step) => step.reading.lineIds.includes(lineId));
  let minutes: number | null = null;
  for (const step of steps.slice(Math.max(0, first))) {
    const cookings = cookingsIn(step.reading);
    if (cookings.length > 0) minutes = cookings.reduce((sum, each) => sum + each.minutes, minutes ?? 0);
    else if (minutes === null && workOf(step).kinds.some((kind) => HOT_WORK.has(kind)))
      minutes = step.reading.minutes ?? 0;
  }
  return minutes;
}
const HOT_WORK: ReadonlySet<WorkKind> = new Set<WorkKind>(['simmer', 'oven', 'fry']);

const DEEP_FRYING = /\bdeep[- ]?fr(?:y|ied|ies|yer|ying)\b/i;

/** The step that fries in deep fat, with what it names; null where none does. */
export const deepFryingStep = (steps: readonly RecipeStep[]): RecipeStep | null =>
  steps.find(({ text }) => DEEP_FRYING.test(text)) ?? null;
