import { exactly, type Spread } from '../stats';
import { middle, type Recorder } from '../evidence';
import { assumed, ASSUMPTIONS, marketOf } from '../catalog/assumptions';
import { outerMarket, type DiskClass, type FlashClass, type Likely } from '../catalog/classes';
import type { Direction } from '../catalog/links';
import { formFactor, type Drive } from '../catalog/parts';
import {
  atDepth,
  flowOf,
  rateOf,
  type Constraint,
  type ConstraintId,
  type Path,
  type Requests,
  dataMembers,
  layoutWords,
  membersTogether,
  carriedBy,
  type Layout,
} from '../assembly';
import { LONG_FILE } from '../models';
import { classesOf, flashFigures, flashRateShare } from './flash';
import type { Transfer } from './inputs';

const DOING: Record<Direction, string> = { read: 'reading', write: 'writing' };
/** A disk nobody knows the recording of: it may be shingled. */
export const hidesItsRecording = ({ media, recording, cache, rest }: Drive): boolean =>
  media === 'disk' && recording === undefined && cache.value === null && rest.value === null;

/** Of such disks out of so many of its size, first the most frequent [memory]. */
export function recordings({ form, capacity }: Drive): readonly ('CMR' | 'SMR')[] {
  if (formFactor(form) === '2.5-inch') return ['SMR', 'SMR', 'SMR', 'CMR'];
  return (middle(capacity) ?? 0) > 8.5e12 ? ['CMR', 'CMR', 'CMR', 'SMR'] : ['CMR', 'SMR'];
}

/** How writes come to a disk. */
export type Writing = 'long' | 'scattered' | 'unknown';
export function writingOf({ files, streams = 1 }: Transfer, bytes: Spread): Writing {
  const count = middle(files);
  if (count === null) return 'unknown';
  return streams === 1 && bytes.expected / count >= LONG_FILE ? 'long' : 'scattered';
}

/** Figures of a drive, or of several as one: each with its source. */
export interface Medium<T extends Spread> {
  /** The medium's own rate; of an array, its members' together, each held to its bay. */
  rate(direction: Direction): T;
  /** Sustained writing, past the cache. */
  sustained(writes?: Writing): T;
  cache(): T;
  /** Share of a flash drive's cache that stays as it fills. */
  stays(): T;
  capacity(): T;
}

/** What a medium is taken for, where that is not what stands in the path: another drive, one class of those it may be of. */
export interface TakenFor {
  drive?: Drive;
  flash?: Likely<FlashClass>;
  disk?: DiskClass;
}

/** The drive of a path as a medium. */
export function mediumOf<T extends Spread>(
  record: Recorder<T>,
  path: Path,
  array: Layout | undefined,
  { drive = path.parts.drive, flash, disk }: TakenFor = {},
): Medium<T> {
  const figures = () => flashFigures(record, drive, flash ?? classesOf(record, drive)[0]!);
  const layout = array && array.mode !== 'single' ? array : null;
  const words = layout ? layoutWords(layout) : '';
  const asOne = (name: string, one: T, what: string, count: number): T => {
    if (!layout) return one;
    const members = record.given(what, count, 'count', { kind: 'practice', note: words });
    return record.of(membersTogether, { member: one, count: members }, { name: `${name}, ${words}` });
  };
  const together = (name: string, one: T, direction: Direction) =>
    layout ? carriedBy(record, one, { layout, direction, host: path.parts.host }, `${name}, ${words}`) : one;
  const timesData = (name: string, one: T) =>
    asOne(name, one, 'members’ worth of data', layout ? dataMembers(layout) : 1);

  /** What one drive has for itself. */
  const ofOne = (id: ConstraintId): Constraint | undefined => {
    const found = path.constraints.find((c) => c.id === id);
    return found?.member ?? found;
  };
  const outerOf = (direction: Direction): T => {
    const name = `${drive.model}, ${DOING[direction]}`;
    if (drive.media === 'disk') {
      const { range, note } = outerMarket(drive, record.shopRanges, disk);
      return rateOf(record, name, drive[direction], range, { unknownOf: note, sheet: 'of-stated.disk' });
    }
    return rateOf(record, name, drive[direction], ofOne('media')!.rate[direction]);
  };

  const oneHolds = () => record.fact('capacity', drive.capacity, 'B', marketOf(record, 'capacity'));

  return {
    rate(direction) {
      const stated = outerOf(direction);
      const name = `${drive.model}, ${DOING[direction]}`;
      const bay = array ? ofOne('inner') : undefined;
      if (!bay) return together(name, stated, direction);
      const held = record.either(
        () => bay.rate[direction],
        () => bay.explain(direction),
      );
      const inBay = `${drive.model} in its bay`;
      const parts = [
        { name: 'drive', figure: stated },
        { name: bay.name, figure: held },
      ];
      return together(inBay, record.least(inBay, parts, 'B/s'), direction);
    },
    sustained(writes = 'unknown') {
      const name = `${drive.model}, sustained writing`;
      const outer = () => outerOf('write');
      const one =
        drive.rest.value !== null
          ? rateOf(record, name, drive.rest, exactly(0))
          : drive.media === 'disk'
            ? shingledOf(record, drive, outer(), writes, name)
            : figures().sustained(outer(), name);
      return together(name, one, 'write');
    },
    cache() {
      const stated = 'cache of the empty drive';
      const known = record.known(stated, drive.cache, 'B');
      if (known) return timesData(stated, known);
      if (drive.media === 'flash') return timesData(stated, figures().cache(oneHolds()));
      const id = `disk-cache.${drive.recording ?? 'CMR'}` as const;
      return timesData(ASSUMPTIONS[id].name, assumed(record, id));
    },
    stays: () => figures().stays(),
    capacity() {
      return timesData('capacity', oneHolds());
    },
  };
}

/** What a disk writes once its media cache is full; of conventional tracks, all. */
function shingledOf<T extends Spread>(
  record: Recorder<T>,
  { recording }: Drive,
  outer: T,
  writes: Writing,
  name: string,
): T {
  const whole = () =>
    record.given(ASSUMPTIONS['shingled.unknown'].name, 1, 'ratio', { kind: 'practice', note: 'CMR' });
  const share = recording === 'SMR' ? assumed(record, `shingled.${writes}`) : whole();
  return record.of(flashRateShare, { whole: outer, share }, { name });
}

/** A drive beyond whose cache nobody ever writes. */
export const NO_END = exactly(1e18);

/** What the links carry: of several bays put together, what they share, through the array's own layer. */
export function linksOf<T extends Spread>(
  record: Recorder<T>,
  path: Path,
  direction: Direction,
  array: Layout | undefined,
  requests?: Requests,
): T {
  const links = flowOf(record, path, direction, array ? 'beyond bays' : 'links');
  const onUsb = path.outer.mode?.family === 'usb';
  return requests ? atDepth(record, links, path.parts, direction, onUsb, requests) : links;
}

/** What medium and links together give a long stream, whatever stands at the other end. */
export function streamOver<T extends Spread>(
  record: Recorder<T>,
  path: Path,
  direction: Direction,
  array: Layout | undefined,
): T {
  const medium = mediumOf(record, path, array).rate(direction);
  return slowerOf(record, direction, { medium, links: linksOf(record, path, direction, array) });
}

/** The slower of medium and links. */
export const slowerOf = <T extends Spread>(
  record: Recorder<T>,
  direction: Direction,
  { medium, links }: { medium: T; links: T },
): T =>
  record.least(
    `drive and links, ${DOING[direction]}`,
    [
      { name: 'drive', figure: medium },
      { name: 'links', figure: links },
    ],
    'B/s',
  );
