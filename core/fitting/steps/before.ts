import { deadPorts } from '../../fit';
import type { FittingStep } from '../step';

/** Before anything is opened. */
export const BEFORE: readonly FittingStep[] = [
  {
    id: 'serial',
    minutes: 4,
    phase: 'before',
    when: () => true,
    title: 'Write down the serial number and look its warranty up',
    how: 'On the maker’s page, before the bag is opened: a unit sold elsewhere, or sold before, may have none here.',
    caution:
      'An opened bag, a broken seal or a removed label often ends the right to return it, and the warranty.',
  },
  {
    id: 'backup',
    minutes: 5,
    phase: 'before',
    when: (b) => b.inside || b.replaces || b.isArray,
    title: (b) => `Back up what is on ${b.host.name}`,
    how: 'Onto something that is unplugged afterwards, and open a few files from there: a back-up nobody opened is a hope.',
    caution:
      'Do not go on without it. Fitting, firmware settings and formatting have all ended drives that were not meant.',
  },
  {
    id: 'members',
    minutes: (b) => 6 * b.drives,
    phase: 'before',
    when: (b) => b.isArray,
    title: (b) =>
      `Write down ${b.array!.members === 2 ? 'both' : `all ${b.array!.members}`} serial numbers, and read the health of each`,
    how: 'Before they go in: which serial number goes into which bay, and hours, written bytes and errors of each. When one fails, this says which to pull.',
    caution:
      'Members out of one box were made on one day: look whether their numbers follow each other, and mix two batches where that can be had.',
  },
  {
    id: 'array-backup',
    minutes: 3,
    phase: 'before',
    when: (b) => b.isArray,
    title: 'Make sure nothing wanted is on the members',
    how: 'Making an array erases every drive that becomes part of it, also one that looked empty.',
    caution:
      'A deleted array may leave its description on the drives and appear again in another box: wipe it there, drive by drive.',
  },
  {
    id: 'ports-off',
    minutes: 4,
    phase: 'before',
    when: (b) => deadPorts(b).length > 0,
    title: (b) => `Look what hangs on ${deadPorts(b).join(' and ')}`,
    how: (b) =>
      `${b.port.position} takes their lanes: once it is in use, what hangs there is gone. ` +
      'Move it to another port first, and look whether the machine boots from it.',
    caution: 'A drive that vanishes so is not broken, and its data are whole.',
  },
  {
    id: 'bare',
    minutes: 10,
    phase: 'before',
    when: (b) => b.inside && !b.disk,
    title: 'Prove the drive bare, before a long teardown',
    how: 'In any enclosure that takes it: it appears with its full size, and a gigabyte goes on and comes back.',
  },
  {
    id: 'unit-firmware',
    minutes: 6,
    phase: 'before',
    when: () => true,
    title: 'Look up the firmware of drive and enclosure',
    how: 'Note both versions. Where the maker offers a later one, update while nothing is on it yet, and before anything is timed: figures change with it.',
    caution:
      'An update that is broken off can end the unit: on the mains, on a short cable, nothing else running.',
  },
  {
    id: 'baseline',
    minutes: 3,
    phase: 'before',
    when: () => true,
    title: 'Read its health, and keep it as the baseline',
    how: (b) =>
      b.bridge && b.bridge.health === false
        ? `${b.bridge.model} does not pass health data on: read it before the drive goes in, on a port or in a box that does.`
        : 'Hours, written bytes and error counters as they are on day zero. Boxes differ in what they pass on: read it now, and note how.',
  },
];
