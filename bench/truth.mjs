import { rooms } from './rooms.mjs';
import { TRADE, tradeErrors } from './trade.mjs';

/**
 * How true forecasts are: jobs planted with figures of their own, some of them hidden, and held against the 90 % ranges; and figures of the trade held
 * against what is expected. Usage: npm run bench -- truth [SEED] [JOBS]
 */
const seed = Number(process.argv[2] ?? 1);
const JOBS = Number(process.argv[3] ?? 2000);
const core = await rooms({
  forecast: 'forecast',
  models: 'models',
  evidence: 'evidence',
  stats: 'stats',
  assembly: 'assembly',
  links: 'catalog/links',
});
const { situationOf, caseOf, collect, forecast, openedOver, pathOf } = core.forecast;
const { run } = core.models;
const { bare, explaining } = core.evidence;
const { noise, gaussian, quantile } = core.stats;
const { formatEnd, timeShare } = core.models;
/** Laws of a disk's zones, as the models name them. */
const LAWS = ['linear', 'constant density'];

const uniform = noise(seed);
const normal = gaussian(uniform);
const between = (low, high) => low + (high - low) * uniform();
const log = (low, high) => Math.exp(between(Math.log(low), Math.log(high)));
const chance = (p) => uniform() < p;
const pick = (list) => list[Math.floor(uniform() * list.length)];
const fact = (value, kind = 'entered') => ({ value, source: { kind } });
const unknown = { value: null, source: { kind: 'unknown' } };
/** A figure that the brief knows with a probability. */
const known = (p, value, kind) => (chance(p) ? fact(value, kind) : unknown);
/** Own noise of a run, one sigma: whatever no model has. */
const NOISE = 0.02;
const TB = 1e12;
const GB = 1e9;
const MB = 1e6;

const port = (id, connector, modes) => ({ id, position: id, connector, modes });
const PORTS = [
  port('m2', 'M.2', ['pcie4x4']),
  port('sata', 'SATA', ['sata-6']),
  port('usb-5', 'USB-C', ['usb-5']),
  port('usb-10', 'USB-C', ['usb-10']),
  port('usb-20', 'USB-C', ['usb-20', 'usb-10']),
  port('usb4', 'USB-C', ['usb4-40', 'usb-10']),
];
const cable = (mode) => ({
  id: `c-${mode}`,
  name: mode,
  ends: ['USB-C', 'USB-C'],
  modes: [mode, 'usb-10'],
  length: 0.5,
});
const box = (socket, inner, outer, more = {}) => ({
  id: `box-${outer[0]}-${socket}`,
  maker: 'Planted',
  model: 'Box',
  kind: 'enclosure',
  passThrough: false,
  socket,
  inner,
  plug: 'USB-C',
  outer,
  read: null,
  write: null,
  protocol: 'uas',
  cooling: 'metal with pad',
  ...more,
});

/** A machine: what it truly is, and what the brief says of it. */
function machine() {
  const year = Math.floor(between(2015, 2026));
  const gen = year <= 2019 ? pick(['sata', 'pcie3']) : year <= 2022 ? 'pcie3' : 'pcie4';
  const read = { sata: between(420, 540), pcie3: between(1200, 3200), pcie4: between(2800, 6500) }[gen] * MB;
  const write = read * between(0.75, 0.98);
  const memory = pick([8, 16, 32, 64]) * GB;
  const base = { id: 'host', name: 'Planted host', ports: PORTS };
  const systems = [{ family: pick(['Windows', 'macOS', 'Linux']) }];
  const truth = {
    ...base,
    system: '',
    systems,
    year,
    memory: fact(memory),
    storage: { name: 'built-in', read: fact(read, 'measured'), write: fact(write, 'measured') },
  };
  const said = chance(0.6);
  const told = {
    ...base,
    system: '',
    ...(chance(0.8) ? { systems } : {}),
    ...(chance(0.7) ? { year } : {}),
    memory: known(0.6, memory),
    storage: {
      name: 'built-in',
      read: said ? fact(read * between(0.95, 1.05), 'measured') : unknown,
      write: said ? fact(write * between(0.95, 1.05), 'measured') : unknown,
    },
  };
  return { truth, told };
}

