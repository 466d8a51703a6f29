/** Before the journeys: the app as it is built, and the database they share, where nobody started one already. */
import { ensureBuilt } from '../build.mjs';
import { ADDRESS, startTestDatabase } from './database.mjs';

export default async function setup() {
  ensureBuilt();
  if (process.env[ADDRESS]) return;
  const { stop } = await startTestDatabase();
  return stop;
}
