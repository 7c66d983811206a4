import { row, type Assumption } from './row';

const MB = 1e6;
const CACHE = 'cache as a share of the free capacity';
const STAYS = 'share of the cache that stays when the drive fills';
const SUSTAINED = 'sustained writing, past the cache';
const OF_CACHED = 'sustained writing as a share of writing into the cache';
const COMMON = 'how common it is, cells not named';
const OUTER = 'outer tracks';
const USE = ['transfer', 'arrays'] as const;
const POWER = 'power fully busy';
const IDLE = 'power doing nothing';

/** What a class does with small requests. */
interface Random {
  /** Share of the sequential rate that 4 KiB reach deep in a queue. */
  read: number;
  write: number;
  /** µs of one read. */
  latency: readonly [number, number, number];
  /** MB/s of random writing past the cache. */
  past: readonly [number, number, number];
}

/** The rows of a class's random work [memory]. */
function randomRows<Id extends string>(id: Id, on: string, { read, write, latency, past }: Random) {
  const deep = (what: string, share: number) =>
    row(
      `4 KiB ${what} deep in a queue, as a share of the sequential rate`,
      [share * 0.65, share, Math.min(0.95, share * 1.45)],
      'ratio',
      'memory',
      ['random', 'loads'],
      on,
    );
  const times = ([low, expected, high]: readonly [number, number, number], by: number) =>
    [low * by, expected * by, high * by] as const;
  const rows = {
    'iops.read': deep('reads', read),
    'iops.write': deep('writes', write),
    'latency.read': row(
      'drive and system, one read',
      times(latency, 1e-6),
      's',
      'memory',
      ['path', 'random', 'loads'],
      on,
    ),
    'random-sustained': row(
      'random writing past the cache',
      times(past, MB),
      'B/s',
      'memory',
      ['random'],
      on,
    ),
  };
  type Rows = typeof rows;
  return Object.fromEntries(Object.entries(rows).map(([key, value]) => [`${id}.${key}`, value])) as {
    [Key in keyof Rows as `${Id}.${Key & string}`]: Assumption;
  };
}

