import { Z90, type Spread } from '../stats';
import { exactFact, middle, worked, type Estimate, type Fact } from '../evidence';
import type { OwnRanges } from '../catalog/assumptions';
import { hardCeiling, type Path } from '../assembly';
import {
  briefAt,
  doubtsOf,
  isAt,
  isLoad,
  isMove,
  keepsNeeds,
  madeAt,
  placeOf,
  placesOf,
  samePath,
  samePlace,
  setupOf,
  wasFrozenBefore,
  type Activity,
  type Brief,
  type FrozenForecast,
  type Job,
  type Move,
  type Load,
  type Place,
  type Run,
} from '../job';
import { besideToday, situationOf, pathOf } from '../forecast';
import type { Case, Situation, Transfer, TransferForecast } from '../forecast';
import { measuredInterval, measuredOf, readingBounds, type Measured } from '../measure';
import { format, formatRange } from '../units';

/** Was the forecast right? */
export interface Right {
  answer: 'as forecast' | 'short' | 'better' | 'not proven' | 'questioned' | 'impossible' | 'no forecast';
  /** How far the measured middle is from the expected rate, as a share of it; negative when short. */
  by: number | null;
  words: string;
}

/** Is the customer's target met? */
export interface TargetAnswer {
  answer: 'yes' | 'no' | 'not proven';
  words: string;
  /** s that are left of the target, less than zero where it is missed; absent where it is open. */
  spare?: number;
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
  /** Rate: null of a load. */
  forecast: {
    rate: Estimate | null;
    time: Estimate | null;
    frozen: FrozenForecast | null;
    later: number;
  } | null;
  /** Runs that are not used, with the reason: set aside by a person, or they cannot have measured the drive. Kept and named. */
  impossible: { run: Run; words: string }[];
  /** What of the evidence used here was changed after it was kept, in words. */
  doubts: string[];
  right: Right;
  target: TargetAnswer | null;
  /** What was measured beside what it takes today; null where nobody said what that is. */
  today: string | null;
  /** What the result says for the customer's machine. */
  carries: string;
}

/** Sizes that differ by less are one: a device counts a little more than its files have. */
const SAME_SIZE = 0.02;
/** °C by which a drive may differ and still be as warm. */
const SAME_WARMTH = 15;

/**
 * Runs in groups that may be taken together: what makes them alike is the same, simulated ones are never with real ones, and what was frozen of them is
 * one thing: a run is held against the newest forecast before it.
 */
function groups(job: Job): Run[][] {
  const found: Run[][] = [];
  for (const run of job.runs.filter((r) => r.ended === 'done')) {
    const group = found.find(([first]) => isAlike(first!, run) && haveSameForecast(job, first!, run));
    if (group) group.push(run);
    else found.push([run]);
  }
  return found;
}

/** Whether nothing else was frozen of one than of the other; where nothing was frozen of one, they are not told apart by it. */
function haveSameForecast(job: Job, a: Run, b: Run): boolean {
  if (job.forecasts.length < 2) return true;
  const [one, other] = [a, b].map((run) => frozenFor(job, [run]));
  if (!one || !other || one.frozen === other.frozen) return true;
  const said = ({ frozen, sameWork }: Held) => {
    const result = sameWork ? frozen.results.find((r) => r.activity === a.activity) : undefined;
    return [result?.time, result?.bar, result?.figure].map((f) => f && [f.low, f.expected, f.high]);
  };
  return JSON.stringify(said(one)) === JSON.stringify(said(other));
}

const isNear = (a: number | null, b: number | null, by: (a: number, b: number) => boolean): boolean =>
  a === null || b === null ? a === b : by(a, b);

