import { exactly, spread } from '../stats';
import { type Build } from '../build/assembly';
import { writeMultiple, type Layout } from '../models/arrays';
import { forecastArray, holdsOf, type ArrayForecast } from './array';
import { fillsIn, lacking, usableOf } from '../models/copies';
import { formatFromSheet } from '../models/disks';
import { life, workloadShare, type Life } from '../models/endurance';
import { formula, fromFact, given, renamed, worked, type Estimate, type Fact, exactFact } from '../evidence';
import { directionOf, type Activity, type Open, type Scratch } from '../job';
import { forecastLoad } from '../models/loads';
import { asRevised } from '../catalog/parts';
import { rateOf, type Path } from '../build/path';
import { behindCache, operationsPerSecond, scratchDay, type Operations } from '../models/random';
import { format } from '../units';
import { streamOver } from './inputs';
import { DISK } from '../models/transfer';
import { forecastStream, type StreamForecast } from './stream';
import { layoutOf, streamBytes, streamTask, surroundingsOf, transferPath, wholeTask, type Plan } from './task';
import { forecastTransfer, type TransferForecast } from './transfer';

export interface ActivityForecast {
  activity: Activity;
  /** The figure that answers it: a time, a margin, a wait a day, years. */
  figure: Estimate;
  /** Average rate of a move. */
  rate: Estimate | null;
  /** Probability that the wish is met, or that nothing stalls; null without either. */
  probability: number | null;
  /** What else is worth knowing. */
  more: Estimate[];
  /** The course of a move. */
  course: TransferForecast | null;
}

export interface JobForecast {
  path: Path;
  activities: ActivityForecast[];
  /** Endurance, or the reason why it cannot be worked out. */
  life: Life | { problem: string };
  /** Of a disk: share of its yearly workload rating in use. */
  workload: Estimate | null;
  /** What several drives as one come to; null for drives each for itself. */
  array: ArrayForecast | null;
  /** Of a disk: time of a full format or another pass over all of it. */
  format: Estimate | null;
  /** What the planned copies lack; null where none are planned. */
  copies: string[] | null;
}

/** Everything forecast for a job; null while nothing is built or the path is blocked. */
export function forecastJob(job: Plan): JobForecast | null {
  const { build, host, needs } = job;
  if (!build) return null;
  const path = transferPath(host, build);
  if (path.blocked.length > 0) return null;
  const to = (endpoint: string | undefined) =>
    endpoint === undefined ? path : transferPath(host, build, endpoint);
  const drive = asRevised(build.drive);
  const layout = layoutOf(build);
  const capacity = capacityOf(build);
  const array = layout
    ? forecastArray(layout, drive, capacity, job.serviceYears ?? { value: null, source: { kind: 'unknown' } })
    : null;
  const activities = job.activities.map((activity) =>
    forecastActivity(job, to(activity.endpoint), activity, array?.usable ?? capacity),
  );
  const copies = needs?.copies && needs.copies.length > 0 ? lacking(needs.copies) : null;
  return {
    path,
    activities,
    life: lifeOf(build, job.activities, path),
    workload: workloadOf(job.activities, drive.media === 'disk' ? drive.workload : undefined, layout, path),
    array,
    format: drive.media === 'disk' ? formatOf(path, capacity) : null,
    copies,
  };
}

/** A pass over a whole disk from its outer tracks to its inner ones, at what disk and path allow. */
function formatOf(path: Path, capacity: Estimate): Estimate {
  const outer = rateOf(`${path.parts.drive.model}, outer tracks`, path.parts.drive.write, DISK);
  // Where the path is no limit the zones alone decide, in closed form.
  if (path.carries!.write.low > outer.high) return formatFromSheet(capacity, outer);
  // Written from one end to the other a shingled disk keeps its rate.
  const drive = {
    ...path.parts.drive,
    recording: 'CMR' as const,
    cache: { value: null, source: { kind: 'unknown' as const } },
  };
  const { time } = forecastTransfer(
    { ...path, parts: { ...path.parts, drive } },
    {
      direction: 'write',
      bytes: { value: capacity.expected, source: capacity.because.source ?? { kind: 'unknown' } },
      files: exactFact(1),
      otherEnd: 'memory',
      surroundings: { fill: exactFact(0) },
    },
  );
  return renamed('time of a full format', time);
}

/** One activity of a job on its build. @throws RangeError when nothing is built or the path is blocked */
export function forecastOne(job: Plan, activity: Activity): ActivityForecast {
  const { build, host } = job;
  if (!build) throw new RangeError('Nothing is built, so nothing can be forecast.');
  return forecastActivity(
    job,
    transferPath(host, build, activity.endpoint),
    activity,
    holdsOf(layoutOf(build), capacityOf(build)),
  );
}

