import { linkById } from '../../catalog/links';
import type { FittingStep } from '../step';

/** The first start, and whether it is there. */
export const START: readonly FittingStep[] = [
  {
    id: 'plug',
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
    phase: 'first start',
    when: (b) => b.inside,
    title: 'Start with the case open once, then close it',
    how: 'Mains back, start, look whether firmware and system list it. Only then the cover goes on.',
  },
  {
    id: 'negotiated',
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
    phase: 'first start',
    when: (b) => b.isArray && b.inside,
    title: 'Leave the firmware’s drive mode as it is, unless the array needs it',
    how: 'A system installed in one mode may not boot in the other. Where it must change, prepare the system for it first.',
    caution: 'Changing to RAID mode can stop a system from booting, and can hide its drives.',
  },
  {
    id: 'array',
    phase: 'first start',
    when: (b) => b.isArray,
    title: 'Make the array, and write its layout down',
    how: 'Mode, stripe size, order of the members, which bay holds which serial number. The members are erased now.',
    caution: 'An array is one copy, not a back-up.',
  },
];
