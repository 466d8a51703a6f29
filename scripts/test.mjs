/**
 * `npm test`: format, lint, imports, types, unit and server tests, build, journeys in Chromium; the last line counts them, those
 * before it say how long each part took.
 */
import { spawn } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { ensureBuilt } from './build.mjs';
import { ensurePackages, ensurePrograms, NATIVE_TSC } from './install.mjs';
import { main, sentenceOf } from './say.mjs';
import { foundSeeds, RANDOM_SUITES, testSeed } from './seed.mjs';
import { startTestDatabase } from './testing/database.mjs';
import { putTogether } from './testing/together.mjs';

process.chdir(join(fileURLToPath(import.meta.url), '..', '..'));
const RESULTS = 'test-results';
const JEST = join(RESULTS, 'jest.json');
const JOURNEYS = join(RESULTS, 'e2e.json');
const count = { passed: 0, failed: 0 };
const times = [];

/** Runs a program; its words come at once, or are kept until it ends where others run beside it. */
function run(program, args, { isKept = false, env = process.env } = {}) {
  return new Promise((done) => {
    const child = spawn(join('node_modules', '.bin', program), args, {
      stdio: isKept ? ['ignore', 'pipe', 'pipe'] : 'inherit',
      env,
    });
    let words = '';
    child.stdout?.on('data', (chunk) => (words += chunk));
    child.stderr?.on('data', (chunk) => (words += chunk));
    child.on('error', () => done({ isPassed: false, words }));
    child.on('exit', (code) => done({ isPassed: code === 0, words }));
  });
}

async function timed(name, act) {
  const from = Date.now();
  const answer = await act();
  times.push(`${name} ${Math.round((Date.now() - from) / 1000)} s`);
  return answer;
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

/** A large nursery: what reads all the code makes much that dies at once, and lint spent a tenth of its time sweeping. */
const ROOMY = { ...process.env, NODE_OPTIONS: `${process.env.NODE_OPTIONS ?? ''} --max-semi-space-size=128` };

/** What reads the code without running it, two beside each other. */
const CHECKS = [
  ['lint', 'eslint', ['.']],
  ['format', 'prettier', ['--check', '--log-level', 'warn', '.']],
  ['types of the web app', 'vue-tsc', ['-p', 'web/tsconfig.json']],
  ['types of server, data and tests', NATIVE_TSC, ['-p', 'tsconfig.json']],
  ['types of core', NATIVE_TSC, ['-p', 'core/tsconfig.json']],
  ['types of the journeys', NATIVE_TSC, ['-p', 'e2e/tsconfig.json']],
];

async function check() {
  const waiting = [...CHECKS];
  const next = async () => {
    for (let one = waiting.shift(); one; one = waiting.shift()) {
      const [name, program, args] = one;
      const { isPassed, words } = await run(program, args, { isKept: true, env: ROOMY });
      if (!isPassed) console.log(words);
      tally(name, isPassed);
    }
  };
  await Promise.all([next(), next()]);
}

async function build() {
  try {
    ensureBuilt();
    tally('build', true);
  } catch (error) {
    console.error(sentenceOf(error));
    tally('build', false);
  }
}

await main(async () => {
  ensurePackages();
  ensurePrograms({
    mariadbd: 'mariadb-server',
    'mariadb-install-db': 'mariadb-server',
    'chromium-headless-shell': 'chromium-headless-shell',
    pdftotext: 'poppler-utils',
    zbarimg: 'zbar-tools',
  });
  rmSync(RESULTS, { recursive: true, force: true });
  mkdirSync(RESULTS, { recursive: true });
  console.log(`Random tests draw from seed ${testSeed()} (another: HAND_LADLE_SEED=7 npm test)`);
  const [, database] = await timed('checks and database', () => Promise.all([check(), startTestDatabase()]));
  try {
    putTogether();
    const unit = await timed('unit and server tests', () =>
      run('jest', ['-c', 'jest.together.config.mjs', '--json', `--outputFile=${JEST}`]),
    );
    const { numPassedTests = 0, numFailedTests = 0 } = json(JEST) ?? {};
    add('unit and server tests', unit.isPassed, numPassedTests, numFailedTests);
    for (const seed of foundSeeds()) {
      process.env.HAND_LADLE_SEED = String(seed);
      const again = await run('jest', ['--testPathPatterns', RANDOM_SUITES]);
      tally(`random tests on the kept seed ${seed}`, again.isPassed);
      delete process.env.HAND_LADLE_SEED;
    }
    await timed('build', build);
    const journeys = await timed('journeys', () =>
      run('playwright', ['test', '-c', 'e2e/playwright.config.ts']),
    );
    const { expected = 0, unexpected = 0, flaky = 0 } = json(JOURNEYS)?.stats ?? {};
    add('journeys', journeys.isPassed, expected + flaky, unexpected);
    if (flaky > 0)
      console.log(`unsteady: ${flaky} of the journeys passed only when gone again (named above)`);
  } finally {
    await database.stop();
  }
  console.log(times.join(', '));
  console.log(`${count.passed} passed, ${count.failed} failed`);
  process.exit(count.failed === 0 ? 0 : 1);
});
