import { mkdtempSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { request } from 'node:http';
import { connect } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium as playwright } from 'playwright-core';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { build as bundle } from 'vite';
import { build, chromium, root, startServer } from '../scripts/lib.mjs';
import { lostByPage, lostByServer } from './lost.mjs';

/**
 * Hostile requests, mutated inputs, killed tabs, tabs that edit at once, a killed server. Bounded in count and time, on the loopback
 * address only; the seed makes it the same again. Usage: npm run bench -- attack [SEED] [PART,…]
 */
const seed = Number(process.argv[2] ?? 1);
const parts = (process.argv[3] ?? 'requests,readers,kills,tabs,server,lost').split(',');
const random = xoroshiro128plus(seed);
const upTo = (n) => (random.next() >>> 0) % n;
const pick = (list) => list[upTo(list.length)];
const goal = (met, words) => console.log(`${met ? 'met' : 'missed'}: ${words}`);
const pause = (ms) => new Promise((resolve) => setTimeout(resolve, ms));
const scratch = mkdtempSync(join(tmpdir(), 'kymar-attack-'));
process.once('exit', () => rmSync(scratch, { recursive: true, force: true }));
build();

const odd = [
  '',
  '/',
  '//',
  '/api',
  '/api/',
  '/api/runs',
  '/api/targets',
  '/api/devices',
  '/api/watchable',
  '/api/runs/x/finish',
  '/api/session',
  '/assets/',
  '/assets/x',
  '/jobs',
  '/%',
  '/%00',
  '/%2e%2e/%2e%2e/etc/passwd',
  '/assets/..%2f..%2f..%2fetc/passwd',
  '/api/runs/x/events',
  '/api/runs/../targets',
  '/__proto__',
  '/constructor',
  `/${'x'.repeat(3000)}`,
  '/\u00e4',
  '/api/runs/%ff/stop',
  '/mark.svg',
  '*',
];
const methods = ['GET', 'HEAD', 'POST', 'PUT', 'DELETE', 'PATCH', 'OPTIONS', 'TRACE', 'PROPFIND'];
const bodies = [
  '',
  '{',
  'null',
  '[]',
  '{"target":"x"}',
  '['.repeat(4000),
  '{"__proto__":{"x":1}}',
  '{"kind":"sequential","target":{"$ne":1},"mode":"write","bytes":1e308,"block":1}',
  '\u0000'.repeat(100),
  'x'.repeat(20_000),
  '{"kind":"probe","target":"../../etc","mode":"write","bytes":1048576,"block":1048576}',
  '{"kind":"files","target":"x","files":1e9,"median":-1,"spread":0,"back":"yes"}',
  '{"kind":"read","source":"../../etc"}',
  '{"kind":"steady","target":"x","bytes":67108864,"block":4096,"depth":1,"reads":1,"seconds":1,"rounds":1e6,"queue":true}',
];
const types = [
  'application/json',
  'text/plain',
  'application/x-www-form-urlencoded',
  'multipart/form-data; boundary=x',
  'application/json; charset=utf-7',
  '',
];

