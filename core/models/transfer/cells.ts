import type { Cell } from '../../catalog/parts';

/** Cells in SLC mode hold this share of what they hold otherwise. */
export const SLC_SHARE: Record<Cell | 'unknown', number> = {
  SLC: 1,
  MLC: 1 / 2,
  TLC: 1 / 3,
  QLC: 1 / 4,
  unknown: 1 / 3,
};

/** B a file from which a copy counts as long writes: some bands of 256 MB [memory]. */
export const LONG_FILE = 500e6;
