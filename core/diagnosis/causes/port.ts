import type { Case } from '../../forecast';
import { at } from '../hypothesis';
import { behindHub, slowerModes, lesserPcie, outerMode, portWith } from '../modes';

/** Each further step down is so much as likely as the one before [memory]. */
const NEXT = 0.5;

/** Each of the modes that it may have fallen back to: the nearest, the next, and so on. */
const fallen = (modesOf: (of: Case) => string[], most: number) => ({
  applies: (of: Case) => modesOf(of).length > 0,
  change: (of: Case) => portWith(of, modesOf(of)[0]!),
  ways: Array.from({ length: most }, (_, step) => ({
    key: `${step + 1} down`,
    share: NEXT ** step,
    applies: (of: Case) => modesOf(of)[step] !== undefined,
    change: (of: Case) => portWith(of, modesOf(of)[step]!),
  })),
});

/** A hub that passes on no more than a mode, where the device runs a quicker one and hangs on none that is known. */
const passing = (mode: string) => ({
  applies: (of: Case) => !(of.build.hops?.length ?? 0) && slowerModes(outerMode(of)).includes(mode),
  change: (of: Case) => behindHub(of, mode),
});

/** Causes at the port and what hangs between it and the device. */
export const PORT = at('port', [
  // The port is of a slower class than it was taken for, or falls back to one: ports that look the same are not.
  {
    id: 'slower port',
    prior: 4,
    title: 'The port is of a slower class',
    fix: 'Plug it into the port that the build says; read what was negotiated.',
    ...fallen((of) => slowerModes(outerMode(of)), 6),
  },
  // The slot has fewer lanes than it looks, or shares them with another one.
  {
    id: 'fewer lanes',
    prior: 1,
    title: 'It runs on fewer lanes than the slot has',
    fix: 'Another slot, the drive reseated, the setting looked up.',
    ...fallen((of) => lesserPcie(outerMode(of), 'lanes'), 4),
  },
  // A riser, a dirty contact or a setting keeps the link at an older generation.
  {
    id: 'older generation',
    prior: 1,
    title: 'It runs at an older generation than both sides have',
    fix: 'Another slot, the drive reseated, the setting looked up.',
    ...fallen((of) => lesserPcie(outerMode(of), 'generation'), 4),
  },
  // A hub or a dock hangs between that passes on less.
  {
    id: 'hub between',
    prior: 2,
    title: 'A hub or dock between passes on less',
    fix: 'Plug it straight into the machine.',
    ...passing('usb-5'),
    ways: [
      { key: '5 Gb/s', share: 4, ...passing('usb-5') },
      { key: '10 Gb/s', share: 2, ...passing('usb-10') },
      { key: 'USB 2.0', share: 1, ...passing('usb-2') },
    ],
  },
]);
