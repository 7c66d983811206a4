import type { HealthCounters, ToldHealth } from './counters';

type Key = Exclude<keyof HealthCounters, 'from' | 'warnings'>;

/** A field as its standard names it, and what no drive exceeds [memory]: far above the most worn one there is. */
const LIMITS: Record<Key, { name: string; low: number; high: number; unit: string; scale?: number }> = {
  written: { name: 'bytes written', low: 0, high: 1e18, unit: 'B' },
  read: { name: 'bytes read', low: 0, high: 1e19, unit: 'B' },
  percentageUsed: { name: 'Percentage Used', low: 0, high: 2.55, unit: '%', scale: 100 },
  powerOnHours: { name: 'Power On Hours', low: 0, high: 500_000, unit: 'h' },
  powerCycles: { name: 'Power Cycles', low: 0, high: 1e8, unit: 'cycles' },
  unsafeShutdowns: { name: 'Unsafe Shutdowns', low: 0, high: 1e8, unit: 'shutdowns' },
  temperature: { name: 'Composite Temperature', low: -60, high: 150, unit: '°C' },
  spare: { name: 'Available Spare', low: 0, high: 1, unit: '%', scale: 100 },
  spareThreshold: { name: 'Available Spare Threshold', low: 0, high: 1, unit: '%', scale: 100 },
  mediaErrors: { name: 'Media and Data Integrity Errors', low: 0, high: 1e15, unit: 'errors' },
  minutesWarm: { name: 'Warning Composite Temperature Time', low: 0, high: 3e7, unit: 'min' },
  minutesCritical: { name: 'Critical Composite Temperature Time', low: 0, high: 3e7, unit: 'min' },
};

/** What one counter of a drive cannot say; null where it can. */
export function implausible(key: Key, value: number): string | null {
  const { name, low, high, unit, scale = 1 } = LIMITS[key];
  if (value >= low && value <= high) return null;
  const shown = Number((value * scale).toPrecision(6));
  return `${name} says ${shown} ${unit}; between ${low * scale} and ${high * scale} ${unit} is possible.`;
}

/** Counters as they were read, or which of them no drive can tell. */
export function plausible(counters: HealthCounters): ToldHealth {
  for (const key of Object.keys(LIMITS) as Key[]) {
    const value = counters[key];
    const problem = value === null ? null : implausible(key, value);
    if (problem)
      return { ok: false, problem: `${problem} This is no health page, or the bridge garbled it.` };
  }
  return { ok: true, counters };
}
