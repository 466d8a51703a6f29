/** Reads one step: how hard and how long it cooks, in what, which lines it uses, what to look for. */
import { type FoodSet, nameWords } from '../food';
import type { Heat } from '../kitchen';
import { isMassUnit, isVolumeUnit, spellFractions } from '../quantity';
import { readAmount } from './read-amount';
import { type Cooking, foodIdOf, type RecipeLine, type StepReading } from './recipe';
import { type StepTemperature, temperatureFindings, temperaturesIn, timesIn } from './step-times';

const COOKING: readonly { pattern: RegExp; heat: Heat }[] = [
  { pattern: /\b(?:oven|bake|roast)/, heat: 'oven' },
  { pattern: /\b(?:rolling|full|hard|fast) boil|\bboil (?:hard|fast|rapidly)/, heat: 'rolling boil' },
  { pattern: /\b(?:bare|barest|low) (?:simmer|heat)|\bbarely simmer|\bpoach/, heat: 'bare simmer' },
  { pattern: /\bsimmer|\bstew|\bbraise|\bcook\b|\bboil/, heat: 'gentle simmer' },
];
const COVERED = /\b(?:cover(?:ed)?|lid on|with (?:the|a) lid)\b/;
const UNCOVERED = /\b(?:uncover(?:ed)?|lid off|without (?:the|a) lid)\b/;
/** "Cook" beside these is frying, not simmering. */
const FRYING = /\b(?:griddle|frying pan|skillet|wok|deep-fry|pan-fry)/;
const RESTING = /\b(?:soak|rest|chill|stand|cool|marinate|leave)\b/;
/** Boiling down on purpose; "reduce the heat" is none. */
const REDUCES =
  /\breduc(?:e|es|ed|ing)\b(?! (?:the |to (?:a |low)?)?(?:heat|temperature|oven|simmer|low))|\b(?:boil|cook|simmer)(?:ed)? (?:it )?down\b/;
const LOOK_TEST = /\b(?:until|till|when) ([^.;]{3,90})/;
/** What a kitchen cooks in, as steps name it. */
const EQUIPMENT =
  /\b(frying pan|saucepan|sauté pan|stock ?pot|pressure cooker|slow cooker|rice cooker|food processor|hand blender|stick blender|blender|stand mixer|mixer|steamer|wok|griddle|grill|oven|baking (?:tray|sheet|dish|tin)|roasting (?:tin|tray)|loaf tin|tray|casserole|kettle|pot|pan|bowl|sieve|colander|skillet|microwave|mandoline|spice grinder|mortar|jar)\b/g;

/** Where one thing done ends and the next begins. */
const CLAUSES = /[.;](?:\s|$)|,?\s(?:and )?then\b|,\s(?=another|cover|uncover|turn|bring|lower|raise|take)/g;

interface Clause {
  text: string;
  minutes: number | null;
}

/** The clauses of a step with their times; a clause without a time says nothing of cooking. */
function clausesOf(text: string): Clause[] {
  const times = timesIn(text).filter(({ isWithin }) => !isWithin);
  const ends = [...text.matchAll(CLAUSES)].map((found) => found.index + found[0].length);
  let from = 0;
  return [...ends, text.length].flatMap((end): Clause[] => {
    const clause = text.slice(from, end);
    const inside = times.filter((each) => each.from >= from && each.from < end);
    from = end;
    if (inside.length === 0) return [{ text: clause, minutes: null }];
    return inside.map(({ minutes }) => ({ text: clause, minutes }));
  });
}

/**
 * Every stretch at heat that drives water out of the food, in order. A clause without a verb of its own goes on with the heat
 * before it ("then 10 minutes uncovered"). What boils in water that is drained off loses none of its own.
 */
