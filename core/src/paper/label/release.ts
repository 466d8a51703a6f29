/**
 * A label that was released: the exact inputs it was worked out from, and what of them is otherwise now. The frozen inputs are
 * enough to work the label out again, byte by byte.
 */
import { isTelling, knownWords, mentionsOf, placeWords } from '../../audit';
import type { BatchTarget } from '../../batch';
import type { StatementStyle } from '../../declaration';
import { compose, type Composed } from '../../dish';
import { type Food, foodSet, NUTRIENT_NAMES, NUTRIENTS, type SwapEntry, WATER_ID } from '../../food';
import { answeredWord, type Kitchen, swapHere } from '../../kitchen';
import { type Book, bookOf, type Recipe } from '../../recipe';
import { type Worksheet, worksheet, type WorksheetInput } from '../../worksheet';

export interface FrozenInputs {
  recipe: Recipe;
  components: Recipe[];
  foods: Food[];
  /** Foods that only the words of the recipe name: they decide whether every word is accounted for. */
  namedFoods?: Food[];
  /** Words of the texts that the whole larder knows: they are no misspellings. */
  knownWords?: string[];
  /** What the words name and no line holds: '"walnuts" in step 2'. Labels of older versions were never asked. */
  openNames?: string[];
  swaps: SwapEntry[];
  kitchen: Kitchen;
  target: BatchTarget;
  vesselIds: string[];
  style: StatementStyle;
}

/** States of a label on its way out of the kitchen. */
export const RELEASE_STATES = ['draft', 'checked', 'released', 'withdrawn'] as const;
export type ReleaseState = (typeof RELEASE_STATES)[number];

interface Reached {
  foods: Set<string>;
  components: Map<string, Recipe>;
}

/** Ids that a written line may be read as, whatever is chosen. */
function readAs(recipe: Recipe, reached: Reached): void {
  for (const { reading, answers } of recipe.lines)
    for (const id of [reading.foodId, answers.foodId, ...reading.otherFoodIds, ...reading.alternativeIds])
      if (id) reached.foods.add(id);
}

function reach(composed: Composed, reached: Reached): void {
  readAs(composed.recipe, reached);
  for (const { food, inner } of composed.lines) {
    if (food) reached.foods.add(food.id);
    if (!inner) continue;
    reached.components.set(inner.recipe.id, inner.recipe);
    reach(inner, reached);
  }
}

/** Everything a label is worked out from, and nothing else of the book. */
export function freeze(input: WorksheetInput, book: Book): FrozenInputs {
  const { recipe, kitchen, target, vesselIds = [], labelStyle = { language: 'en', hasTail: false } } = input;
  const reached: Reached = { foods: new Set([WATER_ID]), components: new Map() };
  reach(compose(recipe, book, kitchen), reached);
  const mentions = [recipe, ...reached.components.values()].flatMap((each) =>
    mentionsOf(each, book, kitchen),
  );
  const named = new Set(mentions.flatMap(({ foodIds }) => foodIds));
  for (const id of named) if (book.components.has(id)) reached.components.set(id, book.components.get(id)!);
  for (const { alsoFor } of kitchen.shared) for (const id of alsoFor) reached.foods.add(id);
  const swaps = recipe.swaps.flatMap(({ swapId }) => {
    const entry = swapHere(swapId, book.swaps, kitchen);
    return entry ? [entry] : [];
  });
  for (const { fromId, to } of swaps)
    for (const id of [fromId, ...to.map(({ foodId }) => foodId)]) reached.foods.add(id);
  const byId = <T extends { id: string }>(one: T, other: T): number => (one.id < other.id ? -1 : 1);
  return {
    recipe,
    components: [...reached.components.values()].sort(byId),
    foods: [...reached.foods].flatMap((id) => book.foods.foods.get(id) ?? []).sort(byId),
    namedFoods: [...named]
      .filter((id) => !reached.foods.has(id))
      .flatMap((id) => book.foods.foods.get(id) ?? [])
      .sort(byId),
    knownWords: knownWords([recipe, ...reached.components.values()], book, kitchen),
    openNames: [
      ...new Set(mentions.filter(isTelling).map(({ text, place }) => `"${text}" in ${placeWords(place)}`)),
    ],
    swaps: [...swaps].sort(byId),
    kitchen: {
      ...kitchen,
      packs: kitchen.packs.filter(({ foodId }) => reached.foods.has(foodId)),
      weights: kitchen.weights.filter(({ foodId }) => reached.foods.has(foodId)),
      names: kitchen.names.filter(({ foodId }) => reached.foods.has(foodId)),
      words: (kitchen.words ?? []).filter(({ word }) =>
        kitchen.packs.some(
          ({ foodId, statement }) => reached.foods.has(foodId) && answeredWord(statement).includes(word),
        ),
      ),
      swaps: kitchen.swaps.filter(({ id }) => swaps.some((entry) => entry.id === id)),
      ratings: [],
      diners: [],
      targets: [],
    },
    target,
    vesselIds: [...vesselIds],
    style: labelStyle,
  };
}

