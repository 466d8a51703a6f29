/** A transaction that is tried again where the database broke a deadlock by ending it: nothing of it was kept. */
import { DatabaseError, type Sequelize, type Transaction } from 'sequelize';

/** MariaDB's "deadlock found" and "lock wait timeout". */
const TRY_AGAIN: ReadonlySet<number> = new Set([1213, 1205]);
const MOST_TRIES = 5;

const isDeadlock = (error: unknown): boolean =>
  error instanceof DatabaseError && TRY_AGAIN.has((error.parent as { errno?: number }).errno ?? 0);

export async function retried<T>(
  database: Sequelize,
  work: (transaction: Transaction) => Promise<T>,
): Promise<T> {
  for (let tries = 1; ; tries += 1)
    try {
      return await database.transaction(work);
    } catch (error) {
      if (tries >= MOST_TRIES || !isDeadlock(error)) throw error;
    }
}
