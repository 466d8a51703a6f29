/** `npm run bench`: bundles the measurements as the app is bundled, and runs them. */
import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { ensurePackages } from './install.mjs';
import { main } from './say.mjs';

const OUTPUT = join('.data', 'bench');

await main(async () => {
  ensurePackages();
  const { build } = await import('vite');
  await build({
    configFile: false,
    logLevel: 'error',
    ssr: { noExternal: [/^@hand-ladle\//] },
    build: { ssr: 'scripts/bench.ts', outDir: OUTPUT, emptyOutDir: true, minify: true, target: 'es2022' },
  });
  const { status } = spawnSync(process.execPath, [join(OUTPUT, 'bench.js')], { stdio: 'inherit' });
  process.exit(status ?? 1);
});
