/** From readings to a standardized recipe: every line a food or component with edible-portion grams at home size. */
import { animalStateOf, foodTraces, trapWords } from '../../allergen';
import { type Finding, finding } from '../../finding';
import {
  EU_TREE_NUTS,
  type Food,
  inSentence,
  isFat,
  isWater,
  type ScalingRole,
  soakUptake,
  type Substance,
  SUBSTANCE_NAMES,
  SUBSTANCES,
  substancesIn,
  type SwapEntry,
  WATER_ID,
} from '../../food';
import {
  HOME_POT,
  type Kitchen,
  namedHere,
  packOf,
  swapHere,
  SWEATING_KG_PER_M2_H,
  SWEATING_MINUTES,
} from '../../kitchen';
import { figureText, grams, timesFactor, type Weight, weightWithSpread } from '../../quantity';
import {
  type Book,
  foodIdOf,
  fryingMinutesOf,
  isFoodSure,
  isPanFat,
  type LineAnswers,
  type Recipe,
  type RecipeLine,
  type RecipeStep,
  type Technique,
} from '../../recipe';
import {
  asUndrained,
  isEatenWithLiquor,
  isInLiquor,
  LIQUOR_ID,
  liquorShareOf,
  saysLiquor,
  solidShareOf,
} from './liquor';
import { type LineWeight, weighComponentLine, weighLine } from './weigh';

/**
 * What a line goes by when the batch grows: most follow it; added water makes up for steam; fat for a pan follows the
 * pan's area; garnish follows the portions.
 */
export type Follows = 'batch' | 'water' | 'pan' | 'portions';

/** A swap where it was applied: what it took out, as the list had it. */
export interface AppliedAt {
  entry: SwapEntry;
  fromName: string;
  fromGrams: number | null;
  fromFollows: Follows;
}

export interface StandardLine {
  /** Id of this entry; a swap can make several of one written line ("l3", "l3/2"). */
  id: string;
  /** The written line it came from. */
  source: RecipeLine;
  name: string;
  food: Food | null;
  component: Recipe | null;
  role: ScalingRole;
  /** Edible-portion grams at home size; null when nobody knows. */
  weight: Weight | null;
  purchasedPerEdible: number;
  /** What the batch weight of the line goes by. */
  follows: Follows;
  /** Fat for a pan that is left out: what is done instead, and what it was. */
  technique: { kind: Technique; fromName: string } | null;
  /** False while it is open which food the line means: then nothing about it is clear. */
  isFoodSure: boolean;
  /** The food a swap took out, and how to work with the new one. */
  swap: AppliedAt | null;
  findings: Finding[];
}

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

/** Substances that only a pack can settle at a food. */
const openSubstances = (food: Food): Substance[] =>
  SUBSTANCES.filter((each) => food.allergens[each] === 'check');

/** Substances in words; all the tree nuts together are said as such. */
function substanceWords(substances: readonly Substance[]): string {
  const hasAll = EU_TREE_NUTS.every((each) => substances.includes(each));
  const rest = hasAll ? substances.filter((each) => !EU_TREE_NUTS.includes(each)) : substances;
  return [...(hasAll ? ['tree nuts'] : []), ...rest.map((each) => SUBSTANCE_NAMES[each])].join(', ');
}

