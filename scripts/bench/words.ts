/**
 * 100,000 times a clear dish gets an allergen or animal word in a random place and frame: it is never clear of it, nor after the
 * cook has confirmed what was read. Fresh seeds every time; what is found is printed with its seed.
 */
import { flagsOf, type Recipe, standardFlagsOf } from '@hand-ladle/core';
import { bare } from '@hand-ladle/testing/asked';
import { confirmedAtRandom, hiddenIn } from '@hand-ladle/testing/hidden-words';
import { book } from '@hand-ladle/testing/world';
import { compose } from '../../core/src/dish/compose';
import { sized } from './size';

const DISHES = Number(process.env['HIDDEN_WORDS'] ?? sized(100_000, 1000));
/** Every so many dishes the cook's taps are tried too: each is as slow as twelve worksheets. */
const CONFIRMED_EVERY = 20;
const first = Number(process.env['HAND_LADLE_SEED']) || Math.floor(Math.random() * 2 ** 31);

function clearOf(recipe: Recipe, brings: readonly string[]): string[] {
  const { traces } = compose(recipe, book, bare);
  const flags = [...flagsOf(traces, bare), ...standardFlagsOf(traces, bare)];
  return brings.filter((id) => flags.some((flag) => flag.id === id && flag.status === 'clear'));
}

let missed = 0;
for (let index = 0; index < DISHES; index += 1) {
  const seed = (first + index) >>> 0;
  const { recipe, word, text } = hiddenIn(seed, book, false);
  const after = index % CONFIRMED_EVERY === 0 ? confirmedAtRandom(recipe, seed, bare, book) : recipe;
  const clear = [...clearOf(recipe, word.brings), ...clearOf(after, word.brings)];
  if (clear.length === 0) continue;
  missed += 1;
  console.log(`seed ${seed}: ${word.word} reads clear of ${clear.join(', ')} in\n${text}\n`);
}
console.log(`words hidden in clear dishes: ${DISHES}, from seed ${first}; read clear: ${missed}`);
if (missed > 0) process.exit(1);
