import { spread, type Spread } from '../../stats';
import type { Cell } from '../../catalog/parts';

/*
 * What is on the market, for properties nobody knows [memory]: wide on purpose, so that an unknown shows in the range.
 */

/** Share of the capacity a cache takes on an empty drive. Cells in one-bit mode hold 1/3 (TLC) or 1/4 (QLC) of their own. */
export const CACHE_SHARE: Record<Cell | 'unknown', Spread> = {
  SLC: spread(0, 0, 0.01),
  MLC: spread(0, 0.01, 0.1),
  TLC: spread(0.01, 0.1, 0.33),
  QLC: spread(0.02, 0.12, 0.25),
  unknown: spread(0.01, 0.08, 0.33),
};

/** Writing once the cache is used up, B/s, for drives on PCIe and on SATA. */
export const REST: Record<Cell | 'unknown', { pcie: Spread; sata: Spread }> = {
  SLC: { pcie: spread(1500e6, 2000e6, 2500e6), sata: spread(400e6, 450e6, 500e6) },
  MLC: { pcie: spread(800e6, 1200e6, 2000e6), sata: spread(300e6, 420e6, 500e6) },
  TLC: { pcie: spread(300e6, 900e6, 1800e6), sata: spread(80e6, 320e6, 480e6) },
  QLC: { pcie: spread(60e6, 180e6, 400e6), sata: spread(40e6, 90e6, 180e6) },
  unknown: { pcie: spread(80e6, 500e6, 1800e6), sata: spread(50e6, 220e6, 480e6) },
};

/** A disk nobody knows: outer tracks, B/s [memory]. */
export const DISK: Spread = spread(100e6, 180e6, 280e6);
/** Media cache of a disk in B [practice]. */
export const DISK_CACHE: Record<'CMR' | 'SMR', Spread> = {
  CMR: spread(0, 0, 0),
  SMR: spread(5e9, 20e9, 60e9),
};

/** Cost of a file beside its bytes in s [practice]: 0.2 to 5 ms on solid state, more on disks, which seek. */
export const PER_FILE: Record<'flash' | 'disk', Spread> = {
  flash: spread(0.2e-3, 1e-3, 5e-3),
  disk: spread(2e-3, 8e-3, 25e-3),
};

/** How full a drive in use is, where nobody says [memory]. */
export const FILL: Spread = spread(0.05, 0.4, 0.8);

/** Of a flash cache, the share that stays whatever the fill; the rest shrinks with the free cells [memory]. */
export const CACHE_STAYS: Spread = spread(0.05, 0.2, 0.6);

/** Cells in one-bit mode hold this share of what they hold otherwise. */
export const ONE_BIT: Record<Cell | 'unknown', number> = {
  SLC: 1,
  MLC: 1 / 2,
  TLC: 1 / 3,
  QLC: 1 / 4,
  unknown: 1 / 3,
};

/** Of the built-in drive at the other end, where its sheet is silent: rate after its cache as a share of its writing rate [memory]. */
export const OTHER_REST: Spread = spread(0.2, 0.6, 1);

/** Share of its memory that a system fills before it holds a copy to the drive's own rate [memory]; a drive on a cable is written through by some. */
export const WRITE_BACK: Record<
  'Windows' | 'macOS' | 'Linux' | 'BSD' | 'own' | 'unknown',
  { inside: Spread; outside: Spread }
> = {
  Linux: { inside: spread(0.05, 0.12, 0.2), outside: spread(0.05, 0.12, 0.2) },
  BSD: { inside: spread(0.02, 0.08, 0.15), outside: spread(0.02, 0.08, 0.15) },
  macOS: { inside: spread(0.02, 0.08, 0.2), outside: spread(0.01, 0.05, 0.15) },
  Windows: { inside: spread(0.02, 0.1, 0.25), outside: spread(0, 0, 0.01) },
  own: { inside: spread(0, 0.03, 0.1), outside: spread(0, 0.03, 0.1) },
  unknown: { inside: spread(0, 0.06, 0.2), outside: spread(0, 0.04, 0.15) },
};
/** Memory of a host nobody knows, B, and how fast memory takes bytes, B/s [memory]. */
export const MEMORY: Spread = spread(4e9, 16e9, 64e9);
export const MEMORY_RATE: Spread = spread(1.5e9, 4e9, 10e9);

/** A switch of a disk between streams, s: seek and half a turn [practice]. */
export const SWITCH: Spread = spread(8e-3, 13e-3, 20e-3);
/** Inner tracks' rate as a share of the outer ones' [practice]. */
export const INNER: Spread = spread(0.45, 0.5, 0.55);
/** Once the media cache of a shingled disk is full: share of its rate where the data lands. Bands are rewritten for scattered writes; long ones fill whole bands and suffer less [practice]. */
export const SHINGLED: Record<'scattered' | 'long' | 'unknown', Spread> = {
  scattered: spread(0.08, 0.2, 0.5),
  long: spread(0.2, 0.5, 0.95),
  unknown: spread(0.08, 0.3, 0.9),
};
/** B a file from which a copy counts as long writes: some bands of 256 MB [memory]. */
export const LONG_FILE = 500e6;
/** Bytes a second that a flash drive clears out of its cache while idle [memory]. */
export const REFILL: Spread = spread(50e6, 300e6, 900e6);
/** Bytes a second that a shingled disk moves out of its media cache while idle [memory]. */
export const DISK_REFILL: Spread = spread(8e6, 25e6, 70e6);
