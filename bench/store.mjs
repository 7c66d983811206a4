import { chromium as playwright } from 'playwright-core';
import { build, chromium, startServer } from '../scripts/lib.mjs';

/** Many jobs in the browser's store: start, a key in the search, longest task. Usage: npm run bench -- store [COUNT,…] */
const counts = (process.argv[2] ?? '300,1000').split(',').map(Number);
build();
const server = await startServer();
const browser = await playwright.launch({
  executablePath: chromium(),
  args: ['--no-sandbox', '--disable-background-networking', '--disable-gpu'],
});
const median = (values) => [...values].sort((a, b) => a - b)[values.length >> 1];
const goals = [];
const goal = (met, words) => goals.push(`${met ? 'met' : 'missed'}: ${words}`);

for (const count of counts) {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
  const page = await context.newPage();
  await page.goto(`${server.address}/jobs`);
  await page.getByText('Nightly offload, bat and bird recorders').waitFor();
  await page.getByText('Saved in this browser').waitFor();
  // The demo's jobs again and again, each with an id and a title of its own.
  await page.evaluate(async (many) => {
    const open = (name) =>
      new Promise((resolve, reject) => {
        const asked = indexedDB.open(name);
        asked.onsuccess = () => resolve(asked.result);
        asked.onerror = () => reject(asked.error);
      });
    const finished = (of) =>
      new Promise((resolve, reject) => {
        of.oncomplete = () => resolve();
        of.onerror = () => reject(of.error);
      });
    for (const { name } of await indexedDB.databases()) {
      const base = await open(name);
      for (const store of base.objectStoreNames) {
        const read = base.transaction(store).objectStore(store);
        const keys = await new Promise(
          (resolve) => (read.getAllKeys().onsuccess = (e) => resolve(e.target.result)),
        );
        if (!keys.includes('demo-acoustics-offload')) continue;
        const values = await new Promise(
          (resolve) =>
            (base.transaction(store).objectStore(store).getAll().onsuccess = (e) => resolve(e.target.result)),
        );
        const write = base.transaction(store, 'readwrite');
        for (let i = 0; i < many; i++) {
          const value = structuredClone(values[i % values.length]);
          const job = value.value ?? value;
          job.id = `many-${i}`;
          job.title = `${job.title} ${i}`;
          write.objectStore(store).put(value, job.id);
        }
        await finished(write);
      }
      base.close();
    }
  }, count);
  const starts = [];
  for (let i = 0; i < 5; i++) {
    const from = performance.now();
    await page.goto(`${server.address}/jobs`);
    await page
      .getByRole('link', { name: /recorders \d+$/ })
      .first()
      .waitFor();
    starts.push(performance.now() - from);
  }
  await page.waitForTimeout(1500);
  await page.evaluate(() => {
    window.tasks = [];
    new PerformanceObserver((list) =>
      list.getEntries().forEach((e) => window.tasks.push(e.duration)),
    ).observe({ entryTypes: ['longtask'] });
  });
  const field = page.getByLabel('Find', { exact: true });
  await field.focus();
  const keys = [];
  for (const key of 'night 12') {
    keys.push(
      await page.evaluate(
        (char) =>
          new Promise((resolve) => {
            const input = document.activeElement;
            const set = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value').set;
            const from = performance.now();
            set.call(input, input.value + char);
            input.dispatchEvent(new Event('input', { bubbles: true }));
            requestAnimationFrame(() => setTimeout(() => resolve(performance.now() - from)));
          }),
        key,
      ),
    );
  }
  const longest = Math.max(0, ...(await page.evaluate(() => window.tasks)));
  const [start, key] = [median(starts), median(keys)];
  console.log(
    `${count} jobs: usable after ${start.toFixed(0)} ms, a key in the search ${key.toFixed(0)} ms ` +
      `(longest ${Math.max(...keys).toFixed(0)}), longest task ${longest.toFixed(0)} ms`,
  );
  goal(start < 1000, `${count} jobs usable under 1 s: ${start.toFixed(0)} ms`);
  goal(key < 50, `${count} jobs, a key in the search under 50 ms: ${key.toFixed(0)} ms`);
  await context.close();
}
await browser.close();
server.stop();
for (const words of goals) console.log(words);