/** The chance of an activity, with its working; null where there is none. */
export function explainChance({
  activity,
  figure,
  probability,
}: Pick<ActivityForecast, 'activity' | 'figure' | 'probability'>): Estimate | null {
  if (probability === null) return null;
  const { kind, wish } = activity;
  const [name, formula] =
    kind === 'stream'
      ? ['chance that nothing stalls', 'share of the draws in which the buffer never runs out']
      : [
          'chance that the wish is met',
          kind === 'move'
            ? 'share of the draws that end within the wish'
            : 'share of the figure’s distribution within the wish, by its three points',
        ];
  return worked(name, exactly(probability), '%', {
    how: 'sampled',
    formula,
    filled: `${wish === null || kind === 'stream' ? '' : `P(${figure.because.name} ≤ ${format(wish, figure.unit)}) = `}${format(probability, '%')}`,
    inputs: [figure],
  });
}

/** Capacity of one drive of a build. */
export const capacityOf = ({ drive }: Build): Estimate =>
  fromFact('capacity', asRevised(drive).capacity, 'B', {
    range: spread(250e9, 1000e9, 4000e9),
    note: 'capacities on sale',
  })!;

function forecastActivity(job: Plan, path: Path, activity: Activity, capacity: Estimate): ActivityForecast {
  const { wish } = activity;
  const met = (figure: Estimate) => (wish === null ? null : shareBelow(figure, wish));
  switch (activity.kind) {
    case 'move': {
      const course = forecastTransfer(path, wholeTask(job, activity));
      return {
        activity,
        figure: course.time,
        rate: course.rate,
        probability: wish === null ? null : course.chance(wish),
        more: [],
        course,
      };
    }
    case 'stream': {
      const found: StreamForecast = forecastStream(path, streamTask(job, activity), activity);
      return {
        activity,
        figure: found.margin,
        rate: null,
        probability: 1 - found.stalls,
        more: [found.demand, found.sustained],
        course: null,
      };
    }
    case 'open': {
      const { time, storage } = forecastLoad(activity, ...openedOver(job, activity));
      return { activity, figure: time, rate: null, probability: met(time), more: [storage], course: null };
    }
    case 'scratch': {
      const { rate, wait, wear } = scratchDay(path, activity.operations, {
        ...operationsOf(activity),
        array: surroundingsOf(job).array,
      });
      const behind = activity.reads < 1 ? behindCache(path.parts.drive, activity.block) : null;
      return {
        activity,
        figure: wait,
        rate: null,
        probability: met(wait),
        more: [rate, wear, ...(behind ? [behind] : [])],
        course: null,
      };
    }
    case 'keep': {
      const years = fillsIn(
        usableOf(capacity),
        job.activities.filter((a) => a.kind === 'keep'),
      );
      return { activity, figure: years, rate: null, probability: null, more: [], course: null };
    }
  }
}

/** What a load finds where it reads: rate of drive and links, and latency of a request that is waited for. @throws RangeError when the path is blocked */
export function openedOver(
  { host, build }: Pick<Plan, 'host' | 'build'>,
  { bytes, endpoint }: Open,
): [rate: Estimate, latency: Estimate] {
  const path = transferPath(host, build!, endpoint);
  const iops = operationsPerSecond(path, {
    reads: 1,
    block: 4096,
    depth: 1,
    span: bytes,
    synchronous: false,
  });
  return [streamOver(path, 'read', layoutOf(build!)), oneOver.explain({ iops })];
}

const oneOver = formula({
  name: 'latency of one request',
  unit: 's',
  inputs: { iops: 'requests a second, one at a time' },
  of: (m, x) => m.div(m.num(1), x.iops),
});
const operationsOf = ({ reads, block, depth, span, synchronous }: Scratch): Operations => ({
  reads,
  block,
  depth,
  span,
  synchronous,
});

/** Share of a figure's distribution at or below a value, by its three points. */
function shareBelow({ low, expected, high }: Estimate, value: number): number {
  if (low === high) return Number(expected <= value);
  const between = (a: number, b: number, from: number, to: number) =>
    from + ((to - from) * (value - a)) / (b - a);
  if (value <= low) return Math.max(0, 0.05 * (1 - (low - value) / Math.max(1e-12, expected - low)));
  if (value <= expected) return between(low, expected, 0.05, 0.5);
  if (value <= high) return between(expected, high, 0.5, 0.95);
  return Math.min(1, 0.95 + (0.05 * (value - high)) / Math.max(1e-12, high - expected));
}

