/**
 * 100,000 random dishes with every act that moves matter, at home and in a batch: each closes for weight, water, dry matter, fat and
 * salt, holds no more than 100 g in 100 g, and passes the audit of matter. Fresh seeds every time; what is found is printed.
 */
import { bare } from '@hand-ladle/testing/asked';
import { matterFaults } from '@hand-ladle/testing/random-dish';
import { book } from '@hand-ladle/testing/world';
import { sized } from './size';

const DISHES = Number(process.env['RANDOM_DISHES'] ?? sized(100_000, 300));
const first = Number(process.env['HAND_LADLE_SEED']) || Math.floor(Math.random() * 2 ** 31);
let broken = 0;
for (let index = 0; index < DISHES; index += 1) {
  const seed = (first + index) >>> 0;
  const faults = matterFaults(seed, book, bare);
  if (faults.length === 0) continue;
  broken += 1;
  console.log(`seed ${seed}: ${faults.join('; ')}`);
}
console.log(
  `random dishes held against the laws of matter: ${DISHES}, from seed ${first}; broken: ${broken}`,
);
if (broken > 0) process.exit(1);
