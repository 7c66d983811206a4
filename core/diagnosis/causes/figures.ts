import { screen, type Case } from '../../forecast';
import { isMove } from '../../job';
import { at } from '../hypothesis';
import { depends, isDirection, isEntered, scaling } from '../scaling';

/** s by which a distracted person starts or stops late [memory]. */
const LATE = 3;
/** s: of longer times nobody's thumb is a share worth a word. */
const SHORT = 90;

const expected = (of: Case): number => screen(of) ?? Infinity;

/** Causes in what was entered or read off, not in the rig. */
export const FIGURES = at('figures', [
  // Too good: what was read lay in memory, or a clone moved no data.
  {
    id: 'memory',
    prior: 2,
    title: 'Memory answered, not the drive',
    fix: 'Measure a size well above memory, or until all is written.',
    applies: (of) => depends(of, 'links'),
    change: (of) =>
      scaling(of, {
        links: [3, 8, 60],
        read: [3, 8, 60],
        write: [3, 8, 60],
        rest: [5, 40, 400],
        other: [1, 4, 40],
        memory: [1, 4, 40],
      }),
  },
  // Too good: drive or file system wrote less than it was given.
  {
    id: 'compression',
    prior: 0.7,
    title: 'What was copied compresses well',
    fix: 'Measure with data that does not compress.',
    applies: (of) => depends(of, 'write') && isDirection(of, 'write'),
    change: (of) => scaling(of, { write: [1.2, 1.8, 3], rest: [1.3, 2, 4], cache: [1, 2, 5] }),
  },
  // The figure is a factor of eight off.
  {
    id: 'units mixed up',
    prior: 1,
    title: 'Bits were taken for bytes, or binary units for decimal ones',
    fix: 'Read the figure again with its unit.',
    applies: (of) => isEntered(of) && depends(of, 'bytes'),
    change: (of) => scaling(of, { bytes: [0.115, 0.125, 0.135] }),
  },
  // The size that was entered is not what was moved.
  {
    id: 'another size',
    prior: 1,
    title: 'Wrong size entered',
    fix: 'Count again what was copied.',
    applies: (of) => isEntered(of) && depends(of, 'bytes'),
    change: (of) => scaling(of, { bytes: [0.3, 1, 3] }),
  },
  // Far more files than anybody counted.
  {
    id: 'another number of files',
    prior: 1,
    title: 'It was not as many files as were entered',
    fix: 'Count the files.',
    applies: (of) => depends(of, 'files'),
    change: (of) => scaling(of, { files: [0.5, 4, 30] }),
  },
  // The clock was started or stopped late: of a short time that is much.
  {
    id: 'thumb',
    prior: 2,
    title: 'The clock was started or stopped late',
    fix: 'Time it again, or watch the device: its counters need no thumb.',
    applies: (of) => isEntered(of) && isMove(of.activity) && expected(of) < SHORT,
    change: (of) => {
      const share = Math.min(0.6, LATE / expected(of));
      const factor = [1 - share, 1, 1 + share] as const;
      return scaling(of, { bytes: factor, files: factor });
    },
  },
]);
