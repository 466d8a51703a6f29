/** `npm run bench`: installs what is missing and runs the measurements. */
import { spawnSync } from 'node:child_process';
import { ensurePackages } from './install.mjs';
import { main } from './say.mjs';

await main(async () => {
  ensurePackages();
  const { status } = spawnSync(process.execPath, ['--import', 'tsx', 'scripts/bench.ts'], {
    stdio: 'inherit',
  });
  process.exit(status ?? 1);
});
