import { dataMembers } from '../assembly';
import { isKept, isMove } from '../job';
import { type Spread } from '../stats';
import { factSpread, middle, type Fact } from '../evidence';
import { format } from '../units';
import type { Rule } from './rule';
import type { Facts } from './facts';

const role = (f: Facts, ...roles: NonNullable<Facts['needs']['role']>[]) =>
  f.needs.role !== undefined && roles.includes(f.needs.role);
const tbwPerTB = (f: Facts) => {
  const tbw = middle(f.drive.tbw);
  return tbw === null || f.capacity === null ? null : tbw / f.capacity;
};
/** B that the drives must hold at once, whatever is moved first: the largest move, or all that is kept; null where nothing is asked. */
function asked({ activities }: Facts): { least: number; likely: number } | null {
  const points = (value: Fact['value']) => (value === null ? null : factSpread(value));
  const moves = activities
    .flatMap((a) => (isMove(a) ? [points(a.bytes.value)] : []))
    .filter((p) => p !== null);
  const kept = activities.flatMap((a) => (isKept(a) ? [points(a.now.value)] : [])).filter((p) => p !== null);
  if (moves.length + kept.length === 0) return null;
  const most = (of: (p: Spread) => number) =>
    Math.max(
      ...moves.map(of),
      kept.reduce((sum, p) => sum + of(p), 0),
    );
  return { least: most((p) => p.low), likely: most((p) => p.expected) };
}
/** All that the drives hold together for data, an array's redundancy taken off; null where nobody knows. */
const room = (f: Facts) =>
  f.capacity === null ? null : f.capacity * (f.array ? dataMembers(f.array) : (f.together ?? 1));
/** Share of a drive that may be in use before it counts as tight [practice]. */
const ROOMY = 0.9;
const tooSmall = (f: Facts) => room(f) !== null && (asked(f)?.least ?? 0) > room(f)!;

const isTight = (f: Facts) => (asked(f)?.likely ?? 0) > ROOMY * (room(f) ?? Infinity);

const behindUsb = (f: Facts) =>
  f.path.outer.mode?.family === 'usb' && f.bridge !== null && !f.bridge.passThrough;
const unknowns = (f: Facts) =>
  [
    f.drive.read.value === null && f.direction === 'read' ? 'how fast it reads' : '',
    f.drive.write.value === null && f.direction === 'write' ? 'how fast it writes' : '',
    f.drive.capacity.value === null ? 'its capacity' : '',
  ].filter(Boolean);

