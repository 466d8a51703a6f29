/**
 * `npm run bench`: bundles the measurements as the app is bundled, and runs them. `npm run bench -- --short` runs every part in a
 * short form, about two minutes in all: a part that no longer runs is found by `.ci/run`, and not years later.
 */
import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { ensurePackages, ensurePrograms } from '../install.mjs';
import { main } from '../say.mjs';
import { testSeed } from '../seed.mjs';

const OUTPUT = join('.data', 'bench');

const isShort = process.argv.includes('--short');
if (isShort) {
  process.env.HAND_LADLE_SHORT = '1';
  // A short run shows that every part runs: it looks for nothing new, so that what it says tomorrow is what it says today.
  process.env.HAND_LADLE_SEED ??= String(testSeed());
}

await main(async () => {
  ensurePackages();
  const { build } = await import('vite');
  await build({
    configFile: false,
    logLevel: 'error',
    ssr: { noExternal: [/^@hand-ladle\//] },
    build: {
      ssr: 'scripts/bench/worksheet.ts',
      outDir: OUTPUT,
      emptyOutDir: true,
      minify: true,
      target: 'es2022',
    },
  });
  const { status } = spawnSync(process.execPath, [join(OUTPUT, 'worksheet.js')], { stdio: 'inherit' });
  if (status !== 0) process.exit(status ?? 1);
  ensurePrograms({ mariadbd: 'mariadb-server', 'mariadb-install-db': 'mariadb-server' });
  const random = spawnSync(process.execPath, [join('scripts', 'bench', 'random-tests.mjs')], {
    stdio: 'inherit',
  });
  if (random.status !== 0) process.exit(random.status ?? 1);
  for (const script of [
    'scripts/bench/words.ts',
    'scripts/bench/texts.ts',
    'scripts/bench/matter.ts',
    'scripts/bench/labels.ts',
    'scripts/bench/audit-labels.ts',
    'scripts/bench/swaps.ts',
    'scripts/bench/schedule.ts',
    'scripts/bench/services.ts',
    'scripts/bench/import.ts',
    'scripts/bench/recall.ts',
  ]) {
    const run = spawnSync(join('node_modules', '.bin', 'tsx'), [script], { stdio: 'inherit' });
    if (run.status !== 0) process.exit(run.status ?? 1);
  }
});
