import { numeral } from '../../units';
import { fromAtaStatistics } from './ata';
import type { ToldHealth } from './counters';
import { fromNvmeLog } from './nvme';
import { fromPasted } from './pasted';
import { plausible } from './plausible';

const PAGE = 512;
/** Numbers of the device statistics pages there are. */
const isAtaPage = (page: Uint8Array): boolean =>
  page[2]! >= 1 &&
  page[2]! <= 7 &&
  page[0]! + page[1]! * 256 >= 1 &&
  page[0]! + page[1]! * 256 <= 16 &&
  page[3] === 0;

/**
 * Reads a file of a health log page, or of text with counters.
 * @param text the same bytes as text
 */
export function readHealth(bytes: Uint8Array, text: string): ToldHealth {
  if (!bytes.some((b) => b === 0)) return fromPasted(text);
  if (bytes.length > 1_000_000) return { ok: false, problem: 'The file is larger than any health page.' };
  if (bytes.every((b) => b === 0))
    return {
      ok: false,
      problem:
        'The page holds nothing but zeros: the bridge does not pass the drive’s counters. Read it with the drive bare.',
    };
  if (bytes.length % PAGE !== 0)
    return { ok: false, problem: `A log page has 512 bytes; this file has ${numeral(bytes.length)}.` };
  const pages = Array.from({ length: bytes.length / PAGE }, (_, i) =>
    bytes.subarray(i * PAGE, (i + 1) * PAGE),
  );
  // An NVMe page holds a temperature in kelvin where a statistics page holds its number and a zero.
  const ata = pages.filter(isAtaPage);
  if (ata.length > 0 && ata.length >= pages.length - 1) return plausible(fromAtaStatistics(ata));
  if (pages.length === 1) return plausible(fromNvmeLog(pages[0]!));
  return { ok: false, problem: 'These pages are neither one NVMe health page nor ATA device statistics.' };
}
