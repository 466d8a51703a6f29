/** Which food a phrase of a line means, in which form and state, and how sure that is. */
import { meaningOf } from '../allergen';
import {
  bitsOf,
  type Food,
  type FoodMatch,
  type FoodSet,
  type FoodState,
  matchFood,
  nameIn,
  type SubstanceBits,
  SUBSTANCES,
  suggestFoods,
} from '../food';
import type { Measured } from './recipe';
import { isFormWord, PLANT_VERSION, PULSE_STATE_WORDS, STATE_WORDS } from './words';

export interface FoodRead {
  /** Ids the line may mean, the likeliest first; empty when nothing matched. */
  ids: string[];
  /** Several states are equally likely and the line does not say: dry or tinned beans. */
  isOpen: boolean;
  text: string;
  /** What stood right after the name, before any comma: "leaves", "cloves". */
  after: string;
  /** 1 certain, less where the reader asks. */
  confidence: number;
  form: string[];
  alternatives: string[];
  suggestions: string[];
}

/** Confidence where another food, or a word nobody knows, stands next to the name: "rice crackers", "cashew cream". */
const PARTIAL_CONFIDENCE = 0.8;

/** Parts of a phrase that begin to tell the form: "courgettes cut into ribbons", "chickpeas in water". */
const FORM_BEGINS = /\s(?:in|into|with|without|from|cut|such as|like|\bfor)\s/;

const foodsOf = (ids: readonly string[], larder: FoodSet): Food[] =>
  ids.flatMap((id) => larder.foods.get(id) ?? []);

/** States the words name. What is drained came in a tin, if it is a pulse. */
function namedStates(words: readonly string[], foods: readonly Food[], hasTin: boolean): Set<FoodState> {
  const states = new Set<FoodState>();
  if (hasTin) states.add('tinned');
  const hasPulse = foods.some(({ category }) => category === 'pulse');
  for (const word of words) {
    const state = STATE_WORDS.get(word);
    if (state) states.add(state);
    if (hasPulse && PULSE_STATE_WORDS.has(word)) states.add('tinned');
  }
  return states;
}

const DRY_UNITS = new Set(['tsp', 'turn', 'pinch', 'dash']);
const STAPLES = new Set(['grain', 'noodle']);

/**
 * The likeliest state where the line names none: grain and noodles dry, what comes by the piece or the bunch fresh,
 * what comes by the teaspoon dried. A pulse stays open: dry and tinned differ by more than double.
 */
function likelyState(foods: readonly Food[], unit: string | null): FoodState | null {
  const states = new Set(foods.map(({ state }) => state));
  if (foods.every(({ category }) => STAPLES.has(category)) && states.has('dry')) return 'dry';
  // Split lentils and dals come in no tin: unless "cooked" is said they are dry.
  if (states.has('dry') && !states.has('tinned') && !states.has('raw')) return 'dry';
  if (states.has('raw') && (states.has('dry') || states.has('tinned') || states.has('cooked'))) {
    if (unit === null) return foods[0]!.state;
    return states.has('dry') && DRY_UNITS.has(unit) ? 'dry' : 'raw';
  }
  return null;
}

function inState(
  ids: readonly string[],
  words: readonly string[],
  measures: readonly Measured[],
  larder: FoodSet,
): { ids: string[]; isOpen: boolean } {
  if (ids.length < 2) return { ids: [...ids], isOpen: false };
  const foods = foodsOf(ids, larder);
  if (foods.length < ids.length) return { ids: [...ids], isOpen: true };
  const unit = measures[0]?.unit ?? null;
  const states = namedStates(words, foods, unit === 'tin');
  const named = foods.filter(({ state }) => states.has(state));
  const fitting = named.length > 0 ? named : foods;
  const likely = named.length === 1 ? named[0]!.state : likelyState(fitting, unit);
  if (likely === null) return { ids: fitting.map(({ id }) => id), isOpen: fitting.length > 1 };
  const first = fitting.filter(({ state }) => state === likely);
  const rest = fitting.filter(({ state }) => state !== likely);
  return { ids: [...first, ...rest].map(({ id }) => id), isOpen: false };
}

/** "1 lemon, juiced" means its juice, where the larder knows the juice as a food. */
function asJuiceOrZest(ids: readonly string[], words: readonly string[], larder: FoodSet): readonly string[] {
  const what = words.some((word) => /^juice/.test(word))
    ? 'juice'
    : words.some((word) => /^zest/.test(word))
      ? 'zest'
      : null;
  const food = what ? larder.foods.get(ids[0] ?? '') : undefined;
  if (!food || food.category !== 'fruit') return ids;
  return (
    larder.names.get(`${food.synonyms[0] ?? food.name} ${what}`.toLowerCase())?.ids ??
    larder.names.get(`${food.name.toLowerCase().replace(' whole', '')} ${what}`)?.ids ??
    ids
  );
}

/** Whether a word next to the name leaves doubt, and which foods it may mean. */
function doubtsAround(
  before: readonly string[],
  after: readonly string[],
  larder: FoodSet,
): { isDoubtful: boolean; others: string[] } {
  const next = after[0];
  const previous = before[before.length - 1];
  const isOther = (word: string | undefined): word is string =>
    word !== undefined && !isFormWord(word) && larder.names.has(word);
  const others = [next, previous].filter(isOther).flatMap((word) => larder.names.get(word)!.ids.slice(0, 1));
  const isStrange = next !== undefined && !isFormWord(next) && !next.endsWith('ly') && !next.endsWith('ed');
  return { isDoubtful: isStrange || others.length > 0, others };
}

/**
 * Foods named where the form is told that may bring something of their own: "olives stuffed with almonds", "tofu,
 * marinated in soy sauce". Water, oil and vegetables there say only how the food is.
 */
