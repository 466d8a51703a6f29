/**
 * A food as one row of a table that a cook can edit in a spreadsheet: the columns, and reading and writing a row.
 * Data files, export and import all use it. An empty cell is unknown, never zero.
 */
import { KJ_PER_KCAL, SALT_PER_SODIUM } from './energy';
import {
  ANIMAL_STATES,
  CAUTION_CODES,
  type Food,
  FOOD_KINDS,
  FOOD_STATES,
  PRICE_CLASSES,
  SCALING_ROLES,
  SOURCE_CLASSES,
  type SourceClass,
  WHOLE_FOOD_CLASSES,
} from './food';
import { plainText } from './names';
import { type Composition, type NutrientId, NUTRIENTS } from './nutrients';
import { ALLERGEN_STATUSES, type AllergenStatus, isWorse } from './status';
import { type Substance, SUBSTANCES } from './substances';

/** The column of a nutrient: `saturatesG` stands under `saturates_g`. */
export const nutrientColumn = (id: NutrientId): string =>
  id
    .replace(/(G|Mg|Ug)$/, '_$1')
    .replace(/([a-z])([A-Z])/g, '$1_$2')
    .toLowerCase();

const NUTRIENT_OF = new Map(NUTRIENTS.map((id) => [nutrientColumn(id), id]));

/** All columns of the food table, in order. */
export const FOOD_COLUMNS: readonly string[] = [
  'id',
  'name',
  'label_name',
  'synonyms',
  'category',
  'state',
  'kind',
  'animal',
  'whole_food',
  'functions',
  'scaling',
  'trim_yield',
  'cooking_yield',
  'allergens',
  'cautions',
  'price_class',
  'source',
  'figure_sources',
  'energy_kcal',
  ...NUTRIENTS.map(nutrientColumn),
];

export type FoodRow = Readonly<Record<string, string>>;

/** What is wrong with one cell of a row, in words. */
export interface RowProblem {
  column: string;
  message: string;
}

/** Words that composition tables write for "not known" or "too little to measure". They are unknown, not zero. */
const UNKNOWN_WORDS = new Set(['', '-', '–', 'n', 'na', 'n/a', 'nd', 'tr', 'trace', 'traces', '*', 'null']);
/** Most of a figure in 100 g: kelp holds a third of a gram of iodine, in micrograms. */
const MOST_FIGURE = 1_000_000;
const PLAIN_FIGURE = /^\d+(?:\.\d+)?$/;
const FIGURE = /^-?(?:\d+(?:\.\d*)?|\.\d+)(?:e[+-]?\d+)?$/i;

/**
 * A figure of a cell. With decimal commas "1.234,5" is 1234.5; without, "1,234.5" is. Returns null for unknown and
 * undefined when the cell holds no figure.
 */
export function readFigureCell(text: string, hasDecimalComma: boolean): number | null | undefined {
  // Most cells are empty or a plain figure.
  if (text === '') return null;
  if (!hasDecimalComma && PLAIN_FIGURE.test(text)) return Number(text);
  const trimmed = text.trim();
  if (UNKNOWN_WORDS.has(trimmed.toLowerCase())) return null;
  const plain = hasDecimalComma
    ? trimmed.replace(/\./g, '').replace(',', '.')
    : trimmed.replace(/,(?=\d{3}\b)/g, '');
  return FIGURE.test(plain) ? Number(plain) : undefined;
}

/** An id made of a name: lower case, digits and hyphens, at most 80 characters. */
export const idFromName = (name: string): string =>
  plainText(name)
    .trim()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '')
    .slice(0, 80);

class RowReader {
  readonly problems: RowProblem[] = [];

  constructor(
    private readonly row: FoodRow,
    private readonly hasDecimalComma: boolean,
  ) {}

  refuse(column: string, message: string): void {
    this.problems.push({ column, message });
  }

  text(column: string): string {
    const text = (this.row[column] ?? '').trim();
    if (/^[=@]/.test(text)) this.refuse(column, `"${text.slice(0, 40)}" is a formula, not a text`);
    return text;
  }

  list(column: string, by: string): string[] {
    return this.text(column)
      .split(by)
      .map((part) => part.trim())
      .filter(Boolean);
  }

