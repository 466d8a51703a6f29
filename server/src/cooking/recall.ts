/** A recall, found in the rows that are kept of every batch. */
import { Op, type WhereOptions } from 'sequelize';
import {
  followed,
  reached,
  type BatchFood,
  type Recall,
  type RecalledBatch,
  type RecallEvidence,
} from '@hand-ladle/core';
import type { Tables } from '../database/models';
import type { Row } from '../database/row';

export interface RecallAsked {
  pack: string;
  lot: string;
  supplier: string;
  batch: string;
  version: number | null;
}

const foodOf = (row: Row): BatchFood => ({
  code: row.get('code') as string,
  foodId: row.get('foodId') as string,
  foodName: row.get('foodName') as string,
  product: row.get('product') as string,
  supplier: row.get('supplier') as string,
  lot: row.get('lot') as string,
  statementVersion: row.get('statementVersion') as number | null,
  isWritten: Boolean(row.get('isWritten')),
});

/** Rows are asked for so many codes at once. */
const CHUNK = 2000;

async function byCodes(table: Tables['batches'], column: string, codes: readonly string[]): Promise<Row[]> {
  const rows: Row[] = [];
  for (let from = 0; from < codes.length; from += CHUNK)
    rows.push(
      ...(await table.findAll({ where: { [column]: { [Op.in]: codes.slice(from, from + CHUNK) } } })),
    );
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
      const [part, whole] = [row.get('partCode') as string, row.get('code') as string];
      uses.set(part, [...(uses.get(part) ?? []), whole]);
      if (seen.has(whole)) continue;
      seen.add(whole);
      open.push(whole);
    }
  }
  return uses;
}

/** Batches a pack is in. Where a lot is asked for and a batch has none written down, it may be in it, and that is said. */
async function hitBy(asked: RecallAsked, tables: Tables): Promise<Map<string, RecallEvidence>> {
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
  const lots =
    asked.lot === ''
      ? []
      : await tables.batchFoods.findAll({ where: { [Op.and]: [...ofPack, { lot: asked.lot }] } });
  for (const row of lots) hit.set(row.get('code') as string, 'its lot was written down');
  // A lot that nobody ever wrote down is of no food we know: only its pack or supplier says where it may be.
  const foods = [...new Set(lots.map((row) => row.get('foodId') as string))];
  const where: WhereOptions[] =
    ofPack.length > 0 ? ofPack : foods.length > 0 ? [{ foodId: { [Op.in]: foods } }] : [];
  if (where.length === 0) return hit;
  const rows = await tables.batchFoods.findAll({ where: { [Op.and]: where } });
  const lotsOf = new Map<string, Set<string>>();
  for (const row of rows) {
    const code = row.get('code') as string;
    const known = lotsOf.get(code) ?? new Set();
    if (row.get('lot') !== '') known.add(row.get('lot') as string);
    lotsOf.set(code, known);
  }
  for (const [code, written] of lotsOf) {
    if (hit.has(code)) continue;
    if (asked.lot === '')
      hit.set(code, written.size > 0 ? 'its lot was written down' : 'no lot was written down');
    // Another lot was opened for it: it may hold some of both, but nobody wrote that this one was.
    else if (written.size === 0) hit.set(code, 'no lot was written down');
  }
  return hit;
}

function recalled(row: Row, evidence: RecallEvidence): RecalledBatch {
  return {
    code: row.get('code') as string,
    name: (row.get('name') as string | null) ?? '',
    kitchenId: (row.get('kitchenId') as string | null) ?? '',
    madeOn: row.get('madeOn') as string,
    useBy: row.get('useBy') as string | null,
    evidence,
    serviceId: row.get('serviceId') as string | null,
    serviceName: (row.get('serviceName') as string | null) ?? '',
    groups: (row.get('groupsFor') as string[] | null) ?? [],
    finishedGrams: row.get('grams') as number | null,
  };
}

/** What a batch was made of, at any depth. */
async function madeOf(code: string, tables: Tables): Promise<string[]> {
  const codes = new Set([code]);
  let open = [code];
  while (open.length > 0) {
    const rows = await byCodes(tables.batchParts, 'code', open);
    open = rows.map((row) => row.get('partCode') as string).filter((each) => !codes.has(each));
    for (const each of open) codes.add(each);
  }
  return [...codes];
}

export async function recallOf(asked: RecallAsked, tables: Tables): Promise<Recall> {
  const direct = await hitBy(asked, tables);
  const all = followed(direct, await usesOf([...direct.keys()], tables));
  const rows = await byCodes(tables.batches, 'code', [...all.keys()]);
  const batches = rows
    .map((row) => recalled(row, all.get(row.get('code') as string)!))
    .sort((one, other) =>
      one.madeOn === other.madeOn ? (one.code < other.code ? -1 : 1) : one.madeOn < other.madeOn ? 1 : -1,
    );
  const codes = batches.map(({ code }) => code);
  // Back: of a batch everything that is in it; of a pack only its own rows.
  const foods = await byCodes(
    tables.batchFoods,
    'code',
    asked.batch === '' ? codes : await madeOf(asked.batch.toUpperCase(), tables),
  );
  const isAsked = (food: BatchFood): boolean =>
    asked.batch !== '' ||
    (asked.pack !== '' && [food.foodId, food.product, food.foodName].includes(asked.pack)) ||
    (asked.lot !== '' && food.lot === asked.lot) ||
    (asked.supplier !== '' && food.supplier === asked.supplier);
  const printed = await byCodes(tables.batchLabels, 'code', codes);
  const releases = await tables.releases.findAll({
    where: { batchCode: { [Op.in]: codes.slice(0, CHUNK) } },
    attributes: ['id', 'batchCode', 'recipeId'],
  });
  const names = new Map(batches.map(({ code, name }) => [code, name]));
  const labels = [
    ...printed.map((row) => ({
      batchCode: row.get('code') as string,
      releaseId: row.get('releaseId') as string,
      title: row.get('title') as string,
      printed: row.get('quantity') as number,
    })),
    ...releases
      .filter((row) => !printed.some((each) => each.get('releaseId') === row.get('id')))
      .map((row) => ({
        batchCode: row.get('batchCode') as string,
        releaseId: row.get('id') as string,
        title: names.get(row.get('batchCode') as string) ?? '',
        printed: 0,
      })),
  ];
  const unsure = batches.filter(({ evidence }) => evidence === 'no lot was written down').length;
  return {
    asked: { pack: asked.pack, lot: asked.lot, batch: asked.batch },
    packs: once(foods.map(foodOf).filter(isAsked)),
    batches,
    labels,
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
    ],
  };
}

/** The same row many times is one row: what is written covers what is planned. */
function once(foods: readonly BatchFood[]): BatchFood[] {
  const rows = new Map<string, BatchFood>();
  for (const food of foods) {
    const key = `${food.code} ${food.foodId} ${food.product} ${food.lot}`;
    const known = rows.get(key);
    if (!known || (food.isWritten && !known.isWritten)) rows.set(key, food);
  }
  return [...rows.values()];
}
