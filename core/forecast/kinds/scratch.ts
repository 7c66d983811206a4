import { factWords, recordersFor } from '../../evidence';
import { behindCache, scratchDay, waitFor, waitInputs, type Operations } from '../../models';
import { format } from '../../units';
import type { Scratch } from '../../job';
import { layoutOf, type Case } from '../case';
import type { KindModel } from './kind';
import { farApart, perDayName, withinTarget } from './shared';

const operationsOf = ({ reads, block, depth, span, synchronous }: Scratch): Operations => ({
  reads,
  block,
  depth,
  span,
  synchronous,
});
/** As the device does them: with its array. */
export const onDevice = ({ activity, build }: Case<Scratch>): Operations => ({
  ...operationsOf(activity),
  array: layoutOf(build),
});

/** Small operations at random places all day: how long they are waited for. */
export const SCRATCH_MODEL: KindModel<Scratch> = {
  size: ({ operations }) => `${factWords(operations, 'count')} operations a day`,
  transfer: () => null,

  answer(of, path) {
    const record = recordersFor(of.shopRanges).explaining;
    const { activity } = of;
    const { rate, wait, wear } = scratchDay(record, path, activity.operations, onDevice(of));
    const behind = activity.reads < 1 ? behindCache(record, path.parts.drive, activity.block) : null;
    const more = [rate, wear, ...(behind ? [behind] : [])];
    const waited = waitInputs(record, path, activity.operations, onDevice(of));
    const probability = withinTarget(activity, waitFor, waited);
    return { figure: wait, rate: null, probability, more, course: null };
  },

  screen: (of, path) =>
    scratchDay(recordersFor(of.shopRanges).bare, path, of.activity.operations, onDevice(of)).wait.expected,

  bytesPerDay(record, scratch, direction, path) {
    if (direction === 'read' || scratch.reads === 1) return null;
    const { wear } = scratchDay(record, path, scratch.operations, operationsOf(scratch));
    return record.reworded(wear, () => perDayName(scratch.name, direction));
  },

  apart: (one, two) =>
    farApart(one, two, 'less', {
      same: (wait) => `Both wait ${format(wait.expected, 's', 2)} a day.`,
      differ: (name, by) => `${name} waits ${by} a day less.`,
    }),
};
