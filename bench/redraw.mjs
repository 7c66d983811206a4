import { chromium as playwright } from 'playwright-core';
import { chromium, startServer } from '../scripts/lib.mjs';

/**
 * From a click on another part to the path recomputed and painted, and from a click on a segment to its alternatives.
 * Usage: npm run bench -- redraw [ROUNDS]
 */
const rounds = Number(process.argv[2] ?? 15);
const server = await startServer();
const browser = await playwright.launch({
  executablePath: chromium(),
  args: ['--no-sandbox', '--disable-background-networking', '--disable-gpu'],
});
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
await page.goto(server.address);
await page.getByRole('navigation').waitFor();
await page.goto(`${server.address}/jobs/demo-acoustics-offload/path`);
await page.getByText('Cheapest mend').waitFor();

/** Clicks an element in the page. @returns ms until the frame after the change is painted */
const timed = (locator) =>
  locator.evaluate(async (element) => {
    // A message posted in a frame's callback arrives once that frame is painted.
    const painted = () =>
      new Promise((resolve) =>
        requestAnimationFrame(() => {
          const channel = new MessageChannel();
          channel.port1.onmessage = resolve;
          channel.port2.postMessage(null);
        }),
      );
    const start = performance.now();
    element.click();
    await painted();
    return performance.now() - start;
  });
const median = (values) => [...values].sort((a, b) => a - b)[values.length >> 1];
const told = (name, values) =>
  console.log(
    `${name.padEnd(52)} median ${median(values).toFixed(0)} ms, longest ${Math.max(...values).toFixed(0)} ms (${values.length})`,
  );

for (const [segment, words] of [
  ['drive', ['Reed 1 TB', 'Merlin 4 TB']],
  ['cable', ['C to C, 20', 'C to C, 10 Gb/s, 0.5']],
  ['port', ['Left side, front', 'by the hinge']],
]) {
  const [opens, swaps] = [[], []];
  for (let i = 0; i < rounds; i++) {
    opens.push(await timed(page.getByRole('button', { name: new RegExp(`^${segment}: change `) })));
    await page.getByPlaceholder('Type to search').fill(words[i % 2]);
    swaps.push(await timed(page.getByRole('option', { name: words[i % 2] }).first()));
    await page.getByPlaceholder('Type to search').waitFor({ state: 'detached' });
  }
  told(`alternatives of the ${segment} shown`, opens);
  told(`another ${segment} taken, path and findings redrawn`, swaps);
}
await browser.close();
server.stop();