/** Whether two runs are of the same kind: activity, direction, connection, how it was asked for, until what, under which conditions, and how large. */
function isAlike(a: Run, b: Run): boolean {
  const sizes = (run: Run) => ('bytes' in run.measure ? run.measure.bytes : null);
  const files = (run: Run) => ('files' in run.measure ? run.measure.files : null);
  const [more, less] = [files(a), files(b)];
  // Nobody counted is not unlike, of the same activity.
  const isSameCount = more === less || (a.activity !== null && (more === null || less === null));
  const warmth = [a.conditions.temperature, b.conditions.temperature];
  return (
    keyOf(a) === keyOf(b) &&
    isNear(sizes(a), sizes(b), (x, y) => Math.abs(x / y - 1) <= SAME_SIZE) &&
    isSameCount &&
    (warmth.includes(null) || Math.abs(warmth[0]! - warmth[1]!) <= SAME_WARMTH)
  );
}

/** What the last of some runs measured, with those of them that are as it was; null where none has a time or a rate. */
export function lastMeasured(runs: readonly Run[]): Measured | null {
  const last = runs.filter((run) => run.ended === 'done' && run.measure.kind !== 'bound').at(-1);
  return last ? measuredOf(runs.filter((run) => run.ended === 'done' && isAlike(run, last))) : null;
}

/** What must be the same to the letter. */
function keyOf(run: Run): string {
  const { measure, conditions } = run;
  const asked =
    measure.kind === 'rate'
      ? [measure.block, measure.depth]
      : measure.kind === 'timed'
        ? [measure.block, measure.depth, measure.until ?? 'written']
        : [];
  return JSON.stringify([
    run.activity,
    run.direction,
    run.otherEnd,
    run.source === 'simulated',
    measure.kind === 'rate',
    asked,
    run.path,
    conditions.target,
    conditions.cold,
    conditions.lid ?? null,
    conditions.mains ?? null,
    conditions.look ?? null,
  ]);
}

/** What forecasts that for which nothing was frozen. */
export interface Model {
  /** A transfer over a path, with what goes on beside the move it is of. */
  transfer(
    situation: Situation,
    path: Path,
    transfer: Transfer,
    whole: Move | null,
  ): Pick<TransferForecast, 'rate' | 'time' | 'bar'>;
  /** Time of a load over a path. */
  load(situation: Situation, path: Path, load: Load): Estimate;
}

/**
 * Every claim the finished runs of a job can answer, in the order they were first measured.
 * @param model what forecasts runs that no frozen figure is of; null to do without
 * @param shopRanges the shop's own ranges in place of what is assumed
 * @returns null where it takes a model and there is none
 */
export function claims(job: Job, model: Model | null, shopRanges: OwnRanges = {}): Claim[] | null {
  const found = groups(job).map((runs) => claimOf(job, runs, model, shopRanges));
  if (!found.every((claim) => claim !== null)) return null;
  // What differs only in size or warmth has the same key: told apart by its place.
  const seen = new Map<string, number>();
  return questioned(job, found).map((claim) => {
    const count = seen.get(claim.key) ?? 0;
    seen.set(claim.key, count + 1);
    return count === 0 ? claim : { ...claim, key: `${claim.key} ${count}` };
  });
}

/** Times the host's memory that a run must have moved to be above doubt [common practice, no source]. */
const ABOVE_MEMORY = 2;

/** Whether a run moved too much for memory to hold it, or was timed until all was written. */
function isAboveMemory(job: Job, run: Run): boolean {
  const { measure } = run;
  if (measure.kind === 'rate' || measure.bytes === null) return false;
  if (run.direction === 'write' && measure.kind === 'timed' && measure.until === 'written') return true;
  const memory = madeAt(job, run)?.host.memory;
  const held = memory ? (middle(memory) ?? null) : null;
  return held !== null && measure.bytes >= ABOVE_MEMORY * held;
}

/**
 * Claims of which those are questioned that lie above what the same path did synthetically, by more than both errors allow: memory, a clone or
 * compression may have answered. They prove no target until they are repeated with more than memory holds.
 */
