/** Reads the larder's CSV tables into foods and swaps, and says which row is wrong when one is. */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import Papa from 'papaparse';
import {
  ALLERGEN_STATUSES,
  NUTRIENTS,
  SUBSTANCES,
  type AllergenStatus,
  type CautionCode,
  type Composition,
  type Food,
  type Measure,
  type NutrientId,
  type Substance,
  type SwapEntry,
} from '@hand-ladle/core';

type Row = Record<string, string>;

/** Folder of the tables: every command of this project runs from its root. */
export const DATA_FOLDER = join(process.cwd(), 'data');

/** The rows of a CSV file with a header line. */
function rowsOf(folder: string, file: string): Row[] {
  const { data, errors } = Papa.parse<Row>(readFileSync(join(folder, file), 'utf8'), {
    header: true,
    skipEmptyLines: true,
  });
  const [first] = errors;
  if (first) throw new Error(`${file}, row ${(first.row ?? 0) + 2}: ${first.message}`);
  return data;
}

const list = (text: string | undefined, by: string): string[] =>
  (text ?? '')
    .split(by)
    .map((part) => part.trim())
    .filter(Boolean);

/** A number of a cell; an empty cell is unknown. */
function number(row: Row, column: string, where: string): number | null {
  const text = (row[column] ?? '').trim();
  if (text === '') return null;
  const value = Number(text);
  if (!Number.isFinite(value)) throw new Error(`${where}: ${column} "${text}" is not a number`);
  return value;
}

function required(row: Row, column: string, where: string): number {
  const value = number(row, column, where);
  if (value === null) throw new Error(`${where}: ${column} is empty`);
  return value;
}

/** The CSV column of a nutrient: `saturatesG` stands under `saturates_g`. */
export const nutrientColumn = (id: NutrientId): string =>
  id
    .replace(/(G|Mg|Ug)$/, '_$1')
    .replace(/([a-z])([A-Z])/g, '$1_$2')
    .toLowerCase();

function allergensOfRow(row: Row, where: string): Food['allergens'] {
  const allergens: Partial<Record<Substance, AllergenStatus>> = {};
  for (const pair of list(row['allergens'], ' ')) {
    const [substance, status] = pair.split(':') as [Substance, AllergenStatus];
    if (!SUBSTANCES.includes(substance) || !ALLERGEN_STATUSES.includes(status)) {
      throw new Error(`${where}: "${pair}" is not an allergen and its status`);
    }
    allergens[substance] = status;
  }
  return allergens;
}

function foodOf(row: Row, measures: readonly Measure[]): Food {
  const where = `foods.csv, ${row['id']}`;
  const composition = Object.fromEntries(
    NUTRIENTS.map((id) => [id, number(row, nutrientColumn(id), where)]),
  ) as Composition;
  return {
    id: row['id']!,
    name: row['name']!,
    labelName: row['label_name']!,
    synonyms: list(row['synonyms'], '|'),
    category: row['category']!,
    state: row['state'] as Food['state'],
    kind: row['kind'] as Food['kind'],
    animal: row['animal'] as Food['animal'],
    wholeFood: row['whole_food'] as Food['wholeFood'],
    functions: list(row['functions'], '|'),
    scaling: row['scaling'] as Food['scaling'],
    trimYield: required(row, 'trim_yield', where),
    cookingYield: number(row, 'cooking_yield', where),
    allergens: allergensOfRow(row, where),
    cautions: list(row['cautions'], ' ') as CautionCode[],
    composition,
    source: row['source'] as Food['source'],
    measures,
  };
}

function measureOf(row: Row): Measure {
  const where = `measures.csv, ${row['food_id']} ${row['unit']}`;
  return {
    form: row['form'] ?? '',
    unit: row['unit']!,
    size: row['size'] as Measure['size'],
    grams: required(row, 'grams', where),
    lowGrams: required(row, 'low_grams', where),
    highGrams: required(row, 'high_grams', where),
    basis: row['basis'] as Measure['basis'],
    source: row['source'] as Measure['source'],
  };
}

/** All foods of the larder with their measures, in the order of the table. */
export function loadFoods(folder = DATA_FOLDER): Food[] {
  const measures = new Map<string, Measure[]>();
  for (const row of rowsOf(folder, 'measures.csv')) {
    const id = row['food_id']!;
    measures.set(id, [...(measures.get(id) ?? []), measureOf(row)]);
  }
  const foods = rowsOf(folder, 'foods.csv').map((row) => foodOf(row, measures.get(row['id']!) ?? []));
  const known = new Set(foods.map(({ id }) => id));
  for (const id of measures.keys()) {
    if (!known.has(id)) throw new Error(`measures.csv: there is no food "${id}"`);
  }
  return foods;
}

function swapOf(row: Row): SwapEntry {
  const where = `swaps.csv, ${row['id']}`;
  return {
    id: row['id']!,
    fromId: row['from_id']!,
    function: row['function']!,
    to: list(row['to'], ' ').map((pair) => {
      const [foodId = '', ratio] = pair.split(':');
      return { foodId, ratio: Number(ratio) };
    }),
    waterRatio: required(row, 'water_ratio', where),
    hint: row['hint']!,
    taste: required(row, 'taste', where),
    texture: required(row, 'texture', where),
    source: row['source']!,
  };
}

/** All swaps on file. */
export const loadSwaps = (folder = DATA_FOLDER): SwapEntry[] => rowsOf(folder, 'swaps.csv').map(swapOf);