async function requests(count = 10_000) {
  const folder = mkdtempSync(join(scratch, 'requests-'));
  const server = await startServer(['--bench', folder, '--reserve', '0 GB']);
  const { port, host } = new URL(server.address);
  const cookie = (await fetch(server.address)).headers.get('set-cookie').split(';')[0];
  let [sent, faults, leaks, bare, crashes] = [0, 0, 0, 0, 0];
  server.child.once('exit', () => crashes++);
  const leak = new RegExp(`${root}|${folder}|/node_modules/|\\bat [A-Za-z.]+ \\(`);
  const one = () =>
    new Promise((resolve) => {
      const body = upTo(2) ? pick(bodies) : '';
      const headers = {
        host: pick([host, host, host, `localhost:${port}`, 'elsewhere.example', `${host}.example`]),
        ...(upTo(3) ? { cookie: pick([cookie, cookie.slice(0, -1), 'kymar=x', '; '.repeat(500)]) } : {}),
        ...(upTo(4)
          ? {}
          : { origin: pick([`http://${host}`, 'null', 'http://elsewhere.example', 'x'.repeat(500)]) }),
        ...(body ? { 'content-type': pick(types) } : {}),
        ...(upTo(9) ? {} : { 'x-forwarded-host': 'elsewhere.example', 'content-encoding': 'gzip' }),
      };
      const asked = request(
        {
          host: '127.0.0.1',
          port,
          method: pick(methods),
          path: encodeURI(pick(odd)).replace(/%25/g, '%') || '/',
          headers,
          agent: false,
          timeout: 10_000,
        },
        (response) => {
          let text = '';
          response.on('data', (piece) => (text = (text + piece).slice(0, 4000)));
          response.on('close', () => {
            sent++;
            if (response.statusCode >= 500) faults++;
            const own = headers.cookie === cookie;
            if (response.statusCode >= 400 && leak.test(text) && !own) leaks++;
            if (
              response.statusCode >= 400 &&
              text !== '' &&
              !/problem\+json/.test(response.headers['content-type'] ?? '')
            )
              bare++;
            resolve();
          });
        },
      );
      asked.on('error', () => (sent++, resolve()));
      asked.end(body);
    });
  /** What is no HTTP. */
  const raw = () =>
    new Promise((resolve) => {
      const socket = connect(Number(port), '127.0.0.1', () =>
        socket.end(
          pick([
            '\r\n\r\n',
            'GET\r\n\r\n',
            `GET / HTTP/9.9\r\n\r\n`,
            `GET / HTTP/1.1\r\nHost: ${host}\r\n${'X: y\r\n'.repeat(5000)}\r\n`,
            '\u0016\u0003\u0001',
            `POST /api/runs HTTP/1.1\r\nHost: ${host}\r\nContent-Length: -5\r\n\r\n`,
          ]),
        ),
      );
      socket
        .on('error', () => undefined)
        .on('close', () => (sent++, resolve()))
        .setTimeout(5000, () => socket.destroy());
      socket.resume();
    });
  for (let i = 0; i < count; i += 20)
    await Promise.all(Array.from({ length: 20 }, () => (upTo(20) ? one() : raw())));
  const alive = (await fetch(`${server.address}/api/session`)).status === 200;
  const left = readdirSync(folder).length;
  server.stop();
  console.log(
    `${sent} requests: ${faults} inner faults, ${leaks} paths told without the token, ` +
      `${bare} refusals without problem details, ${left} files left, ${crashes} crashes`,
  );
  goal(
    sent >= count && alive && faults + leaks + bare + left + crashes === 0,
    `${count.toLocaleString('en')} hostile requests: answered, nothing told, nothing left`,
  );
}

async function core(...folders) {
  const outDir = mkdtempSync(join(scratch, 'core-'));
  const input = Object.fromEntries(folders.map((folder) => [folder, join(root, 'core', folder, 'index.ts')]));
  await bundle({
    root,
    configFile: false,
    logLevel: 'error',
    ssr: { noExternal: true },
    build: {
      ssr: true,
      outDir,
      emptyOutDir: true,
      rollupOptions: { input, output: { entryFileNames: '[name].mjs' } },
    },
  });
  return Promise.all(folders.map((folder) => import(join(outDir, `${folder}.mjs`))));
}

const PIECES = [
  ' ',
  '\t',
  '\n',
  '\r\n',
  '0',
  '9',
  '1e308',
  '-1',
  ',',
  '.',
  ':',
  '=',
  '"',
  "'",
  '[',
  ']',
  '{',
  '}',
  '/',
  '+',
  ' to ',
  'GB/s',
  '__proto__',
  'constructor',
  '\u0000',
  '\ufeff',
  '\ud800',
  '½',
  'Power On Hours',
  'null',
  'true',
  '0x1F',
];

/** A text with a few places cut, doubled or replaced. */
function mutated(text) {
  let out = text;
  for (let n = 1 + upTo(4); n > 0; n--) {
    const at = upTo(out.length + 1);
    const to = Math.min(out.length, at + upTo(30));
    const way = upTo(5);
    if (way === 0) out = out.slice(0, at) + out.slice(to);
    else if (way === 1) out = out.slice(0, to) + out.slice(at);
    else if (way === 2) out = out.slice(0, at) + pick(PIECES) + out.slice(to);
    else if (way === 3) out = out.slice(0, at) + pick(PIECES).repeat(1 + upTo(40)) + out.slice(at);
    else out = out.slice(0, at) + String.fromCharCode(upTo(0x2fff)) + out.slice(at + 1);
  }
  return out;
}

