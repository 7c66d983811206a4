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
/** The job of each id that is asked about. */
const asked = new Map<string, Job>();

/** Counts verdicts that came in: who shows one follows it. */
const useCount = create<{ count: number }>(() => ({ count: 0 }));

/** Of a job that changes while it is worked out, the latest counts. */
async function work(job: Job): Promise<void> {
  if (asked.has(job.id)) return void asked.set(job.id, job);
  asked.set(job.id, job);
  // The gate is not there before it is needed: most first views show what was frozen.
  const [{ judged }, { answerTo }] = await Promise.all([import('../workers'), import('./gate')]);
  for (let now = job; ; now = asked.get(job.id)!) {
    try {
      const verdict = await answerTo(judged(now, useSettings.getState().ownRanges));
      found.set(now, verdict);
      last.set(now.id, verdict);
    } catch {
      // What cannot be worked out now is asked for again with the next change; what stands, stands.
      found.set(now, last.get(now.id) ?? verdictFrom(now, []));
    }
    useCount.setState(({ count }) => ({ count: count + 1 }));
    if (asked.get(job.id) === now) break;
  }
  asked.delete(job.id);
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
  if (asked.get(job.id) !== job) queueMicrotask(() => void work(job).catch(() => asked.delete(job.id)));
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
