import { exactFact, middle } from '../evidence';
import type { Case } from '../forecast';
import { isMove } from '../job';
import type { Look } from './look';
import { lesserModes, outerMode, pluggedInto, plugsOf } from './modes';
import { isEntered } from './scaling';

/** So much of the drive is written: more than most caches hold. */
const PROBED = 0.25;
/** Of a fuller drive there is no room for it. */
const FULLEST = 0.7;

/** What is seen where nothing is other than it was entered. */
const [AS_ENTERED, ROOM_LEFT] = ['as entered', 'room left'] as const;
export const NOTHING_SEEN: readonly string[] = [AS_ENTERED, ROOM_LEFT];

const probeSize = ({ build, needs }: Case): number | null => {
  const [capacity, fill] = [middle(build.drive.capacity), middle(needs.fill)];
  return capacity === null || (fill ?? 0) > FULLEST ? null : Math.round(PROBED * capacity);
};

const ONE_FILE = { files: exactFact(1) };
/** The same bytes in one file. */
function inOneFile(of: Case): Case {
  if (!isMove(of.activity)) return of;
  const { sizes: _, ...activity } = of.activity;
  return { ...of, activity: { ...activity, ...ONE_FILE } };
}

/** Every look and every test there is. */
export const LOOKS: readonly Look[] = [
  // Another cable of the same kind.
  {
    id: 'swap cable',
    title: 'Take another cable and time it again',
    replaces: ['cable'],
    applies: ({ build }) => build.cable !== null && build.cable !== undefined,
  },
  // Another port of the same class.
  {
    id: 'other port',
    title: 'Take another port of the same class and time it again',
    replaces: ['port'],
    applies: ({ build }) => build.bridge !== null,
  },
  // Another machine as good as this one, with its own port and its own storage.
  {
    id: 'other machine',
    title: 'Time it on another machine of the same class',
    replaces: ['machine', 'port', 'other end'],
    extra: 10,
    applies: ({ build }) => build.bridge !== null,
  },
  // Another enclosure and drive of the same kind.
  {
    id: 'other device',
    title: 'Time another device of the same kind in its place',
    replaces: ['device', 'cable'],
    extra: 10,
    applies: () => true,
  },
  // The same transfer with memory at the other end: a synthetic run, whose size and clock are Kymar's own and whose bytes do not compress.
  {
    id: 'synthetic',
    title: 'Run it synthetically: memory in place of the other end',
    timedBy: 'real',
    replaces: ['other end', 'figures'],
    applies: ({ activity, requestShape }) => isMove(activity) && !requestShape?.toMemory,
    change: (of) => ({ ...inOneFile(of), requestShape: { ...of.requestShape, toMemory: true } }),
  },
  // As many bytes in one file.
  {
    id: 'one file',
    title: 'Time as much in one large file',
    replaces: [],
    // What is made for the test is known.
    ends: ['another size', 'another number of files'],
    known: ONE_FILE,
    applies: ({ activity }) => isMove(activity) && activity.files.value !== 1,
    change: inOneFile,
  },
  // Three times as much.
  {
    id: 'larger',
    title: 'Time three times as much in one go',
    replaces: [],
    applies: ({ activity }) => isMove(activity) && typeof activity.bytes.value === 'number',
    change: (of) => {
      if (!isMove(of.activity)) return of;
      const { bytes, files } = of.activity;
      const more = (fact: typeof bytes) => ({
        ...fact,
        value: typeof fact.value === 'number' ? fact.value * 3 : fact.value,
      });
      const { sizes: _, ...activity } = of.activity;
      return { ...of, activity: { ...activity, bytes: more(bytes), files: more(files) } };
    },
  },
  // The other direction.
  {
    id: 'other direction',
    title: 'Time the other direction',
    replaces: [],
    applies: ({ activity }) => isMove(activity) && !activity.itself,
    change: (of) => {
      if (!isMove(of.activity)) return of;
      const direction = of.activity.direction === 'read' ? 'write' : 'read';
      return { ...of, activity: { ...of.activity, direction } };
    },
  },
  // After a rest: cool, its cache empty.
  {
    id: 'rested',
    title: 'Let it rest for ten minutes, then time it again',
    replaces: [],
    extra: 10,
    ends: ['cache used up', 'throttling'],
    applies: ({ build }) => build.drive.media === 'flash',
  },
  // The same again, timed and counted by the device itself.
  {
    id: 'watched',
    title: 'Watch it: the same again, by the device’s own counters',
    timedBy: 'watch',
    replaces: [],
    // Counters have no thumb, and no unit to mix up.
    ends: ['thumb', 'another size', 'units mixed up'],
    applies: (of) => isMove(of.activity) && isEntered(of),
  },
  // Written out of memory past the end of its cache: what it takes in, and what it sustains.
  {
    id: 'probe',
    title: 'Probe the drive: write past its cache, out of memory',
    timedBy: 'real',
    replaces: ['other end', 'figures'],
    applies: (of) =>
      isMove(of.activity) &&
      of.build.drive.media === 'flash' &&
      !of.requestShape?.toMemory &&
      probeSize(of) !== null,
    change: (of) => {
      const bytes = probeSize(of);
      if (!isMove(of.activity) || bytes === null) return of;
      const { sizes: _, shares: __, ...activity } = of.activity;
      const written = {
        ...activity,
        direction: 'write' as const,
        bytes: exactFact(bytes),
        files: exactFact(1),
      };
      return { ...of, activity: written, requestShape: { ...of.requestShape, toMemory: true } };
    },
  },
  // What the system says it negotiated.
  {
    id: 'look at the link',
    title: 'Read which link the system negotiated',
    thing: 'Link',
    replaces: [],
    extra: 1,
    applies: (of) => outerMode(of) !== null,
    sees: (of) => outerMode(of) ?? 'nothing',
    sights: lesserModes,
  },
  // Which port it is in: ports that look the same are not, and a hub hides another.
  {
    id: 'look at the port',
    title: 'Look which port it is in, by its marking or the manual, and whether a hub is between',
    thing: 'Port',
    replaces: [],
    extra: 1,
    applies: ({ build }) => build.bridge !== null || build.drive.sealed === true,
    sees: pluggedInto,
    sights: plugsOf,
  },
  // How full it is.
  {
    id: 'look at its space',
    title: 'Look how full the drive is',
    thing: 'Space',
    replaces: [],
    extra: 0.5,
    applies: ({ build }) => build.drive.media === 'flash',
    sees: ({ needs }) =>
      typeof needs.fill?.value === 'number' && needs.fill.value > 0.9 ? 'nearly full' : ROOM_LEFT,
  },
  // Size and count of what was copied.
  {
    id: 'count again',
    title: 'Count size and number of files again',
    thing: 'Size and count',
    replaces: ['figures'],
    extra: 1,
    applies: ({ activity }) => isMove(activity),
    sees: (of, causes) => {
      const { bytes, files } = of.overrides;
      // A rate in another unit is of the same size.
      const isSize = bytes && (!causes.includes('units mixed up') || causes.includes('another size'));
      return (
        [isSize ? 'another size' : '', files ? 'another number of files' : '']
          .filter(Boolean)
          .join(' and ') || AS_ENTERED
      );
    },
  },
  // The figure that a program showed.
  {
    id: 'read again',
    title: 'Read the rate again, with its unit',
    thing: 'Unit of the rate',
    replaces: [],
    extra: 0.5,
    ofRates: true,
    applies: ({ activity }) => isMove(activity),
    sees: (_, causes) => (causes.includes('units mixed up') ? 'another unit' : AS_ENTERED),
  },
];
