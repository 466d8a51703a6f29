/**
 * `npm run check`: what is worth knowing before a commit, in under a minute: format and lint of the changed files, types
 * (kept between runs), and the unit tests that the changed files touch. `npm test` is the whole.
 */
import { spawnSync } from 'node:child_process';
import { existsSync, mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { ensurePackages } from './install.mjs';
import { main } from './say.mjs';

process.chdir(join(fileURLToPath(import.meta.url), '..', '..'));
const KEPT = join('.data', 'types');

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

await main(async () => {
  ensurePackages();
  mkdirSync(KEPT, { recursive: true });
  const changed = [
    ...new Set([...git('diff', '--name-only', 'HEAD'), ...git('ls-files', '--others', '--exclude-standard')]),
  ].filter((file) => existsSync(file));
  const code = changed.filter((file) => /\.(ts|vue|mjs)$/.test(file));
  const tested = code.filter((file) => /^(core|data|web|testing)\//.test(file) && file.endsWith('.ts'));
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
    ['types of core, server and tests', incremental('tsconfig.json', 'tsc')],
    ['types of the web app', incremental('web/tsconfig.json', 'vue-tsc')],
    [
      'related unit tests',
      () =>
        tested.length === 0 ||
        run(
          'jest',
          '--selectProjects',
          'core',
          'data',
          'web',
          '--findRelatedTests',
          '--passWithNoTests',
          ...tested,
        ),
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