function questioned(job: Job, found: Claim[]): Claim[] {
  const made = (claim: Claim) => claim.measured?.runs[0];
  const pathOfRun = (run: Run) => JSON.stringify([run.path, run.direction, run.source === 'simulated']);
  return found.map((claim) => {
    const [run, rate] = [made(claim), claim.measured?.rate];
    if (!run || !rate || claim.activity === null || claim.measured!.scattered) return claim;
    const bare = found.filter((other) => {
      const one = made(other);
      return (
        one?.activity === null &&
        one.otherEnd === 'memory' &&
        // Small requests say nothing of a copy's rate.
        (one.measure.kind === 'bound' || (one.measure.block ?? BLOCK) >= BLOCK) &&
        pathOfRun(one) === pathOfRun(run) &&
        other.measured!.rate !== null &&
        !other.measured!.scattered
      );
    });
    const [best] = bare.map((other) => other.measured!.rate!).sort((a, b) => b.high - a.high);
    if (!best || rate.low <= best.high || isAboveMemory(job, run)) return claim;
    const words =
      `At least ${format(rate.low, 'B/s')}, above the ${format(best.high, 'B/s')} at most that the same path made ` +
      'out of memory: memory, a clone or compression may have answered. Repeat it with more than twice the host’s memory.';
    return {
      ...claim,
      right: { answer: 'questioned', by: claim.right.by, words },
      target: claim.target && {
        answer: 'not proven',
        words: `It is questioned: no target is proven by it. ${claim.target.words}`,
      },
    };
  });
}
/** B of a request from which on a run is one in sequence. */
const BLOCK = 2 ** 17;

/** A frozen forecast, and what of it the runs are held against. */
interface Held {
  frozen: FrozenForecast;
  /** What was frozen of the place they were made at. */
  brief: Brief;
  /** Whether the activity they stand for was frozen for this very path. */
  sameWork: boolean;
}

/** What was frozen of the path a run was made on; null where nothing was. */
function heldBy(job: Job, frozen: FrozenForecast, run: Run): Held | null {
  const here = madeAt(job, run);
  if (!here?.build) return null;
  const setup = setupOf(frozen);
  const activity = setup.activities.find((a) => a.id === run.activity);
  const wanted = activity && placeOf(setup, activity);
  const there = placesOf(setup).filter((place) => samePath(briefAt(setup, place)!, here));
  const own = there.find((place) => wanted && samePlace(place, wanted));
  const place = own ?? there[0];
  return place ? { frozen, brief: briefAt(setup, place)!, sameWork: own !== undefined } : null;
}

/** Only what was frozen before the first of these runs, for the path they ran on, was a forecast of them. */
function frozenFor(job: Job, runs: readonly Run[]): Held | null {
  const before = job.forecasts.filter((f) => runs.every((run) => wasFrozenBefore(job, f, run)));
  return before.map((f) => heldBy(job, f, runs[0]!)).findLast((held) => held !== null) ?? null;
}

/** What the runs were measured on, with the work and the needs that their forecast counts with; null where it is not described. */
function situationFor(job: Job, run: Run, held: Held | null, ranges: OwnRanges): Situation | null {
  const here = held?.brief ?? madeAt(job, run);
  if (!here) return null;
  const isOwn = run.path !== null && 'machine' in run.path;
  const kept = held && keepsNeeds(held.frozen) ? held.brief : isOwn ? briefAt(job, run.path as Place) : null;
  const brief: Brief = {
    host: here.host,
    build: here.build,
    activities: (held ? setupOf(held.frozen) : job).activities,
    ...(isOwn && kept?.needs ? { needs: kept.needs } : {}),
  };
  // What was frozen counts with the ranges it was frozen with.
  return situationOf(brief, held ? (held.frozen.ranges ?? {}) : ranges);
}

