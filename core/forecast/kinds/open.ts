import { factWords, formula, recordersFor, type Recorder } from '../../evidence';
import type { Spread } from '../../stats';
import type { Path } from '../../assembly';
import {
  compareLoads,
  felt,
  forecastLoad,
  loadInputs,
  NOTICED,
  type Opened,
  operationsPerSecond,
} from '../../models';
import { format } from '../../units';
import type { Load } from '../../job';
import { layoutOf, pathOf, type Case } from '../case';
import { overridden } from '../collect';
import { linksOf, mediumOf, slowerOf, streamOver } from '../medium';
import type { Answered, KindModel } from './kind';
import { bytesADay, withinTarget } from './shared';

const oneOver = formula({
  name: 'latency of one request',
  unit: 's',
  inputs: { iops: 'requests a second, one at a time' },
  of: (m, x) => m.div(m.num(1), x.iops),
});

type Found<T extends Spread> = Record<'links' | 'read' | 'latency', T>;

/** @throws RangeError when the path is blocked */
function foundOver<T extends Spread>(
  record: Recorder<T>,
  { activity, build, overrides }: Case<Load>,
  path: Path,
): Found<T> {
  const layout = layoutOf(build);
  const one = { reads: 1, block: 4096, depth: 1, span: activity.bytes, synchronous: false };
  const found: Found<T> = {
    links: linksOf(record, path, 'read', layout),
    read: mediumOf(record, path, layout).rate('read'),
    latency: record.of(oneOver, { iops: operationsPerSecond(record, path, one) }),
  };
  return overridden(record, found, overrides);
}

/**
 * What a load finds where it reads and writes: rates of drive and links, and latency of a request that is waited for.
 * @throws RangeError when the path is blocked
 */
export function openedOver<T extends Spread>(record: Recorder<T>, of: Case<Load>, path: Path): Opened<T> {
  const { links, read, latency } = foundOver(record, of, path);
  return {
    rate: slowerOf(record, 'read', { links, medium: read }),
    latency,
    writing: streamOver(record, path, 'write', layoutOf(of.build)),
  };
}

/** s to a tenth: nobody feels less. */
const seconds = (s: number): string => format(s < 60 ? Math.round(s * 10) / 10 : s, 's');
const FELT = { yes: 'felt', no: 'not felt', unclear: 'at the edge of what is felt' };

/** A load, open, build or render, where the processor shares the time. */
export const LOAD_MODEL: KindModel<Load> = {
  size: ({ bytes }) => factWords(bytes, 'B'),
  transfer: () => null,

  answer(of, path) {
    const record = recordersFor(of.shopRanges).explaining;
    const on = openedOver(record, of, path);
    const { time, storage } = forecastLoad(record, of.activity, on);
    const { inputs, formula } = loadInputs(record, of.activity, on);
    const probability = withinTarget(of.activity, formula, inputs);
    return { figure: time, rate: null, probability, more: [storage], course: null };
  },

  found: foundOver,

  drawn(of, path) {
    const record = recordersFor(of.shopRanges).bare;
    const found = foundOver(record, of, path);
    const on = { ...found, rate: found.read, writing: streamOver(record, path, 'write', layoutOf(of.build)) };
    const { inputs, formula } = loadInputs(record, of.activity, on);
    const { rate: _, ...others } = inputs;
    return {
      inputs: { ...others, ...found },
      // What a load is made of is its own, and the same wherever it lies.
      named: (key) => (key in on ? key : `${key} of ${of.activity.id}`),
      time: (x) => formula({ ...x, rate: Math.min(x.links!, x.read!) }),
    };
  },

  screen(of, path) {
    const record = recordersFor(of.shopRanges).bare;
    return forecastLoad(record, of.activity, openedOver(record, of, path)).time.expected;
  },

  bytesPerDay(record, open, direction) {
    const what = direction === 'write' ? open.written : undefined;
    const bytes = record.known('bytes written', what, 'B');
    return bytes && bytesADay(record, open, direction, bytes);
  },

  apart(one, two) {
    const opened = ({ of }: Answered<Load>) =>
      openedOver(recordersFor(of.shopRanges).explaining, of, pathOf(of, of.activity.endpoint));
    const later = compareLoads(one.of.activity, opened(one), opened(two));
    const { low, expected, high } = later;
    const [sooner, from, to] =
      expected >= 0 ? ([one.name, low, high] as const) : ([two.name, -high, -low] as const);
    const slower = Math.max(one.answer.figure.expected, two.answer.figure.expected);
    const verdict = `${FELT[felt(later, slower)]} (above the greater of ${NOTICED.seconds} s and ${NOTICED.share * 100} %, common practice)`;
    if (Math.abs(expected) < 0.05)
      return `Opened as soon with either, give or take ${seconds(Math.max(-from, to))}: ${verdict}.`;
    const range =
      from < 0 ? `${seconds(-from)} later to ${seconds(to)} sooner` : `${seconds(from)} to ${seconds(to)}`;
    return `Opened ${seconds(Math.abs(expected))} sooner with ${sooner} (${range}): ${verdict}.`;
  },
};
