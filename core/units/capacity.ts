import { format } from './format';

/**
 * Sectors of 512 bytes that a drive of a nominal capacity has.
 * Up to 8,000 GB: standard IDEMA LBA1-03, 97,696,368 + 1,953,504 × (GB − 50).
 * Above: standard SFF-8447, ⌈GB·10⁹ ÷ 2³⁰⌉ × 2²¹. Both from memory, checked against known drives in the tests.
 * @param gigabytes nominal capacity in GB (10⁹ B), 50 or more
 * @throws RangeError below 50 GB, where neither standard speaks
 * @example nominalSectors(500) // 976773168
 */
export function nominalSectors(gigabytes: number): number {
  if (!(gigabytes >= 50)) throw new RangeError('Nominal capacities are defined from 50 GB.');
  if (gigabytes <= 8000) return 97_696_368 + 1_953_504 * (gigabytes - 50);
  return Math.ceil((gigabytes * 1e9) / 2 ** 30) * 2 ** 21;
}

/**
 * What a computer shows for a capacity in bytes: systems that count binary call TiB "TB", the others count decimal.
 * @example shownCapacity(4e12, 'binary') // '3.64 TB'
 */
export function shownCapacity(bytes: number, counting: 'binary' | 'decimal'): string {
  const [unit, name] =
    bytes >= 1e12
      ? [counting === 'binary' ? 2 ** 40 : 1e12, 'TB']
      : [counting === 'binary' ? 2 ** 30 : 1e9, 'GB'];
  return `${(bytes / unit).toFixed(2)} ${name}`;
}

/**
 * End of a partition table with 32-bit sector numbers [standard UEFI, MBR]: 2³² sectors.
 * @example mbrLimit(4096) // 17592186044416
 */
export function mbrLimit(sectorBytes: number): number {
  return 2 ** 32 * sectorBytes;
}

/**
 * A size that programs count in powers of two, as they say it: "4 KiB", "1 MiB"; any other in decimal.
 * @example binary(131072) // '128 KiB'
 */
export function binary(bytes: number): string {
  for (const [size, name] of [
    [2 ** 30, 'GiB'],
    [2 ** 20, 'MiB'],
    [2 ** 10, 'KiB'],
  ] as const)
    if (bytes >= size && bytes % size === 0) return `${bytes / size} ${name}`;
  return format(bytes, 'B');
}