function cookingsOf(text: string): Cooking[] {
  const cookings: Cooking[] = [];
  let heat: Heat | null = null;
  let isCovered = false;
  const isFried = FRYING.test(text) && !/simmer/.test(text);
  for (const clause of clausesOf(text)) {
    const kind = COOKING.find(({ pattern }) => pattern.test(clause.text));
    const isResting = RESTING.test(clause.text) && !/simmer/.test(clause.text);
    if (kind) heat = kind.heat;
    if (COVERED.test(clause.text)) isCovered = true;
    if (UNCOVERED.test(clause.text)) isCovered = false;
    const isDrained = heat !== 'oven' && /\bdrain/.test(text);
    const isIdle = heat === 'gentle simmer' && (isFried || isResting);
    const isElsewhere = !kind && isResting;
    if (clause.minutes === null || heat === null || isDrained || isIdle || isElsewhere) continue;
    const reduces = heat !== 'oven' && !isCovered && REDUCES.test(clause.text);
    cookings.push({ heat, minutes: clause.minutes, covered: isCovered, ...(reduces ? { reduces } : {}) });
  }
  return cookings;
}

/** What the oven is set to: the plain dial where a fan is named beside it. */
function ovenSetting(said: readonly StepTemperature[]): StepReading['temperature'] {
  const set = said.filter(({ celsius, isInside }) => celsius !== null && !isInside);
  const chosen = set.find(({ isFan }) => !isFan) ?? set[0];
  return chosen ? { celsius: chosen.celsius!, isFan: chosen.isFan } : null;
}

const CALLS = new WeakMap<FoodSet, WeakMap<RecipeLine, ReadonlySet<string>>>();

/** `callNames`, kept for each line: a long recipe asks for them at every step. */
function callsOf(line: RecipeLine, larder: FoodSet): ReadonlySet<string> {
  let ofLarder = CALLS.get(larder);
  if (!ofLarder) CALLS.set(larder, (ofLarder = new WeakMap()));
  let calls = ofLarder.get(line);
  if (!calls) ofLarder.set(line, (calls = callNames(line, larder)));
  return calls;
}

/** The words by which a step may call a line: the words of each of its food's names, and the written ones. */
function callNames(line: RecipeLine, larder: FoodSet): Set<string> {
  const food = larder.foods.get(foodIdOf(line) ?? '');
  const names = food ? [food.name, ...food.synonyms] : [];
  const words = [...names, line.reading.foodText].flatMap((name) =>
    nameWords(name).filter((word) => word.length > 2),
  );
  return new Set(words);
}

/**
 * The lines a step calls by a word. One that is called only by words that call another line better is not meant: "red
 * cabbage" is not the red beans.
 */
function calledLines(
  lineCalls: readonly { line: RecipeLine; calls: ReadonlySet<string> }[],
  words: ReadonlySet<string>,
): string[] {
  const byWords = new Map<string, { by: Set<string>; ids: string[] }>();
  for (const { line, calls } of lineCalls) {
    const by = [...calls].filter((word) => words.has(word)).sort();
    if (by.length === 0) continue;
    const key = by.join(' ');
    const known = byWords.get(key);
    if (known) known.ids.push(line.id);
    else byWords.set(key, { by: new Set(by), ids: [line.id] });
  }
  const groups = [...byWords.values()];
  const isMeant = ({ by }: { by: Set<string> }): boolean =>
    !groups.some((other) => other.by.size > by.size && [...by].every((word) => other.by.has(word)));
  const meant = new Set(groups.filter(isMeant).flatMap(({ ids }) => ids));
  return lineCalls.flatMap(({ line }) => (meant.has(line.id) ? [line.id] : []));
}

const WATER_OR_HEAT = new Set(['water', 'oil', 'salt', 'pepper']);
/** Words that name a food but mean something else in a method: "dice", "a little stock of", "season". */
const NOT_A_FOOD_HERE = new Set(['ice', 'grape', 'curd', 'cress', 'green', 'date', 'whole', 'crumb']);

interface Named {
  name: string;
  /** Index of its first word among the step's words. */
  at: number;
  isCalled: boolean;
}