async function readers(count = 100_000) {
  const [
    { readJob, writeJob },
    { readLibrary, fromRows, toRows },
    { readHealth, fromPasted },
    { parseQuantity },
    { parseFact },
    { decode },
    { readBackup, writeBackup },
    { demoJobs },
    { SHOP },
    { default: Papa },
  ] = await Promise.all([
    ...(await core('job', 'library', 'health', 'units', 'evidence', 'decode', 'backup', 'demo', 'stock')),
    import('papaparse'),
  ]);
  const [, scans] = demoJobs();
  const small = {
    ...scans,
    activities: scans.activities.slice(0, 1),
    host: { ...scans.host, ports: scans.host.ports.slice(0, 1), endpoints: [] },
  };
  const cables = SHOP.cables.slice(0, 2);
  const page = new Uint8Array(512).map((_, i) => (i * 7) & 63);
  const dimensions = [
    'bytes',
    'rate',
    'time',
    'count',
    'perDay',
    'times',
    'percent',
    'iops',
    'power',
    'length',
    'temperature',
    'number',
  ];
  const typed = [
    '1.5TB',
    '83,2 GB',
    '10Gbps',
    '2m10s',
    '1:27:05',
    '600-640 GB',
    '1 a week',
    '850k IOPS',
    '3.500 MB/s',
    '-10 °C',
  ];
  const READERS = {
    'job files': [() => JSON.stringify(small), (text) => readJob(text)],
    libraries: [() => JSON.stringify({ kymarLibrary: 1, cables }), (text) => readLibrary(text)],
    'CSV tables': [
      () => Papa.unparse(toRows('cables', cables)),
      (text) => fromRows('cables', Papa.parse(text).data),
    ],
    'health text': [
      () =>
        'Composite Temperature: 311 Kelvin\nData Units Written: 19,531,250 [10.0 TB]\nPower On Hours: 6,543',
      (text) => fromPasted(text),
    ],
    'health pages': [
      () => '',
      () => readHealth(page.map((b) => (upTo(9) ? b : upTo(256))).subarray(0, upTo(8) ? 512 : upTo(513)), ''),
    ],
    quantities: [() => pick(typed), (text) => parseQuantity(text, pick(dimensions))],
    'figures and ranges': [
      () => pick(['120 to 320 GB', '120 / 180 / 320 GB', '?', ...typed]),
      (text) => parseFact(text, pick(dimensions)),
    ],
    'names off boxes': [() => 'USB 3.2 Gen 2x2, 20GB/s M.2 2280 NVMe 2TB', (text) => decode(text)],
    'back-ups': [
      () =>
        writeBackup({
          kymarBackup: 1,
          at: '2026-01-01T00:00:00.000Z',
          jobs: [],
          parts: { 'cables/x': cables[0] },
          bin: [],
          aside: [],
        }),
      (text) => readBackup(text),
    ],
  };
  void writeJob;
  let thrown = 0;
  let longest = ['', 0];
  for (const [name, [make, read]] of Object.entries(READERS)) {
    const seedText = make();
    let worst = 0;
    const began = performance.now();
    for (let i = 0; i < count; i++) {
      const text = mutated(name === 'quantities' || name.startsWith('figures') ? make() : seedText);
      const start = performance.now();
      try {
        read(text);
      } catch (error) {
        if (thrown++ < 3)
          console.log(`${name} threw ${error.message} for ${JSON.stringify(text).slice(0, 120)}`);
      }
      worst = Math.max(worst, performance.now() - start);
    }
    // And as long as anybody can paste.
    for (const piece of PIECES) {
      const text = piece.repeat(Math.ceil(100_000 / piece.length)).slice(0, 100_000);
      for (const long of [text, `${text}x`, `a${text}`]) {
        const start = performance.now();
        read(long);
        const took = performance.now() - start;
        if (took > longest[1]) longest = [`${name}: ${JSON.stringify(piece)}`, took];
      }
    }
    console.log(
      `${name.padEnd(20)} ${count} inputs in ${((performance.now() - began) / 1000).toFixed(1)} s, longest ${worst.toFixed(1)} ms`,
    );
  }
  goal(
    thrown === 0,
    `${count.toLocaleString('en')} mutated inputs to each of ${Object.keys(READERS).length} readers: ${thrown} thrown`,
  );
  goal(
    longest[1] < 200,
    `no input of 100 kB over 200 ms: the longest took ${longest[1].toFixed(0)} ms (${longest[0]})`,
  );
}

