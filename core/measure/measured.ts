import { given, type Estimate } from '../evidence';
import { type Run } from '../job';
import { format, formatRange } from '../units';
import { halfWidth, mean, outliers, runsUntil, Z95, type Spread } from '../stats';

/** Scatter from run to run that a single run is assumed to have, one sigma as a share [memory]: only until it is repeated. */
export const ASSUMED_SCATTER = 0.03;

/** What runs of one kind say: B/s and, where they were timed, s; 95 % intervals around the mean. */
export interface Measured {
  runs: Run[];
  /** Effective rate in B/s; null of a load, whose bytes nobody counts. */
  rate: Spread | null;
  /** Duration in s; null when only rates are known. */
  time: Spread | null;
  /** More runs until ± 3 %. */
  more: number | null;
  /** Ids of runs far out of the others. */
  far: string[];
  /** Whether they differ so much that their mean says nothing. */
  scattered: boolean;
  /** How the interval came about. */
  words: string;
}

/** An interval wider than this share of its mean either way tells nothing. */
const SCATTERED = 0.6;

/** Duration of a run in s, or null when it has none. */
export const secondsOf = (run: Run): number | null =>
  run.measure.kind === 'timed' ? run.measure.seconds : null;

/** Average rate of a run in B/s, or null for a bound or a load. */
export function rateOfRun({ measure }: Run): number | null {
  if (measure.kind === 'rate') return measure.rate;
  return measure.kind === 'timed' && measure.bytes !== null ? measure.bytes / measure.seconds : null;
}

/** Lowest and highest average rate the error of reading allows for one run (two sigma); any for a load. */
export function readingBounds({ measure }: Run): [number, number] {
  if (measure.kind === 'rate') return [measure.rate - measure.grain, measure.rate + measure.grain];
  if (measure.bytes === null) return [0, Infinity];
  if (measure.kind === 'timed')
    return [
      measure.bytes / (measure.seconds + 2 * measure.error),
      measure.bytes / Math.max(measure.seconds - 2 * measure.error, 1e-9),
    ];
  return [
    measure.atMost === null ? 0 : measure.bytes / measure.atMost,
    measure.atLeast ? measure.bytes / measure.atLeast : Infinity,
  ];
}

/**
 * The interval that runs of one kind support. Several: Student's t on their own scatter, which already holds the stopwatch's.
 * One: the error of reading and an assumed scatter. Bounds only: an open interval.
 * @param runs alike: same bytes, files, direction and path; at least one
 */
export function measuredOf(runs: readonly Run[]): Measured {
  const timed = runs.filter((run) => run.measure.kind === 'timed');
  const valued = timed.length > 0 ? timed : runs.filter((run) => run.measure.kind === 'rate');
  if (valued.length === 0) return boundsOnly(runs);
  const inTime = timed.length > 0;
  const size = 'bytes' in valued[0]!.measure ? valued[0]!.measure.bytes : null;
  const values = valued.map((run) => (inTime ? secondsFor(run, size) : rateOfRun(run)!));
  const middle = mean(values);
  const half =
    values.length > 1
      ? Math.max(halfWidth(values), readingFloor(valued, inTime))
      : singleHalf(valued[0]!, middle);
  const spread: Spread = {
    low: Math.max(middle - half, middle / 1000),
    expected: middle,
    high: middle + half,
  };
  const far = outliers(values);
  return {
    runs: [...runs],
    rate: inTime ? (size === null ? null : overTime(size, spread)) : spread,
    time: inTime ? spread : null,
    more: runsUntil(values),
    far: valued.filter((_, i) => far[i]).map((run) => run.id),
    scattered: values.length > 1 && half > SCATTERED * middle,
    words:
      values.length > 1
        ? `mean of ${values.length} runs, 95 % t-interval`
        : `one run: error of reading and an assumed scatter of ${ASSUMED_SCATTER * 100} %; repeat it`,
  };
}

/** s that a run would have taken for a size it has but for a little: runs alike may differ by what a device counts beside. */
function secondsFor(run: Run, size: number | null): number {
  const { measure } = run;
  const own = 'bytes' in measure ? measure.bytes : null;
  return secondsOf(run)! * (size !== null && own !== null ? size / own : 1);
}

/** How long a size takes as measured, s; null where only a rate is known and no size. */
export const timeOf = ({ time, rate }: Measured, bytes: number | null): Spread | null =>
  time ?? (rate && bytes ? overTime(bytes, rate) : null);

/**
 * Logarithms of the s that each of these runs took, in their order; of rates where none was timed. Bounds tell none.
 * @param bytes of what a rate was of; null where nobody knows
 */