/** A figure of a sheet that a drive reaches so much of. */
const REACHED = () => between(0.86, 1);
const drive = (more) => ({
  id: 'drive',
  maker: 'Planted',
  model: 'Drive',
  media: 'flash',
  form: 'M.2 2280',
  plug: 'M.2',
  modes: ['pcie4x4'],
  cell: null,
  read: unknown,
  write: unknown,
  rest: unknown,
  cache: unknown,
  tbw: unknown,
  warrantyYears: unknown,
  capacity: unknown,
  ...more,
});

/** Flash on PCIe, class by class as 2-models names them: shares of the market and ranges of its own. */
function pcieFlash() {
  const kind = (() => {
    const u = uniform();
    return u < 0.4 ? 'large' : u < 0.68 ? 'small' : 'qlc';
  })();
  const qlc = kind === 'qlc';
  const capacity = pick(qlc ? [1, 2, 2, 4] : [0.5, 1, 1, 2, 2, 4]) * TB;
  const small = capacity <= 0.6 * TB;
  const dram = chance(kind === 'large' ? 0.45 : kind === 'small' ? 0.6 : 0.25);
  const write = between(qlc ? 1800 : 2000, qlc ? 5000 : 6500) * MB * (small ? 0.6 : 1);
  const share = { large: [0.15, 0.33], small: [0.02, 0.06], qlc: [0.1, 0.25] }[kind];
  const cache = Math.max(6 * GB, capacity * between(...share));
  const stays = { large: between(0, 0.1), small: between(0.3, 1), qlc: between(0.02, 0.25) }[kind];
  const rest = qlc
    ? between(80, 280) * MB * Math.sqrt(capacity / TB)
    : write * (dram ? between(0.2, 0.5) : between(0.12, 0.35)) * (small ? between(0.4, 0.65) : 1);
  const tbw = capacity * (qlc ? between(180, 300) : between(500, 750));
  const common = { capacity: fact(capacity), modes: [chance(0.5) ? 'pcie4x4' : 'pcie3x4'] };
  const truth = drive({
    ...common,
    cell: qlc ? 'QLC' : 'TLC',
    read: fact(write * 1.1, 'measured'),
    write: fact(write, 'measured'),
    rest: fact(rest, 'measured'),
    cache: fact(cache, 'measured'),
    map: dram ? 'DRAM' : 'HMB',
  });
  const sheet = write / REACHED();
  const told = drive({
    ...common,
    cell: chance(0.65) ? truth.cell : null,
    read: known(0.85, sheet * 1.1, 'sheet'),
    write: known(0.85, sheet, 'sheet'),
    rest: known(0.15, rest, 'measured'),
    cache: known(0.12, cache, 'measured'),
    tbw: known(0.6, tbw, 'sheet'),
    ...(chance(0.6) ? { map: truth.map } : {}),
  });
  return { truth, told, stays };
}

function sataFlash() {
  const qlc = chance(0.25);
  const capacity = pick(qlc ? [1, 2, 4] : [0.25, 0.5, 1, 2]) * TB;
  const write = between(430, 535) * MB;
  const cache = Math.max(
    qlc ? 4 * GB : 2 * GB,
    capacity * (qlc ? between(0.003, 0.08) : between(0.005, 0.05)),
  );
  const stays = qlc ? between(0.05, 0.8) : between(0.2, 1);
  const slow = capacity <= 0.3 * TB;
  const rest = Math.min(write, (qlc ? between(70, 200) : slow ? between(80, 300) : between(250, 500)) * MB);
  const common = { capacity: fact(capacity), form: '2.5-inch, 7 mm', plug: 'SATA', modes: ['sata-6'] };
  const truth = drive({
    ...common,
    cell: qlc ? 'QLC' : 'TLC',
    read: fact(write * 1.03, 'measured'),
    write: fact(write, 'measured'),
    rest: fact(rest, 'measured'),
    cache: fact(cache, 'measured'),
  });
  const sheet = Math.min(560 * MB, write / REACHED());
  const told = drive({
    ...common,
    cell: chance(0.6) ? truth.cell : null,
    read: known(0.85, sheet * 1.02, 'sheet'),
    write: known(0.85, sheet, 'sheet'),
    rest: known(0.15, rest, 'measured'),
    cache: known(0.1, cache, 'measured'),
    tbw: known(0.5, capacity * (qlc ? between(180, 300) : between(450, 650)), 'sheet'),
  });
  return { truth, told, stays };
}

