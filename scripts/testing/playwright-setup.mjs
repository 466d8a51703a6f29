/** Before the journeys: the server as one file, and the database they share, where nobody started one already. */
import { ADDRESS, startTestDatabase } from './database.mjs';
import { bundleServer } from './server-bundle.mjs';

export default async function setup() {
  await bundleServer();
  if (process.env[ADDRESS]) return;
  const { stop } = await startTestDatabase();
  return stop;
}
