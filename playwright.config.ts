import { defineConfig } from '@playwright/test';

// Real runs are one a device, whoever asks: the files that make some stand in one lane.
const RUNS = ['safe.test.ts', 'journey.test.ts', 'bench.test.ts', 'fitted.test.ts'].map(
  (file) => `**/${file}`,
);

/** End to end: the real server and Debian's Chromium, each file with a server of its own. */
export default defineConfig({
  testDir: 'e2e',
  testIgnore: '**/alone/**',
  workers: 1,
  projects: [
    { name: 'runs', testMatch: RUNS },
    { name: 'page', testMatch: '**/*.test.ts', testIgnore: ['**/alone/**', ...RUNS] },
  ],
  // A machine of two cores that runs two things beside may be four times as slow as it is alone: a limit is to end what hangs.
  timeout: 420_000,
  expect: { timeout: 20_000 },
  reporter: process.env.KYMAR_REPORT
    ? [['list'], ['json', { outputFile: process.env.KYMAR_REPORT }]]
    : 'list',
  outputDir: `.build/e2e/${process.env.KYMAR_TASK ?? 'all'}`,
});
