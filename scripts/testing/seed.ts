/** Makes the tables and loads the demo world into the schema of the environment: the template of all tests. */
import { addressFromEnvironment, connect } from '../../server/src/database/connect';
import { migrate } from '../../server/src/database/migrations';
import { defineTables } from '../../server/src/database/models';
import { seedOnce } from '../../server/src/seed';

async function main(): Promise<void> {
  const database = connect(addressFromEnvironment());
  await migrate(database);
  await seedOnce(database, defineTables(database), new Date(0));
  await database.close();
}

void main();
