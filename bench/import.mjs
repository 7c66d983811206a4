import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import Papa from 'papaparse';
import { chromium as playwright } from 'playwright-core';
import { build as bundle } from 'vite';
import { build, chromium, root, startServer } from '../scripts/lib.mjs';

/**
 * A table of thousands of parts: from the file to the preview, from the yes to the list, and how long the page stands still meanwhile.
 * Usage: npm run bench -- import [PARTS] [TIMES]
 */
const [count = 5000, times = 5] = process.argv.slice(2).map(Number);
build();
const folder = mkdtempSync(join(tmpdir(), 'kymar-import-'));
process.once('exit', () => rmSync(folder, { recursive: true, force: true }));
const input = Object.fromEntries(
  ['stock', 'library'].map((name) => [name, join(root, 'core/catalog', name, 'index.ts')]),
);
await bundle({
  root,
  configFile: false,
  logLevel: 'error',
  ssr: { noExternal: true },
  build: { ssr: true, outDir: folder, rollupOptions: { input, output: { entryFileNames: '[name].mjs' } } },
});
const [{ SHOP }, { toRows }] = await Promise.all(
  ['stock', 'library'].map((name) => import(join(folder, `${name}.mjs`))),
);
const table = (word) =>
  Papa.unparse(
    toRows(
      'drives',
      Array.from({ length: count }, (_, i) => ({
        ...SHOP.drives[i % SHOP.drives.length],
        id: `many-${i}`,
        model: `${word} ${i}`,
      })),
    ),
  );
writeFileSync(join(folder, 'new.csv'), table('Many'));
writeFileSync(join(folder, 'changed.csv'), table('Other'));

const server = await startServer();
const browser = await playwright.launch({
  executablePath: chromium(),
  args: ['--no-sandbox', '--disable-background-networking', '--disable-gpu'],
});
const median = (values) => [...values].sort((a, b) => a - b)[values.length >> 1];
const found = { preview: [], again: [], still: [], taking: [] };
for (let i = 0; i < times; i++) {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
  const page = await context.newPage();
  page.setDefaultTimeout(60_000);
  await page.goto(`${server.address}/parts`);
  await page.getByText('Saved in this browser').waitFor();
  await page.waitForTimeout(4000);
  await page.evaluate(() => {
    window.still = [];
    new PerformanceObserver((list) => window.still.push(...list.getEntries().map((e) => e.duration))).observe(
      { type: 'longtask' },
    );
  });
  const preview = async (name) => {
    const start = performance.now();
    await page.getByLabel('File with parts').setInputFiles(join(folder, name));
    await page.getByRole('button', { name: /^Take over/ }).waitFor();
    return performance.now() - start;
  };
  found.preview.push(await preview('new.csv'));
  found.still.push(Math.max(0, ...(await page.evaluate(() => window.still))));
  const start = performance.now();
  await page.getByRole('button', { name: /^Take over/ }).click();
  await page.getByRole('dialog').waitFor({ state: 'detached' });
  await page.getByText('Saved in this browser').waitFor();
  found.taking.push(performance.now() - start);
  await page.evaluate(() => (window.still = []));
  found.again.push(await preview('changed.csv'));
  found.still.push(Math.max(0, ...(await page.evaluate(() => window.still))));
  await context.close();
}
await browser.close();
server.stop();
const goal = (met, words) => console.log(`${met ? 'met' : 'missed'}: ${words}`);
const ms = (values) => `${Math.round(median(values))} ms`;
console.log(`${count} parts, medians of ${times}: taken over and stored after ${ms(found.taking)}`);
goal(median(found.preview) < 1000, `preview of ${count} new parts under 1 s: ${ms(found.preview)}`);
goal(
  median(found.again) < 1000,
  `preview of ${count} parts that are there, each changed, under 1 s: ${ms(found.again)}`,
);
goal(
  median(found.still) <= 50,
  `page never still over 50 ms meanwhile: ${ms(found.still)} (longest ${Math.round(Math.max(...found.still))})`,
);
process.exit(0);
