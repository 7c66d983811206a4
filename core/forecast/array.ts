import { exactly, spread, type Spread } from '../stats';
import {
  dataMembers,
  lossOver,
  rebuildFails,
  rebuildReads,
  rebuildTime,
  smallWriteCost,
  survives,
  usable,
  type Layout,
} from '../models/arrays';
import { timeShare } from '../models/disks';
import { fromFact, given, middle, worked, type Estimate, type Fact } from '../evidence';
import type { Drive } from '../catalog/parts';
import { interfaceOf, rateOf } from '../build/path';
import { DISK, REST } from '../models/transfer';

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

/** Unreadable bits as data sheets state them, an upper bound [practice]; flash states far less. */
const UNREADABLE: Record<Drive['media'], Spread> = {
  disk: spread(1e-16, 1e-15, 1e-14),
  flash: spread(1e-18, 1e-17, 1e-16),
};
/** Mean time between failures where no sheet says, s [practice]: data sheets claim 1 to 2.5 million hours, what is seen in use is nearer the low end. */
const MTBF = spread(0.4e6 * 3600, 1e6 * 3600, 2e6 * 3600);
/** Until a failed member is noticed and replaced, s [memory]: a day. */
const REPLACED = 86_400;
const YEAR = 8766 * 3600;

/** Inner tracks' share of the time over a disk, both laws at 0.45 to 0.55. */
const ZONES: Spread = {
  low: timeShare('linear', 0.55, 1),
  expected: (timeShare('linear', 0.5, 1) + timeShare('constant density', 0.5, 1)) / 2,
  high: timeShare('linear', 0.45, 1),
};

/** What one drive, or several as one, hold. */
export function holdsOf(layout: Layout | undefined, capacity: Estimate): Estimate {
  return layout
    ? usable.explain({
        member: capacity,
        data: given('members’ worth of data', dataMembers(layout), 'count', {
          kind: 'practice',
          note: `${layout.mode} of ${layout.members}`,
        }),
      })
    : capacity;
}

/** What a layout of drives comes to over the years wanted. */
export function forecastArray(layout: Layout, drive: Drive, capacity: Estimate, years: Fact): ArrayForecast {
  const disk = drive.media === 'disk';
  const rate = disk
    ? rateOf(`${drive.model}, writing`, drive.write, DISK)
    : rateOf(
        `${drive.model}, writing after the cache`,
        drive.rest,
        REST[drive.cell ?? 'unknown'][interfaceOf(drive)],
      );
  const reads = rebuildReads(layout, capacity.expected);
  const rebuild = reads > 0 ? rebuildTime(capacity, rate, disk ? ZONES : null) : null;
  const perBit = given('unreadable, for each bit read', UNREADABLE[drive.media], 'ratio', {
    kind: 'practice',
    note: 'as data sheets state it: an upper bound',
  });
  const mtbf = fromFact('mean time between failures', drive.mtbf, 's', {
    range: MTBF,
    note: 'drives on sale',
  })!;
  const wanted = middle(years) ?? 5;
  const monotone = (of: (x: number) => number, x: Spread, falls: boolean): Spread => {
    const [a, b] = [of(x.low), of(x.high)];
    return falls
      ? { low: b, expected: of(x.expected), high: a }
      : { low: a, expected: of(x.expected), high: b };
  };
  const repair = REPLACED + (rebuild?.expected ?? 0);
  return {
    layout,
    usable: holdsOf(layout, capacity),
    survives: survives(layout),
    smallWrite: smallWriteCost(layout),
    rebuild,
    rebuildFails:
      rebuild &&
      worked(
        'a rebuild meets what it cannot read',
        monotone((p) => rebuildFails(layout, capacity.expected, p), perBit, false),
        '%',
        {
          how: 'exact',
          formula: survives(layout) >= 2 ? '1 − e^(−n·p) · (1 + n·p)' : '1 − (1 − p)^n',
          note: 'n bits read from all other members; with two to spare one fault is made up for.',
          inputs: [given('read from the other members', reads, 'B', { kind: 'practice' }), perBit],
        },
      ),
    loss: worked(
      `data lost within ${wanted} years`,
      monotone((m) => lossOver(layout, m, repair, wanted * YEAR), mtbf, true),
      '%',
      {
        how: 'exact',
        formula: '1 − e^(−time ÷ mean time to data loss)',
        note: 'Members failing independently at a constant rate, each replaced and rebuilt [mean times to data loss published 1988, ACM SIGMOD, pp. 109–116; from memory]. Members of one batch fail together more often. A deleted or overwritten file is lost on all members: an array is no backup.',
        inputs: [
          mtbf,
          given('replaced and rebuilt within', exactly(repair), 's', {
            kind: 'memory',
            note: 'a day to replace it',
          }),
        ],
      },
    ),
  };
}
