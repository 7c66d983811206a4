import { chromium as playwright } from 'playwright-core';
import { build, chromium, startServer } from '../scripts/lib.mjs';

/**
 * Cold first view: when something is painted, when the verdict's heading stands there, and how much compressed JavaScript that takes.
 * Usage: npm run bench -- firstview [TIMES]
 */
const times = Number(process.argv[2] ?? 9);
build();
const server = await startServer();
const browser = await playwright.launch({
  executablePath: chromium(),
  args: ['--no-sandbox', '--disable-background-networking', '--disable-gpu'],
});
const taken = [];
const painted = [];
const median = (values) => [...values].sort((a, b) => a - b)[values.length >> 1];
let [bytes, needed] = [0, 0];
for (let i = 0; i < times; i++) {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
  const page = await context.newPage();
  const session = await context.newCDPSession(page);
  await session.send('Network.enable');
  const scripts = new Set();
  bytes = 0;
  session.on('Network.responseReceived', (e) => e.type === 'Script' && scripts.add(e.requestId));
  session.on('Network.loadingFinished', (e) => scripts.has(e.requestId) && (bytes += e.encodedDataLength));
  const start = performance.now();
  await page.goto(server.address);
  await page.getByRole('heading', { name: 'It meets the targets' }).waitFor();
  taken.push(performance.now() - start);
  painted.push(
    await page.evaluate(() => performance.getEntriesByName('first-contentful-paint')[0].startTime),
  );
  // What is fetched ahead for a server that may stop comes later.
  needed = bytes;
  await page.waitForLoadState('networkidle');
  await context.close();
}
await browser.close();
server.stop();
const range = (values) =>
  `median of ${times}, ${Math.min(...values).toFixed(0)} to ${Math.max(...values).toFixed(0)}`;
const goal = (met, words) => console.log(`${met ? 'met' : 'missed'}: ${words}`);
const [shell, usable, kB] = [median(painted), median(taken), needed / 1000];
goal(shell < 300, `shell painted after ${shell.toFixed(0)} ms (${range(painted)}); goal 300 ms`);
goal(usable < 600, `usable after ${usable.toFixed(0)} ms (${range(taken)}); goal 600 ms`);
goal(kB < 180, `${kB.toFixed(1)} kB of compressed JavaScript until then; goal 180 kB`);
