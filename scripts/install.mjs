/** Installs what is missing: npm packages from the lock file, and Debian packages where that is allowed. */
import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { halt } from './say.mjs';

const STAMP = join('node_modules', '.hand-ladle-lock');
/**
 * The native compiler, five times as fast as the one that lint and vue-tsc still stand on; by its path from `.bin`, for both are
 * `tsc`.
 */
export const NATIVE_TSC = join('..', 'typescript-native', 'bin', 'tsc');
const FULL_DISK = /no space left on device|ENOSPC/i;

const fingerprint = () => createHash('sha256').update(readFileSync('package-lock.json')).digest('hex');

/** Installs the npm packages of the lock file, unless they are the ones in place. */
export function ensurePackages() {
  const [major, minor] = process.versions.node.split('.').map(Number);
  if (major < 20 || (major === 20 && minor < 19)) {
    halt(`Node ${process.versions.node} is too old: install Node 20.19 or later and start again.`);
  }
  const wanted = fingerprint();
  if (existsSync(STAMP) && readFileSync(STAMP, 'utf8') === wanted) return;
  console.log('Installing packages (once, a minute or two) ...');
  const done = spawnSync('npm', ['ci', '--no-fund', '--no-audit', '--loglevel=error'], { encoding: 'utf8' });
  if (done.status !== 0) {
    const output = `${done.stdout ?? ''}${done.stderr ?? ''}`;
    if (FULL_DISK.test(output))
      halt('The disk is full: free some space (df -h shows how much) and start again.');
    halt(`npm could not install the packages. Run this to see why: npm ci\n${output.slice(-2000)}`);
  }
  writeFileSync(STAMP, wanted);
}

const isThere = (program) =>
  ['/usr/sbin', '/usr/bin', '/usr/local/bin', ...(process.env.PATH ?? '').split(':')].some((folder) =>
    existsSync(join(folder, program)),
  );

const apt = (...args) =>
  spawnSync('apt-get', args, {
    encoding: 'utf8',
    env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
  });

/** Makes sure some programs are there, from Debian's packages. `needs` maps a program to its package. */
export function ensurePrograms(needs) {
  const missing = Object.entries(needs).filter(([program]) => !isThere(program));
  if (missing.length === 0) return;
  const packages = [...new Set(missing.map(([, name]) => name))];
  const command = `sudo apt-get update && sudo apt-get install -y ${packages.join(' ')}`;
  if (!isThere('apt-get'))
    halt(`${packages.join(', ')} is missing and this is no Debian: install it, then start again.`);
  if (process.getuid?.() !== 0)
    halt(`${packages.join(', ')} is missing and needs the administrator. Run: ${command}`);
  console.log(`Installing ${packages.join(', ')} (once) ...`);
  apt('update', '-qq');
  const done = apt('install', '-y', '-qq', '--no-install-recommends', ...packages);
  if (done.status === 0 && missing.every(([program]) => isThere(program))) return;
  const output = `${done.stdout ?? ''}${done.stderr ?? ''}`;
  if (FULL_DISK.test(output))
    halt('The disk is full: free some space (df -h shows how much) and start again.');
  halt(`${packages.join(', ')} could not be installed. Run: ${command}`);
}
