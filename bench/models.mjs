import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { build } from 'vite';
import { root } from '../scripts/lib.mjs';

/** Speed of the core's models, medians, built as the page's workers are. Usage: npm run bench -- models */
const outDir = mkdtempSync(join(tmpdir(), 'kymar-models-'));
const folders = ['demo', 'stock', 'forecast', 'transfer', 'path', 'decode', 'evidence', 'compare'];
const input = Object.fromEntries(folders.map((folder) => [folder, join(root, 'core', folder, 'index.ts')]));
await build({
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
const [
  { demoJobs },
  { DRIVES, BRIDGES, CABLES, HOSTS },
  { forecastJob, forecastTransfer, inputsOf, pathOf, repeatJob, taskOf },
  { run },
  { buildPath },
  { decode },
  { expectedOf },
  { compareBuilds },
] = await Promise.all(folders.map((folder) => import(join(outDir, `${folder}.mjs`))));

const median = (values) => [...values].sort((a, b) => a - b)[values.length >> 1];
/** Median time of one call in µs, over batches, after warming up. */
function time(name, batch, run) {
  for (let i = 0; i < batch; i++) run(i);
  const taken = [];
  for (let k = 0; k < 31; k++) {
    const start = performance.now();
    for (let i = 0; i < batch; i++) run(i);
    taken.push(((performance.now() - start) * 1000) / batch);
  }
  const value = median(taken);
  console.log(
    `${name.padEnd(58)} ${value >= 1000 ? `${(value / 1000).toFixed(2)} ms` : `${value.toFixed(3)} µs`}`,
  );
}

const [job] = demoJobs();
const path = pathOf(job.host, job.build);
const task = taskOf(job, job.activities[0]);
const inputs = inputsOf(path, task);
const middle = expectedOf(inputs);
const pick = (list, i) => list[i % list.length];

let sink = 0;
time(
  'bare forecast of a transfer: cache, heat, memory, files',
  20_000,
  (i) => (sink += run(inputs.plan({ ...middle, bytes: middle.bytes + i })).seconds),
);
time(
  'transfer with its 1,000-sample range and working',
  5,
  () => (sink += forecastTransfer(path, task).time.expected),
);
time(
  'bands of speed and warmth over the copy, 61 points',
  3,
  () => (sink += forecastTransfer(path, task).profile().speed.length),
);
time(
  'five years of the demo’s days, bare',
  1,
  () => (sink += repeatJob(job, { years: 5, ranges: false }).days.length),
);
time('five years with its range of dates', 1, () => (sink += repeatJob(job, { years: 5 }).days.length));
time('whole forecast of the demo job', 10, () => (sink += forecastJob(job).activities.length));
time(
  'four drives compared on one move',
  2,
  () =>
    (sink += compareBuilds(
      job,
      job.activities[0].id,
      ['larkmoor-reed-2t', 'larkmoor-reed-1t', 'oystral-merlin-2t', 'larkmoor-sedge-2t'].map((id) => ({
        name: id,
        build: { ...job.build, drive: DRIVES.find((d) => d.id === id) },
      })),
    ).pairs.length),
);
time('path: negotiated, every constraint, bottleneck', 500, (i) => {
  const host = pick(HOSTS, i);
  sink += buildPath({
    drive: pick(DRIVES, i),
    bridge: pick([null, ...BRIDGES], i >> 2),
    cable: pick([null, ...CABLES], i >> 4),
    host,
    port: pick(host.ports, i >> 1),
  }).joints.length;
});
time(
  'a name decoded',
  200,
  () => (sink += decode('2TB M.2 2280 PCIe 4.0 x4 NVMe, up to 7,000 MB/s').readings.length),
);
if (!Number.isFinite(sink)) throw new Error('a model gave no number');
rmSync(outDir, { recursive: true });
