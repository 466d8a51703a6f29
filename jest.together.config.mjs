/** All of `jest.config.mjs`, with the suites of core and server held by a few files that `npm test` writes first. */
import config from './jest.config.mjs';
import { TOGETHER } from './scripts/testing/together.mjs';

export default {
  ...config,
  testSequencer: './scripts/testing/long-first.mjs',
  projects: config.projects.map((project) =>
    ['core', 'server'].includes(project.displayName)
      ? { ...project, testMatch: [`<rootDir>/${TOGETHER}/${project.displayName}/*.test.ts`] }
      : project,
  ),
};
