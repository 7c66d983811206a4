/** What a drive counts about itself. What it does not tell is null. */
export interface HealthCounters {
  from: 'NVMe log page 02h' | 'ATA device statistics' | 'pasted text';
  /** B written and read by the host. */
  written: number | null;
  read: number | null;
  /** The drive's own estimate of its wear, 0.03 for 3 %; may pass 1. */
  percentageUsed: number | null;
  powerOnHours: number | null;
  powerCycles: number | null;
  unsafeShutdowns: number | null;
  /** °C. */
  temperature: number | null;
  /** Spare blocks left and where the drive warns, as shares. */
  spare: number | null;
  spareThreshold: number | null;
  mediaErrors: number | null;
  /** min spent above the temperatures where it warns and where it is critical. */
  minutesWarm: number | null;
  minutesCritical: number | null;
  /** What it warns of by itself, in words. */
  warnings: string[];
}

export const NOTHING: Omit<HealthCounters, 'from'> = {
  written: null,
  read: null,
  percentageUsed: null,
  powerOnHours: null,
  powerCycles: null,
  unsafeShutdowns: null,
  temperature: null,
  spare: null,
  spareThreshold: null,
  mediaErrors: null,
  minutesWarm: null,
  minutesCritical: null,
  warnings: [],
};

/** Outcome of reading counters. */
export type ToldHealth = { ok: true; counters: HealthCounters } | { ok: false; problem: string };
