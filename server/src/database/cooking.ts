/** Migration 014: batches that are cooked, their entries, which nobody can edit, what went into them, and PINs. */
import { DataTypes, type QueryInterface } from 'sequelize';
import { json, moment, reference, serial, text } from './columns';
import { makeKitchensWhole } from './whole-settings';

const flag = { type: DataTypes.BOOLEAN, allowNull: false, defaultValue: false };

/** The record is only added to: the database itself refuses to change or take out an entry. */
const NO_EDIT = ['UPDATE', 'DELETE'].map(
  (act) =>
    `CREATE TRIGGER batch_entries_no_${act.toLowerCase()} BEFORE ${act} ON batch_entries FOR EACH ROW SIGNAL SQLSTATE '45000' SET MESSAGE_TEXT = 'The record of a batch cannot be edited'`,
);

export async function addCooking(q: QueryInterface): Promise<void> {
  await makeKitchensWhole(q);
  await q.addColumn('people', 'pin_hash', text(300, true));
  await q.createTable('pin_signatures', {
    token_hash: { type: DataTypes.STRING(64), allowNull: false, primaryKey: true },
    person_id: reference('people', false, 'CASCADE'),
    created_at: moment(),
    expires_at: moment(),
  });
  // What batches are opened with, each kept once however many batches are.
  await q.createTable('batch_grounds', {
    hash: { type: DataTypes.STRING(64), allowNull: false, primaryKey: true },
    data: json(),
  });
  await q.sequelize.query('ALTER TABLE batches MODIFY release_id VARCHAR(80) NULL, MODIFY use_by DATE NULL');
  for (const [column, kind] of [
    ['client_id', { type: DataTypes.STRING(80), allowNull: true }],
    ['kitchen_id', text(80, true)],
    ['recipe_id', text(80, true)],
    ['name', text(200, true)],
    ['service_id', text(80, true)],
    ['service_name', text(200, true)],
    ['groups_for', json(true)],
    ['ground_hash', text(64, true)],
    ['opening', json(true)],
    ['brought', json(true)],
    ['phase', text(20, true)],
    ['opened_by', text(120, true)],
  ] as const)
    await q.addColumn('batches', column, kind);
  await q.addIndex('batches', ['client_id'], { unique: true });
  await q.addIndex('batches', ['kitchen_id', 'made_on']);
  await q.addIndex('batches', ['service_id']);
  await q.createTable('batch_entries', {
    number: { type: DataTypes.INTEGER.UNSIGNED, autoIncrement: true, primaryKey: true },
    id: { type: DataTypes.STRING(80), allowNull: false, unique: true },
    log: text(120),
    at: moment(),
    by: text(120),
    device: text(80),
    position: { type: DataTypes.BIGINT, allowNull: false },
    body: json(),
    received_at: moment(),
    ahead_seconds: { type: DataTypes.BIGINT, allowNull: false },
    is_signed: flag,
  });
  await q.addIndex('batch_entries', ['log', 'number']);
  await q.createTable('batch_foods', {
    id: serial,
    code: text(40),
    food_id: text(80),
    food_name: text(200),
    product: text(200),
    supplier: text(200),
    lot: text(60),
    statement_version: { type: DataTypes.INTEGER.UNSIGNED, allowNull: true },
    is_written: flag,
  });
  for (const column of ['code', 'food_id', 'lot', 'product', 'supplier'])
    await q.addIndex('batch_foods', [column]);
  await q.createTable('batch_parts', { id: serial, code: text(40), part_code: text(40) });
  await q.addIndex('batch_parts', ['part_code']);
  await q.addIndex('batch_parts', ['code']);
  await q.addColumn('label_releases', 'batch_code', text(40, true));
  await q.createTable('batch_labels', {
    id: serial,
    code: text(40),
    release_id: text(80),
    title: text(200),
    quantity: { type: DataTypes.INTEGER.UNSIGNED, allowNull: false },
  });
  await q.addIndex('batch_labels', ['code']);
  for (const statement of NO_EDIT) await q.sequelize.query(statement);
}

export async function removeCooking(q: QueryInterface): Promise<void> {
  await q.removeColumn('label_releases', 'batch_code');
  for (const table of [
    'batch_labels',
    'batch_parts',
    'batch_foods',
    'batch_entries',
    'batch_grounds',
    'pin_signatures',
  ])
    await q.dropTable(table);
  for (const column of [
    'client_id',
    'kitchen_id',
    'recipe_id',
    'name',
    'service_id',
    'service_name',
    'groups_for',
    'ground_hash',
    'opening',
    'brought',
    'phase',
    'opened_by',
  ])
    await q.removeColumn('batches', column);
  await q.removeColumn('people', 'pin_hash');
}
