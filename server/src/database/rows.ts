/** Recipes and kitchens to rows and back. Every multi-row write is given its transaction. */
import type { Model, Transaction } from 'sequelize';
import {
  EMPTY_STEP_READING,
  KITCHEN_DEFAULTS,
  ownSwaps,
  PLAIN_STANDARD,
  VESSEL_DEFAULTS,
  type AppliedSwap,
  type Kitchen,
  type KitchenName,
  type KitchenWeight,
  type LineAnswers,
  type Confirmed,
  type NotIn,
  type PackedPortion,
  type Pack,
  type PackBefore,
  type Recipe,
  type SwapEntry,
  type SwapRating,
  type Target,
} from '@hand-ladle/core';
import type { Tables } from './models';

/** A recipe as it is kept: with the batch it was last made for, and its version for two people saving. */
export interface SavedRecipe {
  recipe: Recipe;
  target: Target | null;
  /** Machines asked for; those a kitchen does not have are passed over. */
  vesselIds: string[];
  version: number;
}

type Row = Model<Record<string, unknown>, Record<string, unknown>>;
const value = <T>(row: Row, column: string): T => row.get(column) as T;

/** The row of one version of a pack. What it said before is in the row before it, and its version is the count of them. */
export const packRow = (
  kitchenId: string,
  { before: _before, statementVersion: _version, ...pack }: Pack,
  importId: string | null = null,
) => ({
  kitchenId,
  ...pack,
  importId,
});

export async function insertKitchen(
  tables: Tables,
  kitchen: Kitchen,
  position: number,
  transaction: Transaction,
): Promise<void> {
  const { id, name, packs, weights, names, swaps, ratings, ...settings } = kitchen;
  await tables.kitchens.create({ id, position, name, settings, version: 1 }, { transaction });
  for (const pack of packs) {
    // A change that waits for a yes has two versions: the one that was confirmed, and the new one.
    if (pack.before)
      await tables.packs.create(packRow(id, { ...pack, ...pack.before, isConfirmed: true }), { transaction });
    await tables.packs.create(packRow(id, pack), { transaction });
  }
  await tables.weights.bulkCreate(
    weights.map((weight) => ({ kitchenId: id, ...weight })),
    { transaction },
  );
  await tables.swaps.bulkCreate(
    swaps.map((swap, index) => ({
      id: swap.id,
      position: index,
      fromId: swap.fromId,
      data: swap,
      kitchenId: id,
    })),
    { transaction },
  );
  await tables.ratings.bulkCreate(
    ratings.map((rating) => ({ kitchenId: id, ...rating })),
    { transaction },
  );
  await tables.names.bulkCreate(
    names.map((each) => ({ kitchenId: id, ...each })),
    { transaction },
  );
}

function packFromRow(row: Row): Pack {
  return {
    foodId: value(row, 'foodId'),
    productName: value(row, 'productName'),
    supplier: value(row, 'supplier'),
    netGrams: value(row, 'netGrams'),
    drainedGrams: value(row, 'drainedGrams'),
    price: value(row, 'price'),
    panel: value<Pack['panel'] | null>(row, 'panel') ?? {},
    statement: value(row, 'statement'),
    allergens: value(row, 'allergens'),
    certifiedGlutenFree: Boolean(value(row, 'certifiedGlutenFree')),
    animal: value<Pack['animal'] | undefined>(row, 'animal') ?? null,
    checkedBy: value(row, 'checkedBy'),
    checkedOn: value(row, 'checkedOn'),
    own: value<Pack['own'] | null>(row, 'own') ?? {},
    sheet: value<Pack['sheet'] | undefined>(row, 'sheet') ?? null,
    statementVersion: 1,
    isConfirmed: Boolean(value(row, 'isConfirmed')),
    before: null,
  };
}

/** Whether two versions of a pack say the same to someone who must not eat something. */
export const saysTheSame = (one: Pack, other: Pack): boolean =>
  JSON.stringify([
    one.statement,
    sorted(one.allergens),
    one.certifiedGlutenFree,
    one.animal,
    sorted(one.own),
    sorted(one.sheet ?? {}),
  ]) ===
  JSON.stringify([
    other.statement,
    sorted(other.allergens),
    other.certifiedGlutenFree,
    other.animal,
    sorted(other.own),
    sorted(other.sheet ?? {}),
  ]);
const sorted = (answers: Readonly<Record<string, string>>): [string, string][] =>
  Object.entries(answers).sort();

