/** Reads one step: how hard and how long it cooks, which lines it uses, what to look for. */
import { finding, type Finding } from '../finding';
import { nameWords, type FoodSet } from '../food';
import type { Heat } from '../kitchen';
import { fahrenheitFromCelsius } from '../quantity';
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
const RESTING = /\b(?:soak|rest|chill|stand|cool|marinate|leave)\b/;
const LOOK_TEST = /\buntil ([^.;]{3,90})/;
const CELSIUS = /(\d{2,3})\s*°?\s*c\b/;
const FAHRENHEIT = /(\d{2,3})\s*°?\s*f\b/;

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
    (RESTING.test(text) && kind.heat === 'gentle simmer' && !/simmer/.test(text))
  ) {
    return null;
  }
  return { heat: kind.heat, minutes, covered: COVERED.test(text) && !UNCOVERED.test(text) };
}

/** Two written temperatures that do not agree within 8 °F (a dial's width). */
function temperatureFinding(text: string): Finding | null {
  const celsius = CELSIUS.exec(text);
  const fahrenheit = FAHRENHEIT.exec(text);
  if (!celsius || !fahrenheit) return null;
  const reckoned = Math.round(fahrenheitFromCelsius(Number(celsius[1])));
  if (Math.abs(reckoned - Number(fahrenheit[1])) <= 8) return null;
  const figures = { celsius: Number(celsius[1]), fahrenheit: Number(fahrenheit[1]), reckoned };
  return finding('temperature-contradiction', null, figures);
}

/** The words by which a step may call a line: the last word of each of its food's names, and the written one. */
function callNames(line: RecipeLine, larder: FoodSet): Set<string> {
  const food = larder.foods.get(foodIdOf(line) ?? '');
  const names = food ? [food.name, ...food.synonyms] : [];
  const words = [...names, line.reading.foodText].flatMap((name) =>
    nameWords(name).filter((word) => word.length > 2),
  );
  return new Set(words);
}

const WATER_OR_HEAT = new Set(['water', 'oil', 'salt', 'pepper']);

/** Foods a step names that no line holds: the forgotten ingredient. Everyday words of the stove are let pass. */
function missingFoods(text: string, lines: readonly RecipeLine[], larder: FoodSet): string[] {
  const called = new Set(lines.flatMap((line) => [...callNames(line, larder)]));
  const words = nameWords(text);
  const missing: string[] = [];
  for (let at = 0; at < words.length; at += 1) {
    let length = Math.min(larder.longest.get(words[at]!) ?? 0, words.length - at);
    while (length > 0 && !larder.names.has(words.slice(at, at + length).join(' '))) length -= 1;
    if (length === 0) continue;
    const name = words.slice(at, at + length);
    at += length - 1;
    if (name.some((word) => called.has(word) || WATER_OR_HEAT.has(word))) continue;
    missing.push(name.join(' '));
  }
  return [...new Set(missing)];
}

/** Reads a step against the lines of its recipe. */
export function readStep(text: string, lines: readonly RecipeLine[], larder: FoodSet): StepReading {
  const lower = text.toLowerCase();
  const words = new Set(nameWords(text));
  const lineIds = lines
    .filter((line) => [...callNames(line, larder)].some((word) => words.has(word)))
    .map((line) => line.id);
  const temperature = temperatureFinding(lower);
  return {
    cooking: cookingOf(lower),
    lineIds,
    missingNames: missingFoods(text, lines, larder),
    lookTest: LOOK_TEST.exec(lower)?.[1]?.trim() ?? '',
    findings: temperature ? [temperature] : [],
  };
}

const EVERYTHING = /\b(?:everything|all (?:the )?ingredients|the rest|remaining|all of it)\b/i;

/** Lines that no step uses; none when there are no steps or a step takes everything. */
export function unusedLines(
  lines: readonly RecipeLine[],
  steps: readonly { text: string; reading: StepReading }[],
): RecipeLine[] {
  if (steps.length === 0 || steps.some((step) => EVERYTHING.test(step.text))) return [];
  const used = new Set(steps.flatMap((step) => step.reading.lineIds));
  return lines.filter((line) => !used.has(line.id));
}
