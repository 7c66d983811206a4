import { type Spread } from '../stats';
import { measuredOf, readingBounds, type Measured } from '../measure';
import { worked, type Estimate, type Fact, exactFact } from '../evidence';
import { forecastTransfer, surroundingsOf, transferPath, wholeTask, type Plan, type TransferTask } from '../forecast';
import { doubtsOf, isMove, samePath, type Activity, type FrozenForecast, type Job, type Move, type Run } from '../job';
import { hardCeiling, type Path } from '../build/path';
import { format } from '../units';

/** Was the forecast right? */
export interface Right {
  answer: 'as forecast' | 'short' | 'better' | 'not proven' | 'impossible' | 'no forecast';
  /** How far the measured middle is from the expected rate, as a share of it; negative when short. */
  by: number | null;
  words: string;
}

/** Is the customer's wish met? */
export interface Wish {
  answer: 'yes' | 'no' | 'not proven';
  words: string;
}

/** One thing that runs of one kind can answer. */
export interface Claim {
  key: string;
  title: string;
  activity: Activity | null;
  simulated: boolean;
  /** Whether it was measured on the customer's machine as built. */
  own: boolean;
  measured: Measured | null;
  forecast: { rate: Estimate; time: Estimate | null; frozen: FrozenForecast | null; later: number } | null;
  /** Runs that are not used, with the reason: set aside by a person, or they cannot have measured the drive. Kept and named. */
  impossible: { run: Run; words: string }[];
  /** What of the evidence used here was changed after it was kept, in words. */
  doubts: string[];
  right: Right;
  wish: Wish | null;
  /** What the result says for the customer's machine. */
  carries: string;
}

/** Runs in groups that may be taken together: same activity, direction, size, path, kind of figure, and never simulated with real. */
function groups(runs: readonly Run[]): Run[][] {
  const found = new Map<string, Run[]>();
  for (const run of runs.filter((r) => r.ended === 'done')) {
    const key = keyOf(run);
    found.set(key, [...(found.get(key) ?? []), run]);
  }
  return [...found.values()];
}

function keyOf(run: Run): string {
  const { measure } = run;
  const size =
    measure.kind === 'rate'
      ? [measure.bytes, measure.block, measure.depth]
      : measure.kind === 'timed'
        ? [measure.bytes, measure.files, measure.block, measure.depth, measure.until ?? 'written']
        : [measure.bytes, measure.files];
  return JSON.stringify([
    run.activity,
    run.direction,
    run.otherEnd,
    run.source === 'simulated',
    measure.kind === 'rate',
    size,
    run.path,
    run.conditions.target,
  ]);
}

/** Every claim the finished runs of a job can answer, in the order they were first measured. */
export function claims(job: Job): Claim[] {
  return groups(job.runs).map((runs) => claimOf(job, runs));
}

function claimOf(job: Job, runs: readonly Run[]): Claim {
  const first = runs[0]!;
  const own = first.path === 'customer';
  const on = first.path === 'customer' ? job : first.path;
  // Only what was frozen before the first of these runs, for the path they ran on, was a forecast of them.
  const frozen =
    (on && job.forecasts.filter((f) => samePath(f, on) && runs.every((run) => f.at <= run.at)).at(-1)) ??
    null;
  const { host, build } = frozen ?? on ?? { host: null, build: null };
  const end =
    first.otherEnd === 'storage'
      ? (frozen ?? job).activities.find((a) => a.id === first.activity)?.endpoint
      : undefined;
  const path =
    host && build
      ? transferPath(host, build, host.endpoints?.some((e) => e.id === end) ? end : undefined)
      : null;
  const impossible = runs.flatMap((run) => faultOf(run, path));
  const usable = runs.filter((run) => !impossible.some((i) => i.run === run));
  const used = new Set([
    ...runs.map((run) => `run ${run.id}`),
    ...(frozen ? [`forecast ${frozen.id}`] : []),
    'chain',
  ]);
  const doubts = doubtsOf(job).filter((d) => used.has(d.what === 'chain' ? 'chain' : `${d.what} ${d.id}`));
  const measured = usable.length > 0 ? measuredOf(usable) : null;
  const activity =
    job.activities.find((a) => a.id === first.activity) ??
    frozen?.activities.find((a) => a.id === first.activity) ??
    null;
  const forecast =
    path && path.blocked.length === 0
      ? forecastFor(
          path,
          first,
          {
            host: host!,
            build,
            activities: (frozen ?? job).activities,
            needs: own ? (frozen?.needs ?? job.needs) : undefined,
          },
          frozen,
        )
      : null;
  const simulated = first.source === 'simulated';
  return {
    key: keyOf(first),
    title: activity?.name ?? `Synthetic ${first.direction === 'read' ? 'reading' : 'writing'}`,
    activity,
    simulated,
    own,
    measured,
    forecast,
    impossible,
    doubts: doubts.map((d) => d.words),
    right: runs.every((run) => run.excluded)
      ? { answer: 'not proven', by: null, words: 'Every run of this kind is set aside.' }
      : measured
        ? judge(measured.rate, forecast?.rate ?? null)
        : { answer: 'impossible', by: null, words: 'No run of this kind can have measured the drive.' },
    wish: activity?.wish ? wishOf(activity, first, measured, own, simulated) : null,
    carries: `${carryOver(own, simulated, path, first)}${forecast && forecast.later > 0 ? ` Timed until the progress bar was full; all is written about ${format(forecast.later, 's', 2)} later.` : ''}`,
  };
}

