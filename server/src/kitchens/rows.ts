/** Kitchens to rows and back. Every multi-row write is given its transaction. */
import type { Transaction } from 'sequelize';
import type {
  Kitchen,
  KitchenName,
  KitchenSettings,
  KitchenWeight,
  Pack,
  PackBefore,
  SwapEntry,
  SwapRating,
  WordAnswer,
} from '@hand-ladle/core';
import type { Tables } from '../database/models';
import { type Row, value } from '../database/row';

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
  const { id, name, packs, weights, names, words, swaps, ratings, ...settings } = kitchen;
  await tables.kitchens.create({ id, position, name, settings, version: 1 }, { transaction });
  for (const pack of packs) {
    // A change that waits for a yes has two versions: the one that was confirmed, and the new one.
    if (pack.before)
      await tables.packs.create(packRow(id, { ...pack, ...pack.before, isConfirmed: true }), { transaction });
    await tables.packs.create(packRow(id, pack), { transaction });
  }
  await tables.wordAnswers.bulkCreate(
    words.map(({ word, holds, by, on }) => ({
      kitchenId: id,
      word,
      holds,
      personId: '',
      byName: by,
      on,
      at: new Date(`${on}T00:00:00Z`),
    })),
    { transaction },
  );
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
  words: readonly Row[];
  swaps: readonly Row[];
  ratings: readonly Row[];
}

const ratingFromRow = (row: Row): SwapRating => ({
  swapId: value(row, 'swapId'),
  taste: value(row, 'taste'),
  texture: value(row, 'texture'),
  ratedBy: value(row, 'ratedBy'),
  ratedOn: value(row, 'ratedOn'),
});

/** The last that was said of each word; one that was taken back is not said. */
function answersFromRows(rows: readonly Row[]): WordAnswer[] {
  const answers = new Map<string, WordAnswer>();
  for (const row of rows) {
    const word = value<string>(row, 'word');
    const holds = value<WordAnswer['holds'] | null>(row, 'holds');
    answers.delete(word);
    if (holds !== null) answers.set(word, { word, holds, by: value(row, 'byName'), on: value(row, 'on') });
  }
  return [...answers.values()];
}

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
    ...value<Omit<KitchenSettings, 'name'>>(row, 'settings'),
    packs: packsFromRows(rows.packs),
    weights: [...weights.values()],
    names: [...names.values()],
    words: answersFromRows(rows.words),
    swaps: rows.swaps.map((each) => value<SwapEntry>(each, 'data')),
    ratings: rows.ratings.map(ratingFromRow),
  };
}
