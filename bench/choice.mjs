import { Worker, isMainThread, parentPort, workerData } from 'node:worker_threads';
import { fileURLToPath } from 'node:url';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium as playwright } from 'playwright-core';
import { build, chromium, startServer } from '../scripts/lib.mjs';
import { built, opened } from './rooms.mjs';

/**
 * The search for what to buy: so many candidates searched, ranked and answered; in two workers, each with its share of the drives, as the
 * page does it; then in the page itself, out of a library read in as CSV. Usage: npm run bench -- choice [CANDIDATES]
 */
const ROOMS = { job: 'job', demo: 'demo', stock: 'catalog/stock', search: 'choice' };
const dir = isMainThread ? await built(ROOMS) : workerData.dir;
const core = await opened(dir, Object.keys(ROOMS));
const { SHOP } = core.stock;
const { answers, bestOf, Finalists, nonDominated, PRESETS, scoreOf, search, joinShares, wantedOf } =
  core.search;

/** A library with so many more drives, enclosures and prices, by variation of those in stock. */
function libraryOf(drives, boxes) {
  const vary = (list, count, kind, change) =>
    Array.from({ length: count }, (_, i) => {
      const like = list[i % list.length];
      return { ...like, id: `${like.id}-${i}`, model: `${like.model} v${i}`, ...change(like, i) };
    });
  const spread = (i) => 0.8 + 0.4 * ((i * 0.618) % 1);
  const rated = (fact, i) =>
    typeof fact?.value === 'number' ? { ...fact, value: Math.round(fact.value * spread(i)) } : fact;
  const some = vary(SHOP.drives, drives, 'drives', (d, i) => ({
    read: rated(d.read, i),
    write: rated(d.write, i + 7),
  }));
  const more = vary(SHOP.bridges, boxes, 'bridges', (b, i) => ({ power: 0.5 + spread(i) }));
  const priceOf = (kind, list) =>
    list.map((part, i) => ({
      id: `${part.id}-p`,
      name: part.model ?? part.name,
      of: `${kind}/${part.id}`,
      on: '2026-11-02',
      amount: Math.round(20 + 300 * ((i * 0.7548) % 1)),
      currency: 'EUR',
    }));
  return {
    ...SHOP,
    drives: some,
    bridges: more,
    prices: [
      ...priceOf('drives', some),
      ...priceOf('bridges', more),
      ...SHOP.prices.filter((p) => /^(cables|accessories)/.test(p.of)),
    ],
  };
}

const job = core.demo.demoJobs()[0];
const wanted = wantedOf(job, undefined, { owned: [], currency: 'EUR', shopRanges: {} });

if (!isMainThread) {
  // Started and loaded, as the page's are kept: what is timed is a search.
  parentPort.on('message', ({ shop, share }) => {
    const going = search(wanted, shop, [], share);
    for (;;) {
      const step = going.next();
      if (step.done) return parentPort.postMessage(step.value);
    }
  });
  parentPort.postMessage('ready');
} else {
  const goal = Number(process.argv[2] ?? 100_000);
  console.log(
    `bench: choice, ${wanted.places[0].host.name}, ${wanted.places[0].activities.length} activities`,
  );
  const results = [];
  for (const [drives, boxes] of [
    [20, 23],
    [80, 40],
    [400, 60],
    [Math.round(goal / 64), 60],
  ]) {
    const shop = libraryOf(drives, boxes);
    const start = performance.now();
    const into = [];
    const going = search(wanted, shop, into);
    let longest = 0;
    let firstAnswer = null;
    let found;
    for (let last = performance.now(); ;) {
      const step = going.next();
      const now = performance.now();
      longest = Math.max(longest, now - last);
      last = now;
      if (firstAnswer === null && into.some((c) => c.misses.length === 0)) firstAnswer = now - start;
      if (step.done) {
        found = step.value;
        break;
      }
    }
    const searched = performance.now() - start;
    const ranking = performance.now();
    const best = bestOf(found.candidates);
    const scores = found.candidates.map((c) => scoreOf(c, best, PRESETS.projects));
    const edge = nonDominated(found.candidates);
    const ranked = performance.now() - ranking;
    const answering = performance.now();
    const got = answers(found.candidates, new Finalists(wanted), wanted);
    const answered = performance.now() - answering;
    results.push({ looked: found.looked, searched });
    console.log(
      `${found.looked} builds that plug together, of ${found.combinations} combinations: searched ${(searched / 1000).toFixed(2)} s in one thread ` +
        `(${((searched * 1000) / found.looked).toFixed(0)} µs each), ${found.candidates.length} work, ranked ${ranked.toFixed(0)} ms, ` +
        `answered ${answered.toFixed(0)} ms, first that meets ${firstAnswer?.toFixed(0)} ms, longest piece ${longest.toFixed(0)} ms, ` +
        `edge of ${edge.length}, best score ${scores.reduce((a, b) => Math.max(a, b), 0).toFixed(2)}, ${got.meets ? 'an answer' : 'no answer'}, ` +
        `heap ${(process.memoryUsage().heapUsed / 1e6).toFixed(0)} MB`,
    );
  }
  const shop = libraryOf(Math.round(goal / 64), 60);
  const said = (worker) =>
    new Promise((resolve, reject) => worker.once('message', resolve).once('error', reject));
  const workers = [0, 1].map(() => new Worker(fileURLToPath(import.meta.url), { workerData: { dir } }));
  await Promise.all(workers.map(said));
  const start = performance.now();
  const parts = workers.map((worker, at) => {
    worker.postMessage({ shop, share: { at, of: 2 } });
    return said(worker);
  });
  const { looked, candidates } = joinShares(await Promise.all(parts), wanted, shop);
  const both = (performance.now() - start) / 1000;
  const rate = (100_000 / looked) * both;
  console.log(
    `two workers: ${looked} builds, ${candidates.length} work, in ${both.toFixed(2)} s, handing over and joining included`,
  );
  await Promise.all(workers.map((worker) => worker.terminate()));
  rmSync(dir, { recursive: true, force: true });
  const [a, b] = [results[0], results.at(-1)];
  console.log(
    `growth: ${b.looked / a.looked} times the builds take ${(b.searched / a.searched).toFixed(1)} times as long`,
  );
  console.log(
    `${rate <= 2 ? 'met' : 'missed'}: 100,000 builds searched in ${rate.toFixed(2)} s in two workers (goal: 2 s)`,
  );

  await inPage(Math.round(goal / 57));
  process.exit(0);
}

