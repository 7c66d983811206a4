import { chromium as playwright } from 'playwright-core';
import { build, chromium, startServer } from '../scripts/lib.mjs';

/** Cold first view: compressed JavaScript and the time until the verdict's heading stands there. Usage: npm run bench -- firstview [TIMES] */
const times = Number(process.argv[2] ?? 9);
build();
const server = await startServer();
const browser = await playwright.launch({
  executablePath: chromium(),
  args: ['--no-sandbox', '--disable-background-networking', '--disable-gpu'],
});
const taken = [];
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
  await page.getByRole('heading', { name: 'It does what was wanted' }).waitFor();
  taken.push(performance.now() - start);
  // What is fetched ahead for a server that may stop comes later.
  needed = bytes;
  await page.waitForLoadState('networkidle');
  await context.close();
}
await browser.close();
server.stop();
taken.sort((a, b) => a - b);
console.log(
  `first visit, the demo made: ${(needed / 1000).toFixed(1)} kB of compressed JavaScript; ` +
    `usable after ${taken[times >> 1].toFixed(0)} ms (median of ${times}, ${taken[0].toFixed(0)} ` +
    `to ${taken.at(-1).toFixed(0)})`,
);
