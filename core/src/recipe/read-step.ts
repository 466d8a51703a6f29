/** Reads one step: how hard and how long it cooks, in what, which lines it uses, what to look for. */
import { finding, type Finding } from '../finding';
import { nameWords, type FoodSet } from '../food';
import type { Heat } from '../kitchen';
import {
  celsiusFromFahrenheit,
  fahrenheitFromCelsius,
  isMassUnit,
  isVolumeUnit,
  spellFractions,
} from '../quantity';
import { readAmount } from './read-amount';
import { foodIdOf, type Cooking, type RecipeLine, type StepReading } from './recipe';

const TIME =
  /(\d+(?:\.\d+)?)(?:\s*(?:-|–|to|or)\s*(\d+(?:\.\d+)?))?\s*(minutes?|mins?|hours?|hrs?|h)\b(?:\s*(?:and\s*)?(\d+)\s*(?:minutes?|mins?))?/;
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
const CELSIUS = /(\d{2,3})\s*°?\s*c\b|(\d{2,3})\s*degrees? c/;
const FAHRENHEIT = /(\d{2,3})\s*°?\s*f\b|(\d{3})\s*degrees? f/;
const GAS_MARK = /\bgas(?: mark)? (\d{1,2})\b/;
const FAN = /\bfan\b|\bconvection\b/;
/** Oven thermostat marks in degrees Celsius (common kitchen reference): mark 1 is 140, each mark about 15 more. */
const GAS_MARK_CELSIUS = [0, 140, 150, 170, 180, 190, 200, 220, 230, 240, 260];

/** What a kitchen cooks in, as steps name it. */
const EQUIPMENT =
  /\b(frying pan|saucepan|sauté pan|stock ?pot|pressure cooker|slow cooker|rice cooker|food processor|hand blender|stick blender|blender|stand mixer|mixer|steamer|wok|griddle|grill|oven|baking (?:tray|sheet|dish|tin)|roasting (?:tin|tray)|loaf tin|tray|casserole|kettle|pot|pan|bowl|sieve|colander|skillet|microwave|mandoline|spice grinder|mortar|jar)\b/g;

/** The longest cooking time of one step, in minutes: the middle of a range. */
function minutesOf(text: string): number | null {
  const found = TIME.exec(text);
  if (!found) return null;
  const [, first, second, unit, extra] = found;
  const middle = second === undefined ? Number(first) : (Number(first) + Number(second)) / 2;
  return (unit!.startsWith('h') ? middle * 60 : middle) + (extra === undefined ? 0 : Number(extra));
}

/** Time at heat that drives water out of the food. What boils in water that is drained off loses none of its own. */
function cookingOf(text: string): Cooking | null {
  const minutes = minutesOf(text);
  const kind = COOKING.find(({ pattern }) => pattern.test(text));
  const isDrained = kind?.heat !== 'oven' && /\bdrain/.test(text);
  if (
    minutes === null ||
    !kind ||
    isDrained ||
    (kind.heat === 'gentle simmer' && FRYING.test(text) && !/simmer/.test(text)) ||
    (RESTING.test(text) && kind.heat === 'gentle simmer' && !/simmer/.test(text))
  ) {
    return null;
  }
  const covered = COVERED.test(text) && !UNCOVERED.test(text);
  const reduces = kind.heat !== 'oven' && !covered && REDUCES.test(text);
  return { heat: kind.heat, minutes, covered, ...(reduces ? { reduces } : {}) };
}

const degrees = (found: RegExpExecArray | null): number | null =>
  found ? Number(found[1] ?? found[2]) : null;

/** The oven temperature a step sets, in degrees Celsius as written for its kind of oven. */
function temperatureOf(text: string): StepReading['temperature'] {
  const celsius = degrees(CELSIUS.exec(text));
  const fahrenheit = degrees(FAHRENHEIT.exec(text));
  const mark = GAS_MARK.exec(text);
  const isFan = FAN.test(text);
  if (celsius !== null) return { celsius, isFan };
  if (fahrenheit !== null) return { celsius: Math.round(celsiusFromFahrenheit(fahrenheit)), isFan };
  const fromMark = mark ? GAS_MARK_CELSIUS[Number(mark[1])] : undefined;
  return fromMark ? { celsius: fromMark, isFan: false } : null;
}

/** Two written temperatures that do not agree within 8 °F (a dial's width). */
function temperatureFinding(text: string): Finding | null {
  const celsius = degrees(CELSIUS.exec(text));
  const fahrenheit = degrees(FAHRENHEIT.exec(text));
  if (celsius === null || fahrenheit === null) return null;
  const reckoned = Math.round(fahrenheitFromCelsius(celsius));
  if (Math.abs(reckoned - fahrenheit) <= 8) return null;
  return finding('temperature-contradiction', null, { celsius, fahrenheit, reckoned });
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
  const temperature = temperatureFinding(lower);
  return {
    cooking: cookingOf(lower),
    minutes: minutesOf(lower),
    temperature: temperatureOf(lower),
    equipment: [...new Set([...lower.matchAll(EQUIPMENT)].map((found) => found[1]!))],
    lineIds,
    missingNames: [...new Set(missing.map(({ name }) => name))],
    hiddenAmounts: [...new Set(hidden)],
    lookTest: LOOK_TEST.exec(lower)?.[1]?.trim() ?? '',
    findings: temperature ? [temperature] : [],
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