/** The same in the page: when the first answer stands there, how long its longest task is while it searches, sorts and narrows. */
async function inPage(drives) {
  const goal = (met, words) => console.log(`${met ? 'met' : 'missed'}: ${words}`);
  build();
  const folder = mkdtempSync(join(tmpdir(), 'kymar-choice-'));
  const head = 'Id,Maker,Model,Medium,Form factor,Plug,Modes,Capacity,Reads,Writes';
  const lines = Array.from(
    { length: drives },
    (_, i) =>
      `q-${i},Quillfen,Brook ${i},flash,M.2 2280,M.2,pcie4x4,${1 + (i % 4)} TB,${3000 + ((i * 7) % 3900)} MB/s,${2000 + ((i * 11) % 3400)} MB/s`,
  );
  const file = join(folder, 'drives.csv');
  writeFileSync(file, [head, ...lines].join('\n'));
  const server = await startServer([]);
  const browser = await playwright.launch({
    executablePath: chromium(),
    args: ['--no-sandbox', '--disable-background-networking', '--disable-gpu'],
  });
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  // The table of all builds is open, as for who works with it.
  await page.addInitScript(() => localStorage.setItem('kymar-folds', '{"*":true}'));
  await page.goto(`${server.address}/parts`);
  await page.getByLabel('File with parts').setInputFiles(file);
  await page.getByRole('button', { name: /^Take over/ }).click({ timeout: 60_000 });
  await page.getByText('Saved in this browser').waitFor({ timeout: 60_000 });
  await page.getByRole('link', { name: 'All jobs' }).click();
  await page
    .getByRole('link', { name: /Nightly offload/ })
    .first()
    .click();
  await page.waitForTimeout(5000);
  const watch = () =>
    page.evaluate(() => {
      window.tasks = [];
      window.observer?.disconnect();
      window.observer = new PerformanceObserver((list) =>
        window.tasks.push(...list.getEntries().map((e) => e.duration)),
      );
      window.observer.observe({ entryTypes: ['longtask'] });
    });
  const longest = () => page.evaluate(() => Math.max(0, ...window.tasks));
  await watch();
  await page.evaluate(() => {
    window.began = performance.now();
    window.first = null;
    new MutationObserver(() => {
      if (window.first === null && /So far: |Meets every target|Comes nearest/.test(document.body.innerText))
        window.first = performance.now() - window.began;
    }).observe(document.body, { childList: true, subtree: true, characterData: true });
  });
  await page
    .getByRole('navigation', { name: 'Stages of the job' })
    .getByRole('link', { name: /^Choice/ })
    .click();
  await page.getByRole('heading', { name: 'All builds that work' }).waitFor({ timeout: 120_000 });
  const all = await page.evaluate(() => (performance.now() - window.began) / 1000);
  await page.waitForTimeout(3000);
  const [first, opening] = [await page.evaluate(() => window.first), await longest()];
  const said = await page.getByText(/builds that plug together were looked at/).innerText();
  console.log(`in the page: ${said.split('.')[0]}, in ${all.toFixed(2)} s`);
  goal(first < 300, `first answer on screen ${first.toFixed(0)} ms after the press (goal 300 ms)`);
  await watch();
  await page.getByRole('columnheader', { name: 'Cost' }).click();
  await page.waitForTimeout(1500);
  const sorting = await longest();
  goal(
    opening <= 50,
    `longest task of the page while it opens and searches ${opening.toFixed(0)} ms (goal 50 ms)`,
  );
  goal(
    sorting <= 50,
    `longest task of the page while the table is sorted ${sorting.toFixed(0)} ms (goal 50 ms)`,
  );
  await browser.close();
  server.stop();
  rmSync(folder, { recursive: true, force: true });
}