/** Adds what must be said of a food wherever it stands: its pack, its origin, its cautions. */
function addFoodFindings(food: Food, lineId: string, kitchen: Kitchen, found: Finding[]): void {
  const pack = packOf(kitchen, food.id);
  const animal = animalStateOf(food, kitchen);
  if (animal === 'animal') found.push(finding('animal-food', lineId, { name: inSentence(food.name) }));
  if (animal === 'check' && pack?.isConfirmed !== false)
    found.push(finding('animal-check', lineId, { name: inSentence(food.name) }));
  if (food.kind === 'product' && !pack)
    found.push(
      finding('pack-unknown', lineId, {
        name: inSentence(food.name),
        trap: trapWords(food, openSubstances(food)),
      }),
    );
  if (pack && !pack.isConfirmed)
    found.push(
      finding('statement-changed', lineId, { name: inSentence(food.name), product: pack.productName }),
    );
  if (pack ? pack.isConfirmed : food.kind === 'single') {
    let bits = 0;
    for (const trace of foodTraces(food, kitchen)) if (trace.status === 'check') bits |= trace.bits;
    const doubtful = substancesIn(bits);
    if (doubtful.length > 0) {
      const allergens = substanceWords(doubtful);
      const trap = trapWords(food, doubtful);
      found.push(finding('certificate-unknown', lineId, { name: inSentence(food.name), allergens, trap }));
    }
  }
  for (const caution of food.cautions) found.push(finding(caution, lineId, { name: inSentence(food.name) }));
}

/** Whether a line of a food is fat that only greases a pan. */
export const isFatForPan = (line: RecipeLine, food: Food, steps: readonly RecipeStep[]): boolean =>
  isFat(food) && isPanFat(line.id, line.reading.purpose, steps);

function followsOf(line: RecipeLine, food: Food, steps: readonly RecipeStep[]): Follows {
  if (isWater(food)) return 'water';
  if (isFatForPan(line, food, steps)) return 'pan';
  return line.reading.purpose === 'garnish' ? 'portions' : 'batch';
}

/** Grams of water that keep a home pan wet for as long as it is hot: what a rolling boil would drive off (convention). */
export function sweatingWater(lineId: string, steps: readonly RecipeStep[]): Weight {
  const minutes = fryingMinutesOf(lineId, steps) ?? SWEATING_MINUTES;
  const boiledOff = grams(SWEATING_KG_PER_M2_H * HOME_POT.surfaceM2 * (minutes / 60) * 1000);
  const because = `${SWEATING_KG_PER_M2_H} kg/m2/h x ${HOME_POT.surfaceM2} m2 x ${figureText(minutes)} min, added by the splash; it boils away`;
  return weightWithSpread(boiledOff, 0.5, 'convention', because);
}

