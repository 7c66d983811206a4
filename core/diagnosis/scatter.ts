import { MODEL_SIGMA } from '../verdict';

/*
 * How runs of one thing differ from each other. Few runs tell little of their own scatter, so that of their kind stands beside it; and scatter is
 * evidence: a contact that fails makes runs unlike, a slip makes one of them odd.
 */

/** What runs of one thing differ by from one to the next, one sigma as a logarithm, and as how many runs that counts [memory]. */
const USUAL = { sigma: 0.02, counts: 4 };
/** A run further off than this does not tell of the usual scatter. */
const ODD = 0.1;
/** What they differ by where something comes and goes, one sigma as a logarithm [memory]. */
const WIDE = 0.35;
/** To how many times as long runs may climb from the first to the last where something builds up, as logarithms [memory]. */
const CLIMBS = [0, 0.1, 0.2, 0.3, 0.45, 0.6, 0.8];

/** How runs of one thing may differ from each other: shares of all that is measured of it; the rest scatters as usual. */
export interface Unlike {
  /** Something comes and goes. */
  comes: number;
  /** Something builds up, so that each takes longer than the one before. */
  climbs: number;
}
/** How often they do: by themselves, and with a cause that nobody knows [memory]. */
export const UNLIKE = {
  byThemselves: { comes: 0.03, climbs: 0.015 },
  byUnknown: { comes: 0.1, climbs: 0.05 },
} as const satisfies Record<string, Unlike>;
/** How often they do with a cause that makes them [memory]. */
const BY_CAUSE = { comes: 0.6, climbs: 0.4 };

/** How often runs differ where a cause holds; null is that all is well. */
export const unlikeBy = (
  cause: { comesAndGoes?: boolean | undefined; buildsUp?: boolean | undefined } | null,
): Unlike => ({
  comes: cause?.comesAndGoes ? BY_CAUSE.comes : UNLIKE.byThemselves.comes,
  climbs: cause?.buildsUp ? BY_CAUSE.climbs : UNLIKE.byThemselves.climbs,
});

/** Runs of one thing around their mean. */
export interface Scatter {
  n: number;
  /** Of what each lies off their mean, as logarithms. */
  squares: number;
  /** Of the runs in their order, each a step from -1/2 to 1/2: the sum of the steps' squares, and of each step times what its run lies off the mean. */
  steps: { squares: number; climb: number };
  /** One sigma of one run. */
  sigma: number;
}

/** Logarithm of s, and one sigma of it. */
export interface LogTime {
  log: number;
  sigma: number;
}

const middleOf = (logs: readonly number[]): number => logs.reduce((a, b) => a + b, 0) / logs.length;
/** How runs lie around their mean, and along their order. */
function aroundMean(logs: readonly number[]): Omit<Scatter, 'sigma'> {
  const [n, middle] = [logs.length, middleOf(logs)];
  const stepOf = (i: number) => (n < 2 ? 0 : i / (n - 1) - 0.5);
  const sum = (term: (off: number, step: number) => number) =>
    logs.reduce((total, log, i) => total + term(log - middle, stepOf(i)), 0);
  return {
    n,
    squares: sum((off) => off ** 2),
    steps: { squares: sum((_, step) => step ** 2), climb: sum((off, step) => off * step) },
  };
}

/** What one run differs by from the next, by all runs of a job and what is usual: one sigma as a logarithm. */
export function usualScatter(groups: readonly (readonly number[])[]): number {
  const { sigma, counts } = USUAL;
  let [squares, freedom] = [counts * sigma ** 2, counts];
  for (const logs of groups) {
    const middle = middleOf(logs);
    for (const log of logs) squares += Math.min(ODD, Math.abs(log - middle)) ** 2;
    freedom += logs.length - 1;
  }
  return Math.sqrt(squares / freedom);
}

/** Runs as one timing, in their order. @param sigma of one run */
export function timingOf(logs: readonly number[], sigma: number): { time: LogTime; scatter: Scatter } {
  const n = logs.length;
  return {
    time: { log: middleOf(logs), sigma: Math.hypot(sigma / Math.sqrt(n), MODEL_SIGMA) },
    scatter: { ...aroundMean(logs), sigma },
  };
}

/**
 * Logarithm of how probable it is that runs lie as they do around their mean.
 * @param sigma of one run
 * @param climb what the last takes longer than the first, as a logarithm
 */
function residual({ n, squares, steps }: Scatter, sigma: number, climb = 0): number {
  if (n < 2) return 0;
  const left = squares - 2 * climb * steps.climb + climb ** 2 * steps.squares;
  return -left / (2 * sigma ** 2) - (n - 1) * Math.log(sigma * Math.sqrt(2 * Math.PI)) - Math.log(n) / 2;
}

/** The same of runs that climb, nobody knows how far. */
function climbing(scatter: Scatter): number {
  const each = CLIMBS.map((climb) => residual(scatter, scatter.sigma, climb));
  const most = Math.max(...each);
  return most + Math.log(each.reduce((sum, log) => sum + Math.exp(log - most), 0) / each.length);
}

/** One way in which runs may scatter: how probable it is by how they lie, and the sigma of each mean then. */
export interface ScatterLevel {
  log: number;
  sigmas: readonly number[];
}

/** Levels less probable than the best by so much, as a logarithm, are left aside. */
const LEAST = 6;

/**
 * As usual, as where something comes and goes, or as where something builds up.
 * @param timed what was timed, each with how its runs lie; absent: nobody knows
 * @param unlike how often runs are unlike each other
 */
export function scatterLevels(
  timed: readonly { time: LogTime; scatter?: Scatter | undefined }[],
  { comes, climbs }: Unlike,
): ScatterLevel[] {
  const usual = timed.map(({ time }) => time.sigma);
  if (!timed.some(({ scatter }) => (scatter?.n ?? 1) > 1)) return [{ log: 0, sigmas: usual }];
  const level = (
    share: number,
    howProbable: (scatter: Scatter) => number,
    meanSigma: (scatter: Scatter) => number,
  ): ScatterLevel => ({
    log: timed.reduce((sum, { scatter }) => sum + (scatter ? howProbable(scatter) : 0), Math.log(share)),
    sigmas: timed.map(({ time, scatter }) =>
      scatter ? Math.hypot(meanSigma(scatter), MODEL_SIGMA) : time.sigma,
    ),
  });
  const wide = ({ sigma }: Scatter) => Math.hypot(sigma, WIDE);
  const levels = [
    level(
      1 - comes - climbs,
      (one) => residual(one, one.sigma),
      ({ sigma, n }) => sigma / Math.sqrt(n),
    ),
    level(
      comes,
      (one) => residual(one, wide(one)),
      (one) => wide(one) / Math.sqrt(one.n),
    ),
    // Where it builds up, no run is what the mean is: they are as far from it as from each other.
    level(climbs, climbing, ({ sigma, squares, n }) => Math.hypot(sigma, Math.sqrt(squares)) / Math.sqrt(n)),
  ];
  const most = Math.max(...levels.map(({ log }) => log));
  return levels.filter(({ log }) => log > most - LEAST);
}
