import { directionOf, isLoad, type Activity, type Run } from '../job';
import { format } from '../units';
import { steadyIn, STEADY_RULE } from './steady';
import type {
  FilesRequest,
  KeptRun,
  Purpose,
  RandomRequest,
  ReadRequest,
  RunEvent,
  SequentialRequest,
  SteadyRequest,
  RunTarget,
  Warmth,
} from './request';

/** Most samples a kept run holds. */
const MOST_SAMPLES = 2000;

/** A run timed by the server: by its own clock, until all was written. */
const TIMED = {
  kind: 'timed' as const,
  until: 'written' as const,
  error: 0.001,
  correction: 0,
  laps: [],
  block: null,
  depth: null,
};

/** In which folder a run worked. Through the host's memory a figure means something only well above its size. */
const inFolder = (
  { folder, labels, memory }: RunTarget,
  through: 'direct' | 'buffered',
  bytes: number,
): Pick<Run['conditions'], 'target' | 'memoryBacked'> => ({
  target: folder.slice(0, 400),
  memoryBacked:
    labels.some((label) => label === 'memory-backed' || label === 'cached-through') ||
    (through === 'buffered' && bytes < 2 * memory),
});

/** Conditions of a run: what a person stated, what is to be noted, and where it worked, if that was a folder. */
const conditionsOf = (
  { temperature, cold = null, stated }: Purpose,
  note: readonly (string | null)[],
  where: Pick<Run['conditions'], 'target' | 'memoryBacked'> = { target: null, memoryBacked: false },
  warmth?: Warmth,
): Run['conditions'] => ({
  note: [...note, warmth && `drive at most ${format(warmth.most, '°C', 3)}`]
    .filter(Boolean)
    .join(', ')
    .slice(0, 400),
  temperature: temperature ?? warmth?.start ?? null,
  cold,
  ...stated,
  ...where,
});

/**
 * The runs that a real run's result comes to, one a direction. Their ids follow from the run's: kept twice, by two tabs or after a
 * restart, they are the same ones.
 * @param path what the purpose's place stands for
 */
export function runsOfReal(
  kept: Pick<KeptRun, 'id' | 'at'> & { request: SequentialRequest },
  done: Extract<RunEvent, { type: 'done' }>,
  purpose: Purpose,
  path: Run['path'],
): Run[] {
  const { target, warmth } = done;
  return done.results.map(({ direction, bytes, seconds, samples, through }) => {
    const way = through === 'direct' ? 'past the host’s memory' : 'through the host’s memory';
    const note = [
      purpose.note,
      target.way || target.fileSystem || 'file system not known',
      way,
      ...target.labels,
    ];
    return {
      id: `run-${kept.id.slice(0, 36)}-${direction}`,
      at: kept.at,
      activity: null,
      direction,
      otherEnd: 'memory',
      source: 'real',
      measure: { ...TIMED, bytes, files: 1, seconds, block: kept.request.block, depth: 1 },
      path,
      conditions: conditionsOf(purpose, note, inFolder(target, through, bytes), warmth),
      ended: 'done',
      samples: samples.slice(0, MOST_SAMPLES),
    };
  });
}

/** The run that a probe comes to: a synthetic write with what was found of the drive. */
export function runOfProbe(
  kept: Pick<KeptRun, 'id' | 'at'>,
  { target, through, found, written, seconds, ended, samples, warmth }: Extract<RunEvent, { type: 'probed' }>,
  purpose: Purpose,
  path: Run['path'],
): Run {
  const note = [purpose.note, 'probe', target.way || target.fileSystem, ENDED[ended], ...target.labels];
  return {
    id: `run-${kept.id.slice(0, 36)}-probe`,
    at: kept.at,
    activity: null,
    direction: 'write',
    otherEnd: 'memory',
    source: 'real',
    measure: { ...TIMED, bytes: Math.max(1, written), files: 1, seconds, depth: 1 },
    path,
    conditions: conditionsOf(purpose, note, inFolder(target, through, written), warmth),
    ended: 'done',
    samples: samples.slice(0, MOST_SAMPLES),
    probed: found,
  };
}

