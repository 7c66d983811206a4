import { middle } from '../evidence';
import type { Build } from '../assembly';
import {
  fittingOf,
  briefAt,
  isLoad,
  isMove,
  isOnce,
  placeOf,
  placesOf,
  samePlace,
  type Activity,
  type FrozenForecast,
  type Job,
  type Place,
  type Run,
  type BefallenId,
} from '../job';
import { screenPathOf, situationAt } from '../forecast';
import { measuredOf } from './measured';

/** A test of a protocol: what to do, how often, what it takes. */
export interface ProtocolTest {
  /** Stable within a job. */
  id: string;
  /** Data made in memory, for drive and path alone; the customer's own copies; what a program takes to open. */
  practice: 'synthetic' | 'real' | 'load';
  /** The activity it proves; null for a synthetic one. */
  activity: Activity | null;
  place: Place;
  direction: 'read' | 'write';
  /** B and files of one run; null of a load. */
  bytes: number | null;
  files: number | null;
  /** Runs there are, and how many it takes. */
  done: number;
  wanted: number;
  /** s of one run as forecast, cooling down before the next included; null: not known. */
  seconds: number | null;
  /** B that all runs still to come write. */
  wear: number;
  /** What is to be minded, by id. */
  minds: readonly Mind[];
}

/** What a test wants beside: rendered where it is shown. */
export type Mind =
  | { id: 'port'; position: string; cable: string | null }
  | { id: 'above cache and memory' }
  /** What its cache may take is more than the test moves, or nobody knows it. */
  | { id: 'maybe within cache'; cache: number | null }
  | { id: 'slow source'; name: string; rate: number }
  | { id: 'cool down'; minutes: number }
  | { id: 'cold' }
  /** Something befell the unit: plugs and sockets are looked at before it is timed. */
  | { id: 'look first'; what: BefallenId }
  | { id: 'one run will do' };

export interface Protocol {
  tests: ProtocolTest[];
  /** s and B that are still to come; null where a time is not known. */
  seconds: number | null;
  wear: number;
  /** Of the device's rating; null where it has none. */
  share: number | null;
}

/** Runs of a kind that make a verdict firm [common practice, no source]. */
const RUNS = 3;
/** A run longer than this is made once, s; a synthetic one of no more than so many B. */
const LONG = 3600;
const MOST_SYNTHETIC = 200e9;
/** Least size of a synthetic run: above what any box caches in passing [memory]. */
const LEAST_SYNTHETIC = 20e9;
/** Of a drive's capacity a test writes at most this share. */
const SHARE = 0.1;
/** min a flash drive rests between runs, so that each starts cool and with its cache empty [memory]. */
const REST = 3;

const top = (value: number | readonly number[] | null): number | null =>
  typeof value === 'object' ? (value?.at(-1) ?? null) : value;

/** B of a synthetic run: above the cache and twice the host's memory, as far as that wears no more than a tenth of the drive. */
export function syntheticSize(
  { drive, together = 1 }: Pick<Build, 'drive' | 'together'>,
  memory: number | null,
): number {
  const capacity = (middle(drive.capacity) ?? 1e12) * together;
  const cache = top(drive.cache.value) ?? 0;
  const wanted = Math.max(LEAST_SYNTHETIC, 1.3 * cache, 2 * (memory ?? 0));
  return Math.min(wanted, SHARE * capacity, MOST_SYNTHETIC);
}

/** Whether a test goes beyond what the drive's cache may take. */
function cacheMind({ media, cache }: Build['drive'], bytes: number, direction: 'read' | 'write'): Mind {
  const most = top(cache.value);
  const isBeyond = direction === 'read' || media === 'disk' || (most !== null && bytes > most);
  return isBeyond ? { id: 'above cache and memory' } : { id: 'maybe within cache', cache: most };
}