/** What is on the market, class by class: figures that belong together. Which class a drive is of follows from whatever is known of it. */
export const CLASSES = {
  'pcie-tlc-large.common': row(
    COMMON,
    [0.25, 0.42, 0.6],
    '%',
    'memory',
    ['classes'],
    'PCIe TLC, large cache',
  ),
  'pcie-tlc-small.common': row(
    COMMON,
    [0.14, 0.28, 0.45],
    '%',
    'memory',
    ['classes'],
    'PCIe TLC, small cache',
  ),
  'pcie-qlc.common': row(COMMON, [0.15, 0.3, 0.48], '%', 'memory', ['classes'], 'PCIe QLC'),
  'sata-tlc.common': row(COMMON, [0.55, 0.75, 0.9], '%', 'memory', ['classes'], 'SATA TLC'),
  'sata-qlc.common': row(COMMON, [0.1, 0.25, 0.45], '%', 'memory', ['classes'], 'SATA QLC'),
  'pcie-tlc-large.cache': row(CACHE, [0.15, 0.24, 0.33], 'ratio', 'memory', USE, 'PCIe TLC, large cache'),
  'pcie-tlc-large.stays': row(STAYS, [0, 0.03, 0.1], 'ratio', 'memory', USE, 'PCIe TLC, large cache'),
  'pcie-tlc-small.cache': row(CACHE, [0.02, 0.035, 0.06], 'ratio', 'memory', USE, 'PCIe TLC, small cache'),
  'pcie-tlc-small.stays': row(STAYS, [0.3, 0.7, 1], 'ratio', 'memory', USE, 'PCIe TLC, small cache'),
  'pcie-tlc.sustained.DRAM': row(
    OF_CACHED,
    [0.2, 0.32, 0.5],
    'ratio',
    'memory',
    USE,
    'PCIe TLC with DRAM, 1 TB and more',
  ),
  'pcie-tlc.sustained.none': row(
    OF_CACHED,
    [0.12, 0.21, 0.35],
    'ratio',
    'memory',
    USE,
    'PCIe TLC without DRAM, 1 TB and more',
  ),
  'pcie-tlc.sustained.unknown': row(
    OF_CACHED,
    [0.13, 0.27, 0.48],
    'ratio',
    'memory',
    USE,
    'PCIe TLC, 1 TB and more',
  ),
  'pcie-tlc.small': row(
    'what a small one has of that',
    [0.4, 0.5, 0.65],
    'ratio',
    'memory',
    USE,
    'PCIe TLC of 250 to 500 GB: fewer chips',
  ),
  'sealed.inside': row(
    'what the drive inside takes of what the box says',
    [1, 1.6, 3],
    'ratio',
    'memory',
    USE,
    'PCIe TLC in a sealed device: the box says what its link carries',
  ),
  'pcie-qlc.cache': row(CACHE, [0.1, 0.17, 0.25], 'ratio', 'memory', USE, 'PCIe QLC'),
  'pcie-qlc.stays': row(STAYS, [0.02, 0.08, 0.25], 'ratio', 'memory', USE, 'PCIe QLC'),
  'pcie-qlc.sustained': row(
    SUSTAINED,
    [80 * MB, 150 * MB, 280 * MB],
    'B/s',
    'memory',
    USE,
    'PCIe QLC of 1 TB; more with more chips',
  ),
  'sata-tlc.cache': row(CACHE, [0.005, 0.015, 0.05], 'ratio', 'memory', USE, 'SATA TLC'),
  'sata-tlc.stays': row(STAYS, [0.2, 0.6, 1], 'ratio', 'memory', USE, 'SATA TLC'),
  'sata-tlc.sustained': row(SUSTAINED, [250 * MB, 390 * MB, 500 * MB], 'B/s', 'memory', USE, 'SATA TLC'),
  'sata-tlc.sustained.small': row(
    SUSTAINED,
    [80 * MB, 170 * MB, 300 * MB],
    'B/s',
    'memory',
    USE,
    'SATA TLC up to 250 GB',
  ),
  'sata-qlc.cache': row(CACHE, [0.003, 0.02, 0.08], 'ratio', 'memory', USE, 'SATA QLC'),
  'sata-qlc.stays': row(STAYS, [0.05, 0.3, 0.8], 'ratio', 'memory', USE, 'SATA QLC'),
  'sata-qlc.sustained': row(SUSTAINED, [70 * MB, 110 * MB, 200 * MB], 'B/s', 'memory', USE, 'SATA QLC'),
  'pcie-mlc.cache': row(CACHE, [0, 0.01, 0.1], 'ratio', 'memory', USE, 'PCIe MLC'),
  'pcie-mlc.stays': row(STAYS, [0.2, 0.6, 1], 'ratio', 'memory', USE, 'PCIe MLC'),
  'pcie-mlc.sustained': row(SUSTAINED, [800 * MB, 1200 * MB, 2000 * MB], 'B/s', 'memory', USE, 'PCIe MLC'),
  'sata-mlc.cache': row(CACHE, [0, 0.005, 0.05], 'ratio', 'memory', USE, 'SATA MLC'),
  'sata-mlc.stays': row(STAYS, [0.2, 0.6, 1], 'ratio', 'memory', USE, 'SATA MLC'),
  'sata-mlc.sustained': row(SUSTAINED, [300 * MB, 420 * MB, 500 * MB], 'B/s', 'memory', USE, 'SATA MLC'),
  'pcie-slc.cache': row(CACHE, [0, 0, 0.01], 'ratio', 'memory', USE, 'PCIe SLC'),
  'pcie-slc.stays': row(STAYS, [0.2, 0.6, 1], 'ratio', 'memory', USE, 'PCIe SLC'),
  'pcie-slc.sustained': row(SUSTAINED, [1500 * MB, 2000 * MB, 2500 * MB], 'B/s', 'memory', USE, 'PCIe SLC'),
  'sata-slc.cache': row(CACHE, [0, 0, 0.01], 'ratio', 'memory', USE, 'SATA SLC'),
  'sata-slc.stays': row(STAYS, [0.2, 0.6, 1], 'ratio', 'memory', USE, 'SATA SLC'),
  'sata-slc.sustained': row(SUSTAINED, [400 * MB, 450 * MB, 500 * MB], 'B/s', 'memory', USE, 'SATA SLC'),

  ...randomRows('pcie-tlc', 'PCIe TLC', {
    read: 0.45,
    write: 0.45,
    latency: [45, 65, 100],
    past: [60, 150, 300],
  }),
  ...randomRows('pcie-qlc', 'PCIe QLC', {
    read: 0.38,
    write: 0.42,
    latency: [70, 110, 180],
    past: [8, 25, 80],
  }),
  ...randomRows('pcie-mlc', 'PCIe MLC', {
    read: 0.4,
    write: 0.4,
    latency: [60, 85, 120],
    past: [100, 250, 500],
  }),
  ...randomRows('pcie-slc', 'PCIe SLC', {
    read: 0.7,
    write: 0.7,
    latency: [10, 18, 35],
    past: [600, 1200, 2000],
  }),
  ...randomRows('sata-tlc', 'SATA TLC', {
    read: 0.6,
    write: 0.55,
    latency: [80, 115, 170],
    past: [30, 90, 200],
  }),
  ...randomRows('sata-qlc', 'SATA QLC', {
    read: 0.5,
    write: 0.5,
    latency: [110, 165, 260],
    past: [5, 15, 50],
  }),
  ...randomRows('sata-mlc', 'SATA MLC', {
    read: 0.6,
    write: 0.55,
    latency: [85, 120, 170],
    past: [50, 120, 220],
  }),
  ...randomRows('sata-slc', 'SATA SLC', {
    read: 0.6,
    write: 0.6,
    latency: [60, 80, 120],
    past: [150, 250, 350],
  }),

  'power.pcie.slow': row(POWER, [3, 4.8, 6.5], 'W', 'memory', ['heat'], 'flash on PCIe, up to 4,000 MB/s'),
  'power.pcie.fast': row(POWER, [4.5, 6.8, 9], 'W', 'memory', ['heat'], 'flash on PCIe, up to 8,000 MB/s'),
  'power.pcie.fastest': row(POWER, [8, 10.5, 13], 'W', 'memory', ['heat'], 'flash on PCIe, faster still'),
  'power.sata': row(POWER, [2, 2.9, 4], 'W', 'memory', ['heat'], 'flash on SATA'),
  'idle.pcie': row(IDLE, [0.3, 0.8, 1.8], 'W', 'memory', ['heat'], 'flash on PCIe, awake'),
  'idle.sata': row(IDLE, [0.1, 0.5, 1], 'W', 'memory', ['heat'], 'flash on SATA, awake'),

  'disk-25.outer': row(
    OUTER,
    [60 * MB, 110 * MB, 140 * MB],
    'B/s',
    'memory',
    USE,
    '2.5-inch disks, 5,400 rpm',
  ),
  'disk-25-fast.outer': row(
    OUTER,
    [90 * MB, 130 * MB, 170 * MB],
    'B/s',
    'memory',
    USE,
    '2.5-inch disks, 7,200 rpm and more',
  ),
  'disk-35-slow.outer': row(
    OUTER,
    [120 * MB, 170 * MB, 210 * MB],
    'B/s',
    'memory',
    USE,
    '3.5-inch disks, 5,400 to 5,900 rpm',
  ),
  'disk-35.outer': row(
    OUTER,
    [150 * MB, 190 * MB, 220 * MB],
    'B/s',
    'memory',
    USE,
    '3.5-inch disks, 7,200 rpm, below 8 TB',
  ),
  'disk-35-large.outer': row(
    OUTER,
    [200 * MB, 250 * MB, 285 * MB],
    'B/s',
    'memory',
    USE,
    '3.5-inch disks, 7,200 rpm, 8 TB and more',
  ),

  'built-in.cache': row(
    CACHE,
    [0.1, 0.2, 0.33],
    'ratio',
    'memory',
    USE,
    'flash on PCIe as makers build it in: plain ones and good ones',
  ),
  'built-in.disk': row('built-in drive', [70 * MB, 120 * MB, 190 * MB], 'B/s', 'memory', ['path'], 'a disk'),
  'built-in.sata': row(
    'built-in drive',
    [400 * MB, 490 * MB, 540 * MB],
    'B/s',
    'memory',
    ['path'],
    'flash on SATA',
  ),
  'built-in.pcie3': row(
    'built-in drive',
    [1000 * MB, 2000 * MB, 3200 * MB],
    'B/s',
    'memory',
    ['path'],
    'flash on PCIe gen 3',
  ),
  'built-in.pcie4': row(
    'built-in drive',
    [2500 * MB, 4200 * MB, 6500 * MB],
    'B/s',
    'memory',
    ['path'],
    'flash on PCIe gen 4 or 5',
  ),
} as const;
