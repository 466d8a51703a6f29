/** What the server keeps of the larder and the kitchens: foods, swaps, packs, weights, names. */
import { isDeepStrictEqual } from 'node:util';
import { Op, QueryTypes, Transaction, UniqueConstraintError, type Model, type Sequelize } from 'sequelize';
import {
  comparableName,
  contradictionsOf,
  loosened,
  type Food,
  type Kitchen,
  type KitchenWeight,
  type Pack,
  type SwapEntry,
} from '@hand-ladle/core';
import type { Tables } from './database/models';
import { kitchenFromRows, packRow, packsFromRows, saysTheSame, type KitchenSettings } from './database/rows';
import { ApiError } from './errors';

export type Row = Model<Record<string, unknown>, Record<string, unknown>>;
export const idOf = (row: Row, column = 'id'): string => row.get(column) as string;

export function groupedBy(rows: readonly Row[], column: string): Map<string, Row[]> {
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

/** A food with the version that was read, for two people who edit it. */
export interface SavedFood {
  food: Food;
  version: number;
}

export interface SavedKitchen {
  kitchen: Kitchen;
  version: number;
}

/** Version 1 is a food as it was shipped, which a newer table may replace; a kitchen's own begin above. */
export const FIRST_OWN_VERSION = 2;

const DAY_MS = 86_400_000;

/** What a sheet says; a blank cell says nothing. */
const saidBy = (sheet: Pack['sheet']): Record<string, string> =>
  Object.fromEntries(Object.entries(sheet ?? {}).filter(([, answer]) => answer !== 'check'));

/** A pack as the version that follows a known one: with another statement it waits for a yes. */
function nextVersion(known: Pack | null, pack: Pack): Pack {
  if (!known) return pack;
  return { ...pack, isConfirmed: saysTheSame(known, pack) ? known.isConfirmed : false };
}

export class LarderStore {
  private larderCache: Larder | null = null;
  /** Counts changes of the larder, those of a running import too. */
  larderChanges = 0;

  constructor(
    readonly database: Sequelize,
    readonly tables: Tables,
    protected readonly now: () => Date = () => new Date(),
  ) {}

  /** Throws when the database does not answer. */
  async ping(): Promise<void> {
    await this.database.query('SELECT 1', { type: QueryTypes.SELECT });
  }

  async larder(): Promise<Larder> {
    if (this.larderCache) return this.larderCache;
    const changes = this.larderChanges;
    const order: [string, string][] = [['position', 'ASC']];
    const foods = await this.tables.foods.findAll({ order });
    const swaps = await this.tables.swaps.findAll({ where: { kitchenId: null }, order });
    const larder = {
      foods: foods.map((row) => row.get('data') as Food),
      swaps: swaps.map((row) => row.get('data') as SwapEntry),
    };
    // A food saved while these rows were on their way is newer than they: they must not be kept.
    if (changes === this.larderChanges) this.larderCache = larder;
    return larder;
  }

  /** Called after foods changed behind the cache's back. */
  forgetLarder(): void {
    this.larderCache = null;
    this.larderChanges += 1;
  }

  async food(id: string): Promise<SavedFood> {
    const row = await this.tables.foods.findByPk(id);
    if (!row) throw new ApiError('food-not-found');
    return { food: row.get('data') as Food, version: row.get('version') as number };
  }

  /** The version each food of the larder stands at. */
  async foodVersions(): Promise<Map<string, number>> {
    const rows = await this.tables.foods.findAll({ attributes: ['id', 'version'] });
    return new Map(rows.map((row) => [idOf(row), row.get('version') as number]));
  }

  /** Puts a new food at the end of the larder. */
  async createFood(food: Food): Promise<SavedFood> {
    const last = ((await this.tables.foods.max('position')) as number | null) ?? 0;
    try {
      await this.tables.foods.create({
        id: food.id,
        position: last + 1,
        data: food,
        version: FIRST_OWN_VERSION,
      });
    } catch (error) {
      if (error instanceof UniqueConstraintError) throw new ApiError('food-exists');
      throw error;
    }
    this.forgetLarder();
    return this.food(food.id);
  }

  /** Saves a food over the version that was read. It may say more of an allergen than before, never less. */
  async saveFood({ food, version }: SavedFood): Promise<SavedFood> {
    const before = await this.food(food.id);
    const less = loosened(before.food, food);
    if (less.length > 0) throw new ApiError('food-loosened', less);
    const [changed] = await this.tables.foods.update(
      { data: food, version: version + 1 },
      { where: { id: food.id, version } },
    );
    if (changed !== 1) throw new ApiError('food-conflict', [await this.food(food.id)]);
    this.forgetLarder();
    return this.food(food.id);
  }

  async kitchens(): Promise<Kitchen[]> {
    const order: [string, string][] = [['id', 'ASC']];
    const rows = await this.tables.kitchens.findAll({ order: [['position', 'ASC']] });
    const packs = groupedBy(await this.tables.packs.findAll({ order }), 'kitchenId');
    const weights = groupedBy(await this.tables.weights.findAll({ order }), 'kitchenId');
    const names = groupedBy(await this.tables.names.findAll({ order }), 'kitchenId');
    const own = { where: { kitchenId: { [Op.ne]: null } }, order };
    const swaps = groupedBy(await this.tables.swaps.findAll(own), 'kitchenId');
    const ratings = groupedBy(await this.tables.ratings.findAll({ order }), 'kitchenId');
    return rows.map((row) => {
      const id = idOf(row);
      return kitchenFromRows(row, {
        packs: packs.get(id) ?? [],
        weights: weights.get(id) ?? [],
        names: names.get(id) ?? [],
        swaps: swaps.get(id) ?? [],
        ratings: ratings.get(id) ?? [],
      });
    });
  }

  /** One kitchen; the first when no id is given. */
  async kitchen(id: string | undefined): Promise<Kitchen> {
    const kitchens = await this.kitchens();
    const kitchen = id === undefined ? kitchens[0] : kitchens.find((each) => each.id === id);
    if (!kitchen) throw new ApiError('kitchen-not-found');
    return kitchen;
  }

  /** One kitchen with the version that was read, for two people who set it up. */
  async savedKitchen(id: string): Promise<SavedKitchen> {
    const row = await this.tables.kitchens.findByPk(id);
    if (!row) throw new ApiError('kitchen-not-found');
    return { kitchen: await this.kitchen(id), version: row.get('version') as number };
  }

  /** Puts a new kitchen at the end of the list. */
  async createKitchen(id: string, settings: KitchenSettings): Promise<SavedKitchen> {
    const last = ((await this.tables.kitchens.max('position')) as number | null) ?? 0;
    const { name, ...rest } = settings;
    try {
      await this.tables.kitchens.create({ id, position: last + 1, name, settings: rest, version: 1 });
    } catch (error) {
      if (error instanceof UniqueConstraintError) throw new ApiError('kitchen-exists');
      throw error;
    }
    return this.savedKitchen(id);
  }

  /** Saves a kitchen's settings over the version that was read; its packs, weights and names are not touched. */
  async saveKitchen(id: string, settings: KitchenSettings, version: number): Promise<SavedKitchen> {
    await this.savedKitchen(id);
    const { name, ...rest } = settings;
    const [changed] = await this.tables.kitchens.update(
      { name, settings: rest, version: version + 1 },
      { where: { id, version } },
    );
    if (changed !== 1) throw new ApiError('kitchen-conflict', [await this.savedKitchen(id)]);
    return this.savedKitchen(id);
  }

  protected async mustHaveFood(id: string): Promise<void> {
    if ((await this.tables.foods.count({ where: { id } })) === 0) throw new ApiError('food-not-found');
  }

  /**
   * Records what a pack says, as a new version. A first pack that a person read holds at once; one that says something
   * else than the version before waits for `confirmPack`, and until then every dish that uses it is unchecked.
   */
  async recordPack(kitchenId: string, pack: Pack): Promise<Kitchen> {
    const { service } = await this.kitchen(kitchenId);
    const { food } = await this.food(pack.foodId);
    this.mustBeRead(pack, food, service.readingDays);
    await this.withPack(kitchenId, pack.foodId, (known) => nextVersion(known, pack));
    return this.kitchen(kitchenId);
  }

  /** What a person reads must say no less than the pack's own words, and be read on a day that can be true. */
  private mustBeRead(
    pack: Pick<Pack, 'statement' | 'allergens' | 'animal' | 'checkedOn'>,
    food: Food,
    readingDays: number,
  ): void {
    const contradictions = contradictionsOf(pack, food);
    if (contradictions.length > 0) throw new ApiError('pack-contradicts', contradictions);
    const age = (this.now().getTime() - Date.parse(`${pack.checkedOn}T00:00:00Z`)) / DAY_MS;
    // A kitchen ahead of Greenwich has its next day already.
    if (!(age > -1.6 && age <= readingDays + 1))
      throw new ApiError('reading-date', [{ checkedOn: pack.checkedOn, readingDays }]);
  }

  /**
   * Adds a version of a pack by what stands on record, one at a time for each kitchen: two people who read the first pack of
   * a food at once are two statements, of which the second waits for a yes.
   */
  private async withPack(
    kitchenId: string,
    foodId: string,
    next: (known: Pack | null) => Pack | null,
  ): Promise<void> {
    const isolationLevel = Transaction.ISOLATION_LEVELS.READ_COMMITTED;
    await this.database.transaction({ isolationLevel }, async (transaction) => {
      await this.tables.kitchens.findByPk(kitchenId, { transaction, lock: transaction.LOCK.UPDATE });
      const rows = await this.tables.packs.findAll({
        where: { kitchenId, foodId },
        order: [['id', 'ASC']],
        transaction,
      });
      const pack = next(packsFromRows(rows)[0] ?? null);
      if (pack) await this.tables.packs.create(packRow(kitchenId, pack), { transaction });
    });
  }

  /** A pack as the version that follows what the kitchen has on record. */
  asNextVersion(kitchen: Kitchen, pack: Pack): Pack {
    return nextVersion(kitchen.packs.find(({ foodId }) => foodId === pack.foodId) ?? null, pack);
  }

  /**
   * A product of a supplier's list as the next version. Where its statement and certificate are those on record, what
   * a person made of them stays, and only price, weights and supplier are new.
   */
  asListed(kitchen: Kitchen, listed: Pack): Pack {
    const known = kitchen.packs.find(({ foodId }) => foodId === listed.foodId);
    const isSame =
      known?.statement === listed.statement &&
      known.certifiedGlutenFree === listed.certifiedGlutenFree &&
      isDeepStrictEqual(saidBy(known.sheet), saidBy(listed.sheet));
    if (!known || !isSame) return this.asNextVersion(kitchen, listed);
    const { productName, supplier, netGrams, drainedGrams, price } = listed;
    return { ...known, productName, supplier, netGrams, drainedGrams, price };
  }

  /**
   * A person read the changed statement and said yes: it holds from now on.
   * @param read which statement was read; where it is told, one that changed since then is refused
   */
  async confirmPack(
    kitchenId: string,
    foodId: string,
    by: { checkedBy: string; checkedOn: string },
    read?: number,
  ): Promise<Kitchen> {
    const { service } = await this.kitchen(kitchenId);
    const { food } = await this.food(foodId);
    await this.withPack(kitchenId, foodId, (known) => {
      if (!known) throw new ApiError('food-not-found');
      if (read !== undefined && known.statementVersion !== read) throw new ApiError('pack-changed');
      const confirmed = { ...known, ...by, isConfirmed: true };
      this.mustBeRead(confirmed, food, service.readingDays);
      return confirmed;
    });
    return this.kitchen(kitchenId);
  }

  /**
   * A person read the sheets of several packs and said yes to all of them. Each is confirmed for itself: what its own
   * words contradict is left as it was and named.
   */
  async confirmPacks(
    kitchenId: string,
    {
      packs,
      ...by
    }: {
      packs: readonly { foodId: string; statementVersion: number }[];
      checkedBy: string;
      checkedOn: string;
    },
  ): Promise<{ confirmed: string[]; refused: { foodId: string; message: string }[] }> {
    const confirmed: string[] = [];
    const refused: { foodId: string; message: string }[] = [];
    for (const { foodId, statementVersion } of packs) {
      try {
        await this.confirmPack(kitchenId, foodId, by, statementVersion);
        confirmed.push(foodId);
      } catch (error) {
        if (!(error instanceof ApiError) || error.code === 'kitchen-not-found') throw error;
        const [first] = error.details as { message?: string }[];
        refused.push({ foodId, message: first?.message ?? error.message });
      }
    }
    return { confirmed, refused };
  }

  /** A pack that is no longer bought: it stands as it stood, unconfirmed, so that nothing becomes clear by it. */
  async withdrawPack(kitchenId: string, foodId: string): Promise<Kitchen> {
    await this.kitchen(kitchenId);
    await this.withPack(kitchenId, foodId, (known) => {
      if (!known) throw new ApiError('food-not-found');
      return known.isConfirmed ? { ...known, isConfirmed: false } : null;
    });
    return this.kitchen(kitchenId);
  }

  /** Keeps the kitchen's own weight for a word and a food. */
  async recordWeight(kitchenId: string, weight: KitchenWeight): Promise<Kitchen> {
    await this.kitchen(kitchenId);
    await this.mustHaveFood(weight.foodId);
    await this.tables.weights.create({ kitchenId, ...weight });
    return this.kitchen(kitchenId);
  }

  /** Ties a name, as this kitchen writes it, to a food or a component. */
  async tieName(
    kitchenId: string,
    name: { written: string; foodId: string; tiedOn: string },
  ): Promise<Kitchen> {
    await this.kitchen(kitchenId);
    const isComponent =
      (await this.tables.recipes.count({ where: { id: name.foodId, deletedAt: null } })) > 0;
    if (!isComponent) await this.mustHaveFood(name.foodId);
    const written = comparableName(name.written).slice(0, 200);
    if (written !== '') await this.tables.names.create({ kitchenId, ...name, written });
    return this.kitchen(kitchenId);
  }
}
