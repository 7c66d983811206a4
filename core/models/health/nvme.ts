import { DATA_UNIT } from '../endurance/endurance';
import { NOTHING, type HealthCounters } from './counters';

/** Bits of the critical warning [standard NVM Express, log page 02h; from memory]. */
const WARNINGS = [
  'spare blocks are below their threshold',
  'temperature is outside its limits',
  'reliability is degraded by media errors',
  'the media are read-only',
  'the backup of volatile memory has failed',
  'persistent memory has become unreliable',
];

const KELVIN = 273;

/** Little-endian whole number of so many bytes; beyond 2⁵³ as near as a number comes. */
function whole(page: Uint8Array, at: number, bytes: number): number {
  let value = 0n;
  for (let i = bytes - 1; i >= 0; i--) value = (value << 8n) | BigInt(page[at + i]!);
  return Number(value);
}

/**
 * Reads the SMART / health information log page [standard NVM Express, log page 02h; offsets from memory].
 * @param page its 512 bytes
 */
export function fromNvmeLog(page: Uint8Array): HealthCounters {
  const temperature = whole(page, 1, 2);
  return {
    ...NOTHING,
    from: 'NVMe log page 02h',
    warnings: WARNINGS.filter((_, bit) => page[0]! & (1 << bit)),
    temperature: temperature === 0 ? null : temperature - KELVIN,
    spare: page[3]! / 100,
    spareThreshold: page[4]! / 100,
    percentageUsed: page[5]! / 100,
    read: whole(page, 32, 16) * DATA_UNIT,
    written: whole(page, 48, 16) * DATA_UNIT,
    powerCycles: whole(page, 112, 16),
    powerOnHours: whole(page, 128, 16),
    unsafeShutdowns: whole(page, 144, 16),
    mediaErrors: whole(page, 160, 16),
    minutesWarm: whole(page, 192, 4),
    minutesCritical: whole(page, 196, 4),
  };
}
