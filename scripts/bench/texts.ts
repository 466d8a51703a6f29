/**
 * 200,000 texts with a word hidden in them, in eight languages, under every kind of denial that denies nothing: none may read clear
 * of it. 20,000 harmless ones: at most one in a hundred may be asked about. Fresh seeds every time; what is found is printed.
 */
import { flagsOf, readStatement, type Recipe, standardFlagsOf, SUBSTANCES } from '@hand-ladle/core';
import { bare } from '@hand-ladle/testing/asked';
import { harmlessText, hiddenText, statementText } from '@hand-ladle/testing/words/mutated';
import { book } from '@hand-ladle/testing/world';
import { compose } from '../../core/src/dish/compose';
import { sized } from './size';

const HIDDEN = Number(process.env['HIDDEN_TEXTS']) || sized(200_000, 2000);
const HARMLESS = Math.ceil(HIDDEN / 10);
const MOST_ALARMED = 0.01;
const MOST_SHOWN = 40;
const first = Number(process.env['HAND_LADLE_SEED']) || Math.floor(Math.random() * 2 ** 31);

const GROUPS: Readonly<Record<string, readonly string[]>> = {
  'tree-nut': ['almond', 'hazelnut', 'walnut', 'cashew', 'pecan', 'brazil-nut', 'pistachio', 'macadamia'],
  gluten: ['wheat', 'rye', 'barley', 'oats'],
};

function statuses(recipe: Recipe): Map<string, string> {
  const { traces } = compose(recipe, book, bare);
  return new Map(
    [...flagsOf(traces, bare), ...standardFlagsOf(traces, bare)].map(({ id, status }) => [id, status]),
  );
}

let shown = 0;
const show = (words: string): void => {
  shown += 1;
  if (shown <= MOST_SHOWN) console.log(words);
};

let clear = 0;
for (let index = 0; index < HIDDEN; index += 1) {
  const seed = (first + index) >>> 0;
  if (index % 4 === 3) {
    const { text, ids } = statementText(seed);
    const { mentions, unknown, isForeign } = readStatement(text);
    const said = new Set(mentions.map(({ substance }) => substance as string));
    const silent = ids.filter((id) => !(GROUPS[id] ?? [id]).some((each) => said.has(each)));
    if (silent.length === 0 || unknown.length > 0 || isForeign) continue;
    clear += 1;
    show(`seed ${seed}: nothing of ${silent.join(', ')} in the statement ${JSON.stringify(text)}`);
    continue;
  }
  const { recipe, text, ids } = hiddenText(seed, book);
  const found = statuses(recipe);
  const silent = ids.filter((id) => found.get(id) === 'clear');
  if (silent.length === 0) continue;
  clear += 1;
  show(`seed ${seed}: clear of ${silent.join(', ')} in ${JSON.stringify(text)}`);
}
let alarmed = 0;
for (let index = 0; index < HARMLESS; index += 1) {
  const seed = (first + HIDDEN + index) >>> 0;
  const { recipe, text, ids } = harmlessText(seed, book);
  const found = statuses(recipe);
  const asked = ids.filter((id) => found.get(id) !== 'clear');
  if (asked.length === 0) continue;
  alarmed += 1;
  show(`seed ${seed}: asked about ${asked.join(', ')} in ${JSON.stringify(text)}`);
}
console.log(
  `texts with a hidden word, of ${SUBSTANCES.length} substances in eight languages: ${HIDDEN}, from seed ${first}; clear: ${clear}`,
);
console.log(
  `harmless texts: ${HARMLESS}; asked about: ${alarmed} (${((100 * alarmed) / HARMLESS).toFixed(2)} %)`,
);
if (clear > 0 || alarmed > HARMLESS * MOST_ALARMED) process.exit(1);
