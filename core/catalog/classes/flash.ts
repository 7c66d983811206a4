import { middle } from '../../evidence';
import { assumedRange, remembered, type OwnRanges } from '../assumptions';
import { expectedRate, linkById } from '../links';
import type { Drive } from '../parts';
import { likeliest, nearness, type Likely } from './likely';

/** Flash drives that behave alike. */
export type FlashClass =
  | 'pcie-tlc-large'
  | 'pcie-tlc-small'
  | 'pcie-qlc'
  | 'sata-tlc'
  | 'sata-qlc'
  | 'pcie-mlc'
  | 'sata-mlc'
  | 'pcie-slc'
  | 'sata-slc';

export const FLASH_NAMES: Record<FlashClass, string> = {
  'pcie-tlc-large': 'PCIe TLC, large cache',
  'pcie-tlc-small': 'PCIe TLC, small cache',
  'pcie-qlc': 'PCIe QLC',
  'sata-tlc': 'SATA TLC',
  'sata-qlc': 'SATA QLC',
  'pcie-mlc': 'PCIe MLC',
  'sata-mlc': 'SATA MLC',
  'pcie-slc': 'PCIe SLC',
  'sata-slc': 'SATA SLC',
};

const TB = 1e12;
/** Of a drive whose cells nobody names MLC and SLC are never meant. */
const isMeant = (id: FlashClass): id is CommonClass => id.includes('tlc') || id.includes('qlc');
type CommonClass = Extract<FlashClass, `${string}${'tlc' | 'qlc'}${string}`>;

/** What hangs behind a drive's plug: the share of it that is PCIe, the rest being SATA. A plug says little of a sealed one, its speed more. */
export function pcieShare({ modes, read, write }: Pick<Drive, 'modes' | 'read' | 'write'>): number {
  if (modes.some((mode) => mode.startsWith('pcie'))) return 1;
  if (modes.some((mode) => mode.startsWith('sa'))) return 0;
  const rated = Math.max(middle(read) ?? 0, middle(write) ?? 0);
  if (rated > 600e6) return 1;
  if (rated > 0) return 0.25;
  const link = Math.max(...modes.map((mode) => expectedRate(linkById(mode))));
  if (link > 1300e6) return 1;
  return link > 600e6 ? 0.7 : 0.1;
}

/** How the odds of QLC grow with the capacity [memory]: few cells make no sense of it. */
const qlcByCapacity = (capacity: number): number => {
  if (capacity <= 0.3 * TB) return 0.05;
  if (capacity <= 0.6 * TB) return 0.5;
  if (capacity <= 1.2 * TB) return 1;
  return capacity <= 2.5 * TB ? 1.3 : 2;
};

/** Rated writes for each byte of capacity, by cells [common practice: 600 TB a TB usual, 350 and less a sign of QLC]. */
function byRating(perByte: number, isQlc: boolean): number {
  if (perByte >= 500) return isQlc ? 0.08 : 1;
  if (perByte <= 280) return isQlc ? 1 : 0.15;
  return 1;
}

/** Which classes a flash drive may be of, by whatever is known of it: interface, cells, capacity, speeds, rating, map, cache. The likeliest first. */
export const flashClasses = remembered((drive: Drive, shopRanges): Likely<FlashClass>[] => {
  const { cell, map } = drive;
  const onPcie = pcieShare(drive);
  const capacity = middle(drive.capacity);
  const [write, rest, cache, tbw] = [drive.write, drive.rest, drive.cache, drive.tbw].map(middle);

  const commonOf = (id: FlashClass): number => {
    const isNamed = cell !== null && id.includes(cell.toLowerCase());
    if (!isNamed && (cell !== null || !isMeant(id))) return 0;
    return isMeant(id) ? assumedRange(`${id}.common`, shopRanges).expected : 1;
  };
  const weigh = (id: FlashClass): number => {
    const isQlc = id.endsWith('qlc');
    let weight = commonOf(id) * (id.startsWith('pcie') ? onPcie : 1 - onPcie);
    if (isQlc && capacity !== null) weight *= qlcByCapacity(capacity);
    if (isQlc && (write ?? 0) > 6e9) weight *= 0.3;
    if (isQlc && map === 'DRAM') weight *= 0.5;
    if (tbw != null && capacity !== null && capacity > 0) weight *= byRating(tbw / capacity, isQlc);
    if (cache != null && cache > 0 && capacity !== null)
      weight *= nearness(cache / capacity, assumedRange(`${id}.cache`, shopRanges));
    if (rest != null && id === 'pcie-qlc') weight *= nearness(rest, qlcSustained(capacity, shopRanges));
    if (rest != null && id === 'sata-qlc')
      weight *= nearness(rest, assumedRange('sata-qlc.sustained', shopRanges));
    if (rest != null && id === 'sata-tlc') weight *= nearness(rest, sataTlc(capacity, shopRanges));
    if (rest != null && write != null && id.startsWith('pcie-tlc'))
      weight *= nearness(rest / write, assumedRange('pcie-tlc.sustained.unknown', shopRanges));
    return weight;
  };
  return likeliest(Object.keys(FLASH_NAMES) as FlashClass[], weigh);
});

/** How sustained writing of PCIe QLC grows with the chips: as the square root of the capacity [memory], from 1 TB on. */
export const qlcGrowth = (capacity: number | null): number =>
  Math.sqrt(Math.min(8, Math.max(0.25, (capacity ?? TB) / TB)));

const qlcSustained = (capacity: number | null, shopRanges: OwnRanges) => {
  const by = qlcGrowth(capacity);
  const { low, expected, high } = assumedRange('pcie-qlc.sustained', shopRanges);
  return { low: low * by, expected: expected * by, high: high * by };
};

/** Small drives have fewer chips to write to at once. */
export const isSmall = (capacity: number | null, pcie: boolean): boolean =>
  capacity !== null && capacity <= (pcie ? 0.6 : 0.3) * TB;

const sataTlc = (capacity: number | null, shopRanges: OwnRanges) =>
  assumedRange(isSmall(capacity, false) ? 'sata-tlc.sustained.small' : 'sata-tlc.sustained', shopRanges);
