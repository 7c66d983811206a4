import { exactFact, explaining } from '../evidence';
import { type Run } from '../job';
import { rateOfRun } from '../measure';
import { collectTransfer, forecastTransfer, pathOf, type Transfer } from '../forecast';
import { madeAt, type Job } from '../job';
import type { Direction } from '../catalog/links';
import { hardCeiling, type Path } from '../assembly';

/** What the shop's own runs say of a link. */
export interface OwnRate {
  link: string;
  direction: Direction;
  /** B/s: lowest, middle and highest. */
  low: number;
  middle: number;
  high: number;
  runs: number;
}

/** Files may take this share of a run's time before it says too little of the link. */
const MOST_FILES = 0.1;

/** The link that alone decided a run, or null where something else had a hand in it. */
function decidedBy(run: Run, path: Path): string | null {
  const rate = rateOfRun(run);
  if (rate === null || rate > hardCeiling(path) || path.blocked.length > 0) return null;
  const { constraint } = path.bottleneck![run.direction];
  const mode = constraint.link?.mode;
  if (!mode || constraint.shared?.[run.direction]) return null;
  const { measure } = run;
  const bytes = 'bytes' in measure && measure.bytes !== null ? measure.bytes : null;
  if (bytes === null) return mode.id;
  const files = 'files' in measure ? (measure.files ?? 1) : 1;
  const transfer: Transfer = {
    direction: run.direction,
    bytes: exactFact(bytes),
    files: exactFact(files),
    otherEnd: run.otherEnd,
  };
  const inputs = collectTransfer(explaining, path, transfer, { needs: {} });
  const { phases } = forecastTransfer(inputs, transfer);
  const time = phases.at(-1)?.to.time ?? Infinity;
  return phases.every((p) => p.limit === 'links' || p.limit === 'memory') &&
    (files * inputs.inputs.perFile.expected) / time < MOST_FILES
    ? mode.id
    : null;
}

/**
 * What each link reached in the shop's own hands: runs on a described path whose whole course that link decided, by the models, with few files.
 * Simulated, impossible and cut-off runs say nothing.
 */
export function ownRates(jobs: readonly Job[]): OwnRate[] {
  const found = new Map<string, { link: string; direction: Direction; rates: number[] }>();
  for (const job of jobs)
    for (const run of job.runs) {
      if (run.source === 'simulated' || run.ended !== 'done' || run.conditions.memoryBacked) continue;
      const { host, build } = madeAt(job, run) ?? {};
      if (!host || !build || !host.ports.some((port) => port.id === build.port)) continue;
      const link = decidedBy(run, pathOf({ host, build }));
      if (link === null) continue;
      const key = `${link} ${run.direction}`;
      const entry = found.get(key) ?? { link, direction: run.direction, rates: [] };
      entry.rates.push(rateOfRun(run)!);
      found.set(key, entry);
    }
  return [...found.values()].map(({ link, direction, rates }) => {
    const sorted = rates.sort((a, b) => a - b);
    return {
      link,
      direction,
      low: sorted[0]!,
      middle: (sorted[(sorted.length - 1) >> 1]! + sorted[sorted.length >> 1]!) / 2,
      high: sorted.at(-1)!,
      runs: sorted.length,
    };
  });
}
