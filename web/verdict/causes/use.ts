import { useEffect, useMemo, useState } from 'react';
import type { Diagnosis } from '@kymar/core/diagnosis';
import type { Job } from '@kymar/core/job';
import { useSettings } from '../../state/settings';
import { diagnosisOf } from '../../workers';

/** What is the cause, as far as the measurements tell; undefined until it is worked out, null where nothing can be told. */
export function useDiagnosis(job: Job): Diagnosis | null | undefined {
  const own = useSettings((s) => s.ownRanges);
  const priors = useSettings((s) => s.priors);
  const { runs, looks, forecasts, machines, devices, connections, activities } = job;
  // Words, decisions and notes of a job change nothing of its causes.
  const key = useMemo(
    () => ({ runs, looks, forecasts, machines, devices, connections, activities, own, priors }),
    [runs, looks, forecasts, machines, devices, connections, activities, own, priors],
  );
  const [found, setFound] = useState<{ key: object; diagnosis: Diagnosis | null }>();
  useEffect(() => {
    let current = true;
    diagnosisOf(job, own, priors).then(
      (diagnosis) => current && setFound({ key, diagnosis }),
      () => undefined,
    );
    return () => {
      current = false;
    };
    // The key says all of the job that counts.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [key]);
  return found?.key === key ? found.diagnosis : undefined;
}
