/** Builds the web app, unless nothing it is made from has changed since the last build. */
import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { halt } from './say.mjs';

const OUTPUT = join('web', 'dist');
const STAMP = join(OUTPUT, '.built-from');

function filesUnder(folder) {
  return readdirSync(folder, { withFileTypes: true }).flatMap((entry) => {
    const path = join(folder, entry.name);
    if (['dist', 'node_modules', 'test'].includes(entry.name)) return [];
    return entry.isDirectory() ? filesUnder(path) : [path];
  });
}

/** One hash over all sources of the web app and of core; tests are no part of it. */
function sourceHash() {
  const hash = createHash('sha256');
  for (const file of ['package-lock.json', ...filesUnder(join('core', 'src')), ...filesUnder('web')].sort()) {
    hash.update(file).update(readFileSync(file));
  }
  return hash.digest('hex');
}

export function ensureBuilt() {
  const wanted = sourceHash();
  if (existsSync(STAMP) && readFileSync(STAMP, 'utf8') === wanted) return;
  console.log('Building the app ...');
  const done = spawnSync(join('node_modules', '.bin', 'vite'), ['build', 'web', '--logLevel', 'warn'], {
    encoding: 'utf8',
  });
  if (done.status !== 0) halt(`The app could not be built:\n${done.stdout}${done.stderr}`.slice(0, 3000));
  writeFileSync(STAMP, wanted);
}

if (process.argv[1] && import.meta.url === pathToFileURL(process.argv[1]).href) ensureBuilt();
