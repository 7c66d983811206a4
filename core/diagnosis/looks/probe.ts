import { exactFact, middle } from '../../evidence';
import type { Case } from '../../forecast';
import type { Look } from '../look';

/** So much of the drive is written: more than most caches hold. */
const SHARE = 0.25;
/** Of a fuller drive there is no room for it. */
const FULLEST = 0.7;

const sizeOf = ({ device, needs }: Case): number | null => {
  const [capacity, fill] = [middle(device.drive.capacity), middle(needs.fill)];
  return capacity === null || (fill ?? 0) > FULLEST ? null : Math.round(SHARE * capacity);
};

/** Written out of memory past the end of its cache: what it takes in, and what it sustains. */
export const PROBE: Look = {
  id: 'probe',
  title: 'Probe the drive: write past its cache, out of memory',
  timedBy: 'real',
  replaces: ['other end', 'figures'],
  applies: (of) =>
    of.activity.kind === 'move' &&
    of.device.drive.media === 'flash' &&
    !of.asked?.toMemory &&
    sizeOf(of) !== null,
  change: (of) => {
    const bytes = sizeOf(of);
    if (of.activity.kind !== 'move' || bytes === null) return of;
    const { sizes: _, shares: __, ...activity } = of.activity;
    const written = {
      ...activity,
      direction: 'write' as const,
      bytes: exactFact(bytes),
      files: exactFact(1),
    };
    return { ...of, activity: written, asked: { ...of.asked, toMemory: true } };
  },
};
