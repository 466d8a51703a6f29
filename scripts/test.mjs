/** `npm test`: format, lint, types, unit and server tests, build, journeys in Chromium; the last line counts them. */
import { spawn } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { ensureBuilt } from './build.mjs';
import { ensurePackages, ensurePrograms } from './install.mjs';
import { main, sentenceOf } from './say.mjs';
import { testSeed } from './seed.mjs';

process.chdir(join(fileURLToPath(import.meta.url), '..', '..'));
const RESULTS = 'test-results';
const JEST = join(RESULTS, 'jest.json');
const JOURNEYS = join(RESULTS, 'e2e.json');
const count = { passed: 0, failed: 0 };

/** Runs a program and shows what it says; true when it ends well. */
function run(program, args) {
  return new Promise((done) => {
    const child = spawn(join('node_modules', '.bin', program), args, { stdio: 'inherit' });
    child.on('error', () => done(false));
    child.on('exit', (code) => done(code === 0));
  });
}

function tally(name, isPassed) {
  count[isPassed ? 'passed' : 'failed'] += 1;
  console.log(`${isPassed ? 'ok' : 'FAILED'}: ${name}`);
}

const json = (file) => (existsSync(file) ? JSON.parse(readFileSync(file, 'utf8')) : null);

/** Adds a runner's own counts; a runner that left no report, or failed without a failed test, counts as one failure. */
function add(name, isPassed, passed, failed) {
  count.passed += passed;
  count.failed += failed;
  if (!isPassed && failed === 0) count.failed += 1;
  console.log(`${name}: ${passed} passed, ${failed} failed`);
}

await main(async () => {
  ensurePackages();
  ensurePrograms({
    mariadbd: 'mariadb-server',
    'mariadb-install-db': 'mariadb-server',
    chromium: 'chromium',
    pdftotext: 'poppler-utils',
    zbarimg: 'zbar-tools',
  });
  rmSync(RESULTS, { recursive: true, force: true });
  mkdirSync(RESULTS, { recursive: true });
  console.log(`Random tests draw from seed ${testSeed()} (another: HAND_LADLE_SEED=7 npm test)`);
  tally('format', await run('prettier', ['--check', '--log-level', 'warn', '.']));
  tally('lint', await run('eslint', ['.']));
  tally('types of core', await run('tsc', ['-p', 'core/tsconfig.json']));
  tally('types of server, data and tests', await run('tsc', ['-p', 'tsconfig.json']));
  tally('types of the journeys', await run('tsc', ['-p', 'e2e/tsconfig.json']));
  tally('types of the web app', await run('vue-tsc', ['-p', 'web/tsconfig.json']));
  const isUnitPassed = await run('jest', ['--json', `--outputFile=${JEST}`]);
  const unit = json(JEST);
  add('unit and server tests', isUnitPassed, unit?.numPassedTests ?? 0, unit?.numFailedTests ?? 0);
  try {
    ensureBuilt();
    tally('build', true);
  } catch (error) {
    console.error(sentenceOf(error));
    tally('build', false);
  }
  const areJourneysPassed = await run('playwright', ['test', '-c', 'e2e/playwright.config.ts']);
  const { expected = 0, unexpected = 0, flaky = 0 } = json(JOURNEYS)?.stats ?? {};
  add('journeys', areJourneysPassed, expected + flaky, unexpected);
  console.log(`${count.passed} passed, ${count.failed} failed`);
  process.exit(count.failed === 0 ? 0 : 1);
});
