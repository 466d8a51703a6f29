/**
 * `npm run words`: brings the dictionary of data/ to core, which reads no files. Edit data/words.csv and data/plain-words.csv,
 * run this, and commit both; a test holds them together.
 */
import { readFileSync, writeFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';

const path = (name) => fileURLToPath(new URL(`../../${name}`, import.meta.url));

/** Rows of a table whose fields hold no comma. */
const rowsOf = (file) =>
  readFileSync(path(file), 'utf8')
    .trim()
    .split('\n')
    .slice(1)
    .map((line) => line.split(','));

/** The words of each language, gathered by what they say: `{ en: { "surely all kitchen wheat": "udon|naan" } }`. */
export function dictionary() {
  const words = {};
  for (const [word, language, substances, certainty, where, source] of rowsOf('data/words.csv')) {
    const says = [certainty, where, source, ...substances.split(' ')].join(' ').trim();
    const ofLanguage = (words[language] ??= {});
    ofLanguage[says] = says in ofLanguage ? `${ofLanguage[says]}|${word}` : word;
  }
  const plain = {};
  for (const [language, , list] of rowsOf('data/plain-words.csv'))
    plain[language] = language in plain ? `${plain[language]} ${list}` : list;
  return { words, plain };
}

export const OUTPUT = path('core/src/allergen/words/dictionary.json');
export const written = () => `${JSON.stringify(dictionary(), null, 1)}\n`;

if (process.argv[1] === fileURLToPath(import.meta.url)) {
  writeFileSync(OUTPUT, written());
  console.log(`${OUTPUT} written`);
}
