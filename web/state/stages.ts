import { stages, type Job, type StageState } from '@kymar/core/job';
import { useRules } from './rules';
import { useSettings } from './settings';
import { useVerdicts } from './verdict';

/** A job's stages. Until the rules are there, nothing is known to block it. */
export function useStages(): (job: Job) => StageState[] {
  const isBlocked = useRules((s) => s.isBlocked);
  const verdicts = useVerdicts();
  const shopRanges = useSettings((s) => s.ownRanges);
  return (job) => {
    const found = verdicts(job);
    const short = found?.claims.some((c) => !c.simulated && c.right.answer === 'short') ?? false;
    return stages(job, {
      blocked: isBlocked?.(job) ?? false,
      unmet: found?.answer === 'falls short',
      short,
      ...(shopRanges ? { shopRanges } : {}),
    });
  };
}
