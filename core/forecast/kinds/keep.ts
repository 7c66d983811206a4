import { factWords, recordersFor, type Recorder } from '../../evidence';
import type { Spread } from '../../stats';
import { fillsIn, usableOf } from '../../models';
import { heldBy, type Keep } from '../../job';
import { holdsOf } from '../array';
import type { Case } from '../case';
import type { KindModel } from './kind';
import { farApart, perDayName } from './shared';

/** Years until everything kept on the device fills it. */
function full<T extends Spread>(record: Recorder<T>, { build, activities, elsewhere = [] }: Case<Keep>): T {
  return fillsIn(record, usableOf(record, holdsOf(record, build)), heldBy([...activities, ...elsewhere]));
}

/** Data that stays and grows: when the drive is full. */
export const KEEP_MODEL: KindModel<Keep> = {
  size: ({ now, growth }) => `${factWords(now, 'B')}, growing by ${factWords(growth, 'B/day')}`,
  transfer: () => null,

  answer(of) {
    const figure = full(recordersFor(of.shopRanges).explaining, of);
    return { figure, rate: null, probability: null, more: [], course: null };
  },

  screen: (of) => full(recordersFor(of.shopRanges).bare, of).expected,

  bytesPerDay(record, keep, direction) {
    if (direction === 'read') return null;
    const growth = record.known(perDayName(keep.name, direction), keep.growth, 'B/day');
    return growth && growth.high > 0 ? growth : null;
  },

  apart: (one, two) =>
    farApart(one, two, 'more', {
      same: () => 'Both are full at the same time.',
      differ: (name, by) => `${name} is full ${by} later.`,
    }),
};
