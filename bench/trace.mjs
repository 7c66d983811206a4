import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium as playwright } from 'playwright-core';
import { build, chromium, startServer } from '../scripts/lib.mjs';
import { rooms } from './rooms.mjs';

/**
 * Tables of readings: planted changes found, over noisy, spiky and autocorrelated traces; then a table of so many rows read, cut and drawn in the page.
 * Usage: npm run bench -- trace [TRACES] [ROWS] [SEED]
 */
const [traces = 300, rows = 1_000_000, seed = 20] = process.argv.slice(2, 5).map(Number);
const { measure, stats } = await rooms({ measure: 'measure', stats: 'stats' });
const goal = (met, words) => console.log(`${met ? 'met' : 'missed'}: ${words}`);

/** A copy with a cache: readings every tenth of a second or so, at most so many. */
function planted({ cache, rest, fast, slow, sigma, stays, spikes }, seed, most, least = 0.1) {
  const random = stats.noise(seed);
  const normal = stats.gaussian(random);
  const dt = Math.max(least, (cache / fast + rest / slow) / most);
  const [t, bytes] = [[0], [0]];
  let [moved, now, off] = [0, 0, 0];
  while (moved < cache + rest) {
    off = stays * off + Math.sqrt(1 - stays * stays) * sigma * normal();
    const pace = (moved < cache ? fast : slow) * Math.exp(off) * (random() < spikes ? 0.2 + random() : 1);
    moved = Math.min(cache + rest, moved + pace * dt);
    t.push((now += dt));
    bytes.push(moved);
  }
  return { t: Float64Array.from(t), bytes: Float64Array.from(bytes) };
}

const random = stats.noise(seed);
const between = (a, b) => a + (b - a) * random();
const log = (a, b) => Math.exp(between(Math.log(a), Math.log(b)));
const edges = [];
const levels = [];
let [missed, invented] = [0, 0];
for (let i = 0; i < traces; i++) {
  const fast = log(3e8, 6e9);
  const cache = Math.max(log(2e9, 6e11), 10 * fast);
  const slow = fast * log(0.06, 0.75);
  const of = {
    cache,
    fast,
    slow,
    rest: Math.max(cache * log(0.4, 4), 10 * slow),
    sigma: between(0.005, 0.1),
    stays: [0, 0.5, 0.8, 0.93][i % 4],
    spikes: [0, 0.01, 0.04][i % 3],
  };
  const {
    cache: found,
    slow: behind,
    phases,
  } = measure.tracePhasesOf(planted(of, seed * 1000 + i, 20_000), { media: 'flash', ceiling: null });
  if (!found || found.atLeast) {
    missed++;
  } else {
    edges.push(Math.abs(found.bytes - cache) / (cache + of.rest));
    levels.push(Math.abs(behind / slow - 1));
  }
  if (phases.length > 2) invented++;
}
const share = (list, most) => list.filter((v) => v <= most).length / traces;
console.log(
  `bench: trace, ${traces} planted copies; ${missed} changes not found, ${invented} traces with a phase too many`,
);
goal(
  share(edges, 0.01) >= 0.95,
  `planted change within 1 % of the size in ${(100 * share(edges, 0.01)).toFixed(1)} % (goal 95)`,
);
goal(
  share(levels, 0.05) >= 0.9,
  `rate behind it within 5 % in ${(100 * share(levels, 0.05)).toFixed(1)} % (goal 90)`,
);

build();
const folder = mkdtempSync(join(tmpdir(), 'kymar-trace-'));
const big = planted(
  { cache: 4e11, rest: 6e11, fast: 2.4e9, slow: 7e8, sigma: 0.05, stays: 0.6, spikes: 0.01 },
  5,
  rows,
  1e-5,
);
const lines = ['Time (s),Written (bytes),Temp (C)'];
for (let i = 0; i < big.t.length; i++)
  lines.push(
    `${big.t[i].toFixed(4)},${Math.round(big.bytes[i])},${(40 + 20 * Math.min(1, i / 3e5)).toFixed(1)}`,
  );
const file = join(folder, 'readings.csv');
writeFileSync(file, lines.join('\n'));
const server = await startServer([]);
const browser = await playwright.launch({
  executablePath: chromium(),
  args: ['--no-sandbox', '--disable-background-networking', '--disable-gpu'],
});
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
await page.goto(`${server.address}/jobs/demo-acoustics-offload/bench`);
await page.getByRole('tab', { name: 'Read a trace' }).click();
await page.waitForTimeout(4000);
await page.evaluate(() => {
  window.longest = 0;
  new PerformanceObserver((list) =>
    list.getEntries().forEach((e) => (window.longest = Math.max(window.longest, e.duration))),
  ).observe({ entryTypes: ['longtask'] });
});
await page.evaluate(() =>
  addEventListener('change', () => (window.began = performance.now()), { capture: true, once: true }),
);
await page.getByLabel('Table of readings').setInputFiles(file);
await page.getByRole('img', { name: /^Speed over the bytes moved, with/ }).waitFor({ timeout: 60_000 });
const took = await page.evaluate(
  () =>
    new Promise((done) =>
      requestAnimationFrame(() =>
        requestAnimationFrame(() => done((performance.now() - window.began) / 1000)),
      ),
    ),
);
const longest = await page.evaluate(() => window.longest);
goal(
  took < 3,
  `${lines.length - 1} rows (${(lines.join('\n').length / 1e6).toFixed(0)} MB) read, cut and drawn in ${took.toFixed(2)} s (goal 3)`,
);
goal(longest <= 50, `longest task of the page ${longest.toFixed(0)} ms (goal 50)`);
await browser.close();
server.stop();
rmSync(folder, { recursive: true, force: true });
process.exit(0);