/** The path between the device and what stood at the other end. */
function pathFor(situation: Situation, run: Run): Path {
  const wanted = situation.activities.find((a) => a.id === run.activity)?.endpoint;
  const known = situation.host.endpoints?.some((e) => e.id === wanted);
  return pathOf(situation, run.otherEnd === 'storage' && known ? wanted : undefined);
}

/** What of the evidence used by these runs is not as it was kept. */
function doubtsAbout(job: Job, runs: readonly Run[], frozen: FrozenForecast | null): string[] {
  const used = new Set(['chain', ...runs.map((run) => `run ${run.id}`)]);
  if (frozen) used.add(`forecast ${frozen.id}`);
  return doubtsOf(job)
    .filter((d) => used.has(d.what === 'chain' ? 'chain' : `${d.what} ${d.id}`))
    .map((d) => d.words);
}

function rightOf(runs: readonly Run[], measured: Measured | null, forecast: Claim['forecast']): Right {
  if (runs.every((run) => run.excluded))
    return { answer: 'not proven', by: null, words: 'Every run of this kind is set aside.' };
  if (measured?.scattered)
    return {
      answer: 'not proven',
      by: null,
      words: `Too scattered to judge: these ${measured.runs.length} runs differ by more than a mean can tell. Find out what differs between them.`,
    };
  if (!measured)
    return { answer: 'impossible', by: null, words: 'No run of this kind can have measured the drive.' };
  return measured.rate
    ? heldAgainst(measured.rate, forecast?.rate ?? null, 'B/s')
    : heldAgainst(measured.time!, forecast?.time ?? null, 's');
}

/** Whether a run was made on a place of the job, and on that of the activity it stands for. */
function isAtItsPlace(job: Job, { path, activity }: Run): boolean {
  if (!path || !('machine' in path)) return false;
  const of = job.activities.find((a) => a.id === activity);
  return !of || isAt(job, of, path);
}

function claimOf(job: Job, runs: readonly Run[], model: Model | null, ranges: OwnRanges): Claim | null {
  const first = runs[0]!;
  const held = frozenFor(job, runs);
  const frozen = held?.frozen ?? null;
  const situation = situationFor(job, first, held, ranges);
  const path = situation && pathFor(situation, first);
  const impossible = runs.flatMap((run) => faultOf(run, path));
  const usable = runs.filter((run) => !impossible.some((i) => i.run === run));
  const measured = usable.length > 0 ? measuredOf(usable) : null;
  const isIt = (a: Activity) => a.id === first.activity;
  const activity = job.activities.find(isIt) ?? (frozen && setupOf(frozen).activities.find(isIt)) ?? null;
  const own = isAtItsPlace(job, first);
  const flows = situation && path && path.blocked.length === 0;
  const forecast = flows ? forecastFor(situation, path, first, held, model) : null;
  if (flows && !forecast) return null;
  const simulated = first.source === 'simulated';
  const later = forecast ? forecast.later : 0;
  const isAsBuilt = own && !simulated && first.conditions.look === undefined;
  // What it takes today is until all is there.
  const time = measured?.time;
  const written = time
    ? { low: time.low + later, expected: time.expected + later, high: time.high + later }
    : null;
  const flushed = ` Timed until the progress bar was full; all is written about ${format(later, 's', 2)} later.`;
  return {
    key: keyOf(first),
    title: titleOf(activity, first),
    activity,
    simulated,
    own,
    measured,
    forecast,
    impossible,
    doubts: doubtsAbout(job, runs, frozen),
    right: rightOf(runs, measured, forecast),
    today: activity && isAsBuilt ? besideToday(activity, written) : null,
    target: activity?.target ? targetAnswer(activity, first, measured, own, simulated, later) : null,
    carries: `${carryOver(own, simulated, path, first)}${later > 0 ? flushed : ''}`,
  };
}

