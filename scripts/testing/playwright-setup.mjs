/** Before the journeys: the database they share, where the runner of all tests did not start one already. */
import { ADDRESS, startTestDatabase } from './database.mjs';

export default async function setup() {
  if (process.env[ADDRESS]) return;
  const { stop } = await startTestDatabase();
  return stop;
}
