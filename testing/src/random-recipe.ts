/** Random recipes from the larder, the same for the same seed, and the laws of allergens and swaps held against each. */
import {
  type Book,
  flagsOf,
  type Food,
  type FreeFromPolicy,
  isWorse,
  type Kitchen,
  lineFromText,
  type Pack,
  PACK_DEFAULTS,
  planSwaps,
  randomFrom,
  type Recipe,
  type RecipeLine,
  standardFlagsOf,
  stepsFromTexts,
  type Substance,
  SUBSTANCES,
} from '@hand-ladle/core';
import { touches } from '../../core/src/allergen/flags';
import { animalStateOf, standingOf } from '../../core/src/allergen/standing';
import { compose } from '../../core/src/dish/compose';
import type { Composed, ComposedLine } from '../../core/src/dish/composed';
import { wantedBy } from '../../core/src/food/substances';
import { passes } from '../../core/src/kitchen/diners';
import { withdrawPack } from '../../core/src/kitchen/kitchen';
import { swapHere } from '../../core/src/kitchen/library';
import { misfitOf } from '../../core/src/swap/fit';

const pick = <T>(items: readonly T[], random: () => number): T => items[Math.floor(random() * items.length)]!;

const METHODS: readonly (readonly string[])[] = [
  ['Simmer everything gently, uncovered, for 30 minutes.'],
  ['Roast everything on a tray for 35 minutes at 200 °C.'],
  ['Blend everything smooth and serve it cold.'],
  ['Mix everything, shape into patties and cook on a griddle for 5 minutes on each side.'],
  ['Mix everything to a batter and bake in a deep dish for 40 minutes at 180 °C, until set.'],
  ['Turn everything together and serve.'],
  ['Deep-fry for 4 minutes, then toast the bread and serve it beside.'],
];

export interface Instance {
  recipe: Recipe;
  kitchen: Kitchen;
  exclude: string[];
  policy: FreeFromPolicy;
}

const EXCLUSIONS = [
  'nut',
  'soy',
  'gluten',
  'sesame',
  'celery',
  'mustard',
  'lupin',
  'sulphites',
  'milk',
  'egg',
  'fish',
  'almond',
  'coconut',
  'tree-nut',
  'peanut',
  'whole-food',
  'kiwi',
] as const;

/** A pack that says something, not always the truth a swap would like. */
function randomPack(food: Food, random: () => number): Pack {
  const allergens: Partial<Record<Substance, 'contains' | 'may-contain'>> = {};
  for (const each of SUBSTANCES) {
    if (food.allergens[each] === undefined ? random() < 0.03 : random() < 0.3)
      allergens[each] = random() < 0.5 ? 'contains' : 'may-contain';
  }
  return {
    foodId: food.id,
    ...PACK_DEFAULTS,
    productName: `${food.name} of the day`,
    statement: '',
    allergens,
    certifiedGlutenFree: random() < 0.3,
    animal: random() < 0.7 ? 'plant' : null,
    own: random() < 0.5 ? { kiwi: 'none' } : {},
    checkedBy: 'A. Reader',
    checkedOn: '2026-11-01',
    isConfirmed: random() < 0.9,
    before: null,
  };
}

/** Recipes that follow each other are cooked in one kitchen: what it derives from its packs is worked out once. */
export const RECIPES_IN_A_KITCHEN = 64;
let lastKitchen: { seed: number; base: Kitchen; kitchen: Kitchen } | null = null;

function randomKitchen(seed: number, book: Book, base: Kitchen): Kitchen {
  if (lastKitchen?.seed === seed && lastKitchen.base === base) return lastKitchen.kitchen;
  const random = randomFrom(seed ^ 0x5bd1e995);
  const foods = [...book.foods.foods.values()];
  const packs = foods.filter(({ kind }) => random() < (kind === 'product' ? 0.5 : 0.03));
  const kitchen: Kitchen = {
    ...base,
    regime: random() < 0.5 ? 'eu' : 'us',
    coconutIsTreeNut: random() < 0.5,
    standard: { ...base.standard, isWholeFood: random() < 0.2 },
    ownAllergens: [{ id: 'kiwi', name: 'Kiwi', foodIds: ['kiwi'] }],
    packs: packs.map((food) => randomPack(food, random)),
    shared:
      random() < 0.2
        ? [{ id: 'griddle', name: 'Small griddle', kind: 'griddle', alsoFor: [pick(foods, random).id] }]
        : [],
  };
  lastKitchen = { seed, base, kitchen };
  return kitchen;
}

