/** A recall, found in the rows that are kept of every batch. */
import { col, fn, Op, where as sqlWhere, type WhereOptions } from 'sequelize';
import {
  type BatchFood,
  comparableLot,
  followed,
  lotKey,
  LOTS_TOGETHER,
  reached,
  type Recall,
  type RecalledBatch,
  type RecallEvidence,
  type StockItem,
} from '@hand-ladle/core';
import type { Tables } from '../database/models';

export interface RecallAsked {
  pack: string;
  lot: string;
  supplier: string;
  batch: string;
  version: number | null;
}

/** A row as the database gives it: a recall reads hundreds of thousands. */
type Plain = Record<string, string | number | null>;

const foodOf = (row: Plain): BatchFood => ({
  code: row['code'] as string,
  foodId: row['foodId'] as string,
  foodName: row['foodName'] as string,
  product: row['product'] as string,
  supplier: row['supplier'] as string,
  lot: row['lot'] as string,
  statementVersion: row['statementVersion'] as number | null,
  isWritten: Boolean(row['isWritten']),
});

/** Codes are asked for so many at once. */
const CHUNK = 2000;
/** Most rows of foods that are told; all batches are, however many. */
export const MOST_FOODS = 20_000;

async function byCodes(
  table: Tables['batches'],
  column: string,
  codes: readonly string[],
  { and = [], most = Infinity }: { and?: readonly WhereOptions[]; most?: number } = {},
): Promise<Plain[]> {
  const rows: Plain[] = [];
  for (let from = 0; from < codes.length && rows.length <= most; from += CHUNK) {
    const own = { [column]: { [Op.in]: codes.slice(from, from + CHUNK) } };
    const where = { [Op.and]: [own, ...and] } as WhereOptions;
    rows.push(...((await table.findAll({ where, raw: true })) as unknown as Plain[]));
  }
  return rows;
}

/** Batches into which batches went, at any depth: `usedIn` of each. */
async function usesOf(codes: readonly string[], tables: Tables): Promise<Map<string, string[]>> {
  const uses = new Map<string, string[]>();
  let open = [...codes];
  const seen = new Set(open);
  while (open.length > 0) {
    const rows = await byCodes(tables.batchParts, 'partCode', open);
    open = [];
    for (const row of rows) {
      const [part, whole] = [row['partCode'] as string, row['code'] as string];
      uses.set(part, [...(uses.get(part) ?? []), whole]);
      if (seen.has(whole)) continue;
      seen.add(whole);
      open.push(whole);
    }
  }
  return uses;
}

/** A lot in every way it was written down. */
async function waysOf(lot: string, tables: Tables): Promise<string[]> {
  if (lot === '') return [];
  const rows = (await tables.batchFoods.findAll({
    attributes: [[fn('DISTINCT', col('lot')), 'lot']],
    where: { lot: { [Op.ne]: '' } },
    raw: true,
  })) as unknown as Plain[];
  const said = comparableLot(lot);
  return rows.map((row) => row['lot'] as string).filter((each) => comparableLot(each) === said);
}

/** Batches a pack is in. Where a lot is asked for and a batch has none written down, it may be in it, and that is said. */
async function hitBy(
  asked: RecallAsked,
  ways: readonly string[],
  tables: Tables,
): Promise<Map<string, RecallEvidence>> {
  const hit = new Map<string, RecallEvidence>();
  if (asked.batch !== '') {
    hit.set(asked.batch.toUpperCase(), 'its lot was written down');
    return hit;
  }
  const ofPack: WhereOptions[] = [];
  if (asked.pack !== '')
    ofPack.push({ [Op.or]: [{ foodId: asked.pack }, { product: asked.pack }, { foodName: asked.pack }] });
  if (asked.supplier !== '') ofPack.push({ supplier: asked.supplier });
  if (asked.version !== null) ofPack.push({ statementVersion: asked.version });
  // A lot that was written down without its supplier or statement may be the one that is asked for.
  const orUnsaid: WhereOptions[] = [
    ...(asked.pack !== '' ? [ofPack[0]!] : []),
    ...(asked.supplier !== '' ? [{ supplier: { [Op.in]: [asked.supplier, ''] } }] : []),
    ...(asked.version !== null
      ? [{ [Op.or]: [{ statementVersion: asked.version }, { statementVersion: null }] }]
      : []),
  ];
  const lots =
    ways.length === 0
      ? []
      : ((await tables.batchFoods.findAll({
          where: { [Op.and]: [...orUnsaid, { lot: { [Op.in]: [...ways] } }] },
          attributes: ['code', 'foodId'],
          raw: true,
        })) as unknown as Plain[]);
  for (const row of lots) hit.set(row['code'] as string, 'its lot was written down');
  // A lot that nobody ever wrote down is of no food we know: only its pack or supplier says where it may be.
  const foods = [...new Set(lots.map((row) => row['foodId'] as string))];
  const where: WhereOptions[] =
    ofPack.length > 0 ? ofPack : foods.length > 0 ? [{ foodId: { [Op.in]: foods } }] : [];
  if (where.length === 0) return hit;
  if (asked.lot === '') {
    const rows = (await tables.batchFoods.findAll({
      where: { [Op.and]: where },
      attributes: ['code', [fn('MAX', col('lot')), 'lot']],
      group: ['code'],
      raw: true,
    })) as unknown as Plain[];
    for (const row of rows)
      hit.set(
        row['code'] as string,
        row['lot'] === '' ? 'no lot was written down' : 'its lot was written down',
      );
    return hit;
  }
  // Where another lot of this food was written down, nobody wrote that this one was opened too.
  const unsaid = (await tables.batchFoods.findAll({
    where: { [Op.and]: where },
    attributes: ['code'],
    group: ['code', 'food_id'],
    having: sqlWhere(fn('MAX', col('lot')), ''),
    raw: true,
  })) as unknown as Plain[];
  for (const row of unsaid) {
    const code = row['code'] as string;
    if (!hit.has(code)) hit.set(code, 'no lot was written down');
  }
  return hit;
}