/** A run whose slowest possible average lies above a hard ceiling, or that wrote into memory. */
function faultOf(run: Run, path: Path | null): { run: Run; words: string }[] {
  if (run.excluded)
    return [{ run, words: `Set aside on ${run.excluded.at.slice(0, 10)}: ${run.excluded.reason}` }];
  if (run.conditions.memoryBacked)
    return [{ run, words: 'The folder lies in memory: this measured memory, not a drive.' }];
  const ceiling = path ? hardCeiling(path) : Infinity;
  const least = readingBounds(run)[0];
  if (least <= ceiling) return [];
  return [
    {
      run,
      words: `At least ${format(least, 'B/s')} on average, error of reading allowed for, over a path that cannot pass more than ${format(ceiling, 'B/s')}: it measured memory or a file clone, not the drive.`,
    },
  ];
}

/**
 * The forecast a group is held against, until what its clock was stopped at: the frozen figures themselves where size and path agree, else the same models on the run's own
 * size and path. Its rate is the run's own bytes over that time.
 */
function forecastFor(
  path: Path,
  run: Run,
  job: Plan,
  frozen: FrozenForecast | null,
): NonNullable<Claim['forecast']> {
  const { measure } = run;
  const activity = job.activities.find((a) => a.id === run.activity);
  const whole =
    activity && isMove(activity) && run.otherEnd === 'storage' && activity.direction === run.direction
      ? activity
      : null;
  const toBar = measure.kind === 'timed' && measure.until === 'bar';
  const held = (time: Estimate, bar: Estimate | undefined) => {
    const until = toBar && bar ? bar : time;
    return {
      time: until,
      rate: measure.kind === 'rate' ? null : over(measure.bytes, until),
      later: toBar && bar ? time.expected - bar.expected : 0,
    };
  };
  const result = frozen?.results.find((r) => r.activity === run.activity);
  if (
    measure.kind !== 'rate' &&
    whole &&
    result?.time &&
    whole.bytes.value === measure.bytes &&
    whole.files.value === measure.files &&
    (!toBar || result.bar)
  ) {
    const { time, rate, later } = held(result.time, result.bar);
    return { time, rate: rate!, later, frozen };
  }
  const files =
    measure.kind === 'rate' ? exactFact(1) : measure.files === null ? UNCOUNTED : exactFact(measure.files);
  const requests =
    measure.kind !== 'bound' && measure.block !== null && measure.depth !== null
      ? { block: measure.block, depth: measure.depth }
      : null;
  const task: TransferTask = {
    direction: run.direction,
    otherEnd: run.otherEnd,
    surroundings: surroundingsOf(job),
    ...(whole ? wholeTask(job, whole) : {}),
    bytes: exactFact(measure.bytes ?? UNSAID_SIZE),
    files,
    requests,
  };
  const { rate, time, bar } = forecastTransfer(path, task);
  if (measure.kind === 'rate') return { rate, time: null, frozen, later: 0 };
  const until = held(time, bar);
  return { time: until.time, rate: until.rate!, later: until.later, frozen };
}

/** Bytes over a time, as a rate. */
const over = (bytes: number, time: Estimate): Estimate =>
  worked(
    'average rate',
    { low: bytes / time.high, expected: bytes / time.expected, high: bytes / time.low },
    'B/s',
    {
      how: time.because.how,
      formula: 'bytes ÷ time',
      filled: `${format(bytes, 'B', 4)} ÷ ${format(time.expected, 's', 4)}`,
      inputs: [time],
    },
  );

const UNCOUNTED: Fact = {
  value: null,
  source: { kind: 'unknown', note: 'nobody counted the files of this run' },
};

