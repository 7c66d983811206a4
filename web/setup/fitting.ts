import { checklist, nextStep } from '@kymar/core/fitting';
import { fittingOf, type Fitting } from '@kymar/core/job';
import { changeJob } from '../state/jobs';
import { situationNow } from '../state/situation';
import type { Placed } from '../state/placed';

/** Changes how far a device is set up; whether all is done follows from its steps. */
export function changeFitting(at: Placed, to: (fitting: Fitting) => Fitting): void {
  const { device } = at.place;
  const situation = situationNow(at);
  changeJob(at.job, (job) => {
    const { complete: _, ...next } = to(fittingOf(job, device) ?? { device, steps: [] });
    const isDone = situation !== null && nextStep(checklist(situation), next) === null;
    const fitting: Fitting = isDone ? { ...next, complete: new Date().toISOString() } : next;
    const others = (job.fittings ?? []).filter((f) => f.device !== device);
    return { ...job, fittings: [...others, fitting] };
  });
}

/** Without what was cleared. */
export function without<T extends object, K extends keyof T>(from: T, key: K, value: T[K] | undefined): T {
  const { [key]: _, ...rest } = from;
  return (value === undefined ? rest : { ...rest, [key]: value }) as T;
}
