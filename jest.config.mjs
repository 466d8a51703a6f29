/** Unit tests of core and data, and tests of the server against a real MariaDB. */
const transform = { '^.+\\.(ts|mjs)$': ['ts-jest', { tsconfig: 'tsconfig.jest.json', diagnostics: false }] };
const project = (name, extra = {}) => ({
  displayName: name,
  rootDir: '.',
  testMatch: [`<rootDir>/${name}/**/*.test.ts`],
  moduleNameMapper: {
    '^@hand-ladle/core$': '<rootDir>/core/src/index.ts',
    '^@hand-ladle/data$': '<rootDir>/data/src/index.ts',
  },
  transform,
  ...extra,
});

export default { projects: [project('core'), project('data'), project('server')] };
