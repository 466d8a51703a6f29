/**
 * `npm run check`: what is worth knowing before a commit, in under a minute: format and lint of the changed files, types
 * (kept between runs), and the unit tests of the rooms they stand in. `npm test` is the whole.
 */
import { spawnSync } from 'node:child_process';
import { existsSync, mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { ensurePackages, NATIVE_TSC } from './install.mjs';
import { main } from './say.mjs';

process.chdir(join(fileURLToPath(import.meta.url), '..', '..'));
const KEPT = join('.data', 'types');
/** Rooms of the server that have no test of their own name. */
const SERVER_WIDE = new Set([
  'http',
  'database',
  'store',
  'larder',
  'recipes',
  'worksheets',
  'menu',
  'paper',
  'devices',
]);

const git = (...args) => spawnSync('git', args, { encoding: 'utf8' }).stdout.split('\n').filter(Boolean);
const run = (program, ...args) =>
  spawnSync(join('node_modules', '.bin', program), args, { stdio: 'inherit' }).status === 0;
const incremental = (name, program) => () =>
  run(
    program,
    '-p',
    name,
    '--incremental',
    '--tsBuildInfoFile',
    join(KEPT, `${name.replace(/\W/g, '-')}.json`),
  );

/** Tests that more than this many stand on are the business of `npm test`. */
const MOST_RELATED = 20;

/** Tests that import a file of the testing package by its name. */
function namersOf(name) {
  const namers = git('grep', '--untracked', '-l', `@hand-ladle/testing/${name}'`, '--', '*.test.ts');
  return namers.length <= MOST_RELATED ? namers : [];
}

/**
 * Where the tests of a file stand, as Jest finds them. Every test of core comes in by its door, and so would be related to all of
 * core: a room's own tests are what is worth waiting for before a commit.
 */
function testsOf(file) {
  const [, helper] = /^testing\/src\/(.+)\.ts$/.exec(file) ?? [];
  if (helper) return namersOf(helper);
  if (/\.test\.ts$/.test(file)) return [file];
  const [, member, room] = /^(core|data|server|web)\/(?:src|test)\/(?:([\w-]+)\/)?/.exec(file) ?? [];
  if (member === 'core') return room ? [`core/test/${room}/`] : [];
  if (member === 'server')
    return [
      `server/test/(.*[-/])?${room ?? 'api'}[-./]`,
      ...(SERVER_WIDE.has(room) ? ['server/test/api'] : []),
    ];
  return member ? [`${member}/test/`] : [];
}

await main(async () => {
  ensurePackages();
  mkdirSync(KEPT, { recursive: true });
  const changed = [
    ...new Set([...git('diff', '--name-only', 'HEAD'), ...git('ls-files', '--others', '--exclude-standard')]),
  ].filter((file) => existsSync(file));
  const code = changed.filter((file) => /\.(ts|vue|mjs)$/.test(file));
  const tested = [...new Set(code.flatMap(testsOf))];
  const steps = [
    ['format', () => changed.length === 0 || run('prettier', '--check', '--ignore-unknown', ...changed)],
    ['lint', () => code.length === 0 || run('eslint', ...code)],
    [
      'imports',
      () =>
        run(
          'depcruise',
          '--config',
          '.dependency-cruiser.mjs',
          '--output-type',
          'err',
          'core/src',
          'server/src',
          'web/src',
          'data/src',
        ),
    ],
    ['types of core, server and tests', incremental('tsconfig.json', NATIVE_TSC)],
    ['types of the web app', incremental('web/tsconfig.json', 'vue-tsc')],
    [
      'unit tests of what changed',
      () => tested.length === 0 || run('jest', ...['--testPathPatterns', ...tested], '--passWithNoTests'),
    ],
  ];
  let failed = 0;
  for (const [name, step] of steps) {
    const isPassed = step();
    if (!isPassed) failed += 1;
    console.log(`${isPassed ? 'ok' : 'FAILED'}: ${name}`);
  }
  process.exit(failed === 0 ? 0 : 1);
});
