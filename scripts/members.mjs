/**
 * Where the packages of the house are entered, as each one's package.json says: a bundler that leaves packages outside takes these
 * in. { '@hand-ladle/core': './core/src/index.ts', '@hand-ladle/testing': './testing/src' }
 */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';

const ROOT = join(import.meta.dirname, '..');
const manifest = (folder) => JSON.parse(readFileSync(join(ROOT, folder, 'package.json'), 'utf8'));

export const MEMBERS = Object.fromEntries(
  manifest('.').workspaces.flatMap((folder) => {
    const { name, exports = {} } = manifest(folder);
    // A package without one door is entered file by file: "./*" stands for "./src/*.ts".
    return Object.values(exports).map((path) => [name, `./${join(folder, path.replace('/*.ts', ''))}`]);
  }),
);
