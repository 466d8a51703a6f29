/** Which state of all that is written down: a screen that stays open asks for it, and reads again only where it is another one. */
import { randomUUID } from 'node:crypto';
import type { Sequelize } from 'sequelize';

/** What only reads, or begins and ends what reads. A `COMMIT` counts: what was written is seen from there on. */
const READS = /^\s*(?:SELECT|SHOW|EXPLAIN|SET|START|BEGIN|SAVEPOINT|ROLLBACK)\b/i;

/**
 * Counts every statement that this server writes, whoever asked for it and whenever: a person, an import that runs, a job of labels.
 * Another start is another edition, and so is another hour, for what is due goes by the clock. `forgotten` counts how often what is
 * held in memory was let go, which comes a moment after the statement that made it old.
 */
export function editionOf(database: Sequelize, now: () => Date, forgotten: () => number): () => string {
  const start = randomUUID();
  let written = 0;
  database.addHook('afterQuery', (_, query) => {
    if (!READS.test((query as unknown as { sql: string }).sql)) written += 1;
  });
  return () => `${start}-${now().toISOString().slice(0, 13)}-${written}-${forgotten()}`;
}
