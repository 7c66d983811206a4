import { create } from 'zustand';
import type { Job } from '@kymar/core/job';
import { quickVerdict, verdictFrom, type Verdict } from '@kymar/core/verdict';
import { useSettings } from './settings';

/*
 * Where frozen figures answer every claim a verdict is there at once. Else it is worked out beside the page, by forecasts of a thousand samples;
 * while a new one is on its way the last one of the same job stands.
 */
const found = new WeakMap<Job, Verdict>();
const last = new Map<string, Verdict>();
const waiting = new Map<string, Job>();
let busy = false;

/** Counts verdicts that came in: who shows one follows it. */
const useCount = create<{ count: number }>(() => ({ count: 0 }));

async function work(): Promise<void> {
  if (busy) return;
  busy = true;
  for (let next = waiting.entries().next(); !next.done; next = waiting.entries().next()) {
    const [id, job] = next.value;
    waiting.delete(id);
    try {
      const { judged } = await import('../workers');
      const verdict = await judged(job, useSettings.getState().ownRanges);
      found.set(job, verdict);
      last.set(id, verdict);
    } catch {
      // What cannot be worked out now is asked for again with the next change; what stands, stands.
      found.set(job, last.get(id) ?? verdictFrom(job, []));
    }
    useCount.setState(({ count }) => ({ count: count + 1 }));
  }
  busy = false;
}

/** A job's verdict as far as it is known; null until the first is. */
function verdictOf(job: Job): Verdict | null {
  const had = found.get(job);
  if (had) return had;
  const quick = quickVerdict(job);
  if (quick) {
    found.set(job, quick);
    last.set(job.id, quick);
    return quick;
  }
  waiting.set(job.id, job);
  queueMicrotask(() => void work());
  return last.get(job.id) ?? null;
}

/** A job's verdict, which follows the job; null until the first is worked out. */
export function useVerdict(job: Job): Verdict | null {
  useCount((s) => s.count);
  return verdictOf(job);
}

/** {@link useVerdict} for a list of jobs. */
export function useVerdicts(): (job: Job) => Verdict | null {
  useCount((s) => s.count);
  return verdictOf;
}
