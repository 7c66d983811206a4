import { NOTHING, type HealthCounters } from './counters';

const SUPPORTED = 1n << 63n;
const VALID = 1n << 62n;
/** Logical sectors are counted in 512 B where the drive does not say otherwise. */
const SECTOR = 512;

/** A statistic of a page: 48 bits behind eight of flags, or null where the drive does not keep it or it is not valid now. */
function statistic(page: Uint8Array, at: number): number | null {
  const entry = new DataView(page.buffer, page.byteOffset, page.byteLength).getBigUint64(at, true);
  return entry & SUPPORTED && entry & VALID ? Number(entry & 0xffff_ffff_ffffn) : null;
}

/**
 * Reads pages of the device statistics log [standard ATA Command Set, log 04h; offsets from memory]: 01h general, 05h temperature, 07h solid state.
 * @param pages 512 bytes each, in any order; the page's number stands in its third byte
 */
export function fromAtaStatistics(pages: readonly Uint8Array[]): HealthCounters {
  const of = (number: number, at: number, bits = 48): number | null => {
    const page = pages.find((p) => p[2] === number);
    const value = page ? statistic(page, at) : null;
    return value === null ? null : value % 2 ** bits;
  };
  const sectors = (count: number | null) => (count === null ? null : count * SECTOR);
  const temperature = of(5, 0x08, 8);
  const used = of(7, 0x08, 8);
  return {
    ...NOTHING,
    from: 'ATA device statistics',
    powerCycles: of(1, 0x08, 32),
    powerOnHours: of(1, 0x10, 32),
    written: sectors(of(1, 0x18)),
    read: sectors(of(1, 0x28)),
    // A signed byte.
    temperature: temperature === null ? null : temperature > 127 ? temperature - 256 : temperature,
    percentageUsed: used === null ? null : used / 100,
    warnings: [],
  };
}
