import { defineConfig } from '@playwright/test';
import { CHROMIUM } from '../scripts/browser.mjs';

/** Journeys in Debian's Chromium against the built app; one at a time, for they share one kitchen. */
export default defineConfig({
  testDir: './tests',
  outputDir: '../test-results',
  workers: 1,
  // Far above what a busy machine needs: a journey fails by what it finds, not by the clock.
  timeout: 300_000,
  expect: { timeout: 60_000 },
  reporter: [['list'], ['json', { outputFile: '../test-results/e2e.json' }]],
  use: {
    viewport: { width: 1280, height: 800 },
    launchOptions: CHROMIUM,
    trace: 'off',
    acceptDownloads: true,
  },
});
