/*
 * All figures of the second engine. None is taken from Kymar's core: each has its source here, most are recalled (*from memory*) by somebody who did
 * not look at the core's. Rates B/s, sizes B, times s, power W, temperatures °C.
 */
const KiB = 1024;
const MiB = 2 ** 20;
export const MB = 1e6;
export const TB = 1e12;

/**
 * Links: what the wire carries after its line code, and what travels beside the data of one packet. `request` and `gap`: data asked for at once, and
 * how long the link stands still between two such requests for all that is outstanding together.
 * Line rates and codes [USB 2.0, USB 3.2, PCI Express, Serial ATA, USB4 specifications, from memory]; gaps from memory of copies that were timed.
 */
export const LINKS = {
  // Thirteen bulk packets of 512 B in 125 µs at most; a host seldom places more than ten.
  'usb-2': { wire: 53.2 * MB, packet: 512, beside: 0, request: 64 * KiB, gap: 330e-6 },
  // 1,024 B behind a header, two link commands and their framing.
  'usb-5': { wire: 500 * MB, packet: 1024, beside: 52, request: 512 * KiB, gap: 105e-6 },
  'usb-10': { wire: 1212 * MB, packet: 1024, beside: 56, request: 512 * KiB, gap: 58e-6 },
  'usb-20': { wire: 2424 * MB, packet: 1024, beside: 56, request: 512 * KiB, gap: 41e-6 },
  // Transaction packets of 128 B inside the tunnel's own.
  'usb4-40': { wire: 3938 * MB, packet: 128, beside: 30, request: 512 * KiB, gap: 17e-6 },
  'sata-6': { wire: 600 * MB, packet: 8192, beside: 48, request: 256 * KiB, gap: 24e-6 },
  'sata-3': { wire: 300 * MB, packet: 8192, beside: 48, request: 256 * KiB, gap: 24e-6 },
  ...Object.fromEntries(
    [2, 3, 4].flatMap((generation) =>
      [1, 2, 4].map((lanes) => [
        `pcie${generation}x${lanes}`,
        {
          wire: lanes * { 2: 500, 3: 984.6, 4: 1969.2 }[generation] * MB,
          packet: 256,
          beside: 26,
          request: 256 * KiB,
          gap: 1.6e-6,
        },
      ]),
    ),
  ),
};
/** What a link may fall back to, nearest first. */
export const SLOWER = {
  'usb4-40': ['usb-20', 'usb-10', 'usb-5', 'usb-2'],
  'usb-20': ['usb-10', 'usb-5', 'usb-2'],
  'usb-10': ['usb-5', 'usb-2'],
  'usb-5': ['usb-2'],
  'sata-6': ['sata-3'],
};

/** Without queued commands: each request waits for its command, its data and its status; s for the two that are no data. */
export const SERIAL = { request: 128 * KiB, wait: 170e-6 };

/**
 * Flash by interface and cells: rate into one-bit cells, rate into its own, share of free cells lent to the cache and what stands apart for it always,
 * how much of its spare time it folds in, latency of one read. From memory of reviews of many makes.
 */
export const FLASH = {
  'sata TLC': {
    read: [535, 560],
    fast: [490, 530],
    own: [300, 470],
    lends: [0, 0.03],
    fixed: [4, 14],
    folds: 0.35,
    latency: 110e-6,
  },
  'sata QLC': {
    read: [530, 555],
    fast: [470, 520],
    own: [75, 165],
    lends: [0.02, 0.08],
    fixed: [4, 12],
    folds: 0.25,
    latency: 160e-6,
  },
  'sata MLC': {
    read: [530, 555],
    fast: [430, 510],
    own: [400, 480],
    lends: [0, 0.001],
    fixed: [0.5, 1],
    folds: 0,
    latency: 90e-6,
  },
  'pcie3 TLC': {
    read: [2900, 3450],
    fast: [2100, 3000],
    own: [650, 1500],
    lends: [0.03, 0.28],
    fixed: [5, 20],
    folds: 0.4,
    latency: 75e-6,
  },
  'pcie3 QLC': {
    read: [2200, 3300],
    fast: [1500, 2400],
    own: [110, 380],
    lends: [0.1, 0.24],
    fixed: [6, 20],
    folds: 0.3,
    latency: 105e-6,
  },
  'pcie4 TLC': {
    read: [5200, 7050],
    fast: [4300, 6500],
    own: [1100, 2100],
    lends: [0.06, 0.3],
    fixed: [8, 30],
    folds: 0.45,
    latency: 62e-6,
  },
  'sealed TLC': {
    read: [1000, 2000],
    fast: [950, 1850],
    own: [500, 1050],
    lends: [0.02, 0.15],
    fixed: [5, 20],
    folds: 0.35,
    latency: 120e-6,
  },
};
/** What moves through one drive in both ways at once costs it more than each alone. */
export const MIXED = 0.72;
/** Of a drive that is full above so much, own cells are written so much slower at the very end: blocks must be made free first. From memory. */
export const FULL = { from: 0.85, share: 0.45 };

