import { recordersFor } from '../../../evidence';
import { isExact } from '../../../stats';
import type { Scratch } from '../../../job';
import { waitFor, waitInputs } from '../../../models';
import { onDevice } from '../../kinds/scratch';
import type { Opening } from './kind';
import { isOpen, MINUTES, questions, test } from './tests';

/** Minutes that random requests are run for. */
const RUN = 1;

/** Scratch work: the wait of a day within the target. */
export const SCRATCH_OPENING: Opening<Scratch> = (of, path) => {
  const { target, operations } = of.activity;
  if (target === null) return null;
  const record = recordersFor(of.shopRanges).explaining;
  const inputs = waitInputs(record, path, operations, onDevice(of));
  if (Object.values(inputs).every(isExact)) return null;
  const all = { inputs };
  return {
    of: all,
    tell({ x }) {
      const figure = waitFor(x as Record<'operations' | 'rate', number>);
      return { figure, met: figure <= target };
    },
    tests: [
      ...questions(all, { operations: 'ask operations' }),
      ...(isOpen(all, 'rate')
        ? [test('run random', MINUTES.setUp + RUN, ({ x }) => x.rate!, { onDrive: true })]
        : []),
    ],
  };
};
