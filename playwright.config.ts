import { defineConfig } from '@playwright/test';

/** End to end: the real server and Debian's Chromium, two files at a time, each with a server of its own. */
export default defineConfig({
  testDir: 'e2e',
  testMatch: '**/*.test.ts',
  workers: 2,
  timeout: 120_000,
  expect: { timeout: 20_000 },
  reporter: process.env.KYMAR_REPORT
    ? [['list'], ['json', { outputFile: process.env.KYMAR_REPORT }]]
    : 'list',
  outputDir: '.build/e2e',
});
