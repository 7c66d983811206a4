import { screen } from '../../forecast';
import type { Hypothesis } from '../hypothesis';
import { isEntered, scaling } from '../scaling';

/** s by which a distracted person starts or stops late [memory]. */
const LATE = 3;
/** s: of longer times nobody's thumb is a share worth a word. */
const SHORT = 90;

const expected = (of: Parameters<Hypothesis['applies']>[0]): number => screen(of) ?? Infinity;

/** The clock was started or stopped late: of a short time that is much. */
export const THUMB: Hypothesis = {
  id: 'thumb',
  site: 'figures',
  prior: 2,
  title: 'The clock was started or stopped late',
  fix: 'Time it again, or watch the device: its counters need no thumb.',
  applies: (of) => isEntered(of) && of.activity.kind === 'move' && expected(of) < SHORT,
  change: (of) => {
    const share = Math.min(0.6, LATE / expected(of));
    const factor = [1 - share, 1, 1 + share] as const;
    return scaling(of, { bytes: factor, files: factor });
  },
};
