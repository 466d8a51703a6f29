/** Recipes to rows and back. Every multi-row write is given its transaction. */
import type { Transaction } from 'sequelize';
import {
  type AppliedSwap,
  type Confirmed,
  type LineAnswers,
  type NotIn,
  ownSwaps,
  type PackedPortion,
  type Recipe,
  type SavedRecipe,
} from '@hand-ladle/core';
import type { Tables } from '../database/models';
import { type Row, value } from '../database/row';

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
        reading: value(step, 'reading'),
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
