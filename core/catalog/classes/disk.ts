import { middle, type Market } from '../../evidence';
import { assumedRange, remembered, type OwnRanges } from '../assumptions';
import { formFactor, type Drive } from '../parts';
import { likeliest, marketOver, nearness, type Likely } from './likely';

/** Disks whose tracks pass alike under the head. */
export type DiskClass = 'disk-25' | 'disk-25-fast' | 'disk-35-slow' | 'disk-35' | 'disk-35-large';

export const DISK_NAMES: Record<DiskClass, string> = {
  'disk-25': '2.5-inch, 5,400 rpm',
  'disk-25-fast': '2.5-inch, 7,200 rpm and more',
  'disk-35-slow': '3.5-inch, 5,400 to 5,900 rpm',
  'disk-35': '3.5-inch, 7,200 rpm, below 8 TB',
  'disk-35-large': '3.5-inch, 7,200 rpm, 8 TB and more',
};

/** From here on several heads' worth of density makes 3.5-inch disks fast, B. */
const LARGE = 8e12;
/** A sealed disk above this is a 3.5-inch one: no 2.5-inch one holds more [memory]. */
const MOST_25 = 5.5e12;

/** Share of the disks of such a form and size that are 2.5-inch ones [memory]. */
function isPortable({ form, sealed }: Drive, capacity: number | null): number {
  const factor = formFactor(form);
  if (factor === '2.5-inch') return 1;
  if (factor === '3.5-inch') return 0;
  if (capacity !== null && capacity > MOST_25) return 0;
  return sealed ? 0.8 : 0.5;
}

/** Which classes a disk may be of: by form, turns, capacity and any rate that is known. The likeliest first. */
export const diskClasses = remembered((drive: Drive, shopRanges): Likely<DiskClass>[] => {
  const capacity = middle(drive.capacity);
  const portable = isPortable(drive, capacity);
  const rate = middle(drive.read) ?? middle(drive.write);
  const fast = drive.rpm === undefined ? null : drive.rpm > 6000;
  const large = capacity === null ? 0.4 : Number(capacity >= LARGE);
  /** Of those that turn fast or slow, where nobody says: so many of ten are fast [memory]. */
  const turning = (isFast: boolean, usual: number) => {
    if (fast === null) return isFast ? usual : 1 - usual;
    return Number(isFast === fast);
  };
  const common: Record<DiskClass, number> = {
    'disk-25': portable * turning(false, 0.1),
    'disk-25-fast': portable * turning(true, 0.1),
    'disk-35-slow': (1 - portable) * turning(false, large > 0.5 ? 0.8 : 0.55),
    'disk-35': (1 - portable) * (1 - large) * turning(true, 0.55),
    'disk-35-large': (1 - portable) * large * turning(true, 0.8),
  };
  const known = (id: DiskClass) =>
    rate === null ? 1 : nearness(rate, assumedRange(`${id}.outer`, shopRanges));
  return likeliest(Object.keys(DISK_NAMES) as DiskClass[], (id) => common[id] * known(id));
});

const anyOuter = remembered((drive: Drive, shopRanges) =>
  marketOver(diskClasses(drive, shopRanges), (id) => assumedRange(`${id}.outer`, shopRanges), DISK_NAMES),
);

/** What the outer tracks of a disk pass where nobody knows: one class's, or all that it may be of. */
export const outerMarket = (drive: Drive, shopRanges?: OwnRanges, only?: DiskClass): Market =>
  only
    ? { range: assumedRange(`${only}.outer`, shopRanges), note: DISK_NAMES[only] }
    : anyOuter(drive, shopRanges);
