/** What a device has done since it was plugged in, at one moment. */
export interface DeviceCounters {
  /** B read and written. */
  read: number;
  written: number;
  /** Requests finished. */
  reads: number;
  writes: number;
  /** s it had something to do; null where nothing counts that. */
  busy: number | null;
}

/** B of a sector of the kernel's counters, whatever the device's own is [Linux kernel documentation, block/stat]. */
const SECTOR = 512;

/**
 * A device's `/sys/block/<device>/stat` [Linux kernel documentation, block/stat]: requests, merges, sectors and ticks of reading, then of writing, requests
 * in flight, ms with any in flight.
 * @throws RangeError for a text of another shape
 */
export function parseStat(text: string): DeviceCounters {
  const fields = text.trim().split(/\s+/).map(Number);
  const [reads, , readSectors, , writes, , writtenSectors, , , busy] = fields;
  if (fields.length < 10 || fields.some((n) => !Number.isFinite(n) || n < 0))
    throw new RangeError('These are no counters of a block device.');
  return {
    reads: reads!,
    writes: writes!,
    read: readSectors! * SECTOR,
    written: writtenSectors! * SECTOR,
    busy: busy! / 1000,
  };
}

/**
 * B that the host's memory still holds for its drives: Dirty and Writeback of `/proc/meminfo` [Linux kernel documentation, proc]; null where it says
 * neither.
 */
export function parsePending(text: string): number | null {
  const line = (name: string) => {
    const [, kB] = new RegExp(`^${name}:\\s+(\\d+) kB$`, 'm').exec(text) ?? [];
    return kB === undefined ? null : Number(kB) * 1024;
  };
  const [dirty, writeback] = [line('Dirty'), line('Writeback')];
  return dirty === null && writeback === null ? null : (dirty ?? 0) + (writeback ?? 0);
}
