/**
 * Suites gone through together: a suite of its own reads all the code, the larder and the demo world anew and runs them cold, which
 * took two fifths of the time of core's. So `npm test` gives Jest a few files that hold several suites each, each under the name
 * of its file; by itself (`npx jest`) every suite still is a file.
 */
import { mkdirSync, readdirSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { join, relative } from 'node:path';

export const TOGETHER = join('test-results', 'together');

/** How many files the suites of a project become: enough that neither of two processors waits for the other's last. */
const FILES = { server: 6, core: 8 };

const suitesUnder = (folder) =>
  readdirSync(folder, { recursive: true })
    .filter((name) => name.endsWith('.test.ts'))
    .map((name) => join(folder, name));

/** A file that holds suites: each is read within a `describe`, so what it sets up before and after stays its own. */
const holding = (folder, suites) =>
  suites
    .map((suite) => `describe('${suite}', () => {\n  require('${relative(folder, suite)}');\n});\n`)
    .join('\n');

/** Writes the files: the long suites first, dealt out one by one. */
export function putTogether() {
  rmSync(TOGETHER, { recursive: true, force: true });
  for (const [project, count] of Object.entries(FILES)) {
    const folder = join(TOGETHER, project);
    mkdirSync(folder, { recursive: true });
    const suites = suitesUnder(join(project, 'test')).sort((a, b) => statSync(b).size - statSync(a).size);
    for (let at = 0; at < count; at += 1) {
      const held = suites.filter((_, index) => index % count === at);
      writeFileSync(join(folder, `suites-${at + 1}.test.ts`), holding(folder, held));
    }
  }
}
