import type { FittingStep } from '../step';

/** What goes onto it, and what is pointed at it. */
export const CONTENTS: readonly FittingStep[] = [
  {
    id: 'contents',
    minutes: 5,
    phase: 'contents',
    // Of a source that fails it is another copy, with steps of its own.
    when: (b) => b.needs.old?.state !== 'failing' && (b.replaces || b.needs.role === 'system'),
    title: (b) => (b.needs.role === 'system' ? 'Clone the system over' : 'Copy the contents over'),
    how: (b) =>
      b.needs.role === 'system'
        ? 'With both drives in their final places where that goes; then start from the new one with the old one unplugged.'
        : 'Copy, then compare by checksums: “copied without an error” is not “the same”. The old drive stays untouched for a while.',
    caution: (b) =>
      b.needs.role === 'system'
        ? 'The clone of a drive and the drive itself must not be started from side by side: both carry the same volume ID.'
        : '',
  },
  {
    id: 'clone-checked',
    minutes: 12,
    phase: 'contents',
    when: (b) => b.needs.role === 'system',
    title: 'Check the clone before the old drive is touched',
    how:
      'It boots by itself, twice; the partition fills the new drive; a handful of files and the programs’ licences open. ' +
      'The old drive stays unplugged and whole for some weeks.',
  },
  {
    id: 'rotation',
    minutes: 5,
    phase: 'contents',
    when: (b) => b.needs.role === 'backup' && b.external,
    title: 'Make it one of two that take turns',
    how: 'One is here, one elsewhere, changed on a set day, each marked with its letter. One that always hangs on the machine is lost with it.',
  },
  {
    id: 'install-place',
    minutes: 4,
    phase: 'contents',
    when: (b) => b.needs.role === 'expansion' || b.needs.role === 'library',
    title: 'Make it the default place for what is installed',
    how: (b) =>
      b.port.storesOnly
        ? 'It stores what the machine cannot run from there: move those titles, keep the rest on the built-in drive.'
        : 'In the system’s storage settings, then install one thing and look where it went.',
  },
  {
    id: 'scratch-place',
    minutes: 5,
    phase: 'contents',
    when: (b) => b.needs.role === 'scratch' || b.needs.role === 'projects',
    title: (b) =>
      b.needs.role === 'scratch'
        ? 'Point scratch and cache folders at it'
        : 'Point new projects and their caches at it',
    how: 'In each program’s own settings; then save something and look whether it grew here.',
  },
];

/** When it works. */
export const AFTER: readonly FittingStep[] = [
  {
    id: 'closed',
    minutes: 6,
    phase: 'after',
    when: (b) => b.inside,
    title: 'Time it again with the case closed',
    how: 'Heat and a lead that was pressed on show only now.',
  },
  {
    id: 'eject',
    minutes: 3,
    phase: 'after',
    when: (b) => b.external,
    title: 'Eject it, plug it in again, open a file',
    how: 'Shows that all was written, and that it comes back by itself. Show the customer how.',
  },
  {
    id: 'label',
    minutes: 2,
    phase: 'after',
    when: () => true,
    title: 'Label it',
    how: 'Job, date, what it is for. Not over vents, not over the serial number.',
  },
];