const shelfOf = async (tables: Tables): Promise<StockItem[]> =>
  (await tables.stock.findAll()).map((row) => row.get('data') as StockItem);

const isLot = (one: string, other: string): boolean =>
  one !== '' && comparableLot(one) === comparableLot(other);

/**
 * A batch of which nobody wrote the lot down may hold it only where and when that lot can have been in the house: in kitchens that have
 * it on record, from the day on which it came there. Where no kitchen has it on record, it may have been anywhere.
 */
async function inTheHouse(
  hit: ReadonlyMap<string, RecallEvidence>,
  { lot }: RecallAsked,
  shelf: readonly StockItem[],
  tables: Tables,
): Promise<{ hit: Map<string, RecallEvidence>; elsewhere: number }> {
  if (lot === '') return { hit: new Map(hit), elsewhere: 0 };
  const rows = new Map(
    (await byCodes(tables.batches, 'code', [...hit.keys()])).map((row) => [row['code'], row]),
  );
  /** Kitchens that have it, each with the day it came; empty where only its use is on record. */
  const houses = new Map<string, string>();
  for (const item of shelf)
    if (isLot(item.lot, lot)) {
      const known = houses.get(item.kitchenId);
      houses.set(item.kitchenId, known !== undefined && known < item.since ? known : item.since);
    }
  for (const [code, evidence] of hit) {
    const row = rows.get(code);
    if (!row || evidence !== 'its lot was written down') continue;
    const kitchen = row['kitchenId'] as string;
    // Used before it is said to have come: then the day it came says nothing.
    if (!houses.has(kitchen) || houses.get(kitchen)! > (row['madeOn'] as string)) houses.set(kitchen, '');
  }
  if (houses.size === 0) return { hit: new Map(hit), elsewhere: 0 };
  const kept = new Map(
    [...hit].filter(([code, evidence]) => {
      const row = rows.get(code);
      if (!row || evidence !== 'no lot was written down') return true;
      const since = houses.get(row['kitchenId'] as string);
      return since !== undefined && (row['madeOn'] as string) >= since;
    }),
  );
  return { hit: kept, elsewhere: hit.size - kept.size };
}

/** What of it stands in store: the lot itself, and what is left of batches that are hit. */
function inStore(
  { lot, pack }: RecallAsked,
  shelf: readonly StockItem[],
  codes: ReadonlySet<string>,
): Recall['store'] {
  return shelf
    .filter((item) => {
      if (item.grams <= 0) return false;
      if (item.cooked) return item.lot.split(LOTS_TOGETHER).some((code) => codes.has(lotKey(code)));
      if (lot !== '') return isLot(item.lot, lot) || (item.lot === '' && pack !== '' && item.foodId === pack);
      return pack !== '' && (item.foodId === pack || item.name === pack);
    })
    .map(({ id, kitchenId, name, lot: of, grams, place, useBy }) => ({
      id,
      kitchenId,
      name,
      lot: of,
      grams,
      place,
      useBy,
    }));
}

function recalled(row: Plain, evidence: RecallEvidence): RecalledBatch {
  const groups = row['groupsFor'] as string | null;
  return {
    code: row['code'] as string,
    name: (row['name'] as string | null) ?? '',
    kitchenId: (row['kitchenId'] as string | null) ?? '',
    madeOn: row['madeOn'] as string,
    useBy: row['useBy'] as string | null,
    evidence,
    serviceId: row['serviceId'] as string | null,
    serviceName: (row['serviceName'] as string | null) ?? '',
    groups: groups === null ? [] : (JSON.parse(groups) as string[]),
    finishedGrams: row['grams'] === null ? null : Number(row['grams']),
  };
}