/** Of a food's versions the last holds; while it is not confirmed, it carries what the last confirmed one said. */
export function packsFromRows(rows: readonly Row[]): Pack[] {
  const packs = new Map<string, Pack>();
  const confirmed = new Map<string, PackBefore>();
  for (const row of rows) {
    const pack = packFromRow(row);
    const { foodId, statement, allergens, own, animal, checkedOn } = pack;
    if (pack.isConfirmed) confirmed.set(foodId, { statement, allergens, own, animal, checkedOn });
    const before = pack.isConfirmed ? null : (confirmed.get(foodId) ?? null);
    const last = packs.get(foodId);
    const isSame = last !== undefined && saysTheSame(last, pack);
    const statementVersion = last === undefined ? 1 : last.statementVersion + (isSame ? 0 : 1);
    packs.set(foodId, { ...pack, statementVersion, before });
  }
  return [...packs.values()];
}

/** What belongs to a kitchen, as rows in the order they were recorded. */
export interface KitchenRows {
  packs: readonly Row[];
  weights: readonly Row[];
  names: readonly Row[];
  swaps: readonly Row[];
  ratings: readonly Row[];
}

/** What a kitchen sets for itself. Its name stands in a column of its own. */
export type KitchenSettings = Omit<Kitchen, 'id' | 'packs' | 'weights' | 'names' | 'swaps' | 'ratings'>;

/** Settings as they were kept before machines had kinds, and scales names. */
interface KeptSettings extends Omit<
  KitchenSettings,
  'name' | 'scales' | 'pans' | 'standard' | keyof typeof KITCHEN_DEFAULTS
> {
  scales?: Kitchen['scales'];
  pans?: Kitchen['pans'];
  standard?: Kitchen['standard'];
  scaleSteps?: Kitchen['scales'][number]['bands'];
}

/** More than anyone weighs, in grams: a scale whose capacity nobody noted. */
const ANY_WEIGHT = 1_000_000_000;

function settingsOf({ scaleSteps, ...kept }: KeptSettings): Omit<KitchenSettings, 'name'> {
  const scales = kept.scales ?? [
    { id: 'bench', name: 'Bench scale', capacityGrams: ANY_WEIGHT, bands: scaleSteps ?? [] },
    {
      id: 'fine',
      name: 'Fine scale',
      capacityGrams: 500,
      bands: [{ belowGrams: ANY_WEIGHT, stepGrams: 0.1 }],
    },
  ];
  const { ownAllergens, shared, diners, targets, service } = KITCHEN_DEFAULTS;
  return {
    ownAllergens,
    shared,
    diners,
    targets,
    ...kept,
    service: { ...service, ...(kept as { service?: object }).service },
    vessels: kept.vessels.map((vessel) => ({ ...VESSEL_DEFAULTS, ...vessel })),
    scales,
    pans: kept.pans ?? [],
    standard: { ...PLAIN_STANDARD, ...kept.standard },
  };
}

const ratingFromRow = (row: Row): SwapRating => ({
  swapId: value(row, 'swapId'),
  taste: value(row, 'taste'),
  texture: value(row, 'texture'),
  ratedBy: value(row, 'ratedBy'),
  ratedOn: value(row, 'ratedOn'),
});

/** A kitchen from its rows; of several weights or names for one thing, the last recorded holds. */
export function kitchenFromRows(row: Row, rows: KitchenRows): Kitchen {
  const weights = new Map<string, KitchenWeight>();
  for (const each of rows.weights) {
    const weight: KitchenWeight = {
      unit: value(each, 'unit'),
      foodId: value(each, 'foodId'),
      grams: value(each, 'grams'),
      weighedOn: value(each, 'weighedOn'),
    };
    weights.set(`${weight.unit} ${weight.foodId}`, weight);
  }
  const names = new Map<string, KitchenName>();
  for (const each of rows.names) {
    const written = value<string>(each, 'written');
    names.set(written, { written, foodId: value(each, 'foodId'), tiedOn: value(each, 'tiedOn') });
  }
  return {
    id: value(row, 'id'),
    name: value(row, 'name'),
    ...settingsOf(value<KeptSettings>(row, 'settings')),
    packs: packsFromRows(rows.packs),
    weights: [...weights.values()],
    names: [...names.values()],
    swaps: rows.swaps.map((each) => value<SwapEntry>(each, 'data')),
    ratings: rows.ratings.map(ratingFromRow),
  };
}

/** Lines, steps and swaps of a recipe. A variant keeps only its swaps: the rest is its parent's. */
export async function insertParts(tables: Tables, recipe: Recipe, transaction: Transaction): Promise<void> {
  const recipeId = recipe.id;
  await tables.recipeSwaps.bulkCreate(
    ownSwaps(recipe).map(({ fromId, swapId }) => ({ recipeId, fromId, swapId })),
    { transaction },
  );
  if (recipe.parentId !== null) return;
  await tables.lines.bulkCreate(
    recipe.lines.map(({ id, text, reading, answers }, position) => ({
      recipeId,
      position,
      lineId: id,
      text,
      reading,
      answerFoodId: answers.foodId ?? null,
      answerGrams: answers.grams ?? null,
      answerOrigin: answers.gramsOrigin ?? null,
      answerTechnique: answers.technique ?? null,
      answerBath: answers.bath ?? null,
      answerCookedApart: answers.isCookedApart ?? false,
    })),
    { transaction },
  );
  await tables.steps.bulkCreate(
    recipe.steps.map(({ id, text, reading }, position) => ({
      recipeId,
      position,
      stepId: id,
      text,
      reading,
    })),
    { transaction },
  );
}