function disk(smr) {
  const portable = smr ? chance(0.75) : chance(0.15);
  const rpm = portable ? 5400 : chance(smr ? 0.2 : 0.65) ? 7200 : 5400;
  const capacity = (portable ? pick([1, 2, 4, 5]) : smr ? pick([2, 4, 6, 8]) : pick([2, 4, 8, 12, 16])) * TB;
  const outer =
    (portable
      ? between(62, 138)
      : rpm === 5400
        ? between(122, 208)
        : capacity >= 8 * TB
          ? between(202, 283)
          : between(152, 218)) * MB;
  const common = {
    media: 'disk',
    form: portable ? '2.5-inch, 15 mm' : '3.5-inch',
    plug: 'SATA',
    modes: ['sata-6'],
    capacity: fact(capacity),
  };
  const cache = between(6, 60) * GB;
  const truth = (long) =>
    drive({
      ...common,
      rpm,
      recording: smr ? 'SMR' : 'CMR',
      read: fact(outer, 'measured'),
      write: fact(outer, 'measured'),
      ...(smr
        ? {
            cache: fact(cache, 'measured'),
            rest: fact(outer * (long ? between(0.2, 0.95) : between(0.08, 0.5)), 'measured'),
          }
        : {}),
    });
  const sheet = outer / between(0.9, 1);
  const isSaid = chance(0.4);
  const told = drive({
    ...common,
    ...(chance(0.7) ? { rpm } : {}),
    ...(chance(smr ? 0.5 : 0.7) ? { recording: smr ? 'SMR' : 'CMR' } : {}),
    read: isSaid ? fact(sheet, 'sheet') : unknown,
    write: isSaid ? fact(sheet, 'sheet') : unknown,
  });
  return { truth, told, outer };
}

/** Where a drive hangs. */
function hung(plug) {
  if (plug === 'M.2') {
    const [mode, bridge] = pick([
      ['m2', null],
      ['usb-10', box('M.2', ['pcie3x2'], ['usb-10'])],
      ['usb-20', box('M.2', ['pcie3x4'], ['usb-20', 'usb-10'])],
      ['usb4', box('M.2', ['pcie4x4'], ['usb4-40', 'usb-10'])],
    ]);
    return { bridge, cable: bridge ? cable(bridge.outer[0]) : null, port: mode };
  }
  const [mode, bridge] = pick([
    ['sata', null],
    [
      'usb-5',
      box('SATA', ['sata-6'], ['usb-5'], { supply: { watts: 36, volts12: true }, cooling: 'plastic' }),
    ],
    ['usb-10', box('SATA', ['sata-6'], ['usb-10'], { supply: { watts: 36, volts12: true } })],
  ]);
  return { bridge, cable: bridge ? cable(bridge.outer[0]) : null, port: mode };
}

const entered = (value) => fact(value);
const move = (more) => ({
  id: 'a',
  name: 'Copy',
  kind: 'move',
  perDay: entered(1),
  target: null,
  direction: 'write',
  ...more,
});

/** One draw of what nobody could say even of the true parts: links, heat, memory, per-file overhead. */
function drawn(inputs) {
  const x = {};
  for (const [id, spread] of Object.entries(inputs.inputs)) x[id] = quantile(spread, between(0.02, 0.98));
  const chosen = {};
  for (const { id, ways } of inputs.choices ?? []) chosen[id] = pick(ways).id;
  return { x, chosen };
}

const ends = (inputs, x, chosen) => run(inputs.plan(x, chosen)).flows[inputs.own - 1].safe;

