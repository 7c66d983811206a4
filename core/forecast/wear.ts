import { exactly, spread, type Spread } from '../stats';
import { formula, recordersFor, type Estimate, type Fact, type Recorder } from '../evidence';
import type { Direction } from '../catalog/links';
import { asRevised } from '../catalog/parts';
import { type Path, writeMultiple, type Layout } from '../assembly';
import { life, workloadShare, type Life, type WrittenReading } from '../models';
import { kindOf } from './kinds/registry';
import { directionOf, isKept, traitsOf, type Activity, type Needs } from '../job';
import { layoutOf, pathOf, type Situation } from './case';

/** Endurance at the work's own rate, and of a used drive at that which its counters show. */
export type WornLife = Life & { byCounters: Life | null };

/** Endurance, or the reason why it cannot be worked out. */
export type LifeForecast = WornLife | { problem: string };

/** Whether a life is one, and not the reason why there is none. */
export const isLife = (found: LifeForecast): found is WornLife => 'dwpd' in found;

const DAY_MS = 86_400_000;
/** A drive's counters as readings at an age in days, and the day that it is counted from; none without counters. */
function readingsOf({
  counters = [],
  inUseSince,
}: Needs): { since: string; readings: WrittenReading[] } | null {
  const sorted = [...counters].sort((a, b) => (a.on < b.on ? -1 : 1));
  const since = inUseSince ?? sorted[0]?.on;
  if (since === undefined || sorted.length === 0) return null;
  const dayOf = (on: string) => Math.round((Date.parse(on) - Date.parse(since)) / DAY_MS);
  return { since, readings: sorted.map(({ on, written }) => ({ day: dayOf(on), written })) };
}

const sum = formula({
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

/** Bytes a day that activities bring to the device; null for none. */
function bytesPerDay<T extends Spread>(
  record: Recorder<T>,
  work: readonly Activity[],
  directions: readonly Direction[],
  path: Path,
): T | null {
  const each = work
    .flatMap((a) => directions.map((d) => kindOf(a).bytesPerDay(record, a, d, path)))
    .filter((found) => found !== null);
  return each.length === 0 ? null : each.reduce((a, b) => record.of(sum, { a, b }));
}

/** What each member of an array has of it. */
function onEach<T extends Spread>(
  record: Recorder<T>,
  rate: T,
  layout: Layout | undefined,
  multiple: Spread,
  note: string,
): T {
  if (!layout) return rate;
  return record.of(perMember, {
    rate,
    multiple: record.given('written to all members for each byte', multiple, 'ratio', {
      kind: 'practice',
      note,
    }),
    members: record.given('members', layout.members, 'count', { kind: 'entered' }),
  });
}

/** What counts as written: what grows is also copied in by others where there are any, and counting both would count it twice. */
function writing({ activities: here, elsewhere = [] }: Situation): readonly Activity[] {
  const work = [...here, ...elsewhere];
  const brought = work.some((a) => !isKept(a) && directionOf(a) === 'write');
  return work.filter((a) => !isKept(a) || !brought);
}

/** Expected B a day written to each of a situation's drives, in numbers only; null where nothing is written or nobody knows how much. */
export function screenWrites(situation: Situation, path: Path): number | null {
  const work = writing(situation);
  const written = bytesPerDay(recordersFor(situation.shopRanges).bare, work, ['write'], path);
  const layout = layoutOf(situation.build);
  if (!written || !layout) return written?.expected ?? null;
  return (written.expected * writeMultiple(layout, false)) / layout.members;
}

/** Endurance of a situation's drives at the work's own rate. */
export function lifeOn(situation: Situation, path: Path): LifeForecast {
  const { build, activities: here, elsewhere = [], needs, shopRanges } = situation;
  const work = [...here, ...elsewhere];
  const record = recordersFor(shopRanges).explaining;
  const { tbw, capacity, warrantyYears, cell, media } = asRevised(build.drive);
  if (media === 'disk')
    return { problem: 'Disks are rated by what is read and written in a year, not by what wears out.' };
  const written = bytesPerDay(record, writing(situation), ['write'], path);
  const layout = layoutOf(build);
  const small = work.some((a) => traitsOf(a).requests === 'random');
  const full = layout ? writeMultiple(layout, false) : 1;
  const most = layout ? writeMultiple(layout, small) : 1;
  const note = small ? 'full stripes to small writes' : 'full stripes';
  const rate = written && onEach(record, written, layout, spread(full, full, most), note);
  const sheet = { tbw, capacity, warrantyYears, writesPerDay: null, cell };
  // Counters are one unit's: of several drives as one they are nobody's.
  const shown = layout ? null : readingsOf(needs);
  const tellsRate = shown && (shown.readings.length > 1 || shown.readings[0]!.day > 0);
  try {
    const byCounters = tellsRate ? life({ ...sheet, ...shown }, null, record) : null;
    const used = rate && shown ? shown : { readings: [] };
    return { ...life({ ...sheet, ...used }, rate, record), byCounters };
  } catch (error) {
    return { problem: (error as Error).message };
  }
}

/** Endurance alone, without any sampling of transfers; null while the path is blocked. */
export function lifeOf(situation: Situation): LifeForecast | null {
  const path = pathOf(situation);
  return path.blocked.length > 0 ? null : lifeOn(situation, path);
}

/** Of a disk: share of its yearly workload rating in use; null where it has none or nothing is moved. */
function workloadBy<T extends Spread>(
  record: Recorder<T>,
  { build, activities, elsewhere = [] }: Situation,
  path: Path,
): T | null {
  const { media, workload } = build.drive;
  const rated: Fact | undefined = media === 'disk' ? workload : undefined;
  const limit = record.known('rated a day', rated, 'B/day');
  const moved = limit && bytesPerDay(record, [...activities, ...elsewhere], ['read', 'write'], path);
  if (!limit || !moved) return null;
  const layout = layoutOf(build);
  const multiple = exactly(layout ? writeMultiple(layout, false) : 1);
  return record.of(workloadShare, {
    moved: onEach(record, moved, layout, multiple, 'full stripes'),
    rated: limit,
  });
}

/** {@link workloadBy} with its working. */
export const workloadOn = (situation: Situation, path: Path): Estimate | null =>
  workloadBy(recordersFor(situation.shopRanges).explaining, situation, path);

/** {@link workloadBy} in numbers only. */
export const screenWorkload = (situation: Situation, path: Path): number | null =>
  workloadBy(recordersFor(situation.shopRanges).bare, situation, path)?.expected ?? null;
