import { formula, middle, type Recorder } from '../evidence';
import { assumed, type AssumptionId } from '../catalog/assumptions';
import {
  classWords,
  FLASH_NAMES,
  flashClasses,
  isSmall,
  qlcGrowth,
  type FlashClass,
  type Likely,
} from '../catalog/classes';
import type { Drive } from '../catalog/parts';
import type { Spread } from '../stats';

/** A share of a rate. */
export const flashRateShare = formula({
  name: 'rate',
  unit: 'B/s',
  inputs: { whole: 'rate', share: 'share kept' },
  of: (m, x) => m.mul(x.whole, x.share),
});

/** A cache as a share of the capacity. */
export const cacheShare = formula({
  name: 'cache',
  unit: 'B',
  inputs: { capacity: 'capacity', share: 'share of the capacity' },
  of: (m, x) => m.mul(x.capacity, x.share),
});

const grown = formula({
  name: 'sustained writing',
  unit: 'B/s',
  inputs: { base: 'of 1 TB', growth: 'more with more chips' },
  of: (m, x) => m.mul(x.base, x.growth),
});
/** What a class of flash drives says of figures that nobody states. */
export interface FlashFigures<T extends Spread> {
  /** Cache of the empty drive. */
  cache(capacity: T): T;
  /** Share of it that stays as the drive fills. */
  stays(): T;
  /** Sustained writing; `cached` is what it writes into its cache. */
  sustained(cached: T, name: string): T;
}

/** The classes a drive may be of, the likeliest first. */
export const classesOf = (record: Recorder, drive: Drive): Likely<FlashClass>[] =>
  flashClasses(drive, record.shopRanges);

/** The figures of one class. */
export function flashFigures<T extends Spread>(
  record: Recorder<T>,
  drive: Drive,
  one: Likely<FlashClass>,
): FlashFigures<T> {
  const note = classWords(one, FLASH_NAMES);
  const capacity = middle(drive.capacity);
  const of = (id: AssumptionId, name?: string) => assumed(record, id, { note, ...(name ? { name } : {}) });
  const tlc = (cached: T, name: string): T => {
    const map = drive.map === 'DRAM' ? 'DRAM' : drive.map === undefined ? 'unknown' : 'none';
    const share = of(`pcie-tlc.sustained.${map}`);
    // A sealed device's box says what its link carries: the drive inside may take more, and sustains a share of that.
    const whole = drive.sealed
      ? record.of(
          flashRateShare,
          { whole: cached, share: assumed(record, 'sealed.inside') },
          { name: 'rate of the drive inside' },
        )
      : cached;
    const kept = record.of(flashRateShare, { whole, share }, { name });
    const all = isSmall(capacity, true)
      ? record.of(flashRateShare, { whole: kept, share: assumed(record, 'pcie-tlc.small') }, { name })
      : kept;
    return drive.sealed
      ? record.least(
          name,
          [
            { name: 'by its class', figure: all },
            { name: 'what it takes in', figure: cached },
          ],
          'B/s',
        )
      : all;
  };
  return {
    cache: (held) =>
      record.of(
        cacheShare,
        { capacity: held, share: of(`${one.id}.cache`) },
        { name: 'cache of the empty drive, not stated' },
      ),
    stays: () => of(`${one.id}.stays`),
    sustained: (cached, name) => {
      switch (one.id) {
        case 'pcie-tlc-large':
        case 'pcie-tlc-small':
          return tlc(cached, name);
        case 'pcie-qlc': {
          const growth = record.given('more with more chips', qlcGrowth(capacity), 'ratio', {
            kind: 'memory',
            note: 'square root of the capacity in TB',
          });
          return record.of(grown, { base: of('pcie-qlc.sustained'), growth }, { name });
        }
        case 'sata-tlc':
          return of(isSmall(capacity, false) ? 'sata-tlc.sustained.small' : 'sata-tlc.sustained', name);
        default:
          return of(`${one.id}.sustained`, name);
      }
    },
  };
}
