import { spread, type Spread } from '../evidence';
import type { Cell } from '../parts';

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

/** Disks: outer tracks in B/s; share of that wherever the data lands (inner tracks run at about half), shingled ones once their media cache is full [practice]. */
export const DISK: Spread = spread(100e6, 180e6, 280e6);
export const DISK_SHARE: Record<'CMR' | 'SMR', Spread> = { CMR: spread(0.5, 0.8, 1), SMR: spread(0.05, 0.2, 0.5) };
/** Media cache of a disk in B [practice]. */
export const DISK_CACHE: Record<'CMR' | 'SMR', Spread> = { CMR: spread(0, 0, 0), SMR: spread(5e9, 20e9, 60e9) };

/** Cost of a file beside its bytes in s [practice]: 0.2 to 5 ms on solid state, more on disks, which seek. */
export const PER_FILE: Record<'flash' | 'disk', Spread> = { flash: spread(0.2e-3, 1e-3, 5e-3), disk: spread(2e-3, 8e-3, 25e-3) };
