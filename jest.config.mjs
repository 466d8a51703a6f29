/** Unit tests of core and data, and tests of the server against a real MariaDB. */
// Types are checked apart, by tsc: here they are only taken off.
const transform = {
  '^.+\\.(ts|mjs)$': [
    '@swc/jest',
    { jsc: { parser: { syntax: 'typescript' }, target: 'es2022' }, module: { type: 'commonjs' } },
  ],
};
const project = (name, extra = {}) => ({
  displayName: name,
  rootDir: '.',
  testMatch: [`<rootDir>/${name}/**/*.test.ts`],
  moduleNameMapper: {
    '^@hand-ladle/core$': '<rootDir>/core/src/index.ts',
    '^@hand-ladle/data$': '<rootDir>/data/src/index.ts',
    '^@hand-ladle/testing/(.*)$': '<rootDir>/testing/src/$1.ts',
  },
  transform,
  setupFiles: ['<rootDir>/scripts/jest-seed.mjs'],
  ...extra,
});

/** Far above what the slowest test needs on a busy machine: a test fails by what it finds, not by the clock. */
const TEST_TIMEOUT_MS = 300_000;

/** Stores and composables of the screen, in a document without a browser; these packages ship as modules only. */
const web = project('web', {
  testEnvironment: 'jsdom',
  transform: { '^.+\\.(ts|mjs|js)$': Object.values(transform)[0] },
  transformIgnorePatterns: ['/node_modules/(?!@vueuse/)'],
});

const server = project('server', {
  globalSetup: '<rootDir>/scripts/testing/jest-setup.mjs',
  globalTeardown: '<rootDir>/scripts/testing/jest-teardown.mjs',
});

export default {
  testTimeout: TEST_TIMEOUT_MS,
  // Every processor: a test waits for its own work, not for the clock.
  maxWorkers: '100%',
  projects: [project('core'), project('data'), server, web],
};