/** The run that a verified copy comes to: what was timed until all was written; that it all came back the same stands beside. */
export function runOfCopy(
  kept: Pick<KeptRun, 'id' | 'at'>,
  {
    target,
    from,
    bytes,
    files,
    bar,
    seconds,
    verifying,
    samples,
    warmth,
  }: Extract<RunEvent, { type: 'copied' }>,
  purpose: Purpose,
  path: Run['path'],
): Run {
  const note = [
    purpose.note,
    `copy of ${from}, all ${format(files, 'count')} files read back the same in ${format(verifying, 's', 2)}`,
    target.way || target.fileSystem,
    ...target.labels,
  ];
  return {
    id: `run-${kept.id.slice(0, 36)}-copy`,
    at: kept.at,
    activity: purpose.activity ?? null,
    direction: 'write',
    otherEnd: 'storage',
    source: 'real',
    measure: { ...TIMED, bytes: Math.max(1, bytes), files, seconds: Math.max(1e-3, seconds) },
    path,
    conditions: conditionsOf(purpose, note, inFolder(target, 'direct', bytes), warmth),
    ended: 'done',
    samples: samples.slice(0, MOST_SAMPLES),
    counted: { read: 0, written: bytes, reads: 0, writes: files, busy: null, bar },
  };
}

/** What small requests were, in words. */
const mixWords = (share: number): string =>
  share === 1 ? 'random reads' : share === 0 ? 'random writes' : `random, ${Math.round(share * 100)} % reads`;

/** The run that small requests come to: a rate with its block and depth, in operations a second as practitioners say it. */
function scatteredRun(
  { request, ...kept }: Pick<KeptRun, 'id' | 'at'> & { request: RandomRequest | SteadyRequest },
  perSecond: number,
  { target, through, latency, warmth }: Extract<RunEvent, { type: 'scattered' | 'settled' }>,
  note: string,
  purpose: Purpose,
  path: Run['path'],
): Run {
  const { block, depth, bytes, reads: share, kind } = request;
  const notes = [
    purpose.note,
    mixWords(share),
    note,
    target.way || target.fileSystem || null,
    ...target.labels,
  ];
  return {
    id: `run-${kept.id.slice(0, 36)}-${kind}`,
    at: kept.at,
    activity: null,
    direction: share >= 0.5 ? 'read' : 'write',
    otherEnd: 'memory',
    source: 'real',
    measure: {
      kind: 'rate',
      rate: Math.max(1, perSecond * block),
      shown: `${format(perSecond, 'count', 3)} IOPS`,
      grain: 0,
      block,
      depth,
      bytes,
    },
    path,
    conditions: conditionsOf(purpose, notes, inFolder(target, through, bytes), warmth),
    ended: 'done',
    samples: [],
    latency,
  };
}

/** The run that random requests over a time come to. */
export const runOfRandom = (
  kept: Pick<KeptRun, 'id' | 'at'> & { request: RandomRequest },
  event: Extract<RunEvent, { type: 'scattered' }>,
  purpose: Purpose,
  path: Run['path'],
): Run => scatteredRun(kept, (event.reads + event.writes) / event.seconds, event, '', purpose, path);

/** The run that rounds of random requests come to: the mean of the rounds that are as one another, else of the last ones, which it says. */
export function runOfSteady(
  kept: Pick<KeptRun, 'id' | 'at'> & { request: SteadyRequest },
  event: Extract<RunEvent, { type: 'settled' }>,
  purpose: Purpose,
  path: Run['path'],
): Run {
  const { rounds, seconds } = event;
  const steady = steadyIn(rounds);
  const last = rounds.slice(-STEADY_RULE.window);
  const perSecond = steady?.mean ?? last.reduce((sum, r) => sum + r, 0) / last.length;
  const round = `of ${rounds.length} rounds of ${format(seconds, 's', 2)}`;
  const note = steady
    ? `steady from round ${steady.from + 1} ${round}`
    : `not steady in any five ${round}: the mean of the last`;
  const { block } = kept.request;
  let moved = 0;
  const samples = rounds.map((r, i) => ({ t: (i + 1) * seconds, bytes: (moved += r * seconds * block) }));
  return {
    ...scatteredRun(kept, perSecond, event, note, purpose, path),
    samples: [{ t: 0, bytes: 0 }, ...samples],
  };
}

