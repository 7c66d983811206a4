import type { Case } from '../../forecast';
import { middle } from '../../evidence';
import { isMove } from '../../job';
import { at } from '../hypothesis';
import { depends, isDirection, isEntered, scaling } from '../scaling';

/** Of binary units to decimal ones, by step. */
const BINARY = 1.024;

/** s by which a distracted person stops too late, or too early, at least and at most [memory]. */
const LATE = [2, 25] as const;
const EARLY = [1, 6] as const;
/** As likely in each decade. */
const spread = ([low, high]: readonly [number, number], u: number): number => low * (high / low) ** u;

/** So many times what was entered, or close to it. */
const about = (times: number) => (of: Case) => scaling(of, { bytes: [0.985 * times, times, 1.015 * times] });

/** B/s of what lies in memory [memory], and the share of a host's memory that may hold what was copied [memory]. */
const FROM_MEMORY = [2e9, 8e9] as const;
const HELD = [0.35, 0.9] as const;
/** B, where nobody knows how much a host has [memory]. */
const USUAL_MEMORY = 16e9;

const bytesOf = ({ activity }: Case): number | null =>
  isMove(activity) && typeof activity.bytes.value === 'number' ? activity.bytes.value : null;

/** Causes in what was entered or read off, not in the rig. */
export const FIGURES = at('figures', [
  // Too good: what was read lay in memory, or a clone moved no data.
  {
    id: 'memory',
    prior: 2,
    title: 'Memory answered, not the drive',
    fix: 'Measure a size well above memory, or until all is written.',
    isSlip: true,
    applies: (of) => depends(of, 'links'),
    change: (of) =>
      scaling(of, {
        links: [3, 8, 60],
        read: [3, 8, 60],
        write: [3, 8, 60],
        rest: [5, 40, 400],
        other: [1, 4, 40],
        memory: [1, 4, 40],
        // Of a load: it was a warm start.
        latency: [0.01, 0.1, 0.5],
      }),
    ways: [
      { key: 'all of it', share: 2 },
      // As much as memory holds; the rest comes from the drive.
      {
        key: 'a part',
        applies: (of) => bytesOf(of) !== null,
        change: (of) => of,
        slip(seconds, of, u) {
          const bytes = bytesOf(of)!;
          const memory = middle(of.host.memory) ?? USUAL_MEMORY;
          const held = Math.min(1, (memory * (HELD[0] + (HELD[1] - HELD[0]) * u)) / bytes);
          const fast = (held * bytes) / spread(FROM_MEMORY, (u * 7) % 1);
          return Math.min(seconds, seconds * (1 - held) + fast);
        },
      },
    ],
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
    isSlip: true,
    applies: (of) => isEntered(of) && depends(of, 'bytes'),
    // Of a size that was typed beside a time it is another cause: the size is wrong.
    concerns: ({ isRate }) => isRate === true,
    change: about(1 / 8),
    ways: [
      { key: 'eight times too much', share: 4, change: about(1 / 8) },
      { key: 'eight times too little', change: about(8) },
      // So many MiB told as MB: the rate is higher than it says.
      { key: 'binary for decimal', change: about(BINARY ** 2) },
    ],
  },
  // The size that was entered is not what was moved.
  {
    id: 'another size',
    prior: 2,
    title: 'Wrong size entered',
    fix: 'Count again what was copied.',
    isSlip: true,
    applies: (of) => isEntered(of) && depends(of, 'bytes'),
    concerns: ({ isRate }) => !isRate,
    change: (of) => scaling(of, { bytes: [0.2, 1, 5] }),
    ways: [
      { key: 'another', share: 4 },
      { key: 'a tenth', share: 3, change: about(0.1) },
      { key: 'ten times', share: 3, change: about(10) },
      { key: 'twice', change: about(2) },
      { key: 'half', change: about(0.5) },
      { key: 'a thousand times', change: about(1000) },
      { key: 'a thousandth', change: about(0.001) },
      { key: 'binary for decimal', change: about(BINARY ** 3) },
      { key: 'decimal for binary', change: about(1 / BINARY ** 3) },
    ],
  },
  // Far more files than anybody counted.
  {
    id: 'another number of files',
    prior: 1,
    title: 'Wrong number of files entered',
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
    isSlip: true,
    applies: (of) => isEntered(of) && isMove(of.activity),
    concerns: ({ isRate }) => !isRate,
    change: (of) => of,
    ways: [
      { key: 'stopped late', slip: (seconds, _, u) => seconds + spread(LATE, u) },
      { key: 'stopped early', slip: (seconds, _, u) => Math.max(seconds / 5, seconds - spread(EARLY, u)) },
    ],
  },
]);
