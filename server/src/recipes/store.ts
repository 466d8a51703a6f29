/** The book of recipes as it is kept, and everything a computation leans on. */
import { Op, type Sequelize, type Transaction, UniqueConstraintError } from 'sequelize';
import {
  type AppliedSwap,
  type Book,
  bookOf,
  followingSwaps,
  type FoodSet,
  foodSet,
  type Larder,
  type NotIn,
  type Recipe,
  type SavedRecipe,
} from '@hand-ladle/core';
import type { Tables } from '../database/models';
import { groupedBy, idOf, type Row } from '../database/row';
import { ApiError } from '../http/errors';
import type { LarderStore } from '../larder/store';
import { insertRecipe, recipeFromRows, swapsFromRows, updateRecipe } from './rows';

export class RecipeStore {
  constructor(
    private readonly database: Sequelize,
    private readonly tables: Tables,
    private readonly larder: LarderStore,
    private readonly now: () => Date,
  ) {}

  /** Saved recipes by a condition; variants come with their parent's lines and steps. */
  private async recipesWhere(where: Record<string, unknown>): Promise<SavedRecipe[]> {
    const rows = await this.tables.recipes.findAll({
      where: { deletedAt: null, ...where },
      order: [
        ['name', 'ASC'],
        ['id', 'ASC'],
      ],
    });
    const ids = rows.map((row) => idOf(row));
    const parents = rows.map((row) => row.get('parentId') as string | null).filter((id) => id !== null);
    const wanted = { where: { recipeId: { [Op.in]: [...new Set([...ids, ...parents])] } } };
    const order: [string, string][] = [['position', 'ASC']];
    const lines = groupedBy(await this.tables.lines.findAll({ ...wanted, order }), 'recipeId');
    const steps = groupedBy(await this.tables.steps.findAll({ ...wanted, order }), 'recipeId');
    const swaps = groupedBy(
      await this.tables.recipeSwaps.findAll({ ...wanted, order: [['id', 'ASC']] }),
      'recipeId',
    );
    const parentRows = groupedBy(
      await this.tables.recipes.findAll({ where: { id: { [Op.in]: [...new Set(parents)] } } }),
      'id',
    );
    return rows.map((row) => {
      const parentId = row.get('parentId') as string | null;
      const from = parentId ?? idOf(row);
      const saved = recipeFromRows(
        row,
        lines.get(from) ?? [],
        steps.get(from) ?? [],
        swaps.get(idOf(row)) ?? [],
      );
      const parent = parentId === null ? undefined : parentRows.get(parentId)?.[0];
      if (!parent) return saved;
      const parentSwaps = swapsFromRows(swaps.get(parentId!) ?? []);
      return { ...saved, recipe: followingParent(saved.recipe, parent, parentSwaps) };
    });
  }

  all(): Promise<SavedRecipe[]> {
    return this.recipesWhere({});
  }

  async recipe(id: string): Promise<SavedRecipe> {
    const [saved] = await this.recipesWhere({ id });
    if (!saved) throw new ApiError('recipe-not-found');
    return saved;
  }

  async components(): Promise<Recipe[]> {
    return (await this.recipesWhere({ isComponent: true })).map(({ recipe }) => recipe);
  }

  private indexed: { key: string; larder: Larder; set: FoodSet } | null = null;

  /** Everything a computation leans on, as it stands now. The index of names is made anew only when names changed. */
  async book(): Promise<Book> {
    const larder = await this.larder.all();
    const components = await this.components();
    const key = JSON.stringify(components.map(({ id, name }) => [id, name]));
    if (this.indexed?.key !== key || this.indexed.larder !== larder)
      this.indexed = { key, larder, set: foodSet(larder.foods, components) };
    return bookOf(this.indexed.set, components, larder.swaps);
  }

  /** Ids of the foods that a line of the book or a swap speaks of, those of dishes taken out too. */
  async foodsInUse(transaction: Transaction): Promise<Set<string>> {
    const lines = await this.tables.lines.findAll({ attributes: ['answerFoodId', 'reading'], transaction });
    const swaps = await this.tables.swaps.findAll({ attributes: ['data'], transaction });
    const told = JSON.stringify([lines, swaps]);
    return new Set([...told.matchAll(/"([a-z0-9][a-z0-9-]{0,79})"/g)].map(([, id]) => id!));
  }

  /** The dishes that use a food or a component, to any depth, by name. */
  async usersOf(id: string): Promise<{ id: string; name: string }[]> {
    const all = (await this.all()).map(({ recipe }) => recipe);
    const users = new Set([id]);
    for (let before = 0; before !== users.size;) {
      before = users.size;
      for (const recipe of all)
        if (recipe.lines.some((line) => users.has(usedIn(line) ?? ''))) users.add(recipe.id);
    }
    return all
      .filter((recipe) => recipe.id !== id && users.has(recipe.id))
      .map(({ id: each, name }) => ({ id: each, name }));
  }

  async create(saved: SavedRecipe): Promise<SavedRecipe> {
    const { parentId } = saved.recipe;
    if (parentId !== null) await this.recipe(parentId);
    try {
      await this.database.transaction((transaction) =>
        insertRecipe(this.tables, { ...saved, version: 1 }, this.now(), transaction),
      );
    } catch (error) {
      if (error instanceof UniqueConstraintError) throw new ApiError('recipe-exists');
      throw error;
    }
    return this.recipe(saved.recipe.id);
  }

  /** Saves over the version that was read. A conflict carries the recipe as it is now. */
  async save(saved: SavedRecipe): Promise<SavedRecipe> {
    const before = await this.recipe(saved.recipe.id);
    // What a recipe is a variant of is decided once, when it is made.
    const recipe = { ...saved.recipe, parentId: before.recipe.parentId };
    const isSaved = await this.database.transaction((transaction) =>
      updateRecipe(this.tables, { ...saved, recipe }, this.now(), transaction),
    );
    if (!isSaved) throw new ApiError('version-conflict', [await this.recipe(recipe.id)]);
    return this.recipe(recipe.id);
  }

  /** Takes a recipe out of the book; `restore` brings it back whole. */
  async remove(id: string): Promise<void> {
    await this.recipe(id);
    const users = (await this.all()).filter(
      ({ recipe }) => recipe.parentId === id || recipe.lines.some((line) => usedIn(line) === id),
    );
    const names = users.filter(({ recipe }) => recipe.id !== id).map(({ recipe }) => recipe.name);
    if (names.length > 0) throw new ApiError('component-in-use', names);
    await this.tables.recipes.update({ deletedAt: this.now() }, { where: { id } });
  }

  async restore(id: string): Promise<SavedRecipe> {
    await this.tables.recipes.update({ deletedAt: null }, { where: { id } });
    return this.recipe(id);
  }
}

const usedIn = (line: Recipe['lines'][number]): string | null => line.answers.foodId ?? line.reading.foodId;

/** A variant has its parent's portions, yield and swaps too, save those it overrules: change the parent, the variant follows. */
function followingParent(recipe: Recipe, parent: Row, parentSwaps: readonly AppliedSwap[]): Recipe {
  return {
    ...recipe,
    swaps: followingSwaps(recipe.swaps, parentSwaps),
    portions: parent.get('portions') as number,
    portionGrams: parent.get('portionGrams') as number | null,
    measuredYieldGrams: parent.get('measuredYieldGrams') as number | null,
    notes: (parent.get('notes') as string[] | null) ?? [],
    // Its own title is asked about here; everything else it shares with its parent.
    notIn: [...((parent.get('notIn') as NotIn[] | null) ?? []), ...recipe.notIn],
  };
}