const header = ({ recipe, target, vesselIds, version }: SavedRecipe, now: Date) => ({
  name: recipe.name,
  portions: recipe.portions,
  portionGrams: recipe.portionGrams,
  measuredYieldGrams: recipe.measuredYieldGrams,
  isComponent: recipe.isComponent,
  freeFrom: recipe.freeFrom,
  apart: recipe.apart,
  notes: recipe.parentId === null ? recipe.notes : [],
  // A variant keeps answers about its own title; the others are its parent's.
  notIn: recipe.parentId === null ? recipe.notIn : recipe.notIn.filter(({ text }) => text === recipe.name),
  confirmed: recipe.confirmed,
  packed: recipe.packed ?? null,
  target,
  vesselIds,
  version,
  updatedAt: now,
});

export async function insertRecipe(
  tables: Tables,
  saved: SavedRecipe,
  now: Date,
  transaction: Transaction,
): Promise<void> {
  const { id, parentId } = saved.recipe;
  await tables.recipes.create({ id, parentId, deletedAt: null, ...header(saved, now) }, { transaction });
  await insertParts(tables, saved.recipe, transaction);
}

/** Rewrites a recipe if its version is still the one that was read; false when somebody saved in between. */
export async function updateRecipe(
  tables: Tables,
  saved: SavedRecipe,
  now: Date,
  transaction: Transaction,
): Promise<boolean> {
  const { id } = saved.recipe;
  const [changed] = await tables.recipes.update(header({ ...saved, version: saved.version + 1 }, now), {
    where: { id, version: saved.version, deletedAt: null },
    transaction,
  });
  if (changed !== 1) return false;
  for (const table of [tables.lines, tables.steps, tables.recipeSwaps]) {
    await table.destroy({ where: { recipeId: id }, transaction });
  }
  await insertParts(tables, saved.recipe, transaction);
  return true;
}

function answersOf(row: Row): LineAnswers {
  const foodId = value<string | null>(row, 'answerFoodId');
  const grams = value<number | null>(row, 'answerGrams');
  const gramsOrigin = value<LineAnswers['gramsOrigin'] | null>(row, 'answerOrigin');
  const technique = value<LineAnswers['technique'] | null>(row, 'answerTechnique');
  const bath = value<LineAnswers['bath'] | null>(row, 'answerBath');
  return {
    ...(foodId === null ? {} : { foodId }),
    ...(grams === null ? {} : { grams }),
    ...(gramsOrigin == null ? {} : { gramsOrigin }),
    ...(technique == null ? {} : { technique }),
    ...(bath == null ? {} : { bath }),
    ...(value<boolean | null>(row, 'answerCookedApart') ? { isCookedApart: true } : {}),
  };
}

/** The swaps of a recipe, as it keeps them. */
export const swapsFromRows = (rows: readonly Row[]): AppliedSwap[] =>
  rows.map((row) => ({ fromId: value(row, 'fromId'), swapId: value(row, 'swapId') }));

/** A saved recipe from its rows, each list in its order. */
export function recipeFromRows(
  row: Row,
  lines: readonly Row[],
  steps: readonly Row[],
  swaps: readonly Row[],
): SavedRecipe {
  return {
    recipe: {
      id: value(row, 'id'),
      name: value(row, 'name'),
      portions: value(row, 'portions'),
      portionGrams: value(row, 'portionGrams'),
      measuredYieldGrams: value(row, 'measuredYieldGrams'),
      lines: lines.map((line) => ({
        id: value(line, 'lineId'),
        text: value(line, 'text'),
        reading: value(line, 'reading'),
        answers: answersOf(line),
      })),
      steps: steps.map((step) => ({
        id: value(step, 'stepId'),
        text: value(step, 'text'),
        // Steps read before they told equipment and temperature lack those words.
        reading: { ...EMPTY_STEP_READING, ...value<object>(step, 'reading') },
      })),
      notes: value<string[] | null>(row, 'notes') ?? [],
      notIn: value<NotIn[] | null>(row, 'notIn') ?? [],
      confirmed: value<Confirmed[] | null>(row, 'confirmed') ?? [],
      packed: value<PackedPortion | null>(row, 'packed') ?? null,
      parentId: value(row, 'parentId'),
      swaps: swapsFromRows(swaps),
      freeFrom: value(row, 'freeFrom'),
      apart: value<string[] | null>(row, 'apart') ?? [],
      isComponent: Boolean(value(row, 'isComponent')),
    },
    target: value(row, 'target'),
    vesselIds: value<string[] | null>(row, 'vesselIds') ?? [],
    version: value(row, 'version'),
  };
}
