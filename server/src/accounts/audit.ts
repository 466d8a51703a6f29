/**
 * The audit trail: who did what, when. It is only added to: the database refuses to change a row, and each row carries the
 * hash of the one before, so that what was changed behind the database's back shows.
 */
import { createHash } from 'node:crypto';
import { Op, type Sequelize, type Transaction } from 'sequelize';
import type { Person } from '@hand-ladle/core';
import type { Tables } from '../database/models';
import type { Row } from '../database/row';

export const AUDIT_ACTS = [
  'drafted',
  'checked',
  'released',
  'withdrawn',
  'printed',
  'downloaded',
  'print-cancelled',
  'signed-in',
  'account-made',
  'account-changed',
  'word-answered',
  'word-taken-back',
] as const;
export type AuditAct = (typeof AUDIT_ACTS)[number];

export interface AuditEntry {
  id: number;
  at: string;
  personId: string | null;
  personName: string;
  role: string;
  act: AuditAct;
  subject: string;
  details: unknown;
  previousHash: string;
  hash: string;
}

/** The first row stands on this. */
const FIRST = '0'.repeat(64);

const hashOf = (entry: Omit<AuditEntry, 'id' | 'hash'>): string =>
  createHash('sha256')
    .update(
      JSON.stringify([
        entry.previousHash,
        entry.at,
        entry.personId,
        entry.personName,
        entry.role,
        entry.act,
        entry.subject,
        entry.details,
      ]),
    )
    .digest('hex');

const entryOf = (row: Row): AuditEntry => ({
  id: row.get('id') as number,
  at: (row.get('at') as Date).toISOString(),
  personId: row.get('personId') as string | null,
  personName: row.get('personName') as string,
  role: row.get('role') as string,
  act: row.get('act') as AuditAct,
  subject: row.get('subject') as string,
  details: row.get('details'),
  previousHash: row.get('previousHash') as string,
  hash: row.get('hash') as string,
});

export class AuditTrail {
  constructor(
    private readonly database: Sequelize,
    private readonly tables: Tables,
    private readonly now: () => Date,
  ) {}

  /** Adds a row inside the transaction of what it tells of: neither stands without the other. */
  async add(
    act: AuditAct,
    by: Person | null,
    subject: string,
    details: unknown,
    transaction: Transaction,
  ): Promise<void> {
    // The last row is locked, so that two acts at once do not stand on the same one.
    const last = await this.tables.audit.findOne({
      order: [['id', 'DESC']],
      transaction,
      lock: transaction.LOCK.UPDATE,
    });
    const entry: Omit<AuditEntry, 'id' | 'hash'> = {
      at: this.now().toISOString(),
      personId: by?.id ?? null,
      personName: by?.name ?? '',
      role: by?.role ?? '',
      act,
      subject: subject.slice(0, 200),
      details: JSON.parse(JSON.stringify(details ?? {})),
      previousHash: last ? (last.get('hash') as string) : FIRST,
    };
    await this.tables.audit.create(
      { ...entry, at: new Date(entry.at), hash: hashOf(entry) },
      { transaction },
    );
  }

  /** Adds a row for an act that changed nothing else. */
  note(act: AuditAct, by: Person | null, subject: string, details: unknown = null): Promise<void> {
    return this.database.transaction((transaction) => this.add(act, by, subject, details, transaction));
  }

  /** The last rows, newest first. */
  async latest(most: number, before: number | null): Promise<AuditEntry[]> {
    const rows = await this.tables.audit.findAll({
      ...(before === null ? {} : { where: { id: { [Op.lt]: before } } }),
      order: [['id', 'DESC']],
      limit: most,
    });
    return rows.map(entryOf);
  }

  /** Whether every row stands on the one before it; else the first that does not. */
  async verify(): Promise<{ isWhole: boolean; rows: number; brokenAt: number | null }> {
    const rows = (await this.tables.audit.findAll({ order: [['id', 'ASC']] })).map(entryOf);
    let previous = FIRST;
    for (const row of rows) {
      if (row.previousHash !== previous || hashOf(row) !== row.hash)
        return { isWhole: false, rows: rows.length, brokenAt: row.id };
      previous = row.hash;
    }
    return { isWhole: true, rows: rows.length, brokenAt: null };
  }
}