let blank: { book: Book; line: RecipeLine } | null = null;

/** A line that says nothing by itself: what it is and weighs is answered. */
function blankLine(book: Book): RecipeLine {
  if (blank?.book !== book) blank = { book, line: lineFromText('100 g something', 'l1', book.foods) };
  return blank.line;
}

/** A random question about a random recipe in a random kitchen. */
export function randomInstance(seed: number, book: Book, base: Kitchen, mostLines = 12): Instance {
  const random = randomFrom(seed);
  const kitchen = randomKitchen(Math.floor(seed / RECIPES_IN_A_KITCHEN), book, base);
  const foods = [...book.foods.foods.keys()];
  // Foods that have swaps come up more often: a recipe nobody can plan for proves little.
  const swappable = [...new Set([...book.swaps.values()].map(({ fromId }) => fromId))];
  const components = [...book.components.keys()];
  const lines = Array.from({ length: 1 + Math.floor(random() * mostLines) }, (_, index) => {
    const draw = random();
    const ids = draw < 0.1 && components.length > 0 ? components : draw < 0.6 ? swappable : foods;
    const answers = { foodId: pick(ids, random), grams: 5 + Math.floor(random() * 400) };
    return { ...blankLine(book), id: `l${index + 1}`, answers };
  });
  const recipe: Recipe = {
    id: `random-${seed}`,
    name: `Random dish ${seed}`,
    portions: 4,
    portionGrams: null,
    measuredYieldGrams: null,
    lines,
    steps: stepsFromTexts(pick(METHODS, random), lines, book.foods),
    parentId: null,
    swaps: [],
    freeFrom: [],
    apart: [],
    notes: [],
    notIn: [],
    confirmed: [],
    isComponent: false,
  };
  const exclude = [
    ...new Set(Array.from({ length: 1 + Math.floor(random() * 6) }, () => pick(EXCLUSIONS, random))),
  ];
  const word = (): 'refuse' | 'accept' => (random() < 0.7 ? 'refuse' : 'accept');
  return { recipe, kitchen, exclude, policy: { mayContain: word(), check: word() } };
}

/** Foods of a composed dish at the bottom, however deep: walked by itself, without the code under test. */
function* bottom(composed: Composed): Generator<{ line: ComposedLine; scope: Composed }> {
  for (const line of composed.lines) {
    if (line.inner) yield* bottom(line.inner);
    else yield { line, scope: composed };
  }
}

/** What a variant breaks of the promises of a plan. */
function planFaults(variant: Recipe, { kitchen, policy, exclude }: Instance, book: Book): string[] {
  const faults: string[] = [];
  const composed = compose(variant, book, kitchen);
  const substances = exclude.flatMap((each) => {
    const bits = wantedBy(each, kitchen)!.bits;
    return SUBSTANCES.filter((substance) => touches({ bits, own: 0 }, wantedBy(substance, kitchen)!));
  });
  for (const { line, scope } of bottom(composed)) {
    const { food } = line;
    if (!food) continue;
    for (const substance of substances) {
      const { status } = standingOf(food, substance, kitchen);
      if (!passes(status, policy)) faults.push(`${food.id} ${status} ${substance}`);
      if (line.swap && status === 'check') faults.push(`unread ${food.id} was brought in`);
    }
    if (animalStateOf(food, kitchen) === 'animal') faults.push(`${food.id} is animal`);
    if (line.swap && animalStateOf(food, kitchen) !== 'plant')
      faults.push(`${food.id} was brought in unread`);
    if (
      exclude.includes('whole-food') &&
      food.category !== 'water' &&
      ['oil', 'added-sugar', 'ready-made'].includes(food.wholeFood)
    )
      faults.push(`${food.id} is ${food.wholeFood}`);
    if (line.swap && misfitOf(line.swap.entry, line, scope, (id) => book.foods.foods.get(id)))
      faults.push(`${line.swap.entry.id} does not fit`);
    const most = line.swap?.entry.limits.mostShare ?? null;
    if (most !== null && food.id === line.swap!.entry.to[0]!.foodId) {
      const gramsOf = (lines: readonly ComposedLine[]): number =>
        lines.reduce((sum, { weight }) => sum + (weight?.grams ?? 0), 0);
      const same = scope.lines.filter((each) => each.food?.id === food.id);
      if (gramsOf(same) > most * gramsOf(scope.lines) * 1.000001) faults.push(`${food.id} is over its share`);
    }
  }
  return faults;
}

