/**
 * The random tests, and the frames of a drag, on a fresh seed and with twenty times the cases. A seed that finds a fault is kept in
 * testing/cases/found-seeds.txt, and `npm test` draws from it too from then on.
 */
import { spawnSync } from 'node:child_process';
import { randomInt } from 'node:crypto';
import { appendFileSync } from 'node:fs';
import { join } from 'node:path';
import { FOUND_SEEDS, RANDOM_SUITES } from '../seed.mjs';

const seed = Number(process.env.HAND_LADLE_SEED) || randomInt(1, 2 ** 31 - 1);
const isShort = process.env.HAND_LADLE_SHORT === '1';
console.log(`Random tests on the seed ${seed}, ${isShort ? 'few' : 'twenty times the'} cases`);
const env = { ...process.env, HAND_LADLE_SEED: String(seed), HAND_LADLE_MORE: isShort ? '0.5' : '20' };
const jest = spawnSync(join('node_modules', '.bin', 'jest'), ['--testPathPatterns', RANDOM_SUITES], {
  stdio: 'inherit',
  env,
});
// The journeys of the short form have just been run by `npm test`.
const journey = isShort
  ? { status: 0 }
  : spawnSync(
      join('node_modules', '.bin', 'playwright'),
      ['test', '-c', 'e2e/playwright.config.ts', 'label/agree', 'dish/scaling'],
      { stdio: 'inherit', env },
    );
if (jest.status !== 0) {
  appendFileSync(FOUND_SEEDS, `${seed}\n`);
  console.error(`Seed ${seed} found a fault; it is kept in ${FOUND_SEEDS}.`);
}
process.exit(jest.status || journey.status ? 1 : 0);
