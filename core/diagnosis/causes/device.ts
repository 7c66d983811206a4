import { exactFact } from '../../evidence';
import { at } from '../hypothesis';
import { depends, isDirection, scaling } from '../scaling';

/** Causes in the enclosure or card. */
export const ENCLOSURE = at('device', [
  // A bridge that reaches less than good equipment of its class.
  {
    id: 'poor bridge',
    prior: 2,
    title: 'The enclosure’s bridge is a poor one of its class',
    fix: 'Another enclosure; the drive stays.',
    takes: 'enclosure',
    applies: (of) => of.build.bridge !== null && depends(of, 'links'),
    change: (of) => scaling(of, { links: [0.45, 0.65, 0.8] }),
  },
]);

/** Causes in the drive. */
export const DRIVE = at('device', [
  // Writing begins where an earlier copy left off.
  {
    id: 'cache used up',
    buildsUp: true,
    prior: 3,
    title: 'The cache was used up before it began',
    fix: 'Let it rest, or write less in one go; a drive with a larger cache or a higher sustained rate.',
    applies: (of) => depends(of, 'cache') && isDirection(of, 'write'),
    change: (of) => scaling(of, { cache: [0.0001, 0.01, 0.1] }),
  },
  // Little room is left: what is cache on an empty drive holds data now, and the drive tidies up while it writes.
  {
    id: 'nearly full',
    buildsUp: true,
    prior: 2,
    title: 'The drive is nearly full',
    fix: 'Free some of it, keep a tenth free; a larger drive.',
    applies: (of) => of.build.drive.media === 'flash' && isDirection(of, 'write'),
    change: (of) =>
      scaling({ ...of, needs: { ...of.needs, fill: exactFact(0.95) } }, { rest: [0.2, 0.55, 0.95] }),
  },
  // Heat goes off badly, so that the drive slows itself down.
  {
    id: 'throttling',
    buildsUp: true,
    prior: 2,
    title: 'It grows too hot (the pad does not touch, or no air gets to it)',
    fix: 'Seat the pad, open the enclosure, set it upright; a heatsink that touches.',
    applies: (of) => depends(of, 'resistance'),
    change: (of) => scaling(of, { resistance: [1.8, 2.6, 4] }),
  },
  // Behind its cache the drive writes slower than drives like it do.
  {
    id: 'sustained below class',
    prior: 1.5,
    title: 'It sustains less than its class does',
    fix: 'Another drive for this work.',
    takes: 'drive',
    applies: (of) => depends(of, 'rest') && isDirection(of, 'write'),
    change: (of) => scaling(of, { rest: [0.25, 0.45, 0.75] }),
  },
  // The disk is a shingled one after all.
  {
    id: 'shingled',
    prior: 1.5,
    title: 'The disk is a shingled one (SMR)',
    fix: 'A CMR disk for this work; an SMR one for archives that are written once.',
    takes: 'drive',
    applies: (of) =>
      of.build.drive.media === 'disk' && of.build.drive.recording !== 'SMR' && isDirection(of, 'write'),
    change: (of) => ({
      ...of,
      build: { ...of.build, drive: { ...of.build.drive, recording: 'SMR' as const } },
    }),
  },
  // Data that lay for long, or sectors that are read again and again: in places the rate breaks down.
  {
    id: 'hard to read',
    prior: 1,
    title: 'Some of it is hard to read (old data, sectors read again and again)',
    fix: 'Look at the drive’s health page; copy off what matters, write old data anew.',
    applies: (of) => depends(of, 'read') && isDirection(of, 'read'),
    change: (of) => scaling(of, { read: [0.08, 0.35, 0.75] }),
  },
  // A disk whose files lie in pieces: its head goes to and fro.
  {
    id: 'fragmented',
    prior: 1,
    title: 'What lies on the disk is fragmented',
    fix: 'Copy to an empty disk, or put the pieces together; keep a fifth free.',
    applies: (of) => of.build.drive.media === 'disk' && (depends(of, 'read') || depends(of, 'write')),
    change: (of) => scaling(of, { read: [0.15, 0.45, 0.8], write: [0.2, 0.5, 0.85] }),
  },
  // Each request touches one block more than it should.
  {
    id: 'alignment',
    prior: 0.5,
    title: 'Partition or strip is not aligned',
    fix: 'Partition it anew from 1 MiB; a strip that fits the files.',
    applies: (of) => depends(of, 'write') && isDirection(of, 'write'),
    change: (of) => scaling(of, { write: [0.45, 0.65, 0.85], rest: [0.45, 0.65, 0.9] }),
  },
]);