  figure(column: string, least = 0, most = MOST_FIGURE): number | null {
    const text = this.row[column] ?? '';
    const value = readFigureCell(text, this.hasDecimalComma);
    if (value === undefined) {
      this.refuse(column, `"${text.trim().slice(0, 40)}" is not a figure`);
      return null;
    }
    if (value !== null && (value < least || value > most)) {
      this.refuse(column, `${value} is outside ${least} to ${most}`);
      return null;
    }
    return value;
  }

  choice<T extends string>(column: string, choices: readonly T[], fallback: T): T;
  choice<T extends string>(column: string, choices: readonly T[], fallback: null): T | null;
  choice<T extends string>(column: string, choices: readonly T[], fallback: T | null): T | null {
    const text = this.text(column);
    if (text === '') return fallback;
    if ((choices as readonly string[]).includes(text)) return text as T;
    this.refuse(column, `"${text.slice(0, 40)}" is none of ${choices.join(', ')}`);
    return fallback;
  }

  /** Pairs such as "wheat:contains soy:check". */
  pairs<K extends string, V extends string>(
    column: string,
    keys: readonly K[] | null,
    values: readonly V[],
    by = ' ',
  ): Partial<Record<K, V>> {
    const pairs: Partial<Record<K, V>> = {};
    for (const pair of this.list(column, by)) {
      const at = pair.indexOf(':');
      const key = pair.slice(0, at) as K;
      const value = pair.slice(at + 1) as V;
      if (at < 1 || (keys && !keys.includes(key)) || !values.includes(value)) {
        this.refuse(column, `"${pair.slice(0, 40)}" cannot be used here`);
      } else pairs[key] = value;
    }
    return pairs;
  }
}

/** Total carbohydrate where a table gives only what is available: fibre is added back. */
function totalCarbohydrate(reader: RowReader, fibreG: number | null): number | null {
  const total = reader.figure('carbohydrate_g', 0, 100);
  const available = reader.figure('available_carbohydrate_g', 0, 100);
  if (total !== null || available === null) return total;
  return fibreG === null ? null : available + fibreG;
}

function compositionOf(reader: RowReader): Composition {
  const composition = {} as Record<NutrientId, number | null>;
  for (const [column, id] of NUTRIENT_OF) {
    if (id !== 'carbohydrateG')
      composition[id] = reader.figure(column, 0, column.endsWith('_g') ? 100 : MOST_FIGURE);
  }
  composition.carbohydrateG = totalCarbohydrate(reader, composition.fibreG);
  const salt = reader.figure('salt_g', 0, 100);
  if (composition.sodiumMg === null && salt !== null) composition.sodiumMg = (salt / SALT_PER_SODIUM) * 1000;
  return composition;
}

const sumOf = (...parts: (number | null)[]): number =>
  parts.reduce<number>((sum, part) => sum + (part ?? 0), 0);

/** What cannot be true of 100 g, whoever wrote it. */
function checkComposition(reader: RowReader, c: Composition): void {
  const whole = sumOf(c.waterG, c.proteinG, c.fatG, c.carbohydrateG, c.alcoholG);
  if (whole > 106)
    reader.refuse(
      'water_g',
      `water, protein, fat, carbohydrate and alcohol come to ${whole.toFixed(1)} g of 100`,
    );
  const fats = sumOf(c.saturatesG, c.monounsaturatesG, c.polyunsaturatesG, c.transG);
  if (c.fatG !== null && fats > c.fatG + 0.5)
    reader.refuse('fat_g', `its parts come to ${fats.toFixed(1)} g, more than ${c.fatG} g of fat`);
  const { sugarsG, carbohydrateG } = c;
  if (sugarsG !== null && carbohydrateG !== null && sugarsG > carbohydrateG + 0.5)
    reader.refuse('sugars_g', `${sugarsG} g of sugars in ${carbohydrateG} g of carbohydrate`);
}

/**
 * Reads one row. What the table does not say is the careful choice: a food of unknown make is a `product`, so
 * nothing about it is clear until a pack is read.
 * @returns the food, or null with every reason why not
 */
