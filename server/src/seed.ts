/** Loads the demo world into an empty database, once, in one transaction. */
import type { Sequelize } from 'sequelize';
import { bookOf, foodSet } from '@hand-ladle/core';
import {
  loadCycles,
  loadDemoRecipes,
  loadFoods,
  loadKitchens,
  loadServices,
  loadStock,
  loadSwaps,
} from '@hand-ladle/data';
import type { Tables } from './database/models';
import { insertKitchen } from './kitchens/rows';
import { insertRecipe } from './recipes/rows';

/** True when it loaded; false when there was something in the database already. */
export async function seedOnce(database: Sequelize, tables: Tables, now: Date): Promise<boolean> {
  if ((await tables.kitchens.count()) > 0) return false;
  const foods = loadFoods();
  await database.transaction(async (transaction) => {
    await tables.foods.bulkCreate(
      foods.map((food, position) => ({ id: food.id, position, data: food, version: 1 })),
      { transaction },
    );
    await tables.swaps.bulkCreate(
      loadSwaps().map((swap, position) => ({ id: swap.id, position, fromId: swap.fromId, data: swap })),
      { transaction },
    );
    for (const [position, kitchen] of loadKitchens().entries()) {
      await insertKitchen(tables, kitchen, position, transaction);
    }
    const demo = loadDemoRecipes(foods);
    for (const { recipe, target } of demo) {
      await insertRecipe(tables, { recipe, target, vesselIds: [], version: 1 }, now, transaction);
    }
    const today = now.toISOString().slice(0, 10);
    const recipes = demo.map(({ recipe }) => recipe);
    const components = recipes.filter(({ isComponent }) => isComponent);
    const book = bookOf(foodSet(foods, components), components, loadSwaps());
    for (const item of loadStock(today, { kitchens: loadKitchens(), recipes, book })) {
      const { id, kitchenId } = item;
      await tables.stock.create({ id, kitchenId, data: item, version: 1 }, { transaction });
    }
    for (const cycle of loadCycles(today)) {
      const { kitchenId } = cycle;
      await tables.cycles.create({ kitchenId, data: cycle, version: 1 }, { transaction });
    }
    for (const service of loadServices(today)) {
      const { id, kitchenId, date } = service;
      await tables.services.create({ id, kitchenId, date, data: service, version: 1 }, { transaction });
    }
  });
  return true;
}

/**
 * Brings the shipped foods and swaps of a database up to this version of the tables. A food somebody edited or
 * imported carries a version above 1 and is left alone; nothing is taken out.
 */
export async function refreshLarder(database: Sequelize, tables: Tables): Promise<number> {
  const rows = await tables.foods.findAll();
  const kept = new Map(rows.map((row) => [row.get('id') as string, row]));
  const swaps = new Map((await tables.swaps.findAll()).map((row) => [row.get('id') as string, row]));
  let changed = 0;
  await database.transaction(async (transaction) => {
    for (const [position, food] of loadFoods().entries()) {
      const row = kept.get(food.id);
      if (row && (row.get('version') !== 1 || JSON.stringify(row.get('data')) === JSON.stringify(food)))
        continue;
      if (row) await row.update({ data: food, position }, { transaction });
      else await tables.foods.create({ id: food.id, position, data: food, version: 1 }, { transaction });
      changed += 1;
    }
    for (const [position, swap] of loadSwaps().entries()) {
      const row = swaps.get(swap.id);
      const { id, fromId } = swap;
      if (!row) await tables.swaps.create({ id, position, fromId, data: swap }, { transaction });
      else if (JSON.stringify(row.get('data')) !== JSON.stringify(swap))
        await row.update({ position, fromId, data: swap }, { transaction });
    }
  });
  return changed;
}
