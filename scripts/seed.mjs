/** The seed of random tests: the same every time unless HAND_LADLE_SEED says another. */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';

const FIXED_SEED = 20261128;
/** Seeds of the bench that once found a fault, one a line. */
export const FOUND_SEEDS = join('testing', 'cases', 'found-seeds.txt');
/** The suites that draw at random, as Jest finds them. */
export const RANDOM_SUITES =
  '(any-recipe|hidden|laws|agree|search|plan|versions|mip|flags|assay|set-label|names|read-line|typed-figure)\\.test';

export function testSeed() {
  const asked = Number(process.env.HAND_LADLE_SEED);
  return Number.isInteger(asked) && asked > 0 ? asked : FIXED_SEED;
}

export const foundSeeds = () =>
  readFileSync(FOUND_SEEDS, 'utf8')
    .split('\n')
    .map(Number)
    .filter((seed) => Number.isInteger(seed) && seed > 0);
