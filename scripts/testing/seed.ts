/** Makes the tables and loads the demo world and its people into the schema of the environment: the template of all tests. */
import { People, seedPeople } from '../../server/src/accounts/people';
import { addressFromEnvironment, connect } from '../../server/src/database/connect';
import { migrate } from '../../server/src/database/migrations';
import { defineTables } from '../../server/src/database/models';
import { seedOnce } from '../../server/src/seed';

async function main(): Promise<void> {
  const database = connect(addressFromEnvironment());
  await migrate(database);
  const tables = defineTables(database);
  await seedOnce(database, tables, new Date(0));
  await seedPeople(new People(tables, () => new Date(0)));
  await database.close();
}

void main();