export function logSecondsOf(runs: readonly Run[], bytes: number | null): number[] {
  const timed = runs.filter(({ measure }) => measure.kind === 'timed');
  const size = timed[0] && 'bytes' in timed[0].measure ? timed[0].measure.bytes : null;
  if (timed.length > 0) return timed.map((run) => Math.log(secondsFor(run, size)));
  return bytes === null
    ? []
    : runs.flatMap(({ measure }) => (measure.kind === 'rate' ? [Math.log(bytes / measure.rate)] : []));
}

/** A measured 95 % interval as its logarithm and one sigma of that: how causes and lessons weigh it. */
export const inLogs = ({ low, expected, high }: Spread): { log: number; sigma: number } => ({
  log: Math.log(expected),
  sigma: Math.log(high / low) / (2 * Z95),
});

/** The rate of a size over a time, and the time of one at a rate. */
const overTime = (bytes: number, { low, expected, high }: Spread): Spread => ({
  low: bytes / high,
  expected: bytes / expected,
  high: bytes / low,
});

/** Runs that agree to the last digit shown are still not known better than that digit. */
function readingFloor(runs: readonly Run[], inTime: boolean): number {
  return inTime ? 0 : Math.max(...runs.map(({ measure }) => (measure.kind === 'rate' ? measure.grain : 0)));
}

function singleHalf(run: Run, value: number): number {
  const { measure } = run;
  const reading =
    measure.kind === 'timed' ? Z95 * measure.error : measure.kind === 'rate' ? measure.grain : 0;
  return Math.hypot(reading, Z95 * ASSUMED_SCATTER * value);
}

function boundsOnly(runs: readonly Run[]): Measured {
  const limits = runs.flatMap(({ measure }) => (measure.kind === 'bound' ? [measure] : []));
  const low = Math.max(0, ...limits.map(({ atLeast }) => atLeast ?? 0));
  const high = Math.min(...limits.map(({ atMost }) => atMost ?? Infinity));
  // Of two limits the middle of the rates; of one that limit.
  const time = { low, expected: low > 0 ? 2 / (1 / low + 1 / high) : high, high };
  const bytes = limits[0]?.bytes ?? null;
  return {
    runs: [...runs],
    rate: bytes === null ? null : overTime(bytes, time),
    time,
    more: null,
    far: [],
    scattered: false,
    words: 'a bound only',
  };
}

/** Whether only a limit of it is known. */
const isBound = ({ low, high }: Spread): boolean => low === 0 || !Number.isFinite(high);

/** What was measured as people read it: a bound stays a bound. */
export function measuredWords(value: Spread, unit: 's' | 'B/s'): string {
  if (!isBound(value)) return format(value.expected, unit);
  return value.low > 0 ? `over ${format(value.low, unit)}` : `under ${format(value.high, unit)}`;
}

/** The interval that it is known to within; null of a bound. */
export const measuredRange = (value: Spread, unit: 's' | 'B/s'): string | null =>
  isBound(value) ? null : formatRange(value, unit);

/** Both, in a sentence. */
export function measuredInterval(value: Spread, unit: 's' | 'B/s'): string {
  const range = measuredRange(value, unit);
  return `${measuredWords(value, unit)}${range ? ` (${range})` : ''}`;
}

/** A measured interval as an estimate that names its runs. */
export function explainMeasured(measured: Measured, unit: 's' | 'B/s'): Estimate {
  const value = unit === 's' ? measured.time! : measured.rate!;
  return {
    ...value,
    unit,
    because: {
      name: 'measured',
      how: 'exact',
      note: measured.words,
      inputs: measured.runs.map((run, i) =>
        given(`run ${i + 1}`, unit === 's' ? (secondsOf(run) ?? NaN) : (rateOfRun(run) ?? NaN), unit, {
          kind: 'measured',
          note: `${SOURCE_WORDS[run.source]}, ${run.at.slice(0, 16).replace('T', ' ')} UTC`,
        }),
      ),
    },
  };
}

/** How warm its drive was, in words: nothing where nobody read it. */
export const warmthWords = ({ conditions: { temperature, hottest } }: Pick<Run, 'conditions'>): string[] => [
  ...(temperature === null ? [] : [`${temperature} °C at the start`]),
  ...(hottest === undefined ? [] : [`${hottest} °C at its hottest`]),
];

export const SOURCE_WORDS: Record<Run['source'], string> = {
  stopwatch: 'stopwatch',
  real: 'run by Kymar on this machine',
  watched: 'watched on this machine',
  simulated: 'simulated',
  program: 'typed in',
};