/** The runs that files written or read one after another come to, one a direction. */
export function runsOfPasses(
  kept: Pick<KeptRun, 'id' | 'at'> & { request: FilesRequest | ReadRequest },
  { target, passes, warmth }: Extract<RunEvent, { type: 'passed' }>,
  purpose: Purpose,
  path: Run['path'],
): Run[] {
  const { request } = kept;
  return passes.map(({ direction, bytes, files, seconds, bar, through, samples }) => {
    const what =
      request.kind === 'read'
        ? `all ${format(files, 'count')} files of ${target.folder}, directory maybe in memory`
        : `files about ${format(request.median, 'B', 2)}, spread ${request.spread}`;
    const way = through === 'direct' ? '' : 'through the host’s memory';
    const note = [purpose.note, what, way, target.way || target.fileSystem || null, ...target.labels];
    return {
      id: `run-${kept.id.slice(0, 36)}-${request.kind}-${direction}`,
      at: kept.at,
      activity: request.kind === 'read' ? (purpose.activity ?? null) : null,
      direction,
      otherEnd: 'memory',
      source: 'real',
      measure: { ...TIMED, bytes: Math.max(1, bytes), files, seconds: Math.max(1e-3, seconds), depth: 1 },
      path,
      conditions: {
        ...conditionsOf(purpose, note, inFolder(target, through, bytes), warmth),
        ...(direction === 'read' && through === 'direct' ? { cold: true } : {}),
      },
      ended: 'done',
      samples: samples.slice(0, MOST_SAMPLES),
      ...(bar === null
        ? {}
        : { counted: { read: 0, written: bytes, reads: 0, writes: files, busy: null, bar } }),
    };
  });
}

const ENDED: Record<Extract<RunEvent, { type: 'probed' }>['ended'], string> = {
  known: '',
  bytes: 'its bytes were spent',
  seconds: 'its time was spent',
  warmth: 'it grew too hot',
};

/** Below this share of what was moved, a direction is what a system does beside the work. */
const BESIDE = 0.2;

/**
 * The run that a watched piece of work comes to, of the activity it stands for. Its bytes are those of the activity's direction; of a load nobody needs them,
 * they are counted all the same.
 * @param activity null: none, its direction is that in which most was moved
 */
export function runOfWatch(
  kept: Pick<KeptRun, 'id'>,
  watched: Extract<RunEvent, { type: 'watched' }>,
  purpose: Purpose,
  path: Run['path'],
  activity: Activity | null,
): Run {
  const { device, at, seconds, bar, read, written, reads, writes, busy, error, samples, others } = watched;
  const direction = activity ? directionOf(activity) : written >= read ? 'write' : 'read';
  const bytes = Math.round(direction === 'write' ? written : read);
  const other = direction === 'write' ? read : written;
  const load = isLoad(activity);
  const note = [
    purpose.note,
    device.how === 'counters' ? `counters of ${device.name}` : `growth of ${device.name}: no counters here`,
    others ? `others moved ${format(others, 'B/s', 2)} before and after` : '',
    other > BESIDE * bytes && !load ? `${direction === 'write' ? 'read' : 'wrote'} too` : '',
  ];
  return {
    id: `run-${kept.id.slice(0, 36)}-watched`,
    at,
    activity: activity?.id ?? null,
    direction,
    otherEnd: load ? 'memory' : 'storage',
    source: 'watched',
    measure: {
      kind: 'timed',
      bytes: load || bytes < 1 ? null : bytes,
      files: null,
      seconds,
      ...(load ? {} : { until: 'written' as const }),
      error,
      correction: 0,
      laps: [],
      block: null,
      depth: null,
    },
    path,
    conditions: conditionsOf(purpose, note),
    ended: 'done',
    samples: samples[direction].slice(0, MOST_SAMPLES),
    counted: { read, written, reads, writes, busy, bar },
  };
}