/** A copy: its true time, and the range that a brief with hidden figures gives. */
function copyOf(kind) {
  const { truth: host, told: toldHost } = machine();
  const many = kind === 'many files';
  const flash = { 'flash PCIe': pcieFlash, 'flash SATA': sataFlash, array: sataFlash };
  const made = many
    ? pick([pcieFlash, sataFlash])()
    : flash[kind]
      ? flash[kind]()
      : disk(kind === 'disk SMR');
  const array =
    kind === 'array'
      ? pick([
          { mode: 'stripe', by: 'system' },
          { mode: 'mirror', by: 'system' },
          { mode: 'parity', by: 'system' },
          { mode: 'stripe of mirrors', by: 'system' },
          { mode: 'stripe', by: 'firmware' },
          { mode: 'parity', by: 'firmware' },
        ])
      : null;
  const capacity = made.told.capacity.value;
  const fill = between(0.03, 0.75);
  const room = capacity * (1 - fill) * 0.92;
  const bytes = many ? Math.min(room, log(5, 120) * GB) : Math.min(room, log(15, 900) * GB);
  const files = many
    ? Math.round(bytes / (log(0.06, 2) * MB))
    : Math.max(1, Math.round(bytes / (log(8, 4000) * MB)));
  const long = bytes / files >= 100 * MB;
  const trueDrive = typeof made.truth === 'function' ? made.truth(long) : made.truth;
  const at = array
    ? (() => {
        const outer = pick(['usb-5', 'usb-10']);
        const bridge = box('SATA', ['sata-6'], [outer], { bays: 4, supply: { watts: 90, volts12: true } });
        return { bridge, cable: cable(outer), port: outer, together: 4, array };
      })()
    : hung(made.told.plug);
  const activity = move({ bytes: entered(bytes), files: entered(files) });
  const ambient = between(18, 33);
  const situation = (h, d, needs, told) =>
    situationOf({ host: h, build: { drive: d, ...at }, activities: [told], needs });
  const real = situation(host, trueDrive, { fill: entered(fill), ambient }, activity);
  const inputs = collect(bare, caseOf(real, 'a'));
  if (!inputs) return null;
  const { x, chosen } = drawn(inputs);
  if (made.stays !== undefined) x.stays = made.stays;
  const seconds = ends(inputs, x, chosen) * Math.exp(NOISE * normal());
  const heard = situation(
    toldHost,
    made.told,
    { ...(chance(0.6) ? { fill: entered(fill) } : {}), ...(chance(0.3) ? { ambient } : {}) },
    { ...activity, files: chance(many ? 0.9 : 0.6) ? entered(files) : unknown },
  );
  return { seconds, figure: forecast(caseOf(heard, 'a')).figure };
}

function loadOf() {
  const { truth: host } = machine();
  const made = pick([pcieFlash, sataFlash])();
  const at = hung(made.told.plug);
  const own = log(2.5, 44);
  const bytes = log(0.22, 11.5) * GB;
  const requests = log(1.1e3, 78e3);
  const open = (p, b, r) => ({
    id: 'a',
    name: 'Load',
    kind: 'open',
    perDay: entered(1),
    target: null,
    processing: p,
    bytes: b,
    dependentReads: r,
  });
  const situation = (d, activity) =>
    situationOf({ host, build: { drive: d, ...at }, activities: [activity], needs: {} });
  const whole = open(entered(own), entered(bytes), entered(requests));
  const real = caseOf(situation(made.truth, whole), 'a');
  const { rate, latency } = openedOver(bare, real, pathOf(real));
  const p = () => between(0.02, 0.98);
  const seconds =
    (own + bytes / quantile(rate, p()) + requests * quantile(latency, p())) * Math.exp(NOISE * normal());
  const around = (v, by) => [v / by, v, v * by];
  const told = open(
    chance(0.7) ? entered(around(own * between(0.9, 1.1), 1.15)) : unknown,
    chance(0.6) ? entered(bytes) : unknown,
    chance(0.5) ? entered(around(requests * between(0.8, 1.25), 1.4)) : unknown,
  );
  return { seconds, figure: forecast(caseOf(situation(made.told, told), 'a')).figure };
}

