import type { Market } from '../../evidence';
import { assumedRange, type OwnRanges } from '../assumptions';
import type { Drive } from '../parts';
import { flashClasses, type FlashClass } from './flash';
import { marketOver, type Likely } from './likely';

/** Flash drives that do small requests alike: the size of the cache does not matter to them. */
type RandomClass =
  'pcie-tlc' | 'pcie-qlc' | 'pcie-mlc' | 'pcie-slc' | 'sata-tlc' | 'sata-qlc' | 'sata-mlc' | 'sata-slc';

const NAMES: Record<RandomClass, string> = {
  'pcie-tlc': 'PCIe TLC',
  'pcie-qlc': 'PCIe QLC',
  'pcie-mlc': 'PCIe MLC',
  'pcie-slc': 'PCIe SLC',
  'sata-tlc': 'SATA TLC',
  'sata-qlc': 'SATA QLC',
  'sata-mlc': 'SATA MLC',
  'sata-slc': 'SATA SLC',
};

const randomClass = (id: FlashClass): RandomClass =>
  id === 'pcie-tlc-large' || id === 'pcie-tlc-small' ? 'pcie-tlc' : id;

/** The classes by their small requests, the likeliest first. */
function randomClasses(drive: Drive, shopRanges: OwnRanges): Likely<RandomClass>[] {
  const weights = new Map<RandomClass, number>();
  for (const { id, weight } of flashClasses(drive, shopRanges)) {
    const group = randomClass(id);
    weights.set(group, (weights.get(group) ?? 0) + weight);
  }
  return [...weights].map(([id, weight]) => ({ id, weight })).sort((a, b) => b.weight - a.weight);
}

/** What a flash drive does with small requests where its sheet does not say: by the classes it may be of. */
export const randomMarket = (
  drive: Drive,
  figure: 'iops.read' | 'iops.write' | 'latency.read' | 'random-sustained',
  shopRanges: OwnRanges = {},
): Market =>
  marketOver(randomClasses(drive, shopRanges), (id) => assumedRange(`${id}.${figure}`, shopRanges), NAMES);