/** s that runs so far took for so many B, each as long as it was for its own size; null while there is none. */
function takenSoFar(runs: readonly Run[], bytes: number | null): number | null {
  const taken = runs.flatMap(({ measure }) =>
    measure.kind === 'timed'
      ? [measure.seconds * (bytes !== null && measure.bytes !== null ? bytes / measure.bytes : 1)]
      : [],
  );
  return taken.length > 0 ? taken.reduce((sum, s) => sum + s, 0) / taken.length : null;
}

/** Finished runs that count for a test: as it is built, not with something changed to find a cause. */
const counts = (run: Run, place: Place): boolean =>
  run.ended === 'done' &&
  run.source !== 'simulated' &&
  !run.excluded &&
  !run.conditions.memoryBacked &&
  run.conditions.look === undefined &&
  run.path !== null &&
  'machine' in run.path &&
  samePlace(run.path, place);

/** How many runs it takes: three, or as many as their scatter asks for. */
function wantedFor(runs: readonly Run[], isLong: boolean): number {
  if (isLong) return 1;
  if (runs.length < RUNS) return RUNS;
  return runs.length + Math.min(10, measuredOf(runs).more ?? 0);
}

function mindsAt(job: Job, place: Place, direction: 'read' | 'write', restMinutes: number): Mind[] {
  const brief = briefAt(job, place)!;
  const { host, build } = brief;
  const port = host.ports.find((p) => p.id === build!.port);
  const befallen = fittingOf(job, place.device)?.befallen ?? [];
  const source = middle(host.storage[direction === 'write' ? 'read' : 'write']);
  const drive = middle(build!.drive[direction]);
  return [
    { id: 'port', position: port?.position ?? build!.port, cable: build!.cable?.name ?? null },
    ...(befallen.length > 0 ? [{ id: 'look first' as const, what: befallen.at(-1)!.what }] : []),
    ...(source !== null && drive !== null && source < drive / 2
      ? [{ id: 'slow source' as const, name: host.storage.name, rate: source }]
      : []),
    ...(restMinutes > 0 ? [{ id: 'cool down' as const, minutes: restMinutes }] : []),
  ];
}

const plus = (seconds: number | null, more: number): number | null =>
  seconds === null ? null : seconds + more;

/** Of a frozen forecast, s that an activity takes; null where it says none. */
function secondsOf(frozen: FrozenForecast | undefined, activity: string): number | null {
  const result = frozen?.results.find((r) => r.activity === activity);
  const figure = result?.time ?? (result?.figure?.unit === 's' ? result.figure : undefined);
  return figure?.expected ?? null;
}

/** Expected flow over the path at a place, B/s; null where nothing flows. */
function flowAt(job: Job, place: Place, direction: 'read' | 'write'): number | null {
  const situation = situationAt(job, place);
  return situation ? (screenPathOf(situation).flow?.[direction].expected ?? null) : null;
}

/** s of a pass of so many B at a path's flow, and at what the drive sustains past its cache where both are known. */
function passOf(bytes: number, flow: number, drive: Build['drive'], direction: 'read' | 'write'): number {
  const [cache, rest] = [middle(drive.cache), middle(drive.rest)];
  if (direction === 'read' || cache === null || rest === null) return bytes / flow;
  const within = Math.min(bytes, cache);
  return within / flow + (bytes - within) / Math.min(flow, rest);
}

function synthetic(job: Job, place: Place, direction: 'read' | 'write'): ProtocolTest {
  const { host, build } = briefAt(job, place)!;
  const bytes = syntheticSize(build!, host.memory ? middle(host.memory) : null);
  const rest = build!.drive.media === 'flash' ? REST : 0;
  const runs = job.runs.filter(
    (r) => counts(r, place) && r.activity === null && r.direction === direction && r.measure.kind === 'timed',
  );
  const wanted = wantedFor(runs, false);
  const rate = flowAt(job, place, direction);
  const left = Math.max(0, wanted - runs.length);
  return {
    id: `synthetic ${direction} ${place.machine} ${place.device}`,
    practice: 'synthetic',
    activity: null,
    place,
    direction,
    bytes,
    files: 1,
    done: runs.length,
    wanted,
    seconds: plus(
      takenSoFar(runs, bytes) ?? (rate === null ? null : passOf(bytes, rate, build!.drive, direction)),
      rest * 60,
    ),
    // What is read was written first, by the run that writes.
    wear: direction === 'write' ? left * bytes : 0,
    minds: [
      ...mindsAt(job, place, direction, rest).filter((m) => m.id !== 'slow source'),
      cacheMind(build!.drive, bytes, direction),
    ],
  };
}