/** What a claim is about: the activity or a synthetic run, and what was done differently in it. */
function titleOf(activity: Activity | null, { direction, conditions: { look } }: Run): string {
  const name = activity?.name ?? `Synthetic ${direction === 'read' ? 'reading' : 'writing'}`;
  return look ? `${name} (${look})` : name;
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
      words:
        `At least ${format(least, 'B/s')} on average, error of reading allowed for, over ` +
        `a path that cannot pass more than ${format(ceiling, 'B/s')}: it measured memory ` +
        'or a file clone, not the drive.',
    },
  ];
}

/** A figure of a run: where a person or a program said none, it is not one that was entered. */
const runFact = (value: number | null, missing: { stands: number | null; note: string }): Fact => {
  if (value !== null) return { value, source: { kind: 'measured', note: 'as the run was made' } };
  const { stands, note } = missing;
  return { value: stands, source: { kind: stands === null ? 'unknown' : 'memory', note } };
};
const UNCOUNTED = { stands: null, note: 'nobody counted the files of this run' };
/** Size of a synthetic test that nobody said [memory]: what such programs take when left alone, within any cache. */
const UNSAID_SIZE = {
  stands: 1e9,
  note: 'nobody said how large the test was: what such programs take when left alone',
};

/** A run as a transfer, and as the activity it stands for, where that is a move in its direction. */
function transferOf(
  { measure, direction, otherEnd }: Run,
  whole: Move | null,
  activity: Activity | undefined,
): Transfer {
  const isRate = measure.kind === 'rate';
  const asked = measure.kind !== 'bound' && measure.block !== null && measure.depth !== null;
  // A rate that a program showed of a copy is that of its files too; one of requests in a row has none.
  const copied = isMove(activity) && otherEnd === 'storage' && !asked ? activity.files : exactFact(1);
  return {
    direction,
    otherEnd: whole?.itself ? 'itself' : otherEnd,
    verify: whole?.verify,
    bytes: runFact(measure.bytes, UNSAID_SIZE),
    files: isRate ? copied : runFact(measure.files, UNCOUNTED),
    requests: asked ? { block: measure.block!, depth: measure.depth! } : undefined,
  };
}

/** A case that runs measured: what was done, on what, and until what the clock was stopped at. */
export interface MeasuredCase {
  of: Case;
  /** Until the progress bar was full, not until all was written; null where nobody said: of a rate that was read off. */
  toBar: boolean | null;
}

/**
 * The case that runs of one kind measured: the activity they stand for at the size they had, or a synthetic transfer.
 * @returns null where the path is not described
 */
export function caseMeasured(
  job: Job,
  runs: readonly Run[],
  shopRanges: OwnRanges = {},
): MeasuredCase | null {
  const run = runs[0]!;
  const situation = situationFor(job, run, frozenFor(job, runs), shopRanges);
  if (!situation) return null;
  const { measure, direction, otherEnd } = run;
  const isUnsaid = measure.kind === 'rate' && direction === 'write' && otherEnd === 'storage';
  const toBar = isUnsaid ? null : measure.kind === 'timed' && measure.until === 'bar';
  const activity = situation.activities.find((a) => a.id === run.activity);
  if (activity && !isMove(activity)) return { of: { ...situation, activity }, toBar: false };
  const whole = activity && activity.direction === direction ? activity : null;
  const { bytes, files, requests } = transferOf(run, whole, activity);
  const made: Move = whole
    ? { ...whole, bytes, files }
    : {
        id: 'run',
        name: 'Synthetic run',
        kind: 'move',
        direction,
        perDay: exactFact(1),
        target: null,
        bytes,
        files,
      };
  const counted = runs.every(({ source }) => source === 'watched' || source === 'real');
  const requestShape = { requests, toMemory: otherEnd === 'memory', ...(counted ? { counted } : {}) };
  const activities = [...situation.activities.filter((a) => a.id !== made.id), made];
  return { of: { ...situation, activities, activity: made, requestShape }, toBar };
}

