import { defineConfig } from '@playwright/test';
import { CHROMIUM } from '../scripts/browser.mjs';

/** What takes longest is gone through first: begun last, one file alone held the others' processor for a minute. */
const LONGEST = ['house/access', 'house/kept', 'house/start', 'cook/cook'].map(
  (file) => `**/${file}.spec.ts`,
);

/**
 * Journeys in Debian's Chromium against the built app: four files at a time on two processors, for a page waits as long as it
 * works, each with a kitchen and a schema of its own; within a file one after the other, for they share it.
 */
export default defineConfig({
  testDir: './tests',
  globalSetup: '../scripts/testing/playwright-setup.mjs',
  outputDir: '../test-results',
  projects: [
    { name: 'longest', testMatch: LONGEST },
    { name: 'others', testIgnore: LONGEST },
  ],
  workers: 4,
  retries: 1,
  // Far above what a busy machine needs: a journey fails by what it finds, not by the clock.
  timeout: 300_000,
  expect: { timeout: 60_000 },
  reporter: [['list'], ['json', { outputFile: '../test-results/e2e.json' }]],
  use: {
    viewport: { width: 1280, height: 800 },
    launchOptions: CHROMIUM,
    // A trace costs a fifth of the time: a journey that fails is gone again with one, and says why by it.
    trace: 'on-first-retry',
    acceptDownloads: true,
    // Journeys that cut the line by hand must see every request; those of the stove turn it on.
    serviceWorkers: 'block',
  },
});