const dailyBytes = formula({
  name: 'bytes a day',
  unit: 'B/day',
  inputs: { bytes: 'bytes', times: 'times a day' },
  of: (m, x) => m.mul(x.bytes, x.times),
});
const together = formula({
  name: 'bytes a day',
  unit: 'B/day',
  inputs: { a: 'first', b: 'others' },
  of: (m, x) => m.add(x.a, x.b),
});
const perMember = formula({
  name: 'writes a day to each member',
  unit: 'B/day',
  inputs: { rate: 'writes a day', multiple: 'written to all members for each byte', members: 'members' },
  of: (m, x) => m.div(m.mul(x.rate, x.multiple), x.members),
});
/** How often something happens where nobody says [memory]. */
export const TIMES_UNKNOWN = { range: spread(0.2, 1, 2), note: 'now and then to twice a day' };
const BYTES = { range: spread(20e9, 100e9, 500e9), note: 'what people move in one go' };

/** Bytes a day an activity brings to the drive in one direction; null for none. */
function bytesPerDay(activity: Activity, direction: 'read' | 'write', path: Path): Estimate | null {
  const times = fromFact('times a day', activity.perDay, 'per day', TIMES_UNKNOWN)!;
  const name = `${direction === 'write' ? 'writes' : 'reads'} a day: ${activity.name}`;
  if (activity.kind === 'move') {
    const touches =
      activity.direction === direction || activity.itself || (activity.verify && direction === 'read');
    return touches
      ? dailyBytes.explain({ bytes: fromFact('bytes', activity.bytes, 'B', BYTES)!, times }, { name })
      : null;
  }
  if (activity.kind === 'stream')
    return activity.direction === direction
      ? dailyBytes.explain({ bytes: streamBytes(activity), times }, { name })
      : null;
  if (activity.kind === 'scratch') {
    if (direction === 'read' || activity.reads === 1) return null;
    const { wear } = scratchDay(path, activity.operations, operationsOf(activity));
    return { ...wear, because: { ...wear.because, name } };
  }
  if (activity.kind === 'keep' && direction === 'write') {
    const growth = fromFact(name, activity.growth, 'B/day');
    return growth && growth.high > 0 ? growth : null;
  }
  return null;
}

function sumOf(
  activities: readonly Activity[],
  directions: readonly ('read' | 'write')[],
  path: Path,
): Estimate | null {
  const each = activities
    .flatMap((a) => directions.map((d) => bytesPerDay(a, d, path)))
    .filter((e) => e !== null);
  return each.length === 0 ? null : each.reduce((a, b) => together.explain({ a, b }));
}

function lifeOf(build: Build, activities: readonly Activity[], path: Path): Life | { problem: string } {
  const { tbw, capacity, warrantyYears, cell, media } = asRevised(build.drive);
  if (media === 'disk')
    return { problem: 'Disks are rated by what is read and written in a year, not by what wears out.' };
  const layout = layoutOf(build);
  // What grows is also copied in by the moves where there are any: counting both would count it twice.
  const moving = activities.some((a) => a.kind !== 'keep' && directionOf(a) === 'write');
  const written = sumOf(
    activities.filter((a) => a.kind !== 'keep' || !moving),
    ['write'],
    path,
  );
  const small = activities.some((a) => a.kind === 'scratch');
  const rate =
    written && layout
      ? perMember.explain({
          rate: written,
          multiple: given(
            'written to all members for each byte',
            spread(writeMultiple(layout, false), writeMultiple(layout, false), writeMultiple(layout, small)),
            'ratio',
            { kind: 'practice', note: small ? 'full stripes to small writes' : 'full stripes' },
          ),
          members: given('members', layout.members, 'count', { kind: 'entered' }),
        })
      : written;
  try {
    return life({ tbw, capacity, warrantyYears, readings: [], writesPerDay: null, cell }, rate);
  } catch (error) {
    return { problem: (error as Error).message };
  }
}

function workloadOf(
  activities: readonly Activity[],
  rated: Fact | undefined,
  layout: Layout | undefined,
  path: Path,
): Estimate | null {
  const limit = fromFact('rated a day', rated, 'B/day');
  const moved = limit && sumOf(activities, ['read', 'write'], path);
  if (!limit || !moved) return null;
  const each = layout
    ? perMember.explain({
        rate: moved,
        multiple: given('moved on all members for each byte', writeMultiple(layout, false), 'ratio', {
          kind: 'practice',
        }),
        members: given('members', layout.members, 'count', { kind: 'entered' }),
      })
    : moved;
  return workloadShare.explain({ moved: each, rated: limit });
}

/** Endurance alone, without any sampling of transfers; null while nothing is built or the path is blocked. */
export function lifeOfJob({
  host,
  build,
  activities,
}: Pick<Plan, 'host' | 'build' | 'activities'>): JobForecast['life'] | null {
  if (!build) return null;
  const path = transferPath(host, build);
  return path.blocked.length > 0 ? null : lifeOf(build, activities, path);
}

/** Whether a life is one, and not the reason why there is none. */
export const isLife = (found: Life | { problem: string }): found is Life => 'dwpd' in found;
