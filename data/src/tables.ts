/** Reads the larder's CSV tables into foods and swaps, and says which row is wrong when one is. */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import Papa from 'papaparse';
import {
  type CookingYield,
  type Food,
  foodFromRow,
  MAKINGS,
  type Measure,
  SOURCE_CLASSES,
  SWAP_FUNCTIONS,
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

function foodOf(row: Row, measures: readonly Measure[], cookingYields: readonly CookingYield[]): Food {
  const { food, problems } = foodFromRow(row);
  const [first] = problems;
  if (!food) throw new Error(`foods.csv, ${row['id']}: ${first?.column} ${first?.message}`);
  return { ...food, measures, cookingYields };
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

function cookingYieldOf(row: Row): CookingYield {
  const where = `yields.csv, ${row['food_id']} ${row['method']}`;
  return {
    method: row['method']!,
    ratio: required(row, 'yield', where),
    absorbedGramsPerGram: required(row, 'absorbed_water_g_per_g', where),
    source: row['source'] as CookingYield['source'],
  };
}

/** Rows of a table about foods, gathered by food. */
function byFood<T>(folder: string, file: string, read: (row: Row) => T): Map<string, T[]> {
  const groups = new Map<string, T[]>();
  for (const row of rowsOf(folder, file)) {
    const id = row['food_id']!;
    groups.set(id, [...(groups.get(id) ?? []), read(row)]);
  }
  return groups;
}

/** Names on labels in other languages, by the English one. */
function labelNames(folder: string): Map<string, Record<string, string>> {
  return new Map(
    rowsOf(folder, 'label-names.csv').map(({ label_name: name = '', ...others }) => [name, others]),
  );
}

/** All foods of the larder with their measures, yields and names on labels, in the order of the table. */
export function loadFoods(folder = DATA_FOLDER): Food[] {
  const measures = byFood(folder, 'measures.csv', measureOf);
  const yields = byFood(folder, 'yields.csv', cookingYieldOf);
  const foods = rowsOf(folder, 'foods.csv').map((row) =>
    foodOf(row, measures.get(row['id']!) ?? [], yields.get(row['id']!) ?? []),
  );
  const names = labelNames(folder);
  for (const food of foods) {
    const others = names.get(food.labelName);
    if (others) food.labelNames = others;
  }
  const known = new Set(foods.map(({ id }) => id));
  for (const id of [...measures.keys(), ...yields.keys()]) {
    if (!known.has(id)) throw new Error(`measures.csv or yields.csv: there is no food "${id}"`);
  }
  return foods;
}

/** One of a list of words, or an error that says where. */
function oneOf<T extends string>(text: string, words: readonly T[], where: string): T {
  const word = words.find((each) => each === text);
  if (word === undefined) throw new Error(`${where}: "${text}" is none of ${words.join(', ')}`);
  return word;
}

function swapOf(row: Row): SwapEntry {
  const where = `swaps.csv, ${row['id']}`;
  const makings = (column: string) => list(row[column], ' ').map((each) => oneOf(each, MAKINGS, where));
  return {
    id: row['id']!,
    fromId: row['from_id']!,
    function: oneOf(row['function']!, SWAP_FUNCTIONS, where),
    to: list(row['to'], ' ').map((pair) => {
      const [foodId = '', ratio] = pair.split(':');
      return { foodId, ratio: Number(ratio) };
    }),
    waterRatio: required(row, 'water_ratio', where),
    hint: row['hint']!,
    taste: required(row, 'taste', where),
    texture: required(row, 'texture', where),
    limits: {
      notFor: makings('not_for'),
      onlyFor: makings('only_for'),
      mostShare: number(row, 'most_share', where),
    },
    source: oneOf(row['source']!, SOURCE_CLASSES, where),
  };
}

/** All swaps on file. */
export const loadSwaps = (folder = DATA_FOLDER): SwapEntry[] => rowsOf(folder, 'swaps.csv').map(swapOf);
