/** What the server keeps: the larder, the kitchens, the book of recipes. */
import { Op, QueryTypes, UniqueConstraintError, type Model, type Sequelize } from 'sequelize';
import {
  bookOf,
  foodSet,
  type Book,
  type Food,
  type Kitchen,
  type KitchenWeight,
  type Pack,
  type Recipe,
  type SwapEntry,
} from '@hand-ladle/core';
import type { Tables } from './database/models';
import {
  insertRecipe,
  kitchenFromRows,
  recipeFromRows,
  updateRecipe,
  type SavedRecipe,
} from './database/rows';
import { ApiError } from './errors';

type Row = Model<Record<string, unknown>, Record<string, unknown>>;
const idOf = (row: Row, column = 'id'): string => row.get(column) as string;

function groupedBy(rows: readonly Row[], column: string): Map<string, Row[]> {
  const groups = new Map<string, Row[]>();
  for (const row of rows) {
    const list = groups.get(idOf(row, column));
    if (list) list.push(row);
    else groups.set(idOf(row, column), [row]);
  }
  return groups;
}

export interface Larder {
  foods: Food[];
  swaps: SwapEntry[];
}

export class Store {
  private larderCache: Larder | null = null;

  constructor(
    private readonly database: Sequelize,
    private readonly tables: Tables,
    private readonly now: () => Date = () => new Date(),
  ) {}

  /** Throws when the database does not answer. */
  async ping(): Promise<void> {
    await this.database.query('SELECT 1', { type: QueryTypes.SELECT });
  }

  async larder(): Promise<Larder> {
    if (!this.larderCache) {
      const order: [string, string][] = [['position', 'ASC']];
      const foods = await this.tables.foods.findAll({ order });
      const swaps = await this.tables.swaps.findAll({ order });
      this.larderCache = {
        foods: foods.map((row) => row.get('data') as Food),
        swaps: swaps.map((row) => row.get('data') as SwapEntry),
      };
    }
    return this.larderCache;
  }

  async kitchens(): Promise<Kitchen[]> {
    const rows = await this.tables.kitchens.findAll({ order: [['position', 'ASC']] });
    const packs = groupedBy(await this.tables.packs.findAll({ order: [['id', 'ASC']] }), 'kitchenId');
    const weights = groupedBy(await this.tables.weights.findAll({ order: [['id', 'ASC']] }), 'kitchenId');
    return rows.map((row) => kitchenFromRows(row, packs.get(idOf(row)) ?? [], weights.get(idOf(row)) ?? []));
  }

  /** One kitchen; the first when no id is given. */
  async kitchen(id: string | undefined): Promise<Kitchen> {
    const kitchens = await this.kitchens();
    const kitchen = id === undefined ? kitchens[0] : kitchens.find((each) => each.id === id);
    if (!kitchen) throw new ApiError('kitchen-not-found');
    return kitchen;
  }

  private async mustHaveFood(id: string): Promise<void> {
    if ((await this.tables.foods.count({ where: { id } })) === 0) throw new ApiError('food-not-found');
  }

  /** Records what a pack says. Earlier statements stay in the table. */
  async recordPack(kitchenId: string, pack: Pack): Promise<Kitchen> {
    await this.kitchen(kitchenId);
    await this.mustHaveFood(pack.foodId);
    await this.tables.packs.create({ kitchenId, ...pack });
    return this.kitchen(kitchenId);
  }

  /** Keeps the kitchen's own weight for a word and a food. */
  async recordWeight(kitchenId: string, weight: KitchenWeight): Promise<Kitchen> {
    await this.kitchen(kitchenId);
    await this.mustHaveFood(weight.foodId);
    await this.tables.weights.create({ kitchenId, ...weight });
    return this.kitchen(kitchenId);
  }

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
      return parent ? { ...saved, recipe: followingParent(saved.recipe, parent) } : saved;
    });
  }

  recipes(): Promise<SavedRecipe[]> {
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

  /** Everything a computation leans on, as it stands now. */
  async book(): Promise<Book> {
    const { foods, swaps } = await this.larder();
    const components = await this.components();
    return bookOf(foodSet(foods, components), components, swaps);
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
    const users = (await this.recipes()).filter(
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

/** A variant has its parent's portions and yield too: change the parent, the variant follows. */
function followingParent(recipe: Recipe, parent: Row): Recipe {
  return {
    ...recipe,
    portions: parent.get('portions') as number,
    portionGrams: parent.get('portionGrams') as number | null,
    measuredYieldGrams: parent.get('measuredYieldGrams') as number | null,
  };
}
