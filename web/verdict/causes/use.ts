import type { Diagnosis } from '@kymar/core/diagnosis';
import type { Job } from '@kymar/core/job';
import { useAnswer } from '../../state/gate';
import { useSettings } from '../../state/settings';
import { diagnosisOf } from '../../workers';

/**
 * What is the cause, as far as the measurements tell; undefined until it is first worked out, null where nothing can be told. While it is worked out
 * anew, what was found before stays.
 */
export function useDiagnosis(job: Job): {
  found: Diagnosis | null | undefined;
  isBusy: boolean;
  problem: string | null;
  again(): void;
} {
  const shopRanges = useSettings((s) => s.ownRanges);
  const priors = useSettings((s) => s.priors);
  const { runs, looks, forecasts, machines, devices, connections, activities } = job;
  // Words, decisions and notes of a job change nothing of its causes.
  const about = [runs, looks, forecasts, machines, devices, connections, activities];
  const { data, isFresh, problem, again } = useAnswer(diagnosisOf(job, about, shopRanges, priors));
  return { found: data, isBusy: !isFresh && problem === null, problem, again };
}
