import type { FittingStep, StepFacts } from '../step';

const isFailing = ({ needs: { old } }: StepFacts): boolean => old?.state === 'failing';
const becomes =
  (fate: string) =>
  ({ needs: { old } }: StepFacts): boolean =>
    old?.then === fate;

/** A source that fails: what is copied first, and when to stop [common practice, no source]. */
export const FAILING: readonly FittingStep[] = [
  {
    id: 'failing-rest',
    minutes: 1,
    phase: 'before',
    when: isFailing,
    title: 'Leave the failing drive off until the new one stands ready',
    how: 'Each start costs it life. No check, no repair, no format and no defragmenting on it: they read and write what may be its last.',
    caution:
      'Clicks, or it does not spin up: not one more start. What is on it is then a case for a recovery lab.',
  },
  {
    id: 'failing-copy',
    minutes: 30,
    phase: 'contents',
    when: isFailing,
    title: 'Copy what matters most first, then the rest, then what is hard to read',
    how:
      'Read its health page before, and write down reallocated and pending sectors. Mount it read-only. ' +
      'One pass over the folders that exist nowhere else; then an image of the whole that skips what does not answer and comes back to it at the end.',
    caution:
      'Stop when its rate falls below a tenth of what it began with, when the counters grow from hour to hour, ' +
      'or when it drops out a second time: what is missing then goes to a recovery lab, and nothing more is tried.',
  },
  {
    id: 'failing-list',
    minutes: 10,
    phase: 'contents',
    when: isFailing,
    title: 'Write down what could not be read',
    how: 'File by file, for the customer: what is missing they know best where else to find.',
  },
];

/** What becomes of the old drive, once the new one works. */
export const OLD_DRIVE: readonly FittingStep[] = [
  {
    id: 'old-kept',
    minutes: 2,
    phase: 'after',
    when: becomes('kept'),
    title: 'Put the old drive away, unplugged and marked',
    how: 'With the job, the date, and the day from which it may be wiped. It is no backup: nothing new comes onto it.',
  },
  {
    id: 'old-wiped',
    minutes: 6,
    phase: 'after',
    when: becomes('wiped'),
    title: 'Wipe the old drive, and look whether it is empty',
    how:
      'Only after the copy was read back and the customer has seen it. Flash: its own erase command, ' +
      'since overwriting misses what it holds in reserve. Disk: overwritten once, all of it. Then read at the start, in the middle and at the end.',
    caution:
      'Look at the serial number twice: the wrong drive is wiped as quickly. What can no longer be written cannot be wiped: it is destroyed.',
  },
  {
    id: 'old-returned',
    minutes: 4,
    phase: 'after',
    when: becomes('returned'),
    title: 'Give the old drive back, as it is',
    how: 'The customer’s data is still on it: say so, and have the receipt signed.',
  },
  {
    id: 'old-destroyed',
    minutes: 6,
    phase: 'after',
    when: becomes('destroyed'),
    title: 'Have the old drive destroyed',
    how: 'Disks drilled through the platters or shredded, flash through each chip; never opened at the bench otherwise. Keep the proof with the job.',
  },
];
