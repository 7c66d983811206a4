import { barePathFor, eachTime, forecast, type Case, type DrawnTime } from '../forecast';
import { isMove, type Job, type Run, type Sample } from '../job';
import { mean, quantile, SAMPLES, SEED, Z95 } from '../stats';
import { logSecondsOf } from '../measure';
import { caseMeasured, measuredClaims, type Claim, type MeasuredCase } from '../verdict';
import type { Hypothesis } from './hypothesis';
import { causeKey, leftUnder, lookedAt, lookKey, slipped, type Look } from './look';
import { LOOKS } from './looks';
import { beginningsOf } from './parts';
import { timingOf, usualScatter, type Scatter, type LogTime } from './scatter';
import type { OwnRanges } from '../catalog/assumptions';

/** What was measured or seen, as causes are held against it. */
export interface Evidence {
  /** What it goes by, in words. */
  title: string;
  of: Case;
  toBar: boolean | null;
  /** Whether it is of the beginning of a copy that is there whole too. */
  isPart?: boolean | undefined;
  /** Under which other circumstances; absent: as it is built. */
  look?: Look | undefined;
  /** Logarithm of the s it took, or of the °C it got where its case asks for that, and one sigma of it; null of what was only seen. */
  time: LogTime | null;
  /** Of several runs each, in their order, and how they lie around their mean. */
  logs?: readonly number[];
  scatter?: Scatter;
  /** Whether another program's rate was read off. */
  isRate?: boolean;
  /** What was seen; null of what was timed. */
  seen: string | null;
  /** s that its forecast expects, where there is one. */
  expected?: number | undefined;
  /** How far it lies off that, as a logarithm. */
  off: number;
  /** How far it had come when, of the last run that tells; empty where none does. */
  samples: readonly Sample[];
}

/** Whether it is a time as it is built: what a cause is looked for of. */
export const isTimed = ({ time, look, of, isPart }: Evidence): boolean =>
  time !== null && !look && !of.asksHottest && !isPart;

/** Only each so many-th draw of a forecast: a cause is told from another by more than that smooths. */
export const EVERY = 5;
export const DRAWS = SAMPLES / EVERY;
/** Coarsely: only each so many-th of the draws that a cause is held against. */
export const COARSE = 4;

/**
 * Logarithms of the s that a case takes in each draw, or of the °C that it gets where that is asked of it; draws of the same
 * number are of the same unit, whatever is asked of it.
 * @param seed of the draws: with another one they are of other units
 * @param coarse the same of fewer draws, where they are worked out already
 * @returns null where nothing flows
 */
export function logsOf(
  of: Case,
  toBar: boolean | null,
  {
    every = EVERY,
    seed = SEED,
    coarse,
  }: { every?: number; seed?: number; coarse?: Float64Array | undefined } = {},
): Float64Array | null {
  if (barePathFor(of).blocked.length > 0) return null;
  const logs = new Float64Array(SAMPLES / every);
  const step = coarse && logs.length / coarse.length;
  coarse?.forEach((log, i) => (logs[i * step!] = log));
  // Where nobody said until what, it is the one in half of the draws and the other in half.
  const asked = ({ bar, safe, hottest }: DrawnTime, i: number) =>
    of.asksHottest ? hottest : (toBar ?? evenly(i) < 0.5) ? bar : safe;
  const flows = eachTime(of, (drawn, i) => (logs[i / every] = Math.log(Math.max(1e-6, asked(drawn, i)))), {
    every,
    seed,
    known: step && step * every,
  });
  if (flows) return logs;
  const { figure } = forecast(of);
  return logs.map((_, i) => Math.log(quantile(figure, (i + 0.5) / logs.length)));
}

/** s: nothing anybody times is shorter. */
const SHORTEST = 0.05;
/** The golden ratio's steps lie evenly in 0 to 1, however many there are. */
const evenly = (i: number): number => ((i / EVERY + 0.5) * 0.6180339887498949) % 1;

/** What was worked out of a case already, by cause and look: the same case is asked about again and again. */
const known = new WeakMap<Case, Map<string, Float64Array | null>>();

/**
 * {@link logsOf} of a case as it is where a cause holds.
 * @param look under which other circumstances; absent: as it is built
 */
export function logsUnder(
  whole: Hypothesis | null,
  of: Case,
  { look: under, toBar, every = EVERY }: { look?: Look | undefined; toBar: boolean | null; every?: number },
): Float64Array | null {
  const { look, cause } = leftUnder(under, whole);
  const found = known.get(of) ?? new Map<string, Float64Array | null>();
  known.set(of, found);
  const keyBy = (step: number) => `${causeKey(cause)}|${lookKey(look)}|${toBar}|${step}`;
  const key = keyBy(every);
  const had = found.get(key);
  if (had !== undefined) return had;
  // What a cause does not touch is as it is without it.
  const here = lookedAt(look, cause, of);
  const plain = cause !== null && here === lookedAt(look, null, of);
  const slip = of.asksHottest ? null : slipped(look, cause, of);
  const coarse = every === EVERY && !slip ? found.get(keyBy(EVERY * COARSE)) : undefined;
  const clean = plain
    ? logsUnder(null, of, { look, toBar, every })
    : logsOf(here, toBar, { every, coarse: coarse ?? undefined });
  const logs =
    clean && slip
      ? clean.map((log, i) => Math.log(Math.max(SHORTEST, slip(Math.exp(log), evenly(i * every)))))
      : clean;
  found.set(key, logs);
  return logs;
}

