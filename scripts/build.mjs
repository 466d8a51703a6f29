/** Builds the screen and the server, each unless nothing it is made from has changed since its last build. */
import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { gzipSync } from 'node:zlib';
import { MEMBERS } from './members.mjs';
import { halt } from './say.mjs';

/** The server as one file: it starts in a second, where reading its sources one by one takes five. Packages stay where they are. */
export const SERVER = join('server', 'dist', 'main.mjs');

const BUILDS = [
  {
    name: 'screen',
    output: join('web', 'dist'),
    sources: [join('core', 'src'), 'web'],
    program: ['vite', 'build', 'web', '--logLevel', 'warn'],
    finish: press,
  },
  {
    name: 'server',
    output: join('server', 'dist'),
    sources: [join('core', 'src'), join('data', 'src'), join('server', 'src')],
    program: [
      'esbuild',
      join('server', 'src', 'main.ts'),
      `--outfile=${SERVER}`,
      '--bundle',
      '--platform=node',
      '--format=esm',
      '--target=node20',
      '--sourcemap',
      '--packages=external',
      ...Object.entries(MEMBERS).map(([name, path]) => `--alias:${name}=${path}`),
      '--log-level=error',
    ],
  },
];

function filesUnder(folder) {
  return readdirSync(folder, { withFileTypes: true }).flatMap((entry) => {
    const path = join(folder, entry.name);
    if (['dist', 'node_modules', 'test'].includes(entry.name)) return [];
    return entry.isDirectory() ? filesUnder(path) : [path];
  });
}

/** Lays each file of text beside itself compressed, once, for the server to send: it is a third of what a tablet waits for. */
function press(folder) {
  const texts = filesUnder(folder).filter((file) => /\.(?:js|css|html|svg)$/.test(file));
  for (const file of texts) writeFileSync(`${file}.gz`, gzipSync(readFileSync(file), { level: 9 }));
}

/** One hash over all that a build is made from; tests are no part of it. */
function sourceHash({ sources, program }) {
  const hash = createHash('sha256').update(program.join(' '));
  for (const file of ['package-lock.json', ...sources.flatMap(filesUnder)].sort()) {
    hash.update(file).update(readFileSync(file));
  }
  return hash.digest('hex');
}

export function ensureBuilt() {
  for (const build of BUILDS) {
    const stamp = join(build.output, '.built-from');
    const wanted = sourceHash(build);
    if (existsSync(stamp) && readFileSync(stamp, 'utf8') === wanted) continue;
    console.log(`Building the ${build.name} ...`);
    const [program, ...args] = build.program;
    const done = spawnSync(join('node_modules', '.bin', program), args, { encoding: 'utf8' });
    if (done.status !== 0)
      halt(`The ${build.name} could not be built:\n${done.stdout}${done.stderr}`.slice(0, 3000));
    build.finish?.(build.output);
    writeFileSync(stamp, wanted);
  }
}

if (process.argv[1] && import.meta.url === pathToFileURL(process.argv[1]).href) ensureBuilt();
