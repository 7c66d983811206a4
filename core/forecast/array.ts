import { format, formatProbability, YEAR_SECONDS } from '../units';
import { exactly, type Spread } from '../stats';
import { middle, recordersFor, type Estimate, type Recorder } from '../evidence';
import { assumed, assumedRange, marketOf } from '../catalog/assumptions';
import { asRevised, type Drive } from '../catalog/parts';
import {
  rateOf,
  type Device,
  dataMembers,
  layoutWords,
  smallWriteCost,
  survives,
  usable,
  type Layout,
} from '../assembly';
import { lossOver, rebuildFails, rebuildReads, rebuildTime, timeShare } from '../models';
import { outerMarket, pcieShare } from '../catalog/classes';
import { classesOf, flashFigures } from './flash';
import { layoutOf, type Situation } from './case';

/** What several drives as one come to. */
export interface ArrayForecast {
  layout: Layout;
  usable: Estimate;
  /** Members that may fail, whichever they are. */
  survives: number;
  /** Device operations for a write smaller than a strip. */
  smallWrite: number;
  /** Of one member, nothing else going on; null where there is nothing to rebuild from. */
  rebuild: Estimate | null;
  /** That a rebuild meets what it cannot read; null where there is none. */
  rebuildFails: Estimate | null;
  /** Of losing data to failing members over the wanted years. */
  loss: Estimate;
}

/** Until a failed member is noticed and replaced, s [memory]: a day. */
const REPLACED = 86_400;
/** Years wanted where nobody says [memory]. */
const YEARS = 5;

/** Inner tracks' share of the time over a disk, both laws at 0.45 to 0.55. */
const ZONES: Spread = {
  low: timeShare('linear', 0.55, 1),
  expected: (timeShare('linear', 0.5, 1) + timeShare('constant density', 0.5, 1)) / 2,
  high: timeShare('linear', 0.45, 1),
};

/** Capacity of one drive of a device. */
export const capacityOf = <T extends Spread>(record: Recorder<T>, { drive }: Device): T =>
  record.fact('capacity', asRevised(drive).capacity, 'B', marketOf(record, 'capacity'));

/** What a device holds: one drive, or several as one. */
export function holdsOf<T extends Spread>(record: Recorder<T>, device: Device): T {
  const layout = layoutOf(device);
  const member = capacityOf(record, device);
  if (!layout) return member;
  const data = record.given('members’ worth of data', dataMembers(layout), 'count', {
    kind: 'practice',
    note: layoutWords(layout),
  });
  return record.of(usable, { member, data });
}

/** A function that only rises or only falls, over the three points of a spread. */
function monotone(of: (x: number) => number, x: Spread, falls: boolean): Spread {
  const [a, b] = [of(x.low), of(x.high)];
  return falls
    ? { low: b, expected: of(x.expected), high: a }
    : { low: a, expected: of(x.expected), high: b };
}

/** Writing to a member while it is rebuilt. */
function memberRate(record: Recorder<Estimate>, drive: Drive): Estimate {
  if (drive.media === 'disk' || drive.rest.value !== null) {
    const { range, note } = outerMarket(drive, record.shopRanges);
    const [name, fact] =
      drive.media === 'disk' ? ['writing', drive.write] : ['sustained writing', drive.rest];
    const sheet = drive.media === 'disk' ? 'of-stated.disk' : 'of-stated';
    return rateOf(record, `${drive.model}, ${name}`, fact, range, { unknownOf: note, sheet });
  }
  const usual = assumedRange(pcieShare(drive) >= 0.5 ? 'built-in.pcie3' : 'built-in.sata', record.shopRanges);
  const cached = rateOf(record, `${drive.model}, writing`, drive.write, usual);
  const [likeliest] = classesOf(record, drive);
  return flashFigures(record, drive, likeliest!).sustained(cached, `${drive.model}, sustained writing`);
}

/** What the drives of a situation come to as one; null for drives each by itself. */
export const arrayOf = (situation: Situation): ArrayForecast | null =>
  forecastArray(recordersFor(situation.shopRanges).explaining, situation);

/** What a device's layout of drives comes to over its service life; null for drives each for itself. */
export function forecastArray(
  record: Recorder<Estimate>,
  { build, serviceYears }: Pick<Situation, 'build' | 'serviceYears'>,
): ArrayForecast | null {
  const layout = layoutOf(build);
  if (!layout) return null;
  const drive = asRevised(build.drive);
  const capacity = capacityOf(record, build);
  const reads = rebuildReads(layout, capacity.expected);
  const zones = drive.media === 'disk' ? ZONES : null;
  const rebuild = reads > 0 ? rebuildTime(capacity, memberRate(record, drive), zones) : null;
  return {
    layout,
    usable: holdsOf(record, build),
    survives: survives(layout),
    smallWrite: smallWriteCost(layout),
    rebuild,
    rebuildFails: rebuild && failing(record, layout, drive, capacity, reads),
    loss: losing(record, layout, drive, rebuild, middle(serviceYears) ?? YEARS),
  };
}

function failing(
  record: Recorder<Estimate>,
  layout: Layout,
  drive: Drive,
  capacity: Estimate,
  reads: number,
): Estimate {
  const perBit = assumed(record, `unreadable.${drive.media}`);
  const chance = monotone((p) => rebuildFails(layout, capacity.expected, p), perBit, false);
  const twoToSpare = survives(layout) >= 2;
  return record.worked('a rebuild meets what it cannot read', chance, '%', () => ({
    how: 'exact',
    formula: twoToSpare ? '1 − e^(−n·p) · (1 + n·p)' : '1 − (1 − p)^n',
    note: 'n bits read from all other members; with two to spare one fault is made up for.',
    inputs: [record.given('read from the other members', reads, 'B', { kind: 'practice' }), perBit],
  }));
}

function losing(
  record: Recorder<Estimate>,
  layout: Layout,
  drive: Drive,
  rebuild: Estimate | null,
  years: number,
): Estimate {
  const mtbf = record.fact('mean time between failures', drive.mtbf, 's', marketOf(record, 'mtbf'));
  const repair = REPLACED + (rebuild?.expected ?? 0);
  const chance = monotone((m) => lossOver(layout, m, repair, years * YEAR_SECONDS), mtbf, true);
  const within = { kind: 'memory', note: 'a day to replace it' } as const;
  return record.worked(`data lost within ${years} years`, chance, '%', () => ({
    how: 'exact',
    formula: '1 − e^(−time ÷ mean time to data loss)',
    note:
      'Members failing independently at a constant rate, each replaced and rebuilt ' +
      '[mean times to data loss published 1988, ACM SIGMOD, pp. 109–116; from memory]. ' +
      'Members of one batch fail together more often. ' +
      'A deleted or overwritten file is lost on all members: an array is no backup.',
    inputs: [mtbf, record.given('replaced and rebuilt within', exactly(repair), 's', within)],
  }));
}

/** How many members may fail, in words. */
export const survivalWords = ({ survives: spare }: Pick<ArrayForecast, 'survives'>): string =>
  spare === 0
    ? 'one failing drive loses all'
    : `${spare} may fail, whichever ${spare === 1 ? 'it is' : 'they are'}`;

/** What a rebuild takes and how surely it ends, in words; null where there is none. */
export const rebuildWords = ({ rebuild, rebuildFails: fails }: ArrayForecast): string | null =>
  rebuild &&
  `a rebuild takes at least ${format(rebuild.expected, 's')} and meets what it cannot read in ${formatProbability(fails!.expected)} of cases`;
