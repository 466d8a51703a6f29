/** `node scripts/testing/schema.mjs NAME`: makes a fresh schema of the test database and prints its environment. */
import { freshSchema } from './database.mjs';

console.log(JSON.stringify(freshSchema(process.argv[2])));
