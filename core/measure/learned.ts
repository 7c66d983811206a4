import type { Fact } from '../evidence';
import type { Direction } from '../catalog/links';
import {
  fitCache,
  fitPerFile,
  type CacheFit,
  type CopyTiming,
  type MovedBy,
  type PerFileFit,
} from '../models';
import { median, type Spread } from '../stats';
import { counted } from '../units';
import { madeAt, type Job, type Place, type Probed, type Run } from '../job';
import { ASSUMED_SCATTER } from './measured';
import { intoDrive, intoMachine, type TakenOver } from './takenover';
import { HOT } from './trace/phases';

/** What a job's own runs teach of a part that is used elsewhere too. */
export type Learned =
  | {
      kind: 'per file';
      place: Place;
      direction: Direction;
      media: 'flash' | 'disk';
      runs: number;
      fit: PerFileFit;
    }
  | { kind: 'cache'; place: Place; runs: number; fit: CacheFit };

/** Runs that may teach: real, whole, at a place of the job, with what was moved counted. */
function usable(job: Job): (Run & { path: Place })[] {
  return job.runs.filter(
    (run): run is Run & { path: Place } =>
      run.ended === 'done' &&
      run.source !== 'simulated' &&
      !run.excluded &&
      !run.conditions.memoryBacked &&
      run.path !== null &&
      'machine' in run.path,
  );
}

/** Times of one size and number of files as one: their middle, and an error that holds their scatter. */
function together(list: readonly CopyTiming[]): CopyTiming[] {
  const groups = new Map<string, CopyTiming[]>();
  for (const one of list) {
    const key = `${one.bytes}/${one.files}`;
    groups.set(key, [...(groups.get(key) ?? []), one]);
  }
  return [...groups.values()].map((group) => {
    const seconds = median(group.map((g) => g.seconds));
    const error = Math.hypot(group[0]!.error, ASSUMED_SCATTER * seconds) / Math.sqrt(group.length);
    return { ...group[0]!, seconds, error };
  });
}

const timingOf = ({ measure }: Run): CopyTiming[] =>
  measure.kind === 'timed' && measure.bytes !== null && measure.files !== null
    ? [{ bytes: measure.bytes, files: measure.files, seconds: measure.seconds, error: measure.error }]
    : [];

/** A sample is a reading of a clock and of a counter: good to about so many s. */
const SAMPLE_ERROR = 0.2;
/** A probe finds the end of a cache to so much either way, 90 % of the time [npm run bench -- probe]. */
const PROBED = 0.05;
/** As many moments of a run's course tell as much as all of them. */
const MOMENTS = 40;

/** How far a run had come at its samples, or at its laps where a person pressed them evenly over what was moved. */
function momentsOf({ samples, measure }: Run): MovedBy[] {
  if (measure.kind !== 'timed') return [];
  const every = Math.max(1, Math.ceil(samples.length / MOMENTS));
  return samples
    .filter(({ t, bytes }, i) => i % every === 0 && t > 0 && bytes > 0)
    .map(({ t, bytes }) => ({ bytes, seconds: t, error: Math.hypot(SAMPLE_ERROR, 0.01 * t) }));
}

/** A fit, or nothing where there is too little to fit. */
function tried<T>(fit: () => T): T | null {
  try {
    return fit();
  } catch {
    return null;
  }
}

/** A probe found cache and rates itself, by far more bins than a run keeps samples. */
function fitOfProbe({ cache, fast, slow }: Probed): CacheFit | null {
  if (cache.atLeast || slow === null) return null;
  const about = (value: number, share: number) => ({
    low: value * (1 - share),
    expected: value,
    high: value * (1 + share),
  });
  return { cache: about(cache.bytes, PROBED), fast: about(fast, PROBED), slow, knee: true };
}

/** What a job's runs teach: the host's per-file overhead, and the cache of a drive whose copy was watched. */
export function learnedFrom(job: Job): Learned[] {
  const found: Learned[] = [];
  const runs = usable(job);
  const keys = new Map<string, (Run & { path: Place })[]>();
  for (const run of runs) {
    const key = `${run.path.machine}/${run.path.device}/${run.direction}/${run.otherEnd}`;
    keys.set(key, [...(keys.get(key) ?? []), run]);
  }
  for (const list of keys.values()) {
    const { path: place, direction } = list[0]!;
    const build = madeAt(job, list[0]!)?.build;
    if (!build) continue;
    const timings = together(list.flatMap(timingOf));
    const perFile = tried(() => fitPerFile(timings));
    if (perFile)
      found.push({
        kind: 'per file',
        place,
        direction,
        media: build.drive.media,
        runs: timings.length,
        fit: perFile,
      });
    if (direction !== 'write' || build.drive.media !== 'flash') continue;
    for (const run of list) {
      if (run.probed) {
        const fit = fitOfProbe(run.probed);
        if (fit) found.push({ kind: 'cache', place, runs: 1, fit });
        continue;
      }
      // A drive that got so hot may have slowed down by heat: where its cache ended, nobody can tell.
      if ((run.conditions.hottest ?? 0) >= HOT) continue;
      const cache = tried(() => fitCache(momentsOf(run)));
      if (cache?.knee) found.push({ kind: 'cache', place, runs: 1, fit: cache });
    }
  }
  return found;
}

const asFact = ({ low, expected, high }: Spread, note: string): Fact => ({
  value: [low, expected, high],
  source: { kind: 'measured', note },
});

/** What the job's own runs would put in place of what. */
export function takenOver(job: Job, learned: Learned): TakenOver[] {
  const { place, runs } = learned;
  const note = `fitted to ${counted(runs, 'run')} of this job`;
  return learned.kind === 'per file'
    ? intoMachine(job, place.machine, learned.media, learned.direction, asFact(learned.fit.perFile, note))
    : intoDrive(job, place.device, {
        cache: asFact(learned.fit.cache, note),
        rest: asFact(learned.fit.slow, note),
      });
}

/** A job with something that its runs taught taken over: into the machine or the drive it is of. */
export const withLearned = (job: Job, learned: Learned): Job =>
  takenOver(job, learned).reduce((j, { into }) => into(j), job);
