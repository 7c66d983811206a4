import { defineConfig } from '@playwright/test';

/** End to end: the real server and Debian's Chromium, two files at a time, each with a server of its own. */
export default defineConfig({
  testDir: 'e2e',
  workers: 2,
  // Real runs are one a device, whoever asks: the files that make some stand in one line.
  projects: [
    { name: 'runs', testMatch: ['**/server.test.ts', '**/safe.test.ts'], workers: 1 },
    { name: 'page', testMatch: '**/*.test.ts', testIgnore: ['**/server.test.ts', '**/safe.test.ts'] },
  ],
  timeout: 120_000,
  expect: { timeout: 20_000 },
  reporter: process.env.KYMAR_REPORT
    ? [['list'], ['json', { outputFile: process.env.KYMAR_REPORT }]]
    : 'list',
  outputDir: '.build/e2e',
});