/** A pass over a planted disk of either law whose speed strays, as a display rounds it or cuts it off. */
function formatOf(count) {
  const law = pick(LAWS);
  const k = between(0.45, 0.55);
  const unsteady = between(0.003, 0.02);
  const steps = 400;
  const keep = Math.exp(-1 / (0.1 * steps));
  let stray = normal();
  let elapsed = 0;
  const times = [0];
  for (let i = 1; i <= steps; i++) {
    elapsed += (timeShare(law, k, i / steps) - timeShare(law, k, (i - 1) / steps)) * (1 + unsteady * stray);
    stray = stray * keep + normal() * Math.sqrt(1 - keep * keep);
    times.push(elapsed);
  }
  const at = (time) => {
    const after = times.findIndex((t) => t >= time * elapsed);
    const [a, b] = [times[after - 1], times[after]];
    return (after - 1 + (time * elapsed - a) / (b - a)) / steps;
  };
  const shown = pick([Math.round, Math.floor]);
  const total = between(6, 30) * 3600;
  const first = between(0.1, 0.4);
  const points = Array.from({ length: count }, (_, i) => {
    const time = first + 0.17 * i;
    return { share: Math.max(0.01, shown(at(time) * 100) / 100), elapsed: time * total };
  });
  return { seconds: total, figure: formatEnd(points).total };
}

const KINDS = {
  'flash PCIe': () => copyOf('flash PCIe'),
  'flash SATA': () => copyOf('flash SATA'),
  'disk CMR': () => copyOf('disk CMR'),
  'disk SMR': () => copyOf('disk SMR'),
  arrays: () => copyOf('array'),
  'many files': () => copyOf('many files'),
  loads: loadOf,
  'formats, 1 checkpoint': () => formatOf(1),
  'formats, 2 checkpoints': () => formatOf(2),
  'formats, 3 checkpoints': () => formatOf(3),
};

const median = (values) => [...values].sort((a, b) => a - b)[values.length >> 1];
const percent = (share) => `${(share * 100).toFixed(1)} %`;
const goals = [];
const all = { held: 0, count: 0, errors: [], widths: [] };
const each = Math.ceil(JOBS / Object.keys(KINDS).length);
console.log(`seed ${seed}, ${each} of each kind`);
for (const [name, plant] of Object.entries(KINDS)) {
  const mine = { held: 0, below: 0, errors: [], widths: [] };
  for (let n = 0; n < each;) {
    const found = plant();
    if (!found) continue;
    n++;
    const { seconds, figure } = found;
    if (figure.low <= seconds && seconds <= figure.high) mine.held++;
    if (seconds < figure.low) mine.below++;
    mine.errors.push(Math.abs(figure.expected / seconds - 1));
    mine.widths.push(figure.high / figure.low);
  }
  all.held += mine.held;
  all.count += each;
  all.errors.push(...mine.errors);
  all.widths.push(...mine.widths);
  console.log(
    `${name.padEnd(24)} held ${percent(mine.held / each).padStart(7)}, below ${percent(mine.below / each).padStart(6)}, ` +
      `median error ${percent(median(mine.errors)).padStart(6)}, median width ${median(mine.widths).toFixed(2)} to 1`,
  );
  goals.push([
    mine.held / each >= 0.8,
    `${name}: 90 % ranges hold ${percent(mine.held / each)} (goal: at least 80 %)`,
  ]);
}
const held = all.held / all.count;
console.log(
  `all: held ${percent(held)} of ${all.count}, median error ${percent(median(all.errors))}, median width ${median(all.widths).toFixed(2)} to 1`,
);
goals.push([held >= 0.85 && held <= 0.95, `90 % ranges hold ${percent(held)} of all (goal: 85 to 95 %)`]);

const table = tradeErrors(core, explaining);
console.log(`\n${table.length} figures of the trade`);
for (const { name, ours, low, high, unit, source, error } of table)
  console.log(
    `${percent(error).padStart(7)}  ${name}: ${ours.toPrecision(4)} ${unit}, ${low === high ? low : `${low} to ${high}`} (${source})`,
  );
const off = median(table.map((row) => row.error));
goals.push([table.length >= 30, `${table.length} figures of the trade (goal: at least 30; ${TRADE})`]);
goals.push([
  off < 0.12,
  `median error of expected against the trade's figures ${percent(off)} (goal: under 12 %)`,
]);
for (const [met, words] of goals) console.log(`${met ? 'met' : 'missed'}: ${words}`);
