import type { Direction } from '../catalog/links';
import type { Host } from '../catalog/parts';
import { asTold, type Fact } from '../evidence';
import type { Job } from '../job';
import type { Unit } from '../units';

/** A host with what a file costs it, as fitted: its other drives are forecast with it. */
const withPerFile = (host: Host, media: 'flash' | 'disk', direction: Direction, cost: Fact): Host => ({
  ...host,
  perFile: { ...host.perFile, [media]: { ...host.perFile?.[media], [direction]: cost } },
});

/** A value that is taken over into a job, with no more digits than it is told with, in place of what. */
export interface TakenOver {
  /** What it is called where it stands. */
  label: string;
  unit: Unit;
  was: Fact | null;
  now: Fact;
  into(job: Job): Job;
}

/** What would be taken over into a machine. */
export function intoMachine(
  job: Job,
  id: string,
  media: 'flash' | 'disk',
  direction: Direction,
  fitted: Fact,
): TakenOver[] {
  const cost = asTold(fitted);
  const host = job.machines.find((m) => m.id === id)?.host;
  if (!host) return [];
  const doing = direction === 'write' ? 'writing' : 'reading';
  return [
    {
      label: `Per-file overhead, ${doing} ${media === 'disk' ? 'a disk' : 'solid state'}`,
      unit: 's',
      was: host.perFile?.[media]?.[direction] ?? null,
      now: cost,
      into: (j) => ({
        ...j,
        machines: j.machines.map((m) =>
          m.id === id ? { ...m, host: withPerFile(m.host, media, direction, cost) } : m,
        ),
      }),
    },
  ];
}

/** Columns of a drive that a fit can fill. */
const OF_DRIVE = {
  cache: ['Cache takes', 'B'],
  rest: ['Sustained writing (post-cache)', 'B/s'],
  write: ['Writes at', 'B/s'],
  innermost: ['Innermost tracks, share of the outermost', '%'],
} as const;

/** What would be taken over into the drive of a device. */
export function intoDrive(
  job: Job,
  device: string,
  facts: Partial<Record<keyof typeof OF_DRIVE, Fact>>,
): TakenOver[] {
  const drive = job.devices.find((d) => d.id === device)?.parts?.drive;
  if (!drive) return [];
  const held: Partial<Record<string, unknown>> = { ...drive };
  return (Object.keys(facts) as (keyof typeof OF_DRIVE)[]).map((column) => ({
    label: OF_DRIVE[column][0],
    unit: OF_DRIVE[column][1],
    was: (held[column] as Fact | null | undefined) ?? null,
    now: asTold(facts[column]!),
    into: (j) => ({
      ...j,
      devices: j.devices.map((d) =>
        d.id === device && d.parts
          ? { ...d, parts: { ...d.parts, drive: { ...d.parts.drive, [column]: asTold(facts[column]!) } } }
          : d,
      ),
    }),
  }));
}