const launch = () =>
  playwright.launch({
    executablePath: chromium(),
    args: ['--no-sandbox', '--disable-background-networking', '--disable-gpu'],
  });
const BRIEF = '/jobs/demo-acoustics-offload/brief';
const stored = (page) =>
  page.evaluate(
    () =>
      new Promise((resolve) => {
        const open = indexedDB.open('kymar');
        open.onsuccess = () => {
          const get = open.result.transaction('jobs').objectStore('jobs').get('demo-acoustics-offload');
          get.onsuccess = () => (open.result.close(), resolve(get.result));
        };
      }),
  );

async function kills(count = 200) {
  const server = await startServer();
  const browser = await launch();
  const context = await browser.newContext();
  const watcher = await context.newPage();
  await watcher.goto(`${server.address}/mark.svg`);
  let [lost, worst, unopened] = [0, 0, 0];
  const first = await context.newPage();
  await first.goto(server.address + BRIEF);
  await first.getByText('Saved in this browser').waitFor();
  await first.close();
  for (let i = 0; i < count; i++) {
    const page = await context.newPage();
    await page.goto(server.address + BRIEF);
    const field = page.getByLabel('Customer');
    await field.waitFor();
    const typed = [];
    const until = performance.now() + upTo(900);
    let n = 0;
    do {
      const text = `kill ${i}, edit ${n++}`;
      await field.fill(text);
      typed.push([text, performance.now()]);
    } while (performance.now() < until);
    const session = await context.newCDPSession(page);
    const at = performance.now();
    // The tab's process is gone from one moment to the next.
    await Promise.race([session.send('Page.crash').catch(() => undefined), pause(300)]);
    await page.close().catch(() => undefined);
    const job = await stored(watcher);
    if (!job) unopened++;
    const kept = typed.findLast(([text]) => text === job?.customer);
    const missing = typed.find(([, when]) => when > (kept?.[1] ?? -Infinity));
    const age = missing ? at - missing[1] : 0;
    worst = Math.max(worst, age);
    if (age > 1000) lost++;
  }
  const last = await context.newPage();
  await last.goto(server.address + BRIEF);
  await last.getByLabel('Customer').waitFor();
  await browser.close();
  server.stop();
  goal(
    lost === 0 && unopened === 0,
    `${count} kills of the tab: ${lost} lost more than the last second; the oldest edit lost was ${Math.round(worst)} ms old`,
  );
}

async function tabs(count = 1000) {
  const server = await startServer();
  const browser = await launch();
  const context = await browser.newContext();
  const pages = [];
  for (let i = 0; i < 3; i++) {
    const page = await context.newPage();
    await page.goto(server.address + BRIEF);
    await page.getByText('Saved in this browser').waitFor();
    await page.getByLabel('Customer').waitFor();
    pages.push(page);
  }
  // Each tab its own fields; every edit is another text, so that a lost one shows.
  const fields = [['Title', 'Note'], ['Customer', 'Due'], ['Name']];
  const expected = {};
  let edits = 0;
  const began = performance.now();
  const names = { Title: 'title', Note: 'note', Customer: 'customer' };
  for (; edits < count - 60; edits++) {
    const tab = upTo(3);
    const label = pick(fields[tab].filter((l) => l in names || l === 'Name'));
    const text = `edit ${edits} of tab ${tab}`;
    await pages[tab].getByLabel(label, { exact: true }).first().fill(text);
    expected[label] = text;
  }
  for (const page of pages) await page.getByText('Saved in this browser').waitFor();
  // And things that are added: each must be there at the end.
  await Promise.all(pages.map((page) => page.goto(`${server.address}/jobs/demo-acoustics-offload/bench`)));
  for (const page of pages) await page.getByRole('tab', { name: 'Enter a figure' }).click();
  const before = (await stored(pages[0])).runs.length;
  let added = 0;
  for (; edits < count; edits += 3)
    await Promise.all(
      pages.map(async (page) => {
        await page.getByLabel('As shown, with its unit').fill(`${300 + ++added} MB/s`);
        await page.getByRole('button', { name: 'Keep this figure' }).click();
      }),
    );
  for (const page of pages) await page.getByText('Saved in this browser').waitFor();
  await pause(2000);
  const job = await stored(pages[0]);
  const lost =
    Object.entries(expected).filter(
      ([label, text]) => (names[label] ? job[names[label]] : job.host.name) !== text,
    ).length +
    (added - (job.runs.length - before));
  const counts = await Promise.all(
    pages.map((page) => page.getByRole('heading', { level: 1 }).textContent()),
  );
  const runs = await Promise.all(pages.map((page) => page.getByRole('row').count()));
  const same = new Set(counts).size === 1 && new Set(runs).size === 1;
  await browser.close();
  server.stop();
  goal(
    lost === 0 && same,
    `${edits} interleaved edits in three tabs in ${((performance.now() - began) / 1000).toFixed(0)} ` +
      `s: ${lost} lost, the same state everywhere: ${same ? 'yes' : `no (${counts.join(' | ')}; ${runs})`}`,
  );
}

