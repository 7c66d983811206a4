import { defineConfig } from '@playwright/test';

// Real runs are one a device, whoever asks: the files that make some stand in one line.
const RUNS = ['**/server.test.ts', '**/safe.test.ts', '**/journey.test.ts', '**/bench.test.ts'];

/** End to end: the real server and Debian's Chromium, two files at a time, each with a server of its own. */
export default defineConfig({
  testDir: 'e2e',
  workers: 2,
  projects: [
    { name: 'runs', testMatch: RUNS, workers: 1 },
    { name: 'page', testMatch: '**/*.test.ts', testIgnore: RUNS },
  ],
  timeout: 120_000,
  expect: { timeout: 20_000 },
  reporter: process.env.KYMAR_REPORT
    ? [['list'], ['json', { outputFile: process.env.KYMAR_REPORT }]]
    : 'list',
  outputDir: '.build/e2e',
});
