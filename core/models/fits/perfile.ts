import { nonNegative, SEED, withErrors, type Spread, type Timing } from '../../stats';

/** A copy as timed: how many bytes in how many files. */
export interface CopyTiming extends Timing {
  bytes: number;
  files: number;
}

export interface PerFileFit {
  /** s that each file costs beside its bytes. */
  perFile: Spread;
  /** B/s of the bytes. */
  rate: Spread;
}

/** Files a size of GB apart in number say nothing of what one costs: the numbers must differ so much, by the bytes. */
const APART = 2;

/**
 * What a file costs a host beside its bytes, from two timings or more on one path: one large file and many small ones. Time = bytes ÷ rate +
 * files × per-file overhead, least squares without negative parts, each timing weighted by its error.
 * @throws RangeError for fewer than two timings, or where all have about as many files to their bytes
 */
export function fitPerFile(timings: readonly CopyTiming[], seed = SEED): PerFileFit {
  if (timings.length < 2)
    throw new RangeError('Two timings are needed: one large file, and many small ones.');
  const each = timings.map(({ bytes, files }) => files / bytes);
  if (Math.max(...each) < APART * Math.min(...each))
    throw new RangeError('The copies are too much alike: time one large file, and many small ones.');
  const weights = timings.map(({ error }) => 1 / Math.max(1e-3, error));
  // In GB and thousands, so that no column drowns another.
  const rows = timings.map(({ bytes, files }, i) => [
    (bytes / 1e9) * weights[i]!,
    (files / 1e3) * weights[i]!,
  ]);
  const { range } = withErrors(timings, seed, (seconds) =>
    nonNegative(
      rows,
      seconds.map((s, i) => s * weights[i]!),
    ),
  );
  return {
    perFile: range(([, file]) => file! / 1e3),
    rate: range(([gigabyte]) => 1e9 / Math.max(1e-9, gigabyte!)),
  };
}
