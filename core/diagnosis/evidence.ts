import { barePathFor, eachTime, forecast, type Case } from '../forecast';
import { isMove, type Job, type Sample } from '../job';
import { quantile, SAMPLES, SEED } from '../stats';
import { inLogs, measuredOf, timeOf } from '../measure';
import { caseMeasured, MODEL_SIGMA, verdict, type Claim } from '../verdict';
import type { Hypothesis } from './hypothesis';
import { lookedAt, lookKey, type Look } from './look';
import { LOOKS } from './looks';
import type { OwnRanges } from '../catalog/assumptions';

/** What was measured or seen, as causes are held against it. */
export interface Evidence {
  /** What it goes by, in words. */
  title: string;
  of: Case;
  toBar: boolean;
  /** Under which other circumstances; absent: as it is built. */
  look?: Look | undefined;
  /** Logarithm of the s it took, and one sigma of it; null of what was only seen. */
  time: { log: number; sigma: number } | null;
  /** What was seen; null of what was timed. */
  seen: string | null;
  /** s that its forecast expects, where there is one. */
  expected?: number | undefined;
  /** How far it lies off that, as a logarithm. */
  off: number;
  /** How far it had come when, of the last run that tells; empty where none does. */
  samples: readonly Sample[];
}

/** Only each so many-th draw of a forecast: a cause is told from another by more than that smooths. */
export const EVERY = 5;
export const DRAWS = SAMPLES / EVERY;
/** Coarsely: only each so many-th of the draws that a cause is held against. */
export const COARSE = 4;

/**
 * Logarithms of the s that a case takes in each draw; draws of the same number are of the same unit, whatever is asked of it.
 * @param seed of the draws: with another one they are of other units
 * @param coarse the same of fewer draws, where they are worked out already
 * @returns null where nothing flows
 */
export function logsOf(
  of: Case,
  toBar: boolean,
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
  const flows = eachTime(
    of,
    ({ bar, safe }, i) => (logs[i / every] = Math.log(Math.max(1e-6, toBar ? bar : safe))),
    { every, seed, known: step && step * every },
  );
  if (flows) return logs;
  const { figure } = forecast(of);
  return logs.map((_, i) => Math.log(quantile(figure, (i + 0.5) / logs.length)));
}

/** What was worked out of a case already, by cause and look: the same case is asked about again and again. */
const known = new WeakMap<Case, Map<string, Float64Array | null>>();

/**
 * {@link logsOf} of a case as it is where a cause holds.
 * @param look under which other circumstances; absent: as it is built
 */
export function logsUnder(
  cause: Hypothesis | null,
  of: Case,
  { look, toBar, every = EVERY }: { look?: Look | undefined; toBar: boolean; every?: number },
): Float64Array | null {
  const found = known.get(of) ?? new Map<string, Float64Array | null>();
  known.set(of, found);
  const keyBy = (step: number) => `${cause?.id ?? ''}|${lookKey(look)}|${toBar}|${step}`;
  const key = keyBy(every);
  const had = found.get(key);
  if (had !== undefined) return had;
  // What a cause does not touch is as it is without it.
  const here = lookedAt(look, cause, of);
  const plain = cause !== null && here === lookedAt(look, null, of);
  const coarse = every === EVERY ? found.get(keyBy(EVERY * COARSE)) : undefined;
  const logs = plain
    ? logsUnder(null, of, { look, toBar, every })
    : logsOf(here, toBar, { every, coarse: coarse ?? undefined });
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
  const keyOf = (claim: Claim) =>
    JSON.stringify([claim.activity?.id, claim.simulated, runOf(claim)?.path, runOf(claim)?.conditions.look]);
  return claims.filter(
    (claim) =>
      claim.activity === null ||
      !claims.some(
        (other) => other !== claim && keyOf(other) === keyOf(claim) && lastOf(other) > lastOf(claim),
      ),
  );
}

/** All that was measured of a job; rehearsals count only where there is nothing else. */
export function evidenceOf(job: Job, shopRanges: OwnRanges = {}): Evidence[] {
  const { claims } = verdict(job, shopRanges);
  const isReal = claims.some((c) => !c.simulated && c.measured);
  return newest(claims).flatMap(
    ({ measured: usable, simulated, impossible, title, forecast: expected }): Evidence[] => {
      if (usable?.scattered || (isReal && simulated)) return [];
      // What no path can pass was measured all the same: it tells of memory, or of a slip.
      const tooGood = impossible
        .map(({ run: r }) => r)
        .filter((r) => !r.excluded && !r.conditions.memoryBacked);
      const measured = usable ?? (tooGood.length > 0 ? measuredOf(tooGood) : null);
      const found = measured && caseMeasured(job, measured.runs, shopRanges);
      if (!found) return [];
      const { activity } = found.of;
      const bytes =
        isMove(activity) && typeof activity.bytes.value === 'number' ? activity.bytes.value : null;
      const span = timeOf(measured, bytes);
      if (!span || !Number.isFinite(span.high) || span.low <= 0) return [];
      const { log, sigma } = inLogs(span);
      const middle = expected?.time?.expected;
      const look = LOOKS.find(({ id }) => id === measured.runs[0]!.conditions.look);
      return [
        {
          ...found,
          title,
          // What was done differently is in the run's own size and direction already.
          ...(look ? { look: { ...look, change: undefined } } : {}),
          time: { log, sigma: Math.hypot(sigma, MODEL_SIGMA) },
          seen: null,
          expected: middle,
          off: middle ? Math.abs(log - Math.log(middle)) : 0,
          samples: measured.runs.findLast((r) => r.samples.length > 2)?.samples ?? [],
        },
      ];
    },
  );
}
