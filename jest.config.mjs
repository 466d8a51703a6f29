/** Unit tests of core and data, and tests of the server against a real MariaDB. */
const swc = [
  '@swc/jest',
  { jsc: { parser: { syntax: 'typescript' }, target: 'es2022' }, module: { type: 'commonjs' } },
];
// Coverage is told by source: there each source is a file of its own.
const isBySource = process.argv.includes('--coverage');
const bundled = {
  transform: {
    '\\.test\\.ts$': isBySource ? swc : '<rootDir>/scripts/testing/jest-test.mjs',
    '\\.(ts|mjs)$': swc,
  },
};
const project = (name, extra = {}) => ({
  displayName: name,
  rootDir: '.',
  testMatch: [`<rootDir>/${name}/**/*.test.ts`],
  setupFiles: ['<rootDir>/scripts/jest-seed.mjs'],
  ...extra,
});

/** Far above what the slowest test needs on a busy machine: a test fails by what it finds, not by the clock. */
const TEST_TIMEOUT_MS = 300_000;

/** Stores and composables of the screen, in a document without a browser; these packages ship as modules only. */
const web = project('web', {
  testEnvironment: 'jsdom',
  setupFiles: ['<rootDir>/scripts/jest-seed.mjs', '<rootDir>/web/test/support/near-worker.ts'],
  transform: { '\\.(ts|mjs|js)$': swc },
  transformIgnorePatterns: ['/node_modules/(?!@vueuse/)'],
});

const server = project('server', {
  ...bundled,
  globalSetup: '<rootDir>/scripts/testing/jest-setup.mjs',
  globalTeardown: '<rootDir>/scripts/testing/jest-teardown.mjs',
});

export default {
  testTimeout: TEST_TIMEOUT_MS,
  // Every processor: a test waits for its own work, not for the clock.
  maxWorkers: '100%',
  projects: [project('core', bundled), project('data', bundled), server, web],
};
