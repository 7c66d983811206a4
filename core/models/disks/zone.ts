import { formula } from '../../evidence';

/**
 * How a disk's rate falls from its outer tracks to its inner ones with the position x (0 to 1): straight down, or as constant density on tracks that
 * shorten evenly. k is the rate of the innermost tracks as a share of the outermost [practice: 0.45 to 0.55].
 */
export type Law = 'linear' | 'constant density';
export const LAWS: readonly Law[] = ['linear', 'constant density'];

/** Share of the outer rate at position x. */
export function rateShare(law: Law, k: number, x: number): number {
  return law === 'linear' ? 1 - (1 - k) * x : Math.sqrt(1 - (1 - k * k) * x);
}

/** Time to pass the first share f of a disk, as a multiple of its capacity ÷ outer rate: the integral of 1 ÷ {@link rateShare}, in closed form. */
export function timeShare(law: Law, k: number, f: number): number {
  if (k === 1) return f;
  return law === 'linear'
    ? Math.log(1 / (1 - (1 - k) * f)) / (1 - k)
    : (2 * (1 - Math.sqrt(1 - (1 - k * k) * f))) / (1 - k * k);
}

/** Share of a disk passed after the share u of the time that all of it takes: the inverse of {@link timeShare}, scaled. */
export function passed(law: Law, k: number, u: number): number {
  if (k === 1) return u;
  return law === 'linear' ? (1 - k ** u) / (1 - k) : (1 - (1 - (1 - k) * u) ** 2) / (1 - k * k);
}

/** Time to pass all of a disk. */
export const wholeDisk = formula({
  name: 'time over the whole disk',
  unit: 's',
  inputs: { capacity: 'capacity', outer: 'outer tracks', share: 'mean of 1 ÷ share of the outer rate' },
  of: (m, x) => m.mul(m.div(x.capacity, x.outer), x.share),
});
