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
/** How often runs differ so: without a cause that makes them, with one, and with a cause that nobody knows [memory]. */
export const UNLIKE = { byThemselves: 0.03, byCause: 0.6, byUnknown: 0.1 } as const;

/** Runs of one thing around their mean. */
export interface Scatter {
  n: number;
  /** Of what each lies off their mean, as logarithms. */
  squares: number;
  /** One sigma of one run. */
  sigma: number;
}

/** Logarithm of s, and one sigma of it. */
export interface LogTime {
  log: number;
  sigma: number;
}

const middleOf = (logs: readonly number[]): number => logs.reduce((a, b) => a + b, 0) / logs.length;
const squaresOf = (logs: readonly number[]): number => {
  const middle = middleOf(logs);
  return logs.reduce((sum, log) => sum + (log - middle) ** 2, 0);
};

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

/** Runs as one timing. @param sigma of one run */
export function timingOf(logs: readonly number[], sigma: number): { time: LogTime; scatter: Scatter } {
  const n = logs.length;
  return {
    time: { log: middleOf(logs), sigma: Math.hypot(sigma / Math.sqrt(n), MODEL_SIGMA) },
    scatter: { n, squares: squaresOf(logs), sigma },
  };
}

/** Logarithm of how probable it is that runs lie as they do around their mean. @param sigma of one run */
const residual = ({ n, squares }: Scatter, sigma: number): number =>
  n < 2
    ? 0
    : -squares / (2 * sigma ** 2) - (n - 1) * Math.log(sigma * Math.sqrt(2 * Math.PI)) - Math.log(n) / 2;

/** One way in which runs may scatter: how probable it is by how they lie, and the sigma of each mean then. */
export interface ScatterLevel {
  log: number;
  sigmas: readonly number[];
}

/** Levels less probable than the best by so much, as a logarithm, are left aside. */
const LEAST = 6;

/**
 * As usual, or as where something comes and goes.
 * @param timed what was timed, each with how its runs lie; absent: nobody knows
 * @param share how often runs are unlike each other
 */
export function scatterLevels(
  timed: readonly { time: LogTime; scatter?: Scatter | undefined }[],
  share: number,
): ScatterLevel[] {
  const usual = timed.map(({ time }) => time.sigma);
  if (!timed.some(({ scatter }) => (scatter?.n ?? 1) > 1)) return [{ log: 0, sigmas: usual }];
  const wide = ({ sigma }: Scatter) => Math.hypot(sigma, WIDE);
  const sum = (sigmaOf: (scatter: Scatter) => number) =>
    timed.reduce((total, { scatter }) => total + (scatter ? residual(scatter, sigmaOf(scatter)) : 0), 0);
  const levels: ScatterLevel[] = [
    { log: Math.log(1 - share) + sum(({ sigma }) => sigma), sigmas: usual },
    {
      log: Math.log(share) + sum(wide),
      sigmas: timed.map(({ time, scatter }) =>
        scatter ? Math.hypot(wide(scatter) / Math.sqrt(scatter.n), MODEL_SIGMA) : time.sigma,
      ),
    },
  ];
  const most = Math.max(...levels.map(({ log }) => log));
  return levels.filter(({ log }) => log > most - LEAST);
}
