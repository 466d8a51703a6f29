/** Reads a whole pasted recipe: title, portions, lines with their headings, and steps. */
import { type Finding, finding } from '../finding';
import { type FoodSet, nameWords } from '../food';
import { readFigure, spellFractions, UNIT_WORDS } from '../quantity';
import { readLine } from './read-line';
import { readStep } from './read-step';
import type { Recipe, RecipeLine, RecipeStep } from './recipe';
import { splitLine, spokenLines } from './split-line';

/** Lines of text that are read; a longer text is a book, not a recipe. */
export const TEXT_LINES = 2000;

export interface RecipeReading {
  name: string;
  portions: number | null;
  portionGrams: number | null;
  measuredYieldGrams: number | null;
  lines: RecipeLine[];
  steps: RecipeStep[];
  /** What else the text said: above the list, and under notes. */
  notes: string[];
  /** Where each line stands in the text, by its id. */
  sources: ReadonlyMap<string, readonly [number, number]>;
  findings: Finding[];
}

const INGREDIENTS_HEADING =
  /^(?:ingredients?|you(?:'ll)? (?:will )?need|what (?:goes in|you need)|shopping list|list)\b[^a-z]*$/i;
const STEPS_HEADING =
  /^(?:method|steps?|directions?|instructions?|preparation|how to|procedure|to make|how i make it|what to do)\b[^.]{0,24}$/i;
const NOTES_HEADING = /^(?:notes?|tips?|storage|variations?|nutrition(?: facts)?)\b[^a-z]*$/i;
const PART_HEADING = /^(?:for (?:the )?)?(.{2,40}):$/i;
/** "For the glaze" without a colon, standing alone. */
const BARE_PART = /^for (?:the |a )?([a-z' -]{3,30})$/i;
/** A number as people write it: "6", "six", "half a dozen". */
const NUMBERS: Readonly<Record<string, number>> = Object.fromEntries([
  ...'one two three four five six seven eight nine ten eleven twelve'
    .split(' ')
    .map((word, index) => [word, index + 1]),
  ...Object.entries({
    sixteen: 16,
    twenty: 20,
    thirty: 30,
    forty: 40,
    fifty: 50,
    'half a dozen': 6,
    'a dozen': 12,
    dozen: 12,
  }),
]);
const COUNT = `(\\d+|${Object.keys(NUMBERS)
  .sort((one, other) => other.length - one.length)
  .join('|')})`;
const numberOf = (text: string): number => NUMBERS[text.toLowerCase()] ?? Number(text);
const RANGE = `${COUNT}(?:\\s*(?:-|–|to|or)\\s*${COUNT})?`;
/** What a count of something else is followed by: minutes are no portions, and neither are cups. */
const NO_PORTIONS =
  '(?![\\s-]*(?:minutes?|mins?|hours?|hrs?|h|days?|weeks?|g|kg|grams?|ml|l|litres?|liters?|cups?|cl|dl|oz|ounces?|lbs?|pounds?|cm|inch|inches)\\b|\\s*[%°]|\\d)';
const counting = (words: string): RegExp =>
  new RegExp(
    `\\b(?:${words})\\b\\s*:?\\s*(?:about |around |roughly |up to |approx\\.? )?(?:(?:a |an )?(?:family|party|table|crowd|class|group|team) of )?${RANGE}${NO_PORTIONS}`,
    'i',
  );
/** Who eats of it leads: "makes 1 pie, serves 8" is eight portions. */
const EATEN_BY = counting('serves?|feeds|enough for|portions?|servings?');
const SERVES = counting('serves?|makes|yields?|feeds|enough for|portions?|servings?');
const SERVES_AFTER = new RegExp(
  `\\b${RANGE} (?:generous |small |large |good )?(?:portions?|servings?|people|plates|persons|helpings|guests|eaters)\\b`,
  'i',
);
const PORTION_SIZE = /\b(?:portions?|servings?)?\s*of\s*(?:about )?(\d+)\s*g\b/i;
const YIELD = /\b(?:yields?|makes|finished weight)\b\D{0,14}(\d+(?:\.\d+)?)\s*(kg|g)\b/i;
/** A whole line that only tells the portions, wherever it stands: "It feeds 6 people." */
const SERVES_LINE = new RegExp(
  `^(?:it |this |that )?(?:(?:serves?|feeds|makes|enough for|for)\\s+)?(?:about )?${RANGE}\\s*` +
    '(?:portions?|servings?|people|persons|plates|helpings)\\.?$' +
    `|^(?:it |this )?(?:serves|feeds)\\s+(?:about )?${RANGE}\\.?$`,
  'i',
);
/** Above the list, a bare count with or without what is made: "4", "(4-6)", "For 2", "6 burgers", "~6 bowls". */
const COUNT_LINE = new RegExp(
  `^\\(?(?:~|ca\\.? |about |around |for )?\\s*${RANGE}\\s*([\\p{L}' -]*?)\\s*\\)?[.:]?$`,
  'iu',
);
/** What a dish is counted in, whatever it is. */
const COUNTED =
  /^(?:bowls?|plates?|people|persons|portions?|servings?|helpings?|guests|eaters|heads|hungry \p{L}+|big eaters)$/iu;
/** It tells what is made, and no ingredient begins so. */
const MADE_LINE = /^(?:it |this |that )?(?:makes|yields?|gives)\b/i;
const FACTS_LINE =
  /^(?:prep(?:aration)?|cook(?:ing)?|total|active|rest(?:ing)?|bake|baking|soak(?:ing)?)\b[^:]{0,14}(?:time)?\s*:?\s*\d|^(?:author|category|cuisine|course|source|calories|keywords|difficulty|diet)\s*:/i;

/** A line of Markdown as the words on it: its mark tells what it is. */
interface Marked {
  text: string;
  /** 1 for "#", 2 for "##" ...; 0 for no heading. */
  heading: number;
  /** Where it stands in the whole text. */
  from: number;
}

function unmarked({ text: line, from }: PlacedLine): Marked {
  const heading = /^(#{1,6})\s+(.*?)\s*#*$/.exec(line);
  if (heading) return { text: heading[2]!, heading: heading[1]!.length, from };
  const bold = /^(?:\*\*|__)(.{2,60})(?:\*\*|__):?$/.exec(line);
  return bold
    ? { text: /:$/.test(bold[1]!) ? bold[1]! : `${bold[1]!}:`, heading: 0, from }
    : { text: line, heading: 0, from };
}

/** How a sentence of a method begins: with what is done, or when. */
const BEGINS_STEP = new RegExp(
  '^(?:step \\d+|\\d+[.)]\\s|(?:' +
    'then|now|next|first|finally|meanwhile|once|when|while|after|before|until|if|let|leave|put|take|set|turn|bring|keep|remove|return|' +
    'transfer|tip|pour|place|lay|arrange|line|grease|preheat|heat|warm|boil|simmer|cook|fry|saut[eé]|sweat|roast|bake|grill|steam|blanch|' +
    'soak|drain|rinse|wash|peel|chop|slice|dice|grate|cut|halve|trim|mince|crush|mash|blend|blitz|pur[eé]e|whisk|beat|mix|stir|fold|combine|' +
    'toss|add|season|sprinkle|scatter|drizzle|spread|spoon|ladle|divide|shape|form|roll|knead|rest|prove|chill|freeze|cool|cover|strain|' +
    'sieve|sift|serve|garnish|top|finish|store|reheat|repeat|check|taste|adjust|reduce|thin|dissolve|marinate|stuff|fill|wrap|brush|dust|' +
    'press|squeeze|break|crumble|tear|pick|make|use|start|begin|gently|slowly|carefully|quickly|' +
    'in (?:a|an|the)|on (?:a|the)|to (?:make|serve|finish|assemble|start)|oil the|butter the|(?:brown|toast) (?:the|them|it|until|in|on)' +
    ')\\b)',
  'i',
);
/** Words that only a sentence has: a list of foods does without. */
const SENTENCE = /\b(?:until|the|it|them|you|is|are|will|should|into|minutes?|mins?|hours?)\b/i;
/** A bare line of so few words without a verb is a food nobody knows, not the start of the method. */
const BARE_WORDS = 6;

/** Whether a line of text begins like an ingredient: an amount, a known food, or a few bare words without a verb. */
function isIngredient(text: string, larder: FoodSet): boolean {
  const trimmed = text.replace(/^\s*[-*•·–☐□]\s*/, '');
  if (/^\d+[.)]\s/.test(trimmed)) return false;
  const tokens = spellFractions(trimmed.toLowerCase()).trim().split(/\s+/);
  if (tokens.length > 16 && /[.!]$/.test(trimmed)) return false;
  if (readFigure(tokens, 0) || /^[\d½⅓⅔¼¾⅛-]/.test(trimmed) || UNIT_WORDS.has(tokens[0] ?? '')) return true;
  const isSaid = BEGINS_STEP.test(trimmed);
  if (!isSaid && tokens.length <= BARE_WORDS && !SENTENCE.test(trimmed) && !/[.!?]$/.test(trimmed))
    return true;
  if (tokens.length > 9 || /[.!?]$/.test(trimmed)) return false;
  return !isSaid && nameWords(trimmed).some((word) => larder.longest.has(word));
}

/** Whether a line may be one of a list though nobody knows it: it tells nothing to do, and ends in no stop. */
const isNoSentence = (text: string): boolean => !BEGINS_STEP.test(text) && !/[.!?:]$/.test(text);

/** For each line, whether a measured ingredient follows it before the method begins. */
function listGoesOn(lines: readonly Marked[], larder: FoodSet): boolean[] {
  const goesOn: boolean[] = [];
  let follows = false;
  for (let at = lines.length - 1; at >= 0; at -= 1) {
    goesOn[at] = follows;
    const { text } = lines[at]!;
    const isStep =
      BEGINS_STEP.test(text) || STEPS_HEADING.test(text.replace(/:$/, '')) || /^.{40,}[.!]$/.test(text);
    if (isStep) follows = false;
    else if (isIngredient(text, larder)) follows = true;
  }
  return goesOn;
}

/** Measures that no title begins with: "a thumb of ginger" is an ingredient, wherever it stands. */
const INGREDIENT_MEASURE = new RegExp(
  '^(?:an?|one|half an?|two|three|some|about)\\s+(?:\\w+\\s+)?(?:thumb|pinch|handful|tin|can|cloves?|tbsp|tsp|tablespoons?|' +
    'teaspoons?|cups?|knob|bunch|sprigs?|stalks?|sticks?|dash|splash|drizzle|glug|grating|squeeze|pack|packet|jar|pouch)\\b',
  'i',
);

/** The mark of a list is no word of the line. */
const BULLET = /^(?:[-*•·–☐□]|\[[ x]?\])\s+/;

interface Sorted {
  name: string;
  header: string[];
  ingredients: { text: string; part: string; from: number; to: number }[];
  steps: string[];
  /** Portions that a bare count above the list tells; null where none does. */
  counted: number | null;
}

/** Sorts the lines of a text into title, header, ingredients under their headings, and steps. */
class Sorter {
  readonly sorted: Sorted = { name: '', header: [], ingredients: [], steps: [], counted: null };
  private section: 'open' | 'ingredients' | 'steps' | 'notes' = 'open';
  private part = '';

  constructor(
    private readonly larder: FoodSet,
    /** A line that stands alone is an ingredient, where it may be one. */
    private readonly isAlone: boolean,
    /** The list has a heading: "Ingredients". */
    private readonly hasHeading: boolean,
  ) {}

  private isPart(text: string, heading: number): string | null {
    if (this.section === 'steps') return null;
    const found = PART_HEADING.exec(text) ?? BARE_PART.exec(text);
    if (found && !/\d/.test(found[1]!)) return found[1]!;
    return heading > 2 ? text.replace(/^for (?:the )?/i, '') : null;
  }

  /** The title once more, or words above a list that has a heading of its own. */
  private isAboveList(text: string): boolean {
    if (this.section !== 'open' || this.sorted.ingredients.length > 0) return false;
    if (text.toLowerCase() === this.sorted.name.toLowerCase()) return true;
    return this.hasHeading && !/\d|[½⅓⅔¼¾⅛]/.test(text) && !INGREDIENT_MEASURE.test(text);
  }

  /** "6 burgers" under a title of burgers, before any ingredient: how many it makes. Any other count may be of an ingredient. */
  private countOf(text: string): number | null {
    const { name, ingredients, counted } = this.sorted;
    if (this.section !== 'open' || ingredients.length > 0 || name === '' || counted !== null) return null;
    const found = COUNT_LINE.exec(text);
    if (!found) return null;
    const what = found[3]!;
    const title = nameWords(name);
    const words = nameWords(what);
    const isFood = words.length > 0 && this.larder.names.has(words[words.length - 1]!);
    const isOfTitle = !isFood && words.every((word) => title.includes(word));
    return isOfTitle || COUNTED.test(what) ? numberOf(found[1]!) : null;
  }

  private isHeader(text: string): boolean {
    return (
      MADE_LINE.test(text) ||
      SERVES.test(text) ||
      SERVES_AFTER.test(text) ||
      YIELD.test(text) ||
      FACTS_LINE.test(text)
    );
  }

  private addIngredient(text: string, from: number): void {
    const written = text.replace(BULLET, '');
    const start = from + text.length - written.length;
    const parts = splitLine(written, this.larder);
    for (const each of parts)
      this.sorted.ingredients.push({
        text: each.text,
        part: each.part ?? this.part,
        from: start + each.from,
        to: start + each.to,
      });
    // Parting drops the words that joined the foods, so the line as it was written is kept beside them.
    if (parts.length > 1) this.sorted.header.push(written);
  }

  /**
   * @param goesOn whether ingredients still follow before the method begins: then an odd line is one to decide, and ends nothing
   */
  add({ text, heading, from }: Marked, goesOn: boolean): void {
    const { sorted } = this;
    const spoken = this.section !== 'steps' ? spokenLines(text) : null;
    const isMeasured = heading === 0 && INGREDIENT_MEASURE.test(text);
    const part = this.isPart(text, heading);
    if (INGREDIENTS_HEADING.test(text.replace(/:$/, ''))) this.section = 'ingredients';
    else if (STEPS_HEADING.test(text.replace(/:$/, ''))) this.section = 'steps';
    else if (NOTES_HEADING.test(text) && sorted.ingredients.length > 0) this.section = 'notes';
    else if (this.section === 'notes') sorted.header.push(text);
    else if (spoken)
      for (const each of spoken) this.addIngredient(each, from + Math.max(0, text.indexOf(each)));
    else if (
      sorted.name === '' &&
      sorted.ingredients.length === 0 &&
      (heading === 1 || (!/^\d/.test(text) && !isMeasured && !this.isAlone))
    ) {
      sorted.name = text;
    } else if (SERVES_LINE.test(text) || this.isAboveList(text)) sorted.header.push(text);
    else if (part !== null) this.part = part;
    else if (this.section === 'steps')
      sorted.steps.push(text.replace(/^(?:step )?\d+[.):]\s+|^[-*•]\s+/i, ''));
    else if (sorted.ingredients.length === 0 && this.isHeader(text)) sorted.header.push(text);
    else if (this.countOf(text) !== null) {
      sorted.counted = this.countOf(text);
      sorted.header.push(text);
    } else if (FACTS_LINE.test(text)) sorted.header.push(text);
    else if (
      this.section === 'ingredients' ||
      isIngredient(text, this.larder) ||
      (goesOn && sorted.ingredients.length > 0 && isNoSentence(text))
    )
      this.addIngredient(text, from);
    else if (sorted.ingredients.length === 0) sorted.header.push(text);
    else {
      this.section = 'steps';
      sorted.steps.push(text.replace(/^(?:step )?\d+[.):]\s+/i, ''));
    }
  }
}

/** Portions, portion size and finished weight, where the lines above the list say them. */
function readHeader(
  header: readonly string[],
): Pick<RecipeReading, 'portions' | 'portionGrams' | 'measuredYieldGrams'> {
  const text = header.join('\n');
  const withoutYield = text.replace(YIELD, ' ');
  const serves = SERVES_AFTER.exec(withoutYield) ?? EATEN_BY.exec(withoutYield) ?? SERVES.exec(withoutYield);
  const size = PORTION_SIZE.exec(text);
  const measured = YIELD.exec(text);
  return {
    portions: serves ? numberOf(serves[1]!) || null : null,
    portionGrams: size ? Number(size[1]) || null : null,
    measuredYieldGrams: measured
      ? Number(measured[1]) * (measured[2]!.toLowerCase() === 'kg' ? 1000 : 1)
      : null,
  };
}

/** A recipe line read from its text. */
export function lineFromText(text: string, id: string, larder: FoodSet, part = ''): RecipeLine {
  return { id, text, reading: readLine(text, larder, id, part), answers: {} };
}

/** The lines of one written line: a food each. The first keeps the id. */
export function linesFromText(text: string, id: string, larder: FoodSet, part = ''): RecipeLine[] {
  return splitLine(text, larder).map((each, index) =>
    lineFromText(each.text, index === 0 ? id : `${id}-${index + 1}`, larder, each.part ?? part),
  );
}

/** Steps read against the lines they use. */
export function stepsFromTexts(
  texts: readonly string[],
  lines: readonly RecipeLine[],
  larder: FoodSet,
): RecipeStep[] {
  return texts.map((text, index) => ({ id: `s${index + 1}`, text, reading: readStep(text, lines, larder) }));
}

interface PlacedLine {
  text: string;
  from: number;
}

/** The lines of a text that say something, each with its place. */
export function linesOf(text: string): PlacedLine[] {
  const lines: PlacedLine[] = [];
  for (const found of text.matchAll(/[^\r\n]+/g)) {
    const line = found[0].trim();
    if (line.replace(/[\p{Cc}\p{Cf}\s]/gu, '') === '') continue;
    lines.push({ text: line, from: found.index + found[0].indexOf(line) });
  }
  return lines;
}

/** Reads a pasted text. Nothing is thrown and nothing is dropped silently: what is unsure is in `findings`. */
export function readRecipe(text: string, larder: FoodSet): RecipeReading {
  const all = linesOf(text);
  const findings: Finding[] = [];
  if (all.length === 0) findings.push(finding('text-empty', null));
  if (all.length > TEXT_LINES) findings.push(finding('text-cut', null, { lines: TEXT_LINES }));
  const isAlone = all.length === 1 && isIngredient(all[0]!.text, larder) && !SERVES.test(all[0]!.text);
  const marked = all.slice(0, TEXT_LINES).map(unmarked);
  const hasHeading = marked.some(({ text }) => INGREDIENTS_HEADING.test(text.replace(/:$/, '')));
  const sorter = new Sorter(larder, isAlone, hasHeading);
  const goesOn = listGoesOn(marked, larder);
  marked.forEach((line, index) => sorter.add(line, goesOn[index]!));
  const { name, header, ingredients, steps: stepTexts, counted } = sorter.sorted;
  const lines = ingredients.map((each, index) => lineFromText(each.text, `l${index + 1}`, larder, each.part));
  const told = readHeader([name, ...header]);
  const head = { ...told, portions: told.portions ?? counted };
  if (all.length > 0 && lines.length === 0) findings.push(finding('no-lines', null));
  if (lines.length > 0 && head.portions === null) findings.push(finding('no-portions', null));
  const steps = stepsFromTexts(stepTexts, lines, larder);
  if (lines.length > 0 && steps.length === 0) findings.push(finding('no-steps', null));
  const sources = new Map(ingredients.map(({ from, to }, index) => [`l${index + 1}`, [from, to] as const]));
  return { name, ...head, lines, steps, notes: header, sources, findings };
}

const SEPARATOR = /^(?:-{3,}|={3,}|\*{3,}|_{3,}|~{3,}|\f)$/;

/** The recipes of one text: parted by rules, form feeds, or a Markdown title each. Most texts hold one. */
export function splitRecipes(text: string): string[] {
  const lines = text.replace(/\f/g, '\n\f\n').split(/\r\n|\r|\n/);
  const titles = lines.filter((line) => /^#\s+\S/.test(line)).length;
  const parts: string[][] = [[]];
  for (const line of lines) {
    const isTitle = titles > 1 && /^#\s+\S/.test(line);
    const isRule = SEPARATOR.test(line.trim()) || line === '\f';
    if ((isTitle || isRule) && parts[parts.length - 1]!.some((each) => each.trim() !== '')) parts.push([]);
    if (!isRule) parts[parts.length - 1]!.push(line);
  }
  const texts = parts.map((part) => part.join('\n').trim()).filter((part) => part !== '');
  return texts.length === 0 ? [text] : texts;
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
    notes: reading.notes,
    notIn: [],
    confirmed: [],
    parentId: null,
    swaps: [],
    freeFrom: [],
    apart: [],
    isComponent: false,
  };
}
