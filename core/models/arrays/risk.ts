import { YEAR_SECONDS } from '../../units';
import { type Spread } from '../../stats';
import { wholeDisk } from '../disks/zone';
import { survives, type Layout } from '../../assembly';
import { formula, given, worked, type Estimate } from '../../evidence';

/** Hours of a mean year; the failure rates of data sheets count so. */

/** Probability of failing within a year, from the mean time between failures: 1 − exp(−1 year ÷ MTBF). */
export const yearlyFailure = (mtbf: number): number => -Math.expm1(-YEAR_SECONDS / mtbf);

/**
 * Probability of meeting at least one unreadable sector while reading so many bytes: 1 − (1 − p)^bits, worked out so that nothing is rounded away.
 * @param perBit rate of unreadable bits as the data sheet states it: an upper bound
 */
export const unreadable = (bytes: number, perBit: number): number =>
  -Math.expm1(bytes * 8 * Math.log1p(-perBit));

/** Probability of at least two, where one is survived (double parity while rebuilding one member): 1 − (1 + n·p) · e^(−n·p), by the Poisson limit. */
export function unreadableTwice(bytes: number, perBit: number): number {
  const mean = -bytes * 8 * Math.log1p(-perBit);
  // Written as e^(−m) · (e^m − 1 − m), whose leading terms are summed where m is small.
  if (mean < 1e-4) return (mean * mean) / 2 - (mean * mean * mean) / 3;
  return -Math.expm1(-mean) - mean * Math.exp(-mean);
}

/** What a rebuild of one member reads from the others, in B. */
export function rebuildReads({ mode, members }: Layout, capacity: number): number {
  if (mode === 'mirror' || mode === 'stripe of mirrors') return capacity;
  return mode === 'parity' || mode === 'double parity' ? (members - 1) * capacity : 0;
}

/** Probability that a rebuild of one member meets what it cannot read and has nothing left to make up for it. */
export function rebuildFails(layout: Layout, capacity: number, perBit: number): number {
  const reads = rebuildReads(layout, capacity);
  if (reads === 0) return 1;
  return survives(layout) >= 2 ? unreadableTwice(reads, perBit) : unreadable(reads, perBit);
}

/**
 * Probability of losing data to failing members over so many s, with each replaced and rebuilt within `repair` s. Mean time to data loss of independent
 * members with constant rates [published 1988, ACM SIGMOD, pp. 109–116; from memory]: MTTF² ÷ (N (N − 1) · MTTR) where one may fail,
 * MTTF³ ÷ (N (N − 1) (N − 2) · MTTR²) where two may; a pair of a mirror as N = 2. Members of one batch fail together more often than that.
 */
export function lossOver(layout: Layout, mtbf: number, repair: number, seconds: number): number {
  const { mode, members: n } = layout;
  const within = (mean: number) => -Math.expm1(-seconds / mean);
  const redundant = (count: number, spare: number) => {
    let mean = mtbf;
    for (let i = 0; i < spare; i++) mean *= mtbf / repair;
    for (let i = 0; i <= spare; i++) mean /= count - i;
    return mean;
  };
  if (mode === 'stripe' || mode === 'concatenation' || mode === 'single')
    return within(mtbf / (mode === 'single' ? 1 : n));
  if (mode === 'stripe of mirrors') return within(redundant(2, 1) / (n / 2));
  return within(redundant(n, mode === 'mirror' ? n - 1 : mode === 'double parity' ? 2 : 1));
}

const throughout = formula({
  name: 'rebuild',
  unit: 's',
  inputs: { capacity: 'capacity of a member', rate: 'rate of the rebuild' },
  of: (m, x) => m.div(x.capacity, x.rate),
});

/** How long a rebuild of one member takes at least, nothing else going on: by the zones of a disk, or at a flash drive's writing rate behind its cache. */
export function rebuildTime(capacity: Estimate, rate: Estimate, zones: Spread | null): Estimate {
  if (!zones) return throughout.explain({ capacity, rate }, { name: 'rebuild of one member' });
  return wholeDisk.explain(
    {
      capacity,
      outer: rate,
      share: given('mean of 1 ÷ share of the outer rate', zones, 'ratio', {
        kind: 'practice',
        note: 'inner tracks at 0.45 to 0.55 of the outer ones, both laws',
      }),
    },
    { name: 'rebuild of one member' },
  );
}

/** A probability as an estimate with its working. */
export const probability = (
  name: string,
  value: number,
  formulaWords: string,
  inputs: Estimate[],
  note?: string,
): Estimate =>
  worked(name, { low: value, expected: value, high: value }, '%', {
    how: 'exact',
    formula: formulaWords,
    inputs,
    ...(note ? { note } : {}),
  });