function real(
  job: Job,
  frozen: FrozenForecast | undefined,
  activity: Activity,
  place: Place,
): ProtocolTest[] {
  const { build } = briefAt(job, place)!;
  const runs = job.runs.filter(
    (r) => counts(r, place) && r.activity === activity.id && r.measure.kind === 'timed',
  );
  const seconds = secondsOf(frozen, activity.id);
  if (isLoad(activity)) {
    const wanted = wantedFor(runs, false);
    return [
      {
        id: `load ${activity.id}`,
        practice: 'load',
        activity,
        place,
        direction: 'read',
        bytes: null,
        files: null,
        done: runs.length,
        wanted,
        seconds: plus(takenSoFar(runs, null) ?? seconds, 60),
        wear: 0,
        minds: [...mindsAt(job, place, 'read', 0).filter((m) => m.id !== 'slow source'), { id: 'cold' }],
      },
    ];
  }
  if (!isMove(activity)) return [];
  const [bytes, files] = [top(activity.bytes.value), top(activity.files.value)];
  if (bytes === null) return [];
  // A frozen time is of the expected size; what is moved is the largest the brief names.
  const told = middle(activity.bytes);
  const each = takenSoFar(runs, bytes) ?? (seconds !== null && told ? (seconds * bytes) / told : seconds);
  const isLong = (each ?? 0) > LONG || isOnce(activity);
  const rest = build!.drive.media === 'flash' && activity.direction === 'write' ? REST : 0;
  const wanted = wantedFor(runs, isLong);
  return [
    {
      id: `real ${activity.id}`,
      practice: 'real',
      activity,
      place,
      direction: activity.direction,
      bytes,
      files,
      done: runs.length,
      wanted,
      seconds: plus(each, rest * 60),
      wear: activity.direction === 'write' ? Math.max(0, wanted - runs.length) * bytes : 0,
      minds: [
        ...mindsAt(job, place, activity.direction, rest),
        ...(isLong ? [{ id: 'one run will do' as const }] : []),
      ],
    },
  ];
}

/**
 * The tests that prove what was frozen: first drive and path alone, in each direction in use, then the customer's own work, each as often as its scatter asks
 * for; how long that takes and what it wears, and how far it is.
 */
export function protocolOf(job: Job): Protocol {
  const frozen = job.forecasts.at(-1);
  const built = placesOf(job).filter((place) => briefAt(job, place)?.build);
  const tests = built.flatMap((place): ProtocolTest[] => {
    const work = job.activities.filter((a) => {
      const at = placeOf(job, a);
      return at !== null && samePlace(at, place);
    });
    const directions = (['write', 'read'] as const).filter((d) =>
      work.some((a) => (isMove(a) ? a.direction === d : isLoad(a) && d === 'read')),
    );
    return [
      ...directions.map((d) => synthetic(job, place, d)),
      ...work.flatMap((a) => real(job, frozen, a, place)),
    ];
  });
  const open = tests.filter((t) => t.done < t.wanted);
  const times = open.map((t) => (t.seconds === null ? null : t.seconds * (t.wanted - t.done)));
  const wear = open.reduce((sum, t) => sum + t.wear, 0);
  const tbw =
    built.map((place) => middle(briefAt(job, place)!.build!.drive.tbw)).find((v) => v !== null) ?? null;
  return {
    tests,
    seconds: times.some((t) => t === null) ? null : times.reduce((sum: number, t) => sum + t!, 0),
    wear,
    share: tbw === null ? null : wear / tbw,
  };
}