/** The swaps of a variant that this kitchen knows. */
const known = (variant: Recipe, book: Book, kitchen: Kitchen): boolean =>
  variant.swaps.every(({ swapId }) => swapHere(swapId, book.swaps, kitchen) !== null);

/** Whether every way in ends in a food of the larder, a piece of equipment's food, or a line nobody knows. */
function pathFaults(composed: Composed, kitchen: Kitchen, names: ReadonlySet<string>): string[] {
  const flags = [...flagsOf(composed.traces, kitchen), ...standardFlagsOf(composed.traces, kitchen)];
  return flags
    .filter(({ status }) => status !== 'clear')
    .flatMap(({ id, traces }) =>
      traces.length === 0
        ? [`${id} has no path`]
        : traces
            .filter(
              ({ path, evidence }) =>
                !names.has(path[path.length - 1]!) &&
                evidence.kind !== 'nobody knows' &&
                evidence.kind !== 'named in the text',
            )
            .map(({ path }) => `${id}: ${path.join(' > ')}`),
    );
}

/** The flags of a recipe by its lines and equipment; a line more may take what the text only named. */
const flagsIn = (recipe: Recipe, book: Book, kitchen: Kitchen) => {
  const traces = compose(recipe, book, kitchen).traces.filter(({ mention }) => !mention);
  return [...flagsOf(traces, kitchen), ...standardFlagsOf(traces, kitchen)];
};

export interface Verdicts {
  faults: string[];
  plans: number;
  isBlocked: boolean;
}

/** Every law of flags and plans held against one instance. What is broken is told in words. */
export function lawsBroken(instance: Instance, book: Book, names: ReadonlySet<string>): Verdicts {
  const { recipe, kitchen, exclude, policy } = instance;
  const before = flagsIn(recipe, book, kitchen);
  const faults = pathFaults(compose(recipe, book, kitchen), kitchen, names);

  const shorter: Recipe = { ...recipe, lines: recipe.lines.slice(0, -1) };
  flagsIn(shorter, book, kitchen).forEach(({ id, status }, index) => {
    if (isWorse(status, before[index]!.status)) faults.push(`a line more made ${id} better`);
  });

  // The packs of the recipe's own foods: forgetting another changes nothing here.
  const used = new Set(recipe.lines.map(({ answers }) => answers.foodId));
  for (const { foodId } of kitchen.packs.filter((pack) => used.has(pack.foodId)).slice(0, 2)) {
    flagsIn(recipe, book, withdrawPack(kitchen, foodId)).forEach(({ id, status }, index) => {
      if (isWorse(before[index]!.status, status)) faults.push(`forgetting ${foodId} made ${id} better`);
    });
  }

  const { plans, blockedBy } = planSwaps(
    { recipe, kitchen, target: { kind: 'weight', grams: 5000 }, exclude, policy },
    book,
    2,
  );
  if (plans.length === 0 && blockedBy.length === 0) faults.push('neither a plan nor what blocks it');
  for (const plan of plans) {
    const variant: Recipe = {
      ...recipe,
      swaps: plan.applied,
      freeFrom: plan.exclude,
      apart: plan.apart.map(({ id }) => id),
    };
    if (!known(variant, book, kitchen)) faults.push('a swap nobody knows');
    faults.push(...planFaults(variant, instance, book));
    const held = compose(variant, book, kitchen).traces.filter(
      (trace) =>
        exclude.some((each) => touches(trace, wantedBy(each, kitchen)!)) && !passes(trace.status, policy),
    );
    faults.push(...held.map(({ route, status }) => `${status} by ${route}`));
    const isUnfit = plan.worksheet.findings.some(
      ({ code, message }) =>
        code === 'swap-unfit' && !/nobody has checked|brings in|may contain/.test(message),
    );
    if (isUnfit) faults.push('a fresh plan does not fit');
  }
  return { faults, plans: plans.length, isBlocked: blockedBy.length > 0 };
}
