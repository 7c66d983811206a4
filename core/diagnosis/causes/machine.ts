import type { Case } from '../../forecast';
import { isLoad } from '../../job';
import { at } from '../hypothesis';
import { depends, isDirection, middleIn, replacing, scaling } from '../scaling';

const slowStack = (of: Case) =>
  scaling(of, { links: [0.6, 0.75, 0.9], perFile: [1.1, 1.5, 2.5], latency: [1.2, 1.8, 3] });

/** B of a request, and s of waking up before it [memory]. */
const REQUEST = 2 ** 19;
const WAKING = [0.3e-3, 1e-3, 3e-3] as const;
/** A wait before each request: a quick link loses most by it, a slow one hardly anything. */
function asleep(of: Case): Case {
  const link = middleIn(of, 'links');
  if (link === null) return of;
  const left = (wait: number) => REQUEST / (REQUEST + wait * link);
  const [least, usual, most] = WAKING;
  return scaling(of, { links: [left(most), left(usual), left(least)], latency: [2, 6, 20] });
}

/** Causes in the machine: its links, its system, what runs on it. */
export const MACHINE = at('machine', [
  // The system fell back to the bulk-only protocol: one command at a time.
  {
    id: 'bulk-only',
    prior: 1.5,
    title: 'The system fell back to the bulk-only protocol',
    fix: 'Another port or driver; see whether the system has this bridge on a list of exceptions.',
    takes: 'enclosure',
    applies: ({ build }) => build.bridge?.protocol === 'uas',
    change: (situation) => {
      const { build } = situation;
      const bridge = build.bridge && { ...build.bridge, protocol: 'bulk-only' as const };
      return { ...situation, build: { ...build, bridge } };
    },
  },
  // Half of a shared link goes to another device.
  {
    id: 'another device on the uplink',
    comesAndGoes: true,
    prior: 2,
    title: 'Another device is at work on the same uplink',
    fix: 'Put it on a port of another controller, or let one wait.',
    applies: (of) => depends(of, 'links'),
    change: (of) => scaling(of, { links: [0.35, 0.5, 0.75] }),
  },
  // Driver or system takes its time over every request, or lets port and drive sleep between two of them.
  {
    id: 'system stack',
    prior: 1.5,
    title: 'The system’s own stack is slow, or its power saving lets port or drive sleep',
    fix: 'Turn off power saving of port and drive; update driver and system; compare with another system on the same machine.',
    applies: (of) => depends(of, 'links'),
    change: slowStack,
    ways: [
      { key: 'slow', share: 2, change: slowStack },
      { key: 'sleeps between requests', change: asleep },
    ],
  },
  // Each piece waits until it is safe: quick removal, or a cache that was turned off.
  {
    id: 'write cache off',
    prior: 1.5,
    title: 'The write cache is off',
    fix: 'Turn it on where power cannot fail, or eject before pulling.',
    applies: (of) => depends(of, 'write') && isDirection(of, 'write'),
    change: (of) => scaling(of, { write: [0.05, 0.25, 0.7], perFile: [1.5, 3, 8] }),
  },
  // Writing to an array whose stack is slow at parity.
  {
    id: 'parity in a poor stack',
    prior: 1,
    title: 'The array’s redundancy is worked out slowly',
    fix: 'Another mode, or an enclosure that makes it.',
    applies: (of) =>
      of.build.array !== undefined && of.build.array.mode !== 'single' && isDirection(of, 'write'),
    change: (of) => scaling(of, { write: [0.15, 0.35, 0.6] }),
  },
  // Something looks at each file: what a file costs beside its bytes is several times what it was.
  {
    id: 'small-file overhead',
    prior: 2.5,
    title: 'Each file costs more than it should (a scanner, a journal, an index)',
    fix: 'Leave the folder out of the scanner while it copies; pack small files into one.',
    applies: (of) => depends(of, 'perFile'),
    change: (of) => scaling(of, { perFile: [2, 4, 12] }),
  },
  // Every byte goes through something slow: a cipher without the processor's help, a scanner, an old machine.
  {
    id: 'processor-bound copy',
    prior: 1,
    title: 'The processor holds the copy (encryption without its help, a scanner at every byte)',
    fix: 'See how busy the processor is meanwhile; leave the folder out of the scanner, let the drive encrypt, or a faster machine.',
    applies: (of) => depends(of, 'perByte'),
    change: (of) => replacing(of, { perByte: { low: 1.2e-9, expected: 3.5e-9, high: 10e-9 } }),
  },
  // A back-up, an index, a virus check: something else reads and writes there meanwhile.
  {
    id: 'something else at work',
    comesAndGoes: true,
    prior: 0.5,
    title: 'Something else is at work on the same drive (an index, a back-up)',
    fix: 'Wait until it is through, or stop it; see which program reads and writes.',
    applies: (of) => depends(of, 'read') || depends(of, 'write'),
    change: (of) =>
      scaling(of, {
        read: [0.2, 0.5, 0.85],
        write: [0.2, 0.5, 0.85],
        rest: [0.2, 0.5, 0.85],
        latency: [1.2, 2, 6],
      }),
  },
  // The host is busy by itself for longer than was thought: no drive shortens that.
  {
    id: 'processor-bound',
    prior: 3,
    title: 'What is waited for is processing, not the drive',
    fix: 'No drive helps: a faster processor, fewer plug-ins, or patience.',
    applies: ({ activity }) => isLoad(activity) && activity.processing.value !== null,
    change: (of) => {
      if (!isLoad(of.activity)) return of;
      const { value, source } = of.activity.processing;
      const middle = Array.isArray(value) ? value[1] : value!;
      const processing = {
        value: [middle * 1.3, middle * 2, middle * 4] as [number, number, number],
        source,
      };
      return { ...of, activity: { ...of.activity, processing } };
    },
  },
]);