/** A recipe that was frozen before its notes and its cook's answers were kept. */
const heeded = (recipe: Recipe): Recipe => ({
  ...recipe,
  notes: recipe.notes ?? [],
  notIn: recipe.notIn ?? [],
  confirmed: recipe.confirmed ?? [],
});

/** The book a frozen label was worked out from. */
export function thawedBook({
  foods,
  namedFoods = [],
  knownWords = [],
  components,
  swaps,
}: FrozenInputs): Book {
  return bookOf(foodSet([...foods, ...namedFoods], components, knownWords), components.map(heeded), swaps);
}

/** The worksheet of frozen inputs, worked out again. */
export function thaw(frozen: FrozenInputs): Worksheet {
  const { kitchen, target, vesselIds, style } = frozen;
  const recipe = heeded(frozen.recipe);
  return worksheet({ recipe, kitchen, target, vesselIds, labelStyle: style }, thawedBook(frozen));
}

/** One thing that is otherwise than when the label was released; an empty side was or is not there. */
export interface InputChange {
  what: string;
  before: string;
  after: string;
}

type Facets = Map<string, { what: string; text: string }>;

/** "keepsDays" is "keeps days", "may-contain" stays. */
const inWords = (key: string): string =>
  key.replace(/([a-z])([A-Z])/g, (_, one: string, two: string) => `${one} ${two.toLowerCase()}`);

/** Any input in words a cook can read: lists by commas, fields by their names. */
function said(value: unknown): string {
  if (value === null || value === undefined) return 'not known';
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  if (Array.isArray(value)) return value.length === 0 ? 'none' : value.map(said).join(', ');
  if (typeof value === 'object') {
    const told = Object.entries(value).filter(([, each]) => each !== undefined);
    return told.length === 0 ? 'none' : told.map(([key, each]) => `${inWords(key)} ${said(each)}`).join('; ');
  }
  return String(value);
}

function recipeFacets(recipe: Recipe, into: Facets): void {
  const { id, name } = recipe;
  const put = (key: string, what: string, value: unknown): void => {
    into.set(`recipe ${id} ${key}`, { what, text: said(value) });
  };
  put('name', 'Name of the dish', name);
  put('portions', `Portions of ${name}`, recipe.portions);
  put('portion', `Portion size of ${name}, g`, recipe.portionGrams);
  put('yield', `Weighed yield of ${name}, g`, recipe.measuredYieldGrams);
  put(
    'swaps',
    `Swaps of ${name}`,
    recipe.swaps.map(({ fromId, swapId }) => `${fromId}: ${swapId}`).join(', '),
  );
  put('free', `${name} is to be free from`, recipe.freeFrom.join(', '));
  put('apart', `${name} is kept off`, recipe.apart.join(', '));
  recipe.lines.forEach(({ id: lineId, text, answers, reading }) => {
    const answered = Object.keys(answers).length > 0 ? ` ${said(answers)}` : '';
    put(`line ${lineId}`, `A line of ${name}`, `${text}${answered}`);
    put(`reading ${lineId}`, `How "${text}" is read`, said(reading));
  });
  put('notes', `Notes of ${name}`, (recipe.notes ?? []).join(' / '));
  put(
    'not in it',
    `What a cook said is not in ${name}`,
    (recipe.notIn ?? []).map((each) => `${each.name}: ${each.by}, ${each.on}`).join('; '),
  );
  put(
    'confirmed',
    `Figures of ${name} that a cook stands for`,
    (recipe.confirmed ?? []).map((each) => `${each.what} ${each.figure}: ${each.by}, ${each.on}`).join('; '),
  );
  put('packed', `How ${name} is packed`, recipe.packed ?? null);
  put('order', `Order of the lines of ${name}`, recipe.lines.map((line) => line.id).join(' '));
  recipe.steps.forEach(({ text }, index) => put(`step ${index}`, `Step ${index + 1} of ${name}`, text));
}

/** What of a food no label depends on. */
const FOOD_NO_MATTER = new Set(['composition', 'allergens', 'measures', 'synonyms', 'energyKcal']);
const without = (value: object, keys: ReadonlySet<string>): object =>
  Object.fromEntries(Object.entries(value).filter(([key]) => !keys.has(key)));

function foodFacets(food: Food, into: Facets): void {
  const { id, name, composition, allergens, measures } = food;
  for (const nutrient of NUTRIENTS)
    into.set(`food ${id} ${nutrient}`, {
      what: `${NUTRIENT_NAMES[nutrient].name} of ${name} in 100 g`,
      text:
        composition[nutrient] === null
          ? 'unknown'
          : `${composition[nutrient]} ${NUTRIENT_NAMES[nutrient].unit}`,
    });
  into.set(`food ${id} allergens`, { what: `Allergens of ${name}`, text: said(allergens) });
  into.set(`food ${id} measures`, { what: `Measures of ${name}`, text: said(measures) });
  into.set(`food ${id}`, {
    what: `What the larder says of ${name}`,
    text: said(without(food, FOOD_NO_MATTER)),
  });
}