/** Every food name in the words of a step, and whether a line of the recipe is called by it. */
function foodsNamed(words: readonly string[], called: ReadonlySet<string>, larder: FoodSet): Named[] {
  const named: Named[] = [];
  for (let at = 0; at < words.length; at += 1) {
    let length = Math.min(larder.longest.get(words[at]!) ?? 0, words.length - at);
    while (length > 0 && !larder.names.has(words.slice(at, at + length).join(' '))) length -= 1;
    if (length === 0) continue;
    const parts = words.slice(at, at + length);
    named.push({ name: parts.join(' '), at, isCalled: parts.some((word) => called.has(word)) });
    at += length - 1;
  }
  return named;
}

/** An amount with a unit right before a food that no line holds: "add 200 ml water" where the list has none. */
function hiddenAmounts(text: string, named: readonly Named[]): string[] {
  const tokens = spellFractions(text.toLowerCase())
    .replace(/(\d)(?=[a-z])/g, '$1 ')
    .split(/[^\p{L}\p{N}/.]+/u)
    .map((word) => word.replace(/\.$/, ''))
    .filter(Boolean);
  return named.flatMap(({ name, isCalled }) => {
    if (isCalled) return [];
    const [first = ''] = name.split(' ');
    const at = tokens.findIndex((token) => token === first || token.startsWith(first));
    for (let from = Math.max(0, at - 6); from < at; from += 1) {
      const amount = readAmount(tokens.slice(from, at));
      const one = amount?.measures[0];
      if (amount && one && from + amount.end === at && (isMassUnit(one.unit) || isVolumeUnit(one.unit)))
        return [`${amount.text} ${name}`];
    }
    return [];
  });
}

/** Reads a step against the lines of its recipe. */
export function readStep(text: string, lines: readonly RecipeLine[], larder: FoodSet): StepReading {
  const lower = text.toLowerCase();
  const words = nameWords(text);
  const wordSet = new Set(words);
  const lineCalls = lines.map((line) => ({ line, calls: callsOf(line, larder) }));
  const called = new Set<string>();
  for (const { calls } of lineCalls) for (const word of calls) called.add(word);
  const lineIds = calledLines(lineCalls, wordSet);
  const named = foodsNamed(words, called, larder);
  const hidden = hiddenAmounts(text, named);
  const isHidden = (name: string): boolean => hidden.some((written) => written.endsWith(` ${name}`));
  const missing = named.filter(
    ({ name, isCalled }) =>
      !isCalled &&
      !isHidden(name) &&
      !NOT_A_FOOD_HERE.has(name) &&
      !name.split(' ').some((word) => WATER_OR_HEAT.has(word)),
  );
  const temperatures = temperaturesIn(lower);
  const [cooking = null, ...further] = cookingsOf(lower);
  const times = timesIn(lower).filter(({ isWithin }) => !isWithin);
  return {
    cooking,
    further,
    minutes: times.length > 0 ? times.reduce((sum, each) => sum + each.minutes, 0) : null,
    temperature: ovenSetting(temperatures),
    equipment: [...new Set([...lower.matchAll(EQUIPMENT)].map((found) => found[1]!))],
    lineIds,
    missingNames: [...new Set(missing.map(({ name }) => name))],
    hiddenAmounts: [...new Set(hidden)],
    lookTest: LOOK_TEST.exec(lower)?.[1]?.trim() ?? '',
    findings: temperatureFindings(temperatures),
  };
}

const EVERYTHING =
  /\b(?:everything|all (?:the |of the )?(?:other )?ingredients|the rest|remaining|all of it)\b/i;

/** Lines that no step uses; none when there are no steps or a step takes everything. */
export function unusedLines(
  lines: readonly RecipeLine[],
  steps: readonly { text: string; reading: StepReading }[],
): RecipeLine[] {
  if (steps.length === 0 || steps.some((step) => EVERYTHING.test(step.text))) return [];
  const used = new Set(steps.flatMap((step) => step.reading.lineIds));
  return lines.filter((line) => !used.has(line.id));
}