/** What a run of each kind is asked for with, long enough to be cut off in its middle. */
const RUNS = {
  sequential: { mode: 'write-read', bytes: 4e9, block: 1048576 },
  files: { files: 20_000, median: 60_000, spread: 3, back: true },
  random: { bytes: 4e8, block: 4096, depth: 4, reads: 0.5, seconds: 60 },
  steady: { bytes: 4e8, block: 4096, depth: 2, reads: 0, seconds: 20, rounds: 10 },
  probe: { bytes: 4e9, seconds: 60 },
  copy: {},
  read: {},
};

/** Kills the server in the middle of runs of each kind, one of them waiting behind it; what was there before must be there after, and nothing else. */
async function killedServer(count = 30) {
  const source = mkdtempSync(join(scratch, 'source-'));
  for (let i = 0; i < 300; i++) writeFileSync(join(source, `${i}.bin`), Buffer.alloc(2_000_000, i));
  const there = readdirSync(source).length;
  for (const [kind, of] of Object.entries(RUNS)) {
    const folder = mkdtempSync(join(scratch, 'server-'));
    const state = mkdtempSync(join(scratch, 'state-'));
    const begin = () =>
      startServer(['--bench', folder, '--source', source, '--reserve', '0 GB'], { XDG_STATE_HOME: state });
    let [left, began, during] = [0, 0, 0];
    for (let i = 0; i < count; i++) {
      const server = await begin();
      left += readdirSync(folder).length;
      const cookie = (await fetch(server.address)).headers.get('set-cookie').split(';')[0];
      const get = async (what) =>
        (await (await fetch(`${server.address}/api/${what}`, { headers: { cookie } })).json())[0].id;
      const body = JSON.stringify({
        kind,
        target: await get('targets'),
        source: await get('sources'),
        ...of,
        queue: true,
      });
      const ask = () =>
        fetch(`${server.address}/api/runs`, {
          method: 'POST',
          headers: { cookie, 'content-type': 'application/json' },
          body,
        });
      const started = [await ask(), await ask()];
      if (started.every((answer) => answer.status === 201)) began++;
      await pause(upTo(700));
      during += readdirSync(folder).length;
      server.child.kill('SIGKILL');
      await new Promise((resolve) => server.child.once('exit', resolve));
    }
    const last = await begin();
    left += readdirSync(folder).length;
    last.stop();
    goal(
      left === 0 && began === count && readdirSync(source).length === there,
      `${count} kill -9 of the server in the middle of a ${kind} run with another in the queue (${during} folders there then): ` +
        `${left} left after the next start, the source untouched`,
    );
  }
}

const around = { startServer, launch, scratch, upTo, pick, pause, goal };
async function lost() {
  await lostByServer(around);
  await lostByPage(around);
}

const ALL = { requests, readers, kills, tabs, server: killedServer, lost };
for (const part of parts) await ALL[part]();
process.exit(0);