/** Settings that change no label. */
const NO_MATTER = new Set([
  'packs',
  'weights',
  'names',
  'words',
  'swaps',
  'ratings',
  'diners',
  'targets',
  'scales',
  'name',
  'id',
  'service',
  'policy',
]);
const SETTING_NAMES: Readonly<Record<string, string>> = {
  regime: 'Law the label is printed under',
  coconutIsTreeNut: 'Coconut counted as a tree nut',
  pineNutIsTreeNut: 'Pine nut counted as a tree nut',
  transferLoss: 'Transfer loss of the kitchen',
  shared: 'Shared equipment of the kitchen',
  vessels: 'Machines of the kitchen',
  standard: 'Standard of the kitchen',
};

/** Told in facets of their own, or no matter to a label. */
const PACK_TOLD_APART = new Set(['statement', 'panel', 'statementVersion', 'price']);

function kitchenFacets(kitchen: Kitchen, into: Facets): void {
  // A kitchen that never said counts pine nut: saying so later is no change.
  const whole = { ...kitchen, pineNutIsTreeNut: kitchen.pineNutIsTreeNut ?? true };
  for (const [key, value] of Object.entries(whole))
    if (!NO_MATTER.has(key))
      into.set(`kitchen ${key}`, {
        what: SETTING_NAMES[key] ?? `Kitchen setting "${key}"`,
        text: said(value),
      });
  const { businessName = '', businessAddress = '', country = 'gb' } = kitchen.service;
  into.set('kitchen business', {
    what: 'Name and address of the business',
    text: `${businessName}, ${businessAddress}`,
  });
  into.set('kitchen country', { what: 'Country whose rules hold', text: country });
  for (const pack of kitchen.packs) {
    const { foodId, productName, statement, panel } = pack;
    into.set(`pack ${foodId} statement`, { what: `Statement of ${productName}`, text: statement });
    into.set(`pack ${foodId} panel`, { what: `Nutrition panel of ${productName}`, text: said(panel) });
    into.set(`pack ${foodId}`, {
      what: `What the pack of ${productName} says`,
      text: said(without(pack, PACK_TOLD_APART)),
    });
  }
  for (const { word, holds, by } of kitchen.words ?? [])
    into.set(`word ${word}`, {
      what: `What "${word}" on a pack holds`,
      text: `${holds.join(', ') || 'nothing'}, by ${by}`,
    });
  for (const { unit, foodId, grams } of kitchen.weights)
    into.set(`weight ${unit} ${foodId}`, { what: `A ${unit} of ${foodId} here`, text: `${grams} g` });
  for (const { written, foodId } of kitchen.names)
    into.set(`name ${written}`, { what: `What "${written}" means here`, text: foodId });
}

function facetsOf({
  recipe,
  components,
  foods,
  swaps,
  kitchen,
  target,
  vesselIds,
  style,
  openNames = [],
}: FrozenInputs): Facets {
  const facets: Facets = new Map();
  for (const each of [recipe, ...components]) recipeFacets(each, facets);
  for (const food of foods) foodFacets(food, facets);
  for (const swap of swaps) facets.set(`swap ${swap.id}`, { what: `The swap ${swap.id}`, text: said(swap) });
  kitchenFacets(kitchen, facets);
  facets.set('named', { what: 'Named in the text and in no line', text: openNames.join(', ') });
  facets.set('target', { what: 'Batch the label was worked out for', text: said(target) });
  facets.set('machines', { what: 'Machines asked for', text: vesselIds.join(', ') });
  facets.set('style', { what: 'Language and order of the label', text: said(style) });
  return facets;
}

/** Of two long texts of fields, the fields that differ. */
function whatDiffers(text: string, other: string): string {
  const parts = text.split('; ');
  if (parts.length === 1) return text;
  const others = new Set(other.split('; '));
  return parts.filter((part) => !others.has(part)).join('; ');
}

/** Everything that is otherwise now; empty while the label stands. */
export function whatChanged(frozen: FrozenInputs, now: FrozenInputs): InputChange[] {
  const before = facetsOf(frozen);
  const after = facetsOf(now);
  const isOtherAt = (key: string): boolean => before.get(key)?.text !== after.get(key)?.text;
  const changes: InputChange[] = [];
  for (const [key, { what, text }] of before) {
    const other = after.get(key);
    if (other?.text === text) continue;
    // A line with other words is read otherwise: that is one change, told by its words.
    if (other && key.includes(' reading ') && isOtherAt(key.replace(' reading ', ' line '))) continue;
    changes.push({
      what: other?.what ?? what,
      before: other ? whatDiffers(text, other.text) : text,
      after: other ? whatDiffers(other.text, text) : '',
    });
  }
  for (const [key, { what, text }] of after)
    if (!before.has(key)) changes.push({ what, before: '', after: text });
  return changes;
}