/** Disks: outer rate, inner share, rpm, mean seek, media cache of a shingled one and what it does behind that. From memory. */
export const DISKS = {
  'portable 2.5': {
    outer: [115, 142],
    inner: [0.42, 0.52],
    rpm: 5400,
    seek: 12.5e-3,
    cache: [18, 30],
    behind: [24, 55],
  },
  'dock 3.5': {
    outer: [175, 214],
    inner: [0.46, 0.55],
    rpm: 5400,
    seek: 10.5e-3,
    cache: [25, 60],
    behind: [30, 70],
  },
  'bay 3.5': {
    outer: [228, 272],
    inner: [0.45, 0.53],
    rpm: 7200,
    seek: 8.2e-3,
    cache: [25, 60],
    behind: [35, 80],
  },
};
/** What an inexpensive box's redundancy leaves of its disks' rate when writing whole rows. From memory. */
export const PARITY = [0.5, 0.95];
/** Zones of a disk; tracks in reserve and head switches take this share. */
export const ZONES = 18;
export const SWITCHES = 0.045;

/** Heat: W at rest and per GB/s, K a W to the air, s of its thermal mass, where it slows down, where it goes on, and what is left meanwhile. From memory. */
export const HEAT = {
  bare: {
    idle: 0.9,
    perGB: [1.5, 2.6],
    toAir: [14, 19],
    tau: [110, 200],
    on: [76, 84],
    off: 9,
    left: [0.3, 0.55],
  },
  boxed: {
    idle: 1.1,
    perGB: [2.2, 3.8],
    toAir: [9, 13],
    tau: [280, 480],
    on: [70, 80],
    off: 8,
    left: [0.35, 0.6],
  },
};
export const AIR = [19, 27];

/**
 * Systems: share of memory that may be dirty before flushing begins and before writers wait, s after which it begins anyway, s of processor a byte,
 * s a file by direction (middle and spread from file to file), how far it reads ahead. Linux: vm.dirty_* of its documentation; all else from memory.
 */
export const SYSTEMS = {
  Linux: {
    begins: 0.08,
    waits: 0.17,
    after: 4,
    perByte: [0.04, 0.14],
    perFile: { write: [0.32e-3, 0.8], read: [0.22e-3, 0.8] },
    ahead: 4 * MiB,
  },
  macOS: {
    begins: 0.01,
    waits: 0.05,
    after: 2,
    perByte: [0.05, 0.16],
    perFile: { write: [0.75e-3, 0.7], read: [0.55e-3, 0.7] },
    ahead: 2 * MiB,
  },
  Windows: {
    begins: 0.005,
    waits: 0.03,
    after: 1,
    perByte: [0.06, 0.2],
    perFile: { write: [1.3e-3, 0.9], read: [0.9e-3, 0.9] },
    ahead: 2 * MiB,
  },
};
/** A unit's own per-file cost lies off its system's: machines differ by more than systems do. One sigma of the logarithm. */
export const MACHINES_DIFFER = 0.5;
/** Of a disk each file costs places besides: seeks a file, most of them gathered by caches. By direction. */
export const PLACES = { write: 0.28, read: 0.9 };
/** Built-in drives: reading, writing into its cache, behind it, the cache itself. From memory of laptops and desktops. */
export const BUILT_IN = { read: [1500, 3400], fast: [1100, 2600], own: [350, 1100], cache: [25, 110] };

/** Thumbs: lag of the start, of the stop, and the spread of one press; from memory of stopwatch times against counters. */
export const THUMB = { start: 0.24, stop: 0.31, spread: 0.11 };
/** What differs from run to run of the same machine, one sigma of the logarithm, and how much of it stays for the next. From memory. */
export const SCATTER = { sigma: [0.008, 0.03], stays: 0.4 };
/** A look is misread so often. From memory: labels that look alike. */
export const MISREAD = 0.02;
