/** Migration 006: people and their sessions, labels on their way out, batches, the spool, and the trail nobody can edit. */
import { DataTypes, type QueryInterface } from 'sequelize';
import { grams, id, json, moment, reference, serial, text } from './columns';

const count = { type: DataTypes.INTEGER.UNSIGNED, allowNull: false };
const person = reference('people', true, 'RESTRICT');

/** The trail is only added to: the database itself refuses to change or take out a row. */
const NO_EDIT = ['UPDATE', 'DELETE'].map(
  (act) =>
    `CREATE TRIGGER audit_entries_no_${act.toLowerCase()} BEFORE ${act} ON audit_entries FOR EACH ROW SIGNAL SQLSTATE '45000' SET MESSAGE_TEXT = 'The audit trail cannot be edited'`,
);

export async function addAccountsAndLabels(q: QueryInterface): Promise<void> {
  await q.createTable('people', {
    id,
    login: { ...text(80), unique: true },
    name: text(120),
    role: text(20),
    password_hash: text(300),
    is_active: { type: DataTypes.BOOLEAN, allowNull: false },
    created_at: moment(),
  });
  await q.createTable('sessions', {
    token_hash: { type: DataTypes.STRING(64), allowNull: false, primaryKey: true },
    person_id: reference('people', false, 'CASCADE'),
    created_at: moment(),
    expires_at: moment(),
  });
  await q.createTable('sign_in_attempts', {
    id: serial,
    login: text(80),
    address: text(80),
    at: moment(),
    is_success: { type: DataTypes.BOOLEAN, allowNull: false },
  });
  await q.addIndex('sign_in_attempts', ['login', 'at']);
  await q.createTable('label_releases', {
    id,
    kitchen_id: reference('kitchens', false, 'RESTRICT'),
    recipe_id: reference('recipes', false, 'RESTRICT'),
    state: text(20),
    inputs: json(),
    label: json(),
    review: json(),
    claims: json(),
    drafted_by: person,
    drafted_at: moment(),
    checked_by: person,
    checked_at: moment(true),
    released_by: person,
    released_at: moment(true),
    withdrawn_by: person,
    withdrawn_at: moment(true),
    version: count,
  });
  await q.createTable('batches', {
    number: { type: DataTypes.INTEGER.UNSIGNED, autoIncrement: true, primaryKey: true },
    code: { ...text(40), unique: true },
    release_id: reference('label_releases', false, 'RESTRICT'),
    made_on: { type: DataTypes.DATEONLY, allowNull: false },
    use_by: { type: DataTypes.DATEONLY, allowNull: false },
    grams: grams(true),
    made_by: person,
    created_at: moment(),
  });
  await q.createTable('print_jobs', {
    id,
    release_id: reference('label_releases', false, 'RESTRICT'),
    content: json(),
    options: json(),
    quantity: count,
    printed: count,
    state: text(20),
    problem: { ...text(300), defaultValue: '' },
    asked_by: person,
    asked_at: moment(),
    ended_at: moment(true),
  });
  await q.addIndex('print_jobs', ['state', 'asked_at']);
  await q.createTable('printer_state', { id, data: json() });
  await q.createTable('printer_outputs', {
    id: serial,
    job_id: reference('print_jobs', false, 'CASCADE'),
    sequence: count,
    length_mm: grams(false),
    at: moment(),
  });
  await q.addIndex('printer_outputs', ['job_id', 'sequence'], { unique: true });
  await q.createTable('audit_entries', {
    id: serial,
    at: moment(),
    person_id: { type: DataTypes.STRING(80), allowNull: true },
    person_name: text(120),
    role: text(20),
    act: text(40),
    subject: text(200),
    details: json(),
    previous_hash: text(64),
    hash: text(64),
  });
  for (const statement of NO_EDIT) await q.sequelize.query(statement);
}

export async function removeAccountsAndLabels(q: QueryInterface): Promise<void> {
  for (const table of [
    'audit_entries',
    'printer_outputs',
    'printer_state',
    'print_jobs',
    'batches',
    'label_releases',
    'sign_in_attempts',
    'sessions',
    'people',
  ])
    await q.dropTable(table);
}