function hiddenIn(parts: readonly string[], ids: readonly string[], larder: FoodSet): string[] {
  return parts.flatMap((part) => {
    const id = nameIn(part, larder)?.ids[0];
    if (id === undefined || ids.includes(id)) return [];
    const food = larder.foods.get(id);
    const isHarmless = food?.kind === 'single' && Object.keys(food.allergens).length === 0;
    return isHarmless ? [] : [id];
  });
}

const none = (text: string, form: string[], alternatives: string[], suggestions: string[]): FoodRead => ({
  ids: [],
  isOpen: false,
  text,
  after: '',
  confidence: 0,
  form,
  alternatives,
  suggestions,
});

const wordCount = (name: string): number => name.split(' ').length;
const startsOr = (note: string): boolean => /^or\s/.test(note);

const NO_BITS = bitsOf(['oil', 'refined', 'added-sugar', 'ready-made', 'animal']);

/** What a food surely is made of, as bits. */
const madeOf = (food: Food): SubstanceBits =>
  bitsOf(SUBSTANCES.filter((each) => food.allergens[each] === 'contains'));

/**
 * Whether the dictionary knows a longer name around a match that is another thing: "flax egg" is no egg, "white chocolate" no
 * dark one, "rice pasta" no wheat. Then the larder's food is not what was meant.
 */
function isAnother(match: FoodMatch, larder: FoodSet): boolean {
  const food = larder.foods.get(match.ids[0]!);
  if (!food) return false;
  const words = [...match.before, ...match.name.split(' '), ...match.after];
  const length = match.name.split(' ').length;
  const start = match.before.length;
  for (let from = Math.max(0, start - 3); from <= start; from += 1)
    for (let end = Math.min(words.length, start + length + 3); end >= start + length; end -= 1) {
      if (end - from <= length) continue;
      const meaning = meaningOf(words.slice(from, end).join(' '));
      if (!meaning) continue;
      const has = madeOf(food) & ~NO_BITS;
      return (has & ~(meaning.contains | meaning.check)) !== 0 || (meaning.contains & ~NO_BITS & ~has) !== 0;
    }
  return false;
}

/**
 * Reads the food of a line.
 * @param phrase what followed the amount, in lower case
 * @param container the word for what it comes in, where that may be part of the name: "pouch", "carton"
 * @param tail what followed commas and stood in brackets
 */
export function readFood(
  phrase: string,
  tail: readonly string[],
  measures: readonly Measured[],
  larder: FoodSet,
  container = '',
): FoodRead {
  const [named = '', ...others] = phrase.includes(' or ') ? phrase.split(/\s+or\s+/) : [phrase];
  const cut = FORM_BEGINS.exec(named);
  let head = cut && cut.index > 0 ? named.slice(0, cut.index) : named;
  let inHead = matchFood(head, larder);
  // "pineapple in juice" may be a name of its own: then it is longer than what stands before "in".
  const uncut = cut ? matchFood(named, larder) : null;
  if (uncut && (!inHead || wordCount(uncut.name) > wordCount(inHead.name))) [head, inHead] = [named, uncut];
  const inContainer = container === '' ? null : matchFood(`${container} ${head}`, larder);
  if (inContainer && inContainer.name.split(' ').includes(container)) inHead = inContainer;
  const choices = [...others, ...tail.filter(startsOr).map((note) => note.slice(3))];
  const isWhole = inHead === null;
  const match = inHead ?? matchFood([phrase, ...tail].join(' '), larder);
  const alternatives = isWhole
    ? []
    : choices
        .map((other) => matchFood(other.replace(/^(?:\d[\d/. ]*\s)?(?:cups?|g|tbsp|tsp)\s/, ''), larder))
        .filter((other) => other !== null && other.confidence === 1)
        .map((other) => other!.ids[0]!)
        .filter((id) => !match?.ids.includes(id));
  const forms = tail.filter((part) => !startsOr(part));
  if (!match) return none(head, forms, alternatives, suggestFoods(head, larder));
  // Most names mean one food, and no line tells its juice: then the words around need no look.
  const needsContext = match.ids.length > 1 || forms.length > 0;
  const context = needsContext ? [phrase, ...forms].join(' ').split(/[\s,]+/) : [];
  const juiced = forms.length > 0 ? asJuiceOrZest(match.ids, context, larder) : match.ids;
  if (larder.foods.get(juiced[0]!)?.animal === 'animal' && PLANT_VERSION.test(phrase)) {
    const plants = suggestFoods(`${match.name} alternative`, larder, 8).filter(
      (id) => larder.foods.get(id)?.animal !== 'animal',
    );
    return none(head, forms, alternatives, plants.slice(0, 4));
  }
  if (isAnother(match, larder))
    return none(head, forms, alternatives, suggestFoods(head, larder).slice(0, 5));
  const state = inState(juiced, context, measures, larder);
  const doubt = isWhole ? { isDoubtful: false, others: [] } : doubtsAround(match.before, match.after, larder);
  const rest = [...match.before, ...match.after].join(' ');
  const cutOff = cut && !isWhole && head !== named ? named.slice(cut.index).trim() : '';
  const hidden = isWhole ? [] : hiddenIn([cutOff, ...forms], match.ids, larder);
  const isSure = !doubt.isDoubtful && hidden.length === 0;
  const formText = [isWhole ? '' : rest, cutOff, ...forms];
  return {
    ids: state.ids,
    isOpen: state.isOpen,
    text: head,
    after: isWhole ? '' : match.after.join(' '),
    confidence: isSure ? match.confidence : Math.min(match.confidence, PARTIAL_CONFIDENCE),
    form: formText.filter(Boolean),
    alternatives,
    suggestions: [...doubt.others, ...hidden].filter((id) => !state.ids.includes(id)),
  };
}
