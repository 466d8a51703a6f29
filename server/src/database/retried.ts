/** A transaction that is tried again where another was in its way: nothing of it was kept. */
import { DatabaseError, type Sequelize, type Transaction, UniqueConstraintError } from 'sequelize';

/** MariaDB's "deadlock found" and "lock wait timeout". */
const TRY_AGAIN: ReadonlySet<number> = new Set([1213, 1205]);
const MOST_TRIES = 5;

/** Broken by a deadlock, or what it wrote was written by another meanwhile: it sees that when it reads again. */
const isInTheWay = (error: unknown): boolean =>
  error instanceof UniqueConstraintError ||
  (error instanceof DatabaseError && TRY_AGAIN.has((error.parent as { errno?: number }).errno ?? 0));

export async function retried<T>(
  database: Sequelize,
  work: (transaction: Transaction) => Promise<T>,
): Promise<T> {
  for (let tries = 1; ; tries += 1)
    try {
      return await database.transaction(work);
    } catch (error) {
      if (tries >= MOST_TRIES || !isInTheWay(error)) throw error;
    }
}
