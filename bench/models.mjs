import { join } from 'node:path';
import { createServer, isRunnableDevEnvironment } from 'vite';
import { root } from '../scripts/lib.mjs';

/** Speed of the core's models, medians. Usage: npm run bench -- models */
const vite = await createServer({ root, configFile: false, logLevel: 'error', appType: 'custom', server: { middlewareMode: true, ws: false, watch: null }, optimizeDeps: { noDiscovery: true } });
if (!isRunnableDevEnvironment(vite.environments.ssr)) throw new Error('Vite cannot run modules here.');
const load = (folder) => vite.environments.ssr.runner.import(join(root, 'core', folder, 'index.ts'));
const [{ demoJobs, DRIVES, BRIDGES, CABLES, HOSTS }, { forecastJob, forecastTransfer, pathOf }, { transferTime }, { buildPath }, { decode }] = await Promise.all(['demo', 'forecast', 'transfer', 'path', 'decode'].map(load));

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
  console.log(`${name.padEnd(58)} ${value >= 1000 ? `${(value / 1000).toFixed(2)} ms` : `${value.toFixed(3)} µs`}`);
}

const [job] = demoJobs();
const path = pathOf(job.host, job.build);
const fact = (value) => ({ value, source: { kind: 'entered' } });
const task = { direction: 'write', bytes: fact(214e9), files: fact(38_400), otherEnd: 'storage' };
const numbers = { bytes: 214e9, files: 38_400, other: 2.1e9, carries: 970e6, fast: 2.85e9, rest: 900e6, cache: 120e9, perFile: 1e-3 };
const pick = (list, i) => list[i % list.length];

let sink = 0;
time('bare transfer time', 100_000, (i) => (sink += transferTime({ ...numbers, bytes: numbers.bytes + i })));
time('transfer with its 1,000-sample range and working', 20, () => (sink += forecastTransfer(path, task).time.expected));
time('band of the speed over the copy, 61 points', 5, () => (sink += forecastTransfer(path, task).profile().length));
time('whole forecast of the demo job', 10, () => (sink += forecastJob(job).activities.length));
time('path: negotiated, every constraint, bottleneck', 500, (i) => {
  const host = pick(HOSTS, i);
  sink += buildPath({ drive: pick(DRIVES, i), bridge: pick([null, ...BRIDGES], i >> 2), cable: pick([null, ...CABLES], i >> 4), host, port: pick(host.ports, i >> 1) }).joints.length;
});
time('a name decoded', 200, () => (sink += decode('2TB M.2 2280 PCIe 4.0 x4 NVMe, up to 7,000 MB/s').readings.length));
if (!Number.isFinite(sink)) throw new Error('a model gave no number');
await vite.close();
