/** Packs on record: what each says, one version after another, and who stands for it. */
import { isDeepStrictEqual } from 'node:util';
import { type Sequelize, Transaction } from 'sequelize';
import { contradictionsOf, type Food, type Kitchen, type Pack, readStatement } from '@hand-ladle/core';
import type { Tables } from '../database/models';
import { ApiError } from '../http/errors';
import type { LarderStore } from '../larder/store';
import { packRow, packsFromRows, saysTheSame } from './rows';
import type { KitchenStore } from './store';

const DAY_MS = 86_400_000;

/** What a sheet says; a blank cell says nothing. */
const saidBy = (sheet: Pack['sheet']): Record<string, string> =>
  Object.fromEntries(Object.entries(sheet ?? {}).filter(([, answer]) => answer !== 'check'));

/** A pack as the version that follows a known one: with another statement it waits for a yes. */
function nextVersion(known: Pack | null, pack: Pack): Pack {
  if (!known) return pack;
  return { ...pack, isConfirmed: saysTheSame(known, pack) ? known.isConfirmed : false };
}

export class PackStore {
  constructor(
    private readonly database: Sequelize,
    private readonly tables: Tables,
    private readonly larder: LarderStore,
    private readonly kitchens: KitchenStore,
    private readonly now: () => Date,
  ) {}

  /**
   * Records what a pack says, as a new version. A first pack that a person read holds at once; one that says something
   * else than the version before waits for `confirm`, and until then every dish that uses it is unchecked.
   */
  async record(kitchenId: string, pack: Pack): Promise<Kitchen> {
    const { service } = await this.kitchens.kitchen(kitchenId);
    const { food } = await this.larder.food(pack.foodId);
    this.mustBeRead(pack, food, service.readingDays);
    await this.withPack(kitchenId, pack.foodId, (known) => nextVersion(known, pack));
    return this.kitchens.kitchen(kitchenId);
  }

  /** What a person reads must say no less than the pack's own words, and be read on a day that can be true. */
  private mustBeRead(
    pack: Pick<Pack, 'statement' | 'allergens' | 'animal' | 'checkedOn'>,
    food: Food,
    readingDays: number,
  ): void {
    if (readStatement(pack.statement).isForeign) throw new ApiError('statement-language');
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
  async confirm(
    kitchenId: string,
    foodId: string,
    by: { checkedBy: string; checkedOn: string },
    read?: number,
  ): Promise<Kitchen> {
    const { service } = await this.kitchens.kitchen(kitchenId);
    const { food } = await this.larder.food(foodId);
    await this.withPack(kitchenId, foodId, (known) => {
      if (!known) throw new ApiError('food-not-found');
      if (read !== undefined && known.statementVersion !== read) throw new ApiError('pack-changed');
      const confirmed = { ...known, ...by, isConfirmed: true };
      this.mustBeRead(confirmed, food, service.readingDays);
      return confirmed;
    });
    return this.kitchens.kitchen(kitchenId);
  }

  /**
   * A person read the sheets of several packs and said yes to all of them. Each is confirmed for itself: what its own
   * words contradict is left as it was and named.
   */
  async confirmAll(
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
        await this.confirm(kitchenId, foodId, by, statementVersion);
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
  async withdraw(kitchenId: string, foodId: string): Promise<Kitchen> {
    await this.kitchens.kitchen(kitchenId);
    await this.withPack(kitchenId, foodId, (known) => {
      if (!known) throw new ApiError('food-not-found');
      return known.isConfirmed ? { ...known, isConfirmed: false } : null;
    });
    return this.kitchens.kitchen(kitchenId);
  }
}
