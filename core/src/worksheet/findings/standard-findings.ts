/** Where a dish differs from the kitchen's standard. It informs; nothing is changed. */
import type { Composed, StandardLine } from '../../dish';
import { type Finding, finding } from '../../finding';
import { type Food, inSentence } from '../../food';
import { breaksWholeFood, type Kitchen, type KitchenStandard, LOW_SALT_SHARE } from '../../kitchen';
import { figureText } from '../../quantity';
import { type RecipeStep, stagesOf, workOf } from '../../recipe';

const WHOLE_FOOD_WORDS = {
  oil: 'is an oil',
  refined: 'is refined',
  'added-sugar': 'is added sugar',
  'ready-made': 'is ready-made',
} as const;

const BLENDED: Readonly<Record<string, KitchenStandard['cream']>> = {
  nut: 'soaked nuts',
  seed: 'seeds',
  vegetable: 'blended vegetable or pulse',
  pulse: 'blended vegetable or pulse',
};
const STIRRED_IN: Readonly<Record<string, KitchenStandard['cream']>> = {
  'nut butter': 'soaked nuts',
  'seed butter': 'seeds',
  starch: 'starch',
  flour: 'flour in fat',
};

const isBlended = (lineId: string, steps: readonly RecipeStep[]): boolean =>
  steps.some((step) => {
    const { kinds, isEverything } = workOf(step);
    return kinds.includes('blend') && (isEverything || step.reading.lineIds.includes(lineId));
  });

/** The way in which a line makes the dish creamy or thick; null where it does neither, 'another' where no kitchen's way does. */
function creamOf(line: StandardLine, food: Food, steps: readonly RecipeStep[]): string | null {
  const { category, functions, id } = food;
  if (category in BLENDED) return isBlended(line.source.id, steps) ? BLENDED[category]! : null;
  if (!functions.includes('cream') && !functions.includes('thickener')) return null;
  if (/^oat-(?:milk|cream|drink)/.test(id)) return 'oat milk';
  if (category in STIRRED_IN) return STIRRED_IN[category]!;
  return functions.includes('cream') ? 'another' : null;
}

/** What a line does of an egg's work; null where it does none. */
function eggOf({ id, category, functions }: Food): string | null {
  if (id === 'ground-flax' || id === 'chia-seeds') return 'ground flax or chia';
  if (id === 'aquafaba') return 'pulse water';
  if (functions.includes('egg-like texture') && category === 'soya') return 'tofu';
  return category === 'egg' || id === 'egg-replacer' ? 'another' : null;
}

const TOFUS: Readonly<Record<string, string>> = {
  'firm-tofu': 'firm',
  'extra-firm-tofu': 'firm',
  'soft-tofu': 'soft',
  'silken-tofu': 'silken',
};

function tofuOf(line: StandardLine, food: Food): string | null {
  const firmness = TOFUS[food.id];
  if (firmness === undefined) return null;
  if (firmness !== 'firm') return firmness;
  return /press/i.test(`${line.source.text} ${line.source.reading.form}`)
    ? 'firm, pressed'
    : 'firm, not pressed';
}

/** Ways a kitchen asks for, with what a line does instead. */
function waysAsked(line: StandardLine, food: Food, composed: Composed, standard: KitchenStandard): Finding[] {
  const { cream, egg, tofu } = standard;
  const { steps } = composed.recipe;
  const isDough = composed.lines.some(({ role }) => role === 'leavening');
  const asked = [
    { question: 'cream and thickening', way: cream, done: isDough ? null : creamOf(line, food, steps) },
    { question: "egg's work", way: egg, done: eggOf(food) },
    { question: 'tofu', way: tofu, done: tofuOf(line, food) },
  ];
  return asked
    .filter(({ way, done }) => way !== 'as written' && done !== null && done !== way)
    .map(({ question, way }) =>
      finding('way-asked', line.id, { name: inSentence(food.name), question, way }),
    );
}

function lineFindings(
  line: StandardLine,
  food: Food,
  composed: Composed,
  standard: KitchenStandard,
): Finding[] {
  const { isWholeFood, fryingFat, salt, pulses } = standard;
  const { id, weight, role } = line;
  const name = inSentence(food.name);
  const found: Finding[] = [];
  if (isWholeFood && food.wholeFood !== 'whole' && breaksWholeFood(food))
    found.push(finding('not-whole-food', id, { name, reason: WHOLE_FOOD_WORDS[food.wholeFood] }));
  else if (fryingFat !== 'as written' && fryingFat !== 'a little oil' && isFatLine(line))
    found.push(finding('frying-fat', id, { name, way: fryingFat }));
  const isDough = composed.lines.some((each) => each.role === 'leavening');
  if (role === 'salt' && !isDough && salt !== 'as written') {
    const share = composed.finishedGrams > 0 ? weight!.grams / composed.finishedGrams : 0;
    if (salt === 'none' || share > LOW_SALT_SHARE * 1.05)
      found.push(finding('salt-asked', id, { name, way: salt, percent: figureText(share * 100, 1) }));
  }
  const isOther =
    (pulses.startsWith('from dry') && food.state === 'tinned') ||
    (pulses === 'tinned and rinsed' && food.state === 'dry' && food.id.endsWith('-dry'));
  if (food.category === 'pulse' && isOther) found.push(finding('pulses-asked', id, { name, way: pulses }));
  return found;
}

/** One pot, or parts cooked apart: what the whole dish is against what the kitchen likes. */
function buildFindings({ recipe, lines }: Composed, { build }: KitchenStandard): Finding[] {
  const parts = lines.filter(({ inner }) => inner !== null).length;
  const machines = stagesOf(recipe).length;
  if (build === 'one pot' && !recipe.isComponent && (parts > 0 || machines > 1))
    return [finding('build-asked', null, { way: build, parts, machines })];
  if (build === 'components apart' && !recipe.isComponent && parts === 0 && lines.length > 3)
    return [finding('build-asked', null, { way: build, parts, machines })];
  return [];
}

export function standardFindings(composed: Composed, kitchen: Kitchen): Finding[] {
  const { standard } = kitchen;
  const ofLines = composed.lines.flatMap((line): Finding[] => {
    const { food, weight, technique } = line;
    if (!food || technique || !weight) return [];
    return [...lineFindings(line, food, composed, standard), ...waysAsked(line, food, composed, standard)];
  });
  return [...ofLines, ...buildFindings(composed, standard)];
}

export const isFatLine = (line: StandardLine): boolean =>
  line.follows === 'pan' && line.food !== null && !line.technique;
