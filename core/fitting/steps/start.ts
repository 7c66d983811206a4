import { linkById } from '../../catalog/links';
import type { FittingStep } from '../step';

/** The first start, and whether it is there. */
export const START: readonly FittingStep[] = [
  {
    id: 'plug',
    minutes: 1,
    phase: 'first start',
    when: (b) => !b.inside,
    title: (b) => `Plug it in: ${b.port.position}`,
    how: (b) =>
      (b.cable ? `With ${b.cable.name}, no other. ` : '') +
      (b.hops?.[0] ? `Over ${b.hops[0].hub.model}. ` : '') +
      'Ports that look the same are not: this is the one the forecast is of.',
  },
  {
    id: 'power-on',
    minutes: 5,
    phase: 'first start',
    when: (b) => b.inside,
    title: 'Start with the case open once, then close it',
    how: 'Mains back, start, look whether firmware and system list it. Only then the cover goes on.',
  },
  {
    id: 'negotiated',
    minutes: 2,
    phase: 'first start',
    when: () => true,
    title: 'Read the speed that was negotiated',
    how: (b) => {
      const best = b.path.constraints.find((c) => c.id === 'outer')?.link?.mode ?? null;
      const expected = best ? `${best.name} is expected here. ` : '';
      return `${expected}On Path, “Plugged in here” reads it from this machine; on the customer’s, its own device list says it.`;
    },
    caution: (b) =>
      b.drive.modes.some((m) => linkById(m).family === 'usb') || b.bridge !== null
        ? 'A slower link than expected is a port or a cable, not the drive: change it before anything is timed.'
        : 'A slower link than expected is a slot wired with fewer lanes, or of an older generation.',
  },
  {
    id: 'firmware',
    minutes: 4,
    phase: 'first start',
    when: (b) => b.isArray && b.inside,
    title: 'Leave the firmware’s drive mode as it is, unless the array needs it',
    how: 'A system installed in one mode may not boot in the other. Where it must change, prepare the system for it first.',
    caution: 'Changing to RAID mode can stop a system from booting, and can hide its drives.',
  },
  {
    id: 'array',
    minutes: 6,
    phase: 'first start',
    when: (b) => b.isArray,
    title: 'Make the array, and write its layout down',
    how: 'Mode, stripe size, order of the members, which bay holds which serial number. The members are erased now.',
    caution: 'An array is one copy, not a back-up.',
  },
  {
    id: 'build-array',
    minutes: 2,
    phase: 'first start',
    when: (b) => b.isArray && b.spare > 0,
    title: 'Let it build the array to its end',
    how: 'The first pass over all members takes hours on large disks: until it is through it is slower and survives less. Time it after that.',
  },
  {
    id: 'pull-one',
    minutes: 10,
    phase: 'first start',
    when: (b) => b.isArray && b.spare > 0,
    title: 'Pull one member while nothing counts on it',
    how:
      'Copy a test folder, take one drive out, see that the folder opens and that it says so: light, sound, message. ' +
      'Put it back and let it rebuild; note how long that takes.',
    caution:
      'Before the data is on it, never after: a second fault while it rebuilds is the one that loses all.',
  },
  {
    id: 'alarm',
    minutes: 4,
    phase: 'first start',
    when: (b) => b.isArray && b.spare > 0,
    title: 'Switch the alarm on, and settle who hears it',
    how: 'By mail, by sound or by a light somebody passes daily. An array that runs on with a member missing is how most are lost.',
  },
  {
    id: 'spare',
    minutes: 2,
    phase: 'first start',
    when: (b) => b.isArray && b.spare > 0,
    title: 'Settle where the spare drive lies',
    how: 'The same model or larger, on the shelf and labelled; who puts it in, and within how many days.',
  },
];
