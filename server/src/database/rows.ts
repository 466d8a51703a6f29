/** Recipes and kitchens to rows and back. Every multi-row write is given its transaction. */
import type { Model, Transaction } from 'sequelize';
import type { Kitchen, KitchenWeight, LineAnswers, Pack, Recipe, Target } from '@hand-ladle/core';
import type { Tables } from './models';

/** A recipe as it is kept: with the batch it was last made for, and its version for two people saving. */
export interface SavedRecipe {
  recipe: Recipe;
  target: Target | null;
  version: number;
}

type Row = Model<Record<string, unknown>, Record<string, unknown>>;
const value = <T>(row: Row, column: string): T => row.get(column) as T;

export async function insertKitchen(
  tables: Tables,
  kitchen: Kitchen,
  position: number,
  transaction: Transaction,
): Promise<void> {
  const { id, name, packs, weights, ...settings } = kitchen;
  await tables.kitchens.create({ id, position, name, settings }, { transaction });
  await tables.packs.bulkCreate(
    packs.map((pack) => ({ kitchenId: id, ...pack })),
    { transaction },
  );
  await tables.weights.bulkCreate(
    weights.map((weight) => ({ kitchenId: id, ...weight })),
    { transaction },
  );
}

/** A kitchen from its rows; of several packs or weights for one food, the last recorded holds. */
export function kitchenFromRows(row: Row, packRows: readonly Row[], weightRows: readonly Row[]): Kitchen {
  const packs = new Map<string, Pack>();
  for (const each of packRows) {
    packs.set(value(each, 'foodId'), {
      foodId: value(each, 'foodId'),
      productName: value(each, 'productName'),
      statement: value(each, 'statement'),
      allergens: value(each, 'allergens'),
      certifiedGlutenFree: Boolean(value(each, 'certifiedGlutenFree')),
      animal: value<Pack['animal'] | undefined>(each, 'animal') ?? null,
      checkedBy: value(each, 'checkedBy'),
      checkedOn: value(each, 'checkedOn'),
    });
  }
  const weights = new Map<string, KitchenWeight>();
  for (const each of weightRows) {
    const weight: KitchenWeight = {
      unit: value(each, 'unit'),
      foodId: value(each, 'foodId'),
      grams: value(each, 'grams'),
      weighedOn: value(each, 'weighedOn'),
    };
    weights.set(`${weight.unit} ${weight.foodId}`, weight);
  }
  const settings = value<Omit<Kitchen, 'id' | 'name' | 'packs' | 'weights'>>(row, 'settings');
  return {
    id: value(row, 'id'),
    name: value(row, 'name'),
    ...settings,
    packs: [...packs.values()],
    weights: [...weights.values()],
  };
}

/** Lines, steps and swaps of a recipe. A variant keeps only its swaps: the rest is its parent's. */
export async function insertParts(tables: Tables, recipe: Recipe, transaction: Transaction): Promise<void> {
  const recipeId = recipe.id;
  await tables.recipeSwaps.bulkCreate(
    recipe.swaps.map(({ fromId, swapId }) => ({ recipeId, fromId, swapId })),
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

const header = ({ recipe, target, version }: SavedRecipe, now: Date) => ({
  name: recipe.name,
  portions: recipe.portions,
  portionGrams: recipe.portionGrams,
  measuredYieldGrams: recipe.measuredYieldGrams,
  isComponent: recipe.isComponent,
  freeFrom: recipe.freeFrom,
  target,
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
  return {
    ...(foodId === null ? {} : { foodId }),
    ...(grams === null ? {} : { grams }),
    ...(gramsOrigin == null ? {} : { gramsOrigin }),
  };
}

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
        reading: value(step, 'reading'),
      })),
      parentId: value(row, 'parentId'),
      swaps: swaps.map((swap) => ({ fromId: value(swap, 'fromId'), swapId: value(swap, 'swapId') })),
      freeFrom: value(row, 'freeFrom'),
      isComponent: Boolean(value(row, 'isComponent')),
    },
    target: value(row, 'target'),
    version: value(row, 'version'),
  };
}
