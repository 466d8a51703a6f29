/** Loads the demo world into an empty database, once, in one transaction. */
import type { Sequelize } from 'sequelize';
import { loadDemoRecipes, loadFoods, loadKitchens, loadSwaps } from '@hand-ladle/data';
import type { Tables } from './models';
import { insertKitchen, insertRecipe } from './rows';

/** True when it loaded; false when there was something in the database already. */
export async function seedOnce(database: Sequelize, tables: Tables, now: Date): Promise<boolean> {
  if ((await tables.kitchens.count()) > 0) return false;
  const foods = loadFoods();
  await database.transaction(async (transaction) => {
    await tables.foods.bulkCreate(
      foods.map((food, position) => ({ id: food.id, position, data: food })),
      { transaction },
    );
    await tables.swaps.bulkCreate(
      loadSwaps().map((swap, position) => ({ id: swap.id, position, fromId: swap.fromId, data: swap })),
      { transaction },
    );
    for (const [position, kitchen] of loadKitchens().entries()) {
      await insertKitchen(tables, kitchen, position, transaction);
    }
    for (const { recipe, target } of loadDemoRecipes(foods)) {
      await insertRecipe(tables, { recipe, target, version: 1 }, now, transaction);
    }
  });
  return true;
}
