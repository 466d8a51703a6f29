/** What the server keeps, part beside part: the larder, the book of recipes, the kitchens with their packs and swaps. */
import { QueryTypes, type Sequelize } from 'sequelize';
import { editionOf } from '../database/edition';
import type { Tables } from '../database/models';
import { OwnSwapStore } from '../kitchens/own-swaps';
import { PackStore } from '../kitchens/packs';
import { KitchenStore } from '../kitchens/store';
import { LarderStore } from '../larder/store';
import { RecipeStore } from '../recipes/store';

export interface Store {
  database: Sequelize;
  tables: Tables;
  larder: LarderStore;
  recipes: RecipeStore;
  kitchens: KitchenStore;
  packs: PackStore;
  ownSwaps: OwnSwapStore;
  /** Throws when the database does not answer. */
  ping: () => Promise<void>;
  /** Another one after whatever is written down. */
  edition: () => string;
}

export function openStore(database: Sequelize, tables: Tables, now: () => Date = () => new Date()): Store {
  const larder = new LarderStore(tables);
  const kitchens = new KitchenStore(tables, larder);
  return {
    database,
    tables,
    larder,
    recipes: new RecipeStore(database, tables, larder, now),
    kitchens,
    packs: new PackStore(database, tables, larder, kitchens, now),
    ownSwaps: new OwnSwapStore(tables, larder, kitchens),
    ping: async () => {
      await database.query('SELECT 1', { type: QueryTypes.SELECT });
    },
    edition: editionOf(database, now, () => larder.changes),
  };
}