/** When the last run of a claim was made. */
const lastOf = ({ measured, impossible }: Claim): string =>
  [...(measured?.runs ?? []), ...impossible.map(({ run: r }) => r)].reduce(
    (at, r) => (r.at > at ? r.at : at),
    '',
  );

/** Of the same work at the same place what was measured last: what it was before, something has changed since. */
function newest(claims: readonly Claim[]): Claim[] {
  const runOf = ({ measured, impossible }: Claim) => measured?.runs[0] ?? impossible[0]?.run;
  // Of another size it is another measurement, or one of the two was typed wrong.
  const sizeOf = (run: Run | undefined) => (run && 'bytes' in run.measure ? run.measure.bytes : null);
  const keyOf = (claim: Claim) => {
    const run = runOf(claim);
    return JSON.stringify([
      claim.activity?.id,
      claim.simulated,
      run?.path,
      run?.conditions.look,
      sizeOf(run),
    ]);
  };
  return claims.filter(
    (claim) =>
      claim.activity === null ||
      !claims.some(
        (other) => other !== claim && keyOf(other) === keyOf(claim) && lastOf(other) > lastOf(claim),
      ),
  );
}

/** One sigma of what a drive says of its own warmth, °C, and of what the model of its heat leaves out [memory]. */
const [READ_WARM, MODEL_WARM] = [3, 0.08];

/** How hot a drive got in these runs, where that was read; nothing of a drive whose heat nobody models. */
function warmthOf(title: string, { of }: MeasuredCase, runs: readonly Run[]): Evidence[] {
  const read = runs.flatMap(({ conditions: { hottest } }) => hottest ?? []);
  if (read.length === 0 || of.build.drive.media !== 'flash') return [];
  const hottest = mean(read);
  const asked: Case = { ...of, asksHottest: true };
  const logs = hottest > 1 ? logsUnder(null, asked, { toBar: false, every: EVERY * COARSE }) : null;
  if (!logs?.every(Number.isFinite)) return [];
  const time = { log: Math.log(hottest), sigma: Math.hypot(READ_WARM / hottest, MODEL_WARM) };
  // It tells of heat, and is no time that a cause is looked for of.
  return [
    { title: `${title}, how hot it got`, of: asked, toBar: false, time, seen: null, off: 0, samples: [] },
  ];
}

/** One sigma of reading a run, as a share of it. */
function readingOf({ measure }: Run): number {
  if (measure.kind === 'timed') return measure.error / Math.max(measure.seconds, measure.error);
  return measure.kind === 'rate' ? measure.grain / measure.rate / Z95 : 0;
}

/** Runs of one thing, and what is known of the forecast they are held against. */
interface Group {
  claim: Claim;
  found: MeasuredCase;
  /** Under which other circumstances. */
  look: Look | undefined;
  runs: Run[];
  logs: number[];
}

/** What was measured of one thing, in the order of time; null where nothing tells how long it took. */
function groupOf(job: Job, claim: Claim, shopRanges: OwnRanges): Group | null {
  // What no path can pass was measured all the same: it tells of memory, or of a slip.
  const tooGood = claim.impossible
    .map(({ run: r }) => r)
    .filter((r) => !r.excluded && !r.conditions.memoryBacked);
  const runs = [...(claim.measured?.runs ?? []), ...tooGood].sort((a, b) => a.at.localeCompare(b.at));
  const made = runs.length > 0 ? caseMeasured(job, runs, shopRanges) : null;
  if (!made) return null;
  const look = LOOKS.find(({ id }) => id === runs[0]!.conditions.look);
  const found = { ...made, of: asKnown(made.of, look) };
  const { activity } = found.of;
  const bytes = isMove(activity) && typeof activity.bytes.value === 'number' ? activity.bytes.value : null;
  const logs = logSecondsOf(runs, bytes);
  return logs.length > 0 ? { claim, found, look, runs, logs } : null;
}

/** What nobody typed of a run, and its look says all the same. */
function asKnown(of: Case, look: Look | undefined): Case {
  const { activity } = of;
  if (!look?.known || !isMove(activity) || activity.files.value !== null) return of;
  return { ...of, activity: { ...activity, ...look.known } };
}

/** All that was measured of a job; rehearsals count only where there is nothing else. */
export function evidenceOf(job: Job, shopRanges: OwnRanges = {}): Evidence[] {
  const claims = measuredClaims(job, shopRanges);
  const isReal = claims.some((c) => !c.simulated && c.measured);
  const groups = newest(claims)
    .filter(({ simulated }) => !isReal || !simulated)
    .flatMap((claim) => groupOf(job, claim, shopRanges) ?? []);
  const usual = usualScatter(groups.map(({ logs }) => logs));
  return groups.flatMap(({ claim: { title, forecast: expected }, found, look, runs, logs }): Evidence[] => {
    const reading = Math.sqrt(mean(runs.map((r) => readingOf(r) ** 2)));
    const { time, scatter } = timingOf(logs, Math.hypot(usual, reading));
    const middle = expected?.time?.expected;
    const course = runs.findLast((r) => r.samples.length > 2);
    return [
      {
        ...found,
        title,
        // What was done differently is in the run's own size and direction already.
        ...(look ? { look: { ...look, change: undefined } } : {}),
        time,
        scatter,
        logs,
        isRate: runs.every(({ measure }) => measure.kind === 'rate'),
        seen: null,
        expected: middle,
        off: middle ? Math.abs(time.log - Math.log(middle)) : 0,
        samples: course?.samples ?? [],
      },
      ...(course && !look ? beginningsOf(title, found.of, found.toBar, course) : []),
      ...warmthOf(title, found, runs),
    ];
  });
}
