import { befallenIn, type BefallenId, type Job } from '../job';
import { CAUSES } from './causes/known';

/** How many times as often a cause is there after what befell a unit [memory]: plugs and sockets suffer first. */
const OFTENER: Record<BefallenId, Readonly<Record<string, number>>> = {
  dropped: { contact: 6 },
  wet: { contact: 8 },
  'plugged often': { contact: 4, 'single lane': 2 },
  jolted: { contact: 2 },
};

/**
 * Priors by what befell the units of a job.
 * @param priors of somebody's own, by cause, in place of those they come with
 */
export function raisedBy(
  job: Job,
  priors: Readonly<Record<string, number>>,
): Readonly<Record<string, number>> {
  const raised: Record<string, number> = { ...priors };
  for (const what of new Set(befallenIn(job).map((one) => one.what)))
    for (const [id, times] of Object.entries(OFTENER[what])) {
      const own = raised[id] ?? CAUSES.find((cause) => cause.id === id)?.prior;
      if (own !== undefined) raised[id] = own * times;
    }
  return raised;
}
