import { recordersFor } from '../../../evidence';
import { isExact, middlesOf } from '../../../stats';
import type { Load } from '../../../job';
import { loadInputs } from '../../../models';
import { openedOver } from '../../kinds/open';
import type { Opening } from './kind';
import { MINUTES, test } from './tests';

/** A load: open in time. */
export const LOAD_OPENING: Opening<Load> = (of, path) => {
  const { target } = of.activity;
  if (target === null) return null;
  const record = recordersFor(of.shopRanges).explaining;
  const { inputs, formula } = loadInputs(record, of.activity, openedOver(record, of, path));
  if (Object.values(inputs).every(isExact)) return null;
  const middle = middlesOf(inputs);
  const minutes = MINUTES.setUp + formula(middle) / 60;
  const { rate, latency, writing } = middle as Record<'rate' | 'latency', number> & { writing?: number };
  const device = { rate, latency, ...(writing === undefined ? {} : { writing }) };
  const ofWork = Object.entries(inputs).some(([key, value]) => !(key in device) && !isExact(value));
  return {
    of: { inputs },
    tell({ x }) {
      const figure = formula(x);
      return { figure, met: figure <= target };
    },
    tests: [
      // Bytes, requests and processing of one load, wherever it lies today.
      ...(ofWork
        ? [
            test('watch load', MINUTES.look + minutes, ({ x }) => formula({ ...x, ...device }), {
              about: 'activity',
            }),
          ]
        : []),
      test('time load', minutes, ({ x }) => formula(x), { onDrive: true }),
    ],
  };
};
