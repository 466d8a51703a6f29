/** What is known to be in a batch, row by row: what a recall looks through. */
import { Op, type Transaction } from 'sequelize';
import {
  comparableName,
  type EntryBody,
  type FrozenInputs,
  type Kitchen,
  lotKey,
  LOTS_TOGETHER,
  packOf,
  planFoods,
} from '@hand-ladle/core';
import type { Tables } from '../database/models';
import type { Row } from '../database/row';

/** The rows of a batch as it is planned. */
export const plannedRows = (code: string, inputs: FrozenInputs) =>
  planFoods(inputs).map((food) => ({ code, lot: '', isWritten: false, ...food }));

/** The row of an entry; null where it puts nothing in. */
export function writtenRow(
  code: string,
  body: EntryBody,
  foodOf: (lineId: string) => string | null,
  kitchen: Kitchen,
  nameOf: (id: string) => string,
) {
  const foodId = body.kind === 'weighed' ? foodOf(body.lineId) : 'foodId' in body ? body.foodId : null;
  if (foodId === null) return null;
  const isPack = body.kind === 'pack';
  const recorded = packOf(kitchen, foodId);
  // Of a pack that is not the recorded one only what was written down is known.
  const isOther = isPack && comparableName(body.product) !== comparableName(recorded?.productName ?? '');
  const pack = isOther ? null : recorded;
  return {
    code,
    foodId,
    foodName: nameOf(foodId),
    product: isPack ? body.product : (pack?.productName ?? ''),
    supplier: isPack && body.supplier !== '' ? body.supplier : (pack?.supplier ?? ''),
    lot: isPack ? body.lot : '',
    statementVersion: pack?.statementVersion ?? null,
    isWritten: true,
  };
}

/** Batches that labels were printed for before rows were kept get theirs. */
export async function fillFoods(tables: Tables): Promise<number> {
  const known = await tables.batchFoods.findAll({ attributes: ['code'], group: ['code'] });
  const codes = known.map((row) => row.get('code') as string);
  const rows = await tables.batches.findAll({
    where: { releaseId: { [Op.ne]: null }, code: { [Op.notIn]: codes } },
  });
  let filled = 0;
  for (const row of rows) {
    const release = await tables.releases.findByPk(row.get('releaseId') as string);
    if (!release) continue;
    await addPlanned(tables, row.get('code') as string, release.get('inputs') as FrozenInputs);
    filled += 1;
  }
  return filled;
}

export async function addPlanned(
  tables: Tables,
  code: string,
  inputs: FrozenInputs,
  transaction?: Transaction,
): Promise<void> {
  await tables.batchFoods.bulkCreate(plannedRows(code, inputs), transaction ? { transaction } : {});
}

/** Notes that a batch, or several in one tub, went into another, where there are such batches: answers their rows. */
export async function addPart(
  tables: Tables,
  code: string,
  lot: string,
  transaction: Transaction,
): Promise<Row[]> {
  const parts = await tables.batches.findAll({
    where: { code: lot.split(LOTS_TOGETHER).map(lotKey) },
    transaction,
  });
  for (const part of parts)
    await tables.batchParts.create({ code, partCode: part.get('code') }, { transaction });
  return parts;
}