/** Size of a synthetic test that nobody said [memory]: what such programs take when left alone, within any cache. */
const UNSAID_SIZE = 1e9;

/** Measured interval against the forecast's range, both in B/s. */
export function judge(measured: Spread, forecast: Spread | null): Right {
  if (!forecast)
    return {
      answer: 'no forecast',
      by: null,
      words:
        'The path of these runs is not known, or nothing flows on it: there is nothing to hold them against.',
    };
  const by = measured.expected / forecast.expected - 1;
  const said = `measured ${format(measured.expected, 'B/s')} (${format(measured.low, 'B/s')} to ${format(measured.high, 'B/s')}), forecast ${format(forecast.expected, 'B/s')} (${format(forecast.low, 'B/s')} to ${format(forecast.high, 'B/s')})`;
  const share = format(Math.abs(by), '%', 2);
  if (measured.high < forecast.low) return { answer: 'short', by, words: `Short by ${share}: ${said}.` };
  if (measured.low > forecast.high) return { answer: 'better', by, words: `Better by ${share}: ${said}.` };
  if (measured.low >= forecast.low && measured.high <= forecast.high)
    return { answer: 'as forecast', by, words: `Within the range: ${said}.` };
  return {
    answer: 'not proven',
    by,
    words: `The measured interval reaches over the edge of the range: ${said}. More runs narrow it.`,
  };
}

function wishOf(
  activity: Activity,
  run: Run,
  measured: Measured | null,
  own: boolean,
  simulated: boolean,
): Wish {
  const wish = activity.wish!;
  const within = `within ${format(wish, 's')}`;
  const open = (words: string): Wish => ({ answer: 'not proven', words });
  if (!measured) return open('No usable run.');
  if (simulated) return open('Simulated runs say nothing about the customer’s drive.');
  if (!measured.time)
    return open('Only a rate was read off: the time of the whole activity was not measured.');
  if (!own) return open('Measured on another path than the customer’s.');
  const size = isMove(activity) ? sizeOf(activity, run) : null;
  if (size?.share === 'less') return open(size.words);
  const said = `${format(measured.time.expected, 's')} (${format(measured.time.low, 's')} to ${format(measured.time.high, 's')})`;
  if (measured.time.high <= wish) return { answer: 'yes', words: `Wanted ${within}, takes ${said}.` };
  if (measured.time.low > wish)
    return size?.share === 'more'
      ? open(`${size.words} It took ${said}.`)
      : { answer: 'no', words: `Wanted ${within}, takes ${said}.` };
  return open(`Wanted ${within}, takes ${said}: the interval straddles the wish.`);
}

/** Whether a run moved less or more than the whole activity, by more than 1 %; null when it is the activity. */
function sizeOf(activity: Move, { measure }: Run): { share: 'less' | 'more'; words: string } | null {
  if (measure.kind === 'rate') return null;
  const top = (value: Fact['value']) => (Array.isArray(value) ? value[2] : value);
  const compare = (moved: number | null, needed: number | null) =>
    moved === null || needed === null ? 0 : moved < needed * 0.99 ? -1 : moved > needed * 1.01 ? 1 : 0;
  const [bytes, files] = [
    compare(measure.bytes, top(activity.bytes.value)),
    compare(measure.files, top(activity.files.value)),
  ];
  if (bytes < 0)
    return {
      share: 'less',
      words: `${format(measure.bytes, 'B')} were moved; the activity ${Array.isArray(activity.bytes.value) ? 'may reach' : 'has'} ${format(top(activity.bytes.value)!, 'B')}.`,
    };
  if (files < 0)
    return {
      share: 'less',
      words: `${format(measure.files!, 'count')} files were moved; the activity has ${format(top(activity.files.value)!, 'count')}.`,
    };
  return bytes > 0 || files > 0 ? { share: 'more', words: 'More was moved than the activity has.' } : null;
}

function carryOver(own: boolean, simulated: boolean, path: Path | null, run: Run): string {
  if (simulated) return 'A rehearsal on the simulated rig.';
  if (own)
    return run.otherEnd === 'memory'
      ? 'Measured on the customer’s machine, out of memory: it shows drive and path, not the other end of the copy.'
      : 'Measured on the customer’s machine as built.';
  if (!path)
    return `Measured ${run.conditions.target ? `in ${run.conditions.target}` : 'elsewhere'}; its path is not described, so nothing carries over to the customer’s machine.`;
  return `Measured on ${path.parts.host.name}, ${path.parts.port.position}: it supports the drive and what it sits in; the customer’s port and machine are not tested.`;
}
