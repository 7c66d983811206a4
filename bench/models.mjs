import { rooms } from './rooms.mjs';

/** Speed of the core's models, medians, built as the page's workers are. Usage: npm run bench -- models */
const core = await rooms({
  job: 'job',
  demo: 'demo',
  stock: 'catalog/stock',
  forecast: 'forecast',
  models: 'models',
  assembly: 'assembly',
  decode: 'catalog/decode',
  evidence: 'evidence',
  stats: 'stats',
  choice: 'choice',
});
const { demoJobs } = core.demo;
const { briefAt, FIRST_PLACE } = core.job;
const { DRIVES, BRIDGES, CABLES, HOSTS } = core.stock;
const { builtAs, caseOf, collect, forecast, forecastAll, forecastDays, screen, situationOf } = core.forecast;
const { run } = core.models;
const { buildPath } = core.assembly;
const { decode } = core.decode;
const { explaining } = core.evidence;
const { expectedOf } = core.stats;
const { compareBuilds } = core.choice;

const median = (values) => [...values].sort((a, b) => a - b)[values.length >> 1];
const told = (µs) => (µs >= 1000 ? `${(µs / 1000).toFixed(2)} ms` : `${µs.toFixed(3)} µs`);

/** Median time of one call in µs, over batches, after warming up; held against a goal where there is one. */
function time(name, batch, once, goal = null) {
  for (let i = 0; i < batch; i++) once(i);
  const taken = [];
  for (let k = 0; k < 31; k++) {
    const start = performance.now();
    for (let i = 0; i < batch; i++) once(i);
    taken.push(((performance.now() - start) * 1000) / batch);
  }
  const value = median(taken);
  console.log(`${name.padEnd(58)} ${told(value)}`);
  if (goal !== null) goals.push([value < goal, `${name} under ${told(goal)}: ${told(value)}`]);
}
const goals = [];

const job = briefAt(demoJobs()[0], FIRST_PLACE);
const situation = situationOf(job);
const of = caseOf(situation, job.activities[0].id);
const inputs = collect(explaining, of);
const { x: middle, chosen } = expectedOf(inputs);
const pick = (list, i) => list[i % list.length];
const others = ['larkmoor-reed-2t', 'larkmoor-reed-1t', 'oystral-merlin-2t', 'larkmoor-sedge-2t'];
const withDrive = (id) => ({ ...job.build, drive: DRIVES.find((d) => d.id === id) });

let sink = 0;
time(
  'bare forecast of a transfer: cache, heat, memory, files',
  20_000,
  (i) => (sink += run(inputs.plan({ ...middle, bytes: middle.bytes + i }, chosen)).seconds),
  5,
);
time(
  'transfer with its 1,000-sample range and working',
  5,
  () => (sink += forecast(of).figure.expected),
  10_000,
);
time(
  'bands of speed and warmth over the copy, 61 points',
  3,
  () => (sink += forecast(of).course.profile().speed.length),
);
time(
  'five years of the demo’s days, bare',
  1,
  () => (sink += forecastDays(situation, { years: 5, ranges: false }).days.length),
  20_000,
);
time(
  'five years with its range of dates',
  1,
  () => (sink += forecastDays(situation, { years: 5 }).days.length),
);
time('whole forecast of the demo job', 10, () => (sink += forecastAll(situation).activities.length));
time('a candidate screened: path and forecast in numbers', 500, (i) => {
  const build = { ...withDrive(pick(others, i)), cable: pick(CABLES, i >> 2) };
  sink += screen(caseOf(builtAs(build)(situation), of.activity.id)) ?? 0;
});
time(
  'four drives compared on one move',
  2,
  () =>
    (sink += compareBuilds(
      situation,
      of.activity.id,
      others.map((id) => ({ name: id, build: withDrive(id) })),
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
  }).segments.length;
});
time(
  'a name decoded',
  200,
  () => (sink += decode('2TB M.2 2280 PCIe 4.0 x4 NVMe, up to 7,000 MB/s').readings.length),
);
if (!Number.isFinite(sink)) throw new Error('a model gave no number');
for (const [met, words] of goals) console.log(`${met ? 'met' : 'missed'}: ${words}`);