/** What a batch was made of, at any depth. */
async function madeOf(code: string, tables: Tables): Promise<string[]> {
  const codes = new Set([code]);
  let open = [code];
  while (open.length > 0) {
    const rows = await byCodes(tables.batchParts, 'code', open);
    open = rows.map((row) => row['partCode'] as string).filter((each) => !codes.has(each));
    for (const each of open) codes.add(each);
  }
  return [...codes];
}

/** Which rows of foods answer what was asked: of a batch all that is in it, of a pack its own. */
function foodsAsked({ pack, supplier, batch }: RecallAsked, ways: readonly string[]): WhereOptions[] {
  if (batch !== '') return [];
  const any: WhereOptions[] = [
    ...(pack !== '' ? [{ foodId: pack }, { product: pack }, { foodName: pack }] : []),
    ...(ways.length > 0 ? [{ lot: { [Op.in]: [...ways] } }] : []),
    ...(supplier !== '' ? [{ supplier }] : []),
  ];
  return any.length > 0 ? [{ [Op.or]: any }] : [];
}

async function labelsOf(batches: readonly RecalledBatch[], tables: Tables): Promise<Recall['labels']> {
  const codes = batches.map(({ code }) => code);
  const names = new Map(batches.map(({ code, name }) => [code, name]));
  const printed = (await byCodes(tables.batchLabels, 'code', codes)).map((row) => ({
    batchCode: row['code'] as string,
    releaseId: row['releaseId'] as string,
    title: row['title'] as string,
    printed: row['quantity'] as number,
  }));
  const isPrinted = new Set(printed.map(({ releaseId }) => releaseId));
  const own = (await tables.releases.findAll({
    where: { batchCode: { [Op.ne]: null } },
    attributes: ['id', 'batchCode'],
    raw: true,
  })) as unknown as Plain[];
  return [
    ...printed,
    ...own.flatMap((row) => {
      const [id, code] = [row['id'] as string, row['batchCode'] as string];
      if (isPrinted.has(id) || !names.has(code)) return [];
      return [{ batchCode: code, releaseId: id, title: names.get(code)!, printed: 0 }];
    }),
  ];
}

export async function recallOf(asked: RecallAsked, tables: Tables): Promise<Recall> {
  const ways = await waysOf(asked.lot, tables);
  const shelf = await shelfOf(tables);
  const { hit: direct, elsewhere } = await inTheHouse(await hitBy(asked, ways, tables), asked, shelf, tables);
  const all = followed(direct, await usesOf([...direct.keys()], tables));
  const batches = (await byCodes(tables.batches, 'code', [...all.keys()]))
    .map((row) => recalled(row, all.get(row['code'] as string)!))
    .sort((one, other) =>
      one.madeOn === other.madeOn ? (one.code < other.code ? -1 : 1) : one.madeOn < other.madeOn ? 1 : -1,
    );
  const codes = batches.map(({ code }) => code);
  // Back: of a batch everything that is in it, and in what it was made of.
  const of = asked.batch === '' ? codes : await madeOf(asked.batch.toUpperCase(), tables);
  const foods = await byCodes(tables.batchFoods, 'code', of, {
    and: foodsAsked(asked, ways),
    most: MOST_FOODS,
  });
  const unsure = batches.filter(({ evidence }) => evidence === 'no lot was written down').length;
  return {
    asked: { pack: asked.pack, lot: asked.lot, batch: asked.batch },
    packs: once(foods.slice(0, MOST_FOODS).map(foodOf)),
    batches,
    store: inStore(asked, shelf, new Set(codes)),
    labels: await labelsOf(batches, tables),
    ...reached(batches),
    notes: [
      ...(batches.length === 0
        ? ['No batch on record holds it. What was cooked without a record is not known here.']
        : []),
      ...(asked.lot !== '' && unsure > 0
        ? [
            `Of ${unsure} ${unsure === 1 ? 'batch' : 'batches'} nobody wrote the lot down: they may hold it and count as hit.`,
          ]
        : []),
      ...(elsewhere > 0
        ? [
            `In ${elsewhere} ${elsewhere === 1 ? 'batch' : 'batches'} the food went in without a lot where this lot is not on record: in another kitchen, or before it came. Ask there.`,
          ]
        : []),
      ...(foods.length > MOST_FOODS
        ? [
            `Every batch is told; of what is in them the first ${MOST_FOODS} rows. Ask by a food or a lot to see the rest.`,
          ]
        : []),
    ],
  };
}

/** The same row many times is one row: what is written covers what is planned, a lot covers that none was written. */
function once(foods: readonly BatchFood[]): BatchFood[] {
  const rows = new Map<string, BatchFood>();
  const hasLot = new Set(foods.flatMap(({ code, foodId, lot }) => (lot === '' ? [] : [`${code} ${foodId}`])));
  for (const food of foods) {
    if (food.lot === '' && hasLot.has(`${food.code} ${food.foodId}`)) continue;
    const key = `${food.code} ${food.foodId} ${food.product} ${food.lot}`;
    const known = rows.get(key);
    if (!known || (food.isWritten && !known.isWritten)) rows.set(key, food);
  }
  return [...rows.values()];
}