/** Is it the right kind of drive for what it is for? */
export const MEDIA: Rule[] = [
  {
    id: 'shingled',
    severity: 'caution',
    segment: 'drive',
    title: 'A shingled disk for work that writes here and there',
    when: (f) => f.drive.recording === 'SMR' && role(f, 'system', 'projects', 'scratch', 'everyday'),
    reason:
      'Once its media cache of some tens of GB is full, scattered writing falls to a fraction of its speed.',
    fix: 'Take a CMR disk, or use this one as an archive.',
  },
  {
    id: 'shingled-together',
    severity: 'caution',
    segment: 'drive',
    title: 'Shingled disks side by side',
    when: (f) => f.drive.recording === 'SMR' && (f.together ?? 1) > 1,
    reason: 'Arrays of shingled disks stall while one of them tidies up, and rebuild for weeks.',
    fix: 'Take CMR disks.',
  },
  {
    id: 'disk-for-random',
    severity: 'caution',
    segment: 'drive',
    title: 'A disk where many small pieces are read and written',
    when: (f) => f.disk && role(f, 'system', 'scratch'),
    reason: (f) =>
      `It seeks and turns for each piece${f.drive.rpm ? ` (half a turn is ${format(30 / f.drive.rpm, 's')})` : ''}: ` +
      'some hundred a second at best, against tens of thousands on flash.',
    fix: 'Take a flash drive for this, and the disk for the library or the copies.',
  },
  {
    id: 'disk-travels',
    severity: 'caution',
    segment: 'drive',
    title: 'A disk in a portable job',
    when: (f) => f.disk && f.needs.portable === true,
    reason: 'A fall while it turns ends most disks.',
    fix: 'Take a flash drive; or let the disk stop, and carry it in something soft.',
  },
  {
    id: 'flash-in-a-drawer',
    severity: 'caution',
    segment: 'drive',
    title: 'Flash is no archive that lies in a drawer',
    when: (f) => !f.disk && role(f, 'archive', 'backup'),
    reason: 'Without power, charge leaks out of its cells within years, faster when worn and warm.',
    fix: 'Plug it in a few times a year and read it through; or take a disk for what lies still.',
  },
  {
    id: 'four-bit-cells',
    severity: 'caution',
    segment: 'drive',
    title: 'Four-bit cells for scratch',
    when: (f) => f.drive.cell === 'QLC' && role(f, 'scratch'),
    reason: 'QLC wears soonest and writes slowest once its cache is used up; scratch does both to it daily.',
    fix: 'Take TLC.',
  },
  {
    id: 'host-memory-map',
    severity: 'limits',
    segment: 'drive',
    title: 'Its mapping table is in memory it cannot reach',
    when: (f) => f.drive.map === 'HMB' && behindUsb(f),
    reason:
      'The drive keeps its mapping table in host memory (HMB), and no USB bridge passes that on: ' +
      'small scattered accesses are slower here than any test of the bare drive shows.',
    fix: 'For many small files take a drive with its own DRAM; for large ones it does not matter.',
  },
  {
    id: 'no-trim',
    severity: 'caution',
    segment: 'bridge',
    title: 'This enclosure does not pass TRIM',
    when: (f) => !f.disk && f.bridge?.trim === false,
    reason: (f) =>
      `${f.bridge!.model} does not pass TRIM: the drive goes on treating deleted files as full, its cache shrinks and writing slows over months.`,
    fix: 'Leave a fifth of it unpartitioned, or take a bridge that passes TRIM.',
  },
  {
    id: 'no-health',
    severity: 'note',
    segment: 'bridge',
    title: 'Health counters do not come through',
    when: (f) => f.bridge?.health === false,
    reason: (f) =>
      `${f.bridge!.model} does not pass them on: wear and errors cannot be read while the drive is in it.`,
    fix: 'Read them bare, before the case closes.',
  },
  {
    id: 'revision',
    severity: 'note',
    segment: 'drive',
    title: 'Sold in several revisions under one name',
    when: (f) => (f.drive.revisions?.length ?? 0) > 0 && f.drive.revision === undefined,
    reason: (f) =>
      `${f.drive.revisions!.map((r) => `${r.name} (told by ${r.known})`).join('; ')}: their caches and sustained rates differ.`,
    fix: 'Read firmware or part number off the unit and choose the revision; until then the forecast holds both.',
  },
  {
    id: 'too-small',
    severity: 'blocks',
    segment: 'drive',
    title: 'Too small for what it must hold',
    when: tooSmall,
    reason: (f) =>
      `The brief asks for ${format(asked(f)!.least, 'B')} or more at once; there are ${format(room(f)!, 'B')}.`,
    fix: 'Take a larger drive, or move less in one go.',
  },
  {
    id: 'full-too-soon',
    severity: 'caution',
    segment: 'drive',
    title: 'Full before the end of its service life',
    when: (f) => room(f) !== null && !tooSmall(f) && !isTight(f) && f.roomNeeded > room(f)!,
    reason: (f) =>
      `By the end of the service life the work needs ${format(f.roomNeeded, 'B')}; there are ${format(room(f)!, 'B')}.`,
    fix: 'Take a larger one, or agree what is thinned out and when.',
  },
  {
    id: 'little-room',
    severity: 'caution',
    segment: 'drive',
    title: 'Little room',
    when: (f) => room(f) !== null && !tooSmall(f) && isTight(f),
    reason: (f) =>
      `About ${format(asked(f)!.likely, 'B')} of ${format(room(f)!, 'B')} are needed; file system and the drive’s own work want some of it free.`,
    fix: 'Take the next larger size: a nearly full drive has less cache and writes slower.',
  },
  {
    id: 'low-rating',
    severity: 'caution',
    segment: 'drive',
    title: 'A low rating for its size',
    when: (f) => !f.disk && tbwPerTB(f) !== null && tbwPerTB(f)! <= 350,
    reason: (f) =>
      `${format(tbwPerTB(f)!, 'count')} TB written per TB of capacity; 600 is usual, 350 a warning sign.`,
    fix: 'Hold it against the customer’s own writes in the forecast; years at that rate decide.',
  },
  {
    id: 'only-copy',
    severity: 'caution',
    segment: null,
    title: 'The only copy',
    when: (f) => f.needs.onlyCopy === true,
    reason: (f) =>
      `It holds the only copy of the data${(f.together ?? 1) > 1 ? '; an array is one copy' : ''}: no drive is good enough for that.`,
    fix: 'Plan a second copy before the hand-over, on other media and in another place.',
  },
  {
    id: 'external-works-daily',
    severity: 'note',
    segment: 'cable',
    title: 'A plug used daily',
    when: (f) => f.external && f.needs.portable === true && (f.bridge?.plug ?? f.drive.plug) === 'Micro-B',
    reason: 'Wide Micro-B sockets loosen first: pauses and drop-outs follow.',
    fix: 'Take a USB-C enclosure for a drive that travels.',
  },
  {
    id: 'not-known',
    severity: 'note',
    segment: 'drive',
    title: 'Not known of the drive',
    when: (f) => unknowns(f).length > 0,
    reason: (f) => `${unknowns(f).join(' and ')}: the figures here are the range of what is on the market.`,
    fix: 'Look it up or time it, and enter it in the drive’s figures.',
  },
];