/** Whether a frozen answer is of what the run did: the same size and files, stopped at the same. */
const isOf = (whole: Move, measure: Run['measure']): boolean =>
  measure.kind !== 'rate' && whole.bytes.value === measure.bytes && whole.files.value === measure.files;

/**
 * The forecast a group is held against, until what its clock was stopped at: the frozen figures themselves where
 * size and path agree, else the same models on the run's own
 * size and path. Its rate is the run's own bytes over that time.
 * @returns null where it takes the models and there are none
 */
function forecastFor(
  situation: Situation,
  path: Path,
  run: Run,
  held: Held | null,
  model: Model | null,
): NonNullable<Claim['forecast']> | null {
  const { measure } = run;
  const frozen = held?.frozen ?? null;
  const activity = situation.activities.find((a) => a.id === run.activity);
  if (isLoad(activity)) {
    const was = held?.sameWork ? frozen?.results.find((r) => r.activity === run.activity)?.figure : undefined;
    const time = was ?? model?.load(situation, path, activity);
    return time ? { rate: null, time, frozen, later: 0 } : null;
  }
  const isWhole = isMove(activity) && run.otherEnd === 'storage';
  const whole = isWhole && activity.direction === run.direction ? activity : null;
  const toBar = measure.kind === 'timed' && measure.until === 'bar';
  const until = (bytes: number, time: Estimate, bar: Estimate | undefined) => {
    const end = toBar && bar ? bar : time;
    return { time: end, rate: over(bytes, end), later: toBar && bar ? time.expected - bar.expected : 0 };
  };
  const result = held?.sameWork && frozen?.results.find((r) => r.activity === run.activity);
  if (
    measure.kind !== 'rate' &&
    measure.bytes !== null &&
    whole &&
    result &&
    result.time &&
    isOf(whole, measure) &&
    (!toBar || result.bar)
  )
    return { ...until(measure.bytes, result.time, result.bar), frozen };
  const answer = model?.transfer(situation, path, transferOf(run, whole, activity), whole);
  if (!answer) return null;
  const { rate, time, bar } = answer;
  if (measure.kind === 'rate' || measure.bytes === null) return { rate, time: null, frozen, later: 0 };
  return { ...until(measure.bytes, time, bar), frozen };
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

/** What no model knows of a time, one sigma as a share [memory]: nothing nearer to a range than this is held against it, here or by the causes. */
export const MODEL_SIGMA = 0.06;

/** A range with what no model knows: both ways, in quadrature, of logarithms. */
function tolerated({ low, expected, high }: Spread): { low: number; high: number } {
  const by = (end: number) => Math.hypot(Math.log(end / expected), Z90 * MODEL_SIGMA);
  return { low: expected * Math.exp(-by(low)), high: expected * Math.exp(by(high)) };
}

/** Measured interval against the forecast's range: rates, of which more is better, or times, of which less is. */
export function heldAgainst(measured: Spread, forecast: Spread | null, unit: 'B/s' | 's' = 'B/s'): Right {
  if (!forecast)
    return {
      answer: 'no forecast',
      by: null,
      words:
        'The path of these runs is not known, or nothing flows on it: there is nothing to hold them against.',
    };
  const by = measured.expected / forecast.expected - 1;
  const said =
    `measured ${measuredInterval(measured, unit)}, forecast ${format(forecast.expected, unit)} ` +
    `(${formatRange(forecast, unit)})`;
  const share = format(Math.abs(by), '%', 2);
  const told = tolerated(forecast);
  const [below, above] = [measured.high < told.low, measured.low > told.high];
  const [short, better] = unit === 'B/s' ? [below, above] : [above, below];
  if (short)
    return {
      answer: 'short',
      by,
      words: unit === 'B/s' ? `Short by ${share}: ${said}.` : `Longer by ${share}: ${said}.`,
    };
  if (better) return { answer: 'better', by, words: `Better by ${share}: ${said}.` };
  if (measured.low >= told.low && measured.high <= told.high) {
    const isIn = measured.low >= forecast.low && measured.high <= forecast.high;
    const words = isIn ? 'Within the range' : 'At the edge of the range, no further than the models can tell';
    return { answer: 'as forecast', by, words: `${words}: ${said}.` };
  }
  return {
    answer: 'not proven',
    by,
    words: `The measured interval reaches over the edge of the range: ${said}. More runs narrow it.`,
  };
}

function targetAnswer(
  activity: Activity,
  run: Run,
  measured: Measured | null,
  own: boolean,
  simulated: boolean,
  later: number,
): TargetAnswer {
  const target = activity.target!;
  const within = `within ${format(target, 's')}`;
  const open = (words: string): TargetAnswer => ({ answer: 'not proven', words });
  if (!measured) return open('No usable run.');
  if (measured.scattered) return open('Too scattered to judge.');
  if (simulated) return open('Simulated runs say nothing about the customer’s drive.');
  if (run.conditions.look) return open('Made to find a cause, not as it is built.');
  if (!measured.time)
    return open('Only a rate was read off: the time of the whole activity was not measured.');
  if (!own) return open('Measured on another path than the customer’s.');
  const size = isMove(activity) ? sizeOf(activity, run) : null;
  if (size?.share === 'less') return open(size.words);
  const { low, expected, high } = measured.time;
  const flush = later > 0 ? `, all written about ${format(later, 's', 2)} after the bar was full` : '';
  const whole = { low: low && low + later, expected: expected + later, high: high + later };
  const said = `${measuredInterval(whole, 's')}${flush}`;
  // The target is that all is written: a bar that was full before it is not enough.
  const spare = target - whole.expected;
  if (high + later <= target) return { answer: 'yes', words: `Target ${within}, took ${said}.`, spare };
  if (low + later > target)
    return size?.share === 'more'
      ? open(`${size.words} It took ${said}.`)
      : { answer: 'no', words: `Target ${within}, took ${said}.`, spare };
  return open(`Target ${within}, took ${said}: the interval straddles the target.`);
}

/** Whether a run moved less or more than the whole activity, by more than 1 %; null when it is the activity. */
function sizeOf(activity: Move, { measure }: Run): { share: 'less' | 'more'; words: string } | null {
  if (measure.kind === 'rate' || measure.bytes === null) return null;
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
      words:
        `${format(measure.bytes, 'B')} were moved; the activity ${Array.isArray(activity.bytes.value) ? 'may reach' : 'has'} ` +
        `${format(top(activity.bytes.value)!, 'B')}.`,
    };
  if (files < 0)
    return {
      share: 'less',
      words: `${format(measure.files!, 'count')} files were moved; the activity has ${format(top(activity.files.value)!, 'count')}.`,
    };
  return bytes > 0 || files > 0 ? { share: 'more', words: 'More was moved than the activity has.' } : null;
}

/** Timed as a load: nobody counts its bytes. */
const hasNoSize = ({ measure }: Run): boolean => measure.kind !== 'rate' && measure.bytes === null;

function carryOver(own: boolean, simulated: boolean, path: Path | null, run: Run): string {
  if (simulated) return 'A rehearsal on the simulated rig.';
  if (own)
    return run.otherEnd === 'memory' && !hasNoSize(run)
      ? 'Measured on the customer’s machine, out of memory: it shows drive and path, not the other end of the copy.'
      : 'Measured on the customer’s machine as built.';
  if (!path)
    return (
      `Measured ${run.conditions.target ? `in ${run.conditions.target}` : 'elsewhere'}; ` +
      'its path is not described, so nothing carries over to the customer’s machine.'
    );
  return (
    `Measured on ${path.parts.host.name}, ${path.parts.port.position}: it supports the ` +
    'drive and what it sits in; the customer’s port and machine are not tested.'
  );
}
