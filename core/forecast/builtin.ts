import { wayOf, type Choice, type Spread } from '../stats';
import { formula, type Recorder } from '../evidence';
import { assumed, marketOf } from '../catalog/assumptions';
import {
  BUILT_IN_NAMES,
  builtInClasses,
  builtInMarket,
  classWords,
  type BuiltInClass,
  type Likely,
} from '../catalog/classes';
import type { Host } from '../catalog/parts';
import { cacheShare, flashRateShare } from './flash';
import { CHOICES, type InputId } from './inputs';

const cacheLeft = formula({
  name: 'cache',
  unit: 'B',
  inputs: { cache: 'cache', fill: 'fill' },
  of: (m, x) => m.mul(x.cache, m.sub(m.num(1), x.fill)),
});

type End<T> = Partial<Record<'other' | 'otherRest' | 'otherCache', T>>;

/** What a built-in drive of one class is where its own figures are not known: its rate, and, where it is written to, what comes past its cache. */
function endOf<T extends Spread>(
  record: Recorder<T>,
  host: Host,
  one: Likely<BuiltInClass>,
  rate: T | null,
  isWritten: boolean,
): End<T> {
  const { storage } = host;
  const note = classWords(one, BUILT_IN_NAMES);
  const found: End<T> = {};
  const of = () => {
    const { range } = builtInMarket(host, record.shopRanges, one.id);
    return record.given(storage.name, range, 'B/s', { kind: 'memory', note });
  };
  const other = rate ?? (found.other = of());
  if (!isWritten) return found;
  const past = 'other end, past its cache';
  const name = 'cache of the other end';
  const pcie = one.id !== 'disk' && one.id !== 'sata';
  if (storage.rest?.value == null)
    found.otherRest =
      one.id === 'disk'
        ? record.renamed(past, other)
        : pcie
          ? record.of(
              flashRateShare,
              { whole: other, share: assumed(record, 'pcie-tlc.sustained.unknown', { note }) },
              { name: past },
            )
          : assumed(record, 'sata-tlc.sustained', { name: past, note });
  if (storage.cache?.value == null) {
    const share = pcie ? 'built-in.cache' : 'sata-tlc.cache';
    const capacity = record.fact(
      'capacity of the other end',
      storage.capacity,
      'B',
      marketOf(record, 'capacity'),
    );
    found.otherCache =
      one.id === 'disk'
        ? record.given(name, 0, 'B', { kind: 'practice', note })
        : atFill(
            record,
            host,
            record.of(cacheShare, { capacity, share: assumed(record, share, { note }) }, { name }),
          );
  }
  return found;
}

/** What is left of a cache at the fill of the drive it is in: a machine's own drive is as full as drives in use are, where nobody says. */
function atFill<T extends Spread>(record: Recorder<T>, { storage: { fill } }: Host, cache: T): T {
  const name = 'fill of the other end';
  const at =
    fill === undefined
      ? assumed(record, 'fill', { name })
      : record.given(name, fill, 'ratio', { kind: 'entered' });
  return record.of(cacheLeft, { cache, fill: at }, { name: 'cache of the other end at its fill' });
}

/**
 * The built-in drive as the other end: what is known of it, the rest as the likeliest class has it.
 * @param rate what the path says of it
 */
export function builtInEnd<T extends Spread>(
  record: Recorder<T>,
  host: Host,
  rate: T,
  isWritten: boolean,
): End<T> {
  const found: End<T> = {
    ...endOf(record, host, builtInClasses(host, record.shopRanges)[0]!, rate, isWritten),
    other: rate,
  };
  if (!isWritten) return found;
  const { rest, cache } = host.storage;
  const known = record.known('other end, past its cache', rest, 'B/s');
  if (known) found.otherRest = known;
  const stated = record.known('cache of the other end', cache, 'B');
  if (stated) found.otherCache = atFill(record, host, stated);
  return found;
}

/** Which class a built-in drive is of, each way with the figures that are not known; null where all is known, or only one fits. */
export function builtInChoice<T extends Spread>(
  record: Recorder<T>,
  host: Host,
  rate: T,
  isKnown: boolean,
  isWritten: boolean,
): Choice<InputId> | null {
  const classes = builtInClasses(host, record.shopRanges);
  if (classes.length < 2) return null;
  const ways = classes.map((one) =>
    wayOf<InputId>(one.id, one.weight, () => endOf(record, host, one, isKnown ? rate : null, isWritten)),
  );
  return Object.keys(ways[0]!.inputs).length === 0 ? null : { id: CHOICES.builtIn, ways };
}
