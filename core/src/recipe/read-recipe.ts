/** Reads a whole pasted recipe: title, portions, lines with their headings, and steps. */
import { finding, type Finding } from '../finding';
import type { FoodSet } from '../food';
import { nameWords } from '../food';
import { readFigure, spellFractions, UNIT_WORDS } from '../quantity';
import { readLine } from './read-line';
import { readStep } from './read-step';
import type { Recipe, RecipeLine, RecipeStep } from './recipe';

/** Lines of text that are read; a longer text is a book, not a recipe. */
export const TEXT_LINES = 2000;

export interface RecipeReading {
  name: string;
  portions: number | null;
  portionGrams: number | null;
  measuredYieldGrams: number | null;
  lines: RecipeLine[];
  steps: RecipeStep[];
  findings: Finding[];
}

const INGREDIENTS_HEADING = /^(?:ingredients?|you (?:will )?need|what goes in|list)\b[^a-z]*$/i;
const STEPS_HEADING =
  /^(?:method|steps?|directions?|instructions?|preparation|how to|procedure|to make)\b[^.]{0,24}$/i;
const PART_HEADING = /^(?:for (?:the )?)?(.{2,40}):$/i;
const SERVES = /\b(?:serves?|makes|yields?|portions?|feeds|enough for)\b\D{0,12}(\d+)/i;
const SERVES_AFTER = /\b(\d+) (?:portions?|servings?|people|plates)\b/i;
const PORTION_SIZE = /\b(?:portions?|servings?)?\s*of\s*(?:about )?(\d+)\s*g\b/i;
const YIELD = /\b(?:yields?|makes|finished weight)\b\D{0,14}(\d+(?:\.\d+)?)\s*(kg|g)\b/i;

/** Whether a line of text begins like an ingredient: an amount, or a short line that names a food. */
function isIngredient(text: string, larder: FoodSet): boolean {
  const trimmed = text.replace(/^\s*[-*•·–]\s*/, '');
  if (/^\d+[.)]\s/.test(trimmed)) return false;
  const tokens = spellFractions(trimmed.toLowerCase()).trim().split(/\s+/);
  if (tokens.length > 16 && /[.!]$/.test(trimmed)) return false;
  if (readFigure(tokens, 0) || /^[\d½⅓⅔¼¾⅛-]/.test(trimmed) || UNIT_WORDS.has(tokens[0] ?? '')) return true;
  if (tokens.length > 9 || /[.!]$/.test(trimmed)) return false;
  return nameWords(trimmed).some((word) => larder.longest.has(word));
}

interface Sorted {
  name: string;
  header: string[];
  ingredients: { text: string; part: string }[];
  steps: string[];
}

/** Sorts the lines of a text into title, header, ingredients under their headings, and steps. */
function sortLines(texts: readonly string[], larder: FoodSet): Sorted {
  const sorted: Sorted = { name: '', header: [], ingredients: [], steps: [] };
  let section: 'open' | 'ingredients' | 'steps' = 'open';
  let part = '';
  for (const text of texts) {
    if (INGREDIENTS_HEADING.test(text)) section = 'ingredients';
    else if (STEPS_HEADING.test(text)) section = 'steps';
    else if (sorted.name === '' && sorted.ingredients.length === 0 && !/^\d/.test(text)) sorted.name = text;
    else if (section !== 'steps' && PART_HEADING.test(text)) part = PART_HEADING.exec(text)![1]!;
    else if (section === 'steps') sorted.steps.push(text);
    else if (
      sorted.ingredients.length === 0 &&
      (SERVES.test(text) || SERVES_AFTER.test(text) || YIELD.test(text))
    ) {
      sorted.header.push(text);
    } else if (section === 'ingredients' || isIngredient(text, larder))
      sorted.ingredients.push({ text, part });
    else if (sorted.ingredients.length === 0) sorted.header.push(text);
    else {
      section = 'steps';
      sorted.steps.push(text);
    }
  }
  return sorted;
}

/** Portions, portion size and finished weight, where the lines above the list say them. */
function readHeader(
  header: readonly string[],
): Pick<RecipeReading, 'portions' | 'portionGrams' | 'measuredYieldGrams'> {
  const text = header.join('\n');
  const withoutYield = text.replace(YIELD, ' ');
  const serves = SERVES.exec(withoutYield) ?? SERVES_AFTER.exec(withoutYield);
  const size = PORTION_SIZE.exec(text);
  const measured = YIELD.exec(text);
  return {
    portions: serves ? Number(serves[1]) : null,
    portionGrams: size ? Number(size[1]) : null,
    measuredYieldGrams: measured
      ? Number(measured[1]) * (measured[2]!.toLowerCase() === 'kg' ? 1000 : 1)
      : null,
  };
}

/** A recipe line read from its text. */
export function lineFromText(text: string, id: string, larder: FoodSet, part = ''): RecipeLine {
  return { id, text, reading: readLine(text, larder, id, part), answers: {} };
}

/** Steps read against the lines they use. */
export function stepsFromTexts(
  texts: readonly string[],
  lines: readonly RecipeLine[],
  larder: FoodSet,
): RecipeStep[] {
  return texts.map((text, index) => ({ id: `s${index + 1}`, text, reading: readStep(text, lines, larder) }));
}

/** Reads a pasted text. Nothing is thrown and nothing is dropped silently: what is unsure is in `findings`. */
export function readRecipe(text: string, larder: FoodSet): RecipeReading {
  const all = text
    .split(/\r\n|\r|\n/)
    .map((line) => line.trim())
    .filter((line) => line.replace(/[\p{Cc}\p{Cf}\s]/gu, '') !== '');
  const findings: Finding[] = [];
  if (all.length === 0) findings.push(finding('text-empty', null));
  if (all.length > TEXT_LINES) findings.push(finding('text-cut', null, { lines: TEXT_LINES }));
  const { name, header, ingredients, steps: stepTexts } = sortLines(all.slice(0, TEXT_LINES), larder);
  const lines = ingredients.map((each, index) => lineFromText(each.text, `l${index + 1}`, larder, each.part));
  const head = readHeader(header);
  if (all.length > 0 && lines.length === 0) findings.push(finding('no-lines', null));
  if (lines.length > 0 && head.portions === null) findings.push(finding('no-portions', null));
  const steps = stepsFromTexts(stepTexts, lines, larder);
  if (lines.length > 0 && steps.length === 0) findings.push(finding('no-steps', null));
  return { name, ...head, lines, steps, findings };
}

/** A recipe made from a reading, ready to be computed and saved under an id. */
export function recipeFromReading(reading: RecipeReading, id: string): Recipe {
  return {
    id,
    name: reading.name || 'Untitled dish',
    portions: reading.portions ?? 1,
    portionGrams: reading.portionGrams,
    measuredYieldGrams: reading.measuredYieldGrams,
    lines: reading.lines,
    steps: reading.steps,
    parentId: null,
    swaps: [],
    freeFrom: [],
    isComponent: false,
  };
}