export function foodFromRow(
  row: FoodRow,
  options: { hasDecimalComma?: boolean } = {},
): { food: Food | null; problems: RowProblem[] } {
  const reader = new RowReader(row, options.hasDecimalComma ?? false);
  const name = reader.text('name');
  if (name === '') reader.refuse('name', 'the food has no name');
  if (name.length > 200) reader.refuse('name', 'the name is longer than 200 characters');
  const id = reader.text('id') || idFromName(name);
  if (!/^[a-z0-9][a-z0-9-]{0,79}$/.test(id))
    reader.refuse('id', `"${id.slice(0, 40)}" is no id: lower-case letters, digits and hyphens`);
  const composition = compositionOf(reader);
  checkComposition(reader, composition);
  const kilojoules = reader.figure('energy_kj', 0, 4000);
  const food: Food = {
    id,
    name,
    labelName: reader.text('label_name') || name.toLowerCase(),
    synonyms: reader.list('synonyms', '|'),
    category: reader.text('category') || 'other',
    state: reader.choice('state', FOOD_STATES, 'raw'),
    kind: reader.choice('kind', FOOD_KINDS, 'product'),
    animal: reader.choice('animal', ANIMAL_STATES, 'check'),
    wholeFood: reader.choice('whole_food', WHOLE_FOOD_CLASSES, 'ready-made'),
    functions: reader.list('functions', '|'),
    scaling: reader.choice('scaling', SCALING_ROLES, 'linear'),
    trimYield: reader.figure('trim_yield', 0.01, 1) ?? 1,
    cookingYield: reader.figure('cooking_yield', 0.1, 20),
    cookingYields: [],
    allergens: reader.pairs<Substance, AllergenStatus>('allergens', SUBSTANCES, ALLERGEN_STATUSES),
    cautions: reader.list('cautions', ' ').flatMap((code) => {
      const known = CAUTION_CODES.find((each) => each === code);
      if (!known) reader.refuse('cautions', `"${code.slice(0, 40)}" is no caution`);
      return known ?? [];
    }),
    composition,
    energyKcal:
      reader.figure('energy_kcal', 0, 950) ??
      (kilojoules === null ? null : Math.round(kilojoules / KJ_PER_KCAL)),
    priceClass: reader.choice('price_class', PRICE_CLASSES, null),
    source: reader.choice('source', SOURCE_CLASSES, 'reference'),
    figureSources: reader.pairs<string, SourceClass>('figure_sources', null, SOURCE_CLASSES, '|') as Record<
      string,
      SourceClass
    >,
    measures: [],
  };
  return { food: reader.problems.length === 0 ? food : null, problems: reader.problems };
}

const cell = (value: number | null): string => (value === null ? '' : String(value));
const pairsCell = (pairs: Readonly<Record<string, string | undefined>>, by: string): string =>
  Object.entries(pairs)
    .map(([key, value]) => `${key}:${value}`)
    .join(by);

/** The row of a food: `foodFromRow` of it gives the food again, without its measures and cooking yields. */
export function rowFromFood(food: Food): FoodRow {
  const figures = NUTRIENTS.map((id) => [nutrientColumn(id), cell(food.composition[id])] as const);
  return {
    id: food.id,
    name: food.name,
    label_name: food.labelName,
    synonyms: food.synonyms.join('|'),
    category: food.category,
    state: food.state,
    kind: food.kind,
    animal: food.animal,
    whole_food: food.wholeFood,
    functions: food.functions.join('|'),
    scaling: food.scaling,
    trim_yield: cell(food.trimYield),
    cooking_yield: cell(food.cookingYield),
    allergens: pairsCell(food.allergens, ' '),
    cautions: food.cautions.join(' '),
    price_class: food.priceClass ?? '',
    source: food.source,
    figure_sources: pairsCell(food.figureSources, '|'),
    energy_kcal: cell(food.energyKcal),
    ...Object.fromEntries(figures),
  };
}

/**
 * What a changed food would say less of than before: allergens taken away, a product made a single food, an animal
 * food made a plant. A larder only ever gets more careful; what a pack says is recorded as a pack.
 */
export function loosened(before: Food, after: Food): string[] {
  const found: string[] = [];
  for (const substance of SUBSTANCES) {
    const was = before.allergens[substance];
    const is = after.allergens[substance];
    if (was && isWorse(was, is ?? 'clear')) found.push(`${substance}: ${was}`);
  }
  if (before.kind === 'product' && after.kind === 'single') found.push('kind: product');
  const animalRank = (food: Food): number => ANIMAL_STATES.indexOf(food.animal);
  if (animalRank(after) < animalRank(before)) found.push(`animal: ${before.animal}`);
  for (const caution of before.cautions)
    if (!after.cautions.includes(caution)) found.push(`caution: ${caution}`);
  return found;
}
