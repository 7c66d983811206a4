import { middle, type Market } from '../../evidence';
import { assumedRange, type OwnRanges } from '../assumptions';
import { expectedRate, linkById } from '../links';
import type { Drive } from '../parts';
import { pcieShare } from './flash';
import { likeliest, marketOver, type Likely } from './likely';

/** Flash drives that draw alike: what they move a second is what warms them. */
type PowerClass = 'pcie.slow' | 'pcie.fast' | 'pcie.fastest' | 'sata';

const NAMES: Record<PowerClass, string> = {
  'pcie.slow': 'PCIe, up to 4,000 MB/s',
  'pcie.fast': 'PCIe, up to 8,000 MB/s',
  'pcie.fastest': 'PCIe, faster than 8,000 MB/s',
  sata: 'SATA',
};

/** The most a drive's plug lets it move, B/s: what it draws follows from that where nobody states its speed. */
const fastest = ({ read, write, modes }: Drive): number =>
  Math.max(middle(read) ?? 0, middle(write) ?? 0) ||
  Math.max(...modes.map((mode) => expectedRate(linkById(mode))));

function powerClasses(drive: Drive): Likely<PowerClass>[] {
  const pcie = pcieShare(drive);
  const rate = fastest(drive);
  const band: PowerClass = rate <= 4e9 ? 'pcie.slow' : rate <= 8e9 ? 'pcie.fast' : 'pcie.fastest';
  return likeliest(Object.keys(NAMES) as PowerClass[], (id) => {
    if (id === 'sata') return 1 - pcie;
    return id === band ? pcie : 0;
  });
}

/** W of a flash drive fully busy where its sheet does not say: by the classes it may be of. */
export const busyMarket = (drive: Drive, shopRanges: OwnRanges = {}): Market =>
  marketOver(powerClasses(drive), (id) => assumedRange(`power.${id}`, shopRanges), NAMES);

/** W of a flash drive doing nothing, awake. */
export const idleMarket = (drive: Drive, shopRanges: OwnRanges = {}): Market =>
  marketOver(
    powerClasses(drive),
    (id) => assumedRange(id === 'sata' ? 'idle.sata' : 'idle.pcie', shopRanges),
    NAMES,
  );