/** A fat for a pan that the cook leaves out: water by the splash in its place, or a dry hot pan. */
function withoutFat(
  line: StandardLine,
  kind: Technique,
  water: Food,
  steps: readonly RecipeStep[],
): StandardLine {
  const weight =
    kind === 'water'
      ? sweatingWater(line.source.id, steps)
      : weightWithSpread(grams(0), 0, 'convention', 'a dry hot pan: nothing goes in');
  return {
    ...line,
    name: kind === 'water' ? 'Water for the pan' : 'Dry hot pan, no fat',
    food: water,
    role: 'linear',
    weight,
    purchasedPerEdible: 1,
    follows: 'pan',
    technique: { kind, fromName: line.name },
    isFoodSure: true,
    findings: [],
  };
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
      : scaleWeight(
          written,
          1 / state.ratio,
          `${written?.because ?? ''}, ${state.word} / ${figureText(state.ratio)} (reference)`,
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

/** "200 g cooked couscous", "soaked chickpeas": the weight is of what was cooked or soaked, though the larder has the dry food only. */
const COOKED = /\b(?:cooked|boiled|leftover)\b/;
const NOT_COOKED = /\b(?:uncooked|to be cooked|until cooked|quick[- ]?cooked?|pre-?cooked)\b/;
/** Before the name, never after a comma: "chickpeas, soaked" are weighed dry. */
const SOAKED = /^[^,(]*\b(?:pre-?)?soaked\b/;

interface SaidState {
  word: string;
  /** Weight as said over weight of the dry food. */
  ratio: number;
  answers: Pick<LineAnswers, 'isCookedApart' | 'isSoaked'>;
}

function saidState({ text, answers }: RecipeLine, food: Food): SaidState | null {
  if (food.state !== 'dry' || food.cookingYield === null || answers.grams !== undefined) return null;
  const said = text.toLowerCase();
  if (COOKED.test(said) && !NOT_COOKED.test(said))
    return { word: 'cooked', ratio: food.cookingYield, answers: { isCookedApart: true } };
  const drunk = soakUptake(food);
  return SOAKED.test(said) && drunk > 0
    ? { word: 'soaked', ratio: 1 + drunk, answers: { isSoaked: true } }
    : null;
}

/** The liquid of a tin that is eaten with what lies in it: a line of its own, with a row of its own. */
function withLiquor(line: StandardLine, liquor: Food | undefined, kitchen: Kitchen): StandardLine[] {
  if (!liquor || !line.food || !isEatenWithLiquor(line.source)) return [line];
  const share = solidShareOf(line.food, kitchen);
  const part = (ratio: number, what: string): Weight | null =>
    scaleWeight(line.weight, ratio, `${line.weight?.because ?? ''} x ${figureText(ratio)} ${what}`);
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

const scaleWeight = (weight: Weight | null, ratio: number, because: string): Weight | null =>
  weight && timesFactor(weight, ratio, because);

const appliedTo = (line: StandardLine, entry: SwapEntry): AppliedAt => ({
  entry,
  fromName: line.name,
  fromGrams: line.weight?.grams ?? null,
  fromFollows: line.follows,
});

/** Water that a swap puts in a hot pan in the place of fat boils away as it is added, like the technique. */
const isForPan = (line: StandardLine, { to }: SwapEntry): boolean =>
  line.follows === 'pan' && to.length === 1 && to[0]!.foodId === WATER_ID;

/**
 * What a swapped line goes by: its own way; water that takes the place of a liquid makes up for steam like any other. The
 * extra water of a swap is what its food drinks, so it follows the food.
 */
function followsSwapped(line: StandardLine, { to }: SwapEntry, index: number): Follows {
  if (to[index]?.foodId === WATER_ID) return 'water';
  return line.follows === 'water' ? 'batch' : line.follows;
}

/** The lines a swap puts in the place of one: each new food by its ratio, and the water it needs. */
function swappedLines(line: StandardLine, entry: SwapEntry, book: Book, kitchen: Kitchen): StandardLine[] {
  const parts = [
    ...entry.to,
    ...(entry.waterRatio > 0 ? [{ foodId: WATER_ID, ratio: entry.waterRatio }] : []),
  ];
  const lines: StandardLine[] = [];
  for (const { foodId, ratio } of parts) {
    const food = book.foods.foods.get(foodId) ?? null;
    const component = food ? null : (book.components.get(foodId) ?? null);
    const id = lines.length === 0 ? line.id : `${line.id}/${lines.length + 1}`;
    const findings =
      lines.length === 0 ? line.findings.filter((each) => each.code.startsWith('amount-')) : [];
    if (food) addFoodFindings(food, id, kitchen, findings);
    lines.push({
      ...line,
      id,
      name: food?.name ?? component?.name ?? foodId,
      food,
      component,
      role: food?.scaling ?? 'linear',
      weight: scaleWeight(
        line.weight,
        ratio,
        `${line.name} ${line.weight?.because ?? ''} x ${ratio} (swap ratio)`,
      ),
      purchasedPerEdible: food ? 1 / food.trimYield : 1,
      follows: followsSwapped(line, entry, lines.length),
      isFoodSure: true,
      swap: appliedTo(line, entry),
      findings,
    });
  }
  return lines;
}

/** The entry of a variant's swap for a food, if there is one. */
function swapFor(foodId: string, recipe: Recipe, book: Book, kitchen: Kitchen): SwapEntry | null {
  if (recipe.swaps.length === 0) return null;
  const applied = recipe.swaps.find((each) => each.fromId === foodId);
  return applied ? swapHere(applied.swapId, book.swaps, kitchen) : null;
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
