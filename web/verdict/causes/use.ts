import { useEffect, useMemo, useState } from 'react';
import type { Diagnosis } from '@kymar/core/diagnosis';
import type { Job } from '@kymar/core/job';
import { useSettings } from '../../state/settings';
import { diagnosisOf } from '../../workers';

/**
 * What is the cause, as far as the measurements tell; undefined until it is first worked out, null where nothing can be told. While it is worked out
 * anew, what was found before stays.
 */
export function useDiagnosis(job: Job): { found: Diagnosis | null | undefined; isBusy: boolean } {
  const own = useSettings((s) => s.ownRanges);
  const priors = useSettings((s) => s.priors);
  const { id, runs, looks, forecasts, machines, devices, connections, activities } = job;
  // Words, decisions and notes of a job change nothing of its causes.
  const key = useMemo(
    () => ({ id, runs, looks, forecasts, machines, devices, connections, activities, own, priors }),
    [id, runs, looks, forecasts, machines, devices, connections, activities, own, priors],
  );
  const [last, setLast] = useState<{ key: typeof key; diagnosis: Diagnosis | null }>();
  useEffect(() => {
    let current = true;
    diagnosisOf(job, own, priors).then(
      (diagnosis) => current && setLast({ key, diagnosis }),
      () => undefined,
    );
    return () => {
      current = false;
    };
    // The key says all of the job that counts.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [key]);
  return { found: last?.key.id === id ? last.diagnosis : undefined, isBusy: last?.key !== key };
}
