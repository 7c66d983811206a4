import { at } from '../hypothesis';
import { behindHub, slowerMode, lesserPcie, outerMode, portWith } from '../modes';

/** Causes at the port and what hangs between it and the device. */
export const PORT = at('port', [
  // The port is of a slower class than it was taken for, or falls back to one: ports that look the same are not.
  {
    id: 'slower port',
    prior: 4,
    title: 'The port is of a slower class',
    fix: 'Plug it into the port that the build says; read what was negotiated.',
    applies: (of) => slowerMode(outerMode(of) ?? 'usb-2') !== null && slowerMode(outerMode(of)!) !== 'usb-2',
    change: (of) => portWith(of, slowerMode(outerMode(of)!)!),
  },
  // The slot has fewer lanes than it looks, or shares them with another one.
  {
    id: 'fewer lanes',
    prior: 1,
    title: 'It runs on fewer lanes than the slot has',
    fix: 'Another slot, the drive reseated, the setting looked up.',
    applies: (of) => lesserPcie(outerMode(of) ?? '', 'lanes') !== null,
    change: (of) => portWith(of, lesserPcie(outerMode(of)!, 'lanes')!),
  },
  // A riser, a dirty contact or a setting keeps the link at an older generation.
  {
    id: 'older generation',
    prior: 1,
    title: 'It runs at an older generation than both sides have',
    fix: 'Another slot, the drive reseated, the setting looked up.',
    applies: (of) => lesserPcie(outerMode(of) ?? '', 'generation') !== null,
    change: (of) => portWith(of, lesserPcie(outerMode(of)!, 'generation')!),
  },
  // A hub or a dock hangs between that passes on less.
  {
    id: 'hub between',
    prior: 2,
    title: 'A hub or dock between passes on 5 Gb/s',
    fix: 'Plug it straight into the machine.',
    applies: (of) => ['usb-10', 'usb-20'].includes(outerMode(of) ?? '') && !(of.build.hops?.length ?? 0),
    change: (of) => behindHub(of, 'usb-5'),
  },
]);
